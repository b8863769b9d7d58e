"""Read recipes that come in: pasted text, saved pages, files. Nothing is stored."""

from __future__ import annotations

import json
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from threading import BoundedSemaphore
from time import thread_time

from entremet.core.card.card import Card, CardLine, CardPart
from entremet.core.card.resolve import recipe_of
from entremet.core.desk.splits import read_split
from entremet.core.formats.json_ld import load_json, recipe_node, recipe_of_node
from entremet.core.formats.saved_page import from_saved_page
from entremet.core.ground.errors import UnreadableRecipe
from entremet.core.ingredients.table import IngredientTable
from entremet.core.reading.lines import Memory, read_line, reread
from entremet.core.reading.recipes import RecipeRead, Still, Told, read_recipe
from entremet.kitchen import pantry
from entremet.kitchen.documents.cards import FORMAT, from_own_json
from entremet.kitchen.errors import Busy

MOST_SIGNS = 3_000_000
SEATS, WAIT_S, PATIENCE_S = 3, 4.0, 3.0
"""Texts that are read at once, how long another waits for its turn, and the time given to each.

A page of recipe takes some hundredths of a second.
"""

_seats = BoundedSemaphore(SEATS)


@contextmanager
def _seat() -> Iterator[Still]:
    """Wait for a turn to read; yields what stops a reading that takes too long.

    Raises
    ------
    Busy
        When others are still reading.
    """
    if not _seats.acquire(timeout=WAIT_S):
        raise Busy("Other long texts are being read just now. Try again in a moment.")
    ends = thread_time() + PATIENCE_S

    def still() -> None:
        if thread_time() > ends:
            raise UnreadableRecipe("This text takes too long to read. Paste the recipe alone, "
                                   "without what stands round it.", field="text")

    try:
        yield still
    finally:
        _seats.release()


def read_text(text: str, told: Sequence[Told] = ()) -> RecipeRead:
    """Read pasted text into a card; what the baker said of stretches of it stands.

    Raises
    ------
    UnreadableRecipe
        When there is nothing to read, or too much.
    """
    table, memory = pantry.table(), pantry.memory()
    with _seat() as still:
        return read_recipe(text, table=table, memory=memory, still=still, told=told)


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
    with _seat() as still:
        return _read_file(name, text.lstrip("\ufeff \t\r\n"), table, memory, still)


def _read_file(name: str, bare: str, table: IngredientTable, memory: Memory,
               still: Still) -> RecipeRead:
    if bare.startswith(("{", "[")) or name.lower().endswith((".json", ".jsonld")):
        document = load_json(bare)
        if isinstance(document, dict) and document.get("format") == FORMAT:
            return RecipeRead(card=from_own_json(json.dumps(document)), found=())
        return recipe_of_node(recipe_node(document), table=table, memory=memory, still=still)
    head = bare[:2000].lower()
    if name.lower().endswith((".html", ".htm", ".xhtml")) or "<html" in head or (
            head.startswith("<!doctype")):
        return from_saved_page(bare, table=table, memory=memory, still=still)
    return read_recipe(bare, table=table, memory=memory, still=still)
