"""Times learnt: an exact normal posterior over ovens, recipes and pans, recomputed whole.

y = ln(minutes when it was right / minutes with nothing learnt)
  = o(oven) + r(recipe) + p(pan) + d(recipe, pan)·ln(R/R_src) + k(recipe, kind of oven) + noise.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Callable, Hashable, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np

from entremet.core.learning.entries import Cause, Facts, HowDone, Logged
from entremet.core.learning.posterior import Floats, Posterior, design_of
from entremet.core.learning.spreads import SPREADS, Spreads

FREEDOM = 4.0
"""Degrees of freedom of the Student t that entries are weighted by."""

CLOSE, MOST_ROUNDS = 1e-9, 500
"""When weights have settled."""

MOST_WEIGHT = (FREEDOM + 1) / FREEDOM
"""Of an entry that is just as expected."""

ABSURD = math.log(2)
"""An entry under half or over twice what was expected weighs nothing until it is answered."""

INSIDE = 1.6448536269514722
"""Spreads to the 5 % and 95 % points."""

ASKED_SD = 3.0
"""A residual left out of its own prediction that is so many spreads off is asked about."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Predicted:
    """What is expected of a bake.

    Parameters
    ----------
    factor : float
        On the minutes that the heat balance gives.
    mean_sd, sd : float
        Spread of the mean, and with that of one bake, logs of minutes.
    parts : tuple of (str, float)
        What each kind of cause alone leaves open. They lean on each other: they need not add up.
    bakes, by_oven, by_recipe, by_pan : int
        Entries that share oven, recipe or pan with it; and each.
    right_here : int
        Of those of its oven, the ones that were right.
    """

    factor: float
    mean_sd: float
    sd: float
    parts: tuple[tuple[str, float], ...]
    bakes: int
    by_oven: int
    by_recipe: int
    by_pan: int
    right_here: int

    @property
    def window(self) -> tuple[float, float]:
        """Factors at the 5 % and the 95 % point."""
        wide = math.exp(INSIDE * self.sd)
        return self.factor / wide, self.factor * wide


@dataclass(frozen=True, slots=True, kw_only=True)
class Learnt:
    """What all entries taught.

    Parameters
    ----------
    found : Posterior
        Of every cause.
    weights : ndarray of shape (entries,)
        Of each entry; 0 of an absurd one.
    odd : tuple of int
        Entries to ask about: absurd, or far from what the others say of them.
    entries : tuple of Logged
        What it was learnt from.
    counts : mapping of Cause to int
        Entries behind each cause that weigh anything.
    right : mapping of str to int
        By oven the entries that were right.
    together : mapping of tuple of Cause to int
        Entries that share two of oven, recipe and pan, or all three.
    spreads : Spreads
        Priors and noise.
    """

    found: Posterior
    weights: Floats
    odd: tuple[int, ...]
    entries: tuple[Logged, ...]
    counts: Mapping[Cause, int]
    right: Mapping[str, int]
    together: Mapping[tuple[Cause, ...], int]
    spreads: Spreads

    def of(self, kind: str, *key: str) -> tuple[float, float, int]:
        """Return a cause's mean, its spread and how many bakes are behind it."""
        cause = (kind, key)
        if not self.found.knows(cause):
            return 0.0, float(getattr(self.spreads, kind)), 0
        mean, variance = self.found.sum_of([(cause, 1.0)])
        return mean, math.sqrt(variance), self.counts.get(cause, 0)

    def predict(self, bake: Facts) -> Predicted:
        """Return what is expected of a bake; its own minutes are not looked at.

        Causes that no entry is about bring the spread of their prior.
        """
        causes = bake.causes(self.spreads)
        known = [(cause, coefficient) for cause, coefficient, _ in causes
                 if self.found.knows(cause)]
        shift, variance = self.found.sum_of(known) if known else (0.0, 0.0)
        parts = []
        for cause, coefficient, sd in causes:
            there = self.found.variance(cause)
            own = coefficient**2 * (sd**2 if there is None else there)
            variance += own if there is None else 0.0
            parts.append((cause[0], math.sqrt(own)))
        by = [self.counts.get(cause, 0) for cause, _, _ in causes[:3]]
        return Predicted(
            factor=math.exp(shift), mean_sd=math.sqrt(variance),
            sd=math.sqrt(variance + self.spreads.noise**2),
            parts=(*parts, ("noise", self.spreads.noise)),
            bakes=sum(by) - self._twice([cause for cause, _, _ in causes[:3]]),
            by_oven=by[0], by_recipe=by[1], by_pan=by[2],
            right_here=self.right.get(bake.oven, 0))

    def _twice(self, three: Sequence[Cause]) -> int:
        """Return how often entries were counted twice among those of an oven, a recipe, a pan."""
        return sum(self.together.get(pair, 0) for pair in combinations(three, 2)) - (
            self.together.get(tuple(three), 0))


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

    Notes
    -----
    Where entries of one recipe disagree on how wide its prior is, the widest holds.
    """
    like: dict[Hashable, int] = {}
    row = [like.setdefault(entry.like, len(like)) for entry in entries]
    first = dict(zip(reversed(row), reversed(entries), strict=True))
    causes = [first[at].causes(spreads) for at in range(len(like))]
    main, apart, design = design_of(causes, row)
    y = np.array([entry.log_ratio(spreads) for entry in entries])
    noise = np.array([entry.noise(spreads) for entry in entries])
    absurd = (np.abs(y) > ABSURD) & ~np.array([entry.sure for entry in entries], dtype=bool)
    weights = np.where(absurd, 0.0, 1.0)

    def again(held: Floats) -> Floats:
        residual = (y - design.sums(design.solve(y, held / noise**2))) / noise
        return np.where(absurd, 0.0, (FREEDOM + 1) / (FREEDOM + residual**2))

    if robust and len(entries):
        weights = _settled(weights, again)
    solved = design.solve(y, weights / noise**2)
    counts: Counter[Cause] = Counter()
    together: Counter[tuple[Cause, ...]] = Counter()
    for at, count in Counter(at for at, weight in zip(row, weights, strict=True)
                             if weight > 0).items():
        counts.update({cause: count for cause, _, _ in causes[at]})
        three = tuple(cause for cause, _, _ in causes[at][:3])
        together.update(dict.fromkeys((*combinations(three, 2), three), count))
    right = Counter(entry.oven for entry, weight in zip(entries, weights, strict=True)
                    if weight > 0 and entry.how is HowDone.RIGHT)
    found = Posterior(main=main, apart=apart, design=design, solved=solved)
    return Learnt(found=found, weights=weights, entries=tuple(entries), counts=counts,
                  right=right, together=together, spreads=spreads,
                  odd=_odd(found, y, noise, weights))


def _settled(weights: Floats, again: Callable[[Floats], Floats]) -> Floats:
    """Return weights that another round leaves as they are, by leaps along the way they go.

    Every leap (squared extrapolation, Varadhan and Roland 2008) is followed by a plain round.
    """
    for _ in range(MOST_ROUNDS):
        first = again(weights)
        step = first - weights
        if float(np.max(np.abs(step))) < CLOSE:
            return first
        second = again(first)
        bend = (second - first) - step
        size = float(np.linalg.norm(bend))
        leap = max(1.0, float(np.linalg.norm(step)) / size) if size > 0 else 1.0
        weights = again(np.clip(weights + 2 * leap * step + leap**2 * bend, 0.0, MOST_WEIGHT))
    return weights


def _odd(found: Posterior, y: Floats, noise: Floats, weights: Floats) -> tuple[int, ...]:
    """Return entries far from what all others say of them: left out, by the usual identity."""
    if not len(y):
        return ()
    own = found.design.variances(found.solved)
    spare = np.maximum(1e-12, 1 - weights / noise**2 * own)
    residual = (y - found.design.sums(found.solved)) / spare
    sd = np.sqrt(own / spare + noise**2)
    far = (weights == 0) | (np.abs(residual) > ASKED_SD * sd)
    return tuple(int(i) for i in np.flatnonzero(far))
