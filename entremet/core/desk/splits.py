"""Reading a split: "a quarter for the topping", "45 ml for loosening", "two fifths on top"."""

from __future__ import annotations

import re
from collections.abc import Sequence

from entremet.core.card.card import CardLine, CardPart
from entremet.core.card.recipe import Recipe, TiedStep
from entremet.core.card.share import share_of_line
from entremet.core.ground.errors import ImpossibleRecipe, UnreadableAmount
from entremet.core.measures.amounts import COUNTED_UNITS
from entremet.core.measures.grammar import amount_at
from entremet.core.measures.numbers import number_at
from entremet.core.measures.units import EGG_UNITS

REST = "the rest"
_NEAR_WHOLE = 0.02
_LEAD = re.compile(r"^(?:keep|reserve|set aside|save|use|take|with|and)\s+", re.IGNORECASE)
_FRACTION_WORDS = {
    "half": 1 / 2, "third": 1 / 3, "thirds": 1 / 3, "quarter": 1 / 4, "quarters": 1 / 4,
    "fifth": 1 / 5, "fifths": 1 / 5, "sixth": 1 / 6, "sixths": 1 / 6, "eighth": 1 / 8,
    "eighths": 1 / 8, "tenth": 1 / 10, "tenths": 1 / 10,
}
_FRACTION = re.compile(rf"(?:(?P<count>a|an|one|two|three|four|five|six|seven|eight|nine)\s+)?"
                       rf"(?P<word>{'|'.join(_FRACTION_WORDS)})\b", re.IGNORECASE)
_PERCENT = re.compile(r"(?P<number>\d+(?:[.,]\d+)?)\s*%")
_COUNTS = {"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6,
           "seven": 7, "eight": 8, "nine": 9}
_OF_IT = re.compile(r"^\s*(?:of\s+(?:the\s+|it\b)?(?:\w+\s+)?)?"
                    r"(?=(?:for|on|in|into|with|to|over)\b|$)", re.IGNORECASE)


def read_split(phrases: Sequence[str], line: CardLine, recipe: Recipe) -> tuple[CardPart, ...]:
    """Read what a line is split into; what is not named is the rest.

    Parameters
    ----------
    phrases : sequence of str
        One part each, with a share or an amount.
    line : CardLine
        The line, with its amount.
    recipe : Recipe
        The card, resolved, to weigh amounts of another unit.

    Returns
    -------
    tuple of CardPart
        Shares sum to 1.

    Raises
    ------
    UnreadableAmount
        When a phrase names no share and no amount that can be compared with the line.
    ImpossibleRecipe
        When the parts are more than the line.
    """
    if line.amount is None:
        raise ImpossibleRecipe(f"{line.label} has no amount to split.", field="parts")
    parts = [_part(phrase.strip(), line, recipe) for phrase in phrases if phrase.strip()]
    return with_rest(parts, line)


def with_rest(parts: Sequence[CardPart], line: CardLine) -> tuple[CardPart, ...]:
    """Return parts with the rest behind them, so that their shares sum to 1.

    Raises
    ------
    ImpossibleRecipe
        When the parts are more than the line.
    """
    if not parts:
        return ()
    total = sum(part.share for part in parts)
    if total > 1 + _NEAR_WHOLE:
        raise ImpossibleRecipe(f"The parts come to {total:.0%} of {line.label}.", field="parts")
    if total > 1 - _NEAR_WHOLE:
        return tuple(CardPart(name=part.name, share=part.share / total, written=part.written)
                     for part in parts)
    return (*parts, CardPart(name=REST, share=1 - total))


def split_by_steps(line: CardLine, steps: Sequence[TiedStep],
                   recipe: Recipe) -> tuple[CardPart, ...]:
    """Return the split that the method's own amounts make of a line; empty where they make none."""
    parts = []
    for place, step in enumerate(steps, start=1):
        for tie in step.ties:
            share = share_of_line(tie.amount, line, recipe) if tie.line == line.key else None
            if share is not None and 0 < share < 1:
                parts.append(CardPart(name=f"in step {place}", share=share,
                                      written=step.text[tie.start:tie.end]))
    if not parts or sum(part.share for part in parts) > 1 + _NEAR_WHOLE:
        return ()
    return with_rest(parts, line)


def _part(phrase: str, line: CardLine, recipe: Recipe) -> CardPart:
    bare = _LEAD.sub("", phrase)
    share, end = _share(bare, line, recipe)
    name = bare[end:]
    cut = _OF_IT.match(name)
    name = (name[cut.end():] if cut else name).strip(" ,.;") or "a part"
    if not 0 < share <= 1:
        raise ImpossibleRecipe(f"“{phrase}” is {share:.0%} of {line.label}.", field="parts")
    return CardPart(name=name[:80], share=share, written=bare[:end].strip())


def _share(text: str, line: CardLine, recipe: Recipe) -> tuple[float, int]:
    if percent := _PERCENT.match(text):
        return float(percent["number"].replace(",", ".")) / 100, percent.end()
    if fraction := _FRACTION.match(text):
        count = _COUNTS[fraction["count"].lower()] if fraction["count"] else 1
        return count * _FRACTION_WORDS[fraction["word"].lower()], fraction.end()
    found = amount_at(text, 0)
    if found is not None and found.has_unit:
        share = share_of_line(found.amount, line, recipe)
        if share is not None:
            return share, found.end
        raise UnreadableAmount(f"{text[:found.end]} cannot be compared with {line.written}. Write "
                               "both in weight, or say a share.", field="parts")
    counted = line.amount is not None and line.amount.unit in EGG_UNITS | COUNTED_UNITS
    number = number_at(text, 0, words=counted)
    if number is not None and number.low < 1:
        return number.low, number.end
    if number is not None and counted and line.amount is not None:
        return number.low / line.amount.value, number.end
    raise UnreadableAmount(f"“{text}” names no share. Write a quarter, 25 % or 45 ml, and what it "
                           "is for.", field="parts")
