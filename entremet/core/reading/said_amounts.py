"""Amounts that the method says: where each belongs, and which of them the list does not have."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.card.card import CardLine
from entremet.core.card.lines import Component
from entremet.core.ingredients.table import IngredientTable
from entremet.core.measures.spelt import with_digits
from entremet.core.measures.units import Unit
from entremet.core.reading import looks
from entremet.core.reading.building import Building
from entremet.core.reading.clean import CleanRow
from entremet.core.reading.components import comes_after, is_baked, kind_of_sentence
from entremet.core.reading.facts import MarkRole, TextMark, facts_in
from entremet.core.reading.mentions import BEGIN, Mention, mentions_in

LEAST_LISTED = 3
"""Amounts a row of running text has to hold to be a list in one breath."""
SIMMERED = re.compile(
    r"\b(?:simmer|boil|heat)\w*\b.*\b(?:brush|pour|spoon|drizzle)\w*\b.{0,25}\bover\b",
    re.IGNORECASE)
"""Something boiled that goes over the cake is its syrup."""


@dataclass(frozen=True, slots=True, kw_only=True)
class WaitingLine:
    """An amount in a sentence of the method, waiting until the list is known."""

    mention: Mention
    kind: Component | None
    place: int
    mark: tuple[int, int]
    row: int = 0


class SaidAmounts:
    """The amounts of sentences, in order; after all rows those no line accounts for are lines.

    ``under`` is the part of the cake whose step heading the sentences stand under.
    """

    def __init__(self, *, table: IngredientTable) -> None:
        self.table = table
        self.waiting: list[WaitingLine] = []
        self.baked = False
        self.under: Component | None = None

    def look(self, row: CleanRow, bare: str, place: int) -> None:
        """Note the amounts of a sentence; after all rows, those no line accounts for are lines."""
        spelt = with_digits(bare)
        lead = max(row.text.find(bare[:40]), 0)
        exact = row.end - row.start == len(row.text)
        heading: Component | None = None
        for sentence_start, sentence, part in (
                (at + more, words, part) for at, whole in looks.sentences(spelt.text)
                for more, words, part in looks.parts_of(whole)):
            heading = part or looks.heading_in(
                sentence, first=place == 0 and sentence_start == 0)
            found = [] if BEGIN.search(sentence) is None else mentions_in(
                looks.masked(sentence, facts_in(sentence)), self.table)
            cue = kind_of_sentence(sentence) if found else None
            for one in found:
                at = row.start + lead
                mark = (at + spelt.places[sentence_start + one.start],
                        at + spelt.places[min(sentence_start + one.end, len(spelt.text))])
                kind = self._kind_in(sentence, one, cue, heading)
                self.waiting.append(WaitingLine(mention=one, kind=kind, place=place,
                                          mark=mark if exact else (row.start, row.end),
                                                row=row.start))
            self.baked = self.baked or is_baked(sentence)

    def _kind_in(self, sentence: str, one: Mention, cue: Component | None,
                 heading: Component | None) -> Component | None:
        """Return the component of an amount by its clause, its sentence, and what came before."""
        clause = looks.clause_of(sentence, one.start)
        near = kind_of_sentence(clause)
        if near is Component.COATING and kind_of_sentence(
                sentence[:one.start][-len(clause):]) is not Component.COATING:
            near = None
        if heading is Component.BATTER and near is Component.TOP_LAYER:
            # "Then the cake is …, the crumble on top": what goes on top was named before.
            return None
        if near in (Component.PAN, Component.TOP_LAYER, Component.DECORATION, Component.COATING):
            return near
        heading = heading or self.under
        if heading is not None and heading is not Component.BATTER:
            return heading
        if near is not None:
            return near
        baked = self.baked or is_baked(sentence[:one.start])
        if is_baked(sentence[one.end:]) and not baked:
            return None
        if cue is not None and (baked or cue in (Component.SOAK, Component.FILLING,
                                                       Component.FROSTING)):
            return cue
        if baked and SIMMERED.search(sentence):
            return Component.SOAK
        return Component.DECORATION if baked and comes_after(sentence) else None

    def settle(self, built: Building) -> list[TextMark]:
        """Make lines of what only the method says, and return their marks.

        What a line accounts for stays a word of the method.
        """
        lines = list(built.lines)
        lists = self._lists_in_prose(lines)
        marks: list[TextMark] = []
        listed = {line.ingredient for line in lines if line.ingredient}
        names = " ".join(line.name.lower() for line in lines)
        alone = not lines
        for one in self.waiting:
            mention = one.mention
            if one.row in lists:
                if self._is_share(mention, lines):
                    continue
            elif mention.ingredient in listed or (mention.ingredient.startswith("egg") and (
                    "egg" in listed)):
                continue
            if not alone and one.row not in lists and (
                    not mention.ingredient or looks.is_part(mention, names)):
                continue
            if not mention.ingredient and mention.amount.unit is Unit.PIECE:
                continue
            home = built.batter() if one.kind in (None, Component.BATTER) else None
            key = built.add(mention.text, kind=None if home else one.kind, home=home)
            marks.append(TextMark(start=one.mark[0], end=one.mark[1], kind=MarkRole.LINE,
                                  line=key))
        return marks

    def _lists_in_prose(self, lines: Sequence[CardLine]) -> set[int]:
        """Return rows that are lists in one breath: something they name is on no line yet."""
        listed = {line.ingredient for line in lines}
        names = " ".join(line.name.lower() for line in lines)
        named: dict[int, list[Mention]] = {}
        for one in self.waiting:
            named.setdefault(one.row, []).append(one.mention)
        return {row for row, found in named.items()
                if len(found) >= LEAST_LISTED and all(one.ingredient for one in found)
                and not all(one.ingredient in listed or looks.is_part(one, names)
                            for one in found)
                and sum(one.amount.unit is not Unit.PIECE for one in found) >= 2}

    @staticmethod
    def _is_share(mention: Mention, lines: Sequence[CardLine]) -> bool:
        """Say whether an amount is that of a line, or a part of it."""
        word = looks.last_word(mention.text)
        own = [line.amount for line in lines if line.amount is not None and (
            line.ingredient == mention.ingredient or (word and word in line.name.lower()))]
        alike = [one.middle for one in own if one.unit is mention.amount.unit]
        return bool(own) and (not alike or mention.amount.value <= sum(alike) + 1e-9)
