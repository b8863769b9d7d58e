"""Round pans nest on a shelf as a hand lays them, with their air."""

from __future__ import annotations

import math

from hypothesis import given
from hypothesis import strategies as st

from entremet.core.loading.footprints import CLEARANCE_CM, footprint
from entremet.core.loading.nesting import nested
from entremet.core.loading.shelves import lay_out
from tests.core.conftest import round_pan

SHELF = (45.0, 36.0)


def test_three_small_rounds_stand_on_one_shelf():
    room = footprint(round_pan(15))
    laid = lay_out([room] * 3, shelf_cm=SHELF, shelves=1)
    assert laid.left == ()
    assert len(laid.shelves[0]) == 3
    assert len(lay_out([footprint(round_pan(18))] * 3, shelf_cm=SHELF, shelves=1).left) == 1


def test_what_finds_no_room_on_one_shelf_goes_on_the_next():
    laid = lay_out([footprint(round_pan(15))] * 5, shelf_cm=SHELF, shelves=2)
    assert [len(row) for row in laid.shelves] == [3, 2]


@given(st.lists(st.floats(4, 16), min_size=1, max_size=7), st.floats(30, 60), st.floats(25, 45))
def test_nested_pans_never_overlap_and_keep_their_air(radii, width, depth):
    found = nested(list(enumerate(radii)), width_cm=width, depth_cm=depth, air_cm=CLEARANCE_CM)
    assert len({one.item for one in found}) == len(found)
    for place, one in enumerate(found):
        reach = one.radius_cm + CLEARANCE_CM - 1e-6
        assert reach <= one.x_cm <= width - reach
        assert reach <= one.y_cm <= depth - reach
        for other in found[:place]:
            apart = math.hypot(one.x_cm - other.x_cm, one.y_cm - other.y_cm)
            assert apart >= one.radius_cm + other.radius_cm + CLEARANCE_CM - 1e-5


@given(st.floats(5, 12), st.integers(1, 6))
def test_nesting_takes_no_fewer_than_a_grid(radius, count):
    step = 2 * radius + CLEARANCE_CM
    grid = int((SHELF[0] - CLEARANCE_CM) // step) * int((SHELF[1] - CLEARANCE_CM) // step)
    found = nested([(i, radius) for i in range(count)], width_cm=SHELF[0], depth_cm=SHELF[1],
                   air_cm=CLEARANCE_CM)
    assert len(found) >= min(count, grid)
