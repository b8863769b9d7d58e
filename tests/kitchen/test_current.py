"""What is kept between requests is never older than what is stored."""

from __future__ import annotations

import json
import re
import sqlite3
from contextlib import closing
from pathlib import Path

import pytest
from django.db import connection, transaction

from entremet.kitchen.api.rendering import sent
from entremet.kitchen.current import current, forget
from entremet.kitchen.demo.loading import load_demo
from entremet.kitchen.models import Bowl, Oven, RackPan, Recipe
from tests.kitchen.conftest import Screen

pytestmark = pytest.mark.django_db(transaction=True)


@pytest.fixture
def kitchen():
    load_demo()
    forget()
    yield Screen()
    forget()


def post(client, path, body):
    answer = client.post(path, json.dumps(body), content_type="application/json")
    assert answer.status_code == 200, answer.content
    return answer.json()


def fit_of(client):
    return post(client, "/api/fit", {
        "recipe": Recipe.objects.get(key="parsnip-honey").pk,
        "into": [{"pan": RackPan.objects.get(key="round-20").pk, "count": 2}]})


def test_work_is_done_once_while_nothing_changes(kitchen, django_assert_num_queries):
    done = []
    assert [current("x", lambda: done.append(1) or "kept") for _ in range(3)] == ["kept"] * 3
    assert len(done) == 1
    first = fit_of(kitchen)
    request = {"recipe": Recipe.objects.get(key="parsnip-honey").pk,
               "into": [{"pan": RackPan.objects.get(key="round-20").pk, "count": 2}]}
    with django_assert_num_queries(0):
        assert post(kitchen, "/api/fit", request) == first


@pytest.mark.parametrize("change", [
    lambda: RackPan.objects.filter(key="round-20").update(across=24),
    lambda: RackPan.objects.filter(key="round-20").update(label="Round twenty"),
    lambda: Oven.objects.filter(is_default=True).update(dial_off_c=12),
    lambda: Bowl.objects.all().delete(),
    lambda: Recipe.objects.get(key="parsnip-honey").revisions.update(card={
        **Recipe.objects.get(key="parsnip-honey").revisions.get().card, "title": "Renamed"})])
def test_every_change_is_in_the_very_next_fit(kitchen, change):
    before = fit_of(kitchen)
    change()
    assert fit_of(kitchen) != before


def test_another_programs_change_is_seen_too(kitchen):
    before = fit_of(kitchen)
    name = str(connection.settings_dict["NAME"])
    with closing(sqlite3.connect(name, uri=name.startswith("file:"))) as other:
        other.execute("UPDATE kitchen_rackpan SET across = 24 WHERE key = 'round-20'")
        other.commit()
    assert fit_of(kitchen) != before


def test_what_a_transaction_sees_stays_inside_it(kitchen):
    before = fit_of(kitchen)
    with transaction.atomic():
        RackPan.objects.filter(key="round-20").update(across=24)
        assert fit_of(kitchen) != before
        transaction.set_rollback(True)
    assert fit_of(kitchen) == before


def test_an_error_is_never_kept(kitchen):
    body = {"recipe": 99_999, "into": []}
    for _ in range(2):
        answer = kitchen.post("/api/fit", json.dumps(body), content_type="application/json")
        assert answer.status_code == 404


def test_no_two_answers_are_kept_under_one_name():
    """The same body asked of two operations is two answers."""
    routers = Path(sent.__code__.co_filename).parent / "routers"
    names = [name for file in routers.glob("*.py")
             for name in re.findall(r'\bsent\(\s*"([^"]+)"', file.read_text("utf-8"))]
    assert len(names) > 5
    assert len(set(names)) == len(names)
