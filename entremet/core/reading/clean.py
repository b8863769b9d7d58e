"""A pasted text made plain: markup, entities, bullets, tables and broken lines, row by row.

Every row knows the stretch of the pasted text it came from.
"""

from __future__ import annotations

import html
import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from entremet.core.measures.grammar import amount_at
from entremet.core.measures.spelt import Spelt, rewritten

MOST_CELLS = 8

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
_FIGURE = re.compile(r"[\d½¼¾⅓⅔]")
_RULE = re.compile(r"\s*[|:\-=_*~+\s]{3,}\s*")
_GAP = re.compile(r"\t+|\s{3,}|\s*\|\s*")
_TABLE_HEAD = re.compile(r"\b(?:ingredients?|amounts?|quantit(?:y|ies)|how much|what|metric|"
                         r"imperial|"
                         r"us|weight|volume|grams?|cups?|cakes?|note|notes)\b", re.IGNORECASE)


@dataclass(frozen=True, slots=True, kw_only=True)
class CleanRow:
    """A row of the text, and the stretch of the pasted text it came from.

    ``apart`` says that an empty row stood before it.
    """

    text: str
    start: int
    end: int
    apart: bool = False


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
    rows: list[CleanRow] = []
    at, apart = 0, False
    for line in plain.text.split("\n"):
        bare = line.strip()
        if bare:
            lead = at + len(line) - len(line.lstrip())
            rows.append(CleanRow(text=bare, start=plain.places[lead],
                            end=plain.places[lead + len(bare)], apart=apart))
        apart = not bare
        at += len(line) + 1
    return _together(_tables(rows), known)


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
    """Turn rows of cells into lines of the list: the amount first, a second one in brackets."""
    out: list[CleanRow] = []
    head: list[str] = []
    celled = [_cells(row.text) for row in rows]
    for place, (row, cells) in enumerate(zip(rows, celled, strict=True)):
        if _RULE.fullmatch(row.text) and "|" in row.text:
            continue
        near = [celled[at] for at in (place - 1, place - 2, place + 1, place + 2)
                if 0 <= at < len(rows)]
        if len(cells) < 2 or not any(len(one) >= 2 for one in near):
            out.append(row)
            continue
        if not any(re.search(r"\d", cell) for cell in cells) and len(
                [cell for cell in cells if _is_head(cell)]) * 2 >= len(cells):
            head = cells
            continue
        told = _line_of(_under(head, cells))
        out.append(row if told is None else CleanRow(text=told, start=row.start, end=row.end,
                                                apart=row.apart))
    return out


def _cells(text: str) -> list[str]:
    if len(text) > 300:
        return [text]
    cells = [cell.strip() for cell in _GAP.split(text.strip().strip("|"))]
    return [cell for cell in cells if cell][:MOST_CELLS]


def _under(head: Sequence[str], cells: list[str]) -> list[str]:
    """Return the cells of a row as their heads mean them: a bare number in the unit over it.

    What stands under a per cent sign is no amount and is left out; a row of another width than its
    head is left as it is.
    """
    if len(head) != len(cells):
        return cells
    told = []
    for over, cell in zip(head, cells, strict=True):
        if _PER_CENT.search(over):
            continue
        unit = _UNIT_HEAD.fullmatch(over.strip())
        bare = unit is not None and re.fullmatch(r"[\d.,½¼¾/ ]+", cell)
        told.append(f"{cell} {unit[1]}" if unit is not None and bare else cell)
    return told


def _is_head(cell: str) -> bool:
    return bool(_TABLE_HEAD.search(cell) or _UNIT_HEAD.fullmatch(cell.strip())
                or _PER_CENT.search(cell))


_PER_CENT = re.compile(r"%|\bper ?cent|\bbaker'?s\b", re.IGNORECASE)
_UNIT_HEAD = re.compile(r"(?:weight|amount|quantity|qty|mass|in)?\s*[(\[]?\s*(g|gr|grams?|"
                        r"grammes?|kg|ml|oz|ounces?|lbs?|cups?|tsp|tbsp)\s*[)\]]?", re.IGNORECASE)


def _line_of(cells: list[str]) -> str | None:
    amounts, words = [], []
    for cell in cells:
        found = amount_at(cell, 0)
        if found is not None and not cell[found.end:].strip(" .") and _FIGURE.search(cell):
            amounts.append((cell, found))
        else:
            words.append(cell)
    if not amounts or not words:
        return None
    (first, found), others = amounts[0], amounts[1:]
    second = next((cell for cell, other in others
                   if other.has_unit and other.amount.unit is not found.amount.unit), None)
    name, notes = words[0], words[1:]
    tail = "".join(f", {note}" for note in notes)
    if second is not None:
        return f"{first} ({second}) {name}{tail}"
    left = "".join(f" ({cell} in another column)" for cell, other in others
                   if other.amount != found.amount)
    return f"{first} {name}{tail}{left}"


def _together(rows: list[CleanRow], known: Callable[[str], bool]) -> list[CleanRow]:
    """Put broken lines together: a hyphen at the end, or a name that goes on in the next row."""
    out: list[CleanRow] = []
    for row in rows:
        joined = None if not out or row.apart else _joined(out[-1].text, row.text, known)
        if joined is None:
            out.append(row)
        else:
            out[-1] = CleanRow(text=joined, start=out[-1].start, end=row.end, apart=out[-1].apart)
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
