"""Who waits for news: streams sleep here until something happens, in this process and no other."""

from __future__ import annotations

from threading import Condition

_changed = Condition()
_count = 0
_closing = False


def close_down() -> None:
    """Let every stream end: the program stops."""
    global _closing
    _closing = True
    tell()


def closing() -> bool:
    """Say whether the program stops."""
    return _closing


def tell() -> None:
    """Wake everybody who waits for news."""
    global _count
    with _changed:
        _count += 1
        _changed.notify_all()


def news() -> int:
    """Return the number of the latest news."""
    return _count


def wait_for_news(seen: int, seconds: float) -> int:
    """Wait until there is newer news than what was seen, or the time is up; return its number."""
    with _changed:
        _changed.wait_for(lambda: _count != seen, timeout=max(0.0, seconds))
        return _count
