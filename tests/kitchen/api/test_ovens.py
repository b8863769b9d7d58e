"""Ovens and habits of the kitchen, and the view at the oven, over the API."""

from __future__ import annotations

import pytest

from entremet.kitchen.models import Kitchen, Oven

GAS = {"name": " Hall  cooker ", "kind": "gas", "dial": "mark", "dial_step": 0.5,
       "dial_lowest": 0.5, "dial_highest": 9, "shelf_width_cm": "18 in", "shelf_depth_cm": 36,
       "shelves": 3, "dial_off_c": -8, "preheat_min": 25}


@pytest.fixture
def put(client):
    return lambda path, body: client.put(path, body, "application/json")


@pytest.fixture
def oven_id():
    return lambda key: Oven.objects.get(key=key).pk


@pytest.fixture
def at_oven(post, recipe_id, pan_id):
    def ask(recipe, *into, altitude=False, **choices):
        response = post("/api/fit/oven", {"altitude": altitude, "fit": {
            "recipe": recipe_id(recipe), **choices,
            "into": [{"pan": pan_id(key), "count": count} for key, count in into]}})
        assert response.status_code == 200, response.content
        return response.json()
    return ask


def test_ovens_are_added_changed_and_taken_away(db, client, post, put):
    added = post("/api/ovens", GAS)
    assert added.status_code == 201, added.content
    oven = added.json()
    assert (oven["name"], oven["kind_words"], oven["has_dial"]) == ("Hall cooker", "gas oven", True)
    assert oven["shelf_width_cm"] == pytest.approx(45.72)
    assert oven["is_default"]
    assert oven["origins"]["dial_off_c"]["origin"] == "measured"
    second = post("/api/ovens", {"name": "Steamer", "kind": "steam", "is_default": True}).json()
    assert second["origins"]["preheat_min"]["origin"] == "assumed"
    assert [one["name"] for one in client.get("/api/ovens").json()] == ["Steamer", "Hall cooker"]
    changed = put(f"/api/ovens/{oven['id']}", {**GAS, "name": "Cooker", "is_default": True,
                                                  "base": 1})
    assert changed.json()["name"] == "Cooker"
    assert Oven.objects.filter(is_default=True).count() == 1
    assert client.delete(f"/api/ovens/{oven['id']}").status_code == 204
    assert client.get("/api/ovens").json()[0]["is_default"]
    assert client.delete(f"/api/ovens/{oven['id']}").status_code == 404


@pytest.mark.parametrize(("wrong", "field"), [
    ({"dial_step": 0}, "dial_step"), ({"dial_lowest": 12}, "dial_step"),
    ({"shelves": 0}, "shelves"), ({"dial_off_c": 200}, "dial_off_c"),
    ({"preheat_min": 500}, "preheat_min"), ({"shelf_width_cm": None}, "shelf_width_cm"),
    ({"shelf_depth_cm": "wide"}, "shelf_depth_cm"), ({"kind": "campfire"}, "kind"),
    ({"name": ""}, "name"), ({"is_default": 1}, ""),
])
def test_an_oven_that_cannot_be_is_named_and_not_kept(db, post, wrong, field):
    response = post("/api/ovens", {**GAS, **wrong})
    assert response.status_code == 422
    if field:
        assert response.json()["errors"][0]["field"] == field
    assert Oven.objects.count() == 0


def test_a_kitchen_keeps_twenty_ovens(db, post):
    for number in range(20):
        assert post("/api/ovens", {"name": f"Oven {number}"}).status_code == 201
    assert post("/api/ovens", {"name": "one more"}).status_code == 422


def test_habits_are_kept_and_checked(demo, client, put):
    body = {"name": "Orchard Kitchen", "scale_step_g": 0.1, "altitude_m": 1600, "base": 1}
    assert put("/api/kitchen", body).json()["altitude_m"] == 1600
    assert client.get("/api/kitchen").json()["name"] == "Orchard Kitchen"
    for field, wrong in ("scale_step_g", 0.3), ("altitude_m", 9000):
        refused = put("/api/kitchen", {**body, field: wrong, "base": 2})
        assert refused.status_code == 422
        assert refused.json()["errors"][0]["field"] == field
    assert Kitchen.objects.get().scale_step_g == 0.1


def test_one_recipe_through_three_ovens(demo, fit, pan_id, oven_id):
    own = {"pan": pan_id("round-18"), "count": 2}
    main, upper, hall, steamer = (
        fit("parsnip-honey", own, oven=oven_id(key))["bakes"][0]
        for key in ("main", "upper", "hall", "steamer"))
    assert (main["dial"], upper["dial"], hall["dial"], steamer["dial"]) == (
        "170 °C", "150 °C fan", "gas mark 3½", "over boiling water")
    assert main["likely_min"] == upper["likely_min"] == 34
    assert upper["latest_min"] > main["latest_min"]
    assert steamer["crust"] == "no crust: it is steamed"
    assert steamer["likely_min"] != 34


def test_a_recipe_in_phases_keeps_its_covering_point(demo, fit, pan_id):
    own = fit("oat-damson", {"pan": pan_id("loaf-23"), "count": 1})
    bake = own["bakes"][0]
    assert [(one["from_min"], one["to_min"], one["dial"], one["covered"])
            for one in bake["phases"]] == [
        (0, 15, "180 °C", False), (15, 35, "160 °C", False), (35, None, "160 °C", True)]
    assert bake["written"] == "gas mark 4, then gas mark 3"
    small = fit("oat-damson", {"pan": pan_id("loaf-23"), "count": 1,
                               "rule": {"kind": "grams", "grams": 600}})["bakes"][0]
    assert small["likely_min"] < bake["likely_min"]
    cover = small["phases"][-1]
    assert cover["covered"]
    assert cover["from_min"] / small["exact"]["likely_min"] == pytest.approx(35 / 60, abs=0.02)


def test_the_view_holds_card_schools_loads_and_ways(demo, at_oven):
    view = at_oven("parsnip-honey", ("round-18", 4))
    assert view["card"]["heat_before_min"] == 18
    assert view["card"]["origins"]["heat_before_min"]["origin"] == "given"
    assert [one["school"] for one in view["schools"]] == [
        "same_crust", "both_ways", "as_recipe", "lower"]
    assert [len(row) for row in view["loads"][0]["shelves"]] == [2, 2]
    assert {one["way"] for one in view["ways"]} >= {"at_once", "turns"}
    assert view["height"] is None
    assert not view["waiting"]["waits"]


def test_advice_for_high_kitchens_wants_the_height_first(demo, post, put, recipe_id, at_oven):
    refused = post("/api/fit/oven", {"altitude": True, "fit": {
        "recipe": recipe_id("parsnip-honey"), "into": []}})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"] == "altitude"
    put("/api/kitchen", {"name": "High", "altitude_m": 1600, "base": 1})
    view = at_oven("parsnip-honey", ("round-18", 2), altitude=True)
    assert view["height"]["boiling_c"] == pytest.approx(94.6, abs=0.1)
    assert view["height"]["rows"]


def test_curves_of_one_pan(demo, post, recipe_id, pan_id):
    body = {"recipe": recipe_id("parsnip-honey"),
            "into": [{"pan": pan_id("round-18"), "count": 2}]}
    answer = post("/api/fit/curve", {"fit": body, "entry": 0}).json()
    curve = answer["curves"][answer["chosen"]]
    assert (curve["dial"], curve["likely_min"]) == ("170 °C", 34)
    assert max(one["centre_c"] for one in curve["moments"]) == 100
    wrong = post("/api/fit/curve", {"fit": body, "entry": 3})
    assert wrong.status_code == 422
    assert wrong.json()["errors"][0]["field"] == "entry"


def test_the_view_asks_the_database_a_fixed_number_of_times(
        demo, post, recipe_id, pan_id, django_assert_max_num_queries):
    body = {"fit": {"recipe": recipe_id("parsnip-honey"), "into": [
        {"pan": pan_id(key), "count": 1} for key in ("round-18", "round-20", "sheet-33")]}}
    with django_assert_max_num_queries(17):
        post("/api/fit/oven", body)
