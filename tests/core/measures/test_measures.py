"""Amounts: read as people write them, shown as people measure them."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.ground.quantities import plain
from entremet.core.measures.amounts import Amount, Precision, show_scaled
from entremet.core.measures.fractions import read_number
from entremet.core.measures.lengths import read_length_cm
from entremet.core.measures.masses import share_steps, show_mass, steps_of
from entremet.core.measures.scoops import cups, spoons
from entremet.core.measures.units import STANDARDS, Unit, ml_per, standard


@pytest.mark.parametrize(("text", "value"), [
    ("1 1/2", 1.5), ("1½", 1.5), ("1.5", 1.5), ("1 1/3", 4 / 3), ("2/3", 2 / 3), ("¾", 0.75),
    ("0,75", 0.75), (" 12 ", 12),
])
def test_numbers_are_read_as_people_write_them(text, value):
    assert read_number(text) == pytest.approx(value)


@pytest.mark.parametrize("text", ["", "some", "1/0", "1-2", "1 2", "½ ½", "-3", "nan", "1e9"])
def test_unreadable_numbers_are_errors_never_zero(text):
    with pytest.raises(UnreadableAmount):
        read_number(text)


@pytest.mark.parametrize(("text", "cm"), [("20", 20), ("20 cm", 20), ("8 in", 20.32),
                                          ('8"', 20.32), ("200 mm", 20), ("8 1/2 in", 21.59)])
def test_lengths_are_read_in_cm_and_inches(text, cm):
    assert read_length_cm(text, field="across") == pytest.approx(cm)


def test_an_unreadable_length_names_its_field():
    with pytest.raises(UnreadableAmount) as caught:
        read_length_cm("wide", field="across")
    assert caught.value.field == "across"


@pytest.mark.parametrize(("key", "cup", "tbsp", "tsp"), [
    ("us", 236.588, 14.787, 4.929), ("us_label", 240, 15, 5), ("australian", 250, 20, 5),
    ("imperial", 284.131, 17.758, 5.919),
])
def test_standards_have_the_sizes_of_their_tradition(key, cup, tbsp, tsp):
    sizes = STANDARDS[key]
    assert [ml_per(unit, sizes) for unit in (Unit.CUP, Unit.TABLESPOON, Unit.TEASPOON)] == [
        cup, tbsp, tsp]
    assert ml_per(Unit.PINCH, sizes) == pytest.approx(tsp / 16)


METRIC = standard("metric")


@pytest.mark.parametrize(("tsp", "shown"), [
    (0.375, "¼ + ⅛ tsp"), (3, "1 tbsp"), (1.5, "1½ tsp"), (3.5, "1 tbsp + ½ tsp"), (6, "2 tbsp"),
    (0.125, "⅛ tsp"),
])
def test_spoons_use_the_fewest_scoops(tsp, shown):
    assert spoons(tsp * 5, sizes=METRIC, tolerance=0.06) == shown


def test_more_than_three_scoops_is_left_to_the_scale():
    assert spoons(13.5 * 5, sizes=METRIC, tolerance=0.06) is None


@given(st.floats(0.5, 60))
def test_spoons_are_within_their_tolerance(volume):
    shown = spoons(volume, sizes=METRIC, tolerance=0.06)
    if shown is not None:
        assert read_spoons(shown) == pytest.approx(volume, rel=0.061)


@given(st.floats(60, 3000))
def test_cups_are_within_three_per_cent(volume):
    shown = cups(volume, sizes=METRIC)
    if shown is not None:
        assert read_spoons(shown) == pytest.approx(volume, rel=0.031)


def read_spoons(text: str) -> float:
    """Read shown spoons and cups back, in ml."""
    total, waiting = 0.0, 0.0
    for piece in text.split(" + "):
        number, _, unit = piece.partition(" ")
        waiting += read_number(number)
        if unit:
            total += waiting * {"tsp": 5, "tbsp": 15, "cup": 250, "cups": 250}[unit]
            waiting = 0.0
    return total


def test_a_line_keeps_its_kind_of_unit_with_grams_beside():
    shown = show_scaled(Amount(value=60, unit=Unit.MILLILITRE), factor=1.7, grams=105.1,
                        precision=Precision.OTHER, sizes=METRIC)
    assert plain(shown.text) == "102 ml (105 g)"


def test_the_spoon_leads_where_the_scale_is_too_coarse():
    salt = Amount(value=0.25, unit=Unit.TEASPOON)
    coarse = show_scaled(salt, factor=1.5, grams=1.9, precision=Precision.SEASONING, sizes=METRIC)
    fine = show_scaled(salt, factor=1.5, grams=1.9, precision=Precision.SEASONING, sizes=METRIC,
                       scale_step_g=0.1)
    assert coarse.measure_leads
    assert not fine.measure_leads
    assert fine.grams == "1.9 g"


def test_a_trace_is_never_shown_as_nothing():
    assert show_mass(0.3) == "under 1 g"


@given(st.lists(st.floats(0, 5000), min_size=1, max_size=6), st.sampled_from([0.1, 0.5, 1.0, 5.0]))
def test_parts_of_a_split_sum_to_the_whole_as_shown(parts, step):
    shown = share_steps(parts, scale_step_g=step)
    assert round(sum(shown) / step) == steps_of(sum(parts), scale_step_g=step)


@pytest.mark.parametrize("value", [0, -1, float("nan"), float("inf"), 2e6])
def test_an_amount_is_above_zero_and_finite(value):
    with pytest.raises(UnreadableAmount):
        Amount(value=value, unit=Unit.GRAM)


@pytest.mark.parametrize(("amount", "factor", "grams", "text"), [
    (Amount(value=90, high=110, unit=Unit.MILLILITRE), 2, 206.0, "180–220 ml (185–227 g)"),
    (Amount(value=90, high=110, unit=Unit.GRAM), 1.5, 150.0, "135–165 g"),
    (Amount(value=1, high=2, unit=Unit.TEASPOON), 2, 12.0, "2 tsp–1 tbsp + 1 tsp (8–16 g)"),
    (Amount(value=2, high=3, unit=Unit.PIECE), 2, None, "4–6")])
def test_a_range_is_shown_scaled_at_both_its_ends(amount, factor, grams, text):
    shown = show_scaled(amount, factor=factor, grams=grams, precision=Precision.OTHER,
                        sizes=standard("metric"))
    assert plain(shown.text) == text
