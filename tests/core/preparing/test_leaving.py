"""How a cake leaves its pan: one rule for minutes and words."""

from __future__ import annotations

import pytest

from entremet.core.batter.styles import STYLES
from entremet.core.preparing.leaving import leaving_of
from tests.core.conftest import make_card, round_pan
from tests.core.plan.test_plan import OVEN, RING


@pytest.mark.parametrize(("card", "stands", "words"), [
    ({}, 90, "hang"), ({"stand_min": 10.0}, 10, "turn out"),
    ({"cooling": "turn out"}, 10, "turn out"),
    ({"cooling": "hang upside down until cold"}, 90, "hang"),
    ({"stand_min": 120.0}, 120, "hang"),
])
def test_a_foam_in_a_ring_has_one_way_to_leave_it(card, stands, words):
    foam = next(one for one in STYLES.values() if one.traits.clings)
    left = leaving_of(make_card(style=foam, **card), RING, OVEN)
    assert left.stand_min.value == stands
    assert words in left.words
    assert ("hang" in left.words) is (words == "hang")


def test_a_foam_in_a_flat_pan_waits_until_it_is_cold():
    foam = next(one for one in STYLES.values() if one.traits.clings)
    left = leaving_of(make_card(style=foam), round_pan(20), OVEN)
    assert (left.stand_min.value, "until cold" in left.words) == (60, True)
    short = leaving_of(make_card(style=foam, stand_min=10.0), round_pan(20), OVEN)
    assert "cold" not in short.words
