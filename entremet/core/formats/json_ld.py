"""schema.org Recipe as JSON-LD, both ways. What it cannot hold is listed before it is lost."""

from __future__ import annotations

import html
import json
import math
import re
from collections.abc import Iterator
from dataclasses import replace
from typing import Any

from entremet.core.card.card import Card
from entremet.core.card.lines import Component
from entremet.core.ground.errors import UnreadableRecipe
from entremet.core.ingredients.table import TABLE, IngredientTable
from entremet.core.reading.lines import NO_MEMORY, Memory
from entremet.core.reading.recipes import RecipeRead, Still, always, recipe_of_rows

DEEPEST = 12
MOST_NODES = 20_000
MOST_SIGNS, MOST_PARTS = 200_000, 5_000
"""Words and values of one recipe; a long one has a tenth of it."""

_READ = ("name", "recipeIngredient", "ingredients", "recipeInstructions", "recipeYield",
         "description", "keywords", "citation", "isBasedOn", "cookTime")
_TAG = re.compile(r"<[^<>]{1,200}>")
_BLOCK_ENDS = re.compile(r"<(?:br|/p|/li|/div|/h\d)\s*/?>", re.IGNORECASE)
_DURATION = re.compile(r"P(?:(\d+)D)?(?:T(?:(\d+(?:\.\d+)?)H)?(?:(\d+(?:\.\d+)?)M)?(?:\d+S)?)?",
                       re.IGNORECASE)


def to_json_ld(card: Card) -> str:
    """Return a card as JSON-LD; see :func:`losses` for what stays behind."""
    node: dict[str, Any] = {"@context": "https://schema.org", "@type": "Recipe",
                            "name": card.title}
    if card.note:
        node["description"] = card.note
    if card.source_note:
        node["citation"] = card.source_note
    if card.tags:
        node["keywords"] = ", ".join(card.tags)
    if card.servings:
        node["recipeYield"] = card.servings
    if card.stated_high_min is not None:
        node["cookTime"] = f"PT{math.ceil(card.stated_high_min)}M"
    node["recipeIngredient"] = [line.text for line in card.lines]
    node["recipeInstructions"] = [{"@type": "HowToStep", "text": step.text}
                                  for step in card.steps]
    return json.dumps(node, ensure_ascii=False, indent=2) + "\n"


def losses(card: Card) -> list[str]:
    """Return what JSON-LD cannot hold of this card, in words; empty where nothing is lost."""
    lost = []

    def lose(when: object, words: str) -> None:
        if when:
            lost.append(words)

    lose(card.pans, "the pans and their wall heights")
    lose(card.setting, "the oven setting and the kind of oven, but for what the steps say")
    lose(card.stated_low_min != card.stated_high_min,
         f"the lower end of the bake time ({card.stated_low_min or 0:g} min)")
    lose(card.phases, "the phases of the bake")
    lose(card.strips, "that its time is with strips round the pan")
    lose(card.offers, "the times of other pans")
    lose(card.style, "the style of the batter")
    lose(card.measure_standard, "which cups and spoons are meant")
    lose(card.egg_grade or card.egg_g, "the size of the eggs")
    lose(any(one.kind is not Component.BATTER or one.title for one in card.components),
         "the components and what each grows with")
    lose(any(line.parts for line in card.lines), "the splits of lines")
    lose(any(line.instead for line in card.lines), "alternatives, but for their words")
    lose(any(line.ingredient for line in card.lines), "which ingredient of the table a line means")
    lose(card.variants, "the variants and their swaps")
    lose(card.signs or any(step.sign for step in card.steps),
         "the signs, but for what the steps say")
    lose(card.stand_min is not None or card.cooling, "standing time and unmoulding")
    lose(card.batter_start.name != "ROOM", "how warm the batter goes in")
    return lost


def from_json_ld(text: str, *, table: IngredientTable = TABLE,
                 memory: Memory = NO_MEMORY) -> RecipeRead:
    """Read the first recipe of a JSON-LD document.

    Raises
    ------
    UnreadableRecipe
        When it is not JSON, holds no recipe, or is too deep or too large to be one.
    """
    return recipe_of_node(recipe_node(load_json(text)), table=table, memory=memory)


def load_json(text: str) -> Any:
    """Parse JSON strictly: no NaN, no endless nesting.

    Raises
    ------
    UnreadableRecipe
        Saying where it stops being JSON.
    """
    def refuse(name: str) -> float:
        raise UnreadableRecipe(f"“{name}” is not a number that JSON knows.", field="text")

    try:
        return json.loads(text, parse_constant=refuse)
    except json.JSONDecodeError as error:
        raise UnreadableRecipe(f"This is not JSON: {error.msg} in line {error.lineno}.",
                               field="text") from error
    except (RecursionError, ValueError) as error:
        raise UnreadableRecipe("This JSON is nested too deeply, or holds a number too long, to be "
                               "a recipe.", field="text") from error


def recipe_node(document: Any) -> dict[str, Any]:
    """Return the first node that is a Recipe.

    Raises
    ------
    UnreadableRecipe
        When there is none.
    """
    for node in _nodes(document):
        kinds = node.get("@type")
        kinds = kinds if isinstance(kinds, list) else [kinds]
        if any(isinstance(kind, str) and kind.rsplit("/", 1)[-1].lower() == "recipe"
               for kind in kinds):
            return node
    raise UnreadableRecipe("There is no recipe in this file: no node of the type Recipe.",
                           field="text")


def recipe_of_node(node: dict[str, Any], *, table: IngredientTable = TABLE,
                   memory: Memory = NO_MEMORY, still: Still = always) -> RecipeRead:
    """Read one Recipe node; what is of the wrong kind is passed over where it can be."""
    _check_size(node)
    rows = _listed(node.get("recipeIngredient") or node.get("ingredients"))
    read = recipe_of_rows(
        _plain(node.get("name")), [_plain(row) for row in rows],
        list(_steps(node.get("recipeInstructions"), 0)),
        servings=_plain(next(iter(_listed(node.get("recipeYield"))), "")),
        note=_plain(node.get("description")), table=table, memory=memory, still=still)
    card = read.card
    minutes = duration_min(node.get("cookTime"))
    found = list(read.found)
    if card.stated_low_min is None and minutes is not None:
        card = replace(card, stated_low_min=minutes, stated_high_min=minutes)
        found.append(f"bake time from the file, {minutes:g} min")
    tags = [tag.strip()[:40] for row in _listed(node.get("keywords"))
            for tag in _plain(row).split(",") if tag.strip()]
    source = _plain(node.get("citation")) or _plain(node.get("isBasedOn"))
    return RecipeRead(card=replace(card, tags=tuple(dict.fromkeys(tags))[:20],
                                   source_note=source.replace("\n", " ")[:300]),
                      found=tuple(found))


def _check_size(node: dict[str, Any]) -> None:
    """Count a node's words and rows before any of them is read.

    Raises
    ------
    UnreadableRecipe
        When they are more than a recipe has.
    """
    signs = parts = 0
    waiting: list[Any] = [node.get(name) for name in _READ]
    while waiting:
        one = waiting.pop()
        parts += 1
        if isinstance(one, str):
            signs += len(one)
        elif isinstance(one, (list, dict)):
            parts += len(one)
            if parts <= MOST_PARTS:
                waiting += one.values() if isinstance(one, dict) else one
        if signs > MOST_SIGNS or parts > MOST_PARTS:
            raise UnreadableRecipe("The recipe in this file is too large to be one: it holds more "
                                   "words than a card takes. Copy what you need from it and paste "
                                   "that.", field="text")


def duration_min(value: Any) -> float | None:
    """Return an ISO 8601 duration in minutes; None where it is none, or no bake.

    >>> duration_min("PT1H05M")
    65.0
    """
    match = _DURATION.fullmatch(value.strip()) if isinstance(value, str) else None
    if match is None:
        return None
    days, hours, minutes = (float(part or 0) for part in match.groups())
    total = days * 1440 + hours * 60 + minutes
    return total if 0 < total <= 600 else None


def _nodes(document: Any) -> Iterator[dict[str, Any]]:
    """Walk a document, nearest nodes first, up to a depth and a number."""
    layer: list[Any] = [document]
    seen = 0
    for _ in range(DEEPEST):
        below: list[Any] = []
        for one in layer:
            seen += 1
            if seen > MOST_NODES:
                raise UnreadableRecipe("This file is too large to be a recipe.", field="text")
            if isinstance(one, dict):
                yield one
                below += [value for value in one.values() if isinstance(value, (dict, list))]
            elif isinstance(one, list):
                below += [value for value in one if isinstance(value, (dict, list))]
        layer = below
        if not layer:
            return


def _steps(value: Any, depth: int) -> Iterator[str]:
    if depth > DEEPEST:
        return
    if isinstance(value, str):
        yield from (row for row in _plain(value).split("\n") if row.strip())
    elif isinstance(value, list):
        for one in value:
            yield from _steps(one, depth + 1)
    elif isinstance(value, dict):
        inner = value.get("itemListElement")
        words = _plain(value.get("text")) or (_plain(value.get("name")) if not inner else "")
        if words:
            yield words.replace("\n", " ")
        if inner:
            name = _plain(value.get("name"))
            rows = list(_steps(inner, depth + 1))
            yield from ([f"{name}: {rows[0]}", *rows[1:]] if name and rows else rows)


def _listed(value: Any) -> list[Any]:
    if value is None:
        return []
    return value if isinstance(value, list) else [value]


def _plain(value: Any) -> str:
    """Return text without markup; other kinds of value give nothing, numbers themselves."""
    if isinstance(value, bool) or value is None:
        return ""
    if isinstance(value, (int, float)):
        return f"{value:g}"
    if isinstance(value, dict):
        return _plain(value.get("name") or value.get("@id"))
    if not isinstance(value, str):
        return ""
    return html.unescape(_TAG.sub("", _BLOCK_ENDS.sub("\n", value))).strip()
