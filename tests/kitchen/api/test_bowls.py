"""Mixer bowls, mixes and what the bowl keeps, over the API."""

from __future__ import annotations

import pytest

from entremet.kitchen.models import Bowl, Kitchen


@pytest.fixture
def put(client):
    return lambda path, body: client.put(path, body, "application/json")


def test_bowls_are_added_changed_and_taken_away(demo, client, post, put):
    added = post("/api/bowls", {"name": " Copper  bowl ", "capacity_ml": 3000, "tare_g": 640})
    assert added.status_code == 201
    bowl = added.json()
    assert bowl["name"] == "Copper bowl"
    assert bowl["origins"]["working_ml"]["origin"] == "assumed"
    changed = put(f"/api/bowls/{bowl['id']}", {
        "name": "Copper bowl", "capacity_ml": 3000, "working_ml": 2000, "is_default": True,
        "base": 1})
    assert changed.json()["origins"]["working_ml"]["origin"] == "given"
    assert client.get("/api/bowls").json()[0]["name"] == "Copper bowl"
    assert Bowl.objects.filter(is_default=True).count() == 1
    assert client.delete(f"/api/bowls/{bowl['id']}").status_code == 204
    gone = put(f"/api/bowls/{bowl['id']}", {"name": "x", "capacity_ml": 900, "base": 1})
    assert gone.status_code == 404


@pytest.mark.parametrize(("wrong", "field"), [
    ({"capacity_ml": 5}, "capacity_ml"), ({"capacity_ml": 900, "working_ml": 2000}, "working_ml"),
    ({"capacity_ml": 900, "tare_g": 0}, "tare_g"), ({"capacity_ml": "big"}, "capacity_ml"),
    ({"capacity_ml": 900, "name": ""}, "name"),
])
def test_a_bowl_that_cannot_be_is_named_and_not_kept(demo, post, wrong, field):
    before = Bowl.objects.count()
    response = post("/api/bowls", {"name": "Bowl", **wrong})
    assert response.status_code == 422
    assert response.json()["errors"][0]["field"] == field
    assert Bowl.objects.count() == before


def test_a_large_batch_is_split_over_the_usual_bowl(demo, fit, pan_id):
    answer = fit("parsnip-honey", {"pan": pan_id("sheet-33"), "count": 2})
    assert answer["bowl"]["name"] == "Stand mixer"
    assert len(answer["mixes"]) == 2
    assert all(mix["eggs"] == int(mix["eggs"]) for mix in answer["mixes"])
    assert sum(mix["batter_g"] for mix in answer["mixes"]) == pytest.approx(answer["batter_g"])
    flour = [line["g"] for mix in answer["mixes"] for line in mix["lines"]
             if line["name"] == "Plain flour"]
    assert sum(flour) == pytest.approx(
        next(line["g"] for line in answer["lines"] if line["name"] == "Plain flour"))


def test_all_mixed_at_once_where_that_is_chosen(demo, fit, pan_id):
    answer = fit("parsnip-honey", {"pan": pan_id("sheet-33"), "count": 2}, bowl="none")
    assert answer["bowl"] is None
    assert len(answer["mixes"]) == 1


def test_another_bowl_and_another_split(demo, fit, pan_id):
    hand = Bowl.objects.get(key="hand-bowl").pk
    into = {"pan": pan_id("sheet-33"), "count": 2}
    small = fit("parsnip-honey", into, bowl=hand)
    assert len(small["mixes"]) == 3
    eggs = small["eggs"]["count"]
    typed = fit("parsnip-honey", into, bowl=hand, mixes=[eggs - 5, 5])
    assert [mix["eggs"] for mix in typed["mixes"]] == [eggs - 5, 5]
    assert "mix_over_bowl" in {one["code"] for one in typed["findings"]}


def test_a_bowl_that_is_not_there(demo, post, recipe_id):
    response = post("/api/fit", {"recipe": recipe_id("parsnip-honey"), "into": [], "bowl": 999})
    assert response.status_code == 404
    assert response.json()["errors"][0]["field"] == "bowl"


def test_grams_come_from_what_is_really_in_the_bowl(demo, fit, pan_id):
    into = {"pan": pan_id("round-18"), "count": 2}
    answer = fit("parsnip-honey", into, weighed=[{"full_g": 1960, "tare_g": 810}])
    pans = sum(pan["batter_g_each"] * pan["count"] for pan in answer["pans"])
    assert answer["weighed_g"] == 1150
    assert pans + answer["bowl_loss_g"] + answer["leftover_g"] == pytest.approx(1150)
    assert answer["origins"]["weighed_g"]["origin"] == "measured"


def test_what_the_bowl_keeps_is_learnt_and_forgotten(demo, client, put, fit, pan_id):
    into = {"pan": pan_id("round-18"), "count": 2}
    weighed = [{"full_g": 1990, "tare_g": 790}]
    learnt = put("/api/kitchen/bowl-loss", {"weighed": weighed, "emptied_g": 808})
    assert learnt.json()["bowl_loss_share"] == pytest.approx(0.015)
    answer = fit("parsnip-honey", into)
    assert answer["origins"]["bowl_loss_g"]["origin"] == "measured"
    assert answer["bowl_loss_g"] == pytest.approx(0.015 * answer["batter_g"])
    assert answer["factor"] == 1
    assert client.delete("/api/kitchen/bowl-loss").json()["bowl_loss_share"] is None
    assert fit("parsnip-honey", into)["origins"]["bowl_loss_g"]["origin"] == "assumed"


@pytest.mark.parametrize("emptied", [700, 1400])
def test_a_loss_nobody_leaves_is_not_learnt(demo, put, emptied):
    response = put("/api/kitchen/bowl-loss", {
        "weighed": [{"full_g": 1990, "tare_g": 790}], "emptied_g": emptied})
    assert response.status_code == 422
    assert response.json()["errors"][0]["field"] == "emptied_g"
    assert Kitchen.objects.get().bowl_loss_share is None


def test_a_kitchen_keeps_so_many_bowls_and_no_more(demo, post):
    for number in range(18):
        assert post("/api/bowls", {"name": f"Bowl {number}",
                                   "capacity_ml": 2000}).status_code == 201
    assert post("/api/bowls", {"name": "One more", "capacity_ml": 2000}).status_code == 422
