"""A recipe while it is read, row by row: what each row is, and what becomes of it on the card."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from entremet.core.card.card import (
    MOST_STEPS,
    MOST_TEXT,
    Card,
    CardLine,
    MethodStep,
)
from entremet.core.card.lines import Component
from entremet.core.ingredients.search import match
from entremet.core.ingredients.table import IngredientTable
from entremet.core.measures.grammar import amount_at
from entremet.core.measures.spelt import with_digits
from entremet.core.measures.units import Unit
from entremet.core.reading import asides, looks
from entremet.core.reading.building import Building, too_many
from entremet.core.reading.bullets import BULLET
from entremet.core.reading.clean import CleanRow
from entremet.core.reading.components import (
    comes_after,
    is_baked,
    kind_of_note,
    kind_of_sentence,
    named_kind,
)
from entremet.core.reading.facts import (
    Fact,
    MarkRole,
    RecipeRead,
    TextMark,
    facts_in,
    servings_in,
    with_settings,
    without_factors,
)
from entremet.core.reading.grids import HEAD_OF_TABLE
from entremet.core.reading.lines import Memory, read_line
from entremet.core.reading.mentions import BEGIN, Mention, mentions_in
from entremet.core.reading.settings import sign_in

LONGEST_TITLE_ROW = 90
VERBAL = re.compile(r"\b(?:bake|cook|put|pour|fill|scale|weigh|divide|turn|line|grease)\b",
                    re.IGNORECASE)
LEAST_LISTED = 3
"""Amounts a row of running text has to hold to be a list in one breath."""
SIMMERED = re.compile(r"\b(?:simmer|boil|heat)\w*\b.*\b(?:brush|pour|spoon|"
                      r"drizzle)\w*\b.{0,25}\bover\b",
                      re.IGNORECASE)
"""Something boiled that goes over the cake is its syrup."""
MOST_WORDS_UNREAD = 4
"""Words up to which a row of the list that nothing is known of could still be a thing; estimate."""
LONGEST_CLOCK = 160
TALK = frozenset({"no", "yes", "ok", "okay", "thanks", "sure", "yum", "enjoy", "x", "xx", "xxx"})
MOST_NUMBERS = 1_000
"""Numbers of a text that are looked at everywhere; twenty recipes have fewer."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Told:
    """What the baker said a stretch of the pasted text is: one of the kinds of marks."""

    start: int
    end: int
    kind: MarkRole


FACT_WORDS = {MarkRole.PAN: "{} tin", MarkRole.OVEN: "oven at {}", MarkRole.TIME: "Bake for {}"}
"""How words that are said to be a fact are looked through for it."""

@dataclass(frozen=True, slots=True, kw_only=True)
class WaitingLine:
    """An amount in a sentence of the method, waiting until the list is known."""

    mention: Mention
    kind: Component | None
    place: int
    mark: tuple[int, int]
    row: int = 0


class TextSheet:
    """A recipe while it is read, from the top down."""

    def __init__(self, *, title: str, table: IngredientTable, memory: Memory) -> None:
        self.title = title
        self.table, self.memory = table, memory
        self.built = Building(table=table, memory=memory)
        self.steps: list[str] = []
        self.notes: list[str] = []
        self.servings = ""
        self.part = "lines"
        self.why = ""
        self.begun = False
        self.starred = 0
        self.headings: dict[int, str] = {}
        self.under: Component | None = None
        self.told: tuple[Told, ...] = ()
        self.left: list[str] = []
        self.marks: list[TextMark] = []
        self.extra: list[str] = []
        self.waiting: list[WaitingLine] = []
        self.baked = False
        self.looked_at = 0

    @property
    def _tired(self) -> bool:
        """Whether the text holds more numbers than any recipe; rows are then read one by one."""
        return self.looked_at > MOST_NUMBERS

    # The parts a row can be.

    def take(self, row: CleanRow, *, more: bool, then: CleanRow | None) -> None:
        """Put one row of the text where it belongs."""
        first = not self.begun
        was = len(self.notes)
        self._take(row, first=first, more=more, then=then)
        self.marks += [TextMark(start=start, end=end, kind=MarkRole.NOTE, why=why)
                       for start, end, why in row.beside]
        if row.asks:
            self.marks.append(TextMark(start=row.start, end=row.end, kind=MarkRole.NOTE,
                                       why=HEAD_OF_TABLE, asks=row.asks))
        self.begun = self.begun or len(self.notes) == was

    def _take(self, row: CleanRow, *, first: bool, more: bool, then: CleanRow | None) -> None:
        bare = looks.HASHES.sub("", row.text).strip().strip("*_").strip() or row.text
        if (ruled := looks.RULED.fullmatch(bare)) is not None:
            bare = f"{ruled[1]}:"
        hashed = bare != row.text and not row.text.lstrip().startswith(("-", "* "))
        here = [one for one in self.told if row.start <= one.start < one.end <= row.end]
        if whole := next((one for one in here if one.end - one.start >= row.end - row.start), None):
            self._take_told(row, bare, whole.kind)
            return
        if here:
            self._take_stretches(row, here)
            return
        if row.why:
            self._note(row, bare, row.why)
            return
        part = next((name for pattern, name in (
            (looks.INGREDIENTS, "lines"), (looks.METHOD, "steps"), (looks.NOTES, "notes"))
            if pattern.fullmatch(bare)), "")
        if section := asides.section_of(bare, done=bool(self.steps)):
            self.part, self.why = "aside", section
            self._note(row, bare, section)
            return
        if part:
            self.part = part
            self.extra.append(with_digits(bare).text)
            self.servings = self.servings or servings_in(bare)
            self._mark(row, MarkRole.HEADING)
            return
        if self.part != "steps" and (looks.SUM_ROW.fullmatch(bare) or (
                looks.CLOCK_ROW.fullmatch(bare) and len(bare) <= LONGEST_CLOCK)):
            self._note(row, bare, asides.TOTAL if looks.SUM_ROW.fullmatch(bare) else asides.CLOCK)
            return
        if not self.begun and (called := looks.FOR_THE_ONE.fullmatch(bare)):
            self._take_title(row, called["title"])
            return
        if not self.begun and (titled := looks.NAMED_TITLE.match(bare)):
            self._take_title(row, titled["title"])
            return
        if not self.begun and not self.title and more and (
                counted := looks.COUNTED_TITLE.fullmatch(bare)) and (
                    self.table.named(counted["title"]) is None):
            self._take_title(row, counted["title"])
            self.servings = self.servings or counted["serves"]
            return
        if (step := asides.step_heading(bare)) is not None:
            self._begin_step(row, step)
            return
        digits = with_digits(bare).text
        self.looked_at += len(looks.NUMBER.findall(digits))
        facts = () if self._tired else facts_in(digits)
        found = [] if self._tired else mentions_in(looks.masked(digits, facts), self.table)
        named = any(one.ingredient for one in found)
        if not self.servings and self.part != "aside" and (
                many := looks.OF_THEM.fullmatch(bare)):
            self.servings = many[1]
            self._mark(row, MarkRole.SERVES)
        elif self.part == "aside":
            self._take_aside(row, bare, facts)
        elif not self.servings and not found and looks.SERVES_FIRST.match(bare):
            self.servings = servings_in(bare)
            self._mark(row, MarkRole.SERVES)
        elif (why := asides.reason_of(bare, named=named, stated=bool(facts))) and (
                self.part != "steps" or why is asides.COMMENT):
            self._set_aside(row, bare, why)
        elif self.part != "steps" and asides.other_recipe(bare):
            self._note(row, bare, asides.OTHER_RECIPE, f"“{bare[:60]}” is another recipe; what "
                                                       f"it is "
                       "made of is not on this card. Add its lines, or leave it.")
        elif self.part != "steps" and self._is_other_size(bare, found):
            self._note(row, bare, asides.OTHER_SIZE, f"“{bare[:40]}…” has the same lines for "
                                                     f"another "
                       "size; the card takes the first. Is that right?")
        elif self.part != "steps" and self.built.lines and asides.other_way(bare):
            self._note(row, bare, asides.OTHER_WAY)
        elif self._corrects(row, bare) and self._corrected(row, found):
            return
        elif first and more and not self.title and (
                self._is_title(bare, found, hashed=hashed) or self._is_cake(bare, facts)):
            self._take_title(row, bare)
        elif not self.servings and len(bare) <= 80 and not found and (
                serves := looks.SERVES_ROW.fullmatch(bare)) and (
                    servings_in(bare) or not facts):
            self.servings = without_factors(
                bare if bare.lower().startswith(("serves", "makes")) else serves[1])
            self.extra.append(digits)
            self._mark(row, MarkRole.SERVES)
        elif self.part == "notes" and not self._is_bake_row(bare, facts):
            self._note(row, bare)
        elif re.fullmatch(r"\(.*\)\.?", bare) and facts and not first:
            # What stands in brackets is said beside the recipe; its facts come after the method's.
            self._note(row, bare)
            self._mark_facts(row, bare)
        elif self.part == "steps" or looks.NUMBERED.match(row.text):
            self._take_step(row, row.text)
        elif not named and len(bare.split()) > 3 and any(
                kind is MarkRole.OVEN for _, _, kind in facts) and (VERBAL.search(bare) or any(
                    kind is MarkRole.TIME for _, _, kind in facts)):
            self._take_prose(row, bare, first=first)
        elif looks.TIMES_ROW.fullmatch(bare) and len(bare) <= 120:
            self._take_step(row, bare, mine=False, go_on=False)
        elif bare.endswith(":") and looks.SHARE_OF.fullmatch(bare.rstrip(" :")):
            self._note(row, bare)
        elif self._is_heading(bare, found, facts, then, hashed=hashed):
            self._begin_part(bare.rstrip(" :"))
            self.headings[row.start] = bare.rstrip(" :")[:80]
            self._mark(row, MarkRole.HEADING)
        elif not found and (self._all_facts(bare, facts) if facts
                            else self._is_order(bare)):
            self._take_step(row, bare, mine=False, go_on=False)
        elif looks.runs_on(digits, found) or (
                not looks.headed_inline(bare, found)
                and looks.is_prose(bare, digits, found, facts)):
            self._take_prose(row, bare, first=first)
        else:
            self._take_list_row(row, bare, digits, found, first=first)

    def take_known(self, row: str) -> None:
        """Put a row that is an ingredient line or a heading where it belongs."""
        if row.endswith(":") and self._is_heading(row, [], (), None, hashed=False):
            self._begin_part(row.rstrip(" :"))
        else:
            for piece in pieces_of(row):
                self.built.add(piece)

    def _set_aside(self, row: CleanRow, bare: str, why: str) -> None:
        """Keep a row that is no part of the recipe; comments go on until a heading."""
        if why is asides.COMMENT and self.steps:
            self.part, self.why = "aside", why
        self._note(row, bare, why)

    def _take_aside(self, row: CleanRow, bare: str, facts: Sequence[Fact]) -> None:
        """Keep a row of a part that is set aside; a pan among the equipment is the recipe's."""
        kinds = {kind for _, _, kind in facts} - {MarkRole.SERVES}
        if self.why is asides.EQUIPMENT and kinds:
            self.part = "lines" if len(kinds) > 1 else self.part
            self._take_step(row, bare, mine=False, go_on=False)
            return
        self._note(row, bare, self.why)

    def _begin_step(self, row: CleanRow, what: str) -> None:
        """Begin a step that stands under its own heading; a part of the cake may be its name."""
        self.part, self.under = "steps", named_kind(what) if what else None
        self._mark(row, MarkRole.HEADING)

    def _corrects(self, row: CleanRow, bare: str) -> bool:
        """Say whether a row takes something back; a star does where no other row has one."""
        starred = re.match(r"\*(?=\d)", row.text) is not None
        self.starred += starred
        return asides.corrects(bare) or (starred and self.starred == 1)

    def _corrected(self, row: CleanRow, found: Sequence[Mention]) -> bool:
        """Put a later amount of a thing in the place of the earlier; say whether there was one."""
        done = False
        for one in found:
            was = self.built.replace_last(one)
            if was is None:
                continue
            done = True
            self.notes.append(f"{was.text}: corrected to {one.text}")
            self.marks = [replace(mark, line=None, kind=MarkRole.NOTE, why=asides.CORRECTED)
                          if mark.line == was.key else mark for mark in self.marks]
            self._mark(row, MarkRole.LINE, was.key)
        return done

    def _take_told(self, row: CleanRow, bare: str, kind: MarkRole) -> None:
        """Do as the baker said."""
        if kind == MarkRole.TITLE:
            self.title = ""
            self._take_title(row, bare)
        elif kind == MarkRole.SERVES:
            self.servings = bare[:80]
            self._mark(row, MarkRole.SERVES)
        elif kind == MarkRole.HEADING:
            self._begin_part(bare.rstrip(" :"))
            self._mark(row, MarkRole.HEADING)
        elif kind == MarkRole.LINE:
            key = self.built.add(BULLET.sub("", row.text))
            self._mark(row, MarkRole.LINE, key)
        elif kind in FACT_WORDS:
            self.extra.insert(0, with_digits(FACT_WORDS[kind].format(bare)).text)
            self.steps += pieces_of(bare)
            self._mark(row, kind)
        elif kind == MarkRole.STEP:
            self._take_step(row, row.text)
        else:
            self.left.append(with_digits(bare).text)
            self._note(row, bare)

    def _take_title(self, row: CleanRow, bare: str) -> None:
        self.title = looks.without_greeting(bare.rstrip(" :"))[:120]
        if len(bare) > 120:
            self.notes.append(bare)
        self.extra.append(with_digits(bare).text)
        if not self.servings:
            self.servings = servings_in(bare)
        self._mark(row, MarkRole.TITLE)

    def _is_other_size(self, bare: str, found: Sequence[Mention]) -> bool:
        """Say whether a row gives everything on the card anew, for another size."""
        names = {one.ingredient for one in found if one.ingredient}
        sized = looks.SIZE_ROW.match(bare)
        if sized is None or len(names) < 2:
            return False
        if names == {*(line.ingredient for line in self.built.lines),
                     *(one.mention.ingredient for one in self.waiting)}:
            return True
        if across := looks.SIZE.search(sized.group()):
            self.extra.append(f"{across.group()} tin")
        return False

    def _note(self, row: CleanRow, bare: str, why: str = "", asks: str = "") -> None:
        """Keep a row in the note; in one that is set aside no fact is looked for."""
        self.notes.append(bare)
        if why:
            self.left.append(with_digits(bare).text)
        self.marks.append(TextMark(start=row.start, end=row.end, kind=MarkRole.NOTE, why=why,
                                   asks=asks))

    def _take_prose(self, row: CleanRow, bare: str, *, first: bool) -> None:
        if first and not self.title and (head := re.match(r"([^.:;\d]{4,60}):\s+\S", bare)) and (
                named_kind(head[1]) in (None, Component.BATTER)) and not looks.VERB.match(bare):
            self.title = looks.without_greeting(head[1].strip())
        before = self.part
        self._take_step(row, row.text)
        self.part = before

    def _take_step(self, row: CleanRow, words: str, *, mine: bool = True,
                   go_on: bool = True) -> None:
        numbered = looks.NUMBERED.match(words)
        bare = BULLET.sub("", words[numbered.end():] if numbered else words).strip() or words
        if go_on:
            self.part = "steps"
        pieces = pieces_of(bare)
        self._mark(row, MarkRole.STEP)
        if not mine and not self._tired:
            self._mark_facts(row, bare)
        if mine and not self._tired:
            self._mine(row, bare, len(self.steps))
        self.steps += pieces

    def _mine(self, row: CleanRow, bare: str, place: int) -> None:
        """Note the amounts of a sentence; after all rows, those no line accounts for are lines."""
        spelt = with_digits(bare)
        lead = max(row.text.find(bare[:40]), 0)
        exact = row.end - row.start == len(row.text)
        self._mark_facts(row, bare)
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

    def _mark_facts(self, row: CleanRow, bare: str) -> None:
        """Mark pans, settings, times and yields inside a row that is as it was pasted."""
        if row.end - row.start != len(row.text):
            return
        spelt = with_digits(bare)
        at = row.start + max(row.text.find(bare[:40]), 0)
        for start, end, kind in facts_in(spelt.text):
            self.marks.append(TextMark(start=at + spelt.places[start], kind=kind,
                                       end=at + spelt.places[end]))

    def _take_stretches(self, row: CleanRow, here: Sequence[Told]) -> None:
        """Do as the baker said of stretches of a row; the rest of it is read as a sentence."""
        words = row.text
        exact = row.end - row.start == len(words)
        for one in here:
            if not exact:
                continue
            told = row.text[one.start - row.start:one.end - row.start]
            words = words.replace(told, "¦" * len(told), 1)
            self.left.append(with_digits(told).text)
            if one.kind in FACT_WORDS:
                self.extra.insert(0, with_digits(FACT_WORDS[one.kind].format(told)).text)
            elif one.kind == MarkRole.LINE:
                self._mark_span(one, MarkRole.LINE, self.built.add(told))
                continue
            elif one.kind == MarkRole.SERVES:
                self.servings = told[:80]
            elif one.kind == MarkRole.TITLE:
                self.title = told[:120]
            elif one.kind == MarkRole.HEADING:
                self.built.begin(told.rstrip(" :"))
            self._mark_span(one, one.kind)
        self._mine(row, words, len(self.steps))
        self.steps += pieces_of(row.text)
        self.marks.append(TextMark(start=row.start, end=row.end, kind=MarkRole.STEP))

    def _mark_span(self, told: Told, kind: MarkRole, line: int | None = None) -> None:
        self.marks.append(TextMark(start=told.start, end=told.end, kind=kind, line=line))

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

    def _take_list_row(self, row: CleanRow, bare: str, digits: str, found: Sequence[Mention], *,
                       first: bool) -> None:
        inline = looks.INLINE_HEAD.match(bare) or looks.PART_FIRST.match(bare)
        if inline and found and named_kind(inline[1]) is not None and (
                match(inline[1], "", self.table) is None):
            self._begin_part(inline[1].strip())
            bare = bare[inline.end():]
            digits = with_digits(bare).text
            found = mentions_in(looks.masked(digits, facts_in(digits)), self.table)
        if len(found) == 2 and found[0].start == found[1].start and found[0].start <= 3:
            for one in found:
                self._mark(row, MarkRole.LINE, self.built.add(one.text, noted=True))
            return
        if len(found) > 1 and looks.is_joined(digits, found):
            self._take_joined(row, bare, digits, found, first=first)
            return
        facts = facts_in(digits)
        if facts and found and not looks.is_one_line(digits, found):
            self.extra.append(digits)
        if len(found) == 1 and (head := re.fullmatch(
                r"(.{3,40}?)\s*(?:\+|&|\band|\bplus)\s*", digits[:found[0].start])) and match(
                    head[1], "", self.table) is not None:
            kind = kind_of_note(digits[found[0].end:])
            self._mark(row, MarkRole.LINE, self.built.add(head[1], kind=kind))
            self._mark(row, MarkRole.LINE, self.built.add(digits[found[0].start:], kind=kind))
            return
        whole = BULLET.sub("", bare) or bare
        if any(one.ingredient for one in found) and read_line(
                whole, table=self.table, memory=self.memory).line.amount is None:
            self._take_prose(row, bare, first=first)
            return
        if not any(one.ingredient for one in found) and self._is_talk(whole):
            name = self._name_in(whole)
            self._note(row, bare, asks=name and f"“{bare[:80]}” names {name} without an amount. "
                       "Does it belong on a line?")
            return
        for piece in pieces_of(whole):
            self._mark(row, MarkRole.LINE, self.built.add(piece, noted=True))

    def _take_joined(self, row: CleanRow, bare: str, digits: str, found: Sequence[Mention], *,
                     first: bool) -> None:
        """Put several amounts of one row on lines of their own; what is around them stays."""
        head = digits[:found[0].start].strip()
        if head and first and not self.title and len(head) <= LONGEST_TITLE_ROW:
            self.title = looks.without_greeting(looks.TITLE_END.sub("", head))[:120] or head[:120]
        self.extra.append(digits)
        note = kind_of_note(digits[found[-1].start:])
        if bare.strip() != " ".join(one.text for one in found):
            self.steps += pieces_of(bare)
        for one in found:
            key = self.built.add(one.text, kind=note if note is Component.PAN else None)
            self._mark(row, MarkRole.LINE, key)

    # What a row looks like.

    def _is_title(self, bare: str, found: Sequence[Mention], *, hashed: bool) -> bool:
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

    def _is_cake(self, bare: str, facts: Sequence[Fact]) -> bool:
        """Say whether a first row that ends in a colon names the whole cake."""
        return bare.endswith(":") and not facts and named_kind(bare) is Component.BATTER and (
            len(bare.split()) > 1)

    def _is_heading(self, bare: str, found: Sequence[Mention],
                    facts: Sequence[Fact], then: CleanRow | None, *,
                    hashed: bool) -> bool:
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

    def _all_facts(self, bare: str, facts: Sequence[Fact]) -> bool:
        """Say whether a row speaks of pan, oven and time, and of no ingredient."""
        read = read_line(BULLET.sub("", bare), table=self.table, memory=self.memory).line
        kinds = {kind for _, _, kind in facts}
        if MarkRole.PAN in kinds or MarkRole.OVEN in kinds or len(facts) > 1:
            return True
        return not read.ingredient

    def _is_talk(self, bare: str) -> bool:
        """Say whether a row without a number is talk: too long for a name, or no name at all."""
        read = read_line(bare, table=self.table, memory=self.memory).line
        if read.name or read.written or read.amount is not None or re.search(
                r"\d\s*(?:g|kg|ml|l|oz|lb|cups?|tsp|tbsp)\b", bare):
            return False
        return len(bare.split()) > MOST_WORDS_UNREAD or bare.lower().strip(" .!,") in TALK or (
            bare.rstrip().endswith("!"))

    def _name_in(self, bare: str) -> str:
        """Return a known ingredient a row names that is on no line yet; empty where none is."""
        listed = {line.ingredient for line in self.built.lines}
        words = re.findall(r"[^\W\d_]+(?:-[^\W\d_]+)*", bare)
        for many in (3, 2, 1):
            for at in range(len(words) - many + 1):
                name = " ".join(words[at:at + many])
                known = self.table.named(name) if len(name) > 2 else None
                if known is not None and known.key not in listed:
                    return name
        return ""

    def _is_order(self, bare: str) -> bool:
        """Say whether a short row only says what to do: "Sift together", "Mix. Bake."."""
        return len(bare.split()) <= 4 and looks.VERB.match(f"{bare} ") is not None and (
            match(bare, "", self.table) is None)

    def _is_bake_row(self, bare: str, facts: Sequence[Fact]) -> bool:
        return len({kind for _, _, kind in facts}) > 1 and bool(looks.VERB.match(bare))

    # Marks, and what comes of the whole.

    def _begin_part(self, heading: str) -> None:
        self.part = "lines" if self.part == "notes" else self.part
        self.under = None
        self.built.begin(heading)

    def _mark(self, row: CleanRow, kind: MarkRole, line: int | None = None) -> None:
        self.marks.append(TextMark(start=row.start, end=row.end, kind=kind, line=line))

    def _settle_waiting(self) -> None:
        """Make lines of what only the method says; what a line accounts for stays a word of it."""
        lines = list(self.built.lines)
        lists = self._lists_in_prose()
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
            home = self.built.batter() if one.kind in (None, Component.BATTER) else None
            key = self.built.add(mention.text, kind=None if home else one.kind, home=home)
            self.marks.append(TextMark(start=one.mark[0], end=one.mark[1], kind=MarkRole.LINE,
                                       line=key))

    def _lists_in_prose(self) -> set[int]:
        """Return rows that are lists in one breath: something they name is on no line yet."""
        listed = {line.ingredient for line in self.built.lines}
        names = " ".join(line.name.lower() for line in self.built.lines)
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

    def _ask_headings(self, asks: Mapping[str, str]) -> None:
        """Ask once about each heading that named no part of a cake."""
        for place, mark in enumerate(self.marks):
            if why := asks.get(self.headings.get(mark.start, "")):
                self.marks[place] = replace(mark, asks=why)

    def read(self) -> RecipeRead:
        """Return the card."""
        self._settle_waiting()
        built = self.built
        built.settle_components([words for step in self.steps
                                 for _, words in looks.sentences(step)])
        if len(self.steps) > MOST_STEPS:
            raise too_many()
        self.notes = [piece for row in self.notes for piece in pieces_of(row)]
        note = "\n".join(self.notes)
        built.settle_base()
        self._ask_headings(built.settle_headings())
        texts = [*self.steps, *([] if len(note) <= MOST_TEXT else self.notes)]
        if not self.servings:
            self.servings = next(filter(None, (servings_in(words) for words in texts)), "")
        card = Card(
            title=self.title or "Untitled card", servings=self.servings[:80],
            note=note if len(note) <= MOST_TEXT else "",
            components=built.kept() or Card(title="x").components,
            lines=tuple(built.lines),
            steps=tuple(MethodStep(key=place, text=words, sign=sign_in(words))
                        for place, words in enumerate(texts, start=1)))
        read = with_settings(_digits_for_facts(card), extra="\n".join(self.extra),
                             marks=tuple(sorted(self.marks, key=lambda one: (one.start, -one.end))),
                             without=self.left)
        read = replace(read, card=replace(read.card, steps=card.steps, note=card.note))
        if any(line.unit_assumed and line.amount and line.amount.unit is Unit.GRAM
               for line in built.lines):
            return replace(read, found=(*read.found, "bare numbers taken as grams"))
        return read


def _digits_for_facts(card: Card) -> Card:
    """Return a card whose words have digits, for looking through."""
    return replace(card, note=with_digits(card.note).text[:MOST_TEXT], steps=tuple(
        replace(step, text=with_digits(step.text).text[:MOST_TEXT]) for step in card.steps))


def pieces_of(row: str) -> list[str]:
    """Cut what is too long for one line or step, so that nothing is lost."""
    if len(row) <= MOST_TEXT:
        return [row]
    return [row[start:start + MOST_TEXT] for start in range(0, len(row), MOST_TEXT)]
