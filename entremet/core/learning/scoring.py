"""How well it would have done: each bake predicted from those before it, and from nothing else."""

from __future__ import annotations

import math
import statistics
from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.learning.entries import HowDone, Logged
from entremet.core.learning.model import INSIDE, Predicted, learn
from entremet.core.learning.spreads import SPREADS, Spreads

MOST_FITS, FEW_FITS, MANY_BAKES = 40, 10, 800
"""So often at most it is learnt anew while a logbook is scored; of a long one not as often."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Score:
    """Median error, and the share of bakes inside the window; errors as shares of the time.

    ``median`` and ``inside`` are None where there is nothing to score, ``inside`` too where what
    was said has no window.
    """

    median: float | None
    inside: float | None
    bakes: int


def foretold(entries: Sequence[Logged], spreads: Spreads = SPREADS, *,
             learning: bool = True) -> list[Predicted]:
    """Return what would have been said of each bake beforehand.

    Parameters
    ----------
    entries : sequence of Logged
        In the order they were baked.
    learning : bool
        Whether anything is learnt; without, every factor is 1 and the window that of the priors.

    Notes
    -----
    It is learnt anew before each bake; in a logbook of more than 40 before every block of bakes,
    each of which is then foretold from still fewer than it could be.
    """
    fits = FEW_FITS if len(entries) > MANY_BAKES else MOST_FITS
    block = max(1, math.ceil(len(entries) / fits))
    found: list[Predicted] = []
    for start in range(0, len(entries), block):
        learnt = learn(entries[:start] if learning else (), spreads)
        found += [learnt.predict(one) for one in entries[start:start + block]]
    return found


def score(entries: Sequence[Logged], spreads: Spreads = SPREADS, *,
          learning: bool = True) -> Score:
    """Return how well each bake that was right was foretold by those before it."""
    return scored(entries, foretold(entries, spreads, learning=learning), spreads)


def scored(entries: Sequence[Logged], said: Sequence[Predicted],
           spreads: Spreads = SPREADS) -> Score:
    """Return how far off what was said was, of the bakes that were right."""
    misses = [(entry.log_ratio(spreads) - math.log(one.factor), one.sd)
              for entry, one in zip(entries, said, strict=True) if entry.how is HowDone.RIGHT]
    return _score([miss for miss, _ in misses],
                  sum(abs(miss) <= INSIDE * sd for miss, sd in misses))


def by_depth(stated_min: float | None, depth_ratio: float | None) -> float | None:
    """Return the minutes of a rule of thumb: as much longer as the batter is deeper.

    Parameters
    ----------
    stated_min : float or None
        The recipe's own.
    depth_ratio : float or None
        Depth here over that in the recipe's own pan.
    """
    return None if stated_min is None or depth_ratio is None else stated_min * depth_ratio


def score_of_rule(entries: Sequence[Logged], minutes: Sequence[float | None]) -> Score:
    """Return how far off the minutes of a rule of thumb were; None where it says none."""
    return _score([math.log(entry.minutes / said)
                   for entry, said in zip(entries, minutes, strict=True)
                   if said is not None and entry.how is HowDone.RIGHT], None)


def _score(misses: Sequence[float], inside: int | None) -> Score:
    if not misses:
        return Score(median=None, inside=None, bakes=0)
    return Score(median=statistics.median(abs(math.expm1(miss)) for miss in misses),
                 inside=None if inside is None else inside / len(misses), bakes=len(misses))
