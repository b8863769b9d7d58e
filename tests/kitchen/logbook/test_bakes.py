"""Bakes entered, changed, found, compared and taken away."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

import pytest

from entremet.kitchen.models import Bake, Oven, Recipe, Workday
from tests.kitchen.logbook.conftest import lesson

HOUR = timedelta(hours=1)



def test_a_bake_taken_away_is_really_gone_and_can_come_back(log, bake, client, post):
    before = bake()
    kept = log(39)
    moved = bake()
    assert moved["exact"] != before["exact"]
    assert client.delete(f"/api/bakes/{kept['id']}").status_code == 204
    assert bake()["exact"] == before["exact"]
    assert client.get(f"/api/bakes/{kept['id']}").status_code == 404
    assert client.get("/api/bakes").json()["count"] == 0
    assert post(f"/api/bakes/{kept['id']}/back", {}).status_code == 200
    assert bake()["exact"] == pytest.approx(moved["exact"])


@pytest.mark.parametrize(("change", "field"), [
    ({"minutes": 0}, "minutes"), ({"minutes": 601}, "minutes"), ({"how": "nice"}, "how"),
    ({"top": "round"}, "top"), ({"entry": 4}, "entry"), ({"height_cm": 900}, "height_cm"),
    ({"baked_at": "2031-01-01T10:00:00Z"}, "baked_at"),
    ({"baked_at": "2026-01-01T10:00:00"}, "baked_at"),
    ({"baked_at": "0001-01-01T00:00:00+14:00"}, "baked_at"),
    ({"baked_at": "9999-12-31T23:59:59-14:00"}, "baked_at"), ({"tags": ["x" * 50]}, "tags.0"),
    ({"nonsense": 1}, "nonsense"),
])
def test_what_cannot_be_is_refused_and_its_field_is_named(post, request_body, change, field):
    response = post("/api/bakes", {"request": request_body, "minutes": 34, **change})
    assert response.status_code == 422
    assert response.json()["errors"][0]["field"] == field
    assert Bake.objects.count() == 0


def test_a_change_made_elsewhere_is_not_written_over(log, put):
    one = log(35)
    body = {"minutes": 36, "base": one["version"], "how": "right"}
    assert put(f"/api/bakes/{one['id']}", body).json()["minutes"] == 36
    again = put(f"/api/bakes/{one['id']}", {**body, "minutes": 40})
    assert (again.status_code, again.json()["code"]) == (409, "edited_meanwhile")
    assert Bake.objects.get().minutes == 36


def test_bakes_are_listed_newest_first_and_found_by_words_and_tags(log, client):
    now = datetime.now(UTC)
    log(35, baked_at=(now - 2 * HOUR).isoformat(), note="Seeds toasted darker", tags=["Fair"])
    log(36, baked_at=(now - HOUR).isoformat(), change="less honey")
    rows = client.get("/api/bakes").json()
    assert [one["minutes"] for one in rows["bakes"]] == [36, 35]
    assert rows["tags"] == ["Fair"]

    def found(words):
        return [one["minutes"] for one in client.get(f"/api/bakes?{words}").json()["bakes"]]

    assert found("search=toasted") == [35]
    assert found("search=HONEY less") == [36]
    assert found("search=round 18 main") == [36, 35]
    assert found("tag=fair") == [35]
    assert found("search=giraffe") == []
    assert found("limit=1&offset=1") == [35]


def test_a_bake_outlives_recipe_pan_and_oven(log, client, pan_id, taught):
    one = log(36)
    client.delete(f"/api/pans/{pan_id('round-18')}")
    Oven.objects.all().delete()
    Recipe.objects.all().delete()
    there = client.get(f"/api/bakes/{one['id']}").json()
    assert (there["recipe"], there["pan"], there["oven"]) == (None, None, None)
    assert (there["recipe_title"], there["pan_label"], there["oven_name"], there["dial"]) == (
        "Parsnip and honey layer cake", "Round 18", "Main oven", "170 °C")
    assert lesson(taught(), "oven")["name"] == "Main oven"


def test_last_time_is_said_in_the_next_fit_and_on_the_desk(log, fit, pan_id, client):
    log(36, top="sunk", change="Open the door later", note="Pears were wet", note_step="Fold in")
    answer = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})
    said = {one["code"]: one["text"] for one in answer["findings"]}
    assert "Round 18) it sank" in said["last_time"]
    assert "Open the door later" in said["last_time_change"]
    assert "at “Fold in”: Pears were wet" in said["last_time_note"]
    recipe = Recipe.objects.get(key="parsnip-honey").pk
    assert [one["code"] for one in client.get(f"/api/bakes/last?recipe={recipe}").json()] == [
        "last_time", "last_time_change", "last_time_note"]
    log(36, top="flat")
    later = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})
    assert not any(one["code"].startswith("last_time") for one in later["findings"])


def test_last_time_is_dated_by_the_kitchens_clock(log, fit, pan_id):
    log(36, top="sunk", baked_at="2026-11-03T23:30:00Z")
    for zone, day in (("Europe/Berlin", "4 Nov"), ("America/Halifax", "3 Nov")):
        Workday.objects.update_or_create(pk=1, defaults={"zone": zone})
        answer = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})
        assert any(f"Last time ({day}, Round 18)" in one["text"] for one in answer["findings"])


def test_two_bakes_are_compared_by_all_that_differed(log, post, client, recipe_id, pan_id):
    first = log(34, top="flat", height_cm=5.2)
    second = post("/api/bakes", {"request": {
        "recipe": recipe_id("parsnip-honey"), "strips": True,
        "into": [{"pan": pan_id("round-20"), "count": 2}]}, "minutes": 41, "how": "raw"}).json()
    answer = client.get(f"/api/bakes/compare?one={first['id']}&other={second['id']}").json()
    rows = {row["what"]: (row["one"], row["other"]) for row in answer["differed"]}
    assert rows["Pan"] == ("2 × Round 18", "2 × Round 20")
    assert rows["Taken out"] == ("34 min", "41 min")
    assert rows["How it was"] == ("right", "raw in the middle")
    assert rows["Height"] == ("5.2 cm", "")
    assert rows["Strips"] == ("", "round the pan")
    assert "Oven" not in rows
    assert answer["words"].startswith("2 things were done otherwise at once")
    same = client.get(f"/api/bakes/compare?one={first['id']}&other={first['id']}").json()
    assert (same["differed"], same["words"]) == ([], "")
    cake = post("/api/bakes", {"request": {
        "recipe": recipe_id("black-sesame"), "into": [{"pan": pan_id("sheet-33")}]},
        "minutes": 33}).json()
    wrong = client.get(f"/api/bakes/compare?one={first['id']}&other={cake['id']}")
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (422, "other")


def test_within_the_hour_every_bake_taken_away_can_come_back(log, client, post):
    one, other = log(35), log(36)
    for bake in (one, other):
        client.delete(f"/api/bakes/{bake['id']}")
    assert post(f"/api/bakes/{one['id']}/back", {}).status_code == 200
    Bake.objects.filter(pk=other["id"]).update(removed_at=datetime.now(UTC) - 2 * HOUR)
    client.delete(f"/api/bakes/{one['id']}")
    assert post(f"/api/bakes/{other['id']}/back", {}).status_code == 404


@pytest.mark.parametrize("damage", [
    {"how": "wonderful"}, {"kind": "campfire", "hot_after_min": 20.0}, {"model_min": 0.0},
    {"planned": "nothing"}, {"planned": {"set_c": "hot"}, "oven_read_c": 150.0},
    {"top": "ran_over", "planned": []}, {"tags": 4}, {"request": "none"},
])
def test_a_damaged_bake_spoils_no_fit_and_no_list(log, bake, client, taught, damage):
    log(36)
    broken = log(37)
    Bake.objects.filter(pk=broken["id"]).update(**damage)
    assert bake()["likely_min"] > 34
    rows = client.get("/api/bakes")
    assert (rows.status_code, rows.json()["count"]) == (200, 2)
    assert taught()["bakes"] == 2
    assert client.get("/api/bakes/again").status_code == 200
    assert client.get("/api/bakes/file.csv").status_code == 200
