"""Power lost at any moment: a disk that forgets what was not synced has all that was answered for.

The kitchen's own statements, under its own settings, on a small layer that remembers what of each
file has reached the disk. Behind the last sync some of the writes got through and some did not.
"""
# ruff: noqa: N802 - the layer's names are SQLite's own

from __future__ import annotations

import random
import sqlite3
from contextlib import closing
from datetime import date, datetime, time
from pathlib import Path
from typing import Any

import apsw
import pytest
from django.conf import settings
from django.db import connection

from tests.demo_rows import put_demo
from tests.kitchen.api.writes import every_write
from tests.kitchen.conftest import Screen

SNAPSHOTS = 40
OURS = settings.DATABASES["default"]["OPTIONS"]["init_command"]


class Disk:
    """What has reached the disk of each file, and what was written since."""

    def __init__(self) -> None:
        self.synced: dict[str, bytearray] = {}
        self.since: dict[str, list[tuple[int, bytes | None]]] = {}
        self.answered = 0
        self.images: list[tuple[int, dict[str, bytes]]] = []
        self.dice = random.Random(4)
        self.often = 0.02

    def happened(self, name: str, at: int, data: bytes | None) -> None:
        """Note a write, or with no data that a file was cut to a length."""
        self.since.setdefault(name, []).append((at, data))
        if self.dice.random() < self.often:
            self.lose_power()

    def sync(self, name: str) -> None:
        held = self.synced.setdefault(name, bytearray())
        for at, data in self.since.pop(name, []):
            _apply(held, at, data)

    def lose_power(self) -> None:
        """Keep what a disk would hold if the power went now."""
        image = {}
        for name in self.synced.keys() | self.since.keys():
            held = bytearray(self.synced.get(name, b""))
            for at, data in self.since.get(name, []):
                if self.dice.random() < 0.5:
                    _apply(held, at, data)
            image[name] = bytes(held)
        self.images.append((self.answered, image))


def _apply(held: bytearray, at: int, data: bytes | None) -> None:
    if data is None:
        del held[at:]
    else:
        held.extend(bytes(max(0, at + len(data) - len(held))))
        held[at:at + len(data)] = data


class Layer(apsw.VFS):
    """Files of the system's own, watched."""

    def __init__(self, name: str, disk: Disk) -> None:
        self.disk = disk
        super().__init__(name, "")

    def xOpen(self, name: Any, flags: list[int]) -> apsw.VFSFile:
        return File(self.disk, name, flags)

    def xDelete(self, filename: str, syncdir: bool) -> None:
        super().xDelete(filename, syncdir)
        self.disk.synced.pop(Path(filename).name, None)
        self.disk.since.pop(Path(filename).name, None)


class File(apsw.VFSFile):
    """A file whose writes are noted until it is synced."""

    def __init__(self, disk: Disk, name: Any, flags: list[int]) -> None:
        self.disk = disk
        self.called = Path(name.filename() if hasattr(name, "filename") else str(name)).name
        super().__init__("", name, flags)

    def xWrite(self, data: bytes, offset: int) -> None:
        super().xWrite(data, offset)
        self.disk.happened(self.called, offset, bytes(data))

    def xTruncate(self, newsize: int) -> None:
        super().xTruncate(newsize)
        self.disk.happened(self.called, newsize, None)

    def xSync(self, flags: int) -> None:
        super().xSync(flags)
        self.disk.sync(self.called)


@pytest.fixture
def transactions(transactional_db):
    """The statements of each write of the API, as the kitchen makes them."""
    put_demo()
    found: list[list[tuple[str, Any]]] = []
    schema = []
    with connection.cursor() as cursor:
        cursor.execute("SELECT sql FROM sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE "
                       "'%_words%' AND name NOT LIKE 'sqlite_%' ORDER BY type DESC")
        schema = [sql for sql, in cursor.fetchall() if "recipe_words" not in sql]
        rows = []
        cursor.execute("SELECT name FROM sqlite_master WHERE type = 'table' AND name LIKE "
                       "'kitchen_%' AND name NOT LIKE '%_words%'")
        for (table,) in cursor.fetchall():
            cursor.execute(f'SELECT * FROM "{table}"')
            for row in cursor.fetchall():
                rows.append((f'INSERT INTO "{table}" VALUES ({", ".join("?" * len(row))})', row))

    def note(execute, sql, params, many, context):
        if sql.split()[0] in ("INSERT", "UPDATE", "DELETE"):
            found[-1].append((sql.replace("%s", "?").replace("%%", "%"), params))
        return execute(sql, params, many, context)

    screen = Screen()
    with connection.execute_wrapper(note):
        for method, path, body in every_write():
            found.append([])
            answer = getattr(screen, method)(path, body, content_type="application/json")
            assert answer.status_code < 300
    return schema, rows, [one for one in found if one]


def run(transactions, folder: Path, disk: Disk, pragmas: str) -> None:
    """Make every write on that disk; each is answered for when its transaction is over."""
    schema, rows, writes = transactions
    layer = Layer(f"layer-{folder.name}", disk)
    kitchen = apsw.Connection(str(folder / "kitchen.sqlite3"), vfs=f"layer-{folder.name}")
    told = kitchen.execute("PRAGMA locking_mode=EXCLUSIVE; PRAGMA journal_mode=WAL;" + pragmas)
    assert ("wal",) in told.fetchall()
    kitchen.execute("PRAGMA foreign_keys=OFF; BEGIN; CREATE TABLE answered (number integer)"
                    ).fetchall()
    for sql in schema:
        kitchen.execute(sql)
    for sql, row in rows:
        kitchen.execute(sql, _bare(row))
    kitchen.execute("COMMIT")
    for _ in range(6):
        for one in writes:
            kitchen.execute("BEGIN IMMEDIATE")
            for sql, given in one:
                kitchen.execute(sql.replace("INSERT INTO", "INSERT OR REPLACE INTO"),
                                _bare(given))
            kitchen.execute("INSERT INTO answered VALUES (?)", (disk.answered + 1,))
            kitchen.execute("COMMIT")
            disk.answered += 1
            if disk.dice.random() < 0.3:
                disk.lose_power()
    kitchen.close()
    layer.unregister()


def _bare(given: Any) -> list[Any]:
    return [str(one) if isinstance(one, datetime | date | time) else one for one in given or ()]


def lost_of(folder: Path, disk: Disk) -> tuple[int, int]:
    """Return of how many losses of power something answered for is gone, and how many broke it."""
    gone = broken = 0
    for number, (answered, image) in enumerate(disk.images):
        place = folder / f"image-{number}"
        place.mkdir()
        for name, data in image.items():
            (place / name).write_bytes(data)
        with closing(sqlite3.connect(place / "kitchen.sqlite3")) as kitchen:
            try:
                (sound,) = kitchen.execute("PRAGMA integrity_check").fetchone()
                numbers = {one for one, in kitchen.execute("SELECT number FROM answered")}
            except sqlite3.DatabaseError:
                broken += answered > 0
                continue
            broken += sound != "ok"
            gone += not set(range(1, answered + 1)) <= numbers
    return gone, broken


def test_what_was_answered_for_is_there_after_the_power_was_lost(transactions, tmp_path):
    disk = Disk()
    run(transactions, tmp_path, disk, OURS)
    assert disk.answered >= 60
    assert len(disk.images) >= SNAPSHOTS
    assert lost_of(tmp_path, disk) == (0, 0)


def test_a_kitchen_that_did_not_wait_for_the_disk_would_lose_some(transactions, tmp_path):
    disk = Disk()
    run(transactions, tmp_path, disk, OURS.replace("FULL", "NORMAL").replace(
        "wal_autocheckpoint=1", "wal_autocheckpoint=1000"))
    gone, broken = lost_of(tmp_path, disk)
    assert gone + broken > SNAPSHOTS / 4
