"""A recipe card as the fit needs it."""

from __future__ import annotations

from dataclasses import dataclass, field
from enum import Enum

from entremet.core.batter.styles import Style
from entremet.core.card.finish import AS_USUAL, Finishing
from entremet.core.card.lines import Component, Line, Scales, weigh
from entremet.core.card.step_kind import StepKind
from entremet.core.ground.errors import ImpossibleRecipe
from entremet.core.ground.provenance import Figure, worked_out
from entremet.core.ingredients.eggs import egg_grade
from entremet.core.ingredients.usual import USUAL, Usual
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import standard
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.pans.pan import AnyPan

MOST_PANS = 200


class BatterStart(Enum):
    """How warm the batter goes into the oven; the value names the constant."""

    ROOM = "start_room_c"
    WARM = "start_warm_c"
    CHILLED = "start_chilled_c"


@dataclass(frozen=True, slots=True, kw_only=True)
class StatedTime:
    """The bake time a recipe states, minutes; low = high where it states one number."""

    low_min: float
    high_min: float

    def __post_init__(self) -> None:
        if not 0 < self.low_min <= self.high_min <= 600:
            raise ImpossibleRecipe("The stated time has to run from a number above 0 to at most "
                                   "600 minutes.", field="stated_time")

    @property
    def middle_min(self) -> float:
        """The geometric middle of the range."""
        return float((self.low_min * self.high_min) ** 0.5)

    @property
    def is_range(self) -> bool:
        """Whether the recipe states two numbers."""
        return self.high_min > self.low_min

    @property
    def text(self) -> str:
        """The time in words."""
        ends = f"{self.low_min:g}–{self.high_min:g}" if self.is_range else f"{self.low_min:g}"
        return f"{ends} min"


@dataclass(frozen=True, slots=True, kw_only=True)
class SourcePan:
    """A pan the recipe is written for, and how many (wells, for a tray)."""

    pan: AnyPan
    count: int

    def __post_init__(self) -> None:
        if not 1 <= self.count <= MOST_PANS:
            raise ImpossibleRecipe(f"A recipe fills 1 to {MOST_PANS} pans or wells.",
                                   field="count")


@dataclass(frozen=True, slots=True, kw_only=True)
class TiedAmount:
    """An amount inside a step.

    Parameters
    ----------
    start, end : int
        Its place in the step's text.
    amount : Amount
        As read.
    line : int or None
        The line it belongs to; None where it was cut loose, or none is meant.
    by_hand : bool
        Whether the baker said so.
    """

    start: int
    end: int
    amount: Amount
    line: int | None
    by_hand: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class TiedStep:
    """A step of the method: its words, the sign it ends on, its amounts in order.

    ``kinds`` is what work it is where the baker said so; None is read from the words.
    """

    key: int
    text: str
    sign: str = ""
    ties: tuple[TiedAmount, ...] = ()
    kinds: tuple[StepKind, ...] | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Recipe:
    """A card that can be fitted.

    Parameters
    ----------
    title : str
        Its name.
    style : Style
        The family of its batter.
    lines : tuple of Line
        All of them, in mixing order.
    pans : tuple of SourcePan
        The pans it is written for; may be empty.
    setting : Setting or None
        The oven as written.
    oven_kind : OvenKind or None
        The oven it is written for; None where it does not say.
    stated : StatedTime or None
        Its bake time.
    phases : tuple of Phase
        The bake where it changes temperature or covering on the way.
    start : BatterStart
        How warm the batter goes in.
    standard_key, grade_key : str or None
        Cups and spoons, and eggs; None where it does not say.
    egg_g : float or None
        One whole egg as the baker weighed it, grams.
    style_assumed : bool
        Whether the card names no style.
    steps : tuple of TiedStep
        The method.
    offers : tuple of (SourcePan, StatedTime)
        Other pans for the whole batch, with their own times.
    finishing : Finishing
        How its cakes are finished, as far as the card says.
    finish_said : tuple of str
        Sentences of its method that say so.
    finish_settled : bool
        Whether the baker settled it.
    strips : bool
        Whether its time is with insulating strips round the pan.
    stand_min : float or None
        Minutes in the pan after the oven.
    cooling : str
        How it leaves the pan, in words; empty where the card does not say.
    signs : tuple of str
        Its own signs of being done; empty takes the style's.
    servings : str
        As written: "12 slices".
    variant : str
        Name of the variant its swaps belong to; empty for the card as written.
    usual : Usual
        The cups and eggs taken where it does not say.
    """

    title: str
    style: Style
    lines: tuple[Line, ...]
    pans: tuple[SourcePan, ...] = ()
    setting: Setting | None = None
    oven_kind: OvenKind | None = None
    stated: StatedTime | None = None
    phases: tuple[Phase, ...] = ()
    start: BatterStart = BatterStart.ROOM
    standard_key: str | None = None
    grade_key: str | None = None
    egg_g: float | None = None
    style_assumed: bool = False
    steps: tuple[TiedStep, ...] = ()
    stand_min: float | None = None
    finishing: Finishing = AS_USUAL
    finish_said: tuple[str, ...] = ()
    finish_settled: bool = False
    strips: bool = False
    offers: tuple[tuple[SourcePan, StatedTime], ...] = ()
    cooling: str = ""
    signs: tuple[str, ...] = ()
    servings: str = ""
    variant: str = ""
    usual: Usual = USUAL
    weights: dict[int, Figure | None] = field(init=False, repr=False, compare=False)

    def __post_init__(self) -> None:
        if len({line.key for line in self.lines}) != len(self.lines):
            raise ImpossibleRecipe("Two lines of a card share a key.", field="lines")
        flames = [one for one in (self.setting, *(phase.setting for phase in self.phases))
                  if one is not None and one.scale is Scale.FLAME]
        if flames and self.oven_kind is not OvenKind.HOB:
            raise ImpossibleRecipe("A flame is for a pot on the hob: give the oven its degrees.",
                                   field="oven_setting")
        object.__setattr__(self, "weights", {
            line.key: weigh(line, self.scales) for line in self.lines})

    @property
    def scales(self) -> Scales:
        """What its amounts are measured with."""
        return Scales(
            sizes=standard(self.standard_key or self.usual.standard),
            grade=egg_grade(self.grade_key or self.usual.grade), egg_g=self.egg_g,
            sizes_assumed=self.standard_key is None, grade_assumed=self.grade_key is None)

    def weight_of(self, components: frozenset[Component], *,
                  left_out: frozenset[int]) -> Figure:
        """Return what the lines of some components weigh together, those left out aside."""
        figures = [weight for line in self.lines
                   if line.component in components and line.key not in left_out
                   and (weight := self.weights[line.key]) is not None]
        words = " and ".join(sorted(one.value.replace("_", " ") for one in components))
        return worked_out(sum(figure.value for figure in figures), f"sum of the {words} lines",
                          *figures)
