"""Whether the pans a recipe is written for stand on the rack."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.card.recipe import SourcePan
from entremet.core.pans.outlines import extent
from entremet.core.pans.pan import AnyPan, Pan

SAME_PAN = 0.04
"""Share by which two pans sold under one size differ in width; practice, 2 to 5 %."""

SAME_WALL_CM = 1.6
"""Walls so near take the same batter at the same depth; 5 and 6.5 cm do, 5 and 7.5 do not."""


def own_pans(wanted: Sequence[SourcePan],
             rack: Sequence[tuple[AnyPan, int]]) -> list[tuple[int, int]] | None:
    """Return the recipe's own pans as they stand on the rack.

    Parameters
    ----------
    wanted : sequence of SourcePan
        The pans the recipe is written for.
    rack : sequence of (pan, int)
        Pans with how many are owned.

    Returns
    -------
    list of (int, int) or None
        Place on the rack and how many (wells, for a tray); None where one is missing, or where
        the recipe names no pan.
    """
    found: list[tuple[int, int]] = []
    for one in wanted:
        owned = [place for place, (pan, count) in enumerate(rack)
                 if same_pan(one.pan, pan) and count * pan.wells >= one.count
                 and all(place != taken for taken, _ in found)]
        if not owned:
            return None
        found.append((min(owned, key=lambda place: _walls_apart(one.pan, rack[place][0])),
                      one.count))
    return found or None


def same_pan(one: AnyPan, other: AnyPan) -> bool:
    """Return whether two pans are one for a baker: same shape, same size, nearly the same wall."""
    if not isinstance(one, Pan) or not isinstance(other, Pan):
        return (one.kind is other.kind and one.wells == other.wells
                and _near(one.capacity_ml, other.capacity_ml))
    if one.kind is not other.kind or type(one.base) is not type(other.base) or (
            one.wells > 1) != (other.wells > 1):
        return False
    sides = zip(extent(one.rim), extent(other.rim), strict=True)
    return (_near(one.rim.area(), other.rim.area(), twice=True)
            and all(_near(*pair) for pair in sides) and _walls_apart(one, other) <= SAME_WALL_CM)


def _near(one: float, other: float, *, twice: bool = False) -> bool:
    return abs(one - other) <= SAME_PAN * (2 if twice else 1) * max(one, other)


def _walls_apart(one: AnyPan, other: AnyPan) -> float:
    if not isinstance(one, Pan) or not isinstance(other, Pan):
        return 0.0
    return abs(one.wall_cm.value - other.wall_cm.value)
