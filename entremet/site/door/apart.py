"""Who may come in is kept apart from the kitchen: its copies carry no passphrase and no session."""

from __future__ import annotations

import os
from pathlib import Path
from typing import Any

APPS = frozenset({"auth", "axes", "contenttypes", "sessions"})
APART = "access"


class Apart:
    """Sends accounts, sessions and failed tries to a database of their own."""

    def db_for_read(self, model: Any, **_hints: Any) -> str | None:
        return APART if model._meta.app_label in APPS else None

    def db_for_write(self, model: Any, **_hints: Any) -> str | None:
        return APART if model._meta.app_label in APPS else None

    def allow_migrate(self, db: str, app_label: str, **_hints: Any) -> bool:
        return (db == APART) == (app_label in APPS)


def closed_to_others(path: Path) -> None:
    """Let nobody but its owner read who may come in; what the database lays beside it follows."""
    os.close(os.open(path, os.O_RDWR | os.O_CREAT, 0o600))
    for one in (path, *(Path(f"{path}{end}") for end in ("-wal", "-shm"))):
        if one.exists():
            one.chmod(0o600)
