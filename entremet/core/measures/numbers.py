"""Numbers and ranges inside a sentence: 2 2/3, 1¾, 90-110, a dozen, half a."""

from __future__ import annotations

import re
from dataclasses import dataclass

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.measures.fractions import read_number

WORDS = {
    "a": 1.0, "an": 1.0, "one": 1.0, "two": 2.0, "three": 3.0, "four": 4.0, "five": 5.0,
    "six": 6.0, "seven": 7.0, "eight": 8.0, "nine": 9.0, "ten": 10.0, "eleven": 11.0,
    "twelve": 12.0, "dozen": 12.0, "half": 0.5, "couple": 2.0,
}

_GLYPH = "⅛¼⅓⅜½⅝⅔¾⅞⅕⅖⅗⅘⅙⅚"
_DIGITS = rf"(?:\d+\s+\d+\s*[/⁄]\s*\d+|\d+\s*[/⁄]\s*\d+|\d+\s*[{_GLYPH}]|[{_GLYPH}]|" \
          rf"\d{{1,3}}(?:,\d{{3}})+(?![\d,])|\d+[.,]\d+|\.\d+|\d+)"
_SPELT = (r"(?:half\s+an?|one\s+and\s+a\s+half|an?\s+half|an?\s+quarter|an?\s+third|"
          r"two\s+thirds|three\s+quarters|half\s+a\s+dozen|an?\s+dozen|an?\s+couple|"
          rf"{'|'.join(sorted(WORDS, key=len, reverse=True))})\b")
_NUMBER = re.compile(rf"{_DIGITS}|{_SPELT}", re.IGNORECASE)
_TO = re.compile(r"\s*(?:-|–|—|to\b|or\b)\s*", re.IGNORECASE)
_THOUSANDS = re.compile(r"[1-9]\d{0,2}(?:,\d{3})+")

_PHRASES = {
    "one and a half": 1.5, "a half": 0.5, "half a": 0.5, "half an": 0.5, "a quarter": 0.25,
    "a third": 1 / 3, "two thirds": 2 / 3, "three quarters": 0.75, "half a dozen": 6.0,
    "a dozen": 12.0, "a couple": 2.0,
}


@dataclass(frozen=True, slots=True, kw_only=True)
class NumberFound:
    """A number, or a range of two, inside a text; ``end`` is behind it."""

    low: float
    high: float | None
    start: int
    end: int


def number_at(text: str, place: int, *, words: bool = True) -> NumberFound | None:
    """Return the number or range that begins exactly at a place, or None.

    Parameters
    ----------
    text : str
        A line.
    place : int
        Where to look.
    words : bool
        Whether spelt numbers count.

    >>> number_at("90-110 ml", 0)
    NumberFound(low=90.0, high=110.0, start=0, end=6)
    """
    first = _one(text, place, words=words)
    if first is None:
        return None
    value, end = first
    dash = _TO.match(text, end)
    if dash is not None and dash.end() > end:
        second = _one(text, dash.end(), words=words)
        if second is not None and second[0] > value:
            return NumberFound(low=value, high=second[0], start=place, end=second[1])
    return NumberFound(low=value, high=None, start=place, end=end)


def _one(text: str, place: int, *, words: bool) -> tuple[float, int] | None:
    match = _NUMBER.match(text, place)
    if match is None:
        return None
    written = match.group()
    if written[0].isalpha() and not unicode_fraction(written[0]):
        spelt = " ".join(written.lower().split())
        value = _PHRASES.get(spelt, WORDS.get(spelt))
        return (value, match.end()) if words and value is not None else None
    if _THOUSANDS.fullmatch(written):
        written = written.replace(",", "")
    try:
        value = read_number(" ".join(written.split()))
    except UnreadableAmount:
        return None
    return (value, match.end()) if 0 < value <= 1e6 else None


def unicode_fraction(sign: str) -> bool:
    """Return whether a sign is one of the fraction signs.

    >>> unicode_fraction("½"), unicode_fraction("a")
    (True, False)
    """
    return sign in _GLYPH
