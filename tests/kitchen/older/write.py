"""``python -m tests.kitchen.older.write``: keep a small kitchen of each schema that has none yet.

A few rows of every table of today's demo kitchen, used for a day, as far as a schema holds them.
Files that are there are left alone: a kitchen of an older schema is what it was.
"""

from __future__ import annotations

import gzip
import json
import sqlite3
import tempfile
from contextlib import closing
from pathlib import Path
from typing import Any

from bench.inside import demo_kitchen

HERE = Path(__file__).parent
FEW = 3
SKIPPED = ("django_", "sqlite_", "kitchen_recipe_words")


def main() -> None:
    with demo_kitchen():
        from django.conf import settings
        from django.core.management import call_command
        from django.db import connection
        from django.db.migrations.loader import MigrationLoader

        _use()
        rows = _rows(Path(str(settings.DATABASES["default"]["NAME"])))
        names = sorted(name for app, name in MigrationLoader(connection).disk_migrations
                       if app == "kitchen")
        for name in names:
            kept = HERE / f"{name[:4]}.sqlite3.gz"
            if kept.exists():
                continue
            with tempfile.TemporaryDirectory() as folder:
                path = Path(folder) / "kitchen.sqlite3"
                connection.close()
                connection.settings_dict["NAME"] = str(path)
                call_command("migrate", "kitchen", name, verbosity=0)
                connection.close()
                _fill(path, rows)
                kept.write_bytes(gzip.compress(path.read_bytes(), mtime=0))
            print(kept.name, kept.stat().st_size)


def _use() -> None:
    """Use the kitchen for a day, so that each of its tables has rows."""
    from django.test import Client

    from entremet.kitchen.models import Bake, RackPan, Recipe

    client = Client()

    def send(method: str, path: str, body: Any) -> Any:
        answer = getattr(client, method)(path, json.dumps(body), content_type="application/json")
        assert answer.status_code < 300, answer.content
        return json.loads(answer.content) if answer.content else None

    fit = {"recipe": Recipe.objects.get(key="parsnip-honey").pk,
           "into": [{"pan": RackPan.objects.get(key="round-20").pk, "count": 2}]}
    day = send("post", "/api/days", {"fit": fit})
    send("post", f"/api/days/{day['id']}/events", {"events": [
        {"id": "first-tick", "kind": "done", "step": day["lead"]}]})
    send("post", f"/api/days/{day['id']}/finish", {"leftovers": [{"name": "curd", "g": 80}]})
    send("post", "/api/days", {"fit": fit})
    send("post", "/api/fits", {"name": "Choir tea", "request": fit})
    send("post", "/api/ingredients", {"name": "sloe powder", "role": "fruit"})
    send("put", "/api/ingredients/plain_flour/weight", {"measure": "1 cup", "grams": 130})
    send("post", "/api/answers", {"phrase": "sloes", "ingredient": "plain_flour"})
    send("put", "/api/larder", {"key": "plain_flour", "name": "plain flour", "have_g": 300,
                                "packs": [{"g": 1500, "price": 1.6}], "where": "mill"})
    send("put", "/api/labels/packets", {"key": "milk_chocolate", "called": "milk chocolate",
                                        "contains": ["milk"], "may_contain": []})
    send("post", "/api/devices", {"kind": "scale", "name": "Bench", "simulated": True})
    assert Bake.objects.exists()


def _rows(path: Path) -> dict[str, list[dict[str, Any]]]:
    with closing(sqlite3.connect(path)) as kitchen:
        kitchen.row_factory = sqlite3.Row
        tables = [name for name, in kitchen.execute(
            "SELECT name FROM sqlite_master WHERE type = 'table'") if not name.startswith(SKIPPED)]
        found = {name: [dict(row) for row in kitchen.execute(f'SELECT * FROM "{name}"')]
                 for name in tables}
        points = {name: [(row["from"], row["table"]) for row in kitchen.execute(
            f'PRAGMA foreign_key_list("{name}")')] for name in tables}
    few = {name: rows[:FEW] for name, rows in found.items()}
    # Rows that others name come with them.
    for _ in range(4):
        for name, rows in few.items():
            for column, table in points[name]:
                wanted = {row[column] for row in rows} - {one["id"] for one in few[table]}
                few[table] = few[table] + [one for one in found[table] if one["id"] in wanted]
    return few


def _fill(path: Path, rows: dict[str, list[dict[str, Any]]]) -> None:
    with closing(sqlite3.connect(path)) as kitchen, kitchen:
        for (table,) in list(kitchen.execute(
                "SELECT name FROM sqlite_master WHERE type = 'table'")):
            columns = list(kitchen.execute(f'PRAGMA table_info("{table}")'))
            for row in rows.get(table, []):
                held = {name: row.get(name, _usual(kind)) for _, name, kind, needed, usual, _
                        in columns if name in row or (needed and usual is None)}
                marks = ", ".join("?" for _ in held)
                names = ", ".join(f'"{name}"' for name in held)
                kitchen.execute(f'INSERT OR IGNORE INTO "{table}" ({names}) VALUES ({marks})',
                                list(held.values()))
        kitchen.execute("PRAGMA journal_mode=DELETE")
    with closing(sqlite3.connect(path)) as kitchen:
        kitchen.execute("VACUUM")


def _usual(kind: str) -> Any:
    if "char" in kind or kind == "text":
        return ""
    return "2026-11-27 08:00:00" if kind in ("datetime", "date") else 0


if __name__ == "__main__":
    main()
