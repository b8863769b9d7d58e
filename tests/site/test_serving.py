"""The program as it is started: what it says, what it keeps, how it stops."""

from __future__ import annotations

import gzip
import json
import os
import shutil
import socket
import sqlite3
import subprocess
import sys
import urllib.request
import zipfile
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest

from tests.site.served import env, served

ROOT = Path(__file__).resolve().parents[2]


def run(module: str, *args: str, data: Path) -> subprocess.CompletedProcess[str]:
    return subprocess.run([sys.executable, "-m", f"entremet.site.{module}", *args], text=True,
                          capture_output=True, env=env(data), check=False)


def send(url: str, body: Any) -> Any:
    request = urllib.request.Request(url, json.dumps(body).encode(),
                                     {"Content-Type": "application/json"})
    with urllib.request.urlopen(request) as answer:
        return json.load(answer)


def bowls(path: Path) -> list[str]:
    with closing(sqlite3.connect(path)) as database:
        return [row[0] for row in database.execute("SELECT name FROM kitchen_bowl")]


def test_a_kitchen_is_whole_in_its_file_running_stopped_copied_and_brought_back(tmp_path):
    data, kitchen = tmp_path / "var", tmp_path / "var/kitchen.sqlite3"
    with served(data, begun=False) as (url, process):
        send(f"{url}/api/bowls", {"name": "Copper", "capacity_ml": 3000})
        plain = shutil.copy(kitchen, tmp_path / "plain.sqlite3")
        assert bowls(Path(plain)) == ["Copper"]
        second = run("serve", "--port", "0", data=data)
        assert (second.returncode, second.stderr.strip()) == (
            1, "Another Entremet has kitchen.sqlite3 open. Use that one, or stop it first.")
        idle = [socket.create_connection(("127.0.0.1", int(url.rsplit(":", 1)[1])))
                for _ in range(130)]
        assert len(json.load(urllib.request.urlopen(f"{url}/api/bowls", timeout=10))) == 1
        for one in idle:
            one.close()
        process.terminate()
        assert process.wait(20) == 0
    assert not Path(f"{kitchen}-wal").exists() or Path(f"{kitchen}-wal").stat().st_size == 0
    backup = run("keep", "backup", data=data)
    copy = Path(backup.stdout.removeprefix("Copied to ").strip())
    with closing(sqlite3.connect(kitchen)) as database:
        database.execute("DELETE FROM kitchen_bowl")
        database.commit()
    assert run("keep", "restore", "--file", str(copy), data=data).returncode == 0
    assert bowls(kitchen) == ["Copper"]
    fresh = data.parent / "fresh"
    assert run("keep", "restore", "--file", str(copy), data=fresh).returncode == 0
    assert bowls(fresh / kitchen.name) == ["Copper"]


def test_an_older_kitchen_is_copied_before_it_is_brought_up_to_date(tmp_path):
    data = tmp_path / "var"
    data.mkdir()
    older = subprocess.run(
        [sys.executable, "manage.py", "migrate", "kitchen", "0005", "--verbosity", "0"], cwd=ROOT,
        env={**env(data), "DJANGO_SETTINGS_MODULE": "entremet.site.settings"}, check=False)
    assert older.returncode == 0
    with served(data):
        pass
    (copy,) = (data / "copies").glob("*.zip")
    assert "before-update" in copy.name
    with zipfile.ZipFile(copy) as packed:
        told = json.loads(packed.read("manifest.json"))
    assert max(told["updates"]).startswith("0005")


@pytest.mark.parametrize("spoil", ["damage", "newer", "taken"])
def test_what_cannot_be_served_is_said_in_one_sentence(tmp_path, spoil):
    data, port = tmp_path / "var", "0"
    data.mkdir()
    with socket.socket() as other:
        if spoil == "damage":
            (data / "kitchen.sqlite3").write_text("no database, but long enough to be looked at")
        elif spoil == "newer":
            with closing(sqlite3.connect(data / "kitchen.sqlite3")) as database:
                database.executescript("CREATE TABLE django_migrations (app TEXT, name TEXT);"
                                       "INSERT INTO django_migrations VALUES ('kitchen', '9999');")
        else:
            other.bind(("127.0.0.1", 0))
            other.listen()
            port = str(other.getsockname()[1])
        refused = run("serve", "--port", port, data=data)
    assert refused.returncode == 1
    assert "Traceback" not in refused.stderr
    assert refused.stderr.count("\n") == 1
    assert {"damage": "is damaged", "newer": "newer Entremet", "taken": "is taken"}[
        spoil] in refused.stderr
    assert not (data / "copies").exists()


@pytest.mark.parametrize(("given", "words"), [
    ({"PORT": "99999"}, "There is no port 99999"), ({"PORT": "0"}, "There is no port 0"),
    ({"PORT": "jam"}, "“jam” is no port"), ({"PYTHON": "no-such-python"}, "There is no"),
    ({"PYTHON": "{old}"}, "needs 3.11 or newer"), ({"PATH": "/nowhere"}, "There is no")])
def test_a_first_start_looks_before_it_installs(tmp_path, given, words):
    old = tmp_path / "old-python"
    old.write_text("#!/bin/sh\n[ \"$1\" = --version ] && echo Python 3.9.2\nexit 1\n")
    old.chmod(0o755)
    asked = {name: value.replace("{old}", str(old)) for name, value in given.items()}
    refused = subprocess.run(
        ["/bin/sh", str(ROOT / "bin/preflight")], text=True, capture_output=True, check=False,
        env={"PATH": os.environ["PATH"], "PYTHON": sys.executable, "VENV": str(tmp_path / "venv"),
             "NODE": str(tmp_path / "ready"), "PORT": "8000", **asked})
    assert refused.returncode == 1
    assert words in refused.stderr
    assert refused.stderr.count("\n") == 1
    assert not (tmp_path / "venv").exists()


@pytest.mark.parametrize("older", ["", "0012"])
def test_a_disk_that_is_full_at_the_start_is_said_and_changes_nothing(tmp_path, monkeypatch, older):
    data = tmp_path / "var"
    data.mkdir()
    kitchen = data / "kitchen.sqlite3"
    if older:
        packed = ROOT / f"tests/kitchen/older/{older}.sqlite3.gz"
        kitchen.write_bytes(gzip.decompress(packed.read_bytes()))
    before = rows_of(kitchen) if older else {}
    monkeypatch.setattr("tests.site.served.SETTINGS", "tests.site.full_settings")
    done = run("serve", "--port", "0", data=data)
    assert done.returncode == 1
    assert done.stderr.splitlines() == [
        "The disk is full. Make room on it, then start again. Nothing was changed."]
    monkeypatch.setattr("tests.site.served.SETTINGS", "tests.site.quick_settings")
    if older:
        assert rows_of(kitchen) == before
        with served(data):
            pass
        assert "kitchen_bake" in rows_of(kitchen)


def rows_of(kitchen):
    with closing(sqlite3.connect(kitchen)) as database:
        names = [name for name, in database.execute(
            "SELECT name FROM sqlite_master WHERE type = 'table'")]
        return {name: database.execute(f'SELECT count(*) FROM "{name}"').fetchone()[0]
                for name in names}
