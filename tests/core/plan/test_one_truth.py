"""What a fit says in one place it says in every other: times, depths, rims, pans that are known."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest

from entremet.core.at_the_oven.view import at_the_oven
from entremet.core.baking.temperature import School
from entremet.core.baking.treatment import Cover
from entremet.core.batter.styles import style
from entremet.core.card.recipe import SourcePan, StatedTime
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.fitting.standing import VerdictCode
from entremet.core.ground.findings import Severity
from entremet.core.ground.quantities import plain
from entremet.core.learning.book import CLOSED_BOOK, Book
from entremet.core.learning.entries import HowDone, Logged
from entremet.core.learning.model import learn
from entremet.core.ovens.settings import OvenKind
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.outlines import Round
from entremet.core.pans.pan import Pan, PanKind, straight
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import OVEN, codes


def plan(card, *entries, book=CLOSED_BOOK, **choices):
    return make_plan(card, entries, request=Request(recipe=1, **choices), oven=OVEN, book=book)


def slow_oven() -> Book:
    """A logbook of an oven that takes a fifth longer than it is said to."""
    return Book(learnt=learn([Logged(oven="range", recipe=f"r{n}", pan="", expected_min=30,
                                     minutes=36, how=HowDone.RIGHT) for n in range(8)]),
                oven="range")


def test_the_temperature_table_says_the_same_time_as_the_bake_card():
    chosen = [entry(round_pan(23), 1)]
    result = make_plan(make_card(), chosen,
                       request=Request(recipe=1, rule=Rule.SAME_DEPTH), oven=OVEN,
                       book=slow_oven())
    assert result.pans[0].bake.expects.factor > 1.1
    view = at_the_oven(result, [], refit=lambda *_: result)
    row = next(one for one in view.schools if one.school is result.school)
    assert row.bake.window.shown == result.pans[0].bake.window.shown
    assert row.bake.oven.setting == result.pans[0].bake.oven.setting


def test_a_stated_range_is_another_ovens_and_one_logged_bake_narrows_it():
    card = make_card(stated=StatedTime(low_min=20, high_min=25))
    before = plan(card, entry(round_pan(18), 2)).pans[0].bake
    assert before.window.shown[1] in (17, 18)
    assert before.window.shown[3] in (29, 30)
    learnt = Book(learnt=learn([Logged(**{
        name: getattr(before.facts, name) for name in before.facts.__dataclass_fields__},
        minutes=22, how=HowDone.RIGHT)]))
    after = plan(card, entry(round_pan(18), 2), book=learnt).pans[0].bake
    assert after.window.latest_min < before.window.latest_min
    assert after.window.early_min > before.window.early_min


@pytest.mark.parametrize(("share", "words"), [
    (1.0, "Same depth as the recipe."), (0.96, "About the recipe's depth: 1.9 cm, 2 cm there.")])
def test_a_depth_within_five_per_cent_is_said_with_both_numbers_where_they_differ(share, words):
    own = plan(make_card(), entry(round_pan(18), 2)).pans[0].standing.batter_cm
    found = plan(make_card(), entry(round_pan(18), 2, rule=PanRule(
        kind=Rule.DEPTH, depth_cm=own * share)))
    assert plain(found.pans[0].verdict.depth) == words


def test_wells_within_five_per_cent_say_how_full_they_are_and_their_recipe():
    tray = wells_pan()
    card = make_card(pans=(SourcePan(pan=tray, count=24),))
    own = plan(card, entry(tray, 24)).pans[0]
    assert own.verdict.depth == "As full as in the recipe."
    less = plan(card, entry(tray, 24, rule=PanRule(kind=Rule.FILL, fill=own.standing.fill * 0.96)))
    assert less.pans[0].verdict.depth.startswith("About as full as in the recipe: ")
    assert less.pans[0].verdict.code is VerdictCode.SAME_DEPTH


def test_batter_that_rises_over_the_rim_a_little_does_not_plainly_fit():
    deep = round_pan(18)
    room = deep.capacity_ml / style("creamed").rise.value / deep.capacity_ml
    def at(share):
        return plan(make_card(), entry(deep, 2, rule=PanRule(
            kind=Rule.FILL, fill=room * share))).pans[0].verdict
    assert at(0.99).overflow == "Fits."
    assert at(1.01).overflow == "Fits, with a crown over the rim."
    assert at(1.06).code is VerdictCode.OVER_RIM


@pytest.mark.parametrize(("grams", "fits"), [(15, False), (21, False), (24, True), (40, True)])
def test_a_well_with_a_spoonful_does_not_fit(grams, fits):
    well = Pan(label="well", kind=PanKind.WELLS, base=Round(diameter=5), rim=Round(diameter=7),
               wall_cm=straight("well", Round(diameter=5), 3.2).wall_cm, wells=12)
    found = plan(make_card(), entry(well, 12, rule=PanRule(kind=Rule.GRAMS, grams=grams)))
    verdict = found.pans[0].verdict
    assert (verdict.overflow == "Fits.") is fits
    if not fits:
        assert verdict.severity is Severity.WARN
        assert "usual" in verdict.overflow


def test_a_thin_layer_is_not_too_thin_in_its_own_pan():
    wide = straight("sheet", Round(diameter=38), 3)
    card = make_card(pans=(SourcePan(pan=wide, count=1),))
    own = plan(card, entry(wide, 1)).pans[0]
    assert own.standing.batter_cm < 1.0
    assert own.verdict.code is VerdictCode.SAME_DEPTH
    thinner = plan(card, entry(wide, 1, rule=PanRule(
        kind=Rule.DEPTH, depth_cm=0.9 * own.standing.batter_cm))).pans[0]
    assert thinner.verdict.code is VerdictCode.TOO_THIN


def told(card, oven=OVEN):
    found = make_plan(card, [entry(round_pan(18), 2)], request=Request(recipe=1), oven=oven)
    return {one.code: one for one in found.findings}


def test_a_pan_that_is_known_is_not_called_unknown():
    none = told(make_card(pans=()))["time_without_pan"]
    assert "a pan that is not known" in none.text
    bare = pan_from(PanMeasures(outline=OutlineName.ROUND, capacity_ml=1300), label="old tin")
    unmeasured = told(make_card(pans=(SourcePan(pan=bare, count=2),)))["time_without_pan"]
    assert "measures are not known" in unmeasured.text
    small = told(make_card(pans=(SourcePan(pan=round_pan(8), count=1),)))["time_without_pan"]
    assert "does not take its batter" in small.text


def test_a_steamed_recipe_in_an_oven_is_told_once_and_its_pan_is_known():
    found = told(make_card(oven_kind=OvenKind.STEAM, setting=None))
    assert "own_heat_into_oven" in found
    assert "time_without_pan" not in found


def strips_at(treatment):
    small = round_pan(15, wall=10)
    found = plan(make_card(), entry(small, 1, rule=PanRule(kind=Rule.GRAMS, grams=900)),
                 temperature=School.SAME_CRUST, **treatment)
    return found.pans[0].bake


@pytest.mark.parametrize("treatment", [{"strips": True}, {"cover": Cover.WHOLE},
                                       {"strips": True, "cover": Cover.LATE}])
def test_strips_and_foil_keep_the_crust_so_the_oven_is_not_lowered_for_them_too(treatment):
    bare, treated = strips_at({}), strips_at(treatment)
    assert treated.oven.setting == bare.oven.setting
    assert treated.window.likely_min > bare.window.likely_min


def test_a_deep_small_pan_with_strips_takes_what_bakers_see_at_that_heat():
    found = strips_at({"strips": True})
    assert found.oven.oven_c >= 150
    assert 75 <= found.window.likely_min <= 95


def test_a_pan_twice_as_deep_reaches_as_late_as_another_witness_says():
    twice = plan(make_card(), entry(round_pan(18, wall=10), 1, rule=PanRule(
        kind=Rule.GRAMS, grams=1040))).pans[0].bake
    ratio = twice.heat.load / plan(make_card(), entry(round_pan(18), 2)).pans[0].bake.heat.load
    assert ratio > 1.6
    near = math.exp(1.6448536 * twice.spread.near)
    assert twice.window.latest_min == pytest.approx(
        twice.window.likely_min * near * (ratio / 1.4) ** 0.63, rel=1e-6)
    assert twice.window.first_look_min == pytest.approx(0.8 * twice.window.likely_min)


def test_what_was_learnt_of_a_recipe_takes_a_foams_reach_away():
    card = replace(make_card(), stated=None)
    wide = plan(card, entry(round_pan(18), 2)).pans[0].bake
    assert wide.spread.late == wide.spread.total
    assert "no_stated_time" in codes(plan(card, entry(round_pan(18), 2)))
