"""Copies of a kitchen's file: made by the database itself, a few kept, and brought back."""

from __future__ import annotations

import os
import sqlite3
from contextlib import closing
from datetime import datetime
from pathlib import Path

from entremet.site.soundness import Unsound, check_file

KEPT = 5


def copy_of(kitchen: Path, *, at: datetime, why: str) -> Path:
    """Write a whole copy of a kitchen beside it, in ``copies``, and keep the newest few.

    Parameters
    ----------
    kitchen : Path
        The file; it may be in use.
    at : datetime
        Now; it names the copy.
    why : str
        A word for its name: "backup", "before-update", "before-restore".

    Returns
    -------
    Path
        The copy.
    """
    folder = kitchen.parent / "copies"
    folder.mkdir(parents=True, exist_ok=True)
    target = folder / f"{kitchen.stem}-{at:%Y%m%d-%H%M%S-%f}-{why}.sqlite3"
    _copy(kitchen, target)
    for old in sorted(folder.glob(f"{kitchen.stem}-*.sqlite3"))[:-KEPT]:
        old.unlink()
    return target


def bring_back(copy: Path, kitchen: Path, *, newest: frozenset[str], at: datetime) -> Path | None:
    """Put a copy in a kitchen's place; what stood there is copied first.

    Parameters
    ----------
    copy : Path
        A copy, or any kitchen's file.
    kitchen : Path
        Where it goes. Nobody may have it open.
    newest : frozenset of str
        Updates that this program knows.
    at : datetime
        Now.

    Returns
    -------
    Path or None
        The copy of what stood there; None where nothing did.

    Raises
    ------
    Unsound
        When the copy is damaged, newer than the program, or no kitchen at all; nothing is changed.
    """
    if not copy.is_file():
        raise Unsound(f"There is no file {copy}. Copies lie in {kitchen.parent / 'copies'}.")
    check_file(copy, newest=newest)
    before = copy_of(kitchen, at=at, why="before-restore") if kitchen.exists() else None
    fresh = kitchen.with_suffix(".incoming")
    fresh.unlink(missing_ok=True)
    _copy(copy, fresh)
    for beside in (f"{kitchen}-wal", f"{kitchen}-shm"):
        Path(beside).unlink(missing_ok=True)
    os.replace(fresh, kitchen)
    return before


def fold_in(kitchen: Path) -> None:
    """Fold the write-ahead log into the file, so that the file alone is whole."""
    with closing(sqlite3.connect(kitchen)) as database:
        database.execute("PRAGMA wal_checkpoint(TRUNCATE)")


def _copy(source: Path, target: Path) -> None:
    with closing(sqlite3.connect(f"{source.resolve().as_uri()}?mode=ro", uri=True)) as old, \
            closing(sqlite3.connect(target)) as new:
        old.backup(new)
        new.execute("PRAGMA journal_mode=DELETE")
