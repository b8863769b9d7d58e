"""The kitchen's book: as asked for, how far it is, what is in it."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from entremet.core.book.book_pdf import MOST_CARDS
from entremet.kitchen.actions.books import Beside
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas.base import Out, StrictIn

Paper = Literal["a5", "half-letter"]


class BookIn(StrictIn):
    """A book as it is asked for; no cards are all of them."""

    title: Annotated[str, Field(min_length=1, max_length=80)]
    recipes: list[Id] = Field(default=[], max_length=MOST_CARDS)
    paper: Paper = "a5"
    beside: Beside = Beside.LAST
    pan: Id | None = None


class LackingOut(Out):
    """A card with signs that the face of the book does not have."""

    title: str
    signs: str


class BookOut(Out):
    """The book that is made, or was made last."""

    title: str
    paper: str
    cards: int
    steps: int = Field(description="every card is worked out, then set")
    done: int
    ready: bool
    pages: int | None = Field(description="null until it is there")
    kb: int | None
    lacking: list[LackingOut]
    failed: str = Field(description="why it came to nothing; empty while it may")
