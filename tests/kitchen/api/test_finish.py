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
