"""What the inside of the cakes of a fit foretells to who finishes them."""

from __future__ import annotations

from dataclasses import replace

from entremet.core.at_the_oven.insides import highest_dome
from entremet.core.ovens.settings import OvenKind
from tests.core.conftest import entry, make_card, round_pan
from tests.core.plan.test_plan import OVEN, plan

NARROW, WIDE = round_pan(18), round_pan(30)


def test_the_dome_to_reckon_with_is_of_the_pan_that_domes_most():
    both = highest_dome(plan(make_card(), entry(NARROW, 1), entry(WIDE, 1)))
    assert both == highest_dome(plan(make_card(), entry(WIDE, 1), entry(NARROW, 1)))
    assert both.dome_cm == 0.3
    assert "an estimate" in both.text


def test_cakes_that_stay_flat_or_cannot_be_followed_get_words_and_no_number():
    flat = highest_dome(plan(make_card(), entry(NARROW, 2)))
    assert flat.dome_cm is None
    assert "stay about flat" in flat.text
    steamed = highest_dome(plan(make_card(), entry(NARROW, 2),
                                oven=replace(OVEN, kind=OvenKind.STEAM)))
    assert steamed.dome_cm is None
    assert "can be followed" in steamed.text
