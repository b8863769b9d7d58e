"""A write says what it touched, and other screens hear of it."""

from __future__ import annotations

import pytest
from django.apps import apps

from entremet.kitchen.actions import changes
from entremet.kitchen.actions.changes import OF_TABLE, Topic


@pytest.fixture
def heard(client):
    def ask(start=None, since=0):
        path = "/api/changes" if start is None else f"/api/changes?start={start}&since={since}"
        return client.get(path).json()
    return ask


def topics(answer):
    return set(answer.headers.get("Kitchen-Touched", "0").split()[1:])


def test_every_table_of_the_kitchen_is_of_a_topic():
    names = {one._meta.db_table.removeprefix("kitchen_")
             for one in apps.get_app_config("kitchen").get_models()}
    assert names == set(OF_TABLE)
    assert set(OF_TABLE.values()) == set(Topic) - {Topic.COPIES}


def test_a_write_names_what_it_touched_and_a_read_names_nothing(demo, client, post, put, pan_id,
                                                                recipe_id):
    oven = client.get("/api/ovens").json()[0]
    assert topics(client.get("/api/ovens")) == set()
    assert topics(post("/api/leftovers", {"name": "curd", "g": 80, "since": "2026-11-20"})) == {
        "leftovers"}
    assert "pans" in topics(client.delete(f"/api/pans/{pan_id('round-18')}"))
    fit = {"recipe": recipe_id("parsnip-honey"), "into": [{"pan": pan_id("round-20"), "count": 2}]}
    assert topics(post("/api/fit", fit)) == set()
    added = post("/api/orders", {"title": "Tea", "due": "2031-10-11T15:00:00Z",
                                 "cakes": [{"fit": fit}]})
    assert topics(added) == {"orders"}
    assert topics(post("/api/bakes", {"request": fit, "minutes": 31})) == {"bakes"}
    refused = client.delete("/api/ovens/99999")
    assert refused.status_code == 404
    assert topics(refused) == set()
    assert oven


def test_a_tick_is_told_too_so_that_a_plan_on_another_screen_goes_on(demo, client, post, heard):
    order = client.get("/api/orders").json()[0]
    day = post("/api/days", {"orders": [order["id"]]}).json()
    before = heard()
    answer = post(f"/api/days/{day['id']}/events", {"events": [
        {"id": "a-tick-of-it", "kind": "done", "step": day["lead"]}]})
    assert topics(answer) == {"ticks"}
    assert heard(before["start"], before["number"])["topics"] == ["ticks"]


def test_another_screen_hears_of_it_once(demo, post, heard):
    first = heard()
    assert first["topics"] == []
    post("/api/leftovers", {"name": "curd", "g": 80, "since": "2026-11-20"})
    second = heard(first["start"], first["number"])
    assert second["topics"] == ["leftovers"]
    assert second["number"] == first["number"] + 1
    assert heard(second["start"], second["number"])["topics"] == []


def test_a_number_of_another_run_says_that_anything_may_be_touched(heard):
    now = heard()
    assert set(heard("another", now["number"])["topics"]) == {one.value for one in Topic}
    assert set(heard(now["start"], now["number"] + 5)["topics"]) == {one.value for one in Topic}


@pytest.mark.parametrize(("sql", "topic"), [
    ('INSERT INTO "kitchen_order" ("id") VALUES (1)', {Topic.ORDERS}),
    ('INSERT OR IGNORE INTO "kitchen_tick" ("id") VALUES (1)', {Topic.TICKS}),
    ('UPDATE "kitchen_stockrow" SET "name" = 1', {Topic.LARDER}),
    ('DELETE FROM "kitchen_oven" WHERE 0', {Topic.OVENS}),
    ('SELECT * FROM "kitchen_oven"', set()), ('UPDATE "django_session" SET a = 1', set())])
def test_topics_are_told_by_the_tables_that_are_written_to(sql, topic, db, monkeypatch):
    noted = []
    monkeypatch.setattr(changes.connection, "execute_wrapper", lambda noting: _Noted(noting, noted))
    with changes.watched() as found:
        noted[0](lambda *_: None, sql, (), False, {})
    assert found == topic


class _Noted:
    def __init__(self, noting, into):
        into.append(noting)

    def __enter__(self):
        return self

    def __exit__(self, *_):
        return False
