"""What the baker chose once for the whole fit."""

from __future__ import annotations

import math
from dataclasses import dataclass, field

from entremet.core.baking.temperature import School
from entremet.core.baking.treatment import PLAIN, Treatment
from entremet.core.dressing.choices import AS_USUAL, Finishing
from entremet.core.fitting.rules import (
    DEPTHS_CM,
    HEIGHTS_CM,
    MOST_EGGS,
    MOST_GRAMS,
    MOST_JOINS,
    MOST_MIXES,
    MOST_SERVINGS,
    EggChoice,
    PanRule,
    Raising,
    Rule,
    within,
)
from entremet.core.ground.errors import ImpossibleChoice


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
    treatment : Treatment
        Strips, covering, another finish or start for the bakes.
    with_optional : frozenset of int
        Keys of the optional lines that go in.
    joins : int or None
        Joins to be filled, all cakes together; None takes the usual.
    depth_cm, height_cm : float or None
        What those rules aim at; None starts from the recipe's own.
    egg_count : float or None
        Eggs of the leading line, for that rule; None starts from the recipe's own.
    servings : int or None
        Servings or pieces, for that rule; None starts from the recipe's own.
    portion : str
        Key of the portion the cakes are cut in; empty for none.
    raising : Raising
        Whether large pans get less baking powder.
    mixes : tuple of float
        How the leading eggs (or, without eggs, the batter) are split over mixes; empty splits as
        the bowl needs.
    weighed_g : float or None
        Batter that is really there, weighed with the bowl's own weight taken off.
    finishing : Finishing
        What is done after the oven; it decides what goes on the cakes.
    """

    rule: Rule = Rule.SAME_DEPTH
    eggs: EggChoice = EggChoice.DEFAULT
    school: School = School.SAME_CRUST
    separately: bool = False
    treatment: Treatment = PLAIN
    with_optional: frozenset[int] = field(default_factory=frozenset)
    joins: int | None = None
    depth_cm: float | None = None
    height_cm: float | None = None
    egg_count: float | None = None
    servings: int | None = None
    portion: str = ""
    raising: Raising = Raising.PROPORTION
    mixes: tuple[float, ...] = ()
    weighed_g: float | None = None
    finishing: Finishing = AS_USUAL

    def __post_init__(self) -> None:
        if self.joins is not None and not 0 < self.joins <= MOST_JOINS:
            raise ImpossibleChoice(f"Joins are a number from 1 to {MOST_JOINS}.", field="joins")
        within(self.depth_cm, DEPTHS_CM, "depth_cm", "A depth of batter is {} to {} cm.")
        within(self.height_cm, HEIGHTS_CM, "height_cm", "A finished height is {} to {} cm.")
        within(self.egg_count, (0.5, MOST_EGGS), "egg_count", "Eggs are a number from {} to {}.")
        within(self.servings, (1, MOST_SERVINGS), "servings",
                "Servings are a number from {} to {}.")
        within(self.weighed_g, (1.0, MOST_GRAMS), "weighed_g",
                "The batter in the bowl weighs {} to {} g.")
        if len(self.mixes) > MOST_MIXES or any(
                not (math.isfinite(size) and 0 < size <= MOST_EGGS) for size in self.mixes):
            raise ImpossibleChoice(f"A batch is split over at most {MOST_MIXES} mixes, each above "
                                   "zero.", field="mixes")

    @property
    def pan_rule(self) -> PanRule:
        """The rule of every pan that has none of its own."""
        return PanRule(rule=self.rule, depth_cm=self.depth_cm, height_cm=self.height_cm)
