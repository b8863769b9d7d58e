"""Answers in the units of the kitchen: our sentences are worded anew, what people wrote stays."""

from __future__ import annotations

from typing import Any

from django.db import DatabaseError

from entremet.core.measures.habits import Units, reworded
from entremet.kitchen.actions import at_hand
from entremet.kitchen.current import current

WRITTEN = frozenset({
    "steps", "lines", "was", "written", "name", "names", "label", "labels", "title", "card",
    "swapped_from", "plan", "cuts", "laid", "variants", "dial", "pan", "tier", "above", "subject",
    "marks", "phrase", "order", "cake", "where", "clash"})
"""Fields that hold what a baker wrote, or what is no sentence."""


def units_here() -> Units:
    """Return the units this kitchen reads."""
    def read() -> Units:
        kept = at_hand.habits().units
        return Units(kept) if kept in {one.value for one in Units} else Units.METRIC

    return current(("units",), read)


def said_here(text: str) -> str:
    """Return a sentence in the units of this kitchen; as it is where the kitchen cannot say."""
    if " cm" not in text:
        return text
    try:
        return reworded(text, units_here())
    except DatabaseError:
        return text


def in_units(answer: Any, units: Units) -> Any:
    """Return an answer, as plain values, with our own sentences in the given units.

    >>> in_units({"verdict": "rim at 5 cm", "label": "Tin of 20 cm"}, Units.US)
    {'verdict': 'rim at 2 in', 'label': 'Tin of 20 cm'}
    """
    if units is Units.METRIC:
        return answer
    if isinstance(answer, str):
        return reworded(answer, units)
    if isinstance(answer, list):
        return [in_units(one, units) for one in answer]
    if isinstance(answer, dict):
        return {key: value if key in WRITTEN else in_units(value, units)
                for key, value in answer.items()}
    return answer
