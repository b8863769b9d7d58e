"""The larder of leftovers."""

from __future__ import annotations

from datetime import date

from pydantic import Field

from entremet.core.keeping.leftovers import Stands
from entremet.kitchen.api.schemas.base import Out, StrictIn
from entremet.kitchen.api.schemas.labels import Day


class LeftoverRowIn(StrictIn):
    """Something left over; the usual place and today where nothing is said."""

    name: str = Field(min_length=1, max_length=120)
    g: float
    since: Day | None = None
    stands: Stands | None = None


class ChangedLeftoverIn(StrictIn):
    """A leftover changed from the version that was read."""

    g: float
    since: Day | None = None
    stands: Stands
    base: int


class GoneIn(StrictIn):
    """Whether it is gone."""

    gone: bool


class TakenUpOut(Out):
    """A recipe that would take a leftover."""

    id: int
    title: str


class LeftoverRowOut(Out):
    """A leftover with how long it keeps."""

    id: int
    name: str
    kind: str
    g: float
    since: date | None
    stands: Stands
    places: list[Stands] = Field(description="where it may stand")
    until: date | None
    left_days: int | None = Field(description="below 0 it is past them")
    words: str
    recipes: list[TakenUpOut]
    version: int
