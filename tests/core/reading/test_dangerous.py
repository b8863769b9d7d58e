"""What was read wrong without a question, and could spoil a cake or hurt somebody: never again."""

from __future__ import annotations

import pytest

from entremet.core.card.lines import Component
from entremet.core.measures.units import Unit
from entremet.core.reading.components import named_kind
from entremet.core.reading.recipes import read_recipe

LINES = "Cake\n200 g flour\n200 g sugar\n200 g butter\n4 eggs\n"


def method(*sentences):
    return read_recipe(f"{LINES}Method\n{' '.join(sentences)}")


def names(text):
    return [line.name for line in read_recipe(text).card.lines]


@pytest.mark.parametrize(("words", "setting", "minutes"), [
    ("Preheat the oven to 220 °C. Put it in, turn the oven down to 180 °C, bake for 40 minutes.",
     180, 40),
    ("Heat the oven to 200 °C; reduce the heat to 170 °C as it goes in and bake 35 minutes.", 170,
     35),
    ("Preheat to 425 °F. Lower the oven to 350 °F and bake for 45 minutes.", 350, 45),
    ("Preheat the oven to 180 °C. Bake for 40 minutes.", 180, 40)])
def test_a_cake_is_baked_at_what_the_oven_is_turned_down_to(words, setting, minutes):
    read = method(words)
    assert (read.card.setting.value, read.card.stated_low_min) == (setting, minutes)
    assert read.card.phases == ()
    turned = any("turned down before it bakes" in one for one in read.found)
    assert turned is (setting != 180 or "220" in words)


def test_a_bake_that_begins_hot_keeps_its_phases():
    card = method("Bake at 200 °C for 10 minutes, then reduce to 160 °C for 35 minutes.").card
    assert [(one.setting.value, one.minutes) for one in card.phases] == [(200, 10), (160, 35)]


@pytest.mark.parametrize("words", [
    "Heat the oven for 20 minutes at 180 °C. Bake for 45 minutes.",
    "Preheat the oven for at least 30 minutes. Bake at 180 °C for 45 minutes.",
    "Simmer the sauce for 15 minutes. Bake for 45 minutes at 180 °C.",
    "The oven needs 20 minutes to heat up to 180 °C. Bake 45 minutes."])
def test_the_time_of_a_sauce_or_of_a_heating_oven_is_not_the_bakes(words):
    card = method(words).card
    assert (card.stated_low_min, card.setting.value) == (45, 180)


def test_a_bare_number_an_oven_is_heated_to_is_its_setting():
    assert method("Preheat 30 minutes ahead to 180. Bake 40 minutes.").card.setting.text == "180 °C"


@pytest.mark.parametrize("row", [
    "Total 880 g", "Total weight: 880 g", "Subtotal 400 g", "880 g total", "Batter weight 1.2 kg",
    "Makes 1.2 kg of batter", "about 880 g batter", "880 g in all"])
def test_what_everything_weighs_together_is_no_ingredient_and_is_kept_as_a_note(row):
    card = read_recipe(f"{LINES}{row}").card
    assert [line.name for line in card.lines] == ["flour", "sugar", "butter", "eggs"]
    assert row in card.note


@pytest.mark.parametrize(("row", "lines"), [
    ("Mix 200 g flour with 3 eggs", 2), ("around 1.50 kg flour", 1), ("Cake crumbs 200 g", 1),
    ("200 g total 0 % yogurt", 1)])
def test_what_only_looks_like_a_sum_or_a_clock_is_read_as_before(row, lines):
    assert len(read_recipe(f"Cake\n{row}\n100 g sugar").card.lines) == lines + 1


def test_a_total_in_a_table_and_what_stands_under_per_cent_are_no_amounts():
    card = read_recipe("| Ingredient | g | % |\n| Flour | 200 | 100 |\n| Sugar | 180 | 90 |\n"
                       "| Butter | 150 | 75 |\n| Total | 530 | 265 |").card
    assert [(line.name, line.amount.value, line.amount.unit) for line in card.lines] == [
        ("Flour", 200, Unit.GRAM), ("Sugar", 180, Unit.GRAM), ("Butter", 150, Unit.GRAM)]


def test_a_number_under_a_head_is_in_the_unit_of_that_head_alone():
    card = read_recipe("| Ingredient | oz | g |\n| Flour | 8 | 225 |\n| Butter | 4 | 115 |").card
    assert [(line.amount.value, line.amount.unit) for line in card.lines] == [
        (8, Unit.OUNCE), (4, Unit.OUNCE)]
    assert [(line.second.value, line.second.unit) for line in card.lines] == [
        (225, Unit.GRAM), (115, Unit.GRAM)]


@pytest.mark.parametrize("text", ["1 flat teaspoon of baking powder", "1 flat tsp baking powder"])
def test_a_flat_teaspoon_is_a_teaspoon(text):
    (line,) = read_recipe(f"Cake\n{text}").card.lines
    assert (line.amount.value, line.amount.unit, line.ingredient) == (
        1, Unit.TEASPOON, "baking_powder")


@pytest.mark.parametrize("row", ["Out of the oven by 10:56", "Ready at 15:30 for the fair",
                                 "10:15 into the oven"])
def test_a_time_of_the_day_counts_nothing(row):
    card = read_recipe(f"{LINES}{row}").card
    assert [line.name for line in card.lines] == ["flour", "sugar", "butter", "eggs"]
    assert row in card.note


@pytest.mark.parametrize("heading", ["Half the ganache:", "The rest of the filling:",
                                     "A third of the buttercream:", "Remaining half of the glaze:"])
def test_a_share_of_something_opens_no_part(heading):
    card = read_recipe(f"Cake\n{heading}\n200 g flour\n4 eggs\n200 g butter").card
    assert {card.component_of(line).kind for line in card.lines} == {Component.BATTER}


@pytest.mark.parametrize("heading", [
    "Custard cake", "Lemon curd sponge", "For the caramel layer cake", "Drizzle loaf",
    "Syrup sponge", "Upside-down cake", "Ganache torte", "Cream cheese batter"])
def test_a_cake_is_a_cake_whatever_it_is_flavoured_with(heading):
    assert named_kind(heading) is Component.BATTER


@pytest.mark.parametrize(("heading", "kind"), [
    ("For the cake filling", Component.FILLING), ("To decorate the cake", Component.DECORATION),
    ("Syrup for the cake", Component.SOAK), ("Cream cheese frosting", Component.FROSTING),
    ("On top of the cake", Component.TOP_LAYER)])
def test_what_goes_on_or_in_a_cake_is_not_the_cake(heading, kind):
    assert named_kind(heading) is kind


@pytest.mark.parametrize("words", [
    "Bake in two 20 cm round sandwich tins lined with a sheet of paper at 180 °C, 25 minutes.",
    "Pour into a 23 cm springform, line a baking sheet to catch drips, bake at 170 °C 40 minutes.",
    "Bake in a 20 cm cake tin on a baking sheet at 170 °C for 40 minutes."])
def test_a_round_pan_beside_a_baking_sheet_stays_round(words):
    pans = method(words).card.pans
    assert [one.measures.outline.value for one in pans] == ["round"]
