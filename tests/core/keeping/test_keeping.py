"""Keeping: the shortest part decides, cold stays cold, and nothing is frozen that must not be."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.finishing.cooling import cooling_min, warming_min
from entremet.core.ingredients.table import TABLE
from entremet.core.keeping.keeping import (
    KEEPS,
    PRESERVED,
    TWO_HOURS,
    is_fresh_fruit,
    keeping_of,
    kept,
)
from tests.core.conftest import line
from tests.core.dressing.test_growing import LINES
from tests.core.labelling.labels import made


@given(st.lists(st.sampled_from(sorted(KEEPS)), min_size=1, max_size=6))
def test_the_shortest_part_decides_and_one_that_must_be_cold_takes_all_with_it(keys):
    parts = [KEEPS["bare"], *(KEEPS[key] for key in keys)]
    found = kept(parts)
    assert found.cold == any(one.cold for one in parts)
    spans = [one.chilled if found.cold else one.cool for one in parts]
    assert found.days.value == min(span[0] for span in spans if span is not None)
    assert found.at_most >= found.days.value
    assert found.decides in parts
    assert (found.frozen is None) == any(one.frozen is None for one in parts)
    assert (TWO_HOURS in found.cautions) == found.cold
    assert found.days.assumptions
    more = kept([*parts, KEEPS["cream"]])
    assert (more.cold and more.days.value <= found.days.value) or not found.cold


def test_every_row_can_be_kept_somewhere_and_its_range_is_one():
    for row in KEEPS.values():
        assert row.chilled is not None if row.cold else row.cool is not None
        for span in (row.cool, row.chilled, row.frozen):
            assert span is None or 0 < span[0] <= span[1]
        assert row.wrap
        assert (row.frozen is None or row.thaw)


def keeping(*lines, **choices):
    plan, done = made(lines=lines or LINES, **choices)
    return keeping_of(plan, done, done.cakes[0])


def test_a_cake_keeps_as_what_is_on_it():
    usual = keeping()
    assert (usual.cold, usual.decides.key, usual.days.value) == (False, "buttercream", 2)
    assert usual.words.startswith("Keep cool")
    assert "about" in usual.take_out
    assert "worked out" in usual.take_out
    fruit = keeping(*LINES, line(60, "Thin plum slices", 6, "piece", "6",
                                 component=LINES[0].component.DECORATION))
    assert fruit.cold
    assert fruit.decides.key == "fresh_fruit"
    assert fruit.take_out.startswith("Take it out 20 to 30 min")
    odd = keeping(*LINES, line(60, "Sugared moss", 6, "g", "6 g",
                               component=LINES[0].component.DECORATION))
    assert odd.decides.name == "sugared moss"
    assert odd.days.value == 1
    without = keeping(*LINES, replace(line(60, "Mascarpone", 400, "g", "400 g", "mascarpone"),
                                      optional=True))
    assert not without.cold  # what is left out of the batter keeps nothing short
    nuts = keeping(*LINES, line(60, "Walnuts", 20, "g", "20 g", "chopped_walnuts",
                                component=LINES[0].component.DECORATION))
    assert nuts.days.value == 2


def test_a_rolled_cover_over_cream_is_warned_of():
    found = kept([KEEPS["bare"], KEEPS["cream"], KEEPS["fondant"]])
    assert found.cold
    assert any("sweats" in one for one in found.cautions)


@pytest.mark.parametrize(("name", "fresh"), [
    ("Fresh raspberries", True), ("dried apricots", False), ("Plum jam", False),
    ("Freeze-dried raspberries", False), ("Sprinkles", False), ("Sliced strawberries", True)])
def test_fresh_fruit_is_told_by_its_name(name, fresh):
    assert is_fresh_fruit(name) is fresh


def test_warming_is_the_cooling_law_turned_round():
    size = {"mass_g": 1500, "surface_cm2": 1300, "half_cm": 5}
    half = warming_min(**size, to_c=12.5)
    assert warming_min(**size, to_c=18) > half > 0
    assert warming_min(**size, to_c=21) is None
    # From 4 to 12.5 °C in 21 °C halves the difference, as from 96 to 58.5 does.
    assert half == pytest.approx(cooling_min(**size, to_c=58.5))


def test_dried_and_cooked_fruit_is_not_fresh():
    dried = keeping(*LINES, line(60, "Raisins", 20, "g", "20 g", "raisins",
                                 component=LINES[0].component.DECORATION))
    assert not dried.cold
    curd = keeping(*LINES[:2], line(60, "Raspberries", 90, "g", "90 g", "raspberries",
                                    component=LINES[2].component, heading="For the jam filling"))
    assert not curd.cold
    fresh = keeping(*LINES, line(60, "Raspberries", 90, "g", "90 g", "raspberries",
                                 component=LINES[0].component.DECORATION))
    assert fresh.decides.key == "fresh_fruit"


@pytest.mark.parametrize(("name", "key", "decides", "cold"), [
    ("Nectarine slices", "nectarine", "fresh_fruit", True),
    ("Grapes", "grapes", "fresh_fruit", True),
    ("Mixed berries", "mixed_berries", "fresh_fruit", True),
    ("Lemon curd", "lemon_curd", "bare", True),
    ("Candied peel", "candied_peel", "buttercream", False),
    ("Dried pears", "dried_pears", "buttercream", False)])
def test_fruit_whose_water_nobody_measured_is_fresh_unless_it_is_preserved(name, key, decides,
                                                                           cold):
    found = keeping(*LINES, line(60, name, 40, "g", "40 g", key,
                                 component=LINES[0].component.DECORATION))
    assert (found.decides.key, found.cold) == (decides, cold)


def test_every_preserved_fruit_is_one_of_the_table_with_no_water_known():
    for key in PRESERVED:
        assert TABLE.rows[key].water is None, key


@pytest.mark.parametrize(("minutes", "words"), [
    (95, "about 1 h 30 min before"), (20, "about 30 min before"), (121, "about 2 h before"),
    (None, "")])
def test_a_buttercream_cake_says_when_to_take_it_out(minutes, words):
    told = kept([KEEPS["bare"], KEEPS["buttercream"]], warm_min=minutes).take_out
    assert words in told
    assert bool(told) is bool(words)
