"""Several recipes in one text: where each begins and ends."""

from __future__ import annotations

import re
from dataclasses import dataclass
from itertools import pairwise

from entremet.core.measures.grammar import amount_at
from entremet.core.measures.spelt import with_digits
from entremet.core.reading.bullets import BULLET
from entremet.core.reading.clean import CleanRow
from entremet.core.reading.looks import INGREDIENTS, NUMBERED

LEAST_LINES = 3
"""Amounts a stretch has to hold to be a recipe of its own."""
MOST_APART = 12

_ENDS = re.compile(r"[.!]\s*$|^[-=_*~#•·\s]+$")
_DIVIDER = re.compile(r"\s*[-=_*~#•·]{3,}\s*|\s*(?:\*\s+){2,}\*\s*")


@dataclass(frozen=True, slots=True, kw_only=True)
class TextStretch:
    """A recipe of a text: its title, from where up to where."""

    title: str
    start: int
    end: int


def recipes_apart(rows: list[CleanRow], text: str) -> list[TextStretch]:
    """Return the recipes of a text; one or none where it holds a single one.

    They are told apart by dividers, or by headings of ingredients, each with its title above it.

    Parameters
    ----------
    rows : list of CleanRow
        As made plain.
    text : str
        As pasted.
    """
    cuts = _by_headings(rows) or _by_dividers(text)
    if len(cuts) < 2:
        return []
    edges = [*cuts, len(text)]
    found = []
    for start, end in pairwise(edges):
        own = [row for row in rows
               if start <= row.start < end and not _DIVIDER.fullmatch(row.text)]
        if sum(_is_amount(row.text) for row in own) >= LEAST_LINES:
            found.append(TextStretch(title=own[0].text[:80].strip(" #*"), start=start, end=end))
    return found[:MOST_APART] if len(found) > 1 else []


def _by_headings(rows: list[CleanRow]) -> list[int]:
    heads = [place for place, row in enumerate(rows)
             if INGREDIENTS.fullmatch(row.text.strip("#* "))]
    if len(heads) < 2:
        return []
    cuts = []
    for number, place in enumerate(heads):
        first = place
        low = 0 if number == 0 else heads[number - 1] + 1
        while first > low and place - first < 4 and _is_over(rows[first - 1].text) and (
                not rows[first].apart or first == place):
            first -= 1
        cuts.append(rows[first].start)
    return [0, *cuts[1:]]


def _is_over(text: str) -> bool:
    """Say whether a row could be the title above a heading of ingredients."""
    return len(text) < 80 and not (
        _is_amount(text) or _ENDS.search(text) or NUMBERED.match(text))


def _by_dividers(text: str) -> list[int]:
    cuts, at = [0], 0
    for line in text.split("\n"):
        if line.strip() and _DIVIDER.fullmatch(line):
            cuts.append(at + len(line) + 1)
        at += len(line) + 1
    return cuts


def _is_amount(text: str) -> bool:
    bare = BULLET.sub("", text)
    if len(bare) > 120:
        return False
    found = amount_at(with_digits(bare).text, 0)
    return found is not None and bool(re.search(r"[a-z]{3}", bare))
