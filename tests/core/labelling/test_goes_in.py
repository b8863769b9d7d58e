"""What goes into a cake: everything once, and as much as goes in."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.finish import Border, Coat, Finishing
from entremet.core.card.lines import Component
from entremet.core.finished.finish import finish
from entremet.core.fitting.shares import ShareChoice, Taken
from entremet.core.labelling.goes_in import food_by_name, ingredient_of, inside
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from entremet.core.shopping.wants import wants_of
from tests.core.conftest import base_layer_lines, entry, line, make_card, round_pan, wells_pan
from tests.core.dressing.test_growing import LINES
from tests.core.labelling.labels import made, within
from tests.core.plan.test_plan import OVEN


def grams(found):
    return {row.key: row.g for row in found.rows}


def named(plan):
    return {ingredient_of(one.line)[0] for one in plan.lines if one.included}


@given(st.sampled_from(list(Coat)), st.booleans(),
       st.sampled_from(list(Border)), st.integers(1, 4), st.floats(15, 26))
def test_every_ingredient_that_goes_in_is_there_once(coat, drip, border, count, width):
    plan, done = made(entry(round_pan(width), count), finishing=Finishing(
        coat=coat, drip=drip, border=border))
    found = inside(plan, done, done.cakes[0])
    keys = [row.key for row in found.rows]
    assert len(keys) == len(set(keys))
    house = {food_by_name(one.name)[0] for part in done.parts if part.house
             for one in part.made_from}
    assert named(plan) <= set(keys) <= named(plan) | house
    weights = [row.g for row in found.rows if row.weighed]
    assert weights == sorted(weights, reverse=True)


def test_batter_goes_by_what_stands_in_the_pans_and_components_by_what_stays_on_the_cake():
    plan, done = made()
    found = grams(within())
    batter = sum(one.standing.batter_g * one.place.count for one in plan.pans)
    mixed = [one for one in plan.lines if one.included and one.line.key < 20]
    whole = sum(one.g.value for one in mixed)
    flour = next(one.g.value for one in mixed if one.line.name == "Plain flour")
    cake = done.cakes[0].dressed
    kept = cake.cake_g / (cake.cake.mass_g + cake.cake.trim_g)
    assert found["plain_flour"] == pytest.approx(flour * batter / whole * kept)
    jam = next(one for one in done.parts if one.title == "Plum jam filling")
    assert found["jam:plum jam"] == pytest.approx(jam.needed_g.value)
    icing = next(one for one in done.parts if one.title == "Bergamot buttercream")
    share = icing.needed_g.value / icing.make_g
    assert found["icing_sugar"] == pytest.approx(share * next(
        one.g for one in icing.made_from if one.name == "Icing sugar"))


def test_what_is_left_out_is_not_in_it_and_what_is_left_in_is():
    assert "chopped_walnuts" not in grams(within())
    assert "walnuts" not in grams(within())
    assert any("walnut" in key for key in grams(within(with_optional=(8,))))


def test_cakes_of_one_fit_share_out_what_the_batch_has():
    plan, done = made(entry(round_pan(20, label="wide"), 2), entry(wells_pan(), 12))
    assert len(done.cakes) == 2
    total = sum(grams(inside(plan, done, one))["plain_flour"] * one.dressed.cake.count
                * (one.dressed.cake.mass_g + one.dressed.cake.trim_g) / one.dressed.cake_g
                for one in done.cakes)
    flour = next(one.g.value for one in plan.lines if one.line.name == "Plain flour")
    batter = sum(one.standing.batter_g * one.place.count for one in plan.pans)
    whole = sum(one.g.value for one in plan.lines if one.included and one.line.key < 20)
    assert total == pytest.approx(flour * batter / whole)


def test_what_is_stirred_into_a_share_is_in_the_cakes_of_that_share_alone():
    cocoa = ShareChoice(name="cocoa", pans=(Taken(entry=1, count=12),),
                        lines=(line(90, "Cocoa", 30, "g", "30 g", "cocoa"),))
    card = make_card()
    plan = make_plan(replace(card, lines=(*card.lines, *LINES)),
                     (entry(round_pan(20, label="wide"), 2), entry(wells_pan(), 12)),
                     request=Request(recipe=1), oven=OVEN, shares=(cocoa,))
    done = finish(plan)
    big, small = (grams(inside(plan, done, one)) for one in done.cakes)
    made_of, = plan.shares
    assert small["cocoa"] * 12 == pytest.approx(made_of.stirred[0].g)
    assert "cocoa" not in big
    assert small["cocoa"] > 0
    assert "cocoa" in {want.key for want in wants_of(plan, done, cake="")}


def test_layers_under_the_batter_and_what_greases_the_pan_are_in_it():
    lines = (*base_layer_lines()[8:], line(25, "Lard", 10, "g", "10 g", "lard",
                                           component=Component.PAN))
    found = grams(within(entry(round_pan(18)), lines=lines))
    assert found["plum"] > 50
    assert found["lard"] > 0
    assert found["icing_sugar"] > 0
    # What is left out of a layer is no part of what the others are shared by.
    left_out = replace(line(26, "Walnuts", 500, "g", "500 g", component=Component.BASE_LAYER),
                       optional=True)
    assert grams(within(entry(round_pan(18)), lines=(*lines, left_out))) == found


def test_water_that_bakes_away_is_counted_off():
    lines = (*LINES, line(40, "Water", 150, "ml", "150 ml", "water"))
    plan, done = made(lines=lines)
    found = inside(plan, done, done.cakes[0])
    assert 0 < found.baked_away_g <= 150
    poured = next(one.g.value for one in plan.lines if one.line.name == "Water")
    assert grams(found)["water"] + found.baked_away_g == pytest.approx(poured, rel=0.08)
    dry = within(lines=(*LINES, line(40, "Water", 20, "ml", "20 ml", "water")))
    assert "water" not in grams(dry)
    assert dry.baked_away_g > 0


def test_what_the_finish_has_no_place_for_is_named_and_said():
    found = within(finishing=Finishing(coat=Coat.NONE, filling_cm=0.0))
    assert "icing_sugar" in grams(found)
    assert "label_unplaced" in {one.code for one in found.findings}


def test_a_packet_of_its_own_is_told_by_what_the_card_calls_it():
    jam = line(1, "Seedless plum jam, warm", 10, "g", "10 g", "jam")
    assert ingredient_of(jam) == ("jam:seedless plum jam", "seedless plum jam")
    assert ingredient_of(line(1, "Plain flour, sifted", 10, "g", "", "plain_flour")) == (
        "plain_flour", "plain flour")
    assert ingredient_of(line(1, "Sloe dust", 1, "g", "1 g")) == ("sloe dust", "sloe dust")


def test_two_rows_of_one_pan_share_what_is_in_them():
    once = grams(within(entry(round_pan(20), 2)))
    plan, done = made(entry(round_pan(20), 2), entry(round_pan(20), 2))
    total = sum(grams(inside(plan, done, one))["plain_flour"] * one.dressed.cake.count
                * (one.dressed.cake.mass_g + one.dressed.cake.trim_g) / one.dressed.cake_g
                for one in done.cakes)
    flour = next(one.g.value for one in plan.lines if one.line.name == "Plain flour")
    batter = sum(one.standing.batter_g * one.place.count for one in plan.pans)
    whole = sum(one.g.value for one in plan.lines if one.included and one.line.key < 20)
    assert total == pytest.approx(flour * batter / whole)
    assert once["plain_flour"] > 0


def test_what_lies_on_top_is_shared_out_by_the_tops():
    lines = (*LINES, line(60, "Walnuts", 60, "g", "60 g", "chopped_walnuts",
                          component=Component.DECORATION))
    plan, done = made(entry(round_pan(20, label="wide"), 2), entry(wells_pan(), 12), lines=lines)
    top = next(part for part in done.parts if part.key.startswith("decoration"))
    shared = sum(grams(inside(plan, done, one))["chopped_walnuts"] * one.dressed.cake.count
                 for one in done.cakes)
    assert shared == pytest.approx(top.made_from[0].g)
