"""The larder: what is there, in which packs it comes; and what a kitchen pays and asks."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import fields

from django.db import transaction

from entremet.core.costing.cost_of import Rates
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.shopping.listing import Pack, Stock
from entremet.core.shopping.wants import Want
from entremet.kitchen.models import Order, StockRow, Workday


def stocks() -> dict[str, Stock]:
    """Return the larder by ingredient."""
    return {row.key: Stock(have_g=row.have_g, where=row.where, packs=packs_of(row))
            for row in StockRow.objects.all()}


def packs_of(row: StockRow) -> tuple[Pack, ...]:
    """Return the packs of a row; what cannot be read of it is none."""
    return tuple(Pack(g=float(one["g"]), price=one.get("price")) for one in row.packs
                 if isinstance(one, dict) and isinstance(one.get("g"), (int, float)))


@transaction.atomic
def put_stock(key: str, *, name: str, have_g: float, packs: Sequence[Pack],
              where: str) -> StockRow:
    """Keep what the larder says of an ingredient.

    Raises
    ------
    ImpossibleChoice
        For an amount that is none.
    """
    if not 0 <= have_g <= 1_000_000:
        raise ImpossibleChoice("There is 0 to 1 000 000 g of it.", field="have_g")
    row, _ = StockRow.objects.update_or_create(key=key, defaults={
        "name": name, "have_g": have_g, "where": where,
        "packs": [{"g": one.g, "price": one.price} for one in packs]})
    return row


@transaction.atomic
def bought(key: str, *, name: str, g: float) -> StockRow:
    """Put what was bought into the larder; a negative amount takes it back, never below nothing."""
    row = StockRow.objects.filter(key=key).first() or StockRow(key=key, name=name)
    row.have_g = max(0.0, row.have_g + g)
    row.save()
    return row


@transaction.atomic
def settle(order: Order, wanted: Sequence[Want]) -> None:
    """Take what a done order used out of the larder, or give it back if it is not done after all.

    Parameters
    ----------
    order : Order
        As it is now; what it took is kept with it, so that only that comes back.
    wanted : sequence of Want
        What its cakes take.
    """
    if order.done and order.used is None:
        taken: dict[str, float] = {}
        grams: dict[str, float] = {}
        for want in wanted:
            grams[want.key] = grams.get(want.key, 0.0) + (want.g or 0.0)
        for row in StockRow.objects.filter(key__in=grams):
            taken[row.key] = min(row.have_g, grams[row.key])
            row.have_g -= taken[row.key]
            row.save()
        order.used = taken
        order.save()
    elif not order.done and order.used is not None:
        for row in StockRow.objects.filter(key__in=order.used):
            row.have_g += order.used[row.key]
            row.save()
        order.used = None
        order.save()


def rates_of(day: Workday) -> Rates:
    """Return what the kitchen pays and asks."""
    return Rates(**{one.name: getattr(day, one.name) for one in fields(Rates)})


def stock_rows() -> list[StockRow]:
    """Return what the larder says, ingredient by ingredient."""
    return list(StockRow.objects.all())
