"""How much is made, and how its eggs come out."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest

from entremet.core.fitting.eggs import EggEffect, egg_options, leading_eggs
from entremet.core.fitting.rules import EggChoice, PanRule, Rule
from entremet.core.fitting.sharing import rounds_up
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.plan.request import Request
from tests.core.conftest import entry, line, make_card, round_pan
from tests.core.plan.test_plan import plan

PANS = (entry(round_pan(20), 2),)


def test_servings_take_whole_eggs_upwards_and_no_fewer_than_were_promised():
    for servings in range(7, 30):
        result = plan(make_card(servings="Serves 12"), *PANS, rule=Rule.SERVINGS,
                      servings=servings)
        assert result.egg_option.beaten_g == 0
        assert result.egg_option.count == math.ceil(result.egg_option.count)
        assert result.egg_option.factor >= servings / 12 * 0.9


@pytest.mark.parametrize("count", [2.5, 3, 6.25])
def test_eggs_that_decide_are_taken_as_they_are_said(count):
    result = plan(make_card(), *PANS, rule=Rule.EGGS, egg_count=count)
    option = result.egg_option
    assert option.count + option.beaten_g / 50 == pytest.approx(count)
    assert option.factor == pytest.approx(count / 4)
    assert [one.count for one in result.egg_options] == [option.count]


def test_a_batch_that_is_kept_keeps_its_eggs():
    result = plan(make_card(), entry(round_pan(15), 1), rule=Rule.KEEP_BATCH)
    assert (result.egg_option.count, result.egg_option.beaten_g) == (4, 0)
    odd = replace(make_card(), lines=(*make_card().lines[:2], line(3, "Eggs", 3.5, "egg", "3½"),
                                      *make_card().lines[3:]))
    kept = plan(odd, entry(round_pan(15), 1), rule=Rule.KEEP_BATCH)
    assert kept.egg_option.factor == pytest.approx(1)
    assert kept.egg_option.count + kept.egg_option.beaten_g / 50 == pytest.approx(3.5)


def test_same_depth_takes_the_nearest_whole_eggs_up_or_down():
    counts = {plan(make_card(), entry(round_pan(width), 2)).egg_option.count - plan(
        make_card(), entry(round_pan(width), 2), eggs=EggChoice.EXACT).egg_option.factor * 4
        for width in (17.4, 17.7, 18.2, 18.5)}
    assert min(counts) < 0 < max(counts)


def test_what_a_rule_lacks_is_said():
    eggless = replace(make_card(), lines=tuple(one for one in make_card().lines if one.key != 3))
    codes = {one.code for one in plan(eggless, *PANS, rule=Rule.EGGS, egg_count=3).findings}
    assert "no_counted_eggs" in codes
    silent = plan(make_card(servings=""), *PANS, rule=Rule.SERVINGS)
    assert "servings_assumed" in {one.code for one in silent.findings}
    told = plan(make_card(servings="Serves 10"), *PANS, rule=Rule.SERVINGS)
    assert "servings_as_recipe" in {one.code for one in told.findings}
    assert not {"servings_assumed", "servings_as_recipe"} & {
        one.code for one in plan(make_card(), *PANS, rule=Rule.SERVINGS, servings=9).findings}


def test_less_than_half_a_scale_step_of_egg_is_still_egg_where_it_is_all_there_is():
    eggs = leading_eggs(make_card(), left_out=frozenset())
    exact = egg_options(eggs, 0.001, upwards=False, scale_step_g=1,
                        effect=lambda _: EggEffect(depth_changes=(), over_limit=False))[0]
    assert (exact.count, exact.beaten_g) == (0, pytest.approx(0.004 * eggs.each_g))
    more = egg_options(eggs, 0.251, upwards=False, scale_step_g=1,
                       effect=lambda _: EggEffect(depth_changes=(), over_limit=False))[0]
    assert (more.count, more.beaten_g) == (1, 0)


def test_eggs_round_up_only_when_every_pan_was_promised_its_batter():
    promised = entry(round_pan(15), 1, rule=PanRule(kind=Rule.GRAMS, grams=333))
    both = plan(make_card(), promised, entry(round_pan(16), 1))
    alone = plan(make_card(), promised)
    assert alone.egg_option.count == math.ceil(alone.egg_option.count - 1e-9)
    assert alone.amounts.leftover_g.value > 0
    assert both.amounts.leftover_g.value == pytest.approx(0, abs=1e-6)
    places = [one.place for one in both.pans]
    assert [rounds_up(some) for some in (places[:1], places[1:], places)] == [True, False, False]


def test_eggs_on_the_scale_settle_the_batch_by_their_weight():
    card = make_card()
    own = plan(card, *PANS, rule=Rule.EGGS)
    each = own.eggs.each_g
    weighed = plan(card, *PANS, rule=Rule.EGGS, eggs_g=1.5 * 4 * each)
    assert weighed.amounts.factor.value == pytest.approx(1.5)
    assert weighed.egg_option.text == f"{1.5 * 4 * each:.0f} g beaten egg"
    assert [one.choice for one in weighed.egg_options] == [EggChoice.EXACT]
    eggs = next(one for one in weighed.lines if one.line.is_eggs)
    assert eggs.g.value == pytest.approx(1.5 * 4 * each)
    shells = plan(card, *PANS, rule=Rule.EGGS, eggs_g=1.5 * 4 * each, eggs_in_shell=True)
    assert shells.amounts.factor.value == pytest.approx(1.5 * 0.88)
    # The scale wins over the count.
    assert plan(card, *PANS, rule=Rule.EGGS, egg_count=2,
                eggs_g=4 * each).amounts.factor.value == pytest.approx(1.0)


def test_eggs_that_weigh_nothing_are_refused_at_their_field():
    with pytest.raises(ImpossibleChoice) as found:
        Request(recipe=1, rule=Rule.EGGS, eggs_g=1)
    assert found.value.field == "eggs_g"


def test_whole_eggs_near_what_is_wanted_are_offered_down_and_up():
    tight = plan(make_card(), entry(round_pan(18), 5, rule=PanRule(kind=Rule.SAME_DEPTH)),
                 rule=Rule.SERVINGS, servings=13)
    counts = {one.choice: one.count for one in tight.egg_options}
    wanted = next(one for one in tight.egg_options if one.choice is EggChoice.EXACT)
    assert counts[EggChoice.DOWN] == wanted.count
    assert tight.egg_option.count == wanted.count + 1
    down = plan(make_card(), entry(round_pan(18), 5, rule=PanRule(kind=Rule.SAME_DEPTH)),
                rule=Rule.SERVINGS, servings=13, eggs=EggChoice.DOWN)
    assert down.egg_option.text == f"{wanted.count:.0f} eggs"
    assert down.amounts.factor.value < tight.amounts.factor.value


def test_so_many_times_the_recipe_is_exact_until_whole_eggs_are_chosen():
    half = plan(make_card(), *PANS, rule=Rule.FACTOR, factor=0.6)
    assert half.amounts.factor.value == pytest.approx(0.6)
    assert {one.count for one in half.egg_options} >= {2.0, 3.0}
    up = plan(make_card(), *PANS, rule=Rule.FACTOR, factor=0.6, eggs=EggChoice.UP)
    assert up.amounts.factor.value == pytest.approx(0.75)
