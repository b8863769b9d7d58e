"""A probe narrows the window as promised, and never says that a bake is done."""

from __future__ import annotations

import math
import random
from dataclasses import replace

import pytest

from entremet.core.baking.window import Spread, window
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.probing.faults import SILENT_MIN, air_off, probed
from entremet.core.probing.posterior import Reading, Watched, narrowed


def bake(likely=36.0, spread=0.12):
    how = Spread(total=spread, late=spread, near=spread)
    return Watched(window=window(likely, how), spread=spread, start_c=20, done_c=96, oven_c=170)


def curve(watched, done_min, lag=7.0, *, until_rise=None, every=0.5, noise=0.0, rng=None,
          until=None):
    """Readings of a bake with a hidden true time to done."""
    rise = math.log((watched.oven_c - watched.start_c) / (watched.oven_c - watched.done_c))
    tau = (done_min - lag) / rise
    found, minutes = [], 0.0
    while True:
        since = max(0.0, minutes - lag)
        true = watched.oven_c - (watched.oven_c - watched.start_c) * math.exp(-since / tau)
        if until_rise is not None and true - watched.start_c > until_rise:
            return found
        if until is not None and minutes > until:
            return found
        found.append(Reading(minutes=minutes, centre_c=true + (rng.gauss(0, noise) if rng else 0),
                             air_c=watched.oven_c))
        minutes += every


def test_no_reading_leaves_the_window_as_it_was():
    watched = bake()
    assert narrowed(watched, []).window == watched.window
    hot = [Reading(minutes=30, centre_c=95), Reading(minutes=31, air_c=170)]
    assert narrowed(watched, hot).window == watched.window


@pytest.mark.parametrize("true", [29.0, 33.0, 36.0, 40.0, 44.0])
@pytest.mark.parametrize("lag", [5.0, 7.0, 9.0])
def test_readings_on_the_curve_find_the_time_within_two_percent(true, lag):
    watched = bake()
    found = narrowed(watched, curve(watched, true, lag, until_rise=25))
    assert found.window.likely_min == pytest.approx(true, rel=0.02)
    assert found.window.early_min < found.window.likely_min < found.window.latest_min
    assert 0.02 <= found.spread < 0.5 * watched.spread
    assert found.window.first_look_min == watched.window.first_look_min


@pytest.mark.parametrize(("rise", "within"), [(30, 0.025), (40, 0.02)])
def test_noisy_readings_find_it_in_95_of_100_bakes(rise, within):
    rng = random.Random(20261126)
    watched, hits = bake(), 0
    for _ in range(100):
        true = 36 * math.exp(rng.gauss(0, 0.12))
        lag = rng.gauss(7, 1.5)
        found = narrowed(watched, curve(watched, true, lag, until_rise=rise, noise=0.5, rng=rng))
        hits += abs(found.window.likely_min / true - 1) <= within
    assert hits >= 95


def test_the_window_holds_what_it_says_and_only_narrows_with_more():
    rng = random.Random(7)
    watched, inside = bake(), 0
    for _ in range(100):
        true = 36 * math.exp(rng.gauss(0, 0.12))
        readings = curve(watched, true, rng.gauss(7, 2), until_rise=18, noise=0.5, rng=rng)
        found = narrowed(watched, readings)
        inside += found.window.early_min <= true <= found.window.latest_min
        assert found.spread <= watched.spread + 1e-9
    assert 82 <= inside <= 98


def test_one_reading_is_worth_what_the_usual_lag_makes_of_it():
    """A middle at 62 °C after 20 min says much, since it is known when it began to warm."""
    found = narrowed(bake(), [Reading(minutes=20, centre_c=62)])
    assert found.spread == pytest.approx(math.hypot(0.0575, 0.02), abs=0.003)


def test_order_of_readings_does_not_matter():
    watched = bake()
    readings = curve(watched, 40, until_rise=30)
    assert narrowed(watched, readings[::-1]) == narrowed(watched, readings)


def said(watched, readings, now=None):
    return probed(watched, readings, now_min=readings[-1].minutes if now is None else now)


def codes(watched, readings, now=None):
    return {one.code for one in said(watched, readings, now).findings}


def test_a_clean_bake_has_nothing_wrong():
    rng = random.Random(3)
    watched = bake()
    assert codes(watched, curve(watched, 38, until_rise=40, noise=0.5, rng=rng)) == set()
    assert probed(watched, [], now_min=9).findings == ()
    assert probed(watched, [], now_min=9).found.window == watched.window


def test_door_cold_spot_loose_probe_noise_and_silence_are_told_apart():
    rng = random.Random(5)
    watched = bake()
    good = curve(watched, 37, until_rise=30)
    door = [Reading(minutes=one.minutes, centre_c=one.centre_c, air_c=one.air_c - (
        40 if 12 <= one.minutes < 13 else 0)) for one in good]
    assert codes(watched, door) == {"door_open"}
    assert codes(watched, curve(watched, 62, until_rise=30)) == {"probe_place"}
    assert codes(watched, curve(watched, 22, until_rise=30)) == {"probe_place"}
    loose = [*good, *(Reading(minutes=good[-1].minutes + step / 2, centre_c=110, air_c=170)
                      for step in (1, 2))]
    assert codes(watched, loose) == {"probe_out"}
    assert codes(watched, good, now=good[-1].minutes + 3) == {"probe_silent"}
    assert codes(watched, good, now=good[-1].minutes + SILENT_MIN) == set()
    assert codes(watched, good, now=good[-1].minutes + SILENT_MIN + 0.1) == {"probe_silent"}
    assert "probe_noisy" in codes(watched, curve(watched, 37, until_rise=30, noise=3, rng=rng))


def test_what_a_probe_says_out_of_the_cake_or_in_a_wrong_place_narrows_nothing():
    watched = bake()
    good = curve(watched, 40, until_rise=30)
    loose = [*good, *(Reading(minutes=good[-1].minutes + step / 2, centre_c=110, air_c=170)
                      for step in range(1, 9)),
             *(Reading(minutes=good[-1].minutes + 5 + step / 2, centre_c=40, air_c=170)
               for step in range(1, 9))]
    assert said(watched, loose).found == narrowed(watched, good)
    cold = said(watched, curve(watched, 62, until_rise=30))
    assert cold.found.window == watched.window
    assert cold.found.readings == 0


def test_a_noisy_probe_is_believed_less():
    rng = random.Random(11)
    watched = bake()
    clean = said(watched, curve(watched, 38, until_rise=25, noise=0.5, rng=rng)).found
    noisy = said(watched, curve(watched, 38, until_rise=25, noise=4, rng=rng)).found
    assert clean.spread < noisy.spread <= watched.spread
    assert noisy.window.early_min <= 38 <= noisy.window.latest_min


def test_air_tells_how_far_the_dial_is_off_and_a_door_does_not():
    watched = bake()
    readings = [Reading(minutes=step / 2, air_c=162 - (60 if step == 9 else 0))
                for step in range(20)]
    assert air_off(watched, readings).value == pytest.approx(-8)
    assert air_off(watched, readings[:5]) is None


def test_a_probe_of_nonsense_is_refused():
    with pytest.raises(ImpossibleChoice):
        Watched(window=bake().window, spread=0.1, start_c=20, done_c=180, oven_c=170)
    with pytest.raises(ImpossibleChoice):
        Watched(window=bake().window, spread=0, start_c=20, done_c=96, oven_c=170)


def test_a_door_is_told_by_how_far_the_air_fell_from_its_highest_within_a_minute():
    watched = bake()
    calm = curve(watched, 36, until=20)

    def told(*air):
        last = calm[-1].minutes
        more = [Reading(minutes=last + 0.4 * (place + 1), air_c=heat)
                for place, heat in enumerate(air)]
        return {one.code for one in probed(watched, [*calm, *more], now_min=last + 1).findings}

    # From 172 to 156 within a minute, though the reading just before was 166.
    assert "door_open" in told(172, 166, 156)
    assert "door_open" not in told(169, 168, 160)


def test_a_thin_layer_is_known_to_warm_at_once():
    """Its lag is the model's own: with the usual one early readings say it is done sooner."""
    thin = replace(bake(12.0), lag_min=2.0)
    seen = curve(thin, 12.0, 2.0, until_rise=12)
    own, other = narrowed(thin, seen), narrowed(replace(thin, lag_min=7.0), seen)
    assert abs(own.window.likely_min - 12) < abs(other.window.likely_min - 12)
    assert own.window.likely_min == pytest.approx(12.0, rel=0.04)


@pytest.mark.parametrize(("apart", "jumped"), [(1.0, True), (0.5, True), (2.0, False)])
def test_a_middle_that_jumps_within_a_minute_is_a_probe_that_is_out(apart, jumped):
    """Many probes read once a minute: what jumps from one reading to the next is out."""
    watched = bake()
    good = curve(watched, 37, until_rise=30)
    last = good[-1]
    loose = [*good, Reading(minutes=last.minutes + apart, centre_c=last.centre_c + 40, air_c=170)]
    assert ("probe_out" in codes(watched, loose)) is jumped
