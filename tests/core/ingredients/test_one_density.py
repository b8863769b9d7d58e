"""One table of densities: what a finish spreads weighs what the ingredient weighs.

And no row can be denser than what it is made of.
"""

from __future__ import annotations

import pytest

from entremet.core.finishing.practice import practice
from entremet.core.ingredients.search import match
from entremet.core.ingredients.table import TABLE, Role

WATER, FAT, SOLIDS = 1.0, 0.92, 1.55
"""g/ml; what is neither water nor fat is sugar, starch, protein and fibre, 1.4 to 1.6."""

COMPOSED = [row for row in TABLE.rows.values() if row.water is not None and row.fat is not None]
POURED = [row for row in COMPOSED if row.role in (Role.LIQUID, Role.DAIRY, Role.ACID_DAIRY)
          and row.water > 0.3]


def made_of(row) -> float:
    """Return the density of what it is made of, without air, g/ml."""
    rest = max(0.0, 1 - row.water - row.fat)
    return 1 / (row.water / WATER + row.fat / FAT + rest / SOLIDS)


@pytest.mark.parametrize("row", COMPOSED, ids=lambda row: row.key)
def test_no_row_is_denser_than_what_it_is_made_of(row):
    assert row.g_per_100ml.value / 100 <= 1.1 * made_of(row)


@pytest.mark.parametrize("row", POURED, ids=lambda row: row.key)
def test_what_is_poured_or_spooned_holds_no_air(row):
    assert row.g_per_100ml.value / 100 >= 0.9 * made_of(row)


@pytest.mark.parametrize(("kind", "key"), [
    ("curd", "lemon_curd"), ("jam", "jam"), ("caramel", "caramel_sauce"),
    ("fondant", "fondant_icing"), ("cream_cheese", "cream_cheese")])
def test_a_finish_spreads_it_as_heavy_as_a_cup_of_it(kind, key):
    assert practice(f"density_{kind}").value == pytest.approx(
        TABLE.get(key).g_per_100ml.value / 100, rel=0.01)


def test_marzipan_rolled_out_is_heavier_than_a_cup_pressed_in_and_says_so():
    rolled, pressed = practice("density_marzipan"), TABLE.get("marzipan").g_per_100ml
    assert rolled.value > pressed.value / 100
    assert "pressed in holds air" in rolled.source


@pytest.mark.parametrize(("name", "note", "state"), [
    ("whipped cream", "", "whipped"), ("double cream", "whipped", ""),
    ("whipped double cream", "", "whipped"), ("heavy cream", "softly whipped", ""),
    ("sifted plain flour", "", "sifted"), ("plain flour", "sifted", ""),
    ("chopped hazelnuts", "", "chopped")])
def test_what_is_whipped_or_sifted_behind_its_name_was_measured_before(name, note, state):
    assert match(name, note, TABLE).state == state


@pytest.mark.parametrize(("key", "low", "high"), [
    ("mascarpone", 40, 47), ("creme_fraiche", 28, 40), ("greek_yogurt", 5, 10),
    ("double_cream", 45, 50), ("heavy_cream", 35, 38)])
def test_fat_is_what_the_pot_says(key, low, high):
    assert low <= 100 * TABLE.get(key).fat <= high


@pytest.mark.parametrize("name", ["hot chocolate", "drinking chocolate", "hot chocolate powder"])
def test_hot_chocolate_is_no_chocolate(name):
    assert TABLE.named(name).role is not Role.CHOCOLATE
