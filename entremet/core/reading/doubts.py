"""Lines that were read without trouble and still are hardly right; each is asked about once."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator

from entremet.core.card.card import Card, CardLine
from entremet.core.card.lines import Component
from entremet.core.ingredients.table import Ingredient, IngredientTable, Role
from entremet.core.measures.units import Unit

MOST_SPOONS = 12
"""Spoons of one thing beyond which nobody counts; practice, 8 to 16."""
MOST_PIECES = 24
"""Pieces of one thing beyond which nobody counts; practice, 20 to 30."""
LEAST_LINES = 4
"""Lines from which on a batter without flour and egg is no batter."""

STARCHY = frozenset({Role.FLOUR, Role.STARCH, Role.NUT})
_BAKED = frozenset({Component.BATTER, Component.BASE_LAYER, Component.FILLING,
                    Component.TOP_LAYER, Component.INCLUSION})


def doubts(card: Card, table: IngredientTable) -> Iterator[tuple[int, str]]:
    """Return lines in doubt by their keys, each with what is asked; a line once.

    Parameters
    ----------
    card : Card
        As read.
    table : IngredientTable
        With the baker's own.
    """
    told: set[int] = set()
    for key, why in (*_amounts(card, table), *_twice(card), *_no_batter(card, table)):
        if key not in told:
            told.add(key)
            yield key, why


def _amounts(card: Card, table: IngredientTable) -> Iterator[tuple[int, str]]:
    for line in card.lines:
        amount, known = line.amount, table.rows.get(line.ingredient)
        if amount is None or known is None or line.second is not None:
            continue
        name = line.name or line.text
        if amount.unit is Unit.PIECE and not _comes_in_pieces(known):
            yield line.key, f"{amount.value:g} of {name}: no one counts that. Which unit is meant?"
        elif amount.unit is Unit.PIECE and amount.value > MOST_PIECES:
            yield line.key, f"{amount.value:g} pieces of {name} are many. Is a unit missing?"
        elif amount.unit in (Unit.TEASPOON, Unit.TABLESPOON) and amount.value > MOST_SPOONS:
            yield line.key, f"{amount.value:g} spoons of {name} are many. Is that right?"


def _comes_in_pieces(known: Ingredient) -> bool:
    return known.piece_g is not None or known.role in (Role.EGG, Role.FRUIT, Role.FLAVOUR) or (
        known.role is Role.NUT and not known.key.startswith(("ground_", "flaked_")))


def _twice(card: Card) -> Iterator[tuple[int, str]]:
    """Ask about a thing that stands twice in one batter: a heading may be lost between them."""
    batters = {one.key for one in card.components if one.kind is Component.BATTER}
    for home in batters:
        own = [line for line in card.lines if line.component == home and line.amount is not None]
        seen: dict[str, list[CardLine]] = defaultdict(list)
        for line in own:
            if line.ingredient:
                seen[line.ingredient].append(line)
        twice = [lines for lines in seen.values() if len(lines) > 1]
        for lines in twice[:1]:
            yield lines[-1].key, (f"{lines[-1].name or lines[-1].text} stands twice in the batter. "
                                  "Is the later one for another part of the cake?")
        if twice:
            continue
        odd = next((line for line in own if line.ingredient == "icing_sugar"), None)
        if odd is not None and any(line.ingredient.endswith("_sugar") for line in own
                                   if line is not odd):
            yield odd.key, (f"{odd.name} beside another sugar in the batter: is it for another "
                            "part of the cake?")


def _no_batter(card: Card, table: IngredientTable) -> Iterator[tuple[int, str]]:
    """Ask where the batter is, when what is read as batter has no flour, no nut and no egg."""
    if len(card.lines) < LEAST_LINES:
        return
    kinds = {one.key: one.kind for one in card.components}
    roles = {known.role for line in card.lines if kinds[line.component] in _BAKED
             and (known := table.rows.get(line.ingredient)) is not None}
    if not roles & STARCHY and Role.EGG not in roles:
        yield card.lines[0].key, ("No part of this card has flour or egg in it. Is the batter on "
                                  "another card, or is a part named wrongly?")
