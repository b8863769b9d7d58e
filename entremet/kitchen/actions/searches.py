"""Searches under way: how each stands, and a way to stop it. Kept in memory, gone when done."""

from __future__ import annotations

from collections import deque
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from threading import Lock

from entremet.core.timetable.solver import Progress, Watch, go_on
from entremet.kitchen.errors import NotHere, TooManySearches

MOST_SEARCHES = 4
"""Searches at a time; each keeps a thread of the server busy."""


@dataclass(slots=True)
class _Search:
    latest: Progress
    stopped: bool = False


_running: dict[str, _Search] = {}
_stopped: deque[str] = deque(maxlen=64)
_lock = Lock()


@contextmanager
def search(key: str) -> Iterator[Watch]:
    """Run a search that can be looked at and stopped by its key; without a key it just runs.

    Raises
    ------
    TooManySearches
        When more run than the server bears.
    """
    if not key:
        yield go_on
        return
    own = _Search(latest=Progress(share=1.0, gap=None))
    with _lock:
        own.stopped = key in _stopped
        if len(_running) >= MOST_SEARCHES:
            raise TooManySearches("Several plans are being looked for already. Stop one, or "
                                  "try again in a moment.", field="search")
        _running[key] = own

    def watch(progress: Progress) -> bool:
        own.latest = progress
        return not own.stopped

    try:
        yield watch
    finally:
        with _lock:
            if _running.get(key) is own:
                del _running[key]


def progress_of(key: str) -> Progress:
    """Return how a search stands.

    Raises
    ------
    NotHere
        When none of that key runs.
    """
    return _search(key).latest


def stop_search(key: str) -> None:
    """Let a search end with the best it has, or as soon as it begins."""
    with _lock:
        _stopped.append(key)
        if key in _running:
            _running[key].stopped = True


def _search(key: str) -> _Search:
    with _lock:
        own = _running.get(key)
    if own is None:
        raise NotHere("This search has ended.", field="key")
    return own
