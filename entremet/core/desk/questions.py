"""Questions about single lines: what could not be read or known for certain is asked about once."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from enum import Enum

from entremet.core.card.card import Card, CardLine, CardPart
from entremet.core.card.lines import Component
from entremet.core.card.recipe import Recipe, TiedStep
from entremet.core.card.ties import tied_steps
from entremet.core.desk.splits import split_by_steps
from entremet.core.ingredients.search import near
from entremet.core.ingredients.table import Ingredient, IngredientTable
from entremet.core.measures.units import Unit
from entremet.core.reading.lines import DIVIDED


class Ask(Enum):
    """What is asked about a line."""

    UNREAD = "unread"
    NAME = "name"
    AMOUNT = "amount"
    OUNCES = "ounces"
    SPLIT = "split"
    TWO_THINGS = "two_things"


@dataclass(frozen=True, slots=True, kw_only=True)
class Question:
    """A question about a line.

    Parameters
    ----------
    line : int
        The line.
    ask : Ask
        What is asked.
    text : str
        The question.
    near : tuple of Ingredient
        Ingredients it could mean, likeliest first; none is taken without an answer.
    parts : tuple of CardPart
        The split that the method's own amounts make; empty where they make none.
    """

    line: int
    ask: Ask
    text: str
    near: tuple[Ingredient, ...] = ()
    parts: tuple[CardPart, ...] = ()


_TWO = re.compile(r"(?:^|\b)(?:plus|and|\+|&)\s+(?:\d|a\s|one\s)|zest and juice|juice and zest",
                  re.IGNORECASE)


def questions(card: Card, recipe: Recipe, *, table: IngredientTable) -> list[Question]:
    """Return what is asked about the lines of a card, in their order; settled ones are left out.

    Parameters
    ----------
    card : Card
        As kept.
    recipe : Recipe
        The same, resolved.
    table : IngredientTable
        With the baker's own rows.
    """
    divided = any(DIVIDED.search(line.note) and not line.parts for line in card.lines)
    steps = tied_steps(card, table=table) if divided else ()
    return [question for line in card.lines
            for question in _about(line, card, recipe, steps, table)
            if question.ask.value not in line.settled]


def _about(line: CardLine, card: Card, recipe: Recipe, steps: Sequence[TiedStep],
           table: IngredientTable) -> Iterator[Question]:
    if not line.name and line.amount is None:
        yield Question(line=line.key, ask=Ask.UNREAD, near=tuple(near(line.text, table)),
                       text=f"“{line.text}” cannot be read. Write it as an amount and an "
                            "ingredient, or leave it as written.")
        return
    if line.ingredient not in table.rows and _weight_matters(line, card, recipe):
        yield Question(line=line.key, ask=Ask.NAME, near=tuple(near(line.name, table)),
                       text=f"What is “{line.name}”?")
    if (_TWO.search(f"{line.name} {line.note}") and "zest" in f"{line.name}{line.note}") or (
            line.note.startswith(("plus ", "and ", "+ ")) and _TWO.search(line.note)):
        yield Question(line=line.key, ask=Ask.TWO_THINGS, text=f"“{line.text}” names two things. "
                       "Put each on a line of its own.")
    if line.amount is None and line.name and not line.written and not line.optional:
        yield Question(line=line.key, ask=Ask.AMOUNT, text=f"How much {line.name}?")
    if line.unit_assumed and line.amount is not None and line.amount.unit is Unit.OUNCE:
        yield Question(line=line.key, ask=Ask.OUNCES, text=f"{line.written} {line.name}: ounces "
                       "of weight, or fluid ounces?")
    if DIVIDED.search(line.note) and not line.parts:
        yield Question(line=line.key, ask=Ask.SPLIT, text=f"{line.label}: how is it divided?",
                       parts=split_by_steps(line, steps, recipe))


def _weight_matters(line: CardLine, card: Card, recipe: Recipe) -> bool:
    """Say whether to ask what a line is: not for a weighed or counted finish on the cake."""
    if not line.name:
        return False
    weighed = recipe.weights[line.key] is not None
    finish = card.component_of(line).kind in (Component.DECORATION, Component.PAN)
    return not finish and (not weighed or card.component_of(line).kind is Component.BATTER)
