"""Load the demo kitchen from its files; what is there already stays as it is."""

from __future__ import annotations

import tomllib
from importlib.resources import files
from typing import Any

from django.db import transaction

from entremet.kitchen.models import Kitchen, Oven, RackPan, Recipe


@transaction.atomic
def load_demo() -> int:
    """Add what the demo kitchen lacks and return how many things were added.

    Running it again adds nothing and changes nothing, so edits and kept fits stay.
    """
    data = _read("kitchen.toml")
    _, added = Kitchen.objects.get_or_create(
        id=1, defaults={"name": data["name"], "scale_step_g": data["scale_step_g"]})
    count = int(added)
    for position, row in enumerate(data["ovens"]):
        count += _add(Oven, row, position)
    for position, row in enumerate(data["pans"]):
        count += _add(RackPan, row, position)
    recipes = files("entremet.kitchen.demo").joinpath("recipes")
    names = sorted(one.name for one in recipes.iterdir() if one.name.endswith(".toml"))
    for position, name in enumerate(names):
        count += _add_recipe(_read(f"recipes/{name}"), position)
    return count


def _read(name: str) -> dict[str, Any]:
    return tomllib.loads(files("entremet.kitchen.demo").joinpath(name).read_text("utf-8"))


def _add(model: type[Oven] | type[RackPan], row: dict[str, Any], position: int) -> int:
    fields = {**row, "position": position}
    _, added = model.objects.get_or_create(key=fields.pop("key"), defaults=fields)
    return int(added)


def _add_recipe(row: dict[str, Any], position: int) -> int:
    if Recipe.objects.filter(key=row["key"]).exists():
        return 0
    oven = row["oven"]
    low, high = row["stated_min"]
    recipe = Recipe.objects.create(
        key=row["key"], title=row["title"], style=row["style"], position=position,
        oven_value=oven["value"], oven_scale=oven["scale"], oven_kind=oven["kind"],
        stated_low_min=low, stated_high_min=high, note=row["note"],
        measure_standard=row["measure_standard"], egg_grade=row["egg_grade"])
    for pan in row["pans"]:
        recipe.pans.create(**pan)
    for place, component in enumerate(row["components"]):
        _add_component(recipe, component, place)
    return 1


def _add_component(recipe: Recipe, row: dict[str, Any], position: int) -> None:
    component = recipe.components.create(kind=row["kind"], title=row.get("title", ""),
                                         position=position)
    for place, fields in enumerate(row["lines"]):
        parts = fields.pop("parts", [])
        amount = fields.pop("amount")
        line = component.lines.create(position=place, amount_value=amount,
                                      amount_unit=fields.pop("unit"), **fields)
        for order, part in enumerate(parts):
            line.parts.create(position=order, name=part["name"], share=part["of"] / amount)
