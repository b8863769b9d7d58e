"""Where a day stands, worked out from its sheet and its ticks: the same on every screen."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta
from enum import Enum

from entremet.core.running.events import Event, EventKind, in_force
from entremet.core.running.sheet import DayStep, RowTimes, RunSheet
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.work import Work


class Stand(Enum):
    """How a step stands."""

    WAITING = "waiting"
    READY = "ready"
    RUNNING = "running"
    OVER = "over"
    DONE = "done"


@dataclass(frozen=True, slots=True, kw_only=True)
class StepState:
    """A step as it stands.

    Parameters
    ----------
    step : DayStep
        Which.
    stand : Stand
        A bake is ``RUNNING`` from when it goes in to when it is taken out; what stands by itself is
        ``OVER`` when its time is up.
    ready_at : datetime or None
        When all it waits for is over; None while a step before it is not done.
    started, ended : datetime or None
        When it began and ended; the end of what stands by itself is when its time is up.
    look_at : datetime or None
        Of a bake: when to look next.
    looks : int
        How often it was looked at and was not done.
    covered, turned : datetime or None
        When.
    held : bool
        Put aside; others go first.
    hot : datetime or None
        Of an oven that was switched on: when the baker saw that it is hot.
    out : mapping of int to datetime
        Of a bake: when each row of pans came out, once it did.
    weighed, poured : mapping of int to float
        Grams by line, and by pan; 0 for what was done by hand.
    tick : str
        Id of the tick that last moved it, which can be taken back; empty for none.
    """

    step: DayStep
    stand: Stand
    ready_at: datetime | None = None
    started: datetime | None = None
    ended: datetime | None = None
    look_at: datetime | None = None
    looks: int = 0
    covered: datetime | None = None
    turned: datetime | None = None
    held: bool = False
    hot: datetime | None = None
    out: Mapping[int, datetime] = field(default_factory=dict)
    weighed: Mapping[int, float] = field(default_factory=dict)
    poured: Mapping[int, float] = field(default_factory=dict)
    tick: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class DayState:
    """A day as it stands at a moment.

    Parameters
    ----------
    at : datetime
        When.
    steps : tuple of StepState
        In the order of the sheet.
    late_until : datetime or None
        Until when hands said they are busy with something else.
    last_tick : str
        Id of the newest tick; empty for none.
    """

    at: datetime
    steps: tuple[StepState, ...]
    late_until: datetime | None = None
    last_tick: str = ""

    def of(self, name: WorkId) -> StepState | None:
        """Return a step as it stands."""
        return next((one for one in self.steps if one.step.id == name), None)

    def written(self, text: str) -> StepState | None:
        """Return a step by how its id is written, as a tick or a probe has it."""
        return next((one for one in self.steps if one.step.id.text == text), None)

    @property
    def finished(self) -> bool:
        """Whether all is done."""
        return all(one.stand is Stand.DONE for one in self.steps)


def state_of(sheet: RunSheet, events: Iterable[Event], at: datetime) -> DayState:
    """Return where a day stands.

    Parameters
    ----------
    sheet : RunSheet
        Its steps, each after those it waits for.
    events : iterable of Event
        Ticks in any order, some perhaps twice; one about no step of the sheet changes nothing.
    at : datetime
        Now.
    """
    ticks = in_force(events)
    by_step: dict[str, list[Event]] = {}
    for one in ticks:
        by_step.setdefault(one.step, []).append(one)
    known: dict[WorkId, StepState] = {}
    for step in sheet.steps:
        known[step.id] = _stands(step, by_step.get(step.id.text, []), known, at)
    late = [one.at + timedelta(minutes=one.amount) for one in ticks if one.kind is EventKind.LATE]
    return DayState(
        at=at, steps=tuple(known[step.id] for step in sheet.steps),
        late_until=max((one for one in late if one > at), default=None),
        last_tick=ticks[-1].id if ticks else "")


def _stands(step: DayStep, ticks: list[Event], known: Mapping[WorkId, StepState],
            at: datetime) -> StepState:
    ready = _ready_at(step, known)
    hot = _first(ticks, EventKind.HOT) if step.kind is WorkKind.HEAT else None
    done = next((one for one in ticks if one.kind is EventKind.DONE
                 or (hot is not None and one.kind is EventKind.HOT)), None)
    base = StepState(
        step=step, stand=Stand.WAITING, ready_at=ready, tick=ticks[-1].id if ticks else "",
        held=bool(ticks) and ticks[-1].kind is EventKind.HELD, hot=hot,
        weighed={one.place: one.amount for one in ticks if one.kind is EventKind.WEIGHED},
        poured={one.place: one.amount for one in ticks if one.kind is EventKind.POURED})
    if step.kind is WorkKind.BAKE:
        return _bake(base, ticks, at)
    if done is not None:
        begun = min(done.at, ready) if step.passive and ready is not None else done.at
        return replace(base, stand=Stand.DONE, started=begun, ended=done.at)
    if ready is None or at < ready:
        return base
    if step.passive:
        end = ready + timedelta(minutes=step.minutes)
        return replace(base, stand=Stand.RUNNING if at < end else Stand.OVER, started=ready,
                       ended=end)
    return replace(base, stand=Stand.READY)


def _bake(base: StepState, ticks: list[Event], at: datetime) -> StepState:
    """Return a bake: one tick puts it in, another that says done takes it out."""
    step = base.step
    put_in = next((one for one in ticks if one.kind is EventKind.PUT_IN), None)
    if put_in is None:
        ready = base.ready_at is not None and at >= base.ready_at
        return replace(base, stand=Stand.READY if ready else Stand.WAITING)
    started, times = put_in.at, step.bake
    after = [one for one in ticks if one.at >= started]
    looks = [one for one in after if one.kind in (EventKind.NOT_YET, EventKind.TOO_DARK)]
    out, ended = _out(after, () if times is None else times.rows)
    left = [] if times is None else [one for one in times.rows if one.row not in out]
    first = started + timedelta(minutes=step.minutes if times is None else min(
        (one.first_look_min for one in left), default=times.first_look_min))
    give = timedelta(minutes=3.0 if times is None else times.give_min)
    look, taken = first, max(out.values(), default=None)
    if looks and (taken is None or looks[-1].at > taken):
        look = looks[-1].at + give
    elif taken is not None:
        # Whoever took one out has just seen the others.
        look = max(first, taken + give)
    return replace(
        base, out=out, stand=Stand.RUNNING if ended is None else Stand.DONE, started=started,
        ended=ended, look_at=None if ended is not None else look,
        looks=sum(one.kind is EventKind.NOT_YET for one in looks),
        covered=_first(after, EventKind.COVERED, EventKind.TOO_DARK),
        turned=_first(after, EventKind.TURNED))


def _out(after: list[Event],
         rows: tuple[RowTimes, ...]) -> tuple[dict[int, datetime], datetime | None]:
    """Return when each row of a load came out, and when the last did; None while one is in."""
    there = {one.row for one in rows}
    out: dict[int, datetime] = {}
    for one in after:
        if one.kind is EventKind.OUT and one.place in there:
            out.setdefault(one.place, one.at)
    done = next((one.at for one in after if one.kind is EventKind.DONE), None)
    if done is None and there and len(out) == len(there):
        done = max(out.values())
    return out, done


def _first(ticks: list[Event], *kinds: EventKind) -> datetime | None:
    return next((one.at for one in ticks if one.kind in kinds), None)


def _ready_at(step: DayStep, known: Mapping[WorkId, StepState]) -> datetime | None:
    """Return when all is over that a step waits for; one that waits for nothing is always ready."""
    moments = []
    for wait in step.waits:
        before = known.get(wait.on)
        if before is None:
            continue
        # A pan that came out of its load before the others stands from then on.
        ended = (before.out.get(step.id.place, before.ended)
                 if step.kind is WorkKind.STAND else before.ended)
        if ended is None and wait.least_min < 0 and before.started is not None:
            # What is done for the next load is begun before this one comes out.
            times = before.step.bake
            ended = before.started + timedelta(
                minutes=before.step.minutes if times is None else times.first_look_min)
        if ended is None:
            return None
        # What is seen to be hot is waited for no longer.
        moments.append(before.hot or ended + timedelta(minutes=wait.least_min))
    return max(moments, default=_ALWAYS)


def on_since(one: StepState, waiting: Iterable[DayStep | Work]) -> datetime | None:
    """Return when an oven seen to be hot would have been switched on to be hot then; else None.

    Parameters
    ----------
    one : StepState
        A step.
    waiting : iterable of DayStep or Work
        Among them what waits for it to be hot.
    """
    if one.hot is None:
        return None
    return one.hot - timedelta(minutes=max(
        (wait.least_min for other in waiting for wait in other.waits if wait.on == one.step.id),
        default=0))


_ALWAYS = datetime.fromisoformat("2000-01-01T00:00:00+00:00")
