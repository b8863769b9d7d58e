"""The first morning over the API: regions, shelf, recipes to try, and the fit that opens."""

from __future__ import annotations

import pytest

from entremet.core.ingredients.eggs import GRADES
from entremet.core.measures.units import STANDARDS
from entremet.kitchen.models import Kitchen, RackPan, Recipe
from entremet.kitchen.welcome.start import regions, shelf, starters


@pytest.fixture
def put(client):
    return lambda path, body: client.put(path, body, "application/json")


@pytest.fixture
def opening(post, recipe_id):
    def ask(recipe):
        answer = post("/api/fit/opening", {"recipe": recipe_id(recipe), "into": []})
        assert answer.status_code == 200, answer.content
        return answer.json()
    return ask


def test_regions_name_cups_eggs_and_paper_that_there_are(db, client):
    told = client.get("/api/welcome").json()
    assert [one["key"] for one in told["regions"]] == [one.key for one in regions()]
    for one in regions():
        assert one.measure_standard in STANDARDS
        assert one.egg_grade in GRADES
    us = next(one for one in told["regions"] if one["key"] == "us")
    assert (us["units"], us["dial"], us["paper"]) == ("us", "F", "Letter")


def test_the_shelf_is_drawn_as_sold(db, client):
    inches = client.get("/api/welcome?inches=true").json()["shelf"]
    metric = client.get("/api/welcome").json()["shelf"]
    assert all(one["drawing"] and one["inches"] for one in inches)
    assert not any(one["inches"] for one in metric)
    nine = next(one for one in inches if one["label"] == "Round 9 in")
    assert nine["measures"]["across"] == pytest.approx(22.86)
    assert len({one.label for one in shelf(True)}) == len(shelf(True))


def test_a_recipe_to_try_is_taken_once_and_can_be_fitted(db, client, post):
    for key in starters():
        taken = post(f"/api/welcome/starters/{key}", {})
        assert taken.status_code == 201
        assert post(f"/api/welcome/starters/{key}", {}).json() == taken.json()
        opened = post("/api/fit/opening", {"recipe": taken.json()["recipe"], "into": []}).json()
        assert "as it names them" in opened["words"]
        into = [{"pan": {k: v for k, v in one["measures"].items() if v is not None}
                 | {"label": one["label"]}, "count": one["count"]} for one in opened["into"]]
        fit = post("/api/fit", {"recipe": taken.json()["recipe"], "into": into}).json()
        assert fit["factor"] == pytest.approx(1.0, abs=0.02)
        assert fit["bakes"][0]["first_look_min"] is not None
        assert not [one for one in fit["findings"] if one["severity"] == "stop"]
    assert Recipe.objects.count() == len(starters())
    assert post("/api/welcome/starters/none", {}).status_code == 404


def test_a_fit_opens_with_the_recipes_own_pans_where_they_are_owned(demo, opening):
    told = opening("parsnip-honey")
    assert [(one["label"], one["count"]) for one in told["into"]] == [("Round 18", 2)]
    assert told["rule"] == "same_depth"
    assert told["words"] == "Opened with the recipe's own pans: 2 × Round 18."


def test_a_fit_opens_with_the_nearest_pans_else(demo, opening, post, recipe_id):
    RackPan.objects.get(key="round-18").delete()
    told = opening("parsnip-honey")
    assert told["words"].startswith("The recipe's own pans are not on your rack; nearest: ")
    answer = post("/api/fit", {"recipe": recipe_id("parsnip-honey"), "rule": told["rule"], "into": [
        {"pan": one["pan"], "count": one["count"],
         **({"rule": {"kind": "same_depth"}} if one["held"] else {})} for one in told["into"]]})
    assert answer.json()["factor"] == pytest.approx(1.0, abs=0.01)


def test_a_damaged_pan_stops_no_opening(demo, opening):
    RackPan.objects.filter(key="round-18").update(across=None)
    assert opening("parsnip-honey")["into"]


def test_sentences_come_in_the_kitchens_units_and_what_was_written_stays(demo, fit, put, pan_id):
    entry = {"pan": pan_id("round-20"), "count": 1}
    metric = fit("parsnip-honey", entry)["pans"][0]["verdict"]
    assert " cm" in metric
    body = {"name": "Quillet", "units": "us", "base": 1}
    assert put("/api/kitchen", body).json()["units"] == "us"
    told = fit("parsnip-honey", entry)
    assert " cm" not in told["pans"][0]["verdict"]
    assert "rim at 2 in" in told["pans"][0]["verdict"]
    named = fit("parsnip-honey", {"pan": {"outline": "round", "across": 20, "wall_cm": 5,
                                          "label": "Tin of 20 cm"}, "count": 1})
    assert named["pans"][0]["label"] == "Tin of 20 cm"
    put("/api/kitchen", {**body, "units": "both", "base": 2})
    assert "rim at 5 cm (2 in)" in fit("parsnip-honey", entry)["pans"][0]["verdict"]


def test_cups_and_eggs_of_the_kitchen_are_what_an_unsettled_card_means(demo, fit, put, post):
    made = post("/api/recipes", {"card": {
        "title": "Plain", "style": "creamed", "lines": [
            {"key": 1, "text": "1 cup plain flour", "name": "plain flour",
             "ingredient": "plain_flour", "written": "1 cup",
             "amount": {"value": 1, "unit": "cup"}},
            {"key": 2, "text": "2 eggs", "name": "eggs", "ingredient": "egg", "written": "2",
             "amount": {"value": 2, "unit": "egg"}}]}})
    assert made.status_code == 201, made.content
    recipe = made.json()["row"]["id"]

    def asked():
        return post("/api/fit", {"recipe": recipe, "into": [
            {"pan": {"outline": "round", "across": 18, "wall_cm": 5}, "count": 1}],
            "rule": "keep_batch"}).json()

    before = asked()
    put("/api/kitchen", {"name": "Q", "measure_standard": "us", "egg_grade": "us_large", "base": 1})
    after = asked()
    flour, eggs = ([one["recipe_g"] for one in told["lines"]] for told in (before, after))
    assert eggs[0] / flour[0] == pytest.approx(236.588 / 250)
    assert any("US customary ones are assumed" in one["text"] for one in after["findings"])
    assert any("US large" in one["text"] for one in after["findings"])


def test_habits_that_are_none_are_refused_by_name(demo, put):
    for field, wrong in (("units", "feet"), ("measure_standard", "moon"), ("egg_grade", "dodo"),
                         ("paper", "A0")):
        refused = put("/api/kitchen", {"name": "Q", "base": 1, field: wrong})
        assert refused.status_code == 422
        assert refused.json()["errors"][0]["field"] == field
    assert Kitchen.objects.get().units == "metric"


def test_a_pan_keeps_the_unit_it_was_entered_in(db, client, post):
    body = {"pan": {"outline": "round", "across": "8 in", "wall_cm": "2 in", "label": "Eight"},
            "owned": 2, "inches": True}
    assert post("/api/pans", body).json()["inches"] is True
    file = client.get("/api/rack/file?format=json").content.decode()
    RackPan.objects.all().delete()
    assert post("/api/rack/file", {"text": file}).json()[0]["inches"] is True


def test_a_list_draws_the_pans_of_its_recipes(demo, client):
    rows = {one["title"]: one["pans"] for one in client.get("/api/recipes").json()["rows"]}
    parsnip = rows["Parsnip and honey layer cake"]
    assert [(one["label"], one["count"]) for one in parsnip] == [("round 18", 2)]
    assert parsnip[0]["drawing"]["rim_width_cm"] == 18
    Recipe.objects.filter(key="parsnip-honey").update(pans=[{"label": 3}, "x"])
    assert client.get("/api/recipes").status_code == 200
