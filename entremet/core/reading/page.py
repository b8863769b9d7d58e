"""The page before its rows: columns side by side, stamps and marks before rows, page heads, wraps.

Everything here works on the lay-out alone; what a row means is found out later.
"""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace

from entremet.core.measures.grammar import amount_at
from entremet.core.reading.bullets import BULLET

LEAST_ALIKE = 2
"""Rows that have to begin alike before their beginning is taken off."""
LEAST_BULLETED, ALL_BULLETED = 4, 0.85
"""Rows, and the share of them, that have to begin with a bullet until it says nothing."""
LEAST_SPEAKER = 3
"""Rows a name has to stand before until it is who writes, not what is listed; estimate, 2 to 4."""
LEAST_BESIDE = 3
"""Rows that have to break at one place before a page has two columns."""
LEAST_WIDTH = 22
"""Signs a wrapped line has at least; estimate, 20 to 30."""
LIKE_WIDTH = 0.72
"""Share of the widest row from which rows are of like width; estimate, 0.65 to 0.8."""
WORDS_OF_PROSE = 3.6
"""Words a row of running text has on average; a row of a list has fewer. Estimate, 3 to 5."""
MOST_SIGNS = 400
"""Signs of a row beyond which no column begins."""


@dataclass(frozen=True, slots=True, kw_only=True)
class PageLine:
    """A line of the page: its words, where they begin, and why it is set aside where it is.

    ``apart`` says that an empty line or a new column stood before it.
    """

    text: str
    at: int
    apart: bool = False
    why: str = ""


_QUOTED = re.compile(r"(?:>\s?)+")
_CLOCK = r"\d{1,2}[:.h]\d{2}(?::\d{2})?\s*(?:am|pm)?"
_DATE = r"(?:\d{1,4}[/.-]\d{1,2}(?:[/.-]\d{2,4})?|(?:mon|tue|wed|thu|fri|sat|sun)\w*)"
_WHO = r"[^\W\d][\w'’.]*(?:\s[^\W\d][\w'’.]*){0,2}"
_STAMPS = tuple(re.compile(words, re.IGNORECASE) for words in (
    rf"\[\s*(?:{_DATE},?\s+)?{_CLOCK}\s*\]\s*(?:{_WHO}\s*:\s*)?",
    rf"{_DATE},?\s+{_CLOCK}\s*[-–]\s*(?:{_WHO}\s*:\s*)?",
    rf"{_WHO},\s*(?:{_DATE},?\s+)?{_CLOCK}\s*:\s*",
    rf"{_WHO}\s*\((?:{_DATE},?\s+)?{_CLOCK}\)\s*:\s*",
    rf"{_CLOCK}\s*[-–]?\s+{_WHO}\s*:\s*"))
_SPEAKER = re.compile(rf"(?P<who>{_WHO})\s*:\s+(?=\S)")
_PAGE = re.compile(r"[\W_]*(?:page|p\.|seite)?\s*\d{1,4}(?:\s*(?:of|/)\s*\d{1,4})?[\W_]*",
                   re.IGNORECASE)
_HEAD = re.compile(r"\d{1,4}\s{3,}\S.*|\S.*\s{8,}\d{1,4}")
_FOLIO = re.compile(r"\s{8,}\d{1,4}\s*$|^\d{1,4}\s{3,}(?=\S.*\s{3,}\d{1,4}\s*$)")
_GAP = re.compile(r"(?<=\S)\s{2,}(?=\S)")
_WORD = re.compile(r"[^\W\d_]{3,}")
_BEGINS_ANEW = re.compile(
    r"[^\W\d][\w' -]{2,30}:\s|(?:base|bottom|top(?:ping)?|filling|icing|frosting|cake|sponge|"
    r"crumble?|"
    r"streusel|glaze|syrup)\s+\d", re.IGNORECASE)
"""A row that names its own thing or its own part goes on with nothing."""
_ENDS = re.compile(r"[.!?:;]\s*$")
_OPEN_END = re.compile(r"\b(?:an?|the|of|with|and|for|to|at|in|about|into|plus|from|by|or)$|,$",
                       re.IGNORECASE)
_KEPT_HYPHEN = re.compile(r"\b(?:self|all|half|semi|low|full|free|non|well|best|re|co)-$",
                          re.IGNORECASE)


def laid_out(lines: Sequence[PageLine]) -> list[PageLine]:
    """Return the lines of a page in the order they are read, without what stands before rows.

    Parameters
    ----------
    lines : sequence of PageLine
        Of the page, empty ones too.

    >>> quoted = [PageLine(text="> 3 eggs", at=0), PageLine(text="> 2 pears", at=9)]
    >>> [one.text for one in laid_out(quoted)]
    ['3 eggs', '2 pears']
    """
    bare = _without_stamps(_without_bullets(_without_marks(list(lines))))
    found = _in_columns(_without_folios(_without_bullets(bare)))
    return [one for one in found if one.text.strip()]


def _cut(line: PageLine, start: int) -> PageLine:
    return replace(line, text=line.text[start:], at=line.at + start)


def _without_marks(lines: list[PageLine]) -> list[PageLine]:
    """Take the marks of a quoted message off."""
    marked = [_QUOTED.match(line.text) for line in lines]
    if sum(one is not None for one in marked) < LEAST_ALIKE:
        return lines
    return [line if one is None else _cut(line, one.end())
            for line, one in zip(lines, marked, strict=True)]


def _without_bullets(lines: list[PageLine]) -> list[PageLine]:
    """Take a bullet off that stands before every row: it tells no row from another."""
    filled = [line for line in lines if line.text.strip()]
    begins = [BULLET.match(line.text) for line in filled]
    if len(filled) < LEAST_BULLETED or sum(
            one is not None for one in begins) < ALL_BULLETED * len(filled):
        return lines
    return [line if (one := BULLET.match(line.text)) is None else _cut(line, one.end())
            for line in lines]


def _without_stamps(lines: list[PageLine]) -> list[PageLine]:
    """Take dates, clock times and who writes off the rows that begin with them."""
    for stamp in _STAMPS:
        found = [stamp.match(line.text) for line in lines]
        if sum(one is not None for one in found) >= LEAST_ALIKE:
            return [line if one is None else _cut(line, one.end())
                    for line, one in zip(lines, found, strict=True)]
    said = [_SPEAKER.match(line.text) for line in lines]
    often = Counter(one["who"].lower() for one in said if one is not None)
    return [_cut(line, one.end()) if one is not None and often[one["who"].lower()] >= LEAST_SPEAKER
            else line for line, one in zip(lines, said, strict=True)]


def _without_folios(lines: list[PageLine]) -> list[PageLine]:
    """Set page numbers aside, and the heads that carry them."""
    many = sum(bool(line.text.strip()) for line in lines)
    if many < 4:
        return lines
    out = []
    last = max(place for place, line in enumerate(lines) if line.text.strip())
    for place, line in enumerate(lines):
        alone = (place == 0 or not lines[place - 1].text.strip()) and (
            place + 1 == len(lines) or not lines[place + 1].text.strip())
        edge = place == 0 or place >= last
        if line.text.strip() and _PAGE.fullmatch(line.text.strip()) and (
                alone or edge or not line.text.strip().isdigit()):
            out.append(replace(line, why="a page number"))
        elif alone and len(line.text) <= MOST_SIGNS and _HEAD.fullmatch(line.text.strip()) and (
                place == 0 or edge) and re.match(r"\d", line.text.strip()):
            out.append(replace(line, why="the head of a page"))
        elif len(line.text) <= MOST_SIGNS and (folio := _FOLIO.search(line.text)) is not None and (
                folio.end() >= len(line.text.rstrip()) and _WORD.search(line.text[:folio.start()])
                and not re.search(r"\d", line.text[:folio.start()]) and edge):
            out.append(replace(line, text=line.text[:folio.start()]))
        else:
            out.append(line)
    return out


def _in_columns(lines: list[PageLine]) -> list[PageLine]:
    """Put columns that stand side by side one under the other."""
    out: list[PageLine] = []
    at = 0
    while at < len(lines):
        found = _columns_from(lines, at)
        if found is None:
            out.append(lines[at])
            at += 1
            continue
        end, gutter = found
        left = [_half(line, 0, gutter) for line in lines[at:end]]
        right = [_half(line, gutter, len(line.text)) for line in lines[at:end]]
        for half in (left, right):
            kept = [line for line in half if line.text.strip()]
            out += [replace(line, apart=line.apart or place == 0)
                    for place, line in enumerate(kept)]
        at = end
    return out


def _half(line: PageLine, start: int, end: int) -> PageLine:
    return replace(line, text=line.text[start:end], at=line.at + min(start, len(line.text)))


def _columns_from(lines: Sequence[PageLine], at: int) -> tuple[int, int] | None:
    """Return where columns that begin at a line end, and the place of their gutter."""
    if lines[at].why or not _breaks(lines[at].text):
        return None
    for gutter in _breaks(lines[at].text):
        end, broken = at, 0
        while end < len(lines) and not lines[end].why and _fits(lines[end].text, gutter):
            broken += gutter in _breaks(lines[end].text)
            end += 1
        while end > at and (not lines[end - 1].text.strip()):
            end -= 1
        if broken >= LEAST_BESIDE and _are_columns(lines[at:end], gutter):
            return end, gutter
    return None


def _breaks(text: str) -> list[int]:
    """Return the places of a row where words begin behind a run of blanks."""
    return [] if len(text) > MOST_SIGNS else [one.end() for one in _GAP.finditer(text)]


def _fits(text: str, gutter: int) -> bool:
    return len(text) <= MOST_SIGNS and not text[max(0, gutter - 2):gutter].strip()


def _are_columns(lines: Sequence[PageLine], gutter: int) -> bool:
    """Say whether both halves are text of their own, not the cells of one table.

    In a table the thing stands in one column and its amount in another; in columns of a page each
    half has its own amounts with their names, or running text.
    """
    left = [line.text[:gutter].strip() for line in lines]
    right = [line.text[gutter:].strip() for line in lines]
    left, right = [one for one in left if one], [one for one in right if one]
    if not left or not right:
        return False
    whole = sum(_is_whole(one) for one in left)
    told = sum(len(one.split()) >= 3 or _is_whole(one) for one in right)
    return whole * 2 >= len(left) and told * 2 > len(right)


def _is_whole(cell: str) -> bool:
    """Say whether a cell is a line by itself, an amount with its name, or running text."""
    found = amount_at(cell, 0)
    if found is None:
        return len(cell.split()) >= 4
    return _WORD.search(cell[found.end:]) is not None


def wrapped(texts: Sequence[str]) -> list[bool]:
    """Say of every row of a block whether the next one goes on with it.

    Rows of like width are running text that was broken by its page.

    Parameters
    ----------
    texts : sequence of str
        Rows without an empty one between them.

    >>> wrapped(["Cream the butter with the su-", "gar and then add the eggs one", "by one."])
    [True, True, False]
    """
    widest = max(map(len, texts), default=0)
    body = texts[:-1]
    like = sum(len(one) >= LIKE_WIDTH * widest for one in body)
    words = sum(len(one.split()) for one in texts) / max(len(texts), 1)
    running = (len(texts) >= 3 and widest >= LEAST_WIDTH and like >= 0.6 * len(body)
               and words >= WORDS_OF_PROSE)
    return [_goes_on(one, then, running=running, widest=widest)
            for one, then in zip(texts, [*texts[1:], ""], strict=True)]


def _goes_on(one: str, then: str, *, running: bool, widest: int) -> bool:
    if not then:
        return False
    if re.search(r"[a-z]-$", one) and then[0].islower():
        return True
    if one.endswith(")") or _BEGINS_ANEW.match(then):
        return False
    if not running or _ENDS.search(one) or len(one) < 0.55 * widest:
        return False
    return then[0].islower() or bool(_OPEN_END.search(one) and (
        then[0].isdigit() or then[0].isalpha()))


def joined(one: str, then: str) -> str:
    """Return two rows as one; a hyphen that only broke a word goes."""
    if one.endswith("-") and then[:1].islower() and not _KEPT_HYPHEN.search(one):
        return f"{one[:-1]}{then}"
    return f"{one}{then}" if one.endswith("-") else f"{one} {then}"
