"""``python -m tests.kitchen.older.kills [times] [seed] [kitchens]``: kill updates inside.

Each older kitchen is brought up to date once as it is. Then updates are killed at a statement,
before it or right after, and begun anew: what comes out has to be what came out unharmed. Told as
JSON.
"""

from __future__ import annotations

import gzip
import json
import os
import random
import shutil
import signal
import sqlite3
import sys
import tempfile
from collections.abc import Callable
from contextlib import closing
from pathlib import Path
from typing import Any

HERE = Path(__file__).parent
KEPT_APART = ("django_migrations", "sqlite_sequence")
"""Tables that say when something was done, not what."""


def main() -> None:
    times = int(sys.argv[1]) if len(sys.argv) > 1 else 100
    dice = random.Random(int(sys.argv[2]) if len(sys.argv) > 2 else 1)
    every = sorted(one.name[:4] for one in HERE.glob("*.sqlite3.gz"))
    names = sys.argv[3].split(",") if len(sys.argv) > 3 else every
    with tempfile.TemporaryDirectory() as folder:
        os.environ.update(ENTREMET_DATA=folder, DJANGO_SETTINGS_MODULE="entremet.site.settings")
        import django

        django.setup()
        print(json.dumps(told(Path(folder), names, times, dice)))


def told(folder: Path, names: list[str], times: int, dice: random.Random) -> dict[str, Any]:
    """Return by kitchen how many statements its update has and what it holds then; what broke."""
    whole: dict[str, tuple[int, Any]] = {}
    broken: list[str] = []
    for name in names:
        kitchen = fresh(folder, name)
        many = in_a_child(lambda k=kitchen: update(k))
        if many is None:
            broken.append(f"{name}: not brought up to date")
        else:
            whole[name] = (many, content(kitchen))
    for turn in range(times):
        name = names[turn % len(names)]
        if name not in whole or whole[name][0] == 0:
            continue
        at, after = dice.randint(1, whole[name][0]), dice.random() < 0.5
        kitchen = fresh(folder, name)
        in_a_child(lambda k=kitchen, a=at, b=after: update(k, kill_at=a, after=b))
        if in_a_child(lambda k=kitchen: update(k)) is None:
            broken.append(f"{name}: killed {'after' if after else 'before'} statement {at}, "
                          "not brought up to date then")
        elif content(kitchen) != whole[name][1]:
            broken.append(f"{name}: killed at statement {at}, something else came out")
    schemas = {json.dumps(one["schema"]) for _, one in whole.values()}
    return {"kitchens": {name: {"statements": many, "rows": one["rows"]}
                         for name, (many, one) in whole.items()},
            "schemas": len(schemas), "broken": broken}


def fresh(folder: Path, name: str) -> Path:
    """Lay a kitchen of an older schema down."""
    shutil.rmtree(folder / "copies", ignore_errors=True)
    for left in folder.glob("kitchen.sqlite3*"):
        left.unlink()
    kitchen = folder / "kitchen.sqlite3"
    kitchen.write_bytes(gzip.decompress((HERE / f"{name}.sqlite3.gz").read_bytes()))
    return kitchen


def in_a_child(work: Callable[[], int]) -> int | None:
    """Return what work says in a process of its own; None where it died or broke."""
    reads, writes = os.pipe()
    child = os.fork()
    if child == 0:
        try:
            os.write(writes, str(work()).encode())
        except BaseException as error:
            print(f"{type(error).__name__}: {error}", file=sys.stderr)
        finally:
            os._exit(0)
    os.close(writes)
    os.waitpid(child, 0)
    with os.fdopen(reads) as heard:
        text = heard.read()
    return int(text) if text else None


def update(kitchen: Path, *, kill_at: int = 0, after: bool = False) -> int:
    """Bring a kitchen up to date as a start does; returns how many statements that took."""
    from django.db import connection
    from django.db.backends.sqlite3.base import SQLiteCursorWrapper

    from entremet.kitchen.actions.safe import known_updates
    from entremet.kitchen.safe.soundness import check_file
    from entremet.kitchen.safe.updating import bring_up_to_date

    check_file(kitchen, newest=known_updates())
    count, run = 0, SQLiteCursorWrapper.execute

    def counted(self: Any, query: Any, params: Any = None) -> Any:
        nonlocal count
        count += 1
        if count == kill_at and not after:
            os.kill(os.getpid(), signal.SIGKILL)
        done = run(self, query, params)
        if count == kill_at:
            os.kill(os.getpid(), signal.SIGKILL)
        return done

    SQLiteCursorWrapper.execute = counted  # type: ignore[method-assign]  # what is killed
    bring_up_to_date()
    SQLiteCursorWrapper.execute = run  # type: ignore[method-assign]  # put back
    connection.close()
    check_file(kitchen, newest=known_updates())
    return count


def content(kitchen: Path) -> dict[str, Any]:
    """Return what is in a kitchen: its schema, how many rows of each table, and all of them."""
    with closing(sqlite3.connect(kitchen)) as database:
        tables = [name for name, in database.execute(
            "SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
            if name not in KEPT_APART]
        rows = {name: list(database.execute(f'SELECT * FROM "{name}"')) for name in tables}
        schema = [list(row) for row in database.execute(
            "SELECT type, name, sql FROM sqlite_master WHERE sql IS NOT NULL ORDER BY name")]
    return {"schema": schema, "all": rows,
            "rows": {name: len(all_rows) for name, all_rows in rows.items() if all_rows}}


if __name__ == "__main__":
    main()
