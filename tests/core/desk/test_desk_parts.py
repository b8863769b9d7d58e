"""Holes, questions, steps, splits and differences: what the desk shows of a card."""

from __future__ import annotations

import dataclasses
from dataclasses import replace

import pytest

from entremet.core.card.card import (
    Card,
    CardDoubt,
    CardLine,
    CardOffer,
    CardPan,
    CardPart,
    CoolingWay,
    Tie,
)
from entremet.core.card.compare import CardChange, differences
from entremet.core.card.finish import Finishing
from entremet.core.card.recipe import BatterStart
from entremet.core.card.ties import tied_steps, ties_of
from entremet.core.desk.holes import Aim, holes
from entremet.core.desk.questions import Ask, questions
from entremet.core.desk.splits import read_split, split_by_steps, with_rest
from entremet.core.ground.errors import ImpossibleRecipe, UnreadableAmount
from entremet.core.ground.quantities import plain
from entremet.core.ingredients.table import TABLE
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import Unit
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.pans.measures import OutlineName, PanMeasures
from tests.core.card.cards import card_of, resolved, settled


def codes(card, *aims: Aim) -> list[str]:
    return [hole.code for hole in holes(card, resolved(card), aims=frozenset(aims))]


def test_holes_are_only_those_the_aim_needs():
    card = card_of("1 cup plain flour\n2 eggs")
    assert codes(card) == []
    assert codes(card, Aim.AMOUNTS) == ["measure_standard", "egg_grade"]
    assert codes(card, Aim.OTHER_PANS) == ["measure_standard", "egg_grade", "style", "pans"]
    assert codes(card, Aim.BAKE_TIME)[-2:] == ["setting", "stated_time"]


def test_a_settled_card_has_no_holes():
    assert codes(settled(), *Aim) == []
    assert codes(card_of("200 g plain flour\n3 eggs", egg_g=51), Aim.AMOUNTS) == []


def test_steam_needs_no_setting_and_phases_bring_setting_and_time():
    assert codes(settled(setting=None, oven_kind=OvenKind.STEAM), Aim.BAKE_TIME) == []
    hot = Setting(value=190, scale=Scale.CELSIUS)
    phases = (Phase(setting=hot, minutes=10), Phase(minutes=20))
    bare = {"setting": None, "stated_low_min": None, "stated_high_min": None, "phases": phases}
    assert codes(settled(**bare), Aim.BAKE_TIME) == []
    assert codes(settled(**bare, oven_kind=None), Aim.BAKE_TIME) == ["oven_kind"]


def test_a_wall_is_asked_for_only_where_it_matters():
    def pan(**more):
        return (CardPan(label="tin", measures=PanMeasures(outline=OutlineName.ROUND, across=18,
                                                          **more)),)
    assert codes(settled(pans=pan()), *Aim) == []
    assert codes(settled(pans=pan(rim_across=21)), *Aim) == ["wall:tin"]
    assert codes(settled(pans=pan(wall_cm=-3)), *Aim) == ["pan_measures:tin"]


def test_an_accepted_assumption_stays_listed_as_such():
    card = card_of("1 cup plain flour", assumed=("measure_standard",))
    hole = holes(card, resolved(card), aims=frozenset({Aim.AMOUNTS}))[0]
    assert hole.accepted
    assert "250 ml" in plain(hole.assume)


@pytest.mark.parametrize(("text", "ask", "near"), [
    ("some luck", Ask.UNREAD, None), ("2 tbsp hazelnut oyl", Ask.NAME, None),
    ("1 tsp bicarbonat of soda", Ask.NAME, "bicarbonate_of_soda"),
    ("7 oz rice milk", Ask.OUNCES, None), ("190 g kefir, divided", Ask.SPLIT, None),
    ("plain flour", Ask.AMOUNT, None),
    ("2 eggs plus 1 yolk", Ask.TWO_THINGS, None),
])
def test_what_is_not_certain_is_asked(text, ask, near):
    card = card_of(text)
    found = {one.ask: one for one in questions(card, resolved(card), table=TABLE)}
    assert ask in found
    if near:
        assert near in [one.key for one in found[ask].near]
    answered = replace(card, lines=(replace(card.lines[0], settled=(ask.value,)),))
    assert ask not in {one.ask for one in questions(answered, resolved(answered), table=TABLE)}


@pytest.mark.parametrize("text", ["240 g plain flour", "salt, to taste", "butter for the pan",
                                  "To decorate:\n12 candied strips", "80 g walnuts (optional)"])
def test_what_is_plain_is_not_asked_about(text):
    card = card_of(text)
    assert questions(card, resolved(card), table=TABLE) == []


def tied(card) -> list[tuple[str, str | None]]:
    return [(step.text[tie.start:tie.end], tie.line and card.line(tie.line).ingredient)
            for step in card.steps for tie in ties_of(step, card, table=TABLE)]


def test_amounts_in_steps_belong_to_their_lines():
    assert tied(settled()) == [
        ("180 g", "caster_sugar"), ("2", "egg"), ("40 g", "caster_sugar"),
        ("240 g", "self_raising_flour"), ("60 ml", "whole_milk")]


@pytest.mark.parametrize("step", [
    "Heat the oven to 180 °C for 20 minutes.", "Line two 20 cm tins and fold 3 times.",
    "Bake for 30 min at 180C.", "Cut in 12 pieces."])
def test_what_is_no_amount_of_the_card_is_left_alone(step):
    assert tied(card_of(f"200 g caster sugar\n2 eggs\nMethod\n{step}")) == []


def test_a_tie_set_by_hand_goes_before_the_words():
    card = settled()
    loose = replace(card.steps[0], ties=(Tie(words="180 g", line=None),))
    card = replace(card, steps=(loose, *card.steps[1:]))
    assert tied(card)[0] == ("180 g", None)


@pytest.mark.parametrize(("text", "phrases", "parts"), [
    ("190 ml kefir", ["keep 45 ml for loosening"], [("for loosening", 45 / 190),
                                                    ("the rest", 145 / 190)]),
    ("100 g walnuts", ["two fifths of the nuts on top"], [("on top", 0.4), ("the rest", 0.6)]),
    ("100 g walnuts", ["a quarter for the topping", "75 % in the batter"],
     [("for the topping", 0.25), ("in the batter", 0.75)]),
    ("4 eggs", ["2 for the glaze"], [("for the glaze", 0.5), ("the rest", 0.5)]),
    ("1 cup milk", ["4 tbsp for the glaze"], [("for the glaze", 0.24), ("the rest", 0.76)]),
])
def test_splits_are_read_from_words(text, phrases, parts):
    card = card_of(text, measure_standard="metric")
    found = read_split(phrases, card.lines[0], resolved(card))
    assert [part.name for part in found] == [name for name, _ in parts]
    assert [part.share for part in found] == pytest.approx([share for _, share in parts])


@pytest.mark.parametrize(("text", "phrase", "error"), [
    ("100 g walnuts", "three cups on top", ImpossibleRecipe),
    ("100 g walnuts", "on top", UnreadableAmount), ("100 g walnuts", "150 g on top",
                                                    ImpossibleRecipe),
    ("100 g rose petals", "2 tbsp on top", UnreadableAmount),
    ("salt, to taste", "half on top", ImpossibleRecipe),
    ("2 cups parsnip, grated", "a mountain on top", UnreadableAmount),
    ("2 cups parsnip, grated", "1 for the glaze", UnreadableAmount),
])
def test_a_split_that_cannot_be_is_refused(text, phrase, error):
    card = card_of(text)
    with pytest.raises(error) as raised:
        read_split([phrase], card.lines[0], resolved(card))
    assert raised.value.field == "parts"


def test_the_method_says_how_a_line_is_divided():
    card = settled()
    steps = tied_steps(card, table=TABLE)
    parts = split_by_steps(card.lines[1], steps, resolved(card))
    assert [(part.name, round(part.share, 3)) for part in parts] == [
        ("in step 1", 0.818), ("in step 2", 0.182)]
    assert split_by_steps(card.lines[0], steps, resolved(card)) == ()


def test_differences_are_told_in_the_order_of_the_card():
    was = settled()
    now = replace(was, title="New title", stated_high_min=38.0, lines=was.lines[1:], tags=("ring",))
    found = [(one.part, one.change, one.was, one.now) for one in differences(was, now)]
    assert found == [
        ("title", CardChange.CHANGED, "Test card", "New title"),
        ("tags", CardChange.ADDED, "", "ring"),
        ("bake time", CardChange.CHANGED, "34 min", "34–38 min"),
        ("line", CardChange.TAKEN_AWAY, "225 g unsalted butter, soft", "")]
    assert differences(was, was) == []


def test_a_difference_that_words_do_not_show_is_named():
    was = settled()
    split = replace(was.lines[0], parts=(CardPart(name="a", share=0.5),
                                         CardPart(name="b", share=0.5)))
    found = differences(was, replace(was, lines=(split, *was.lines[1:])))
    assert found[0].now.endswith("(parts)")
    order = differences(was, replace(was, lines=was.lines[::-1]))
    assert order[0].part == "order of the card"


def test_what_differs_names_every_fact_of_the_card():
    """A field of the card that the comparison forgets shows here."""
    was = settled()
    pan = CardPan(label="round 15", measures=PanMeasures(outline=OutlineName.ROUND, across=15))
    other = {"title": "Other", "source_note": "x", "note": "x", "tags": ("x",), "servings": "x",
             "style": "oil", "measure_standard": "us", "egg_grade": "us_large", "egg_g": 61.0,
             "pans": (pan,), "setting": Setting(value=150, scale=Scale.CELSIUS),
             "oven_kind": OvenKind.FAN, "stated_low_min": 3.0, "stated_high_min": 500.0,
             "phases": (Phase(minutes=3), Phase(minutes=4)),
             "batter_start": BatterStart.CHILLED, "stand_min": 77.0, "strips": True,
             "cooling": CoolingWay.HANG, "signs": ("x",), "finish": Finishing(split=2),
             "offers": (CardOffer(pan=pan, low_min=5, high_min=6),), "pasted": "3 eggs",
             "doubts": (CardDoubt(words="x", why="Which?"),)}
    fields = {one.name for one in dataclasses.fields(Card)}
    assert fields - set(other) == {"components", "lines", "steps", "variants", "assumed"}
    for name, value in other.items():
        change = {name: value}
        if name.startswith("stated"):
            change = {"stated_low_min": 3.0, "stated_high_min": 500.0}
        parts = [one.part for one in differences(was, replace(was, **change))]
        assert parts, name
        assert "order of the card" not in parts, name


def test_several_parts_over_the_whole_are_refused_together():
    whole = CardLine(key=1, text="200 g sugar", name="sugar",
                     amount=Amount(value=200, unit=Unit.GRAM))
    parts = [CardPart(name=str(place), share=0.4) for place in range(3)]
    with pytest.raises(ImpossibleRecipe):
        with_rest(parts, whole)
    assert [one.share for one in with_rest(parts[:2], whole)] == pytest.approx([0.4, 0.4, 0.2])


def test_only_what_goes_into_the_batter_is_asked_for_its_weight():
    text = ("200 g plain flour\n2 tbsp quince paste\n\nFor the top\n1 handful rose petals\n\n"
            "Method\nMix and bake at 180 C for 30 minutes.")
    card = settled(text)
    (hole,) = [one for one in holes(card, resolved(card)) if one.code == "unweighed_lines"]
    assert "Quince paste" in hole.text
    assert "ose petals" not in hole.text


@pytest.mark.parametrize(("words", "share"), [
    ("half", 1 / 2), ("a third", 1 / 3), ("two thirds", 2 / 3), ("a quarter", 1 / 4),
    ("three quarters", 3 / 4), ("a fifth", 1 / 5), ("four fifths", 4 / 5), ("a sixth", 1 / 6),
    ("five sixths", 5 / 6), ("an eighth", 1 / 8), ("seven eighths", 7 / 8), ("a tenth", 1 / 10),
    ("nine tenths", 9 / 10)])
def test_every_share_in_words_is_the_share_it_says(words, share):
    card = card_of("360 g walnuts")
    found = read_split([f"{words} on top"], card.lines[0], resolved(card))
    assert found[0].share == pytest.approx(share)
    assert found[1].share == pytest.approx(1 - share)
