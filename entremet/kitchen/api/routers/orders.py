"""Orders, the days they are planned for, shopping and cost."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Literal

from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Path, Query, Router, Status

from entremet.core.ground.errors import ImpossibleChoice
from entremet.kitchen.actions import (
    days,
    fitting,
    keeping,
    larder,
    orders,
    searches,
    workdays,
)
from entremet.kitchen.actions.days import Wishes
from entremet.kitchen.actions.messages import order_in
from entremet.kitchen.actions.ordered import (
    due_beside,
    fits_as_typed,
    fits_of,
    settle_larder,
)
from entremet.kitchen.actions.orders import CakeChoice, OrderChoice
from entremet.kitchen.api import plan_files
from entremet.kitchen.api.downloads import described, file_response
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.order_answers import (
    cost_answer,
    order_answer,
    order_list,
    plan_answer,
    shopping_answer,
    stock_answer,
    workday_answer,
    worth_answer,
)
from entremet.kitchen.api.rendering import sent
from entremet.kitchen.api.schemas import costs
from entremet.kitchen.api.schemas import orders as io
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.messages import MessageIn, MessageOut
from entremet.kitchen.api.writing import writes
from entremet.kitchen.current import at_one_moment

router = Router(tags=["orders"])

REFUSED = {400: ProblemOut, 404: ProblemOut, 422: ProblemOut}
TYPES = {"ics": "text/calendar", "csv": "text/csv", "txt": "text/plain"}


@router.get("/orders", response={200: list[io.OrderOut], 422: ProblemOut},
            operation_id="list_orders")
def list_orders(request: HttpRequest, done: bool = False,
                most: Annotated[int, Query(ge=1, le=1000)] = 60) -> list[io.OrderOut]:
    """Orders by when they are due; of those that are done the latest, only where asked for."""
    return order_list(orders.orders_listed(done=most if done else 0))


@router.post("/orders", operation_id="add_order",
             response={201: io.OrderOut, 409: ProblemOut, **REFUSED})
@writes
def add_order(request: HttpRequest, body: io.OrderIn) -> Status[io.OrderOut]:
    """Add an order; a cake that cannot be worked out is refused."""
    return Status(201, order_answer(orders.order_row(orders.add_order(_choice(body)).pk)))


@router.put("/orders/{order_id}", operation_id="change_order",
            response={200: io.OrderOut, 409: ProblemOut, **REFUSED})
@writes
def change_order(request: HttpRequest, order_id: Path[Id],
                 body: io.ChangedOrderIn) -> io.OrderOut:
    """Change an order and its cakes; what is done has used what the larder had for it."""
    order = orders.change_order(order_id, _choice(body), base=body.base)
    settle_larder(order)
    return order_answer(order)


@router.delete("/orders/{order_id}", operation_id="remove_order",
               response={204: None, 404: ProblemOut, 422: ProblemOut})
@writes
def remove_order(request: HttpRequest, order_id: Path[Id]) -> Status[None]:
    """Take an order away."""
    orders.remove_order(order_id)
    return Status(204, None)


@router.get("/workday", response=io.WorkdayOut, operation_id="get_workday")
def get_workday(request: HttpRequest) -> io.WorkdayOut:
    """Hours, means and rates that days are planned and priced with."""
    return workday_answer(workdays.workday())


@router.put("/workday", operation_id="change_workday",
            response={200: io.WorkdayOut, 409: ProblemOut, **REFUSED})
@writes
def change_workday(request: HttpRequest, body: io.WorkdayIn) -> io.WorkdayOut:
    """Change them."""
    return workday_answer(workdays.put_workday(
        body.to_model(), base=body.base, due=body.due))


@router.post("/plan", response={200: io.PlanOut, **REFUSED}, operation_id="plan_days")
def plan_days(request: HttpRequest, body: io.PlanIn) -> HttpResponse:
    """The days of some orders as tasks with start, end and reason. Nothing is stored."""
    # What is laid out moves on with the clock: nothing is planned in the past.
    return sent(f"plan {timezone.now():%Y-%m-%d %H:%M}", request, lambda: _plan(body))


@router.get("/plan/searches/{key}", response={200: io.SearchOut, 404: ProblemOut, 422: ProblemOut},
            operation_id="get_search")
def get_search(request: HttpRequest, key: Path[io.SearchKey]) -> io.SearchOut:
    """How a search for a better plan stands."""
    progress = searches.progress_of(key)
    return io.SearchOut(share=progress.share, gap=progress.gap)


@router.delete("/plan/searches/{key}", response={204: None, 422: ProblemOut},
               operation_id="stop_search")
def stop_search(request: HttpRequest, key: Path[io.SearchKey]) -> Status[None]:
    """Let a search end with the best it has, or as soon as it begins."""
    searches.stop_search(key)
    return Status(204, None)


@router.post("/plan/file/{kind}", operation_id="plan_file", response=REFUSED,
             openapi_extra=described("text/calendar", "text/csv"))
def plan_file(request: HttpRequest, kind: Path[Literal["ics", "csv"]],
              body: io.PlanIn) -> HttpResponse:
    """A plan as a calendar file with alarms, or as CSV."""
    plan = _plan(body)
    text = plan_files.plan_calendar(plan) if kind == "ics" else plan_files.plan_csv(plan)
    return file_response(f"timetable.{kind}", TYPES[kind], text)


@router.put("/plan/tasks", operation_id="fix_task", response={204: None, **REFUSED})
@writes
def fix_task(request: HttpRequest, body: io.FixIn) -> Status[None]:
    """Put a task somewhere, say that it is done, or let it be planned again."""
    days.fix_task(body.key, start=body.start, oven=body.oven, done=body.done)
    return Status(204, None)


@router.post("/plan/anew", operation_id="plan_anew", response={204: None, **REFUSED})
@writes
def plan_anew(request: HttpRequest, body: io.OrdersIn) -> Status[None]:
    """Let everything of some orders be planned anew; what is done stays done."""
    days.forget_fixes(body.orders)
    return Status(204, None)


@router.post("/shopping", response={200: io.ShoppingOut, **REFUSED},
             operation_id="shopping_list")
def shopping_list(request: HttpRequest, body: io.OrdersIn) -> HttpResponse:
    """What has to be bought for some orders."""
    return sent("shopping", request, lambda: _shopping(body))


@router.post("/shopping/file/{kind}", operation_id="shopping_file", response=REFUSED,
             openapi_extra=described("text/csv", "text/plain"))
def shopping_file(request: HttpRequest, kind: Path[Literal["csv", "txt"]],
                  body: io.OrdersIn) -> HttpResponse:
    """The shopping list as CSV or plain text."""
    shopping = _shopping(body)
    text = (plan_files.shopping_csv if kind == "csv" else plan_files.shopping_text)(shopping)
    return file_response(f"shopping.{kind}", TYPES[kind], text)


@router.get("/larder", response={200: list[io.StockOut]}, operation_id="list_larder")
def list_larder(request: HttpRequest) -> list[io.StockOut]:
    """What the larder says of each ingredient."""
    return [stock_answer(row) for row in larder.stock_rows()]


@router.put("/larder", response={200: io.StockOut, **REFUSED}, operation_id="put_stock")
@writes
def put_stock(request: HttpRequest, body: io.StockIn) -> io.StockOut:
    """Keep what the larder says of an ingredient."""
    return stock_answer(larder.put_stock(
        body.key, name=body.name, have_g=body.have_g, where=body.where,
        packs=[one.to_core() for one in body.packs]))


@router.post("/larder/bought", response={200: io.StockOut, **REFUSED}, operation_id="bought")
@writes
def bought(request: HttpRequest, body: io.BoughtIn) -> io.StockOut:
    """Put what was bought into the larder, or take it back."""
    return stock_answer(larder.bought(body.key, name=body.name, g=body.g))


@router.get("/orders/{order_id}/cost", response={200: costs.CostOut, **REFUSED},
            operation_id="cost_of")
def cost_of(request: HttpRequest, order_id: Path[Id]) -> costs.CostOut:
    """What an order costs, and what to ask for it."""
    fits = fits_of([orders.order_row(order_id)])
    return cost_answer(fits, days.plan_days(fits, Wishes(days_before=2)))


@router.post("/worth", response={200: costs.WorthOut, **REFUSED}, operation_id="worth_of")
def worth_of(request: HttpRequest, body: io.TypedOrderIn) -> costs.WorthOut:
    """What an order would cost and ask of its day. Nothing is stored."""
    return _worth(body)


@router.post("/readings/message", response={200: MessageOut, 422: ProblemOut},
             operation_id="read_message")
def read_message(request: HttpRequest, body: MessageIn) -> MessageOut:
    """What a message orders, and what has to be asked. Nothing is stored."""
    found = order_in(body.text, now=timezone.now())
    return MessageOut.told_by(found, found.read, questions=list(found.questions))


@at_one_moment()
def _worth(body: io.TypedOrderIn) -> costs.WorthOut:
    choice = OrderChoice(title="", due=body.due, drive_min=body.drive_min, price=body.price,
                         cakes=[_cake(one, place) for place, one in enumerate(body.cakes)])
    beside = due_beside(body.due, but=body.order)
    return worth_answer(fits_as_typed(choice), beside, now=timezone.now())


@at_one_moment()
def _plan(body: io.PlanIn) -> io.PlanOut:
    fits = fits_of(orders.orders_named(body.orders))
    return plan_answer(days.plan_days(fits, Wishes(
        days_before=body.days_before, hands=body.hands,
        opens=None if body.opens is None else io.clock_time(body.opens),
        closes=None if body.closes is None else io.clock_time(body.closes),
        ovens=None if body.ovens is None else tuple(body.ovens),
        now=body.now or timezone.now(),
        effort=body.effort, search=body.search)))


@at_one_moment()
def _shopping(body: io.OrdersIn) -> io.ShoppingOut:
    return shopping_answer(fits_of(orders.orders_named(body.orders)))


def _choice(body: io.OrderIn) -> OrderChoice:
    return OrderChoice(
        title=body.title.strip() or body.title, due=body.due, occasion=body.occasion,
        note=body.note, carried_in=body.carried_in, sold=body.sold, drive_min=body.drive_min,
        done=body.done, price=body.price,
        cakes=[_cake(one, place) for place, one in enumerate(body.cakes)])


def _cake(one: io.OrderCakeIn, place: int) -> CakeChoice:
    fit, label = one.fit, one.label.strip()
    if one.kept is not None:
        kept = keeping.kept_fit(one.kept)
        fit, label = keeping.request_of(kept), label or kept.name
    if fit is None:
        raise ImpossibleChoice("Choose a kept fit, or give one.", field=f"cakes.{place}.fit")
    fitted = fitting.fit(fit)
    return CakeChoice(label=label or fitted.plan.recipe.title, count=one.count,
                      request=replace(fit, revision=fitted.revision),
                      inscription=one.inscription.strip(),
                      spelling_confirmed=one.spelling_confirmed)

