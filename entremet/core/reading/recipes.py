"""Reading a pasted recipe: what every row is, its lines and steps, and what it says of the bake.

The text is made plain row by row, facts and amounts are found everywhere in it, every row gets its
part by what is in it and around it, and what the method alone says becomes lines of its own.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace

from entremet.core.card.card import (
    MOST_LINES,
    MOST_NAME,
    MOST_PASTED,
    MOST_STEPS,
    MOST_TEXT,
    CardDoubt,
)
from entremet.core.ground.errors import UnreadableRecipe
from entremet.core.ingredients.search import match
from entremet.core.ingredients.table import TABLE, IngredientTable
from entremet.core.reading.apart import recipes_apart
from entremet.core.reading.building import too_many
from entremet.core.reading.clean import CleanRow, clean_text, pieces_of, rows_of
from entremet.core.reading.components import kind_of_heading
from entremet.core.reading.facts import MarkRole, RecipeRead, Told
from entremet.core.reading.ledger import ledger_of, open_in
from entremet.core.reading.lines import NO_MEMORY, Memory
from entremet.core.reading.relative import worked_out
from entremet.core.reading.sheet import TextSheet

__all__ = ["LONGEST_TEXT", "RecipeRead", "Still", "Told", "always", "kind_of_heading",
           "read_recipe", "recipe_of_rows"]

LONGEST_TEXT = MOST_PASTED
MOST_DOUBTED = MOST_NAME

Still = Callable[[], None]


def always() -> None:
    """Go on for as long as it takes."""


def read_recipe(text: str, *, title: str = "", table: IngredientTable = TABLE,
                memory: Memory = NO_MEMORY, still: Still = always,
                told: Sequence[Told] = ()) -> RecipeRead:
    """Read pasted text into a card.

    Parameters
    ----------
    text : str
        Any text: a list, prose, dictation, a table, a scan.
    title : str
        Where it is known already.
    table, memory
        As for a line.
    still : callable
        Asked before each row whether to go on; raises when reading has taken too long.
    told : sequence of Told
        What the baker said stretches of it are; that stands.

    Raises
    ------
    UnreadableRecipe
        When the text is empty, too long, or holds more lines than a card takes.

    >>> [line.name for line in read_recipe("2 eggs\\n100 g caster sugar").card.lines]
    ['eggs', 'caster sugar']
    """
    if len(text) > LONGEST_TEXT:
        raise UnreadableRecipe(f"This text is longer than {LONGEST_TEXT} signs. Paste one recipe "
                               "at a time.", field="text")
    rows = rows_of(text, known=lambda words: match(words, "", table) is not None)
    if not rows:
        raise UnreadableRecipe("There is nothing to read. Paste ingredient lines, one a line.",
                               field="text")
    sheet = TextSheet(title=title, table=table, memory=memory)
    sheet.told = tuple(one for one in told if one.kind is not MarkRole.RIGHT)
    apart = tuple(recipes_apart(rows, text))
    rows = [piece for row in worked_out(rows) for piece in _cut(row)]
    for place, row in enumerate(rows):
        still()
        then = rows[place + 1] if place + 1 < len(rows) else None
        sheet.take(row, more=len(rows) > 1, then=then)
    read = sheet.read()
    ledger = ledger_of(
        text, read.card, read.marks, offers=read.offers, table=table,
        right=[(one.start, one.end) for one in told if one.kind is MarkRole.RIGHT])
    asked = open_in(ledger)[:MOST_LINES]
    doubts = tuple(CardDoubt(words=shortened(text[one.start:one.end]), why=one.why[:400],
                             line=one.line) for one in asked)
    return replace(read, apart=apart, ledger=ledger,
                   card=replace(read.card, pasted=clean_text(text), doubts=doubts))


def shortened(words: str) -> str:
    """Return words on one line, cut where they are many."""
    bare = " ".join(words.split())
    return bare if len(bare) <= MOST_DOUBTED else f"{bare[:MOST_DOUBTED - 1]}…"


def recipe_of_rows(title: str, rows: Sequence[str], steps: Sequence[str], *, servings: str = "",
                   note: str = "", table: IngredientTable = TABLE,
                   memory: Memory = NO_MEMORY, still: Still = always) -> RecipeRead:
    """Read rows that are known to be ingredient lines (or their headings), and steps.

    Raises
    ------
    UnreadableRecipe
        When there is nothing, or more than a card takes.
    """
    sheet = TextSheet(title=clean_text(title).strip()[:120] or "Untitled card", table=table,
                   memory=memory)
    for row in rows:
        for piece in clean_text(row).split("\n"):
            if bare := piece.strip():
                still()
                sheet.take_known(bare)
    for row in steps:
        for piece in clean_text(row).split("\n"):
            if bare := piece.strip():
                sheet.steps += pieces_of(bare)
        if len(sheet.steps) > MOST_STEPS:
            raise too_many()
    if not sheet.built.lines and not sheet.steps:
        raise UnreadableRecipe("There are no ingredient lines and no steps in it.", field="text")
    sheet.servings = clean_text(servings).replace("\n", " ").strip()
    if bare := clean_text(note).strip():
        sheet.notes.append(bare)
    return sheet.read()


def _cut(row: CleanRow) -> list[CleanRow]:
    return [row] if len(row.text) <= MOST_TEXT else [
        replace(row, text=piece) for piece in pieces_of(row.text)]
