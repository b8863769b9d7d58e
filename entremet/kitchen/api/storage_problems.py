"""What is true when the database cannot do what was asked: as status, code and plain words."""

from __future__ import annotations

import sqlite3

from django.db import DatabaseError

from entremet.places import installed, restore_words

_RESTORE = ("The kitchen's file is damaged. Stop Entremet and bring a copy back: "
            f"{restore_words('var/copies/…' if not installed() else 'FILE')}")
_CAUSES = (
    ("SQLITE_FULL", 507, "disk_full", "The disk is full. Make room on it, then try again."),
    ("SQLITE_READONLY", 503, "read_only", "The kitchen's file may only be read. Allow writing to "
     "it and to its folder, then try again."),
    ("SQLITE_BUSY", 503, "locked", "Another program holds the kitchen's file. Close it, or wait a "
     "moment, then try again."),
    ("SQLITE_LOCKED", 503, "locked", "Another program holds the kitchen's file. Close it, or wait "
     "a moment, then try again."),
    ("SQLITE_CANTOPEN", 503, "file_gone", "The kitchen's file cannot be opened. See that its disk "
     "is there, then start Entremet again."),
    ("SQLITE_CORRUPT", 503, "file_damaged", _RESTORE),
    ("SQLITE_NOTADB", 503, "file_damaged", _RESTORE),
    ("SQLITE_IOERR", 503, "disk_error", "The disk did not answer. See that it is there, then try "
     "again."),
)
DAMAGED = ("SQLITE_CORRUPT", "SQLITE_NOTADB")
"""Of a damaged file nobody can say that nothing is lost."""

OTHERWISE = (503, "storage", "The kitchen's file did not do what was asked. Try again; if it goes "
             "on, start Entremet anew.")


def storage_problem(error: DatabaseError, *, writing: bool) -> tuple[int, str, str]:
    """Return status, code and words for a database error.

    Parameters
    ----------
    error : DatabaseError
        As Django raises it, with the database's own behind it.
    writing : bool
        Whether something was to be kept; the words say then that nothing was.
    """
    cause = error.__cause__
    name = getattr(cause, "sqlite_errorname", "") if isinstance(cause, sqlite3.Error) else ""
    status, code, words = next(
        ((status, code, words) for prefix, status, code, words in _CAUSES
         if name.startswith(prefix)), OTHERWISE)
    kept = "Nothing can be read just now; nothing is lost. "
    if writing:
        kept = "Nothing was kept; what you typed is still on your screen. "
    elif name.startswith(DAMAGED):
        kept = ""
    return status, code, kept + words
