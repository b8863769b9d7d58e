"""A plan by cake over the API: when each leaves, what is in the fridge, what is too high for it."""

from __future__ import annotations

from datetime import timedelta

from tests.kitchen.api.conftest import SATURDAY


def test_a_plan_names_its_cakes_their_ovens_heat_and_how_full_the_fridge_is(ordered, planned):
    row = ordered("Market", recipe="rhubarb-custard", pan="round-20", drive_min=15)
    days = planned(row)
    cake, = days["cakes"]
    assert (cake["order_id"], cake["order"], cake["due"]) == (row["id"], "Market", row["due"])
    assert {one["cake"] for one in days["tasks"] if one["order_id"]} == {cake["key"]}
    heats = {one["lane"]: one["heat_c"] for one in days["tasks"]}
    assert heats["oven"] > 100
    assert heats["hands"] is None
    assert 0 < max(one["boards"] for one in days["filled"]) <= days["boards"]


def test_a_cake_too_high_for_the_fridge_is_said_when_the_day_is_planned(
        ordered, planned, put, client):
    row = ordered("Market", recipe="rhubarb-custard", pan="round-20")
    day = client.get("/api/workday").json()
    assert (day["shelf_cm"], day["high_places"]) == (None, 1)

    def told(**said):
        now = client.get("/api/workday").json()
        base = now.pop("version")
        assert put("/api/workday", {**now, **said, "base": base}).status_code == 200
        return [one["text"] for one in planned(row)["findings"] if one["code"] == "fridge_too_low"]

    assert told() == told(shelf_cm=7) == told(shelf_cm=60, high_places=0) == []
    text, = told(shelf_cm=7, high_places=0)
    assert "high in its box" in text


def test_when_a_cake_leaves_is_when_its_way_is_planned_and_no_other_minute(ordered, planned):
    far = ordered("Market", recipe="rhubarb-custard", pan="round-20", drive_min=15)
    # Hands that are gone with the first are back late for the second: its way begins early.
    near = ordered("Fair", due=SATURDAY + timedelta(minutes=40), drive_min=10)
    collected = ordered("Choir tea", due=SATURDAY + timedelta(hours=3))
    days = planned(far, near, collected)
    ways = {one["order_id"]: one["start"] for one in days["tasks"] if one["kind"] == "drive"}
    assert set(ways) == {far["id"], near["id"]}
    for cake in days["cakes"]:
        assert cake["leaves"] == ways.get(cake["order_id"])
