"""The demo kitchen as rows: loaded once by the program, put back as it was for every test after."""

from __future__ import annotations

import pickle
from collections.abc import Callable
from datetime import date, datetime, time
from functools import cache
from pathlib import Path
from typing import Any

from django.db import connection, transaction

from entremet.kitchen.demo.loading import load_demo
from entremet.kitchen.demo.season import load_season
from tests.once import made_once

Rows = dict[str, tuple[list[str], list[tuple[Any, ...]]]]


def _rows_from_one() -> None:
    """Let an empty kitchen number its rows from one, whatever a worker ran before."""
    with connection.cursor() as cursor:
        cursor.execute("DELETE FROM sqlite_sequence")


def put_demo() -> None:
    """Fill an empty kitchen with the demo; reading its cards anew takes a second."""
    _rows_from_one()
    _put("demo", load_demo, {})


def put_season() -> None:
    """Add the season to the demo; baking it anew takes four seconds."""
    _put("season", load_season, _kept()["demo"])


def put_both(name: str) -> None:
    """Fill an empty kitchen with demo and season, at a moment that the name stands for."""
    def load() -> None:
        load_demo()
        load_season()

    _rows_from_one()
    _put(name, load, {})


@cache
def _kept() -> dict[str, Rows]:
    return {}


def _put(name: str, load: Callable[[], object], before: Rows) -> None:
    """Put rows where those of before stand: by the program the first time in a run."""
    def make(place: Path) -> None:
        load()
        place.write_bytes(pickle.dumps(_rows()))
        made.append(name)

    made: list[str] = []
    if name not in _kept():
        _kept()[name] = pickle.loads(made_once(f"{name}.rows", make).read_bytes())
    if made:
        return
    with transaction.atomic(), connection.cursor() as cursor:
        for table, (columns, rows) in _kept()[name].items():
            marks = ", ".join("%s" for _ in columns)
            names = ", ".join(f'"{one}"' for one in columns)
            there = set(before[table][1]) if table in before else set()
            cursor.executemany(f'INSERT OR REPLACE INTO "{table}" ({names}) VALUES ({marks})',
                               [row for row in rows if row not in there])


def _rows() -> Rows:
    """Return all rows there are."""
    found: Rows = {}
    with connection.cursor() as cursor:
        cursor.execute("SELECT name FROM sqlite_master WHERE type = 'table' AND name LIKE "
                       "'kitchen_%' AND sql NOT LIKE 'CREATE VIRTUAL%' AND name NOT LIKE "
                       "'kitchen_recipe_words_%'")
        for (table,) in cursor.fetchall():
            cursor.execute(f'SELECT * FROM "{table}"')
            if rows := cursor.fetchall():
                found[table] = ([one[0] for one in cursor.description],
                                [tuple(_stored(value) for value in row) for row in rows])
    return found


def _stored(value: Any) -> Any:
    """Return a value as it lies in the file: moments are text there."""
    return str(value) if isinstance(value, datetime | date | time) else value
