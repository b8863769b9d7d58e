"""A recipe inside a saved web page: its JSON-LD, or else the words a reader would see."""

from __future__ import annotations

from collections.abc import Mapping

from entremet.core.formats.json_ld import load_json, recipe_node, recipe_of_node
from entremet.core.formats.markup import walk_markup
from entremet.core.ground.errors import UnreadableRecipe
from entremet.core.ingredients.table import TABLE, IngredientTable
from entremet.core.reading.lines import NO_MEMORY, Memory
from entremet.core.reading.recipes import LONGEST_TEXT, RecipeRead, Still, always, read_recipe

MOST_SCRIPTS = 50
_HIDDEN = frozenset({"script", "style", "noscript", "template", "nav", "footer", "svg", "form",
                     "button", "select", "iframe", "head"})
_BREAKS = frozenset({"p", "li", "br", "div", "h1", "h2", "h3", "h4", "h5", "h6", "tr", "section",
                     "ul", "ol", "article", "dd", "dt"})


def from_saved_page(text: str, *, table: IngredientTable = TABLE,
                    memory: Memory = NO_MEMORY, still: Still = always) -> RecipeRead:
    """Read the recipe of a saved page. Nothing of it is run, and nothing is fetched.

    Raises
    ------
    UnreadableRecipe
        When the page holds no recipe that can be read.
    """
    page = _Page()
    walk_markup(text, page)
    wrong: UnreadableRecipe | None = None
    for script in page.data:
        try:
            return recipe_of_node(recipe_node(load_json(script)), table=table, memory=memory,
                                  still=still)
        except UnreadableRecipe as error:
            wrong = error
    words = page.words()
    if not words.strip():
        raise wrong or UnreadableRecipe("There are no words on this page.", field="text")
    if len(words) > LONGEST_TEXT:
        raise UnreadableRecipe("This page names no recipe in a form that can be read, and holds "
                               "too much else. Copy the recipe from it and paste that.",
                               field="text")
    return read_recipe(words, table=table, memory=memory, still=still)


class _Page:
    """Collects JSON-LD blocks and visible words."""

    def __init__(self) -> None:
        self.data: list[str] = []
        self._hidden = 0
        self._block: list[str] | None = None
        self._parts: list[str] = []

    def opens(self, tag: str, attributes: Mapping[str, str]) -> None:
        """Note what opens."""
        kind = (attributes.get("type") or "").split(";")[0].strip().lower()
        if tag == "script" and kind == "application/ld+json" and len(self.data) < MOST_SCRIPTS:
            self._block = []
        if tag in _BREAKS:
            self._parts.append("\n")
        if tag in _HIDDEN:
            self._hidden += 1

    def closes(self, tag: str) -> None:
        """Note what closes."""
        if tag == "script" and self._block is not None:
            self.data.append("".join(self._block))
            self._block = None
        if tag in _BREAKS:
            self._parts.append("\n")
        if tag in _HIDDEN:
            self._hidden -= 1

    def says(self, words: str) -> None:
        """Keep data and words."""
        if self._block is not None:
            self._block.append(words)
        elif not self._hidden:
            self._parts.append(words)

    def words(self) -> str:
        """Return the visible words, one block a line."""
        rows = (" ".join(row.split()) for row in "".join(self._parts).split("\n"))
        return "\n".join(row for row in rows if row)
