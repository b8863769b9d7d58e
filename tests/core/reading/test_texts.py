"""Whole texts: what any person reads in them is on the card; both halves have their floors."""

from __future__ import annotations

import pytest

from entremet.core.card.lines import Component
from entremet.core.ingredients.table import TABLE
from entremet.core.measures.spelt import with_digits
from entremet.core.pans.measures import OutlineName
from entremet.core.pans.pan import PanFinish
from entremet.core.reading.facts import MarkRole
from entremet.core.reading.mentions import mentions_in
from entremet.core.reading.pans import pans_in
from entremet.core.reading.recipes import Told, read_recipe
from entremet.core.reading.times import all_times, bake_time_in
from tests.core.reading.score import FACTS, score, texts

FLOORS = {"texts": {"lists": (0.0, 0.99), "the rest": (0.011, 0.97)},
          "held": {"lists": (0.0, 0.99), "the rest": (0.03, 0.95)}}
"""Of every half and form: at most so much in silence, at least so much exact."""


@pytest.mark.parametrize("half", ["texts", "held"])
def test_lines_and_facts_are_read_as_any_person_reads_them(half):
    lines, facts = score(half)
    for name, (silent, least) in FLOORS[half].items():
        counts = lines[name]
        of = sum(counts[one] for one in
                 ("exact", "but for component", "asked", "wrong", "missing"))
        assert counts["exact"] >= least * of, (name, counts)
        assert counts["silent"] <= silent * of, (name, counts)
        assert counts["needless"] <= 0.5 * facts["texts"], (name, counts)
    of = sum(facts[f"{name} of"] for name in FACTS)
    assert sum(facts[name] for name in FACTS) >= (0.98 if half == "texts" else 0.95) * of, facts
    assert facts["silent"] <= 0.02 * facts["texts"] + 1, facts


@pytest.mark.parametrize("gold", texts("texts"), ids=lambda gold: gold.name)
def test_marks_stand_inside_the_text_and_name_lines_of_the_card(gold):
    read = read_recipe(gold.text)
    keys = {line.key for line in read.card.lines}
    assert read.marks
    for mark in read.marks:
        assert 0 <= mark.start < mark.end <= len(gold.text)
        assert mark.line is None or mark.line in keys
    assert keys == {mark.line for mark in read.marks if mark.line is not None}


@pytest.mark.parametrize(("text", "digits"), [
    ("two hundred and fifty grams", "250 grams"), ("a hundred and twenty mils", "120 mils"),
    ("one and a half teaspoons", "1 1/2 teaspoons"), ("three quarters of a cup", "3/4 cup"),
    ("a cup and a half of flour", "1 1/2 cup of flour"), ("a third of a cup", "1/3 cup"),
    ("at one sixty fan", "at 160 fan"), ("two seven inch tins", "two 7 inch tins"),
    ("thirteen by nine pan", "13 by 9 pan"), ("gas mark three", "gas mark 3"),
    ("two eggs and one lemon", "two eggs and one lemon"), ("l tsp salt", "1 tsp salt"),
    ("half the batter", "half the batter"), ("for each kilo of pears", "for 1 kilo of pears"),
])
def test_spoken_numbers_become_digits(text, digits):
    spelt = with_digits(text)
    assert spelt.text == digits
    assert len(spelt.places) == len(digits) + 1
    assert list(spelt.places) == sorted(spelt.places)


@pytest.mark.parametrize(("text", "lines"), [
    ("two eggs, sorry, three eggs", ["three eggs"]),
    ("200 g of flour, no wait, 220 g of flour", ["220 g of flour"]),
    ("2 tsp bicarb. Actually 1 tsp bicarb", ["1 tsp bicarb"]),
    ("two eggs, no, three", ["three eggs"]),
    # A thing of its own is no other amount of the one before.
    ("200 g of flour, sorry, 2 tins of pears", ["200 g of flour", "2 tins of pears"]),
    # Two tins to bake in are no other amount of it either.
    ("200 g of flour, sorry, 2 tins", ["200 g of flour"]),
    ("200 g of flour, no, 2 cups", ["2 cups flour"]),
    ("240 g each of butter, sugar and flour", ["240 g butter", "240 g sugar", "240 g flour"]),
    ("butter, sugar and flour, 200 g of each", ["200 g butter", "200 g sugar", "200 g flour"]),
    ("175 g of butter and the same of caster sugar", ["175 g of butter", "175 g caster sugar"]),
    ("the zest of 2 lemons", ["zest of 2 lemons"]), ("oats 300g, butter 200g,", [
        "300g oats", "200g butter"]),
    ("pour 200 ml into the jug and walk 3 steps with 20 friends", []),
])
def test_amounts_are_found_inside_sentences(text, lines):
    assert [one.text for one in mentions_in(text, TABLE)] == lines


SHAPED = (
    ("an 8 inch heart tin", OutlineName.HEART, 1), ("a 25 x 18 cm oval dish", OutlineName.OVAL, 1),
    ("2 x 20cm sandwich tins", OutlineName.ROUND, 2), ("a 13x9 pan", OutlineName.RECTANGLE, 1),
    ("a 12-cup fluted ring tin", OutlineName.RING, 1), ("a 2 lb loaf tin", OutlineName.LOAF, 1),
    ("450 g loaf tin x 2", OutlineName.LOAF, 2), ("9x9 in pan", OutlineName.SQUARE, 1),
    ("20 finger moulds", OutlineName.WELLS, 20), ("a 20 cm hexagonal tin", OutlineName.POLYGON, 1),
    ("a 22 cm petal tin", OutlineName.PETAL, 1),
    ("a 20 cm half-moon tin", OutlineName.HALF_MOON, 1),
    ("a 16 cm hemisphere mould", OutlineName.HALF_BALL, 1),
)


@pytest.mark.parametrize(("text", "outline", "count"), SHAPED)
def test_no_shape_word_is_dropped(text, outline, count):
    found = pans_in(text)[0]
    assert (found.measures.outline, found.count) == (outline, count)


def test_every_outline_has_a_word_a_recipe_names_it_by():
    assert {outline for _, outline, _ in SHAPED} == set(OutlineName) - {OutlineName.DRAWN}


@pytest.mark.parametrize(("text", "finish"), [
    ("a heavy-gauge 20 cm round tin", PanFinish.HEAVY),
    ("a thick-walled 20 cm tin", PanFinish.HEAVY),
    ("a 25 cm cast-iron skillet", PanFinish.HEAVY), ("a heavy 20 cm tin", PanFinish.HEAVY),
    ("a 20 cm round tin, the batter 2 cm thick", PanFinish.BRIGHT),
    ("a 20 cm tin with heavy cream whipped thick", PanFinish.BRIGHT),
    ("a black 20 cm tin", PanFinish.DARK), ("a 20 cm silicone mould", PanFinish.SILICONE)])
def test_a_finish_is_a_word_about_the_pan_and_not_about_the_batter(text, finish):
    assert pans_in(text)[0].measures.finish is finish


def test_dough_patted_out_is_no_pan():
    found = pans_in("three 10 cm squares patted 2.5 cm thick")[0]
    assert (found.count, found.measures.patted, found.measures.wall_cm) == (3, True, 2.5)


def test_a_ring_of_cups_holds_its_cups():
    assert pans_in("a 12-cup ring tin")[0].measures.capacity_ml == pytest.approx(2839, abs=1)
    assert pans_in("mix 2 cups flour and pour into a ring") == []


@pytest.mark.parametrize("text", ["a 2-cup ring tin", "a 60-cup ring tin", "a 0.5 litre ring",
                                  "a 13 litre ring"])
def test_a_ring_that_no_shop_sells_is_no_pan(text):
    assert [one for one in pans_in(text) if one.measures.capacity_ml] == []


@pytest.mark.parametrize(("text", "low", "high"), [
    ("Bake for an hour to an hour and ten.", 60, 70), ("Bake 50 minutes to 1 hour", 50, 60),
    ("Bake three quarters of an hour" .replace("three quarters", "3/4"), 45, 45),
    ("Bake half an hour", 30, 30), ("Bake 30 min, mine took 33", 33, 33),
    ("Bake 45 minutes. No wait, 50 minutes.", 50, 50),
    ("Bake 30 min, no wait, 35 min. It took 40 min.", 40, 40),
    ("Bake 30 min. It took 40 min. No wait, 35 min was the sponge.", 40, 40),
    ("Boil 8 minutes. Bake 35 minutes, covered after 20 minutes.", 35, 35),
])
def test_the_bake_is_told_from_other_times(text, low, high):
    found = bake_time_in(text, bakes=True)
    assert (found.low_min, found.high_min) == (low, high)
    assert all(text[one.start:one.end].strip() == one.words for one in all_times(text))


def test_covering_lies_inside_the_total():
    card = read_recipe("100 g flour\n2 eggs\nBake at 180 °C for 50 minutes. Cover after 35 "
                       "minutes.").card
    assert (card.stated_low_min, card.stated_high_min) == (50, 50)
    assert [(one.minutes, one.covered) for one in card.phases] == [(35, False), (15, True)]


def test_high_then_low_are_two_phases():
    card = read_recipe("100 g flour\n2 eggs\nBake at 230 °C, turned down to 190 °C once they are "
                       "in: 10 minutes on high, then 40 on low.").card
    assert [(one.setting.value, one.minutes) for one in card.phases] == [(230, 10), (190, 40)]


def test_a_second_pan_with_its_own_time_is_offered():
    read = read_recipe("100 g flour\n2 eggs\n20 cm round tin, 170 °C, 45 minutes, or an 18 cm tin, "
                       "52 minutes.")
    assert [(one.label, one.count) for one in read.card.pans] == [("round 20", 1)]
    assert [(one.pan.label, one.low_min) for one in read.offers] == [("round 18", 52)]


def test_heat_of_a_custard_is_no_oven():
    card = read_recipe("Whisk 3 eggs and 90 g sugar over steam to 60 °C. Bake at 170 °C.").card
    assert card.setting.value == 170


TOLD = "Plum cake\n200 g flour\n3 eggs\nThe big one\n20 cm round tin"


def told(words: str, kind: MarkRole, text: str = TOLD) -> Told:
    start = text.index(words)
    return Told(start=start, end=start + len(words), kind=kind)


def test_what_the_baker_says_of_a_row_stands():
    assert read_recipe(TOLD).card.pans[0].label == "round 20"
    as_note = read_recipe(TOLD, told=[told("20 cm round tin", MarkRole.NOTE)]).card
    assert (as_note.pans, as_note.note) == ((), "20 cm round tin")
    heading = read_recipe(TOLD, told=[told("The big one", MarkRole.HEADING)]).card
    assert "The big one" in [one.title for one in heading.components]
    step = read_recipe(TOLD, told=[told("3 eggs", MarkRole.STEP)]).card
    assert "3 eggs" in [one.text for one in step.steps]


def test_what_the_baker_says_inside_a_sentence_stands():
    text = "Mix 200 g flour with 3 eggs, spread in a 20 cm round tin and think of 18 cm. Bake it."
    told_pan = told("18 cm", MarkRole.PAN, text)
    assert read_recipe(text, told=[told_pan]).card.pans[0].measures.across == 18
    left = read_recipe(text, told=[told("a 20 cm round tin", MarkRole.NOTE, text)]).card
    assert left.pans == ()
    assert [line.ingredient for line in left.lines] == ["plain_flour", "egg"]


def test_several_recipes_are_told_apart():
    one = "Plum cake\nIngredients\n200 g flour\n3 eggs\n100 g butter\nMethod\nMix and bake.\n"
    two = one.replace("Plum", "Quince")
    for text in (f"{one}\n{two}", f"{one}-----\n{two}"):
        apart = read_recipe(text).apart
        assert [stretch.title for stretch in apart] == ["Plum cake", "Quince cake"]
        second = read_recipe(text[apart[1].start:apart[1].end]).card
        assert (second.title, len(second.lines)) == ("Quince cake", 3)
    assert read_recipe(one).apart == ()


def test_juice_and_zest_of_one_fruit_are_two_lines():
    card = read_recipe("juice and zest of 1 lime\n100 g flour").card
    assert [line.ingredient for line in card.lines] == ["lime_juice", "lime_zest", "plain_flour"]


def test_a_weight_in_brackets_wins_over_a_count():
    line = read_recipe("4 pears (420 g peeled)\n2 eggs").card.lines[0]
    assert (line.second.value, line.second.unit.value) == (420, "g")
    each = read_recipe("2 pears (210 g each)\n2 eggs").card.lines[0]
    assert each.second is None


@pytest.mark.parametrize(("text", "kind"), [
    ("2 tbsp icing sugar, for dusting", Component.DECORATION),
    ("1 tbsp butter for the tin", Component.PAN), ("60 g butter, for brushing", Component.COATING),
    ("100 g jam, to sandwich", Component.FILLING),
])
def test_a_lines_own_note_names_its_part(text, kind):
    card = read_recipe(f"200 g flour\n3 eggs\n{text}").card
    assert card.component_of(card.lines[-1]).kind is kind


@pytest.mark.parametrize(("words", "count"), [
    ("Bake a quarter of the batter at a time", 4), ("Bake half the mixture at a time", 2),
    ("Bake it in three turns", 3), ("Bake until golden", 1),
])
def test_turns_count_as_pans(words, count):
    card = read_recipe(f"200 g flour\n3 eggs\n{words} in a 20 cm round tin.").card
    assert [one.count for one in card.pans] == [count]


def test_a_time_with_strips_is_the_time_with_strips():
    assert read_recipe("3 eggs\n200 g flour\nWrap baking strips round an 18 cm tin.").card.strips
    assert not read_recipe("3 eggs\n200 g flour\nCut into strips.").card.strips


def test_a_recipe_by_ratio_has_its_base_as_a_line():
    card = read_recipe("For each kilo of pears take 200 g sugar and 350 g flour.").card
    assert [(line.ingredient, line.amount.unit.value) for line in card.lines] == [
        ("sliced_pear", "kg"), ("granulated_sugar", "g"), ("plain_flour", "g")]


@pytest.mark.parametrize("row", [
    "Of course add 200 g caster sugar", "30 g protein powder and 200 g caster sugar",
    "200 g caster sugar (see comments)", "The author adds 200 g caster sugar and 3 eggs",
])
def test_no_word_of_chatter_loses_an_amount(row):
    card = read_recipe(f"Plum cake\n100 g butter\n{row}\n180 g flour").card
    assert "caster_sugar" in [line.ingredient for line in card.lines]


@pytest.mark.parametrize("row", [
    "Nutrition per slice: 210 kcal, 7 g fat, 34 g sugar", "41 comments",
    "Calories: 320 per serving",
])
def test_chatter_is_no_ingredient(row):
    card = read_recipe(f"Plum cake\n100 g butter\n{row}\n180 g flour").card
    assert [line.ingredient for line in card.lines] == ["unsalted_butter", "plain_flour"]
    assert row in card.note


def test_a_stretch_said_to_be_a_heading_begins_a_part():
    text = "Mix 200 g flour and 3 eggs. For later 100 g icing sugar."
    card = read_recipe(text, told=[told("For later", MarkRole.HEADING, text)]).card
    assert "For later" in [one.title for one in card.components]


def test_spoken_words_left_alone_are_left_alone():
    text = "Mix 200 g flour and 3 eggs in a twenty centimetre round tin and bake it."
    assert read_recipe(text).card.pans
    left = told("a twenty centimetre round tin", MarkRole.NOTE, text)
    assert read_recipe(text, told=[left]).card.pans == ()


@pytest.mark.parametrize(("text", "low"), [
    ("Bake at 170 °C. Turn the tin after 20 minutes. 50 minutes in all.", 50),
    ("Bake, covering with foil after 30 minutes, 55 minutes.", 55),
    ("Chill 60 minutes, then bake 25 minutes.", 25),
])
def test_minutes_of_covering_and_turning_are_not_the_bake(text, low):
    assert bake_time_in(text, bakes=True).low_min == low
