"""Steps whose amounts are tied to the lines of the card, so that the words scale with it."""

from __future__ import annotations

import re
from collections.abc import Sequence

from entremet.core.card.card import Card, CardLine, MethodStep
from entremet.core.card.recipe import TiedAmount, TiedStep
from entremet.core.ingredients.names import plain, without_preparation
from entremet.core.ingredients.table import IngredientTable
from entremet.core.measures.amounts import Amount
from entremet.core.measures.grammar import amount_at
from entremet.core.measures.spelt import with_digits
from entremet.core.measures.units import EGG_UNITS, Unit

_NUMBER_STARTS = re.compile(
    r"(?<![\w.,/⁄°])(?:[\d⅛¼⅓⅜½⅝⅔¾⅞]|(?:one|two|three|four|five|six|seven|eight|nine|ten|twelve)"
    r"(?=\s+(?:\w+\s+)?(?:egg|yolk|white)))", re.IGNORECASE)
_NOT_AMOUNTS = re.compile(
    r"\s*-?\s*(?:°|º|degrees?|cm\b|mm\b|in\b|inch|minutes?|mins?\b|hours?|hrs?\b|seconds?|secs?\b|"
    r"days?|times?\b|%|watts?|x\s|×|[CF]\b|fan\b|layers?|pieces?\b|parts?\b|batches|"
    r"additions?)", re.IGNORECASE)
_WORDS_AFTER = 6
MOST_TIES = 400
"""Amounts of a card's steps that are tied to its lines; those behind stay as written."""

SAME_AMOUNT = 1.5
"""What a line's very amount counts beside its name, when "240 g flour" could mean two lines."""

_EGGISH = re.compile(r"egg|yolk|white", re.IGNORECASE)
_EGG_WORDS = {"egg": Unit.EGG, "yolk": Unit.YOLK, "white": Unit.WHITE}


def tied_steps(card: Card, *, table: IngredientTable) -> tuple[TiedStep, ...]:
    """Return all steps of a card with their amounts tied."""
    names = _Names(card, table)
    left = MOST_TIES
    steps = []
    for step in card.steps:
        ties = tuple(_ties(step, card.lines, names, left))
        left -= len(ties)
        steps.append(TiedStep(key=step.key, text=step.text, sign=step.sign, ties=ties,
                              kinds=step.kinds))
    return tuple(steps)


def ties_of(step: MethodStep, card: Card, *, table: IngredientTable) -> list[TiedAmount]:
    """Return the amounts of a step with the lines they belong to.

    An amount belongs to the line whose ingredient is named close behind it; what names no line
    stays as written.

    >>> from entremet.core.ingredients.table import TABLE
    >>> from entremet.core.reading.lines import read_line
    >>> card = Card(title="x", lines=(read_line("220 g caster sugar", key=7).line,))
    >>> ties_of(MethodStep(key=1, text="Beat in 180 g of the sugar."), card, table=TABLE)[0].line
    7
    """
    return _ties(step, card.lines, _Names(card, table), MOST_TIES)


def _ties(step: MethodStep, lines: Sequence[CardLine], names: _Names,
          most: int) -> list[TiedAmount]:
    by_hand = {tie.words: tie.line for tie in step.ties}
    found: list[TiedAmount] = []
    place = 0
    spelt = with_digits(step.text)
    text, places = spelt.text, spelt.places
    while len(found) < most and (
            start := _NUMBER_STARTS.search(text, place)) is not None:
        place = start.end()
        amount = amount_at(text, start.start())
        if amount is None or _NOT_AMOUNTS.match(text, amount.number_end):
            place = start.end() if amount is None else amount.number_end
            continue
        place = amount.end
        from_, to = places[amount.start], places[amount.end]
        words = step.text[from_:to]
        behind = text[amount.end:amount.end + 80]
        if words in by_hand:
            found.append(TiedAmount(start=from_, end=to, amount=amount.amount,
                                    line=by_hand[words], by_hand=True))
            continue
        value = amount.amount
        if not amount.has_unit:
            egg = _egg(behind)
            if egg is None:
                continue
            value = Amount(value=value.value, unit=egg, high=value.high)
        line = _line_named(behind, value, lines, names)
        if line is not None or amount.has_unit:
            found.append(TiedAmount(start=from_, end=to, amount=value, line=line))
    return found


class _Names:
    """What the lines of a card may be called in a step; a line is found by its first or last word.

    Lines that go by the same names are told apart by their amounts alone, so each name is scored
    once however many lines bear it.
    """

    def __init__(self, card: Card, table: IngredientTable) -> None:
        self.by_word: dict[str, dict[tuple[str, ...], list[CardLine]]] = {}
        for line in card.lines:
            for name in _names(line, table):
                for word in {name[0], name[-1]}:
                    bearers = self.by_word.setdefault(word, {}).setdefault(tuple(name), [])
                    bearers.append(line)

    def scores(self, spoken: list[str]) -> dict[int, float]:
        """Return how well spoken words name each line that they name at all, by its key."""
        best: dict[int, float] = {}
        for name, lines in self.by_word.get(spoken[0], {}).items() if spoken else ():
            score = _score(spoken, list(name))
            for line in lines:
                best[line.key] = max(score, best.get(line.key, 0.0))
        return best


def _names(line: CardLine, table: IngredientTable) -> list[list[str]]:
    """Return what a line may be called in a step, as plain words."""
    phrases = [line.name, *(other.name for other in line.instead)]
    found = table.rows.get(line.ingredient)
    if found is not None:
        phrases += [found.name, *found.aliases]
    return [words for phrase in dict.fromkeys(phrases)
            if (words := without_preparation(plain(phrase).split()))]


def _line_named(behind: str, amount: Amount, lines: Sequence[CardLine],
                names: _Names) -> int | None:
    """Return the line named behind an amount: the fullest name, then the same amount."""
    clause = re.split(r"[.;:(]", behind)[0]
    spoken = [word for word in plain(clause).split() if word not in ("of", "the", "each")]
    spoken = without_preparation(spoken)[:_WORDS_AFTER]
    scores = names.scores(spoken)
    best: tuple[float, int] | None = None
    for line in lines if scores else ():
        score = scores.get(line.key, 0.0)
        if score <= 0:
            continue
        if line.amount is not None and (line.amount.value, line.amount.unit) == (
                amount.value, amount.unit):
            score += SAME_AMOUNT
        if amount.unit in EGG_UNITS and (
                line.amount is None or line.amount.unit is not amount.unit):
            score -= 0.75
        if score > 0 and (best is None or score > best[0] + 1e-9):
            best = (score, line.key)
    return None if best is None else best[1]


def _score(spoken: list[str], name: list[str]) -> float:
    """Say how well spoken words begin with a name: all of it, its last word, or its first."""
    if spoken[:len(name)] == name:
        return 1.0 + len(name)
    return 1.0 if spoken[:1] == name[-1:] else 0.6 if spoken[:1] == name[:1] else 0.0


def _egg(behind: str) -> Unit | None:
    if not _EGGISH.search(behind):
        return None
    words = [word for word in plain(behind).split() if word not in ("of", "the")]
    words = without_preparation(words[:5])[:2]
    if words[:1] == ["egg"] and words[1:] in (["yolk"], ["white"]):
        words = words[1:]
    return _EGG_WORDS.get(words[0]) if words else None
