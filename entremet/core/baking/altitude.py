"""High kitchens: a school of adjustments, off unless asked for, never mixed into amounts or times.

Only the boiling point is physics. The rest is practice with wide ranges; it is told as advice
beside the fit, for a trial bake.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.card.lines import MIXED
from entremet.core.fitting.powder import is_powder
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import celsius, degrees, degrees_to
from entremet.core.ingredients.table import Role

LOWEST_M, HIGHEST_M = 0.0, 5000.0
FROM_M = 900.0
"""Height from which bakers adjust; practice, 600 to 1000."""

PRESSURE_0 = 101_325.0
LAPSE = 2.25577e-5
EXPONENT = 5.25588
"""Standard atmosphere: p = p₀ (1 − 2.25577·10⁻⁵ h)^5.25588, h in metres."""

BOILING_K = 373.15
VAPORISATION = 40_660.0
GAS = 8.314_462_6
"""Clausius–Clapeyron with the molar heat of vaporisation of water at its boiling point, J/mol."""

POWDER_PER_300_M = 0.04
SUGAR_PER_300_M = 0.015
LIQUID_PER_300_M = 0.02
HEAT_C = 8.0
"""Practice: powder less by 3 to 5 % for every 300 m, sugar by 1 to 2 %, liquid more by 1 to 3 %,
the oven 5 to 14 °C hotter, and the first look some tenth earlier."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Adjustment:
    """One piece of advice: what, now, and at that height."""

    what: str
    now: str
    high: str
    why: str


def boiling_c(altitude_m: float) -> float:
    """Return the boiling point of water at a height, °C.

    Raises
    ------
    ImpossibleChoice
        Outside 0 to 5000 m.

    >>> round(boiling_c(0), 1), round(boiling_c(1600), 1)
    (100.0, 94.6)
    """
    check_altitude(altitude_m)
    pressure = (1 - LAPSE * altitude_m) ** EXPONENT
    return 1 / (1 / BOILING_K - GAS * math.log(pressure) / VAPORISATION) - 273.15


def check_altitude(altitude_m: float) -> None:
    """Refuse a height where nobody bakes."""
    if not (math.isfinite(altitude_m) and LOWEST_M <= altitude_m <= HIGHEST_M):
        raise ImpossibleChoice("A kitchen lies 0 to 5000 m above the sea.", field="altitude_m")


def adjustments(altitude_m: float, lines: Sequence[ScaledLine], *,
                done_c: float) -> tuple[Adjustment, ...]:
    """Return what bakers at a height change, with this fit's own amounts.

    Parameters
    ----------
    altitude_m : float
        Of the kitchen.
    lines : sequence of ScaledLine
        Of the fit.
    done_c : float
        Where this batter is done at sea level.

    Returns
    -------
    tuple of Adjustment
        Empty below 900 m.
    """
    boiling = boiling_c(altitude_m)
    if altitude_m < FROM_M:
        return ()
    steps = altitude_m / 300
    found = [Adjustment(
        what="Done", now=f"{celsius(done_c)} in the centre",
        high=celsius(done_c - (100 - boiling)),
        why=f"water boils at {celsius(boiling, 1)} there (physics)")]
    for one in lines:
        change = _change_of(one, steps)
        if change is None or one.g is None or not one.included:
            continue
        share, why = change
        found.append(Adjustment(what=one.line.name, now=_grams(one.g.value),
                                high=_grams(one.g.value * share), why=why))
    found.append(Adjustment(what="Oven", now="as set", high=f"{degrees(HEAT_C)} hotter",
                            why=f"sets the crumb before it falls (practice, {degrees_to(5, 14)})"))
    found.append(Adjustment(what="First look", now="as shown", high="a tenth earlier",
                            why="the hotter oven is quicker (practice)"))
    return tuple(found)


def _change_of(one: ScaledLine, steps: float) -> tuple[float, str] | None:
    role = None if one.line.ingredient is None else one.line.ingredient.role
    if is_powder(one.line):
        return (max(0.5, 1 - POWDER_PER_300_M * steps),
                "gas swells more in thin air (practice, 3 to 5 % per 300 m)")
    if one.line.component not in MIXED:
        return None
    if role is Role.SUGAR:
        return (max(0.8, 1 - SUGAR_PER_300_M * steps),
                "water leaves and the sugar thickens (practice, 1 to 2 % per 300 m)")
    if role in (Role.DAIRY, Role.ACID_DAIRY, Role.LIQUID):
        return (min(1.3, 1 + LIQUID_PER_300_M * steps),
                "more dries off (practice, 1 to 3 % per 300 m)")
    return None


def _grams(grams: float) -> str:
    return f"{grams:.1f} g" if grams < 20 else f"{grams:.0f} g"
