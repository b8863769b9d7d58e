"""Labels, what packets say, how a kitchen labels."""

from __future__ import annotations

import re
from datetime import date, datetime
from typing import Annotated

from pydantic import BeforeValidator, Field

from entremet.core.ground.findings import Finding
from entremet.core.labelling.foods import LONGEST, Packet
from entremet.core.plan.request import Request
from entremet.kitchen.actions.labels import Choice, LabelPlan
from entremet.kitchen.api.schemas.base import Out, ProvenanceOut, StrictIn
from entremet.kitchen.models import LabelHabits

Key = Annotated[str, Field(min_length=1, max_length=200)]
Kinds = Annotated[list[Annotated[str, Field(max_length=20)]], Field(max_length=40)]


def _a_day(value: object) -> object:
    if not isinstance(value, str) or not _DAY.match(value) or not 2000 <= int(value[:4]) <= 2200:
        raise ValueError("is a day as 2027-03-20, between the years 2000 and 2200")
    return value


_DAY = re.compile(r"^[0-9]{4}-[0-9]{2}-[0-9]{2}$")


Day = Annotated[date, BeforeValidator(_a_day)]


class LabelIn(StrictIn):
    """Which cake of a fit is labelled, and what the baker says of it."""

    fit: Request
    cake: int = Field(0, ge=0, le=500, description="its place among the cakes of the finish")
    title: str = Field("", max_length=120, description="empty takes the recipe's")
    made_on: Day | None = Field(None, description="null is today on the kitchen's clock")
    pieces: int = Field(1, ge=1, le=500, description="one label for each of so many pieces")
    weighed_g: float | None = Field(None, description="null is worked out")
    days: float | None = Field(None, description="null goes by the table")
    lot: str = Field("", max_length=40)
    of_order: str = Field("", pattern=r"^(\d{1,9}\.\d{1,3})?$", description="order and place of "
                          "the cake in it: dated by the plan where no day is given")

    def to_core(self, planned: LabelPlan | None = None) -> Choice:
        """Return the choice."""
        return Choice(planned=planned, **{name: getattr(self, name) for name in Choice.__slots__
                                          if name != "planned"})


class LabelsPrintIn(LabelIn):
    """A label to print: how many, and from which place of the first sheet."""

    count: int = Field(1, ge=1, le=500)
    first: int = Field(1, ge=1, le=400)


class SaidOut(Out):
    """A piece of the list; allergens stand out."""

    text: str
    strong: bool


class ListedOut(Out):
    """An ingredient as it stands in the list."""

    key: str
    name: str
    said: list[SaidOut]
    g: float | None
    percent: float | None
    known: bool
    known_words: str
    contains: list[str]
    may_contain: list[str]
    by_nature: list[str] = Field(description="those no packet takes away")
    opened: str
    packet: bool = Field(description="whether this kitchen entered it")


class NutrientOut(Out):
    """A row of nutrients; null where not enough is known."""

    name: str
    unit: str
    per_100g: float | None
    each: float | None


class LabelCakeOut(Out):
    """A cake of the fit that can be labelled."""

    label: str
    count: int
    mass_g: float
    pieces: int = Field(description="portions one is cut in; 1 where nobody cuts it")


class KeepsOut(Out):
    """How a part of a cake keeps, in words."""

    name: str
    cool: str
    chilled: str
    frozen: str
    decides: bool


class LastPrintOut(Out):
    """The last label of this recipe that was printed."""

    title: str
    printed_at: datetime
    contains: list[str]


class HandedOverOut(Out):
    """The card that goes with a cake."""

    keep: list[str]
    cut: str
    not_food: list[str]
    allergens: list[str]


class LabelOut(Out):
    """A label with all behind it."""

    title: str
    cakes: list[LabelCakeOut]
    cake: int
    rows: list[ListedOut]
    contains: list[str]
    may_contain: list[str]
    elsewhere: list[str] = Field(description="inside, and not on this region's list")
    net_g: float
    net_words: str
    net_origin: ProvenanceOut
    made_on: date
    made_words: str
    keeps_until: date
    until_words: str
    days: float
    days_origin: ProvenanceOut
    keep_words: str
    keeps: list[KeepsOut]
    take_out: str
    lot: str
    own_lines: list[str]
    nutrition: list[NutrientOut]
    nutrition_missing: list[str]
    nutrition_note: str
    ready: bool
    findings: list[Finding]
    last: LastPrintOut | None
    card: HandedOverOut
    region: str
    source: str


class PacketIn(StrictIn):
    """What a packet says of an ingredient."""

    key: Key
    called: str = Field(min_length=1, max_length=120, description="the ingredient, in words")
    name: str = Field("", max_length=120, description="on the label; empty for its usual name")
    opened: str = Field("", max_length=LONGEST, description="what it is made of")
    contains: Kinds = Field(default_factory=list)
    may_contain: Kinds = Field(default_factory=list)

    def to_core(self) -> Packet:
        """Return the packet."""
        return Packet(name=self.name, opened=self.opened, contains=tuple(self.contains),
                      may_contain=tuple(self.may_contain))


class PacketOut(Out):
    """What a packet says of an ingredient."""

    key: str
    called: str
    name: str
    opened: str
    contains: list[str]
    may_contain: list[str]
    read_at: datetime
    damaged: bool


class LabelSheetIn(StrictIn):
    """The kitchen's own sheet of labels, mm."""

    paper: str = Field(max_length=8)
    across: int
    down: int
    width: float
    height: float
    left: float
    top: float
    gap_x: float = 0.0
    gap_y: float = 0.0


class LabelHabitsIn(StrictIn):
    """How a kitchen labels."""

    region: str = Field(max_length=8)
    address: str = Field("", max_length=200)
    sentence: str = Field("", max_length=300)
    may_contain: Kinds = Field(default_factory=list)
    sheet: str = Field(max_length=20)
    own_sheet: LabelSheetIn | None = None
    base: int

    def to_model(self) -> LabelHabits:
        """Return the row, not saved."""
        return LabelHabits(
            **self.model_dump(exclude={"base", "own_sheet"}),
            own_sheet={} if self.own_sheet is None else self.own_sheet.model_dump())


class AllergenOut(Out):
    """An allergen of the table."""

    key: str
    name: str
    group: str


class LabelRegionOut(Out):
    """A region with its list and the rule behind it."""

    key: str
    name: str
    source: str
    kinds: list[str]


class LabelSheetOut(Out):
    """A usual sheet of labels."""

    key: str
    words: str
    count: int


class LabelHabitsOut(Out):
    """How a kitchen labels, with what there is to choose from."""

    region: str
    address: str
    sentence: str
    may_contain: list[str]
    sheet: str
    own_sheet: dict[str, float | str]
    version: int
    allergens: list[AllergenOut]
    regions: list[LabelRegionOut]
    sheets: list[LabelSheetOut]
    home_advice: str
    local_advice: str
