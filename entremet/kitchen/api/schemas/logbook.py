"""The logbook in and out."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field, field_validator

from entremet.core.learning.entries import HowDone
from entremet.core.plan.request import Request
from entremet.kitchen.api.schemas.base import Out, StrictIn

HowSaid = Literal["right", "little_over", "raw", ""]
TopSaid = Literal["flat", "domed", "cracked", "sunk", "ran_over", ""]
CountedSaid = Literal["", "true", "left_out"]
Tag = Annotated[str, Field(min_length=1, max_length=40)]


YEARS = (2000, 2200)
"""A bake outside was written down wrong."""


def a_moment(value: datetime) -> datetime:
    """Return a moment with its zone, of a year in which somebody can have baked."""
    if value.utcoffset() is None:
        raise ValueError("say the zone of the time")
    if not YEARS[0] <= value.year < YEARS[1]:
        raise ValueError("nobody baked in that year")
    return value


class BakeToldIn(StrictIn):
    """What a baker says of a bake."""

    minutes: float = Field(gt=0, le=600)
    baked_at: datetime | None = Field(None, description="when it came out; nothing is now")
    how: HowSaid = ""
    top: TopSaid = ""
    change: str = Field("", max_length=500)
    note: str = Field("", max_length=1000)
    note_step: str = Field("", max_length=120)
    tags: list[Tag] = Field(default_factory=list, max_length=12)
    counted: CountedSaid = Field("", description="of one that was asked about: it was so, or "
                                 "something was different")
    height_cm: float | None = Field(None, gt=0, le=60)
    weight_g: float | None = Field(None, gt=0, le=50_000)
    dome_cm: float | None = Field(None, ge=0, le=30)
    oven_read_c: float | None = Field(None, ge=30, le=350)
    hot_after_min: float | None = Field(None, gt=0, le=120)
    batter_g_dl: float | None = Field(None, ge=10, le=200, description="grams of 100 ml of batter")

    @field_validator("baked_at")
    @classmethod
    def _when(cls, value: datetime | None) -> datetime | None:
        return None if value is None else a_moment(value)


class LogBakeIn(BakeToldIn):
    """A bake to enter: the fit it was baked by, and which of its pans."""

    request: Request
    entry: int = Field(0, ge=0, le=200)


class ChangeBakeIn(BakeToldIn):
    """A bake changed, from the version that was seen."""

    base: int = Field(ge=1, le=2**31 - 1)


class PhotoIn(StrictIn):
    """A picture, its bytes in base64."""

    picture: str = Field(min_length=8, max_length=11_000_000)


class PhotoOut(Out):
    """A photo that is kept."""

    width: int
    height: int


class BakeOut(Out):
    """A bake of the logbook: what was planned, and what happened."""

    id: int
    version: int
    recipe: int | None
    recipe_title: str
    revision: int
    oven: int | None
    oven_name: str
    pan: int | None
    pan_label: str
    count: int
    dial: str
    baked_at: datetime
    minutes: float
    how: HowSaid
    top: TopSaid
    change: str
    note: str
    note_step: str
    tags: list[str]
    counted: CountedSaid
    looks: int
    covered_min: float | None
    height_cm: float | None
    weight_g: float | None
    dome_cm: float | None
    oven_read_c: float | None
    hot_after_min: float | None
    batter_g_dl: float | None
    first_look_min: int
    early_min: int
    likely_min: int
    latest_min: int
    learnt_from: int = Field(description="bakes behind what was planned")
    photo: int | None = Field(description="its version, to ask for it by; nothing where there is "
                              "none")
    from_day: bool
    ask: str = Field(description="what is odd about it; empty where nothing is, or it was answered")
    damaged: bool = False


class AgainOut(Out):
    """Something that can be baked again: its fit, and which of its pans."""

    recipe: int
    recipe_title: str
    pan_label: str
    count: int
    oven_name: str
    likely_min: int
    request: Request
    entry: int


class BakesOut(Out):
    """Bakes, the newest first."""

    bakes: list[BakeOut]
    count: int = Field(description="all that were found")
    tags: list[str]


class DifferedOut(Out):
    """One thing that differed between two bakes."""

    what: str
    one: str
    other: str


class ComparedOut(Out):
    """Two bakes side by side."""

    one: BakeOut
    other: BakeOut
    differed: list[DifferedOut]
    words: str = Field(description="what to make of it; empty where there is nothing to say")


class ScoreOut(Out):
    """How far off something was, over the bakes that were right."""

    name: str
    median: float | None
    inside: float | None
    bakes: int


class PointOut(Out):
    """A bake among others: what it took over what the heat balance said, and its window then."""

    bake: int
    at: datetime
    took: float
    likely: float
    early: float
    latest: float
    how: HowDone


class LessonOut(Out):
    """What was taught of one oven, recipe or pan."""

    kind: Literal["oven", "recipe", "pan"]
    key: str
    name: str
    words: str
    shift: float = Field(description="share by which it takes longer")
    sd: float
    bakes: int
    window_before: float = Field(description="± of the window of its last bake with nothing learnt")
    window_now: float
    points: list[PointOut]


class QuantityOut(Out):
    """A number that was measured."""

    kind: str
    key: str
    name: str
    words: str
    value: float
    sd: float
    count: int


class SetBackOut(Out):
    """Something that was set back, and can count again."""

    kind: str
    key: str
    name: str
    at: datetime


class TaughtOut(Out):
    """What the logbook taught."""

    bakes: int
    counted: int
    scores: list[ScoreOut]
    lessons: list[LessonOut]
    quantities: list[QuantityOut]
    asked: list[BakeOut]
    set_back: list[SetBackOut]


class ForgetIn(StrictIn):
    """Something learnt to set back to the book's value, or to count again."""

    kind: Literal["oven", "recipe", "pan", "dial", "rise", "density", "bowl_loss", "bake_loss",
                  "preheat", "hands"]
    key: str = Field("", max_length=300)
    forget: bool = True


class ImportedOut(Out):
    """What a file brought."""

    added: int
    there: int = Field(description="bakes that were there already")
    refused: list[str]

