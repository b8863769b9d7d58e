"""The pace of a recipe: how its stated time compares with the heat balance in its own pan."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum

from entremet.core.baking.heat_balance import Course, minutes
from entremet.core.baking.window import USUAL_LOAD, reach
from entremet.core.card.recipe import StatedTime
from entremet.core.ground.reference import ReferenceValue

USUAL = (0.7, 1.45)
"""Pace over the style's pace within which a stated time is not questioned; practice. The style's
own range, and what other witnesses say of thin and deep pans, widen it."""

CLAMP = (0.5, 2.0)
"""Beyond these the stated time holds for the recipe's own pan alone; practice."""

FAR = 1.25
"""Beyond what is usual by so much a time is far off, where the usual reaches that far; practice."""


class PaceBasis(Enum):
    """What the pace rests on."""

    STATED = "stated"
    UNUSUAL = "unusual"
    NOT_REPRODUCED = "not_reproduced"
    TOO_SHORT = "too_short"
    NO_STATED_TIME = "no_stated_time"
    NO_SOURCE = "no_source"


@dataclass(frozen=True, slots=True, kw_only=True)
class Pace:
    """The factor on the model's time, with how sure it is.

    Parameters
    ----------
    value : float
        Factor on the warming time.
    basis : PaceBasis
        What it rests on.
    range_low, range_high : float
        Ends of the stated range over its middle; 1 and 1 where one number was stated.
    half_range : float
        ½ ln(b/a) of a stated range a to b; 0 for one number.
    own : float or None
        Pace that a stated time far from the style's gives: it holds in the recipe's own pan alone.
    """

    value: float
    basis: PaceBasis
    range_low: float = 1.0
    range_high: float = 1.0
    half_range: float = 0.0
    own: float | None = None

    @property
    def calibrated(self) -> bool:
        """Whether the recipe's own pan gives back the stated time."""
        return self.basis in (PaceBasis.STATED, PaceBasis.UNUSUAL)


@dataclass(frozen=True, slots=True)
class Limits:
    """Ends of a pace over its style's: what is usual, and what the stated time is far from."""

    usual: tuple[float, float]
    clamp: tuple[float, float]


def limits_of(style: ReferenceValue, load: float) -> Limits:
    """Return within which paces a stated time is not questioned, and not far off.

    Parameters
    ----------
    style : ReferenceValue
        Pace of its style, with its range.
    load : float
        Heat load of the recipe's own pan.
    """
    apart = math.log(load / USUAL_LOAD)
    short, long = (reach(apart), 1.0) if apart < 0 else (1.0, reach(apart))
    usual = (min(USUAL[0], style.low / style.value) / short,
             max(USUAL[1], style.high / style.value) * long)
    return Limits(usual=usual, clamp=(min(CLAMP[0], usual[0] / FAR), max(CLAMP[1], usual[1] * FAR)))


def pace_of(stated: StatedTime | None, course: Course | None, *, style: ReferenceValue,
            load: float = USUAL_LOAD) -> Pace:
    """Return the pace of a recipe.

    Parameters
    ----------
    stated : StatedTime or None
        What the recipe says.
    course : Course or None
        Its own bake in its own slowest pan, at pace 1; None where the pan is not known.
    style : ReferenceValue
        Pace of its style with its range, used where nothing better is known.
    load : float
        Heat load of that pan, bare.

    Notes
    -----
    pace = (stated − t_lag) / (model − t_lag). A stated range a to b enters as √(ab), and widens
    what is expected of the recipe by ½ ln(b/a). Practice.
    """
    def plain(basis: PaceBasis) -> Pace:
        return Pace(value=style.value, basis=basis)

    if stated is None:
        return plain(PaceBasis.NO_STATED_TIME)
    model = None if course is None else minutes(course)
    if course is None or model is None:
        return plain(PaceBasis.NO_SOURCE)
    if stated.middle_min <= course.lag_min:
        return plain(PaceBasis.TOO_SHORT)
    pace = (stated.middle_min - course.lag_min) / (model - course.lag_min)
    ratio, limits = pace / style.value, limits_of(style, load)
    if not limits.clamp[0] <= ratio <= limits.clamp[1]:
        return Pace(value=style.value, own=pace, basis=PaceBasis.NOT_REPRODUCED)
    usual = limits.usual[0] <= ratio <= limits.usual[1]
    return Pace(
        value=pace, half_range=math.log(stated.high_min / stated.low_min) / 2,
        basis=PaceBasis.STATED if usual else PaceBasis.UNUSUAL,
        range_low=stated.low_min / stated.middle_min,
        range_high=stated.high_min / stated.middle_min)
