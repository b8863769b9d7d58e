"""Schools side by side, curves of the centre, and advice for high kitchens."""

from __future__ import annotations

import dataclasses

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.at_the_oven.view import at_the_oven, curves_at
from entremet.core.baking.altitude import adjustments, boiling_c
from entremet.core.baking.schools import crust_words
from entremet.core.baking.temperature import School
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from tests.core.conftest import entry, make_card, round_pan
from tests.core.plan.test_plan import OVEN, plan

DEEP = entry(round_pan(18), 1, rule=PanRule(kind=Rule.GRAMS, grams=1000))


def view(result, **more):
    return at_the_oven(result, [], refit=lambda others: plan(make_card(), *others), **more)


def test_schools_stand_side_by_side_with_time_crust_and_dome_in_words():
    rows = {row.school: row for row in view(plan(make_card(), DEEP)).schools}
    assert set(rows) == set(School) - {School.OWN}
    assert "darker" in rows[School.AS_RECIPE].crust
    assert rows[School.AS_RECIPE].dome == "likely to dome more"
    low = rows[School.LOWER].bake
    assert low.window.likely_min > rows[School.AS_RECIPE].bake.window.likely_min
    assert low.oven.setting.value == 155


def test_strips_make_a_flatter_cake():
    plain = view(plan(make_card(), entry(round_pan(18), 2))).schools[0]
    strips = view(plan(make_card(), entry(round_pan(18), 2),
                       strips=True)).schools[0]
    assert (plain.dome, strips.dome) == ("about the recipe's dome", "likely flatter")


def test_steam_has_no_schools():
    steam = dataclasses.replace(OVEN, kind=OvenKind.STEAM)
    assert view(plan(make_card(), DEEP, oven=steam)).schools == ()


@pytest.mark.parametrize(("ratio", "words"), [
    (1.0, "the recipe's crust"), (1.35, "about a third darker"), (0.75, "about a quarter paler"),
    (2.5, "far darker"), (0.3, "much paler"), (None, "no crust to compare")])
def test_crust_in_words(ratio, words):
    assert crust_words(ratio) == words


def test_a_curve_rises_to_done_at_the_likely_minute_and_is_cut_at_boiling():
    result = plan(make_card(), entry(round_pan(18), 2))
    curves, chosen = curves_at(result, 0)
    curve = curves[chosen]
    assert curve.window == result.pans[0].bake.window
    temperatures = [one.centre_c for one in curve.moments]
    assert temperatures == sorted(temperatures)
    assert max(temperatures) == 100
    assert curve.moments[34].centre_c == pytest.approx(97, abs=0.01)
    assert curve.moments[34].centre == "done"
    assert curve.moments[34].crust == "the recipe's crust"
    assert curve.moments[10].centre == "still batter in the middle"
    assert curve.moments[-1].centre == "done and drying"


def test_curves_cover_the_dial_within_reach_hotter_being_quicker():
    curves, chosen = curves_at(plan(make_card(), entry(round_pan(18), 2)), 0)
    settings = [curve.setting.value for curve in curves]
    assert settings == [150, 155, 160, 165, 170, 175, 180, 185, 190]
    assert settings[chosen] == 170
    likely = [curve.window.likely_min for curve in curves]
    assert likely == sorted(likely, reverse=True)


def test_a_setting_hardly_above_done_still_has_its_curve():
    card = make_card(setting=Setting(value=98, scale=Scale.CELSIUS), stated=None)
    fine = dataclasses.replace(OVEN, step=1)
    curves, chosen = curves_at(plan(card, entry(round_pan(18), 2), oven=fine), 0)
    assert curves[chosen].setting.value == 98
    assert curves[chosen].window.likely_min > curves[-1].window.likely_min > 0


def test_a_curve_of_phases_marks_where_they_change():
    phases = (Phase(setting=Setting(value=190, scale=Scale.CELSIUS), minutes=10),
              Phase(setting=Setting(value=170, scale=Scale.CELSIUS), minutes=30))
    curves, chosen = curves_at(plan(make_card(phases=phases, stated=None),
                                    entry(round_pan(18), 2)), 0)
    assert curves[chosen].phase_ends_min == (10,)


def test_steam_has_one_curve_and_a_pan_without_a_time_none():
    steam = dataclasses.replace(OVEN, kind=OvenKind.STEAM)
    curves, chosen = curves_at(plan(make_card(), entry(round_pan(18), 2), oven=steam), 0)
    assert (len(curves), chosen) == (1, 0)
    assert all(one.crust in ("", "no crust to compare") for one in curves[0].moments)
    assert curves_at(plan(make_card(setting=None), entry(round_pan(18), 2)), 0) == ((), 0)
    assert curves_at(plan(make_card(), entry(round_pan(18), 2)), 7) == ((), 0)
    cool = plan(make_card(), entry(round_pan(18), 2), temperature=School.OWN, dial=95)
    assert cool.pans[0].bake.window is None
    assert curves_at(cool, 0) == ((), 0)


@given(st.floats(0, 4900), st.floats(1, 100))
def test_water_boils_cooler_the_higher_it_is(height, more):
    assert boiling_c(height + more) < boiling_c(height) <= 100 + 1e-9


@pytest.mark.parametrize("height", [-10, 6000, float("nan")])
def test_a_height_where_nobody_bakes_is_refused(height):
    with pytest.raises(ImpossibleChoice):
        boiling_c(height)


def test_high_kitchens_get_advice_beside_the_fit_and_nothing_in_it():
    result = plan(make_card(), entry(round_pan(18), 2))
    off, on = view(result), view(result, altitude_m=1600.0)
    assert off.height is None
    rows = {row.what: row for row in on.height.rows}
    assert rows["Baking powder"].now == "8.5 g"
    assert float(rows["Baking powder"].high.split()[0]) < 9.3
    assert rows["Milk"].high != rows["Milk"].now
    assert on.card.pans == off.card.pans
    assert result.pans[0].bake.window.likely_min == pytest.approx(34)


def test_low_kitchens_change_nothing():
    result = plan(make_card(), entry(round_pan(18), 2))
    assert adjustments(400, result.lines, done_c=97) == ()


def test_the_bakers_own_setting_moves_the_time_and_every_phase_with_it():
    pans = (entry(round_pan(18), 2),)
    usual = plan(make_card(), *pans, temperature=School.AS_RECIPE).pans[0].bake
    own = plan(make_card(), *pans, temperature=School.OWN, dial=150).pans[0].bake
    assert (usual.oven.setting.value, own.oven.setting.value) == (170, 150)
    assert own.window.likely_min > 1.1 * usual.window.likely_min
    assert own.crust != usual.crust
    rows = {row.school: row for row in view(
        plan(make_card(), *pans, temperature=School.OWN, dial=150)).schools}
    assert rows[School.OWN].bake.oven.setting.value == 150
    # A setting between two marks of the dial stays as it was set, and none is the recipe's own.
    between = plan(make_card(), *pans, temperature=School.OWN, dial=163).pans[0].bake
    assert between.oven.setting.value == 163
    assert plan(make_card(), *pans, temperature=School.OWN).pans[0].bake.oven == usual.oven
    phased = make_card(phases=(
        Phase(setting=Setting(value=190, scale=Scale.CELSIUS), minutes=10),
        Phase(setting=Setting(value=165, scale=Scale.CELSIUS), minutes=24)))
    steps = plan(phased, *pans, temperature=School.OWN, dial=155).pans[0].bake.oven.steps
    assert [one.setting.value for one in steps] == [180, 155]


@pytest.mark.parametrize("dial", [20, 400])
def test_a_setting_the_dial_has_not_is_refused_at_its_field(dial):
    with pytest.raises(ImpossibleChoice, match="goes from") as found:
        plan(make_card(), entry(round_pan(18), 2), temperature=School.OWN, dial=dial)
    assert found.value.field == "dial"
