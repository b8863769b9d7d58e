"""Orders: added, changed, taken away; their cakes stand as they were chosen."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from django.db import transaction

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.plan.request import Request
from entremet.kitchen.actions import at_hand, last_time
from entremet.kitchen.actions.versions import next_version
from entremet.kitchen.current import known
from entremet.kitchen.documents import requests
from entremet.kitchen.errors import NameTaken, NotHere
from entremet.kitchen.models import Order, OrderCake, RackPan, Recipe, Revision

MOST_CAKES = 40


@dataclass(frozen=True, slots=True, kw_only=True)
class CakeChoice:
    """A cake as it is ordered."""

    label: str
    request: Request
    count: int = 1
    inscription: str = ""
    spelling_confirmed: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class OrderChoice:
    """An order as it is given."""

    title: str
    due: datetime
    cakes: Sequence[CakeChoice]
    occasion: str = ""
    note: str = ""
    carried_in: str = ""
    sold: bool = False
    drive_min: int = 0
    done: bool = False
    price: float | None = None


@transaction.atomic
def add_order(choice: OrderChoice) -> Order:
    """Add an order.

    Raises
    ------
    NameTaken
        When another order has its title.
    NotHere
        When a recipe is not in this kitchen.
    """
    if Order.objects.filter(title=choice.title).exists():
        raise NameTaken(f"There is an order called “{choice.title}” already.", field="title")
    order = Order(**_fields(choice))
    order.save()
    _put_cakes(order, choice.cakes)
    return order


@transaction.atomic
def change_order(order_id: int, choice: OrderChoice, *, base: int) -> Order:
    """Change an order and its cakes.

    Raises
    ------
    NotHere
        When there is none of that id.
    EditedMeanwhile
        When it was changed since it was read.
    NameTaken
        When another order has its title.
    """
    order = order_row(order_id)
    next_version(order, base=base, name="This order")
    if Order.objects.filter(title=choice.title).exclude(pk=order_id).exists():
        raise NameTaken(f"There is an order called “{choice.title}” already.", field="title")
    for name, value in _fields(choice).items():
        setattr(order, name, value)
    order.save()
    was = [(one.request, one.count) for one in order.cakes.all()]
    order.cakes.all().delete()
    _put_cakes(order, choice.cakes)
    if was != [(requests.kept(one.request), one.count) for one in choice.cakes]:
        # What was fixed or done of other cakes is not these.
        order.fixes.all().delete()
    return order_row(order_id)


@transaction.atomic
def remove_order(order_id: int) -> None:
    """Take an order away with its cakes and what was fixed of its plan.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    order_row(order_id).delete()


def order_row(order_id: int) -> Order:
    """Return an order with its cakes.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    order: Order | None = Order.objects.prefetch_related("cakes__recipe").filter(
        pk=order_id).first()
    if order is None:
        raise NotHere("This order is not here.", field="order")
    return order


def open_orders() -> list[Order]:
    """Return the orders that are not done, with their cakes, by when they are due."""
    return list(Order.objects.filter(done=False).prefetch_related("cakes__recipe"))


def orders_named(ids: Sequence[int]) -> list[Order]:
    """Return orders by their ids, by when they are due.

    Raises
    ------
    NotHere
        When one is not here.
    """
    rows = list(Order.objects.prefetch_related("cakes__recipe").filter(pk__in=ids))
    if len(rows) != len(set(ids)):
        raise NotHere("One of these orders is not here any more.", field="orders")
    return rows


def read_together(rows: Sequence[Order]) -> None:
    """Read what the cakes of some orders go by together, once for an answer; else nothing is done.

    Parameters
    ----------
    rows : sequence of Order
        With their cakes and recipes at hand.
    """
    cakes = [cake for order in rows for cake in order.cakes.all()]
    if len(cakes) < 2:
        return
    recipes = {cake.recipe_id: cake.recipe for cake in cakes}
    wanted = {(cake.recipe_id, number) for cake in cakes if isinstance(
        number := cake.request.get("revision", cake.recipe.head) if isinstance(
            cake.request, dict) else None, int)}
    revisions = Revision.objects.filter(recipe_id__in=recipes,
                                        number__in={number for _, number in wanted})
    last_time.read_together(recipes)
    known({**{("recipe", pk): recipe for pk, recipe in recipes.items()},
           **{("revision", one.recipe_id, one.number): one for one in revisions
              if (one.recipe_id, one.number) in wanted}})


def request_of(cake: OrderCake) -> Request:
    """Return what a cake's fit asks for, with the pans it was chosen with.

    Raises
    ------
    Damaged
        When it cannot be read any more.
    """
    return requests.read(cake.request, cake.request_version, copies=cake.pans,
                         racked=at_hand.racked)


def _fields(choice: OrderChoice) -> dict[str, Any]:
    return {"title": choice.title, "due": choice.due, "occasion": choice.occasion,
            "note": choice.note, "carried_in": choice.carried_in, "sold": choice.sold,
            "drive_min": choice.drive_min, "done": choice.done, "price": choice.price}


def _put_cakes(order: Order, cakes: Sequence[CakeChoice]) -> None:
    if len(cakes) > MOST_CAKES:
        raise ImpossibleChoice(f"An order holds {MOST_CAKES} cakes at most.", field="cakes")
    here = set(Recipe.objects.filter(pk__in=[one.request.recipe for one in cakes]).values_list(
        "pk", flat=True))
    for place, one in enumerate(cakes):
        if one.request.recipe not in here:
            raise NotHere("This recipe is not in the kitchen.", field=f"cakes.{place}.fit.recipe")
        OrderCake.objects.create(
            order=order, recipe_id=one.request.recipe, label=one.label,
            request=(document := requests.kept(one.request)),
            request_version=requests.CURRENT, count=one.count, inscription=one.inscription,
            position=place,
            spelling_confirmed=one.spelling_confirmed,
            pans=requests.copies_of(RackPan.objects.filter(
                pk__in=requests.pans_named(document))))


def orders_listed(*, done: int) -> list[Order]:
    """Return orders by when they are due: every open one, and so many of the latest done."""
    rows = Order.objects.prefetch_related("cakes__recipe")
    found = list(rows.filter(done=False))
    if done:
        found += rows.filter(done=True).order_by("-due", "-pk")[:done]
    return sorted(found, key=lambda one: (one.due, one.pk))
