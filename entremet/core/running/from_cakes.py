"""A run sheet from cakes: the work of the timetable with the amounts that each piece needs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from entremet.core.at_the_oven.card import BakeCard, PanCard, bake_card
from entremet.core.card.lines import Component
from entremet.core.finished.parts import FinishPart
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.wording import listed
from entremet.core.inside.of_fit import PanToOpen, pan_to_open
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import Load, loads_of
from entremet.core.pans.pan import PanKind
from entremet.core.plan.plan import Plan
from entremet.core.plan.steps import pan_words
from entremet.core.running.sheet import (
    BakeTimes,
    DayStep,
    Due,
    Pour,
    RowTimes,
    RunSheet,
    ToWeigh,
)
from entremet.core.timetable.hours import moment_of
from entremet.core.timetable.model import Placed
from entremet.core.work.cake import OrderedCake
from entremet.core.work.getting_ready import ready_for_batter
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.of_cake import works_of_all
from entremet.core.work.work import Lane, Wait, Work

SOFT = "take_out:soft"
"""Butter and eggs that stand out are a step by themselves."""

UNDER = {Component.PAN: "for the pan", Component.BASE_LAYER: "under the batter"}
OVER = {Component.TOP_LAYER: "on the batter"}
"""What goes into a pan beside its batter, and where."""

WHOLE = 0.999
"""A share of all from which it is told in the card's own measure."""

READY_WHEN = frozenset({WorkKind.COOL, WorkKind.FINISH, WorkKind.LEVEL, WorkKind.WAIT,
                        WorkKind.CHILL})
"""Work whose reason is the sign that it is ready."""


def sheet_of(title: str, cakes: Sequence[OrderedCake], *,
             placed: Sequence[Placed] = ()) -> RunSheet:
    """Return the run sheet of a day.

    Parameters
    ----------
    title : str
        What the day is called.
    cakes : sequence of OrderedCake
        What is made.
    placed : sequence of Placed
        The timetable: its order is the order of work. Without one, cakes are made one after the
        other, each as its own work comes.
    """
    by_id = {cake.id: cake for cake in cakes}
    looked_up = {cake.id: _looked_up(cake) for cake in cakes}
    steps = [step for work in works_of_all(cakes) if (whose := work.id.cake) is not None
             for step in _steps(work, by_id[whose], *looked_up[whose])]
    if placed:
        at = {one.task.id: one.start for one in placed}
        steps = [replace(one, planned=moment_of(at[one.id]) if one.id in at else None)
                 for one in steps]
        steps += [DayStep(work=one.task, planned=moment_of(one.start)) for one in placed
                  if one.task.id.cake is None]
        steps = _in_order(sorted(steps, key=lambda one: at.get(_laid_out(one.id), 0)))
    else:
        steps = _in_order(_hot_in_time(steps))
    orders = list(dict.fromkeys(cake.id.order for cake in cakes))
    return RunSheet(title=title, steps=tuple(steps),
                    pace=cakes[0].pace if cakes else 1.0, dues=tuple(
        _due(order, cakes, steps, timed=bool(placed)) for order in orders
        if any(one.id == _last(order, steps) for one in steps)))


def _laid_out(name: WorkId) -> WorkId:
    """Return the work that has a step's place in the timetable."""
    if name.kind is not WorkKind.WAIT or not name.part.startswith(SOFT):
        return name
    part = name.part.removeprefix(SOFT).removeprefix(":")
    return replace(name, kind=WorkKind.TAKE_OUT, part=part)


def _last(order: int, steps: Sequence[DayStep]) -> WorkId | None:
    own = [one.id for one in steps if one.kind is WorkKind.BOX and one.id.cake is not None
           and one.id.cake.order == order]
    return own[-1] if own else None


def _due(order: int, cakes: Sequence[OrderedCake], steps: Sequence[DayStep], *,
         timed: bool) -> Due:
    own = [cake for cake in cakes if cake.id.order == order]
    last = _last(order, steps)
    assert last is not None
    return Due(order=own[0].order, last=last, at=moment_of(
        min(cake.due - cake.drive_min for cake in own)) if timed else None)


def _looked_up(cake: OrderedCake) -> tuple[BakeCard, tuple[Load, ...]]:
    loads, _ = loads_of(oven_items(cake.plan.pans), cake.plan.oven)
    return bake_card(cake.plan, loads), loads


def _steps(work: Work, cake: OrderedCake, card: BakeCard, loads: tuple[Load, ...]) -> list[DayStep]:
    # Taking out of the oven is the end of a bake, and not a step by itself.
    if work.kind is WorkKind.OUT:
        return []
    own = replace(work, waits=tuple(_wait(cake, one) for one in work.waits))
    if work.kind is not WorkKind.TAKE_OUT:
        return [_filled_in(DayStep(work=own, sign=work.why if work.kind in READY_WHEN else ""),
                           cake, card, loads)]
    return [DayStep(work=replace(own, minutes=1, lane=Lane.HANDS)), DayStep(work=replace(
        work, id=_soft(cake, work.id.part), words=f"Soft · {cake.label}",
        waits=(Wait(on=work.id),)))]


def _soft(cake: OrderedCake, part: str) -> WorkId:
    return cake.work_id(WorkKind.WAIT, part=f"{SOFT}:{part}" if part else SOFT)


def _wait(cake: OrderedCake, wait: Wait) -> Wait:
    """Return a wait of the timetable as the sheet has it: for the bake, for what is soft."""
    match wait.on.kind:
        case WorkKind.OUT:
            return replace(wait, on=cake.work_id(WorkKind.BAKE, wait.on.place))
        case WorkKind.TAKE_OUT:
            return replace(wait, on=_soft(cake, wait.on.part))
    return wait


def _filled_in(step: DayStep, cake: OrderedCake, card: BakeCard, loads: Sequence[Load]) -> DayStep:
    plan, name = cake.plan, step.id
    match step.kind:
        case WorkKind.WEIGH:
            return replace(step, amounts=(*_weigh_out(plan), *_layers(plan, UNDER),
                                          *_layers(plan, OVER)))
        case WorkKind.LINE:
            return replace(step, amounts=_layers(plan, UNDER, row=name.place))
        case WorkKind.MIX:
            return replace(step, notes=plan.method)
        case WorkKind.FILL:
            one = plan.pans[name.place]
            each = 0.0 if one.standing is None else one.standing.batter_g
            count = _filled_now(one.entry.count, name, loads)
            over = _layers(plan, OVER, row=name.place, share=count / max(1, one.entry.count))
            alone = count == one.entry.count and len(plan.mixes) == 1 and sum(
                pan.standing is not None for pan in plan.pans) == 1
            batter = None if plan.amounts is None else plan.amounts.batter_g.value
            return replace(step, batter_g=batter if alone else None, sign=_then(over), pours=(
                Pour(pan=one.entry.label, count=count, each_g=each),))
        case WorkKind.BAKE:
            return replace(step, bake=_times(loads[name.place], plan, card))
        case WorkKind.STAND:
            pan = plan.pans[name.place].entry.pan
            hangs = "hang" in _pan_card(card, name.place)
            return replace(step, loud=hangs or (pan is not None and pan.kind is PanKind.RING))
        case WorkKind.MAKE:
            return replace(step, amounts=_made_of(cake, name.part))
        case WorkKind.FINISH | WorkKind.LEVEL:
            own = next((one for one in cake.finish.steps if one.key == name.part), None)
            uses = tuple(ToWeigh(name=part.title, g=use.grams, words=f"{use.grams:.0f} g")
                         for part in cake.finish.parts for use in part.uses
                         if use.key == name.part)
            return replace(step, amounts=uses, caution="" if own is None else own.caution)
        case WorkKind.BOX:
            out = next((one for one in cake.finish.steps if one.key == "out"), None)
            return replace(step, sign="" if out is None else out.sign,
                           caution="" if out is None else out.caution)
    return step


def _filled_now(count: int, name: WorkId, loads: Sequence[Load]) -> int:
    """Return how many of a row's pans, or wells, are filled for one of its loads."""
    pans = [own for load in loads if (own := sum(one.entry == name.place for one in load.items))]
    if len(pans) < 2:
        return count
    upto = [round(count * sum(pans[:turn]) / sum(pans)) for turn in (name.turn, name.turn + 1)]
    return upto[1] - upto[0]


def _then(over: Sequence[ToWeigh]) -> str:
    """Return what goes on the batter once it is in its pans, to be read while they are filled."""
    return f"Then {listed([f'{one.words} {one.name}' for one in over])}." if over else ""


def _pan_card(card: BakeCard, place: int) -> str:
    return next((one.leaving.words for one in card.pans if one.entry == place), "")


def _weigh_out(plan: Plan) -> tuple[ToWeigh, ...]:
    many = len(plan.mixes) > 1
    return tuple(ToWeigh(
        name=line.line.name, g=line.g, bowl=f"Mix {place + 1}" if many else "",
        words=(line.shown_measure if line.measure_leads else line.shown_g)
        or line.shown_measure or "as needed")
        for place, mix in enumerate(plan.mixes) for line in mix.lines)


def _layers(plan: Plan, components: Mapping[Component, str], *, row: int | None = None,
            share: float = 1.0) -> tuple[ToWeigh, ...]:
    """Return what lies under or on the batter, or in the pan: in all, or a row's part of it."""
    whole = dict.fromkeys(components, 0.0)
    part = dict(whole)
    for place, one in enumerate(plan.pans):
        if one.standing is None:
            continue
        for component in components:
            grams = one.entry.count * (
                one.standing.layer_g if component is Component.BASE_LAYER else
                one.standing.top_g if component is Component.TOP_LAYER else 1.0)
            whole[component] += grams
            part[component] += grams if row in (None, place) else 0.0
    found = []
    for line in plan.lines:
        component = line.line.component
        if not line.included or component not in components:
            continue
        of = share * (part[component] / whole[component] if whole[component] > 0 else 0.0)
        if of <= 0:
            continue
        weighed = None if line.g is None else line.g.value * of
        words = line.shown.text if weighed is None or of > WHOLE else f"{weighed:.0f} g"
        found.append(ToWeigh(name=f"{line.line.name}, {components[component]}", g=weighed,
                            words=words))
    return tuple(found)


def _made_of(cake: OrderedCake, key: str) -> tuple[ToWeigh, ...]:
    """Return what goes into a component, or is got ready for the batter."""
    for ready in ready_for_batter(cake.plan):
        if ready.part == key:
            return tuple(_as_weighed(one) for one in ready.lines)
    part = next((one for one in cake.finish.parts if one.key == key), None)
    return () if part is None else _made_from(part)


def _as_weighed(line: ScaledLine) -> ToWeigh:
    grams = None if line.g is None else line.g.value
    return ToWeigh(name=line.line.name, g=grams, words=line.shown.text)


def _made_from(part: FinishPart) -> tuple[ToWeigh, ...]:
    return tuple(ToWeigh(name=one.name, g=one.g, words=one.count or f"{one.g:.0f} g")
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
        spread=slow.spread.total, lead=slow.entry, rows=_rows(load, plan),
        inside=_to_open(plan, slow.entry))


def _to_open(plan: Plan, entry: int) -> PanToOpen | None:
    """Return a pan to be looked into; None over steam, on the hob, or without measures."""
    try:
        return pan_to_open(plan.pans[entry], oven=plan.oven.kind, treatment=plan.treatment)
    except ImpossibleChoice:
        return None


def _rows(load: Load, plan: Plan) -> tuple[RowTimes, ...]:
    """Return the times of each row of unlike pans; nothing where they are done together."""
    if not load.order:
        return ()
    rows = [RowTimes(row=row, label=pan_words(plan.pans[row]),
                     first_look_min=bake.window.first_look_min,
                     likely_min=load.crowded * bake.window.likely_min,
                     latest_min=load.crowded * bake.window.latest_min)
            for row in sorted({item.entry for item in load.items})
            if (bake := plan.pans[row].bake) is not None and bake.window is not None]
    return tuple(sorted(rows, key=lambda one: one.likely_min))


def _hot_in_time(steps: Sequence[DayStep]) -> list[DayStep]:
    """Put the oven on so early that it is hot when the batter is in its pans; never before that."""
    found = list(steps)
    for heat in [one for one in steps if one.kind is WorkKind.HEAT]:
        bake = next((one for one in found if one.kind is WorkKind.BAKE
                     and any(wait.on == heat.id for wait in one.waits)), None)
        if bake is None:
            continue
        wanted = next(wait.least_min for wait in bake.waits if wait.on == heat.id)
        found.remove(heat)
        place, ahead = found.index(bake), 0.0
        while place > 0 and ahead < wanted and found[place - 1].id.cake == heat.id.cake:
            place -= 1
            ahead += 0.0 if found[place].passive else found[place].minutes
        found.insert(place, heat)
    return found


def _in_order(steps: Sequence[DayStep]) -> list[DayStep]:
    """Return steps each after those it waits for, as near to the order given as that allows."""
    names = {one.id for one in steps}
    left, done, found = list(steps), set[WorkId](), []
    while left:
        step = next((one for one in left if all(wait.on in done or wait.on not in names
                                                for wait in one.waits)), left[0])
        left.remove(step)
        done.add(step.id)
        found.append(step)
    return found
