"""One batter in shares, and things that come whole."""

from __future__ import annotations

import pytest

from entremet.core.card.lines import Component, ScalesBy
from entremet.core.fitting.rules import Rule
from entremet.core.fitting.shares import ShareChoice, Taken
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import plain
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, line, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import OVEN, RING, codes

COCOA = line(1, "Cocoa", 24, "g", "24 g", "cocoa")
MILK = line(2, "Milk", 30, "ml", "30 ml", "whole_milk")
PINCH = line(3, "Rose colour", None, "g", "a drop")


def plan(*entries, shares=(), laid=None, lines=None, **choices):
    card = make_card() if lines is None else make_card(lines=lines)
    return make_plan(card, entries, request=Request(recipe=1, laid=laid or {}, **choices),
                     oven=OVEN, shares=tuple(shares))


def test_a_share_by_layer_takes_its_part_of_what_is_stirred_in():
    result = plan(entry(round_pan(18), 3), rule=Rule.KEEP_BATCH,
                  shares=[ShareChoice(name="cocoa", pans=(Taken(entry=0, count=1),),
                                      lines=(COCOA, MILK))])
    (share,) = result.shares
    assert share.part == pytest.approx(1 / 3)
    assert share.batter_g == pytest.approx(result.pans[0].standing.batter_g)
    cocoa, milk = share.stirred
    assert cocoa.g == pytest.approx(8)
    assert (cocoa.shown.text, plain(milk.shown.text)) == ("8 g", "10 ml (10 g)")
    assert share.total_g == pytest.approx(share.batter_g + cocoa.g + milk.g)
    assert share.pans[0][2] == pytest.approx(share.total_g)
    assert "Stir in 8 g cocoa and 10 ml (10 g) milk" in plain(share.steps[1])


def test_a_larger_batch_stirs_in_more():
    share = ShareChoice(name="cocoa", pans=(Taken(entry=0, count=2),), lines=(COCOA,))
    small = plan(entry(round_pan(18), 2), shares=[share]).shares[0]
    large = plan(entry(round_pan(25), 2), shares=[share]).shares[0]
    assert small.stirred[0].g == pytest.approx(24)
    assert large.stirred[0].g > 1.8 * small.stirred[0].g


def test_half_of_every_pan_can_be_marbled():
    result = plan(entry(round_pan(18), 2), shares=[
        ShareChoice(name="dark", pans=(Taken(entry=0, count=2, part=0.5),), lines=(COCOA,)),
        ShareChoice(name="pink", pans=(Taken(entry=0, count=2, part=0.5),), lines=(PINCH,))])
    dark, pink = result.shares
    assert dark.part == pytest.approx(0.5)
    assert dark.batter_g + pink.batter_g == pytest.approx(
        sum(one.standing.batter_g * one.entry.count for one in result.pans))
    assert pink.stirred[0].shown.text == "a drop"


@pytest.mark.parametrize("taken", [
    (), (Taken(entry=4, count=1),), (Taken(entry=0, count=3),), (Taken(entry=0, count=0),),
    (Taken(entry=1, count=1),),
])
def test_a_share_of_what_is_not_there_is_left_out_and_said(taken):
    result = plan(entry(round_pan(18), 2), entry(round_pan(15), 0),
                  shares=[ShareChoice(name="cocoa", pans=taken, lines=(COCOA,))])
    assert result.shares == ()
    assert "share_left_out" in codes(result)


def test_two_shares_cannot_take_the_same_pan():
    one = ShareChoice(name="cocoa", pans=(Taken(entry=0, count=2),), lines=())
    result = plan(entry(round_pan(18), 2), shares=[one, one])
    assert len(result.shares) == 1


def test_much_stirred_in_is_said_to_stand_deeper():
    thick = line(1, "Grated apple", 300, "g", "300 g")
    result = plan(entry(round_pan(18), 2), shares=[
        ShareChoice(name="apple", pans=(Taken(entry=0, count=2),), lines=(thick,))])
    assert "share_swells" in codes(result)


def test_bounds_of_shares():
    with pytest.raises(ImpossibleChoice):
        Taken(entry=0, count=1, part=0)
    many = [ShareChoice(name=str(i), pans=(), lines=()) for i in range(13)]
    with pytest.raises(ImpossibleChoice):
        plan(entry(round_pan(18), 2), shares=many)


PLUMS = line(20, "Plum halves", 12, "piece", "12", component=Component.BASE_LAYER,
             scales_by=ScalesBy.BASE_AREA)


def test_fruit_halves_are_laid_in_each_pan_and_counted():
    result = plan(entry(round_pan(20), 2), entry(round_pan(15), 1),
                  lines=(*make_card().lines, PLUMS), laid={20: 4.0})
    (laid,) = result.laid
    each = [packing.count for packing in laid.each]
    assert laid.count == 2 * each[0] + each[1]
    assert each[0] >= 19
    assert f"2 × {each[0]}, {each[1]}" in laid.text
    assert "the recipe has 12" in laid.text


def test_only_layers_are_laid_and_only_in_known_outlines():
    batter = plan(entry(round_pan(20)), laid={4: 4.0})
    assert batter.laid == ()
    assert "not_laid" in codes(batter)
    from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
    water = pan_from(PanMeasures(outline=OutlineName.RING, capacity_ml=1500), label="ring")
    result = plan(entry(water), lines=(*make_card().lines, PLUMS), laid={20: 4.0})
    assert result.laid[0].count == 0
    assert "not_laid" in codes(result)


def test_a_tube_stays_free():
    result = plan(entry(RING), lines=(*make_card().lines, PLUMS), laid={20: 4.0})
    tube = RING.base.tube / 2
    for x, y in result.laid[0].each[0].places:
        assert (x**2 + y**2) ** 0.5 >= tube + 2 - 0.05


TINS = line(21, "Pear halves", 2, "tin", "2 tins")
SACHET = line(22, "Vanilla sugar", 1, "sachet", "1 sachet")


def test_tins_are_opened_whole_and_the_surplus_is_named():
    result = plan(entry(round_pan(18), 3), lines=(*make_card().lines, TINS, SACHET))
    factor = result.amounts.factor.value
    by_name = {one.line.name: one for one in result.opened}
    assert by_name["Pear halves"].count == -(-2 * factor // 1)
    assert by_name["Pear halves"].text.startswith("open 3 tins")
    assert by_name["Vanilla sugar"].text == "open 2 sachets, 0.5 sachet is over"


def test_whole_tins_leave_nothing_over():
    result = plan(entry(round_pan(18), 2), lines=(*make_card().lines, TINS))
    assert [(one.count, one.over) for one in result.opened] == [(2, "")]


def test_cupcakes_take_shares_too():
    result = plan(entry(round_pan(18), 1), entry(wells_pan(), 6), shares=[
        ShareChoice(name="spice", pans=(Taken(entry=1, count=6),),
                    lines=(line(1, "Ground cardamom", 2, "tsp", "2 tsp"),))])
    share = result.shares[0]
    assert share.pans[0][:2] == (1, 6)
    assert "each of 6 × tray" in share.steps[-1]


@pytest.mark.parametrize("width", [0.0, -4.0, 400.0])
def test_a_width_that_is_none_is_a_finding_and_the_fit_stands(width):
    result = plan(entry(round_pan(20)), lines=(*make_card().lines, PLUMS), laid={20: width})
    found = next(one for one in result.findings if one.code == "not_laid")
    assert found.field == "laid.20"
    assert result.amounts is not None


@pytest.mark.parametrize(("written", "grams", "tins", "over"), [
    ("2 x 385 g tins", 770, 3, ""), ("1 x 400 g tin", 400, 2, "200 g"),
    ("2 (7 g) sachets", 14, 3, ""), ("385 g tin", 385, 2, "193 g"), ("2 cans", 800, 3, ""),
])
def test_a_tin_kept_as_grams_is_still_opened_whole(written, grams, tins, over):
    pears = line(23, "Pear halves", grams, "g", written)
    lines = (*make_card().lines, pears)
    plain = plan(entry(round_pan(18), 2), lines=lines, rule=Rule.EGGS, egg_count=4)
    assert plain.opened[0].over == ""
    half_more = plan(entry(round_pan(18), 3), lines=lines, rule=Rule.EGGS, egg_count=6)
    assert (half_more.opened[0].count, half_more.opened[0].over) == (tins, over)


def test_grams_with_no_tin_in_their_words_open_nothing():
    result = plan(entry(round_pan(18), 2), lines=(
        *make_card().lines, line(23, "Cannellini beans", 240, "g", "240 g")))
    assert result.opened == ()


def test_only_whole_things_are_asked_for_their_width():
    from entremet.core.card.resolve import recipe_of
    from entremet.core.fitting.whole import comes_whole
    from entremet.core.ingredients.table import TABLE
    from entremet.core.reading.recipes import read_recipe

    card = read_recipe("In the tin:\n60 g butter\n80 g dark muscovado sugar\n8 plums, halved\n"
                       "300 g raspberries\nCake:\n200 g flour\n3 eggs").card
    recipe = recipe_of(card, table=TABLE)
    whole = [line.name for line in recipe.lines if comes_whole(line)]
    assert whole == ["Plums, halved", "Raspberries"]
