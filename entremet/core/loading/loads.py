"""Loads of an oven: which pans go in together, on which shelf, and when to turn them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from entremet.core.baking.findings import FAR_APART_C
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.quantities import cm_by, degrees
from entremet.core.ground.wording import listed, percent
from entremet.core.loading.items import MOST_ITEMS, OvenItem
from entremet.core.loading.shelves import OnShelf, lay_out
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind

SLOWER_PER_SHELF = 0.10
"""What each further shelf in use adds to the time; practice, range 0.05 to 0.20."""

REHEAT_MIN = 5.0
"""Minutes an oven needs to be hot again between two loads; practice, range 3 to 10."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Load:
    """What is in the oven at one time.

    Parameters
    ----------
    items : tuple of Item
        Its pans.
    shelves : tuple of tuple of Placed
        By shelf from the top; ``item`` counts within ``items``.
    dial : str
        Setting they share.
    minutes : float
        Until the slowest is likely done, what further shelves add counted in.
    turn_min : int or None
        When to turn pans or swap shelves, at the first look; None where there is nothing to turn.
    slower_share : float
        What the further shelves add, as a share of the time.
    order : tuple of str
        Labels in the order they are likely done, where they differ by more than 2 minutes.
    """

    items: tuple[OvenItem, ...]
    shelves: tuple[tuple[OnShelf, ...], ...]
    dial: str
    minutes: float
    turn_min: int | None
    slower_share: float
    order: tuple[str, ...]

    @property
    def crowded(self) -> float:
        """How many times as long a pan takes in it as alone on its shelf."""
        return 1 + self.slower_share

    @property
    def turn_words(self) -> str:
        """What to do at the turn, with the pans that are still in."""
        if self.turn_min is None:
            return ""
        still_in = {place for place, one in enumerate(self.items) if one.likely_min > self.turn_min}
        rows = [row for row in self.shelves if any(one.item in still_in for one in row)]
        what = "swap the shelves and turn every pan round" if len(rows) > 1 else (
            "turn the pans round" if len(still_in) == len(self.items)
            else "turn the pans that are still in, and bring them to the middle")
        return (f"At the first look, {self.turn_min} min in, {what}. Not before: the batter has to "
                "be set.")

    @property
    def slower_words(self) -> str:
        """What a full oven does to the time, in words."""
        if self.slower_share <= 0:
            return ""
        more_min = self.minutes * (1 - 1 / self.crowded)
        return (f"{len(self.shelves)} shelves at once are slower: {percent(self.slower_share)} "
                f"more, some {more_min:.0f} min (practice, half to twice that). It is in this "
                "load's time and in the plan; a pan's own card is for one shelf.")


def loads_of(items: Sequence[OvenItem],
             oven: Oven) -> tuple[tuple[Load, ...], tuple[Finding, ...]]:
    """Share what is to be baked out over loads of an oven.

    Parameters
    ----------
    items : sequence of OvenItem
        Of one plan or of several.
    oven : Oven
        With its shelves; without their size everything is taken to fit, and a finding says so.

    Returns
    -------
    (tuple of Load, tuple of Finding)
        Pans at one setting go together, as many as the shelves take.
    """
    findings: list[Finding] = []
    if not items:
        return (), ()
    if len(items) > MOST_ITEMS:
        return (), (note("too_many_for_shelves", f"More than {MOST_ITEMS} pans are not laid out on "
                         "shelves."),)
    if oven.shelf_cm is None:
        findings.append(note("shelf_unknown", f"The shelves of {oven.name} are not measured, so "
                             "all pans are taken to fit at once.",
                             hint="Measure a shelf in the kitchen room."))
    loads: list[Load] = []
    for group in _groups(items):
        waiting = group
        while waiting:
            taken, shelves = _fill(waiting, oven)
            if not taken:
                findings += [warn("no_shelf", f"{one.label} is larger than a shelf of {oven.name}.",
                                  subject=one.label, entry=one.entry) for one in waiting]
                break
            loads.append(_load(taken, shelves, oven))
            waiting = [one for one in waiting if one not in taken]
    if any(one.room.assumed for one in items):
        findings.append(note("tray_size_assumed", "The size of a tray is assumed from its wells: "
                             f"about {_largest(items)}.", hint="Check that it goes in."))
    findings += _near_settings(loads)
    return tuple(loads), tuple(findings)


def last_waits_min(loads: Sequence[Load]) -> float:
    """Return how long the batter of the last load stands while the others bake."""
    return sum(load.minutes + REHEAT_MIN for load in loads[:-1])


def _groups(items: Sequence[OvenItem]) -> list[list[OvenItem]]:
    """Return pans by their setting, the slowest first within each."""
    groups: dict[object, list[OvenItem]] = {}
    for one in items:
        groups.setdefault(one.settings, []).append(one)
    return [sorted(group, key=lambda one: one.likely_min, reverse=True)
            for group in groups.values()]


def _fill(waiting: Sequence[OvenItem],
          oven: Oven) -> tuple[list[OvenItem], tuple[tuple[OnShelf, ...], ...]]:
    if oven.shelf_cm is None:
        return list(waiting), ()
    layout = lay_out([one.room for one in waiting], shelf_cm=oven.shelf_cm, shelves=oven.shelves)
    inside = [place for place in range(len(waiting)) if place not in layout.left]
    at = {old: new for new, old in enumerate(inside)}
    shelves = tuple(tuple(OnShelf(item=at[one.item], x_cm=one.x_cm, y_cm=one.y_cm,
                                 turned=one.turned) for one in shelf) for shelf in layout.shelves)
    return [waiting[place] for place in inside], shelves


def _load(items: Sequence[OvenItem], shelves: tuple[tuple[OnShelf, ...], ...], oven: Oven) -> Load:
    slowest = max(one.likely_min for one in items)
    looks = [one.look_min for one in items]
    slower = SLOWER_PER_SHELF * max(0, len(shelves) - 1)
    turns = oven.kind in (OvenKind.CONVENTIONAL, OvenKind.GAS, OvenKind.COUNTER) or (
        len(shelves) > 1)
    in_order = sorted(items, key=lambda one: one.likely_min)
    apart = in_order[-1].likely_min - in_order[0].likely_min > 2
    return Load(
        items=tuple(items), shelves=shelves, dial=oven.words(items[0].setting),
        minutes=slowest * (1 + slower), slower_share=slower,
        turn_min=max(looks) if turns and len(items) > 1 and oven.has_dial else None,
        order=tuple(one.label for one in in_order) if apart else ())


def _near_settings(loads: Sequence[Load]) -> list[Finding]:
    """Say when loads at different settings lie so near that they may share the oven."""
    heats = {load.dial: load.items[0].heat_c for load in loads}
    dials = sorted(heats, key=lambda dial: heats[dial])
    return [note("may_share_oven", f"{listed([one, other])} lie within {degrees(FAR_APART_C)}: "
                 "these pans may share the oven at the lower one.")
            for one, other in pairwise(dials)
            if abs(heats[other] - heats[one]) <= FAR_APART_C]


def _largest(items: Sequence[OvenItem]) -> str:
    room = max((one.room for one in items if one.room.assumed), key=lambda room: room.long_cm)
    return cm_by(round(room.long_cm), round(room.short_cm))

