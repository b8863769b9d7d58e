"""A plan goes on from now: nothing in the past, what was ticked is done, the fridge is a place."""

from __future__ import annotations

from datetime import datetime, timedelta

import pytest
import time_machine

from tests.kitchen.api.conftest import SATURDAY

EVENING = SATURDAY - timedelta(hours=13)
MORNING = SATURDAY - timedelta(hours=25)


def starts(days):
    return {task["key"].split("/")[-1]: datetime.fromisoformat(task["start"])
            for task in days["tasks"]}


def test_an_order_that_comes_in_at_nine_in_the_evening_is_not_planned_from_the_afternoon(
        ordered, planned):
    with time_machine.travel(EVENING, tick=False):
        row = ordered("Harvest supper", due=SATURDAY + timedelta(hours=6))
        days = planned(row)
        assert days["tasks"]
        assert min(starts(days).values()) >= EVENING
        soon = planned(ordered("Choir tea", due=SATURDAY - timedelta(hours=2, minutes=30)))
    assert soon["left_out"]
    assert min(starts(soon).values(), default=EVENING) >= EVENING
    assert {one["help"] for one in soon["ways_out"]} & {"later", "earlier", "hands"}


def test_a_plan_of_days_to_come_is_the_same_whatever_the_hour(ordered, planned):
    row = ordered("Harvest supper")
    plans = []
    for hours in (60, 61):
        with time_machine.travel(SATURDAY - timedelta(hours=hours), tick=False):
            plans.append(planned(row))
    assert plans[0] == plans[1]


def test_what_was_ticked_is_done_and_the_rest_is_planned_from_now(ordered, planned, post):
    with time_machine.travel(MORNING, tick=False):
        row = ordered("Harvest supper")
        day = post("/api/days", {"orders": [row["id"]]}).json()
        step = {one["kind"]: one["key"] for one in day["steps"]}

        def tick(kind, what="done"):
            answer = post(f"/api/days/{day['id']}/events", {"events": [
                {"id": f"{what}-{step[kind]}".translate({46: 45, 47: 45, 95: 45}), "kind": what,
                 "step": step[kind]}]})
            assert answer.status_code == 200, answer.content

        # That the butter came out of the fridge was never ticked: it came before the mix.
        tick("weigh")
    later = MORNING + timedelta(hours=4)
    with time_machine.travel(later, tick=False):
        for kind in ("heat", "line", "mix", "fill"):
            tick(kind)
        tick("bake", "put_in")
    with time_machine.travel(later + timedelta(minutes=50), tick=False):
        days = planned(row)
        done = {task["kind"] for task in days["tasks"] if task["done"]}
        # What has to be got ready was done too, or there were nothing to bake.
        assert done == {"take_out", "weigh", "make", "heat", "line", "mix", "fill", "bake"}
        assert starts(days)["bake0"] == later
        assert min(at for name, at in starts(days).items() if name not in (
            "take_out", "weigh", "make_ready", "heat", "line0", "mix0", "fill0", "bake0")) >= (
            later + timedelta(minutes=30))
        assert days["left_out"] == []
        tick("bake")
    with time_machine.travel(later + timedelta(minutes=55), tick=False):
        days = planned(row)
        assert {"bake", "out"} <= {task["kind"] for task in days["tasks"] if task["done"]}
        assert starts(days)["outbake0"] == later + timedelta(minutes=50)


def test_a_day_can_be_begun_later_than_it_was_planned(ordered, post):
    """Layers were baked on Friday and nobody ticked: the sheet is still to be had."""
    with time_machine.travel(MORNING, tick=False):
        row = ordered("Harvest supper")
    with time_machine.travel(SATURDAY - timedelta(minutes=40), tick=False):
        begun = post("/api/days", {"orders": [row["id"]]})
    assert begun.status_code == 201
    assert begun.json()["steps"]


@pytest.mark.parametrize(("drive", "told"), [(0, False), (20, False), (110, True)])
def test_a_cold_cake_is_in_the_fridge_and_how_long_it_is_out_is_said(ordered, planned, drive,
                                                                     told):
    """Mascarpone and plum: never warm for more than two hours in all."""
    row = ordered("Supper", drive_min=drive)
    days = planned(row, days_before=2)
    assert days["left_out"] == []
    cold, = days["fridge"]
    assert (cold["order_id"], cold["order"]) == (row["id"], "Supper")
    assert cold["stays"]
    assert all(stay["start"] < stay["end"] for stay in cold["stays"])
    assert drive < cold["warm_min"]
    assert cold["too_warm"] is told
    said = [one for one in days["findings"] if one["code"] == "warm_too_long"]
    assert bool(said) is told


@pytest.mark.parametrize(("said", "hot"), [("done", False), ("hot", True)])
def test_an_oven_that_is_hot_already_is_on_for_as_long_as_it_takes_to_be(
        ordered, planned, post, said, hot):
    """The plan counts from when it was switched on: the bake may go in now."""
    with time_machine.travel(MORNING, tick=False):
        row = ordered("Harvest supper")
        day = post("/api/days", {"orders": [row["id"]]}).json()
        events = [{"id": f"tick-{place:04}", "kind": said if step["kind"] == "heat" else "done",
                   "step": step["key"]} for place, step in enumerate(day["steps"])
                  if step["kind"] in ("weigh", "heat", "line", "mix", "fill")]
        assert post(f"/api/days/{day['id']}/events", {"events": events}).status_code == 200
        on = starts(planned(row))["heat"]
    assert (on < MORNING - timedelta(minutes=5)) is hot
