"""A book is made beside everything else: one at a time, told how far it is, kept until the next."""

from __future__ import annotations

import logging
from collections.abc import Callable
from dataclasses import dataclass
from threading import Lock, Thread

from django.db import connection

from entremet.core.book.book_pdf import SetBook
from entremet.core.ground.errors import CoreError
from entremet.kitchen.actions.books import BookAsked, cards_of, make_book
from entremet.kitchen.errors import NotHere

_log = logging.getLogger(__name__)


@dataclass(slots=True)
class Binding:
    """A book that is made or was made last.

    Parameters
    ----------
    title, paper : str
        As asked for.
    cards, steps, done : int
        How many cards, steps in all, and how many of them are done.
    made : SetBook or None
        Once it is there.
    failed : str
        Why it came to nothing; empty while it may.
    """

    title: str
    paper: str
    cards: int
    steps: int
    done: int = 0
    made: SetBook | None = None
    failed: str = ""


_lock = Lock()
_current: list[Binding] = []


def begin(asked: BookAsked) -> Binding:
    """Begin a book in place of the one before.

    Parameters
    ----------
    asked : BookAsked
        As asked for.

    Raises
    ------
    ImpossibleChoice
        When it cannot be made.
    """
    cards = len(cards_of(asked))
    binding = Binding(title=asked.title, paper=asked.paper, cards=cards, steps=2 * cards)
    with _lock:
        _current[:] = [binding]
    _beside(lambda: _bind(asked, binding))
    return binding


def current_book() -> Binding | None:
    """Return the book that is made, or was made last; None where none was since the start."""
    with _lock:
        return _current[0] if _current else None


def put_away() -> None:
    """Stop the book that is made, and let go of the one that is there."""
    with _lock:
        _current.clear()


def made_book() -> tuple[Binding, SetBook]:
    """Return the book that is there.

    Raises
    ------
    NotHere
        While there is none.
    """
    binding = current_book()
    if binding is None or binding.made is None:
        raise NotHere("There is no book yet: make one first.", field="book")
    return binding, binding.made


def _beside(work: Callable[[], None]) -> None:
    def run() -> None:
        try:
            work()
        finally:
            connection.close()

    Thread(target=run, daemon=True, name="book").start()


def _bind(asked: BookAsked, binding: Binding) -> None:
    def told(done: int) -> None:
        binding.done = done

    try:
        binding.made = make_book(asked, told, going_on=lambda: current_book() is binding)
    except CoreError as error:
        binding.failed = error.text
    except Exception:
        # Nobody waits for this thread: what it says is all that a baker can learn.
        _log.exception("a book came to nothing")
        binding.failed = ("The book could not be made, and nothing else is harmed. Try it with "
                          "fewer cards.")
