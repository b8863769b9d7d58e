"""Copies of this kitchen: listed, made, looked into, brought in, brought back."""

from __future__ import annotations

import os
import sqlite3
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path

from django.core.files.uploadedfile import UploadedFile
from django.db import connection
from django.db.migrations.loader import MigrationLoader

from entremet.core.ground.errors import ImpossibleChoice
from entremet.kitchen.actions import changes, day_log, learning, news
from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.copies import (
    Copy,
    alone,
    copies_of,
    copy_named,
    copy_of,
    folder_of,
    is_bare,
    name_for,
    pack,
    prune,
)
from entremet.kitchen.safe.looking import Looked
from entremet.kitchen.safe.restoring import BroughtBack, bring_back, look_into
from entremet.kitchen.safe.soundness import APP

MOST_BROUGHT = 2_000_000_000
STEP = 1 << 20
DAILY, ON_DEMAND, BROUGHT = "daily", "on-demand", "brought"


@dataclass(frozen=True, slots=True, kw_only=True)
class Safe:
    """A copy with what is in it; None where it is not whole, with the reason."""

    copy: Copy
    looked: Looked | None
    problem: str


def kitchen_file() -> Path:
    """Return the file this kitchen lies in."""
    return Path(str(connection.settings_dict["NAME"]))


def known_updates() -> frozenset[str]:
    """Return the names of the database's updates that this program has."""
    loader = MigrationLoader(None)
    return frozenset(name for app, name in loader.disk_migrations if app == APP)


def listed() -> list[Copy]:
    """Return the copies, the newest first."""
    return copies_of(kitchen_file())


def make_copy(why: str = ON_DEMAND) -> Copy:
    """Copy the whole kitchen now.

    Raises
    ------
    Unsound
        When the disk is full or may not be written.
    """
    with plain_errors():
        made = copy_of(kitchen_file(), at=datetime.now(), why=why)
    return next(one for one in listed() if one.path == made)


def path_of(name: str) -> Path:
    """Return where a copy lies.

    Raises
    ------
    Unsound
        When there is none of that name.
    """
    return copy_named(kitchen_file(), name)


def look(name: str) -> Safe:
    """Look into a copy without changing anything.

    Raises
    ------
    Unsound
        When there is none of that name.
    """
    path = path_of(name)
    copy = next(one for one in listed() if one.path == path)
    try:
        with plain_errors():
            return Safe(copy=copy, problem="", looked=look_into(
                path, kitchen_file(), newest=known_updates()))
    except Unsound as error:
        return Safe(copy=copy, looked=None, problem=error.text)


def brought_in(file: UploadedFile[bytes]) -> Safe:
    """Put a file from elsewhere among the copies once it was looked into.

    Raises
    ------
    Unsound
        When it is damaged, newer than the program, or no kitchen; it is not kept then.
    ImpossibleChoice
        When it is too large.
    """
    if (file.size or 0) > MOST_BROUGHT:
        raise ImpossibleChoice("This file is larger than a kitchen can be.", field="file")
    kitchen, now = kitchen_file(), datetime.now()
    folder = folder_of(kitchen)
    with plain_errors(), alone(folder):
        taken = folder / f"taken-{os.getpid()}.part"
        try:
            with open(taken, "wb") as out:
                for chunk in file.chunks(STEP):
                    out.write(chunk)
            looked = look_into(taken, kitchen, newest=known_updates())
            target = name_for(kitchen, at=now, why=BROUGHT)
            if is_bare(taken):
                pack(taken, target, at=now, why=BROUGHT)
            else:
                os.replace(taken, target)
            prune(kitchen, BROUGHT)
        except Unsound as error:
            raise Unsound(error.text.replace(taken.name, "This file"), field="file") from error
        finally:
            taken.unlink(missing_ok=True)
    return Safe(copy=next(one for one in listed() if one.path == target), looked=looked,
                problem="")


def restore(name: str) -> BroughtBack:
    """Bring a copy back; what is there now is copied first.

    Raises
    ------
    Unsound
        When it is damaged, newer than the program, or no kitchen; nothing is changed.
    """
    with plain_errors():
        brought = bring_back(path_of(name), kitchen_file(), newest=known_updates(),
                             at=datetime.now())
    learning.forget()
    day_log.forget()
    news.tell()
    changes.tell(changes.Topic)
    return brought


def copy_due(kitchen: Path, now: datetime) -> bool:
    """Say whether a day's copy is to be made: none was today, and the kitchen changed since."""
    made = [one for one in copies_of(kitchen) if one.why != BROUGHT]
    if not kitchen.exists() or any(one.made_at.date() == now.date() for one in made):
        return False
    written = max(path.stat().st_mtime for path in (kitchen, Path(f"{kitchen}-wal"))
                  if path.exists())
    return not made or written > made[0].path.stat().st_mtime


def daily_copy(kitchen: Path, now: datetime, say: Callable[[str], None]) -> None:
    """Make the day's copy where it is due; what goes wrong is said and stops nothing."""
    try:
        if copy_due(kitchen, now):
            copy_of(kitchen, at=now, why=DAILY)
    except (OSError, sqlite3.Error) as error:
        say(f"Today's copy of the kitchen could not be made: {error}")


@contextmanager
def plain_errors() -> Iterator[None]:
    """Say in plain words what the disk or the database could not do."""
    try:
        yield
    except sqlite3.Error as error:
        words = ("The disk is full. Make room on it, then try again." if "full" in str(error) else
                 f"The database could not be read or written ({error}). Try again.")
        raise Unsound(f"{words} Nothing was changed.") from error
    except OSError as error:
        raise Unsound(f"The disk could not be read or written ({error.strerror}). Nothing was "
                      "changed; make room on it or allow writing, then try again.") from error

