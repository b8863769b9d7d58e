"""The pace of a recipe: how its stated time compares with the heat balance in its own pan."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum

from entremet.core.baking.constants import HEAT, HeatConstants
from entremet.core.baking.heat_balance import Course, minutes
from entremet.core.card.recipe import StatedTime

USUAL = (0.7, 1.45)
"""Pace over the style's pace within which a stated time is not questioned; practice."""

CLAMP = (0.5, 2.0)
"""Beyond these the stated time holds for the recipe's own pan alone; practice."""


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


def pace_of(stated: StatedTime | None, course: Course | None, *, style_pace: float,
            constants: HeatConstants = HEAT) -> Pace:
    """Return the pace of a recipe.

    Parameters
    ----------
    stated : StatedTime or None
        What the recipe says.
    course : Course or None
        Its own bake in its own slowest pan, at pace 1; None where the pan is not known.
    style_pace : float
        Pace of its style, used where nothing better is known.
    constants : HeatConstants
        As shipped, or corrected by what was learnt.

    Notes
    -----
    pace = (stated − t_lag) / (model − t_lag). A stated range a to b enters as √(ab), and widens
    what is expected of the recipe by ½ ln(b/a). Practice.
    """
    def plain(basis: PaceBasis) -> Pace:
        return Pace(value=style_pace, basis=basis)

    if stated is None:
        return plain(PaceBasis.NO_STATED_TIME)
    model = None if course is None else minutes(course)
    if model is None:
        return plain(PaceBasis.NO_SOURCE)
    if stated.middle_min <= constants.lag_min:
        return plain(PaceBasis.TOO_SHORT)
    pace = (stated.middle_min - constants.lag_min) / (model - constants.lag_min)
    ratio = pace / style_pace
    if not CLAMP[0] <= ratio <= CLAMP[1]:
        return Pace(value=style_pace, own=pace, basis=PaceBasis.NOT_REPRODUCED)
    return Pace(
        value=pace, half_range=math.log(stated.high_min / stated.low_min) / 2,
        basis=PaceBasis.STATED if USUAL[0] <= ratio <= USUAL[1] else PaceBasis.UNUSUAL,
        range_low=stated.low_min / stated.middle_min,
        range_high=stated.high_min / stated.middle_min)
