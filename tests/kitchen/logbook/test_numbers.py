"""Numbers that are measured beside times, and where they count."""

from __future__ import annotations

from datetime import UTC, datetime

import pytest

from entremet.kitchen.models import Bake, Day, Oven


def test_readings_teach_dial_rise_and_what_a_batter_weighs(log, bake, fit, pan_id, taught, put,
                                                         client):
    before = bake()
    plain = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})["pans"][0]
    for read in (158, 158, 158, 168):
        log(35, oven_read_c=read, height_cm=plain["risen_cm"] * 0.9, hot_after_min=26,
            weight_g=plain["batter_g_each"] * 0.87)
    found = {one["kind"]: one for one in taught()["quantities"]}
    assert found["dial"]["words"].startswith("Main oven is 1")
    assert found["dial"]["words"].endswith("set 180 to get 170.")
    assert "rises 9 % less than its style" in found["rise"]["words"]
    assert found["rise"]["count"] == 4
    assert 0.1 < found["bake_loss"]["value"] < 0.15
    answer = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})
    said = {one["code"]: one["text"] for one in answer["findings"]}
    assert "rises 9 % less than its style" in said["learnt_rise"]
    assert "from 4 readings" in said["learnt_bake_loss"]
    assert "learnt_density" not in said
    after = bake()
    assert (before["dial"], after["dial"]) == ("170 °C", "180 °C")
    assert any("10 °C off" in fact and "4 readings" in fact for fact in after["why"])
    lower = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})["pans"][0]
    assert lower["risen_cm"] < plain["risen_cm"]
    oven = Oven.objects.get(key="main")
    oven.dial_off_c = -5
    oven.save()
    assert bake()["dial"] == "175 °C"


def test_one_hot_reading_changes_no_setting(log, bake):
    log(35, oven_read_c=150)
    assert bake()["dial"] == "170 °C"


def test_a_number_set_back_is_measured_anew(log, taught, post):
    for _ in range(4):
        log(35, batter_g_dl=110)
    found = {one["kind"]: one for one in taught()["quantities"]}
    assert found["density"]["value"] > 1.1
    post("/api/bakes/forget", {"kind": "density", "key": found["density"]["key"]})
    assert "density" not in {one["kind"] for one in taught()["quantities"]}
    log(35, batter_g_dl=92)
    fresh = {one["kind"]: one for one in taught()["quantities"]}["density"]
    assert (fresh["count"], round(fresh["value"], 2)) == (1, 1.0)


def test_a_cake_weighed_when_cold_moves_what_a_finished_cake_weighs(log, post, request_body):
    def weight():
        cakes = post("/api/fit/finish", request_body).json()["cakes"]
        return cakes[0]["mass_g"]

    before = weight()
    each = post("/api/fit", request_body).json()["pans"][0]["batter_g_each"]
    for _ in range(5):
        log(34, weight_g=each * 0.8)
    assert weight() < 0.95 * before


@pytest.mark.parametrize(("measure", "words"), [
    ({"weight_g": 900}, "cannot weigh that"), ({"height_cm": 30}, "times as high"),
    ({"oven_read_c": 60}, "off its setting"), ({"hot_after_min": 119}, "so long"),
    ({"batter_g_dl": 15}, "100 ml of this one"),
])
def test_a_measure_that_cannot_be_is_refused_and_not_left_out_in_silence(
        post, request_body, measure, words):
    answer = post("/api/bakes", {"request": request_body, "minutes": 34, **measure})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["field"] == next(iter(measure))
    assert words in answer.json()["detail"]
    assert Bake.objects.count() == 0


def test_a_measure_that_cannot_be_changes_no_bake(log, put):
    one = log(34, height_cm=5)
    answer = put(f"/api/bakes/{one['id']}", {"minutes": 34, "height_cm": 40,
                                            "base": one["version"]})
    assert answer.status_code == 422
    assert Bake.objects.get().height_cm == 5


def test_a_plan_says_that_it_counts_with_the_hands_own_pace(demo, client, post):
    now = datetime.now(UTC)
    ids = [one["id"] for one in client.get("/api/orders").json()][:1]

    def planned():
        return post("/api/plan", {"orders": ids}).json()

    before = planned()
    Day.objects.create(title="Slow", sheet={}, started_at=now, ended_at=now,
                       how={"hands": [1.6] * 30})
    after = planned()
    said = {one["code"]: one["text"] for one in after["findings"]}
    assert "Your hands take" in said["learnt_hands"]
    assert after["hands_min"] > 1.2 * before["hands_min"]
    assert "learnt_hands" not in {one["code"] for one in before["findings"]}


def test_a_cake_with_a_layer_teaches_no_rise(post, recipe_id, pan_id, demo, taught):
    body = {"recipe": recipe_id("pear-ring"),
            "into": [{"pan": pan_id("fluted-ring"), "count": 1}]}
    pan = post("/api/fit", body).json()["pans"][0]
    assert pan["layer_cm"] > 0
    assert post("/api/bakes", {"request": body, "minutes": 40, "how": "right",
                               "height_cm": pan["risen_cm"] * 1.2}).status_code == 201
    assert "rise" not in {one["kind"] for one in taught()["quantities"]}
