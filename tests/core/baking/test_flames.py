"""A lidded pot on the hob: its flame has levels, no degrees, and a bake may go through them."""

from __future__ import annotations

import pytest

from entremet.core.baking.phases import read_phases
from entremet.core.card.recipe import StatedTime
from entremet.core.ground.errors import ImpossibleChoice, ImpossibleRecipe, UnreadableAmount
from entremet.core.ovens.oven import Oven, on_dial
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting, heat_c, nominal_c
from tests.core.conftest import entry, make_card, round_pan
from tests.core.plan.test_plan import OVEN, codes, plan

HOB = Oven(name="pot", kind=OvenKind.HOB, scale=Scale.CELSIUS, step=5, lowest=50, highest=250)
LOW, MEDIUM, HIGH = (Setting(value=level, scale=Scale.FLAME) for level in (1, 2, 3))


def test_a_flame_is_low_medium_or_high():
    assert [one.text for one in (LOW, MEDIUM, HIGH)] == ["low flame", "medium flame", "high flame"]
    assert nominal_c(LOW) < nominal_c(MEDIUM) < nominal_c(HIGH)
    with pytest.raises(UnreadableAmount, match="low, medium or high"):
        Setting(value=4, scale=Scale.FLAME)


def test_the_lowest_flame_is_what_a_pot_on_the_hob_has_without_a_word():
    assert heat_c(LOW, OvenKind.HOB) == HOB.heat_c(None) == 180
    assert on_dial(HOB, 180) is None
    assert HOB.words(None) == "lowest flame, lid on"


@pytest.mark.parametrize(("target", "level"), [(215, 2), (205, 2), (240, 3)])
def test_a_hotter_flame_is_the_level_nearest(target, level):
    found = on_dial(HOB, target)
    assert (found.value, found.scale) == (level, Scale.FLAME)
    assert HOB.words(found).endswith("flame, lid on")


def test_steam_has_no_flame_to_turn():
    steamer = Oven(name="steamer", kind=OvenKind.STEAM, scale=Scale.CELSIUS, step=5, lowest=50,
                   highest=250)
    assert on_dial(steamer, 100) is None
    assert steamer.heat_c(MEDIUM) == 100


def hob_card(**changes):
    return make_card(oven_kind=OvenKind.HOB, setting=None, **{
        "stated": StatedTime(low_min=50, high_min=50),
        "phases": (Phase(setting=MEDIUM, minutes=5), Phase(setting=LOW, minutes=45)), **changes})


def test_a_pot_begun_on_a_medium_flame_gives_back_its_time_and_says_both_flames():
    found = plan(hob_card(), entry(round_pan(18), 2), oven=HOB)
    bake = found.pans[0].bake
    assert bake.window.likely_min == pytest.approx(50)
    assert [HOB.words(step.setting) for step in bake.oven.steps] == [
        "medium flame, lid on", "lowest flame, lid on"]
    assert [step.part.share for step in bake.oven.steps] == pytest.approx([0.1, 0.9])


def test_more_of_the_bake_on_a_hotter_flame_makes_the_recipe_slower_not_the_pan():
    """The stated time holds either way: with more flame in it the batter takes more heat."""
    low = plan(hob_card(phases=()), entry(round_pan(18), 2), oven=HOB)
    hot = plan(hob_card(), entry(round_pan(18), 2), oven=HOB)
    assert hot.source_bake.pace.value > low.source_bake.pace.value
    assert [one.heat_c for one in hot.source_bake.parts] == [215, 180]


def test_a_flame_belongs_to_a_pot_on_the_hob():
    with pytest.raises(ImpossibleRecipe, match="pot on the hob"):
        make_card(setting=MEDIUM)
    with pytest.raises(ImpossibleRecipe, match="pot on the hob"):
        make_card(phases=(Phase(setting=LOW, minutes=10),))
    with pytest.raises(ImpossibleChoice, match="degrees or marks"):
        Oven(name="x", kind=OvenKind.FAN, scale=Scale.FLAME, step=1, lowest=1, highest=3)


def test_an_oven_with_a_dial_has_a_setting():
    with pytest.raises(ImpossibleChoice):
        OVEN.heat_c(None)


def test_a_flamed_recipe_in_an_oven_takes_nothing_of_its_flames():
    found = plan(hob_card(), entry(round_pan(18), 2))
    assert "own_heat_into_oven" in codes(found)
    assert found.pans[0].bake.oven.oven_c == 180


def test_phases_without_a_flame_keep_the_one_before():
    read = read_phases((Phase(setting=MEDIUM, minutes=10), Phase(minutes=40, covered=True)),
                       setting=None, kind=OvenKind.HOB, stated_min=50)
    assert [one.heat_c for one in read.parts] == [215, 215]
