"""What goes into an oven, whatever plan it comes from."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.loading.footprints import Footprint, footprint
from entremet.core.ovens.settings import Setting
from entremet.core.pans.pan import Pan, PanKind
from entremet.core.plan.pan_plan import PanPlan

MOST_ITEMS = 60


@dataclass(frozen=True, slots=True, kw_only=True)
class OvenItem:
    """One pan, or one tray of wells, that goes into an oven.

    Parameters
    ----------
    plan, entry : int
        Place of the plan it comes from, and of its row of pans there.
    label : str
        What it is called, numbered where there are several.
    room : Footprint
        What it takes of a shelf.
    settings : tuple of Setting or None
        The dial's settings, phase by phase; None where there is no dial.
    setting : Setting or None
        The one of the longest phase, which stands for the bake.
    heat_c : float
        Heat at that setting, as a conventional oven, °C.
    look_min : int
        First look, minutes after it went in.
    likely_min : float
        When it is likely done.
    """

    plan: int = 0
    entry: int
    label: str
    room: Footprint
    settings: tuple[Setting | None, ...]
    setting: Setting | None
    heat_c: float
    look_min: int
    likely_min: float


def oven_items(pans: Sequence[PanPlan], *, plan: int = 0) -> list[OvenItem]:
    """Return the pans of a plan that have a time, each for itself.

    Parameters
    ----------
    pans : sequence of PanPlan
        Of a fit; those without a time are left out.
    plan : int
        Place of the plan among several that share an oven.
    """
    items = []
    for place, one in enumerate(pans):
        pan = None if one.place is None else one.place.vessel.pan
        window = None if one.bake is None else one.bake.window
        if one.bake is None or window is None or not isinstance(pan, Pan):
            continue
        wells = pan.kind is PanKind.WELLS
        number = -(-one.entry.count // pan.wells) if wells else one.entry.count
        room = footprint(pan)
        items += [OvenItem(
            plan=plan, entry=place, room=room, heat_c=one.bake.oven.oven_c,
            settings=tuple(step.setting for step in one.bake.oven.steps),
            setting=one.bake.oven.setting, look_min=window.shown[0], likely_min=window.likely_min,
            label=one.entry.label + (f", {i + 1}" if number > 1 else ""))
            for i in range(min(number, MOST_ITEMS + 1))]
    return items
