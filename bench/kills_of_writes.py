"""Kill the program while it writes things of every kind, ends days and keeps photos."""

from __future__ import annotations

import base64
import http.client
import io
import json
import os
import random
import signal
import sqlite3
import tempfile
import threading
import time
import urllib.error
import urllib.request
from collections import defaultdict
from collections.abc import Callable
from contextlib import closing
from pathlib import Path
from typing import Any

from bench.live import first_day, get, served_with

LEAST = 20
"""Acknowledged writes of each kind, or nothing is said of it."""
MOST = 30
"""Of a kind: a rack and a shelf hold only so many."""
ROOM_FOR_FEW = ("bowl", "oven")
"""Kinds of which a kitchen holds twenty: some are taken away to write more."""
GONE = (OSError, http.client.HTTPException)

Send = Callable[[str, str, Any], Any]


def _kinds(fit: dict[str, Any]) -> dict[str, tuple[str, str, Callable[[str], Any], str]]:
    """Method, path and body of each kind by a name of its own, and the column that holds it."""
    return {
        "recipe": ("POST", "/api/recipes", lambda name: {"card": {"title": name}},
                   "kitchen_recipe.title"),
        "pan": ("POST", "/api/pans", lambda name: {"pan": {
            "outline": "round", "label": name, "across": 20, "wall_cm": 6}, "owned": 1},
            "kitchen_rackpan.label"),
        "oven": ("POST", "/api/ovens", lambda name: {"name": name}, "kitchen_oven.name"),
        "bowl": ("POST", "/api/bowls", lambda name: {"name": name, "capacity_ml": 3000},
                 "kitchen_bowl.name"),
        "fit": ("POST", "/api/fits", lambda name: {"name": name, "request": fit},
                "kitchen_keptfit.name"),
        "order": ("POST", "/api/orders", lambda name: {
            "title": name, "due": "2031-10-11T15:00:00Z", "cakes": [{"fit": fit}]},
            "kitchen_order.title"),
        "bake": ("POST", "/api/bakes", lambda name: {"request": fit, "minutes": 31, "note": name},
                 "kitchen_bake.note"),
        "leftover": ("POST", "/api/leftovers", lambda name: {
            "name": name, "g": 90, "since": "2026-11-20"}, "kitchen_leftover.name"),
        "packet": ("PUT", "/api/labels/packets", lambda name: {
            "key": name.replace(" ", "_"), "called": name, "contains": ["milk"]},
            "kitchen_packetrow.called"),
        "ingredient": ("POST", "/api/ingredients", lambda name: {"name": name, "role": "fruit"},
                       "kitchen_owningredient.name"),
        "answer": ("POST", "/api/answers", lambda name: {
            "phrase": name, "ingredient": "plain_flour"}, "kitchen_answer.phrase"),
        "larder": ("PUT", "/api/larder", lambda name: {
            "key": name.replace(" ", "_"), "name": name, "have_g": 300}, "kitchen_stockrow.name"),
    }


def writes_of_every_kind(times: int) -> None:
    """Kill while a mix of everything is written; each that was acknowledged has to be there."""
    dice = random.Random(21)
    acknowledged: dict[str, list[str]] = defaultdict(list)
    taken_away: dict[str, list[str]] = defaultdict(list)
    full: set[str] = set()
    with tempfile.TemporaryDirectory() as data:
        for turn in range(times):
            with served_with(data) as (address, process):
                recipe = get(f"{address}/api/recipes")["rows"][0]["id"]
                kinds = _kinds({"recipe": recipe, "into": [
                    {"pan": {"outline": "round", "across": 20, "wall_cm": 7}, "count": 1}]})

                def work(turn: int = turn, address: str = address, kinds: Any = kinds) -> None:
                    for number in range(10_000):
                        left = sorted(kinds.keys() - full)
                        if not left:
                            return
                        kind = min(left, key=lambda one: (
                            len(acknowledged[one]) + len(taken_away[one]), one))
                        name = f"{kind} k{turn}n{number}"
                        method, path, body, _ = kinds[kind]
                        try:
                            status = _send(method, address + path, body(name))
                        except GONE:
                            return
                        if status >= 300 and kind in ROOM_FOR_FEW and acknowledged[kind]:
                            try:
                                _take_one_away(address + path, acknowledged[kind],
                                               taken_away[kind])
                            except GONE:
                                return
                        elif status >= 300:
                            full.add(kind)
                        else:
                            acknowledged[kind].append(name)
                            if len(acknowledged[kind]) + len(taken_away[kind]) >= max(
                                    MOST, times // 4):
                                full.add(kind)

                _killed(process, work, dice.uniform(0.05, 0.5))
        with closing(sqlite3.connect(Path(data) / "demo.sqlite3")) as kitchen:
            lost = []
            for kind, names in acknowledged.items():
                table, column = kinds[kind][3].split(".")
                found = {one for one, in kitchen.execute(f"SELECT {column} FROM {table}")}
                lost += [name for name in names if name not in found]
                lost += [name for name in taken_away[kind] if name in found]
    few = {kind: many for kind, names in acknowledged.items()
           if (many := len(names) + len(taken_away[kind])) < LEAST}
    counts = ", ".join(f"{kind} {len(names) + len(taken_away[kind])}"
                       for kind, names in sorted(acknowledged.items()))
    print(f"{times} kills while writing of every kind, acknowledged: {counts}; lost: {len(lost)}, "
          f"promised none: {'met' if not lost else 'MISSED'}"
          f"{f'; too few of {few}' if few else ''}")


def _take_one_away(address: str, there: list[str], gone: list[str]) -> None:
    """Make room for one more, and note what is gone once that was acknowledged."""
    name = there[0]
    row = next(one for one in get(address) if one["name"] == name)
    # Whether it is gone is not known until it is acknowledged: until then nothing is said of it.
    there.remove(name)
    if _send("DELETE", f"{address}/{row['id']}", None) < 300:
        gone.append(name)


def days_that_end(times: int) -> None:
    """Kill while a day is ended: it is over with its leftovers and bakes, or not over at all."""
    dice = random.Random(23)
    ended: list[int] = []
    with tempfile.TemporaryDirectory() as data:
        for turn in range(times):
            with served_with(data) as (address, process):
                _, day = first_day(address)
                bake = next(one["key"] for one in day["steps"] if one["kind"] == "bake")
                path = f"{address}/api/days/{day['id']}"
                _send("POST", f"{path}/events", {"events": [
                    {"id": f"in-{turn:05}-x", "kind": "put_in", "step": bake, "ago_s": 1800},
                    {"id": f"out-{turn:05}-x", "kind": "done", "step": bake}]})

                def work(path: str = path, day: int = day["id"]) -> None:
                    try:
                        status = _send("POST", f"{path}/finish", {
                            "leftovers": [{"name": f"curd of {day}", "g": 80}]})
                    except GONE:
                        return
                    if status == 200:
                        ended.append(day)

                _killed(process, work, dice.uniform(0.0, 0.06))
        with closing(sqlite3.connect(Path(data) / "demo.sqlite3")) as kitchen:
            over = {pk for pk, in kitchen.execute(
                "SELECT id FROM kitchen_day WHERE ended_at IS NOT NULL")}
            left = {int(name.split()[-1]) for name, in kitchen.execute(
                "SELECT name FROM kitchen_leftover WHERE name LIKE 'curd of %'")}
    lost = [day for day in ended if day not in over]
    half = over ^ left
    print(f"{times} kills while a day ends, {len(over)} over, {len(ended)} acknowledged, lost: "
          f"{len(lost)}, half over: {len(half)}, promised none: "
          f"{'met' if not lost and not half else 'MISSED'}")


def photos_that_are_kept(times: int) -> None:
    """Kill while photos are kept: each that was acknowledged opens."""
    from PIL import Image

    dice = random.Random(29)
    kept: set[int] = set()
    shot = io.BytesIO()
    Image.effect_noise((1200, 900), 70).save(shot, "JPEG")
    picture = base64.b64encode(shot.getvalue()).decode()
    with tempfile.TemporaryDirectory() as data:
        for _ in range(times):
            with served_with(data) as (address, process):
                bakes = [one["id"] for one in get(f"{address}/api/bakes?limit=40")["bakes"]]
                dice.shuffle(bakes)

                def work(address: str = address, bakes: list[int] = bakes) -> None:
                    for bake in bakes:
                        try:
                            status = _send("PUT", f"{address}/api/bakes/{bake}/photo",
                                           {"picture": picture})
                        except GONE:
                            return
                        if status == 200:
                            kept.add(bake)

                _killed(process, work, dice.uniform(0.02, 0.6))
        with closing(sqlite3.connect(Path(data) / "demo.sqlite3")) as kitchen:
            found = dict(kitchen.execute("SELECT bake_id, jpeg FROM kitchen_bakephoto"))
    lost = [bake for bake in kept if bake not in found]
    for jpeg in found.values():
        Image.open(io.BytesIO(jpeg)).load()
    print(f"{times} kills while photos are kept, of {len(kept)} bakes acknowledged, lost: "
          f"{len(lost)}, promised none: {'met' if not lost else 'MISSED'}; all that are there open")


def _killed(process: Any, work: Callable[[], None], after_s: float) -> None:
    writer = threading.Thread(target=work)
    writer.start()
    time.sleep(after_s)
    os.kill(process.pid, signal.SIGKILL)
    writer.join()


def _send(method: str, url: str, body: Any) -> int:
    request = urllib.request.Request(url, json.dumps(body).encode(),
                                     {"Content-Type": "application/json"}, method=method)
    try:
        with urllib.request.urlopen(request, timeout=20) as answer:
            answer.read()
            return int(answer.status)
    except urllib.error.HTTPError as refused:
        return int(refused.code)
