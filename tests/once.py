"""What takes seconds to make and is the same for all: made once in a run, by whichever worker."""

from __future__ import annotations

import fcntl
import os
from collections.abc import Callable
from pathlib import Path

RUN = "ENTREMET_TEST_RUN"
"""Names the folder of a run; it is made and taken away where the run begins and ends."""


def made_once(name: str, make: Callable[[Path], object]) -> Path:
    """Return a path of this run that ``make`` has filled; others wait until it is there."""
    folder = Path(os.environ[RUN])
    place, done = folder / name, folder / f"{name}.done"
    with (folder / f"{name}.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        if not done.exists():
            make(place)
            done.touch()
    return place
