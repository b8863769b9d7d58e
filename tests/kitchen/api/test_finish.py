"""The finish over the API."""

from __future__ import annotations

import json

import pytest

from entremet.kitchen.models import KeptFit, RackPan, Recipe


@pytest.fixture
def finish(post, recipe_id, pan_id):
    def ask(recipe, *into, status=200, **finishing):
        answer = post("/api/fit/finish", {
            "recipe": recipe_id(recipe),
            "into": [{"pan": pan_id(key), "count": count} for key, count in into],
            **({"finishing": finishing} if finishing else {})})
        assert answer.status_code == status, answer.content
        return answer.json()
    return ask


def test_a_finish_answers_cakes_components_and_steps(demo, finish):
    done = finish("plum-bergamot", ("round-20", 2), dome_cm=1.2, drip=True, border="rosette",
                  dam_cm="1 cm")
    cake = done["cakes"][0]
    assert (cake["kind"], len(cake["layers"]), cake["border"] > 10) == ("stack", 2, True)
    assert cake["layers"][0]["outline"][0].count(",") > 30
    assert cake["height_cm"] > sum(one["height_cm"] for one in cake["layers"])
    titles = [one["title"] for one in done["components"]]
    assert titles == ["Syrup", "Filling", "Buttercream", "Dark drip 1 : 1", "To decorate"]
    assert done["components"][-1]["made_from"][0]["count"] == "8"
    for one in done["components"]:
        assert one["needed_g"] == pytest.approx(sum(use["grams"] for use in one["uses"]))
        assert one["origins"]["needed_g"]["origin"] == "worked_out"
        on_top = one["title"] == "To decorate"
        assert one["origins"]["spare_g"]["origin"] == ("worked_out" if on_top else "assumed")
    assert done["trim_g"] > 100
    assert done["steps"][0]["key"] == "cool"


def test_what_is_wrong_is_named_and_nothing_plausible_comes_back(demo, finish):
    for wrong, field in (({"dome_cm": "wide"}, "dome_cm"), ({"coat_cm": 40}, "coat_cm"),
                         ({"split": 0}, "split"), ({"coat": "gold"}, "coat"),
                         ({"glaze": 3}, "glaze"), ({"drip": 1}, "drip"),
                         ({"yields": {"filling-0": 9}}, "yields"),
                         ({"carve": {"profile": "taper", "foot_cm": -1, "height_cm": 3}},
                          "foot_cm")):
        refused = finish("plum-bergamot", ("round-20", 2), status=422, **wrong)
        assert field in json.dumps(refused["errors"]), refused


def test_a_finish_without_a_pan_that_is_measured_says_so(demo, finish):
    assert finish("plum-bergamot")["cakes"] == []
    done = finish("plum-bergamot", ("fluted-ring", 1))
    assert done["cakes"] or [one for one in done["findings"]
                             if one["code"] == "finish_unmeasured"]


def test_glaze_may_be_said_or_left_open(demo, finish):
    said = finish("pear-ring", ("fluted-ring", 1), glaze=True)
    assert said["cakes"][0]["glazed"] is True
    assert finish("pear-ring", ("fluted-ring", 1), glaze=False)["cakes"][0]["glazed"] is False


def test_finish_choices_are_kept_with_a_fit(demo, client, post, recipe_id, pan_id):
    fit = {"recipe": recipe_id("plum-bergamot"), "into": [{"pan": pan_id("round-20"), "count": 2}],
           "finishing": {"drip": True, "dome_cm": 1.2}}
    kept = post("/api/fits", {"name": "Dripped", "request": fit})
    assert kept.status_code == 201, kept.content
    assert KeptFit.objects.count() == 1
    told = client.get(f"/api/fits/{kept.json()['id']}").json()
    assert fit["finishing"].items() <= told["request"]["finishing"].items()


def test_lines_say_the_cards_own_headings(demo, fit, pan_id):
    lines = fit("plum-bergamot", {"pan": pan_id("round-20"), "count": 2})["lines"]
    assert {one["heading"] for one in lines if one["component"] == "frosting"} == {"Buttercream"}


def test_every_demo_recipe_in_every_pan_finishes(demo, finish, client):
    pans = [("round-18", 2), ("sheet-33", 1), ("loaf-23", 1), ("tray-12", 12), ("heart-20", 1)]
    known = set(RackPan.objects.values_list("key", flat=True))
    for key in Recipe.objects.values_list("key", flat=True):
        for pan in pans:
            if pan[0] in known:
                done = finish(key, pan)
                assert done["cakes"][0]["mass_g"] > 0


@pytest.fixture
def enlarge(post, recipe_id):
    def ask(status=200, **asked):
        answer = post("/api/fit/enlarge", {
            "fit": {"recipe": recipe_id("plum-bergamot"), "into": []}, "length_cm": 5,
            "width_cm": 3.5, "height_cm": 1.5, **asked})
        assert answer.status_code == status, answer.content
        return answer.json()
    return ask


def test_a_thing_is_enlarged_into_pans_of_the_rack(demo, enlarge, pan_id):
    made = enlarge(factor=6)
    assert (made["length_cm"], made["width_cm"], made["height_cm"]) == (30, 21, 9)
    assert {one["pan"] for one in made["layers"]} == {pan_id("sheet-33")}
    assert made["batter_g"] > made["kept_g"] > 1000
    assert enlarge(wanted_cm="30 cm")["kept_g"] == pytest.approx(made["kept_g"])
    giant = enlarge(width_cm=None, length_cm=8, height_cm=1.2, batter_g=900)
    assert giant["is_round"] is True
    assert giant["kept_g"] == pytest.approx(900)


def test_a_size_that_cannot_be_names_its_field(demo, enlarge):
    for wrong, field in (({}, "factor"), ({"factor": 900}, "factor"),
                         ({"batter_g": -2}, "batter_g"),
                         ({"factor": 2, "height_cm": "tall"}, "height_cm")):
        refused = enlarge(status=422, **wrong)
        assert field in json.dumps(refused["errors"]), refused


def test_a_drawn_profile_is_cut_where_it_is_drawn_and_names_pans(demo, finish, pan_id):
    points = [{"up_cm": 0, "wide_cm": 18}, {"up_cm": 4, "wide_cm": 12}, {"up_cm": 8, "wide_cm": 15}]
    done = finish("plum-bergamot", ("round-20", 2), carve={"profile": "drawn", "drawn": points})
    cake = done["cakes"][0]
    assert cake["carved"]["drawn"] == points
    assert [round(wide) for _, wide in cake["carved"]["marks"]] == [18, 12, 15]
    assert cake["cover"][0]["pan"] == pan_id("round-20")
    for wrong in ([points[0]], [points[1], points[0]], [*points, points[1]]):
        refused = finish("plum-bergamot", ("round-20", 2), status=422,
                         carve={"profile": "drawn", "drawn": wrong})
        assert "drawn" in json.dumps(refused["errors"])


def test_a_finish_is_cut_in_the_recipes_own_portions(demo, finish):
    serving = finish("plum-bergamot", ("round-20", 2))["cakes"][0]["serving"]
    assert serving["pieces"] == len(serving["cuts"]) == 14  # as the card says it serves
    assert serving["portion"] == "the recipe's own portions"
    assert finish("rhubarb-custard", ("tray-12", 6))["cakes"][0]["serving"] is None


def test_a_kitchen_in_inches_is_refused_in_inches(demo, client, finish):
    said = client.put("/api/kitchen", {"name": "Quillet", "units": "us", "base": 1},
                      "application/json")
    assert said.status_code == 200
    refused = finish("plum-bergamot", ("round-20", 2), status=422, coat_cm=40)
    assert " in." in json.dumps(refused)
    assert " cm" not in json.dumps(refused)


def test_a_fit_is_finished_as_its_card_says_and_what_is_settled_is_a_revision(
        demo, post, client, recipe_id, pan_id):
    card = recipe_id("plum-bergamot")
    fit = {"recipe": card, "into": [{"pan": pan_id("round-20"), "count": 2}]}
    own = post("/api/fit/finish", fit).json()["own"]
    assert (own["finish"]["coat"], own["settled"]) == ("full", False)
    assert own["said"] == ["Fill with the mascarpone and jam, coat with the buttercream, and chill "
                           "before cutting."]

    def settle(finish, base):
        return client.put(f"/api/recipes/{card}/finish", {"finish": finish, "base": base},
                          content_type="application/json")

    assert settle({"coat": "naked", "crumb_cm": 0.1}, own["version"]).status_code == 200
    now = post("/api/fit/finish", fit).json()
    assert (now["own"]["settled"], now["own"]["finish"]["coat"]) == (True, "naked")
    assert now["cakes"][0]["crumb_cm"] == 0.1
    assert settle({"coat": "full"}, own["version"]).json()["code"] == "edited_meanwhile"
    refused = settle({"coat_cm": 90}, own["version"] + 1)
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "finishing.coat_cm")
    assert settle(None, own["version"] + 1).status_code == 200
    assert post("/api/fit/finish", fit).json()["own"] == {**own, "version": own["version"] + 2}


def test_in_its_own_pans_a_card_gives_back_its_own_amounts(demo, post, client, recipe_id):
    for key in ("plum-bergamot", "pear-ring", "parsnip-honey", "rhubarb-custard", "oat-damson",
                "black-sesame", "cornmeal-blackcurrant", "elderflower-chiffon"):
        card = client.get(f"/api/recipes/{recipe_id(key)}").json()["card"]
        fit = {"recipe": recipe_id(key), "into": [
            {"pan": {**one["measures"], "label": one["label"]}, "count": one["count"]}
            for one in card["pans"]]}
        for line in post("/api/fit", fit).json()["lines"]:
            if line["g"] is not None and line["included"]:
                assert line["g"] == pytest.approx(line["recipe_g"], rel=1e-9), line["name"]
        done = post("/api/fit/finish", fit).json()
        for part in done["components"]:
            if not part["house"] and part["was_g"] and part["uses"]:
                assert part["make_g"] == pytest.approx(part["was_g"], rel=1e-6), part["title"]
        assert not {"finish_short", "finish_over"} & {one["code"] for one in done["findings"]}


def test_a_card_on_the_desk_is_drawn_in_its_own_pans_as_it_is_finished(demo, client, post,
                                                                      recipe_id):
    card = client.get(f"/api/recipes/{recipe_id('plum-bergamot')}").json()["card"]
    done = post("/api/desk/finish", {"card": card}).json()
    assert [one["kind"] for one in done["cakes"]] == ["stack"]
    assert done["own"]["settled"] is False
    assert "coat with the buttercream" in done["own"]["said"][0]
    made = {one["title"]: one["make_g"] for one in done["components"]}
    assert made["Buttercream"] == pytest.approx(515, abs=1)
    bare = post("/api/desk/finish", {"card": {**card, "finish": {"coat": "none"}}}).json()
    assert (bare["own"]["settled"], bare["cakes"][0]["coat_top_cm"]) == (True, 0)
    assert post("/api/desk/finish", {"card": {**card, "pans": []}}).json()["cakes"] == []
