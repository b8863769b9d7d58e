"""Copies of a kitchen, each one file: its database, its photos, all of it readable, checksums."""

from __future__ import annotations

import hashlib
import json
import os
import re
import shutil
import sqlite3
import tempfile
import zipfile
from collections.abc import Iterator
from contextlib import closing, contextmanager, suppress
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from threading import RLock, local

from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.locks import take_lock
from entremet.kitchen.safe.soundness import APP

KEPT = {"daily": 14, "before-update": 10}
KEPT_ELSE = 10
"""Copies of each kind that are kept, the newest of them: a few presses push no day's copy out."""

FORMAT, VERSION = "entremet-kitchen", 1
DATABASE, READABLE, MANIFEST, PHOTOS = "kitchen.sqlite3", "kitchen.json", "manifest.json", "photos/"
PHOTO_TABLE = "kitchen_bakephoto"
SQLITE = b"SQLite format 3\x00"
OURS = f"{APP}_"
SHADOWS = re.compile(r"^kitchen_recipe_words(_|$)")
"""Tables of the index over recipes: made anew from the recipes, and nothing of their own."""

NAME = re.compile(r"^(?P<day>\d{8})-(?P<clock>\d{6})-(?P<part>\d{6})"
                  r"(?:-(?P<number>\d{6}))?-(?P<why>[a-z-]+)\.zip$")
"""What follows the kitchen's own name; copies made before they were numbered have no number."""
PART = ".part"

_here, _held = RLock(), local()
"""One at a time in this process, and by a lock on the folder among processes."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Copy:
    """A copy that lies in the folder: its file, when it was made, why, and its running number.

    The number says which is newer: a clock may be set back.
    """

    path: Path
    number: int
    made_at: datetime
    why: str
    bytes: int


def folder_of(kitchen: Path) -> Path:
    """Return where the copies of a kitchen lie."""
    return kitchen.parent / "copies"


def copies_of(kitchen: Path) -> list[Copy]:
    """Return the copies of a kitchen, the newest first."""
    return sorted(_listed(kitchen), key=lambda one: (one.number, one.made_at, one.path.name),
                  reverse=True)


def name_for(kitchen: Path, *, at: datetime, why: str) -> Path:
    """Return where the next copy goes: its number is one over all that are there."""
    number = 1 + max((one.number for one in _listed(kitchen)), default=0)
    return folder_of(kitchen) / f"{kitchen.stem}-{at:%Y%m%d-%H%M%S-%f}-{number:06d}-{why}.zip"


def kept_of(why: str) -> int:
    """Return how many copies of a kind are kept."""
    return KEPT.get(why, KEPT_ELSE)


def copy_named(kitchen: Path, name: str) -> Path:
    """Return a copy of a kitchen by its file's name.

    Raises
    ------
    Unsound
        When there is none of that name.
    """
    found = next((one.path for one in _listed(kitchen) if one.path.name == name), None)
    if found is None:
        raise Unsound(f"There is no copy called “{name}”.", field="name")
    return found


def copy_of(kitchen: Path, *, at: datetime, why: str, spare: Path | None = None) -> Path:
    """Write a whole copy of a kitchen beside it, in ``copies``, and keep the newest of its kind.

    It has its name only once all of it is on the disk: what is killed half-way leaves none.

    Parameters
    ----------
    kitchen : Path
        The file; it may be in use.
    at : datetime
        Now; it names the copy.
    why : str
        A word for its name: "on-demand", "daily", "before-update", "before-restore".
    spare : Path or None
        A copy that stays, however old it is.

    Returns
    -------
    Path
        The copy.
    """
    with alone(folder_of(kitchen)):
        target = name_for(kitchen, at=at, why=why)
        pack(kitchen, target, at=at, why=why)
        prune(kitchen, why, spare=spare)
    return target


def prune(kitchen: Path, why: str, *, spare: Path | None = None) -> None:
    """Let the oldest copies of a kind go, those of other kinds and the one spared never."""
    same = [one for one in copies_of(kitchen) if one.why == why]
    for old in same[kept_of(why):]:
        if spare is None or old.path.resolve() != spare.resolve():
            old.path.unlink(missing_ok=True)


@contextmanager
def alone(folder: Path) -> Iterator[None]:
    """Copy or restore while nobody else does; what was left half-done by one killed is swept up."""
    folder.mkdir(parents=True, exist_ok=True)
    with _here:
        if getattr(_held, "folder", None) == folder:
            yield
            return
        lock = os.open(folder / ".lock", os.O_RDWR | os.O_CREAT, 0o644)
        try:
            take_lock(lock, wait=True)
            for left in folder.glob(f"*{PART}"):
                if left.is_dir():
                    shutil.rmtree(left, ignore_errors=True)
                else:
                    left.unlink(missing_ok=True)
            _held.folder = folder
            yield
        finally:
            _held.folder = None
            os.close(lock)


def pack(database: Path, target: Path, *, at: datetime, why: str) -> None:
    """Pack a database into one file; it has its name only once all of it is on the disk."""
    part = target.with_suffix(PART)
    try:
        with tempfile.TemporaryDirectory(dir=target.parent, prefix="copying-",
                                         suffix=PART) as work:
            _write(database, part, work=Path(work), at=at, why=why)
        os.replace(part, target)
    finally:
        part.unlink(missing_ok=True)


def is_bare(path: Path) -> bool:
    """Say whether a file is a bare database and no packed copy."""
    with open(path, "rb") as file:
        return file.read(len(SQLITE)) == SQLITE


def fold_in(kitchen: Path) -> None:
    """Fold the write-ahead log into the file, so that the file alone is whole."""
    with closing(sqlite3.connect(kitchen)) as database:
        database.execute("PRAGMA wal_checkpoint(TRUNCATE)")


def plain_copy(source: Path, target: Path) -> None:
    """Copy a database by the database itself, as it is at one moment; the copy alone is whole."""
    with closing(sqlite3.connect(f"{source.resolve().as_uri()}?mode=ro", uri=True)) as old, \
            closing(sqlite3.connect(target)) as new:
        old.backup(new)
        new.execute("PRAGMA journal_mode=DELETE")


def tables_of(database: sqlite3.Connection) -> list[str]:
    """Return the tables that hold what a kitchen entered."""
    names = [row[0] for row in database.execute(
        "SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")]
    return [name for name in names if name.startswith(OURS) and not SHADOWS.match(name)]


def counts_of(database: sqlite3.Connection) -> dict[str, int]:
    """Return how many rows each table has."""
    return {name: database.execute(f'SELECT count(*) FROM "{name}"').fetchone()[0]
            for name in tables_of(database)}


def _listed(kitchen: Path) -> Iterator[Copy]:
    for path in folder_of(kitchen).glob(f"{kitchen.stem}-*.zip"):
        found = NAME.match(path.name.removeprefix(f"{kitchen.stem}-"))
        if found is not None:
            with suppress(OSError, ValueError):
                yield Copy(path=path, why=found["why"], bytes=path.stat().st_size,
                           number=int(found["number"] or 0), made_at=datetime.strptime(
                               found["day"] + found["clock"] + found["part"], "%Y%m%d%H%M%S%f"))


def _write(kitchen: Path, target: Path, *, work: Path, at: datetime, why: str) -> None:
    database = work / DATABASE
    plain_copy(kitchen, database)
    readable, photos = work / READABLE, work / "photos"
    photos.mkdir()
    with closing(sqlite3.connect(database)) as open_copy:
        applied = [row[0] for row in open_copy.execute(
            "SELECT name FROM django_migrations WHERE app = ? ORDER BY name", (APP,))]
        counts = counts_of(open_copy)
        _write_everything(open_copy, readable)
        _take_photos_out(open_copy, photos)
    members = {DATABASE: database, READABLE: readable,
               **{f"{PHOTOS}{one.name}": one for one in sorted(photos.iterdir())}}
    manifest = {
        "format": FORMAT, "version": VERSION, "made_at": at.isoformat(), "why": why,
        "updates": applied, "rows": counts,
        "sha256": {name: _sum(path) for name, path in members.items()}}
    with open(target, "wb") as raw:
        with zipfile.ZipFile(raw, "w", zipfile.ZIP_DEFLATED, compresslevel=6) as packed:
            packed.writestr(MANIFEST, json.dumps(manifest, ensure_ascii=False, indent=1))
            for name, path in members.items():
                photo = name.startswith(PHOTOS)
                packed.write(path, name, zipfile.ZIP_STORED if photo else None)
        raw.flush()
        os.fsync(raw.fileno())


def _write_everything(database: sqlite3.Connection, target: Path) -> None:
    """Write all rows by table, row by row; documents as they are, photos by their file."""
    with open(target, "w", encoding="utf-8") as out:
        out.write("{")
        for place, table in enumerate(tables_of(database)):
            rows = database.execute(f'SELECT * FROM "{table}"')
            names = [one[0] for one in rows.description]
            out.write(f"{',' if place else ''}\n {json.dumps(table)}: [")
            for nth, row in enumerate(rows):
                told = {name: _readable(table, row[0], value)
                        for name, value in zip(names, row, strict=True)}
                out.write(f"{',' if nth else ''}\n  {json.dumps(told, ensure_ascii=False)}")
            out.write("]")
        out.write("\n}\n")


def _readable(table: str, key: object, value: object) -> object:
    if isinstance(value, bytes):
        return f"{PHOTOS}{key}.jpg" if table == PHOTO_TABLE else value.hex()
    if isinstance(value, str) and value[:1] in "[{":
        with suppress(ValueError):
            return json.loads(value)
    return value


def _take_photos_out(database: sqlite3.Connection, photos: Path) -> None:
    """Put every photo into a file of its own, and leave its row without it."""
    if not database.execute("SELECT 1 FROM sqlite_master WHERE name = ?",
                            (PHOTO_TABLE,)).fetchone():
        return
    for key, jpeg in database.execute(f"SELECT bake_id, jpeg FROM {PHOTO_TABLE}"):
        (photos / f"{key}.jpg").write_bytes(jpeg)
    database.execute(f"UPDATE {PHOTO_TABLE} SET jpeg = x''")
    database.commit()
    database.execute("VACUUM")


def _sum(path: Path) -> str:
    with open(path, "rb") as file:
        return hashlib.file_digest(file, "sha256").hexdigest()
