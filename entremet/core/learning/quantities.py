"""What is learnt beside times: one number each, from readings, by the same rule.

A normal prior about the book's value and normal noise; readings far off weigh less (Student t), as
in :mod:`entremet.core.learning.model`. The table with every prior is ``quantities.toml``.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.ground.errors import UnknownReference
from entremet.core.ground.reference import read_table
from entremet.core.learning.model import CLOSE, FREEDOM, MOST_ROUNDS


@dataclass(frozen=True, slots=True, kw_only=True)
class Quantity:
    """A row of the table.

    Parameters
    ----------
    unit : str
        What it counts in.
    log : bool
        Whether it is a factor, learnt by its log.
    start, prior_sd, noise_sd : float
        The book's value, how sure it is, how much one reading says (of a factor: of its log).
    low, high : float
        Readings outside are none, and are not counted.
    basis, source : str
        What the row rests on.
    """

    unit: str
    log: bool
    start: float
    prior_sd: float
    noise_sd: float
    low: float
    high: float
    basis: str
    source: str


QUANTITIES = {key: Quantity(**row)
              for key, row in read_table("entremet.core.learning", "quantities.toml").items()}


@dataclass(frozen=True, slots=True, kw_only=True)
class Taught:
    """A number learnt.

    Parameters
    ----------
    value, sd : float
        What it is, and its spread (of a factor: of its log).
    count : int
        Readings behind it; with none it is the book's.
    """

    value: float
    sd: float
    count: int

    @property
    def clear(self) -> bool:
        """Whether anything was measured of it."""
        return self.count > 0


def taught(name: str, readings: Sequence[float], *, start: float | None = None) -> Taught:
    """Return what readings taught of a quantity.

    Parameters
    ----------
    name : str
        A row of the table.
    readings : sequence of float
        In any order; those outside the row's range, or no numbers, are not counted.
    start : float or None
        The book's value here; None takes the row's.

    Raises
    ------
    UnknownReference
        When the table has no such row.

    Notes
    -----
    Mean = (m₀/s₀² + Σ w x/s²) / (1/s₀² + Σ w/s²), w = 5/(4 + r²), r the residual over its noise.
    Readings that disagree by more than their noise make it wider: sd² is multiplied by the mean of
    w r² where that is above 1.
    """
    row = QUANTITIES.get(name)
    if row is None:
        raise UnknownReference(f"Nothing is learnt of “{name}”.", field="quantity")
    used = [one for one in readings if math.isfinite(one) and row.low <= one <= row.high
            and (one > 0 or not row.log)]
    book = row.start if start is None else start
    values = [math.log(one) for one in used] if row.log else used
    middle = math.log(book) if row.log else book
    mean, sure = middle, 1 / row.prior_sd**2
    for _ in range(MOST_ROUNDS if used else 0):
        weights = [(FREEDOM + 1) / (FREEDOM + ((one - mean) / row.noise_sd)**2) for one in values]
        sure = 1 / row.prior_sd**2 + sum(weights) / row.noise_sd**2
        moved = (middle / row.prior_sd**2 + sum(
            weight * one for weight, one in zip(weights, values, strict=True))
            / row.noise_sd**2) / sure
        close, mean = abs(moved - mean) < CLOSE * row.noise_sd, moved
        if close:
            break
    apart = [((one - mean) / row.noise_sd)**2 for one in values]
    wider = max(1.0, sum((FREEDOM + 1) / (FREEDOM + one) * one for one in apart)
                / max(1, len(apart)))
    return Taught(value=math.exp(mean) if row.log else mean, sd=math.sqrt(wider / sure),
                  count=len(used))
