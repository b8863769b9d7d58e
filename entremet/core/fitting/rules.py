"""The rules a pan or a batch can be decided by, and the pans that are chosen."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum
from typing import Annotated, Any, ClassVar

from pydantic import ConfigDict, Field, ValidatorFunctionWrapHandler, WrapValidator

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding
from entremet.core.ground.quantities import cm_to
from entremet.core.ground.shape import CLOSED, NAMED, Number
from entremet.core.measures.lengths import Length
from entremet.core.pans.pan import AnyPan

MOST_GRAMS = 50_000.0
MOST_FILL = 1.2
MOST_JOINS = 200
MOST_EGGS = 400.0
MOST_SERVINGS = 5_000
FACTORS = (0.05, 200.0)
"""Least and most that a recipe is multiplied by when the baker says by how much."""
MOST_MIXES = 24
DEPTHS_CM = (0.3, 40.0)
HEIGHTS_CM = (0.5, 60.0)


class Rule(Enum):
    """How the batter in a pan is decided."""

    KEEP_BATCH = "keep_batch"
    SAME_DEPTH = "same_depth"
    FILL = "fill"
    DEPTH = "depth"
    HEIGHT = "height"
    GRAMS = "grams"
    SERVINGS = "servings"
    EGGS = "eggs"
    FACTOR = "factor"


WHOLE_BATCH = frozenset({Rule.KEEP_BATCH, Rule.EGGS, Rule.SERVINGS, Rule.FACTOR})
"""Rules that set the batch and share it at one depth; never for one pan alone."""


class EggChoice(Enum):
    """How eggs that do not come out whole are settled."""

    DEFAULT = "default"
    EXACT = "exact"
    NEAREST = "nearest"
    HALF = "half"
    UP = "up"
    DOWN = "down"


class Raising(Enum):
    """Schools of baking powder in larger pans."""

    PROPORTION = "proportion"
    LESS = "less"


@dataclass(frozen=True, slots=True, kw_only=True)
class PanRule:
    """A rule for one pan of the fit.

    Parameters
    ----------
    kind : Rule
        Any but those that set the whole batch.
    fill : float or None
        Share of the capacity, above 0 and at most 1.2; None takes the style's usual fill.
    grams : float or None
        Batter in each, above 0 and at most 50 kg; None starts from the same depth.
    depth_cm : float or None
        Depth of the raw batter, 0.3 to 40; None starts from the recipe's.
    height_cm : float or None
        Height of the baked cake, layers included, 0.5 to 60; None starts from the recipe's.
    """

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    kind: Rule
    fill: Annotated[Number | None, Field(description="share of the capacity")] = None
    grams: Annotated[Number | None, Field(description="batter in each")] = None
    depth_cm: Annotated[Length | None, Field(description="depth of the raw batter")] = None
    height_cm: Annotated[Length | None, Field(description="height of the baked cake")] = None

    def __post_init__(self) -> None:
        if self.fill is not None and not (math.isfinite(self.fill) and 0 < self.fill <= MOST_FILL):
            raise ImpossibleChoice("A fill is a share of the pan, above 0 and at most 1.2.",
                                   field="fill")
        if self.grams is not None and not (
                math.isfinite(self.grams) and 0 < self.grams <= MOST_GRAMS):
            raise ImpossibleChoice("Grams in a pan have to be above 0 and at most 50 000.",
                                   field="grams")
        within(self.depth_cm, DEPTHS_CM, "depth_cm", f"A depth of batter is {cm_to(*DEPTHS_CM)}.")
        within(self.height_cm, HEIGHTS_CM, "height_cm",
               f"A finished height is {cm_to(*HEIGHTS_CM)}.")


NUMBERS = {Rule.FILL: "fill", Rule.GRAMS: "grams", Rule.DEPTH: "depth_cm",
           Rule.HEIGHT: "height_cm"}
"""Rules of one pan that go with a number, and its name."""


def _own_rule(value: Any, whole: ValidatorFunctionWrapHandler) -> Any:
    """Read a rule of one pan; its kind follows from the number when only one is given."""
    if isinstance(value, dict):
        given = [rule for rule, name in NUMBERS.items() if value.get(name) is not None]
        if value.get("kind") is None:
            if len(given) != 1:
                raise ValueError("give a kind, or one of fill, grams, depth_cm and height_cm")
            value = {**value, "kind": given[0]}
    rule = whole(value)
    if rule.kind in WHOLE_BATCH:
        raise ValueError("that sets the batch for all pans together, never for one")
    if any(getattr(rule, name) is not None and kind is not rule.kind
           for kind, name in NUMBERS.items()):
        raise ValueError(f"this number does not go with {rule.kind.value}")
    return rule


OwnRule = Annotated[PanRule, NAMED, WrapValidator(_own_rule)]
"""A rule for one pan, as it is asked for."""


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
    cutter_cm : float or None
        Width of the rounds cut from dough that is patted out.
    key : str
        What the pan is learnt by, the same in every fit; empty where nobody keeps it.
    """

    label: str
    pan: AnyPan | None
    count: int
    rule: PanRule | None = None
    owned: int | None = None
    problem: Finding | None = None
    cutter_cm: float | None = None
    key: str = ""

    def __post_init__(self) -> None:
        if self.rule is not None and self.rule.kind in WHOLE_BATCH:
            raise ImpossibleChoice(
                "That sets the batch for all pans together. Give this pan a depth, fill or grams.",
                field="rule")


def within(value: float | None, ends: tuple[float, float], name: str, words: str) -> None:
    """Raise ImpossibleChoice for a number outside its ends, naming its field."""
    low, high = ends
    if value is not None and not (math.isfinite(value) and low <= value <= high):
        raise ImpossibleChoice(words.format(f"{low:g}", f"{high:g}"), field=name)
