"""``python -m bench.hostile [calls] [seed]``: calls no baker would make, and what they cost."""

from __future__ import annotations

import copy
import http.client
import json
import random
import sys
import time
import urllib.parse
from pathlib import Path
from typing import Any

from bench.live import served_with
from tests.core.reading.hostile import DOCUMENTS, DRAWINGS, PAGES, TEXTS

WORST_S = 2.0
OUTSIDE = 0.2
"""Share of the calls that are made by nobody who has signed in."""
NASTY: tuple[Any, ...] = (
    "\ud83d", "\x00", "🧁" * 60, "x" * 6_000, "", " ", None, True, False, [], {}, [[]], -1, 0,
    2**31, 2**63, 10**19, 10**20, 10**400, 1e154, 1e308, -1e200, 1e-320, 0.1, "1e999", "NaN", "½",
    "8 in", "../../etc", "' OR 1=1 --", "<script>", [1] * 3_000, {"a": {"b": {"c": 1}}})
PATHS = ("/api/recipes", "/api/pans", "/api/ovens", "/api/bowls", "/api/fits", "/api/kitchen",
         "/api/recipes/1", "/api/recipes/99999999999999999999",
         "/api/recipes/1/compare?was=1&now=9",
         "/api/recipes?search=%00", "/api/recipes?limit=-5", "/api/recipes?offset=1e9",
         "/api/ingredients?search_for=%F0%9F", "/api/pans/1/template.pdf?paper=A9",
         "/api/rack/file",
         "/api/copies", "/api/copies/x.zip/look", "/api/copies/..%2f..%2fx/restore",
         "/api/copies/file", "/api/sharing", "/sign-in", "/sign-in?next=//x", "/api/leftovers/9",
         "/api/labels/packets?key=%00", "/api/nothing", "/api/recipes/1/export?format=pdf",
         "/static/../manage.py", "/%ff", "/")


def bodies(ask: Any) -> list[tuple[str, str, Any]]:
    """One good body of each operation that takes one."""
    text = "Sloe ring\n200 g self-raising flour, divided\n3 eggs\n\nMethod\nBake at 180 C "\
           "for 30 min."
    card = ask("POST", "/api/readings", {"text": text})["card"]
    pan = {"outline": "ring", "label": "Ring", "across": "22 cm", "tube": 7, "wall_cm": 8}
    fit = {"recipe": 1, "rule": "keep_batch", "into": [
        {"pan": 1, "count": 2}, {"pan": pan, "count": 1, "rule": {"grams": 300}}]}
    return [
        ("POST", "/api/readings", {"text": text, "name": "x.html"}),
        ("POST", "/api/readings/line", {"text": "2 cups flour", "key": 1, "component": 1}),
        ("POST", "/api/readings/split", {"card": card, "line": 1, "phrases": ["half on top"]}),
        ("POST", "/api/readings/pan", {"text": "two 18 cm round tins"}),
        ("POST", "/api/readings/pan/measures", {"pan": pan, "count": 2}),
        ("POST", "/api/readings/outline", {"text": "<svg><path d='M0 0L9 0L9 9z'/></svg>"}),
        ("POST", "/api/desk", {"card": card, "aims": ["bake_time"]}),
        ("POST", "/api/recipes", {"card": card}),
        ("PUT", "/api/recipes/1", {"card": card, "base": 1}),
        ("POST", "/api/pans", {"pan": pan, "owned": 2}),
        ("PUT", "/api/pans/1", {"pan": pan, "owned": 2, "base": 1}),
        ("POST", "/api/rack/file", {"text": "label,outline,across,wall_cm\nNew,round,20,5"}),
        ("POST", "/api/ovens", {"name": "Hall", "kind": "gas", "dial": "mark", "dial_step": 1,
                                "dial_lowest": 1, "dial_highest": 9}),
        ("PUT", "/api/ovens/1", {"name": "Hall", "base": 1}),
        ("POST", "/api/bowls", {"name": "Copper", "capacity_ml": 3000, "tare_g": 400}),
        ("PUT", "/api/kitchen", {"name": "Orchard", "scale_step_g": 1, "base": 1}),
        ("PUT", "/api/kitchen/bowl-loss", {"weighed": [{"full_g": 900, "tare_g": 300}],
                                           "emptied_g": 320}),
        ("POST", "/api/ingredients", {"name": "sloe powder", "role": "fruit"}),
        ("PUT", "/api/ingredients/plain_flour/weight", {"measure": "1 cup", "grams": 130}),
        ("POST", "/api/answers", {"phrase": "sloes", "ingredient": "plain_flour"}),
        ("POST", "/api/fit", fit), ("POST", "/api/fit/oven", {"fit": fit}),
        ("POST", "/api/fit/curve", {"fit": fit, "entry": 0}),
        ("POST", "/api/fit/compare", {"one": fit, "other": fit}),
        ("POST", "/api/fit/sets", {"fit": fit, "free": {"1": 2, "2": 1}}),
        ("POST", "/api/fits", {"name": "Tea", "request": fit, "replace": True}),
        ("POST", "/api/fits/1/taken", {"entry": 0, "minutes": 30}),
        *after_the_oven(fit)]


def after_the_oven(fit: Any) -> list[tuple[str, str, Any]]:
    """One good body of each operation of what goes out of the door."""
    label = {"fit": fit, "cake": 0, "title": "Ring", "made_on": "2026-11-28", "pieces": 8,
             "weighed_g": 120.5, "days": 2, "lot": "L1"}
    sheet = {"paper": "A4", "across": 2, "down": 4, "width": 90, "height": 60, "left": 10,
             "top": 10, "gap_x": 0, "gap_y": 0}
    return [
        ("POST", "/api/labels", label), ("POST", "/api/labels/text", label),
        ("POST", "/api/labels/pdf", {**label, "count": 3, "first": 2}),
        ("POST", "/api/labels/card", label),
        ("PUT", "/api/labels/packets", {"key": "jam", "called": "jam", "name": "plum jam",
                                        "opened": "plums, sugar", "contains": ["sulphites"],
                                        "may_contain": ["milk"]}),
        ("PUT", "/api/labels/habits", {"region": "eu", "address": "x", "sentence": "y",
                                       "may_contain": ["milk"], "sheet": "own",
                                       "own_sheet": sheet, "base": 1}),
        ("POST", "/api/leftovers", {"name": "Buttercream", "g": 120, "since": "2026-11-20",
                                    "stands": "chilled"}),
        ("PUT", "/api/leftovers/1", {"g": 80, "since": "2026-11-20", "stands": "frozen",
                                     "base": 1}),
        ("POST", "/api/leftovers/1/gone", {"gone": True}), *around_a_day(fit)]


def around_a_day(fit: Any) -> list[tuple[str, str, Any]]:
    """One good body of each operation of orders, their days and what is written down of them."""
    cake = {"fit": fit, "label": "Ring", "count": 2, "inscription": "Maud"}
    order = {"title": "Choir tea", "due": "2031-10-11T15:00:00Z", "cakes": [cake], "drive_min": 20}
    bake = {"request": fit, "entry": 0, "minutes": 31.5, "how": "right", "top": "flat",
            "note": "x", "tags": ["autumn"], "height_cm": 6, "weight_g": 900}
    return [
        ("POST", "/api/orders", order), ("PUT", "/api/orders/1", {**order, "base": 1}),
        ("POST", "/api/plan", {"orders": [1, 2], "hands": 2, "days_before": 1,
                               "now": "2031-10-10T08:00:00Z"}),
        ("PUT", "/api/plan/tasks", {"key": "1.0.0/mix-0", "start": "2031-10-11T09:00:00Z"}),
        ("POST", "/api/plan/file/ics", {"orders": [1]}),
        ("POST", "/api/plan/anew", {"orders": [1]}),
        ("POST", "/api/shopping", {"orders": [1, 2]}),
        ("PUT", "/api/larder", {"key": "plain_flour", "name": "flour", "have_g": 300,
                                "packs": [{"g": 1500, "price": 1.6}], "where": "mill"}),
        ("POST", "/api/larder/bought", {"key": "plain_flour", "name": "flour", "g": 1500}),
        ("POST", "/api/days", {"fit": fit}),
        ("POST", "/api/days/1/events", {"events": [
            {"id": "tick-0001", "kind": "done", "step": "fit.0.0/weigh", "ago_s": 3}]}),
        ("POST", "/api/days/1/finish", {"leftovers": [{"name": "curd", "g": 80}]}),
        ("POST", "/api/days/1/reopen", {}),
        ("POST", "/api/bakes", bake), ("PUT", "/api/bakes/1", {**{
            name: value for name, value in bake.items() if name not in ("request", "entry")},
            "base": 1}),
        ("PUT", "/api/bakes/1/photo", {"picture": "aGVsbG8gd29ybGQ="}),
        ("POST", "/api/bakes/forget", {"kind": "oven", "key": "oven:1", "forget": True}),
        ("POST", "/api/devices", {"kind": "scale", "name": "Bench", "simulated": True})]


PASSPHRASE = "four rolling plum pies"


def signed_in(host: str) -> str:
    """Choose a passphrase at the door of a kitchen that is shared, and return the cookies."""
    link = http.client.HTTPConnection(host, timeout=60)
    link.request("GET", "/sign-in")
    answer = link.getresponse()
    page = answer.read().decode()
    form = str(answer.getheader("Set-Cookie")).split(";")[0]
    token = page.split('csrfmiddlewaretoken" value="', 1)[1].split('"', 1)[0]
    link.request("POST", "/sign-in", urllib.parse.urlencode({
        "csrfmiddlewaretoken": token, "passphrase": PASSPHRASE, "again": PASSPHRASE}),
        {"Content-Type": "application/x-www-form-urlencoded", "Cookie": form})
    answer = link.getresponse()
    answer.read()
    kept = [value.split(";")[0] for name, value in answer.getheaders()
            if name.lower() == "set-cookie"]
    return "; ".join(kept)


def spoilt(body: Any, dice: random.Random) -> Any:
    """A body with one to three of its places spoilt."""
    whole = copy.deepcopy(body)
    for _ in range(dice.randint(1, 3)):
        here, place = whole, None
        while isinstance(here, (dict, list)) and here:
            inside, place = here, dice.choice(list(here) if isinstance(here, dict)
                                              else range(len(here)))
            here = here[place]
            if dice.random() < 0.25:
                break
        if place is None:
            continue
        match dice.randrange(5):
            case 0 if isinstance(inside, dict):
                del inside[place]
            case 1 if isinstance(inside, dict):
                name = dice.choice(["x", "\ud83d", "__class__", "id"])
                inside[name] = copy.deepcopy(dice.choice(NASTY))
            case _:
                inside[place] = copy.deepcopy(dice.choice(NASTY))
    return whole


def long_ones() -> list[tuple[str, str, Any]]:
    """Every text that was made to make the reader work."""
    named = [*((text, "") for text in TEXTS.values()),
             *((text, "a.html") for text in PAGES.values()),
             *((text, "a.json") for text in DOCUMENTS.values())]
    return [*(("POST", "/api/readings", {"text": text, "name": name}) for text, name in named),
            *(("POST", "/api/readings/outline", {"text": text}) for text in DRAWINGS.values()),
            ("POST", "/api/fit", {"recipe": 1, "into": [], **{f"x{n}": 1 for n in range(8_000)}}),
            ("POST", "/api/desk", {"card": {"title": "x", "lines": [{"key": 1}] * 70_000}})]


def main() -> None:
    calls = int(sys.argv[1]) if len(sys.argv) > 1 else 10_000
    seed = int(sys.argv[2]) if len(sys.argv) > 2 else random.SystemRandom().randrange(10**6)
    dice = random.Random(seed)
    with served_with(None, "--share") as (address, process):
        host = address.removeprefix("http://")
        link = http.client.HTTPConnection(host, timeout=60)
        cookies = signed_in(host)

        good: list[tuple[str, str, Any]] = []

        def send(method: str, path: str, body: Any = None) -> tuple[int, bytes, float]:
            data = None if body is None else json.dumps(body).encode()
            start = time.perf_counter()
            told_by = {"Content-Type": "application/json", "Cookie": cookies}
            if good and dice.random() < OUTSIDE:
                told_by["Cookie"] = dice.choice(["", "entremet=x", cookies[:-3], ";;=,"])
            link.request(method, path, data, told_by)
            answer = link.getresponse()
            told = answer.read()
            return answer.status, told, time.perf_counter() - start

        good += bodies(lambda *one: json.loads(send(*one)[1]))
        queue: list[tuple[str, str, Any]] = long_ones()
        while len(queue) < calls:
            if dice.random() < 0.1:
                queue.append((dice.choice(["GET", "GET", "DELETE", "PATCH", "POST"]),
                              dice.choice(PATHS), None))
            else:
                method, path, body = dice.choice(good)
                queue.append((method, path, spoilt(body, dice)))
        dice.shuffle(queue)
        broken, slow = [], []
        statuses: dict[int, int] = {}
        for method, path, body in queue:
            status, told, took = send(method, path, body)
            statuses[status] = statuses.get(status, 0) + 1
            if status >= 500:
                broken.append((method, path, status, json.dumps(body)[:300], told[:200]))
            slow.append((took, path, json.dumps(body)[:60]))
        slow.sort(reverse=True)
        peak = next(line for line in Path(f"/proc/{process.pid}/status").read_text().splitlines()
                    if line.startswith("VmHWM"))
        print(f"{len(queue)} hostile calls, seed {seed}: statuses {dict(sorted(statuses.items()))}")
        print(f"slowest {slow[0][0]:.2f} s ({slow[0][1]} {slow[0][2]}), "
              f"99.9th percentile {slow[len(slow) // 1000][0]:.2f} s, "
              f"promised under {WORST_S:g} s: {'met' if slow[0][0] < WORST_S else 'MISSED'}")
        print(f"server's memory at its most: {peak.split(':')[1].strip()}")
        print(f"answers of 500 and above: {len(broken)}, promised none: "
              f"{'met' if not broken else 'MISSED'}")
        for one in broken[:10]:
            print("   ", one)


if __name__ == "__main__":
    main()
