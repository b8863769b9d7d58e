"""The kitchen says what it said: fits, finishes, ovens, labels, days, texts, files."""

from __future__ import annotations

import json
import os
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from django.test import Client

from entremet.kitchen.models import Order, Oven, RackPan, Recipe
from tests.core.reading.score import texts
from tests.demo_rows import put_demo
from tests.everyday import some
from tests.known.digest import changed, digests
from tests.known.questions import ORDERS, TEXTS, fits

HERE = Path(__file__).parent / "answers"
NEW = os.environ.get("ENTREMET_KNOWN") == "renew"
"""Set by ``make known``: the answers as they are now become the known ones."""

ALL = bool(os.environ.get("ENTREMET_KNOWN"))
"""Whether all are asked, as "make known" does; a day's run takes a sample."""

PARTS = 8
"""Fits are asked in so many parts, so that workers share them."""


def parts_of(many: int, few: int) -> list[int]:
    """Return the parts that are asked: a few each day, spread over the row, or all."""
    return list(range(many)) if ALL else some(range(many), few)


class Kitchen:
    """The demo kitchen, asked."""

    def __init__(self) -> None:
        self.client = Client()
        self.recipes = dict(Recipe.objects.values_list("key", "pk"))
        self.pans = dict(RackPan.objects.values_list("key", "pk"))
        self.ovens = dict(Oven.objects.values_list("key", "pk"))

    def post(self, path: str, body: Any) -> Any:
        """Return the answer, its status too where it is refused."""
        return _told(self.client.post(path, json.dumps(body), content_type="application/json"))

    def get(self, path: str) -> Any:
        """Return what lies there."""
        return _told(self.client.get(path))


def _told(answer: Any) -> Any:
    if answer.headers.get("content-type", "").startswith(
            ("application/json", "application/problem")):
        said = json.loads(answer.content)
        return said if answer.status_code == 200 else {"status": answer.status_code, "told": said}
    return answer.content.decode("utf-8", "replace").splitlines()


@pytest.fixture
def kitchen(db: None) -> Kitchen:
    put_demo()
    return Kitchen()


def held_against(name: str, answers: Iterator[tuple[str, Any]], *, deep: int = 2) -> None:
    """Hold answers against the known ones of a name, or keep them where they are renewed."""
    now = {question: digests(answer, deep=deep) for question, answer in answers}
    path = HERE / f"{name}.json"
    if NEW:
        path.write_text("{\n" + ",\n".join(
            f"{json.dumps(question, ensure_ascii=False)}: {json.dumps(one, ensure_ascii=False)}"
            for question, one in now.items()) + "\n}\n", "utf-8")
    known = json.loads(path.read_text("utf-8"))
    differs = {question: paths for question in known.keys() | now.keys()
               if (paths := changed(known.get(question, {}), now.get(question, {})))}
    assert not differs, f"{len(differs)} answers changed; on purpose? then make known: {differs}"


@pytest.mark.parametrize("part", parts_of(PARTS, 3))
def test_fits_and_all_that_hangs_on_them(kitchen: Kitchen, part: int) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for number, (name, body) in enumerate(fits(kitchen.recipes, kitchen.pans, kitchen.ovens)):
            if number % PARTS != part:
                continue
            yield f"{name} fit", kitchen.post("/api/fit", body)
            yield f"{name} finish", kitchen.post("/api/fit/finish", body)
            if number % 2 == 0:
                yield f"{name} oven", kitchen.post("/api/fit/oven", body)
                yield f"{name} label", kitchen.post("/api/labels", {
                    "fit": body, "made_on": "2031-10-11", "pieces": 1 + number % 3})
            if number % 6 == 0:
                yield f"{name} curve", kitchen.post("/api/fit/curve", {"fit": body, "entry": 0})
            if number % 20 == 0:
                yield f"{name} sets", kitchen.post("/api/fit/sets", {"fit": body, "few": 3})

    held_against(f"fits-{part}", asked())


def test_days_of_orders(kitchen: Kitchen) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        Order.objects.all().delete()
        ids = []
        for place, (due, recipe, pan, count, finishing) in enumerate(ORDERS):
            fit = {"recipe": kitchen.recipes[recipe], "finishing": finishing or None,
                   "into": [{"pan": kitchen.pans[pan], "count": count}]}
            kitchen.post("/api/orders", {
                "title": f"Order {place}", "due": due, "sold": place % 2 == 0,
                "drive_min": 20 * place, "cakes": [
                    {"fit": fit, "count": 1 + place // 3, "inscription": "Maud" * (place % 2)}]})
        ids = list(Order.objects.order_by("pk").values_list("pk", flat=True))
        yield "orders", _nameless(kitchen.get("/api/orders"))
        for few in ([0], [1, 2], [0, 1, 2, 3]):
            chosen = {"orders": [ids[place] for place in few]}
            plan = kitchen.post("/api/plan", {**chosen, "hands": len(few) // 3 + 1})
            yield f"plan {few}", _nameless(plan)
            yield f"shopping {few}", kitchen.post("/api/shopping", chosen)
            for kind in ("csv", "txt"):
                yield f"list {few} {kind}", kitchen.post(f"/api/shopping/file/{kind}", chosen)
        for place, pk in enumerate(ids):
            yield f"cost {place}", kitchen.get(f"/api/orders/{pk}/cost")

    held_against("days", asked())


def _nameless(answer: Any) -> Any:
    """Return a plan without the ids that rows happen to have."""
    text = json.dumps(answer)
    first = Order.objects.order_by("pk").values_list("pk", flat=True)
    for place, pk in enumerate(first):
        text = text.replace(f'"{pk}.', f'"#{place}.').replace(f'"id": {pk}', f'"id": "#{place}"')
    return json.loads(text)


def test_texts_and_lines_as_they_are_read(kitchen: Kitchen) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for one in texts("texts"):
            read = kitchen.post("/api/readings", {"text": one.text})
            yield one.name, read
            if "card" in read:
                yield f"{one.name} desk", kitchen.post("/api/desk", {"card": read["card"]})
        for line in TEXTS:
            yield line, kitchen.post("/api/readings/line", {"text": line})

    held_against("texts", asked())


@pytest.mark.parametrize("part", parts_of(3, 1))
def test_cards_of_other_hands_in_pans_of_this_rack(kitchen: Kitchen, part: int) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        rack = [kitchen.pans[key] for key in ("round-20", "square-20", "tray-12", "fluted-ring")]
        for number, one in enumerate(texts("texts")):
            if number % 3 != part:
                continue
            read = kitchen.post("/api/readings", {"text": one.text})
            made = kitchen.client.post("/api/recipes", json.dumps({"card": read.get("card")}),
                                       content_type="application/json")
            if made.status_code != 201:
                yield one.name, _told(made)
                continue
            body = {"recipe": json.loads(made.content)["row"]["id"],
                    "into": [{"pan": rack[number % 4], "count": 1 + number % 2}]}
            yield f"{one.name} fit", kitchen.post("/api/fit", body)
            yield f"{one.name} finish", kitchen.post("/api/fit/finish", body)
            yield f"{one.name} label", kitchen.post("/api/labels", {
                "fit": body, "made_on": "2031-10-11"})

    held_against(f"others-{part}", asked(), deep=1)


def test_cards_as_they_stand_and_leave(kitchen: Kitchen) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for key, pk in sorted(kitchen.recipes.items()):
            card = kitchen.get(f"/api/recipes/{pk}")
            yield key, {name: one for name, one in card.items()
                        if name not in ("id", "created_at", "updated_at", "revisions")}
        for key, pk in sorted(kitchen.pans.items()):
            yield f"{key} template", kitchen.get(f"/api/pans/{pk}/template")
        yield "choices", kitchen.get("/api/choices")
        for words in ("flour", "buter", "choc", "crème", "sugar", "zz"):
            yield f"search {words}", kitchen.get(f"/api/ingredients?words={words}")

    held_against("cards", asked())
