"""Tiers: each on a board of its own width, what stands on it, and the whole as it is driven."""

from __future__ import annotations

import pytest

from entremet.core.card.finish import Finishing
from entremet.core.dressing.cakes import CakeKind
from entremet.core.finished.supports import (
    Support,
    Tier,
    box_for,
    load_findings,
    stacked_of,
    supports_of,
)
from entremet.core.labelling.allergens import REGIONS
from entremet.core.labelling.goes_in import inside
from entremet.core.labelling.label import WantedLabel, make_label
from tests.core.conftest import entry, round_pan, wells_pan
from tests.core.finished.test_finish import finished
from tests.core.labelling.labels import MADE_ON, PACKETS, made

TWO_TIERS = (entry(round_pan(25, label="Round 25"), 2), entry(round_pan(15, label="Round 15"), 2))


def tier(wide, mass_g=2000.0, **more):
    return Tier(**{"label": f"Round {wide:g}", "wide_cm": wide, "width_cm": wide + 1.4,
                   "height_cm": 9.0, "high_cm": 10.0, "mass_g": mass_g, **more})


def test_an_upper_tier_stands_on_a_board_of_its_own_width_never_wider_than_it():
    done = finished(*TWO_TIERS, tiers=True)
    foot, crown = done.cakes
    assert foot.board_cm > foot.width_cm
    assert crown.board_cm <= crown.dressed.cake.outline.widest() < crown.width_cm
    assert crown.board_cm == done.supports[0].board_cm == 14.0
    apart = finished(*TWO_TIERS)
    assert apart.cakes[1].board_cm > apart.cakes[1].width_cm


def test_the_stacked_whole_has_a_height_a_weight_and_a_box():
    done = finished(*TWO_TIERS, tiers=True)
    foot, crown = done.cakes
    whole = done.stacked
    assert whole.tiers == ("Round 25", "Round 15")
    assert whole.height_cm == pytest.approx(foot.height_cm + 0.3 + crown.high_cm)
    assert whole.width_cm == foot.width_cm
    assert whole.mass_g == pytest.approx(foot.mass_g + crown.mass_g)
    assert whole.box_cm == box_for(whole.height_cm) >= whole.height_cm + 3.2
    assert finished(*TWO_TIERS).stacked is None
    assert finished(entry(round_pan(20), 2), tiers=True).stacked is None


def test_each_set_of_supports_says_all_that_stands_on_it():
    found = supports_of([tier(15, 1000.0), tier(25, 4000.0), tier(20, 2500.0)])
    assert [(one.tier, one.above, one.load_g) for one in found] == [
        ("Round 25", "Round 20", 3500.0), ("Round 20", "Round 15", 1000.0)]


@pytest.mark.parametrize(("above", "count"), [(14, 5), (15, 5), (18, 6), (20, 6), (25, 8), (38, 8),
                                              (40, 12), (45, 12)])
def test_more_supports_stand_under_a_wider_tier(above, count):
    assert supports_of([tier(60), tier(above)])[0].count == count


@pytest.mark.parametrize(("load_g", "told"), [(4999.0, False), (5001.0, True)])
def test_over_five_kilograms_on_one_set_is_said(load_g, told):
    one = Support(tier="Round 30", above="Round 25", count=8, height_cm=9, circle_cm=21,
                  board_cm=24.5, load_g=load_g)
    found = load_findings([one])
    assert bool(found) is told
    if told:
        assert "5.0 kg stand on its supports" in found[0].text


def test_three_heavy_tiers_are_warned_of_in_a_finish():
    rows = [entry(round_pan(wide, 7.5, label=f"Round {wide}"), 3) for wide in (35, 28, 20)]
    done = finished(*rows, tiers=True)
    assert "tier_heavy" in {one.code for one in done.findings}
    assert "tier_heavy" not in {one.code for one in finished(*rows).findings}


def test_the_widest_is_the_foot_whatever_the_order_they_are_chosen_in():
    assert stacked_of([tier(15), tier(25)]).tiers == ("Round 25", "Round 15")


def grams(found):
    return {one.key: one.g for one in found.rows}


def test_one_tiered_cake_is_one_label():
    tiered, done = made(*TWO_TIERS, finishing=Finishing(tiers=True))
    plan, apart = made(*TWO_TIERS)
    whole = grams(inside(tiered, done, done.cakes[0]))
    assert whole == grams(inside(tiered, done, done.cakes[1]))
    each = [grams(inside(plan, apart, one)) for one in apart.cakes]
    for key, weight in whole.items():
        assert weight == pytest.approx(sum(one[key] for one in each)), key
    label = make_label(tiered, done, done.cakes[1], WantedLabel(title="Tiers", made_on=MADE_ON),
                       packets=PACKETS, region=REGIONS["eu"])
    assert label.net_g.value == pytest.approx(done.stacked.mass_g)


def test_cupcakes_beside_tiers_have_a_label_of_their_own():
    plan, done = made(*TWO_TIERS, entry(wells_pan(), 12), finishing=Finishing(tiers=True))
    small = next(one for one in done.cakes if one.dressed.cake.kind is CakeKind.SMALL)
    assert done.whole_of(small) == (small,)
    assert len(done.whole_of(done.cakes[0])) == 2
    assert grams(inside(plan, done, small))["plain_flour"] < 30


def hands(done):
    return {one.key: one.hands_min for one in done.steps}


def test_small_cakes_are_not_coated_nor_charged_as_cakes():
    three = hands(finished(entry(round_pan(15), 3)))
    with_four = hands(finished(entry(round_pan(15), 3), entry(wells_pan(), 4)))
    for key in ("level", "filling", "crumb", "coat"):
        assert with_four[key] == three[key], key
    assert with_four["swirl"] == pytest.approx(8 * (4 / 12) ** 0.8)


def test_two_dozen_swirls_take_a_quarter_of_an_hour():
    assert 12 <= hands(finished(entry(wells_pan(), 24)))["swirl"] <= 16


def test_only_what_is_split_or_trimmed_is_levelled():
    assert "level" not in hands(finished(entry(wells_pan(), 12)))
