"""What bakes teach: the worked values, and the promises of the model."""

from __future__ import annotations

import math
import random
from dataclasses import astuple, replace

import numpy as np
import pytest

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.learning.entries import HowDone, Logged
from entremet.core.learning.model import learn
from entremet.core.learning.scoring import score
from entremet.core.learning.spreads import REFERENCES, SPREADS

WORKED = replace(SPREADS, oven=0.10, recipe=0.08, pan=0.05, noise=0.06)


def bake(oven, recipe, pan, factor=1.0, **more):
    return Logged(oven=oven, recipe=recipe, pan=pan, minutes=30 * factor, expected_min=30, **more)


FOUR = [bake("main", "parsnip", "18", 1.10), bake("main", "parsnip", "23", 1.12),
        bake("main", "sesame", "sheet", 1.08), bake("upper", "parsnip", "18", 0.97)]


@pytest.mark.parametrize(("kind", "key", "mean", "sd"), [
    ("oven", "main", 0.0700, 0.0553), ("oven", "upper", -0.0346, 0.0669),
    ("recipe", "parsnip", 0.0191, 0.0559), ("recipe", "sesame", 0.0036, 0.0626),
    ("pan", "18", -0.0025, 0.0422), ("pan", "23", 0.0100, 0.0434),
    ("pan", "sheet", 0.0014, 0.0461)])
def test_the_worked_posterior(kind, key, mean, sd):
    found = learn(FOUR, WORKED, robust=False)
    assert found.of(kind, key)[:2] == (pytest.approx(mean, abs=6e-5), pytest.approx(sd, abs=6e-5))


def test_the_worked_predictions():
    found = learn(FOUR, WORKED, robust=False)
    one = found.predict(bake("main", "parsnip", "18"))
    assert (one.factor, one.mean_sd, one.sd) == (
        pytest.approx(1.0903, abs=6e-5), pytest.approx(0.0466, abs=6e-5),
        pytest.approx(0.0760, abs=6e-5))
    new = found.predict(bake("main", "pear", "ring"))
    assert (new.factor, new.sd) == (pytest.approx(1.0725, abs=6e-5),
                                    pytest.approx(0.1247, abs=6e-5))
    nothing = found.predict(bake("gas", "pear", "ring"))
    assert (nothing.factor, nothing.sd) == (1.0, pytest.approx(0.1500, abs=6e-5))


def test_with_nothing_logged_there_is_only_the_prior():
    said = learn([]).predict(bake("main", "parsnip", "18"))
    assert said.factor == 1.0
    assert said.sd == pytest.approx(0.119, abs=5e-4)
    untimed = learn([]).predict(bake("main", "parsnip", "18", timed=False))
    assert untimed.sd == pytest.approx(math.sqrt(0.08**2 + 0.18**2 + 0.04**2 + 0.05**2))
    assert said.bakes == 0


def test_order_does_not_matter_and_what_is_taken_away_is_gone():
    rng = random.Random(4)
    many = [bake(rng.choice("ab"), rng.choice("xyz"), rng.choice("123"),
                 math.exp(rng.gauss(0, 0.1))) for _ in range(30)]
    asked = bake("a", "x", "1")
    there = learn(many).predict(asked)
    shuffled = learn(rng.sample(many, len(many))).predict(asked)
    assert shuffled.factor == pytest.approx(there.factor, rel=1e-9)
    assert shuffled.sd == pytest.approx(there.sd, rel=1e-9)
    fewer = learn([*many, bake("a", "x", "1", 1.4)][:-1]).predict(asked)
    assert fewer == there
    assert learn(many[:0]).predict(asked) == learn([]).predict(asked)


@pytest.mark.parametrize("minutes", [3.0, 300.0])
def test_one_absurd_entry_moves_no_prediction_and_is_asked_about(minutes):
    asked = bake("main", "parsnip", "18")
    wild = replace(asked, minutes=minutes)
    found = learn([*FOUR, wild])
    assert found.predict(asked).factor == pytest.approx(learn(FOUR).predict(asked).factor,
                                                        rel=1e-12)
    assert found.weights[-1] == 0
    assert found.odd == (4,)


def test_an_odd_entry_is_told_from_a_slow_oven():
    same = [bake("main", "parsnip", "18", 1.10 + 0.004 * (place % 3)) for place in range(8)]
    assert learn(same).odd == ()
    odd = learn([*same, bake("main", "parsnip", "18", 1.45)])
    assert odd.odd == (8,)
    assert odd.weights[-1] < 0.5


@pytest.mark.parametrize(("how", "factor"), [
    (HowDone.LITTLE_OVER, math.exp(0.095)), (HowDone.RAW, math.exp(-0.095))])
def test_over_and_raw_say_where_right_would_have_been(how, factor):
    said = learn([bake("main", "parsnip", "18", factor, how=how)], robust=False)
    assert said.predict(bake("main", "parsnip", "18")).factor == pytest.approx(1.0)
    right = learn([bake("main", "parsnip", "18", 1.0)], robust=False)
    assert said.of("oven", "main")[1] > right.of("oven", "main")[1]


def test_distance_and_kind_are_learnt_like_the_rest_and_only_where_there_are_any():
    far = bake("main", "parsnip", "giant", 1.3, apart=1.6, kind_changes=True, kind="fan")
    found = learn([far], robust=False)
    assert 1.6 * found.of("apart", "parsnip", "giant")[0] > found.of("oven", "main")[0] > 0
    assert found.of("kind", "parsnip", "fan")[2] == 1
    near = found.predict(bake("main", "parsnip", "18"))
    assert near.sd < found.predict(replace(far, pan="other")).sd
    assert found.predict(replace(far, apart=0.1)).factor < found.predict(far).factor
    assert learn([]).predict(far).sd == pytest.approx(math.hypot(
        learn([]).predict(bake("main", "parsnip", "18")).sd, 0.12 * 1.6, 0.08))


def test_two_ranges_of_one_recipe_keep_the_order_of_entries_out():
    narrow = bake("main", "parsnip", "18", 1.1)
    wide = bake("main", "parsnip", "18", 1.2, half_range=0.15)
    one, other = learn([narrow, wide]), learn([wide, narrow])
    assert one.predict(narrow) == other.predict(narrow)


def test_what_is_behind_a_prediction_is_counted():
    found = learn([*FOUR, bake("main", "parsnip", "18", how=HowDone.RAW),
                   replace(FOUR[0], minutes=300)])
    said = found.predict(bake("main", "parsnip", "sheet"))
    assert (said.bakes, said.by_oven, said.by_recipe, said.by_pan) == (5, 4, 4, 1)
    assert said.right_here == 3
    assert found.predict(bake("gas", "pear", "ring")).bakes == 0


def test_every_spread_lies_in_its_range_and_names_its_source():
    assert [row.value for row in REFERENCES.values()] == list(astuple(SPREADS))
    assert all(row.low <= row.value <= row.high and row.source for row in REFERENCES.values())


@pytest.mark.parametrize("wrong", [0, -3, math.nan, math.inf])
def test_a_bake_of_no_time_is_refused(wrong):
    with pytest.raises(ImpossibleChoice):
        replace(FOUR[0], minutes=wrong)


def kitchen(rng, bakes):
    """A kitchen with true factors drawn from the priors, and bakes in it."""
    true = {("oven", o): rng.gauss(0, 0.08) for o in range(2)}
    true |= {("recipe", r): rng.gauss(0, 0.06) for r in range(4)}
    true |= {("pan", p): rng.gauss(0, 0.04) for p in range(5)}
    found = []
    for _ in range(bakes):
        names = rng.randrange(2), rng.randrange(4), rng.randrange(5)
        y = sum(true[kind, key] for kind, key in zip(("oven", "recipe", "pan"), names,
                                                     strict=True)) + rng.gauss(0, 0.05)
        found.append(bake(*map(str, names), math.exp(y)))
    return found


def test_learning_halves_the_error_and_its_windows_hold():
    """A tenth of the bench's kitchens: errors of fresh bakes with learning over those without."""
    rng = random.Random(20261126)
    with_it, without, inside, count = [], [], 0, 0
    for _ in range(100):
        bakes = kitchen(rng, 24 + 10)
        learnt = learn(bakes[:24], robust=False)
        for one in bakes[24:]:
            said = learnt.predict(one)
            y = math.log(one.minutes / 30)
            with_it.append(abs(y - math.log(said.factor)))
            without.append(abs(y))
            inside += abs(y - math.log(said.factor)) <= 1.645 * said.sd
            count += 1
    with_it.sort()
    without.sort()
    assert with_it[count // 2] / without[count // 2] <= 0.60
    assert 0.86 <= inside / count <= 0.94


def test_the_score_looks_only_back():
    slow = [bake("main", "parsnip", "18", 1.15) for _ in range(6)]
    learnt, plain = score(slow), score(slow, learning=False)
    assert learnt.bakes == plain.bakes == 6
    assert plain.median == pytest.approx(0.15)
    assert learnt.median < 0.06
    first = score(slow[:1])
    assert first.median == pytest.approx(0.15)
    assert score([]).median is None
    assert score([bake("main", "parsnip", "18", how=HowDone.RAW)]).bakes == 0


def dense(entries, weights, asked):
    """Mean and variance of a bake's sum by the plain normal equations, pairs and all."""
    rows = [entry.causes(SPREADS) for entry in [*entries, asked]]
    sds = {cause: sd for row in rows for cause, _, sd in row}
    place = {cause: at for at, cause in enumerate(sds)}
    design = np.zeros((len(rows), len(place)))
    for i, row in enumerate(rows):
        for cause, by, _ in row:
            design[i, place[cause]] = by
    held = np.array([weight / entry.noise(SPREADS)**2
                     for weight, entry in zip(weights, entries, strict=True)])
    known, ask = design[:-1], design[-1]
    covariance = np.linalg.inv((known * held[:, None]).T @ known
                               + np.diag([1 / sd**2 for sd in sds.values()]))
    mean = covariance @ ((known * held[:, None]).T
                         @ np.array([entry.log_ratio(SPREADS) for entry in entries]))
    return float(ask @ mean), float(ask @ covariance @ ask)


def test_taking_pairs_out_first_changes_nothing():
    rng = random.Random(9)
    entries = []
    for _ in range(40):
        recipe, pan = rng.choice("xyz"), rng.choice("123")
        entries.append(bake(rng.choice("ab"), recipe, pan, math.exp(rng.gauss(0.05, 0.1)),
                            apart=0.0 if pan == "1" else 0.3 * int(pan) + 0.1 * rng.random(),
                            kind_changes=recipe == "z", kind="fan"))
    found = learn(entries)
    for asked in (entries[0], entries[7], bake("a", "x", "3", apart=0.8),
                  bake("a", "q", "2", apart=-0.5), bake("new", "z", "1", kind_changes=True,
                                                        kind="gas")):
        mean, variance = dense(entries, found.weights, asked)
        said = found.predict(asked)
        assert math.log(said.factor) == pytest.approx(mean, abs=1e-9)
        assert said.mean_sd**2 == pytest.approx(variance, rel=1e-9)


def test_weights_are_those_that_another_round_leaves_as_they_are():
    rng = random.Random(3)
    entries = [bake("a", rng.choice("xy"), rng.choice("12"), math.exp(rng.gauss(0, 0.15)))
               for _ in range(25)]
    found = learn(entries)
    for entry, weight in zip(entries, found.weights, strict=True):
        r = (entry.log_ratio(SPREADS) - math.log(found.predict(entry).factor)) / SPREADS.noise
        assert weight == pytest.approx(5 / (4 + r**2), abs=1e-7)
