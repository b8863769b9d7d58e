"""How much is made, and how its eggs come out."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest

from entremet.core.fitting.rules import EggChoice, Rule
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
