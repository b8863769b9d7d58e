"""The order of work after the oven: what hands do, what waits, what shows that it is ready."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.finished.kinds import READINESS
from entremet.core.finished.parts import FinishPart
from entremet.core.finished.uses import Dressed
from entremet.core.finishing.cooling import FRIDGE_C, cooling_min
from entremet.core.finishing.offsets import area_cm2, edge_cm
from entremet.core.ground.reference import read_table
from entremet.core.pans.outlines import Ring
from entremet.core.pans.pan import Pan

MINUTES = read_table("entremet.core.finished", "steps.toml")

COLD_STARTS = frozenset({"cream", "cream_cheese"})
"""Kinds that melt on a cake above 15 °C."""


@dataclass(frozen=True, slots=True, kw_only=True)
class FinishStep:
    """A step after the oven.

    Parameters
    ----------
    key, name : str
        What is done.
    hands_min, wait_min : float
        Hands busy, and waiting; practice but for the cooling.
    sign, caution : str
        What shows that it is ready, and what to take care of.
    """

    key: str
    name: str
    hands_min: float
    wait_min: float
    sign: str
    caution: str = ""


def cooling_of(row: Dressed, *, fridge: bool = False) -> float | None:
    """Return the minutes until the slowest layer of a cake is cold enough to coat."""
    pan = row.cake.pan
    layer = row.cake.layers[0]
    outline = layer.outline
    if not isinstance(pan, Pan):
        return None
    # Layers of one pan cool as they were baked, before they are split.
    high = layer.height_cm
    wide = (outline.outer - outline.tube) / 2 if isinstance(outline, Ring) else (
        4 * outline.area() / edge_cm(outline))
    surface = 2 * area_cm2(outline) + edge_cm(outline) * high
    return cooling_min(mass_g=layer.mass_g, surface_cm2=surface, half_cm=min(high, wide) / 2,
                       air_c=FRIDGE_C if fridge else 21.0)


def steps_of(rows: Sequence[Dressed], parts: Sequence[FinishPart]) -> list[FinishStep]:
    """Return the order of work over all cakes.

    Parameters
    ----------
    rows : sequence of Dressed
        Cakes as dressed.
    parts : sequence of FinishPart
        What goes on them.
    """
    used = {use.key for row in rows for use in row.uses}
    cool = max((minutes for row in rows if (minutes := cooling_of(row)) is not None), default=0.0)
    pieces = sum(row.cake.count * len(row.cake.layers) for row in rows)
    whole = sum(row.cake.count for row in rows)
    found = [FinishStep(key="cool", name="Cool", hands_min=2, wait_min=round(cool),
                        sign="26 °C in the middle" if cool else "")]
    if any(row.cake.trim_ml > 0 for row in rows):
        found.append(_step("level", pieces))
    if any(len(row.cake.layers) > 1 and row.cake.layers[0].pan == row.cake.layers[1].pan
           and row.cake.trim_ml == 0 for row in rows) and not found[1:]:
        found.append(_step("level", pieces))
    for key in ("soak", "filling", "settle", "crumb", "chill_crumb", "coat", "press", "glaze",
                "chill_coat", "drip", "set_drip", "border", "cover", "dip", "swirl"):
        needs = {"settle": "filling", "chill_crumb": "crumb", "chill_coat": "drip",
                 "set_drip": "drip"}.get(key, key)
        if needs in used and not (key == "settle" and not {"crumb", "coat"} & used):
            found.append(_step(key, whole))
    cautions = [READINESS[part.kind].caution for part in parts if part.uses
                and READINESS.get(part.kind) is not None]
    told = " ".join(dict.fromkeys(one for one in cautions if one))
    found.append(FinishStep(
        key="out", name="All out?", hands_min=2, wait_min=0,
        sign="pins, skewers, toothpicks and paper counted in are counted out", caution=told))
    return found


def _step(key: str, count: int) -> FinishStep:
    row = MINUTES[key]
    return FinishStep(key=key, name=row["name"], hands_min=row["hands"] * max(1, count) ** 0.8
                      if row["hands"] else 0.0, wait_min=row["wait"], sign=row["sign"],
                      caution=row.get("caution", ""))
