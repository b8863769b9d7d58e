"""Bringing a copy back: looked into first, what stands there copied first, then in one step."""

from __future__ import annotations

import os
import sqlite3
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path

from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.copies import PART, alone, copy_of, folder_of
from entremet.kitchen.safe.looking import Looked, unpacked
from entremet.kitchen.safe.soundness import lacking_in, words_of

INCOMING = "incoming"
LONGEST_UPDATE_S = 300
LONGEST_WAIT_S = 4.0
HELD = (sqlite3.SQLITE_BUSY, sqlite3.SQLITE_LOCKED)


@dataclass(frozen=True, slots=True, kw_only=True)
class BroughtBack:
    """What was brought back, and the copy of what stood there; None where nothing did."""

    looked: Looked
    before: Path | None


def look_into(copy: Path, kitchen: Path, *, newest: frozenset[str]) -> Looked:
    """Look into a copy without changing anything.

    Raises
    ------
    Unsound
        When it is damaged, newer than the program, or no kitchen at all.
    """
    with _workplace(kitchen) as work:
        return unpacked(copy, work / f"{INCOMING}.sqlite3", newest=newest)


def bring_back(copy: Path, kitchen: Path, *, newest: frozenset[str], at: datetime,
               update: Callable[[Path], None] | None = None) -> BroughtBack:
    """Put a copy in a kitchen's place; what stood there is copied first.

    The kitchen may be in use: it changes in one step of the database, and one that is killed in
    the middle stands as before.

    Parameters
    ----------
    copy : Path
        A copy, or any kitchen's bare database.
    kitchen : Path
        Where it goes.
    newest : frozenset of str
        Updates that this program knows.
    at : datetime
        Now.
    update : callable or None
        Brings an older database up to date; None is this program's own.

    Returns
    -------
    BroughtBack
        What is there now, and the way back.

    Raises
    ------
    Unsound
        When the copy is damaged, newer than the program, or no kitchen; nothing is changed.
    """
    with _workplace(kitchen) as work:
        fresh = work / f"{INCOMING}.sqlite3"
        looked = unpacked(copy, fresh, newest=newest)
        if looked.older:
            (update or brought_up)(fresh)
        if lacking := _lacking(fresh, kitchen):
            raise Unsound(f"{copy.name} lacks “{lacking}”, which every kitchen of this program "
                          "has. Nothing was changed; take another copy.", field="file")
        before = _before(kitchen, at, spare=copy)
        _put(fresh, kitchen)
    return BroughtBack(looked=looked, before=before)


def brought_up(database: Path) -> None:
    """Bring a database up to date, in a process of its own.

    Raises
    ------
    Unsound
        When that fails; the kitchen is as it was.
    """
    done = subprocess.run(
        [sys.executable, "-m", "django", "migrate", "--verbosity=0"], check=False,
        timeout=LONGEST_UPDATE_S, capture_output=True,
        env={**os.environ, "DJANGO_SETTINGS_MODULE": "entremet.site.settings",
             "ENTREMET_DATA": str(database.parent), "ENTREMET_KITCHEN": database.stem,
             "PYTHONPATH": str(Path(__file__).resolve().parents[3])})
    if done.returncode != 0:
        raise Unsound("This copy is older and cannot be brought up to date. Nothing was changed; "
                      "take a newer copy.", field="file")
    with closing(sqlite3.connect(database)) as updated:
        updated.execute("PRAGMA journal_mode=DELETE")


@contextmanager
def _workplace(kitchen: Path) -> Iterator[Path]:
    folder = folder_of(kitchen)
    with alone(folder), tempfile.TemporaryDirectory(
            dir=folder, prefix="restoring-", suffix=PART) as work:
        yield Path(work)


def _before(kitchen: Path, at: datetime, *, spare: Path) -> Path | None:
    """Copy what stands there; what is too damaged for that is moved aside as it is."""
    if not kitchen.exists() or kitchen.stat().st_size == 0:
        return None
    try:
        return copy_of(kitchen, at=at, why="before-restore", spare=spare)
    except sqlite3.Error:
        aside = folder_of(kitchen) / f"{kitchen.stem}-{at:%Y%m%d-%H%M%S-%f}-damaged.sqlite3"
        os.replace(kitchen, aside)
        for beside in (f"{kitchen}-wal", f"{kitchen}-shm"):
            Path(beside).unlink(missing_ok=True)
        return aside


def _lacking(fresh: Path, kitchen: Path) -> str:
    """Return what a copy lacks beside a kitchen that is sound; nothing where there is none."""
    try:
        return lacking_in(fresh, kitchen) if kitchen.exists() else ""
    except sqlite3.Error:
        return ""


def _put(fresh: Path, kitchen: Path) -> None:
    if not kitchen.exists():
        os.replace(fresh, kitchen)
        return
    began = time.monotonic()

    def waits(status: int, _left: int, _all: int) -> None:
        # A database that somebody holds is tried again and again until this says no.
        if status in HELD and time.monotonic() - began > LONGEST_WAIT_S:
            raise sqlite3.OperationalError("database is locked")

    try:
        with closing(sqlite3.connect(fresh)) as source, \
                closing(sqlite3.connect(kitchen, timeout=LONGEST_WAIT_S)) as target:
            source.backup(target, progress=waits, sleep=0.05)
    except sqlite3.OperationalError as error:
        raise Unsound(words_of(error, kitchen, folder_of(kitchen))) from error
