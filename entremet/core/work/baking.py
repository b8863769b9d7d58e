"""The work of a cake's batter, from what is taken out of the fridge to the cake on its rack."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from entremet.core.loading.loads import Load
from entremet.core.loading.waiting import Waiting, waiting_of
from entremet.core.pans.pan import AnyPan
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.preparing.leaving import leaving_of
from entremet.core.work.cake import OrderedCake
from entremet.core.work.durations import (
    FURTHER_MIX,
    LINES_OF_THE_TABLE,
    across_cm,
    hands_min,
    mixing_row,
)
from entremet.core.work.ids import WorkKind
from entremet.core.work.work import Heat, Lane, Wait, Work

SOFT_MIN, SOFT_MOST_MIN = 60, 180
"""Butter and eggs out of the fridge before a creamed batter: at least, and at most; practice."""

TURN_OUT_LATE_MIN, LOAD_LATE_MIN = 15, 60
"""How long a pan may stand past its time, and a full oven be put off for hands; practice."""

HOT_MOST_MIN = 45
"""How long a hot oven stands empty at most; practice."""

OUT_LATE_MIN = 2
"""How long a bake that is done may wait for hands; practice."""

Timed = Sequence[tuple[int, PanPlan]]


def baking(cake: OrderedCake, loads: Sequence[Load]) -> list[Work]:
    """Return the work of a cake's batter, each piece after those it waits for.

    Parameters
    ----------
    cake : OrderedCake
        Whose; a fit that fills nothing, or none of whose bakes is timed, has no work.
    loads : sequence of Load
        How its pans go into the oven.

    Returns
    -------
    list of Work
        Take out, weigh, line, heat, mix by mix, fill, load by load, stand and turn out.
    """
    timed = [(place, one) for place, one in enumerate(cake.plan.pans)
             if one.bake is not None and one.bake.window is not None]
    if cake.plan.amounts is None or not timed:
        return []
    return [*_batter(cake, timed, loads), *_loads(cake, loads), *_after(cake, timed, loads)]


def _batter(cake: OrderedCake, timed: Timed, loads: Sequence[Load]) -> Iterator[Work]:
    plan, soft = cake.plan, cake.plan.recipe.style.traits.chills
    size = max(_across(one) for _, one in timed)
    if soft:
        yield cake.stands(cake.work_id(WorkKind.TAKE_OUT), "Butter and eggs out of the fridge",
                          SOFT_MIN, waits=(), why="soft for creaming; practice, 30 to 120 min")
    weigh = cake.work_id(WorkKind.WEIGH)
    lines = sum(1 for line in plan.lines if line.included)
    took = hands_min("weigh", across_cm=size, times=lines / LINES_OF_THE_TABLE)
    yield cake.hands(weigh, _of(cake, f"Weigh out {plan.recipe.title}"), took.value, why=took.note)
    for place, one in timed:
        took = hands_min("line_pan", across_cm=_across(one), times=_pans(one))
        yield cake.hands(cake.work_id(WorkKind.LINE, place),
                         _of(cake, f"Prepare {one.entry.label}"), took.value, why=took.note)
    yield cake.hands(
        cake.work_id(WorkKind.HEAT), f"{plan.oven.name} on, {loads[0].dial if loads else ''} · "
        f"{cake.label}", 1, why=f"hot after {cake.preheat_min} min; leave it on if it is")
    for place, _ in enumerate(plan.mixes):
        took = hands_min(mixing_row(plan.recipe.style), across_cm=size,
                         times=FURTHER_MIX if place else 1.0)
        waits = [Wait(on=weigh)]
        if place:
            waits.append(Wait(on=cake.work_id(WorkKind.MIX, place - 1)))
        if soft:
            waits.append(Wait(on=cake.work_id(WorkKind.TAKE_OUT), most_min=SOFT_MOST_MIN,
                              why="not for hours on the worktop"))
        yield cake.hands(cake.work_id(WorkKind.MIX, place), _of(
            cake, "Mix" if len(plan.mixes) == 1 else f"Mix {place + 1}"), took.value,
            why=took.note, waits=waits, bowl=True)
    mixed = Wait(on=cake.work_id(WorkKind.MIX, len(plan.mixes) - 1), most_min=LOAD_LATE_MIN,
                 why="the batter is mixed")
    for place, one in timed:
        took = hands_min("fill_pan", across_cm=_across(one), times=_pans(one))
        yield cake.hands(
            cake.work_id(WorkKind.FILL, place), _of(cake, f"Fill {one.entry.label}"), took.value,
            why=took.note, pans={one.entry.label: _pans(one)},
            waits=(Wait(on=cake.work_id(WorkKind.LINE, place)), mixed))


def _loads(cake: OrderedCake, loads: Sequence[Load]) -> Iterator[Work]:
    plan = cake.plan
    waiting = waiting_of(plan.recipe, start=plan.treatment.start)
    for number, load in enumerate(loads):
        places = sorted({one.entry for one in load.items})
        latest = load.crowded * max(
            bake.window.latest_min for one in load.items
            if (bake := plan.pans[one.entry].bake) is not None and bake.window is not None)
        words = f"Bake {', '.join(plan.pans[place].entry.label for place in places)}"
        yield Work(
            id=cake.work_id(WorkKind.BAKE, number), order=cake.order, words=_of(cake, words),
            lane=Lane.OVEN, minutes=max(1, math.ceil(latest)),
            waits=(*_before(cake, number), *(_filled(cake, place, waiting) for place in places),
                   *_hot(cake, number)),
            pans={plan.pans[place].entry.label: sum(one.entry == place for one in load.items)
                  for place in places},
            why=f"{load.dial}; likely {load.minutes:.0f} min, planned as no later than "
                f"{latest:.0f}",
            heat=Heat(c=_heat_c(cake, load), kind=plan.oven.kind.value,
                      shelves=max(1, sum(1 for shelf in load.shelves if shelf)),
                      preheat_min=cake.preheat_min))
        yield cake.hands(cake.work_id(WorkKind.OUT, number), f"Out of the oven · {cake.label}", 1,
                         waits=(Wait(on=cake.work_id(WorkKind.BAKE, number),
                                     most_min=OUT_LATE_MIN, why="a bake waits for nobody"),))


def _before(cake: OrderedCake, number: int) -> Sequence[Wait]:
    return (Wait(on=cake.work_id(WorkKind.BAKE, number - 1)),) if number else ()


def _hot(cake: OrderedCake, number: int) -> Sequence[Wait]:
    """Return what the first load waits for: a hot oven; the others follow it."""
    if number:
        return ()
    return (Wait(on=cake.work_id(WorkKind.HEAT), least_min=cake.preheat_min,
                 most_min=cake.preheat_min + HOT_MOST_MIN,
                 why="hot when the batter is ready, and not for an hour before"),)


def _filled(cake: OrderedCake, place: int, waiting: Waiting) -> Wait:
    return Wait(on=cake.work_id(WorkKind.FILL, place), why=waiting.words,
                most_min=max(1, math.floor(waiting.minutes.value)))


def _after(cake: OrderedCake, timed: Timed, loads: Sequence[Load]) -> Iterator[Work]:
    for place, one in timed:
        pan = _pan(one)
        last = max((number for number, load in enumerate(loads)
                    if any(item.entry == place for item in load.items)), default=None)
        if pan is None or last is None:
            continue
        leaving = leaving_of(cake.plan.recipe, pan, cake.plan.oven)
        stand = cake.work_id(WorkKind.STAND, place)
        yield cake.stands(
            stand, _of(cake, f"{one.entry.label} stands in its pan"),
            max(1.0, leaving.stand_min.value), why=leaving.stand_min.note,
            waits=(Wait(on=cake.work_id(WorkKind.OUT, last), most_min=OUT_LATE_MIN),))
        took = hands_min("turn_out", across_cm=_across(one), times=_pans(one))
        yield cake.hands(
            cake.work_id(WorkKind.TURN_OUT, place),
            _of(cake, f"{one.entry.label}: {leaving.words}"), took.value, why=took.note,
            waits=(Wait(on=stand, most_min=TURN_OUT_LATE_MIN, why="it sticks when it waits"),))


def _of(cake: OrderedCake, words: str) -> str:
    """Return words that say whose it is."""
    return words if cake.label in words else f"{words} · {cake.label}"


def _pan(one: PanPlan) -> AnyPan | None:
    return one.entry.pan if one.place is None else one.place.vessel.pan


def _across(one: PanPlan) -> float:
    pan = _pan(one)
    return 0.0 if pan is None else across_cm(pan)


def _pans(one: PanPlan) -> int:
    """Return how many pans a row is; wells are counted as trays."""
    pan = one.entry.pan
    return one.entry.count if pan is None else -(-one.entry.count // pan.wells)


def _heat_c(cake: OrderedCake, load: Load) -> float:
    return next((bake.oven.oven_c for item in load.items
                 if (bake := cake.plan.pans[item.entry].bake) is not None), 0.0)
