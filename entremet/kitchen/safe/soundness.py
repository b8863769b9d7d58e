"""Whether a kitchen's file can be served: each reason not to, as one plain sentence."""

from __future__ import annotations

import os
import sqlite3
from collections.abc import Mapping
from contextlib import closing, suppress
from pathlib import Path

from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.locks import take_lock
from entremet.places import restore_words

APP = "kitchen"
TRIGGERS = frozenset({"kitchen_recipe_words_in", "kitchen_recipe_words_out",
                      "kitchen_recipe_words_anew"})
"""Those that keep the index over recipes."""


def check_folder(folder: Path) -> None:
    """Make the folder of the kitchens, or say why it cannot be.

    Raises
    ------
    Unsound
        When nothing can be written there.
    """
    try:
        folder.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise Unsound(f"The folder {folder} cannot be made: {error.strerror}. Choose another with "
                      "ENTREMET_DATA.") from error
    if not os.access(folder, os.W_OK):
        raise Unsound(f"Nothing can be written in {folder}. Allow writing there, or choose another "
                      "folder with ENTREMET_DATA.")


def check_not_emptied(kitchen: Path) -> None:
    """Refuse to begin a new kitchen beside the copies of one that was there.

    Raises
    ------
    Unsound
        When the file is empty or gone and copies of it lie beside it.
    """
    copies = kitchen.parent / "copies"
    left = sorted(copies.glob(f"{kitchen.stem}-*.zip")) if copies.is_dir() else []
    if not left:
        return
    with suppress(sqlite3.Error):
        if kitchen.exists() and kitchen.stat().st_size > 0:
            with closing(sqlite3.connect(f"{kitchen.resolve().as_uri()}?mode=ro",
                                         uri=True)) as database:
                if database.execute("SELECT 1 FROM sqlite_master LIMIT 1").fetchone():
                    return
        raise Unsound(
            f"{kitchen} is {'empty' if kitchen.exists() else 'not there'}, and {len(left)} copies "
            f"of it lie in {copies}. Bring one back: {restore_words(left[-1])}. To begin a new "
            "kitchen instead, move the copies away.")


def check_file(kitchen: Path, *, newest: frozenset[str]) -> None:
    """Look at a kitchen's file without changing it; a file that is not there yet is sound.

    Parameters
    ----------
    kitchen : Path
        The file.
    newest : frozenset of str
        Updates of the database that this program knows.

    Raises
    ------
    Unsound
        When it is damaged, is no kitchen, or was made by a newer program.
    """
    if not kitchen.exists() or kitchen.stat().st_size == 0:
        return
    copies = kitchen.parent / "copies"
    try:
        with closing(sqlite3.connect(f"{kitchen.resolve().as_uri()}?mode=ro", uri=True,
                                     timeout=2)) as database:
            told = database.execute("PRAGMA quick_check(1)").fetchone()
            applied = _applied(database)
    except sqlite3.Error as error:
        raise Unsound(words_of(error, kitchen, copies)) from error
    if told != ("ok",):
        raise Unsound(f"{kitchen} is damaged. Bring a copy back: {restore_words(f'{copies}/…')}")
    if applied is None:
        raise Unsound(f"{kitchen} is no kitchen of Entremet. Move it away, or choose another "
                      "folder with ENTREMET_DATA.")
    if beyond := sorted(applied - newest):
        raise Unsound(f"{kitchen} was made by a newer Entremet ({beyond[-1]}). Start that one; "
                      "this one would not know what is in it.")


def strange_in(database: sqlite3.Connection, rows: Mapping[str, int] | None = None) -> str:
    """Return what a database holds that no kitchen has, or lacks that it says it has; else empty.

    Parameters
    ----------
    database : sqlite3.Connection
        Opened.
    rows : mapping of str to int or None
        Rows by table as its manifest has them.
    """
    found = {name: kind for kind, name in database.execute(
        "SELECT type, name FROM sqlite_master WHERE type IN ('table', 'view', 'trigger')")}
    for name, kind in sorted(found.items()):
        if kind == "view" or (kind == "trigger" and name not in TRIGGERS):
            return f"holds a {kind}, “{name}”, that no kitchen has"
    for name, count in (rows or {}).items():
        if found.get(name) != "table":
            return f"lacks a table it says it has, “{name}”"
        quoted = name.replace('"', '""')
        if name.startswith(APP) and database.execute(
                f'SELECT count(*) FROM "{quoted}"').fetchone()[0] != count:
            return f"has other rows in “{name}” than it says"
    return ""


def lacking_in(fresh: Path, kitchen: Path) -> str:
    """Return the first table or index a kitchen has and a database brought up to date lacks."""
    def names(path: Path) -> set[str]:
        with closing(sqlite3.connect(f"{path.resolve().as_uri()}?mode=ro", uri=True)) as database:
            return {row[0] for row in database.execute(
                "SELECT name FROM sqlite_master WHERE name LIKE 'kitchen_%'")}

    return min(names(kitchen) - names(fresh), default="")


def check_writable(kitchen: Path) -> None:
    """Take and leave the right to write.

    Raises
    ------
    Unsound
        When the file may only be read, or another program holds it.
    """
    if not kitchen.exists():
        return
    try:
        if not os.access(kitchen, os.W_OK):
            raise sqlite3.OperationalError("attempt to write a readonly database")
        with closing(sqlite3.connect(kitchen, timeout=2, isolation_level=None)) as database:
            database.execute("BEGIN IMMEDIATE")
            database.execute("ROLLBACK")
    except sqlite3.Error as error:
        raise Unsound(words_of(error, kitchen, kitchen.parent / "copies")) from error


def hold(kitchen: Path) -> int:
    """Hold a kitchen for this program until it ends; returns the open lock file.

    Raises
    ------
    Unsound
        When another Entremet serves it.
    """
    lock = os.open(kitchen.with_suffix(".lock"), os.O_RDWR | os.O_CREAT, 0o644)
    try:
        take_lock(lock, wait=False)
    except OSError as error:
        os.close(lock)
        raise Unsound(f"Another Entremet has {kitchen.name} open. Use that one, or stop it "
                      "first.") from error
    return lock


def _applied(database: sqlite3.Connection) -> frozenset[str] | None:
    """Return the updates a file has seen; None where it is no kitchen."""
    tables = {row[0] for row in database.execute("SELECT name FROM sqlite_master "
                                                 "WHERE type = 'table'")}
    if not tables:
        return frozenset()
    if "django_migrations" not in tables:
        return None
    return frozenset(row[0] for row in database.execute(
        "SELECT name FROM django_migrations WHERE app = ?", (APP,)))


def words_of(error: Exception, kitchen: Path, copies: Path) -> str:
    """Return what a database's error means for whoever starts Entremet."""
    words = str(error)
    if "locked" in words:
        return f"Another program holds {kitchen}. Close it, then start again."
    if "readonly" in words or "unable to open" in words:
        return (f"{kitchen} may only be read, or not even that. Allow writing to it and to its "
                "folder, then start again.")
    if "full" in words:
        return "The disk is full. Make room on it, then start again. Nothing was changed."
    if "I/O" in words:
        return ("The disk could not be read or written. See that it is there and has room, then "
                "start again. Nothing was changed.")
    if "malformed" in words or "not a database" in words:
        return f"{kitchen} is damaged. Bring a copy back: {restore_words(f'{copies}/…')}"
    return (f"{kitchen} cannot be used as it is ({words}). Nothing was changed. If it goes on, "
            f"bring a copy back: {restore_words(f'{copies}/…')}")
