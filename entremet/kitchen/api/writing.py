"""Writes are kept one after the other, and only with an answer that could be sent."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import wraps
from threading import RLock
from typing import Any

from django.db import transaction
from django.http import HttpRequest, HttpResponse
from ninja.decorators import decorate_view

from entremet.kitchen.actions import changes
from entremet.kitchen.api.problems import STATUS, problem_response
from entremet.kitchen.errors import Busy

PATIENCE_S = 20.0
"""How long a write waits for those before it: a plan of many orders takes a few seconds."""

TOUCHED = "Kitchen-Touched"
"""Says with what is written which topics it touched, and the number of that."""

_Run = Callable[..., HttpResponse]
_turn = RLock()


@contextmanager
def one_turn() -> Iterator[None]:
    """Hold the kitchen's file when those before are done: screens queue here, not at the file.

    SQLite lets one connection write and has the others try again by chance, some for too long.

    Raises
    ------
    Busy
        When they take longer than anybody waits.
    """
    if not _turn.acquire(timeout=PATIENCE_S):
        raise Busy("Other screens are writing just now. Nothing was kept; what you typed is still "
                   "here. Try again in a moment.")
    try:
        yield
    finally:
        _turn.release()


class Touched:
    """Which topics a write touched, and once it is kept the number of that."""

    def __init__(self, topics: set[changes.Topic]) -> None:
        self.topics, self.number = topics, 0

    def said_in(self, response: HttpResponse) -> HttpResponse:
        """Say it in the answer, so that the screen asks anew what rests on it."""
        if self.topics:
            told = " ".join(sorted(one.value for one in self.topics))
            response.headers[TOUCHED] = f"{self.number} {told}"
        return response


@contextmanager
def one_write() -> Iterator[Touched]:
    """Write in a turn of one's own, all or nothing; what it touched is told when it is kept.

    Raises
    ------
    Busy
        As one_turn.
    """
    with one_turn(), changes.watched() as topics:
        touched = Touched(topics)
        with transaction.atomic():
            yield touched
        if topics:
            touched.number = changes.tell(topics)


def kept_as_file(response: HttpResponse, *topics: changes.Topic) -> None:
    """Say in the answer what was touched where no table is written to."""
    touched = Touched(set(topics))
    touched.number = changes.tell(topics)
    touched.said_in(response)


def _in_one_piece(run: _Run) -> _Run:
    """Build the whole answer inside the transaction: without an answer nothing is kept."""
    @wraps(run)
    def whole(request: HttpRequest, **given: Any) -> HttpResponse:
        try:
            with one_write() as touched:
                response = run(request, **given)
                if response.status_code >= 400:
                    transaction.set_rollback(True)
                    touched.topics.clear()
            return touched.said_in(response)
        except Busy as error:
            return problem_response(STATUS[Busy], Busy.code, error.text)
    return whole


writes = decorate_view(_in_one_piece)
"""Marks an operation that keeps something."""
