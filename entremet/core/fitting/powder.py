"""Baking powder of a batter, which one school holds back in large pans."""

from __future__ import annotations

from entremet.core.card.lines import MIXED, Line

POWDER = "baking_powder"


def is_powder(line: Line) -> bool:
    """Return whether a line is baking powder of the batter; soda that answers an acid is not."""
    return (line.ingredient is not None and line.ingredient.key == POWDER
            and line.component in MIXED)
