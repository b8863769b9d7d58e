"""What was ticked on the days that are looked at: read once, then only what is new of it."""

from __future__ import annotations

from collections import OrderedDict
from threading import Lock

from django.db import transaction

from entremet.core.running.events import Event, EventKind
from entremet.kitchen.models import Day

MOST_KEPT = 8
"""Days whose ticks are kept in memory."""

_READ = ("pk", "key", "kind", "step", "at", "place", "amount")
_Log = tuple[int, list[Event]]
"""The number of the newest row, and all events up to it."""

_kept: OrderedDict[int, _Log] = OrderedDict()
_lock = Lock()


def events_of(day: Day) -> list[Event]:
    """Return what was ticked on a day, as it arrived.

    Ticks are only ever added, so the newest that is known has to be there still; where it is not,
    by a copy that was brought back, all are read anew. What is read inside a transaction is kept
    when it is committed.
    """
    with _lock:
        last, known = _kept.get(day.pk, (0, []))
    rows = list(day.ticks.filter(pk__gte=last).order_by("pk").values_list(*_READ))
    if known:
        if rows and rows[0][1] == known[-1].id and rows[0][4] == known[-1].at:
            rows = rows[1:]
        else:
            last, known = 0, []
            rows = list(day.ticks.order_by("pk").values_list(*_READ))
    if not rows:
        return known
    log = [*known, *(Event(id=key, kind=EventKind(kind), step=step, at=at, place=place,
                           amount=amount) for _, key, kind, step, at, place, amount in rows)]
    transaction.on_commit(lambda: _keep(day.pk, (rows[-1][0], log)))
    return log


def most_known(day: Day) -> int:
    """Return how many ticks of a day are known at least, without asking anew."""
    with _lock:
        return len(_kept.get(day.pk, (0, []))[1])


def _keep(day_id: int, log: _Log) -> None:
    with _lock:
        if log[0] >= _kept.get(day_id, (0, []))[0]:
            _kept[day_id] = log
            _kept.move_to_end(day_id)
        if len(_kept) > MOST_KEPT:
            _kept.popitem(last=False)


def forget() -> None:
    """Let go of what is known, for a kitchen that is put in the place of another."""
    with _lock:
        _kept.clear()
