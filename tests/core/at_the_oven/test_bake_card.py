"""The bake card: signs, steps, phases on the clock, leaving, cautions where they belong."""

from __future__ import annotations

import dataclasses

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.at_the_oven.card import bake_card
from entremet.core.at_the_oven.cautions import CardStep, cautions_of
from entremet.core.at_the_oven.signs import SIGNS, SignKind, signs_of
from entremet.core.baking.treatment import Cover
from entremet.core.batter.styles import STYLES, style
from entremet.core.card.card import Card
from entremet.core.card.lines import Component
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.ground.provenance import Origin
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import loads_of
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.pan import PanFinish
from entremet.core.preparing.leaving import LEAVING, leaving_of
from tests.core.conftest import entry, line, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import LOAF, OVEN, RING, SHEET, plan

OWN = entry(round_pan(18), 2)


def card_of(result):
    return bake_card(result, loads_of(oven_items(result.pans), result.oven)[0])


def celsius(value: float) -> Setting:
    return Setting(value=value, scale=Scale.CELSIUS)


def test_every_style_has_signs_with_a_source():
    assert set(SIGNS) == {one.like for one in STYLES.values()}
    for signs in SIGNS.values():
        assert len(signs) >= 2
        assert all(one.text and one.source for one in signs)
        assert any(one.kind is SignKind.SKEWER for one in signs)


def test_the_recipes_own_signs_come_first():
    signs = signs_of(make_card(signs=("the middle trembles",)))
    assert [(one.kind, one.text) for one in signs] == [
        (SignKind.RECIPE, "the middle trembles")]


def test_never_a_time_without_a_window_a_first_look_and_a_sign():
    result = plan(make_card(stated=None), OWN, entry(wells_pan(), 12), entry(LOAF, 1))
    card = card_of(result)
    assert card.signs
    assert len(card.pans) == 3
    for one in result.pans:
        window = one.bake.window
        assert 0 < window.first_look_min < window.likely_min < window.latest_min


@given(st.floats(300, 900), st.floats(0.1, 0.9))
def test_phases_on_the_clock_follow_one_another_and_a_sign_ends_the_last(grams, share):
    phases = (Phase(setting=celsius(190), minutes=40 * share),
              Phase(setting=celsius(170), minutes=40 * (1 - share), covered=True))
    result = plan(make_card(phases=phases, stated=None),
                  entry(round_pan(18), 1, rule=PanRule(kind=Rule.GRAMS, grams=grams)))
    first, last = card_of(result).pans[0].phases
    assert first.from_min == 0
    assert first.to_min == last.from_min
    assert last.to_min is None
    likely = result.pans[0].bake.window.likely_min
    assert first.to_min == pytest.approx(share * likely, abs=0.51)


def test_what_to_do_when_it_is_not_done():
    one = card_of(plan(make_card(), OWN)).pans[0]
    assert one.give_min == 4
    assert one.not_done.startswith("Not done: 4 min more")
    assert "foil" in one.too_dark
    covered = card_of(plan(make_card(), OWN, cover=Cover.WHOLE)).pans[0]
    assert covered.too_dark == ""


def test_deep_pans_stand_low_and_thin_ones_in_the_middle():
    deep = entry(round_pan(20, 12), 1, rule=PanRule(kind=Rule.GRAMS, grams=1900))
    assert card_of(plan(make_card(), deep)).pans[0].shelf == "lower third"
    assert card_of(plan(make_card(), OWN)).pans[0].shelf == "middle shelf"
    counter = dataclasses.replace(OVEN, kind=OvenKind.COUNTER)
    assert card_of(plan(make_card(), OWN, oven=counter)).pans[0].shelf == "lowest shelf"
    both = dataclasses.replace(OVEN, shelf_cm=(45, 36), shelves=2)
    assert card_of(plan(make_card(), entry(round_pan(18), 4), oven=both)).pans[0].shelf == (
        "upper shelf and lower shelf")


TUBE = pan_from(PanMeasures(outline=OutlineName.RING, across=25, tube=8, wall_cm=10),
                label="tube")


@pytest.mark.parametrize(("changes", "pan", "words"), [
    ({}, round_pan(18), "turn out onto a rack"), ({}, RING, "turn out while still warm"),
    ({}, SHEET, "lift out by its paper"), ({}, wells_pan(), "lift out onto a rack"),
    ({"style": style("foam")}, TUBE, "upside down"),
    ({"cooling": "cool in the pan"}, RING, "cool in the pan"),
])
def test_a_cake_leaves_its_pan_as_its_kind_and_the_card_ask(changes, pan, words):
    assert words in leaving_of(make_card(**changes), pan, OVEN).words


def test_standing_is_given_by_the_card_and_else_assumed():
    assert leaving_of(make_card(stand_min=12.0), RING, OVEN).stand_min.origin is Origin.GIVEN
    assumed = leaving_of(make_card(), RING, OVEN).stand_min
    assert assumed.origin is Origin.ASSUMED
    assert assumed.value == LEAVING["ring"].minutes.value


def texts(result, step=None):
    return " ".join(one.text for one in cautions_of(result) if step in (None, one.step))


def test_a_plain_bake_carries_the_ovens_caution_and_no_other():
    result = plan(make_card(), OWN)
    assert [one.step for one in cautions_of(result)] == [CardStep.IN]
    assert "manual" in texts(result)


STEAM = dataclasses.replace(OVEN, kind=OvenKind.STEAM)
HOB = dataclasses.replace(OVEN, kind=OvenKind.HOB)
GAS = dataclasses.replace(OVEN, kind=OvenKind.GAS)
SUGAR_BELOW = (*make_card().lines, line(
    50, "Caramel sugar", 80, "g", "80 g", "caster_sugar", component=Component.BASE_LAYER))
GLASS = dataclasses.replace(round_pan(18), finish=PanFinish.GLASS)


@pytest.mark.parametrize(("card", "pan", "oven", "treatment", "step", "words"), [
    ({}, round_pan(18), STEAM, {}, CardStep.IN, "Steam scalds"),
    ({}, round_pan(18), HOB, {}, CardStep.IN, "heated dry"),
    ({}, round_pan(18), GAS, {}, CardStep.HEAT, "Gas"),
    ({"lines": SUGAR_BELOW}, round_pan(18), OVEN, {}, CardStep.OUT, "Hot sugar"),
    ({}, GLASS, OVEN, {}, CardStep.HEAT, "Glass"),
    ({}, round_pan(18), OVEN, {"finish": PanFinish.SILICONE}, CardStep.HEAT, "Silicone"),
    ({}, round_pan(18), OVEN, {"strips": True}, CardStep.HEAT, "Strips"),
    ({}, round_pan(18), OVEN, {"cover": Cover.LATE}, CardStep.IN, "Foil"),
])
def test_each_danger_has_its_caution_at_its_step_and_nowhere_else(card, pan, oven, treatment,
                                                                  step, words):
    result = plan(make_card(**card), entry(pan, 2), oven=oven, **treatment)
    assert words in texts(result, step)
    others = [one for one in CardStep if one is not step]
    assert all(words not in texts(result, other) for other in others)
    assert words not in texts(plan(make_card(), OWN))


def test_steam_and_hob_get_no_caution_of_an_oven():
    for oven in (STEAM, HOB):
        assert "stand aside when the door" not in texts(plan(make_card(), OWN, oven=oven))


def test_a_card_holds_so_many_phases_and_no_more():
    with pytest.raises(Exception, match="phases"):
        Card(title="x", phases=tuple(Phase(minutes=1) for _ in range(13)))
