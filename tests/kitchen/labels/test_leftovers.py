"""The larder of leftovers: how long each keeps, what goes first, what would take it."""

from __future__ import annotations

from datetime import timedelta

import pytest
from django.core.management import call_command
from django.db import connection
from django.db.migrations.executor import MigrationExecutor

from entremet.core.keeping.leftovers import KINDS, Stands, leftover_kind, usual_place
from entremet.kitchen.actions import leftovers
from entremet.kitchen.actions.labels import today
from entremet.kitchen.models import Leftover, StockRow


@pytest.fixture
def add(demo, post):
    def add_one(name, status=201, **more):
        answer = post("/api/leftovers", {"name": name, "g": 100, **more})
        assert answer.status_code == status, answer.content
        return answer.json()
    return add_one


def listed(client):
    return client.get("/api/leftovers").json()


def test_what_has_to_go_first_stands_first_with_recipes_that_take_it(add, client):
    day = str(today())
    jam, yolks = add("Plum jam"), add("3 egg yolks")
    assert [one["name"] for one in listed(client)] == ["3 egg yolks", "Plum jam"]
    assert yolks["until"] == str(today() + timedelta(days=2))
    assert (jam["since"], jam["stands"], jam["left_days"]) == (day, "chilled", 14)
    assert any("Plum" in one["title"] for one in jam["recipes"])
    assert add("Raised batter")["until"] is None


def test_a_freezer_keeps_it_longer_and_past_its_day_it_is_said(add, client, put):
    whites = add("Egg whites", since=str(today() - timedelta(days=6)))
    assert whites["left_days"] == -2
    moved = put(f"/api/leftovers/{whites['id']}", {
        "g": 80, "since": whites["since"], "stands": "frozen", "base": whites["version"]}).json()
    assert (moved["g"], moved["left_days"]) == (80, 84)
    assert put(f"/api/leftovers/{whites['id']}", {
        "g": 80, "stands": "cool", "base": 1}).status_code == 409
    cool = put(f"/api/leftovers/{whites['id']}", {
        "g": 80, "since": whites["since"], "stands": "cool", "base": 2}).json()
    assert cool["until"] is None
    assert "does not keep cool" in cool["words"]


def test_a_larder_holds_so_many_and_no_more(add, monkeypatch):
    monkeypatch.setattr(leftovers, "MOST_LEFTOVERS", 2)
    add("Ganache"), add("Curd")
    told = add("Jam", status=422)
    assert "2 leftovers at most" in told["detail"]
    assert told["errors"][0]["field"] == "name"


def test_what_is_gone_can_come_back(add, client, post):
    row = add("Ganache")
    assert post(f"/api/leftovers/{row['id']}/gone", {"gone": True}).status_code == 200
    assert listed(client) == []
    post(f"/api/leftovers/{row['id']}/gone", {"gone": False})
    assert len(listed(client)) == 1
    assert post("/api/leftovers/999/gone", {"gone": True}).status_code == 404


@pytest.mark.parametrize(("wrong", "field"), [
    ({"g": 0}, "g"), ({"g": 1e9}, "g"), ({"since": "yesterday"}, "since"),
    ({"stands": "attic"}, "stands")])
def test_what_cannot_be_is_refused(add, wrong, field):
    assert add("Ganache", status=422, **wrong)["errors"][0]["field"] == field


def test_one_of_unknown_age_is_doubted(demo, client):
    Leftover.objects.create(name="Lemon curd", g=50, stands="chilled")
    row = listed(client)[0]
    assert row["until"] is None
    assert row["words"].startswith("Nobody knows since when")
    assert row["kind"] == "curd"


def test_each_kind_keeps_somewhere_or_says_why_not():
    for kind in KINDS.values():
        assert kind.days or "never" in kind.note
        assert all(days > 0 for days in kind.days.values())
        assert not kind.days or usual_place(kind) in kind.days
        for word in kind.words:
            assert leftover_kind(f"some {word}") in list(KINDS.values())
    assert Stands.CHILLED not in KINDS["fondant"].days


@pytest.mark.django_db(transaction=True)
def test_what_lay_in_the_larder_before_is_taken_over_without_a_date():
    executor = MigrationExecutor(connection)
    executor.migrate([("kitchen", "0013_logbook")])
    old = executor.loader.project_state([("kitchen", "0013_logbook")]).apps
    stock = old.get_model("kitchen", "StockRow")
    stock.objects.create(key="left:lemon curd", name="Lemon curd, left over", have_g=120)
    stock.objects.create(key="left:old", name="Old, left over", have_g=0)
    stock.objects.create(key="caster_sugar", name="Caster sugar", have_g=5)
    call_command("migrate", verbosity=0)
    row = Leftover.objects.get()
    assert (row.name, row.g, row.since) == ("Lemon curd", 120, None)
    assert [one.key for one in StockRow.objects.all()] == ["caster_sugar"]
