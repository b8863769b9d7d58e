"""Amounts that a text states by others: its own measures, parts, "the weight of the eggs".

Rows are written anew with the amount worked out, and the lines they make say what it was worked out
from. "The same weight" is the weight as the recipe gives it, shells and all where it says so.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from entremet.core.measures.grammar import amount_at
from entremet.core.measures.numbers import number_at
from entremet.core.measures.spelt import with_digits
from entremet.core.measures.units import Unit
from entremet.core.reading.clean import CleanRow

MOST_SIGNS = 300
"""Signs of a row beyond which it states no amount by another."""
OWN_MEASURE = "a measure of its own"

_MEASURE = re.compile(
    r"(?:1|one|an?|my|the|each)\s+(?P<word>[^\W\d]{3,14})s?\s*(?:=|is|holds?|means|measures)\s*"
    r"(?:about\s+)?(?P<many>\d+(?:[.,]\d+)?)\s*(?P<unit>ml|cl|dl|g|grams?|millilit\w+)\b\.?",
    re.IGNORECASE)
_PARTS = re.compile(r"(?P<many>\d+(?:[.,]\d+)?)\s+parts?\s+(?:of\s+)?"
                    r"(?P<name>[^\W\d][^\d,;.()]{1,30}?)"
                    r"(?=\s*(?:,|;|\band\b|\bto\b|\s[-–—]\s|\(|\.|$))", re.IGNORECASE)
_WEIGHT_OF = re.compile(
    r"(?P<share>half|twice|double|a third of|1/2)?\s*(?:the |their )?(?:same )?weight of (?:the )?"
    r"(?P<base>[^\W\d][\w ]{2,20}?)(?=\s*(?:$|[,.;(]|in\b))", re.IGNORECASE)
_SHARES = {"half": 0.5, "1/2": 0.5, "twice": 2.0, "double": 2.0, "a third of": 1 / 3}
_WEIGHS = re.compile(r"(?P<g>\d+(?:[.,]\d+)?)\s*(?:g|grams?)\b", re.IGNORECASE)
_ALL_IN = re.compile(r"\b(?:all|weights?|amounts?|everything|quantities)\s+(?:is |"
                     r"are )?(?:given )?in\s+"
                     r"(?:grams?|g)\b", re.IGNORECASE)
_BARE_ROW = re.compile(r"(?P<name>[^\W\d][^\d]{2,40}?)[\s.:·-]+(?P<many>\d+(?:[.,]\d+)?)")
_SHARE_OF = re.compile(r"(?P<many>\d+(?:[.,]\d+)?)\s*(?:%|per ?cent)\s*of (?:the )?"
                       r"(?P<base>[^\W\d][\w ]{2,20}?)(?=\s*(?:$|[,.;(]))", re.IGNORECASE)
_THEIR_WEIGHT = re.compile(
    r"(?:then |and |take |add )*(?P<share>half|twice|double)?\s*(?:their|its|the same|equal|"
    r"same) weight "
    r"(?:each )?(?:in|of) (?P<names>[^\d]{3,80}?)[.!]?", re.IGNORECASE)
_NAME = re.compile(r"[^\W\d_]{3,}")


def worked_out(rows: Sequence[CleanRow]) -> list[CleanRow]:
    """Return rows with such amounts worked out, where the text holds what they need.

    Parameters
    ----------
    rows : sequence of CleanRow
        Of the whole text, in order.
    """
    return _by_weight(_in_parts(_own_measures(_all_in(list(rows)))))


def _all_in(rows: list[CleanRow]) -> list[CleanRow]:
    """Read "all in grams": bare numbers of the list are grams then."""
    if not any(len(row.text) <= MOST_SIGNS and _ALL_IN.search(row.text) for row in rows):
        return rows
    out = []
    for row in rows:
        bare = None if row.why or len(row.text) > MOST_SIGNS else _BARE_ROW.fullmatch(row.text)
        out.append(row if bare is None else replace(
            row, text=f"{bare['many']} g {bare['name'].strip(' .:-–—')}"))
    return out


def _own_measures(rows: list[CleanRow]) -> list[CleanRow]:
    """Read "1 glass = 200 ml", and every glass by it."""
    found: dict[str, tuple[float, str]] = {}
    out = []
    for row in rows:
        told = None if len(row.text) > MOST_SIGNS else _MEASURE.fullmatch(
            row.text.strip(" -*•.()"))
        if told is not None and not row.why:
            word = _single(told["word"])
            if amount_at(f"1 {word}", 0) is None or not _has_unit(f"1 {word}"):
                found[word] = float(told["many"].replace(",", ".")), told["unit"]
                out.append(replace(row, why=OWN_MEASURE))
                continue
        out.append(row)
    if not found:
        return rows
    measured = re.compile(rf"(?P<word>{'|'.join(map(re.escape, found))})(?:s|es)?\b(?:\s+of)?\s+",
                          re.IGNORECASE)
    return [row if row.why else _measured(row, measured, found) for row in out]


def _single(word: str) -> str:
    bare = word.lower()
    return bare[:-1] if bare.endswith("s") and not bare.endswith("ss") else bare


def _has_unit(text: str) -> bool:
    found = amount_at(text, 0)
    return found is not None and found.has_unit


def _measured(row: CleanRow, words: re.Pattern[str],
              found: dict[str, tuple[float, str]]) -> CleanRow:
    bare = with_digits(row.text).text
    number = number_at(bare, 0)
    if number is None or number.high is not None:
        return row
    gap = len(bare[number.end:]) - len(bare[number.end:].lstrip())
    unit = words.match(bare, number.end + gap)
    if unit is None:
        return row
    each, of = found[_single(unit["word"])]
    written = bare[:unit.end()].strip().removesuffix(" of")
    return replace(row, text=f"{number.low * each:g} {of} {bare[unit.end():]} ({written})",
                   worked=f"{written} of {each:g} {of}")


def _in_parts(rows: list[CleanRow]) -> list[CleanRow]:
    """Read "2 parts flour, 1 part butter - I use 200 g flour"."""
    out = []
    for row in rows:
        if len(row.text) > MOST_SIGNS or "part" not in row.text.lower():
            out.append(row)
            continue
        bare = with_digits(row.text).text
        parts = list(_PARTS.finditer(bare))
        known = None if len(parts) < 2 else _known_part(bare[parts[-1].end():], parts)
        if known is None:
            out.append(row)
            continue
        told = ", ".join(f"{float(one['many'].replace(',', '.')) * known:g} g "
                         f"{one['name'].strip()}" for one in parts)
        out.append(replace(row, text=bare[:parts[0].start()] + told,
                           worked=f"parts of {known:g} g"))
    return out


def _known_part(behind: str, parts: Sequence[re.Match[str]]) -> float | None:
    """Return the grams of one part, by the one whose amount stands behind."""
    for begin in re.finditer(r"\d", behind):
        amount = amount_at(behind, begin.start())
        if amount is None or amount.amount.unit is not Unit.GRAM:
            continue
        name = behind[amount.end:].strip().lower()
        for one in parts:
            if name.startswith(one["name"].strip().lower()):
                return amount.amount.value / float(one["many"].replace(",", "."))
    return None


def _by_weight(rows: list[CleanRow]) -> list[CleanRow]:
    """Read "the weight of the eggs" where a row gives the weight of the eggs."""
    out: list[CleanRow] = []
    for row in rows:
        if (their := _in_their_weight(row, out)) is not None:
            out.append(their)
            continue
        long = len(row.text) > MOST_SIGNS
        said = None if long else _WEIGHT_OF.search(row.text) or _SHARE_OF.search(row.text)
        grams = None if said is None or row.why else _weight_in(out, said["base"])
        if said is None or grams is None or amount_at(row.text, 0) is not None:
            out.append(row)
            continue
        share = float(said["many"].replace(",", ".")) / 100 if "many" in said.groupdict() else (
            _SHARES.get((said["share"] or "").lower(), 1.0))
        name = (row.text[:said.start()] or row.text[said.end():]).strip(" :,-–—.")
        name = re.sub(r"^(?:of|in)\s+", "", name)
        if not _NAME.search(name):
            out.append(row)
            continue
        behind = row.text[said.end():] if row.text[:said.start()].strip(" :,-–—.") else ""
        out.append(replace(row, text=f"{share * grams:g} g {name} "
                                     f"({said.group().strip()}){behind}",
                           worked=f"“{said.group().strip()}”, {grams:g} g"))
    return out


def _in_their_weight(row: CleanRow, before: Sequence[CleanRow]) -> CleanRow | None:
    """Read "their weight in sugar and butter" behind a row that weighs something."""
    said = None if row.why or len(row.text) > MOST_SIGNS else _THEIR_WEIGHT.fullmatch(row.text)
    weight = None if said is None or not before else _WEIGHS.search(before[-1].text)
    if said is None or weight is None:
        return None
    share = _SHARES.get((said["share"] or "").lower(), 1.0) * float(weight["g"].replace(",", "."))
    names = re.split(r"\s*(?:,|\band\b|&|\+)\s*(?:in\s+|of\s+)?", said["names"])
    return replace(row, text=", ".join(f"{share:g} g {name}" for name in names if name),
                   worked=f"“{row.text.strip(' .!')}”, {weight.group()}")


def _weight_in(rows: Sequence[CleanRow], base: str) -> float | None:
    """Return the grams a row gives of a thing; None where none does."""
    word = base.strip().lower().split()[-1].rstrip("s")
    for row in reversed(rows):
        if re.search(rf"\b{re.escape(word)}", row.text.lower().split("(")[0]) and (
                weight := _WEIGHS.search(row.text)) is not None:
            return float(weight["g"].replace(",", "."))
    return None
