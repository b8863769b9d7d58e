"""A probe in the middle of a bake: its readings narrow the window, and never end the bake."""

from __future__ import annotations

import math
import statistics
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from entremet.core.baking.window import NINETY_PERCENT, Window
from entremet.core.ground.errors import ImpossibleChoice

LAG_MIN, LAG_SD_MIN = 7.0, 2.0
"""Minutes before the middle warms at all; estimate, with its spread."""

NOISE_C = 0.5
"""Spread of one reading of a good probe, °C; estimate, 0.2 to 1."""

CLEARLY = 2.0
"""A probe's own noise counts from so many times that; below, its estimate is itself uncertain."""

OWN_SD = 0.02
"""How far a bake strays from the curve itself, log of the minutes; estimate, 0.01 to 0.05. However
many readings there are, the window is no narrower."""

SETTLES_C = 90.0
"""Above this water boils off and the curve no longer holds."""

MOST_READINGS = 60
"""Readings that are weighed; more are thinned out evenly, which costs nothing that can be seen."""

STEADY = 10
"""Readings before anything is said of their noise, or of the dial."""

STEPS, LAG_STEPS = 161, 41


@dataclass(frozen=True, slots=True, kw_only=True)
class Reading:
    """A reading: minutes after the pan went in, the middle and the air, °C; None where not read."""

    minutes: float
    centre_c: float | None = None
    air_c: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Watched:
    """A bake that is watched.

    Parameters
    ----------
    window : Window
        As planned.
    spread : float
        Standard deviation of the log of the minutes, above zero.
    start_c, done_c, oven_c : float
        Batter going in, a middle that is done, the oven; start < done < oven.
    lag_min : float
        Minutes before its middle warms, by the model; a thin layer has hardly any.
    """

    window: Window
    spread: float
    start_c: float
    done_c: float
    oven_c: float
    lag_min: float = LAG_MIN

    def __post_init__(self) -> None:
        if not self.start_c < self.done_c < self.oven_c or self.spread <= 0:
            raise ImpossibleChoice("A probe needs a batter colder than done, and done colder than "
                                   "the oven.", field="probe")


@dataclass(frozen=True, slots=True, kw_only=True)
class Narrowed:
    """What readings say: the window, and the standard deviation of the log of the minutes."""

    window: Window
    spread: float
    readings: int


def narrowed(bake: Watched, readings: Sequence[Reading]) -> Narrowed:
    """Return the window of a bake under way.

    T = T_oven - (T_oven - T_start)·exp(-(t - lag)/τ), T_start until the lag; τ follows from the
    minutes to done, whose prior is the window. Posterior on a grid over minutes and lag.

    Parameters
    ----------
    bake : Watched
        The bake.
    readings : sequence of Reading
        Of the middle, in any order; those of 90 °C and more are left out.

    Returns
    -------
    Narrowed
        With no reading the window as it was. Its first look is as planned: a sign ends a bake. A
        noisy probe is believed as far as its noise lets it.
    """
    used = _used(readings)
    heard = noise_c(used)
    noise = heard if heard > CLEARLY * NOISE_C else NOISE_C
    if not used:
        return Narrowed(window=bake.window, spread=bake.spread, readings=0)
    log_done = math.log(bake.window.likely_min) + bake.spread * np.linspace(-4, 4, STEPS)
    lags = np.linspace(max(0.0, bake.lag_min - 3 * LAG_SD_MIN),
                       bake.lag_min + 3 * LAG_SD_MIN, LAG_STEPS)
    weight = _weights(bake, used, noise, np.exp(log_done), lags)
    for _ in range(2):
        # Once more, finer, where the weight lies.
        mean, sd = _moments(log_done, weight.sum(axis=1))
        near = max(sd, 1e-4)
        lag_mean, lag_sd = _moments(lags, weight.sum(axis=0))
        log_done = mean + near * np.linspace(-5, 5, STEPS)
        lags = np.clip(lag_mean + max(lag_sd, 0.01) * np.linspace(-5, 5, LAG_STEPS), 0.0, None)
        weight = _weights(bake, used, noise, np.exp(log_done), lags)
    share = weight.sum(axis=1)
    mean, sd = _moments(log_done, share)
    sums = np.cumsum(share) / share.sum()
    likely = math.exp(float(np.interp(0.5, sums, log_done)))
    spread = min(bake.spread, math.hypot(sd, OWN_SD))
    wide = math.exp(NINETY_PERCENT * spread)
    return Narrowed(
        readings=len(used), spread=spread, window=Window(
            first_look_min=bake.window.first_look_min, early_min=likely / wide,
            likely_min=likely, latest_min=likely * wide))


def _used(readings: Sequence[Reading]) -> list[tuple[float, float]]:
    fit = sorted((one.minutes, one.centre_c) for one in readings
                 if one.centre_c is not None and one.minutes >= 0 and one.centre_c < SETTLES_C)
    step = max(1, math.ceil(len(fit) / MOST_READINGS))
    return fit[::-step][::-1]


def noise_c(centres: Sequence[tuple[float, float]]) -> float:
    """Return the spread of single readings, °C, from how each leaves its neighbours; 0 of too few.

    Parameters
    ----------
    centres : sequence of (float, float)
        Minutes and °C, by time.
    """
    bends = [abs(low - 2 * middle + high) for (_, low), (_, middle), (_, high)
             in zip(centres, centres[1:], centres[2:], strict=False)]
    return statistics.median(bends) / (0.6745 * math.sqrt(6)) if len(bends) >= STEADY else 0.0


def _weights(bake: Watched, readings: Sequence[tuple[float, float]], noise: float,
             done: NDArray[np.float64], lags: NDArray[np.float64]) -> NDArray[np.float64]:
    times = np.array([minutes for minutes, _ in readings])
    heats = np.array([centre for _, centre in readings])
    rise = math.log((bake.oven_c - bake.start_c) / (bake.oven_c - bake.done_c))
    tau = np.maximum(done[:, None] - lags[None, :], 0.5) / rise
    since = np.maximum(times[None, None, :] - lags[None, :, None], 0.0)
    curve = bake.oven_c - (bake.oven_c - bake.start_c) * np.exp(-since / tau[:, :, None])
    misfit = ((curve - heats) / noise)**2
    prior = ((np.log(done) - math.log(bake.window.likely_min)) / bake.spread)**2
    lag_prior = ((lags - bake.lag_min) / LAG_SD_MIN)**2
    log_weight = -0.5 * (misfit.sum(axis=2) + prior[:, None] + lag_prior[None, :])
    weight: NDArray[np.float64] = np.exp(log_weight - log_weight.max())
    return weight


def _moments(points: NDArray[np.float64], weight: NDArray[np.float64]) -> tuple[float, float]:
    total = weight.sum()
    mean = float((points * weight).sum() / total)
    return mean, math.sqrt(max(0.0, float(((points - mean)**2 * weight).sum() / total)))
