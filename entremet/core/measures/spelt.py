"""Numbers as they are spoken: "two hundred and fifty", "half a cup", "one and a half", "one sixty".

A text is written anew with digits; every sign of the new text knows its place in the old one.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

_ONES = {"zero": 0, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7,
         "eight": 8, "nine": 9}
_TEENS = {"ten": 10, "eleven": 11, "twelve": 12, "thirteen": 13, "fourteen": 14, "fifteen": 15,
          "sixteen": 16, "seventeen": 17, "eighteen": 18, "nineteen": 19}
_TENS = {"twenty": 20, "thirty": 30, "forty": 40, "fourty": 40, "fifty": 50, "sixty": 60,
         "seventy": 70, "eighty": 80, "ninety": 90}
_SMALL = _ONES | _TEENS
_PARTS = {"half": "1/2", "quarter": "1/4", "third": "1/3", "thirds": "2/3", "quarters": "3/4",
          "eighth": "1/8"}

_WORD = "|".join(sorted([*_SMALL, *_TENS, "hundred"], key=len, reverse=True))
_CARDINAL = re.compile(
    rf"\b(?:an?\s+(?=hundred\b))?(?:{_WORD})\b(?:(?:\s+and\s+|[\s-]+)(?:{_WORD})\b)*",
    re.IGNORECASE)
_MEASURED = (r"(?:cm|mm|centi\w+|inch(?:es)?|minutes?|mins?|hours?|degrees?|mils?|mls?|grams?|"
             r"grammes?|kilos?|ounces?|pounds?|lbs?|cups?|tea\w+|table\w+|dessert\w+|pints?|fan\b|"
             r"celsius|fahrenheit)")
_ALONE = re.compile(rf"\s*-?\s*(?:(?:to|by|x|×)\s+\S+\s+)?{_MEASURED}", re.IGNORECASE)
_PART_OF = re.compile(
    rf"\b(?:(?P<whole>\d+|an?|{'|'.join(_SMALL)})\s+and\s+)?(?:(?:a|an|one|two|three)\s+)?"
    r"(?P<part>half|quarters?|thirds?|eighth)(?P<of>\s+of)?(?P<an>\s+an?)?"
    rf"(?=\s+(?:{_MEASURED}|cup|tsp|tbsp|oz|kg|sticks?|stick|pinch))", re.IGNORECASE)
_THREE_QUARTERS = re.compile(r"\b(?:three)\s+quarters", re.IGNORECASE)
_AND_A_HALF = re.compile(
    rf"\b(?P<whole>\d+|an?|{'|'.join(_SMALL)})\s+(?P<unit>cups?|tea\s?spoons?|table\s?spoons?|"
    r"pounds?|pints?|kilos?)\s+and\s+a\s+(?P<part>half|quarter|third)\b", re.IGNORECASE)
_SPOKEN_DEGREES = re.compile(
    r"\b(?P<first>one|two|three|four)[\s-]+(?P<rest>ten|twenty|thirty|forty|fifty|sixty|seventy|"
    r"eighty|ninety)(?:[\s-]+(?P<last>five))?(?=\s*(?:degrees?|fan|celsius|c\b|f\b|for\b|in\b|"
    r"[.,;]|$))", re.IGNORECASE)
_LETTER_ONE = re.compile(
    r"(?<![\w.])[lI](?=\s+(?:tsp|tbsp|tea\w+|table\w+|cups?|eggs?|oz|lb|large|medium)\b)")
_EACH_OF = re.compile(r"\b(?:each|every)\s+(?=(?:kilo|kilogram|kg|pound|lb|litre)s?\s+of\b)",
                      re.IGNORECASE)
_LETTER_O = re.compile(r"(?<=\d)[oO](?=\s?(?:g|ml|°|C\b|F\b)|\d)")


@dataclass(frozen=True, slots=True, kw_only=True)
class Spelt:
    """A text with digits; ``places`` holds, for every sign and the end, its place in the old."""

    text: str
    places: tuple[int, ...]


def with_digits(text: str) -> Spelt:
    """Return a text with its spoken numbers in digits.

    >>> with_digits("two hundred and fifty grams of flour").text
    '250 grams of flour'
    >>> with_digits("one and a half teaspoons, half a cup, two eggs").text
    '1 1/2 teaspoons, 1/2 cup, two eggs'
    """
    out = Spelt(text=text, places=tuple(range(len(text) + 1)))
    for changes in (_letters, _spoken_degrees, _halves_behind, _part_of, _cardinals):
        found = list(changes(out.text))
        if found:
            out = rewritten(out, found)
    return out


def rewritten(was: Spelt, changes: list[tuple[int, int, str]]) -> Spelt:
    """Return a text with stretches replaced, in order; their signs keep the stretch's beginning.

    Parameters
    ----------
    was : Spelt
        With its places.
    changes : list of (int, int, str)
        From, up to, and what stands there instead; in order, none over another.
    """
    pieces: list[str] = []
    places: list[int] = []
    at = 0
    for start, end, words in changes:
        pieces += (was.text[at:start], words)
        places += was.places[at:start]
        places += [was.places[start]] * len(words)
        at = end
    pieces.append(was.text[at:])
    places += was.places[at:]
    return Spelt(text="".join(pieces), places=tuple(places))


Changes = Iterator[tuple[int, int, str]]


def _letters(text: str) -> Changes:
    found = [(one.start(), one.end(), "1") for one in _LETTER_ONE.finditer(text)]
    found += [(one.start(), one.end(), "0") for one in _LETTER_O.finditer(text)]
    found += [(one.start(), one.end(), "1 ") for one in _EACH_OF.finditer(text)]
    yield from sorted(found)


def _spoken_degrees(text: str) -> Changes:
    for one in _SPOKEN_DEGREES.finditer(text):
        rest = one["rest"].lower()
        value = 100 * _ONES[one["first"].lower()] + (_TENS.get(rest) or _TEENS[rest]) + (
            5 if one["last"] else 0)
        yield one.start(), one.end(), str(value)


def _halves_behind(text: str) -> Changes:
    """Turn "a cup and a half" into "1 1/2 cup"."""
    for one in _AND_A_HALF.finditer(text):
        yield (one.start(), one.end(),
               f"{_whole(one['whole'])} {_PARTS[one['part'].lower()]} {one['unit']}")


def _part_of(text: str) -> Changes:
    for one in _PART_OF.finditer(text):
        part = one["part"].lower()
        head = text[one.start():one.start("part")].lower()
        share = {"quarter": "3/4" if "three" in head else "1/4",
                 "third": "2/3" if "two" in head else "1/3"}.get(part.rstrip("s"), _PARTS[part])
        if part == "half" and head.strip().endswith(("two", "three")):
            continue
        whole = "" if one["whole"] is None else f"{_whole(one['whole'])} "
        yield one.start(), one.end(), f"{whole}{share}"


def _whole(words: str) -> int:
    bare = words.lower()
    return int(bare) if bare.isdigit() else _SMALL.get(bare, 1)


def _cardinals(text: str) -> Changes:
    for one in _CARDINAL.finditer(text):
        words = [word for word in re.split(r"[\s-]+", one.group().lower()) if word]
        start, end = one.start(), one.end()
        # "two 20 cm tins", "three eggs": small numbers alone are read as words, where they are.
        if len(words) == 1 and words[0] in _SMALL and not _ALONE.match(text, end) and (
                not text[:start].lower().endswith(("mark ", "by "))) and not (
                re.match(r"\s+by\s", text[end:])):
            continue
        value = _value([word for word in words if word not in ("a", "an", "and")])
        if value is not None:
            yield start, end, str(value)
            continue
        # "two seven inch tins", "two thirty minutes": the end of it is the measure.
        for word in list(re.finditer(r"[^\s-]+", one.group()))[1:]:
            tail = _value([part for part in re.split(r"[\s-]+", one.group()[word.start():].lower())
                           if part != "and"])
            if tail is not None and _ALONE.match(text, end):
                yield start + word.start(), end, str(tail)
                break


def _value(words: list[str]) -> int | None:
    """Return the number of cardinal words, or None where they are no one number."""
    total, last = 0, 1000
    for place, word in enumerate(words):
        if word == "hundred":
            if place > 0 and not (place == 1 and words[0] in _ONES):
                return None
            total, last = (total or 1) * 100, 100
            continue
        size = _TENS.get(word) or _SMALL[word]
        kind = 10 if word in _TENS else 1
        if kind >= last or (kind == 1 and last == 10 and size >= 10):
            return None
        total, last = total + size, kind
    return total
