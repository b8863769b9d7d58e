"""A bake as the logbook has it: what it was baked in and of, what was expected, what happened."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.learning.spreads import Spreads

Cause = tuple[str, tuple[str, ...]]
"""Something that makes bakes longer or shorter: ``("oven", (key,))`` and so on."""

LEAST_APART = 1e-6
"""Logs of heat loads nearer than this are those of the recipe's own pan."""


class HowDone(Enum):
    """How a bake was when it came out."""

    RIGHT = "right"
    LITTLE_OVER = "little_over"
    RAW = "raw"


@dataclass(frozen=True, slots=True, kw_only=True)
class Facts:
    """What is known of a bake before it is baked.

    Parameters
    ----------
    oven, recipe, pan, kind : str
        Keys of what it is baked in, and of what; kind is the kind of oven.
    expected_min : float
        What the heat balance gives with nothing learnt, above zero.
    timed : bool
        Whether a stated time calibrates the recipe.
    half_range : float
        ½ ln(b/a) of a stated range a to b; 0 for one number.
    apart : float
        ln(R/R_src), of bare heat loads; 0 where the recipe has no pan.
    kind_changes : bool
        Whether the oven is of another kind than the recipe's.
    """

    oven: str
    recipe: str
    pan: str
    kind: str = ""
    expected_min: float
    timed: bool = True
    half_range: float = 0.0
    apart: float = 0.0
    kind_changes: bool = False

    def __post_init__(self) -> None:
        if not (math.isfinite(self.expected_min) and self.expected_min > 0):
            raise ImpossibleChoice("A bake takes more than no time.", field="expected_min")

    @property
    def like(self) -> tuple[object, ...]:
        """What bakes with the same causes share."""
        return (self.oven, self.recipe, self.pan, self.kind, self.timed, self.half_range,
                self.apart, self.kind_changes)

    def causes(self, spreads: Spreads) -> tuple[tuple[Cause, float, float], ...]:
        """Return what its time is made of: each cause, its coefficient, the sd of its prior.

        ln of the time over the expected one is the sum of coefficients times causes, and noise.
        """
        own = spreads.recipe if self.timed else spreads.untimed
        found: list[tuple[Cause, float, float]] = [
            (("oven", (self.oven,)), 1.0, spreads.oven),
            (("recipe", (self.recipe,)), 1.0, math.hypot(own, self.half_range)),
            (("pan", (self.pan,)), 1.0, spreads.pan)]
        if abs(self.apart) > LEAST_APART:
            found.append((("apart", (self.recipe, self.pan)), self.apart, spreads.apart))
        if self.kind_changes:
            found.append((("kind", (self.recipe, self.kind)), 1.0, spreads.kind))
        return tuple(found)


@dataclass(frozen=True, slots=True, kw_only=True)
class Logged(Facts):
    """A bake as it was logged.

    Parameters
    ----------
    minutes : float
        When it was taken out, above zero.
    how : HowDone
        How it was then.
    sure : bool
        Whether the baker said that it was so, however far off it is.
    """

    minutes: float
    how: HowDone = HowDone.RIGHT
    sure: bool = False

    def __post_init__(self) -> None:
        Facts.__post_init__(self)
        if not (math.isfinite(self.minutes) and self.minutes > 0):
            raise ImpossibleChoice("A bake takes more than no time.", field="minutes")

    def log_ratio(self, spreads: Spreads) -> float:
        """y: what it says of the right time over the expected one, its log."""
        off = 0.0
        if self.how is not HowDone.RIGHT:
            off = spreads.off if self.how is HowDone.RAW else -spreads.off
        return math.log(self.minutes / self.expected_min) + off

    def noise(self, spreads: Spreads) -> float:
        """Return the spread of what it says."""
        return spreads.noise if self.how is HowDone.RIGHT else spreads.bound
