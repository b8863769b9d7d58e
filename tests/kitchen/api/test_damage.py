"""One bad row is shown as damaged; it never kills a list or a fit."""

from __future__ import annotations

import pytest
from django.db import connection

from entremet.kitchen.api.damage import readable
from entremet.kitchen.documents import requests
from entremet.kitchen.models import Bowl, KeptFit, Oven, RackPan, Recipe


def spoil(table: str, column: str, value: object, pk: int) -> None:
    with connection.cursor() as cursor:
        cursor.execute("PRAGMA ignore_check_constraints = ON")
        cursor.execute(f"UPDATE kitchen_{table} SET {column} = %s WHERE id = %s", [value, pk])
        cursor.execute("PRAGMA ignore_check_constraints = OFF")


@pytest.mark.parametrize(("column", "value"), [
    ("tags", '["\\ud83d"]'), ("tags", "7"), ("tags", "null"), ("title", b"\xff\xfe")])
def test_a_bad_recipe_is_listed_as_damaged(demo, client, column, value):
    bad = Recipe.objects.first()
    spoil("recipe", column, value, bad.pk)
    answer = client.get("/api/recipes")
    assert answer.status_code == 200
    rows = {row["id"]: row["damaged"] for row in answer.json()["rows"]}
    assert rows.pop(bad.pk) is True
    assert set(rows.values()) == {False}
    assert client.get(f"/api/recipes/{bad.pk}").json()["row"]["damaged"]


@pytest.mark.parametrize("card", ["7", "[]", '{"title": ""}', '{"title": "\\ud83d"}'])
def test_a_bad_card_is_a_problem_and_an_earlier_revision_brings_it_back(demo, client, post, card):
    recipe = Recipe.objects.first()
    whole = client.get(f"/api/recipes/{recipe.pk}").json()["card"]
    client.put(f"/api/recipes/{recipe.pk}", {"card": {**whole, "note": "new"}, "base": 1},
               "application/json")
    spoil("revision", "card", card, recipe.revisions.get(number=2).pk)
    opened = client.get(f"/api/recipes/{recipe.pk}")
    assert (opened.status_code, opened.json()["code"]) == (422, "damaged")
    assert client.get(f"/api/recipes/{recipe.pk}/revisions").status_code == 200
    back = post(f"/api/recipes/{recipe.pk}/restore", {"revision": 1, "base": 2})
    assert back.json()["card"] == whole


@pytest.mark.parametrize(("column", "value"), [
    ("across", 0.0), ("points", "7"), ("wall_cm", 9e99), ("label", b"\xff\xfe")])
def test_a_bad_pan_spoils_neither_the_rack_nor_a_fit(demo, client, post, pan_id, column, value):
    bad, good = pan_id("round-20"), pan_id("round-18")
    spoil("rackpan", column, value, bad)
    if column == "points":
        spoil("rackpan", "outline", "drawn", bad)
    rows = client.get("/api/pans")
    assert rows.status_code == 200
    assert [row["id"] for row in rows.json() if row["damaged"]] == [bad]
    if column == "label":
        return
    recipe = Recipe.objects.first().pk
    into = [{"pan": bad}, {"pan": good}]
    fit = post("/api/fit", {"recipe": recipe, "into": into}).json()
    assert fit["findings"][0]["code"] == "pan_damaged"
    assert fit["pans"][1]["batter_g_each"] > 0
    assert post("/api/fit/oven", {"fit": {"recipe": recipe, "into": into[1:]}}).status_code == 200
    sets = {"fit": {"recipe": recipe, "into": []}, "free": {str(bad): 1, str(good): 2}}
    assert post("/api/fit/sets", sets).status_code == 200


def test_bad_ovens_bowls_and_fits_are_listed_as_damaged(demo, client, post, pan_id):
    recipe = Recipe.objects.first().pk
    kept = post("/api/fits", {"name": "Tea", "request": {
        "recipe": recipe, "into": [{"pan": pan_id("round-18")}]}}).json()["id"]
    oven, bowl = client.get("/api/ovens").json()[0]["id"], client.get("/api/bowls").json()[0]["id"]
    spoil("oven", "dial_highest", -4, oven)
    spoil("bowl", "working_ml", 9e99, bowl)
    spoil("keptfit", "request", '{"into": 7}', kept)
    assert [row["damaged"] for row in client.get("/api/ovens").json()[:2]] == [True, False]
    assert client.get("/api/bowls").json()[0]["damaged"]
    assert client.get("/api/fits").status_code == 200
    opened = client.get(f"/api/fits/{kept}")
    assert (opened.status_code, opened.json()["code"]) == (422, "damaged")


@pytest.mark.parametrize(("table", "column", "value", "code"), [
    ("oven", "dial_step", 0, "oven_damaged"), ("oven", "dial_step", "x", "oven_damaged"),
    ("oven", "kind", "zz", "oven_damaged"), ("oven", "shelves", 0, "oven_damaged"),
    ("bowl", "capacity_ml", -1, "bowl_damaged"), ("bowl", "working_ml", "x", "bowl_damaged")])
def test_a_fit_goes_on_without_an_oven_or_a_bowl_that_is_none_any_more(
        demo, post, pan_id, table, column, value, code):
    recipe = Recipe.objects.first().pk
    body = {"recipe": recipe, "into": [{"pan": pan_id("round-18"), "count": 2}]}
    for row in {"oven": Oven, "bowl": Bowl}[table].objects.all():
        spoil(table, column, value, row.pk)
    answer = post("/api/fit", body)
    assert answer.status_code == 200, answer.content
    assert code in {one["code"] for one in answer.json()["findings"]}
    assert answer.json()["bakes"][0]["likely_min"]
    assert post("/api/fit/opening", {"recipe": recipe, "into": []}).status_code == 200


def test_of_several_ovens_a_damaged_one_gives_way_to_a_whole_one(demo, post, pan_id, client):
    first = client.get("/api/ovens").json()[0]["id"]
    spoil("oven", "dial_step", 0, first)
    body = {"recipe": Recipe.objects.first().pk,
            "into": [{"pan": pan_id("round-18"), "count": 2}]}
    answer = post("/api/fit", body).json()
    assert "oven_damaged" not in {one["code"] for one in answer["findings"]}
    told = post("/api/fit", {**body, "oven": first}).json()
    assert "oven_damaged" in {one["code"] for one in told["findings"]}


@pytest.mark.parametrize(("column", "value"), [("scale_step_g", 0), ("units", "zz")])
def test_damaged_habits_read_as_the_usual_ones(demo, post, pan_id, column, value):
    spoil("kitchen", column, value, 1)
    body = {"recipe": Recipe.objects.first().pk,
            "into": [{"pan": pan_id("round-18"), "count": 2}]}
    assert post("/api/fit", body).status_code == 200


def test_a_kept_fit_opens_when_its_pan_has_left_the_rack(demo, client, post, pan_id):
    recipe, pan = Recipe.objects.first().pk, pan_id("fluted-ring")
    request = {"recipe": recipe, "into": [{"pan": pan, "count": 2}]}
    kept = post("/api/fits", {"name": "Tea", "request": request}).json()["id"]
    before = client.get(f"/api/fits/{kept}").json()
    client.delete(f"/api/pans/{pan}")
    after = client.get(f"/api/fits/{kept}")
    assert after.status_code == 200
    own = after.json()["request"]["into"][0]["pan"]
    assert (own["outline"], own["label"]) == ("ring", before["result"]["pans"][0]["label"])
    assert after.json()["result"]["pans"][0]["batter_g_each"] == pytest.approx(
        before["result"]["pans"][0]["batter_g_each"])
    took = post("/api/bakes", {"request": after.json()["request"], "entry": 0, "minutes": 40})
    assert took.status_code == 201, took.content


def test_a_request_of_an_older_form_is_brought_up_to_date(demo, client, post, pan_id, monkeypatch):
    request = {"recipe": Recipe.objects.first().pk, "into": [{"pan": pan_id("round-18")}]}
    kept = KeptFit.objects.get(pk=post("/api/fits", {"name": "Tea", "request": request}
                                       ).json()["id"])
    kept.request = {**request, "pour_it": "same_depth"}
    kept.save()
    assert client.get(f"/api/fits/{kept.pk}").json()["code"] == "damaged"

    def renamed(old: dict) -> dict:
        return {**{name: value for name, value in old.items() if name != "pour_it"},
                "rule": old["pour_it"]}

    monkeypatch.setattr(requests, "CURRENT", 2)
    monkeypatch.setattr(requests, "UPGRADES", {1: renamed})
    opened = client.get(f"/api/fits/{kept.pk}")
    assert (opened.status_code, opened.json()["request"]["rule"]) == (200, "same_depth")
    monkeypatch.undo()
    KeptFit.objects.update(request_version=9)
    newer = client.get(f"/api/fits/{kept.pk}")
    assert (newer.status_code, "newer" in newer.json()["detail"]) == (422, True)


@pytest.mark.parametrize(("path", "body"), [
    ("/api/pans/{pan}", {"pan": {"outline": "round", "across": 19, "wall_cm": 5}, "owned": 1}),
    ("/api/ovens/{oven}", {"name": "Changed"}),
    ("/api/bowls/{bowl}", {"name": "Changed", "capacity_ml": 4000}),
    ("/api/kitchen", {"name": "Changed"})])
def test_a_save_from_an_old_version_writes_over_nothing(demo, client, path, body):
    ids = {name[:-1]: client.get(f"/api/{name}").json()[0]["id"]
           for name in ("pans", "ovens", "bowls")}
    path = path.format(**ids)
    first = client.put(path, {**body, "base": 1}, "application/json")
    assert (first.status_code, first.json()["version"]) == (200, 2)
    stale = client.put(path, {**body, "base": 1}, "application/json")
    assert (stale.status_code, stale.json()["code"]) == (409, "edited_meanwhile")
    assert stale.json()["errors"][0]["field"] == "base"
    assert client.put(path, {**body, "base": 2}, "application/json").json()["version"] == 3


def test_the_rack_of_another_day_is_not_needed_by_a_fit_without_it(demo, post, client):
    RackPan.objects.all().delete()
    fit = post("/api/fit", {"recipe": Recipe.objects.first().pk, "into": [
        {"pan": {"outline": "round", "across": 18, "wall_cm": 6}}]})
    assert fit.status_code == 200


def test_what_cannot_be_shown_of_a_name_is_a_question_mark():
    assert readable("Round 20") == "Round 20"
    assert readable("pl\ud83dum") == "pl?um"
    assert readable(None) == "?"
