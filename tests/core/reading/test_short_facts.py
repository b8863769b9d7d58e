"""Oven, time and pan as people put them in few words, beside a bare list."""

from __future__ import annotations

import pytest

from entremet.core.reading.recipes import read_recipe

LIST = "200 g flour\n3 eggs\n150 g butter\n"


@pytest.mark.parametrize(("words", "oven", "kind", "low", "high"), [
    ("170 fan 1h15 in the 2lb tin", "170 °C", "fan", 75, 75),
    ("350F 1hr 10min, 9x13", "350 °F", None, 70, 70),
    ("Gas 4 for 40 mins, 8 inch tin", "gas mark 4", "gas", 40, 40),
    ("Reg 5, 35 min", "gas mark 5", "gas", 35, 35),
    ("cook at 180 degrees for 3/4 hour", "180 °C", None, 45, 45),
    ("bake till done at 170, 50-60m", "170 °C", None, 50, 60),
    ("160C/140C fan/gas 3 for 1hr-1hr 10", "160 °C", "conventional", 60, 70),
    ("Bake 180/160F/G4 40 mins", "180 °C", "conventional", 40, 40),
    ("fan 150 / 1 hr 20", "150 °C", "fan", 80, 80),
    ("bake 12-15' @190", "190 °C", None, 12, 15),
    ("oven on 180, in for half an hour", "180 °C", None, 30, 30),
    ("350 for 30", "350 °F", None, 30, 30),
    ("170 for 45ish, 23cm tin", "170 °C", None, 45, 45),
    ('two 8" tins 25 min 350', "350 °F", None, 25, 25),
    ("Cook Temp: 165 C\nCook Time: 40 min", "165 °C", None, 40, 40),
    ("bake at 375 deg. F. for 25 min.", "375 °F", None, 25, 25),
    ("Whisk, fold, 12x9 tin, 200C, 10-12 mins", "200 °C", None, 10, 12),
])
def test_oven_and_time_in_few_words(words, oven, kind, low, high):
    card = read_recipe(LIST + words).card
    assert card.setting.text == oven
    assert (card.oven_kind and card.oven_kind.value) == kind
    assert (card.stated_low_min, card.stated_high_min) == (low, high)


@pytest.mark.parametrize(("words", "label"), [
    ("350F 1hr 10min, 9x13", "sheet 13 × 9 in"), ("45 minutes, 170 degrees C, 23cm", "round 23"),
    ("900g tin 160 fan 50 min", "loaf of 2 lb"), ("170 °C, 35 min, loaf tin 900 g", "loaf of 2 lb"),
    ("2 tbsp milk\n900g tin 160 fan 50 min", "loaf of 2 lb"),
])
def test_a_pan_in_few_words(words, label):
    assert [(one.count, one.label) for one in read_recipe(LIST + words).card.pans] == [(1, label)]


@pytest.mark.parametrize("words", [
    "1 x 900 g tin of pears", "Dissolve it in a 1 litre jug of warm water",
    "Grease a 1 litre basin and steam 90 minutes"])
def test_what_holds_something_is_no_pan_and_no_food(words):
    card = read_recipe(LIST + words).card
    assert card.pans == ()
    assert not [line.text for line in card.lines if "litre" in line.text]


def test_two_times_at_two_settings_are_two_phases():
    card = read_recipe(LIST + "20 minutes at 200, then 25 at 170").card
    assert [(one.setting.text, one.minutes) for one in card.phases] == [
        ("200 °C", 20), ("170 °C", 25)]
    assert card.stated_low_min == 45


def test_what_is_beaten_before_and_boiled_after_is_no_phase():
    card = read_recipe("Whisk 4 eggs eight minutes, fold in 100 g flour, bake at 170 for 35 "
                       "minutes "
                       "in a 23 cm tin, then boil 50 ml juice with 50 g sugar five minutes.").card
    assert (card.stated_low_min, card.phases) == (35, ())


@pytest.mark.parametrize(("text", "kept"), [
    ("250 g self raising\n100 g custard powder\nhmm wait, 30 g custard powder!", (30, "custard")),
    ("2 eggs\nEDIT: that should be 3 eggs", (3, "egg")),
    ("175 g butter\n2 eggs\nsorry 200 g butter not 175", (200, "butter")),
    ("150 g plain yogurt\n2 eggs\nUPDATE: use 200 g plain yogurt from now on", (200, "yogurt")),
])
def test_a_later_word_replaces_what_it_corrects_and_the_old_is_kept_in_the_note(text, kept):
    card = read_recipe(f"Plum cake\n{text}").card
    amount, name = kept
    lines = [line for line in card.lines if name in line.ingredient]
    assert [line.amount.value for line in lines] == [amount]
    assert "corrected to" in card.note


@pytest.mark.parametrize(("row", "key"), [
    ("2 oranges, zest", "orange_zest"), ("3 limes (juice only)", "lime_juice"),
    ("2 lemons, halved", "lemon"), ("tsp baking powder", "baking_powder"),
    ("3 EL rum", "rum"), ("2 c. à s. rum", "rum"), ("20 dag butter", "unsalted_butter"),
])
def test_parts_of_a_fruit_and_spoons_of_elsewhere(row, key):
    line = read_recipe(f"200 g flour\n{row}").card.lines[-1]
    assert line.ingredient == key
    assert line.amount is not None


def test_only_a_short_row_with_parts_in_it_is_taken_for_parts():
    parts = "2 parts flour, 1 part butter - I use 200 g flour"
    worked = [(line.ingredient, line.amount.value) for line in read_recipe(parts).card.lines]
    assert worked == [("plain_flour", 200), ("unsalted_butter", 100)]
    # What goes on for a page is a story: nothing is worked out of it.
    story = f"{parts} {'and so my aunt went on to tell us about it ' * 8}"
    assert all(line.worked_from == "" for line in read_recipe(story).card.lines)


def test_a_measure_of_its_own_and_parts_are_worked_out():
    card = read_recipe("1 glass = 200 ml\n2 glasses sugar\n3 eggs (165 g)\n"
                       "butter: the weight of the eggs\nFlour 20 % of the butter").card
    assert [(line.ingredient, line.amount.value) for line in card.lines] == [
        ("granulated_sugar", 400), ("egg", 3), ("unsalted_butter", 165), ("plain_flour", 33)]
