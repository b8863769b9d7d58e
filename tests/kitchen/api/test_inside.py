"""A fit cut open while it bakes, over the API."""

from __future__ import annotations

from base64 import b64decode

import pytest


@pytest.fixture
def looked(demo, post, recipe_id, pan_id):
    def look(pan="round-18", count=2, entry=0, status=200, **more):
        answer = post("/api/fit/inside", {"entry": entry, "fit": {
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
