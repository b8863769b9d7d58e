"""Time to done: the centre warms towards the oven as a body with one time constant.

A bake may run in stretches, each with its own oven heat and its own heat load (covered or bare).
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field, replace

from entremet.core.baking.constants import HEAT, HeatConstants
from entremet.core.ground.errors import CoreError
from entremet.core.ground.roots import brentq

TRIES = 64
"""Steps in which the first root is looked for where a stretch may cool the centre."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Stretch:
    """A part of a bake in which nothing changes.

    Parameters
    ----------
    share : float
        Its share of the time, above 0; the shares of a bake sum to 1.
    oven_c : float
        Heat of the oven as a conventional one, °C.
    load : float
        Heat load R of what is in the pan, above zero.
    """

    share: float
    oven_c: float
    load: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Course:
    """All that decides the time of one bake.

    Parameters
    ----------
    stretches : tuple of Stretch
        In order, at least one.
    pace : float
        Of the recipe, or of the style.
    start_c, done_c : float
        Centre of the batter going in, and when done, °C.
    factor : float
        Of the pan's finish and the kind of oven, together.
    constants : HeatConstants
        As shipped, or corrected by what was learnt.
    lag_min : float
        Minutes before the centre warms, by how high the batter stands.
    taus_min : tuple of float
        Time constant of each stretch, minutes; worked out.
    """

    stretches: tuple[Stretch, ...]
    pace: float
    start_c: float
    done_c: float
    factor: float = 1.0
    constants: HeatConstants = HEAT
    lag_min: float = HEAT.lag_min
    taus_min: tuple[float, ...] = field(init=False, repr=False, compare=False)

    def __post_init__(self) -> None:
        if not self.stretches or not (self.pace > 0 and self.factor > 0) or any(
                not (one.share > 0 and one.load > 0) for one in self.stretches):
            raise CoreError("Shares, loads, pace and factor have to be above zero.", field="load")
        if abs(sum(one.share for one in self.stretches) - 1) > 1e-6:
            raise CoreError("The stretches of a bake have to make up the whole.", field="share")
        if not self.start_c < self.done_c:
            raise CoreError("The batter has to go in cooler than it comes out.", field="start_c")
        per_load = self.constants.resistance * self.factor * self.pace
        object.__setattr__(self, "taus_min", tuple(per_load * one.load for one in self.stretches))

    @property
    def slowness(self) -> float:
        """Mean time constant over the shares, minutes: what bakes slower has more of it."""
        return sum(one.share * tau for one, tau in zip(self.stretches, self.taus_min, strict=True))


def slowed(course: Course, factor: float, *, model_min: float) -> Course:
    """Return a bake that takes so many times as long, its phases in their shares.

    Parameters
    ----------
    course : Course
        As the model has it.
    factor : float
        On its minutes, lag included, above zero.
    model_min : float
        The minutes it takes.

    Notes
    -----
    t − t_lag goes with the pace, so the pace is multiplied by (f t − t_lag) / (t − t_lag). A bake
    hardly longer than the lag keeps a twentieth of its pace.
    """
    warming = model_min - course.lag_min
    ratio = max(0.05, (factor * model_min - course.lag_min) / warming)
    return replace(course, pace=course.pace * ratio)


def single(load: float, oven_c: float, *, pace: float, start_c: float, done_c: float,
           factor: float = 1.0, lag_min: float = HEAT.lag_min) -> Course:
    """Return the bake of one stretch."""
    return Course(stretches=(Stretch(share=1.0, oven_c=oven_c, load=load),), pace=pace,
                  start_c=start_c, done_c=done_c, factor=factor, lag_min=lag_min)


def minutes(course: Course, *, shift_c: float = 0.0) -> float | None:
    """Return the minutes to done, before any rounding.

    Parameters
    ----------
    course : Course
        What is baked.
    shift_c : float
        Added to the heat of every stretch, °C.

    Returns
    -------
    float or None
        None where the last stretch is no hotter than done.

    Notes
    -----
    t = t_lag + x, where x is the first time at which the centre, warming by
    dT/dx = (T_oven − T)/τ through the stretches, is done; τ = E R f pace, and each stretch takes
    its share of x. With one stretch x = τ ln((T_oven − T_start)/(T_oven − T_done)).

    >>> one = single(0.8976, 170, pace=1.0, start_c=21, done_c=97)
    >>> round(minutes(one), 1)
    33.3
    """
    last = course.stretches[-1]
    oven_c = last.oven_c + shift_c
    if not oven_c > course.done_c:
        return None
    if len(course.stretches) == 1:
        warming = math.log((oven_c - course.start_c) / (oven_c - course.done_c))
        return course.lag_min + course.taus_min[0] * warming
    return course.lag_min + _first_root(course, shift_c)


def centre_c(course: Course, at_min: float, *, total_min: float) -> float:
    """Return the centre's temperature at a minute of a bake of a given length.

    Parameters
    ----------
    course : Course
        What is baked.
    at_min : float
        Minutes since it went in, 0 or more; after ``total_min`` the last stretch goes on.
    total_min : float
        Length of the bake, of which the stretches take their shares; above the lag.

    Returns
    -------
    float
        °C, from the lag on; before it the batter's own temperature. It is the model's body of one
        temperature, which does not stop at the boiling point of water; a drawing cuts it there.
    """
    warming = total_min - course.lag_min
    left = max(0.0, at_min - course.lag_min)
    if warming <= 0:
        return course.start_c
    temperature = course.start_c
    for place, (one, tau) in enumerate(zip(course.stretches, course.taus_min, strict=True)):
        last = place == len(course.stretches) - 1
        spent = left if last else min(left, one.share * warming)
        temperature = one.oven_c - (one.oven_c - temperature) * math.exp(-spent / tau)
        left -= spent
        if left <= 0:
            break
    return temperature


def _first_root(course: Course, shift_c: float) -> float:
    """Return the first x at which the end of the last stretch is done.

    While no stretch is cooler than done the end only warms as x grows, up to that root; else it is
    looked for step by step. The last stretch alone, from the coldest the centre can be, bounds it.
    """
    last = course.stretches[-1]
    steps = [(one.share / tau, one.oven_c + shift_c)
             for one, tau in zip(course.stretches, course.taus_min, strict=True)]
    end_c, start_c, done_c, exp = last.oven_c + shift_c, course.start_c, course.done_c, math.exp
    coldest = min(start_c, *(oven_c for _, oven_c in steps))
    bound = (math.log((end_c - coldest) / (end_c - done_c)) / steps[-1][0]) * (1 + 1e-9) + 1e-9

    def short_of_done(x: float) -> float:
        temperature = start_c
        for rate, oven_c in steps:
            temperature = oven_c - (oven_c - temperature) * exp(-rate * x)
        return done_c - temperature

    low, high = 0.0, bound
    if any(oven_c < done_c for _, oven_c in steps):
        for step in range(1, TRIES + 1):
            high = bound * step / TRIES
            if short_of_done(high) <= 0:
                break
            low = high
    return brentq(short_of_done, low, high, xtol=1e-7)
