"""Times learnt: an exact normal posterior over ovens, recipes and pans, recomputed whole.

y = ln(minutes when it was right / minutes with nothing learnt)
  = o(oven) + r(recipe) + p(pan) + d(recipe, pan) + k(recipe, kind of oven) + noise.
"""

from __future__ import annotations

import math
from collections.abc import Hashable, Sequence
from dataclasses import dataclass
from enum import Enum

import numpy as np
from numpy.typing import NDArray

from entremet.core.ground.errors import ImpossibleChoice


class HowDone(Enum):
    """How a bake was when it came out."""

    RIGHT = "right"
    LITTLE_OVER = "little_over"
    RAW = "raw"


@dataclass(frozen=True, slots=True, kw_only=True)
class Spreads:
    """Spreads of the priors and of a single bake, logs of minutes; estimates.

    Parameters
    ----------
    oven, recipe, untimed, pan : float
        Of an oven, of a recipe with a stated time and without, of a pan.
    noise, bound : float
        Of one bake that was right, and of one that only says "over" or "raw".
    off : float
        How far the right time is from one that was a little over, or raw in the middle.
    """

    oven: float = 0.08
    recipe: float = 0.06
    untimed: float = 0.18
    pan: float = 0.04
    noise: float = 0.05
    bound: float = 0.06
    off: float = 0.095


SPREADS = Spreads()

FREEDOM = 4.0
"""Degrees of freedom of the Student t that entries are weighted by."""

CLOSE, MOST_ROUNDS = 1e-9, 500
"""When weights have settled."""

ABSURD = math.log(2)
"""An entry under half or over twice what was expected weighs nothing until it is answered."""

ASKED_SD = 3.0
"""A residual left out of its own prediction that is so many spreads off is asked about."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Logged:
    """A bake as it was logged.

    Parameters
    ----------
    oven, recipe, pan : hashable
        What it was baked in, and of what.
    minutes : float
        When it was taken out, above zero.
    expected_min : float
        What the heat balance gives with nothing learnt, above zero.
    how : HowDone
        How it was.
    timed : bool
        Whether the recipe states a time.
    recipe_sd : float or None
        Spread of the recipe's prior where a stated range widens it; None takes the usual.
    distance_sd : float
        0.12·|ln(R/R_src)|: how far the pan's heat load is from the recipe's own.
    kind_sd : float
        0.08 where the kind of oven differs from the recipe's, else 0.
    kind : hashable
        The kind of oven.
    """

    oven: Hashable
    recipe: Hashable
    pan: Hashable
    minutes: float
    expected_min: float
    how: HowDone = HowDone.RIGHT
    timed: bool = True
    recipe_sd: float | None = None
    distance_sd: float = 0.0
    kind_sd: float = 0.0
    kind: Hashable = ""

    def __post_init__(self) -> None:
        for name in ("minutes", "expected_min"):
            if not (math.isfinite(getattr(self, name)) and getattr(self, name) > 0):
                raise ImpossibleChoice("A bake takes more than no time.", field=name)

    def log_ratio(self, spreads: Spreads) -> float:
        """y: what it says of the right time over the expected one, its log."""
        off = {HowDone.RIGHT: 0.0, HowDone.LITTLE_OVER: -spreads.off, HowDone.RAW: spreads.off}
        return math.log(self.minutes / self.expected_min) + off[self.how]

    def causes(self, spreads: Spreads) -> dict[tuple[str, Hashable], float]:
        """Return what its time is made of, each with the spread of its prior."""
        usual = spreads.recipe if self.timed else spreads.untimed
        found: dict[tuple[str, Hashable], float] = {
            ("oven", self.oven): spreads.oven,
            ("recipe", self.recipe): usual if self.recipe_sd is None else self.recipe_sd,
            ("pan", self.pan): spreads.pan}
        if self.distance_sd > 0:
            found["distance", (self.recipe, self.pan)] = self.distance_sd
        if self.kind_sd > 0:
            found["kind", (self.recipe, self.kind)] = self.kind_sd
        return found


@dataclass(frozen=True, slots=True, kw_only=True)
class Predicted:
    """What is expected of a bake: a factor on its minutes, spread of its mean, and with noise."""

    factor: float
    mean_sd: float
    sd: float
    bakes: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Learnt:
    """What all entries taught.

    Parameters
    ----------
    names : tuple
        Causes, as ``("oven", key)`` and so on.
    mean, covariance : ndarray of shape (n,), (n, n)
        Their posterior.
    weights : tuple of float
        Of each entry; 0 of an absurd one.
    odd : tuple of int
        Entries to ask about: absurd, or far from what the others say of them.
    entries : tuple of Logged
        What it was learnt from.
    """

    names: tuple[tuple[str, Hashable], ...]
    mean: NDArray[np.float64]
    covariance: NDArray[np.float64]
    weights: tuple[float, ...]
    odd: tuple[int, ...]
    entries: tuple[Logged, ...]
    spreads: Spreads

    def of(self, kind: str, key: Hashable) -> tuple[float, float, int]:
        """Return a cause's mean, its spread and how many bakes are behind it."""
        count = sum(weight > 0 and (kind, key) in entry.causes(self.spreads)
                    for entry, weight in zip(self.entries, self.weights, strict=True))
        if (kind, key) not in self.names:
            usual = {"oven": self.spreads.oven, "recipe": self.spreads.recipe,
                     "pan": self.spreads.pan}
            return 0.0, usual.get(kind, 0.0), 0
        place = self.names.index((kind, key))
        return (float(self.mean[place]), math.sqrt(float(self.covariance[place, place])), count)

    def predict(self, bake: Logged) -> Predicted:
        """Return what is expected of a bake; its own minutes are not looked at.

        Causes that no entry is about bring the spread of their prior.
        """
        row = np.zeros(len(self.names))
        unknown = 0.0
        for name, sd in bake.causes(self.spreads).items():
            if name in self.names:
                row[self.names.index(name)] = 1.0
            else:
                unknown += sd**2
        variance = float(row @ self.covariance @ row) + unknown
        shared = sum(weight > 0 and (entry.oven == bake.oven or entry.recipe == bake.recipe
                                     or entry.pan == bake.pan)
                     for entry, weight in zip(self.entries, self.weights, strict=True))
        return Predicted(factor=math.exp(float(row @ self.mean)), mean_sd=math.sqrt(variance),
                         sd=math.sqrt(variance + self.spreads.noise**2), bakes=shared)


def learn(entries: Sequence[Logged], spreads: Spreads = SPREADS, *,
          robust: bool = True) -> Learnt:
    """Return what entries taught, from all of them at once.

    Parameters
    ----------
    entries : sequence of Logged
        In any order.
    spreads : Spreads
        Priors and noise.
    robust : bool
        Whether entries far off weigh less: 5/(4 + r²), r the residual over its noise.

    Returns
    -------
    Learnt
        With no entry, the priors.
    """
    names: dict[tuple[str, Hashable], float] = {}
    for entry in entries:
        for name, sd in entry.causes(spreads).items():
            names.setdefault(name, sd)
    order = tuple(names)
    place = {name: i for i, name in enumerate(order)}
    design = np.zeros((len(entries), len(order)))
    for i, entry in enumerate(entries):
        for name in entry.causes(spreads):
            design[i, place[name]] = 1.0
    y = np.array([entry.log_ratio(spreads) for entry in entries])
    noise = np.array([spreads.noise if entry.how is HowDone.RIGHT else spreads.bound
                      for entry in entries])
    prior = np.diag([1 / names[name]**2 for name in order]) if order else np.zeros((0, 0))
    absurd = np.abs(y) > ABSURD
    weights = np.where(absurd, 0.0, 1.0)
    mean, covariance = _solve(design, y, noise, weights, prior)
    for _ in range(MOST_ROUNDS if robust and len(entries) else 0):
        residual = (y - design @ mean) / noise
        fresh = np.where(absurd, 0.0, (FREEDOM + 1) / (FREEDOM + residual**2))
        moved = float(np.max(np.abs(fresh - weights), initial=0.0))
        weights = fresh
        mean, covariance = _solve(design, y, noise, weights, prior)
        if moved < CLOSE:
            break
    return Learnt(names=order, mean=mean, covariance=covariance,
                  weights=tuple(float(one) for one in weights), entries=tuple(entries),
                  odd=_odd(design, y, noise, weights, mean, covariance), spreads=spreads)


def _solve(design: NDArray[np.float64], y: NDArray[np.float64], noise: NDArray[np.float64],
           weights: NDArray[np.float64], prior: NDArray[np.float64],
           ) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    if not len(prior):
        return np.zeros(0), np.zeros((0, 0))
    scaled = design * (weights / noise**2)[:, None]
    covariance = np.asarray(np.linalg.inv(scaled.T @ design + prior), dtype=np.float64)
    return covariance @ (scaled.T @ y), covariance


def _odd(design: NDArray[np.float64], y: NDArray[np.float64], noise: NDArray[np.float64],
         weights: NDArray[np.float64], mean: NDArray[np.float64],
         covariance: NDArray[np.float64]) -> tuple[int, ...]:
    """Return entries far from what all others say of them: left out, by the usual identity."""
    found = []
    for i, row in enumerate(design):
        own = float(row @ covariance @ row)
        held = weights[i] / noise[i]**2
        spare = max(1e-12, 1 - held * own)
        residual = (y[i] - float(row @ mean)) / spare
        sd = math.sqrt(own / spare + noise[i]**2)
        if weights[i] == 0 or abs(residual) > ASKED_SD * sd:
            found.append(i)
    return tuple(found)
