"""A plan becomes timed tasks, from weighing out to the cake on its rack."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from enum import Enum

from entremet.core.ground.provenance import Figure, worked_out
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import Load, loads_of
from entremet.core.loading.waiting import Waiting, waiting_of
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.plan import Plan
from entremet.core.preparing.leaving import leaving_of
from entremet.core.tasks.durations import (
    FURTHER_MIX,
    LINES_OF_THE_TABLE,
    across_cm,
    hands_min,
    mixing_row,
)


class TaskKind(Enum):
    """What is done."""

    WEIGH = "weigh"
    LINE = "line"
    HEAT = "heat"
    MIX = "mix"
    FILL = "fill"
    BAKE = "bake"
    STAND = "stand"
    TURN_OUT = "turn_out"


class Resource(Enum):
    """What a task holds while it lasts."""

    HANDS = "hands"
    BOWL = "bowl"
    OVEN = "oven"
    PAN = "pan"
    FRIDGE = "fridge"


@dataclass(frozen=True, slots=True, kw_only=True)
class Hold:
    """What a task holds: hands, a bowl, an oven at its setting, pans of a row."""

    resource: Resource
    what: str = ""
    count: int = 1


@dataclass(frozen=True, slots=True, kw_only=True)
class Bound:
    """How soon after another task one may begin, and how long it may wait.

    Parameters
    ----------
    after : str
        Key of the task that has to be over.
    most_min : float or None
        How long it may wait then; None for as long as one likes.
    why : str
        For the baker.
    """

    after: str
    most_min: float | None = None
    why: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Task:
    """One task.

    Parameters
    ----------
    key : str
        Names it within its plan.
    kind : TaskKind
        What is done.
    words : str
        For the baker.
    minutes : Figure
        How long it lasts; of a bake the likely time.
    latest_min : float or None
        Of a bake: no later than.
    holds : tuple of Hold
        What it needs while it lasts; without hands it goes on alone.
    bounds : tuple of Bound
        What it waits for.
    entry : int or None
        Row of pans it is about.
    """

    key: str
    kind: TaskKind
    words: str
    minutes: Figure
    latest_min: float | None = None
    holds: tuple[Hold, ...] = ()
    bounds: tuple[Bound, ...] = ()
    entry: int | None = None

    @property
    def hands(self) -> bool:
        """Whether somebody is busy with it."""
        return any(one.resource is Resource.HANDS for one in self.holds)


HANDS = Hold(resource=Resource.HANDS)


def tasks_of(plan: Plan, loads: Sequence[Load] | None = None) -> tuple[Task, ...]:
    """Return the tasks of a plan, each after those it waits for.

    Parameters
    ----------
    plan : Plan
        A fit; a plan that fills nothing has no tasks.
    loads : sequence of Load or None
        How its pans go into the oven; None lays them out alone.

    Returns
    -------
    tuple of Task
        Weigh, line, heat, mix by mix, fill, load by load, stand and turn out.
    """
    timed = [(place, one) for place, one in enumerate(plan.pans)
             if one.bake is not None and one.bake.window is not None]
    if plan.amounts is None or not timed:
        return ()
    if loads is None:
        loads, _ = loads_of(oven_items(plan.pans), plan.oven)
    found = list(_before(plan, timed))
    waiting = waiting_of(plan.recipe, start=plan.treatment.start)
    found += _bakes(plan, loads, waiting)
    found += _after(plan, timed, loads)
    return tuple(found)


def task(tasks: Sequence[Task], kind: TaskKind, entry: int | None = None) -> Task | None:
    """Return the first task of a kind, of one row of pans where it is asked for."""
    return next((one for one in tasks if one.kind is kind and entry in (None, one.entry)), None)


def _before(plan: Plan, timed: Sequence[tuple[int, PanPlan]]) -> Iterator[Task]:
    size = max(_across(one) for _, one in timed)
    lines = sum(1 for line in plan.lines if line.included)
    yield Task(key="weigh", kind=TaskKind.WEIGH, words=f"Weigh out {plan.recipe.title}",
               minutes=hands_min("weigh", across_cm=size, times=lines / LINES_OF_THE_TABLE),
               holds=(HANDS,))
    for place, one in timed:
        pans = _pans(one)
        yield Task(key=f"line {place}", kind=TaskKind.LINE, entry=place,
                   words=f"Prepare {one.entry.label}", holds=(HANDS, _held(one, pans)),
                   minutes=hands_min("line_pan", across_cm=_across(one), times=pans))
    yield Task(key="heat", kind=TaskKind.HEAT, words=f"Heat {plan.oven.name}",
               minutes=plan.oven.preheat, holds=(_oven(plan),))
    bowl = Hold(resource=Resource.BOWL)
    for place, _ in enumerate(plan.mixes):
        yield Task(key=f"mix {place}", kind=TaskKind.MIX, holds=(HANDS, bowl),
                   words="Mix" if len(plan.mixes) == 1 else f"Mix {place + 1}",
                   minutes=hands_min(mixing_row(plan.recipe.style), across_cm=size,
                                     times=FURTHER_MIX if place else 1.0),
                   bounds=(Bound(after="weigh"),
                           *((Bound(after=f"mix {place - 1}"),) if place else ())))
    last = f"mix {len(plan.mixes) - 1}"
    for place, one in timed:
        pans = _pans(one)
        yield Task(key=f"fill {place}", kind=TaskKind.FILL, entry=place,
                   words=f"Fill {one.entry.label}", holds=(HANDS, _held(one, pans)),
                   minutes=hands_min("fill_pan", across_cm=_across(one), times=pans),
                   bounds=(Bound(after=f"line {place}"), Bound(after=last)))


def _bakes(plan: Plan, loads: Sequence[Load], waiting: Waiting) -> Iterator[Task]:
    for number, load in enumerate(loads):
        places = sorted({one.entry for one in load.items})
        latest = load.crowded * max(bake.window.latest_min for one in load.items
                     if (bake := plan.pans[one.entry].bake) is not None
                     and bake.window is not None)
        yield Task(
            key=f"bake {number}", kind=TaskKind.BAKE, latest_min=latest,
            words=f"Bake {', '.join(plan.pans[place].entry.label for place in places)}",
            minutes=worked_out(load.minutes, "likely time of the slowest pan of the load, further "
                                "shelves counted in"),
            holds=(Hold(resource=Resource.OVEN, what=load.dial),
                   *(_held(plan.pans[place], sum(one.entry == place for one in load.items))
                     for place in places)),
            bounds=(Bound(after="heat" if number == 0 else f"bake {number - 1}"),
                    *(Bound(after=f"fill {place}", most_min=waiting.minutes.value,
                            why=waiting.words) for place in places)))


def _after(plan: Plan, timed: Sequence[tuple[int, PanPlan]],
           loads: Sequence[Load]) -> Iterator[Task]:
    for place, one in timed:
        pan = one.entry.pan if one.place is None else one.place.vessel.pan
        last = max((number for number, load in enumerate(loads)
                    if any(item.entry == place for item in load.items)), default=None)
        if pan is None or last is None:
            continue
        leaving, pans = leaving_of(plan.recipe, pan, plan.oven), _pans(one)
        yield Task(key=f"stand {place}", kind=TaskKind.STAND, entry=place,
                   words=f"{one.entry.label} stands in its pan", minutes=leaving.stand_min,
                   holds=(_held(one, pans),), bounds=(Bound(after=f"bake {last}"),))
        yield Task(key=f"turn_out {place}", kind=TaskKind.TURN_OUT, entry=place,
                   words=f"{one.entry.label}: {leaving.words}", holds=(HANDS,),
                   minutes=hands_min("turn_out", across_cm=_across(one), times=pans),
                   bounds=(Bound(after=f"stand {place}"),))


def _across(one: PanPlan) -> float:
    pan = one.entry.pan if one.place is None else one.place.vessel.pan
    return 0.0 if pan is None else across_cm(pan)


def _pans(one: PanPlan) -> int:
    """Return how many pans a row is; wells are counted as trays."""
    pan = one.entry.pan
    return one.entry.count if pan is None else -(-one.entry.count // pan.wells)


def _held(one: PanPlan, count: int) -> Hold:
    return Hold(resource=Resource.PAN, what=one.entry.label, count=count)


def _oven(plan: Plan) -> Hold:
    first = next((one.bake for one in plan.pans if one.bake is not None), None)
    return Hold(resource=Resource.OVEN,
                what="" if first is None else plan.oven.words(first.oven.setting))
