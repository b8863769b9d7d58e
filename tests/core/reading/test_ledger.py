"""The ledger: no number of a pasted text passes in silence, and little is asked in vain."""

from __future__ import annotations

import os
import re
from dataclasses import replace

import pytest

from entremet.core.measures.spelt import with_digits
from entremet.core.reading.facts import Account, MarkRole
from entremet.core.reading.ledger import open_in
from entremet.core.reading.recipes import Told, read_recipe
from tests.core.reading.noise import noisy_copies
from tests.core.reading.score import KINDS_OF_LINES, score, texts

MANY = 10_000 if os.environ.get("ENTREMET_EXAMPLES") == "fresh" else 60
"""Noisy copies looked at; "make examples" takes them all."""

CAKE = "Plum cake\n200 g plain flour\n150 g caster sugar\n3 eggs\n"


def unbooked(text: str) -> list[str]:
    """Return the numbers of a text that are in no entry of its ledger."""
    ledger = read_recipe(text).ledger
    left, at = [], 0
    for line in text.splitlines(keepends=True):
        spelt = with_digits(line.rstrip())
        for one in re.finditer(r"\d+|[½¼¾⅓⅔⅛]", spelt.text):
            place = at + spelt.places[one.start()]
            if not any(entry.start <= place < entry.end for entry in ledger):
                left.append(one.group())
        at += len(line)
    return left


@pytest.mark.parametrize("gold", [*texts("texts"), *texts("held")], ids=lambda gold: gold.name)
def test_the_accounts_add_up_to_all_numbers_of_a_text(gold):
    assert unbooked(gold.text) == []


def test_the_accounts_add_up_however_a_text_is_soiled():
    for gold in noisy_copies("texts", MANY, seed=MANY):
        assert unbooked(gold.text) == [], gold.text


def open_words(text: str, told: tuple[Told, ...] = ()) -> list[str]:
    return [text[one.start:one.end] for one in open_in(read_recipe(text, told=told).ledger)]


@pytest.mark.parametrize(("more", "asked"), [
    ("Fold in 80 g walnuts and bake.", []),
    ("Whisk the eggs with 100 g of the sugar. Bake at 180 °C for 40 minutes.", []),
    ("Whisk the eggs with 250 g of the sugar. Bake at 180 °C for 40 minutes.", ["250 g of the "
                                                                                "sugar"]),
    ("Bake at 180 °C for 40 minutes. Cook for 55 minutes if the plums are wet.", ["55 minutes"]),
    ("Bake for 40 minutes at 180 °C. My sister bakes hers at 160 °C.", ["160 °C"]),
    ("Bake at 180 °C (350 °F, gas 4) for 40 minutes.", []),
    ("Chill the butter for 30 minutes. Bake at 180 °C for 40 minutes.", []),
    ("Weigh 450 g of batter into each tin. Bake at 180 °C for 40 minutes.", []),
    ("Add 30 g of fluff and bake.", ["30 g of fluff"]),
])
def test_what_the_method_says_beside_the_list_is_asked_once(more, asked):
    assert open_words(CAKE + "Method\n" + more) == asked


@pytest.mark.parametrize(("row", "asked"), [
    ("120 g butter (about 110 g when browned)", ["110 g"]), ("70 g dark chocolate (70 %)", []),
    ("2 pears (cut into 2 cm pieces)", []), ("60 ml milk at 30 °C", []),
])
def test_a_second_amount_in_a_line_is_asked_and_what_is_no_amount_is_not(row, asked):
    assert open_words(CAKE + row) == asked


def test_every_amount_of_a_list_is_booked_on_its_line():
    read = read_recipe(CAKE)
    keys = {line.key for line in read.card.lines}
    assert {one.line for one in read.ledger if one.account is Account.LINE} == keys
    assert open_in(read.ledger) == []


def test_what_she_says_is_right_is_asked_no_more_and_stays_read_as_it_was():
    text = CAKE + "Method\nBake for 40 minutes at 180 °C. My sister bakes hers at 160 °C."
    start = text.index("160 °C")
    right = Told(start=start, end=start + 6, kind=MarkRole.RIGHT)
    assert open_words(text, (right,)) == []
    card, was = read_recipe(text, told=[right]).card, read_recipe(text).card
    assert card.doubts == ()
    assert [one.words for one in was.doubts] == ["160 °C"]
    assert replace(card, doubts=was.doubts) == was


def test_what_is_asked_can_be_answered_where_it_stands():
    text = CAKE + "Method\nBake at 180 °C for 40 minutes. Cook for 55 minutes in a deep tin."
    asked = open_in(read_recipe(text).ledger)[0]
    assert asked.answers == (MarkRole.RIGHT, MarkRole.TIME, MarkRole.NOTE)
    time = Told(start=asked.start, end=asked.end, kind=MarkRole.TIME)
    assert read_recipe(text, told=[time]).card.stated_low_min == 55


@pytest.mark.parametrize(("text", "why"), [
    (CAKE + "50 ground almonds", "no one counts that"),
    (CAKE + "14 tsp vanilla extract", "are many"),
    (CAKE + "100 g butter\n100 g butter", "stands twice"),
    ("300 g dark chocolate\n300 ml double cream\n50 g butter\n1 tbsp rum", "flour or egg"),
    (CAKE + "Mountain snow:\n100 g butter\n200 g icing sugar", "taken for frosting"),
])
def test_what_was_read_without_trouble_and_is_hardly_right_is_asked(text, why):
    assert [one for one in open_in(read_recipe(text).ledger) if why in one.why]


def test_a_table_of_two_batches_takes_the_first_and_asks_once():
    read = read_recipe("Oat squares\n\n      | 1 tray | 3 trays |\n| Oats | 200 g | 600 g |\n"
                       "| Flour | 150 g | 450 g |\n| Butter | 120 g | 360 g |\n| Eggs | 2 | 6 |")
    assert [line.amount.value for line in read.card.lines] == [200, 150, 120, 2]
    assert ["1 tray and for 3 trays" in one.why for one in open_in(read.ledger)] == [True]


def test_the_text_as_it_came_and_what_it_leaves_open_stay_with_the_card():
    text = CAKE + "Method\nAdd 30 g of fluff and bake."
    card = read_recipe(text).card
    assert card.pasted == text
    assert [one.words for one in card.doubts] == ["30 g of fluff"]


def test_noisy_copies_are_read_as_the_clean_ones():
    for half in ("texts", "held"):
        lines, _ = score(noisy_copies(half, MANY, seed=MANY + 1))
        counts = lines["lists"]
        of = sum(counts[one] for one in KINDS_OF_LINES)
        assert counts["exact"] >= 0.99 * of, counts
        assert counts["silent"] <= 0.005 * of, counts


def test_a_row_of_more_numbers_than_a_recipe_has_is_set_aside_to_its_end():
    row = " ".join(str(number) for number in range(1000, 2000))
    read = read_recipe(CAKE + row + "\nBake at 180 °C for 40 minutes.\n")
    whole = CAKE + row
    assert unbooked(whole) == []
    (rest,) = [one for one in read.ledger if one.why == "more numbers than a recipe has"]
    assert 0 < rest.start < rest.end == len(whole)
