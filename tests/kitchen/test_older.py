"""Kitchens of older programs: each is brought up to date whole, whenever that is cut short."""

from __future__ import annotations

import json
import subprocess
import sys
from pathlib import Path

import pytest
from django.db import DatabaseError, connection

from entremet.kitchen.safe.updating import bring_up_to_date
from tests.everyday import HOSTILE, some
from tests.site.served import ROOT

HERE = Path(__file__).parent / "older"
KEPT = sorted(one.name[:4] for one in HERE.glob("*.sqlite3.gz"))
HELD_SINCE = {"0001": ("kitchen_rackpan", 3), "0002": ("kitchen_revision", 3),
              "0011": ("kitchen_ordercake", 3), "0012": ("kitchen_day", 2),
              "0013": ("kitchen_bake", 3), "0014": ("kitchen_packetrow", 1)}


@pytest.fixture(scope="module")
def told():
    names = some(KEPT, 2)
    done = subprocess.run(
        [sys.executable, "-m", "tests.kitchen.older.kills", str(100 if HOSTILE else 2), "5",
         ",".join(names)], cwd=ROOT, text=True, capture_output=True, check=False)
    assert done.returncode == 0, done.stderr
    return names, json.loads(done.stdout)


def test_there_is_a_kitchen_of_every_schema():
    schemas = sorted(one.name[:4] for one in (ROOT / "entremet/kitchen/migrations").glob("0*.py"))
    assert schemas == KEPT, "run: python -m tests.kitchen.older.write"


def test_every_older_kitchen_comes_to_the_same_tables_with_its_rows(told):
    names, kitchens = told[0], told[1]["kitchens"]
    assert sorted(kitchens) == names
    assert told[1]["schemas"] == 1
    for name, one in kitchens.items():
        for since, (table, least) in HELD_SINCE.items():
            if name >= since:
                assert one["rows"].get(table, 0) >= least, (name, table)


def test_an_update_that_is_killed_inside_is_taken_whole_at_the_next_start(told):
    assert told[1]["broken"] == []


@pytest.mark.django_db(transaction=True)
def test_an_update_that_fails_leaves_the_kitchen_as_it_was(monkeypatch):
    def half(*_given, **_named):
        with connection.cursor() as cursor:
            cursor.execute("CREATE TABLE kitchen_half (id integer)")
        raise DatabaseError("no room")

    monkeypatch.setattr("entremet.kitchen.safe.updating.call_command", half)
    with pytest.raises(DatabaseError):
        bring_up_to_date()
    assert "kitchen_half" not in connection.introspection.table_names()
    with connection.cursor() as cursor:
        cursor.execute("PRAGMA foreign_keys")
        assert cursor.fetchone() == (1,)
