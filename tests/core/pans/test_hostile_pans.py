"""Absurd and hostile measures: a clear error that names the field, never a plausible pan."""

from __future__ import annotations

import math
from dataclasses import fields

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.fitting.rules import Entry, Rule
from entremet.core.ground.errors import CoreError, ImpossiblePan
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.pan import CapacityPan, Pan
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, make_card, round_pan
from tests.core.plan.test_plan import OVEN, codes

BOW_TIE = ((0.0, 0.0), (4.0, 4.0), (4.0, 0.0), (0.0, 4.0))
NAMES = {one.name for one in fields(PanMeasures)}

lengths = st.one_of(st.none(), st.floats(), st.sampled_from([0.0, -1.0, 1e-9, 5.0, 20.0, 1e9]))
measures = st.builds(
    PanMeasures, outline=st.sampled_from(OutlineName), across=lengths, width=lengths, tube=lengths,
    corner=st.sampled_from([0.0, 1.0, -3.0, 50.0, math.nan]), rim_across=lengths,
    rim_width=lengths, rim_tube=lengths, wall_cm=lengths,
    wells=st.integers(-2, 200), flutes=st.integers(0, 40), capacity_ml=lengths,
    sides=st.integers(-1, 40),
    points=st.sampled_from([(), BOW_TIE, ((0, 0), (1, 0), (1, 1), (0, 1)), ((0, 0),) * 5]),
    patted=st.booleans())


def pan_or_error(given_measures):
    try:
        return pan_from(given_measures, label="pan")
    except ImpossiblePan as error:
        return error


@given(measures)
def test_any_measures_make_a_sound_pan_or_an_error_that_names_its_field(given_measures):
    pan = pan_or_error(given_measures)
    if isinstance(pan, ImpossiblePan):
        assert pan.field in NAMES, pan.field
        assert pan.text
        return
    assert isinstance(pan, Pan | CapacityPan)
    assert math.isfinite(pan.capacity_ml)
    assert 0 < pan.capacity_ml <= 500_000
    if isinstance(pan, Pan):
        half = pan.capacity_ml / 2
        assert pan.volume_ml(pan.depth_cm(half)) == pytest.approx(half, rel=1e-6)
        assert pan.wall_area_cm2(pan.wall_cm.value) > 0


@pytest.mark.parametrize(("wrong", "field"), [
    ({"outline": OutlineName.ROUND, "across": 0, "wall_cm": 5}, "across"),
    ({"outline": OutlineName.ROUND, "across": -18, "wall_cm": 5}, "across"),
    ({"outline": OutlineName.HALF_BALL, "capacity_ml": 500_000}, "capacity_ml"),
    ({"outline": OutlineName.ROUND, "capacity_ml": 1, "wall_cm": 30}, "capacity_ml"),
    ({"outline": OutlineName.ROUND, "across": 18, "wall_cm": 0}, "wall_cm"),
    ({"outline": OutlineName.ROUND, "across": 400, "wall_cm": 5}, "across"),
    ({"outline": OutlineName.RING, "across": 22, "tube": 30, "wall_cm": 8}, "tube"),
    ({"outline": OutlineName.DRAWN, "across": 20, "wall_cm": 5, "points": BOW_TIE}, "points"),
    ({"outline": OutlineName.WELLS, "across": 5, "wall_cm": 3, "wells": 0}, "wells"),
])
def test_the_measure_at_fault_is_named(wrong, field):
    with pytest.raises(ImpossiblePan) as refused:
        pan_from(PanMeasures(**wrong), label="pan")
    assert refused.value.field == field


@given(measures, st.integers(-3, 2000), st.sampled_from(Rule))
def test_a_hostile_pan_beside_a_good_one_never_spoils_the_fit(hostile, count, rule):
    try:
        typed = entry(pan_from(hostile, label="typed"), count)
    except CoreError:
        return
    plan = make_plan(make_card(), [typed, entry(round_pan(18), 1)],
                     request=Request(recipe=1, rule=rule), oven=OVEN)
    good = plan.pans[1]
    assert good.standing is not None
    assert math.isfinite(good.standing.batter_g)
    assert plan.amounts is not None


def test_a_count_of_nothing_or_too_many_is_left_out_and_said():
    for count, code in ((0, "no_count"), (-4, "negative_count"), (100_000, "absurd_count")):
        plan = make_plan(make_card(), [Entry(label="r", pan=round_pan(18), count=count)],
                         request=Request(recipe=1), oven=OVEN)
        assert code in codes(plan)
        assert plan.amounts is None
