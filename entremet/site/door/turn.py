"""Whose passphrase is looked up next: it takes a core for a while, on purpose."""

from __future__ import annotations

from threading import BoundedSemaphore, Lock

MOST_WAIT = 6
"""Screens that may wait for their passphrase to be looked up, the one under way among them."""


class Turn:
    """One at a time.

    A few may wait and the rest is sent away, so that what has signed in already goes on.
    """

    def __init__(self) -> None:
        self._waits, self._turn = BoundedSemaphore(MOST_WAIT), Lock()

    def come(self) -> bool:
        """Wait for the turn; False where too many wait already."""
        if not self._waits.acquire(blocking=False):
            return False
        self._turn.acquire()
        return True

    def go(self) -> None:
        """Let the next one come."""
        self._turn.release()
        self._waits.release()
