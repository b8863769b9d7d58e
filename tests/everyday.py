"""How much is tried each day: a fixed sample of hostile input, one size of each screen.

"make hostile" tries all that might break it, "make sweep" every screen at all sizes in both themes.
"""

from __future__ import annotations

import os
from collections.abc import Sequence
from typing import TypeVar

HOSTILE = os.environ.get("ENTREMET_HOSTILE") == "all"
SWEEP = os.environ.get("ENTREMET_SWEEP") == "all"

T = TypeVar("T")


def some(things: Sequence[T], few: int) -> list[T]:
    """Take a few, spread over the whole row, the same each day; all of them in "make hostile"."""
    if HOSTILE or len(things) <= few:
        return list(things)
    return [things[place * len(things) // few] for place in range(few)]


def sizes(*all_of_them: T) -> list[T]:
    """Take the first size of a screen, or in "make sweep" all of them."""
    return list(all_of_them) if SWEEP else [all_of_them[0]]
