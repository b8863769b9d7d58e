"""A bake in phases: read as shares, moved with the time, continuous and never faster with more."""

from __future__ import annotations

import dataclasses

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.baking.heat_balance import Course, Stretch, centre_c, minutes, single
from entremet.core.baking.phases import PhasePart, read_phases
from entremet.core.baking.treatment import Cover, covered_parts
from entremet.core.card.recipe import StatedTime
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.ground.errors import CoreError, ImpossibleRecipe
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from tests.core.conftest import entry, make_card, round_pan
from tests.core.plan.test_plan import codes, plan


def celsius(value: float) -> Setting:
    return Setting(value=value, scale=Scale.CELSIUS)


def course(*stretches: tuple[float, float, float], start_c: float = 21) -> Course:
    return Course(stretches=tuple(Stretch(share=share, oven_c=oven, load=load)
                                  for share, oven, load in stretches),
                  pace=1.0, start_c=start_c, done_c=97)


loads, heats, shares = st.floats(0.2, 4), st.floats(110, 240), st.floats(0.05, 0.95)


@given(loads, heats, shares)
def test_two_equal_phases_are_one(load, oven_c, share):
    one = single(load, oven_c, pace=1.0, start_c=21, done_c=97)
    two = course((share, oven_c, load), (1 - share, oven_c, load))
    assert minutes(two) == pytest.approx(minutes(one), rel=1e-7)


@given(loads, heats, heats, shares)
def test_the_centre_is_done_when_the_phases_end(load, first, last, share):
    bake = course((share, first, load), (1 - share, last, load * 1.2))
    total = minutes(bake)
    assert centre_c(bake, total, total_min=total) == pytest.approx(97, abs=1e-4)
    assert centre_c(bake, 0, total_min=total) == 21


@given(loads, heats, heats, shares, st.floats(0, 30))
def test_hotter_phases_are_never_slower(load, first, last, share, hotter):
    bake = course((share, first, load), (1 - share, last, load))
    assert minutes(bake, shift_c=hotter) <= minutes(bake) + 1e-7
    alone = course((share, first + hotter, load), (1 - share, last, load))
    assert minutes(alone) <= minutes(bake) + 1e-7


@given(loads, heats, heats, shares, st.floats(1, 1.6))
def test_more_batter_through_phases_is_never_faster(load, first, last, share, more):
    bake = course((share, first, load), (1 - share, last, load))
    fuller = course((share, first, load * more), (1 - share, last, load * more))
    assert minutes(fuller) >= minutes(bake) - 1e-7


@given(loads, heats, heats, shares)
def test_time_is_continuous_across_phases(load, first, last, share):
    here = minutes(course((share, first, load), (1 - share, last, load)))
    near = minutes(course((share + 1e-7, first + 1e-6, load * (1 + 1e-7)),
                          (1 - share - 1e-7, last + 1e-6, load * (1 + 1e-7))))
    assert near == pytest.approx(here, rel=1e-4)


@given(loads, st.floats(30, 90), heats, st.floats(0.1, 0.4))
def test_a_phase_cooler_than_done_still_ends(load, cool, last, share):
    bake = course((share, 220, load), (share, cool, load), (1 - 2 * share, last, load))
    total = minutes(bake)
    assert centre_c(bake, total, total_min=total) == pytest.approx(97, abs=1e-3)
    before = total - 1e-3
    assert centre_c(bake, before, total_min=before) <= 97 + 1e-3


def test_a_last_phase_no_hotter_than_done_gives_no_time():
    assert minutes(course((0.5, 200, 1.0), (0.5, 97, 1.0))) is None


def test_a_bake_has_to_be_made_up_of_its_stretches():
    with pytest.raises(CoreError):
        course((0.5, 180, 1.0), (0.4, 180, 1.0))
    with pytest.raises(CoreError):
        course()


def test_phases_become_shares_and_take_the_setting_before_them():
    read = read_phases(
        [Phase(setting=celsius(200), minutes=10), Phase(minutes=20, covered=True),
         Phase(setting=celsius(160))],
        setting=celsius(180), kind=OvenKind.CONVENTIONAL, stated_min=40)
    assert [round(one.share, 4) for one in read.parts] == [0.25, 0.5, 0.25]
    assert [one.heat_c for one in read.parts] == [200, 200, 160]
    assert [one.covered for one in read.parts] == [False, True, False]
    assert read.main == 1


def test_phases_that_differ_from_the_stated_time_are_told():
    read = read_phases([Phase(minutes=10), Phase(minutes=20)], setting=celsius(170),
                       kind=OvenKind.CONVENTIONAL, stated_min=45)
    assert [one.code for one in read.findings] == ["phases_differ"]
    assert read.findings[0].numbers == {"phases_min": 30, "stated_min": 45}


@pytest.mark.parametrize(("phases", "stated"), [
    ([Phase(), Phase()], 40), ([Phase(minutes=10), Phase()], None),
    ([Phase(minutes=50), Phase()], 40),
])
def test_phases_without_their_minutes_give_no_parts(phases, stated):
    read = read_phases(phases, setting=celsius(170), kind=OvenKind.CONVENTIONAL,
                       stated_min=stated)
    assert read.parts == ()
    assert [one.code for one in read.findings] == ["phases_without_minutes"]


def test_a_phase_of_no_length_is_refused():
    with pytest.raises(ImpossibleRecipe):
        Phase(minutes=0)


TWO_PHASES = (Phase(setting=celsius(190), minutes=10),
              Phase(setting=celsius(165), minutes=30, covered=True))


def test_the_recipes_own_pan_gives_back_its_own_phases():
    card = make_card(phases=TWO_PHASES, stated=None, setting=celsius(190))
    result = plan(card, entry(round_pan(18), 2))
    bake = result.pans[0].bake
    assert bake.window.likely_min == pytest.approx(40, abs=1e-6)
    assert bake.as_stated
    assert [step.setting.value for step in bake.oven.steps] == [190, 165]
    assert [step.part.covered for step in bake.oven.steps] == [False, True]


def test_phases_move_with_the_new_time_as_fractions_and_all_settings_alike():
    card = make_card(phases=TWO_PHASES, stated=None)
    deep = plan(card, entry(round_pan(18), 1, rule=PanRule(kind=Rule.GRAMS, grams=950)))
    bake = deep.pans[0].bake
    assert bake.window.likely_min > 45
    assert [round(step.part.share, 6) for step in bake.oven.steps] == [0.25, 0.75]
    first, last = (step.setting.value for step in bake.oven.steps)
    assert first - last == 25
    assert last < 165


def test_a_stated_time_that_the_phases_do_not_sum_to_is_kept_and_told():
    card = make_card(phases=TWO_PHASES, stated=StatedTime(low_min=50, high_min=50))
    result = plan(card, entry(round_pan(18), 2))
    assert "phases_differ" in codes(result)
    assert result.pans[0].bake.window.likely_min == pytest.approx(50, abs=1e-6)


def test_late_covering_splits_the_phase_under_way():
    parts = covered_parts([PhasePart(share=0.5, heat_c=190), PhasePart(share=0.5, heat_c=160)],
                          Cover.LATE)
    assert [(round(one.share, 3), one.heat_c, one.covered) for one in parts] == [
        (0.5, 190, False), (0.1, 160, False), (0.4, 160, True)]
    assert all(one.covered for one in covered_parts(parts, Cover.WHOLE))
    assert not any(one.covered for one in covered_parts(parts, Cover.BARE))


@given(st.lists(st.floats(0.05, 1), min_size=1, max_size=5))
def test_covering_keeps_the_whole_time(sizes):
    total = sum(sizes)
    parts = [PhasePart(share=one / total, heat_c=170) for one in sizes]
    for cover in Cover:
        assert sum(one.share for one in covered_parts(parts, cover)) == pytest.approx(1)


def test_a_card_whose_phases_are_all_in_one_piece_covers_the_whole_bake():
    bare, covered = (plan(make_card(stated=None, phases=phases), entry(round_pan(18), 2))
                     for phases in ((), (Phase(covered=True),)))
    assert (covered.pans[0].bake.window.likely_min > bare.pans[0].bake.window.likely_min)
    assert dataclasses.replace(covered.pans[0].bake.oven.parts[0], covered=False) == (
        bare.pans[0].bake.oven.parts[0])
