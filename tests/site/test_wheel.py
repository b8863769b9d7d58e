"""The program as it is installed: one file with its pages, its kitchen in the user's folder."""

from __future__ import annotations

import gzip
import io
import json
import os
import shutil
import signal
import sqlite3
import subprocess
import sys
import urllib.request
import zipfile
from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path

import pytest

from entremet import __version__
from entremet.kitchen.safe.soundness import hold
from entremet.site import command
from tests.once import made_once
from tests.site.served import begin

ROOT = Path(__file__).resolve().parents[2]


def _build(folder: Path) -> None:
    subprocess.run([sys.executable, "-m", "hatchling", "build", "-t", "wheel", "-d",
                    str(folder)], cwd=ROOT, check=True, capture_output=True)
    (wheel,) = folder.glob("*.whl")
    with zipfile.ZipFile(wheel) as whole:
        whole.extractall(folder / "installed")


@pytest.fixture(scope="module")
def wheel() -> Path:
    """Where the wheel lies, and beside it what it unpacks to."""
    return made_once("wheel", _build)


@pytest.fixture
def env(wheel: Path, tmp_path: Path) -> dict[str, str]:
    """Another folder than the checkout, with a home of its own."""
    kept = {name: one for name, one in os.environ.items() if not name.startswith(
        ("ENTREMET", "DJANGO", "PYTEST", "XDG", "PYTHONDONTWRITE"))}
    return {**kept, "HOME": str(tmp_path), "PYTHONPATH": str(wheel / "installed")}


def run(env: dict[str, str], *args: str, cwd: Path) -> subprocess.CompletedProcess[str]:
    return subprocess.run([sys.executable, "-m", "entremet.site.command", *args], env=env, cwd=cwd,
                          text=True, capture_output=True, check=False, timeout=60)


@contextmanager
def started(env: dict[str, str], cwd: Path, *args: str) -> Iterator[tuple[str, list[str]]]:
    process = subprocess.Popen(
        [sys.executable, "-m", "entremet.site.command", "--no-browser", "--port", "0", *args],
        env=env, cwd=cwd, stdout=subprocess.PIPE, text=True)
    said: list[str] = []
    try:
        assert process.stdout is not None
        for line in process.stdout:
            said.append(line)
            if "ready" in line:
                break
        yield said[-1].split(": ", 1)[1].strip(), said
    finally:
        process.send_signal(signal.SIGTERM)
        process.wait(20)


def get(address: str) -> bytes:
    with urllib.request.urlopen(address, timeout=60) as answer:
        return answer.read()


def test_the_wheel_has_all_that_runs_and_nothing_that_is_worked_on(wheel: Path):
    (one,) = wheel.glob("*.whl")
    assert one.name == f"entremet-{__version__}-py3-none-any.whl"
    with zipfile.ZipFile(one) as whole:
        names = whole.namelist()
        about = whole.read(f"entremet-{__version__}.dist-info/METADATA").decode()
    assert not [name for name in names if name.endswith(".map") or "test" in name.split("/")[0]
                or "node_modules" in name or name.endswith((".sqlite3", ".pyc"))]
    for wanted in ("entremet/site/built/index.html", "entremet/site/built/sw.js",
                   "entremet/core/baking/heat.toml", "entremet/kitchen/demo/season.toml",
                   "entremet/kitchen/migrations/0001_initial.py",
                   "entremet/site/papers/licences.md"):
        assert wanted in names
    assert any(name.endswith((".ttf", ".otf")) for name in names)
    assert "Requires-Dist: django" in about
    assert "pytest" not in about


def test_installed_it_keeps_its_kitchen_in_the_users_folder_and_opens_the_one_that_runs(
        env: dict[str, str], tmp_path: Path):
    where = Path(run(env, "where", cwd=tmp_path).stdout.strip())
    assert where.is_relative_to(tmp_path)
    assert where.name == "kitchen.sqlite3"
    (tmp_path / "var").mkdir()
    shutil.copy(made_once("begun", begin) / "kitchen.sqlite3", tmp_path / "var")
    with started(env, tmp_path) as (address, said):
        assert said[0].startswith("Your kitchen was brought over from ")
        page = get(f"{address}/fit").decode()
        assert "/static/assets/" in page
        assert json.loads(get(f"{address}/api/recipes"))["rows"] == []
        second = run(env, "--no-browser", cwd=tmp_path)
        assert (second.returncode, second.stdout.strip()) == (0, f"Entremet is running: {address}")
        copied = run(env, "backup", cwd=tmp_path)
        assert str(where.parent) in copied.stdout
        taken = run({**env, "ENTREMET_DATA": str(tmp_path / "another")}, "--no-browser", "--port",
                    address.rsplit(":", 1)[1], cwd=tmp_path)
        assert taken.returncode == 1
        assert "entremet --port" in taken.stderr
    assert where.exists()
    assert not where.with_suffix(".address").exists()
    none = run(env, "restore", cwd=tmp_path)
    assert none.returncode == 1
    assert "entremet restore" in none.stderr


def test_a_kitchen_of_a_checkout_is_brought_over_once_and_stays_where_it_was(tmp_path: Path):
    old, new = tmp_path / "var", tmp_path / "home/data"
    (old / "copies").mkdir(parents=True)
    (old / "copies/monday.zip").write_text("a copy")
    with closing(sqlite3.connect(old / "kitchen.sqlite3")) as kitchen, kitchen:
        kitchen.execute("CREATE TABLE bowl (name text)")
        kitchen.execute("INSERT INTO bowl VALUES ('Copper')")
    said = command.bring_over(old, new)
    assert said.startswith("Your kitchen was brought over from ")
    assert str(new) in said
    for folder in (old, new):
        assert (folder / "copies/monday.zip").read_text() == "a copy"
        with closing(sqlite3.connect(folder / "kitchen.sqlite3")) as kitchen:
            assert kitchen.execute("SELECT name FROM bowl").fetchall() == [("Copper",)]
    assert not list(new.glob("*.new"))
    assert command.bring_over(old, new) == ""


def test_over_an_older_kitchen_the_data_stays_and_a_copy_is_made_first(
        env: dict[str, str], tmp_path: Path):
    older = sorted((ROOT / "tests/kitchen/older").glob("*.sqlite3.gz"))[-2]
    data = tmp_path / "data"
    data.mkdir()
    (data / "kitchen.sqlite3").write_bytes(gzip.decompress(older.read_bytes()))
    with started(env, tmp_path, "--data", str(data)) as (address, _):
        assert json.loads(get(f"{address}/api/recipes"))["rows"]
    assert list((data / "copies").glob("*before-update*"))


def test_what_says_where_it_runs_is_believed_for_this_machine_alone(tmp_path: Path):
    kitchen = tmp_path / "kitchen.sqlite3"
    assert command.running_at(kitchen) == ""
    held = hold(kitchen)
    for lie in ("http://example.invalid:80", "http://127.0.0.1:1", "file:///etc/hosts", "\n"):
        kitchen.with_suffix(".address").write_text(lie)
        assert command.running_at(kitchen) == ""
    os.close(held)


def test_what_a_killed_program_left_behind_is_not_taken_for_a_running_one(
        tmp_path: Path, monkeypatch: pytest.MonkeyPatch):
    """Another kitchen may be served at its old port by now."""
    kitchen = tmp_path / "kitchen.sqlite3"
    kitchen.with_suffix(".address").write_text("http://127.0.0.1:8000")
    monkeypatch.setattr(urllib.request, "urlopen", lambda *_given, **_named: closing(io.BytesIO()))
    assert command.running_at(kitchen) == ""
    held = hold(kitchen)
    assert command.running_at(kitchen) == "http://127.0.0.1:8000"
    os.close(held)


def test_a_kitchen_that_is_open_elsewhere_is_not_brought_over(tmp_path: Path):
    (tmp_path / "var").mkdir()
    kitchen = tmp_path / "var/kitchen.sqlite3"
    kitchen.write_text("open")
    held = hold(kitchen)
    with pytest.raises(SystemExit, match="Stop it first"):
        command.bring_over(tmp_path / "var", tmp_path / "data")
    assert not (tmp_path / "data").exists()
    os.close(held)


def test_nothing_is_brought_over_a_kitchen_that_is_there(tmp_path: Path):
    old, new = tmp_path / "var", tmp_path / "data"
    for folder, words in ((old, "old"), (new, "new")):
        folder.mkdir()
        (folder / "kitchen.sqlite3").write_text(words)
    assert command.bring_over(old, new) == ""
    assert (new / "kitchen.sqlite3").read_text() == "new"
    assert command.bring_over(tmp_path / "nothing", tmp_path / "empty") == ""
    assert not (tmp_path / "empty").exists()


def test_a_port_that_is_taken_is_passed_by():
    import socket
    with socket.socket() as one:
        one.bind(("127.0.0.1", 0))
        one.listen()
        taken = one.getsockname()[1]
        command_port, command.PORT = command.PORT, taken
        try:
            assert command.free_port() != taken
        finally:
            command.PORT = command_port
