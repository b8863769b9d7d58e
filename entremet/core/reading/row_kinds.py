"""What a row of a text is by its words and the table: a title, a heading, talk, an order."""

from __future__ import annotations

import re
from collections.abc import Collection, Sequence

from entremet.core.card.lines import Component
from entremet.core.ingredients.search import match
from entremet.core.ingredients.table import IngredientTable
from entremet.core.measures.grammar import amount_at
from entremet.core.measures.spelt import with_digits
from entremet.core.reading import looks
from entremet.core.reading.bullets import BULLET
from entremet.core.reading.clean import CleanRow
from entremet.core.reading.components import named_kind
from entremet.core.reading.facts import Fact, MarkRole, facts_in
from entremet.core.reading.lines import Memory, read_line
from entremet.core.reading.mentions import Mention

LONGEST_TITLE_ROW = 90
MOST_WORDS_UNREAD = 4
"""Words up to which a row of the list that nothing is known of could still be a thing; estimate."""
TALK = frozenset({"no", "yes", "ok", "okay", "thanks", "sure", "yum", "enjoy", "x", "xx", "xxx"})


class RowKinds:
    """Judges rows by a table of ingredients and by what the baker answered before."""

    def __init__(self, *, table: IngredientTable, memory: Memory) -> None:
        self.table, self.memory = table, memory

    def told_title(self, bare: str) -> tuple[str, str] | None:
        """Return the title that a first row announces, and how many it makes where it says so."""
        named = looks.FOR_THE_ONE.fullmatch(bare) or looks.NAMED_TITLE.match(bare)
        if named is not None:
            return named["title"], ""
        counted = looks.COUNTED_TITLE.fullmatch(bare)
        if counted is not None and self.table.named(counted["title"]) is None:
            return counted["title"], counted["serves"]
        return None

    def is_title(self, bare: str, found: Sequence[Mention], *, hashed: bool) -> bool:
        """Say whether a first row is the title: no amount, no order, nothing the table knows."""
        if hashed:
            return True
        ended = bare.endswith((":", ".")) and not re.search(r"\b[A-Z]\.$", bare)
        if ended or len(bare) > LONGEST_TITLE_ROW or looks.NUMBERED.match(bare):
            return False
        if found or looks.SERVES_ROW.fullmatch(bare):
            return False
        if looks.VERB.match(bare) and len(bare.split()) > 5:
            return False
        read = read_line(BULLET.sub("", bare), table=self.table, memory=self.memory).line
        return (read.ingredient == "" and not read.written) or bool(
            facts_in(with_digits(bare).text) and read.ingredient == "")

    def is_cake(self, bare: str, facts: Sequence[Fact]) -> bool:
        """Say whether a first row that ends in a colon names the whole cake."""
        return bare.endswith(":") and not facts and named_kind(bare) is Component.BATTER and (
            len(bare.split()) > 1)

    def is_heading(self, bare: str, found: Sequence[Mention],
                   facts: Sequence[Fact], then: CleanRow | None, *, hashed: bool) -> bool:
        """Say whether a row is the heading of a part, by its marks or by what follows it."""
        words = bare.rstrip(" :").split()
        if not words or len(words) > 8 or len(bare) > 80 or any(map(str.isdigit, bare)) or found:
            return False
        if facts and not bare.endswith(":"):
            return False
        if hashed or bare.endswith(":"):
            return True
        if looks.TO_FINISH.fullmatch(bare):
            return True
        if re.match(r"for (?:the|your)\s", bare, re.IGNORECASE):
            return True
        if bare.isupper() and len(bare) > 3 and self.table.named(bare) is None:
            return True
        if len(words) > 4 or bare.endswith((".", "!", ",")) or self.table.named(bare) is not None:
            return False
        named = named_kind(bare) is not None or looks.PART_NAME.search(bare) is not None
        return named and then is not None and (
            amount_at(BULLET.sub("", then.text), 0) is not None
            or looks.ends_in_amount(then.text))

    def all_facts(self, bare: str, facts: Sequence[Fact]) -> bool:
        """Say whether a row speaks of pan, oven and time, and of no ingredient."""
        read = read_line(BULLET.sub("", bare), table=self.table, memory=self.memory).line
        kinds = {kind for _, _, kind in facts}
        if MarkRole.PAN in kinds or MarkRole.OVEN in kinds or len(facts) > 1:
            return True
        return not read.ingredient

    def is_talk(self, bare: str) -> bool:
        """Say whether a row without a number is talk: too long for a name, or no name at all."""
        read = read_line(bare, table=self.table, memory=self.memory).line
        if read.name or read.written or read.amount is not None or re.search(
                r"\d\s*(?:g|kg|ml|l|oz|lb|cups?|tsp|tbsp)\b", bare):
            return False
        return len(bare.split()) > MOST_WORDS_UNREAD or bare.lower().strip(" .!,") in TALK or (
            bare.rstrip().endswith("!"))

    def name_in(self, bare: str, listed: Collection[str]) -> str:
        """Return a known ingredient a row names that is on no line yet; empty where none is."""
        words = re.findall(r"[^\W\d_]+(?:-[^\W\d_]+)*", bare)
        for many in (3, 2, 1):
            for at in range(len(words) - many + 1):
                name = " ".join(words[at:at + many])
                known = self.table.named(name) if len(name) > 2 else None
                if known is not None and known.key not in listed:
                    return name
        return ""

    def is_order(self, bare: str) -> bool:
        """Say whether a short row only says what to do: "Sift together", "Mix. Bake."."""
        return len(bare.split()) <= 4 and looks.VERB.match(f"{bare} ") is not None and (
            match(bare, "", self.table) is None)

    def is_bake_row(self, bare: str, facts: Sequence[Fact]) -> bool:
        """Say whether a row tells how it is baked: an order with facts of two kinds."""
        return len({kind for _, _, kind in facts}) > 1 and bool(looks.VERB.match(bare))
