"""Reading single lines: the corpus, its floor, and what must never happen."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.card import EggSize
from entremet.core.card.lines import ScalesBy
from entremet.core.ingredients.table import TABLE
from entremet.core.measures.amounts import AmountSign
from entremet.core.measures.units import MASS_G, Unit
from entremet.core.reading.lines import MarkKind, Memory, read_line, reread

FLOOR = 0.97
ROWS = [[cell.strip() for cell in row.split("|")]
        for row in Path(__file__).with_name("corpus.txt").read_text("utf-8").splitlines()
        if row and not row.startswith("#")]


def wrong(text: str, amount: str, unit: str, ingredient: str) -> str:
    """What is wrong with the reading of a line; empty where it is exact."""
    line = read_line(text).line
    if ingredient == "unread":
        return "" if not line.name and line.amount is None else f"read as {line.name!r}"
    low, _, high = amount.partition("-")
    found = line.amount
    if not amount and found is not None:
        return f"amount {found} out of nothing"
    if amount:
        if found is None or abs(found.value - float(low)) > 1e-3 or found.unit is not Unit(unit):
            return f"amount read as {found}"
        if (found.high or 0) != (float(high) if high else 0):
            return f"range read as {found.high}"
    wanted = "" if ingredient == "?" else ingredient
    return "" if line.ingredient == wanted else f"ingredient read as {line.ingredient!r}"


def test_the_corpus_is_read_and_none_of_it_is_lost():
    assert len(ROWS) >= 150
    failures = [f"{row[0]}: {problem}" for row in ROWS if (problem := wrong(*row))]
    exact = 1 - len(failures) / len(ROWS)
    assert exact >= FLOOR, "\n".join(failures)
    for text, *_ in ROWS:
        kept = read_line(text).line.text
        assert kept
        assert text.endswith(kept), text


@pytest.mark.parametrize("row", [row for row in ROWS if row[3] == "?"], ids=lambda row: row[0])
def test_an_unknown_name_is_never_taken_for_a_near_one(row):
    assert read_line(row[0]).line.ingredient == ""


def test_marks_show_each_part_in_its_place():
    read = read_line("2 2/3 cups wholemeal flour, aerated")
    marked = {mark.kind: read.line.text[mark.start:mark.end].strip(" ,") for mark in read.marks}
    assert marked == {MarkKind.AMOUNT: "2 2/3", MarkKind.UNIT: "cups",
                      MarkKind.INGREDIENT: "wholemeal flour", MarkKind.NOTE: "aerated"}


def test_two_statements_of_one_amount_are_both_kept():
    line = read_line("115 g (1/2 cup) unsalted butter, softened").line
    assert (line.amount.value, line.second.value, line.second.unit) == (115, 0.5, Unit.CUP)
    assert line.written == "115 g (1/2 cup)"


def test_eggs_keep_their_size_and_how_they_are_written():
    line = read_line("4 medium free-range eggs").line
    assert (line.written, line.egg_size, line.amount.unit) == (
        "4 medium", EggSize.MEDIUM, Unit.EGG)


def test_tins_keep_their_number_beside_their_weight():
    line = read_line("2 x 385 g tins pear halves, drained").line
    assert (line.packs, line.amount.value, line.note) == (2, 770, "drained")


def test_the_state_of_an_ingredient_is_seen():
    assert read_line("1 cup sifted icing sugar").line.state == "sifted"
    assert read_line("1 cup hazelnuts, chopped").line.state == "chopped"


def test_alternatives_and_options_are_kept_apart():
    line = read_line("100 g walnuts or 80 g pecans").line
    assert (line.name, line.instead[0].amount.value, line.instead[0].ingredient) == (
        "walnuts", 80, "pecans")
    assert read_line("1 cup chopped hazelnuts (optional)").line.optional
    assert not read_line("1 cup chopped hazelnuts").line.optional


@pytest.mark.parametrize(("text", "asked"), [
    ("7 oz rice milk", True), ("4 oz butter", False), ("2 oz sunflower oil", True),
    ("7 fl oz rice milk", False), ("8 oz (225 g) soured cream", False),
    ("6 oz cream cheese", False),
])
def test_ounces_are_asked_about_only_where_they_could_be_fluid(text, asked):
    assert read_line(text).line.unit_assumed is asked


def test_what_is_for_the_pan_does_not_grow():
    assert read_line("15 ml oil, for the pan").line.scales_by is ScalesBy.FIXED
    assert read_line("200 g butter, plus extra for the pan").line.scales_by is None
    assert read_line("40 g butter, for the top").line.scales_by is None


def test_answers_are_remembered():
    memory = Memory(names={"quince paste": "jam", "candied strip": ""},
                    ounces={"rice milk": Unit.FLUID_OUNCE})
    assert read_line("2 tbsp quince paste", memory=memory).line.ingredient == "jam"
    assert read_line("12 candied strips", memory=memory).line.settled == ("name",)
    fluid = read_line("7 oz rice milk", memory=memory).line
    assert (fluid.amount.unit, fluid.unit_assumed) == (Unit.FLUID_OUNCE, False)


def test_an_edited_line_keeps_what_was_settled():
    was = read_line("2 tbsp quince paste", key=4, component=2).line
    was = type(was)(**{name: getattr(was, name) for name in was.__dataclass_fields__}
                    | {"ingredient": "jam", "settled": ("name",)})
    now = reread(was, "3 tbsp quince paste")
    assert (now.key, now.component, now.amount.value, now.ingredient, now.settled) == (
        4, 2, 3, "jam", ("name",))
    assert reread(was, "3 tbsp plum jam").ingredient == "jam"
    assert reread(was, "3 tbsp rose petals").ingredient == ""


WORD = st.sampled_from(["2", "½", "1 1/2", "90-110", "g", "cup", "tbsp", "x", "(", ")", ",", "or",
                        "plus", "less", "zest of", "eggs", "flour", "butter", "for the pan", "/",
                        "tin", "optional", "divided", "a", "é", "🍰", ":", "-", "oz", "large"])


@given(st.lists(WORD, min_size=1, max_size=12).map(" ".join))
def test_no_line_breaks_the_reader_and_none_is_lost(text):
    read = read_line(text)
    assert read.line.text
    assert set(read.line.text.split()) <= set(text.split())
    assert all(0 <= mark.start < mark.end <= len(read.line.text) for mark in read.marks)
    assert read.line.ingredient == "" or read.line.ingredient in TABLE.rows


@given(st.text(st.characters(min_codepoint=32, exclude_characters="\x7f",
                             exclude_categories=["Cs"]), min_size=1, max_size=60).filter(str.strip))
def test_any_text_at_all_stays_on_its_line(text):
    kept = "".join(read_line(text).line.text.split())
    assert kept
    assert "".join(text.split()).endswith(kept)


@pytest.mark.parametrize(("text", "first", "sign", "more"), [
    ("250 g less a quarter cup sugar", 250, AmountSign.LESS, 0.25),
    ("2 cups plus 1 tbsp plain flour", 2, AmountSign.PLUS, 1),
    ("1 cup minus 2 tbsp milk", 1, AmountSign.LESS, 2),
    ("1 cup + 2 tbsp milk", 1, AmountSign.PLUS, 2)])
def test_a_second_amount_is_added_or_taken_away_as_it_says(text, first, sign, more):
    line = read_line(text).line
    assert (line.amount.value, line.joined.sign, line.joined.amount.value) == (first, sign, more)


def test_the_same_amount_in_brackets_is_read_to_its_end_with_what_is_joined_to_it():
    line = read_line("180 g (1½ cups less 1 tbsp) plain flour").line
    assert (line.amount.value, line.second.value, line.joined) == (180, 1.5, None)
    assert line.ingredient == "plain_flour"
    open_end = read_line("180 g (1½ cups less 1 tbsp plain flour").line
    assert open_end.second is None


@pytest.mark.parametrize(("text", "grams"), [
    ("1 cup mashed banana (240 g)", 240), ("2 bananas (200 g peeled), mashed", 200),
    ("3 ripe bananas, mashed (about 350 g)", 350), ("1 cup grated carrot (4 oz)", 113.4)])
def test_a_weight_in_brackets_goes_before_what_a_cup_usually_weighs(text, grams):
    second = read_line(text, key=1, component=0).line.second
    assert second.middle * MASS_G[second.unit] == pytest.approx(grams, rel=0.001)


@pytest.mark.parametrize("text", [
    "1 cup sugar, 20 g for dusting", "2 cups flour (20 g more for the pan)",
    "3 plums (40 g each)", "1 cup flour (2 tbsp)"])
def test_a_weight_that_is_not_of_all_of_it_is_none(text):
    second = read_line(text, key=1, component=0).line.second
    assert second is None or second.unit not in MASS_G
