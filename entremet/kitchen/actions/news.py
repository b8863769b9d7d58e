"""Who waits for news: streams sleep here until something happens, in this process and no other."""

from __future__ import annotations

from threading import Condition
from typing import Literal

Of = Literal["day", "device"]

_changed = Condition()
_counts: dict[Of, int] = {"day": 0, "device": 0}
_closing = False


def close_down() -> None:
    """Let every stream end: the program stops."""
    global _closing
    _closing = True
    tell()


def closing() -> bool:
    """Say whether the program stops."""
    return _closing


def tell(of: Of = "day") -> None:
    """Wake everybody who waits for news."""
    with _changed:
        _counts[of] += 1
        _changed.notify_all()


def news() -> int:
    """Return the number of the latest news of whatever kind."""
    return sum(_counts.values())


def news_of(of: Of) -> int:
    """Return the number of the latest news of a kind."""
    return _counts[of]


def wait_for_news(seen: int, seconds: float) -> int:
    """Wait until there is newer news than what was seen, or the time is up; return its number."""
    with _changed:
        _changed.wait_for(lambda: news() != seen, timeout=max(0.0, seconds))
        return news()
