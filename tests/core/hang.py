"""A guard against hanging: what takes this long will never end for a baker. It measures nothing."""

from __future__ import annotations

import signal
from collections.abc import Iterator
from contextlib import contextmanager
from types import FrameType

CPU_S = 6.0
"""Twenty times what the slowest of the guarded inputs takes; an unbounded reading takes minutes."""


class Hangs(BaseException):
    """Something went on and on."""


@contextmanager
def no_hang() -> Iterator[None]:
    """Raise when what is inside uses more processor time than anything bounded could."""
    def stop(_signal: int, _frame: FrameType | None) -> None:
        raise Hangs

    before = signal.signal(signal.SIGVTALRM, stop)
    signal.setitimer(signal.ITIMER_VIRTUAL, CPU_S)
    try:
        yield
    finally:
        signal.setitimer(signal.ITIMER_VIRTUAL, 0)
        signal.signal(signal.SIGVTALRM, before)
