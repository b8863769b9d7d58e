"""Rows that cannot be shown as they are: they are shown as damaged, and never stop a list."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from typing import Any, TypeVar

from pydantic import BaseModel

from entremet.kitchen.errors import UNREADABLE

Row = TypeVar("Row")
Shown = TypeVar("Shown", bound=BaseModel)


def shown(rows: Iterable[Row], whole: Callable[[Row], Shown],
          damaged: Callable[[Row], Shown]) -> list[Shown]:
    """Return every row: whole, or as damaged where it cannot be shown whole."""
    return [one(row, whole, damaged) for row in rows]


def one(row: Row, whole: Callable[[Row], Shown], damaged: Callable[[Row], Shown]) -> Shown:
    """Return a row whole, or as damaged."""
    try:
        answer = whole(row)
        _check_texts(answer)
    except UNREADABLE:
        return damaged(row)
    return answer


def readable(words: object) -> str:
    """Return a text of which every sign can be shown; what cannot stands as a question mark."""
    return str(words).encode("utf-8", "replace").decode("utf-8") if words is not None else "?"


def _check_texts(answer: BaseModel) -> None:
    """Raise where a text of an answer, or of a list in it, cannot be sent."""
    for value in answer.__dict__.values():
        texts: Iterable[Any] = value if isinstance(value, list) else (value,)
        for text in texts:
            if isinstance(text, str):
                text.encode("utf-8")
