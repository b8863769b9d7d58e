"""A rack without the recipe's own pans: what is like them goes before what merely holds as much."""

from __future__ import annotations

import pytest

from entremet.core.card.recipe import SourcePan
from entremet.core.choosing.own_pans import like_pans, takes_batch
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from tests.core.conftest import round_pan, wells_pan

ROUND_18 = [SourcePan(pan=round_pan(18), count=2)]
SQUARE = pan_from(PanMeasures(outline=OutlineName.SQUARE, across=18, wall_cm=5), label="square")
BARE = pan_from(PanMeasures(outline=OutlineName.ROUND, capacity_ml=1300), label="old tin")


def test_a_kitchen_with_20_cm_rounds_opens_an_18_with_them_and_not_with_a_tray():
    rack = [(wells_pan(), 1), (round_pan(20), 2), (round_pan(23), 2)]
    assert like_pans(ROUND_18, rack) == [(1, 2)]


def test_the_recipes_outline_goes_before_another_of_nearer_size():
    assert like_pans(ROUND_18, [(SQUARE, 2), (round_pan(20), 2)]) == [(1, 2)]
    assert like_pans(ROUND_18, [(SQUARE, 2)]) == [(0, 2)]


@pytest.mark.parametrize(("across", "like"), [(13.5, False), (15, True), (23, True), (24, False)])
def test_a_pan_far_larger_or_smaller_is_not_like_it(across, like):
    assert (like_pans(ROUND_18, [(round_pan(across), 2)]) is not None) is like


def test_as_many_are_owned_as_the_recipe_wants_and_none_is_taken_twice():
    assert like_pans(ROUND_18, [(round_pan(20), 1)]) is None
    both = [SourcePan(pan=round_pan(18), count=1), SourcePan(pan=round_pan(18), count=1)]
    assert like_pans(both, [(round_pan(20), 2), (round_pan(15), 1)]) == [(0, 1), (1, 1)]
    assert like_pans(both, [(round_pan(20), 2)]) is None
    tray = [SourcePan(pan=wells_pan(), count=12)]
    assert like_pans(tray, [(wells_pan(6), 1)]) is None
    assert like_pans(tray, [(wells_pan(6), 2)]) == [(0, 12)]


def test_what_is_known_by_its_water_alone_is_like_nothing():
    assert like_pans([SourcePan(pan=BARE, count=1)], [(round_pan(18), 1)]) is None
    assert like_pans(ROUND_18, [(BARE, 2)]) is None
    assert like_pans([], [(round_pan(18), 1)]) is None


@pytest.mark.parametrize(("across", "takes"), [(15, False), (16, True), (20, True), (21, False)])
def test_the_batch_stays_where_the_area_is_within_a_third(across, takes):
    assert takes_batch(ROUND_18, [round_pan(across)]) is takes
