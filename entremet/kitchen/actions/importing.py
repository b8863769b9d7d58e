"""Read recipes that come in: pasted text, saved pages, files. Nothing is stored."""

from __future__ import annotations

import json
from collections.abc import Sequence

from entremet.core.card.card import Card, CardLine, CardPart
from entremet.core.card.resolve import recipe_of
from entremet.core.errors import UnreadableRecipe
from entremet.core.formats.json_ld import load_json, recipe_node, recipe_of_node
from entremet.core.formats.saved_page import from_saved_page
from entremet.core.reading.lines import read_line, reread
from entremet.core.reading.recipes import RecipeRead, read_recipe
from entremet.core.reading.splits import read_split
from entremet.kitchen import pantry
from entremet.kitchen.documents import FORMAT, from_own_json

MOST_SIGNS = 3_000_000


def read_text(text: str) -> RecipeRead:
    """Read pasted text into a card.

    Raises
    ------
    UnreadableRecipe
        When there is nothing to read, or too much.
    """
    return read_recipe(text, table=pantry.table(), memory=pantry.memory())


def read_one_line(text: str, *, key: int, component: int, was: CardLine | None) -> CardLine:
    """Read one line for a card; an edited one keeps what was settled about it.

    Raises
    ------
    UnreadableRecipe
        When it is empty.
    """
    if not text.strip():
        raise UnreadableRecipe("The line is empty. Type an amount and an ingredient.",
                               field="text")
    table, memory = pantry.table(), pantry.memory()
    if was is not None:
        return reread(was, text, table=table, memory=memory)
    return read_line(text, key=key, component=component, table=table, memory=memory).line


def read_parts(card: Card, key: int, phrases: Sequence[str]) -> tuple[CardPart, ...]:
    """Read what a line of a card is split into.

    Raises
    ------
    CoreError
        When a phrase cannot be read, or the parts are more than the line.
    """
    return read_split(phrases, card.line(key), recipe_of(card, table=pantry.table()))


def read_file(name: str, text: str) -> RecipeRead:
    """Read a file: our own JSON, JSON-LD, a saved page, Markdown or plain text.

    What it is is told by its contents; the name only decides between words and markup.

    Raises
    ------
    UnreadableRecipe
        Saying what is wrong with the file.
    """
    if len(text) > MOST_SIGNS:
        raise UnreadableRecipe("This file is too large to be a recipe.", field="text")
    if "\x00" in text:
        raise UnreadableRecipe("This is not a text file.", field="text")
    table, memory = pantry.table(), pantry.memory()
    bare = text.lstrip("\ufeff \t\r\n")
    if bare.startswith(("{", "[")) or name.lower().endswith((".json", ".jsonld")):
        document = load_json(bare)
        if isinstance(document, dict) and document.get("format") == FORMAT:
            return RecipeRead(card=from_own_json(json.dumps(document)), found=())
        return recipe_of_node(recipe_node(document), table=table, memory=memory)
    head = bare[:2000].lower()
    if name.lower().endswith((".html", ".htm", ".xhtml")) or "<html" in head or (
            head.startswith("<!doctype")):
        return from_saved_page(bare, table=table, memory=memory)
    return read_recipe(bare, table=table, memory=memory)
