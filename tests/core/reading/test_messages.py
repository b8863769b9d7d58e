"""A message from a phone is read as any person reads it; what it does not say is asked."""

from __future__ import annotations

import tomllib
from datetime import date, time
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.reading.messages import MOST_PIECES, read_message

HERE = Path(__file__).parent / "messages"
TUESDAY = date(2026, 12, 1)
TITLES = {1: "Parsnip and honey layer cake", 2: "Black sesame sheet cake",
          3: "Brown-butter pear ring", 4: "Rhubarb and custard cupcakes",
          5: "Plum and bergamot layer cake", 6: "Cornmeal blackcurrant tray",
          7: "Toasted oat and damson loaf", 8: "Elderflower chiffon"}


def read(text, today=TUESDAY):
    return read_message(text, today=today, titles=TITLES)


def messages(half):
    return tomllib.loads((HERE / half / "messages.toml").read_text("utf-8"))["message"]


@pytest.mark.parametrize("half", ["texts", "held"])
def test_messages_are_read_as_any_person_reads_them(half):
    for one in messages(half):
        found = read(one["text"])
        clock = one.get("clock")
        told = {"day": found.day, "clock": found.clock, "recipe": TITLES.get(found.recipe),
                "eaters": found.eaters, "pieces": found.pieces, "count": found.cakes,
                "inscription": found.inscription, "driven": found.driven}
        assert told == {
            "day": one.get("day"), "clock": None if clock is None else time.fromisoformat(clock),
            "recipe": one.get("recipe"), "eaters": one.get("eaters"), "pieces": one.get("pieces"),
            "count": one.get("count"), "inscription": one.get("inscription", ""),
            "driven": one.get("driven")}, one["text"]


def test_what_is_not_said_is_asked_and_nothing_that_is():
    nothing = read("Thank you for the lovely cake!")
    assert nothing.asked == (
        "Which cake?", "For which day?", "At what hour?", "For how many?",
        "Collected, or brought?", "Anything written on it?", "Any allergies?")
    told = read("Plum cake for 12 people on Saturday at 3 pm, we collect, with 'Ada' on it")
    assert told.asked == ("Any allergies?",)
    assert told.assumed == ()


@pytest.mark.parametrize(("text", "asked"), [
    ("a cake at 4 on the 12th", "Is “at 4” 16:00?"),
    ("a cake for 5/12", "Is “5/12” the 5. of December?"),
    ("next Friday", "Is “next Friday” the 11. of December?")])
def test_what_could_mean_something_else_is_asked(text, asked):
    assert read(text).assumed == (asked,)
    assert read("a cake at 4 pm on the 12th, or 16:00").assumed == ()


@pytest.mark.parametrize("words", ["no nuts", "gluten-free", "nut allergy", "vegan"])
def test_a_wish_about_what_is_in_it_is_named_and_never_settled(words):
    last = read(f"A plum cake, {words} please").asked[-1]
    assert words.split()[0].split("-")[0] in last
    assert "look at the label" in last


def test_every_wish_is_named_and_not_the_first_alone():
    last = read("A plum cake, vegan please, and Ivo has a nut allergy").asked[-1]
    assert "“vegan”" in last
    assert "“nut”" in last or "“nut allergy”" in last
    assert "allergy" in last


def test_what_is_brought_asks_for_the_way():
    assert "How many minutes on the way?" in read("Could you deliver a plum cake?").asked
    assert "How many minutes on the way?" not in read("a plum cake, we collect").asked


def test_two_cakes_that_a_message_names_alike_are_asked_for():
    two = {1: "Plum layer cake", 2: "Plum ring"}
    assert read_message("the plum one", today=TUESDAY, titles=two).recipe is None
    assert read_message("the plum ring", today=TUESDAY, titles=two).recipe == 2
    assert read_message("a cake", today=TUESDAY, titles=two).recipe is None


def test_a_day_without_a_year_is_the_next_such_and_one_that_is_none_is_not_taken():
    assert read("cake for 1 December").day == TUESDAY
    assert read("cake for 30 November").day == date(2027, 11, 30)
    assert read("cake for 31/11").day is None
    assert read("the 31st", date(2027, 2, 1)).day == date(2027, 3, 31)


@given(st.text(max_size=300))
def test_any_text_is_read_to_something_that_could_be(text):
    found = read(text)
    assert found.day is None or found.day >= TUESDAY
    assert found.pieces is None or 0 < found.pieces <= MOST_PIECES
    assert found.recipe is None or found.recipe in TITLES
    assert found.asked
