"""A recipe while it is read, row by row: what each row is, and what becomes of it on the card."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from dataclasses import replace

from entremet.core.card.card import MOST_STEPS, MOST_TEXT, Card, MethodStep
from entremet.core.card.lines import Component
from entremet.core.ingredients.search import match
from entremet.core.ingredients.table import IngredientTable
from entremet.core.measures.grammar import amount_at
from entremet.core.measures.spelt import with_digits
from entremet.core.measures.units import Unit
from entremet.core.reading import asides, looks
from entremet.core.reading.building import Building, too_many
from entremet.core.reading.bullets import BULLET
from entremet.core.reading.clean import CleanRow, pieces_of
from entremet.core.reading.components import kind_of_note, named_kind
from entremet.core.reading.facts import (
    Fact,
    MarkRole,
    RecipeRead,
    TextMark,
    Told,
    facts_in,
    servings_in,
    with_settings,
    without_factors,
)
from entremet.core.reading.grids import HEAD_OF_TABLE
from entremet.core.reading.lines import Memory, read_line
from entremet.core.reading.mentions import Mention, mentions_in
from entremet.core.reading.row_kinds import LONGEST_TITLE_ROW, RowKinds
from entremet.core.reading.said_amounts import SaidAmounts
from entremet.core.reading.settings import sign_in

LEADS = 4
"""Signs before the first amount of a row that begins with it: a bullet and a blank."""
LONGEST_CLOCK = 160
MOST_NUMBERS = 1_000
"""Numbers of a text that are looked at everywhere; twenty recipes have fewer."""
FACT_WORDS = {MarkRole.PAN: "{} tin", MarkRole.OVEN: "oven at {}", MarkRole.TIME: "Bake for {}"}
"""How words that are said to be a fact are looked through for it."""


class TextSheet:
    """A recipe while it is read, from the top down."""

    def __init__(self, *, title: str, table: IngredientTable, memory: Memory) -> None:
        self.title = title
        self.table, self.memory = table, memory
        self.built = Building(table=table, memory=memory)
        self.kinds = RowKinds(table=table, memory=memory)
        self.said = SaidAmounts(table=table)
        self.steps: list[str] = []
        self.notes: list[str] = []
        self.servings = ""
        self.part = "lines"
        self.why = ""
        self.begun = False
        self.starred = 0
        self.sized = False
        self.headings: dict[int, str] = {}
        self.told: tuple[Told, ...] = ()
        self.left: list[str] = []
        self.aside: list[str] = []
        self.marks: list[TextMark] = []
        self.extra: list[str] = []
        self.looked_at = 0

    @property
    def _tired(self) -> bool:
        """Whether the text holds more numbers than any recipe; rows are then read one by one."""
        return self.looked_at > MOST_NUMBERS

    # The parts a row can be.

    def take(self, row: CleanRow, *, more: bool, then: CleanRow | None) -> None:
        """Put one row of the text where it belongs."""
        first = not self.begun
        was, lines = len(self.notes), len(self.built.lines)
        self._take(row, first=first, more=more, then=then)
        if row.worked:
            self.built.say_worked(lines, row.worked)
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
        if not self.begun and not self.title and more and (
                told := self.kinds.told_title(bare)) is not None:
            self._take_title(row, told[0])
            self.servings = self.servings or told[1]
            return
        if (step := asides.step_heading(bare)) is not None:
            self._begin_step(row, step)
            return
        if (sized := looks.SIZE_ROW.match(bare)) and not self.sized and (
                across := looks.SIZE.search(sized.group())):
            # Of several sizes the first is the card's; its size is its pan's.
            self.sized = True
            self.extra.append(f"{across.group()} tin")
        digits = with_digits(bare).text
        self.looked_at += len(looks.NUMBER.findall(digits))
        facts = () if self._tired else facts_in(digits)
        found = [] if self._tired else mentions_in(looks.masked(digits, facts), self.table)
        named = any(one.ingredient for one in found)
        kinds = {kind for _, _, kind in facts}
        if not self.servings and self.part != "aside" and (
                many := looks.OF_THEM.fullmatch(bare)):
            self.servings = many[1]
            self._mark(row, MarkRole.SERVES)
        elif self.part == "aside" and not self._ends_aside(bare, found, facts, then):
            self._take_aside(row, bare, facts)
        elif not self.servings and not found and looks.SERVES_FIRST.match(bare):
            self.servings = servings_in(bare)
            self._mark(row, MarkRole.SERVES)
        elif (why := asides.reason_of(bare, named=named, stated=bool(facts), leads=bool(
                found and found[0].ingredient and found[0].start <= LEADS))) and (
                self.part != "steps" or why is asides.COMMENT):
            self._set_aside(row, bare, why)
        elif self.part != "steps" and asides.other_recipe(bare):
            self._note(row, bare, asides.OTHER_RECIPE, f"“{bare[:60]}” is another recipe; what it "
                       "is made of is not on this card. Add its lines, or leave it.")
        elif self.part != "steps" and self._is_other_size(bare, found):
            self._note(row, bare, asides.OTHER_SIZE, f"“{bare[:40]}…” has the same lines for "
                       "another size; the card takes the first. Is that right?")
        elif self.part != "steps" and self.built.lines and asides.other_way(bare):
            self._note(row, bare, asides.OTHER_WAY)
        elif self._corrects(row, bare) and self._corrected(row, found):
            return
        elif first and more and not self.title and (
                self.kinds.is_title(bare, found, hashed=hashed) or self.kinds.is_cake(bare, facts)):
            self._take_title(row, bare)
        elif not self.servings and len(bare) <= 80 and not found and (
                serves := looks.SERVES_ROW.fullmatch(bare)) and (
                    servings_in(bare) or not facts):
            self.servings = without_factors(
                bare if bare.lower().startswith(("serves", "makes")) else serves[1])
            self.extra.append(digits)
            self._mark(row, MarkRole.SERVES)
        elif self.part == "notes" and not self.kinds.is_bake_row(bare, facts):
            self._note(row, bare)
        elif re.fullmatch(r"\(.*\)\.?", bare) and facts and not first:
            # What stands in brackets is said beside the recipe; its facts come after the method's.
            self._note(row, bare)
            self._mark_facts(row, bare)
        elif self.part == "steps" or looks.NUMBERED.match(row.text):
            self._take_step(row, row.text)
        elif not named and len(bare.split()) > 3 and MarkRole.OVEN in kinds and (
                MarkRole.TIME in kinds or looks.VERBAL.search(bare)):
            self._take_prose(row, bare, first=first)
        elif looks.TIMES_ROW.fullmatch(bare) and len(bare) <= 120:
            self._take_step(row, bare, mine=False, go_on=False)
        elif bare.endswith(":") and looks.SHARE_OF.fullmatch(bare.rstrip(" :")):
            self._note(row, bare)
        elif self.kinds.is_heading(bare, found, facts, then, hashed=hashed):
            self._begin_part(bare.rstrip(" :"))
            self.headings[row.start] = bare.rstrip(" :")[:80]
            self._mark(row, MarkRole.HEADING)
        elif not found and (self.kinds.all_facts(bare, facts) if facts
                            else self.kinds.is_order(bare)):
            self._take_step(row, bare, mine=False, go_on=False)
        elif looks.runs_on(digits, found) or (
                not looks.headed_inline(bare, found)
                and looks.is_prose(bare, digits, found, facts)):
            self._take_prose(row, bare, first=first)
        else:
            self._take_list_row(row, bare, digits, found, first=first)

    def take_known(self, row: str) -> None:
        """Put a row that is an ingredient line or a heading where it belongs."""
        if row.endswith(":") and self.kinds.is_heading(row, [], (), None, hashed=False):
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

    def _ends_aside(self, bare: str, found: Sequence[Mention], facts: Sequence[Fact],
                    then: CleanRow | None) -> bool:
        """Say whether a row ends what is set aside: a part of the cake with an amount behind it.

        Equipment ends with the first amount of a food too: nobody weighs food among the tins.
        """
        begins = then is not None and amount_at(BULLET.sub("", then.text), 0) is not None
        part = begins and named_kind(bare) is not None and self.kinds.is_heading(
            bare, found, facts, then, hashed=False)
        food = self.why is asides.EQUIPMENT and any(
            one.ingredient and one.amount.unit is not Unit.PIECE for one in found)
        if part or food:
            self.part = "lines"
        return part or food

    def _begin_step(self, row: CleanRow, what: str) -> None:
        """Begin a step that stands under its own heading; a part of the cake may be its name."""
        self.part, self.said.under = "steps", named_kind(what) if what else None
        self._mark(row, MarkRole.HEADING)

    def _corrects(self, row: CleanRow, bare: str) -> bool:
        """Say whether a row takes something back; a star does where no other row has one."""
        starred = re.match(r"\*(?=\d)", row.text) is not None
        self.starred += starred
        return asides.corrects(bare, step=self.part == "steps") or (starred and self.starred == 1)

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
        return looks.SIZE_ROW.match(bare) is not None and len(names) > 1 and names == {
            *(line.ingredient for line in self.built.lines),
            *(one.mention.ingredient for one in self.said.waiting)}

    def _note(self, row: CleanRow, bare: str, why: str = "", asks: str = "") -> None:
        """Keep a row in the note; in one that is set aside no fact is looked for."""
        self.notes.append(bare)
        if why:
            self.aside.append(bare)
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
            self._look(row, bare)
        self.steps += pieces

    def _look(self, row: CleanRow, bare: str) -> None:
        """Mark the facts of a sentence, and note its amounts."""
        self._mark_facts(row, bare)
        self.said.look(row, bare, len(self.steps))

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
        self._look(row, words)
        self.steps += pieces_of(row.text)
        self.marks.append(TextMark(start=row.start, end=row.end, kind=MarkRole.STEP))

    def _mark_span(self, told: Told, kind: MarkRole, line: int | None = None) -> None:
        self.marks.append(TextMark(start=told.start, end=told.end, kind=kind, line=line))

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
        if not any(one.ingredient for one in found) and self.kinds.is_talk(whole):
            name = self.kinds.name_in(
                whole, {line.ingredient for line in self.built.lines})
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

    # Marks, and what comes of the whole.

    def _begin_part(self, heading: str) -> None:
        self.part = "lines" if self.part == "notes" else self.part
        self.said.under = None
        self.built.begin(heading)

    def _mark(self, row: CleanRow, kind: MarkRole, line: int | None = None) -> None:
        self.marks.append(TextMark(start=row.start, end=row.end, kind=kind, line=line))

    def _ask_headings(self, asks: Mapping[str, str]) -> None:
        """Ask once about each heading that named no part of a cake."""
        for place, mark in enumerate(self.marks):
            if why := asks.get(self.headings.get(mark.start, "")):
                self.marks[place] = replace(mark, asks=why)

    def read(self) -> RecipeRead:
        """Return the card."""
        self.marks += self.said.settle(self.built)
        built = self.built
        built.settle_components([words for step in self.steps
                                 for _, words in looks.sentences(step)])
        if len(self.steps) > MOST_STEPS:
            raise too_many()
        if len("\n".join(self.notes)) > MOST_TEXT:
            # The text as pasted keeps what was set aside; as steps it would be work to do.
            self.notes = [row for row in self.notes if row not in self.aside]
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
