"""Load the demo kitchen from its files; what is there already stays as it is."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime, time, timedelta
from importlib.resources import files
from typing import Any

from django.db import transaction
from django.utils import timezone

from entremet.core.card.card import (
    Card,
    CardLine,
    CardPan,
    CardPart,
    CoolingWay,
    Swap,
    Variant,
)
from entremet.core.labelling.foods import Packet
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.pans.measures import OutlineName, PanMeasures
from entremet.core.reading.recipes import read_recipe
from entremet.kitchen.actions.labels import put_packet
from entremet.kitchen.actions.orders import CakeChoice, OrderChoice, add_order
from entremet.kitchen.actions.recipes import add_recipe
from entremet.kitchen.demo.files import demo_file
from entremet.kitchen.documents import requests
from entremet.kitchen.models import (
    Bowl,
    Kitchen,
    LabelHabits,
    Oven,
    RackPan,
    Recipe,
    StockRow,
    Workday,
)

MADE_AT = datetime(2026, 9, 1, 8, 0, tzinfo=UTC)
"""When the demo cards are said to be written, so that a load is the same every time."""

SATURDAY = 5


@transaction.atomic
def load_demo() -> int:
    """Add what the demo kitchen lacks and return how many things were added.

    Running it again adds nothing and changes nothing, so edits and kept fits stay.
    """
    data = demo_file("kitchen.toml")
    _, added = Kitchen.objects.get_or_create(
        id=1, defaults={"name": data["name"], "scale_step_g": data["scale_step_g"]})
    count = int(added)
    for position, row in enumerate(data["ovens"]):
        count += _add(Oven, row, position)
    for position, row in enumerate(data["bowls"]):
        count += _add(Bowl, row, position)
    for position, row in enumerate(data["pans"]):
        count += _add(RackPan, row, position)
    recipes = files("entremet.kitchen.demo").joinpath("recipes")
    for name in sorted(one.name for one in recipes.iterdir() if one.name.endswith(".toml")):
        row = demo_file(f"recipes/{name}")
        if not Recipe.objects.filter(key=row["key"]).exists():
            add_recipe(demo_card(row), key=row["key"], at=MADE_AT)
            count += 1
    return count + _load_orders(demo_file("orders.toml"))


def _load_orders(data: dict[str, Any]) -> int:
    """Add the demo's Saturday once: a kitchen that was planned in keeps what it has."""
    if Workday.objects.exists():
        return 0
    Workday.objects.create(id=1, **{
        **data["workday"], "opens": time.fromisoformat(data["workday"]["opens"]),
        "closes": time.fromisoformat(data["workday"]["closes"])})
    for row in data["stock"]:
        StockRow.objects.get_or_create(key=row["key"], defaults=row)
    LabelHabits.objects.get_or_create(id=1, defaults=data["labels"])
    for row in data["packets"]:
        put_packet(row["key"], row["called"], Packet(
            opened=row.get("opened", ""), contains=tuple(row.get("contains", ())),
            may_contain=tuple(row.get("may_contain", ()))))
    saturday = _saturday(timezone.now())
    for row in data["orders"]:
        order = dict(row)
        add_order(OrderChoice(
            due=saturday.replace(hour=order.pop("hour")),
            cakes=[_ordered(one) for one in order.pop("cakes")], **order))
    return 2 + sum(len(data[name]) for name in ("orders", "stock", "packets"))


def _saturday(now: datetime) -> datetime:
    """Return the next Saturday that is two days off or more, at midnight."""
    day = now.replace(hour=0, minute=0, second=0, microsecond=0) + timedelta(days=2)
    return day + timedelta(days=(SATURDAY - day.weekday()) % 7)


def _ordered(row: dict[str, Any]) -> CakeChoice:
    recipe = Recipe.objects.get(key=row["recipe"])
    pans = {pan.key: pan.pk for pan in RackPan.objects.all()}
    request = {"recipe": recipe.pk, "revision": recipe.head, "into": [
        {"pan": pans[one["pan"]], "count": one["count"]} for one in row["pans"]]}
    if "oven" in row:
        request["oven"] = Oven.objects.get(key=row["oven"]).pk
    if "finishing" in row:
        request["finishing"] = row["finishing"]
    return CakeChoice(
        label=recipe.title, request=requests.read(request, requests.CURRENT),
        count=row.get("count", 1), inscription=row.get("inscription", ""))


def demo_card(row: dict[str, Any]) -> Card:
    """Return the card of a demo file: its text as read, and what is settled beside it."""
    card = read_recipe(row["text"].strip()).card
    low, high = row["stated_min"]
    oven = row["oven"]
    splits = row.get("splits", {})
    return replace(
        card, style=row["style"], note=row["note"], tags=tuple(row["tags"]),
        setting=Setting(value=oven["value"], scale=Scale(oven["scale"])),
        oven_kind=OvenKind(oven["kind"]),
        phases=tuple(Phase(
            setting=Setting(value=phase["value"], scale=Scale(oven["scale"])),
            minutes=phase["minutes"], covered=phase.get("covered", False))
            for phase in row.get("phases", ())), stated_low_min=low, stated_high_min=high,
        measure_standard=row["measure_standard"], egg_grade=row["egg_grade"],
        stand_min=row.get("stand_min"), cooling=CoolingWay(row["cooling"]),
        pans=tuple(_pan(pan) for pan in row["pans"]),
        lines=tuple(_split(line, splits.pop(line.name, [])) for line in card.lines),
        variants=tuple(
            Variant(key=key, name=variant["name"], swaps=tuple(
                Swap(kind=swap["kind"], share=swap["share"], line=next(
                    line.key for line in card.lines if line.name == swap["line"]))
                for swap in variant["swaps"]))
            for key, variant in enumerate(row.get("variants", []), start=1)))


def _split(line: CardLine, parts: list[dict[str, Any]]) -> CardLine:
    if line.amount is None or not parts:
        return line
    return replace(line, parts=tuple(
        CardPart(name=part["name"], share=part["of"] / line.amount.value, written=part["written"])
        for part in parts))


def _pan(row: dict[str, Any]) -> CardPan:
    measures = dict(row)
    label, count = measures.pop("label"), measures.pop("count", 1)
    return CardPan(label=label, count=count, measures=PanMeasures(
        outline=OutlineName(measures.pop("outline")), **measures))


def _add(model: type[Oven] | type[RackPan] | type[Bowl], row: dict[str, Any], position: int) -> int:
    fields = {**row, "position": position}
    _, added = model.objects.get_or_create(key=fields.pop("key"), defaults=fields)
    return int(added)
