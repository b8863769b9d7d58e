"""How much of what tries to break it is tried: a fixed sample each day, all in "make hostile"."""

from __future__ import annotations

import os
from collections.abc import Sequence
from typing import TypeVar

HOSTILE = os.environ.get("ENTREMET_HOSTILE") == "all"

T = TypeVar("T")


def some(things: Sequence[T], few: int) -> list[T]:
    """Take a few, spread over the whole row, the same each day; all of them in "make hostile"."""
    if HOSTILE or len(things) <= few:
        return list(things)
    return [things[place * len(things) // few] for place in range(few)]
