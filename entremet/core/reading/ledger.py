"""The ledger of a reading: every number of the pasted text is in one account, or is asked about.

It looks through the text anew, after the card is made, and trusts nothing but what is on the card:
what a row was read as says where to look, never that all of it was read.
"""

from __future__ import annotations

import re
from bisect import bisect_left
from collections import deque
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from itertools import islice

from entremet.core.card.card import Card, CardLine
from entremet.core.ingredients.table import IngredientTable
from entremet.core.measures.amounts import Amount
from entremet.core.measures.grammar import AmountFound, amount_at
from entremet.core.measures.numbers import number_at
from entremet.core.measures.spelt import with_digits
from entremet.core.measures.units import Unit
from entremet.core.ovens.settings import nominal_c
from entremet.core.reading.asides import CORRECTED
from entremet.core.reading.doubts import doubts
from entremet.core.reading.facts import (
    Account,
    Fact,
    LedgerEntry,
    MarkRole,
    PanOffer,
    TextMark,
    facts_in,
)
from entremet.core.reading.looks import is_part, last_word
from entremet.core.reading.mentions import VESSEL, Mention, mentions_in
from entremet.core.reading.pans import PanFound, pans_in
from entremet.core.reading.said_amounts import LEAST_LISTED
from entremet.core.reading.settings import OvenFound, ovens_in
from entremet.core.reading.times import TimeFound, ranked_times

MOST_ENTRIES = 1_000
"""Numbers of a text that are booked one by one; a longer text has the rest booked by its rows."""

SAME_HEAT_C = 14
"""How far one heat in two scales lies apart by rounding: half a gas mark, 350 °F for 180 °C."""

MEASURED = frozenset(Unit) - {Unit.PIECE, Unit.TIN, Unit.SACHET, Unit.PACK, Unit.DROP}
"""Units of an amount that goes into a cake."""

_NUMBER = re.compile(r"\d|[⅛¼⅓⅜½⅝⅔¾⅞]")
_RUN = re.compile(r"[\d.,]*\d|.", re.DOTALL)
_SIZE = re.compile(r"\s*-?\s*(?:cm|mm|in\b|ins\b|inch|\"|″|”|x\s*\d)", re.IGNORECASE)
_PER_CENT = re.compile(r"\s*(?:%|per ?cent)", re.IGNORECASE)
_HEAT = re.compile(r"\s*(?:°|º|˚|degrees?\b|deg\b|C\b|F\b)", re.IGNORECASE)
_LASTS = re.compile(r"\s*-?\s*(?:min|hour|hr|h\b|sec|day|week|month|year|night|m\b|')",
                    re.IGNORECASE)
_SHARED = re.compile(r"\b(?:each|per|every|apiece|a ?piece|in(?:to)? each|portions? of)\b",
                     re.IGNORECASE)
_MADE = re.compile(
    r"\s*(?:of\s+)?(?:the\s+|your\s+)?(?:\w+\s+)?(?:batter|mixture|mix|dough|ganache|syrup|icing|"
    r"frosting|buttercream|custard|cream|curd|glaze|filling|compote|crumbs?|reserved|remaining|"
    r"boiling|hot|cold|warm|rest)\b", re.IGNORECASE)
_OF_ALL = re.compile(r"\b(?:batch|total|yields?|makes|weighs?|in all)\s*:?\s*(?:about )?$",
                     re.IGNORECASE)
_FIRST_HEAT = re.compile(r"\b(?:pre-?heat|heat (?:up )?(?:the|your|an) oven)\b[^.;]*$",
                         re.IGNORECASE)
_NAME_ENDS = re.compile(r"[,;.|(\d]|\b(?:and|then|with|into?|on|over|to|for|bake|until)\b",
                        re.IGNORECASE)
_STRUCK = re.compile(r"~~[^~\n]{1,200}~~|<(s|del|strike)>[^<>]{1,200}</\1>", re.IGNORECASE)
_NAMED = re.compile(r"\s+(?:of\s+)?[^\W\d_]{3,}(?:\s+[^\W\d_]{3,})?")
_PART = re.compile(r"\s*parts?\b", re.IGNORECASE)
_NEAR = 12


@dataclass(frozen=True, slots=True, kw_only=True)
class _Row:
    """A row of the text: its words with digits, the way back to the text, what stands in it."""

    digits: str
    places: tuple[int, ...]
    start: int
    marks: tuple[TextMark, ...]
    facts: tuple[Fact, ...] = ()
    pans: Mapping[int, PanFound] = field(default_factory=dict)
    ovens: Mapping[int, OvenFound] = field(default_factory=dict)
    times: Mapping[int, tuple[TimeFound, int]] = field(default_factory=dict)
    named: tuple[Mention, ...] = ()

    def entry(self, start: int, end: int, account: Account, why: str = "",
              line: int | None = None, role: MarkRole | None = None) -> LedgerEntry:
        first, last = self.places[start], self.places[end]
        if last <= first:
            # Inside spoken words: "a cup and a half" has all its digits where it begins.
            last = next((one for one in self.places[end:] if one > first), self.places[-1])
        return LedgerEntry(start=self.start + first, end=self.start + last,
                           account=account, why=why, line=line,
                           answers=_answers(account, role))


def ledger_of(text: str, card: Card, marks: Sequence[TextMark], *, offers: Sequence[PanOffer] = (),
              right: Sequence[tuple[int, int]] = (),
              table: IngredientTable) -> tuple[LedgerEntry, ...]:
    """Book every number of a pasted text.

    Parameters
    ----------
    text : str
        As pasted.
    card : Card
        As read from it.
    marks : sequence of TextMark
        What its rows and stretches were read as.
    offers : sequence of PanOffer
        Pans the text offers besides.
    right : sequence of (int, int)
        Stretches the baker said are right as they are.
    table : IngredientTable
        With the baker's own ingredients.
    """
    found: list[LedgerEntry] = []
    struck = [(one.start(), one.end()) for one in islice(_STRUCK.finditer(text), MOST_ENTRIES)]
    lines = {line.key: line for line in card.lines}
    for row in _rows(text, marks):
        if len(found) > MOST_ENTRIES:
            found.append(row.entry(0, len(row.digits), Account.ASIDE,
                                   "more numbers than a recipe has"))
        else:
            found += _booked(_looked_through(row, table), card, lines, offers)
    found = [replace(one, account=Account.ASIDE, why="struck out", answers=())
             if any(start <= one.start < end for start, end in struck) else one for one in found]
    found += [LedgerEntry(start=one.start, end=one.end, account=Account.OPEN, why=one.asks,
                          answers=(MarkRole.RIGHT,)) for one in marks if one.asks]
    homes = {one.line: one for one in marks if one.line is not None}
    found += [LedgerEntry(start=homes[key].start, end=homes[key].end, account=Account.OPEN, why=why,
                          line=key, answers=(MarkRole.RIGHT,))
              for key, why in doubts(card, table) if key in homes]
    return tuple(
        replace(one, account=Account.ASIDE, why="right as it is, as you said")
        if one.account is Account.OPEN and any(
            start <= one.start and one.end <= end for start, end in right) else one
        for one in found)


def _answers(account: Account, role: MarkRole | None) -> tuple[MarkRole, ...]:
    """Return what a stretch can be said to be where it is asked about."""
    if account is not Account.OPEN:
        return ()
    return (MarkRole.RIGHT,) if role is None else (MarkRole.RIGHT, role, MarkRole.NOTE)


def open_in(ledger: Iterable[LedgerEntry]) -> list[LedgerEntry]:
    """Return what is in no account and has to be asked."""
    return [one for one in ledger if one.account is Account.OPEN]


def _rows(text: str, marks: Sequence[TextMark]) -> Iterator[_Row]:
    at = 0
    waiting = deque(sorted(marks, key=lambda one: one.start))
    here: list[TextMark] = []
    for line in text.splitlines(keepends=True):
        bare = line.rstrip()
        here = [one for one in here if one.end > at]
        while waiting and waiting[0].start < at + len(bare):
            here.append(waiting.popleft())
        spelt = with_digits(bare)
        if _NUMBER.search(spelt.text):
            yield _Row(digits=spelt.text, places=spelt.places, start=at,
                       marks=tuple(one for one in here if one.end > at))
        at += len(line)


def _looked_through(row: _Row, table: IngredientTable) -> _Row:
    """Find the facts and amounts of a row; in one of more numbers than a recipe has, none."""
    digits = row.digits
    if len(_NUMBER.findall(digits)) > MOST_ENTRIES:
        return row
    return replace(
        row, facts=facts_in(digits), pans={one.start: one for one in pans_in(digits)},
        ovens={one.start: one for one in ovens_in(digits)},
        times={time.start: (time, rank) for time, rank in ranked_times(digits)},
        named=tuple(mentions_in(digits, table)))


def _booked(row: _Row, card: Card, lines: dict[int, CardLine],
            offers: Sequence[PanOffer]) -> Iterator[LedgerEntry]:
    """Book the numbers of a row, in order; those of one amount or fact together."""
    names = " ".join(line.name.lower() for line in card.lines)
    spent: set[tuple[int, float]] = set()
    at = 0
    for many, begin in enumerate(_NUMBER.finditer(row.digits)):
        place = begin.start()
        if place < at:
            continue
        if many > 2 * MOST_ENTRIES:
            yield row.entry(place, len(row.digits), Account.ASIDE, "more numbers than a recipe has")
            return
        number = number_at(row.digits, place, words=False)
        run = _RUN.match(row.digits, place)
        end = max(run.end() if run else place + 1, number.end if number is not None else 0)
        fact = next((one for one in row.facts if one[0] <= place < one[1]), None)
        mark = _over(row, place)
        entry: LedgerEntry
        if mark is None:
            entry = row.entry(place, end, Account.ASIDE, "belongs to no row")
        elif mark.why:
            entry = row.entry(place, end, Account.ASIDE, mark.why)
        elif mark.kind is MarkRole.LINE and (own := _of_lines(row, place, lines)) and (
                line := _line_with(own, row, place, spent)):
            entry = row.entry(place, end, Account.LINE, line=line.key)
        elif fact is not None:
            entry = _fact(row, fact, card, offers)
        elif mark.kind is MarkRole.LINE:
            entry = _beside(row, place, end, _of_lines(row, place, lines))
        else:
            entry = _said(row, place, end, card, names)
        at = max(place + 1, bisect_left(row.places, entry.end - row.start))
        yield entry


def _over(row: _Row, place: int) -> TextMark | None:
    """Return the smallest mark over a place that says what its words are."""
    at = row.start + row.places[place]
    over = [one for one in row.marks if one.start <= at < one.end]
    return min(over, key=lambda one: (one.end - one.start, bool(one.why)), default=None)


def _of_lines(row: _Row, place: int, lines: dict[int, CardLine]) -> list[CardLine]:
    at = row.start + row.places[place]
    return [lines[one.line] for one in row.marks
            if one.line in lines and one.line is not None and one.start <= at < one.end]


def _line_with(own: Sequence[CardLine], row: _Row, place: int,
               spent: set[tuple[int, float]]) -> CardLine | None:
    """Return the line whose amount a number belongs to, by its value.

    Each number of a line is met once in a row; what stands with the name of another thing is none
    of its own.
    """
    number = number_at(row.digits, place, words=False)
    other = next((one for one in row.named if one.start <= place < one.end), None)
    if number is None or (
            other is not None and other.ingredient and other.amount.unit in MEASURED
            and not any(_is_of(line, other.ingredient) or not line.ingredient for line in own)):
        return None
    values = [number.low, *([number.high] if number.high is not None else [])]
    for line in own:
        if (line.key, number.low) not in spent and any(
                abs(value - one) <= 1e-3 * max(one, 1e-9) for value in values
                for one in _numbers_of(line)):
            spent.add((line.key, number.low))
            return line
    return None


def _numbers_of(line: CardLine) -> Iterator[float]:
    """Every number that makes up a line's amounts, as it could have been written."""
    joined = None if line.joined is None else line.joined.amount
    for amount in (line.amount, line.second, joined):
        if amount is None:
            continue
        for value in (amount.value, amount.high):
            if value is not None:
                yield value
                if line.packs:
                    yield value / line.packs
    if line.packs:
        yield float(line.packs)
    words = with_digits(line.written).text
    for begin in _NUMBER.finditer(words):
        if (number := number_at(words, begin.start(), words=False)) is not None:
            yield number.low
            if number.high is not None:
                yield number.high


def _fact(row: _Row, fact: Fact, card: Card, offers: Sequence[PanOffer]) -> LedgerEntry:
    start, end, kind = fact
    words = row.digits[start:end].strip()
    account, why = Account.FACT, "how many it serves"
    if kind is MarkRole.PAN:
        account, why = _pan(row.pans.get(start), card, offers)
    elif kind is MarkRole.OVEN:
        account, why = _oven(row, start, card)
    elif kind is MarkRole.TIME:
        time, rank = row.times.get(start, (None, 0))
        account, why = _time(time, rank, card, offers)
    return row.entry(start, end, account, why.format(words=words), role=kind)


def _pan(here: PanFound | None, card: Card, offers: Sequence[PanOffer]) -> tuple[Account, str]:
    if here is None:
        return Account.METHOD, "a size"
    if any(one.measures == here.measures for one in card.pans):
        return Account.FACT, "the pan"
    if any(one.pan.measures == here.measures for one in offers):
        return Account.FACT, "a pan it offers besides"
    return Account.OPEN, "“{words}” is a pan that is not on the card. Which pan is it for?"


def _oven(row: _Row, start: int, card: Card) -> tuple[Account, str]:
    here = row.ovens.get(start)
    taken = [card.setting, *(one.setting for one in card.phases)]
    if here is None or here.setting in taken:
        return Account.FACT, "the oven"
    ends = row.digits.rfind(". ", 0, start), row.digits.find(". ", start)
    low, high = ends[0], ends[1] if ends[1] >= 0 else len(row.digits)
    if any(one.setting in taken for at, one in row.ovens.items() if low <= at <= high) or (
            card.setting is not None and here.setting.scale is card.setting.scale
            and here.setting.value > card.setting.value
            and _FIRST_HEAT.search(row.digits[:start])):
        return Account.RESTATED, "the oven again, or what it was heated to first"
    if any(one is not None and abs(nominal_c(one) - nominal_c(here.setting)) <= SAME_HEAT_C
           for one in taken):
        return Account.RESTATED, "the oven again, in another scale"
    return Account.OPEN, "“{words}” is another oven setting than the card's. Which one bakes it?"


def _time(time: TimeFound | None, rank: int, card: Card,
          offers: Sequence[PanOffer]) -> tuple[Account, str]:
    if time is None:
        return Account.METHOD, "a time of a step"
    if _is_bake(time, card):
        return Account.FACT, "the bake time"
    if any(one.low_min == time.low_min for one in offers):
        return Account.FACT, "the time of a pan it offers"
    if rank == 0 or (card.stand_min is not None and time.low_min == card.stand_min):
        return Account.METHOD, "a time of a step"
    if any(abs(one.minutes - (time.low_min * time.high_min) ** 0.5) < 0.06 for one in card.phases):
        return Account.FACT, "a phase of the bake"
    low, high = card.stated_low_min, card.stated_high_min
    if low is not None and high is not None and low <= time.low_min <= time.high_min <= high:
        return Account.RESTATED, "the bake time again"
    if rank == 1:
        return Account.METHOD, "a time of a step"
    return Account.OPEN, "“{words}” could be the bake time too. Which is it?"


def _is_bake(time: TimeFound, card: Card) -> bool:
    return (time.low_min, time.high_min) == (card.stated_low_min, card.stated_high_min)


def _beside(row: _Row, place: int, end: int, own: Sequence[CardLine]) -> LedgerEntry:
    """Book a number of a line's words that is none of its amounts."""
    behind = row.digits[end:end + _NEAR]
    if all(line.amount is None and not line.name for line in own):
        key = own[0].key if own else None
        return row.entry(place, end, Account.LINE, "not read; asked on its line", key)
    line = own[0]
    at = row.start + row.places[place]
    if any(one.why is CORRECTED and one.start <= at < one.end for one in row.marks):
        return row.entry(place, end, Account.ASIDE, CORRECTED)
    if _PART.match(row.digits, end):
        return row.entry(place, end, Account.LINE, "a part of so many", line.key)
    if (reason := _reason(behind)) is not None:
        return row.entry(place, end, Account.LINE, reason, line.key)
    amount = amount_at(row.digits, place)
    other = next((one for one in row.named if one.start <= place < one.end and one.ingredient
                  and one.amount.unit in MEASURED), None)
    if other is not None and line.ingredient and not any(
            _is_of(one, other.ingredient) for one in own):
        return row.entry(other.start, other.end, Account.OPEN, f"“{other.text}” is on no line of "
                         "the card. Does it belong on one?", role=MarkRole.LINE)
    if amount is not None and amount.has_unit and amount.amount.unit in MEASURED:
        words = row.digits[place:amount.end].strip()
        return row.entry(place, amount.end, Account.OPEN, f"“{words}” stands in the line of "
                         f"{line.name or line.text} and was not taken. Is it right without it?",
                         line.key)
    if len(own) > 1 and (name := _NAMED.match(row.digits, end)) is not None:
        words = row.digits[place:name.end()].strip()
        return row.entry(place, name.end(), Account.OPEN, f"“{words}” is on no line of the card. "
                         "Does it belong on one?", role=MarkRole.LINE)
    return row.entry(place, end, Account.LINE, "words of the line", line.key)


def _reason(behind: str) -> str | None:
    for pattern, reason in ((_SIZE, "a size"), (_PER_CENT, "a per cent"), (_HEAT, "a temperature"),
                            (_LASTS, "a time")):
        if pattern.match(behind):
            return reason
    return None


def _said(row: _Row, place: int, end: int, card: Card, names: str) -> LedgerEntry:
    """Book a number of the method, of a heading or of a note that is no fact."""
    if (reason := _reason(row.digits[end:end + _NEAR])) is not None:
        return row.entry(place, end, Account.METHOD, reason)
    amount = amount_at(row.digits, place)
    mention = next((one for one in row.named if one.start <= place < one.end), None)
    if amount is None or amount.amount.unit not in MEASURED:
        if mention is not None and mention.ingredient:
            return _mentioned(row, mention, card, names)
        listed = sum(one.kind is MarkRole.LINE for one in row.marks) >= LEAST_LISTED
        if listed and (called := _NAMED.match(row.digits, end)) is not None:
            words = row.digits[place:called.end()].strip()
            return row.entry(place, called.end(), Account.OPEN, f"“{words}” is on no line of the "
                             "card. Does it belong on one?", role=MarkRole.LINE)
        return row.entry(place, end, Account.METHOD, "a number in the words")
    if mention is not None and mention.ingredient:
        return _mentioned(row, mention, card, names)
    stop = amount.end
    if VESSEL.match(row.digits[stop:stop + 40].lstrip(" -")):
        return row.entry(place, stop, Account.METHOD, "what a vessel holds")
    before = row.digits[max(0, place - 24):place]
    behind = row.digits[stop:stop + 24]
    if _OF_ALL.search(before):
        return row.entry(place, stop, Account.ASIDE, "what all of it weighs")
    if _SHARED.search(before) or _SHARED.search(behind) or _MADE.match(row.digits[stop:stop + 60]):
        return row.entry(place, stop, Account.METHOD, "a share of what is made")
    name = _NAME_ENDS.split(row.digits[stop:stop + 30])[0].rstrip()
    if last_word(name) in names and any(
            _same(amount, one) for line in card.lines for one in (line.amount, line.second)):
        return row.entry(place, stop, Account.RESTATED, "an amount of the list")
    words = f"{row.digits[place:stop]}{name}".strip()
    return row.entry(place, stop + len(name), Account.OPEN, f"“{words}” is on no line of the card. "
                     "Does it belong on one?", role=MarkRole.LINE)


def _mentioned(row: _Row, mention: Mention, card: Card, names: str) -> LedgerEntry:
    """Book an amount of a known thing in a sentence: the list's own, a part of it, or not there."""
    start, end = mention.start, mention.end
    own = [line for line in card.lines if _is_of(line, mention.ingredient)]
    if not own and is_part(mention, names):
        word = last_word(mention.text)
        own = [line for line in card.lines if word and word in line.name.lower()]
    if not own:
        return row.entry(start, end, Account.OPEN, f"“{mention.text}” is on no line of the card. "
                         "Does it belong on one?", role=MarkRole.LINE)
    amounts = [one for line in own for one in (line.amount, line.second) if one is not None]
    if any(_equal(mention.amount, one) for one in amounts):
        return row.entry(start, end, Account.RESTATED, "an amount of the list", own[0].key)
    same_unit = [one for one in amounts if one.unit is mention.amount.unit]
    if not same_unit or mention.amount.value <= sum(one.middle for one in same_unit) + 1e-9:
        return row.entry(start, end, Account.RESTATED, "a part of the list's amount", own[0].key)
    return row.entry(start, end, Account.OPEN, f"“{mention.text}” is more than the list has of it. "
                     "Which is right?", own[0].key)


def _is_of(line: CardLine, ingredient: str) -> bool:
    return line.ingredient == ingredient or (
        line.ingredient.startswith("egg") and ingredient.startswith("egg"))


def _same(found: AmountFound, one: Amount | None) -> bool:
    return one is not None and _equal(found.amount, one)


def _equal(one: Amount, other: Amount) -> bool:
    return one.unit is other.unit and abs(one.value - other.value) <= 1e-6 * other.value
