"""What runs beside the hands, and when it calls."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import Enum

from entremet.core.baking.window import Window
from entremet.core.running.sheet import DayStep
from entremet.core.running.state import DayState, Stand, StepState
from entremet.core.work.ids import WorkId, WorkKind


class TimerKind(Enum):
    """What a timer is about."""

    PREHEAT = "preheat"
    TURN = "turn"
    COVER = "cover"
    FIRST_LOOK = "first_look"
    LOOK_AGAIN = "look_again"
    LIKELY = "likely"
    LATEST = "latest"
    OUT_OF_PAN = "out_of_pan"
    COLD = "cold"
    CHILLED = "chilled"
    READY = "ready"


CALLS = frozenset({TimerKind.PREHEAT, TimerKind.TURN, TimerKind.COVER, TimerKind.FIRST_LOOK,
                   TimerKind.LOOK_AGAIN, TimerKind.LATEST, TimerKind.OUT_OF_PAN, TimerKind.COLD,
                   TimerKind.CHILLED, TimerKind.READY})
"""Those that sound; the likely time is only shown, a sign ends a bake."""

WORDS = {TimerKind.PREHEAT: "Hot enough", TimerKind.TURN: "Turn the pans",
         TimerKind.COVER: "Cover loosely", TimerKind.FIRST_LOOK: "First look",
         TimerKind.LOOK_AGAIN: "Look again", TimerKind.LIKELY: "Likely done",
         TimerKind.LATEST: "No later than", TimerKind.OUT_OF_PAN: "Out of the pan",
         TimerKind.COLD: "Cold enough", TimerKind.CHILLED: "Chilled", TimerKind.READY: "Ready"}

PAST_MIN = 60
"""What cooled, chilled or settled is told of for so long; a cake in its pan until it is out."""

NO_PROBE: Mapping[WorkId, Window] = {}


@dataclass(frozen=True, slots=True, kw_only=True)
class Timer:
    """One timer.

    Parameters
    ----------
    key : str
        Names it; the same while what it is about does not change.
    kind : TimerKind
        What it is about.
    step : DayStep
        Whose.
    words : str
        For the baker.
    at : datetime
        When it calls.
    since : datetime
        From when it counts.
    calls, loud : bool
        Whether it sounds, and whether it goes on until it is answered.
    """

    key: str
    kind: TimerKind
    step: DayStep
    words: str
    at: datetime
    since: datetime
    calls: bool
    loud: bool


def timers_of(day: DayState, probed: Mapping[WorkId, Window] = NO_PROBE) -> list[Timer]:
    """Return the timers of a day, the soonest first; of what is over and not answered too.

    Parameters
    ----------
    day : DayState
        As it stands.
    probed : mapping of WorkId to Window
        Windows narrowed by a probe, by the id of the bake. First looks stay as planned: a sign
        ends a bake, never a probe.
    """
    found: list[Timer] = []
    for one in day.steps:
        if one.step.kind is WorkKind.BAKE and one.stand is Stand.RUNNING:
            found += _bake(one, probed.get(one.step.id))
        elif one.step.kind is WorkKind.HEAT and one.stand is Stand.DONE:
            found += _preheat(one, day)
        elif one.step.passive and one.stand in (Stand.RUNNING, Stand.OVER):
            found += _stands(one, day)
        elif one.stand is Stand.WAITING and one.step.kind is not WorkKind.BAKE:
            found += _ready(one, day)
    return sorted(found, key=lambda timer: (timer.at, timer.key))


def _timer(one: StepState, kind: TimerKind, at: datetime, *, loud: bool = False,
           turn: int = 0) -> Timer:
    assert one.started is not None
    return Timer(key=f"{one.step.id.text}:{kind.value}:{turn}", kind=kind, step=one.step,
                 words=WORDS[kind], at=at, since=one.started, calls=kind in CALLS, loud=loud)


def _bake(one: StepState, probed: Window | None) -> list[Timer]:
    times, start = one.step.bake, one.started
    if times is None or start is None or one.look_at is None:
        return []
    # Of unlike pans the soonest that is still in; a probe sits in the slowest.
    left = [row for row in times.rows if row.row not in one.out]
    soonest = left[0] if len(left) > 1 or (left and probed is None) else None
    after = {TimerKind.LIKELY: times.likely_min if probed is None else probed.likely_min,
             TimerKind.LATEST: times.latest_min if probed is None else probed.latest_min}
    if soonest is not None:
        after = {TimerKind.LIKELY: soonest.likely_min, TimerKind.LATEST: soonest.latest_min}
    found = [_timer(one, kind, start + timedelta(minutes=minutes), loud=kind is TimerKind.LATEST,
                    turn=len(one.out))
             for kind, minutes in after.items()]
    if times.turn_min is not None and one.turned is None:
        found.append(_timer(one, TimerKind.TURN, start + timedelta(minutes=times.turn_min)))
    if times.cover_min is not None and one.covered is None:
        found.append(_timer(one, TimerKind.COVER, start + timedelta(minutes=times.cover_min)))
    kind = TimerKind.LOOK_AGAIN if one.looks else TimerKind.FIRST_LOOK
    return [*found, _timer(one, kind, one.look_at, turn=one.looks + len(one.out))]


def _preheat(one: StepState, day: DayState) -> list[Timer]:
    """Return when an oven is hot, until something is in it."""
    for other in day.steps:
        wait = next((wait for wait in other.step.waits if wait.on == one.step.id), None)
        if other.step.kind is WorkKind.BAKE and wait and one.ended is not None:
            if other.started is not None or one.hot is not None:
                return []
            return [_timer(one, TimerKind.PREHEAT,
                           one.ended + timedelta(minutes=wait.least_min))]
    return []


def _ready(one: StepState, day: DayState) -> list[Timer]:
    """Return the timer of what hands wait for though all before it is done: a ganache that sets."""
    before = [day.of(wait.on) for wait in one.step.waits]
    ends = [state.ended for state in before if state is not None and state.ended is not None
            and state.stand is Stand.DONE]
    if one.ready_at is None or len(ends) < len(before) or one.ready_at <= day.at:
        return []
    return [Timer(key=f"{one.step.id.text}:ready:0", kind=TimerKind.READY, step=one.step,
                  words=WORDS[TimerKind.READY], at=one.ready_at, since=max(ends), calls=True,
                  loud=False)]


_OF_KIND = {WorkKind.STAND: TimerKind.OUT_OF_PAN, WorkKind.COOL: TimerKind.COLD,
            WorkKind.CHILL: TimerKind.CHILLED, WorkKind.WAIT: TimerKind.READY}


def _stands(one: StepState, day: DayState) -> list[Timer]:
    """Return the timer of what stands by itself, until something that waits for it is done."""
    followers = [other for other in day.steps
                 if any(wait.on == one.step.id for wait in other.step.waits)]
    if one.ended is None or (followers and all(other.stand is Stand.DONE for other in followers)):
        return []
    if one.step.kind is not WorkKind.STAND and day.at - one.ended > timedelta(minutes=PAST_MIN):
        # Cold since last night: nobody need be told any more.
        return []
    return [_timer(one, _OF_KIND[one.step.kind], one.ended, loud=one.step.loud)]
