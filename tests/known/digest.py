"""An answer as digests of its sections: small to keep, and it says where it changed."""

from __future__ import annotations

import hashlib
import json
from typing import Any

FIGURES = 7
"""Figures of a number that count: machines differ beyond."""


def digests(answer: Any, *, deep: int = 2) -> dict[str, str]:
    """Return a digest for every section of an answer, by its path, so many steps down."""
    found: dict[str, str] = {}
    _into(found, "", answer, deep)
    return found


def changed(before: dict[str, str], now: dict[str, str]) -> list[str]:
    """Return the paths whose sections differ."""
    return sorted(path for path in before.keys() | now.keys()
                  if before.get(path) != now.get(path))


def _into(found: dict[str, str], path: str, value: Any, deep: int) -> None:
    if deep > 0 and isinstance(value, dict):
        for key, one in value.items():
            _into(found, f"{path}.{key}" if path else str(key), one, deep - 1)
    else:
        text = json.dumps(_plain(value), ensure_ascii=False, sort_keys=True)
        found[path] = hashlib.blake2b(
            text.encode("utf-8", "surrogatepass"), digest_size=5).hexdigest()


def _plain(value: Any) -> Any:
    match value:
        case bool():
            return value
        case int() | float():
            # Of equal numbers a cache may give one or the other.
            return float(f"{value:.{FIGURES}g}")
        case dict():
            return {str(key): _plain(one) for key, one in value.items()}
        case list() | tuple():
            return [_plain(one) for one in value]
        case _:
            return value
