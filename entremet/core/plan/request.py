"""What a fit is asked for: the body that comes in, what is kept, and what a plan is made from."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Annotated, ClassVar, Literal

from pydantic import ConfigDict, Field

from entremet.core.baking.temperature import School
from entremet.core.baking.treatment import Cover, Treatment
from entremet.core.card.finish import Finishing
from entremet.core.card.recipe import BatterStart
from entremet.core.fitting.rules import (
    DEPTHS_CM,
    FACTORS,
    HEIGHTS_CM,
    MOST_EGGS,
    MOST_GRAMS,
    MOST_JOINS,
    MOST_MIXES,
    MOST_SERVINGS,
    EggChoice,
    OwnRule,
    PanRule,
    Raising,
    Rule,
    within,
)
from entremet.core.fitting.shares import MOST_SHARES, Taken
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import cm_to
from entremet.core.ground.shape import CLOSED, NAMED, ByKey, Count, Flag, Key, Number, RowId, Whole
from entremet.core.ingredients.eggs import SHELL_SHARE
from entremet.core.measures.lengths import Length
from entremet.core.pans.pan import PanFinish
from entremet.core.pans.typed import TypedPan

MOST_ENTRIES = 40

BowlWanted = RowId | Literal["none"] | None
"""The bowl of a fit: by its id, none (all at once), or None for the usual one."""

_Word = Annotated[str, Field(max_length=200)]


@dataclass(frozen=True, slots=True, kw_only=True)
class WantedPan:
    """A pan and how many; wells, for a tray.

    Parameters
    ----------
    pan : int or TypedPan
        Its id on the rack, or its measures.
    count : int
        How many. Nonsense becomes a finding.
    rule : PanRule or None
        Its own rule, where it is set apart.
    cutter_cm : float or None
        Width of rounds cut from dough patted out.
    """

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    pan: RowId | TypedPan
    count: Whole = 1
    rule: OwnRule | None = None
    cutter_cm: Annotated[Length | None, Field(
        description="rounds cut from dough patted out")] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class WantedShare:
    """A share of the batter: its pans, and lines stirred in, amounts for the whole recipe."""

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    name: Annotated[str, Field(min_length=1, max_length=80)]
    pans: Annotated[tuple[Annotated[Taken, NAMED], ...], Field(max_length=MOST_ENTRIES)]
    adds: Annotated[tuple[_Word, ...], Field(max_length=20)] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Weighed:
    """A mix as weighed: bowl and batter, and the bowl's own weight, grams."""

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    full_g: Annotated[Number, Field(gt=0, le=70_000)]
    tare_g: Annotated[Number, Field(ge=0, le=20_000)]


@dataclass(frozen=True, slots=True, kw_only=True)
class Request:
    """Everything that is chosen for a fit.

    Parameters
    ----------
    recipe : int
        Which card.
    revision, variant : int or None
        Its revision, None for the newest; the key of a variant.
    instead : mapping of int to int
        By line, which of its alternatives is taken.
    joins : int or None
        Joins to be filled, all cakes together; None takes the usual.
    into : tuple of WantedPan
        The pans.
    rule : Rule
        For every pan that has no rule of its own.
    depth_cm, height_cm : float or None
        What those rules aim at; None starts from the recipe's own.
    egg_count : float or None
        Eggs of the leading line, for that rule; None starts from the recipe's own.
    eggs_g, eggs_in_shell : float or None, bool
        What those eggs weigh on the scale, and whether in their shells; it wins over the count.
    servings : int or None
        Servings or pieces, for that rule; None starts from the recipe's own.
    factor : float or None
        How many times the recipe, for that rule; None is once.
    portion : str
        Key of the portion the cakes are cut in; empty for none.
    eggs : EggChoice
        How eggs are settled.
    raising : Raising
        Whether large pans get less baking powder.
    oven : int or None
        Which oven; None takes the usual.
    temperature : School
        How the oven's temperature is chosen.
    dial : float or None
        What the oven is set to, on its own dial, where the baker says; None is the recipe's.
    separately : bool
        Whether every pan is baked at its own temperature.
    strips, cover, finish, start
        Insulating strips, a covered top, another finish for every pan, how warm batter goes in.
    with_optional : tuple of int
        Keys of the optional lines that go in.
    bowl : int, "none" or None
        The mixer bowl.
    mixes : tuple of float
        How the leading eggs (or, without eggs, the batter) are split over mixes; empty splits as
        the bowl needs.
    weighed : tuple of Weighed
        Batter that is really there, mix by mix.
    shares : tuple of WantedShare
        Shares of the batter that take something of their own.
    laid : mapping of int to float
        By line, how wide the things are that are laid in whole, cm.
    finishing : Finishing or None
        What is done after the oven; None finishes as the recipe does.
    """

    __pydantic_config__: ClassVar[ConfigDict] = CLOSED

    recipe: RowId
    revision: Annotated[Whole | None, Field(ge=1, le=2**31 - 1,
                                            description="null takes the newest")] = None
    variant: Annotated[Key | None, Field(description="key of a variant of the card")] = None
    instead: Annotated[Mapping[ByKey, Count], Field(
        max_length=100,
        description="by line, which of its alternatives is taken")] = field(default_factory=dict)
    joins: Annotated[Whole | None, Field(
        description="joins to fill, all cakes together")] = None
    into: Annotated[tuple[WantedPan, ...], Field(max_length=MOST_ENTRIES)] = ()
    rule: Rule = Rule.SAME_DEPTH
    depth_cm: Annotated[Length | None, Field(
        description="for that rule; null starts from the recipe's own")] = None
    height_cm: Length | None = None
    egg_count: Number | None = None
    eggs_g: Annotated[Number | None, Field(
        description="the eggs there are, on the scale, for that rule; wins over the count")] = None
    eggs_in_shell: Annotated[Flag, Field(description="weighed in their shells")] = False
    servings: Whole | None = None
    factor: Annotated[Number | None, Field(
        description="how many times the recipe, for that rule; null is once")] = None
    portion: Annotated[Literal["", "own", "small", "party", "dessert"], Field(
        description="what the cakes are cut in")] = ""
    eggs: EggChoice = EggChoice.DEFAULT
    raising: Raising = Raising.PROPORTION
    oven: RowId | None = None
    temperature: School = School.SAME_CRUST
    dial: Annotated[Number | None, Field(
        description="what the oven is set to, on its own dial, for the baker's own setting; "
        "null is the recipe's")] = None
    separately: Annotated[Flag, Field(description="every pan at its own setting")] = False
    strips: Annotated[Flag, Field(description="insulating strips round the wall")] = False
    cover: Cover = Cover.AS_RECIPE
    finish: Annotated[PanFinish | None, Field(
        description="taken for every pan; null takes each its own")] = None
    start: Annotated[Literal["room", "warm", "chilled"] | None, Field(
        description="how warm the batter goes in; null takes the recipe's")] = None
    with_optional: Annotated[tuple[Key, ...], Field(
        max_length=100, description="ids of optional lines that go in")] = ()
    bowl: Annotated[BowlWanted, Field(
        description="null takes the usual bowl; none mixes all at once")] = None
    mixes: Annotated[tuple[Number, ...], Field(
        max_length=MOST_MIXES,
        description="eggs of each mix; empty splits as the bowl needs")] = ()
    weighed: Annotated[tuple[Weighed, ...], Field(max_length=MOST_MIXES)] = ()
    shares: Annotated[tuple[WantedShare, ...], Field(max_length=MOST_SHARES)] = ()
    laid: Annotated[Mapping[ByKey, Length], Field(
        max_length=20,
        description="by line, how wide the things are that are laid in whole")] = field(
            default_factory=dict)
    finishing: Annotated[Finishing | None, Field(
        description="what is done after the oven")] = None

    def __post_init__(self) -> None:
        if self.joins is not None and not 0 < self.joins <= MOST_JOINS:
            raise ImpossibleChoice(f"Joins are a number from 1 to {MOST_JOINS}.", field="joins")
        within(self.depth_cm, DEPTHS_CM, "depth_cm", f"A depth of batter is {cm_to(*DEPTHS_CM)}.")
        within(self.height_cm, HEIGHTS_CM, "height_cm",
               f"A finished height is {cm_to(*HEIGHTS_CM)}.")
        within(self.egg_count, (0.5, MOST_EGGS), "egg_count", "Eggs are a number from {} to {}.")
        within(self.eggs_g, (5.0, MOST_GRAMS), "eggs_g", "The eggs weigh {} to {} g.")
        within(self.servings, (1, MOST_SERVINGS), "servings",
               "Servings are a number from {} to {}.")
        within(self.factor, FACTORS, "factor", "A recipe is made {} to {} times.")
        if len(self.mixes) > MOST_MIXES or any(
                not (math.isfinite(size) and 0 < size <= MOST_EGGS) for size in self.mixes):
            raise ImpossibleChoice(f"A batch is split over at most {MOST_MIXES} mixes, each above "
                                   "zero.", field="mixes")
        for place, one in enumerate(self.weighed):
            if one.full_g <= one.tare_g:
                raise ImpossibleChoice("The full bowl has to weigh more than the empty one.",
                                       field=f"weighed.{place}.full_g")
        within(self.weighed_g, (1.0, MOST_GRAMS), "weighed",
               "The batter in the bowl weighs {} to {} g.")

    @property
    def pan_rule(self) -> PanRule:
        """The rule of every pan that has none of its own."""
        return PanRule(kind=self.rule, depth_cm=self.depth_cm, height_cm=self.height_cm)

    @property
    def treatment(self) -> Treatment:
        """What is done to its bakes beside the oven."""
        return Treatment(strips=self.strips, cover=self.cover, finish=self.finish,
                         start=None if self.start is None else BatterStart[self.start.upper()])

    @property
    def eggs_net_g(self) -> float | None:
        """Eggs on the scale without their shells, grams; None where none were weighed."""
        if self.eggs_g is None:
            return None
        return self.eggs_g * (1 - SHELL_SHARE) if self.eggs_in_shell else self.eggs_g

    @property
    def weighed_g(self) -> float | None:
        """Batter that is really there, grams; None where no bowl was weighed."""
        return sum(one.full_g - one.tare_g for one in self.weighed) if self.weighed else None
