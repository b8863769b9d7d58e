"""What orders come to: their fits, each as it was ordered, and what goes into them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from datetime import datetime

from entremet.core.running.state import Stand, state_of
from entremet.core.shopping.wants import Want, wants_of
from entremet.core.timetable.hours import zone
from entremet.core.work.ids import AT_ONCE, WorkKind
from entremet.kitchen.actions import day_sheets, fitting, larder, orders
from entremet.kitchen.actions.day_log import events_of
from entremet.kitchen.actions.days import OrderedFit
from entremet.kitchen.actions.orders import OrderChoice
from entremet.kitchen.actions.workdays import workday
from entremet.kitchen.current import at_one_moment
from entremet.kitchen.errors import Damaged
from entremet.kitchen.models import Day, Order, OrderCake


def fits_of(rows: Sequence[Order]) -> list[OrderedFit]:
    """Work out the fits of some orders, each by the revision it was ordered with."""
    found = []
    with at_one_moment():
        orders.read_together(rows)
        for order in rows:
            for cake in order.cakes.all():
                asked = orders.request_of(cake)
                fitted, done = fitting.finished(
                    replace(asked, revision=asked.revision or cake.recipe.head))
                found.append(OrderedFit(order=order, cake=cake, fitted=fitted, finish=done))
    return found


def fits_as_typed(choice: OrderChoice) -> list[OrderedFit]:
    """Work out the fits of an order that is not kept: nothing is written."""
    order = Order(pk=AT_ONCE, title=choice.title, due=choice.due, drive_min=choice.drive_min,
                  sold=choice.sold, price=choice.price)
    found = []
    with at_one_moment():
        for place, one in enumerate(choice.cakes):
            fitted, done = fitting.finished(one.request)
            cake = OrderCake(order=order, recipe_id=one.request.recipe, label=one.label,
                             count=one.count, inscription=one.inscription, position=place)
            found.append(OrderedFit(order=order, cake=cake, fitted=fitted, finish=done))
    return found


def due_beside(due: datetime, *, but: int | None) -> list[Order]:
    """Return the open orders due on the same day of the kitchen's clock, but one."""
    where = zone(workday().zone)
    day = due.astimezone(where).date()
    return [one for one in orders.open_orders()
            if one.pk != but and one.due.astimezone(where).date() == day]


def wants(fit: OrderedFit, *, count: int | None = None) -> list[Want]:
    """Return what a cake of an order takes, all its copies together unless told otherwise."""
    return list(wants_of(fit.plan, fit.finish, cake=fit.cake.label,
                         count=fit.cake.count if count is None else count))


def settle_larder(order: Order) -> None:
    """Take what a done order used out of the larder, or give it back; a damaged one took none."""
    try:
        fits = fits_of([order]) if order.done else []
    except (Damaged, ValueError):
        fits = []
    larder.settle(order, [one for fit in fits for one in wants(fit)])


def boxed(day: Day, *, now: datetime) -> list[Order]:
    """Return the orders of a day whose cakes are all in their boxes."""
    state = state_of(day_sheets.sheet_in(day), events_of(day), now)
    found = []
    for order in Order.objects.prefetch_related("cakes__recipe").filter(pk__in=day.orders,
                                                                       done=False):
        # By its number: an order may be renamed while its day is under way.
        boxes = [one for one in state.steps if one.step.kind is WorkKind.BOX
                 and one.step.id.cake is not None and one.step.id.cake.order == order.pk]
        if boxes and all(one.stand is Stand.DONE for one in boxes):
            found.append(order)
    return found
