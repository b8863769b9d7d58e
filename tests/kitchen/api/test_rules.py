"""The ways to decide, over the API: aims, portions, shares, whole things, dough without a pan."""

from __future__ import annotations

import pytest

from entremet.kitchen.models import Recipe


def codes(answer):
    return {finding["code"] for finding in answer["findings"]}


def test_a_depth_in_inches_is_read(demo, fit, pan_id):
    answer = fit("parsnip-honey", {"pan": pan_id("round-20-deep"), "count": 1}, rule="depth",
                 depth_cm="1 1/2 in")
    assert answer["aim"]["depth_cm"] == pytest.approx(3.81)
    assert answer["pans"][0]["batter_cm"] == pytest.approx(3.81)


def test_each_rule_answers_with_what_it_aims_at(demo, fit, pan_id):
    into = {"pan": pan_id("round-20-deep"), "count": 2}
    assert fit("parsnip-honey", into, rule="height", height_cm=6)["aim"]["height_cm"] == 6
    eggs = fit("parsnip-honey", into, rule="eggs", egg_count=5)
    assert (eggs["aim"]["egg_count"], eggs["eggs"]["text"]) == (5, "5 eggs")
    served = fit("parsnip-honey", into, rule="servings", servings=20, portion="party")
    assert served["aim"]["servings"] == 20
    assert served["portion"]["pieces"] >= 20
    twice = fit("parsnip-honey", into, rule="factor", factor=2)
    assert (twice["aim"]["factor"], twice["factor"]) == (2, pytest.approx(2))
    assert twice["lines"][0]["g"] == pytest.approx(2 * twice["lines"][0]["recipe_g"])
    own = fit("parsnip-honey", into, rule="servings")
    assert (own["aim"]["servings"], own["factor"]) == (12, pytest.approx(1))


def test_a_pan_set_apart_has_a_depth_or_height_of_its_own(demo, fit, pan_id):
    answer = fit("parsnip-honey",
                 {"pan": pan_id("round-15-deep"), "count": 1, "rule": {"depth_cm": 2}},
                 {"pan": pan_id("round-20-deep"), "count": 1, "rule": {"height_cm": "1 1/2 in"}},
                 {"pan": pan_id("round-23"), "count": 1}, rule="keep_batch")
    deep, high, rest = answer["pans"]
    assert deep["batter_cm"] == pytest.approx(2)
    assert high["risen_cm"] == pytest.approx(3.81)
    assert rest["batter_g_each"] > 0
    assert answer["factor"] == 1


@pytest.mark.parametrize("rule", [
    {"kind": "servings"}, {"kind": "eggs"}, {"kind": "depth", "fill": 0.5},
    {"depth_cm": 2, "height_cm": 4}, {"depth_cm": "wide"}, {"kind": "height", "height_cm": 0}, {},
])
def test_a_rule_that_contradicts_itself_is_refused(demo, post, recipe_id, pan_id, rule):
    response = post("/api/fit", {"recipe": recipe_id("parsnip-honey"), "into": [
        {"pan": pan_id("round-20"), "count": 1, "rule": rule}]})
    assert response.status_code == 422
    assert "into.0.rule" in response.json()["errors"][0]["field"]


@pytest.mark.parametrize(("wrong", "field"), [
    ({"rule": "depth", "depth_cm": -2}, "depth_cm"),
    ({"rule": "depth", "depth_cm": "tall"}, "depth_cm"),
    ({"rule": "eggs", "egg_count": 0}, "egg_count"),
    ({"servings": 0}, "servings"), ({"mixes": [0]}, "mixes"), ({"portion": "huge"}, "portion"),
    ({"weighed": [{"full_g": 500, "tare_g": 800}]}, "weighed.0.full_g"),
    ({"laid": {"3": "wide"}}, "laid.3"), ({"servings": True}, "servings"),
])
def test_numbers_no_baker_means_are_named(demo, post, recipe_id, pan_id, wrong, field):
    response = post("/api/fit", {"recipe": recipe_id("parsnip-honey"), **wrong, "into": [
        {"pan": pan_id("round-20"), "count": 1}]})
    assert response.status_code == 422
    assert field in {one["field"] for one in response.json()["errors"]}


def test_portions_come_with_the_lines_of_the_cut(demo, fit, pan_id):
    answer = fit("parsnip-honey", {"pan": pan_id("sheet-33"), "count": 1},
                 {"pan": pan_id("tray-12"), "count": 4}, portion="dessert")
    sheet, cups = answer["pans"]
    assert sheet["pieces_each"] > 4
    assert len(sheet["cuts"]) >= 2
    assert (cups["pieces_each"], cups["cuts"]) == (1, [])
    assert answer["portion"]["pieces"] == sheet["pieces_each"] + 4
    assert answer["portion"]["origins"]["ml"]["origin"] == "assumed"


def test_every_pan_has_its_lining_list(demo, fit, pan_id):
    answer = fit("cornmeal-blackcurrant", {"pan": pan_id("heart-20"), "count": 1},
                 {"pan": pan_id("tray-12"), "count": 8})
    kinds = [{one["kind"] for one in pan["lining"]} for pan in answer["pans"]]
    assert {"paper", "fat", "leak"} <= kinds[0]
    assert kinds[1] == {"cases"}


def test_a_share_is_read_from_its_own_words(demo, fit, pan_id):
    answer = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2}, shares=[
        {"name": "Cocoa", "pans": [{"entry": 0, "count": 1}],
         "adds": ["20 g cocoa", "2 tbsp milk", "  "]}])
    (share,) = answer["shares"]
    assert share["part"] == pytest.approx(0.5)
    assert [one["g"] for one in share["stirred"]] == pytest.approx([10, 15.45], abs=0.3)
    assert share["total_g"] > share["batter_g"]
    assert share["pans"][0]["label"] == "Round 18"
    assert len(share["steps"]) == 3


def test_a_share_of_nothing_is_said(demo, fit, pan_id):
    answer = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2}, shares=[
        {"name": "Cocoa", "pans": [{"entry": 3}], "adds": []}])
    assert answer["shares"] == []
    assert "share_left_out" in codes(answer)


def test_fruit_is_laid_in_and_drawn(demo, fit, pan_id):
    recipe = Recipe.objects.get(key="pear-ring")
    first = fit("pear-ring", {"pan": pan_id("round-23"), "count": 1})
    line = first["may_lay"][0]
    answer = fit("pear-ring", {"pan": pan_id("round-23"), "count": 1}, laid={str(line): "2 in"})
    (laid,) = answer["laid"]
    assert laid["across_cm"] == pytest.approx(5.08)
    assert laid["count"] == len(answer["pans"][0]["laid"]) >= 12
    assert answer["pans"][0]["laid_cm"] == pytest.approx(5.08)
    assert recipe.title in answer["recipe"]["title"]


def test_dough_is_patted_and_cut_without_a_pan(demo, fit):
    answer = fit("parsnip-honey", {"count": 1, "cutter_cm": "6", "pan": {
        "outline": "round", "across": 24, "wall_cm": "2 cm", "patted": True}})
    dough = answer["pans"][0]
    assert dough["patted"]
    assert dough["verdict"].startswith("Patted out")
    assert dough["cut_out"]["first"] > 8
    assert answer["bakes"][0]["likely_min"] is None


def test_dough_is_no_pan_for_the_rack(demo, post):
    response = post("/api/pans", {"owned": 1, "pan": {
        "outline": "round", "across": 24, "wall_cm": 2, "patted": True}})
    assert response.status_code == 422
    assert response.json()["errors"][0]["field"] == "patted"


def test_the_schools_of_raising_are_offered_where_they_differ(demo, fit, pan_id):
    small = fit("parsnip-honey", {"pan": pan_id("round-15-deep"), "count": 1})
    large = fit("parsnip-honey", {"pan": pan_id("sheet-33"), "count": 1}, raising="less")
    assert not small["raising_bites"]
    assert large["raising_bites"]
    assert "less_powder" in codes(large)


def test_a_kept_fit_brings_all_of_it_back(demo, client, post, recipe_id, pan_id):
    request = {"recipe": recipe_id("parsnip-honey"), "rule": "servings", "servings": 30,
               "portion": "party", "raising": "less", "bowl": "none", "mixes": [4, 3],
               "into": [{"pan": pan_id("sheet-33"), "count": 1}], "laid": {"1": 4},
               "shares": [{"name": "Cocoa", "pans": [{"entry": 0}], "adds": ["20 g cocoa"]}]}
    kept = post("/api/fits", {"name": "Harvest supper", "request": request})
    assert kept.status_code == 201, kept.content
    again = client.get(f"/api/fits/{kept.json()['id']}").json()
    assert again["result"] == post("/api/fit", request).json()
    assert again["request"]["shares"][0]["name"] == "Cocoa"


def test_of_two_readings_of_a_field_the_deepest_speaks(demo, post):
    answer = post("/api/fit", {"recipe": 1, "into": [{"pan": {"outline": "blob"}}]})
    assert [one["field"] for one in answer.json()["errors"]] == ["into.0.pan.outline"]
    flat = post("/api/fit", {"recipe": 1, "into": [{"pan": "tin"}]})
    assert flat.json()["errors"][0]["field"] == "into.0.pan"


@pytest.mark.parametrize(("rule", "field", "value"), [
    ("depth", "depth_cm", 3.5), ("height", "height_cm", 5.0)])
def test_what_was_aimed_at_comes_back_under_its_own_name_alone(demo, fit, pan_id, rule, field,
                                                               value):
    answer = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2}, rule=rule,
                 **{field: value})
    aim = {name: one for name, one in answer["aim"].items() if one is not None}
    assert aim == {field: pytest.approx(value)}
