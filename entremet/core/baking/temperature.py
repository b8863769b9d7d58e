"""Temperature schools: which oven heat gives this pan the crust of the recipe's own."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum

from scipy.optimize import brentq

from entremet.core.baking.constants import HEAT
from entremet.core.baking.heat_balance import Course, minutes
from entremet.core.errors import CoreError

REACH_C = 20.0
"""How far a school moves the oven from the recipe; practice."""

GLASS_C = 15.0
"""How much cooler glass is baked than metal; practice, range 10 to 15 °C."""


class School(Enum):
    """How the oven's temperature is chosen."""

    SAME_CRUST = "same_crust"
    AS_RECIPE = "as_recipe"


@dataclass(frozen=True, slots=True, kw_only=True)
class CrustHeat:
    """Oven heat that gives the crust of the original, and whether the reach cut it short."""

    oven_c: float
    at_limit: bool


def crust(minutes_in_oven: float, oven_c: float) -> float:
    """Return the crust measure: it grows with time and doubles every 14 °C (practice)."""
    return float(minutes_in_oven * 2 ** ((oven_c - 175) / HEAT.crust_doubling_c))


def same_crust_c(course: Course, *, recipe_c: float, recipe_crust: float) -> CrustHeat:
    """Return the oven heat at which a bake ends with a given crust, hotter or cooler.

    Parameters
    ----------
    course : Course
        The bake in the new pan, without the pan's finish.
    recipe_c : float
        Heat of the recipe, above done.
    recipe_crust : float
        Crust of the recipe's own bake.

    Returns
    -------
    CrustHeat
        Above the heat of least crust and within 20 °C of the recipe.

    Raises
    ------
    CoreError
        When the recipe's heat is not above done.
    """
    if not recipe_c > course.done_c:
        raise CoreError("The recipe's oven is no hotter than done.", field="recipe_c")
    low = _least_allowed_c(course, recipe_c - REACH_C)
    high = max(recipe_c + REACH_C, low)

    def excess(oven_c: float) -> float:
        time = minutes(course, oven_c)
        return math.inf if time is None else crust(time, oven_c) - recipe_crust

    if excess(low) >= 0:
        return CrustHeat(oven_c=min(low, high), at_limit=True)
    if excess(high) <= 0:
        return CrustHeat(oven_c=high, at_limit=True)
    return CrustHeat(oven_c=float(brentq(excess, low, high, xtol=1e-6)), at_limit=False)


def _least_allowed_c(course: Course, reach_c: float) -> float:
    """Return the coolest heat of a school: as far as it reaches, or where the crust is least.

    Below the heat at which t·2^(T/14) is least a cooler oven gives more crust, not less.
    """
    rate = math.log(2) / HEAT.crust_doubling_c

    def slope(oven_c: float) -> float:
        falling = course.tau_min * (1 / (oven_c - course.start_c) - 1 / (oven_c - course.done_c))
        return falling + rate * (minutes(course, oven_c) or 0.0)

    if reach_c > course.done_c + 1e-6 and slope(reach_c) >= 0:
        return reach_c
    return float(brentq(slope, course.done_c + 1e-6, course.done_c + 1000, xtol=1e-6))
