"""A day as it changes, sent to whoever looks on: server-sent events, in threads of their own."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from threading import Lock
from time import monotonic, sleep

from django.http import StreamingHttpResponse

from entremet.kitchen.actions.news import closing, news, wait_for_news
from entremet.kitchen.api.habits import said_here
from entremet.kitchen.api.told import ToldEvent

MOST_STREAMS = 20
"""Screens that look on at once. One more is answered once and asks again after two seconds."""

BEAT_S, LEAST_S, LONGEST_S = 5.0, 0.1, 1800.0
"""A sign of life at least so often; news at most so often; then the screen asks anew."""

_open = 0
_lock = Lock()


def streamed(answer: Callable[[], list[ToldEvent]],
             allowed: Callable[[], bool]) -> StreamingHttpResponse:
    """Return what an answer says now and whenever there is news, each event once.

    Parameters
    ----------
    answer : callable
        Events with what they say; in a name after a dash stands which of several of one kind.
    allowed : callable
        Whether the screen may still look on; asked at every sign of life.
    """
    response = StreamingHttpResponse(_events(answer, allowed), content_type="text/event-stream")
    response.headers["Cache-Control"] = "no-store"
    return response


def streams_open() -> int:
    """Return how many screens look on."""
    return _open


def _come_in() -> bool:
    global _open
    with _lock:
        if _open >= MOST_STREAMS:
            return False
        _open += 1
        return True


def _events(answer: Callable[[], list[ToldEvent]],
            allowed: Callable[[], bool]) -> Iterator[bytes]:
    global _open
    sent: dict[str, str] = {}
    # Counted from the first event: an answer that nobody reads takes no place.
    stays, until = _come_in(), monotonic() + LONGEST_S
    try:
        yield b"retry: 2000\n\n"
        while True:
            seen = news()
            if not allowed():
                return
            for name, gist, text in answer():
                if sent.get(name) != gist:
                    sent[name] = gist
                    yield said_here(f"event: {name.split('-')[0]}\ndata: {text}\n\n".encode())
            if not stays or closing() or monotonic() > until:
                return
            yield b": here\n\n"
            if wait_for_news(seen, BEAT_S) != seen:
                sleep(LEAST_S)
            if closing():
                return
    finally:
        if stays:
            with _lock:
                _open -= 1
