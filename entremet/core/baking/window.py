"""The window of time: when to look, when it is likely done, when it should be out."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.learning.model import Predicted

FIRST_LOOK = 0.8
"""Share of the likely time before which the door stays shut; practice."""

NINETY_PERCENT = 1.6448536269514722
"""Standard deviations to the 5 % and 95 % points of a normal distribution."""


PROVEN_BAKES = 10
"""Bakes done right with an oven from which the first look may come sooner; practice."""

PROVEN_LOOK, BEFORE_EARLY_MIN = 0.7, 2.0
"""Then the door stays shut for so much of the likely time, and until so shortly before early."""

CAUSE_WORDS = {"oven": "your oven", "recipe": "this recipe", "pan": "this pan",
               "apart": "a pan unlike the recipe's", "kind": "another kind of oven",
               "noise": "one bake and the next"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Spread:
    """How sure a time is: standard deviation of the log of the minutes.

    Parameters
    ----------
    total : float
        Of one bake.
    causes : tuple of (str, float)
        In words, what each alone leaves open.
    """

    total: float
    causes: tuple[tuple[str, float], ...] = ()


def spread(said: Predicted) -> Spread:
    """Return the spread of a bake from what is expected of it."""
    return Spread(total=said.sd, causes=tuple((CAUSE_WORDS[kind], sd) for kind, sd in said.parts))


@dataclass(frozen=True, slots=True, kw_only=True)
class Window:
    """Minutes after the pan goes in; first look ≤ likely ≤ latest.

    The ``shown`` minutes are whole: likely to the nearest, looks down, latest up.
    """

    first_look_min: float
    early_min: float
    likely_min: float
    latest_min: float

    @property
    def shown(self) -> tuple[int, int, int, int]:
        """First look, early, likely and latest in whole minutes."""
        return (math.floor(self.first_look_min + 1e-9), math.floor(self.early_min + 1e-9),
                math.floor(self.likely_min + 0.5), math.ceil(self.latest_min - 1e-9))


def first_look(likely_min: float, early_min: float, *, range_low: float = 1.0,
               proven: int = 0) -> float:
    """Return the minute before which the door stays shut.

    Parameters
    ----------
    likely_min, early_min : float
        Of the window.
    range_low : float
        Low end of the recipe's stated range over its middle; 1 where it states one number.
    proven : int
        Bakes done right with that oven.
    """
    if proven >= PROVEN_BAKES:
        return max(PROVEN_LOOK * likely_min, early_min - BEFORE_EARLY_MIN)
    return FIRST_LOOK * likely_min * range_low


def first_look_words(proven: int) -> str:
    """Say what a first look goes by, after so many bakes done right with that oven."""
    if proven >= PROVEN_BAKES:
        return (f"after {proven} right bakes in this oven: two minutes before early, at least "
                "0.7 of the likely time")
    return "0.8 of the likely time, or of the low end stated"


def window(likely_min: float, how: Spread, *, range_low: float = 1.0, proven: int = 0) -> Window:
    """Return the window about a likely time.

    Parameters
    ----------
    likely_min : float
        Minutes, above zero.
    how : Spread
        Its spread; early and latest are the 5 % and 95 % points of a log-normal.
    range_low, proven : float, int
        What the first look goes by, see :func:`first_look`.
    """
    wide = math.exp(NINETY_PERCENT * how.total)
    early = likely_min / wide
    return Window(first_look_min=first_look(likely_min, early, range_low=range_low,
                                            proven=proven),
                  early_min=early, likely_min=likely_min, latest_min=likely_min * wide)
