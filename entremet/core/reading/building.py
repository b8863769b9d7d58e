"""The lines and components of a card while it is read."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from entremet.core.card.card import MOST_LINES, MOST_STEPS, CardComponent, CardLine
from entremet.core.card.lines import Component
from entremet.core.ground.errors import UnreadableRecipe
from entremet.core.ingredients.table import Ingredient, IngredientTable
from entremet.core.reading.components import (
    is_baked,
    kind_of_heading,
    kind_of_lines,
    kind_of_note,
    kind_of_sentence,
    named_kind,
)
from entremet.core.reading.lines import Memory, read_line
from entremet.core.reading.looks import last_word
from entremet.core.reading.mentions import Mention

_STAGE = re.compile(r"(?:sift|warm|add|mix|beat|cream|whisk|melt|combine|rub|stir|blend|heat|"
                    r"pour|first|"
                    r"then|second|third|last|now|next|stage|step|part)\b", re.IGNORECASE)
"""The beginning of a heading that names what is done, not what is made."""

_TOPPINGS = frozenset({Component.FROSTING, Component.GLAZE, Component.COATING})
"""What a topping is when it is made of that: it goes on after the oven."""

MOST_COMPARED = 4_000
"""Sentences times lines that are compared; forty sentences of a hundred lines."""


class Building:
    """Lines in the components they belong to, in the order of the text."""

    def __init__(self, *, table: IngredientTable, memory: Memory) -> None:
        self.table, self.memory = table, memory
        self.components: list[CardComponent] = []
        self.lines: list[CardLine] = []
        self.headed = False

    def begin(self, heading: str) -> None:
        """Begin a component; lines that follow belong to it."""
        self.headed = True
        self.components.append(CardComponent(
            key=len(self.components) + 1, kind=kind_of_heading(heading), title=heading[:80]))

    def _component(self, kind: Component | None = None) -> int:
        if kind is not None:
            for one in self.components:
                if one.kind is kind:
                    return one.key
            self.components.append(CardComponent(key=len(self.components) + 1, kind=kind))
            return self.components[-1].key
        last = self.components[-1] if self.components else None
        if last is None or (last.kind is Component.PAN or not last.title):
            others = [one for one in self.components if one.title] or [
                one for one in self.components if one.kind is Component.BATTER]
            if others:
                return others[-1].key
            self.components.append(CardComponent(key=len(self.components) + 1,
                                                 kind=Component.BATTER))
        return self.components[-1].key

    def batter(self) -> int:
        """Return the key of the batter."""
        return next((one.key for one in self.components if one.kind is Component.BATTER),
                    0) or self._component(Component.BATTER)

    def add(self, text: str, *, kind: Component | None = None, noted: bool = False,
             home: int | None = None) -> int:
        """Read a line and put it on the card; return its key."""
        if len(self.lines) == MOST_LINES:
            raise too_many()
        read = read_line(text, key=len(self.lines) + 1, table=self.table, memory=self.memory)
        if kind is None and read.for_pan:
            kind = Component.PAN
        elif kind is None and noted and re.search(r"\b(?:for|to|on)\b", text):
            kind = kind_of_note(text)
            if kind is Component.PAN and not read.for_pan:
                kind = None
            if self.headed and kind is not None and self.components and (
                    self.components[-1].kind is not Component.BATTER):
                kind = None
        place = home if home is not None and kind is None else self._component(kind)
        self.lines.append(replace(read.line, component=place))
        return read.line.key

    def say_worked(self, start: int, words: str) -> None:
        """Let the lines from a place on say what their amounts were worked out from."""
        self.lines[start:] = [replace(line, worked_from=words) if line.amount is not None else line
                              for line in self.lines[start:]]

    def replace_last(self, one: Mention) -> CardLine | None:
        """Put a later amount in the place of the last line of a thing; return what it was."""
        place = next((at for at in reversed(range(len(self.lines)))
                      if one.ingredient and self.lines[at].ingredient == one.ingredient), None)
        if place is None:
            return None
        was = self.lines[place]
        now = read_line(one.text, key=was.key, component=was.component, table=self.table,
                        memory=self.memory).line
        self.lines[place] = replace(now, note=now.note or was.note)
        return was

    def settle_components(self, sentences: Sequence[str]) -> None:
        """Move lines of one unheaded list that the method only uses after the oven.

        Parameters
        ----------
        sentences : sequence of str
            Of the method, in order.
        """
        if self.headed:
            return
        baked = False
        before: set[int] = set()
        behind: dict[int, Component] = {}
        if not self.lines or len(sentences) * len(self.lines) > MOST_COMPARED:
            return
        for sentence in sentences:
            plain = sentence.lower()
            cue = kind_of_sentence(sentence)
            for line in self.lines:
                word = last_word(line.name)
                if not word or not re.search(rf"\b{re.escape(word)}", plain):
                    continue
                if (cue is not None and (baked or cue is not Component.PAN)
                        and line.key not in before):
                    behind.setdefault(line.key, cue)
                elif not baked:
                    before.add(line.key)
            baked = baked or is_baked(sentence)
        if not before:
            return
        for place, line in enumerate(self.lines):
            kind = behind.get(line.key)
            if kind not in (None, Component.PAN) and line.key not in before and baked and (
                    line.component == self.batter()):
                self.lines[place] = replace(line, component=self._component(kind))

    def settle_base(self) -> None:
        """Take a base with eggs in it, and no batter beside it, for what it is: the cake."""
        homes = {one.key: {line.ingredient for line in self.lines if line.component == one.key}
                 for one in self.components}
        if any(one.kind is Component.BATTER and homes[one.key] for one in self.components):
            return
        for place, one in enumerate(self.components):
            if one.kind is Component.BASE_LAYER and "egg" in homes[one.key]:
                self.components[place] = replace(one, kind=Component.BATTER)

    def settle_headings(self) -> dict[str, str]:
        """Judge parts whose headings name no part of a cake by what is in them.

        Returns
        -------
        dict
            From a heading to what is asked about it.
        """
        asks: dict[str, str] = {}
        for place, one in enumerate(self.components):
            if one.kind is Component.TOP_LAYER and "topping" in one.title.lower():
                kind = kind_of_lines(self._rows_of(one.key))
                if kind in _TOPPINGS:
                    self.components[place] = replace(one, kind=kind)
                continue
            if one.kind is not Component.BATTER or not one.title or named_kind(one.title) or (
                    _STAGE.match(one.title)):
                continue
            rows = self._rows_of(one.key)
            kind = kind_of_lines(rows)
            if not rows or kind is Component.BATTER or self._only_batter(one.key):
                continue
            if kind is not None:
                self.components[place] = replace(one, kind=kind)
            word = "batter" if kind is None else kind.value.replace("_", " ")
            asks[one.title] = f"“{one.title}” is taken for {word}. Is it?"
        return asks

    def _rows_of(self, key: int) -> list[Ingredient]:
        return [known for line in self.lines if line.component == key
                and (known := self.table.rows.get(line.ingredient)) is not None]

    def _only_batter(self, key: int) -> bool:
        """Say whether no other part could be the batter."""
        used = {line.component for line in self.lines}
        return not any(one.kind is Component.BATTER and one.key in used and one.key != key
                       for one in self.components)

    def kept(self) -> tuple[CardComponent, ...]:
        """Return the components that have a line or a heading."""
        used = {line.component for line in self.lines}
        return tuple(one for one in self.components if one.key in used or one.title)


def too_many() -> UnreadableRecipe:
    """Return the error of a text that holds more than a card takes."""
    return UnreadableRecipe(f"A card holds at most {MOST_LINES} lines and {MOST_STEPS} steps. "
                            "Paste one recipe at a time.", field="text")
