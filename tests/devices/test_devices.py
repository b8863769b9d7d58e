"""The stand-ins: the same seed the same readings, every fault as a real one has it."""

from __future__ import annotations

import json
import threading
from http.server import BaseHTTPRequestHandler, HTTPServer
from typing import ClassVar

import pytest

from entremet.devices import __main__ as player
from entremet.devices.probe import SimulatedProbe
from entremet.devices.scale import MOST_G, SimulatedScale


def settled(scale, seconds=30):
    for _ in range(seconds * 4):
        read = scale.run(0.25)
    return read


def test_a_scale_follows_its_load_late_and_says_when_it_is_steady():
    scale = SimulatedScale()
    assert settled(scale)["stable"]
    scale.pour(430)
    first = scale.run(0.25)
    assert not first["stable"]
    assert 0 <= first["g"] < 20
    last = settled(scale)
    assert last["stable"]
    assert last["g"] == pytest.approx(430, abs=1.5)


def test_it_is_tared_taken_from_and_lifted_off():
    scale = SimulatedScale()
    scale.pour(300)
    settled(scale)
    scale.tare()
    assert settled(scale)["g"] == pytest.approx(0, abs=1.5)
    scale.pour(-10)
    assert settled(scale)["g"] == pytest.approx(-10, abs=1.5)
    scale.lift()
    assert settled(scale)["g"] == pytest.approx(-300, abs=1.5)


def test_it_zeroes_only_a_reading_that_is_steady():
    scale = SimulatedScale(noise_g=0)
    scale.pour(300)
    scale.run(0.25)
    scale.tare()
    assert scale.run(0.25)["g"] > 0
    assert settled(scale)["g"] == pytest.approx(0, abs=1)
    scale.pour(40)
    assert settled(scale)["g"] == pytest.approx(40, abs=1)


def test_it_drifts_bears_no_more_than_it_can_weakens_and_falls_silent():
    scale = SimulatedScale(noise_g=0, drift_g_min=2, step_g=0.1)
    assert settled(scale, 300)["g"] == pytest.approx(10, abs=0.3)
    scale.pour(MOST_G + 500)
    over = settled(scale, 120)
    assert over["overload"]
    assert "g" not in over
    scale.lift()
    scale.battery_low = True
    assert settled(scale)["battery_low"]
    scale.linked = False
    assert scale.run(0.25) is None


def test_the_same_seed_gives_the_same_readings_and_another_does_not():
    def run(seed):
        scale = SimulatedScale(seed=seed, step_g=0.1)
        scale.pour(100)
        return [scale.run(0.25)["g"] for _ in range(40)]
    assert run(1) == run(1)
    assert run(1) != run(2)
    assert SimulatedProbe(seed=3).run(1) == SimulatedProbe(seed=3).run(1)


def test_a_probe_is_done_when_its_hidden_bake_is():
    probe = SimulatedProbe(done_min=38)
    for _ in range(7):
        probe.run(1)
    assert probe.centre_c == pytest.approx(20)
    for _ in range(31):
        read = probe.run(1)
    assert probe.centre_c == pytest.approx(96, abs=0.01)
    assert read["centre_c"] == pytest.approx(96, abs=1.5)
    for _ in range(60):
        probe.run(1)
    assert probe.centre_c == 100


def test_a_door_cools_the_air_a_pulled_probe_reads_it_and_a_lost_link_says_nothing():
    probe = SimulatedProbe()
    probe.run(10)
    probe.open_door(1)
    assert probe.run(0.5)["air_c"] < 140
    probe.run(0.5)
    assert probe.run(0.5)["air_c"] == pytest.approx(170, abs=5)
    assert probe.run(5)["air_c"] == pytest.approx(170, abs=5)
    probe.in_cake = False
    assert probe.run(0.5)["centre_c"] == pytest.approx(170, abs=5)
    probe.linked = False
    assert probe.run(0.5) is None


class Door(BaseHTTPRequestHandler):
    """An open door that keeps what came through it; a key it does not know is refused."""

    came: ClassVar[list[tuple[str, dict]]] = []

    def do_POST(self):
        body = json.loads(self.rfile.read(int(self.headers["Content-Length"])))
        Door.came.append((self.path, body))
        known = "right-key" in self.path
        self.send_response(204 if known else 404)
        self.end_headers()
        if not known:
            self.wfile.write(json.dumps({"detail": "No device with this key."}).encode())

    def log_message(self, *args):
        pass


@pytest.fixture
def door():
    server = HTTPServer(("127.0.0.1", 0), Door)
    threading.Thread(target=server.serve_forever, daemon=True).start()
    Door.came.clear()
    yield f"http://127.0.0.1:{server.server_port}"
    server.shutdown()
    server.server_close()


@pytest.mark.parametrize(("kind", "field"), [("scale", "g"), ("probe", "centre_c")])
def test_a_device_is_played_over_the_open_door(door, monkeypatch, kind, field):
    monkeypatch.setattr(player, "BEAT_S", 0.01)
    monkeypatch.setattr("sys.argv", ["devices", kind, "right-key", "--address", door,
                                     "--minutes", "0.0005", "--pour", "100"])
    player.main()
    assert len(Door.came) == 3
    path, body = Door.came[0]
    assert path == "/api/devices/right-key/readings"
    (reading,) = body["readings"]
    assert reading["device"] == kind
    assert isinstance(reading[field], float | int)


def test_a_key_that_is_not_known_ends_it_with_the_kitchens_own_words(door, monkeypatch):
    monkeypatch.setattr("sys.argv", ["devices", "scale", "other", "--address", door])
    with pytest.raises(SystemExit, match="No device with this key"):
        player.main()
