"""Lengths of outlines: their bounds, the way between two, and pieces of an edge."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.ground.errors import ImpossiblePan
from entremet.core.ground.quantities import cm_to

SMALLEST_CM = 1.0
LARGEST_CM = 100.0

Point = tuple[float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Face:
    """A piece of an outline whose points all move outwards alike when the pan slopes.

    Parameters
    ----------
    length_cm : float
        Length along the outline.
    reach_cm : float
        How far out it lies along its own outward direction; the difference between rim and base
        gives the slope.
    at, outward : Point or None
        Its middle and its outward direction, of a piece that turns as the pan slopes: an oval
        whose two measures widen unequally.
    """

    length_cm: float
    reach_cm: float
    at: Point | None = None
    outward: Point | None = None

    def moves_to(self, rim: Face) -> float:
        """Return how far its piece of the rim lies outside it, square to the wall between, cm."""
        if self.at is None or self.outward is None or rim.at is None or rim.outward is None:
            return rim.reach_cm - self.reach_cm
        x, y = self.outward[0] + rim.outward[0], self.outward[1] + rim.outward[1]
        return ((rim.at[0] - self.at[0]) * x + (rim.at[1] - self.at[1]) * y) / math.hypot(x, y)


def check_length(field: str, length_cm: float) -> None:
    """Raise ImpossiblePan for a length no pan has, naming its field."""
    if not (math.isfinite(length_cm) and SMALLEST_CM <= length_cm <= LARGEST_CM):
        raise ImpossiblePan(
            f"The {field} has to be {cm_to(SMALLEST_CM, LARGEST_CM)}.", field=field)


def mix(base: float, rim: float, share: float) -> float:
    """Return the length that share of the way from base to rim."""
    return base + (rim - base) * share
