"""Each reason not to serve a kitchen is one plain sentence, and changes nothing."""

from __future__ import annotations

import os
import sqlite3
from contextlib import closing
from datetime import datetime
from pathlib import Path

import pytest

from entremet.site.copies import KEPT, bring_back, copy_of, fold_in
from entremet.site.soundness import Unsound, check_file, check_folder, check_writable, hold

KNOWN = frozenset({"0001_initial"})
AT = datetime(2026, 11, 1, 9, 30)


@pytest.fixture
def kitchen(tmp_path: Path) -> Path:
    path = tmp_path / "kitchen.sqlite3"
    with closing(sqlite3.connect(path)) as database:
        database.executescript("""
            PRAGMA journal_mode=WAL;
            CREATE TABLE django_migrations (app TEXT, name TEXT);
            INSERT INTO django_migrations VALUES ('kitchen', '0001_initial');
            CREATE TABLE note (words TEXT); INSERT INTO note VALUES ('first');""")
        database.commit()
    return path


def notes(path: Path) -> list[str]:
    with closing(sqlite3.connect(path)) as database:
        return [row[0] for row in database.execute("SELECT words FROM note")]


def add(path: Path, sql: str) -> None:
    with closing(sqlite3.connect(path)) as database:
        database.execute(sql)
        database.commit()


def test_a_whole_kitchen_and_one_that_is_not_there_yet_are_sound(kitchen, tmp_path):
    check_file(kitchen, newest=KNOWN)
    check_writable(kitchen)
    check_file(tmp_path / "none.sqlite3", newest=KNOWN)
    assert notes(kitchen) == ["first"]


def test_a_newer_kitchen_is_left_alone(kitchen):
    add(kitchen, "INSERT INTO django_migrations VALUES ('kitchen', '0009_more')")
    with pytest.raises(Unsound, match=r"newer Entremet \(0009_more\)"):
        check_file(kitchen, newest=KNOWN)


def test_what_is_no_kitchen_is_said_to_be_none(tmp_path):
    other = tmp_path / "kitchen.sqlite3"
    add(other, "CREATE TABLE stamps (words TEXT)")
    with pytest.raises(Unsound, match="no kitchen of Entremet"):
        check_file(other, newest=KNOWN)


@pytest.mark.parametrize("place", [0, 120])
def test_a_damaged_file_is_named_with_the_way_back(kitchen, place):
    fold_in(kitchen)
    whole = bytearray(kitchen.read_bytes())
    whole[place:place + 4000] = os.urandom(4000)
    kitchen.write_bytes(bytes(whole))
    with pytest.raises(Unsound, match=r"damaged.*make restore FILE="):
        check_file(kitchen, newest=KNOWN)


def test_a_file_that_another_program_holds(kitchen):
    with closing(sqlite3.connect(kitchen, isolation_level=None)) as other:
        other.execute("BEGIN IMMEDIATE")
        with pytest.raises(Unsound, match="Another program holds"):
            check_writable(kitchen)


def test_a_folder_that_cannot_be(tmp_path):
    (tmp_path / "file").write_text("x")
    with pytest.raises(Unsound, match="cannot be made"):
        check_folder(tmp_path / "file" / "var")


def test_two_programs_never_serve_one_kitchen(kitchen):
    held = hold(kitchen)
    with pytest.raises(Unsound, match="Another Entremet"):
        hold(kitchen)
    os.close(held)
    os.close(hold(kitchen))


def test_a_copy_is_whole_while_the_kitchen_is_written(kitchen):
    with closing(sqlite3.connect(kitchen)) as writer:
        writer.execute("PRAGMA wal_autocheckpoint=0")
        writer.execute("INSERT INTO note VALUES ('second')")
        writer.commit()
        writer.execute("INSERT INTO note VALUES ('not yet')")
        copy = copy_of(kitchen, at=AT, why="backup")
    assert notes(copy) == ["first", "second"]
    assert not Path(f"{copy}-wal").exists()


def test_the_newest_five_copies_are_kept(kitchen):
    made = [copy_of(kitchen, at=AT.replace(minute=minute), why="backup") for minute in range(8)]
    assert sorted((kitchen.parent / "copies").iterdir()) == made[-KEPT:]


def test_bringing_back_copies_what_stood_there_first(kitchen):
    copy = copy_of(kitchen, at=AT, why="backup")
    add(kitchen, "INSERT INTO note VALUES ('second')")
    before = bring_back(copy, kitchen, newest=KNOWN, at=AT.replace(minute=40))
    assert notes(kitchen) == ["first"]
    assert before is not None
    assert notes(before) == ["first", "second"]


def test_what_cannot_be_brought_back_changes_nothing(kitchen, tmp_path):
    wrong = tmp_path / "wrong.sqlite3"
    wrong.write_text("no database at all, but long enough to be looked at")
    for copy in (wrong, tmp_path / "none.sqlite3"):
        with pytest.raises(Unsound):
            bring_back(copy, kitchen, newest=KNOWN, at=AT)
    assert notes(kitchen) == ["first"]
    assert not (kitchen.parent / "copies").exists()
