"""``python -m bench.kills [times]``: kill the program while it writes; count what is lost.

Cards are written to a kitchen of one's own, ticks to a day under way in the demo kitchen.
"""

from __future__ import annotations

import http.client
import json
import os
import random
import signal
import sqlite3
import subprocess
import sys
import tempfile
import threading
import time
import urllib.request
from contextlib import closing
from datetime import datetime
from pathlib import Path

from bench.kills_of_writes import days_that_end, photos_that_are_kept, writes_of_every_kind
from bench.live import get, post, served_with
from entremet.kitchen.errors import Unsound
from entremet.kitchen.safe.copies import copies_of, copy_of
from entremet.kitchen.safe.restoring import bring_back, look_into
from entremet.kitchen.safe.soundness import check_file


def main() -> None:
    times = int(sys.argv[1]) if len(sys.argv) > 1 else 100
    if sys.argv[2:3] == ["copying"]:
        _copy_and_restore(Path(sys.argv[3]))
        return
    _copies(times)
    _cards(times)
    _ticks(times)
    _updates_cut_short(times)
    writes_of_every_kind(times)
    days_that_end(times)
    photos_that_are_kept(times)


def _copies(times: int) -> None:
    """Kill copying and restoring: the kitchen opens after each, and each copy there is whole."""
    dice = random.Random(17)
    with tempfile.TemporaryDirectory() as data:
        with served_with(data):
            pass
        kitchen = Path(data) / "demo.sqlite3"
        newest = _updates(kitchen)
        broken = 0
        for _ in range(times):
            process = subprocess.Popen([sys.executable, "-m", "bench.kills", "1", "copying",
                                        str(kitchen)], stdout=subprocess.PIPE, text=True)
            assert process.stdout is not None
            process.stdout.readline()
            time.sleep(dice.uniform(0.0, 0.5))
            os.kill(process.pid, signal.SIGKILL)
            process.wait()
            try:
                check_file(kitchen, newest=newest)
                if copies_of(kitchen):
                    look_into(copies_of(kitchen)[0].path, kitchen, newest=newest)
            except Unsound as error:
                broken += 1
                print(error)
        whole = 0
        for one in copies_of(kitchen):
            look_into(one.path, kitchen, newest=newest)
            whole += 1
    print(f"{times} kills while copying and restoring: {broken} left a kitchen or a copy that does "
          f"not open, promised none: {'met' if not broken else 'MISSED'}; {whole} copies, all "
          "whole")


def _updates_cut_short(times: int) -> None:
    """Kill updates of every older kitchen, between and inside their steps."""
    done = subprocess.run([sys.executable, "-m", "tests.kitchen.older.kills", str(times)],
                          stdout=subprocess.PIPE, text=True, check=True)
    told = json.loads(done.stdout)
    print(f"{times} kills inside updates of {len(told['kitchens'])} older kitchens: "
          f"{len(told['broken'])} came out otherwise, promised none: "
          f"{'MISSED' if told['broken'] else 'met'}")


def _copy_and_restore(kitchen: Path) -> None:
    newest = _updates(kitchen)
    print("ready", flush=True)
    while True:
        copy = copy_of(kitchen, at=datetime.now(), why="on-demand")
        bring_back(copy, kitchen, newest=newest, at=datetime.now())


def _updates(kitchen: Path) -> frozenset[str]:
    with closing(sqlite3.connect(kitchen)) as database:
        return frozenset(row[0] for row in database.execute(
            "SELECT name FROM django_migrations WHERE app = 'kitchen'"))


def _ticks(times: int) -> None:
    """Kill a running day: no acknowledged tick is lost, and its timer stands where it stood."""
    dice = random.Random(8)
    acknowledged: list[str] = []
    with tempfile.TemporaryDirectory() as data:
        with served_with(data) as (address, _):
            order = next(one for one in get(f"{address}/api/orders")
                         if one["title"] == "Choir tea")
            day = post(f"{address}/api/days", {"orders": [order["id"]]})
            path = f"/api/days/{day['id']}"
            bake = next(one["key"] for one in day["steps"] if one["kind"] == "bake")
            began = post(address + path + "/events", {"events": [
                {"id": "put-in-once", "kind": "put_in", "step": bake}]})
        timer = next(one for one in began["timers"] if one["kind"] == "first_look")
        weigh = next(one["key"] for one in day["steps"] if one["kind"] == "weigh")
        moved = 0
        for turn in range(times):
            with served_with(data) as (address, process):
                writer = threading.Thread(target=_tick, args=(address + path, weigh, turn,
                                                              acknowledged))
                writer.start()
                time.sleep(dice.uniform(0.02, 0.4))
                os.kill(process.pid, signal.SIGKILL)
                writer.join()
        with served_with(data) as (address, _):
            now = get(address + path)
            same = next((one for one in now["timers"] if one["key"] == timer["key"]), None)
            moved += same is None or same["at"] != timer["at"]
            # A tick sent again is known: the answer has no more of them than were made.
            found = _kept(data)
    lost = [key for key in acknowledged if key not in found]
    print(f"{times} kills of a running day, {len(acknowledged)} ticks acknowledged, lost: "
          f"{len(lost)}, timers moved: {moved}, promised none: "
          f"{'met' if not lost and not moved else 'MISSED'}")


def _kept(data: str) -> set[str]:
    (kitchen,) = Path(data).glob("demo.sqlite3")
    with sqlite3.connect(kitchen) as rows:
        return {key for key, in rows.execute("SELECT key FROM kitchen_tick")}


def _tick(day: str, step: str, turn: int, acknowledged: list[str]) -> None:
    # Few enough that a hundred turns stay within what a day may have.
    for number in range(40):
        key = f"kill-{turn:04}-{number:05}"
        try:
            post(f"{day}/events", {"events": [{"id": key, "kind": "weighed", "step": step,
                                                "place": 0, "amount": number}]})
        except (OSError, http.client.HTTPException):
            return
        acknowledged.append(key)


def _cards(times: int) -> None:
    dice = random.Random(7)
    acknowledged: list[str] = []
    with tempfile.TemporaryDirectory() as data:
        for turn in range(times):
            with served_with(data) as (address, process):
                writer = threading.Thread(target=_write, args=(address, turn, acknowledged))
                writer.start()
                time.sleep(dice.uniform(0.02, 0.6))
                os.kill(process.pid, signal.SIGKILL)
                writer.join()
        with served_with(data) as (address, _):
            found: set[str] = set()
            offset = 0
            while rows := get(f"{address}/api/recipes?limit=200&offset={offset}")["rows"]:
                found |= {row["title"] for row in rows}
                offset += 200
    lost = [title for title in acknowledged if title not in found]
    print(f"{times} kills, {len(acknowledged)} writes acknowledged, lost: {len(lost)}, promised "
          f"none: {'met' if not lost else 'MISSED'}")


def _write(address: str, turn: int, acknowledged: list[str]) -> None:
    for number in range(10_000):
        title = f"card {turn}.{number}"
        body = json.dumps({"card": {"title": title}}).encode()
        request = urllib.request.Request(f"{address}/api/recipes", body,
                                         {"Content-Type": "application/json"})
        try:
            with urllib.request.urlopen(request, timeout=5) as answer:
                answer.read()
        except (OSError, http.client.HTTPException):
            return
        acknowledged.append(title)


if __name__ == "__main__":
    main()
