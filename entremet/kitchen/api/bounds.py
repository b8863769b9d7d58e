"""What the front end has to know beforehand: the choices there are, and how much goes in."""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any

from entremet.core.card.card import LONGEST_TAG, LONGEST_TITLE, MOST_TAGS, MOST_TEXT
from entremet.core.choosing.search import MOST_KINDS
from entremet.core.reading.recipes import LONGEST_TEXT
from entremet.kitchen.actions.importing import MOST_SIGNS
from entremet.kitchen.api.schemas.fits import LONGEST_FIT_NAME

BOUNDS: Mapping[str, int] = {
    "MOST_TAGS": MOST_TAGS, "LONGEST_TAG": LONGEST_TAG, "LONGEST_TITLE": LONGEST_TITLE,
    "LONGEST_LINE": MOST_TEXT, "LONGEST_TEXT": LONGEST_TEXT, "LARGEST_FILE": MOST_SIGNS,
    "MOST_KINDS": MOST_KINDS, "LONGEST_FIT_NAME": LONGEST_FIT_NAME}

HEAD = """// Written from the kitchen's own description by `make openapi`; change nothing here.

/** Every value of a list, by name of the list. */
"""


def bounds_module(document: Mapping[str, Any]) -> str:
    """Return the TypeScript module of bounds and choices.

    Parameters
    ----------
    document : mapping
        The API's description; lists of values in it become constants, also those of a field.
    """
    lists: dict[str, list[str]] = {}
    for name, schema in document["components"]["schemas"].items():
        if "enum" in schema:
            lists[_constant(name)] = schema["enum"]
        for field, described in schema.get("properties", {}).items():
            for one in (described, *described.get("anyOf", ())):
                if "enum" in one:
                    lists[f"{_constant(name)}_{field.upper()}"] = one["enum"]
    rows = [f"export const {name} = {_written(values)} as const;"
            for name, values in sorted(lists.items())]
    numbers = [f"export const {name} = {value};" for name, value in BOUNDS.items()]
    return HEAD + "\n".join([*rows, "", *numbers, ""])


def _constant(name: str) -> str:
    """Return a schema's name as a constant: FitIn is FIT_IN."""
    return "".join(f"_{sign}" if sign.isupper() and place else sign
                   for place, sign in enumerate(name)).upper()


def _written(values: list[str]) -> str:
    return json.dumps(values, ensure_ascii=False)
