"""How well it would have done: each bake predicted from those before it, and from nothing else."""

from __future__ import annotations

import math
import statistics
from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.learning.model import SPREADS, HowDone, Logged, Spreads, learn

INSIDE = 1.6448536269514722
"""Spreads to the 5 % and 95 % points."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Score:
    """Median error, and the share of bakes inside the window; errors as shares of the time.

    ``median`` and ``inside`` are None where there is nothing to score.
    """

    median: float | None
    inside: float | None
    bakes: int


def score(entries: Sequence[Logged], spreads: Spreads = SPREADS, *,
          learning: bool = True) -> Score:
    """Return how well each bake that was right was foretold by those before it.

    Parameters
    ----------
    entries : sequence of Logged
        In the order they were baked.
    learning : bool
        Whether anything is learnt; without, every factor is 1 and the window that of the priors.
    """
    errors, inside = [], 0
    for place, entry in enumerate(entries):
        if entry.how is not HowDone.RIGHT:
            continue
        said = learn(entries[:place] if learning else (), spreads).predict(entry)
        miss = entry.log_ratio(spreads) - math.log(said.factor)
        errors.append(abs(math.expm1(miss)))
        inside += abs(miss) <= INSIDE * said.sd
    if not errors:
        return Score(median=None, inside=None, bakes=0)
    return Score(median=statistics.median(errors), inside=inside / len(errors),
                 bakes=len(errors))
