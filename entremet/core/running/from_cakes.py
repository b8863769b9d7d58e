"""A run sheet from cakes: the tasks of the timetable with the amounts that each needs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import datetime

from entremet.core.at_the_oven.card import BakeCard, PanCard, bake_card
from entremet.core.finished.parts import FinishPart
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import Load, loads_of
from entremet.core.pans.pan import PanKind
from entremet.core.plan.plan import Plan
from entremet.core.running.sheet import (
    Amount,
    BakeTimes,
    Due,
    Pour,
    Sheet,
    Step,
    StepKind,
    Waits,
)
from entremet.core.timetable.cake_tasks import OrderedCake, cake_tasks
from entremet.core.timetable.hours import moment_of
from entremet.core.timetable.model import After, DayTask, Lane, Placed

SOFT = "soft"
"""Butter and eggs that stand out are a step by themselves."""

_BY_NAME = {"take_out": StepKind.TAKE_OUT, "weigh": StepKind.WEIGH, "heat": StepKind.HEAT,
            "level": StepKind.LEVEL, "cool": StepKind.COOL, "box": StepKind.BOX,
            "wash": StepKind.WASH}
_NUMBERED = {"line": StepKind.LINE, "mix": StepKind.MIX, "fill": StepKind.FILL,
             "bake": StepKind.BAKE, "stand": StepKind.STAND, "turn_out": StepKind.TURN_OUT}


def sheet_of(title: str, cakes: Sequence[OrderedCake], *,
             placed: Sequence[Placed] = ()) -> Sheet:
    """Return the run sheet of a day.

    Parameters
    ----------
    title : str
        What the day is called.
    cakes : sequence of OrderedCake
        What is made.
    placed : sequence of Placed
        The timetable: its order is the order of work. Without one, cakes are made one after the
        other, each as its own tasks come.
    """
    steps: list[Step] = []
    for cake in cakes:
        tasks = cake_tasks(cake)
        steps += _steps(cake, tasks)
    if placed:
        at = {one.task.key: one.start for one in placed}
        steps = [replace(one, planned=moment_of(at[one.key]) if one.key in at else None)
                 for one in steps]
        steps += [_meal(one) for one in placed if not one.task.cake]
        steps = _in_order(sorted(steps, key=lambda one: at.get(one.key.split(":")[0], 0)))
    else:
        steps = _in_order(_hot_in_time(steps))
    orders = list(dict.fromkeys(cake.order for cake in cakes))
    return Sheet(title=title, steps=tuple(steps), pace=cakes[0].pace if cakes else 1.0, dues=tuple(
        Due(order=order, last=_last(order, steps), at=_due(order, cakes) if placed else None)
        for order in orders if _last(order, steps)))


def _last(order: str, steps: Sequence[Step]) -> str:
    own = [one.key for one in steps if one.order == order and one.kind is StepKind.BOX]
    return own[-1] if own else ""


def _due(order: str, cakes: Sequence[OrderedCake]) -> datetime:
    return moment_of(min(cake.due - cake.drive_min for cake in cakes if cake.order == order))


def _meal(one: Placed) -> Step:
    return Step(key=one.task.key, cake="", order="", kind=StepKind.MEAL, words=one.task.words,
                minutes=one.task.minutes, planned=moment_of(one.start))


def _steps(cake: OrderedCake, tasks: Sequence[DayTask]) -> list[Step]:
    loads, _ = loads_of(oven_items(cake.plan.pans), cake.plan.oven)
    card = bake_card(cake.plan, loads)
    # Taking out of the oven is the end of a bake, and not a step by itself.
    ends = {f"{cake.key}/outbake{place}": f"{cake.key}/bake{place}"
            for place in range(len(loads))}
    steps = []
    for task in tasks:
        if task.key in ends:
            continue
        name = task.key.removeprefix(f"{cake.key}/")
        kind = _kind(name, task)
        waits = tuple(_waits(one, ends) for one in task.after)
        step = Step(key=task.key, cake=cake.key, order=cake.order, kind=kind, words=task.words,
                    minutes=task.minutes, waits=waits, sign=_sign(kind, task))
        steps.append(_filled_in(step, name, cake, card, loads))
        if kind is StepKind.TAKE_OUT:
            steps[-1] = replace(steps[-1], minutes=1)
            steps.append(Step(key=f"{task.key}:{SOFT}", cake=cake.key, order=cake.order,
                              kind=StepKind.WAIT, words=f"Soft · {cake.label}",
                              minutes=task.minutes, waits=(Waits(key=task.key),)))
    return steps


def _kind(name: str, task: DayTask) -> StepKind:
    if name in _BY_NAME:
        return _BY_NAME[name]
    if task.lane is Lane.FRIDGE:
        return StepKind.CHILL
    if task.lane is Lane.STANDS and not name.removeprefix("stand").isdigit():
        return StepKind.WAIT
    if name.startswith("make_"):
        return StepKind.MAKE
    return _NUMBERED.get(name.rstrip("0123456789") if name[-1:].isdigit() else "",
                         StepKind.FINISH)


def _waits(after: After, ends: Mapping[str, str]) -> Waits:
    key = ends.get(after.key, after.key)
    if key.endswith("/take_out"):
        key = f"{key}:{SOFT}"
    return Waits(key=key, least_min=after.least_min, most_min=after.most_min, why=after.why)


def _sign(kind: StepKind, task: DayTask) -> str:
    return task.why if kind in (StepKind.COOL, StepKind.FINISH, StepKind.LEVEL, StepKind.WAIT,
                                StepKind.CHILL) else ""


def _filled_in(step: Step, name: str, cake: OrderedCake, card: BakeCard,
               loads: Sequence[Load]) -> Step:
    plan = cake.plan
    match step.kind:
        case StepKind.WEIGH:
            return replace(step, amounts=_weigh_out(plan))
        case StepKind.MIX:
            return replace(step, notes=tuple("".join(one.text for one in each.words)
                                             for each in plan.steps))
        case StepKind.FILL:
            one = plan.pans[int(name.removeprefix("fill"))]
            each = 0.0 if one.standing is None else one.standing.batter_g
            alone = sum(pan.standing is not None for pan in plan.pans) == 1
            batter = None if plan.amounts is None else plan.amounts.batter_g.value
            return replace(step, batter_g=batter if alone and len(plan.mixes) == 1 else None,
                           pours=(Pour(pan=one.entry.label, count=one.entry.count,
                                             each_g=each),))
        case StepKind.BAKE:
            return replace(step, bake=_times(loads[int(name.removeprefix("bake"))], plan, card))
        case StepKind.STAND:
            place = int(name.removeprefix("stand"))
            pan = plan.pans[place].entry.pan
            hangs = "hang" in _pan_card(card, place)
            return replace(step, loud=hangs or (pan is not None and pan.kind is PanKind.RING))
        case StepKind.MAKE:
            part = next((one for one in cake.finish.parts
                         if f"make_{one.key.replace(':', '_')}" == name), None)
            return replace(step, amounts=() if part is None else _made_from(part))
        case StepKind.FINISH | StepKind.LEVEL:
            own = next((one for one in cake.finish.steps if one.key == name), None)
            uses = tuple(Amount(name=part.title, g=use.grams, words=f"{use.grams:.0f} g")
                         for part in cake.finish.parts for use in part.uses if use.key == name)
            return replace(step, amounts=uses, caution="" if own is None else own.caution)
        case StepKind.BOX:
            out = next((one for one in cake.finish.steps if one.key == "out"), None)
            return replace(step, sign="" if out is None else out.sign,
                           caution="" if out is None else out.caution)
    return step


def _pan_card(card: BakeCard, place: int) -> str:
    return next((one.leaving.words for one in card.pans if one.entry == place), "")


def _weigh_out(plan: Plan) -> tuple[Amount, ...]:
    many = len(plan.mixes) > 1
    return tuple(Amount(
        name=line.line.name, g=line.g, bowl=f"Mix {place + 1}" if many else "",
        words=(line.shown_measure if line.measure_leads else line.shown_g)
        or line.shown_measure or "as needed")
        for place, mix in enumerate(plan.mixes) for line in mix.lines)


def _made_from(part: FinishPart) -> tuple[Amount, ...]:
    return tuple(Amount(name=one.name, g=one.g, words=one.count or f"{one.g:.0f} g")
                 for one in part.made_from)


def _times(load: Load, plan: Plan, card: BakeCard) -> BakeTimes | None:
    """Return the times of a load: the first look of its soonest pan, the latest of its slowest."""
    bakes = [bake for item in load.items if (bake := plan.pans[item.entry].bake) is not None
             and bake.window is not None]
    pans: list[PanCard] = [one for one in card.pans
                           if one.entry in {item.entry for item in load.items}]
    if not bakes:
        return None
    windows = [bake.window for bake in bakes if bake.window is not None]
    slow = max(bakes, key=lambda bake: bake.window.likely_min if bake.window else 0.0)
    cover = [phase.from_min for one in pans for phase in one.phases
             if phase.covered and phase.from_min > 0]
    return BakeTimes(
        first_look_min=min(one.first_look_min for one in windows),
        early_min=min(one.early_min for one in windows),
        likely_min=load.crowded * max(one.likely_min for one in windows),
        latest_min=load.crowded * max(one.latest_min for one in windows),
        turn_min=load.turn_min, cover_min=min(cover, default=None),
        give_min=min((one.give_min for one in pans), default=3), dial=load.dial,
        signs=tuple(one.text for one in card.signs),
        not_done=pans[0].not_done if pans else "", too_dark=pans[0].too_dark if pans else "",
        start_c=slow.course.start_c, done_c=slow.course.done_c, oven_c=slow.oven.oven_c,
        lag_min=slow.course.lag_min,
        spread=slow.spread.total, lead=slow.entry)


def _hot_in_time(steps: Sequence[Step]) -> list[Step]:
    """Put the oven on so early that it is hot when the batter is in its pans; never before that."""
    found = list(steps)
    for heat in [one for one in steps if one.kind is StepKind.HEAT]:
        bake = next((one for one in found if one.kind is StepKind.BAKE
                     and any(wait.key == heat.key for wait in one.waits)), None)
        if bake is None:
            continue
        wanted = next(wait.least_min for wait in bake.waits if wait.key == heat.key)
        found.remove(heat)
        place, ahead = found.index(bake), 0.0
        while place > 0 and ahead < wanted and found[place - 1].cake == heat.cake:
            place -= 1
            ahead += 0.0 if found[place].passive else found[place].minutes
        found.insert(place, heat)
    return found


def _in_order(steps: Sequence[Step]) -> list[Step]:
    """Return steps each after those it waits for, as near to the order given as that allows."""
    keys = {one.key for one in steps}
    left, done, found = list(steps), set[str](), []
    while left:
        step = next((one for one in left if all(wait.key in done or wait.key not in keys
                                                for wait in one.waits)), left[0])
        left.remove(step)
        done.add(step.key)
        found.append(step)
    return found
