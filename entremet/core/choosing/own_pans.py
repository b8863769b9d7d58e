"""Whether the pans a recipe is written for stand on the rack."""

from __future__ import annotations

import math
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


LIKE_PAN = 1.7
"""Areas of two pans so many times apart are no longer like each other; practice, a round 20 beside
a round 15 or 26."""


def like_pans(wanted: Sequence[SourcePan],
              rack: Sequence[tuple[AnyPan, int]]) -> list[tuple[int, int]] | None:
    """Return pans of the rack like the recipe's own: its shapes, each in the nearest size.

    Parameters
    ----------
    wanted : sequence of SourcePan
        The pans the recipe is written for.
    rack : sequence of (pan, int)
        Pans with how many are owned.

    Returns
    -------
    list of (int, int) or None
        Place on the rack and how many (wells, for a tray): the recipe's outline goes before
        another of its kind. None where one has nothing like it, or where too few are owned.
    """
    found: list[tuple[int, int]] = []
    for one in wanted:
        if not isinstance(one.pan, Pan):
            return None
        own, near = one.pan, []
        for place, (pan, count) in enumerate(rack):
            if (not isinstance(pan, Pan) or pan.kind is not own.kind
                    or count * pan.wells < one.count or any(place == taken for taken, _ in found)):
                continue
            apart = abs(math.log(pan.rim.area() / own.rim.area()))
            if apart <= math.log(LIKE_PAN):
                near.append((type(pan.base) is not type(own.base), apart, place))
        if not near:
            return None
        found.append((min(near)[2], one.count))
    return found or None


TAKES_BATCH = 1.3
"""Areas so many times apart still take the batch as it is, shallower or deeper; practice."""


def takes_batch(wanted: Sequence[SourcePan], pans: Sequence[AnyPan]) -> bool:
    """Return whether pans like the recipe's own, one for each of them, take its whole batch."""
    ours, theirs = (sum(one.count * area for one, area in zip(wanted, areas, strict=True))
                    for areas in ([_area(pan) for pan in pans],
                                  [_area(one.pan) for one in wanted]))
    return theirs > 0 and 1 / TAKES_BATCH <= ours / theirs <= TAKES_BATCH


def _area(pan: AnyPan) -> float:
    return pan.rim.area() if isinstance(pan, Pan) else 0.0


def _near(one: float, other: float, *, twice: bool = False) -> bool:
    return abs(one - other) <= SAME_PAN * (2 if twice else 1) * max(one, other)


def _walls_apart(one: AnyPan, other: AnyPan) -> float:
    if not isinstance(one, Pan) or not isinstance(other, Pan):
        return 0.0
    return abs(one.wall_cm.value - other.wall_cm.value)
