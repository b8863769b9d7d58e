"""Names of ingredients as people write them, made comparable."""

from __future__ import annotations

import re
import unicodedata

from entremet.core.ground.reference import read_table

_MARKS = re.compile(r"[^\w%\s]+")


def plain(phrase: str) -> str:
    """Return a phrase without case, accents, punctuation, plurals and short forms.

    >>> plain("Crème fraîche"), plain("Egg whites"), plain("self-raising flour")
    ('creme fraiche', 'egg white', 'self raising flour')
    """
    bare = unicodedata.normalize("NFKD", phrase.casefold().replace("’", "").replace("'", ""))
    bare = "".join(sign for sign in bare if not unicodedata.combining(sign))
    return " ".join(_SHORT.get(word) or _singular(word) for word in _MARKS.sub(" ", bare).split())


def without_preparation(words: list[str]) -> list[str]:
    """Return plain words less those that only say how it is prepared."""
    return [word for word in words if word not in _PLAIN_PREPARATION]


def without_cut(words: list[str]) -> list[str]:
    """Return plain words less those of its preparation and of a piece of it."""
    return [word for word in without_preparation(words) if word not in _PLAIN_CUTS]


def _singular(word: str) -> str:
    if len(word) > 4 and word.endswith("ies"):
        return f"{word[:-3]}y"
    if len(word) > 4 and word.endswith(("ches", "shes", "sses", "xes", "toes")):
        return word[:-2]
    if len(word) > 3 and word.endswith("s") and not word.endswith(("ss", "us")):
        return word[:-1]
    return word


_PREPARATION = read_table("entremet.core.ingredients", "preparation.toml")
_SHORT: dict[str, str] = _PREPARATION["short"]
_PLAIN_PREPARATION = frozenset(plain(word) for word in _PREPARATION["words"])
_PLAIN_CUTS = frozenset(plain(word) for word in _PREPARATION["cuts"])
