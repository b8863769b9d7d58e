"""Ovens of every kind: their heat, their dial and how far it is off; what a fit makes of them."""

from __future__ import annotations

import dataclasses

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.baking.constants import HEAT
from entremet.core.baking.schools import SCHOOL_WORDS
from entremet.core.baking.temperature import School
from entremet.core.baking.treatment import Cover
from entremet.core.batter.styles import style
from entremet.core.card.recipe import StatedTime
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.ground.errors import CoreError
from entremet.core.ground.provenance import Origin
from entremet.core.ground.quantities import plain
from entremet.core.learning.spreads import SPREADS
from entremet.core.ovens.oven import PREHEAT_MIN, Oven, on_dial
from entremet.core.ovens.settings import OWN_HEAT, OvenKind, Scale, Setting, nominal_c, position
from entremet.core.pans.pan import PanFinish
from tests.core.conftest import entry, line, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import OVEN, codes, plan

STEAMER = Oven(name="Steamer", kind=OvenKind.STEAM, scale=Scale.CELSIUS, step=5, lowest=50,
               highest=250)
POT = dataclasses.replace(STEAMER, name="Pot", kind=OvenKind.HOB)
OWN = entry(round_pan(18), 2)


def celsius(value: float) -> Setting:
    return Setting(value=value, scale=Scale.CELSIUS)


def likely(result, place: int = 0) -> float:
    return result.pans[place].bake.window.likely_min


@given(st.floats(-30, 30), st.sampled_from([130, 150, 170, 200]))
def test_a_dial_that_is_off_is_set_so_that_the_oven_is_right(off, target):
    oven = dataclasses.replace(OVEN, dial_off_c=off)
    setting = on_dial(oven, target)
    assert abs(oven.heat_c(setting) - target) <= oven.step / 2 + 1e-9


@given(st.floats(90, 320), st.sampled_from([(OvenKind.FAN, Scale.CELSIUS, 10, 50, 230),
                                            (OvenKind.GAS, Scale.MARK, 0.5, 1, 9),
                                            (OvenKind.CONVENTIONAL, Scale.FAHRENHEIT, 25, 200, 500)
                                            ]), st.floats(-40, 40))
def test_a_setting_lies_on_the_dial(target, dial, lower):
    kind, scale, step, lowest, highest = dial
    oven = Oven(name="x", kind=kind, scale=scale, step=step, lowest=lowest, highest=highest)
    value = on_dial(oven, target, lower_by_c=lower).value
    assert lowest <= value <= highest
    steps = value / step
    assert abs(steps - round(steps)) < 1e-9 or value in (lowest, highest)


def test_an_oven_that_runs_hot_is_set_lower_and_says_why():
    result = plan(make_card(), OWN, oven=dataclasses.replace(OVEN, dial_off_c=10))
    assert result.pans[0].bake.oven.setting.value == 160
    assert likely(result) == pytest.approx(34)
    assert any("10 °C off" in plain(fact) for fact in result.pans[0].why)


def test_heating_is_given_where_it_was_timed_and_assumed_by_kind_else():
    assert OVEN.preheat.origin is Origin.ASSUMED
    assert OVEN.preheat.value == PREHEAT_MIN[OvenKind.CONVENTIONAL]
    assert dataclasses.replace(OVEN, preheat_min=12).preheat.origin is Origin.GIVEN


@pytest.mark.parametrize(("wrong", "field"), [
    ({"step": 0}, "dial_step"), ({"lowest": 260}, "dial_step"), ({"shelves": 0}, "shelves"),
    ({"shelves": 9}, "shelves"), ({"dial_off_c": 80}, "dial_off_c"),
    ({"preheat_min": -1}, "preheat_min"), ({"shelf_cm": (2, 30)}, "shelf_width_cm"),
    ({"highest": 900}, "oven_setting"), ({"dial_off_c": float("nan")}, "dial_off_c"),
])
def test_an_oven_that_cannot_be_names_its_field(wrong, field):
    with pytest.raises(CoreError) as caught:
        dataclasses.replace(OVEN, **wrong)
    assert caught.value.field == field


def test_steam_has_its_own_heat_and_is_done_a_little_cooler():
    result = plan(make_card(), OWN, oven=STEAMER)
    bake = result.pans[0].bake
    assert bake.oven.setting is None
    assert bake.oven.oven_c == OWN_HEAT[OvenKind.STEAM]
    assert bake.course.done_c == HEAT.steam_done_c
    assert bake.crust is None
    assert "own_heat" in codes(result)
    assert STEAMER.words(None) == "over boiling water"
    assert "Steamer keeps its own heat." in result.pans[0].why
    assert not any("below the recipe" in fact for fact in result.pans[0].why)


def test_steam_matches_its_worked_value():
    # tau = 41 R f pace, t = 7 + tau ln(79 / 4), R 0.8976 at the pace of the recipe's own pan.
    result = plan(make_card(), entry(round_pan(18), 2, rule=PanRule(kind=Rule.GRAMS, grams=520)),
                  oven=STEAMER)
    bake = result.pans[0].bake
    expected = 7 + 41 * bake.heat.load * 0.27 * result.source_bake.pace.value * 2.98320
    assert likely(result) == pytest.approx(expected, rel=1e-4)


def test_strips_and_covering_mean_nothing_to_steam():
    treated = {"strips": True, "cover": Cover.WHOLE}
    plain, with_them = (plan(make_card(), OWN, oven=STEAMER, **one)
                        for one in ({}, treated))
    assert likely(with_them) == likely(plain)
    assert with_them.pans[0].why == plain.pans[0].why
    cold = {"strips": True, "start": "chilled"}
    assert likely(plan(make_card(), OWN, oven=STEAMER, **cold)) > likely(plain)


def test_the_hob_has_a_wide_window():
    here, pot = plan(make_card(), OWN), plan(make_card(), OWN, oven=POT)
    assert dict(pot.pans[0].bake.spread.causes)["this recipe"] == SPREADS.untimed
    ours, theirs = (one.pans[0].bake.window for one in (here, pot))
    assert theirs.latest_min / theirs.likely_min > ours.latest_min / ours.likely_min


def test_a_recipe_for_steam_comes_back_over_steam_and_is_assumed_in_an_oven():
    card = make_card(setting=None, oven_kind=OvenKind.STEAM, style=style("steamed"))
    own = plan(card, OWN, oven=STEAMER)
    assert likely(own) == pytest.approx(34)
    other = plan(card, OWN, oven=OVEN)
    assert "own_heat_into_oven" in codes(other)
    assert dial(other) == 180
    window = other.pans[0].bake.window
    assert window.latest_min / window.likely_min > 1.3
    assert "usual pace" in " ".join(other.pans[0].why)


def test_a_recipe_for_the_hob_is_assumed_in_an_oven_too():
    card = make_card(setting=None, oven_kind=OvenKind.HOB)
    assert likely(plan(card, OWN, oven=POT)) == pytest.approx(34)
    other = plan(card, OWN, oven=OVEN)
    assert "own_heat_into_oven" in codes(other)
    assert dial(other) == 180


@pytest.mark.parametrize("stated", [12, 120])
def test_a_time_far_from_the_usual_holds_for_its_own_pan_alone(stated):
    odd = make_card(stated=StatedTime(low_min=stated, high_min=stated))
    silent = make_card(stated=None)
    own = plan(odd, OWN)
    assert "stated_time_not_reproduced" in codes(own)
    assert likely(own) == pytest.approx(stated)
    big = entry(round_pan(23), 1, rule=PanRule(kind=Rule.GRAMS, grams=1049))
    there = plan(odd, big, temperature=School.AS_RECIPE).pans[0].bake.window
    usual = plan(silent, big, temperature=School.AS_RECIPE).pans[0].bake.window
    assert there.likely_min == pytest.approx(usual.likely_min)
    if stated > 34:
        assert there.latest_min > usual.latest_min
    else:
        assert there.early_min < usual.early_min
        assert there.first_look_min < usual.first_look_min


def test_a_small_oven_is_warned_of_and_widens_the_window():
    counter = dataclasses.replace(OVEN, kind=OvenKind.COUNTER)
    result = plan(make_card(), OWN, oven=counter)
    assert "close_elements" in codes(result)
    assert likely(result) == pytest.approx(34)
    assert dict(result.pans[0].bake.spread.causes)["another kind of oven"] == SPREADS.kind


DEEP = entry(round_pan(18), 1, rule=PanRule(kind=Rule.GRAMS, grams=1000))
SMALL = entry(wells_pan(), 6, rule=PanRule(kind=Rule.GRAMS, grams=40))


def dial(result) -> float:
    return result.pans[0].bake.oven.setting.value


def test_schools_of_temperature():
    by_school = {school: plan(make_card(), DEEP, temperature=school) for school in School}
    assert dial(by_school[School.AS_RECIPE]) == 170
    assert dial(by_school[School.LOWER]) == 155
    assert dial(by_school[School.SAME_CRUST]) == dial(by_school[School.BOTH_WAYS]) < 170
    assert likely(by_school[School.LOWER]) > likely(by_school[School.AS_RECIPE])
    assert by_school[School.SAME_CRUST].pans[0].bake.crust == pytest.approx(1, abs=0.2)
    assert by_school[School.AS_RECIPE].pans[0].bake.crust > 1.4


def test_small_pans_are_hotter_in_one_school_only():
    assert dial(plan(make_card(), SMALL)) == 170
    assert dial(plan(make_card(), SMALL, temperature=School.BOTH_WAYS)) > 170


def test_the_lower_school_goes_down_for_dark_pans_and_leaves_others():
    dark = dataclasses.replace(round_pan(18), finish=PanFinish.DARK)
    assert dial(plan(make_card(), entry(dark, 2), temperature=School.LOWER)) == 155
    assert dial(plan(make_card(), OWN, temperature=School.LOWER)) == 170


@pytest.mark.parametrize("changes", [
    {"style": style("foam")},
    {"lines": (*make_card().lines, line(30, "Honey", 120, "g", "120 g", "runny_honey"))},
])
def test_foam_and_honey_are_never_baked_hotter(changes):
    result = plan(make_card(**changes), SMALL, temperature=School.BOTH_WAYS)
    assert dial(result) == 170
    assert "never_hotter" in codes(result)


def test_strips_covering_and_a_cold_batter_take_longer_and_a_hot_one_less():
    plain = likely(plan(make_card(), OWN, temperature=School.AS_RECIPE))
    for treatment, slower in [
            ({"strips": True}, True), ({"cover": Cover.LATE}, True),
            ({"cover": Cover.WHOLE}, True), ({"start": "chilled"}, True),
            ({"start": "warm"}, False), ({"finish": PanFinish.DARK}, False),
            ({"finish": PanFinish.SILICONE}, True)]:
        now = likely(plan(make_card(), OWN, temperature=School.AS_RECIPE, **treatment))
        assert (now > plain) is slower, treatment
    late, whole = (likely(plan(make_card(), OWN, temperature=School.AS_RECIPE,
                               cover=cover))
                   for cover in (Cover.LATE, Cover.WHOLE))
    assert plain < late < whole


def test_the_worked_values_of_the_source_with_strips_and_cold():
    own = entry(round_pan(18), 2, rule=PanRule(kind=Rule.GRAMS, grams=520))
    card = make_card()
    source = plan(card, own, temperature=School.AS_RECIPE)
    ratio = {"strips": (37.5 - 7) / 27, "cold": (37.9 - 7) / 27, "warm": (28.8 - 7) / 27}
    for name, treatment in [("strips", {"strips": True}),
                            ("cold", {"start": "chilled"}),
                            ("warm", {"start": "warm"})]:
        now = plan(card, own, temperature=School.AS_RECIPE, **treatment)
        assert (likely(now) - 7) / (likely(source) - 7) == pytest.approx(ratio[name], rel=0.01)


@pytest.mark.parametrize(("value", "scale", "c"), [
    (475, Scale.FAHRENHEIT, 240), (9, Scale.MARK, 240), (500, Scale.FAHRENHEIT, 260),
    (450, Scale.FAHRENHEIT, 230), (8, Scale.MARK, 230), (350, Scale.FAHRENHEIT, 180)])
def test_settings_stand_for_what_oven_tables_say(value, scale, c):
    assert nominal_c(Setting(value=value, scale=scale)) == c


def test_a_dial_gives_back_every_customary_setting():
    for fahrenheit in range(250, 501, 25):
        heat = nominal_c(Setting(value=fahrenheit, scale=Scale.FAHRENHEIT))
        assert position(heat, Scale.FAHRENHEIT) == pytest.approx(fahrenheit)
    for mark in range(1, 10):
        heat = nominal_c(Setting(value=mark, scale=Scale.MARK))
        assert position(heat, Scale.MARK) == pytest.approx(mark)


def test_every_school_has_words_to_choose_it_by():
    assert set(SCHOOL_WORDS) == set(School)
    assert len(set(SCHOOL_WORDS.values())) == len(School)


@pytest.mark.parametrize(("scale", "step", "at", "lower_c", "then"), [
    (Scale.CELSIUS, 5, 180, 15, 165), (Scale.FAHRENHEIT, 5, 350, 15, 325),
    (Scale.FAHRENHEIT, 25, 350, 28, 300), (Scale.MARK, 0.5, 4, 14, 3), (Scale.MARK, 1, 5, 28, 3)])
def test_so_many_degrees_lower_are_as_many_on_every_dial(scale, step, at, lower_c, then):
    lowest, highest = {Scale.CELSIUS: (50, 250), Scale.FAHRENHEIT: (150, 500),
                       Scale.MARK: (0.5, 9)}[scale]
    oven = Oven(name="a", kind=OvenKind.CONVENTIONAL, scale=scale, step=step, lowest=lowest,
                highest=highest)
    heat_c = oven.heat_c(Setting(value=at, scale=scale))
    assert on_dial(oven, heat_c).value == at
    assert on_dial(oven, heat_c, lower_by_c=lower_c).value == pytest.approx(then)
