"""The card as a document: our own JSON, stored and exported, checked when it comes in."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, TypeAdapter, ValidationError

from entremet.core.card.card import Card
from entremet.core.ground.errors import UnreadableRecipe

FORMAT: Literal["entremet-card"] = "entremet-card"


class CardDocument(BaseModel):
    """Our own JSON of one card; unknown fields and numbers that are none are refused."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    format: Literal["entremet-card"] = FORMAT
    version: Literal[1] = 1
    card: Card


_CARD = TypeAdapter(Card)


def stored(card: Card) -> dict[str, Any]:
    """Return a card as the database keeps it."""
    document: dict[str, Any] = _CARD.dump_python(card, mode="json")
    return document


def card_from_stored(document: dict[str, Any]) -> Card:
    """Return the card of a stored document."""
    return _CARD.validate_python(document, strict=False)


def to_own_json(card: Card) -> str:
    """Return a card as our own JSON, loss-free."""
    return CardDocument(card=card).model_dump_json(indent=2) + "\n"


def from_own_json(text: str) -> Card:
    """Read our own JSON.

    Raises
    ------
    UnreadableRecipe
        Naming the first fields that are wrong.
    CoreError
        When the card contradicts itself in its structure.
    """
    try:
        return CardDocument.model_validate_json(text).card
    except ValidationError as error:
        wrong = [f"{'.'.join(str(part) for part in one['loc']) or 'the file'}: {one['msg']}"
                 for one in error.errors()[:3]]
        raise UnreadableRecipe(f"This is not a card that can be read. {'; '.join(wrong)}.",
                               field="text") from error
