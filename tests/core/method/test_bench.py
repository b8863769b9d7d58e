"""The bench by the method: at which step each line goes in, what has to be at hand."""

from __future__ import annotations

from dataclasses import replace

import pytest

from entremet.core.card.lines import Component, Part
from entremet.core.card.recipe import TiedAmount, TiedStep
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import Unit
from entremet.core.method.bench import bench_of
from entremet.core.method.notes import notes_of
from entremet.core.method.tools import TOOLS, tools_for
from tests.core.conftest import line, make_card

FLOUR, SUGAR, ICING, BUTTER, EGGS, MILK, SALT = range(1, 8)
LINES = (
    line(FLOUR, "Plain flour", 240, "g", "240 g", "plain_flour"),
    line(SUGAR, "Caster sugar", 200, "g", "200 g", "caster_sugar"),
    line(ICING, "Icing sugar", 20, "g", "20 g", "icing_sugar"),
    line(BUTTER, "Unsalted butter, soft", 200, "g", "200 g", "unsalted_butter"),
    line(EGGS, "Eggs", 4, "egg", "4", "egg"),
    line(MILK, "Milk", 60, "ml", "60 ml", "whole_milk"),
    line(SALT, "Fine salt", 0.25, "tsp", "¼ tsp", "fine_salt"))


def at(*texts, lines=LINES, ties=()):
    steps = tuple(TiedStep(key=place + 1, text=text,
                           ties=tuple(one for step, one in ties if step == place + 1))
                  for place, text in enumerate(texts))
    found = bench_of(make_card(lines=lines, steps=steps))
    return {(one.line, one.part): one.step for one in found}


def test_a_line_goes_in_at_the_first_step_that_names_it():
    assert at("Beat the butter and sugar.", "Beat in the eggs.", "Fold in the flour and salt, then "
              "the milk.", "More milk if it is stiff.") == {
        (BUTTER, ""): 1, (SUGAR, ""): 1, (EGGS, ""): 2, (FLOUR, ""): 3, (SALT, ""): 3,
        (MILK, ""): 3}


def test_what_a_step_is_tied_to_goes_in_there_whatever_else_names_it():
    text = "Whisk in 200 g sugar."
    tie = TiedAmount(start=9, end=14, amount=Amount(value=200, unit=Unit("g")), line=SUGAR)
    assert at("Have the sugar ready.", text, ties=[(2, tie)])[SUGAR, ""] == 2


def test_a_word_for_two_lines_means_the_one_that_is_not_in_yet():
    found = at("Whisk the sugar with the butter.", "Sift the sugar over it.")
    assert found[SUGAR, ""] == 1
    assert found[ICING, ""] == 2


def test_the_whole_name_goes_before_its_last_word():
    assert at("Sift the icing sugar.")[ICING, ""] == 1
    assert (SUGAR, "") not in at("Sift the icing sugar.")


@pytest.mark.parametrize("text", [
    "Butter the tin and flour it.", "Grease the tin with butter.", "Bake for 30 minutes.",
    "Mix everything.", "Beat the sugar paste."])
def test_what_is_about_the_pan_or_names_nothing_puts_nothing_in(text):
    assert at(text) == {}


def test_a_sentence_about_another_part_of_the_cake_is_none_of_the_batter():
    frosting = line(8, "Butter", 90, "g", "90 g", component=Component.FROSTING)
    tie = TiedAmount(start=5, end=9, amount=Amount(value=90, unit=Unit("g")), line=8)
    assert at("Beat 90 g butter with the sugar.", lines=(*LINES, frosting), ties=[(1, tie)]) == {}


def test_each_part_of_a_split_line_goes_in_at_its_own_step():
    split = line(SUGAR, "Caster sugar", 200, "g", "200 g", "caster_sugar", parts=(
        Part(name="creamed", share=0.8), Part(name="with the whites", share=0.2)))
    ties = [(1, TiedAmount(start=0, end=5, amount=Amount(value=160, unit=Unit("g")), line=SUGAR)),
            (3, TiedAmount(start=0, end=4, amount=Amount(value=40, unit=Unit("g")), line=SUGAR))]
    found = at("160 g of the sugar is creamed.", "Add the eggs.", "40 g of it, whipped.",
               lines=(split,), ties=ties)
    assert found == {(SUGAR, "creamed"): 1, (SUGAR, "with the whites"): 3}


def test_a_part_that_no_step_names_goes_in_where_the_line_does():
    split = line(SUGAR, "Caster sugar", 200, "g", "200 g", "caster_sugar", parts=(
        Part(name="creamed", share=0.8), Part(name="later", share=0.2)))
    assert at("Beat the sugar.", lines=(split,)) == {(SUGAR, "creamed"): 1, (SUGAR, "later"): 1}


def test_every_line_of_the_recipe_is_placed_at_most_once_and_at_a_step_there_is():
    card = make_card(lines=LINES, steps=(
        TiedStep(key=4, text="Beat butter, sugar and eggs, then flour, milk and salt."),
        TiedStep(key=9, text="Fold in the flour again.")))
    found = notes_of(card).bench
    assert len({(one.line, one.part) for one in found}) == len(found)
    assert {one.step for one in found} <= {4, 9}


def tools(*sentences):
    told = notes_of(make_card(steps=tuple(
        TiedStep(key=place, text=text) for place, text in enumerate(sentences))))
    return told.tools


def test_tools_are_what_the_work_wants_each_once():
    assert tools("Grease and line the tin.", "Beat the butter and sugar until pale.",
                 "Sift the flour over it.", "Sift again.", "Turn out of the tin.") == (
        "mixer or whisk", "sieve", "baking paper, brush and fat", "wire rack")
    assert "a second bowl, free of fat" in tools("Whisk the whites until stiff.")
    assert "skewer" in tools("Bake until a skewer comes out clean.")
    assert tools("Serve it.") == ()


def test_a_thermometer_is_for_what_is_cooked_and_not_for_the_oven():
    assert "thermometer" in tools("Cook the syrup to 118 °C.")
    assert "thermometer" not in tools("Heat the oven to 180 °C.")
    assert "thermometer" not in tools("Bake at 170 °C.")


def test_every_tool_can_be_asked_for():
    for one in TOOLS:
        assert one.kinds or one.stages or one.words
    assert tools_for([], set(), set()) == ()


def test_a_bench_that_is_kept_is_that_of_the_very_card():
    card = make_card(steps=(TiedStep(key=1, text="Beat the butter and the sugar."),))
    first = bench_of(card)
    assert bench_of(replace(card, title="The same card")) is first
    other = replace(card, steps=(TiedStep(key=9, text="Beat the butter and the sugar."),))
    assert {one.step for one in bench_of(other)} == {9}
    assert {one.step for one in first} == {1}
