"""POST /api/fit, as a client relies on it."""

from __future__ import annotations

from datetime import timedelta

import pytest
from django.utils import timezone

from entremet.kitchen.models import KeptFit, Kitchen, Oven, RackPan


def codes(answer):
    return {finding["code"] for finding in answer["findings"]}


@pytest.mark.parametrize(("recipe", "own", "count"), [
    ("black-sesame", "sheet-33", 1), ("rhubarb-custard", "tray-12", 12),
])
def test_source_pans_into_themselves_give_the_recipe_back(demo, fit, pan_id, recipe, own, count):
    kind = {"black-sesame": "main", "rhubarb-custard": "hall"}[recipe]
    oven = Oven.objects.get(key=kind).pk
    answer = fit(recipe, {"pan": pan_id(own), "count": count}, oven=oven)
    assert answer["factor"] == 1
    assert all(line["shown"] == line["was"] for line in answer["lines"])
    bake = answer["bakes"][0]
    stated = {"black-sesame": (24, 33, 43), "rhubarb-custard": (16, 20, 25)}[recipe]
    assert (bake["first_look_min"], bake["likely_min"], bake["latest_min"]) == stated


def test_a_fit_answers_all_it_promises_and_mass_holds(demo, fit, pan_id):
    answer = fit("parsnip-honey", {"pan": pan_id("sheet-33"), "count": 1},
                 {"pan": pan_id("tray-12"), "count": 8})
    assert sum(line["g"] for line in answer["lines"]) == pytest.approx(answer["batter_g"])
    pans = sum(pan["batter_g_each"] * pan["count"] for pan in answer["pans"])
    assert answer["batter_g"] == pytest.approx(
        pans + answer["leftover_g"] + answer["bowl_loss_g"])
    assert answer["eggs"]["text"] == "7 eggs"
    assert [pan["label"] for pan in answer["pans"]] == ["Sheet 33 × 23", "Tray of 12"]
    assert all(pan["verdict"].startswith("Fits.") for pan in answer["pans"])
    assert answer["lines"][0]["origins"]["recipe_g"]["origin"] == "given"
    assert answer["origins"]["bowl_loss_g"]["origin"] == "assumed"
    assert all(bake["why"] for bake in answer["bakes"])
    assert answer["done_when"]
    assert answer["cautions"]["bake"]


def test_a_base_layer_is_no_batter(demo, fit, pan_id):
    answer = fit("pear-ring", {"pan": pan_id("fluted-ring"), "count": 1})
    batter = sum(line["g"] for line in answer["lines"] if line["component"] == "batter")
    assert batter == pytest.approx(answer["batter_g"])
    assert answer["pans"][0]["layer_g_each"] > 0
    assert "perimeter_assumed" in codes(answer)


@pytest.mark.parametrize(("key", "dial", "written"), [
    ("main", "180 °C", "350 °F"), ("upper", "160 °C fan", "350 °F"),
    ("hall", "gas mark 4", "350 °F"),
])
def test_the_dial_is_the_kitchens_own(demo, fit, pan_id, key, dial, written):
    answer = fit("black-sesame", {"pan": pan_id("sheet-33"), "count": 1},
                 oven=Oven.objects.get(key=key).pk)
    assert (answer["bakes"][0]["dial"], answer["bakes"][0]["written"]) == (dial, written)


def test_measures_can_be_typed_in_inches(demo, fit):
    answer = fit("parsnip-honey", {"pan": {"outline": "round", "across": "8 in",
                                           "wall_cm": "3 in"}, "count": 2})
    assert answer["pans"][0]["drawing"]["rim_width_cm"] == pytest.approx(20.32)
    assert answer["pans"][0]["pan"] is None


@pytest.mark.parametrize(("measures", "field"), [
    ({"outline": "round", "across": 20, "wall_cm": 0}, "wall_cm"),
    ({"outline": "round", "across": "wide", "wall_cm": 5}, "across"),
    ({"outline": "ring", "across": 20, "tube": 30, "wall_cm": 8}, "tube"),
])
def test_an_impossible_pan_is_a_finding_that_names_the_field(demo, fit, pan_id, measures, field):
    answer = fit("parsnip-honey", {"pan": measures}, {"pan": pan_id("round-20"), "count": 2})
    finding = next(one for one in answer["findings"] if one["entry"] == 0)
    assert (finding["severity"], finding["field"]) == ("stop", field)
    assert answer["pans"][0]["batter_g_each"] is None
    assert answer["pans"][1]["batter_g_each"] > 0


def test_a_pan_known_by_capacity_alone_has_no_minutes(demo, fit):
    answer = fit("parsnip-honey", {"pan": {"outline": "ring", "capacity_ml": 2000}})
    assert answer["bakes"][0]["likely_min"] is None
    assert answer["pans"][0]["batter_g_each"] > 0
    assert "capacity_only" in codes(answer)


def test_no_pans_is_a_finding_and_the_card_stays(demo, fit):
    answer = fit("parsnip-honey")
    assert codes(answer) >= {"no_pans"}
    assert answer["factor"] is None
    assert len(answer["lines"]) == 12


def test_a_number_alone_names_its_rule(demo, fit, pan_id):
    answer = fit("parsnip-honey", {"pan": pan_id("round-20"), "count": 2, "rule": {"grams": 500}})
    assert answer["pans"][0]["rule"] == "grams"
    assert answer["pans"][0]["batter_g_each"] == pytest.approx(500)


@pytest.mark.parametrize(("body", "status", "field"), [
    ({"recipe": 999, "into": []}, 404, "recipe"),
    ({"recipe": 1, "into": [{"pan": 999}]}, 404, "into.0.pan"),
    ({"recipe": 1, "into": [], "oven": 99}, 404, "oven"),
    ({"recipe": 1, "into": 3}, 422, "into"),
    ({"recipe": 1, "into": [{"pan": 1, "rule": {"fill": 9}}]}, 422, "into.0.rule"),
    ({"recipe": 1, "into": [{"pan": 1, "rule": {"kind": "keep_batch"}}]}, 422, "into.0.rule"),
    ({"recipe": 1, "into": [{"pan": {"outline": "blob"}}]}, 422, "into.0.pan.outline"),
    ({"recipe": 1, "into": [{"pan": 1, "count": 1.5}]}, 422, "into.0.count"),
    ({"recipe": 1, "into": [], "rule": "guess"}, 422, "rule"),
])
def test_errors_are_problems_that_name_the_field(demo, post, pan_id, recipe_id, body, status,
                                                 field):
    if body["recipe"] == 1:
        body = {**body, "recipe": recipe_id("parsnip-honey")}
    response = post("/api/fit", body)
    assert response.status_code == status
    assert response["content-type"] == "application/problem+json"
    problem = response.json()
    assert {"type", "title", "status", "code", "detail", "errors"} == set(problem)
    assert field in {error["field"] for error in problem["errors"]}


def test_unreadable_json_is_a_problem(demo, client):
    response = client.post("/api/fit", data="{", content_type="application/json")
    assert response.status_code == 400
    assert response["content-type"] == "application/problem+json"


def test_fit_stores_nothing_and_asks_little(demo, fit, pan_id, django_assert_max_num_queries):
    into = [{"pan": pan_id(key), "count": 1} for key in ("round-20", "loaf-23", "sheet-33")]
    with django_assert_max_num_queries(16):
        fit("parsnip-honey", *into)
    assert KeptFit.objects.count() == 0


def test_the_same_question_has_the_same_answer(demo, fit, pan_id):
    entry = {"pan": pan_id("loaf-23"), "count": 2}
    assert fit("parsnip-honey", entry) == fit("parsnip-honey", entry)


def test_a_share_keeps_its_name_and_one_of_blanks_is_called_a_share(demo, fit, pan_id):
    def named(name):
        pans = [{"entry": 0, "count": 1}]
        answer = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2},
                     shares=[{"name": name, "pans": pans, "adds": ["20 g cocoa"]}])
        return [one["name"] for one in answer["shares"]]

    assert named(" Cocoa half ") == ["Cocoa half"]
    assert named("  ") == ["Share"]


def test_a_kept_fit_stands_with_its_own_pan_once_that_left_the_rack(demo, client, post, recipe_id,
                                                                   pan_id):
    pan, other = pan_id("round-18"), pan_id("round-20")
    kept = post("/api/fits", {"name": "Tea", "request": {
        "recipe": recipe_id("parsnip-honey"), "into": [{"pan": pan, "count": 2},
                                                       {"pan": other, "count": 1}]}}).json()
    was = client.get(f"/api/fits/{kept['id']}").json()
    RackPan.objects.filter(pk=pan).delete()
    now = client.get(f"/api/fits/{kept['id']}").json()
    assert [one["label"] for one in now["result"]["pans"]] == [
        one["label"] for one in was["result"]["pans"]]
    assert [one["batter_g_each"] for one in now["result"]["pans"]] == pytest.approx(
        [one["batter_g_each"] for one in was["result"]["pans"]])
    assert now["request"]["into"][1]["pan"] == other
    assert isinstance(now["request"]["into"][0]["pan"], dict)


def test_fits_are_listed_by_when_they_were_kept_last(demo, client, post, recipe_id, pan_id):
    body = {"recipe": recipe_id("parsnip-honey"), "into": [{"pan": pan_id("round-18"), "count": 2}]}
    first, second = (post("/api/fits", {"name": name, "request": body}).json()
                     for name in ("One", "Two"))
    KeptFit.objects.filter(pk=first["id"]).update(kept_at=timezone.now() + timedelta(hours=1))
    assert [one["id"] for one in client.get("/api/fits").json()][:2] == [first["id"], second["id"]]


def test_joins_are_told_only_where_something_goes_by_them(demo, fit, pan_id):
    pan = {"pan": pan_id("round-18"), "count": 2}
    by_joins = [one["recipe"]["joins"] for one in (
        fit(key, pan) for key in ("plum-bergamot", "black-sesame", "pear-ring"))]
    assert by_joins[0] is not None
    assert by_joins[1] is None or by_joins[2] is None


def test_the_recipe_s_own_pans_say_how_much_batter_stands_in_each(demo, fit, pan_id):
    answer = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})
    source = answer["source"]
    each = [one["batter_g_each"] for one in source["pans"]]
    whole = sum(one["batter_g_each"] * one["count"] for one in source["pans"])
    assert all(grams > 50 for grams in each)
    assert 0.9 * source["batter_g"] < whole < source["batter_g"]


@pytest.mark.parametrize(("kind", "ending", "media"), [
    ("markdown", ".md", "text/markdown"), ("json_ld", ".json", "application/ld+json")])
def test_a_fit_leaves_as_a_file_with_its_own_amounts(demo, post, recipe_id, pan_id, kind, ending,
                                                     media):
    asked = {"recipe": recipe_id("plum-bergamot"), "rule": "factor", "factor": 2,
             "into": [{"pan": pan_id("round-20"), "count": 2}]}
    fitted = post("/api/fit", asked).json()
    file = post(f"/api/fit/file/{kind}", asked).json()
    assert file["file_name"] == f"plum-and-bergamot-layer-cake{ending}"
    assert file["media_type"] == media
    for line in fitted["lines"]:
        if line["component"] == "batter":
            assert f"{line['shown']} {line['name']}" in file["text"]
    assert str(fitted["bakes"][0]["likely_min"]) in file["text"]
    assert "\ue000" not in file["text"]


def test_a_file_is_in_the_units_of_the_kitchen(demo, post, recipe_id, pan_id):
    Kitchen.objects.update_or_create(id=1, defaults={"units": "us"})
    asked = {"recipe": recipe_id("parsnip-honey"),
             "into": [{"pan": pan_id("round-20"), "count": 2}]}
    text = post("/api/fit/file/markdown", asked).json()["text"]
    pans = text.split("## Pans")[1].split("##")[0]
    assert " in deep" in pans
    assert " cm" not in pans
