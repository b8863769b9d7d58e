"""Lengths as a kitchen reads them."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.measures.habits import CM_PER_INCH, Units, inches, reworded
from entremet.core.measures.lengths import read_length_cm


@pytest.mark.parametrize(("cm", "told"), [
    (20.32, "8"), (22.86, "9"), (20, "7⅞"), (33, "13"), (2.54, "1"), (3.81, "1½"), (1.2, "½"),
    (1.7, "11/16"), (0.3, "⅛"), (0, "0"), (2.53, "1")])
def test_inches_are_told_to_the_marks_of_a_ruler(cm, told):
    assert inches(cm) == told


@given(st.floats(min_value=2.6, max_value=100))
def test_what_is_told_in_inches_is_at_most_half_a_mark_off(cm):
    assert read_length_cm(f"{inches(cm)} in", field="x") == pytest.approx(
        cm, abs=CM_PER_INCH / 16 + 1e-9)


@pytest.mark.parametrize("wrong", [math.nan, math.inf, -1])
def test_what_is_no_length_is_not_told_as_one(wrong):
    with pytest.raises(ValueError, match="no length"):
        inches(wrong)


@pytest.mark.parametrize(("text", "us", "both"), [
    ("Rises to 4.2 cm, rim at 5 cm.", "Rises to 1⅝ in, rim at 2 in.",
     "Rises to 4.2 cm (1⅝ in), rim at 5 cm (2 in)."),
    ("paper, 33 × 23 cm", "paper, 13 × 9 in", "paper, 33 × 23 cm (13 × 9 in)"),
    ("a pan is 1 to 100 cm.", "a pan is ⅜ to 39⅜ in.", "a pan is 1 to 100 cm (⅜ to 39⅜ in)."),
    ("254 cm² of base", "39 sq in of base", "254 cm² (39 sq in) of base"),
    ("12 wells, 170 °C, 30 min, 240 g", "12 wells, 170 °C, 30 min, 240 g",
     "12 wells, 170 °C, 30 min, 240 g"),
])
def test_sentences_are_worded_in_the_kitchens_units_and_nothing_else_moves(text, us, both):
    assert reworded(text, Units.METRIC) == text
    assert reworded(text, Units.US) == us
    assert reworded(text, Units.BOTH) == both
