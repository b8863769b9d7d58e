"""The demo kitchen as rows: loaded once by the program, put back as it was for every test after."""

from __future__ import annotations

from datetime import date, datetime, time
from typing import Any

from django.db import connection, transaction

from entremet.kitchen.demo.loading import load_demo

_rows: dict[str, tuple[list[str], list[tuple[Any, ...]]]] = {}


def rows_from_one() -> None:
    """Let an empty kitchen number its rows from one, whatever a worker ran before."""
    with connection.cursor() as cursor:
        cursor.execute("DELETE FROM sqlite_sequence")


def put_demo() -> None:
    """Fill an empty kitchen with the demo; reading its cards anew takes a quarter of a second."""
    if _rows:
        with transaction.atomic(), connection.cursor() as cursor:
            for table, (columns, rows) in _rows.items():
                marks = ", ".join("%s" for _ in columns)
                names = ", ".join(f'"{name}"' for name in columns)
                cursor.executemany(f'INSERT INTO "{table}" ({names}) VALUES ({marks})',
                                          rows)
        return
    rows_from_one()
    load_demo()
    with connection.cursor() as cursor:
        cursor.execute("SELECT name FROM sqlite_master WHERE type = 'table' AND name LIKE "
                       "'kitchen_%' AND sql NOT LIKE 'CREATE VIRTUAL%' AND name NOT LIKE "
                       "'kitchen_recipe_words_%'")
        for (table,) in cursor.fetchall():
            cursor.execute(f'SELECT * FROM "{table}"')
            rows = cursor.fetchall()
            if rows:
                _rows[table] = ([one[0] for one in cursor.description],
                                [tuple(_stored(value) for value in row) for row in rows])


def _stored(value: Any) -> Any:
    """Return a value as it lies in the file: moments are text there."""
    return str(value) if isinstance(value, datetime | date | time) else value
