"""What was read from the database or worked out from it, kept for as long as nothing changed there.

The database itself says whether it changed: one connection of this module never writes, and its
``data_version`` moves with every commit of any other connection, of this program or another.
"""

from __future__ import annotations

import sqlite3
from collections import OrderedDict
from collections.abc import Callable, Hashable, Iterator, Mapping
from contextlib import contextmanager
from contextvars import ContextVar
from threading import Lock
from typing import Any, TypeVar, cast

from django.db import connection

MOST_KEPT = 256

_Kept = TypeVar("_Kept")


class _Watch:
    """The connection that never writes, and what is kept under the version it saw last."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._name = ""
        self._open: sqlite3.Connection | None = None
        self._version: int | None = None
        self._kept: OrderedDict[Hashable, Any] = OrderedDict()

    def version(self) -> int | None:
        """Return the version of what is stored; None where it cannot be known."""
        name = str(connection.settings_dict["NAME"])
        with self._lock:
            try:
                if self._open is None or name != self._name:
                    self._kept.clear()
                    self._name, self._version = name, None
                    self._open = sqlite3.connect(name, uri=name.startswith("file:"), timeout=0.1,
                                                 check_same_thread=False)
                now: int = self._open.execute("PRAGMA data_version").fetchone()[0]
            except sqlite3.Error:
                self._open = None
                return None
            if now != self._version:
                self._kept.clear()
                self._version = now
            return now

    def find(self, key: Hashable) -> Any | None:
        with self._lock:
            found = self._kept.get(key)
            if found is not None:
                self._kept.move_to_end(key)
            return found

    def keep(self, key: Hashable, value: Any, version: int) -> None:
        with self._lock:
            if version == self._version:
                self._kept[key] = value
                if len(self._kept) > MOST_KEPT:
                    self._kept.popitem(last=False)

    def forget(self) -> None:
        with self._lock:
            if self._open is not None:
                self._open.close()
            self._open = None


_watch = _Watch()


def current(key: Hashable, work: Callable[[], _Kept]) -> _Kept:
    """Return what work gives, or gave while the database has been as it is now.

    Parameters
    ----------
    key : hashable
        Names the work with everything it depends on beside the database.
    work : callable
        Gives something that nobody changes, never None.

    Notes
    -----
    Inside a transaction nothing is kept: what it sees is not there for anybody else yet.
    """
    return once(key, lambda: _current(key, work))


@contextmanager
def at_one_moment() -> Iterator[None]:
    """Read each thing once, for an answer that many rows go into; nothing is written inside."""
    if _moment.get() is not None:
        yield
        return
    token = _moment.set({})
    try:
        yield
    finally:
        _moment.reset(token)


def once(key: Hashable, work: Callable[[], _Kept]) -> _Kept:
    """Return what work gives, or gave before :func:`at_one_moment`; without one anew each time."""
    moment = _moment.get()
    if moment is None:
        return work()
    if key not in moment:
        moment[key] = work()
    return cast(_Kept, moment[key])


def known(found: Mapping[Hashable, Any]) -> None:
    """Let :func:`once` find what was read together; without a moment nothing is kept."""
    moment = _moment.get()
    if moment is not None:
        moment.update(found)


_moment: ContextVar[dict[Hashable, Any] | None] = ContextVar("moment", default=None)


def _current(key: Hashable, work: Callable[[], _Kept]) -> _Kept:
    version = None if connection.in_atomic_block else _watch.version()
    if version is None:
        return work()
    found = _watch.find(key)
    if found is None:
        found = work()
        _watch.keep(key, found, version)
    return cast(_Kept, found)


def forget() -> None:
    """Let go of the database, for a file that is put in its place."""
    _watch.forget()
