"""Temperature schools: how far a bake moves from the recipe's heat."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum

from entremet.core.baking.heat_balance import Course, minutes
from entremet.core.ground.errors import CoreError
from entremet.core.ground.roots import brentq

REACH_C = 20.0
"""How far a school moves the oven from the recipe; practice."""

GLASS_C = 15.0
"""How much cooler glass is baked than metal; practice, range 10 to 15 °C."""

LOWER_C = 15.0
"""How much cooler deep cakes and dark pans are baked by that school; practice, 10 to 20 °C."""

DEEP = 1.25
"""Batter per warm surface, over the recipe's, from which a cake counts as deep; practice."""

SLOPE_STEP_C = 0.01

TOLERANCE_C = 1e-3
"""A school's move is rounded to the dial; nobody needs it finer."""


class School(Enum):
    """How the oven's temperature is chosen."""

    SAME_CRUST = "same_crust"
    BOTH_WAYS = "both_ways"
    AS_RECIPE = "as_recipe"
    LOWER = "lower"
    OWN = "own"


CRUST_SCHOOLS = frozenset({School.SAME_CRUST, School.BOTH_WAYS})


@dataclass(frozen=True, slots=True, kw_only=True)
class CrustShift:
    """Move that gives the crust of the original, °C, and whether the reach cut it short."""

    shift_c: float
    at_limit: bool


def crust(course: Course, minutes_in_oven: float, *, shift_c: float = 0.0) -> float:
    """Return the crust measure: it grows with time and doubles every 14 °C (practice).

    Parameters
    ----------
    course : Course
        Whose stretches share the time.
    minutes_in_oven : float
        The whole time.
    shift_c : float
        Added to every stretch.
    """
    return minutes_in_oven * sum(
        one.share * 2 ** ((one.oven_c + shift_c - 175) / course.constants.crust_doubling_c)
        for one in course.stretches)


def same_crust(course: Course, *, recipe_crust: float) -> CrustShift:
    """Return the move of all stretches at which a bake ends with a given crust.

    Parameters
    ----------
    course : Course
        The bake in the new pan at the recipe's heats, without the pan's finish.
    recipe_crust : float
        Crust of the recipe's own bake.

    Returns
    -------
    CrustShift
        Above the heat of least crust and within 20 °C of the recipe, hotter or cooler.

    Raises
    ------
    CoreError
        When the recipe's last stretch is not hotter than done.
    """
    if not course.stretches[-1].oven_c > course.done_c:
        raise CoreError("The recipe's oven is no hotter than done.", field="oven_c")
    low = _least_shift_c(course)
    high = max(REACH_C, low)

    def excess(shift_c: float) -> float:
        time = minutes(course, shift_c=shift_c)
        return (math.inf if time is None
                else crust(course, time, shift_c=shift_c) - recipe_crust)

    if excess(low) >= 0:
        return CrustShift(shift_c=min(low, high), at_limit=True)
    if excess(high) <= 0:
        return CrustShift(shift_c=high, at_limit=True)
    return CrustShift(shift_c=brentq(excess, low, high, xtol=TOLERANCE_C), at_limit=False)


def _least_shift_c(course: Course) -> float:
    """Return the furthest a school goes down: its reach, or where the crust is least.

    Below the heat at which t·2^(T/14) is least a cooler oven gives more crust, not less.
    """
    rate = math.log(2) / course.constants.crust_doubling_c

    def slope(shift_c: float) -> float:
        here, next_to = minutes(course, shift_c=shift_c), minutes(
            course, shift_c=shift_c + SLOPE_STEP_C)
        if here is None or next_to is None:
            return -math.inf
        return math.log(next_to / here) / SLOPE_STEP_C + rate

    floor = course.done_c - course.stretches[-1].oven_c + 1e-3
    if floor < -REACH_C and slope(-REACH_C) >= 0:
        return -REACH_C
    return brentq(slope, max(floor, -REACH_C), 1000.0, xtol=TOLERANCE_C)
