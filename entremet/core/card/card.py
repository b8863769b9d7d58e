"""A recipe card as it is kept: what is written on it, with its holes, to be stored and sent."""

from __future__ import annotations

import re
from collections.abc import Sized
from dataclasses import dataclass, field
from enum import Enum

from entremet.core.card.finish import Finishing
from entremet.core.card.lines import Component, ScalesBy
from entremet.core.card.recipe import BatterStart
from entremet.core.card.step_kind import StepKind
from entremet.core.ground.errors import ImpossibleRecipe
from entremet.core.measures.amounts import Amount, Joined
from entremet.core.ovens.phases import MOST_PHASES, Phase
from entremet.core.ovens.settings import OvenKind, Setting
from entremet.core.pans.measures import PanMeasures

MOST_LINES = 200
MOST_STEPS = 100
MOST_TEXT = 2_000
MOST_PASTED = 60_000
MOST_NAME = 80
MOST_COMPONENTS = 40
MOST_VARIANTS = 40
MOST_SWAPS = 40
MOST_TAGS = 20
LONGEST_TAG = 40
LONGEST_TITLE = 120
MOST_PANS = 40
MOST_PARTS = 24
MOST_KEY = 2**31 - 1


class EggSize(Enum):
    """A size of egg as a line names it; the region is the card's to say."""

    SMALL = "small"
    MEDIUM = "medium"
    LARGE = "large"
    EXTRA_LARGE = "extra_large"


class CoolingWay(Enum):
    """How the cake leaves its pan."""

    TURN_OUT = "turn_out"
    TURN_OUT_WARM = "turn_out_warm"
    COOL_IN_PAN = "cool_in_pan"
    HANG = "hang"


@dataclass(frozen=True, slots=True, kw_only=True)
class CardPart:
    """A part of a split line: what it is for, its share, and the share as written."""

    name: str
    share: float
    written: str = ""

    def __post_init__(self) -> None:
        _short(self.name, "name of a part", MOST_NAME, field="parts")
        _short(self.written, "part", MOST_TEXT, field="parts")


@dataclass(frozen=True, slots=True, kw_only=True)
class Instead:
    """Another ingredient that may take a line's place; no amount means the line's own."""

    name: str
    amount: Amount | None = None
    written: str = ""
    ingredient: str = ""

    def __post_init__(self) -> None:
        for words in (self.name, self.written, self.ingredient):
            _short(words, "alternative", field="instead")


@dataclass(frozen=True, slots=True, kw_only=True)
class CardLine:
    """A line as written and as read.

    Parameters
    ----------
    key : int
        Names the line within the card, for good.
    text : str
        The whole line as written; it is never lost.
    component : int
        Key of the component it belongs to.
    written : str
        The amount as written; empty where there is none.
    amount : Amount or None
        The amount as read.
    joined : Joined or None
        "plus 1 tbsp", "less a quarter cup".
    second : Amount or None
        A second statement of the same amount, as in "115 g (½ cup)".
    packs : int or None
        How many tins or sachets the amount is in.
    name, note : str
        What it is, and how it is prepared.
    ingredient : str
        Key in the table; empty where nobody has said.
    state : str
        State it is measured in, for instance "sifted".
    egg_size : EggSize or None
        Where the line names one.
    optional : bool
        Whether the recipe leaves the choice.
    unit_assumed : bool
        Whether the unit could be another ("oz" of a liquid) and nobody has said.
    scales_by : ScalesBy or None
        None takes the component's.
    parts : tuple of CardPart
        A split; shares sum to 1.
    instead : tuple of Instead
        Alternatives, one of which may be chosen per use.
    settled : tuple of str
        Questions about the line that were answered with "leave it as written".
    worked_from : str
        Words of the recipe its amount was worked out from: "the weight of the eggs".
    swapped_from : str
        What a swap put here in place of; empty on a card as written.
    """

    key: int
    text: str
    component: int = 1
    written: str = ""
    amount: Amount | None = None
    joined: Joined | None = None
    second: Amount | None = None
    packs: int | None = None
    name: str = ""
    note: str = ""
    ingredient: str = ""
    state: str = ""
    egg_size: EggSize | None = None
    optional: bool = False
    unit_assumed: bool = False
    scales_by: ScalesBy | None = None
    parts: tuple[CardPart, ...] = ()
    instead: tuple[Instead, ...] = ()
    settled: tuple[str, ...] = ()
    worked_from: str = ""
    swapped_from: str = ""

    def __post_init__(self) -> None:
        check_key(self.key, "line")
        for name in ("text", "written", "name", "note", "ingredient", "state", "worked_from",
                     "swapped_from"):
            _short(getattr(self, name), name)
        if self.packs is not None and not 1 <= self.packs <= 1000:
            raise ImpossibleRecipe("Packs are a number from 1 to 1000.", field="packs")
        _few(self.parts, MOST_PARTS, "parts")
        _few(self.instead, MOST_PARTS, "instead")
        _few(self.settled, MOST_PARTS, "settled")
        for words in self.settled:
            _short(words, "answer", MOST_NAME, field="settled")
        if self.parts and abs(sum(part.share for part in self.parts) - 1) > 1e-6:
            raise ImpossibleRecipe(f"The parts of “{self.label}” do not sum to the whole.",
                                   field="parts")
        if any(not 0 < part.share <= 1 for part in self.parts):
            raise ImpossibleRecipe(f"A part of “{self.label}” is empty.", field="parts")

    @property
    def label(self) -> str:
        """The line without its amount, for a list."""
        bare = ", ".join(filter(None, (self.name, self.note))) or self.text
        return bare[:1].upper() + bare[1:]


@dataclass(frozen=True, slots=True, kw_only=True)
class CardComponent:
    """A part of the cake: its kind, its heading as written, and how its lines grow."""

    key: int
    kind: Component
    title: str = ""
    scales_by: ScalesBy | None = None

    def __post_init__(self) -> None:
        check_key(self.key, "component")
        _short(self.title, "heading", MOST_NAME, field="components")


@dataclass(frozen=True, slots=True, kw_only=True)
class Tie:
    """A step's words that a baker tied to a line, or cut loose from all lines."""

    words: str
    line: int | None

    def __post_init__(self) -> None:
        _short(self.words, "tie", field="ties")


@dataclass(frozen=True, slots=True, kw_only=True)
class MethodStep:
    """A step in the baker's words.

    Parameters
    ----------
    key : int
        Names the step within the card.
    text : str
        The words, amounts as written.
    sign : str
        The sign the stage ends on, for instance "pale and fluffy".
    component : int or None
        The component it makes, where it says.
    ties : tuple of Tie
        Amounts whose tie was set by hand; the others are read from the words.
    kinds : tuple of StepKind or None
        What work it is, where the baker said so; None reads it from the words.
    """

    key: int
    text: str
    sign: str = ""
    component: int | None = None
    ties: tuple[Tie, ...] = ()
    kinds: tuple[StepKind, ...] | None = None

    def __post_init__(self) -> None:
        check_key(self.key, "step")
        _few(self.kinds or (), len(StepKind), "kinds")
        _short(self.text, "text")
        _short(self.sign, "sign", 200)
        _few(self.ties, MOST_LINES, "ties")


@dataclass(frozen=True, slots=True, kw_only=True)
class CardPan:
    """A pan the recipe is written for, how many (wells, for a tray), and what is assumed of it."""

    label: str
    measures: PanMeasures
    count: int = 1
    assumed: str = ""

    def __post_init__(self) -> None:
        _short(self.label, "name of a pan", MOST_NAME, field="pans")
        _short(self.assumed, "assumption about a pan", MOST_NAME, field="pans")
        if not 1 <= self.count <= 200:
            raise ImpossibleRecipe("A recipe fills 1 to 200 pans or wells.", field="count")


@dataclass(frozen=True, slots=True, kw_only=True)
class CardOffer:
    """Other pans that the recipe offers for the whole batch, with their own minutes."""

    pan: CardPan
    low_min: float
    high_min: float

    def __post_init__(self) -> None:
        if not 0 < self.low_min <= self.high_min <= 600:
            raise ImpossibleRecipe("The time of another pan runs from a number above 0 to at most "
                                   "600 minutes.", field="offers")


@dataclass(frozen=True, slots=True, kw_only=True)
class Swap:
    """One swap: its kind, the line it starts from, and how much of that line it takes."""

    kind: str
    line: int
    share: float = 1.0

    def __post_init__(self) -> None:
        _short(self.kind, "swap", MOST_NAME, field="kind")
        if not 0 < self.share <= 1:
            raise ImpossibleRecipe("A swap takes a share of a line, above 0 and at most 1.",
                                   field="share")


@dataclass(frozen=True, slots=True, kw_only=True)
class Variant:
    """A named set of swaps that can be baked instead of the card as written."""

    key: int
    name: str
    swaps: tuple[Swap, ...] = ()

    def __post_init__(self) -> None:
        check_key(self.key, "variant")
        _short(self.name, "name of a variant", MOST_NAME, field="variants")
        _few(self.swaps, MOST_SWAPS, "swaps")


@dataclass(frozen=True, slots=True, kw_only=True)
class CardDoubt:
    """Something of the pasted text that is still asked: its words, the question, its line."""

    words: str
    why: str
    line: int | None = None

    def __post_init__(self) -> None:
        _short(self.words, "words of a question", MOST_NAME, field="doubts")
        _short(self.why, "question", 400, field="doubts")


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """A whole card.

    Parameters
    ----------
    title : str
        Its name.
    source_note, note : str
        Where it comes from, and what it is for.
    tags : tuple of str
        Words to find it by.
    servings : str
        As written: "12 slices".
    style : str or None
        Key of the batter's style; None where nobody has said.
    measure_standard, egg_grade : str or None
        Cups and spoons, and eggs; None where the recipe does not say.
    egg_g : float or None
        One whole egg as the baker weighed it, grams.
    pans : tuple of CardPan
        The pans it is written for.
    setting, oven_kind, stated_low_min, stated_high_min
        The oven and the time as written.
    phases : tuple of Phase
        The bake in stretches; empty for one stretch.
    batter_start : BatterStart
        How warm the batter goes in.
    strips : bool
        Whether its time is with insulating strips round the pan.
    stand_min : float or None
        Minutes in the pan after the oven.
    cooling : CoolingWay or None
        How it leaves the pan.
    signs : tuple of str
        The recipe's own signs of being done.
    offers : tuple of CardOffer
        Other pans with their own times: second points to calibrate by.
    finish : Finishing or None
        How its cakes are finished, where the baker settled it; None goes by its method.
    components, lines, steps, variants
        In the order of the card.
    assumed : tuple of str
        Holes whose assumption the baker has accepted.
    pasted : str
        The text it was read from, as it came.
    doubts : tuple of CardDoubt
        What is still asked about that text.
    """

    title: str
    source_note: str = ""
    note: str = ""
    tags: tuple[str, ...] = ()
    servings: str = ""
    style: str | None = None
    measure_standard: str | None = None
    egg_grade: str | None = None
    egg_g: float | None = None
    pans: tuple[CardPan, ...] = ()
    setting: Setting | None = None
    oven_kind: OvenKind | None = None
    stated_low_min: float | None = None
    stated_high_min: float | None = None
    phases: tuple[Phase, ...] = ()
    batter_start: BatterStart = BatterStart.ROOM
    stand_min: float | None = None
    strips: bool = False
    cooling: CoolingWay | None = None
    signs: tuple[str, ...] = ()
    offers: tuple[CardOffer, ...] = ()
    finish: Finishing | None = None
    components: tuple[CardComponent, ...] = field(
        default_factory=lambda: (CardComponent(key=1, kind=Component.BATTER),))
    lines: tuple[CardLine, ...] = ()
    steps: tuple[MethodStep, ...] = ()
    variants: tuple[Variant, ...] = ()
    assumed: tuple[str, ...] = ()
    pasted: str = ""
    doubts: tuple[CardDoubt, ...] = ()

    def __post_init__(self) -> None:
        if not self.title.strip():
            raise ImpossibleRecipe("A card needs a title.", field="title")
        for words, name, most in (
                (self.title, "title", LONGEST_TITLE), (self.source_note, "source_note", 300),
                (self.note, "note", MOST_TEXT), (self.servings, "servings", 80),
                (self.pasted, "pasted", MOST_PASTED)):
            _short(words, name, most)
        for rows, name, most in (
                (self.lines, "lines", MOST_LINES), (self.steps, "steps", MOST_STEPS),
                (self.components, "components", MOST_COMPONENTS),
                (self.variants, "variants", MOST_VARIANTS), (self.tags, "tags", MOST_TAGS),
                (self.pans, "pans", MOST_PANS), (self.offers, "offers", MOST_PARTS),
                (self.signs, "signs", MOST_TAGS), (self.doubts, "doubts", MOST_LINES),
                (self.assumed, "assumed", MOST_LINES)):
            _few(rows, most, name)
        for words in self.tags:
            _short(words, "tag", LONGEST_TAG, field="tags")
        for words in self.signs:
            _short(words, "sign", 200, field="signs")
        for words in (*self.assumed, self.style or "", self.measure_standard or "",
                      self.egg_grade or ""):
            _short(words, "key", MOST_NAME, field="assumed")
        self._check_keys()
        low, high = self.stated_low_min, self.stated_high_min
        if (low is None) != (high is None) or (
                low is not None and high is not None and not 0 < low <= high <= 600):
            raise ImpossibleRecipe("The stated time has to run from a number above 0 to at most "
                                   "600 minutes.", field="stated_low_min")
        if len(self.phases) > MOST_PHASES:
            raise ImpossibleRecipe(f"A bake has at most {MOST_PHASES} phases.", field="phases")
        if self.egg_g is not None and not 20 <= self.egg_g <= 200:
            raise ImpossibleRecipe("An egg without its shell weighs 20 to 200 g.", field="egg_g")
        if self.stand_min is not None and not 0 <= self.stand_min <= 1440:
            raise ImpossibleRecipe("A cake stands in its pan for 0 to 1440 minutes.",
                                   field="stand_min")

    def _check_keys(self) -> None:
        for rows, name in ((self.components, "components"), (self.lines, "lines"),
                           (self.steps, "steps"), (self.variants, "variants")):
            if len({row.key for row in rows}) != len(rows):
                raise ImpossibleRecipe(f"Two of the {name} share a key.", field=name)
        known = {component.key for component in self.components}
        for line in self.lines:
            if line.component not in known:
                raise ImpossibleRecipe(f"“{line.label}” belongs to no component of the card.",
                                       field="lines")
        keys = {line.key for line in self.lines}
        if any(swap.line not in keys for variant in self.variants for swap in variant.swaps):
            raise ImpossibleRecipe("A swap starts from a line that is not on the card.",
                                   field="variants")

    def component_of(self, line: CardLine) -> CardComponent:
        """Return the component of a line."""
        return next(one for one in self.components if one.key == line.component)

    def line(self, key: int) -> CardLine:
        """Return the line of that key.

        Raises
        ------
        ImpossibleRecipe
            When the card has none.
        """
        for line in self.lines:
            if line.key == key:
                return line
        raise ImpossibleRecipe("That line is not on the card.", field="line")


def check_key(key: int, name: str) -> None:
    """Raise ImpossibleRecipe for a key that no row of a card has."""
    if not 1 <= key <= MOST_KEY:
        raise ImpossibleRecipe(f"The key of a {name} is a number from 1 to {MOST_KEY}.",
                               field="key")


def _few(rows: Sized, most: int, name: str) -> None:
    if len(rows) > most:
        raise ImpossibleRecipe(f"A card holds at most {most} {name} in one place.", field=name)


_UNSHOWN = re.compile("[\x00-\x08\x0b-\x1f\x7f\ud800-\udfff]")


def _short(words: str, name: str, most: int = MOST_TEXT, *, field: str = "") -> None:
    told = name.replace("_", " ")
    if len(words) > most:
        raise ImpossibleRecipe(f"The {told} is longer than {most} signs.", field=field or name)
    if _UNSHOWN.search(words):
        raise ImpossibleRecipe(f"The {told} holds signs that cannot be shown.",
                               field=field or name)
