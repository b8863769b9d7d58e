"""Three witnesses of a bake: usual practice, a field by another hand, and the model."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bench.heat_check.witnesses import solved, told, usual
from entremet.core.baking.constants import HEAT
from entremet.core.baking.heat_balance import minutes
from entremet.core.baking.pace import PaceBasis, limits_of, pace_of
from entremet.core.baking.window import Spread, reach, spread, window
from entremet.core.batter.styles import style
from entremet.core.card.recipe import StatedTime
from entremet.core.learning.book import CLOSED_BOOK
from entremet.core.learning.entries import Facts
from entremet.core.learning.spreads import SPREADS
from entremet.core.pans.outlines import Ring, Round
from entremet.core.pans.pan import PanKind, straight
from tests.core.baking.test_heat_balance import course, flat

ROWS = {one.name: one for one in usual()}


@pytest.mark.parametrize("name", ROWS)
def test_what_bakers_usually_see_lies_inside_the_window_of_a_recipe_without_a_time(name):
    assert ROWS[name].inside, ROWS[name].window.shown


def test_a_thin_layer_is_done_when_thin_layers_are():
    assert 1 / 1.15 < ROWS["round 23, thin, 340 g"].over < 1.15


def test_thin_and_wide_is_within_8_percent_of_the_field():
    thin = [one for one in solved() if "1.2 cm" in one.name]
    assert len(thin) == 2
    assert all(abs(one.over - 1) < 0.08 < one.before - 1 for one in thin)


def test_the_bench_prints_practice_field_and_model_side_by_side():
    lines = list(told())
    assert len(lines) == len(ROWS) + len(list(solved())) + 2
    assert not any("OUTSIDE" in line for line in lines)


@given(st.floats(0, 12), st.floats(0, 3))
def test_a_thicker_batter_never_warms_sooner_and_the_lag_has_no_step(stands, more):
    here, thicker = HEAT.lag_of(stands), HEAT.lag_of(stands + more)
    assert HEAT.lag_thin_min <= here <= thicker <= HEAT.lag_min
    assert thicker - here <= 6 * more + 1e-9


@pytest.mark.parametrize(("stands", "lag"), [(0.5, 2.0), (1.2, 2.0), (1.65, 4.5), (2.1, 7.0),
                                             (5.0, 7.0)])
def test_the_lag_is_whole_from_a_usual_cakes_height_on(stands, lag):
    assert HEAT.lag_of(stands) == pytest.approx(lag)


def about(apart, **more):
    return window(40, SPREAD, apart=apart, **more)


SPREAD = Spread(total=0.1, late=0.1, near=0.09)


def test_a_deeper_pan_reaches_further_on_the_long_side_alone():
    same, deep = about(0.0), about(math.log(2))
    assert deep.likely_min == same.likely_min
    assert deep.first_look_min == same.first_look_min
    assert deep.early_min == same.early_min
    assert deep.latest_min == pytest.approx(40 * 1.252 * math.exp(1.645 * 0.09), rel=1e-3)
    assert deep.latest_min > same.latest_min


def test_a_shallower_pan_reaches_further_on_the_short_side_alone():
    same, thin = about(0.0), about(-math.log(2))
    assert thin.latest_min == same.latest_min
    assert thin.early_min == pytest.approx(40 / 1.252 / math.exp(1.645 * 0.09), rel=1e-3)


def test_what_was_learnt_of_a_deep_pan_takes_the_reach_away():
    assert about(math.log(2), left=0.0).latest_min == pytest.approx(about(0.0).latest_min)


@given(st.floats(-2, 2))
def test_the_reach_is_bounded_and_begins_at_two_fifths_more(apart):
    assert 1 <= reach(apart) <= 1.3 + 1e-12
    assert (reach(apart) == 1) == (abs(apart) <= math.log(1.4))
    assert reach(apart) == reach(-apart)


def test_a_foam_without_a_time_reaches_as_far_as_foams_do_and_a_butter_cake_does_not():
    said = CLOSED_BOOK.expects(Facts(oven="", recipe="", pan="", timed=False, expected_min=30))
    foam, butter = style("foam").pace, style("creamed").pace
    late = spread(said, slow_style=foam.high / foam.value, untimed=SPREADS.untimed)
    plain = spread(said, slow_style=butter.high / butter.value, untimed=SPREADS.untimed)
    assert plain.late == plain.total == said.sd
    assert late.total == said.sd < late.late
    assert late.late == pytest.approx(math.sqrt(
        said.sd**2 - 0.18**2 + (math.log(1.85 / 0.85) / 1.6448536) ** 2))


@pytest.mark.parametrize("stated", [40, 45])
def test_an_ordinary_foam_in_its_own_tube_is_not_far_too_long(stated):
    tube = straight("tube", Ring(outer=25, tube=7.5), 10, kind=PanKind.RING)
    own = course(tube, 800, pace=1)
    found = pace_of(StatedTime(low_min=stated, high_min=stated), own, style=style("foam").pace)
    assert found.basis is PaceBasis.STATED
    assert minutes(course(tube, 800, pace=found.value)) == pytest.approx(stated)


@pytest.mark.parametrize("stated", [10, 12])
def test_a_layer_of_a_centimetre_in_ten_minutes_is_not_far_too_short(stated):
    own = course(flat(Round(diameter=23)), 380, pace=1, oven_c=180)
    found = pace_of(StatedTime(low_min=stated, high_min=stated), own,
                    style=style("creamed").pace, load=own.stretches[0].load)
    assert found.calibrated


def test_a_deep_pan_may_be_stated_longer_before_it_is_questioned():
    usual_cake, deep = (limits_of(style("creamed").pace, load) for load in (0.67, 1.34))
    assert usual_cake.usual == (0.7, 1.45)
    assert usual_cake.clamp == (pytest.approx(0.5), 2.0)
    assert deep.usual == (0.7, pytest.approx(1.45 * reach(math.log(2))))
    thin = limits_of(style("creamed").pace, 0.335)
    assert thin.usual == (pytest.approx(0.7 / reach(math.log(2))), 1.45)
    assert thin.clamp[0] < 0.5
