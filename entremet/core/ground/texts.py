"""Every text in a value of the core, changed the same way."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import fields, is_dataclass, replace
from typing import Any


def every_text(value: Any, change: Callable[[str], str]) -> Any:
    """Return a value with every text in it changed; what nothing changes in is the same.

    Parameters
    ----------
    value : Any
        Texts, tuples, lists, dicts and dataclasses of such; all else stays as it is.
    change : callable
        Of one text.

    >>> every_text(({"keep": "cool"}, 3), str.upper)
    ({'keep': 'COOL'}, 3)
    """
    if isinstance(value, str):
        return change(value)
    if isinstance(value, tuple | list):
        return type(value)(every_text(one, change) for one in value)
    if isinstance(value, dict):
        return {key: every_text(one, change) for key, one in value.items()}
    if is_dataclass(value) and not isinstance(value, type):
        told = {one.name: every_text(getattr(value, one.name), change)
                for one in fields(value) if one.init}
        changed = {name: one for name, one in told.items() if one != getattr(value, name)}
        return replace(value, **changed) if changed else value
    return value
