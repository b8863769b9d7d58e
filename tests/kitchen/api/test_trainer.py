"""The trainer over the API: questions of the kitchen's own cards, a spoilt cake, a class."""

from __future__ import annotations

import re

import pytest

from entremet.core.baking.window import Window
from entremet.core.ground.quantities import plain
from entremet.core.method.stages import STAGES
from entremet.core.running.rescue import rescues_of
from entremet.core.trainer.of_fits import in_time
from entremet.core.work.ids import WorkKind
from entremet.kitchen.models import RackPan, Recipe
from tests.everyday import some

SEEDS = some(range(500), 24)


def fit_of(post, request, **more):
    answer = post("/api/fit", {**request, **more})
    assert answer.status_code == 200, answer.content
    return answer.json()


def number(words):
    return int(re.search(r"\d+", words)[0])


def right_ones(post, asked):
    """Which answers the core holds right, worked out anew from the fit the question is of."""
    texts = [one["text"] for one in asked["choices"]]
    if asked["asks"] == "stage":
        name = re.search("“(.+)”", asked["text"])[1]
        return [STAGES_BY_SEE[text] == name for text in texts]
    if asked["asks"] == "rescue":
        what = re.search("“(.+?)\\.”", asked["text"])[1]
        return [any(plain(row.now) == text and row.what == what for kind in WorkKind
                    for row in rescues_of(kind)) for text in texts]
    fit = fit_of(post, asked["request"])
    bakes = fit["bakes"]
    match asked["asks"]:
        case "first_look":
            one = bakes[0]
            window = Window(**{key: one[key] for key in ("first_look_min", "early_min",
                                                         "likely_min", "latest_min")})
            return [in_time(window, number(text)) for text in texts]
        case "done_first":
            soon, late = sorted(bakes, key=lambda one: one["likely_min"])
            assert soon["latest_min"] < late["early_min"], "their windows overlap"
            return [text == soon["label"] for text in texts]
        case "batter":
            grams = fit["pans"][0]["batter_g_each"]
            return [abs(number(text) / grams - 1) < 0.05 for text in texts]
        case "setting":
            return [text == bakes[0]["phases"][0]["dial"] for text in texts]
    strips = fit_of(post, asked["request"], strips=True)["bakes"][0]
    longer = strips["likely_min"] > bakes[0]["likely_min"]
    return [longer and text == "it takes longer and comes out flatter" for text in texts]


STAGES_BY_SEE = {plain(one.see): one.name for one in STAGES.values()}


@pytest.mark.parametrize("seed", SEEDS)
def test_every_question_has_exactly_one_right_answer_by_the_core(demo, client, post, seed):
    asked = client.get("/api/trainer/guess", {"seed": seed}).json()
    found = right_ones(post, asked)
    assert found.count(True) == 1, asked
    assert found[asked["right"]], asked
    assert asked["reason"]
    assert len({one["text"] for one in asked["choices"]}) == len(asked["choices"])
    assert client.get("/api/trainer/guess", {"seed": seed}).json() == asked


@pytest.mark.parametrize("about", ["first_look", "batter", "setting", "strips", "stage", "rescue"])
def test_a_question_is_about_what_was_chosen(demo, client, about):
    asked = client.get("/api/trainer/guess", {"seed": 11, "about": about}).json()
    assert asked["asks"] == about


def test_a_kitchen_without_cards_is_asked_about_stages_and_mishaps(db, client):
    for seed in range(6):
        assert client.get("/api/trainer/guess", {"seed": seed}).json()["asks"] in (
            "stage", "rescue")
    none = client.get("/api/trainer/guess", {"seed": 1, "about": "batter"})
    assert (none.status_code, none.json()["errors"][0]["field"]) == (422, "about")


def test_nothing_is_asked_of_a_card_or_pan_that_is_put_away(demo, client):
    RackPan.objects.exclude(key__in=["round-18", "round-23"]).delete()
    kept = Recipe.objects.get(key="parsnip-honey").pk
    Recipe.objects.exclude(pk=kept).update(archived_at="2026-01-01T00:00:00Z")
    seen = {client.get("/api/trainer/guess", {"seed": seed, "about": "first_look"}).json()[
        "request"]["recipe"] for seed in range(8)}
    assert seen == {kept}


def test_a_spoilt_cake_is_told_with_what_is_worked_out_and_what_is_practice(
        demo, post, recipe_id, pan_id):
    fit = {"recipe": recipe_id("parsnip-honey"), "into": [{"pan": pan_id("round-20"), "count": 1}]}
    told = post("/api/trainer/spoil", {"fit": fit, "turned": "hotter"}).json()
    assert told["outcomes"][0]["practice"] is False
    assert told["outcomes"][-1]["practice"]
    assert told["request"]["temperature"] == "own"
    none = post("/api/trainer/spoil", {"fit": {**fit, "into": []}, "turned": "hotter"})
    assert (none.status_code, none.json()["errors"][0]["field"]) == (422, "fit")


def test_a_class_has_a_sheet_for_each_group_and_one_recipe_for_all(demo, post, recipe_id, pan_id):
    def group(name, pan, recipe="parsnip-honey"):
        return {"name": name, "fit": {"recipe": recipe_id(recipe),
                                      "into": [{"pan": pan_id(pan), "count": 1}]}}
    told = post("/api/trainer/class", {"groups": [group("Ash", "round-18"),
                                                  group("Birch", "round-23")]}).json()
    assert [one["name"] for one in told["groups"]] == ["Ash", "Birch"]
    first, second = (one["likely_min"] for one in told["groups"])
    assert first != second
    assert told["method"]
    assert any("Likely minutes" in one for one in told["compare"])
    fits = [fit_of(post, group("", pan)["fit"]) for pan in ("round-18", "round-23")]
    for sheet, fit in zip(told["groups"], fits, strict=True):
        assert [one["shown"] for one in sheet["lines"]] == [
            one["shown"] for one in fit["lines"] if one["included"]]
    two = post("/api/trainer/class", {"groups": [group("Ash", "round-18"),
                                                 group("Birch", "round-18", "plum-bergamot")]})
    same = post("/api/trainer/class", {"groups": [group("Ash", "round-18"),
                                                  group("ash ", "round-23")]})
    for answer in (two, same):
        assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "groups")
