"""Locks of files that end with the program, however it ends: of Unix, or of Windows."""

from __future__ import annotations

import os
import time
from typing import Any

try:
    import fcntl
except ImportError:  # Windows has none
    fcntl = None  # type: ignore[assignment]  # then the other one is there

TRY_AGAIN_S = 0.1


def take_lock(lock: int, *, wait: bool) -> None:
    """Take the lock of an open file for this program alone.

    Parameters
    ----------
    lock : int
        An open file; its lock ends when it is closed.
    wait : bool
        Whether to wait for another program that has it.

    Raises
    ------
    OSError
        When another has it, and nobody is to wait.
    """
    if fcntl is not None:
        fcntl.flock(lock, fcntl.LOCK_EX if wait else fcntl.LOCK_EX | fcntl.LOCK_NB)
        return
    import msvcrt

    _take_first_byte(lock, msvcrt, wait=wait)


def _take_first_byte(lock: int, windows: Any, *, wait: bool) -> None:
    """Lock a byte as Windows does, which by itself waits ten seconds at most."""
    while True:
        os.lseek(lock, 0, os.SEEK_SET)
        try:
            windows.locking(lock, windows.LK_NBLCK, 1)
        except OSError:
            if not wait:
                raise
            time.sleep(TRY_AGAIN_S)
        else:
            return
