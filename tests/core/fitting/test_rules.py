"""The ways bakers decide: depth, height, servings, eggs, and pans set apart from a kept batch."""

from __future__ import annotations

import dataclasses
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.batter.bowl_loss import BowlLoss, learnt_loss
from entremet.core.card.lines import Component, ScalesBy
from entremet.core.card.recipe import SourcePan
from entremet.core.fitting.needs import aimed_height
from entremet.core.fitting.rules import EggChoice, PanRule, Raising, Rule
from entremet.core.fitting.standing import VerdictCode
from entremet.core.ground.errors import ImpossibleChoice, UnknownReference
from entremet.core.ground.provenance import Origin
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.plan.batch import Tools
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request, Weighed
from tests.core.conftest import base_layer_lines, entry, line, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import (
    LOAF,
    OVEN,
    RING,
    SHEET,
    assert_mass_is_conserved,
    codes,
    pans_g,
)

PANS = (round_pan(15), round_pan(20, 5), round_pan(25), SHEET, LOAF, RING, wells_pan())


def plan(card, *entries, tools=None, **choices):
    return make_plan(card, entries,
                     request=Request(recipe=1, **choices), oven=OVEN, tools=tools or Tools())


def test_batter_of_a_depth_stands_so_deep_and_the_surplus_is_left_over():
    result = plan(make_card(), entry(round_pan(20)), rule=Rule.DEPTH, depth_cm=3.2)
    assert result.pans[0].standing.batter_cm == pytest.approx(3.2)
    assert result.egg_option.count == int(result.egg_option.count)
    assert result.amounts.leftover_g.value > 0
    assert_mass_is_conserved(result)


def test_a_depth_nobody_typed_starts_from_the_recipes_own():
    own = plan(make_card(), entry(round_pan(18), 2)).pans[0].standing.batter_cm
    result = plan(make_card(), entry(round_pan(25)), rule=Rule.DEPTH)
    assert result.pans[0].standing.batter_cm == pytest.approx(own)
    assert result.aim.value == pytest.approx(own)


@pytest.mark.parametrize("lines", [make_card().lines, base_layer_lines()])
def test_a_finished_height_counts_the_layers(lines):
    result = plan(make_card(lines=lines), entry(round_pan(20)), rule=Rule.HEIGHT, height_cm=5.5)
    standing = result.pans[0].standing
    assert standing.risen_cm == pytest.approx(5.5)
    assert standing.batter_cm < 5.5 / 1.7 + 1e-9


def test_a_layer_higher_than_the_height_asked_leaves_no_batter():
    fruit = line(20, "Plums", 600, "g", "600 g", component=Component.BASE_LAYER,
                 scales_by=ScalesBy.BASE_AREA)
    result = plan(make_card(lines=(*make_card().lines, fruit)), entry(round_pan(20)),
                  rule=Rule.HEIGHT, height_cm=0.8)
    assert result.pans[0].standing.batter_g == 0
    assert result.pans[0].bake is None


@pytest.mark.parametrize("rule", [Rule.DEPTH, Rule.HEIGHT])
def test_a_pan_without_measures_is_filled_as_the_recipe_has_it_and_says_so(rule):
    ring = pan_from(PanMeasures(outline=OutlineName.RING, capacity_ml=1500), label="ring")
    result = plan(make_card(), entry(ring), rule=rule)
    assert result.pans[0].place.need.batter_ml.origin is Origin.ASSUMED
    assert "capacity_only" in codes(result)


def test_so_many_eggs_and_what_they_make():
    result = plan(make_card(), entry(round_pan(20), 2), rule=Rule.EGGS, egg_count=6)
    assert result.amounts.factor.value == pytest.approx(1.5)
    assert result.egg_option.text == "6 eggs"
    assert len(result.egg_options) == 1
    depths = {round(one.standing.batter_cm, 9) for one in result.pans}
    assert len(depths) == 1


def test_eggs_cannot_decide_where_none_are_counted():
    lines = tuple(one for one in make_card().lines if not one.is_eggs)
    result = plan(make_card(lines=lines), entry(round_pan(18), 2), rule=Rule.EGGS, egg_count=9)
    assert "no_counted_eggs" in codes(result)
    assert result.amounts.factor.value == 1


def test_the_recipes_own_servings_make_the_recipe():
    card = make_card(servings="Serves 10-12")
    result = plan(card, entry(round_pan(18), 2), rule=Rule.SERVINGS)
    assert result.servings == 10
    assert result.amounts.factor.value == pytest.approx(1)
    assert {"servings_as_recipe"} <= codes(result)


def test_twice_the_servings_make_twice_what_reaches_the_pans():
    card = make_card(servings="12 slices")
    one = plan(card, entry(round_pan(25), 4), rule=Rule.SERVINGS, servings=12,
               eggs=EggChoice.EXACT)
    two = plan(card, entry(round_pan(25), 4), rule=Rule.SERVINGS, servings=24,
               eggs=EggChoice.EXACT)
    assert pans_g(two) == pytest.approx(2 * pans_g(one))


def test_servings_round_eggs_up_so_that_nobody_goes_without():
    result = plan(make_card(servings="12"), entry(round_pan(25), 3), rule=Rule.SERVINGS,
                  servings=17, portion="dessert")
    wanted = 17 * result.portion.ml.value
    baked = sum(one.standing.risen_ml * one.entry.count for one in result.pans)
    assert baked >= wanted
    assert result.egg_option.count == int(result.egg_option.count)


def test_a_card_without_servings_assumes_them_in_the_open():
    result = plan(make_card(), entry(round_pan(20), 2), rule=Rule.SERVINGS)
    assert "servings_assumed" in codes(result)
    assert result.portion.ml.origin is Origin.ASSUMED


@pytest.mark.parametrize(("portion", "pieces"), [("small", 14), ("party", 8), ("dessert", 5)])
def test_a_cake_is_cut_in_whole_portions(portion, pieces):
    result = plan(make_card(), entry(round_pan(20)), entry(wells_pan(), 3), portion=portion)
    cake, cups = result.pans
    assert cake.pieces == pieces == math.floor(cake.standing.risen_ml / result.portion.ml.value)
    assert cake.cut.pieces == pieces
    assert (cups.pieces, cups.cut) == (1, None)


def test_a_portion_that_is_none_is_refused():
    with pytest.raises(UnknownReference):
        plan(make_card(), entry(round_pan(20)), portion="feast")


def test_a_pan_set_apart_gets_its_own_and_the_batch_stays():
    apart = entry(round_pan(15), 1, rule=PanRule(kind=Rule.DEPTH, depth_cm=3.0))
    result = plan(make_card(), apart, entry(round_pan(20), 1), rule=Rule.KEEP_BATCH)
    assert result.amounts.factor.value == 1
    assert result.pans[0].standing.batter_cm == pytest.approx(3.0)
    assert_mass_is_conserved(result)


def test_a_kept_batch_with_every_pan_set_apart_leaves_the_rest_over():
    held = entry(round_pan(15), 1, rule=PanRule(kind=Rule.SAME_DEPTH))
    result = plan(make_card(), held, rule=Rule.KEEP_BATCH)
    assert result.amounts.factor.value == 1
    assert result.pans[0].verdict.code is VerdictCode.SAME_DEPTH
    assert result.amounts.leftover_g.value > 500


@pytest.mark.parametrize("factor", [0.5, 1, 2, 7.25])
def test_a_recipe_is_made_so_many_times_whatever_the_pans_take(factor):
    card = make_card()
    result = plan(card, entry(round_pan(20), 2), rule=Rule.FACTOR, factor=factor)
    assert result.amounts.factor.value == pytest.approx(factor)
    assert all(one.factor == pytest.approx(factor) for one in result.lines if one.included)
    assert result.eggs.count * factor == pytest.approx(
        result.egg_option.count + result.egg_option.beaten_g / result.eggs.each_g)
    assert_mass_is_conserved(result)


def test_times_the_recipe_starts_from_once():
    once = plan(make_card(), entry(round_pan(20), 2), rule=Rule.FACTOR)
    assert once.amounts.factor.value == 1
    assert {one.text for one in once.findings} == {one.text for one in plan(
        make_card(), entry(round_pan(20), 2), rule=Rule.KEEP_BATCH).findings}


def test_rings_and_wells_share_a_kept_batch_by_how_full_they_are():
    result = plan(make_card(), entry(round_pan(20), 1), entry(RING, 1), rule=Rule.KEEP_BATCH)
    own = plan(make_card(), entry(RING, 1)).pans[0].standing.fill
    flat, ring = (one.standing for one in result.pans)
    reference = plan(make_card(), entry(round_pan(20), 1)).pans[0].standing.batter_cm
    assert ring.fill / own == pytest.approx(flat.batter_cm / reference, rel=1e-6)


@given(st.lists(st.tuples(st.sampled_from(PANS), st.integers(1, 6)), min_size=1, max_size=4),
       st.sampled_from([Rule.DEPTH, Rule.HEIGHT, Rule.EGGS, Rule.SERVINGS, Rule.FACTOR]),
       st.floats(0.6, 8.0), st.sampled_from(Raising), st.booleans())
def test_mass_is_conserved_in_every_mode(chosen, rule, size, raising, layered):
    card = make_card(lines=base_layer_lines()) if layered else make_card()
    result = plan(card, *(entry(pan, count) for pan, count in chosen), rule=rule, raising=raising,
                  depth_cm=size, height_cm=size, egg_count=max(0.5, round(size)),
                  servings=max(1, int(size * 6)), factor=size / 2)
    assert_mass_is_conserved(result)


@pytest.mark.parametrize("wrong", [
    {"depth_cm": 0}, {"depth_cm": 99}, {"height_cm": math.nan}, {"egg_count": 0},
    {"egg_count": 1e9}, {"servings": 0}, {"factor": 0}, {"factor": 1e6}, {"mixes": (3.0, 0.0)},
    {"weighed": (Weighed(full_g=500.4, tare_g=500.0),)},
    {"mixes": (1.0,) * 99},
])
def test_numbers_no_baker_means_are_refused_by_name(wrong):
    with pytest.raises(ImpossibleChoice) as refused:
        Request(recipe=1, **wrong)
    assert refused.value.field == next(iter(wrong))


def test_large_pans_get_less_powder_where_that_school_is_chosen():
    card = make_card()
    powder = next(one.key for one in card.lines if one.name == "Baking powder")
    kept, less = (plan(card, entry(round_pan(36)), raising=school) for school in Raising)

    def grams(result):
        return next(one.g.value for one in result.lines if one.line.key == powder)

    share = 1 - 0.08 * math.log2((36 / 18) ** 2)
    assert grams(less) / less.amounts.factor.value == pytest.approx(
        share * grams(kept) / kept.amounts.factor.value)
    assert "less_powder" in codes(less)
    assert_mass_is_conserved(less)


def test_powder_is_never_cut_by_more_than_a_quarter_and_soda_never():
    soda = line(30, "Bicarbonate of soda", 0.5, "tsp", "½ tsp", "bicarbonate_of_soda")
    card = make_card(lines=(*make_card().lines, soda))
    result = plan(card, entry(pan_from(PanMeasures(
        outline=OutlineName.RECTANGLE, across=95, width=95, wall_cm=5), label="tray")),
        raising=Raising.LESS, rule=Rule.KEEP_BATCH)
    shares = {one.line.name: one.factor for one in result.lines}
    assert shares["Baking powder"] == pytest.approx(0.75)
    assert shares["Bicarbonate of soda"] == 1


@pytest.mark.parametrize(("lines", "code"), [
    (make_card().lines, "powder_in_proportion"),
    (tuple(one for one in make_card().lines if one.name != "Baking powder"), "no_powder"),
])
def test_the_school_says_where_it_changes_nothing(lines, code):
    result = plan(make_card(lines=lines), entry(round_pan(15)), raising=Raising.LESS)
    assert code in codes(result)


def test_a_bowl_weighed_full_gives_grams_from_what_is_really_there():
    planned = plan(make_card(), entry(round_pan(20), 2))
    weighed = plan(make_card(), entry(round_pan(20), 2),
                   weighed=(Weighed(full_g=1350, tare_g=350),))
    assert [one.g for one in weighed.lines] == [one.g for one in planned.lines]
    assert pans_g(weighed) + weighed.amounts.bowl_loss_g.value == pytest.approx(1000)
    assert weighed.amounts.weighed_g.origin is Origin.MEASURED
    assert weighed.pans[0].bake.window.likely_min < planned.pans[0].bake.window.likely_min


def test_what_the_bowl_keeps_is_learnt_by_weighing():
    loss = learnt_loss(gross_g=1500, left_g=24)
    assert (loss.share, loss.fixed_g, loss.origin) == (0.016, 0, Origin.MEASURED)
    result = plan(make_card(), entry(round_pan(20), 2), tools=Tools(loss=loss))
    assert result.amounts.bowl_loss_g.value == pytest.approx(
        0.016 * result.amounts.batter_g.value)
    assert result.amounts.bowl_loss_g.origin is Origin.MEASURED


@pytest.mark.parametrize(("gross", "left", "field"), [
    (1000, 400, "emptied_g"), (1000, -1, "emptied_g"), (0, 0, "weighed"),
    (math.inf, 3, "weighed"),
])
def test_weights_no_bowl_has_are_refused(gross, left, field):
    with pytest.raises(ImpossibleChoice) as refused:
        learnt_loss(gross_g=gross, left_g=left)
    assert refused.value.field == field


@given(st.floats(20, 20_000), st.integers(1, 6))
def test_bowl_loss_both_ways_with_several_mixes(gross, mixes):
    loss = BowlLoss()
    net = loss.net_g(gross, mixes)
    assert net + loss.lost_g(gross, mixes) == pytest.approx(gross)
    if net > 0:
        assert loss.gross_for(net, mixes) == pytest.approx(gross)


STREUSEL = (*make_card().lines, line(
    20, "Oat topping", 300, "g", "300 g", component=Component.TOP_LAYER,
    scales_by=ScalesBy.TOP_AREA))


@pytest.mark.parametrize("lines", [base_layer_lines(), STREUSEL])
def test_a_baked_height_counts_the_layers_in(lines):
    result = plan(make_card(lines=lines), entry(round_pan(20, 9), 1), rule=Rule.HEIGHT,
                  height_cm=6, eggs=Request(recipe=1).eggs)
    one = result.pans[0]
    layers = one.place.vessel.layer_ml + one.place.vessel.top_ml
    assert layers > 50
    wanted = (one.entry.pan.volume_ml(6) - layers) / 1.7
    assert one.place.need.batter_ml.value == pytest.approx(wanted)


def test_wells_may_take_a_twentieth_more_and_dome_by_its_rise():
    tray = wells_pan()

    def verdict(share: float) -> VerdictCode:
        rule = PanRule(kind=Rule.FILL, fill=share)
        return plan(make_card(pans=(SourcePan(pan=round_pan(18), count=2),)),
                    entry(tray, 12, rule=rule), eggs=Request(recipe=1).eggs).pans[0].verdict.code

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


def test_a_height_starts_from_the_recipes_own_cake_and_says_so():
    made = plan(make_card(), entry(round_pan(18), 2), rule=Rule.HEIGHT)
    aim = aimed_height(PanRule(kind=Rule.HEIGHT), made.source, made.recipe.style)
    assert aim.origin is Origin.WORKED_OUT
    assert aim.value == pytest.approx(made.pans[0].standing.risen_cm, rel=1e-6)
    assert aimed_height(PanRule(kind=Rule.HEIGHT, height_cm=4), made.source,
                        made.recipe.style).origin is Origin.GIVEN


def test_a_loss_that_was_measured_says_how_much_of_the_batter_stays_in_the_bowl():
    loss = BowlLoss(fixed_g=0, share=0.035, origin=Origin.MEASURED)
    assert loss.figure(1000).note.startswith("3.5 % of the batter")
