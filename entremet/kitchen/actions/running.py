"""Days under way: started from orders or a fit, ticked, worked out anew from what was ticked."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from django.db import transaction
from django.db.models import TextField
from django.db.models.functions import Cast
from django.utils import timezone

from entremet.core.finished.finish import Finish
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.learnt.own import own_pace
from entremet.core.plan.plan import Plan
from entremet.core.running.events import EventKind
from entremet.core.running.from_cakes import sheet_of
from entremet.core.running.sheet import RunSheet
from entremet.core.work.cake import OrderedCake
from entremet.core.work.ids import AT_ONCE, CakeId
from entremet.kitchen.actions import learning, news
from entremet.kitchen.actions.day_log import events_of, most_known
from entremet.kitchen.actions.day_sheets import as_kept
from entremet.kitchen.actions.days import OrderedFit, Wishes, ordered_cakes, plan_days
from entremet.kitchen.actions.leftovers import add_leftover, take_back
from entremet.kitchen.actions.workdays import workday
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Day, Order, Tick

VERSION = 2
FIT_CAKE = CakeId(order=AT_ONCE)
"""The cake of a fit that is baked at once."""
MOST_TICKS = 5000
LEAST_LEFT = 600
"""Ticks that may have come since they were read last, of a day that others tick too."""
LONGEST_AGO = timedelta(hours=36)
"""A tick older than this is taken for one of a clock gone wrong."""

@dataclass(frozen=True, slots=True, kw_only=True)
class NewTick:
    """A tick as a screen sends it: its own key, and how long ago it was made."""

    key: str
    kind: EventKind
    step: str
    ago_s: float = 0.0
    place: int = 0
    amount: float = 0.0


@dataclass(frozen=True, slots=True, kw_only=True)
class LeftOver:
    """What is left of a component, put into the larder."""

    name: str
    g: float


def start_from_orders(fits: Sequence[OrderedFit], *, now: datetime) -> Day:
    """Start the day of some orders as their timetable has it.

    Raises
    ------
    ImpossibleChoice
        When there is nothing to do, when it cannot all be done (see the timetable first), or when
        one of them is under way.
    """
    ids = list(dict.fromkeys(fit.order.pk for fit in fits))
    for day in Day.objects.filter(ended_at=None):
        if set(ids) & set(day.orders):
            raise ImpossibleChoice(f"“{day.title}” is under way already. Go on with it, or end it "
                                   "first.", field="orders")
    # From now on; what can only be done with work that nobody ticked is as the plan had it.
    planned = plan_days(fits, Wishes(days_before=2, now=now))
    if planned.table.left_out:
        planned = plan_days(fits, Wishes(days_before=2))
    if planned.table.left_out:
        raise ImpossibleChoice("These orders cannot all be done. Open the timetable and take a way "
                               "out first.", field="orders")
    cakes = ordered_cakes(fits, planned.workday)
    orders = list(dict.fromkeys(fit.order.title for fit in fits))
    sheet = sheet_of(_title(orders), cakes, placed=planned.table.placed)
    day = _start(sheet, ids, now)
    # What the timetable has as done stays done.
    for number, one in enumerate(one for one in planned.table.placed if one.done):
        kinds = (EventKind.PUT_IN, EventKind.DONE) if one.task.heat else (EventKind.DONE,)
        for kind in kinds:
            Tick.objects.create(day=day, key=f"plan-{kind.value}-{number}", kind=kind.value,
                                step=one.task.id.text, at=now)
    return day


def start_from_fit(plan: Plan, finish: Finish, label: str, *, now: datetime) -> Day:
    """Start a fit at once, without a timetable.

    Raises
    ------
    ImpossibleChoice
        When it fills nothing or cannot be timed.
    """
    cake = OrderedCake(order=label, id=FIT_CAKE, label=label, plan=plan, finish=finish, due=0,
                       pace=own_pace(workday().pace, learning.lessons().of))
    return _start(sheet_of(label, [cake]), [], now)


def day_row(day_id: int) -> Day:
    """Return a day.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    day: Day | None = Day.objects.defer("sheet", "drafts").annotate(
        written_sheet=Cast("sheet", TextField())).filter(pk=day_id).first()
    if day is None:
        raise NotHere("This day is not here.", field="day")
    return day


@transaction.atomic
def add_ticks(day: Day, ticks: Sequence[NewTick], *, now: datetime) -> None:
    """Keep ticks, each once however often it is sent.

    Raises
    ------
    ImpossibleChoice
        When the day is over, or has more ticks than a day can.
    """
    if day.ended_at is not None:
        raise ImpossibleChoice("This day is over; nothing more is ticked in it.", field="day")
    Tick.objects.bulk_create([Tick(
        day=day, key=one.key, kind=one.kind.value, step=one.step, place=one.place,
        at=max(day.started_at, now - min(timedelta(seconds=one.ago_s), LONGEST_AGO)),
        amount=one.amount) for one in ticks], ignore_conflicts=True)
    # Counted only where it may be too many: what is known grows by what is sent.
    if most_known(day) + LEAST_LEFT > MOST_TICKS and len(events_of(day)) > MOST_TICKS:
        raise ImpossibleChoice(f"A day has {MOST_TICKS} ticks at most.", field="events")


@transaction.atomic
def finish_day(day: Day, *, how: dict[str, object], leftovers: Sequence[LeftOver],
               now: datetime) -> None:
    """End a day: how it was is kept, what is left goes into the larder.

    Raises
    ------
    ImpossibleChoice
        When it is over already.
    """
    if day.ended_at is not None:
        raise ImpossibleChoice("This day is over already.", field="day")
    day.ended_at = now
    day.how = {**how, "leftovers": [[one.name, one.g] for one in leftovers], "orders": []}
    day.save()
    for one in leftovers:
        add_leftover(one.name, g=one.g, day=day)
    transaction.on_commit(news.tell)


@transaction.atomic
def done_with(day: Day, order: Order) -> None:
    """Mark an order as done by a day that ends, so that it can be undone with it."""
    order.done = True
    order.save()
    day.how["orders"].append(order.pk)
    day.save()


@transaction.atomic
def reopen_day(day: Day) -> list[Order]:
    """Go on with a day that was ended by mistake, and return the orders that are open again.

    Leftovers go out of the larder, as far as they are still there.

    Raises
    ------
    ImpossibleChoice
        When it is under way.
    """
    if day.ended_at is None:
        raise ImpossibleChoice("This day is under way.", field="day")
    take_back(day)
    orders = list(Order.objects.prefetch_related("cakes__recipe").filter(
        pk__in=day.how.get("orders", []), done=True))
    for order in orders:
        order.done = False
        order.save()
    day.ended_at, day.how = None, {}
    day.save()
    transaction.on_commit(news.tell)
    return orders


@transaction.atomic
def remove_day(day: Day) -> None:
    """Take a day away with all that was ticked in it; its orders are as they were."""
    day.delete()
    transaction.on_commit(news.tell)


def _start(sheet: RunSheet, orders: Sequence[int], now: datetime) -> Day:
    if not sheet.steps:
        raise ImpossibleChoice("There is nothing to do: the fit fills no pan, or its bake "
                               "cannot be timed.", field="fit")
    day: Day = Day.objects.create(
        title=sheet.title[:120], orders=list(orders), started_at=now, sheet_version=VERSION,
        sheet=as_kept(sheet))
    transaction.on_commit(news.tell)
    return day


def _title(orders: Sequence[str]) -> str:
    if len(orders) == 1:
        return orders[0]
    return f"{', '.join(orders[:-1])} and {orders[-1]}"


def right_now() -> datetime:
    """Return the server's time."""
    return timezone.now()


def days_listed(most: int) -> list[Day]:
    """Return days, those under way first, then the newest."""
    return sorted(Day.objects.all()[:most], key=lambda one: one.ended_at is not None)
