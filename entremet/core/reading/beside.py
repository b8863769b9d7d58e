"""The row of a text round a place, and whether it gives minutes."""

from __future__ import annotations

import re

LONGEST_ROW = 160
"""Signs of a row in which a bare number beside minutes can be a size or a setting; estimate."""

_MINUTES = re.compile(r"\d\s*-?\s*(?:min|m\b|h\b|h\d|hr|hour)", re.IGNORECASE)


def row_round(text: str, place: int) -> tuple[int, str]:
    """Return where the row round a place begins, and its words.

    >>> row_round("a\\nb c\\nd", 3)
    (2, 'b c')
    """
    low, high = text.rfind("\n", 0, place) + 1, text.find("\n", place)
    return low, text[low:high if high >= 0 else len(text)]


def gives_minutes(row: str) -> bool:
    """Say whether a row is short and gives minutes: a tin or a number in it is of the bake.

    >>> gives_minutes("900g tin, 170, 1h10"), gives_minutes("900g tin of pears")
    (True, False)
    """
    return len(row) <= LONGEST_ROW and _MINUTES.search(row) is not None
