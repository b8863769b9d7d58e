"""Days of orders planned: what is stored becomes tasks and means, the core lays them out."""

from __future__ import annotations

import hashlib
from collections import Counter, OrderedDict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime, time, timedelta
from threading import Lock

from django.db import transaction

from entremet.core.finished.finish import Finish
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding, ranked, warn
from entremet.core.learnt.own import hands_notes, own_pace
from entremet.core.plan.plan import Plan
from entremet.core.timetable.fridge import (
    InTheFridge,
    height_findings,
    in_the_fridge,
    warm_findings,
)
from entremet.core.timetable.hours import (
    Hours,
    first_day,
    minute_of,
    moment_of,
    working_windows,
    zone,
)
from entremet.core.timetable.keeps import CakeKeeps, cake_keeps, keeps_findings
from entremet.core.timetable.make_ahead import (
    AheadTogether,
    MakeAhead,
    ahead_together,
    make_ahead,
)
from entremet.core.timetable.model import MOST_DAYS, Fix, Means, OvenMeans, Timetable
from entremet.core.timetable.plan_days import first_plan, hours_min, the_rest
from entremet.core.timetable.slack import slacks_of
from entremet.core.timetable.so_far import with_what_came_before
from entremet.core.timetable.solver import better_plan
from entremet.core.timetable.ways_out import WayOut, clash, ways_out
from entremet.core.work.cake import HIGH_PLACES, OrderedCake
from entremet.core.work.fresh import as_early_as_wished
from entremet.core.work.ids import AT_ONCE, CakeId, WorkId
from entremet.core.work.of_cake import batter_findings, works_of_all
from entremet.core.work.work import Work, hands_of
from entremet.kitchen.actions import at_hand, learning
from entremet.kitchen.actions.done_so_far import done_so_far
from entremet.kitchen.actions.fitting import Fitted
from entremet.kitchen.actions.searches import search
from entremet.kitchen.actions.workdays import week_of, workday
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Bowl, Order, OrderCake, Oven, TaskFix, Workday

MOST_CAKES_PLANNED = 60
MOST_DAYS_BEFORE = 6
MOST_LAID = 16
"""Plans that are kept."""
MOST_AWAY = timedelta(days=MOST_DAYS)
"""How far from when its order is due a task may be put."""

CHANGE_HEAT_MIN = 10
"""Minutes an oven takes to change its heat between two bakes; practice, 5 to 15."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Wishes:
    """How days are to be planned; what is left open is the kitchen's own.

    Parameters
    ----------
    days_before : int
        Days that may be worked before the first due day.
    opens, closes : time or None
        Hours of work.
    hands : int or None
        Pairs of hands.
    ovens : tuple of int or None
        Ids of those in use; None takes all.
    now : datetime or None
        Nothing starts before it.
    effort : float
        How long a better plan is looked for; 0 takes the quick one.
    search : str
        Names the search, so that it can be looked at and stopped; empty for one that cannot.
    """

    days_before: int = 1
    opens: time | None = None
    closes: time | None = None
    hands: int | None = None
    ovens: tuple[int, ...] | None = None
    now: datetime | None = None
    effort: float = 0.0
    search: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class OrderedFit:
    """A cake of an order with its fit and finish worked out."""

    order: Order
    cake: OrderCake
    fitted: Fitted
    finish: Finish
    findings: tuple[Finding, ...] = ()

    @property
    def plan(self) -> Plan:
        """The fit's plan."""
        return self.fitted.plan


@dataclass(frozen=True, slots=True, kw_only=True)
class PlannedDays:
    """Days planned, with all that is to be said of them."""

    table: Timetable
    tasks: tuple[Work, ...]
    means: Means
    wishes: Wishes
    workday: Workday
    slacks: dict[WorkId, int]
    fridge: tuple[InTheFridge, ...]
    cakes: tuple[OrderedCake, ...]
    clash: tuple[int, ...]
    ways_out: tuple[WayOut, ...]
    make_ahead: tuple[MakeAhead, ...]
    together: AheadTogether | None
    spare: tuple[tuple[int, str], ...]
    findings: tuple[Finding, ...]
    hours_min: int
    keeps: tuple[CakeKeeps, ...]


def plan_days(fits: Sequence[OrderedFit], wishes: Wishes) -> PlannedDays:
    """Plan the days of some orders.

    Parameters
    ----------
    fits : sequence of OrderedFit
        Their cakes.
    wishes : Wishes
        How.

    Raises
    ------
    ImpossibleChoice
        When there is nothing to plan, or more than can be.
    NotHere
        When an oven is not in this kitchen.
    """
    if not fits:
        raise ImpossibleChoice("Choose orders with cakes to plan.", field="orders")
    copies = sum(one.cake.count for one in fits)
    if copies > MOST_CAKES_PLANNED:
        raise ImpossibleChoice(f"{copies} cakes are more than are planned at once, "
                               f"{MOST_CAKES_PLANNED}.", field="orders")
    day, ovens = workday(), at_hand.ovens()
    means, spare = _means(fits, wishes, day, ovens)
    cakes = ordered_cakes(fits, day)
    tasks = works_of_all(cakes)
    fixes = _fixes(tasks, fits, means)
    works = {task.id: task for task in tasks}
    if wishes.now is not None:
        fixes |= done_so_far({one.order.pk for one in fits}, works, now=wishes.now)
    fixes = with_what_came_before(fixes, works)
    unused = _Unused(ovens=tuple(map(_oven, spare)), day_before=_day_before(fits, wishes, day))
    laid = _laid(tasks, means, fixes, unused)
    if wishes.effort > 0:
        with search(wishes.search) as watch:
            # What is laid out is looked over anew, with the meals of long days among it.
            laid = _beside(better_plan(
                laid.table, [one.task for one in laid.table.placed] or tasks, means, fixes,
                effort=wishes.effort, watch=watch), tasks, means, fixes, unused)
    table = laid.table
    keeps = tuple(cake_keeps(cakes, table))
    fridge = tuple(in_the_fridge(table.placed))
    names = {cake.id: f"{cake.label} of {cake.order}" for cake in cakes}
    return PlannedDays(
        table=table, tasks=tuple(tasks), means=means, wishes=wishes, workday=day,
        slacks=slacks_of(table.placed), fridge=fridge, cakes=tuple(cakes),
        clash=laid.clash, ways_out=laid.ways_out, make_ahead=laid.make_ahead,
        together=laid.together, spare=tuple((one.pk, one.name) for one in spare),
        hours_min=hours_min(means), keeps=keeps,
        findings=ranked((*table.findings, *warm_findings(fridge, names), *batter_findings(cakes),
                         *keeps_findings(keeps), *height_findings(cakes, tasks, day.high_places),
                         *hands_notes(day.pace, learning.lessons().of),
                         *_untimed(fits, tasks), *_more_than_owned(fits),
                         *(one for fit in fits for one in fit.findings))))


def load_of(fits: Sequence[OrderedFit]) -> tuple[int, list[Work]]:
    """Return the minutes of hands that some fits ask for, and their work; nothing is planned."""
    tasks = works_of_all(ordered_cakes(fits, workday()))
    return hands_of(tasks), tasks


def hands_there(fits: Sequence[OrderedFit], *, now: datetime) -> int:
    """Return the minutes that hands have from now on the days of some fits and the one before."""
    means, _ = _means(fits, Wishes(days_before=1, now=now), workday(), at_hand.ovens())
    return hours_min(means)


@dataclass(frozen=True, slots=True, kw_only=True)
class _Laid:
    """Tasks laid out, and what follows from that alone."""

    table: Timetable
    clash: tuple[int, ...]
    ways_out: tuple[WayOut, ...]
    make_ahead: tuple[MakeAhead, ...]
    together: AheadTogether | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class _Unused:
    """What the kitchen has and a plan does not use yet."""

    ovens: tuple[OvenMeans, ...]
    day_before: tuple[int, int] | None


_known: OrderedDict[bytes, _Laid] = OrderedDict()
_seat = Lock()


def _laid(tasks: Sequence[Work], means: Means, fixes: Mapping[WorkId, Fix],
          unused: _Unused) -> _Laid:
    """Return tasks laid out, anew only when they, the means or what was put somewhere changed.

    A write to anything else changes none of these, and a crowded day takes a second.
    """
    key = hashlib.blake2b(repr((tasks, means, sorted(fixes.items()), unused)).encode(
        "utf-8", "surrogatepass"), digest_size=16).digest()
    # One seat: who asks for the same meanwhile finds it laid.
    with _seat:
        found = _known.get(key)
        if found is None:
            found = _beside(first_plan(tasks, means, fixes), tasks, means, fixes, unused)
            _known[key] = found
            if len(_known) > MOST_LAID:
                _known.popitem(last=False)
        return found


def forget() -> None:
    """Let go of the plans that are kept."""
    with _seat:
        _known.clear()


def _beside(table: Timetable, tasks: Sequence[Work], means: Means, fixes: Mapping[WorkId, Fix],
            unused: _Unused) -> _Laid:
    if not table.left_out:
        offers = make_ahead(tasks, means, table.placed, fixes)
        return _Laid(table=table, clash=(), ways_out=(), make_ahead=tuple(offers),
                     together=ahead_together(offers, tasks, means, fixes))
    tasks = as_early_as_wished(tasks)
    between = clash(tasks, means, fixes)
    table = the_rest(table, tasks, means, fixes, between=between)
    return _Laid(table=table, clash=between, make_ahead=(), ways_out=tuple(
        ways_out(tasks, means, fixes, between=between, spare=unused.ovens,
                 day_before=unused.day_before)))


@transaction.atomic
def fix_task(key: str, *, start: datetime | None, oven: int | None = None,
             done: bool = False) -> None:
    """Put a task somewhere, say that it is done, or let it be planned again (no start).

    Raises
    ------
    NotHere
        When its order or the oven is not here.
    ImpossibleChoice
        When the key names no task, or it would be far from when its order is due.
    """
    whose, _, name = key.partition("/")
    cake = CakeId.read(whose)
    if cake is None or cake.order == AT_ONCE or not name:
        raise ImpossibleChoice("That is no task of an order.", field="key")
    order = Order.objects.filter(pk=cake.order).first()
    if order is None:
        raise NotHere("This order is not here.", field="key")
    if start is None:
        TaskFix.objects.filter(key=key).delete()
    elif abs(start - order.due) > MOST_AWAY:
        raise ImpossibleChoice(f"A task is at most {MOST_DAYS} days from when its order is due.",
                               field="start")
    elif oven is not None and not Oven.objects.filter(pk=oven).exists():
        raise NotHere("This oven is not in the kitchen.", field="oven")
    else:
        TaskFix.objects.update_or_create(key=key, defaults={
            "order": order, "start": start, "oven_id": oven, "done": done})


@transaction.atomic
def forget_fixes(order_ids: Sequence[int]) -> None:
    """Let everything of some orders be planned anew; what is done stays done."""
    TaskFix.objects.filter(order_id__in=order_ids, done=False).delete()


def ordered_cakes(fits: Sequence[OrderedFit], day: Workday) -> list[OrderedCake]:
    """Return every cake of some orders, copies one by one, as the timetable takes it."""
    pace = own_pace(day.pace, learning.lessons().of)
    return [OrderedCake(
        order=one.order.title, id=CakeId(order=one.order.pk, row=one.cake.position, copy=copy),
        label=one.cake.label if one.cake.count == 1 else f"{one.cake.label} {copy + 1}",
        plan=one.plan, finish=one.finish, due=minute_of(one.order.due),
        drive_min=one.order.drive_min, inscription=one.cake.inscription, pace=pace,
        shelf_cm=day.shelf_cm)
        for one in fits for copy in range(one.cake.count)]


def _means(fits: Sequence[OrderedFit], wishes: Wishes, day: Workday,
           ovens: Sequence[Oven]) -> tuple[Means, list[Oven]]:
    windows = _windows(fits, wishes, day)
    # Only ovens of a kind that something is timed for: another kind bakes otherwise.
    kinds = {one.plan.oven.kind.value for one in fits}
    used = [one for one in ovens if one.kind in kinds]
    if wishes.ovens is not None:
        if set(wishes.ovens) - {one.pk for one in ovens}:
            raise NotHere("This oven is not in the kitchen.", field="ovens")
        used = [one for one in ovens if one.pk in wishes.ovens]
    owned, wanted = _owned(), _wanted(fits)
    now = None if wishes.now is None else minute_of(wishes.now)
    return Means(
        windows=windows,
        ovens=tuple(_oven(one) for one in used) or (OvenMeans(name="Oven"),),
        hands=wishes.hands or day.hands, bowls=max(1, Bowl.objects.count()),
        # Pans that the rack lacks are told of, and taken to be found.
        pans={label: max(owned[label], most) for label, most in wanted.items() if label in owned
              } | {HIGH_PLACES: max(1, day.high_places)},
        boards=day.boards,
        # Where all of it is still to come the minute makes no difference.
        now=None if now is None or now <= windows[0][0] else now), [
            one for one in ovens if one not in used and one.kind in kinds]


def _windows(fits: Sequence[OrderedFit], wishes: Wishes,
             day: Workday) -> tuple[tuple[int, int], ...]:
    """Return when the kitchen works on the days of some orders and so many before them."""
    where = zone(day.zone)
    dues = [one.order.due.astimezone(where).date() for one in fits]
    usual, week = _hours(wishes, day)
    first = first_day(min(dues), days_before=max(0, wishes.days_before), most=MOST_DAYS_BEFORE,
                      week=week)
    if (max(dues) - first).days >= MOST_DAYS:
        raise ImpossibleChoice(f"These orders are due over more than {MOST_DAYS} days. Choose "
                               "those of one or two weeks.", field="orders")
    windows = working_windows(first, max(dues), usual=usual, where=where, week=week)
    if not windows:
        raise ImpossibleChoice("Nobody works on any of these days, by the hours of the week. Start "
                               "earlier, or open one of them.", field="days_before")
    return windows


def _day_before(fits: Sequence[OrderedFit], wishes: Wishes,
                day: Workday) -> tuple[int, int] | None:
    """Return when the kitchen works on the day before the first; None where it cannot be taken."""
    if wishes.days_before >= MOST_DAYS_BEFORE:
        return None
    try:
        earlier = _windows(fits, replace(wishes, days_before=wishes.days_before + 1), day)
    except ImpossibleChoice:
        return None
    now = _windows(fits, wishes, day)
    return earlier[0] if len(earlier) > len(now) else None


def _hours(wishes: Wishes, day: Workday) -> tuple[Hours, dict[int, Hours | None]]:
    """Return the usual hours and those of single days; a wish moves all of them alike."""
    usual = Hours(opens=wishes.opens or day.opens, closes=wishes.closes or day.closes)
    moved = [_minutes_between(before, after) for before, after in (
        (day.opens, usual.opens), (day.closes, usual.closes))]
    return usual, {number: None if own is None else own.moved(*moved)
                   for number, own in week_of(day).items()}


def _minutes_between(before: time, after: time) -> int:
    return 60 * (after.hour - before.hour) + after.minute - before.minute


def _oven(row: Oven) -> OvenMeans:
    return OvenMeans(name=row.name, number=row.pk, shelves=row.shelves, change_min=CHANGE_HEAT_MIN,
                     kind=row.kind)


def _owned() -> Counter[str]:
    """Return how many of each pan the rack has, by label."""
    owned: Counter[str] = Counter()
    for pan in at_hand.racked().values():
        owned[pan.label] += pan.owned
    return owned


def _wanted(fits: Sequence[OrderedFit]) -> dict[str, int]:
    """Return the most of each pan that one cake holds at once, by label; wells as trays."""
    most: dict[str, int] = {}
    for fit in fits:
        for one in fit.plan.pans:
            wells = 1 if one.entry.pan is None else one.entry.pan.wells
            most[one.entry.label] = max(most.get(one.entry.label, 0), -(-one.entry.count // wells))
    return most


def _more_than_owned(fits: Sequence[OrderedFit]) -> list[Finding]:
    owned = _owned()
    return [warn("pans_lacking", f"{most} × {label} are wanted at once, you own {owned[label]}: "
                 "the plan takes the others to be borrowed.", subject=label,
                 hint="Borrow them, or fit that cake to pans you own.")
            for label, most in _wanted(fits).items() if label in owned and most > owned[label]]


def _fixes(tasks: Sequence[Work], fits: Sequence[OrderedFit], means: Means) -> dict[WorkId, Fix]:
    written = {task.id.text: task.id for task in tasks}
    orders = {one.order.pk for one in fits}
    places: dict[int | None, int] = {oven.number: place
                                     for place, oven in enumerate(means.ovens)}
    return {written[row.key]: Fix(start=minute_of(row.start), oven=places.get(row.oven_id),
                                  done=row.done)
            for row in TaskFix.objects.filter(order_id__in=orders) if row.key in written}


def _untimed(fits: Sequence[OrderedFit], tasks: Sequence[Work]) -> list[Finding]:
    planned = {(task.id.cake.order, task.id.cake.row) for task in tasks
               if task.id.cake is not None}
    return [warn("cake_not_planned", f"{one.cake.label} of {one.order.title} has no bake that "
                 "could be timed, so it is not in the plan.", subject=one.cake.label,
                 hint="Open its fit and mend what is marked there.")
            for one in fits if (one.order.pk, one.cake.position) not in planned]


def as_moment(minute: int) -> datetime:
    """Return minutes of the timetable as a moment."""
    return moment_of(minute).astimezone(UTC)
