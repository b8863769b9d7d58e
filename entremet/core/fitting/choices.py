"""What the baker chose: pans with counts, the rule, the eggs, the temperature school."""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from enum import Enum

from entremet.core.baking.temperature import School
from entremet.core.errors import ImpossibleChoice
from entremet.core.findings import Finding
from entremet.core.pans.pan import AnyPan

MOST_GRAMS = 50_000.0
MOST_FILL = 1.2
MOST_JOINS = 200


class Rule(Enum):
    """How the batter in a pan is decided."""

    KEEP_BATCH = "keep_batch"
    SAME_DEPTH = "same_depth"
    FILL = "fill"
    GRAMS = "grams"


class EggChoice(Enum):
    """How eggs that do not come out whole are settled."""

    DEFAULT = "default"
    EXACT = "exact"
    NEAREST = "nearest"
    HALF = "half"
    UP = "up"


@dataclass(frozen=True, slots=True, kw_only=True)
class PanRule:
    """A rule for one pan of the fit.

    Parameters
    ----------
    rule : Rule
        Same depth, fill or grams; a batch is kept for all pans together, never for one.
    fill : float or None
        Share of the capacity, above 0 and at most 1.2; None takes the style's usual fill.
    grams : float or None
        Batter in each, above 0 and at most 50 kg; None starts from the same depth.
    """

    rule: Rule
    fill: float | None = None
    grams: float | None = None

    def __post_init__(self) -> None:
        if self.fill is not None and not (math.isfinite(self.fill) and 0 < self.fill <= MOST_FILL):
            raise ImpossibleChoice("A fill is a share of the pan, above 0 and at most 1.2.",
                                   field="fill")
        if self.grams is not None and not (
                math.isfinite(self.grams) and 0 < self.grams <= MOST_GRAMS):
            raise ImpossibleChoice("Grams in a pan have to be above 0 and at most 50 000.",
                                   field="grams")


@dataclass(frozen=True, slots=True, kw_only=True)
class Entry:
    """One row of the chosen pans.

    Parameters
    ----------
    label : str
        What the pan is called.
    pan : AnyPan or None
        None where its measures cannot be; ``problem`` then says why.
    count : int
        How many; wells, for a tray. Nonsense becomes a finding.
    rule : PanRule or None
        Its own rule, where the pan is set apart.
    owned : int or None
        How many the kitchen has; None for a pan that is not on the rack.
    problem : Finding or None
        Why there is no pan.
    """

    label: str
    pan: AnyPan | None
    count: int
    rule: PanRule | None = None
    owned: int | None = None
    problem: Finding | None = None

    def __post_init__(self) -> None:
        if self.rule is not None and self.rule.rule is Rule.KEEP_BATCH:
            raise ImpossibleChoice(
                "A batch is kept for all pans together. Give this pan a depth, fill or grams.",
                field="rule")


@dataclass(frozen=True, slots=True, kw_only=True)
class Choices:
    """Everything that is chosen once for the whole fit.

    Parameters
    ----------
    rule : Rule
        For every pan that has no rule of its own.
    eggs : EggChoice
        How eggs are settled.
    school : School
        How the oven's temperature is chosen.
    separately : bool
        Whether every pan is baked at its own temperature.
    with_optional : frozenset of int
        Keys of the optional lines that go in.
    joins : int or None
        Joins to be filled, all cakes together; None takes the usual.
    """

    rule: Rule = Rule.SAME_DEPTH
    eggs: EggChoice = EggChoice.DEFAULT
    school: School = School.SAME_CRUST
    separately: bool = False
    with_optional: frozenset[int] = field(default_factory=frozenset)
    joins: int | None = None

    def __post_init__(self) -> None:
        if self.joins is not None and not 0 < self.joins <= MOST_JOINS:
            raise ImpossibleChoice(f"Joins are a number from 1 to {MOST_JOINS}.", field="joins")
