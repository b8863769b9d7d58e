"""Time to done: the centre warms towards the oven as a body with one time constant."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.baking.constants import HEAT
from entremet.core.errors import CoreError


@dataclass(frozen=True, slots=True, kw_only=True)
class Course:
    """All that decides the time of one bake but the oven's temperature.

    Parameters
    ----------
    load : float
        Heat load R, above zero.
    pace : float
        Of the recipe, or of the style.
    start_c, done_c : float
        Centre of the batter going in, and when done, °C.
    finish : float
        Factor of the pan's finish.
    """

    load: float
    pace: float
    start_c: float
    done_c: float
    finish: float = 1.0

    def __post_init__(self) -> None:
        if not (self.load > 0 and self.pace > 0 and self.finish > 0):
            raise CoreError("Load, pace and finish have to be above zero.", field="load")
        if not self.start_c < self.done_c:
            raise CoreError("The batter has to go in cooler than it comes out.", field="start_c")

    @property
    def tau_min(self) -> float:
        """Time constant in minutes."""
        return HEAT.resistance * self.load * self.finish * self.pace


def minutes(course: Course, oven_c: float) -> float | None:
    """Return the minutes to done, before any rounding.

    Parameters
    ----------
    course : Course
        What is baked.
    oven_c : float
        Heat of the oven as a conventional one, °C.

    Returns
    -------
    float or None
        None in an oven no hotter than done.

    Notes
    -----
    t = t_lag + τ ln((T_oven − T_start)/(T_oven − T_done)), τ = E R f_finish pace.

    >>> round(minutes(Course(load=0.8976, pace=1.0, start_c=21, done_c=97), 170), 1)
    33.3
    """
    if not oven_c > course.done_c:
        return None
    warming = math.log((oven_c - course.start_c) / (oven_c - course.done_c))
    return HEAT.lag_min + course.tau_min * warming
