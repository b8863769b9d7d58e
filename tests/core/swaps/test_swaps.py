"""Swaps: their arithmetic, what they need, and that a card as written comes back."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.card import CardPart, Swap, Variant
from entremet.core.ground.errors import ImpossibleRecipe, UnknownReference
from entremet.core.ingredients.table import TABLE
from entremet.core.measures.units import Unit
from entremet.core.swaps.apply import apply_swaps, with_variant
from entremet.core.swaps.kinds import KINDS
from entremet.core.swaps.offers import offers_for, preview
from tests.core.card.cards import card_of, grams, resolved


def swapped(text: str, kind: str, line: int = 1, share: float = 1.0):
    return apply_swaps(card_of(text), [Swap(kind=kind, line=line, share=share)], table=TABLE)


@pytest.mark.parametrize(("text", "kind", "share", "after"), [
    ("200 g self-raising flour", "self_raising_to_plain", 1,
     {"plain_flour": 200, "baking_powder": 10, "self_raising_flour": 0}),
    ("200 g plain flour\n10 g baking powder", "plain_to_self_raising", 1,
     {"self_raising_flour": 200, "plain_flour": 0, "baking_powder": 0}),
    ("200 g plain flour\n5 g baking powder", "plain_to_self_raising", 1,
     {"self_raising_flour": 100, "plain_flour": 100, "baking_powder": 0}),
    ("200 g plain flour\n100 g milk", "cocoa_for_flour", 0.15,
     {"plain_flour": 170, "cocoa": 30, "whole_milk": 130}),
    ("200 g plain flour", "cocoa_for_flour", 0.15,
     {"plain_flour": 170, "cocoa": 30, "whole_milk": 30}),
    ("200 g plain flour", "ground_nuts_for_flour", 0.25,
     {"plain_flour": 150, "ground_almonds": 50}),
    ("100 g buttermilk", "buttermilk_to_milk", 1, {"whole_milk": 94, "lemon_juice": 6}),
    ("94 g milk\n6 g lemon juice", "milk_to_buttermilk", 1,
     {"buttermilk": 100, "whole_milk": 0, "lemon_juice": 0}),
    ("200 g salted butter", "salted_to_unsalted", 1, {"unsalted_butter": 200, "fine_salt": 3.26}),
    ("200 g unsalted butter\n5 g fine salt", "unsalted_to_salted", 1,
     {"salted_butter": 200, "fine_salt": 1.74}),
    ("200 g unsalted butter", "unsalted_to_salted", 1, {"salted_butter": 200, "fine_salt": 0}),
    ("3 eggs", "eggs_to_parts", 1, {"egg": 0, "egg_yolk": 54, "egg_white": 96}),
    ("3 egg yolks\n3 egg whites", "parts_to_eggs", 1,
     {"egg": 150, "egg_yolk": 0, "egg_white": 0}),
    ("2 eggs", "eggs_to_flaxseed", 1, {"egg": 0, "ground_flaxseed": 14, "water": 86}),
    ("2 eggs", "eggs_to_aquafaba", 1, {"aquafaba": 90}),
    ("2 eggs", "eggs_to_yogurt", 1, {"plain_yogurt": 110}),
    ("150 g caster sugar", "sugar_to_icing", 1, {"icing_sugar": 150, "caster_sugar": 0}),
    ("150 g light brown sugar", "sugar_to_caster", 1, {"caster_sugar": 150}),
    ("100 g cake flour", "cake_to_plain", 1, {"plain_flour": 87, "cornflour": 13}),
    ("87 g plain flour\n13 g cornflour", "plain_to_cake", 1,
     {"cake_flour": 100, "plain_flour": 0, "cornflour": 0}),
    ("200 g unsalted butter\n50 g milk", "butter_to_oil", 1,
     {"sunflower_oil": 162, "whole_milk": 86, "unsalted_butter": 0}),
    ("81 g sunflower oil\n50 g milk", "oil_to_butter", 1,
     {"unsalted_butter": 99.9, "whole_milk": 32.1}),
    ("100 g dark chocolate", "dark_to_cocoa", 1,
     {"cocoa": 33, "unsalted_butter": 46, "caster_sugar": 25}),
    ("100 g dark chocolate\n200 g caster sugar", "dark_to_semisweet", 1,
     {"semisweet_chocolate": 165, "caster_sugar": 135}),
    ("100 g dark chocolate\n13 g caster sugar", "dark_to_semisweet", 1,
     {"dark_chocolate": 80, "semisweet_chocolate": 33, "caster_sugar": 0}),
    ("50 g cocoa powder\n2 g bicarbonate of soda", "natural_to_alkalised", 1,
     {"alkalised_cocoa": 50, "bicarbonate_of_soda": 1.25, "baking_powder": 2.25}),
    ("100 g greek yogurt\n50 g milk", "strained_to_yogurt", 1,
     {"plain_yogurt": 100, "whole_milk": 40}),
    ("100 g orange juice", "juice_to_spirit", 0.9, {"rum": 40, "orange_juice": 60}),
    ("80 g walnuts", "nuts_to_oats", 1, {"rolled_oats": 56}),
    ("2 eggs", "eggs_to_starch", 1, {"potato_starch": 20, "water": 70, "sunflower_oil": 10}),
])
def test_the_arithmetic_of_each_swap(text, kind, share, after):
    card = swapped(text, kind, share=share).card
    for name, wanted in after.items():
        assert grams(card, name) == pytest.approx(wanted, abs=0.4), name


def test_every_kind_is_worked_and_names_ingredients_that_exist():
    for kind in KINDS.values():
        names = [*kind.replaces, *(put.ingredient for put in kind.puts),
                 *(one for take in kind.takes for one in take.ingredients)]
        assert all(name in TABLE.rows for name in names), kind.key
        assert kind.limits
        assert kind.source
        assert 0 < kind.usual <= kind.most <= 1


COMPOSED = {"dark_to_cocoa": (0.03, 0.10), "semisweet_to_dark": (0.06, 0.03),
            "dark_to_semisweet": (0.08, 0.03), "soured_to_yogurt": (0.02, 0.03),
            "soured_to_creme": (0.02, 0.03), "creme_to_soured": (0.02, 0.03),
            "yogurt_to_strained": (0.04, 0.07), "mascarpone_to_cheese": (0.05, 0.04),
            "milk_to_water": (0.01, 0.02)}
"""By how much fat and water of a gram may differ where one thing is made up from others."""


@pytest.mark.parametrize("key", COMPOSED)
def test_what_is_made_up_by_composition_brings_as_much_fat_and_water(key):
    kind = KINDS[key]
    was = TABLE.rows[kind.replaces[0]]
    for name, most in zip(("fat", "water"), COMPOSED[key], strict=True):
        now = sum(put.per * getattr(TABLE.rows[put.ingredient], name) for put in kind.puts
                  if TABLE.rows[put.ingredient].role.value != "sugar")
        assert now == pytest.approx(getattr(was, name), abs=most), name


def test_counted_eggs_stay_counted():
    lines = swapped("3 medium eggs", "eggs_to_parts").card.lines
    assert [(line.amount.value, line.amount.unit) for line in lines] == [
        (3, Unit.YOLK), (3, Unit.WHITE)]


def test_a_swap_takes_no_more_than_it_may():
    found = swapped("200 g plain flour", "cocoa_for_flour", share=0.9)
    assert grams(found.card, "cocoa") == pytest.approx(50)
    assert [one.code for one in found.findings] == ["swap_at_most"]


def test_a_swap_that_lacks_what_it_needs_changes_nothing():
    found = swapped("200 g plain flour", "plain_to_self_raising")
    assert found.card == card_of("200 g plain flour")
    assert found.findings[0].code == "swap_lacks"


@pytest.mark.parametrize(("text", "kind"), [("200 g plain flour", "butter_to_oil"),
                                            ("2 cups magic", "cocoa_for_flour")])
def test_a_swap_of_the_wrong_line_is_a_finding(text, kind):
    assert swapped(text, kind).findings[0].code == "swap_not_possible"


def test_unknown_kinds_and_variants_are_errors():
    with pytest.raises(UnknownReference):
        swapped("200 g plain flour", "wood_for_flour")
    with pytest.raises(ImpossibleRecipe):
        with_variant(card_of(), 4, table=TABLE)


def test_a_swapped_line_keeps_its_split_and_says_what_it_was():
    parts = (CardPart(name="creamed", share=0.8), CardPart(name="on top", share=0.2))
    card = card_of("200 g caster sugar")
    card = replace(card, lines=(replace(card.lines[0], parts=parts),))
    after = apply_swaps(card, [Swap(kind="sugar_to_brown", line=1)], table=TABLE).card.lines[0]
    assert (after.key, after.parts, after.swapped_from) == (1, parts, "200 g caster sugar")


def test_swaps_build_on_each_other_and_the_card_itself_stays():
    card = card_of("200 g self-raising flour\n100 g salted butter", variants=(
        Variant(key=1, name="Both", swaps=(Swap(kind="self_raising_to_plain", line=1),
                                           Swap(kind="salted_to_unsalted", line=2))),))
    after = with_variant(card, 1, table=TABLE).card
    assert grams(after, "baking_powder") == pytest.approx(10)
    assert grams(after, "fine_salt") == pytest.approx(1.63)
    assert with_variant(card, None, table=TABLE).card is card
    assert len({line.key for line in after.lines}) == len(after.lines)


def test_offers_are_for_weighed_lines_alone():
    offers = offers_for(card_of("200 g plain flour\n2 tbsp rose sugar\nsalt, to taste"),
                        table=TABLE)
    assert {one.line for one in offers} == {1}
    assert "cocoa_for_flour" in {one.kind.key for one in offers}


def test_a_preview_counts_per_100_g_of_flour():
    seen = preview(card_of("250 g self-raising flour"),
                   Swap(kind="self_raising_to_plain", line=1), table=TABLE)
    powder = next(one for one in seen.changes if one.name == "baking powder")
    assert (powder.was_per_100, powder.now_per_100) == (0, pytest.approx(5))
    flour = next(one for one in seen.changes if one.name == "self-raising flour")
    assert (flour.was_per_100, flour.now_per_100) == (pytest.approx(100), 0)


@given(st.floats(10, 2000), st.floats(0.01, 1))
def test_what_is_swapped_by_weight_keeps_its_weight(amount, share):
    text = f"{amount:.3f} g caster sugar"
    card = swapped(text, "sugar_to_brown", share=share).card
    total = grams(card, "caster_sugar") + grams(card, "light_brown_sugar")
    assert total == pytest.approx(grams(card_of(text), "caster_sugar"), rel=1e-9)


@given(st.floats(1, 500))
def test_there_and_back_again(amount):
    there = swapped(f"{amount:.3f} g self-raising flour", "self_raising_to_plain").card
    back = apply_swaps(there, [Swap(kind="plain_to_self_raising", line=1)], table=TABLE).card
    assert grams(back, "self_raising_flour") == pytest.approx(float(f"{amount:.3f}"), rel=1e-6)
    assert resolved(back).weights[1] is not None


@pytest.mark.parametrize(("text", "kind", "share", "after"), [
    ("200 g caster sugar", "less_sugar", 0.15, {"caster_sugar": 170}),
    ("200 g caster sugar", "less_sugar", 0.9, {"caster_sugar": 134}),
    ("200 g caster sugar", "more_sugar", 0.1, {"caster_sugar": 220}),
    ("2 tsp ground cinnamon", "more_flavour", 1.0, {}),
    ("4 eggs", "less_egg", 0.1, {"egg": 180}),
])
def test_a_line_is_turned_down_or_up_and_no_further_than_it_bears(text, kind, share, after):
    before = card_of(text)
    result = swapped(text, kind, share=share)
    for name, wanted in after.items():
        assert grams(result.card, name) == pytest.approx(wanted, abs=0.5)
    assert result.card.lines[0].swapped_from
    assert len(result.card.lines) == len(before.lines)
    told = [one.code for one in result.findings]
    assert told == (["swap_at_most"] if share > KINDS[kind].most else [])


def test_the_sugar_of_a_caramel_is_never_turned():
    text = "200 g plain flour\n180 g caster sugar\n\nCaramel:\n150 g caster sugar"
    card = card_of(text)
    sugars = [line.key for line in card.lines if line.ingredient == "caster_sugar"]
    offered = {one.line for one in offers_for(card, table=TABLE) if one.kind.key == "less_sugar"}
    assert offered == {sugars[0]}
    refused = apply_swaps(card, [Swap(kind="less_sugar", line=sugars[1], share=0.1)], table=TABLE)
    assert [one.code for one in refused.findings] == ["swap_not_possible"]
    assert refused.card == card


def test_every_turn_names_its_effect_and_offers_no_more_than_it_allows():
    turns = [kind for kind in KINDS.values() if kind.turn]
    assert len(turns) == 18
    assert all(kind.limits and 0 < kind.usual <= kind.most <= 1 for kind in turns)
    assert all(kind.most < 1 for kind in turns if kind.turn < 0)


@pytest.mark.parametrize(("share", "written"), [(0.5, "4.5 g"), (1 / 9, "8.0 g")])
def test_what_is_left_of_a_little_is_written_to_the_tenth(share, written):
    line = swapped("9 g caster sugar", "sugar_to_brown", share=share).card.lines[0]
    assert (line.written, line.text) == (written, f"{written} caster sugar")
