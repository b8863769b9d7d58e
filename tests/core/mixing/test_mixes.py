"""Bowls and mixes: whole eggs in each, none too large, all of them the whole batch."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.batter.bowl_loss import USUAL_LOSS, learnt_loss
from entremet.core.batter.styles import style
from entremet.core.fitting.rules import EggChoice, Rule
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.provenance import Origin
from entremet.core.mixing.bowl import Bowl
from entremet.core.mixing.split import equal_split, usual_split
from entremet.core.plan.batch import Tools
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, line, make_card, round_pan
from tests.core.plan.test_plan import OVEN, SHEET, assert_mass_is_conserved, codes

SMALL = Bowl(name="hand bowl", capacity_ml=2600)


def plan(card, *entries, bowl=SMALL, step=1.0, **choices):
    return make_plan(card, entries, request=Request(recipe=1, **choices), oven=OVEN,
                     tools=Tools(bowl=bowl, scale_step_g=step))


def grams(text):
    return float(text.removesuffix(" g"))


@given(st.integers(1, 120), st.floats(1, 30))
def test_whole_eggs_are_split_whole_and_as_equal_as_can_be(count, most):
    sizes = usual_split(float(count), most)
    assert sum(sizes) == count
    assert all(size == int(size) for size in sizes)
    assert max(sizes) <= most + 1e-6
    assert max(sizes) - min(sizes) <= 1
    fewer = len(sizes) - 1
    if fewer:
        assert math.ceil(count / fewer) > most, "fewer mixes would have done"


@given(st.integers(2, 60), st.floats(0.05, 0.95), st.floats(2, 30))
def test_only_the_last_mix_takes_beaten_egg(count, rest, most):
    sizes = usual_split(count + rest, most)
    assert sum(sizes) == pytest.approx(count + rest)
    assert all(size == int(size) for size in sizes[:-1])
    assert max(sizes) <= most + 1e-6


@given(st.floats(10, 50_000), st.floats(100, 5000))
def test_a_batter_without_counted_eggs_is_split_in_equal_mixes(gross, most):
    sizes = equal_split(gross, most)
    assert sum(sizes) == pytest.approx(gross)
    assert max(sizes) <= most * (1 + 1e-6)
    assert len(sizes) == max(1, math.ceil(gross / most - 1e-6))


def test_an_egg_and_a_half_in_a_bowl_for_one_are_two_mixes():
    assert usual_split(1.5, 1) == (1.0, 0.5)
    assert usual_split(1, 0.4) == (1.0,)


def test_what_fits_is_one_mix():
    result = plan(make_card(), entry(round_pan(18), 2))
    assert len(result.mixes) == 1
    assert result.mixes[0].share == 1


def test_a_batch_too_large_for_the_bowl_is_mixed_in_parts_of_whole_eggs():
    result = plan(make_card(), entry(SHEET, 2))
    assert len(result.mixes) == 3
    assert all(mix.eggs == int(mix.eggs) for mix in result.mixes)
    assert sum(mix.eggs for mix in result.mixes) == result.egg_option.count
    assert all(mix.gross_g <= result.most_g for mix in result.mixes)
    assert_mass_is_conserved(result)


def test_each_mix_leaves_its_own_in_the_bowl():
    result = plan(make_card(), entry(SHEET, 2))
    gross = result.amounts.batter_g.value
    assert result.amounts.bowl_loss_g.value == pytest.approx(30 + 0.02 * gross)


@pytest.mark.parametrize("step", [1.0, 0.1])
def test_line_by_line_the_mixes_sum_to_the_card_as_shown(step):
    result = plan(make_card(), entry(SHEET, 2), step=step)
    for index, shown in enumerate(result.mixes[0].lines):
        whole = next(one for one in result.lines if one.line.key == shown.line.key)
        parts = [mix.lines[index] for mix in result.mixes]
        assert sum(one.g for one in parts) == pytest.approx(whole.g.value)
        if all(one.shown_g and "under" not in one.shown_g for one in parts):
            assert sum(grams(one.shown_g) for one in parts) == pytest.approx(
                grams(whole.shown.grams))
        for place, part in enumerate(whole.parts):
            assert sum(grams(one.parts[place].shown) for one in parts) == pytest.approx(
                grams(part.shown))
        for one in parts:
            if one.parts:
                assert sum(grams(part.shown) for part in one.parts) == pytest.approx(
                    grams(one.shown_g))


def test_eggs_of_a_mix_are_counted_and_spoons_stay_spoons():
    result = plan(make_card(), entry(SHEET, 2))
    by_name = {line.line.name: line for line in result.mixes[0].lines}
    assert by_name["Eggs"].shown_measure == f"{result.mixes[0].eggs:.0f} eggs"
    assert "tsp" in by_name["Fine salt"].shown_measure
    assert "Walnuts" not in by_name


def test_the_bakers_own_split_is_taken_equal_or_not():
    eggs = plan(make_card(), entry(SHEET, 2)).egg_option.count
    result = plan(make_card(), entry(SHEET, 2), bowl=None, mixes=(eggs - 3.0, 3.0))
    assert [mix.eggs for mix in result.mixes] == [eggs - 3, 3]
    assert "mixes_do_not_sum" not in codes(result)


def test_a_split_that_does_not_sum_is_said_and_another_used():
    result = plan(make_card(), entry(SHEET, 2), mixes=(2.0, 2.0))
    assert "mixes_do_not_sum" in codes(result)
    assert sum(mix.share for mix in result.mixes) == pytest.approx(1)


def test_a_typed_mix_over_the_bowl_is_a_finding():
    eggs = plan(make_card(), entry(SHEET, 2), bowl=None, mixes=()).egg_option.count
    result = plan(make_card(), entry(SHEET, 2), mixes=(eggs - 1.0, 1.0))
    assert "mix_over_bowl" in codes(result)


def test_even_one_egg_over_the_bowl_is_said_unless_exact_was_chosen():
    cup = Bowl(name="cup", capacity_ml=250)
    assert "one_egg_over_bowl" in codes(plan(make_card(), entry(round_pan(18), 2), bowl=cup))
    exact = plan(make_card(), entry(round_pan(18), 2), bowl=cup, eggs=EggChoice.EXACT)
    assert "one_egg_over_bowl" not in codes(exact)
    assert all(mix.gross_g <= exact.most_g * (1 + 1e-6) for mix in exact.mixes)


def test_a_batter_without_eggs_is_split_by_weight():
    lines = tuple(one for one in make_card().lines if not one.is_eggs)
    result = plan(make_card(lines=lines), entry(SHEET, 2), rule=Rule.FILL)
    assert len(result.mixes) > 1
    assert len({round(mix.gross_g, 6) for mix in result.mixes}) == 1
    assert all(mix.eggs is None for mix in result.mixes)
    typed = plan(make_card(lines=lines), entry(SHEET, 1), bowl=None, mixes=(60.0, 40.0))
    assert [mix.share for mix in typed.mixes] == pytest.approx([0.6, 0.4])


def test_a_foam_needs_more_of_the_bowl():
    foam, butter = SMALL.most_g(style("foam")), SMALL.most_g(style("creamed"))
    assert foam < butter / 2


def test_working_room_is_assumed_until_the_baker_says():
    assert SMALL.working.origin is Origin.ASSUMED
    given_room = Bowl(name="bowl", capacity_ml=2600, working_ml=2000)
    assert given_room.working.origin is Origin.GIVEN
    assert given_room.most_g(style("oil")) > SMALL.most_g(style("oil"))


@pytest.mark.parametrize(("wrong", "field"), [
    ({"capacity_ml": 0}, "capacity_ml"), ({"capacity_ml": math.nan}, "capacity_ml"),
    ({"capacity_ml": 4000, "working_ml": 5000}, "working_ml"),
    ({"capacity_ml": 4000, "tare_g": -2}, "tare_g"),
])
def test_bowls_that_cannot_be_are_refused(wrong, field):
    with pytest.raises(ImpossibleChoice) as refused:
        Bowl(name="bowl", **wrong)
    assert refused.value.field == field


@given(st.integers(1, 8), st.floats(400, 9000), st.sampled_from(EggChoice),
       st.sampled_from([Rule.SAME_DEPTH, Rule.KEEP_BATCH, Rule.FILL, Rule.EGGS]))
def test_any_bowl_and_any_batch_sum_up(count, capacity, eggs, rule):
    result = plan(make_card(), entry(round_pan(20), count), eggs=eggs, rule=rule, egg_count=7,
                  bowl=Bowl(name="bowl", capacity_ml=capacity))
    assert sum(mix.share for mix in result.mixes) == pytest.approx(1)
    assert sum(mix.gross_g for mix in result.mixes) == pytest.approx(
        result.amounts.batter_g.value)
    assert_mass_is_conserved(result)


def test_a_batch_that_is_split_says_so_on_the_bench():
    result = plan(make_card(), entry(SHEET, 2))
    note = next(one for one in result.findings if one.code == "split_in_mixes")
    assert "mixed in 3" in note.text
    assert "split_in_mixes" not in codes(plan(make_card(), entry(round_pan(18), 2)))


def test_every_line_of_a_mix_leads_with_something_to_read():
    for count in range(1, 9):
        result = plan(make_card(), entry(round_pan(20), count))
        for mix in result.mixes:
            for one in mix.lines:
                lead = one.shown_measure if one.measure_leads else one.shown_g
                assert lead


def test_a_batch_for_a_hall_in_a_cup_is_not_split_into_hundreds_of_mixes():
    cup = Bowl(name="cup", capacity_ml=200)
    result = plan(make_card(), entry(SHEET, 12), bowl=cup)
    assert len(result.mixes) == 1
    assert "many_mixes" in codes(result)


def test_a_wrong_split_leaves_no_trace_in_the_amounts():
    wrong = plan(make_card(), entry(round_pan(18), 2), mixes=(1.0, 1.0, 1.0))
    plain = plan(make_card(), entry(round_pan(18), 2))
    assert wrong.amounts.batter_g.value == plain.amounts.batter_g.value
    assert wrong.amounts.bowl_loss_g.value == plain.amounts.bowl_loss_g.value


def test_a_share_below_a_scale_step_is_never_shown_as_nothing():
    salt = (*make_card().lines, line(9, "Salt flakes", 1, "g", "1 g"))
    result = make_plan(make_card(lines=salt), [entry(round_pan(23), 3)], request=Request(recipe=1),
                       oven=OVEN, tools=Tools(bowl=Bowl(name="small", capacity_ml=1500)))
    assert len(result.mixes) >= 4
    shown = [one for mix in result.mixes for one in mix.lines if one.line.name == "Salt flakes"]
    assert all((one.shown_g or one.shown_measure) for one in shown)
    assert not [one for one in shown if (one.shown_g or "").startswith(("0 ", "under"))]
    # What the scale does not show is a spoon's worth, and that leads.
    little = [one for one in shown if one.shown_g is None]
    assert little
    assert all(one.measure_leads and one.shown_measure.endswith(("tsp", "pinch"))
               for one in little)


def test_what_a_bowl_keeps_says_whether_somebody_weighed_it():
    assert USUAL_LOSS.words == "10 g and 2 % of the batter, assumed"
    assert USUAL_LOSS.figure(1000).origin is Origin.ASSUMED
    weighed = learnt_loss(gross_g=1000, left_g=31)
    assert weighed.words == "3.1 % of the batter, as you weighed it"
    assert weighed.figure(1000).origin is Origin.MEASURED
    assert weighed.figure(2000).value == pytest.approx(62)
