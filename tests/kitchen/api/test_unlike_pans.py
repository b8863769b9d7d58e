"""Unlike pans of one load over the API, and the stand-in of each kind of device."""

from __future__ import annotations

import pytest

from entremet.devices.probe import SimulatedProbe
from entremet.devices.scale import SimulatedScale
from entremet.kitchen.actions import readings
from entremet.kitchen.models import Device
from tests.kitchen.api.test_running import baking, step


def test_of_unlike_pans_in_one_load_the_slowest_is_logged_by_when_it_came_out(
        demo, post, tick, recipe_id, pan_id, client):
    day = post("/api/days", {"fit": {"recipe": recipe_id("plum-bergamot"), "into": [
        {"pan": pan_id("round-20"), "count": 1}, {"pan": pan_id("tray-12"), "count": 12}]}}).json()
    under_way = baking(day, tick, ago_min=40)
    rows = step(under_way, "bake")["bake"]["rows"]
    assert [one["label"] for one in rows] == ["12 wells of Tray of 12", "Round 20"]
    slow, key = rows[1]["row"], step(day, "bake")["key"]
    under_way = tick(under_way, {"kind": "out", "step": key, "place": slow, "ago_s": 300})
    assert [one["out"] for one in step(under_way, "bake")["bake"]["rows"]] == [False, True]
    over = tick(under_way, {"kind": "out", "step": key, "place": rows[0]["row"], "ago_s": 0})
    assert step(over, "bake")["stand"] == "done"
    post(f"/api/days/{day['id']}/finish", {})
    (bake,) = client.get("/api/bakes").json()["bakes"]
    assert bake["pan_label"] == "Round 20"
    assert bake["minutes"] == pytest.approx(35, abs=0.2)


def test_each_stand_in_reads_what_its_kind_reads(demo):
    scale = readings.add_device(Device.Kind.SCALE, "Scale", simulated=True)
    probe = readings.add_device(Device.Kind.PROBE, "Probe", simulated=True)
    try:
        assert isinstance(readings.simulator(scale), SimulatedScale)
        assert isinstance(readings.simulator(probe), SimulatedProbe)
        readings.beat(scale.pk)
        readings.beat(probe.pk)
        weight, heat = readings.latest_of(scale.pk), readings.latest_of(probe.pk)
        assert weight.g is not None
        assert weight.centre_c is None
        assert heat.centre_c is not None
        assert heat.g is None
    finally:
        for one in (scale, probe):
            readings.forget_device(one)
