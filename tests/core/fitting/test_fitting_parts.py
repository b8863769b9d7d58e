"""Sharing, eggs and words, each on its own."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.batter.bowl_loss import USUAL_LOSS
from entremet.core.fitting.eggs import (
    EggEffect,
    default_option,
    egg_options,
    eggs_text,
    leading_eggs,
    option_for,
)
from entremet.core.fitting.level import common_level
from entremet.core.fitting.rules import EggChoice
from entremet.core.fitting.vessel import Vessel
from entremet.core.ground.errors import ImpossibleRecipe, UnknownReference
from entremet.core.ground.provenance import Origin, assumed, worked_out
from entremet.core.ground.provenance import given as given_figure
from entremet.core.ground.wording import compared, listed
from entremet.core.ingredients.eggs import GRADES, egg_grade
from entremet.core.ingredients.table import ingredient
from entremet.core.measures.units import Unit
from entremet.core.pans.pan import CapacityPan, PanKind
from tests.core.conftest import line, make_card, round_pan, wells_pan

PANS = [round_pan(15), round_pan(20, 5), round_pan(25), wells_pan()]


@given(st.lists(st.tuples(st.sampled_from(PANS), st.integers(1, 6)), min_size=1, max_size=5),
       st.floats(1, 8000))
def test_shared_batter_sums_to_the_whole(chosen, batter_ml):
    places = [(Vessel(pan=pan), count, math.inf) for pan, count in chosen]
    each = common_level(places, batter_ml)
    total = sum(volume * count for volume, (_, count) in zip(each, chosen, strict=True))
    assert total == pytest.approx(batter_ml, rel=1e-8)


@given(st.floats(100, 3000))
def test_shared_batter_stands_at_one_depth(batter_ml):
    vessels = [Vessel(pan=pan) for pan in PANS[:3]]
    each = common_level([(vessel, 1, math.inf) for vessel in vessels], batter_ml)
    depths = [vessel.depth_cm(volume) for vessel, volume in zip(vessels, each, strict=True)]
    assert max(depths) - min(depths) < 1e-6


def test_a_pan_at_its_limit_stays_there_and_the_rest_share_on():
    small, large = Vessel(pan=round_pan(15)), Vessel(pan=round_pan(25))
    each = common_level([(small, 1, 200.0), (large, 1, math.inf)], 2000)
    assert each == pytest.approx([200, 1800])


def test_a_pan_known_by_water_alone_takes_its_share_of_the_level_of_the_others():
    known = CapacityPan(label="ring", kind=PanKind.RING, capacity=given_figure(2400))
    vessels = [Vessel(pan=round_pan(20, 5)), Vessel(pan=known)]
    flat, ring = common_level([(vessel, 1, math.inf) for vessel in vessels], 1500)
    level_cm = vessels[0].depth_cm(flat)
    assert flat + ring == pytest.approx(1500)
    assert ring == pytest.approx(2400 * level_cm / 5)


def test_when_every_pan_is_full_the_rest_stays_out():
    small = Vessel(pan=round_pan(15))
    assert common_level([(small, 2, 200.0)], 2000) == pytest.approx([200])


def test_a_pan_known_by_capacity_shares_by_its_capacity():
    pan = CapacityPan(label="ring", kind=PanKind.RING, capacity=given_figure(1500))
    each = common_level([(Vessel(pan=pan), 1, math.inf)], 600)
    assert each == pytest.approx([600])


def test_a_layer_takes_its_height_from_the_pan():
    vessel = Vessel(pan=round_pan(20, 5), layer_g=314.159265)
    assert vessel.layer_cm == pytest.approx(1.0)
    assert vessel.room_ml == pytest.approx(vessel.pan.capacity_ml - 314.159265)
    assert vessel.volume_ml(2.0) == pytest.approx(628.3185)


@given(st.floats(20, 20_000))
def test_bowl_loss_both_ways(gross):
    assert USUAL_LOSS.net_g(gross) + USUAL_LOSS.lost_g(gross) == pytest.approx(gross)
    assert USUAL_LOSS.gross_for(USUAL_LOSS.net_g(gross)) == pytest.approx(gross)


def test_a_mix_smaller_than_its_loss_leaves_nothing():
    assert USUAL_LOSS.net_g(8.0) == 0.0


def eggs(count: float = 4):
    lines = (line(1, "Eggs", count, "egg", f"{count} medium"),
             line(2, "Yolks", 1, "yolk", "1 yolk"))
    return leading_eggs(make_card(lines=lines), left_out=frozenset())


def options(factor: float, *, upwards: bool = False, change: float = 0.0, over: bool = False):
    return egg_options(eggs(), factor, upwards=upwards, scale_step_g=1,
                       effect=lambda _: EggEffect(depth_changes=(change,), over_limit=over))


def test_the_heaviest_egg_line_leads():
    assert eggs().line.name == "Eggs"
    assert leading_eggs(make_card(), left_out=frozenset({3})) is None


@pytest.mark.parametrize(("factor", "exact", "nearest", "half", "up", "down"), [
    (0.85, "3 eggs + 20 g beaten egg", 3, 3.5, 4, 3),
    (1.1, "4 eggs + 20 g beaten egg", 4, 4.5, 5, 4), (0.05, "10 g beaten egg", 1, 0.5, 1, 1),
    (1.625, "6 eggs + 25 g beaten egg", 7, 6.5, 7, 6),
])
def test_ways_to_settle_the_eggs(factor, exact, nearest, half, up, down):
    found = options(factor)
    assert option_for(found, EggChoice.EXACT).text == exact
    assert option_for(found, EggChoice.NEAREST).factor * 4 == pytest.approx(nearest)
    assert option_for(found, EggChoice.HALF).factor * 4 == pytest.approx(half)
    assert option_for(found, EggChoice.UP).factor * 4 == pytest.approx(up)
    assert option_for(found, EggChoice.DOWN).factor * 4 == pytest.approx(down)


@given(st.floats(0.01, 30), st.booleans())
def test_every_choice_is_answered_and_none_twice(factor, upwards):
    found = options(factor, upwards=upwards)
    for choice in (EggChoice.EXACT, EggChoice.NEAREST, EggChoice.HALF, EggChoice.UP,
                   EggChoice.DOWN):
        assert option_for(found, choice).factor > 0
    factors = [option.factor for option in found]
    assert len({round(one, 9) for one in factors}) == len(factors)
    if upwards:
        assert all(option.factor >= factor * (1 - 1e-6) for option in found
                   if option.choice is not EggChoice.DOWN)


@pytest.mark.parametrize(("change", "over", "choice"), [
    (0.05, False, EggChoice.NEAREST), (-0.05, False, EggChoice.NEAREST),
    (0.051, False, EggChoice.EXACT), (0.01, True, EggChoice.EXACT),
])
def test_the_default_is_whole_only_while_little_changes(change, over, choice):
    found = options(0.85, change=change, over=over)
    assert default_option(found, upwards=False) is option_for(found, choice)


def test_an_option_says_what_it_does():
    found = options(1.1, change=0.031)[0]
    assert found.effect_text == "3 % deeper"
    left = EggEffect(depth_changes=(0.0,), leftover_g=63.2)
    assert egg_options(eggs(), 1, upwards=False, scale_step_g=1,
                       effect=lambda _: left)[0].effect_text == "same depth, 63 g left over"


@pytest.mark.parametrize(("count", "beaten", "unit", "text"), [
    (1, 0, Unit.EGG, "1 egg"), (2.5, 0, Unit.EGG, "2½ eggs"), (0, 18, Unit.YOLK, "18 g yolk"),
    (3, 12.4, Unit.WHITE, "3 whites + 12 g white"),
])
def test_eggs_in_words(count, beaten, unit, text):
    assert eggs_text(count, beaten, unit) == text


@pytest.mark.parametrize(("key", "grams"), [
    ("uk_medium", 50), ("uk_large", 57), ("us_medium", 44), ("us_large", 50),
    ("us_extra_large", 56)])
def test_egg_grades(key, grams):
    grade = egg_grade(key)
    assert grade.grams(Unit.EGG) == grams
    assert grade.grams(Unit.YOLK) + grade.grams(Unit.WHITE) == pytest.approx(grams)
    assert set(GRADES) >= {key}


@pytest.mark.parametrize("lookup", [
    lambda: egg_grade("ostrich"), lambda: ingredient("plain_flower"),
    lambda: egg_grade("uk_large").grams(Unit.CUP)])
def test_unknown_names_are_never_guessed(lookup):
    with pytest.raises(UnknownReference):
        lookup()


def test_a_split_that_is_no_whole_is_refused():
    from entremet.core.card.lines import Part
    with pytest.raises(ImpossibleRecipe):
        line(1, "Sugar", 100, "g", "100 g", parts=(Part(name="a", share=0.5),))


def test_two_lines_with_one_key_are_refused():
    with pytest.raises(ImpossibleRecipe):
        make_card(lines=(line(1, "A", 1, "g", "1 g"), line(1, "B", 1, "g", "1 g")))


def test_weights_say_where_they_come_from():
    card = make_card(standard_key=None, grade_key=None)
    assert card.weights[1].origin is Origin.GIVEN
    assert card.weights[3].assumptions
    assert "SR28" in card.weights[5].note
    assert card.weights[5].assumptions == ("cups and spoons taken as metric",)
    assert card.weights[7].assumptions == ()


def test_assumptions_travel_with_what_is_worked_out():
    wall = assumed(5, "wall assumed")
    twice = worked_out(10, "twice", wall, wall)
    assert worked_out(20, "again", twice).assumptions == ("wall assumed",)


@pytest.mark.parametrize(("ratio", "words"), [
    (1.0, "Just as deep as"), (1.34, "About a third deeper than"), (1.05, "5 % deeper than"),
    (0.75, "About a quarter shallower than"), (0.5, "About half as deep as"),
    (2.2, "2.2 times as deep as"),
])
def test_comparisons_in_a_bakers_words(ratio, words):
    assert compared(ratio, more="deeper", less="shallower", times="as deep") == words


def test_lists_read_as_in_a_sentence():
    assert (listed([]), listed(["salt"]), listed(["a", "b", "c"])) == ("", "salt", "a, b and c")
