"""A card that comes in: true and false are no numbers, wherever they stand."""

from __future__ import annotations

from dataclasses import fields, is_dataclass
from typing import Annotated, Any, get_args, get_type_hints

from pydantic import BeforeValidator

from entremet.core.card.card import Card, CardLine
from entremet.core.card.finish import Finishing


def _truths(kind: Any) -> set[str]:
    """Return the names of all fields below a kind that hold true or false."""
    if kind is Finishing:
        # It is the same as a fit's, and looks at its own truths.
        return set()
    if not is_dataclass(kind):
        return {name for one in get_args(kind) for name in _truths(one)}
    hints = get_type_hints(kind)
    return {one.name for one in fields(kind) if hints[one.name] is bool} | {
        name for one in fields(kind) for name in _truths(hints[one.name])}


TRUTHS = frozenset(_truths(Card))


def _no_truth_for_a_number(card: Any) -> Any:
    """Refuse true and false where a number or words are due, and the reverse.

    The reader of bodies takes true for 1 otherwise.
    """
    waiting: list[tuple[str, Any]] = [("", card)]
    while waiting:
        place, value = waiting.pop()
        truth = place.rpartition(".")[2] in TRUTHS
        if isinstance(value, bool) and not truth:
            raise ValueError(f"{place} holds true or false where a number or words are due")
        if truth and not isinstance(value, bool):
            raise ValueError(f"{place} is true or false")
        if place == "finish" and isinstance(value, dict):
            continue
        rows = value.items() if isinstance(value, dict) else enumerate(
            value) if isinstance(value, list) else ()
        waiting += [(f"{place}.{name}" if place else str(name), below) for name, below in rows]
    return card


CardIn = Annotated[Card, BeforeValidator(_no_truth_for_a_number)]
LineIn = Annotated[CardLine, BeforeValidator(_no_truth_for_a_number)]
