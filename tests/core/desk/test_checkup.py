"""The check-up: ratios beside what is usual, and what a card says twice and differently."""

from __future__ import annotations

from dataclasses import replace

import pytest

from entremet.core.batter.styles import STYLES
from entremet.core.card.card import CardPart
from entremet.core.card.measure_standard import standard_named_by_pairs, standards_possible
from entremet.core.desk.contradictions import contradictions
from entremet.core.desk.ratios import (
    RatioStanding,
    dry_g,
    flour_g,
    percentages,
    powder_g,
    ratio_findings,
    ratios,
)
from entremet.core.ground.reference import read_table
from entremet.core.ingredients.table import TABLE
from tests.core.card.cards import card_of, resolved, settled

BALANCED = """
200 g unsalted butter
200 g caster sugar
4 medium eggs
200 g plain flour
8 g baking powder
2 g fine salt
40 g milk
"""


def found(text: str, **changes: object) -> list[str]:
    card = card_of(text, **changes)
    return [one.code for one in contradictions(card, resolved(card), table=TABLE)]


def test_a_balanced_batter_raises_no_question():
    recipe = resolved(card_of(BALANCED, style="creamed"))
    assert {one.standing for one in ratios(recipe)} == {RatioStanding.USUAL}
    assert list(ratio_findings(recipe)) == []


def test_ratios_are_per_100_g_of_flour_and_starch():
    recipe = resolved(card_of(BALANCED + "50 g cornflour", style="creamed"))
    assert flour_g(recipe) == 250
    assert {one.key: round(one.figure.value, 2) for one in ratios(recipe)} == {
        "sugar": 80, "fat": 80, "egg": 80, "liquid": 14.1, "salt": 0.8, "powder": 3.2}


def test_bakers_percentages_count_the_batter_alone():
    rows = percentages(resolved(card_of(BALANCED + "Icing:\n100 g icing sugar")))
    assert [(one.name, one.percent) for one in rows][:2] == [
        ("Unsalted butter", 100), ("Caster sugar", 100)]
    assert len(rows) == 7


def test_self_raising_flour_and_soda_count_as_raising():
    recipe = resolved(card_of("200 g self-raising flour\n2 g bicarbonate of soda"))
    assert powder_g(recipe) == pytest.approx(10 + 6)


@pytest.mark.parametrize(("line", "code"), [
    ("40 g baking powder", "powder_high"), ("300 g caster sugar", "sugar_high"),
    ("30 g fine salt", "salt_high"), ("400 ml milk", "liquid_high"),
    ("8 g bicarbonate of soda", "soda_unanswered"),
])
def test_a_wrong_looking_number_is_questioned_and_left_as_it_is(line, code):
    card = card_of(BALANCED + line, style="creamed")
    before = resolved(card).weights
    findings = list(ratio_findings(resolved(card)))
    assert code in [one.code for one in findings]
    assert all(one.numbers for one in findings)
    assert resolved(card).weights == before


def test_soda_that_acid_answers_is_no_question():
    text = "200 g plain flour\n150 g caster sugar\n3 eggs\n120 g butter\n2 g salt\n2 g baking soda"
    alone = [one.code for one in ratio_findings(resolved(card_of(text, style="creamed")))]
    sour = [one.code for one in ratio_findings(
        resolved(card_of(f"{text}\n140 g buttermilk", style="creamed")))]
    assert "soda_unanswered" in alone
    assert "soda_unanswered" not in sour


@pytest.mark.parametrize(("line", "key"), [("baking powder, as needed", True), ("some luck", True),
                                           ("2 tbsp quince paste", True),
                                           ("cinnamon, to taste", False)])
def test_what_is_not_weighed_makes_little_of_it_no_question(line, key):
    text = BALANCED.replace("8 g baking powder", line)
    recipe = resolved(card_of(text, style="creamed"))
    raising = next(one for one in ratios(recipe) if one.key == "powder")
    assert raising.standing is (RatioStanding.UNKNOWN if key else RatioStanding.LOW)
    assert line.split(",")[0].split(" ")[-1] in raising.figure.note.lower()


def test_a_batter_can_do_without_salt_and_without_any_egg():
    bare = "\n".join(one for one in BALANCED.splitlines()
                     if "fine salt" not in one and "egg" not in one)
    assert list(ratio_findings(resolved(card_of(bare, style="creamed")))) == []
    little = BALANCED.replace("4 medium eggs", "1 medium egg")
    assert [one.code for one in ratio_findings(resolved(card_of(little, style="creamed")))] == [
        "egg_low"]


def test_cocoa_and_ground_nuts_are_dry_and_a_drink_is_its_water():
    recipe = resolved(card_of(
        "150 g plain flour\n50 g cocoa powder\n50 g ground almonds\n100 g coconut milk"))
    assert dry_g(recipe) == 250
    assert flour_g(recipe) == 150
    liquid = next(one for one in ratios(recipe) if one.key == "liquid")
    assert liquid.figure.value == pytest.approx(100 * 0.7288 / 250 * 100)


def test_chocolate_that_holds_a_cake_up_leaves_its_ranges_open():
    text = BALANCED.replace("200 g plain flour", "100 g plain flour")
    assert "fat_high" in [one.code for one in ratio_findings(
        resolved(card_of(text, style="creamed")))]
    held = resolved(card_of(f"{text}\n180 g dark chocolate", style="creamed"))
    assert {"fat_high", "egg_high", "sugar_high"}.isdisjoint(
        one.code for one in ratio_findings(held))


def test_a_batter_without_flour_has_no_percentages():
    recipe = resolved(card_of("200 g dark chocolate\n4 eggs"))
    assert ratios(recipe) == []
    assert [one.code for one in ratio_findings(recipe)] == ["no_flour"]


def test_every_style_has_its_ranges_and_they_run_upwards():
    table = read_table("entremet.core.desk", "ranges.toml")
    assert set(table) == {one.like for one in STYLES.values()}
    for rows in table.values():
        assert set(rows) == {"sugar", "fat", "egg", "liquid", "powder", "salt"}
        assert all(low < high for low, high in rows.values())


def test_every_acid_is_an_ingredient_with_its_value_in_its_range():
    for key, row in read_table("entremet.core.desk", "acids.toml").items():
        assert key in TABLE.rows
        assert row["low"] <= row["value"] <= row["high"]


@pytest.mark.parametrize(("line", "code"), [
    ("115 g (½ cup) unsalted butter", None), ("115 g (1½ cups) unsalted butter", "amounts_differ"),
    ("125 g (1 cup) plain flour", None), ("250 g (1 cup) plain flour", "amounts_differ"),
    ("120 g (1 cup) icing sugar, sifted", None),
    ("100 g (3½ oz) dark chocolate", None), ("100 g (8 oz) dark chocolate", "amounts_differ"),
    ("2 cups (500 ml) cider", None), ("2 cups (300 ml) cider", "amounts_differ"),
    ("7 oz rice milk", "ounces_could_be_fluid"), ("90 g (3 tbsp) magic", None),
])
def test_a_weight_and_a_measure_have_to_go_together(line, code):
    assert found(line) == ([code] if code else [])


def test_only_a_cup_that_is_still_possible_counts():
    # 284 g of milk is a cup only in the imperial measure, which the cider rules out.
    assert found("284 g (1 cup) milk") == []
    assert found("284 g (1 cup) milk\n2 cups (500 ml) cider") == ["amounts_differ"]
    assert found("284 g (1 cup) milk", measure_standard="us") == ["amounts_differ"]


def test_pairs_of_volumes_name_the_cup():
    assert standard_named_by_pairs(card_of("1 cup (237 ml) milk")).key == "us"
    assert standard_named_by_pairs(card_of("1 cup milk")) is None
    assert {one.cup_ml for one in standards_possible(card_of("2 cups (500 ml) cider"))} == {250}
    near = standard_named_by_pairs(card_of("1 cup (250 ml) cider\n2 cups (490 ml) milk"))
    assert near.cup_ml == 250, "the nearest of those that could be"


def test_two_volumes_that_no_cup_makes_equal_are_told_in_millilitres():
    card = card_of("2 cups (300 ml) cider", measure_standard="metric")
    (one,) = contradictions(card, resolved(card), table=TABLE)
    assert one.numbers == {"first": 500, "second": 300}


def test_one_thing_on_two_lines_is_questioned():
    assert found("200 g caster sugar\n50 g caster sugar") == ["stated_twice"]
    assert found("200 g caster sugar\nSyrup:\n50 g caster sugar") == []


def test_steps_that_use_more_or_less_than_the_line_are_questioned():
    assert found("200 g caster sugar\n1. Beat in 150 g of the sugar. Add 80 g sugar.") == [
        "steps_use_more"]
    assert found("200 g caster sugar\n1. Beat in 150 g of the sugar until pale.") == [
        "steps_use_less"]
    assert found("200 g caster sugar\n1. Beat in 200 g of the sugar until pale.") == []
    card = card_of("200 g caster sugar\n1. Beat in 150 g of the sugar until pale.")
    parts = (CardPart(name="a", share=0.75), CardPart(name="b", share=0.25))
    card = replace(card, lines=(replace(card.lines[0], parts=parts),))
    assert contradictions(card, resolved(card), table=TABLE) == []


def test_eggs_that_the_steps_use_only_in_part_are_noticed():
    card = settled()
    assert [one.code for one in contradictions(card, resolved(card), table=TABLE)] == [
        "steps_use_less"]


@pytest.mark.parametrize(("text", "differ"), [
    ("1 cup (125 g) plain flour", False), ("125 g (1 cup) plain flour", False),
    ("1 cup (300 g) plain flour", True), ("300 g (1 cup) plain flour", True),
    ("200 g (7 oz) plain flour", False), ("200 g (2 lb) plain flour", True)])
def test_a_weight_and_a_cup_in_brackets_are_held_against_each_other_either_way_round(text, differ):
    assert ("amounts_differ" in found(text)) is differ
