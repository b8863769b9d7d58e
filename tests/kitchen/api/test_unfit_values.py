"""No text and no number of any write can kill a room."""

from __future__ import annotations

import json

import pytest
from django.db import transaction

from entremet.kitchen.models import Recipe
from tests.everyday import HOSTILE
from tests.kitchen.api.writes import LISTS, card, every_write, numbers_in, put_in, texts_in

NASTY = ("\ud83d", "ab\udc00", "\x00", "\x1b[2J", "\u202e\u2066", "🧁" * 30, "x" * 5_000, " ",
         "<script>alert(1)</script>", "=1+1", "´'\"\\", "\ufeff", "́" * 50)
HUGE = (-1, 0, 2**31, 2**63, 10**19, 10**20, 10**400, 1e154, 1e308, -1e200, 1e-320)

EVERY = 7
"""Of the places of a value one in so many is tried on a usual day; all in "make hostile"."""


def send(client, method, path, body):
    return getattr(client, method)(path, json.dumps(body), "application/json")


class Undone(Exception):
    """Takes back what a try kept, so that the next starts where this one did."""


def places(kinds, turn):
    """Places of every write; on a usual day each value has its own share of them, all in turns."""
    every = [(method, path, body, place) for method, path, body in list(every_write())
             for place in kinds(body)]
    return every if HOSTILE else every[turn % EVERY::EVERY]


@pytest.mark.parametrize("turn", range(len(NASTY)), ids=lambda turn: ascii(NASTY[turn])[:30])
def test_no_text_of_any_write_breaks_a_room(demo, client, turn):
    nasty = NASTY[turn]
    for method, path, body, place in places(texts_in, turn):
        try:
            with transaction.atomic():
                answer = send(client, method, path, put_in(body, place, nasty))
                assert answer.status_code < 500, (path, place)
                if answer.status_code < 400:
                    for room in LISTS:
                        assert client.get(room).status_code == 200, (path, place, room)
                elif any("\ud800" <= sign <= "\udfff" for sign in nasty):
                    assert answer.json()["code"] == "unfit_value"
                    assert answer.json()["errors"][0]["field"] == ".".join(map(str, place))
                raise Undone
        except Undone:
            pass


@pytest.mark.parametrize("turn", range(len(HUGE)), ids=lambda turn: str(HUGE[turn])[:8])
def test_no_number_of_any_write_breaks_a_room(demo, client, turn):
    for method, path, body, place in places(numbers_in, turn):
        try:
            with transaction.atomic():
                answer = send(client, method, path, put_in(body, place, HUGE[turn]))
                assert answer.status_code < 500, (path, place)
                raise Undone
        except Undone:
            pass


@pytest.mark.parametrize(("field", "value"), [
    ("sides", -1), ("sides", 2**63), ("wells", 2**40), ("flutes", 10**9), ("across", 1.4e154),
    ("width", 1.4e154), ("corner", 1e200), ("capacity_ml", 1e300)])
@pytest.mark.parametrize("outline", ["round", "ring", "polygon"])
def test_a_pan_beyond_measure_is_named_by_its_field(demo, post, outline, field, value):
    pan = {"outline": outline, "across": 20, "tube": 6, "wall_cm": 6, field: value}
    refused = post("/api/pans", {"pan": pan})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"].split(".")[-1] == field
    fit = post("/api/fit", {"recipe": Recipe.objects.first().pk, "into": [{"pan": pan}]})
    assert fit.status_code == 200
    assert fit.json()["findings"][0]["field"] == field


@pytest.mark.parametrize("wrong", [
    {"servings": 10**19}, {"recipe": 10**20}, {"oven": 2**63}, {"bowl": 2**70}, {"joins": 10**30},
    {"egg_count": 1e300}, {"instead": {"1": 2**70}}, {"with_optional": [2**70]}])
def test_a_fit_beyond_range_is_refused_in_words(demo, post, wrong):
    answer = post("/api/fit", {"recipe": Recipe.objects.first().pk, "into": [], **wrong})
    assert answer.status_code in (404, 422)
    assert answer.json()["errors"][0]["field"]


@pytest.mark.parametrize(("field", "value"), [
    ("tags", ["x" * 41]), ("tags", ["x"] * 21), ("signs", ["x" * 201]), ("assumed", ["x" * 81]),
    ("components", [{"key": n, "kind": "batter"} for n in range(1, 50)]),
    ("variants", [{"key": n, "name": "x"} for n in range(1, 50)]),
    ("variants", [{"key": 1, "name": "x" * 81}]),
    ("components", [{"key": 2**31, "kind": "batter"}]),
    ("pans", [{"label": "x" * 81, "measures": {"outline": "round"}}]), ("lines", [{"key": 0,
                                                                                  "text": "x"}])])
def test_all_that_a_card_holds_has_bounds(demo, post, field, value):
    assert post("/api/recipes", {"card": {**card(), "variants": [], field: value}}
                ).status_code == 422


@pytest.mark.parametrize(("place", "value"), [
    (("lines", 0, "key"), True), (("lines", 0, "optional"), 1), (("components", 0, "key"), True),
    (("egg_g",), True), (("stated_low_min",), False), (("variants", 0, "key"), True)])
def test_true_and_false_are_no_numbers_anywhere_on_a_card(demo, post, place, value):
    answer = post("/api/recipes", {"card": put_in(card(), place, value)})
    assert answer.status_code == 422
    assert ".".join(map(str, place)) in answer.json()["errors"][0]["text"] + answer.json()[
        "errors"][0]["field"]


def test_a_body_is_counted_before_it_is_read(demo, post):
    answer = post("/api/desk", {"card": {"title": "x", "lines": [{"key": 1}] * 70_000}})
    assert (answer.status_code, answer.json()["code"]) == (413, "too_large")
    deep: object = []
    for _ in range(60):
        deep = [deep]
    assert post("/api/desk", {"card": deep}).status_code == 413


def test_at_most_twenty_fields_are_named(demo, post):
    answer = post("/api/fit", {"recipe": 1, "into": [], **{f"x{n}": 1 for n in range(8_000)}})
    assert answer.status_code == 422
    assert len(answer.json()["errors"]) == 20
    assert "7981 more" in answer.json()["errors"][-1]["text"]


def test_every_write_builds_its_answer_before_it_keeps(demo, client, monkeypatch):
    def cannot(*_: object, **__: object) -> str:
        raise ValueError("this answer cannot be sent")

    before = {room: client.get(room).content for room in LISTS}
    monkeypatch.setattr("entremet.kitchen.api.rendering.ValueRenderer.render", cannot)
    client.raise_request_exception = False
    for method, path, body in list(every_write()):
        if path != "/api/answers":  # answers with nothing
            assert send(client, method, path, body).status_code == 500, path
    for path in (f"/api/recipes/{Recipe.objects.first().pk}/duplicate",):
        assert client.post(path).status_code == 500
    monkeypatch.undo()
    assert {room: client.get(room).content for room in LISTS} == before
