"""A recipe inside a saved web page: its JSON-LD, or else the words a reader would see."""

from __future__ import annotations

from html.parser import HTMLParser

from entremet.core.errors import UnreadableRecipe
from entremet.core.formats.json_ld import load_json, recipe_node, recipe_of_node
from entremet.core.ingredients.table import TABLE, IngredientTable
from entremet.core.reading.lines import NO_MEMORY, Memory
from entremet.core.reading.recipes import LONGEST_TEXT, RecipeRead, read_recipe

MOST_SCRIPTS = 50
_HIDDEN = frozenset({"script", "style", "noscript", "template", "nav", "footer", "svg", "form",
                     "button", "select", "iframe", "head"})
_BREAKS = frozenset({"p", "li", "br", "div", "h1", "h2", "h3", "h4", "h5", "h6", "tr", "section",
                     "ul", "ol", "article", "dd", "dt"})
_VOID = frozenset({"br", "img", "input", "meta", "link", "hr", "source", "wbr"})


def from_saved_page(text: str, *, table: IngredientTable = TABLE,
                    memory: Memory = NO_MEMORY) -> RecipeRead:
    """Read the recipe of a saved page. Nothing of it is run, and nothing is fetched.

    Raises
    ------
    UnreadableRecipe
        When the page holds no recipe that can be read.
    """
    page = _Page()
    page.feed(text)
    page.close()
    wrong: UnreadableRecipe | None = None
    for script in page.data[:MOST_SCRIPTS]:
        try:
            return recipe_of_node(recipe_node(load_json(script)), table=table, memory=memory)
        except UnreadableRecipe as error:
            wrong = error
    words = page.words()
    if not words.strip():
        raise wrong or UnreadableRecipe("There are no words on this page.", field="text")
    if len(words) > LONGEST_TEXT:
        raise UnreadableRecipe("This page names no recipe in a form that can be read, and holds "
                               "too much else. Copy the recipe from it and paste that.",
                               field="text")
    return read_recipe(words, table=table, memory=memory)


class _Page(HTMLParser):
    """Collects JSON-LD blocks and visible words."""

    def __init__(self) -> None:
        super().__init__(convert_charrefs=True)
        self.data: list[str] = []
        self._open: list[str] = []
        self._in_data = False
        self._parts: list[str] = []

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        """Note what opens."""
        kind = (dict(attrs).get("type") or "").split(";")[0].strip().lower()
        if tag == "script" and kind == "application/ld+json":
            self._in_data = True
            self.data.append("")
        if tag in _BREAKS:
            self._parts.append("\n")
        if tag in _HIDDEN and tag not in _VOID:
            self._open.append(tag)

    def handle_endtag(self, tag: str) -> None:
        """Note what closes."""
        if tag == "script":
            self._in_data = False
        if tag in _BREAKS:
            self._parts.append("\n")
        if tag in self._open:
            while self._open and self._open.pop() != tag:
                pass

    def handle_data(self, data: str) -> None:
        """Keep data and words."""
        if self._in_data:
            self.data[-1] += data
        elif not self._open:
            self._parts.append(data)

    def words(self) -> str:
        """Return the visible words, one block a line."""
        rows = (" ".join(row.split()) for row in "".join(self._parts).split("\n"))
        return "\n".join(row for row in rows if row)
