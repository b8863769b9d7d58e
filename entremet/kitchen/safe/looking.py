"""Looking into a copy: whether it is whole, what is in it, whether this program can read it."""

from __future__ import annotations

import hashlib
import json
import re
import sqlite3
import zipfile
import zlib
from contextlib import closing
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from typing import Any

from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.copies import (
    DATABASE,
    FORMAT,
    MANIFEST,
    PHOTO_TABLE,
    PHOTOS,
    READABLE,
    VERSION,
    counts_of,
    is_bare,
    plain_copy,
)
from entremet.kitchen.safe.soundness import check_file, strange_in

MOST_BYTES = 4_000_000_000
MOST_MEMBERS = 100_000
MOST_MANIFEST = 50_000_000
PHOTO = re.compile(r"^photos/\d{1,18}\.jpg$")
STEP = 1 << 20
MOST_PHOTO = 40_000_000
"""Bytes of one photo: those the program takes in are made far smaller."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Looked:
    """What is in a copy that is whole.

    Parameters
    ----------
    made_at : datetime or None
        When it was made; None for a bare database.
    why : str
        Why it was made.
    rows : dict of str to int
        Rows by table.
    photos : int
        How many.
    older : bool
        Whether it will be brought up to date.
    """

    made_at: datetime | None
    why: str
    rows: dict[str, int]
    photos: int
    older: bool


def unpacked(copy: Path, target: Path, *, newest: frozenset[str]) -> Looked:
    """Look into a copy and put its database, photos and all, at a place of its own.

    Parameters
    ----------
    copy : Path
        A copy, or any kitchen's bare database.
    target : Path
        Where its database goes; nothing is there yet.
    newest : frozenset of str
        Updates that this program knows.

    Returns
    -------
    Looked
        What is in it.

    Raises
    ------
    Unsound
        When it is damaged, is no kitchen, or was made by a newer program.
    """
    if not copy.is_file():
        raise Unsound(f"There is no file {copy}. Copies lie in the folder “copies” beside the "
                      "kitchen.", field="file")
    if is_bare(copy):
        check_file(copy, newest=newest)
        plain_copy(copy, target)
        with closing(sqlite3.connect(target)) as database:
            if strange := strange_in(database):
                raise Unsound(f"{copy.name} {strange}. Nothing was changed; take another copy.",
                              field="file")
        made_at, why = None, ""
    else:
        made_at, why = _out_of_the_pack(copy, target)
    try:
        check_file(target, newest=newest)
    except Unsound as error:
        raise Unsound(error.text.replace(str(target), copy.name), field="file") from error
    with closing(sqlite3.connect(target)) as database:
        rows = counts_of(database)
        applied = {row[0] for row in database.execute(
            "SELECT name FROM django_migrations WHERE app = 'kitchen'")}
    return Looked(made_at=made_at, why=why, rows=rows, photos=rows.get(PHOTO_TABLE, 0),
                  older=bool(newest - applied))


def _out_of_the_pack(copy: Path, target: Path) -> tuple[datetime, str]:
    damaged = Unsound(f"{copy.name} is damaged, or no copy of a kitchen. Nothing was changed; take "
                      "another copy.", field="file")
    try:
        with zipfile.ZipFile(copy) as packed:
            manifest = _manifest(packed, copy, damaged)
            sums: dict[str, str] = manifest["sha256"]
            _out(packed, DATABASE, sums, target, damaged)
            _sum_of(packed, READABLE, sums, damaged)
            with closing(sqlite3.connect(target)) as database:
                strange = strange_in(database, manifest["rows"])
                if strange:
                    raise Unsound(f"{copy.name} {strange}. Nothing was changed; take another "
                                  "copy.", field="file")
                for name in sums:
                    if name.startswith(PHOTOS):
                        jpeg = _photo(packed, name, sums, damaged)
                        database.execute(
                            f"UPDATE {PHOTO_TABLE} SET jpeg = ? WHERE bake_id = ?",
                            (jpeg, int(name.removeprefix(PHOTOS).removesuffix(".jpg"))))
                database.commit()
            return datetime.fromisoformat(manifest["made_at"]), str(manifest["why"])
    except (zipfile.BadZipFile, zlib.error, EOFError, KeyError, ValueError, TypeError,
            AttributeError, NotImplementedError, RuntimeError, sqlite3.DatabaseError) as error:
        raise damaged from error


def _manifest(packed: zipfile.ZipFile, copy: Path, damaged: Unsound) -> dict[str, Any]:
    members = packed.infolist()
    if len(members) > MOST_MEMBERS or sum(one.file_size for one in members) > MOST_BYTES:
        raise Unsound(f"{copy.name} is larger than a kitchen can be.", field="file")
    if any(one.file_size > MOST_PHOTO for one in members if one.filename.startswith(PHOTOS)):
        raise Unsound(f"{copy.name} holds a photo larger than any can be.", field="file")
    if packed.getinfo(MANIFEST).file_size > MOST_MANIFEST:
        raise damaged
    manifest: dict[str, Any] = json.loads(packed.read(MANIFEST))
    if manifest.get("format") != FORMAT:
        raise Unsound(f"{copy.name} is no copy of a kitchen.", field="file")
    if not isinstance(manifest["version"], int) or manifest["version"] > VERSION:
        raise Unsound(f"{copy.name} was made by a newer Entremet. Start that one; this one would "
                      "not know what is in it.", field="file")
    names = {one.filename for one in members} - {MANIFEST}
    wrong = names != set(manifest["sha256"]) or not {DATABASE, READABLE} <= names or any(
        not PHOTO.match(name) for name in names - {DATABASE, READABLE})
    if wrong:
        raise damaged
    return manifest


def _out(packed: zipfile.ZipFile, name: str, sums: dict[str, str], target: Path,
         damaged: Unsound) -> None:
    told = hashlib.sha256()
    with packed.open(name) as member, open(target, "wb") as out:
        while chunk := member.read(STEP):
            told.update(chunk)
            out.write(chunk)
    if told.hexdigest() != sums[name]:
        raise damaged


def _sum_of(packed: zipfile.ZipFile, name: str, sums: dict[str, str], damaged: Unsound) -> None:
    """Hold a member against its sum, piece by piece."""
    told = hashlib.sha256()
    with packed.open(name) as member:
        while chunk := member.read(STEP):
            told.update(chunk)
    if told.hexdigest() != sums[name]:
        raise damaged


def _photo(packed: zipfile.ZipFile, name: str, sums: dict[str, str], damaged: Unsound) -> bytes:
    """Return a photo that is no larger than one can be, whatever the file says of it."""
    with packed.open(name) as member:
        read = member.read(MOST_PHOTO + 1)
    if len(read) > MOST_PHOTO or hashlib.sha256(read).hexdigest() != sums[name]:
        raise damaged
    return read
