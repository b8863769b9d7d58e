"""A message that orders something, and what it says."""

from __future__ import annotations

from datetime import datetime

from pydantic import Field

from entremet.kitchen.api.schemas.base import Out, StrictIn


class MessageIn(StrictIn):
    """A message in which somebody orders something."""

    text: str = Field(min_length=1, max_length=4000)


class MessageOut(Out):
    """What a message says; null and empty where it does not. Nothing is kept."""

    due: datetime | None
    recipe: int | None
    title: str = Field(description="of that recipe; empty for none")
    eaters: int | None
    pieces: int | None
    cakes: int | None
    inscription: str
    driven: bool | None = Field(description="whether it is brought or collected")
    questions: list[str] = Field(description="what was assumed, then what it does not say")
