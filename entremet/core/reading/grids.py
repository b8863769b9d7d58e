"""Tables of a pasted text as grids: what each column holds, and the line every row makes.

A grid is a run of rows of like separators: bars, tabs, commas or semicolons with quotes, or wide
blanks. Its head names the kind and the unit of a column where it has one; else the cells tell it.
"""

from __future__ import annotations

import csv
import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from enum import Enum
from itertools import pairwise

from entremet.core.measures.grammar import AmountFound, amount_at
from entremet.core.measures.numbers import number_at
from entremet.core.reading.asides import TOTAL

MOST_CELLS = 12
MOST_SIGNS = 400
"""Signs of a row beyond which it is no row of a table."""
LEAST_ROWS = 3
"""Rows from which on a first column that says the same again names parts."""

HEAD_OF_TABLE = "the head of a table"
OTHER_COLUMN = "another column of the table"


class Column(Enum):
    """What a column of a table holds."""

    NAME = "name"
    AMOUNT = "amount"
    UNIT = "unit"
    PER_CENT = "a per cent"
    PRICE = "a price"
    INDEX = "a number of the row"
    NOTE = "note"
    PART = "part"
    OPEN = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class GridRow:
    """A row of a table: the line it makes, why it is set aside, and what is asked of the table.

    ``beside`` are cells that are no part of the line, each with the reason; ``part`` is the part
    of the cake that begins with it.
    """

    text: str
    why: str = ""
    asks: str = ""
    beside: tuple[tuple[str, str], ...] = ()
    part: str = ""


_NAMES = re.compile(r"(?:ingredients?|items?|what|names?|products?|materials?|description|article)",
                    re.IGNORECASE)
_AMOUNTS = re.compile(r"(?:amounts?|quantit(?:y|ies)|qty|how much|weights?|volume|measures?|metric|"
                      r"imperial|us|grams|cups)(?:\s*[(\[].*)?", re.IGNORECASE)
_UNITS = re.compile(r"(?:units?|uom|measure)", re.IGNORECASE)
_PER_CENT = re.compile(r"%|\bper ?cent|\bbaker'?s\b", re.IGNORECASE)
_PRICES = re.compile(r"[£$€]|\b(?:costs?|price|total cost|per kg)\b", re.IGNORECASE)
_INDEXES = re.compile(r"#|no\.?|nr\.?|step", re.IGNORECASE)
_NOTES = re.compile(r"(?:notes?|comments?|remarks?|supplier|brand|preparation|prep|method|type)",
                    re.IGNORECASE)
_UNIT_HEAD = re.compile(r"(?:weight|amount|quantity|qty|mass|in)?\s*[(\[]?\s*(g|gr|grams?|grammes?|"
                        r"kg|ml|oz|ounces?|lbs?|cups?|tsp|tbsp)\s*[)\]]?", re.IGNORECASE)
_SIZE_HEAD = re.compile(r"(?:\d+(?:[.,]\d+)?\s*(?:cm|in\b|inch|\"|″)|\d+\s*(?:x\s*)?(?:trays?|"
                        r"tins?|"
                        r"pans?|cakes?|batch(?:es)?|loaves|loaf|kg|pieces?|portions?|dozen)|[x×]\s*"
                        r"\d+|\d+\s*[x×]|small|medium|large|single|double|half|full)(?:\s*\w+)?",
                        re.IGNORECASE)
_LENGTH = re.compile(r"\d+(?:[.,]\d+)?\s*(?:cm|in\b|inch|\"|″)", re.IGNORECASE)
_RULE = re.compile(r"\s*[|:\-=_*~+\s]{3,}\s*")
_TOTALS = re.compile(r"(?:sub)?-?(?:total|sum)s?\b.*", re.IGNORECASE)
_UNIT_WORD = re.compile(r"(?:g|gr|grams?|kg|ml|l|cl|dl|oz|lbs?|cups?|tsps?|tbsps?|pinch|pcs?|"
                        r"pieces?|"
                        r"whole|each|ea|-|–)\.?", re.IGNORECASE)
_TRAILING_SHARE = re.compile(r"\s\d+(?:[.,]\d+)?\s*%\s*$")
_LEADING_SHARE = re.compile(r"\d+(?:[.,]\d+)?\s*%\s*(?=\S|$)")
_MEASURED = re.compile(r"\d\s*[a-z]{1,2}\b")
_DITTO = frozenset({'"', "”", "″", "''", "ditto", "do.", "do", "〃"})
_GAP = re.compile(r"\t|\s{3,}")
_WORD = re.compile(r"[^\W\d_]{2,}")
_SECTION = re.compile(r"[^\d.!?]{3,40}")
"""What may stand alone between the rows of a table: the name of a part."""


def grids(texts: Sequence[str]) -> list[GridRow | None]:
    """Return what every row of a table makes; None for a row that belongs to none.

    Parameters
    ----------
    texts : sequence of str
        Rows in order.

    >>> [one and one.text for one in grids(["Item;g", "Flour;200", "Butter;150", "so it goes"])]
    ['', '200 g Flour', '150 g Butter', None]
    """
    out: list[GridRow | None] = [None] * len(texts)
    at = 0
    while at < len(texts):
        split = _separator(texts, at)
        if split is None:
            at += 1
            continue
        rows, end = [], at
        while end < len(texts):
            cells = _row(texts[end], split)
            if cells is None and end + 1 < len(texts) and _row(texts[end + 1], split) and (
                    _SECTION.fullmatch(texts[end])):
                cells = [texts[end].strip()]
            if cells is None:
                break
            rows.append(cells)
            end += 1
        for place, row in enumerate(_read(rows)):
            out[at + place] = row
        at = max(end, at + 1)
    return out


Splitter = Callable[[str], list[str]]


def _bars(text: str) -> list[str]:
    bare = text.strip()
    bare = bare.removeprefix("|")
    bare = bare.removesuffix("|")
    return [cell.strip() for cell in bare.split("|")] if "|" in text else [text]


def _quoted(mark: str) -> Splitter:
    return lambda text: [cell.strip() for cell in next(csv.reader(
        [text], delimiter=mark, skipinitialspace=True), [text])]


def _blanks(text: str) -> list[str]:
    return [cell.strip() for cell in _GAP.split(text)]


def _separator(texts: Sequence[str], at: int) -> Splitter | None:
    """Return how the rows from a place on are cut into cells; None where they are no table."""
    near = [one for one in texts[at:at + 6] if not _RULE.fullmatch(one)]
    if not near or len(near[0]) > MOST_SIGNS:
        return None
    splits: tuple[Splitter, ...] = (_bars, _blanks)
    for split in splits:
        counts = [len([cell for cell in split(one) if cell]) for one in near[:3]]
        if counts[0] >= 2 and (len(near) > 1 and counts[1] >= 2):
            return split
    for mark in ",;":
        if not all(mark in one for one in near[:2]):
            continue
        split = _quoted(mark)
        cells = [split(one) for one in near]
        width = len(cells[0])
        alike = sum(len(one) == width for one in cells[:4])
        head = sum(_kind_of_head(cell) is not Column.OPEN for cell in cells[0])
        quoted = all(one.count('"') >= 2 for one in near[:3])
        if width >= 2 and alike >= min(3, len(cells)) and len(cells) > 1 and (
                head * 2 >= width or (quoted and len(near) > 2)):
            return split
    return None


def _row(text: str, split: Splitter) -> list[str] | None:
    """Return the cells of a row; none of a rule, None where the table is over."""
    if len(text) > MOST_SIGNS:
        return None
    if _RULE.fullmatch(text) and "|" in text + "|" and not _WORD.search(text):
        return []
    cells = split(text)[:MOST_CELLS]
    return cells if sum(bool(cell) for cell in cells) >= 2 or (
        len(cells) >= 2 and any(cells)) else None


def _read(rows: Sequence[list[str]]) -> list[GridRow | None]:
    head = _head_of(rows)
    if head:
        return [*[None] * head, *_read(rows[head:])]
    width = max((len(one) for one in rows), default=0)
    titles = rows[head] if head is not None else []
    body = [len(row) for row in rows if row and row is not titles]
    if titles and body and len(titles) == min(body) - 1:
        # The head leaves out what stands over the names.
        titles = ["", *titles]
    kinds = _kinds(rows, titles, width, 0 if head is None else head + 1)
    taken, others = _batches(rows, kinds, titles, 0 if head is None else head + 1)
    asks = ""
    if others:
        names = [titles[one] if one < len(titles) and titles[one] else f"column {one + 1}"
                 for one in (taken, *others)]
        asks = (f"This table has amounts for {' and for '.join(names)}; those for {names[0]} are "
                "taken. Is that right?")
    out: list[GridRow | None] = []
    above: list[str] = []
    for place, cells in enumerate(rows):
        if not cells:
            out.append(GridRow(text="", why=HEAD_OF_TABLE))
        elif place == head:
            size = titles[taken] if others and taken < len(titles) else ""
            told = f"{size} tin" if _LENGTH.fullmatch(size) else ""
            out.append(GridRow(text=told, why="" if told else HEAD_OF_TABLE, asks=asks))
        elif len(cells) == 1:
            words = cells[0].rstrip(":")
            out.append(GridRow(text=f"{words}:" if words.isupper() else words))
        else:
            full = [above[at] if cell in _DITTO and at < len(above) else cell
                    for at, cell in enumerate(cells)]
            made = _made(full, kinds, titles, others)
            group = next((full[at] for at, kind in enumerate(kinds)
                          if kind is Column.PART and at < len(full)), "")
            was = next((above[at] for at, kind in enumerate(kinds)
                        if kind is Column.PART and at < len(above)), "")
            out.append(replace(made, part=group) if group and group != was else made)
            above = full
    if asks and head is None and (first := out[0]) is not None:
        out[0] = replace(first, asks=asks)
    return out


def _head_of(rows: Sequence[list[str]]) -> int | None:
    """Return the place of the head row: words that name columns, no amount with its unit."""
    for place, cells in enumerate(rows[:2]):
        filled = [cell for cell in cells if cell]
        named = sum(_kind_of_head(cell) is not Column.OPEN or bool(_SIZE_HEAD.fullmatch(cell))
                    for cell in filled)
        told = named * 2 >= len(filled) or (named > 0 and len(filled) == len(cells) > 2)
        if filled and told and not any(
                re.search(r"\d", cell) and not _SIZE_HEAD.fullmatch(cell) for cell in filled):
            return place
    return None


def _kind_of_head(cell: str) -> Column:
    bare = cell.strip().strip("*_").strip()
    for kind, pattern in ((Column.PER_CENT, _PER_CENT), (Column.PRICE, _PRICES)):
        if pattern.search(bare):
            return kind
    for kind, pattern in ((Column.NAME, _NAMES), (Column.UNIT, _UNITS), (Column.AMOUNT, _UNIT_HEAD),
                          (Column.AMOUNT, _AMOUNTS), (Column.INDEX, _INDEXES),
                          (Column.NOTE, _NOTES)):
        if pattern.fullmatch(bare):
            return kind
    return Column.OPEN


def _kinds(rows: Sequence[list[str]], titles: Sequence[str], width: int,
           start: int) -> list[Column]:
    """Return what each column holds, by its head or else by its cells."""
    kinds = [_kind_of_head(titles[at]) if at < len(titles) else Column.OPEN for at in range(width)]
    for at in range(width):
        cells = [row[at] for row in rows[start:] if at < len(row) and row[at]]
        if kinds[at] is not Column.OPEN or not cells:
            continue
        numbers = sum(_whole_amount(cell) is not None for cell in cells)
        if numbers * 2 > len(cells):
            kinds[at] = Column.AMOUNT
        elif all(cell.rstrip().endswith("%") for cell in cells):
            kinds[at] = Column.PER_CENT
        elif all(_UNIT_WORD.fullmatch(cell) for cell in cells):
            kinds[at] = Column.UNIT
    worded = [at for at, kind in enumerate(kinds) if kind is Column.OPEN]
    body = rows[start:]
    if len(worded) > 1 and worded[0] == 0 and len(body) >= LEAST_ROWS:
        again = sum(not row or not row[0] or row[0] in _DITTO or row[0] == was[0]
                    for was, row in pairwise(body) if was)
        if again * 2 >= len(body) - 1:
            kinds[0] = Column.PART
    return kinds


def _batches(rows: Sequence[list[str]], kinds: Sequence[Column], titles: Sequence[str],
             start: int) -> tuple[int, list[int]]:
    """Return the amount column that is taken, and those that are not the same in another unit."""
    amounts = [at for at, kind in enumerate(kinds) if kind is Column.AMOUNT]
    taken = amounts[0] if amounts else 0
    return taken, [at for at in amounts[1:] if not _other_unit(
        rows[start:], taken, at, titles)]


def _other_unit(rows: Sequence[list[str]], one: int, other: int, titles: Sequence[str]) -> bool:
    """Say whether two columns state one amount in two units, those of their heads among them."""
    def found(row: Sequence[str], at: int) -> AmountFound | None:
        cell = row[at] if at < len(row) else ""
        amount = _whole_amount(cell)
        title = titles[at] if at < len(titles) else ""
        return None if amount is None else _with_unit(cell, amount, "", title)[1]

    return any(first.amount.unit is not second.amount.unit for row in rows
               if (first := found(row, one)) and (second := found(row, other))
               and first.has_unit and second.has_unit)


def _whole_amount(cell: str) -> AmountFound | None:
    """Return the amount a cell is, where it is nothing else."""
    if not re.search(r"[\d½¼¾⅓⅔⅛]", cell):
        return None
    bare = cell.strip()
    found = amount_at(bare, 0)
    return None if found is None or bare[found.end:].strip(" .") else found


def _made(cells: Sequence[str], kinds: Sequence[Column], titles: Sequence[str],
          others: Sequence[int]) -> GridRow:
    """Return the line a row makes."""
    beside = [(cell, OTHER_COLUMN if at in others else kinds[at].value)
              for at, cell in enumerate(cells) if cell and at < len(kinds)
              and (at in others or kinds[at] in (Column.PER_CENT, Column.PRICE, Column.INDEX))]
    cells = list(cells)
    for at, cell in enumerate(cells):
        if (tail := _TRAILING_SHARE.search(cell)) is not None and tail.start() > 0:
            beside.append((tail.group().strip(), Column.PER_CENT.value))
            cells[at] = cell[:tail.start()]
        elif (share := _LEADING_SHARE.match(cell)) is not None:
            beside.append((share.group().strip(), Column.PER_CENT.value))
            cells[at] = cell[share.end():]
    kept = [(at, cell) for at, cell in enumerate(cells) if cell and at not in others and (
        at >= len(kinds) or kinds[at] not in (Column.PER_CENT, Column.PRICE, Column.INDEX))]
    named = any(_WORD.search(_MEASURED.sub("", cell)) for _, cell in kept)
    if any(_TOTALS.fullmatch(cell) for cell in cells if cell) or (kept and not named):
        return GridRow(text="", why=TOTAL)
    if len(kept) == 1 and not beside and len(cells) > 1 and _whole_amount(kept[0][1]) is None:
        part = kept[0][1]
        return GridRow(text=part if re.search(r"\d", part) else f"{part.rstrip(':')}:")
    amounts: list[tuple[str, AmountFound]] = []
    words: list[tuple[Column, str]] = []
    unit = next((cell for at, cell in kept if at < len(kinds) and kinds[at] is Column.UNIT
                 and _UNIT_WORD.fullmatch(cell)), "")
    for at, cell in kept:
        kind = kinds[at] if at < len(kinds) else Column.OPEN
        if kind is Column.PART:
            continue
        if kind is Column.UNIT:
            if not _UNIT_WORD.fullmatch(cell):
                words.append((kind, cell))
            continue
        found = None if kind in (Column.NAME, Column.NOTE) else _whole_amount(cell)
        if found is None:
            words.append((kind, cell))
        else:
            amounts.append(_with_unit(cell, found, unit, titles[at] if at < len(titles) else ""))
    if not amounts or not words:
        return GridRow(text=", ".join(cell for _, cell in kept), beside=tuple(beside))
    return GridRow(text=_line(amounts, words), beside=tuple(beside))


def _with_unit(cell: str, found: AmountFound, unit: str, title: str) -> tuple[str, AmountFound]:
    """Return an amount with the unit of its row or of its head, where it has none."""
    over = _UNIT_HEAD.fullmatch(title.strip())
    more = unit.strip(" -–") or (over[1] if over is not None else "")
    if found.has_unit or not more or number_at(cell, 0) is None:
        return cell, found
    told = amount_at(f"{cell} {more}", 0)
    return f"{cell} {more}", told or found


def _line(amounts: Sequence[tuple[str, AmountFound]], words: Sequence[tuple[Column, str]]) -> str:
    (first, found), rest = amounts[0], amounts[1:]
    named = [cell for kind, cell in words if kind is Column.NAME]
    name = named[0] if named else words[0][1]
    notes = "".join(f", {cell}" for _, cell in words if cell != name)
    second = next((cell for cell, other in rest
                   if other.has_unit and other.amount.unit is not found.amount.unit), None)
    if second is not None:
        return f"{first} ({second}) {name}{notes}"
    left = "".join(f" ({cell} in another column)" for cell, other in rest
                   if other.amount != found.amount)
    return f"{first} {name}{notes}{left}"
