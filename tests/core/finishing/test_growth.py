"""What fillings, coats and borders go by, and the method at its new size."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.card import Swap
from entremet.core.card.lines import Component, ScalesBy
from entremet.core.card.resolve import recipe_of
from entremet.core.finishing.growth import Baked, extents, growth, piece_factor, usual_joins
from entremet.core.fitting.rules import Rule
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import plain
from entremet.core.ingredients.table import TABLE
from entremet.core.measures.amounts import Amount, Precision, show_scaled
from entremet.core.measures.units import Unit, ml_per, standard
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.core.plan.plan import Plan, make_plan
from entremet.core.plan.request import Request
from entremet.core.reading.lines import read_line
from entremet.core.swaps.apply import apply_swaps
from tests.core.card.cards import resolved, settled
from tests.core.conftest import entry, round_pan, wells_pan

OVEN = Oven(name="oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5, lowest=50,
            highest=250)

WHOLE_CAKE = """
225 g unsalted butter
220 g caster sugar
4 medium eggs
240 g self-raising flour
60 ml milk

To fold in:
80 g walnuts

Crumble on top:
90 g plain flour

Syrup:
60 ml lemon juice

Filling:
200 g plum jam

Buttercream:
300 g icing sugar

To decorate:
8 plum slices
1 tsp poppy seeds

1. Beat 225 g butter with 220 g sugar. Beat in 2 of the eggs, then the others.
2. Fold in 240 g flour and 60 ml milk. Scatter 90 g plain flour over.
"""


def fit(card=None, *entries, **choices) -> Plan:
    card = card or settled(WHOLE_CAKE)
    return make_plan(resolved(card), entries, request=Request(recipe=1, **choices), oven=OVEN)


def factor(plan: Plan, name: str) -> float:
    return next(line.factor for line in plan.lines if line.line.name == name)


def test_every_part_of_the_cake_grows_by_its_own_measure():
    plan = fit(None, entry(round_pan(18), 4), rule=Rule.SAME_DEPTH)
    batter = plan.amounts.factor.value
    assert batter == pytest.approx(2, rel=0.02)
    assert factor(plan, "Walnuts") == pytest.approx(batter)
    assert factor(plan, "Plain flour") == pytest.approx(2)
    # The syrup goes by what is baked: with two batches in one bowl, a little less stays in it.
    assert factor(plan, "Lemon juice") == pytest.approx(batter, rel=0.01)
    assert factor(plan, "Plum jam") == pytest.approx(3)  # one join becomes three
    coat = factor(plan, "Icing sugar")
    assert 1 < coat < 2  # the sides double, the top does not
    assert factor(plan, "Plum slices") == pytest.approx(1)  # one top, however high the cake


def test_the_recipes_own_pans_give_every_amount_as_written():
    plan = fit(None, entry(round_pan(18), 2))
    assert {line.factor for line in plan.lines} == {1.0}
    assert [line.shown.text for line in plan.lines] == [line.line.written for line in plan.lines]
    assert "".join(words.text for words in plan.steps[0].words) == resolved(
        settled(WHOLE_CAKE)).steps[0].text


def test_joins_can_be_said():
    assumed = fit(None, entry(round_pan(18), 2))
    said = fit(None, entry(round_pan(18), 2), joins=3)
    assert (assumed.joins, assumed.joins_assumed) == (1, True)
    assert factor(said, "Plum jam") == pytest.approx(3 * factor(assumed, "Plum jam"))
    assert "joins_assumed" in {one.code for one in assumed.findings}
    assert "joins_assumed" not in {one.code for one in said.findings}
    with pytest.raises(ImpossibleChoice):
        Request(recipe=1, joins=0)


def test_layers_and_joins_of_each_kind_of_pan():
    assert usual_joins([Baked(pan=round_pan(18), count=3, risen_cm=4)]) == 2
    assert usual_joins([Baked(pan=round_pan(18), count=1, risen_cm=4)]) == 1
    assert usual_joins([Baked(pan=wells_pan(), count=9, risen_cm=4)]) == 9
    sizes = extents([Baked(pan=round_pan(20), count=2, risen_cm=5)]).sizes
    top, side = 314.159, 62.832 * 5 * 2
    assert sizes[ScalesBy.TOP_AND_SIDE] == pytest.approx(top + side, rel=1e-4)
    assert sizes[ScalesBy.PERIMETER] == pytest.approx(62.832, rel=1e-4)
    assert sizes[ScalesBy.TOP_AREA] == pytest.approx(2 * top, rel=1e-4)
    assert extents([]).sizes == {}


def test_what_is_not_measured_has_no_factor():
    known = extents([Baked(pan=round_pan(20), count=1, risen_cm=None)])
    assert ScalesBy.TOP_AND_SIDE not in known.sizes
    assert growth(known, extents([])) == {}


def test_a_card_without_pans_lets_the_coat_grow_with_the_batter():
    plan = fit(settled(WHOLE_CAKE, pans=()), entry(round_pan(23), 1))
    assert factor(plan, "Icing sugar") == factor(plan, "Caster sugar")
    assert "grows_by_batter" in {one.code for one in plan.findings}


def test_a_layer_on_top_takes_its_room_and_its_time():
    bare = settled("225 g butter\n220 g caster sugar\n4 eggs\n240 g self-raising flour")
    topped = settled("225 g butter\n220 g caster sugar\n4 eggs\n240 g self-raising flour\n"
                     "Crumble on top:\n300 g plain flour")
    plain, crumbled = (fit(card, entry(round_pan(23), 1), rule=Rule.KEEP_BATCH)
                       for card in (bare, topped))
    one, other = plain.pans[0].standing, crumbled.pans[0].standing
    assert other.top_g == pytest.approx(300 * (23 / 18) ** 2 / 2)
    assert other.fill > one.fill
    assert other.risen_cm > one.risen_cm


def test_mass_holds_with_inclusions():
    plan = fit(None, entry(round_pan(20), 2), entry(wells_pan(), 6))
    mixed = sum(line.g.value for line in plan.lines
                if line.line.component in (Component.BATTER, Component.INCLUSION))
    pans = sum(one.standing.batter_g * one.entry.count for one in plan.pans)
    assert mixed == pytest.approx(plan.amounts.batter_g.value)
    assert mixed == pytest.approx(pans + plan.amounts.bowl_loss_g.value
                                  + plan.amounts.leftover_g.value)


def words(plan: Plan, step: int) -> str:
    return "".join(one.text for one in plan.steps[step].words)


def test_amounts_in_the_steps_grow_with_their_lines():
    plan = fit(None, entry(round_pan(18), 4), rule=Rule.SAME_DEPTH)
    assert plan.egg_option.count == 8
    assert words(plan, 0) == (
        "Beat 450 g butter with 440 g sugar. Beat in 4 of the eggs, then the others.")
    assert "480 g flour" in words(plan, 1)
    assert "Scatter 180 g plain flour" in words(plan, 1)
    assert [one.was for one in plan.steps[0].words if one.was] == ["225 g", "220 g", "2"]


def test_a_swap_is_told_in_the_steps():
    card = settled(WHOLE_CAKE)
    swapped = apply_swaps(card, [Swap(kind="self_raising_to_plain", line=4)], table=TABLE).card
    recipe = recipe_of(swapped, table=TABLE, as_written=card, variant="Plain")
    plan = make_plan(recipe, [entry(round_pan(18), 4)], request=Request(recipe=1), oven=OVEN)
    told = [one for step in plan.steps for one in step.words if one.swapped_to]
    assert [(one.was, one.swapped_to) for one in told] == [("240 g", "Plain flour")]
    line = next(line for line in plan.lines if line.line.name == "Plain flour"
                and line.line.component is Component.BATTER)
    assert (line.line.swapped_from, round(line.g.value)) == ("240 g self-raising flour", 480)
    assert any(line.line.name == "Baking powder" for line in plan.lines)


def test_a_range_shows_both_ends_scaled():
    card = settled("200 g self-raising flour\n4 eggs\n90-110 ml milk")
    plan = fit(card, entry(round_pan(18), 4))
    line = plan.lines[-1]
    assert plain(line.shown.text).startswith("180–220 ml")
    assert line.shown.grams == "186–227 g"


@given(st.integers(1, 24), st.sampled_from([Unit.TEASPOON, Unit.CUP, Unit.MILLILITRE, Unit.GRAM]))
def test_twice_and_half_again_is_the_start(quarters, unit):
    """What is shown at twice the size reads back as twice, and half of that as the start."""
    whole = unit in (Unit.MILLILITRE, Unit.GRAM)
    start = Amount(value=quarters * 10 if whole else quarters / 4, unit=unit)

    def scaled(amount: Amount, factor: float) -> Amount:
        grams = amount.value * factor if unit is Unit.GRAM else None
        shown = show_scaled(amount, factor=factor, grams=grams, precision=Precision.OTHER,
                            sizes=standard("metric"))
        read = read_line(f"{shown.text} milk").line
        more = 0.0 if read.joined is None else read.joined.amount.value * ml_per(
            read.joined.amount.unit, standard("metric"))
        per = ml_per(read.amount.unit, standard("metric")) or 1.0
        back = ml_per(unit, standard("metric")) or 1.0
        return Amount(value=(read.amount.value * per + more) / back, unit=unit)

    twice = scaled(start, 2)
    assert twice.value == pytest.approx(2 * start.value, rel=0.06)
    assert scaled(twice, 0.5).value == pytest.approx(start.value, rel=0.06)


def test_a_cupcake_is_no_whole_cake_for_a_decoration():
    own = Baked(pan=round_pan(20, 5), count=2, risen_cm=4)
    wells = Baked(pan=wells_pan(), count=12, risen_cm=3)
    assert piece_factor([own], [Baked(pan=round_pan(25), count=3, risen_cm=4)]) == 1.5
    by_top = 12 * (math.pi * 3.5**2) / (math.pi * 10**2)
    assert piece_factor([own], [wells]) == pytest.approx(by_top / 2)
    assert piece_factor([wells], [wells]) == 1
    assert piece_factor([], [own]) is None
    # Of pans of several sizes the mean of their tops is a whole cake's.
    large = Baked(pan=round_pan(30, 5), count=1, risen_cm=4)
    mean = math.pi * (10**2 + 15**2) / 2
    assert piece_factor([own, large], [wells]) == pytest.approx(
        12 * math.pi * 3.5**2 / mean / 3)
