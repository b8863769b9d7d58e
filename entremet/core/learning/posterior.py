"""The normal equations of the model, solved exactly; what belongs to one recipe and pan goes first.

Each bake has at most four causes that many others share, and at most one of its own recipe and pan.
The latter touch one another nowhere, so they are eliminated (Schur complement): what is left to
solve is as large as there are ovens, recipes and pans, however many pairs of them there are.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from entremet.core.learning.entries import Cause

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]

SHARED = 4
"""Causes that one bake shares with others, at most: oven, recipe, pan, kind of oven."""

OWN = "apart"
"""The kind of cause that belongs to one recipe in one pan."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Solved:
    """A posterior: means and covariances of shared causes (m) and of own ones (q).

    Parameters
    ----------
    mean, own_mean : ndarray of shape (m,), (q,)
        Means.
    covariance : ndarray of shape (m, m)
        Of shared causes.
    cross : ndarray of shape (m, q)
        Between shared and own ones.
    own : ndarray of shape (q,)
        Variance of each own one.
    """

    mean: Floats
    own_mean: Floats
    covariance: Floats
    cross: Floats
    own: Floats


@dataclass(frozen=True, slots=True, kw_only=True)
class Design:
    """Rows of like bakes: places and coefficients of their causes, and how firmly each prior holds.

    Parameters
    ----------
    row : ndarray of shape (bakes,)
        Which row each bake has; what is asked of bakes and answered of them goes by it.
    index, value : ndarray of shape (rows, 4)
        Shared causes of each; a coefficient of 0 is none.
    own_index, own_value : ndarray of shape (rows,)
        The own one of each.
    precision, own_precision : ndarray of shape (m,), (q,)
        1/sd² of each prior.
    """

    row: Ints
    index: Ints
    value: Floats
    own_index: Ints
    own_value: Floats
    precision: Floats
    own_precision: Floats

    def sums(self, solved: Solved) -> Floats:
        """Return what the causes make of every bake."""
        if not len(self.row):
            return np.zeros(0)
        shared = (solved.mean[self.index] * self.value).sum(axis=1)
        each = shared + solved.own_mean[self.own_index] * self.own_value
        return np.asarray(each[self.row], dtype=np.float64)

    def variances(self, solved: Solved) -> Floats:
        """Return the variance of every bake's sum."""
        between = solved.covariance[self.index[:, :, None], self.index[:, None, :]]
        shared = np.einsum("rij,ri,rj->r", between, self.value, self.value)
        cross = (solved.cross[self.index, self.own_index[:, None]] * self.value).sum(axis=1)
        each = (shared + 2 * self.own_value * cross
                + self.own_value**2 * solved.own[self.own_index])
        return np.asarray(each[self.row], dtype=np.float64)

    def solve(self, y: Floats, held: Floats) -> Solved:
        """Return the posterior with each bake held so firmly (weight over variance)."""
        m, q = len(self.precision), len(self.own_precision)
        if not m:
            return Solved(mean=np.zeros(0), own_mean=np.zeros(q), covariance=np.zeros((0, 0)),
                          cross=np.zeros((0, q)), own=1 / self.own_precision)
        rows = len(self.index)
        pull = np.bincount(self.row, weights=held * y, minlength=rows)
        grip = np.bincount(self.row, weights=held, minlength=rows)
        firm = self.value * grip[:, None]
        normal = np.bincount(
            (self.index[:, :, None] * m + self.index[:, None, :]).ravel(), minlength=m * m,
            weights=(firm[:, :, None] * self.value[:, None, :]).ravel()).reshape(m, m)
        normal = normal + np.diag(self.precision)
        between = np.bincount(
            (self.index * q + self.own_index[:, None]).ravel(), minlength=m * q,
            weights=(firm * self.own_value[:, None]).ravel()).reshape(m, q)
        diagonal = self.own_precision + np.bincount(
            self.own_index, minlength=q, weights=grip * self.own_value**2)
        wanted = np.bincount(self.index.ravel(), minlength=m,
                             weights=(self.value * pull[:, None]).ravel())
        own_wanted = np.bincount(self.own_index, minlength=q, weights=self.own_value * pull)
        scaled = between / diagonal
        covariance = np.linalg.inv(normal - scaled @ between.T)
        mean = covariance @ (wanted - scaled @ own_wanted)
        cross = -covariance @ scaled
        return Solved(
            mean=np.asarray(mean, dtype=np.float64), cross=np.asarray(cross, dtype=np.float64),
            own_mean=np.asarray((own_wanted - between.T @ mean) / diagonal, dtype=np.float64),
            covariance=np.asarray(covariance, dtype=np.float64),
            own=np.asarray(1 / diagonal - (scaled * cross).sum(axis=0), dtype=np.float64))


@dataclass(frozen=True, slots=True, kw_only=True)
class Posterior:
    """What is known of every cause.

    Parameters
    ----------
    main, apart : mapping of Cause to int
        Places of the shared causes, and of the own ones.
    design : Design
        The rows it comes from.
    solved : Solved
        Means and covariances by those places.
    """

    main: Mapping[Cause, int]
    apart: Mapping[Cause, int]
    design: Design
    solved: Solved

    def knows(self, cause: Cause) -> bool:
        """Say whether any entry is about a cause."""
        return cause in self.main or cause in self.apart

    def variance(self, cause: Cause) -> float | None:
        """Return the variance of one cause; None where no entry is about it."""
        if cause in self.main:
            return self.solved.covariance.item(self.main[cause], self.main[cause])
        return self.solved.own.item(self.apart[cause]) if cause in self.apart else None

    def sum_of(self, causes: Sequence[tuple[Cause, float]]) -> tuple[float, float]:
        """Return mean and variance of a sum of known causes; of own ones at most one."""
        shared = [(self.main[cause], by) for cause, by in causes if cause in self.main]
        own = [(self.apart[cause], by) for cause, by in causes if cause in self.apart]
        found = self.solved
        covariance, cross = found.covariance.item, found.cross.item
        mean, variance = 0.0, 0.0
        for place, (at, by) in enumerate(shared):
            mean += by * found.mean.item(at)
            variance += by**2 * covariance(at, at) + 2 * by * sum(
                other * covariance(at, beside) for beside, other in shared[:place])
        for at, by in own:
            mean += by * found.own_mean.item(at)
            variance += by**2 * found.own.item(at) + 2 * by * sum(
                other * cross(beside, at) for beside, other in shared)
        return mean, max(0.0, variance)


def design_of(rows: Sequence[Sequence[tuple[Cause, float, float]]], row: Sequence[int],
              ) -> tuple[dict[Cause, int], dict[Cause, int], Design]:
    """Return the places of shared and own causes, and the rows by them.

    Parameters
    ----------
    rows : sequence of sequence of (Cause, float, float)
        Causes with coefficient and sd of the prior, each row once.
    row : sequence of int
        Which of them each bake has.
    """
    widest: dict[Cause, float] = {}
    for one_row in rows:
        for cause, _, sd in one_row:
            widest[cause] = max(widest.get(cause, 0.0), sd)
    main = {cause: at for at, cause in enumerate(one for one in widest if one[0] != OWN)}
    # Place 0 of the own causes is nobody's: rows without one point there, with a coefficient of 0.
    apart = {cause: at for at, cause in enumerate((one for one in widest if one[0] == OWN), 1)}
    index, value, own_index, own_value = [], [], [], []
    for one_row in rows:
        shared = [(main[cause], by) for cause, by, _ in one_row if cause[0] != OWN]
        shared += [(0, 0.0)] * (SHARED - len(shared))
        own = [(apart[cause], by) for cause, by, _ in one_row if cause[0] == OWN] or [(0, 0.0)]
        index += [at for at, _ in shared]
        value += [by for _, by in shared]
        own_index.append(own[0][0])
        own_value.append(own[0][1])
    return main, apart, Design(
        row=np.array(row, dtype=np.int64),
        index=np.array(index, dtype=np.int64).reshape(-1, SHARED),
        value=np.array(value, dtype=np.float64).reshape(-1, SHARED),
        own_index=np.array(own_index, dtype=np.int64),
        own_value=np.array(own_value, dtype=np.float64),
        precision=np.array([1 / widest[one]**2 for one in main]),
        own_precision=np.array([1.0, *(1 / widest[one]**2 for one in apart)]))
