"""Markup walked tag by tag by a kept, lenient parser; nothing of it is run, fetched or built up."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Protocol

from lxml import etree

from entremet.core.ground.errors import UnreadableRecipe

DEEPEST_TAGS = 200
"""Tags inside each other; the parser looks through all open ones at each that closes."""

MOST_TAGS = 100_000
"""Tags of one file; a long saved page has a tenth of it."""

_CHUNK = 1 << 16


class Walker(Protocol):
    """What is told of each tag and of the words between them."""

    def opens(self, tag: str, attributes: Mapping[str, str]) -> None:
        """A tag opens; names are in small letters."""

    def closes(self, tag: str) -> None:
        """A tag closes, as written or because another demands it."""

    def says(self, words: str) -> None:
        """Words between tags, entities resolved."""


def walk_markup(text: str, walker: Walker) -> None:
    """Walk a page or drawing from its first sign to its last, however badly it is written.

    Parameters
    ----------
    text : str
        Markup; comments, declarations and entities of its own are passed over.
    walker : Walker
        Is told what stands in it.

    Raises
    ------
    UnreadableRecipe
        When there are too many tags, or they are nested deeper than any page needs; reading on
        would take a time that grows with the square of its length.
    """
    parser = etree.HTMLParser(target=_Target(walker), encoding="utf-8")
    data = text.encode("utf-8", "replace")
    for start in range(0, len(data), _CHUNK):
        parser.feed(data[start:start + _CHUNK])
    if data:
        parser.close()


class _Target:
    def __init__(self, walker: Walker) -> None:
        self._walker = walker
        self._deep = 0
        self._tags = 0

    def start(self, tag: str, attributes: Mapping[str, str]) -> None:
        self._deep += 1
        self._tags += 1
        if self._tags > MOST_TAGS:
            raise UnreadableRecipe("This file holds too much beside a recipe. Copy the recipe from "
                                   "the page and paste that.", field="text")
        if self._deep > DEEPEST_TAGS:
            raise UnreadableRecipe("The tags of this file stand too deep inside each other to be "
                                   "read. Copy the recipe from the page and paste that.",
                                   field="text")
        self._walker.opens(tag, attributes)

    def end(self, tag: str) -> None:
        self._deep -= 1
        self._walker.closes(tag)

    def data(self, words: str) -> None:
        self._walker.says(words)

    def close(self) -> None:
        return None
