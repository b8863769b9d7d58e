"""From orders and planned days to what the API answers."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence
from contextlib import suppress
from datetime import datetime

from entremet.core.costing.cost_of import Asked, CakeCost, cost_of, is_assumed
from entremet.core.ground.quantities import cm
from entremet.core.pans.pan import PanKind
from entremet.core.plan.request import Request
from entremet.core.shopping.listing import Stock, ToBuy, shopping_list
from entremet.core.timetable.fridge import InTheFridge, filled
from entremet.core.timetable.model import Placed
from entremet.core.work.cake import OrderedCake
from entremet.core.work.ids import CakeId, WorkId, WorkKind
from entremet.core.work.work import Lane, Work, hands_of
from entremet.kitchen.actions import larder, orders
from entremet.kitchen.actions.days import (
    OrderedFit,
    PlannedDays,
    as_moment,
    hands_there,
    load_of,
)
from entremet.kitchen.actions.ordered import fits_of, wants
from entremet.kitchen.actions.recipes import titles_using
from entremet.kitchen.actions.workdays import workday
from entremet.kitchen.api.schemas import costs
from entremet.kitchen.api.schemas import orders as out
from entremet.kitchen.api.schemas.base import provenance
from entremet.kitchen.current import at_one_moment
from entremet.kitchen.errors import Damaged
from entremet.kitchen.models import Order, OrderCake, StockRow, Workday

MOST_USES = 3
"""Recipes named for what is left over."""

BARRED = {"cream": "whipped cream", "custard": "custard", "cream_cheese": "cream cheese",
          "mousse": "mousse"}
"""Kinds that local rules often bar from home sale."""


def order_answer(order: Order) -> out.OrderOut:
    """Return an order with its cakes."""
    cakes = [_cake(one) for one in order.cakes.all()]
    return out.OrderOut.told_by(order, id=order.pk, cakes=cakes,
                           cautions=list(_cautions(order, cakes)))


def order_list(rows: Sequence[Order]) -> list[out.OrderOut]:
    """Return some orders, what they have in common read once."""
    with at_one_moment():
        orders.read_together(rows)
        return [order_answer(one) for one in rows]


def plan_answer(days: PlannedDays) -> out.PlanOut:
    """Return planned days."""
    table = days.table
    words = {task.id: task.words for task in days.tasks}
    titles = {task.id.cake.order: task.order for task in days.tasks if task.id.cake is not None}
    leaves = {one.task.id.cake.order: one.start for one in table.placed
              if one.task.kind is WorkKind.DRIVE and one.task.id.cake is not None}
    return out.PlanOut.told_by(
        days, table, tasks=[_task(one, days, words) for one in table.placed],
        cakes=[_planned_cake(one, leaves) for one in days.cakes],
        filled=[out.FilledOut(start=as_moment(one.start), end=as_moment(one.end),
                              boards=one.boards) for one in filled(table.placed)],
        boards=days.means.boards,
        left_out=[out.LeftOutOut(key=one.text, words=words[one],
                                 order="" if one.cake is None else titles[one.cake.order])
                  for one in table.left_out],
        clash=[out.ClashOut(order=one, title=titles[one]) for one in days.clash],
        make_ahead=[out.MakeAheadOut.told_by(one, key=one.id.text, start=as_moment(one.start))
                    for one in days.make_ahead],
        together=None if days.together is None else out.AheadTogetherOut.told_by(
            days.together, starts=[out.TaskStartOut(key=name.text, start=as_moment(start))
                                   for name, start in days.together.starts]),
        ways_out=[out.WayOutOut.told_by(one, task=None if one.task is None else one.task.text)
                  for one in days.ways_out],
        keeps=[out.CakeKeepsOut.told_by(one, done=as_moment(one.done_min),
                                   until=as_moment(one.until_min), due=as_moment(one.due_min))
               for one in days.keeps],
        fridge=[_fridge(one, days) for one in days.fridge],
        windows=[out.SpanOut(start=as_moment(start), end=as_moment(end))
                 for start, end in days.means.windows],
        ovens=[out.OvenInUseOut(id=one.number or None, name=one.name) for one in days.means.ovens],
        zone=days.workday.zone,
        hands_min=hands_of(days.tasks))


def shopping_answer(fits: Sequence[OrderedFit]) -> out.ShoppingOut:
    """Return the shopping list of some orders."""
    stocks, day = larder.stocks(), workday()
    rows = shopping_list([one for fit in fits for one in wants(fit)], stocks)
    ordered = {fit.cake.recipe_id for fit in fits}
    return out.ShoppingOut(
        rows=[_to_buy(one, stocks, ordered) for one in rows], things=_things(fits),
        price=sum(one.price or 0.0 for one in rows), currency=day.currency,
        without_price=sum(1 for one in rows if one.price is None and (one.buy_g or 0.0) > 0))


def cost_answer(fits: Sequence[OrderedFit], days: PlannedDays) -> costs.CostOut:
    """Return what an order costs, hands and oven by its timetable."""
    stocks, day = larder.stocks(), days.workday
    return _all_cakes([_cost(fit, stocks, days.tasks, day) for fit in fits], day, _price(fits))


def worth_answer(fits: Sequence[OrderedFit], beside: Sequence[Order], *,
                 now: datetime) -> costs.WorthOut:
    """Return what an order comes to that is not kept yet, with what else is due that day."""
    day, (load, tasks) = workday(), load_of(fits)
    stocks = larder.stocks()
    cakes = [_cost(fit, stocks, tasks, day) for fit in fits]
    others, _ = load_of(_readable(beside))
    return costs.WorthOut(
        cost=_all_cakes(cakes, day, _price(fits)), hands_min=load,
        beside=[one.title for one in beside],
        day_hands_min=load + others, hours_min=hands_there(fits, now=now))


def _readable(rows: Sequence[Order]) -> list[OrderedFit]:
    """Return the fits of some orders; one that is damaged has no load that could be told."""
    found = []
    for one in rows:
        with suppress(Damaged, ValueError):
            found += fits_of([one])
    return found


def _price(fits: Sequence[OrderedFit]) -> float | None:
    """Return what was agreed for the one order that fits are of."""
    return fits[0].order.price if fits else None


def _all_cakes(cakes: Sequence[costs.CakeCostOut], day: Workday,
               price: float | None) -> costs.CostOut:
    total = sum(one.total * one.count for one in cakes)
    asked = None if price is None else Asked(
        price=price, cost=total, complete=not any(one.without_price for one in cakes))
    return costs.CostOut(
        cakes=list(cakes), currency=day.currency, total=total,
        by_margin=sum(one.by_margin * one.count for one in cakes),
        asked=None if asked is None else costs.AskedOut(
            price=asked.price, over=asked.over, words=asked.words(day.currency)))


def stock_answer(row: StockRow) -> out.StockOut:
    """Return a row of the larder."""
    return out.StockOut.told_by(
        row, packs=[out.PackOut.told_by(one, count=0) for one in larder.packs_of(row)])


def workday_answer(row: Workday) -> out.WorkdayOut:
    """Return the hours, means and rates of the kitchen."""
    week = [out.WeekdayHoursOut(day=int(day), opens=own and own["opens"],
                                closes=own and own["closes"])
            for day, own in sorted(row.week.items())]
    return out.WorkdayOut.told_by(row, opens=row.opens.strftime("%H:%M"), week=week,
                                  closes=row.closes.strftime("%H:%M"))


def _cake(row: OrderCake) -> out.OrderCakeOut:
    try:
        request: Request | None = orders.request_of(row)
    except (Damaged, ValueError):
        request = None
    return out.OrderCakeOut(
        label=row.label, count=row.count, inscription=row.inscription,
        spelling_confirmed=row.spelling_confirmed, recipe=row.recipe_id,
        recipe_title=row.recipe.title, request=request,
        moved_on=request is not None and request.revision is not None
        and request.revision < row.recipe.head)


def _cautions(order: Order, cakes: Sequence[out.OrderCakeOut]) -> Iterator[str]:
    for one in cakes:
        if one.inscription and not one.spelling_confirmed:
            yield f"The spelling of “{one.inscription}” is not confirmed yet."
    if not order.sold or any(one.request is None for one in cakes):
        return
    kinds = {part.kind for fit in fits_of([order]) for part in fit.finish.parts if part.uses}
    found = [words for kind, words in BARRED.items() if kind in kinds]
    if found:
        yield (f"Local rules often bar home-sold {', '.join(found)}: ask your local authority "
               "before you sell it.")


def _task(one: Placed, days: PlannedDays, words: dict[WorkId, str]) -> out.TaskOut:
    task = one.task
    oven = (None if one.oven is None or one.oven >= len(days.means.ovens)
            else days.means.ovens[one.oven])
    return out.TaskOut.told_by(
        one, task, key=task.id.text, cake="" if task.id.cake is None else task.id.cake.text,
        order_id=None if task.id.cake is None else task.id.cake.order,
        oven=None if oven is None else oven.name,
        oven_id=None if oven is None else oven.number or None,
        start=as_moment(one.start), end=as_moment(one.end),
        waits=[_bound(wait.least_min, wait.most_min, words.get(wait.on, ""), wait.why)
               for wait in task.waits if wait.on in words],
        slack_min=days.slacks.get(task.id),
        heat_c=None if task.heat is None else task.heat.c)


def _planned_cake(one: OrderedCake, leaves: dict[int, int]) -> out.PlannedCakeOut:
    leaves_min = leaves.get(one.id.order)
    return out.PlannedCakeOut(
        key=one.id.text, order_id=one.id.order, order=one.order, cake=one.label,
        due=as_moment(one.due),
        leaves=None if leaves_min is None else as_moment(leaves_min))


def _fridge(one: InTheFridge, days: PlannedDays) -> out.InTheFridgeOut:
    cake = next(each for each in days.cakes if each.id == one.cake)
    return out.InTheFridgeOut.told_by(
        one, order_id=cake.id.order, order=cake.order, cake=cake.label, stays=[
            out.SpanOut(start=as_moment(start), end=as_moment(end)) for start, end in one.stays])


def _bound(least: int, most: int | None, words: str, why: str) -> str:
    said = f"after “{words}”"
    if least:
        said += f", {least} min at least"
    if most is not None:
        said += f", {most} min at most" if most < 600 else f", {most // 60} h at most"
    return f"{said}: {why}" if why else said


def _to_buy(one: ToBuy, stocks: dict[str, Stock], ordered: set[int]) -> out.ToBuyOut:
    known = stocks.get(one.key, Stock()).packs
    return out.ToBuyOut.told_by(
        one, packs=[out.PackOut.told_by(pack, count=count) for pack, count in one.packs],
        cakes=[out.TakesOut(cake=cake, g=g) for cake, g in one.cakes],
        known_packs=[out.PackOut.told_by(pack, count=0) for pack in known],
        left_for=titles_using(one.name, but=ordered, most=MOST_USES)
        if one.packs and one.left_g >= 1 else [])


def _things(fits: Sequence[OrderedFit]) -> list[out.ThingOut]:
    found: Counter[str] = Counter()
    for fit in fits:
        for cake in fit.finish.cakes:
            if cake.dressed.cake.kind.value in ("small", "pieces"):
                continue
            number = cake.dressed.cake.count * fit.cake.count
            found[f"board {cm(cake.board_cm, 0)}"] += number
            found[f"box {cm(cake.board_cm, 0)}, at least {cm(cake.box_cm)} high"] += number
        for support in fit.finish.supports:
            found["supports for tiers"] += support.count * fit.cake.count
    return [out.ThingOut(name=name, count=count) for name, count in sorted(found.items())]


def _cost(fit: OrderedFit, stocks: dict[str, Stock], tasks: Sequence[Work],
          day: Workday) -> costs.CakeCostOut:
    first = CakeId(order=fit.order.pk, row=fit.cake.position)
    # The way is the order's, whatever is in the car.
    own = [task for task in tasks
           if task.id.cake == first and task.kind not in (
               WorkKind.DRIVE, WorkKind.BACK)]
    oven = sum(task.minutes + task.heat.preheat_min for task in own
               if task.lane is Lane.OVEN and task.heat is not None)
    small = all(one.entry.pan is not None and one.entry.pan.kind is PanKind.WELLS
                for one in fit.plan.pans)
    # A cupcake is a portion, whoever cuts the others.
    portions = (sum(one.entry.count for one in fit.plan.pans) if small else sum(
        cake.serving.cut.pieces * cake.dressed.cake.count
        for cake in fit.finish.cakes if cake.serving is not None)) or None
    made: CakeCost = cost_of(
        wants(fit, count=1), stocks, larder.rates_of(day), hands_min=hands_of(own),
        oven_min=oven, portions=portions, small=small)
    return costs.CakeCostOut.told_by(
        made, fit.cake, portions=portions, hands_min=hands_of(own),
        parts=[costs.CostPartOut.told_by(one, assumed=is_assumed(one), origin=provenance(one.sum))
               for one in made.parts])
