"""What has to be bought for what is weighed peeled, stoned, cored: the raw weight."""

from __future__ import annotations

import re
from dataclasses import dataclass

from entremet.core.ground.reference import ReferenceValue, read_table, reference_value
from entremet.core.ingredients.names import plain

_SAID: dict[str, re.Pattern[str]] = {
    "peel": re.compile(r"(?<!un)\b(?:peeled|skinned)\b"),
    "stone": re.compile(r"\b(?:stoned|pitted)\b"),
    "core": re.compile(r"\bcored\b"),
    "hull": re.compile(r"\bhulled\b"),
    "shell": re.compile(r"(?<!un)\bshelled\b")}


@dataclass(frozen=True, slots=True, kw_only=True)
class Raw:
    """How much of a raw thing is left as it is weighed, as a share, and in which words."""

    left: float
    words: str


def raw_of(name: str) -> Raw | None:
    """Return what is left of the raw thing that a line's name means; None where it is bought as is.

    A card weighs what it names: “250 g peeled parsnips” are weighed peeled, “250 g parsnips,
    peeled” are weighed before. Only the first are bought by more. Shelled nuts are sold so.

    Parameters
    ----------
    name : str
        As the card has it.

    >>> raw_of("Plums, stoned and diced") is None, raw_of("Stoned plums").words
    (True, 'stoned')
    """
    head = name.split(",")[0].split("(")[0].lower()
    of = plain(head)
    share, said = 1.0, []
    for way, words in _SAID.items():
        found = words.search(head)
        row = _row(way, of) if found is not None else None
        if found is not None and row is not None:
            share *= row.value
            said.append(found[0])
    return Raw(left=share, words=" and ".join(said)) if said else None


def _row(way: str, of: str) -> ReferenceValue | None:
    if way == "shell" and any(word in of for word in _SOLD_SO):
        return None
    if way in ("stone", "peel") and any(word in of for word in _SOLD_STONED):
        return None
    rows = _LEFT[way]
    named = next((left for words, left in rows if any(word in of for word in words)), None)
    return named or next(left for words, left in rows if not words)


_SOLD_SO = ("nut", "pistachio", "almond", "pecan", "seed")
_SOLD_STONED = ("date", "prune", "olive", "almond", "hazelnut", "pistachio", "chestnut")
"""What shops sell shelled, stoned or skinned."""

_LEFT: dict[str, list[tuple[list[str], ReferenceValue]]] = {
    way: [(row["of"], reference_value(row["left"])) for row in rows]
    for way, rows in read_table("entremet.core.shopping", "raw.toml").items()}
