"""Recipes in and out."""

from __future__ import annotations

from datetime import datetime

from pydantic import BaseModel, Field

from entremet.core.card.card import Card
from entremet.core.card.finish import Finishing
from entremet.kitchen.actions.exporting import Format
from entremet.kitchen.actions.recipes import SortBy
from entremet.kitchen.api.schemas.base import Out, StrictIn
from entremet.kitchen.api.schemas.card_in import CardIn
from entremet.kitchen.api.schemas.pans import DrawingOut


class RowPanOut(Out):
    """A pan a recipe is written for, drawn in a list."""

    label: str
    count: int
    wells: int
    drawing: DrawingOut | None


class RecipeRowOut(Out):
    """A recipe in a list."""

    id: int
    title: str
    style: str = Field(description="empty where the card names none")
    written_for: str
    pans: list[RowPanOut]
    oven: str
    time: str
    note: str
    tags: list[str]
    feeds: int | None = Field(default=None, description="servings as written")
    hands_min: int | None = Field(default=None, description="busy hands, in its own pans; practice")
    all_min: int | None = Field(default=None, description="from first to last, in its own pans")
    last_baked: datetime | None = Field(default=None, description="by the logbook")
    uses_up: list[str] = Field(default=[], description="what is left over that it would take")
    revision: int = Field(description="the newest")
    changed_at: datetime
    archived: bool
    damaged: bool = False


class RecipeListOut(Out):
    """A page of recipes, and the tags in use."""

    rows: list[RecipeRowOut]
    total: int
    tags: list[str]


class RecipeOut(Out):
    """A whole card in one of its revisions."""

    row: RecipeRowOut
    revision: int
    card: Card


class WishIn(BaseModel):
    """What is looked for in the box of recipes."""

    search: str = Field(default="", max_length=200)
    tag: str = Field(default="", max_length=60)
    archived: bool = False
    feeds: int | None = Field(default=None, ge=1, le=5000, description="at least so many")
    hands_min: int | None = Field(default=None, ge=1, le=100_000, description="at most")
    all_min: int | None = Field(default=None, ge=1, le=100_000, description="at most")
    uses_up: bool = Field(default=False, description="only what takes something left over")
    sort: SortBy = SortBy.KITCHEN
    offset: int = Field(default=0, ge=0, le=1_000_000)
    limit: int = Field(default=60, ge=1, le=200)


class NewRecipeIn(StrictIn):
    """A card to keep."""

    card: CardIn
    imported: bool = False


class EditRecipeIn(StrictIn):
    """A card as edited, and the revision it was edited from."""

    card: CardIn
    base: int = Field(ge=1, le=2**31 - 1)


class SettleFinishIn(StrictIn):
    """How a card's own cakes are finished, and the revision it was settled from."""

    finish: Finishing | None = Field(description="null goes by its method again")
    base: int = Field(ge=1, le=2**31 - 1)


class ArchiveIn(StrictIn):
    """Whether a recipe is put away."""

    archived: bool


class RestoreIn(StrictIn):
    """A revision to bring back, and the newest one known."""

    revision: int = Field(ge=1, le=2**31 - 1)
    base: int = Field(ge=1, le=2**31 - 1)


class RevisionOut(Out):
    """A revision in a list."""

    number: int
    made: str
    of: int | None
    saved_at: datetime
    title: str


class ExportOut(Out):
    """A file to save, and what its format could not hold."""

    format: Format
    file_name: str
    media_type: str
    text: str
    losses: list[str]
