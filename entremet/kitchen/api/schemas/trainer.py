"""The trainer: questions, what spoils a cake, a class."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from entremet.core.method.stages import StageKey
from entremet.core.plan.request import Request
from entremet.core.trainer.guess import Asks
from entremet.core.trainer.spoil import Turned
from entremet.kitchen.api.schemas.base import Out, StrictIn

Seed = Annotated[int, Field(ge=0, le=2**31 - 1)]


class GuessChoiceOut(Out):
    """An answer to choose."""

    text: str
    tells: str = Field(description="what somebody tends to who often chooses it; may be empty")
    stage: StageKey | None


class GuessOut(Out):
    """A question with its answer: the core holds exactly one right."""

    seed: int
    asks: Asks
    text: str
    choices: list[GuessChoiceOut]
    right: int = Field(description="place of the right one")
    reason: str
    request: Request | None = Field(description="the fit it is of; null for a stage or a mishap")


class SpoilIn(StrictIn):
    """A fit of one pan, and the number that is turned."""

    fit: Request
    turned: Turned


class OutcomeOut(Out):
    """One thing that comes of it: worked out, or known from practice."""

    text: str
    practice: bool


class SpoiltOut(Out):
    """A cake with one number turned."""

    turned: Turned
    name: str
    outcomes: list[OutcomeOut]
    request: Request = Field(description="the fit with the number turned")


class GroupIn(StrictIn):
    """A group of a class."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    fit: Request


class ClassIn(StrictIn):
    """A class: its groups, one recipe for all."""

    groups: Annotated[list[GroupIn], Field(min_length=1, max_length=12)]


class WeighedOut(Out):
    """A line of a group's sheet."""

    name: str
    shown: str


class GroupOut(Out):
    """The sheet of a group."""

    name: str
    pan: str
    oven: str
    look_min: int | None
    likely_min: int | None
    latest_min: int | None
    lines: list[WeighedOut]


class BoughtOut(Out):
    """A thing to get in for all groups."""

    name: str
    g: float | None


class ClassOut(Out):
    """The sheets of a class."""

    title: str
    groups: list[GroupOut]
    method: list[str]
    bought: list[BoughtOut]
    compare: list[str]
    caution: list[str]
