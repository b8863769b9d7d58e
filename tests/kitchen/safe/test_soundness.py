"""Each reason not to serve a kitchen is one plain sentence, and changes nothing."""

from __future__ import annotations

import os
import sqlite3
from contextlib import closing
from pathlib import Path

import pytest

from entremet.kitchen.actions.safe import plain_errors
from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.copies import fold_in
from entremet.kitchen.safe.soundness import (
    check_file,
    check_folder,
    check_not_emptied,
    check_writable,
    hold,
    words_of,
)

KNOWN = frozenset({"0001_initial"})


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


def test_one_that_may_only_be_read_is_said_to(kitchen, monkeypatch):
    monkeypatch.setattr(os, "access", lambda *_asked: False)
    with pytest.raises(Unsound, match="may only be read"):
        check_writable(kitchen)
    with pytest.raises(Unsound, match="Nothing can be written"):
        check_folder(kitchen.parent)


@pytest.mark.parametrize(("words", "said"), [
    ("database or disk is full", "The disk is full"), ("database is locked", "Another program"),
    ("attempt to write a readonly database", "may only be read"),
    ("database disk image is malformed", "is damaged"), ("file is not a database", "is damaged"),
    ("disk I/O error", "has room"), ("table kitchen_day already exists", "(table kitchen_day")])
def test_each_error_of_the_database_has_its_sentence(kitchen, words, said):
    told = words_of(sqlite3.OperationalError(words), kitchen, kitchen.parent / "copies")
    assert said in told
    assert told.endswith((".", "/…"))


@pytest.mark.parametrize("state", ["empty", "gone", "no tables"])
def test_an_emptied_kitchen_beside_its_copies_is_no_new_one(kitchen, state):
    check_not_emptied(kitchen)
    copies = kitchen.parent / "copies"
    copies.mkdir()
    copy = copies / "kitchen-20261101-093000-000000-000001-daily.zip"
    copy.write_bytes(b"x")
    check_not_emptied(kitchen)
    kitchen.unlink()
    for beside in kitchen.parent.glob("kitchen.sqlite3-*"):
        beside.unlink()
    if state == "empty":
        kitchen.touch()
    elif state == "no tables":
        with closing(sqlite3.connect(kitchen)) as database:
            database.execute("PRAGMA user_version = 1")
    with pytest.raises(Unsound, match=f"make restore FILE={copy}"):
        check_not_emptied(kitchen)
    copy.unlink()
    check_not_emptied(kitchen)


@pytest.mark.parametrize(("error", "words"), [
    (sqlite3.OperationalError("database or disk is full"), "The disk is full. Make room on it"),
    (sqlite3.OperationalError("disk I/O error"), "could not be read or written (disk I/O error)"),
    (OSError(5, "Input/output error"), "The disk could not be read or written")])
def test_what_the_disk_could_not_do_is_said_as_it_is_and_nothing_was_changed(error, words):
    with pytest.raises(Unsound) as told, plain_errors():
        raise error
    assert words in str(told.value)
    assert "Nothing was changed" in str(told.value)
    assert ("full" in str(told.value)) is ("full" in str(error))


def test_a_kitchen_that_is_gone_and_one_that_is_empty_are_told_apart(tmp_path: Path):
    copies = tmp_path / "copies"
    copies.mkdir()
    (copies / "kitchen-2027-03-20.zip").write_bytes(b"x")
    path = tmp_path / "kitchen.sqlite3"
    with pytest.raises(Unsound, match="is not there, and 1 copies"):
        check_not_emptied(path)
    path.touch()
    with pytest.raises(Unsound, match="is empty, and 1 copies"):
        check_not_emptied(path)
