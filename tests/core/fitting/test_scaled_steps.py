"""The method at its new size: nothing of the recipe's own pans is left standing as if it held."""

from __future__ import annotations

import re
from dataclasses import replace

import pytest

from entremet.core.card.card import Card, CardPart
from entremet.core.card.resolve import recipe_of
from entremet.core.card.ties import tied_steps
from entremet.core.fitting.rules import Entry, PanRule, Rule
from entremet.core.ingredients.table import TABLE
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.plan.batch import Tools
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from entremet.core.reading.recipes import read_recipe
from tests.core.plan.test_plan import OVEN

TEXT = """Plum sponge
200 g self-raising flour
180 g butter
180 g caster sugar
4 eggs
1. Heat the oven to 180 °C/160 °C fan. Line two deep 18 cm round tins, 5 cm deep.
2. Beat half of the butter with two eggs, and 90 g of the sugar.
3. Bake for 28 to 32 minutes. Leave in the tin for 10 minutes.
"""


def card() -> Card:
    return read_recipe(TEXT).card


def steps(count: int, across: float) -> list[str]:
    own = card()
    pan = pan_from(own.pans[0].measures.__class__(
        outline=own.pans[0].measures.outline, across=across, wall_cm=5), label="tin")
    recipe = replace(recipe_of(own, table=TABLE), steps=tied_steps(own, table=TABLE))
    plan = make_plan(recipe, [Entry(label="tin", pan=pan, count=count)],
                     request=Request(recipe=1, rule=Rule.SAME_DEPTH), oven=OVEN, tools=Tools())
    return ["".join(one.text for one in step.words) for step in plan.steps]


def test_in_other_pans_the_recipes_pans_setting_and_minutes_give_way():
    first, second, third = steps(4, 18)
    assert first == "Heat the oven to 180 °C. Line 4 × tin."
    assert "4 eggs" in second
    assert "180 g of the sugar" in second
    minutes = re.fullmatch(r"Bake for about (\d+) minutes \(look from (\d+)\)\. "
                           r"Leave in the tin for 10 minutes\.", third)
    assert minutes is not None
    assert int(minutes[2]) < int(minutes[1])


def test_in_its_own_pans_every_word_stays():
    assert steps(2, 18) == [step.text for step in card().steps]


@pytest.mark.parametrize("words", ["Boil the syrup for 8 minutes", "Whisk to 60 °C"])
def test_other_minutes_and_heats_stay(words):
    own = read_recipe(f"{TEXT}4. {words}.").card
    assert words in own.steps[-1].text


@pytest.mark.parametrize("factor", [0.75, 1.25, 1.3, 1.75, 2.5])
def test_a_part_of_a_line_is_one_number_in_the_list_and_in_the_method(factor):
    """Two parts that would both round up cannot both: the list shares the grams out."""
    own = card()
    sugar = own.lines[2]
    own = replace(own, lines=(*own.lines[:2], replace(sugar, parts=(
        CardPart(name="creamed", written="150 g", share=150 / 180),
        CardPart(name="over the plums", written="30 g", share=30 / 180))), *own.lines[3:]),
        steps=(*own.steps, replace(own.steps[-1], key=99,
                                   text="Toss the plums in 30 g of the sugar.")))
    recipe = replace(recipe_of(own, table=TABLE), steps=tied_steps(own, table=TABLE))
    filled = PanRule(kind=Rule.FILL, fill=0.2 * factor)
    plan = make_plan(recipe, [Entry(label="tin", pan=pan_from(own.pans[0].measures, label="tin"),
                                    count=2, rule=filled)],
                     request=Request(recipe=1), oven=OVEN, tools=Tools())
    listed = {part.name: part.shown for line in plan.lines for part in line.parts}
    told = "".join(one.text for one in plan.steps[-1].words)
    assert told == f"Toss the plums in {listed['over the plums']} of the sugar."


def test_a_weight_that_is_no_part_of_its_line_is_rounded_by_itself():
    _, second, _ = steps(3, 18)
    assert "135 g of the sugar" in second


def told(*entries, oven=OVEN, **choices):
    own = card()
    recipe = replace(recipe_of(own, table=TABLE), steps=tied_steps(own, table=TABLE))
    plan = make_plan(recipe, entries, request=Request(recipe=1, **choices), oven=oven)
    return plan, ["".join(one.text for one in step.words) for step in plan.steps]


def own_tin(count=2):
    return Entry(label="tin", pan=pan_from(card().pans[0].measures, label="tin"), count=count)


def test_the_method_says_the_very_minutes_and_setting_of_the_bake():
    wide = Entry(label="Round 25", count=1, pan=pan_from(PanMeasures(
        outline=OutlineName.ROUND, across=25, wall_cm=7.5), label="Round 25"))
    plan, (first, _, third) = told(wide, rule=Rule.KEEP_BATCH)
    bake = plan.pans[0].bake
    first_look, _, likely, _ = bake.window.shown
    assert third.startswith(f"Bake for about {likely} minutes (look from {first_look}).")
    setting = plan.oven.words(bake.oven.steps[0].setting)
    assert first == f"Heat the oven to {setting}. Line Round 25."


def test_in_its_own_pans_another_setting_is_said_and_the_pans_stay_as_written():
    _, (first, _, third) = told(own_tin(), strips=True)
    assert "18 cm" in first
    assert "28 to 32" not in third


def test_pans_of_two_kinds_are_each_told_their_own_minutes():
    small = Entry(label="Round 10", count=2, pan=pan_from(PanMeasures(
        outline=OutlineName.ROUND, across=10, wall_cm=5), label="Round 10"))
    _, (first, _, third) = told(own_tin(1), small, rule=Rule.FILL, separately=True)
    assert first.endswith("Line tin and 2 × Round 10.")
    assert re.search(r"for tin and about \d+ minutes \(look from \d+\) for Round 10", third)


def test_no_placeholder_is_left_in_any_method():
    for entries in ((own_tin(),), (own_tin(5),)):
        plan, texts = told(*entries)
        assert all("of this fit" not in one and "bake card" not in one for one in texts)
        assert all(one.text for step in plan.steps for one in step.words)
