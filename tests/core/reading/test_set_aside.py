"""What is set aside never takes a line with it, and what takes back is told from what is work."""

from __future__ import annotations

import pytest

from entremet.core.card.lines import weigh
from entremet.core.card.resolve import recipe_of
from entremet.core.ground.provenance import Origin
from entremet.core.ingredients.table import TABLE
from entremet.core.reading.ledger import open_in
from entremet.core.reading.recipes import read_recipe

CAKE = "Plum cake\n200 g plain flour\n150 g caster sugar\n3 eggs\n"


def amounts(text: str) -> dict[str, float]:
    return {line.ingredient: line.amount.value for line in read_recipe(text).card.lines
            if line.amount is not None}


def asked(text: str) -> list[str]:
    return [text[one.start:one.end] for one in open_in(read_recipe(text).ledger)]


@pytest.mark.parametrize("step", [
    "Wait 10 minutes, then add 50 g caster sugar.", "Actually beat in 50 g caster sugar last.",
    "Hang on to 50 g caster sugar for the top."])
def test_a_word_of_the_work_takes_no_amount_back(step):
    assert amounts(f"{CAKE}Method\nBeat all.\n{step}")["caster_sugar"] == 150


def test_an_edit_takes_back_in_the_method_too():
    assert amounts(f"{CAKE}Method\nBeat all.\nEDIT: use 120 g caster sugar")["caster_sugar"] == 120


@pytest.mark.parametrize("row", ["50 g wheat bran, rich in fibre", "30 g cocoa (0 g carbs "
                                                                   "claimed)"])
def test_a_line_that_speaks_of_what_it_feeds_is_no_line_lost(row):
    read = read_recipe(CAKE + row)
    assert len(read.card.lines) == 4 or asked(CAKE + row)


def test_inches_before_a_dash_are_no_comment():
    text = (f'{CAKE}Method\nBeat all.\nLine an 8" - Round tin is best\n'
            "For the icing:\n100 g icing sugar")
    assert "icing_sugar" in amounts(text)


def test_equipment_ends_where_food_begins_and_comments_where_a_part_of_the_cake_does():
    tools = f"{CAKE}Equipment\nloaf pan\nhand mixer\n100 g butter\n50 ml milk"
    assert {"unsalted_butter", "whole_milk"} <= set(amounts(tools))
    after = (f"{CAKE}Method\nBeat and bake.\nComments\nBo: I used 90 g sugar\n"
             "For the glaze:\n80 g icing sugar\n1 tbsp lemon juice")
    assert amounts(after)["icing_sugar"] == 80
    assert amounts(after)["caster_sugar"] == 150


def test_a_long_thread_of_comments_becomes_no_step_of_the_method():
    thread = "\n".join(f"Bo says: I baked it {one} minutes at 150 °C." for one in range(30, 100))
    card = read_recipe(f"{CAKE}Method\nBake at 180 °C for 40 minutes.\nComments\n{thread}").card
    assert [step.text for step in card.steps] == ["Bake at 180 °C for 40 minutes."]
    assert card.stated_low_min == 40
    assert "99 minutes" in card.pasted


def test_another_heat_in_another_scale_is_asked_and_the_same_heat_is_not():
    bake = CAKE + "Method\nBake at 180 °C for 40 minutes."
    assert asked(f"{bake} The oven at 425 °F browns it.") == ["425 °F"]
    assert asked(f"{bake} That is an oven at 350 °F, gas mark 4.") == []


@pytest.mark.parametrize(("row", "words"), [
    ("2 tbsp honey 20 g fluff", "20 g"), ("200 g butter 200 g fluff", "200 g"),
])
def test_no_number_hides_behind_the_amount_of_its_line(row, words):
    assert any(words in one for one in asked(f"Cake\n3 eggs\n100 g plain flour\n{row}")) or any(
        "fluff" in line.text and line.text.startswith(words)
        for line in read_recipe(f"Cake\n3 eggs\n100 g plain flour\n{row}").card.lines)


def test_a_number_that_stands_once_more_than_its_lines_is_asked():
    row = ("bars (24): 150 flour, 150 sug, 150 fluff melted, 3 eggs, 1t BP, zest 1 lemon. "
           "200C 9 mins")
    assert asked(row) == ["150 fluff melted"]


@pytest.mark.parametrize("second", [(600, 450, 360), (600, 150, 90)])
def test_of_two_columns_of_amounts_the_first_is_taken_and_the_table_asks_once(second):
    rows = ("Item | Monday | Friday\nOats | 200 g | {} g\nFlour | 150 g | {} g\n"
            "Butter | 120 g | {} g")
    read = read_recipe(rows.format(*second))
    assert [line.amount.value for line in read.card.lines] == [200, 150, 120]
    assert ["for Monday and for Friday" in one.why for one in open_in(read.ledger)] == [True]


def test_one_amount_in_two_units_is_one_amount():
    read = read_recipe("Item | Metric | Cups\nOats | 100 g | 1 cup\nFlour | 150 g | 1 1/4 cups\n"
                       "Eggs | 2 | 2")
    assert [line.amount.value for line in read.card.lines] == [100, 150, 2]
    assert open_in(read.ledger) == []


def test_an_unknown_thing_of_a_listed_weight_is_asked():
    assert asked(CAKE + "Method\nFold in 150 g fluff and bake.") == ["150 g fluff"]


def test_what_was_worked_out_says_so_wherever_it_is_weighed():
    text = ("3 eggs in their shells (180 g)\ntheir weight in caster sugar and butter\n"
            "plain flour: the weight of the eggs")
    card = read_recipe(text).card
    lines = {line.ingredient: line for line in card.lines}
    assert [lines[key].amount.value for key in ("caster_sugar", "unsalted_butter", "plain_flour")
            ] == [180, 180, 180]
    recipe = recipe_of(card, table=TABLE)
    for line in recipe.lines:
        if line.ingredient.key != "egg":
            figure = weigh(line, recipe.scales)
            assert figure.origin is Origin.WORKED_OUT
            assert "180 g" in figure.note
