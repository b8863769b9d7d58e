"""The search itself: every set of up to five pans, exactly, ranked in a stated order.

Order: how far the depth is from the recipe's, in steps of 5 %; batter left over; number of pans;
how far the batch is from the recipe's own size; the exact depth; last the order of the rack.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from entremet.core.ground.errors import ImpossibleChoice

MOST_KINDS = 40
MOST_PANS = 5
DEPTH_STEP = 0.05
"""Depths within one step count as equally good; the share that counts as the same depth."""

MOST_LEFT_OVER = 0.30
"""Share of the batter a set may leave over and still be named; practice."""

Floats = np.ndarray[tuple[int], np.dtype[np.float64]]
Whole = np.ndarray[tuple[int], np.dtype[np.int64]]
Table = np.ndarray[tuple[int, int], np.dtype[np.int8]]


@dataclass(frozen=True, slots=True, kw_only=True)
class FreePan:
    """A kind of pan that is free.

    Parameters
    ----------
    need_ml : float
        Batter one takes at the recipe's depth, all its wells together; above zero.
    most : float
        How many times that it takes up to its usual fill limit; pans under 1 are not used.
    owned : int
        How many are free.
    """

    need_ml: float
    most: float
    owned: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Size:
    """A size the batch may have: its factor, and what of it reaches the pans, ml."""

    factor: float
    net_ml: float


@dataclass(frozen=True, slots=True, kw_only=True)
class FoundSet:
    """A set of pans that takes a batch.

    Parameters
    ----------
    counts : tuple of int
        How many of each kind, in the order they were given.
    size : int
        Which size of batch.
    deviation : float
        Depth over the recipe's, minus 1.
    left_ml : float
        Batter left over.
    """

    counts: tuple[int, ...]
    size: int
    deviation: float
    left_ml: float


def sets_that_fit(pans: Sequence[FreePan], sizes: Sequence[Size], *, tolerance: float,
                  most_pans: int = MOST_PANS, few: int = 6,
                  most_left: float = MOST_LEFT_OVER) -> list[FoundSet]:
    """Find the best sets of pans for a batch of one of some sizes.

    A set takes the size that brings its depth nearest the recipe's. All of it goes in while the
    depth moves by no more than the tolerance and no pan goes over its usual fill. Where the batch
    has one size only, a set too small for it takes the recipe's own depth, and the rest is left
    over.

    Parameters
    ----------
    pans : sequence of FreePan
        At most 40 kinds.
    sizes : sequence of Size
        Sizes the batch may have, smallest first; each puts something into the pans.
    tolerance : float
        How far the depth may move, 0 to 0.5.
    most_pans : int
        Pans in a set, 1 to 5.
    few : int
        How many sets to return.
    most_left : float
        Share of the batter that a set may leave over.

    Returns
    -------
    list of FoundSet
        Best first; exact within these bounds.

    Raises
    ------
    ImpossibleChoice
        When a bound is outside its range.
    """
    if not 0 <= tolerance <= 0.5:
        raise ImpossibleChoice("The depth may move by 0 to 50 %.", field="tolerance")
    if not 1 <= most_pans <= MOST_PANS:
        raise ImpossibleChoice(f"A set has 1 to {MOST_PANS} pans.", field="most_pans")
    if len(pans) > MOST_KINDS:
        raise ImpossibleChoice(f"Search at most {MOST_KINDS} kinds of pan at once.", field="pans")
    usable = [i for i, pan in enumerate(pans) if pan.need_ml > 0 and pan.most >= 1 and pan.owned]
    if not usable or not sizes or sizes[0].net_ml <= 0:
        return []
    found = _Judged.none()
    largest = max(size.net_ml for size in sizes) / (1 - tolerance)
    for table, volumes, most in _all_sets([pans[i] for i in usable], most_pans, largest):
        found = found.with_more(
            _judge(table, volumes, most, sizes, tolerance, most_left), few)
    return [FoundSet(counts=_counts(members, usable, len(pans)), size=int(size),
                     deviation=float(deviation), left_ml=float(left))
            for members, size, deviation, left in found.rows()]


def _all_sets(pans: Sequence[FreePan], most_pans: int,
              largest_ml: float) -> list[tuple[Table, Floats, Floats]]:
    """Return sets of one pan, of two, and so on; each is its members in order, and what it takes.

    A set that takes more than the largest batch only grows with one pan more, so it ends there.
    """
    needs = np.array([pan.need_ml for pan in pans])
    most = np.array([pan.most for pan in pans])
    owned = np.array([pan.owned for pan in pans])
    number = len(pans)
    table: Table = np.arange(number, dtype=np.int8).reshape(-1, 1)
    volumes, room = needs.copy(), most.copy()
    runs = np.ones(number, dtype=np.int64)
    levels = []
    for size in range(1, most_pans + 1):
        keep = volumes <= largest_ml * (1 + 1e-12)
        table, volumes, room, runs = table[keep], volumes[keep], room[keep], runs[keep]
        levels.append((table, volumes, room))
        if size == most_pans or not len(table):
            break
        last = table[:, -1].astype(np.int64)
        repeats = number - last
        parent = np.repeat(np.arange(len(table)), repeats)
        starts = np.cumsum(repeats) - repeats
        added = np.arange(len(parent)) - starts[parent] + last[parent]
        runs = np.where(added == last[parent], runs[parent] + 1, 1)
        allowed = (runs <= owned[added]) & (
            volumes[parent] + needs[added] <= largest_ml * (1 + 1e-12))
        parent, added, runs = parent[allowed], added[allowed], runs[allowed]
        table = np.column_stack((table[parent], added.astype(np.int8)))
        volumes = volumes[parent] + needs[added]
        room = np.minimum(room[parent], most[added])
    return levels


@dataclass(frozen=True, slots=True)
class _Judged:
    """Sets with their ranks, as columns."""

    members: tuple[tuple[int, ...], ...]
    sizes: Whole
    deviations: Floats
    left: Floats
    ranks: tuple[Floats, ...]

    @classmethod
    def none(cls) -> _Judged:
        empty = np.empty(0)
        return cls((), np.empty(0, dtype=np.int64), empty, empty, (empty,) * 5)

    def with_more(self, other: _Judged, few: int) -> _Judged:
        """Return the best few of both; of equals those that came first."""
        ranks = tuple(np.concatenate(pair) for pair in zip(self.ranks, other.ranks, strict=True))
        members = self.members + other.members
        order = np.lexsort((np.arange(len(members)), *reversed(ranks)))[:few]
        return _Judged(tuple(members[i] for i in order),
                       np.concatenate((self.sizes, other.sizes))[order],
                       np.concatenate((self.deviations, other.deviations))[order],
                       np.concatenate((self.left, other.left))[order],
                       tuple(rank[order] for rank in ranks))

    def rows(self) -> list[tuple[tuple[int, ...], int, float, float]]:
        return list(zip(self.members, self.sizes.tolist(), self.deviations.tolist(),
                        self.left.tolist(), strict=True))


BEST_KEPT = 64


def _judge(table: Table, volumes: Floats, most: Floats, sizes: Sequence[Size],
           tolerance: float, most_left: float) -> _Judged:
    """Give every set the size whose depth is nearest the recipe's, and keep the best sets."""
    nets = np.array([size.net_ml for size in sizes])
    away = np.array([abs(math.log(size.factor)) for size in sizes])
    above = np.minimum(np.searchsorted(nets, volumes), len(sizes) - 1)
    below = np.maximum(above - 1, 0)
    low, high = nets[below] / volumes - 1, nets[above] / volumes - 1
    upper = ((np.abs(high) < np.abs(low)) & (1 + high <= most * (1 + 1e-9))) | (below == above)
    size_of = np.where(upper, above, below)
    moved = np.where(upper, high, low)
    takes_all = (np.abs(moved) <= tolerance + 1e-12) & (1 + moved <= most * (1 + 1e-9))
    left = np.zeros(len(volumes))
    usable = takes_all
    if len(sizes) == 1:
        left = np.where(takes_all, 0.0, np.maximum(nets[0] - volumes, 0.0))
        usable = takes_all | ((left > 0) & (left <= most_left * nets[0]))
        moved = np.where(left > 0, 0.0, moved)
    rows = np.flatnonzero(usable)
    moved, left, size_of = moved[rows], left[rows], size_of[rows]
    ranks = (_steps(moved), left, np.full(len(rows), float(table.shape[1])), away[size_of],
             np.abs(moved))
    chosen = _first(ranks, BEST_KEPT)
    return _Judged(tuple(tuple(int(i) for i in table[rows[place]]) for place in chosen),
                   size_of[chosen], moved[chosen], left[chosen],
                   tuple(rank[chosen] for rank in ranks))


def _steps(moved: Floats) -> Floats:
    return np.floor(np.maximum(np.abs(moved) - 1e-9, 0.0) / DEPTH_STEP)


def _first(ranks: Sequence[Floats], few: int) -> Whole:
    """Return where the first few stand, best first."""
    left = np.arange(len(ranks[0]))
    sure: list[Whole] = []
    for rank in ranks:
        if len(left) <= few:
            break
        values = rank[left]
        last = np.partition(values, few - 1)[few - 1]
        certain = left[values < last]
        sure.append(certain)
        few -= len(certain)
        left = left[values == last]
        if few <= 0:
            break
    places = np.concatenate([*sure, left[:few]]) if sure else left[:few]
    order = np.lexsort((places, *(rank[places] for rank in reversed(ranks))))
    return places[order]


def _counts(members: tuple[int, ...], usable: Sequence[int], number: int) -> tuple[int, ...]:
    counts = [0] * number
    for member in members:
        counts[usable[member]] += 1
    return tuple(counts)
