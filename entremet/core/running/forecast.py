"""What is left of a day, laid out forwards: when each order will be ready, and what is late."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta

from entremet.core.running.sheet import DayStep, RunSheet
from entremet.core.running.state import DayState, Stand, on_since
from entremet.core.work.ids import WorkId, WorkKind

SOON_MIN = 5
"""Less than this is neither late nor early."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Expected:
    """When an order will be ready.

    Parameters
    ----------
    order : str
        Which.
    ready : datetime
        As it goes now, one step after the other at its likely time.
    due : datetime or None
        When it is wanted.
    late_min : int
        Minutes past that; below zero is time in hand; 0 where nothing is due.
    """

    order: str
    ready: datetime
    due: datetime | None
    late_min: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Forecast:
    """How the rest of a day goes.

    Parameters
    ----------
    orders : tuple of Expected
        As they stand on the sheet.
    behind_min : int
        How far the next step is behind its plan; below zero is ahead, 0 without a plan.
    moved : tuple of (str, int)
        The next steps that move, with minutes.
    """

    orders: tuple[Expected, ...]
    behind_min: int
    moved: tuple[tuple[str, int], ...]


def forecast(sheet: RunSheet, day: DayState) -> Forecast:
    """Lay out what is left: one pair of hands, steps in their order, each as soon as it can be.

    Parameters
    ----------
    sheet : RunSheet
        The day.
    day : DayState
        As it stands.
    """
    ends: dict[WorkId, datetime] = {one.step.id: one.ended for one in day.steps
                                 if one.ended is not None and one.stand is Stand.DONE}
    for one in day.steps:
        since = on_since(one, sheet.steps)
        if since is not None:
            ends[one.step.id] = since
    starts: dict[WorkId, datetime] = {}
    hands = max(day.at, day.late_until or day.at)
    for one in day.steps:
        if one.stand is Stand.RUNNING and one.started is not None:
            likely = one.started + timedelta(minutes=one.step.minutes)
            ends[one.step.id] = max(day.at, one.look_at or likely, likely)
        elif one.stand is Stand.OVER and one.ended is not None:
            ends[one.step.id] = one.ended
    left = {one.step.id: one.step for one in day.steps if one.step.id not in ends}
    queue = _Queue(left)
    while left:
        step = queue.soonest(ends, hands)
        begin = _ready(step, ends, day.at)
        if not _alone(step):
            begin = max(begin, hands)
        end = begin + timedelta(minutes=step.minutes)
        starts[step.id], ends[step.id] = begin, end
        if not _alone(step):
            hands = end
        queue.done(step)
        del left[step.id]
    moved = [(step.words, round((starts[step.id] - step.planned).total_seconds() / 60))
             for step in sheet.steps
             if step.planned is not None and step.id in starts and not _alone(step)]
    return Forecast(
        orders=tuple(_expected(due.order, ends.get(due.last, day.at), due.at)
                     for due in sheet.dues),
        behind_min=moved[0][1] if moved and abs(moved[0][1]) >= SOON_MIN else 0,
        moved=tuple(one for one in moved if abs(one[1]) >= SOON_MIN)[:3])


class _Queue:
    """Steps that are left, and which of them wait for none that is."""

    def __init__(self, left: Mapping[WorkId, DayStep]) -> None:
        self._left, self._place = left, {name: place for place, name in enumerate(left)}
        self._waits = {name: sum(wait.on in left for wait in step.waits)
                       for name, step in left.items()}
        self._after: dict[WorkId, list[WorkId]] = {}
        for name, step in left.items():
            for wait in step.waits:
                self._after.setdefault(wait.on, []).append(name)
        self._free = [name for name, waits in self._waits.items() if not waits]

    def soonest(self, ends: Mapping[WorkId, datetime], hands: datetime) -> DayStep:
        """Return the step that hands can do soonest, of equals the first in order.

        Hands do not wait for a cake to cool while something else is to be done.
        """
        if not self._free:
            return next(iter(self._left.values()))
        return self._left[min(self._free, key=lambda name: (
            _ready(self._left[name], ends, hands), self._place[name]))]

    def done(self, step: DayStep) -> None:
        """Take a step off, and let go what waited for it alone."""
        self._waits.pop(step.id, None)
        if step.id in self._free:
            self._free.remove(step.id)
        for name in self._after.get(step.id, ()):
            if name in self._waits:
                self._waits[name] -= 1
                if not self._waits[name]:
                    self._free.append(name)


def _ready(step: DayStep, ends: Mapping[WorkId, datetime], at: datetime) -> datetime:
    return max([at, *(ends[wait.on] + timedelta(minutes=wait.least_min)
                      for wait in step.waits if wait.on in ends)])


def _alone(step: DayStep) -> bool:
    return step.passive or step.kind is WorkKind.BAKE


def _expected(order: str, ready: datetime, due: datetime | None) -> Expected:
    late = 0 if due is None else round((ready - due).total_seconds() / 60)
    return Expected(order=order, ready=ready, due=due, late_min=late)
