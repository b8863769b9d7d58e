"""Copies are whole, hold everything, and bring it all back; what is wrong changes nothing."""

from __future__ import annotations

import hashlib
import json
import os
import sqlite3
import threading
import zipfile
from contextlib import closing
from datetime import datetime, timedelta
from pathlib import Path

import pytest

from entremet.kitchen.actions.safe import copy_due, daily_copy
from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe import copies, restoring
from entremet.kitchen.safe.copies import (
    DATABASE,
    KEPT,
    KEPT_ELSE,
    MANIFEST,
    READABLE,
    copies_of,
    copy_named,
    copy_of,
)
from entremet.kitchen.safe.restoring import bring_back, look_into

KNOWN = frozenset({"0001_initial"})
AT = datetime(2026, 11, 1, 9, 30)
JPEG = b"\xff\xd8\xff" + bytes(range(256)) * 40


@pytest.fixture
def kitchen(tmp_path: Path) -> Path:
    path = tmp_path / "kitchen.sqlite3"
    with closing(sqlite3.connect(path)) as database:
        database.executescript("""
            PRAGMA journal_mode=WAL;
            CREATE TABLE django_migrations (app TEXT, name TEXT);
            INSERT INTO django_migrations VALUES ('kitchen', '0001_initial');
            CREATE TABLE kitchen_note (id INTEGER PRIMARY KEY, words TEXT);
            CREATE TABLE kitchen_bakephoto (bake_id INTEGER PRIMARY KEY, jpeg BLOB, width INT);
            INSERT INTO kitchen_note VALUES (1, 'first'), (2, '{"deep": ["Käse"]}');""")
        database.execute("INSERT INTO kitchen_bakephoto VALUES (7, ?, 640)", (JPEG,))
        database.commit()
    return path


def rows(path: Path) -> list[tuple]:
    with closing(sqlite3.connect(path)) as database:
        return [*database.execute("SELECT * FROM kitchen_note ORDER BY id"),
                *database.execute("SELECT * FROM kitchen_bakephoto ORDER BY bake_id")]


def run(path: Path, sql: str) -> None:
    with closing(sqlite3.connect(path)) as database:
        database.execute(sql)
        database.commit()


def changed(copy: Path, target: Path, change) -> Path:
    """Write a copy anew with its members changed."""
    with zipfile.ZipFile(copy) as old:
        members = {name: old.read(name) for name in old.namelist()}
    change(members)
    with zipfile.ZipFile(target, "w") as new:
        for name, data in members.items():
            new.writestr(name, data)
    return target


def test_a_copy_brings_back_every_row_and_every_photo(kitchen):
    was = rows(kitchen)
    copy = copy_of(kitchen, at=AT, why="on-demand")
    run(kitchen, "DELETE FROM kitchen_bakephoto")
    run(kitchen, "UPDATE kitchen_note SET words = 'gone'")
    brought = bring_back(copy, kitchen, newest=KNOWN, at=AT + timedelta(minutes=1))
    assert rows(kitchen) == was
    assert brought.looked.rows == {"kitchen_bakephoto": 1, "kitchen_note": 2}
    undone = bring_back(brought.before, kitchen, newest=KNOWN, at=AT + timedelta(minutes=2))
    assert [row[1] for row in rows(kitchen)] == ["gone", "gone"]
    assert undone.before is not None


def test_all_of_it_can_be_read_without_us(kitchen):
    copy = copy_of(kitchen, at=AT, why="on-demand")
    with zipfile.ZipFile(copy) as packed:
        manifest = json.loads(packed.read(MANIFEST))
        readable = json.loads(packed.read(READABLE))
        assert packed.read("photos/7.jpg") == JPEG
        assert len(packed.read(DATABASE)) < kitchen.stat().st_size + 10_000
        for name, told in manifest["sha256"].items():
            assert hashlib.sha256(packed.read(name)).hexdigest() == told
    assert readable["kitchen_note"][1] == {"id": 2, "words": {"deep": ["Käse"]}}
    assert readable["kitchen_bakephoto"] == [{"bake_id": 7, "jpeg": "photos/7.jpg", "width": 640}]
    assert (manifest["why"], manifest["updates"]) == ("on-demand", ["0001_initial"])


def test_a_copy_is_whole_while_the_kitchen_is_written(kitchen):
    stop = threading.Event()

    def write() -> None:
        with closing(sqlite3.connect(kitchen, timeout=10)) as writer:
            number = 100
            while not stop.is_set():
                with writer:
                    writer.execute("INSERT INTO kitchen_note VALUES (?, 'a')", (number,))
                    writer.execute("INSERT INTO kitchen_note VALUES (?, 'b')", (number + 1,))
                number += 2

    writers = [threading.Thread(target=write)]
    for one in writers:
        one.start()
    try:
        made = [copy_of(kitchen, at=AT + timedelta(seconds=n), why="daily") for n in range(6)]
    finally:
        stop.set()
        for one in writers:
            one.join()
    for copy in made:
        counts = look_into(copy, kitchen, newest=KNOWN).rows
        assert counts["kitchen_note"] % 2 == 0, "a copy saw half of what was written together"


def test_the_newest_fourteen_are_kept_and_what_is_half_made_is_swept_up(kitchen):
    folder = kitchen.parent / "copies"
    folder.mkdir()
    (folder / "kitchen-x.part").write_text("half")
    (folder / "copying-y.part").mkdir()
    made = [copy_of(kitchen, at=AT + timedelta(minutes=n), why="daily") for n in range(16)]
    assert [one.path for one in copies_of(kitchen)] == made[:1:-1]
    assert len(made[2:]) == KEPT["daily"]
    assert not list(folder.glob("*.part"))
    with pytest.raises(Unsound, match="no copy called"):
        copy_named(kitchen, "../kitchen.sqlite3")


@pytest.mark.parametrize("why", ["truncated", "bit", "text", "other", "missing", "sum", "extra",
                                 "listed", "format", "number"])
def test_a_copy_that_is_not_whole_changes_nothing(kitchen, tmp_path, why):
    copy = copy_of(kitchen, at=AT, why="daily")
    wrong, was = tmp_path / "wrong.zip", rows(kitchen)
    whole = copy.read_bytes()
    if why == "truncated":
        wrong.write_bytes(whole[:len(whole) // 2])
    elif why == "bit":
        at = whole.index(JPEG[:40]) + 60
        wrong.write_bytes(whole[:at] + bytes([whole[at] ^ 1]) + whole[at + 1:])
    elif why == "text":
        wrong.write_text("no copy at all")
    elif why == "other":
        changed(copy, wrong, lambda members: members.pop(MANIFEST))
    elif why == "missing":
        changed(copy, wrong, lambda members: members.pop("photos/7.jpg"))
    elif why == "sum":
        changed(copy, wrong, lambda members: members.update({"photos/7.jpg": b"another"}))
    elif why == "extra":
        changed(copy, wrong, lambda members: members.update({"../../evil.txt": b"x"}))
    elif why == "listed":
        def smuggle(members):
            manifest = json.loads(members[MANIFEST])
            manifest["sha256"]["photos/../evil.jpg"] = hashlib.sha256(b"x").hexdigest()
            members.update({"photos/../evil.jpg": b"x", MANIFEST: json.dumps(manifest).encode()})

        changed(copy, wrong, smuggle)
    elif why == "format":
        changed(copy, wrong, lambda members: members.update({MANIFEST: b'{"format": "x"}'}))
    else:
        changed(copy, wrong, lambda members: members.update({MANIFEST: b"[1]"}))
    before = sorted(path.name for path in (kitchen.parent / "copies").iterdir())
    with pytest.raises(Unsound) as refused:
        bring_back(wrong, kitchen, newest=KNOWN, at=AT)
    assert refused.value.text.endswith(".")
    assert rows(kitchen) == was
    assert sorted(path.name for path in (kitchen.parent / "copies").iterdir()) == before


def test_a_newer_copy_is_refused_with_the_reason(kitchen, tmp_path):
    run(kitchen, "INSERT INTO django_migrations VALUES ('kitchen', '0009_more')")
    copy = copy_of(kitchen, at=AT, why="daily")
    run(kitchen, "DELETE FROM django_migrations WHERE name = '0009_more'")
    with pytest.raises(Unsound, match=r"newer Entremet \(0009_more\)"):
        bring_back(copy, kitchen, newest=KNOWN, at=AT)

    def newer(members):
        manifest = json.loads(members[MANIFEST])
        members[MANIFEST] = json.dumps({**manifest, "version": 99}).encode()

    with pytest.raises(Unsound, match="newer Entremet"):
        look_into(changed(copy, tmp_path / "newer.zip", newer), kitchen, newest=KNOWN)


def test_an_older_copy_is_brought_up_to_date_before_it_takes_the_place(kitchen):
    copy = copy_of(kitchen, at=AT, why="daily")
    run(kitchen, "INSERT INTO django_migrations VALUES ('kitchen', '0002_more')")
    newest = KNOWN | {"0002_more"}
    assert look_into(copy, kitchen, newest=newest).older

    def fails(path):
        raise Unsound("This copy is older and cannot be brought up to date.")

    with pytest.raises(Unsound, match="cannot be brought up"):
        bring_back(copy, kitchen, newest=newest, at=AT, update=fails)
    bring_back(copy, kitchen, newest=newest, at=AT, update=lambda path: run(
        path, "INSERT INTO django_migrations VALUES ('kitchen', '0002_more')"))
    assert not look_into(copy_of(kitchen, at=AT, why="daily"), kitchen, newest=newest).older


def test_a_bare_database_can_be_brought_back_too(kitchen, tmp_path):
    bare = tmp_path / "old.sqlite3"
    copies.plain_copy(kitchen, bare)
    run(kitchen, "DELETE FROM kitchen_note")
    bring_back(bare, kitchen, newest=KNOWN, at=AT)
    assert len(rows(kitchen)) == 3


def test_a_damaged_kitchen_is_moved_aside_and_a_copy_takes_its_place(kitchen):
    copy = copy_of(kitchen, at=AT, why="daily")
    was = rows(kitchen)
    kitchen.write_bytes(os.urandom(9000))
    brought = bring_back(copy, kitchen, newest=KNOWN, at=AT)
    assert rows(kitchen) == was
    assert brought.before.name.endswith("damaged.sqlite3")


def test_a_kitchen_that_somebody_holds_is_left_as_it_is(kitchen, monkeypatch):
    copy = copy_of(kitchen, at=AT, why="daily")
    run(kitchen, "INSERT INTO kitchen_note VALUES (5, 'later')")
    was = rows(kitchen)
    monkeypatch.setattr(restoring, "LONGEST_WAIT_S", 0.2)
    with closing(sqlite3.connect(kitchen, isolation_level=None)) as other:
        other.execute("BEGIN IMMEDIATE")
        with pytest.raises(Unsound, match="Another program holds"):
            bring_back(copy, kitchen, newest=KNOWN, at=AT + timedelta(minutes=1))
        other.execute("ROLLBACK")
    assert rows(kitchen) == was


def test_a_full_disk_leaves_no_half_copy(kitchen, monkeypatch):
    def full(*_args, **_more):
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(copies.zipfile.ZipFile, "write", full)
    with pytest.raises(OSError, match="No space"):
        copy_of(kitchen, at=AT, why="daily")
    said: list[str] = []
    daily_copy(kitchen, AT, said.append)
    assert "could not be made" in said[0]
    assert [path.name for path in (kitchen.parent / "copies").iterdir()] == [".lock"]


def test_one_copy_a_day_and_only_of_what_changed(kitchen):
    now = datetime.now()
    assert copy_due(kitchen, now)
    daily_copy(kitchen, now, print)
    assert not copy_due(kitchen, now)
    assert not copy_due(kitchen, now + timedelta(days=1))
    os.utime(kitchen, (now.timestamp() + 3600,) * 2)
    assert copy_due(kitchen, now + timedelta(days=1))
    assert not copy_due(kitchen.parent / "none.sqlite3", now)


def test_the_copy_that_is_brought_back_stays_however_old(kitchen):
    made = [copy_of(kitchen, at=AT + timedelta(minutes=n), why="before-restore")
            for n in range(KEPT_ELSE)]
    bring_back(made[0], kitchen, newest=KNOWN, at=AT + timedelta(hours=1))
    assert made[0].exists()
    assert len(copies_of(kitchen)) == KEPT_ELSE + 1


def test_a_clock_set_back_orders_nothing_and_prunes_no_copy_just_made(kitchen):
    old = [copy_of(kitchen, at=AT + timedelta(days=3, minutes=n), why="on-demand")
           for n in range(KEPT_ELSE)]
    new = copy_of(kitchen, at=AT, why="on-demand")
    assert new.exists()
    assert not old[0].exists()
    assert [one.path for one in copies_of(kitchen)] == [new, *old[:0:-1]]
    back = bring_back(new, kitchen, newest=KNOWN, at=AT - timedelta(days=1))
    assert back.before.exists()
    assert copies_of(kitchen)[0].path == back.before


def test_a_few_presses_push_no_other_copy_out(kitchen):
    day = copy_of(kitchen, at=AT, why="daily")
    update = copy_of(kitchen, at=AT, why="before-update")
    for n in range(KEPT_ELSE + 5):
        copy_of(kitchen, at=AT + timedelta(minutes=n), why="on-demand")
    assert day.exists()
    assert update.exists()
    assert sum(one.why == "on-demand" for one in copies_of(kitchen)) == KEPT_ELSE


def test_copies_made_before_they_were_numbered_are_listed_and_are_older(kitchen):
    made = copy_of(kitchen, at=AT, why="daily")
    old = made.parent / "kitchen-20300101-090000-000000-daily.zip"
    made.rename(old)
    assert copies_of(kitchen)[0].number == 0
    new = copy_of(kitchen, at=AT, why="daily")
    assert [one.path for one in copies_of(kitchen)] == [new, old]


def repacked(copy: Path, target: Path, change) -> Path:
    """Return a copy changed by somebody who keeps its sums right."""
    with zipfile.ZipFile(copy) as packed:
        members = {name: packed.read(name) for name in packed.namelist()}
    work = target.with_suffix(".sqlite3")
    work.write_bytes(members[DATABASE])
    manifest = json.loads(members[MANIFEST])
    change(work, members, manifest)
    members[DATABASE] = work.read_bytes()
    manifest["sha256"] = {name: hashlib.sha256(one).hexdigest()
                          for name, one in members.items() if name != MANIFEST}
    members[MANIFEST] = json.dumps(manifest).encode()
    with zipfile.ZipFile(target, "w", zipfile.ZIP_DEFLATED) as packed:
        for name, one in members.items():
            packed.writestr(name, one)
    work.unlink()
    return target


@pytest.mark.parametrize(("sql", "told"), [
    ("CREATE TRIGGER evil AFTER INSERT ON kitchen_note BEGIN DELETE FROM kitchen_note; END",
     "a trigger, “evil”"),
    ("CREATE VIEW kitchen_seen AS SELECT * FROM kitchen_note", "a view, “kitchen_seen”"),
    ("DROP TABLE kitchen_note", "lacks a table it says it has"),
    ("DELETE FROM kitchen_note WHERE id = 1", "has other rows in “kitchen_note”")])
def test_a_copy_with_another_schema_or_other_rows_than_it_says_is_not_whole(kitchen, sql, told):
    before = rows(kitchen)
    bad = repacked(copy_of(kitchen, at=AT, why="daily"), kitchen.parent / "bad.zip",
                   lambda work, *_: run(work, sql))
    with pytest.raises(Unsound, match=told):
        bring_back(bad, kitchen, newest=KNOWN, at=AT)
    assert rows(kitchen) == before


def test_a_bare_database_with_a_trigger_or_without_a_table_is_refused(kitchen, tmp_path):
    bare = tmp_path / "bare.sqlite3"
    copies.plain_copy(kitchen, bare)
    run(bare, "CREATE TRIGGER evil AFTER INSERT ON kitchen_note BEGIN SELECT 1; END")
    with pytest.raises(Unsound, match="trigger"):
        look_into(bare, kitchen, newest=KNOWN)
    run(bare, "DROP TRIGGER evil")
    run(bare, "DROP TABLE kitchen_bakephoto")
    with pytest.raises(Unsound, match="lacks “kitchen_bakephoto”"):
        bring_back(bare, kitchen, newest=KNOWN, at=AT)


def test_a_photo_of_zeros_larger_than_any_photo_is_refused_before_it_is_read(kitchen,
                                                                              monkeypatch):
    monkeypatch.setattr("entremet.kitchen.safe.looking.MOST_PHOTO", 200_000)
    good = copy_of(kitchen, at=AT, why="daily")

    def swell(_work, members, _manifest):
        members["photos/7.jpg"] = bytes(300_000)

    with pytest.raises(Unsound, match="photo larger than any can be"):
        look_into(repacked(good, kitchen.parent / "big.zip", swell), kitchen, newest=KNOWN)
    assert look_into(good, kitchen, newest=KNOWN).photos == 1


def test_a_list_of_contents_larger_than_any_is_refused_before_it_is_read(kitchen, monkeypatch):
    good = copy_of(kitchen, at=AT, why="daily")
    monkeypatch.setattr("entremet.kitchen.safe.looking.MOST_MANIFEST", 100)
    with pytest.raises(Unsound, match="damaged, or no copy"):
        look_into(good, kitchen, newest=KNOWN)
