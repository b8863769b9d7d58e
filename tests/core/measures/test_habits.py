"""Lengths as a kitchen reads them."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.ground.quantities import (
    MARK,
    celsius,
    cm,
    cm2,
    cm_by,
    cm_to,
    degrees,
    degrees_to,
    ml,
    plain,
)
from entremet.core.measures.amounts import Amount, Precision, show_scaled
from entremet.core.measures.fractions import read_number
from entremet.core.measures.habits import CM_PER_INCH, Units, inches, worded
from entremet.core.measures.lengths import read_length_cm
from entremet.core.measures.units import Unit, standard


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
    (f"Rises to {cm(4.2)}, rim at {cm(5)}.", "Rises to 1⅝ in, rim at 2 in.",
     "Rises to 4.2 cm (1⅝ in), rim at 5 cm (2 in)."),
    (f"paper, {cm_by(33, 23)}", "paper, 13 × 9 in", "paper, 33 × 23 cm (13 × 9 in)"),
    (f"a pan is {cm_to(1, 100)}.", "a pan is ⅜ to 39⅜ in.", "a pan is 1 to 100 cm (⅜ to 39⅜ in)."),
    (f"{cm2(254)} of base", "39 sq in of base", "254 cm² (39 sq in) of base"),
    (f"done at {celsius(96)}", "done at 205 °F", "done at 96 °C (205 °F)"),
    (f"set to {celsius(163)}", "set to 325 °F", "set to 163 °C (325 °F)"),
    (f"{celsius(-18)} in the freezer", "0 °F in the freezer", "-18 °C (0 °F) in the freezer"),
    (f"{degrees(20)} cooler", "36 °F cooler", "20 °C (36 °F) cooler"),
    (f"{degrees_to(5, 14)} hotter", "9 to 25 °F hotter", "5 to 14 °C (9 to 25 °F) hotter"),
    (f"holds {ml(1846)}", "holds 7¾ cups", "holds 1846 ml (7¾ cups)"),
    (f"{ml(237)}, {ml(60)}, {ml(30)}, {ml(5)}", "1 cup, ¼ cup, 2 tbsp, 1 tsp",
     "237 ml (1 cup), 60 ml (¼ cup), 30 ml (2 tbsp), 5 ml (1 tsp)"),
    ("her 20 cm tin at 170 °C, 12 wells, 240 g, 200 ml", None, None),
])
def test_quantities_of_ours_are_worded_in_the_kitchens_units_and_nothing_else_moves(
        text, us, both):
    assert worded(text, Units.METRIC) == plain(text)
    assert worded(text, Units.US) == (us or text)
    assert worded(text, Units.BOTH) == (both or text)


@given(st.floats(min_value=2, max_value=30_000))
def test_a_volume_in_cups_and_spoons_is_near_what_it_is(volume):
    told = worded(ml(volume), Units.US)
    each = {"cup": 236.588, "cups": 236.588, "tbsp": 14.787, "tsp": 4.929}
    found, unit = 0.0, ""
    # Spoons of one size are added up before they are named: ½ + ⅛ tsp.
    for part in reversed(told.split(" + ")):
        number, unit = part.rsplit(" ", 1) if part.rsplit(" ", 1)[-1] in each else (part, unit)
        found += read_number(number) * each[unit]
    coarse = 236.588 / 8 if volume >= 480 else max(0.1 * volume, 0.7)
    assert found == pytest.approx(round(volume), abs=coarse)


@pytest.mark.parametrize(("volume", "told"), [
    (60, "¼ cup"), (75, "¼ cup + 1 tbsp"), (159, "⅔ cup"), (204, "¾ cup + 2 tbsp"),
    (7.5, "1½ tsp"), (20, "1 tbsp + 1 tsp"), (1325, "5½ cups")])
def test_a_liquid_that_is_measured_by_hand_is_told_in_what_measures_it(volume, told):
    assert worded(ml(volume), Units.US) == told
    assert worded(f"180–220{MARK}ml", Units.METRIC) == "180–220 ml"
    assert worded(f"60–120{MARK}ml", Units.US) == "¼ cup–½ cup"


def test_less_than_the_scale_shows_is_a_spoons_worth_and_never_under_a_gram():
    saffron = Amount(value=1, unit=Unit.GRAM)
    shown = show_scaled(saffron, factor=0.3, grams=0.3, precision=Precision.OTHER,
                        sizes=standard("us"), g_per_100ml=50)
    assert (shown.text, shown.grams, shown.measure_leads) == ("⅛ tsp", None, True)
    for grams, density, told in ((0.3, None, "a pinch"), (0.02, 50, "a pinch"),
                                 (0.45, 50, "⅛ tsp")):
        shown = show_scaled(saffron, factor=grams, grams=grams, precision=Precision.OTHER,
                            sizes=standard("us"), g_per_100ml=density)
        assert shown.text == told
    half = show_scaled(saffron, factor=0.5, grams=0.5, precision=Precision.OTHER,
                       sizes=standard("us"), g_per_100ml=50)
    assert half.text == "1 g"
