"""Labels, cards to hand over, what packets say."""

from __future__ import annotations

from contextlib import suppress
from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Router, Status
from pydantic import Field

from entremet.core.ground.errors import ImpossibleChoice
from entremet.kitchen.actions import days, labels, orders
from entremet.kitchen.actions.days import Wishes
from entremet.kitchen.actions.ordered import fits_of
from entremet.kitchen.actions.packets import label_habits
from entremet.kitchen.api.downloads import described, file_response
from entremet.kitchen.api.label_answers import habits_answer, label_answer, packet_answer
from entremet.kitchen.api.schemas import labels as io
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.writing import writes

router = Router(tags=["labels"])

REFUSED = {400: ProblemOut, 404: ProblemOut, 422: ProblemOut}


@router.post("/labels", response={200: io.LabelOut, **REFUSED}, operation_id="make_label")
def make_label(request: HttpRequest, body: io.LabelIn) -> io.LabelOut:
    """The label of a cake of a fit, and the card that goes with it. Nothing is stored."""
    return label_answer(_labelled(body), body.cake)


@router.post("/labels/pdf", operation_id="print_label", response=REFUSED,
             openapi_extra=described("application/pdf"))
@writes
def print_label(request: HttpRequest, body: io.LabelsPrintIn) -> HttpResponse:
    """A label on sheets as PDF; its allergens are remembered for the next one."""
    return file_response("labels.pdf", "application/pdf", labels.printed(
        _labelled(body), count=body.count, first=body.first))


@router.post("/labels/text", operation_id="label_text", response=REFUSED,
             openapi_extra=described("text/plain"))
@writes
def label_text(request: HttpRequest, body: io.LabelIn) -> HttpResponse:
    """A label as plain text; its allergens are remembered for the next one."""
    return file_response("label.txt", "text/plain; charset=utf-8",
                         labels.as_text(_labelled(body)))


@router.post("/labels/card", operation_id="label_card", response=REFUSED,
             openapi_extra=described("application/pdf"))
def label_card(request: HttpRequest, body: io.LabelIn) -> HttpResponse:
    """The card that goes with a cake, as PDF. Nothing is stored."""
    return file_response("card.pdf", "application/pdf", labels.card_pdf(_labelled(body)))


@router.get("/labels/habits", response=io.LabelHabitsOut, operation_id="get_label_habits")
def get_label_habits(request: HttpRequest) -> io.LabelHabitsOut:
    """How this kitchen labels, with what there is to choose from."""
    return habits_answer(label_habits())


@router.put("/labels/habits", operation_id="change_label_habits",
            response={200: io.LabelHabitsOut, 409: ProblemOut, 400: ProblemOut, 422: ProblemOut})
@writes
def change_label_habits(request: HttpRequest, body: io.LabelHabitsIn) -> io.LabelHabitsOut:
    """Change how this kitchen labels."""
    return habits_answer(labels.put_label_habits(body.to_model(), base=body.base))


@router.get("/labels/packets", response=list[io.PacketOut], operation_id="list_packets")
def list_packets(request: HttpRequest) -> list[io.PacketOut]:
    """What packets say, by ingredient."""
    return [packet_answer(row) for row in labels.packet_rows()]


@router.put("/labels/packets", operation_id="put_packet",
            response={200: io.PacketOut, 400: ProblemOut, 422: ProblemOut})
@writes
def put_packet(request: HttpRequest, body: io.PacketIn) -> io.PacketOut:
    """Keep what a packet says of an ingredient."""
    return packet_answer(labels.put_packet(body.key, body.called, body.to_core()))


@router.delete("/labels/packets", operation_id="forget_packet",
               response={204: None, 422: ProblemOut})
@writes
def forget_packet(request: HttpRequest,
                  key: Annotated[str, Field(min_length=1, max_length=200)]) -> Status[None]:
    """Forget what a packet says; labels with it wait again."""
    labels.forget_packet(key)
    return Status(204, None)


def _labelled(body: io.LabelIn) -> labels.Labelled:
    return labels.labelled(body.fit, body.to_core(_planned(body)))


def _planned(body: io.LabelIn) -> labels.LabelPlan | None:
    """Return the days of an order's cake by the plan of all open orders, else of its own."""
    if not body.of_order or body.made_on is not None:
        return None
    number, row = (int(one) for one in body.of_order.split("."))
    own = orders.order_row(number)
    rows = {own.pk: own, **{one.pk: one for one in orders.open_orders()}}
    for some in (list(rows.values()), [own]):
        with suppress(ImpossibleChoice):
            found = labels.planned_dates(days.plan_days(fits_of(some), Wishes()), number, row)
            if found is not None:
                return found
    return None
