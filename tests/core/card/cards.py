"""Cards for the tests, from pasted text."""

from __future__ import annotations

from dataclasses import replace

from entremet.core.card.card import Card, CardPan
from entremet.core.card.recipe import Recipe
from entremet.core.card.resolve import recipe_of
from entremet.core.ingredients.table import TABLE
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.pans.measures import OutlineName, PanMeasures
from entremet.core.reading.recipes import read_recipe

LAYER_CAKE = """
225 g unsalted butter, soft
220 g caster sugar, divided
4 medium eggs
240 g self-raising flour
¼ tsp fine salt
60 ml milk

1. Beat the butter and 180 g of the sugar until pale.
2. Whisk 2 of the eggs with 40 g sugar. Fold in 240 g flour and 60 ml milk.
"""


def card_of(text: str = LAYER_CAKE, **changes: object) -> Card:
    return replace(read_recipe(text, title="Test card").card, **changes)


def settled(text: str = LAYER_CAKE, **changes: object) -> Card:
    return card_of(text, **{
        "style": "creamed", "measure_standard": "metric", "egg_grade": "uk_medium",
        "setting": Setting(value=170, scale=Scale.CELSIUS), "oven_kind": OvenKind.CONVENTIONAL,
        "stated_low_min": 34.0, "stated_high_min": 34.0,
        "pans": (CardPan(label="round 18", count=2, measures=PanMeasures(
            outline=OutlineName.ROUND, across=18, wall_cm=7.5)),),
        **changes})


def resolved(card: Card) -> Recipe:
    return recipe_of(card, table=TABLE, as_written=card)


def grams(card: Card, name: str) -> float:
    recipe = resolved(card)
    return sum(weight.value for line in recipe.lines
               if line.ingredient is not None and line.ingredient.key == name
               and (weight := recipe.weights[line.key]) is not None)
