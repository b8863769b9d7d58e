"""Lengths of outlines: their bounds, the way between two, and pieces of an edge."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.ground.errors import ImpossiblePan

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
    """

    length_cm: float
    reach_cm: float


def check_length(field: str, length_cm: float) -> None:
    """Raise ImpossiblePan for a length no pan has, naming its field."""
    if not (math.isfinite(length_cm) and SMALLEST_CM <= length_cm <= LARGEST_CM):
        raise ImpossiblePan(
            f"The {field} has to be between {SMALLEST_CM:g} and {LARGEST_CM:g} cm.", field=field)


def mix(base: float, rim: float, share: float) -> float:
    """Return the length that share of the way from base to rim."""
    return base + (rim - base) * share
