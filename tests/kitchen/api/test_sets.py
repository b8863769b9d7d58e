"""“What fits?” and two sets side by side, over the API."""

from __future__ import annotations

import pytest

from entremet.kitchen.models import RackPan, Recipe


@pytest.fixture
def ask(post, recipe_id):
    def send(recipe="parsnip-honey", free=None, fit=None, **bounds):
        rack = free if free is not None else {
            str(pan.pk): pan.owned for pan in RackPan.objects.all()}
        response = post("/api/fit/sets", {"free": rack, **bounds, "fit": {
            "recipe": recipe_id(recipe), "into": [], **(fit or {})}})
        assert response.status_code == 200, response.content
        return response.json()["offers"]
    return send


def test_sets_come_drawn_and_judged(demo, ask):
    offers = ask()
    assert 1 <= len(offers) <= 6
    for offer in offers:
        assert abs(offer["deviation"]) <= 0.1 + 1e-9
        assert all(pan["drawing"] and pan["verdict"] for pan in offer["fit"]["pans"])
        assert not any(pan["verdict_severity"] == "stop" for pan in offer["fit"]["pans"])
        assert offer["fit"]["factor"] == pytest.approx(offer["factor"])
        assert offer["words"].endswith(".")


def test_a_set_taken_as_it_is_offered_makes_the_same_fit(demo, ask, fit):
    for batch in ("as_it_is", "whole_eggs"):
        for offer in ask(batch=batch, tolerance=0.1):
            into = [{"pan": one["pan"], "count": one["count"],
                     **({"rule": {"kind": "same_depth"}} if one["held"] else {})}
                    for one in offer["into"]]
            taken = fit("parsnip-honey", *into, rule=offer["rule"],
                        egg_count=offer["egg_count"])
            assert taken["pans"] == offer["fit"]["pans"]
            assert taken["leftover_g"] == pytest.approx(offer["leftover_g"], abs=0.5)


def test_only_free_pans_are_used_and_no_more_than_owned(demo, ask, pan_id):
    free = {str(pan_id("round-18")): 9, str(pan_id("tray-12")): 1}
    for offer in ask(free=free, tolerance=0.2, most_pans=5):
        for one in offer["into"]:
            assert str(one["pan"]) in free
            owned = RackPan.objects.get(pk=one["pan"])
            assert one["count"] <= owned.owned * owned.wells


def test_a_pan_of_which_none_is_free_is_not_used(demo, ask, pan_id):
    free = {str(pan_id("round-18")): 0, str(pan_id("round-25-deep")): 1, str(pan_id("loaf-23")): -3}
    for offer in ask(recipe="cornmeal-blackcurrant", free=free, tolerance=0.5, most_pans=5):
        assert {one["label"] for one in offer["into"]} == {"Round 25, deep"}


def test_leftover_has_a_place_offered(demo, ask, pan_id, fit):
    free = {str(pan_id("round-23")): 1, str(pan_id("tray-12")): 1}
    offer = next(one for one in ask(free=free, tolerance=0, most_pans=1) if one["leftover_g"] > 0)
    assert offer["left_into"][0]["label"] == "Tray of 12"
    more = [{"pan": one["pan"], "count": one["count"]} for one in offer["left_into"]]
    held = [{"pan": one["pan"], "count": one["count"], "rule": {"kind": "same_depth"}}
            for one in offer["into"]]
    taken = fit("parsnip-honey", *held, *more, rule=offer["rule"])
    assert taken["leftover_g"] < 0.35 * offer["leftover_g"]


def test_nothing_fits_is_an_empty_answer(demo, ask, pan_id):
    assert ask(free={str(pan_id("half-ball-15")): 1}, tolerance=0) == []
    assert ask(free={}) == []


def test_the_rule_of_eggs_sets_the_batch_that_is_searched_for(demo, ask):
    offers = ask(fit={"rule": "eggs", "egg_count": 6}, tolerance=0.2)
    assert offers
    assert {offer["rule"] for offer in offers} == {"eggs"}
    assert all(offer["fit"]["eggs"]["text"] == "6 eggs" for offer in offers)


def test_times_the_recipe_sets_the_batch_that_is_searched_for(demo, ask):
    offers = ask(fit={"rule": "factor", "factor": 1.5}, tolerance=0.2)
    assert offers
    assert {offer["rule"] for offer in offers} == {"factor"}
    assert all(offer["fit"]["factor"] == pytest.approx(1.5) for offer in offers)


@pytest.mark.parametrize("bounds", [{"tolerance": 2}, {"most_pans": 9}, {"few": 0},
                                    {"free": {"9999": 1}}])
def test_bounds_and_pans_that_are_not_there_are_refused(demo, post, recipe_id, bounds):
    response = post("/api/fit/sets", {"free": {}, **bounds, "fit": {
        "recipe": recipe_id("parsnip-honey"), "into": []}})
    assert response.status_code in (404, 422)


def test_two_fits_side_by_side(demo, post, recipe_id, pan_id):
    recipe = recipe_id("parsnip-honey")
    body = {"one": {"recipe": recipe, "into": [{"pan": pan_id("round-18"), "count": 2}]},
            "other": {"recipe": recipe, "into": [{"pan": pan_id("round-25-deep"), "count": 1}]}}
    answer = post("/api/fit/compare", body).json()
    rows = {row["name"]: row for row in answer["rows"]}
    assert (rows["Layers"]["one"], rows["Layers"]["other"]) == ("2", "1")
    assert answer["one"]["pans"][0]["label"] == "Round 18"
    assert answer["other"]["pans"][0]["label"] == "Round 25, deep"


def test_an_empty_other_side_is_no_error(demo, post, recipe_id, pan_id):
    recipe = recipe_id("parsnip-honey")
    body = {"one": {"recipe": recipe, "into": [{"pan": pan_id("round-18"), "count": 2}]},
            "other": {"recipe": recipe, "into": []}}
    answer = post("/api/fit/compare", body)
    assert answer.status_code == 200
    assert {row["other"] for row in answer.json()["rows"]} == {"–"}


def test_a_set_says_how_much_deeper_or_shallower_and_the_same_where_it_is(demo, ask):
    for recipe in ("parsnip-honey", "plum-bergamot"):
        for offer in ask(recipe, tolerance=0.5, most_pans=5):
            depth = offer["words"].split(",")[0]
            moved = offer["deviation"]
            if abs(moved) < 0.005:
                assert depth == "Same depth as the recipe"
            else:
                assert depth == f"{abs(moved) * 100:.0f} % {'deeper' if moved > 0 else 'shallower'}"


def test_no_more_pans_are_offered_than_are_owned_whatever_is_said_to_be_free(demo, post, pan_id):
    body = {"fit": {"recipe": Recipe.objects.get(key="parsnip-honey").pk, "into": []},
            "free": {str(pan_id("round-15-deep")): 9}, "most_pans": 5, "tolerance": 0.5}
    for owned in (3, 1):
        RackPan.objects.filter(key="round-15-deep").update(owned=owned)
        offers = post("/api/fit/sets", body).json()["offers"]
        assert {one["count"] for offer in offers for one in offer["into"]} <= set(
            range(1, owned + 1))
        assert (owned == 1) or max(
            one["count"] for offer in offers for one in offer["into"]) > 1
