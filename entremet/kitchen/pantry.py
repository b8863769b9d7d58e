"""The ingredient table of this kitchen: the one that ships, with the baker's own on top."""

from __future__ import annotations

from functools import lru_cache

from entremet.core.ingredients.table import TABLE, Ingredient, IngredientTable, Role
from entremet.core.ingredients.usual import USUAL, Usual
from entremet.core.measures.fractions import write_number
from entremet.core.measures.units import Unit, ml_per, standard
from entremet.core.reading.lines import Memory
from entremet.kitchen.current import once
from entremet.kitchen.models import Answer, Kitchen, OwnIngredient, OwnWeight

_Own = tuple[str, str, str]
_Weight = tuple[str, float, str, str, float]


def table() -> IngredientTable:
    """Return the table with the baker's own ingredients and weights."""
    return once("pantry", _table_here)


def _table_here() -> IngredientTable:
    return _table(
        tuple(OwnIngredient.objects.values_list("key", "name", "role")),
        tuple(OwnWeight.objects.values_list("ingredient", "amount", "unit", "standard", "grams")),
        usual())


def usual() -> Usual:
    """Return the cups and eggs this kitchen takes a recipe to mean that does not say."""
    row = once("kitchen row", Kitchen.objects.first)
    return USUAL if row is None else Usual(standard=row.measure_standard, grade=row.egg_grade)


def memory() -> Memory:
    """Return the answers given before."""
    names: dict[str, str] = {}
    ounces: dict[str, Unit] = {}
    for asked, phrase, value in Answer.objects.values_list("asked", "phrase", "value"):
        if asked == Answer.Asked.NAME:
            names[phrase] = value
        else:
            ounces[phrase] = Unit(value)
    return Memory(names=names, ounces=ounces)


@lru_cache(maxsize=4)
def _table(own: tuple[_Own, ...], weights: tuple[_Weight, ...],
           usual_here: Usual) -> IngredientTable:
    rows = {key: Ingredient(key=key, name=name, aliases=(), role=Role(role), measure="",
                            g_per_100ml=None, states={}, own=True)
            for key, name, role in own}
    for key, amount, unit, sizes, grams in weights:
        row = rows.get(key) or TABLE.rows.get(key)
        volume_ml = ml_per(Unit(unit), standard(sizes))
        if row is not None and volume_ml:
            words = f"{write_number(amount)} {unit} weighs {grams:g} g"
            rows[key] = row.weighed(grams / (amount * volume_ml) * 100, words)
    return TABLE.with_own(rows.values(), usual_here)
