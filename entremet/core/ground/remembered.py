"""What was found in a short text is not looked for twice."""

from __future__ import annotations

from collections.abc import Callable
from functools import lru_cache, wraps
from typing import TypeVar

Found = TypeVar("Found")

MOST_KEPT = 1_024
LONGEST_KEPT = 300
"""Texts that are kept, and the signs of the longest: at most some hundred kilobytes."""


def remembered(look: Callable[[str], list[Found]]) -> Callable[[str], list[Found]]:
    """Return a function of a text that keeps what it found in short ones.

    Parameters
    ----------
    look : callable
        Depends on nothing but the text; what it returns is not changed.

    >>> remembered(lambda text: text.split())("two eggs")
    ['two', 'eggs']
    """
    kept = lru_cache(maxsize=MOST_KEPT)(lambda text: tuple(look(text)))

    @wraps(look)
    def found(text: str) -> list[Found]:
        return list(kept(text)) if len(text) <= LONGEST_KEPT else look(text)

    return found
