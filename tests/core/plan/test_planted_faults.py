"""Faults that once outlived all tests: each of these goes red for one of them."""

from __future__ import annotations

import dataclasses
import math

import pytest

from entremet.core.baking.heat_balance import Course, Stretch, minutes
from entremet.core.baking.temperature import School
from entremet.core.card.card import CardLine, CardPart
from entremet.core.card.lines import Component, ScalesBy
from entremet.core.card.recipe import SourcePan, StatedTime
from entremet.core.choosing.offers import _left_into
from entremet.core.choosing.search import FoundSet, FreePan
from entremet.core.desk.splits import with_rest
from entremet.core.fitting.eggs import EggEffect, egg_options, leading_eggs
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.fitting.sharing import rounds_up
from entremet.core.fitting.standing import VerdictCode
from entremet.core.ground.errors import ImpossibleRecipe
from entremet.core.ground.provenance import Origin
from entremet.core.loading.items import oven_items
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import Unit
from entremet.core.mixing.bowl import Bowl
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.plan.batch import Tools
from entremet.core.plan.choices import Choices
from entremet.core.plan.plan import make_plan
from tests.core.conftest import base_layer_lines, entry, line, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import OVEN, plan

STREUSEL = (*make_card().lines, line(
    20, "Oat topping", 300, "g", "300 g", component=Component.TOP_LAYER,
    scales_by=ScalesBy.TOP_AREA))


def test_less_than_half_a_scale_step_of_egg_is_still_egg_where_it_is_all_there_is():
    eggs = leading_eggs(make_card(), left_out=frozenset())
    exact = egg_options(eggs, 0.001, upwards=False, scale_step_g=1,
                        effect=lambda _: EggEffect(depth_changes=(), over_limit=False))[0]
    assert (exact.count, exact.beaten_g) == (0, pytest.approx(0.004 * eggs.each_g))
    more = egg_options(eggs, 0.251, upwards=False, scale_step_g=1,
                       effect=lambda _: EggEffect(depth_changes=(), over_limit=False))[0]
    assert (more.count, more.beaten_g) == (1, 0)


def test_eggs_round_up_only_when_every_pan_was_promised_its_batter():
    promised = entry(round_pan(15), 1, rule=PanRule(rule=Rule.GRAMS, grams=333))
    both = plan(make_card(), promised, entry(round_pan(16), 1))
    alone = plan(make_card(), promised)
    assert alone.egg_option.count == math.ceil(alone.egg_option.count - 1e-9)
    assert alone.amounts.leftover_g.value > 0
    assert both.amounts.leftover_g.value == pytest.approx(0, abs=1e-6)
    places = [one.place for one in both.pans]
    assert [rounds_up(some) for some in (places[:1], places[1:], places)] == [True, False, False]


@pytest.mark.parametrize("lines", [base_layer_lines(), STREUSEL])
def test_a_baked_height_counts_the_layers_in(lines):
    result = plan(make_card(lines=lines), entry(round_pan(20, 9), 1), rule=Rule.HEIGHT,
                  height_cm=6, eggs=Choices().eggs)
    one = result.pans[0]
    layers = one.place.vessel.layer_ml + one.place.vessel.top_ml
    assert layers > 50
    wanted = (one.entry.pan.volume_ml(6) - layers) / 1.7
    assert one.place.need.batter_ml.value == pytest.approx(wanted)


def test_wells_may_take_a_twentieth_more_and_dome_by_its_rise():
    tray = wells_pan()

    def verdict(share: float) -> VerdictCode:
        rule = PanRule(rule=Rule.FILL, fill=share)
        return plan(make_card(pans=(SourcePan(pan=round_pan(18), count=2),)),
                    entry(tray, 12, rule=rule), eggs=Choices().eggs).pans[0].verdict.code

    assert verdict(0.649) is not VerdictCode.OVER_LIMIT
    assert verdict(0.655) is VerdictCode.OVER_LIMIT
    # 1.05 of the well, and a dome of 0.05 of it risen 1.7 times: 1.135 of the well over 1.7.
    edge = (1.05 + 0.05 * 1.7) / 1.7
    assert verdict(edge - 0.004) is not VerdictCode.OVER_RIM
    assert verdict(edge + 0.006) is VerdictCode.OVER_RIM


def test_an_assumed_wall_is_raised_by_half_centimetres_until_the_recipes_own_cake_fits():
    low = pan_from(PanMeasures(outline=OutlineName.ROUND, across=14), label="round 14")
    result = plan(make_card(pans=(SourcePan(pan=low, count=2),)), entry(round_pan(14, 12), 2))
    own = result.source.filled[0].vessel.pan
    risen = own.depth_cm(result.source.filled[0].batter_ml * 1.7)
    assert own.wall_cm.origin is Origin.ASSUMED
    assert own.wall_cm.value == math.ceil(risen * 2) / 2 > 5
    tall = plan(make_card(pans=(SourcePan(pan=dataclasses.replace(
        low, base=round_pan(30).base, rim=round_pan(30).rim), count=2),)), entry(round_pan(30), 2))
    assert tall.source.filled[0].vessel.pan.wall_cm.value == 5


def test_the_topping_is_part_of_the_recipes_own_portion():
    bare, topped = (plan(make_card(lines=lines, servings="Serves 8"), entry(round_pan(18), 2),
                         rule=Rule.SERVINGS).portion.ml.value
                    for lines in (make_card().lines, STREUSEL))
    assert topped == pytest.approx(bare + 300 / 8)


def test_done_is_the_first_time_also_when_a_cooler_phase_follows_a_hot_one():
    hot, cool, last = (Stretch(share=share, oven_c=oven_c, load=0.3)
                       for share, oven_c in ((0.515, 250), (0.317, 40), (0.168, 110)))
    course = Course(stretches=(hot, cool, last), pace=1.0, start_c=21, done_c=97, factor=1.0)
    found = minutes(course)

    def end_c(total: float) -> float:
        centre = 21.0
        for one, tau in zip(course.stretches, course.taus_min, strict=True):
            centre = one.oven_c - (one.oven_c - centre) * math.exp(-one.share * total / tau)
        return centre

    grid = [step / 50 for step in range(1, 20_000)]
    first = next(total for total in grid if end_c(total) >= 97)
    assert found == pytest.approx(7 + first, abs=0.05)


@pytest.mark.parametrize(("ours", "theirs", "moved"), [
    ("bright", "glass", -15), ("glass", "glass", 0), ("glass", "bright", 15)])
def test_glass_counts_on_both_sides(ours, theirs, moved):
    own = round_pan(18, finish=_finish(theirs))
    card = make_card(pans=(SourcePan(pan=own, count=2),))
    bake = plan(card, entry(round_pan(18, finish=_finish(ours)), 2),
                school=School.SAME_CRUST).pans[0].bake
    assert bake.oven.moved_c == moved


def _finish(name: str):
    from entremet.core.pans.pan import Finish
    return Finish(name)


def test_the_stated_time_belongs_to_the_slowest_of_the_recipes_pans():
    small, large = round_pan(12), round_pan(23)
    for pans in ((small, large), (large, small)):
        card = make_card(pans=tuple(SourcePan(pan=one, count=1) for one in pans))
        times = {one.entry.pan.base.diameter: one.bake.window.likely_min for one in plan(
            card, entry(small), entry(large), school=School.AS_RECIPE).pans}
        assert times[23] == pytest.approx(34)
        assert times[12] < 34


def test_several_parts_over_the_whole_are_refused_together():
    whole = CardLine(key=1, text="200 g sugar", name="sugar",
                     amount=Amount(value=200, unit=Unit.GRAM))
    parts = [CardPart(name=str(place), share=0.4) for place in range(3)]
    with pytest.raises(ImpossibleRecipe):
        with_rest(parts, whole)
    assert [one.share for one in with_rest(parts[:2], whole)] == pytest.approx([0.4, 0.4, 0.2])


def test_a_share_below_a_scale_step_is_never_shown_as_nothing():
    salt = (*make_card().lines, line(9, "Salt flakes", 1, "g", "1 g"))
    result = make_plan(make_card(lines=salt), [entry(round_pan(23), 3)], choices=Choices(),
                       oven=OVEN, tools=Tools(bowl=Bowl(name="small", capacity_ml=1500)))
    assert len(result.mixes) >= 4
    shown = [one.shown_g for mix in result.mixes for one in mix.lines
             if one.line.name == "Salt flakes"]
    assert all(words and not words.startswith("0 ") for words in shown)


@pytest.mark.parametrize(("count", "trays"), [(12, 1), (13, 2), (24, 2), (25, 3), (5, 1)])
def test_wells_that_do_not_divide_take_one_more_tray(count, trays):
    result = plan(make_card(), entry(wells_pan(), count))
    assert len(oven_items(result.pans)) == trays


@pytest.mark.parametrize(("left_ml", "wells"), [(250, 5), (310, 6), (345, 0), (40, 1), (20, 0)])
def test_leftover_goes_into_wells_that_are_still_free_and_no_more_than_there_are(left_ml, wells):
    free = [entry(round_pan(18), 1), entry(wells_pan(6), 1)]
    pans = [FreePan(need_ml=565, most=1, owned=1), FreePan(need_ml=300, most=1, owned=1)]
    found = FoundSet(counts=(1, 0), size=0, deviation=0, left_ml=left_ml)
    assert _left_into(found, free, pans) == ([(1, wells)] if wells else [])
    taken = dataclasses.replace(found, counts=(1, 1))
    assert _left_into(taken, free, pans) == []


def test_a_recipe_without_a_stated_time_goes_by_its_styles_pace():
    told = plan(make_card(stated=StatedTime(low_min=50, high_min=50)), entry(round_pan(18), 2))
    silent = plan(make_card(stated=None), entry(round_pan(18), 2))
    assert told.pans[0].bake.window.likely_min == pytest.approx(50)
    assert silent.source_bake.pace.value == 1
    assert told.source_bake.pace.value > 1.5
