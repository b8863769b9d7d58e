"""The index: what goes into which cards, by its name."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from entremet.core.ingredients.names import plain

MOST_SHARE, LEAST_CARDS = 0.5, 8
"""What goes into more than half of a book of eight cards or more helps nobody to find one."""


@dataclass(frozen=True, slots=True, kw_only=True)
class IndexEntry:
    """A thing, and the pages of the cards it goes into; none where it is in most of them."""

    name: str
    pages: tuple[int, ...]


def index_of(cards: Sequence[tuple[int, Iterable[str]]]) -> list[IndexEntry]:
    """Return the index of a book, in the order of the alphabet.

    Parameters
    ----------
    cards : sequence of (int, names)
        Page of each card, and what goes into it.

    >>> index_of([(4, ["Oats", "salt"]), (6, ["oats"])])[0]
    IndexEntry(name='Oats', pages=(4, 6))
    """
    found: dict[str, tuple[str, list[int]]] = {}
    for page, names in cards:
        for name in names:
            key = plain(name)
            if not key:
                continue
            _, pages = found.setdefault(key, (name, []))
            if not pages or pages[-1] != page:
                pages.append(page)
    many = len(cards) * MOST_SHARE if len(cards) >= LEAST_CARDS else len(cards)
    return [IndexEntry(name=first[:1].upper() + first[1:],
                       pages=tuple(pages) if len(pages) <= many else ())
            for _, (first, pages) in sorted(found.items())]
