"""Whether the pans of a recipe stand on the rack."""

from __future__ import annotations

from entremet.core.card.recipe import SourcePan
from entremet.core.choosing.own_pans import own_pans
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from tests.core.conftest import round_pan, wells_pan

SQUARE = pan_from(PanMeasures(outline=OutlineName.SQUARE, across=18, wall_cm=5), label="square")


def wanted(pan, count=1):
    return [SourcePan(pan=pan, count=count)]


def test_a_pan_sold_under_one_size_is_that_pan():
    rack = [(SQUARE, 1), (round_pan(18.4, 5), 2)]
    assert own_pans(wanted(round_pan(18, 5), 2), rack) == [(1, 2)]


def test_too_few_another_shape_or_another_wall_is_not():
    assert own_pans(wanted(round_pan(18, 5), 2), [(round_pan(18, 5), 1)]) is None
    assert own_pans(wanted(round_pan(18, 5)), [(SQUARE, 1)]) is None
    assert own_pans(wanted(round_pan(18, 5)), [(round_pan(20, 5), 1)]) is None
    assert own_pans(wanted(round_pan(18, 5)), [(round_pan(18, 7.5), 1)]) is None
    assert own_pans([], [(SQUARE, 1)]) is None


def test_the_nearest_wall_is_taken_and_no_pan_twice():
    rack = [(round_pan(18, 6.5), 1), (round_pan(18, 5), 1)]
    assert own_pans(wanted(round_pan(18, 5)), rack) == [(1, 1)]
    two = [*wanted(round_pan(18, 5)), *wanted(round_pan(18, 5.2))]
    assert own_pans(two, rack) == [(1, 1), (0, 1)]
    assert own_pans(two, rack[1:]) is None


def test_wells_are_counted_over_trays():
    assert own_pans(wanted(wells_pan(12), 18), [(wells_pan(12), 2)]) == [(0, 18)]
    assert own_pans(wanted(wells_pan(12), 18), [(wells_pan(12), 1)]) is None
