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

REACH_FROM, REACH_POWER, REACH_MOST = 1.4, 0.63, 1.3
"""From which ratio of heat loads on another witness is heard, how it grows, and at most; practice,
with a second solution of heat and vapour by another hand: 1.2 to 1.3 at twice the load."""

USUAL_LOAD = 0.67
"""Heat load of a usual cake, where the model and practice agree: 450 g in a round 20; practice."""

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
    late : float
        Of the late side alone: a style that is now and then far slower reaches further there.
    near : float
        Without what a pan unlike the recipe's adds: the spread about another witness of it.
    causes : tuple of (str, float)
        In words, what each alone leaves open.
    """

    total: float
    late: float
    near: float
    causes: tuple[tuple[str, float], ...] = ()


def spread(said: Predicted, *, slow_style: float = 1.0, untimed: float = 0.0) -> Spread:
    """Return the spread of a bake from what is expected of it.

    Parameters
    ----------
    said : Predicted
        What the logbook has to say of it.
    slow_style : float
        Slowest usual pace of its style over the usual one, where no stated time tells; else 1.
    untimed : float
        Spread that the recipe's own time has been given for want of one, above zero with it.
    """
    parts = dict(said.parts)
    slow = math.log(slow_style) / NINETY_PERCENT
    more = 0.0
    if untimed > 0 and slow > untimed:
        more = parts.get("recipe", 0.0) ** 2 * ((slow / untimed) ** 2 - 1)
    return Spread(total=said.sd, late=math.sqrt(said.sd**2 + more),
                  near=math.sqrt(max(said.sd**2 - parts.get("apart", 0.0) ** 2, 0.0)),
                  causes=tuple((CAUSE_WORDS[kind], sd) for kind, sd in said.parts))


def reach(apart: float, *, left: float = 1.0) -> float:
    """Return how many times as long, or as short, a pan unlike the known one may take.

    Parameters
    ----------
    apart : float
        Log of its heat load over the known one.
    left : float
        What learning left open of it: 1 with nothing learnt, 0 when it is known.

    Notes
    -----
    Nothing up to 1.4 times the load, then with its 0.63th power (1.25 at twice the load), at most
    1.3: what another solution of heat and vapour and usual practice say of deep pans, and the
    closed form does not; see docs/science.md.

    >>> [round(reach(math.log(one)), 2) for one in (1.0, 1.4, 2.0, 4.0)]
    [1.0, 1.0, 1.25, 1.3]
    """
    beyond = max(0.0, abs(apart) - math.log(REACH_FROM))
    return math.exp(left * min(REACH_POWER * beyond, math.log(REACH_MOST)))


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


def window(likely_min: float, how: Spread, *, range_low: float = 1.0, proven: int = 0,
           apart: float = 0.0, left: float = 1.0) -> Window:
    """Return the window about a likely time.

    Parameters
    ----------
    likely_min : float
        Minutes, above zero.
    how : Spread
        Its spread; early and latest are the 5 % and 95 % points of a log-normal.
    range_low, proven : float, int
        What the first look goes by, see :func:`first_look`.
    apart, left : float
        How far its heat load is from the known one, see :func:`reach`: deeper reaches further on
        the long side, shallower on the short one. The likely time and the first look stay.
    """
    wide, further = math.exp(NINETY_PERCENT * how.total), reach(apart, left=left)
    late, near = math.exp(NINETY_PERCENT * how.late), math.exp(NINETY_PERCENT * how.near)
    early = likely_min / max(wide, further * near if apart < 0 else 0.0)
    return Window(first_look_min=first_look(likely_min, early, range_low=range_low,
                                            proven=proven),
                  early_min=early, likely_min=likely_min,
                  latest_min=likely_min * max(late, further * near if apart > 0 else 0.0))
