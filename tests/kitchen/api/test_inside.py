"""A fit cut open while it bakes, over the API."""

from __future__ import annotations

from base64 import b64decode

import pytest


@pytest.fixture
def looked(demo, post, recipe_id, pan_id):
    def look(pan="round-18", count=2, entry=0, status=200, way="chosen", **more):
        answer = post("/api/fit/inside", {"entry": entry, "way": way, "fit": {
            "recipe": recipe_id("parsnip-honey"), "into": [{"pan": pan_id(pan), "count": count}],
            **more}})
        assert answer.status_code == status, answer.content
        return answer
    return look


def test_a_fit_is_cut_open_at_its_own_minutes_and_says_that_it_estimates(looked, post, recipe_id,
                                                                         pan_id):
    answer = looked()
    assert len(answer.content) < 40_000
    told = answer.json()
    fit = post("/api/fit", {"recipe": recipe_id("parsnip-honey"),
                            "into": [{"pan": pan_id("round-18"), "count": 2}]}).json()
    bake = fit["bakes"][0]
    assert (told["first_look_min"], told["likely_min"], told["latest_min"]) == (
        bake["first_look_min"], bake["likely_min"], bake["latest_min"])
    cells = len(told["minutes"]) * told["rows"] * told["columns"]
    assert len(b64decode(told["states"])) == len(b64decode(told["tops_mm"])) == cells
    assert told["minutes"][told["likely"]] == pytest.approx(told["likely_min"], abs=0.5)
    assert told["middle_c"][told["likely"]] == pytest.approx(told["done_c"], abs=1)
    assert "estimate" in told["origins"]["lead_min"]["note"]
    assert "Estimates of the field" in told["words"][-1]
    assert looked().json() == told


def test_strips_bake_it_more_evenly_and_a_ring_says_that_it_is_one(looked):
    bare, strips = looked().json(), looked(strips=True).json()
    assert strips["lead_min"] / strips["likely_min"] < bare["lead_min"] / bare["likely_min"]
    assert not bare["ring"]
    assert looked("fluted-ring", 1).json()["ring"]


def test_a_pan_that_is_not_there_or_has_no_time_is_refused(looked):
    for problem in (looked(entry=5, status=422), looked("round-18", 0, status=422)):
        assert problem.json()["errors"][0]["field"] == "entry"


@pytest.fixture
def asked(post, demo, recipe_id, pan_id):
    def ask(path, pan="round-15-deep", recipe="parsnip-honey", count=1, fit=None, **more):
        answer = post(f"/api/fit/inside/{path}".rstrip("/"), {"fit": {
            "recipe": recipe_id(recipe), "into": [{"pan": pan_id(pan), "count": count}],
            **(fit or {})}, **more})
        assert answer.status_code == 200, answer.content
        return answer.json()
    return ask


def minutes(words):
    return float(words.split()[0])


def test_schools_and_ways_are_told_of_inside(asked, post, recipe_id, pan_id):
    rows = {one["key"]: one for one in asked("compared", of="schools")["rows"]}
    assert set(rows) == {"same_crust", "both_ways", "as_recipe", "lower"}
    assert "min" in rows["lower"]["lead"]
    assert rows["lower"]["dry"].endswith("%")
    ways = {one["key"]: one for one in asked("compared", "round-18", count=2, of="ways")["rows"]}
    assert minutes(ways["one_deep"]["lead"]) > minutes(ways["at_once"]["lead"])
    body = {"fit": {"recipe": recipe_id("parsnip-honey"),
                    "into": [{"pan": pan_id("round-18"), "count": 2}]}}
    own = post("/api/fit/inside", body).json()
    assert minutes(ways["at_once"]["lead"]) == pytest.approx(own["lead_min"], abs=0.5)


def test_each_school_is_followed_at_its_own_heat(asked, post, recipe_id, pan_id):
    deep = {"rule": "depth", "depth_cm": 5}
    rows = {one["key"]: one for one in asked("compared", "round-20-deep", "plum-bergamot",
                                             fit=deep, of="schools")["rows"]}
    for school in ("as_recipe", "lower"):
        own = post("/api/fit/inside", {"fit": {
            "recipe": recipe_id("plum-bergamot"), "temperature": school, **deep,
            "into": [{"pan": pan_id("round-20-deep"), "count": 1}]}}).json()
        assert minutes(rows[school]["lead"]) == pytest.approx(own["lead_min"], abs=0.5)
    assert rows["lower"] != {**rows["as_recipe"], "key": "lower"}


def test_the_recipe_in_its_own_pans_bakes_as_long_as_it_says(looked, post, recipe_id, pan_id):
    own = looked("sheet-33", 1, way="own_pans").json()
    into = {"recipe": recipe_id("parsnip-honey"),
            "into": [{"pan": pan_id("round-18"), "count": 2}]}
    fit = post("/api/fit", into).json()
    assert fit["source"]["pans"][0]["label"] in own["label"]
    assert abs(own["likely_min"] - fit["bakes"][0]["likely_min"]) <= 1
    assert looked("sheet-33", 1).json()["label"] != own["label"]


def test_a_dome_is_offered_with_what_it_is_and_a_flat_cake_has_none(asked):
    deep = asked("dome", fit={"rule": "grams", "into": []})
    assert deep["dome_cm"] is None
    found = asked("dome")
    assert found["dome_cm"] is None or 0.3 <= found["dome_cm"] < 4
    assert "estimate" in found["text"]


def test_two_layers_for_one_hold_half_each_and_bake_sooner(looked):
    one, two = (looked("round-18", 1, way=way).json() for way in ("chosen", "halved"))
    assert two["likely_min"] < one["likely_min"]
    raw = [b64decode(told["tops_mm"])[(told["rows"] - 1) * told["columns"]] for told in (one, two)]
    assert raw[1] == pytest.approx(raw[0] / 2, abs=1)
    for wrong in (looked(entry=5, way="halved", status=422), looked("round-18", 0, way="halved",
                                                                     status=422)):
        assert wrong.json()["errors"][0]["field"] == "entry"


def test_of_a_day_only_what_bakes_can_be_looked_into(demo, post, client, recipe_id, pan_id):
    day = post("/api/days", {"fit": {"recipe": recipe_id("plum-bergamot"), "into": [
        {"pan": pan_id("round-20"), "count": 2}]}}).json()
    bake, mix = (next(one for one in day["steps"] if one["kind"] == kind)
                 for kind in ("bake", "mix"))
    assert bake["bake"]["opens"]
    planned = client.get(f"/api/days/{day['id']}/inside", {"step": bake["key"]}).json()
    assert planned["likely_min"] == round(bake["bake"]["likely_min"])
    for key, status in ((mix["key"], 422), ("nothing/here", 404)):
        answer = client.get(f"/api/days/{day['id']}/inside", {"step": key})
        assert (answer.status_code, answer.json()["errors"][0]["field"]) == (status, "step")
