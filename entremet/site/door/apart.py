"""Who may come in is kept apart from the kitchen: its copies carry no passphrase and no session."""

from __future__ import annotations

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
