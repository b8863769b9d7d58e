"""The desk in and out: a card while it is worked on."""

from __future__ import annotations

from pydantic import Field

from entremet.core.card.card import Card, CardLine, CardPan, CardPart, Swap
from entremet.core.card.step_kind import StepKind
from entremet.core.desk.holes import Aim, Hole
from entremet.core.desk.questions import Ask
from entremet.core.desk.ratios import RatioStanding
from entremet.core.ground.findings import Finding
from entremet.core.ingredients.table import Role
from entremet.core.measures.units import Unit
from entremet.core.pans.typed import TypedPan
from entremet.core.reading.apart import TextStretch
from entremet.core.reading.facts import LedgerEntry, MarkRole, PanOffer, TextMark
from entremet.core.reading.lines import MarkKind
from entremet.kitchen.api.schemas.base import Out, ProvenanceOut, StrictIn
from entremet.kitchen.api.schemas.card_in import CardIn
from entremet.kitchen.api.schemas.card_in import LineIn as KnownLineIn
from entremet.kitchen.api.schemas.pans import DrawingOut


class DeskIn(StrictIn):
    """A card to look at."""

    card: CardIn
    variant: int | None = None
    aims: list[Aim] = Field(default_factory=lambda: list(Aim), max_length=3)


class FinishedCardIn(StrictIn):
    """A card whose own cakes are to be drawn."""

    card: CardIn


class MarkOut(Out):
    """A stretch of a line's text and what it was read as."""

    kind: MarkKind
    start: int
    end: int


class IngredientOut(Out):
    """An ingredient of the table."""

    key: str
    name: str
    role: Role
    g_per_100ml: float | None
    source: str
    measured: bool
    own: bool
    allergens: list[str]


class DeskLineOut(Out):
    """A line on the desk."""

    key: int
    label: str
    marks: list[MarkOut]
    g: float | None
    shown: str
    origin: ProvenanceOut | None
    ingredient: IngredientOut | None
    percent: float | None = Field(description="of flour and starch; null outside the batter")


class TieOut(Out):
    """An amount of a step and the line it belongs to."""

    start: int
    end: int
    words: str
    line: int | None
    line_label: str
    by_hand: bool


class DeskStepOut(Out):
    """A step on the desk."""

    key: int
    ties: list[TieOut]
    kinds: list[StepKind] = Field(description="what work it is, as said or as read")


class RatioOut(Out):
    """A ratio beside its usual range."""

    key: str
    name: str
    value: float
    low: float | None
    high: float | None
    beside: str = Field(description="what the range is")
    standing: RatioStanding
    note: str


class OfferOut(Out):
    """A swap a line could take."""

    line: int
    kind: str
    name: str
    usual: float
    most: float
    limits: str
    source: str


class VariantLineOut(Out):
    """A line of the card with a variant on it."""

    written: str
    label: str
    swapped_from: str


class QuestionOut(Out):
    """A question about a line."""

    line: int
    ask: Ask
    text: str
    near: list[IngredientOut]
    parts: list[CardPart] = Field(description="the split that the method's own amounts make")


class DeskOut(Out):
    """Everything the desk shows of a card."""

    style: str
    style_assumed: bool
    batter_g: float
    lines: list[DeskLineOut]
    steps: list[DeskStepOut]
    questions: list[QuestionOut]
    holes: list[Hole]
    ratios: list[RatioOut]
    findings: list[Finding]
    offers: list[OfferOut]
    variant_lines: list[VariantLineOut]


class NamedOut(Out):
    """A row of a reference table to choose from."""

    key: str
    name: str


class ChoicesOut(Out):
    """What a card can be settled with."""

    styles: list[NamedOut]
    standards: list[NamedOut]
    egg_grades: list[NamedOut]


class ToldIn(StrictIn):
    """What a stretch of the pasted text is; places as browsers count."""

    start: int = Field(ge=0, le=3_000_000)
    end: int = Field(ge=1, le=3_000_000)
    kind: MarkRole


class TextIn(StrictIn):
    """Pasted text, or the words of a file."""

    text: str = Field(max_length=3_000_000)
    name: str = Field("", max_length=200, description="of the file; empty for pasted text")
    told: list[ToldIn] = Field(default_factory=list, max_length=200, description="what the baker "
                               "says stretches of the text are")


class ReadOut(Out):
    """A recipe as read: a card that is not kept yet."""

    card: Card
    found: list[str]
    unread: list[str]
    marks: list[TextMark] = Field(description="what stretches of the text were read as; places as "
                                  "browsers count, the larger before what is in it")
    offers: list[PanOffer] = Field(description="other pans the text offers")
    apart: list[TextStretch] = Field(description="recipes of the text, where it holds several")
    ledger: list[LedgerEntry] = Field(description="numbers of the text that are asked about, said "
                                      "again, or set aside, and why")


class PictureIn(StrictIn):
    """A photo or a scan of a recipe."""

    picture: str = Field(min_length=1, max_length=11_000_000, description="its bytes in base64")


class PictureTextOut(Out):
    """What the optical reader read."""

    text: str


class ReadersOut(Out):
    """What else can be read on this machine."""

    picture: bool


class LineIn(StrictIn):
    """One line to read for a card."""

    text: str = Field(max_length=2000)
    key: int = Field(ge=1, le=2**31 - 1)
    component: int = Field(ge=1, le=2**31 - 1)
    was: KnownLineIn | None = Field(None, description="the line before it was edited")


class PartsIn(StrictIn):
    """What a line is split into, in words: "a quarter for the topping", "45 ml for loosening"."""

    card: CardIn
    line: int
    phrases: list[str] = Field(max_length=20)


class PartsOut(Out):
    """A split as read; the shares sum to 1."""

    parts: list[CardPart]


class PanTextIn(StrictIn):
    """A pan in words: "two 18 cm round tins, 5 cm deep"."""

    text: str = Field(min_length=1, max_length=200)
    bench: bool = Field(False, description="typed to be filled: short, with its wall, a ring known "
                        "by what it holds in its usual shape")


class CardPanIn(StrictIn):
    """A pan of a card with its measures as typed."""

    pan: TypedPan
    count: int = Field(1, ge=1, le=200)


class CardPanOut(Out):
    """A pan of a card, checked."""

    pan: CardPan
    capacity_ml: float | None
    wall_cm: float | None
    wall_assumed: bool
    by_measures_ml: float | None = Field(None, description="what the measures alone would hold, "
                                         "for a pan known by its water")
    drawing: DrawingOut | None


class LineOut(Out):
    """A line as read."""

    line: CardLine


class SwapIn(StrictIn):
    """A swap to look at before it is made."""

    card: CardIn
    swap: Swap


class ChangeOut(Out):
    """An ingredient before and after a swap."""

    name: str
    was_g: float
    now_g: float
    was_per_100: float | None
    now_per_100: float | None


class SwapOut(Out):
    """What a swap would do."""

    name: str
    limits: str
    source: str
    changes: list[ChangeOut]
    findings: list[Finding]


class NewIngredientIn(StrictIn):
    """An ingredient of the baker's own."""

    name: str = Field(min_length=1, max_length=80)
    role: Role


class WeightIn(StrictIn):
    """What a measure of an ingredient weighs."""

    measure: str = Field(min_length=1, max_length=40)
    grams: float = Field(gt=0, le=100_000)
    standard: str = "metric"


class AnswerIn(StrictIn):
    """An answer to a question about a line; an empty ingredient leaves it as written."""

    phrase: str = Field(min_length=1, max_length=200)
    ingredient: str | None = None
    unit: Unit | None = None
