"""What to do now, and the next two: what cannot wait first, then the order of the day."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from entremet.core.ground.findings import Finding, warn
from entremet.core.running.state import DayState, Stand, StepState
from entremet.core.running.still_hot import taken_by_another_heat
from entremet.core.work.ids import WorkId, WorkKind

NOT_LEFT = frozenset({WorkKind.MIX, WorkKind.FILL})
"""Steps that are finished before a call is answered: batter in the bowl waits for nobody."""

NEXT = 2


class Act(Enum):
    """What the big half asks for."""

    DO = "do"
    PUT_IN = "put_in"
    LOOK = "look"
    TURN_OUT = "turn_out"
    WAIT = "wait"
    END = "end"


@dataclass(frozen=True, slots=True, kw_only=True)
class Lead:
    """What leads.

    Parameters
    ----------
    act : Act
        What is asked.
    now : StepState or None
        The step it is about; None where nothing can be done until a timer calls, or all is done.
    finish_first : StepState or None
        What to finish before a call is answered.
    next : tuple of StepState
        What comes after.
    """

    act: Act
    now: StepState | None
    finish_first: StepState | None = None
    next: tuple[StepState, ...] = ()


def lead_of(day: DayState) -> Lead:
    """Return what to do now.

    Parameters
    ----------
    day : DayState
        As it stands.
    """
    if day.finished:
        return Lead(act=Act.END, now=None)
    passed, unasked = _passed(day), unasked_in(day)
    hands = [one for one in day.steps if one.stand is Stand.READY and not one.step.passive
             and one.step.id not in unasked]
    hands.sort(key=lambda one: one.held)
    calls = _calls(day)
    others = [one for one in hands if one not in calls]
    queue = [*calls, *others]
    later = [one for one in day.steps if one.stand is Stand.WAITING and not one.step.passive]
    following = [*queue[1:], *later][:NEXT]
    if not queue:
        if all(one.stand is Stand.DONE or (one.step.passive and one.stand is Stand.OVER)
               or (one.stand is Stand.READY and one.step.id in passed) for one in day.steps):
            return Lead(act=Act.END, now=None)
        return Lead(act=Act.WAIT, now=None, next=tuple(later[:NEXT]))
    now = queue[0]
    # What led before the call came is what hands are busy with.
    busy = others[0] if calls and others and others[0].step.kind in NOT_LEFT else None
    return Lead(act=_act(now), now=now, next=tuple(following),
                finish_first=busy)


def unasked_in(day: DayState) -> set[WorkId]:
    """Return the steps that could be done and are not asked for, on any screen.

    Those that were passed by, and an oven that another cake is in at another heat.
    """
    return _passed(day) | {one.step.id for one in day.steps if taken_by_another_heat(day, one)}


def _passed(day: DayState) -> set[WorkId]:
    """Return the steps that nobody ticked though what waits for them is done or in the oven.

    They are not asked for any more: an oven that a cake is in was switched on. They stay open among
    all steps, where they can be ticked. A bake is never passed by: the next load is filled before
    it comes out.
    """
    return {wait.on for one in day.steps
            if one.stand is Stand.DONE or (one.step.kind is WorkKind.BAKE
                                           and one.stand is Stand.RUNNING)
            for wait in one.step.waits if wait.least_min >= 0 and wait.on.kind is not WorkKind.BAKE}


def overdue(day: DayState) -> list[Finding]:
    """Return what has waited longer than it may: batter in its pans, a cake in its pan.

    Parameters
    ----------
    day : DayState
        As it stands.
    """
    said = []
    for one in day.steps:
        late = [] if one.stand is not Stand.READY else [
            (wait, waited) for wait in one.step.waits
            if wait.most_min is not None and (before := day.of(wait.on)) is not None
            and before.ended is not None
            and (waited := (day.at - before.ended).total_seconds() / 60) > wait.most_min]
        if late:
            # Of several bounds the tightest is told.
            wait, waited = min(late, key=lambda pair: pair[0].most_min or 0)
            why = f": {wait.why}" if wait.why else ""
            said.append(warn(
                "waited_too_long", f"{one.step.words} has waited for {waited:.0f} min; "
                f"{wait.most_min} at most{why}.", subject=one.step.id.text,
                hint="Do it now, or see what it has done to it."))
    return said


def _act(one: StepState) -> Act:
    if one.step.kind is WorkKind.BAKE:
        return Act.LOOK if one.stand is Stand.RUNNING else Act.PUT_IN
    return Act.TURN_OUT if one.step.kind is WorkKind.TURN_OUT else Act.DO


def _calls(day: DayState) -> list[StepState]:
    """Return what cannot wait, the longest due first: looks, turning out, a batter for the oven."""
    found = []
    for one in day.steps:
        kind = one.step.kind
        if kind is WorkKind.BAKE and one.look_at is not None and day.at >= one.look_at:
            found.append((one.look_at, one))
        elif one.stand is Stand.READY and kind in (WorkKind.TURN_OUT, WorkKind.BAKE):
            found.append((one.ready_at or day.at, one))
    return [one for _, one in sorted(found, key=lambda pair: (pair[0], pair[1].step.id))]
