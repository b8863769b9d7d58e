"""Every room of the kitchen walked through on one known morning: what it answered, it answers."""

from __future__ import annotations

import json
import random
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
import time_machine

from entremet.kitchen.models import Bake, Order
from tests.demo_rows import put_both
from tests.kitchen.api.writes import card, every_write
from tests.known.questions import FINISHES, fits
from tests.known.test_known_answers import ALL, Kitchen, held_against, parts_of

MORNING = datetime(2026, 11, 27, 8, tzinfo=UTC)
FIELD_MENDS: list[dict[str, Any]] = [
    {"title": "  Sloe   ring "}, {"servings": "30"}, {"style": "pound"}, {"style": "foam"},
    {"setting": {"value": 350, "scale": "F"}}, {"stated_low_min": 20, "stated_high_min": 25},
    {"lines": []}, {"steps": []}, {"egg_grade": "us_large"}, {"note": "From the mill"}]
PAN_WORDS = ("two 18 cm round tins", "33 x 23 cm tin", "9 inch square", "a bundt of 2.4 litres",
             "12 hole muffin tin", "900 g loaf tin", "23 cm springform, 7 cm deep", "a big one",
             "20 x 10", "three 6in sandwich tins", "a 10-cup ring", "swiss roll tin")
MEASURES: list[dict[str, Any]] = [
    {"outline": "round", "across": "8 in", "wall_cm": 5}, {"outline": "square", "across": 20},
    {"outline": "rectangle", "across": 33, "width": 23, "wall_cm": "2 in"},
    {"outline": "round", "across": 23, "wall_cm": 7, "capacity_ml": 2600},
    {"outline": "heart", "across": 20, "wall_cm": 6}, {"outline": "round", "across": 0},
    {"outline": "oval", "across": 25, "width": 18, "wall_cm": 5},
    {"outline": "ring", "across": 24, "tube": 8, "wall_cm": 9}]


class Walked(Kitchen):
    """The demo kitchen as it is on that morning, rows numbered from one."""

    def send(self, method: str, path: str, body: Any) -> Any:
        """Send a body by any method; what is refused says why."""
        answer = getattr(self.client, method)(path, json.dumps(body),
                                              content_type="application/json")
        return {"status": answer.status_code,
                "told": json.loads(answer.content) if answer.content else None}


@pytest.fixture
def kitchen(db: None) -> Iterator[Walked]:
    with time_machine.travel(MORNING, tick=False):
        put_both("known morning")
        yield Walked()


def test_what_lies_in_every_room(kitchen: Walked) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for path in ("kitchen", "recipes", "recipes?archived=true", "recipes?search=plum",
                     "recipes?offset=3&limit=2", "pans", "rack/file?format=csv",
                     "rack/file?format=json", "ovens", "bowls", "fits",
                     "orders", "orders?done=true", "workday", "larder", "days", "devices",
                     "bakes", "bakes?search=plum", "bakes?offset=5&limit=4", "bakes/again",
                     "bakes/taught",
                     "bakes/file.csv", "bakes/file.json", "labels/habits", "labels/packets",
                     "leftovers", "welcome", "readings/readers", "fits/999", "recipes/999"):
            yield path, kitchen.get(f"/api/{path}")
        for pk in kitchen.recipes.values():
            yield f"revisions {pk}", kitchen.get(f"/api/recipes/{pk}/revisions")
            yield f"last {pk}", kitchen.get(f"/api/bakes/last?recipe={pk}")
            for kind in ("own", "json_ld", "markdown", "csv"):
                yield f"export {pk} {kind}", kitchen.get(
                    f"/api/recipes/{pk}/export?format={kind}")
        for pk in Bake.objects.values_list("pk", flat=True)[:12]:
            yield f"bake {pk}", kitchen.get(f"/api/bakes/{pk}")
            yield f"beside {pk}", kitchen.get(f"/api/bakes/compare?one={pk}&other={pk + 1}")

    held_against("lies", asked())


def test_what_is_kept_is_answered_for(kitchen: Walked) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for number, (method, path, body) in enumerate(every_write()):
            yield f"{number} {method} {path}", kitchen.send(method, path, body)
            yield f"{number} again", kitchen.send(method, path, body)
        first = next(iter(kitchen.recipes.values()))
        for number, change in enumerate(FIELD_MENDS):
            base = kitchen.get(f"/api/recipes/{first}")["revision"]
            yield f"edit {number}", kitchen.send(
                "put", f"/api/recipes/{first}", {"card": card() | change, "base": base})
        head = kitchen.get(f"/api/recipes/{first}")["revision"]
        yield "compare", kitchen.get(f"/api/recipes/{first}/compare?was=1&now={head}")
        yield "restore", kitchen.send("post", f"/api/recipes/{first}/restore",
                                      {"revision": 1, "base": head})
        yield "duplicate", kitchen.send("post", f"/api/recipes/{first}/duplicate", {})
        yield "archive", kitchen.send("post", f"/api/recipes/{first}/archive", {"archived": True})
        yield "away", kitchen.get("/api/recipes?archived=true")
        for path in ("kitchen", "pans", "ovens", "bowls", "fits"):
            yield path, kitchen.get(f"/api/{path}")
        yield "loss", kitchen.send("put", "/api/kitchen/bowl-loss", {
            "weighed": [{"full_g": 1700, "tare_g": 1000}], "emptied_g": 680})
        for key in ("starter-lemon-thyme", "oat-pear", "x"):
            yield f"starter {key}", kitchen.send("post", f"/api/welcome/starters/{key}", {})

    held_against("kept", asked())


def test_what_the_desk_says(kitchen: Walked) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for key, pk in sorted(kitchen.recipes.items()):
            known = kitchen.get(f"/api/recipes/{pk}")["card"]
            desk = kitchen.post("/api/desk", {"card": known})
            yield f"{key} desk", desk
            yield f"{key} no eggs", kitchen.post("/api/desk", {"card": known | {"lines": [
                one for one in known["lines"] if "egg" not in one["name"]]}, "aims": ["bake_time"]})
            for number, offer in enumerate(desk["offers"]):
                for share in (offer["usual"], 0.1):
                    yield f"{key} swap {number} {share}", kitchen.post("/api/swaps", {
                        "card": known, "swap": {
                            "line": offer["line"], "kind": offer["kind"], "share": share}})
            for line in known["lines"][:4]:
                yield f"{key} split {line['key']}", kitchen.post("/api/readings/split", {
                    "card": known, "line": line["key"],
                    "phrases": ["a third for the top", "2 g", "a quarter"]})
        for words in PAN_WORDS:
            yield words, kitchen.post("/api/readings/pan", {"text": words})
        for number, measures in enumerate(MEASURES):
            yield f"measures {number}", kitchen.post("/api/readings/pan/measures", {
                "pan": {"label": " tin ", **measures}, "count": 2})
            yield f"rack {number}", kitchen.send("post", "/api/pans", {
                "pan": {"label": f"Own {number}", **measures}, "owned": 1 + number})
        for words in ("", "flour", "sug", "coco", "crème fraiche", "chesnut", "butter"):
            yield f"table {words}", kitchen.get(f"/api/ingredients?search_for={words}")

    held_against("desk", asked())


def test_what_a_fit_is_asked_beside_itself(kitchen: Walked) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        high = kitchen.get("/api/kitchen")
        yield "high up", kitchen.send("put", "/api/kitchen", {
            "name": high["name"], "base": high["version"], "altitude_m": 1500})
        some = [body for _, body in fits(kitchen.recipes, kitchen.pans, kitchen.ovens)]
        for number, body in enumerate(some[:24]):
            yield f"opening {number}", kitchen.post(
                "/api/fit/opening", {**body, "into": body["into"] if number % 4 == 0 else []})
            if number % 3 == 0:
                yield f"compare {number}", kitchen.post(
                    "/api/fit/compare", {"one": body, "other": some[number + 1]})
                yield f"sets {number}", kitchen.post("/api/fit/sets", {
                    "fit": body, "few": 2, "free": {
                        kitchen.pans["round-18"]: 2, kitchen.pans["square-20"]: 1}})
            yield f"altitude {number}", kitchen.post("/api/fit/oven", {
                "fit": body, "altitude": True})
        for number, (recipe, pk) in enumerate(sorted(kitchen.recipes.items())):
            thing = {"length_cm": 10, "width_cm": 6, "height_cm": 4, "factor": 4 + number} if (
                number % 2) else {"length_cm": 8, "height_cm": "8 cm", "wanted_cm": "30 cm"}
            yield f"{recipe} enlarged", kitchen.post("/api/fit/enlarge", {
                "fit": {"recipe": pk, "into": []}, **thing})

    held_against("beside", asked())


@pytest.mark.skipif(not ALL, reason="plans all orders of the season; asked by make known")
def test_a_day_from_the_order_to_the_label(kitchen: Walked) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        ids = list(Order.objects.filter(done=False).order_by("pk").values_list("pk", flat=True))
        plan = kitchen.post("/api/plan", {"orders": ids})
        yield "plan", {key: one for key, one in plan.items() if key != "search"}
        for kind in ("ics", "csv"):
            yield f"file {kind}", kitchen.post(f"/api/plan/file/{kind}", {"orders": ids})
        yield "larder", kitchen.send("put", "/api/larder", {
            "key": "plain_flour", "name": "plain flour", "have_g": 300, "packs": [
                {"g": 1500, "price": 1.6}, {"g": 500}], "where": "mill"})
        yield "bought", kitchen.send("post", "/api/larder/bought", {
            "key": "caster_sugar", "name": "caster sugar", "g": 1000})
        first = next(iter(plan["tasks"]))
        for fix in ({"start": "2026-11-28T09:10:00Z"}, {"done": True}, {"start": None}):
            yield f"fix {fix}", kitchen.send("put", "/api/plan/tasks", {
                "key": first["key"], **fix})
        yield "shopping", kitchen.post("/api/shopping", {"orders": ids})
        for pk in ids:
            yield f"cost {pk}", kitchen.get(f"/api/orders/{pk}/cost")
            for place, order in enumerate(kitchen.get("/api/orders")):
                if order["id"] == pk and order["cakes"][0]["request"]:
                    body = {"fit": order["cakes"][0]["request"], "of_order": f"{pk}.0",
                            "pieces": 8 * place + 1}
                    yield f"label {pk}", kitchen.post("/api/labels", body)
                    yield f"text {pk}", kitchen.post("/api/labels/text", body)
        yield "gone", kitchen.send("post", "/api/leftovers", {
            "name": "lemon curd", "g": 120, "since": "2026-11-25"})
        yield "frozen", kitchen.send("post", "/api/leftovers", {
            "name": "butter cake", "g": 300, "since": "2026-11-01", "stands": "frozen"})
        yield "left", kitchen.get("/api/leftovers")

    held_against("ordered", asked())


@pytest.mark.parametrize("seed", parts_of(3, 1))
def test_a_day_led_through_and_written_down(kitchen: Walked, seed: int) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        dice = random.Random(seed)
        recipe = sorted(kitchen.recipes)[seed]
        fit = {"recipe": kitchen.recipes[recipe], "finishing": FINISHES[seed],
               "into": [{"pan": kitchen.pans["round-20"], "count": 2}]}
        answer = kitchen.send("post", "/api/days", {"fit": fit})
        yield "started", answer
        day, now, number = answer["told"], MORNING, 0
        while day["act"] == "do" and number < 60:
            now += timedelta(minutes=dice.choice([1, 4, 9]))
            step = next(one for one in day["steps"] if one["key"] == day["lead"])
            kind = "put_in" if step["kind"] == "bake" else "done"
            events = [{"id": f"tick-{number:06}", "kind": kind, "step": step["key"]}]
            if step["kind"] == "weigh" and step["amounts"]:
                events.insert(0, {"id": f"amount-{number:06}", "kind": "weighed", "place": 0,
                                  "step": step["key"], "amount": 101.5})
            with time_machine.travel(now, tick=False):
                day = kitchen.post(f"/api/days/{day['id']}/events", {"events": events})
            yield f"tick {number}", day
            number += 1
        bakes = [one["key"] for one in day["steps"] if one["kind"] == "bake"]
        for minutes, kind in ((20, "turned"), (45, "not_yet"), (52, "done")):
            with time_machine.travel(now + timedelta(minutes=minutes), tick=False):
                for bake in bakes:
                    day = kitchen.post(f"/api/days/{day['id']}/events", {"events": [
                        {"id": f"look-{minutes}-{bakes.index(bake)}", "kind": kind, "step": bake}]})
                    yield f"{kind} {bake}", day
        with time_machine.travel(now + timedelta(minutes=130), tick=False):
            yield "finished", kitchen.send("post", f"/api/days/{day['id']}/finish", {
                "bakes": [{"step": one, "how": "little_over", "top": "domed"} for one in bakes],
                "leftovers": [{"name": "buttercream", "g": 80}]})
            yield "bakes", kitchen.get("/api/bakes?limit=3")
            yield "taught", kitchen.get("/api/bakes/taught")
            yield "fit after", kitchen.post("/api/fit", fit)
            yield "reopened", kitchen.send("post", f"/api/days/{day['id']}/reopen", {})

    held_against(f"through-{seed}", asked())
