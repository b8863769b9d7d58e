"""What is done of orders whose day is under way, for a plan of what is left."""

from __future__ import annotations

import math
from collections.abc import Collection, Iterator, Mapping
from dataclasses import replace
from datetime import datetime

from entremet.core.running.state import Stand, StepState, on_since, state_of
from entremet.core.timetable.hours import minute_of
from entremet.core.timetable.model import Fix
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.work import Work
from entremet.kitchen.actions.day_log import events_of
from entremet.kitchen.actions.day_sheets import sheet_in
from entremet.kitchen.errors import Damaged
from entremet.kitchen.models import Day


def done_so_far(orders: Collection[int], works: Mapping[WorkId, Work], *,
                now: datetime) -> dict[WorkId, Fix]:
    """Return what was ticked of some orders, where and when it was done; what runs has its start.

    Parameters
    ----------
    orders : collection of int
        Ids of orders.
    works : mapping of WorkId to Work
        Their work as it is planned; a step of the day that is none of it counts for nothing.
    now : datetime
        The server's clock.
    """
    found: dict[WorkId, Fix] = {}
    for day in Day.objects.filter(ended_at=None):
        if not set(orders) & set(day.orders):
            continue
        try:
            state = state_of(sheet_in(day), events_of(day), now)
        except Damaged:
            continue
        for one in state.steps:
            found.update((name, Fix(start=start, done=True))
                         for name, start in _done(one, works) if name in works)
    return found


def _done(one: StepState, works: Mapping[WorkId, Work]) -> Iterator[tuple[WorkId, int]]:
    name = one.step.id
    if one.stand in (Stand.RUNNING, Stand.OVER) and one.started is not None:
        yield name, minute_of(one.started)
    if one.stand is not Stand.DONE or one.ended is None:
        return
    ended = minute_of(on_since(one, works.values()) or one.ended)
    if name.kind is WorkKind.BAKE:
        yield replace(name, kind=WorkKind.OUT), ended
    work = works.get(name)
    # What is taken out stands from then on; all else is over when it was ticked.
    took = 0 if work is None or name.kind is WorkKind.TAKE_OUT else math.ceil(work.minutes)
    yield name, ended - took
