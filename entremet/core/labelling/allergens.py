"""What food has to name by law, region by region, and the words that stand out for it."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from entremet.core.ground.errors import ImpossibleChoice, UnknownReference
from entremet.core.ground.reference import read_table


@dataclass(frozen=True, slots=True, kw_only=True)
class Allergen:
    """Something that has to be named.

    Parameters
    ----------
    key, name : str
        As stored, and as it stands on a label.
    group : str
        What the law calls it together with others; empty where it stands alone.
    words : tuple of str
        What stands for it in a list of ingredients, in small letters.
    """

    key: str
    name: str
    group: str
    words: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Region:
    """A region with what has to be named there, and the rule that says so."""

    key: str
    name: str
    source: str
    kinds: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class LabelText:
    """A piece of a list of ingredients; what has to be named stands out."""

    text: str
    strong: bool = False


_TABLE = read_table("entremet.core.labelling", "allergens.toml")

ALLERGENS: dict[str, Allergen] = {
    key: Allergen(key=key, name=row["name"], group=row.get("group", ""),
                  words=tuple(row["words"]))
    for key, row in _TABLE["kinds"].items()}

REGIONS: dict[str, Region] = {
    key: Region(key=key, name=row["name"], source=row["source"], kinds=tuple(row["kinds"]))
    for key, row in _TABLE["regions"].items()}

DEFAULT_REGION = "eu"


def allergens_of(keys: Iterable[str], *, field: str = "contains") -> tuple[str, ...]:
    """Return keys of allergens in the order of the table, each once.

    Raises
    ------
    ImpossibleChoice
        For a key that is none.

    >>> allergens_of(["milk", "wheat", "milk"])
    ('wheat', 'milk')
    """
    chosen = set(keys)
    if unknown := sorted(chosen - ALLERGENS.keys()):
        raise ImpossibleChoice(f"There is no allergen “{unknown[0]}” in the table.", field=field)
    return tuple(key for key in ALLERGENS if key in chosen)


def region_of(key: str) -> Region:
    """Return a region by its key.

    Raises
    ------
    UnknownReference
        When the table does not hold it.
    """
    if key not in REGIONS:
        raise UnknownReference(f"There is no region “{key}” in the table.", field="region")
    return REGIONS[key]


def named_there(keys: Iterable[str], region: Region) -> tuple[str, ...]:
    """Return what of some allergens a region lists.

    >>> named_there(["wheat", "oats", "lupin"], REGIONS["us"])
    ('wheat',)
    """
    chosen = set(keys)
    return tuple(key for key in ALLERGENS if key in chosen and key in region.kinds)


def standing_out(text: str, contains: Sequence[str]) -> tuple[LabelText, ...]:
    """Return a name or a list with its allergens standing out; those it does not say are added.

    Parameters
    ----------
    text : str
        As it stands on the label.
    contains : sequence of str
        Keys of what is in it and has to be named.

    >>> [one.text for one in standing_out("plain flour", ["wheat"]) if one.strong]
    ['wheat']
    >>> standing_out("whole milk", ["milk"])[-1]
    LabelText(text='milk', strong=True)
    """
    words = sorted((word for key in contains for word in ALLERGENS[key].words),
                   key=len, reverse=True)
    pieces: list[LabelText] = []
    at = 0
    if words:
        pattern = rf"\b(?:{'|'.join(map(re.escape, words))})\b"
        for found in re.finditer(pattern, text, re.IGNORECASE):
            if found.start() > at:
                pieces.append(LabelText(text=text[at:found.start()]))
            pieces.append(LabelText(text=found.group(), strong=True))
            at = found.end()
    if at < len(text):
        pieces.append(LabelText(text=text[at:]))
    missing = [key for key in contains if not says(text, key)]
    for place, key in enumerate(missing):
        pieces += [LabelText(text=" (" if place == 0 else ", "),
                   LabelText(text=ALLERGENS[key].name, strong=True)]
    return tuple([*pieces, LabelText(text=")")] if missing else pieces)


def says(text: str, key: str) -> bool:
    """Say whether a text names an allergen.

    >>> says("buttermilk", "milk"), says("butter", "milk")
    (True, False)
    """
    return any(re.search(rf"\b{re.escape(word)}\b", text, re.IGNORECASE)
               for word in ALLERGENS[key].words)
