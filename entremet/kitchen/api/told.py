"""What screens are told of one thing, worked out once for all of them."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from dataclasses import dataclass, field
from threading import Lock
from time import monotonic
from typing import NamedTuple

from pydantic import BaseModel

from entremet.kitchen.actions.news import Of, news_of

FRESH_S = 1.0
"""A day moves by itself: what is older than this is worked out anew for who asks."""
MOST_KEPT = 32


class ToldEvent(NamedTuple):
    """A named event as it goes out, and what of it says whether it changed."""

    name: str
    gist: str
    text: str


Answer = Callable[[], list[tuple[str, BaseModel]]]


@dataclass(slots=True)
class _Told:
    lock: Lock = field(default_factory=Lock)
    number: int = -1
    until: float = 0.0
    events: list[ToldEvent] = field(default_factory=list)


_told: dict[Hashable, _Told] = {}
_lock = Lock()


def told(key: Hashable, of: Of, answer: Answer) -> list[ToldEvent]:
    """Return what an answer says, or said to another screen since the last news of its kind.

    Parameters
    ----------
    key : hashable
        Names what it is about.
    of : str
        Which news change it.
    answer : callable
        Events by name with what they say; asked by one screen at a time.
    """
    with _lock:
        if len(_told) >= MOST_KEPT and key not in _told:
            _told.clear()
        kept = _told.setdefault(key, _Told())
    with kept.lock:
        number = news_of(of)
        if kept.number != number or monotonic() > kept.until:
            kept.events = [ToldEvent(name, one.model_dump_json(exclude={"now"}),
                                     one.model_dump_json())
                           for name, one in answer()]
            kept.number, kept.until = number, monotonic() + FRESH_S
        return kept.events


def forget() -> None:
    """Let go of all that was told, for a kitchen that is put in the place of another."""
    with _lock:
        _told.clear()
