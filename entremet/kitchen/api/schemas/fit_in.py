"""What a fit is asked for."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator

from entremet.core.baking.temperature import School
from entremet.core.baking.treatment import Cover, Treatment
from entremet.core.card.recipe import BatterStart
from entremet.core.choosing.offers import BatchFreedom, Wanted
from entremet.core.choosing.search import MOST_KINDS
from entremet.core.dressing.choices import (
    AS_USUAL,
    Border,
    Carving,
    Coat,
    Finishing,
    Level,
    OnWells,
    Press,
    TopBy,
)
from entremet.core.dressing.sized import Thing
from entremet.core.finishing.sloped import MOST_DRAWN, Profile
from entremet.core.fitting.rules import MOST_MIXES, WHOLE_BATCH, EggChoice, PanRule, Raising, Rule
from entremet.core.fitting.shares import MOST_SHARES, Taken
from entremet.core.ground.errors import CoreError, ImpossibleChoice
from entremet.core.measures.lengths import read_length_cm
from entremet.core.pans.pan import Finish
from entremet.core.plan.choices import Choices
from entremet.kitchen.actions.bowls import BowlChoice
from entremet.kitchen.actions.fitting import Asked, AskedShare, Request, Version
from entremet.kitchen.api.ids import Count, Id, Key
from entremet.kitchen.api.schemas.base import StrictIn, WeighedIn
from entremet.kitchen.api.schemas.pans import Length, MeasuresIn

MOST_ENTRIES = 40
NUMBERS = {Rule.FILL: "fill", Rule.GRAMS: "grams", Rule.DEPTH: "depth_cm",
           Rule.HEIGHT: "height_cm"}
"""Rules of one pan that go with a number, and its name."""

Word = Annotated[str, Field(max_length=200)]


class PanRuleIn(StrictIn):
    """A rule for one pan; its kind follows from the number when only one is given."""

    kind: Rule | None = None
    fill: float | None = Field(None, description="share of the capacity")
    grams: float | None = Field(None, description="batter in each")
    depth_cm: Length | None = Field(None, description="depth of the raw batter")
    height_cm: Length | None = Field(None, description="height of the baked cake")

    @model_validator(mode="after")
    def _settle(self) -> PanRuleIn:
        given = [rule for rule, name in NUMBERS.items() if getattr(self, name) is not None]
        if self.kind is None:
            if len(given) != 1:
                raise ValueError("give a kind, or one of fill, grams, depth_cm and height_cm")
            self.kind = given[0]
        if self.kind in WHOLE_BATCH:
            raise ValueError("that sets the batch for all pans together, never for one")
        if any(rule is not self.kind for rule in given):
            raise ValueError(f"this number does not go with {self.kind.value}")
        try:
            self.to_core()
        except CoreError as error:
            raise ValueError(error.text) from error
        return self

    def to_core(self) -> PanRule:
        """Return the rule as the core takes it."""
        return PanRule(rule=self.kind or Rule.SAME_DEPTH, fill=self.fill, grams=self.grams,
                       depth_cm=_length(self.depth_cm, "depth_cm"),
                       height_cm=_length(self.height_cm, "height_cm"))


class EntryIn(StrictIn):
    """A pan and how many; wells, for a tray."""

    pan: Id | MeasuresIn
    count: int = 1
    rule: PanRuleIn | None = None
    cutter_cm: Length | None = Field(None, description="rounds cut from dough patted out")

    def to_core(self) -> Asked:
        """Return the entry as the kitchen takes it."""
        rule = None if self.rule is None else self.rule.to_core()
        if isinstance(self.pan, int):
            return Asked(pan_id=self.pan, label="", measures=None, count=self.count, rule=rule)
        return Asked(pan_id=None, label=self.pan.label.strip(), measures=self.pan.to_core,
                     count=self.count, rule=rule, cutter_cm=_length(self.cutter_cm, "cutter_cm"))


class TakenIn(StrictIn):
    """Pans a share fills: a place among the entries, how many, what part of their batter."""

    entry: int = Field(ge=0, lt=MOST_ENTRIES)
    count: int = Field(1, ge=1, le=500)
    part: float = Field(1.0, gt=0, le=1)


class ShareIn(StrictIn):
    """A share of the batter: its pans, and lines stirred in, amounts for the whole recipe."""

    name: str = Field(min_length=1, max_length=80)
    pans: list[TakenIn] = Field(max_length=MOST_ENTRIES)
    adds: list[Word] = Field(default_factory=list, max_length=20)

    def to_core(self) -> AskedShare:
        """Return the share as the kitchen takes it."""
        return AskedShare(
            name=self.name.strip() or "Share", adds=tuple(one for one in self.adds if one.strip()),
            pans=tuple(Taken(entry=one.entry, count=one.count, part=one.part)
                       for one in self.pans))


class ProfilePointIn(StrictIn):
    """A point of a drawn half profile."""

    up_cm: float = Field(description="from the foot")
    wide_cm: float


class CarveIn(StrictIn):
    """What a stack is cut to; a profile turned round its axis."""

    profile: Profile
    foot_cm: Length | None = Field(None, description="null cuts to the stack itself")
    top_cm: Length | None = None
    height_cm: Length | None = None
    drawn: list[ProfilePointIn] = Field(
        default_factory=list, max_length=MOST_DRAWN, description="from the foot upwards; empty "
        "starts as the stack stands")


class FinishingIn(StrictIn):
    """What is done after the oven; null takes the usual for what the card has. Lengths in cm."""

    level: Level = Level.EDGE
    level_cm: Length | None = None
    dome_cm: Length | None = Field(None, description="middle less edge, at the rack")
    split: int | None = Field(None, description="layers cut from each baked one; null cuts a "
                              "single one once if the card fills it")
    stack: int = Field(1, description="a sheet cut in so many pieces that are stacked")
    pieces: int = Field(0, description="a sheet cut in so many pieces that are coated")
    joined: bool = Field(False, description="all flat pans in one stack")
    soak: float | None = Field(None, description="share of the layers' mass")
    filling_cm: Length | None = None
    dam_cm: Length | None = Field(None, description="width of the dam")
    crumb_cm: Length | None = None
    coat: Coat | None = None
    coat_cm: Length | None = None
    side_cm: Length | None = Field(None, description="sides, where they differ from the top")
    glaze: bool | None = None
    drip: bool = False
    drip_cm: Length | None = None
    pitch_cm: Length | None = None
    edge_ring: bool = Field(False, description="the drip only round the edge of the top")
    rolled: bool = Field(False, description="a rolled cover")
    turned_over: bool | None = Field(None, description="what lay in the pan first on "
                                     "top; null turns a cake that has such a layer")
    press: Press = Press.NONE
    press_cm: Length | None = Field(None, description="how far up; null is all the way")
    border: Border = Border.NONE
    border_cm: Length | None = None
    wells: OnWells | None = None
    carve: CarveIn | None = None
    hollow: bool = Field(False, description="a round chamber cut out and filled")
    hollow_cm: Length | None = None
    hollow_high_cm: Length | None = None
    tiers: bool = Field(False, description="the rows stand on each other")
    batter_layers: int = Field(1, description="layers the batter goes into its pan in")
    top_by: TopBy = Field(TopBy.AREA, description="what counted things on top go by")
    yields: dict[str, float] = Field(default_factory=dict, max_length=20, description="by key of "
                                     "a component, the share left once it is made")

    def to_core(self) -> Finishing:
        """Return the choices as the core takes them; raises CoreError naming a field."""
        read = {name: _length(getattr(self, name), f"finishing.{name}")
                for name in type(self).model_fields if name.endswith("_cm")}
        carve = None if self.carve is None else Carving(
            profile=self.carve.profile,
            foot_cm=_length(self.carve.foot_cm, "finishing.carve.foot_cm"),
            top_cm=_length(self.carve.top_cm, "finishing.carve.top_cm"),
            height_cm=_length(self.carve.height_cm, "finishing.carve.height_cm"),
            drawn=tuple((one.up_cm, one.wide_cm) for one in self.carve.drawn))
        return Finishing(
            level=self.level, split=self.split, stack=self.stack, pieces=self.pieces,
            joined=self.joined, soak=self.soak, coat=self.coat, glaze=self.glaze, drip=self.drip,
            edge_ring=self.edge_ring, rolled=self.rolled, turned_over=self.turned_over,
            press=self.press, border=self.border, wells=self.wells, carve=carve,
            hollow=self.hollow, tiers=self.tiers, batter_layers=self.batter_layers,
            top_by=self.top_by, yields=self.yields, **read)


class FitIn(StrictIn):
    """A fit: a recipe into pans."""

    recipe: Id
    revision: int | None = Field(None, ge=1, le=2**31 - 1, description="null takes the newest")
    variant: Key | None = Field(None, description="key of a variant of the card")
    instead: dict[Key, Count] = Field(default_factory=dict, max_length=100, description="by line, "
                                    "which of its alternatives is taken")
    joins: int | None = Field(None, description="joins to fill, all cakes together")
    into: list[EntryIn] = Field(max_length=MOST_ENTRIES)
    rule: Rule = Rule.SAME_DEPTH
    depth_cm: Length | None = Field(None, description="for that rule; null starts from the "
                                    "recipe's own")
    height_cm: Length | None = None
    egg_count: float | None = None
    servings: int | None = None
    portion: Literal["", "own", "small", "party", "dessert"] = Field(
        "", description="what the cakes are cut in")
    eggs: EggChoice = EggChoice.DEFAULT
    raising: Raising = Raising.PROPORTION
    oven: Id | None = None
    temperature: School = School.SAME_CRUST
    separately: bool = Field(False, description="every pan at its own setting")
    strips: bool = Field(False, description="insulating strips round the wall")
    cover: Cover = Cover.AS_RECIPE
    finish: Finish | None = Field(None, description="taken for every pan; null takes each its own")
    start: Literal["room", "warm", "chilled"] | None = Field(
        None, description="how warm the batter goes in; null takes the recipe's")
    with_optional: list[Key] = Field(default_factory=list, max_length=100,
                                     description="ids of optional lines that go in")
    bowl: Id | Literal["none"] | None = Field(
        None, description="null takes the usual bowl; none mixes all at once")
    mixes: list[float] = Field(default_factory=list, max_length=MOST_MIXES,
                               description="eggs of each mix; empty splits as the bowl needs")
    weighed: list[WeighedIn] = Field(default_factory=list, max_length=MOST_MIXES)
    shares: list[ShareIn] = Field(default_factory=list, max_length=MOST_SHARES)
    laid: dict[int, Length] = Field(default_factory=dict, max_length=20, description="by line, "
                                    "how wide the things are that are laid in whole")
    finishing: FinishingIn | None = Field(None, description="what is done after the oven")

    def to_core(self) -> Request:
        """Return the request as the kitchen takes it; raises CoreError naming a field."""
        bowl = BowlChoice(bowl_id=self.bowl if isinstance(self.bowl, int) else None,
                          whole=self.bowl == "none")
        return Request(
            recipe_id=self.recipe, oven_id=self.oven, choices=self._choices(), bowl=bowl,
            asked=[entry.to_core() for entry in self.into],
            shares=tuple(share.to_core() for share in self.shares),
            version=Version(revision=self.revision, variant=self.variant, instead=self.instead),
            laid_cm={line: read_length_cm(width, field=f"laid.{line}")
                     for line, width in self.laid.items()})

    def _choices(self) -> Choices:
        return Choices(
            rule=self.rule, eggs=self.eggs, school=self.temperature, separately=self.separately,
            treatment=Treatment(strips=self.strips, cover=self.cover, finish=self.finish,
                                start=None if self.start is None else BatterStart[
                                    self.start.upper()]),
            joins=self.joins, with_optional=frozenset(self.with_optional),
            depth_cm=_length(self.depth_cm, "depth_cm"),
            height_cm=_length(self.height_cm, "height_cm"), egg_count=self.egg_count,
            servings=self.servings, portion=self.portion, raising=self.raising,
            mixes=tuple(self.mixes), weighed_g=self._weighed_g(),
            finishing=AS_USUAL if self.finishing is None else self.finishing.to_core())

    def _weighed_g(self) -> float | None:
        if not self.weighed:
            return None
        for place, one in enumerate(self.weighed):
            if one.full_g <= one.tare_g:
                raise ImpossibleChoice("The full bowl has to weigh more than the empty one.",
                                       field=f"weighed.{place}.full_g")
        return sum(one.full_g - one.tare_g for one in self.weighed)


class SetsIn(StrictIn):
    """“Which of my free pans take this recipe best?”"""

    fit: FitIn
    free: dict[int, int] = Field(max_length=MOST_KINDS, description="by id, how many are free")
    batch: BatchFreedom = BatchFreedom.AS_IT_IS
    tolerance: float = Field(0.10, ge=0, le=0.5, description="how far the depth may move")
    most_pans: int = Field(3, ge=1, le=5)
    few: int = Field(6, ge=1, le=12)

    def wanted(self) -> Wanted:
        """Return the bounds as the core takes them."""
        return Wanted(freedom=self.batch, tolerance=self.tolerance, most_pans=self.most_pans,
                      few=self.few)


class OvenViewIn(StrictIn):
    """A fit, and whether the advice for high kitchens is wanted."""

    fit: FitIn
    altitude: bool = False


class EnlargeIn(StrictIn):
    """A thing to be made of cake, and how large: by a factor, a length, or grams of batter."""

    fit: FitIn
    length_cm: Length = Field(description="of the thing; its diameter if it is round")
    width_cm: Length | None = Field(None, description="null for a round one")
    height_cm: Length
    factor: float | None = None
    wanted_cm: Length | None = Field(None, description="length of the cake")
    batter_g: float | None = None

    def thing(self) -> Thing:
        """Return the thing as the core takes it; raises CoreError naming a field."""
        long = read_length_cm(self.length_cm, field="length_cm")
        wide = _length(self.width_cm, "width_cm")
        return Thing(length_cm=long, width_cm=long if wide is None else wide,
                     height_cm=read_length_cm(self.height_cm, field="height_cm"),
                     is_round=wide is None)

    def wanted(self) -> float | None:
        """Return the wanted length, cm."""
        return _length(self.wanted_cm, "wanted_cm")


class CurveIn(StrictIn):
    """A fit, and the place of the pan whose bake is drawn."""

    fit: FitIn
    entry: int = Field(ge=0, lt=MOST_ENTRIES)


class CompareIn(StrictIn):
    """Two fits to set side by side."""

    one: FitIn
    other: FitIn


def _length(value: Length | None, field: str) -> float | None:
    return None if value is None else read_length_cm(value, field=field)
