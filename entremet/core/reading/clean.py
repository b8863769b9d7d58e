"""A pasted text made plain: markup, entities, bullets, tables and broken lines, row by row.

Every row knows the stretch of the pasted text it came from.
"""

from __future__ import annotations

import html
import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace

from entremet.core.card.card import MOST_TEXT
from entremet.core.measures.grammar import amount_at
from entremet.core.measures.spelt import Spelt, rewritten
from entremet.core.reading.grids import grids
from entremet.core.reading.page import PageLine, joined, laid_out, wrapped

_UNSHOWN = re.compile("[\x00-\x08\x0e-\x1f\x7f\ud800-\udfff]")
_ENDS = re.compile("\r\n|[\r\x0b\x0c\u2028\u2029\x85]")
_BLOCKS = re.compile(r"</?(?:h[1-6]|p|div|li|ul|ol|br|tr|table|tbody|thead|section|article|dl|dt|"
                     r"dd)\b"
                     r"[^<>]{0,200}>", re.IGNORECASE)
_CELLS = re.compile(r"</?(?:td|th)\b[^<>]{0,200}>", re.IGNORECASE)
_TAGS = re.compile(r"</?(?:b|i|em|strong|span|a|u|sup|sub|font|small|code|label|input|img)\b"
                   r"[^<>]{0,200}>", re.IGNORECASE)
_ENTITY = re.compile(r"&(?:#\d{1,6}|#x[0-9a-fA-F]{1,5}|[a-zA-Z]{2,10}\d{0,2});")
_EMOJI = re.compile("[\U0001f000-\U0001faff\u2600-\u26ff\u2700-\u27bf\u2b50\u2b55\ufe0f\u200d"
                    "\u200b\ufeff★☆]+")


@dataclass(frozen=True, slots=True, kw_only=True)
class CleanRow:
    """A row of the text, and the stretch of the pasted text it came from.

    Parameters
    ----------
    text : str
        Its words made plain; of a table, the line its cells make.
    start, end : int
        Where it stands in the text as pasted.
    apart : bool
        Whether an empty row stood before it.
    why : str
        For what reason it is set aside; empty where it is not.
    asks : str
        What is asked about it.
    beside : tuple of (int, int, str)
        Stretches of the text that are no part of its line, each with the reason.
    worked : str
        What its amount was worked out from; empty where it is as written.
    table : bool
        Whether it is a row of a table.
    """

    text: str
    start: int
    end: int
    apart: bool = False
    why: str = ""
    asks: str = ""
    beside: tuple[tuple[int, int, str], ...] = ()
    worked: str = ""
    table: bool = False


def clean_text(text: str) -> str:
    """Return a text with one kind of line end and without signs that cannot be shown."""
    return _UNSHOWN.sub(" ", _ENDS.sub("\n", text))


def rows_of(text: str, *, known: Callable[[str], bool]) -> list[CleanRow]:
    """Return the rows of a pasted text, without empty ones.

    Parameters
    ----------
    text : str
        As pasted.
    known : callable
        Says whether words name an ingredient; broken lines are put together by it.
    """
    plain = Spelt(text=text, places=tuple(range(len(text) + 1)))
    for change in (_shown, _markup, _signs):
        plain = change(plain)
    lines: list[PageLine] = []
    at, apart = 0, False
    for line in plain.text.split("\n"):
        lines.append(PageLine(text=line, at=at, apart=apart))
        apart = not line.strip()
        at += len(line) + 1
    rows: list[CleanRow] = []
    for one in laid_out(lines):
        bare = one.text.strip()
        lead = one.at + len(one.text) - len(one.text.lstrip())
        rows.append(CleanRow(text=bare, start=plain.places[lead], why=one.why,
                             end=plain.places[lead + len(bare)], apart=one.apart))
    return _together(_unwrapped(_tables(rows)), known)


def _shown(text: Spelt) -> Spelt:
    changes = [(one.start(), one.end(), "\n") for one in _ENDS.finditer(text.text)]
    text = rewritten(text, changes)
    return rewritten(text, [(one.start(), one.end(), " ")
                            for one in _UNSHOWN.finditer(text.text)])


def _markup(text: Spelt) -> Spelt:
    for pattern, words in ((_BLOCKS, "\n"), (_CELLS, "\t"), (_TAGS, "")):
        if "<" in text.text:
            text = rewritten(text, [(one.start(), one.end(), words)
                                    for one in pattern.finditer(text.text)])
    if "&" in text.text:
        text = rewritten(text, [
            (one.start(), one.end(), told) for one in _ENTITY.finditer(text.text)
            if (told := html.unescape(one.group()).replace("\xa0", " ")) != one.group()])
    return text


def _signs(text: Spelt) -> Spelt:
    """Take out pictures, and write fraction slashes and odd spaces plainly."""
    changes = [(one.start(), one.end(), " ") for one in _EMOJI.finditer(text.text)]
    text = rewritten(text, changes)
    return rewritten(text, [(one.start(), one.end(), " ")
                            for one in re.finditer("[\xa0\u2009\u202f\u2007]", text.text)])


def _tables(rows: list[CleanRow]) -> list[CleanRow]:
    """Turn the rows of tables into lines of the list."""
    out: list[CleanRow] = []
    for row, made in zip(rows, grids([one.text for one in rows]), strict=True):
        if made is None or row.why:
            out.append(row)
        else:
            if made.part:
                out.append(replace(row, text=f"{made.part}:", end=row.start + 1, table=True))
            out.append(replace(row, text=made.text or row.text, why=made.why, asks=made.asks,
                               beside=tuple(_cells_of(row, made.beside)), table=True))
    return out


def _cells_of(row: CleanRow, beside: tuple[tuple[str, str], ...]) -> Iterator[tuple[int, int, str]]:
    """Return where cells stand in the text as pasted, with their reasons."""
    at = 0
    for cell, why in beside:
        place = row.text.find(cell, at)
        if place >= 0 and row.end - row.start == len(row.text):
            at = place + len(cell)
            yield row.start + place, row.start + at, why


def _unwrapped(rows: list[CleanRow]) -> list[CleanRow]:
    """Put the rows of running text together that only the width of a page broke."""
    out: list[CleanRow] = []
    at = 0
    while at < len(rows):
        end = at + 1
        while end < len(rows) and not rows[end].apart and not (
                rows[end].why or rows[end].table or rows[end - 1].table):
            end += 1
        on = False
        for row, goes_on in zip(rows[at:end], wrapped([one.text for one in rows[at:end]]),
                                strict=True):
            if on:
                out[-1] = replace(out[-1], text=joined(out[-1].text, row.text), end=row.end)
            else:
                out.append(row)
            on = goes_on
        at = end
    return out


def _together(rows: list[CleanRow], known: Callable[[str], bool]) -> list[CleanRow]:
    """Put broken lines together: a hyphen at the end, or a name that goes on in the next row."""
    out: list[CleanRow] = []
    for row in rows:
        alone = not out or row.apart or row.why or out[-1].why or row.table
        whole = None if alone else _joined(out[-1].text, row.text, known)
        if whole is None:
            out.append(row)
        else:
            out[-1] = replace(out[-1], text=whole, end=row.end)
    return out


def _joined(first: str, then: str, known: Callable[[str], bool]) -> str | None:
    if not then[0].islower() or len(then.split()) > 4 or len(first) > 60:
        return None
    found = amount_at(first, 0)
    if found is None or (amount_at(then, 0) is not None and re.match(r"\d", then)):
        return None
    if first.endswith("-") and first[-2:-1].isalpha():
        return f"{first[:-1]}{then}"
    name = re.sub(r"^of\s+", "", first[found.end:].strip())
    if not name or first.endswith((".", ":", ")")):
        return None
    whole = re.split(r"[,(]", f"{name} {then}")[0].strip()
    if known(whole) and (not known(re.split(r"[,(]", name)[0].strip()) or not known(then)):
        return f"{first} {then}"
    return None


def pieces_of(row: str) -> list[str]:
    """Cut what is too long for one line or step, so that nothing is lost."""
    if len(row) <= MOST_TEXT:
        return [row]
    return [row[start:start + MOST_TEXT] for start in range(0, len(row), MOST_TEXT)]
