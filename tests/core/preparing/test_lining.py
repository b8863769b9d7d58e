"""The lining list: sizes a baker cuts by, and what a style asks for."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest

from entremet.core.batter.styles import style
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.ground.quantities import plain
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.pan import PanFinish
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from entremet.core.preparing.lining import Prepare
from tests.core.conftest import base_layer_lines, entry, line, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import LOAF, OVEN, RING, SHEET


def lining(pan, count=1, *, style_key="creamed", lines=None, **choices):
    card = make_card(style=style(style_key), lines=lines or make_card().lines)
    plan = make_plan(card, [entry(pan, count)], request=Request(recipe=1, **choices), oven=OVEN)
    return {one.kind: one for one in plan.pans[0].lining}


def test_a_round_gets_a_round_of_paper_for_each():
    found = lining(round_pan(18), 2)
    assert found[Prepare.PAPER].count == 2
    assert found[Prepare.PAPER].length_cm == pytest.approx(18)
    assert plain(found[Prepare.PAPER].text) == "Cut 2 paper bases: a round of 18 cm."
    assert {Prepare.FAT, Prepare.DUST} <= set(found)
    assert Prepare.STRIP not in found


def test_batter_that_rises_to_the_rim_gets_a_strip_that_stands_above_it():
    found = lining(round_pan(18, 3.5))
    strip = found[Prepare.STRIP]
    assert strip.length_cm == pytest.approx(math.pi * 18 + 2)
    assert strip.width_cm >= 3.5 + 2


def test_a_base_layer_wants_its_wall_lined():
    assert Prepare.STRIP in lining(round_pan(20), lines=base_layer_lines())


def test_a_sloping_wall_is_measured_round_its_rim():
    pan = pan_from(PanMeasures(outline=OutlineName.ROUND, across=18, rim_across=22, wall_cm=3),
                   label="sloping")
    assert lining(pan)[Prepare.STRIP].length_cm == pytest.approx(math.pi * 22 + 2)


def test_a_sheet_gets_one_paper_with_its_corners_cut():
    paper = lining(SHEET)[Prepare.PAPER]
    assert (paper.length_cm, paper.width_cm) == (43, 33)
    assert "snip the corners by 5 cm" in plain(paper.text)


def test_a_loaf_gets_a_sling_to_lift_by():
    paper = lining(LOAF)[Prepare.PAPER]
    slant = math.hypot(6.5, 1)
    assert paper.width_cm == pytest.approx(11 + 2 * slant + 6)
    assert paper.length_cm == 21


def test_a_fluted_ring_gets_fat_in_every_crevice_and_no_paper():
    found = lining(RING)
    assert Prepare.PAPER not in found
    assert "crevice" in found[Prepare.FAT].text
    assert Prepare.DUST in found


@pytest.mark.parametrize(("sugar", "told"), [(200, "Dust with fine sugar"),
                                             (300, "not with sugar")])
def test_a_ring_is_dusted_by_how_sweet_its_batter_is(sugar, told):
    lines = tuple(line(2, "Caster sugar", sugar, "g", f"{sugar} g", "caster_sugar")
                  if one.key == 2 else one for one in make_card().lines)
    assert told in lining(RING, lines=lines)[Prepare.DUST].text


def test_a_non_stick_ring_wants_fat_all_the_same():
    dark = replace(RING, finish=PanFinish.DARK)
    assert "non-stick coat wants it too" in lining(dark)[Prepare.FAT].text
    assert "non-stick" not in lining(RING)[Prepare.FAT].text


def test_a_small_deep_tin_is_told_why_it_gets_a_collar():
    small = lining(round_pan(12, 12), rule=Rule.DEPTH, depth_cm=7)[Prepare.STRIP].text
    assert "keeps the edge of a small deep cake from drying" in small
    large = lining(round_pan(20, 12), rule=Rule.DEPTH, depth_cm=7)[Prepare.STRIP].text
    assert "small deep" not in large


def test_a_foam_climbs_a_bare_wall():
    for pan in (round_pan(20), RING):
        found = lining(pan, style_key="foam")
        assert Prepare.BARE in found
        assert Prepare.FAT not in found


def test_wells_get_cases_of_their_size():
    found = lining(wells_pan(), 9)
    assert found[Prepare.CASES].count == 9
    assert "9 paper cases, 5 cm across the foot and 3.2 cm high" in plain(found[Prepare.CASES].text)


@pytest.mark.parametrize(("style_key", "warned"), [("oil", True), ("creamed", False)])
def test_a_runny_batter_leaks_from_a_loose_base(style_key, warned):
    loose = pan_from(PanMeasures(outline=OutlineName.HEART, across=20, wall_cm=6,
                                 loose_base=True), label="heart")
    assert (Prepare.LEAK in lining(loose, style_key=style_key)) is warned


@pytest.mark.parametrize(("pan", "wrapped"), [
    (round_pan(18), False), (round_pan(25), True), (round_pan(36), True),
    (round_pan(36, finish=PanFinish.SILICONE), False), (SHEET, False),
])
def test_wide_pans_are_offered_strips_round_the_outside(pan, wrapped):
    assert (Prepare.WRAP in lining(pan)) is wrapped


def test_deep_batter_is_offered_strips_too():
    found = lining(round_pan(15, 12), rule=Rule.DEPTH, depth_cm=6)
    assert found[Prepare.WRAP].text.startswith("Deep")
    assert found[Prepare.WRAP].length_cm == pytest.approx(math.pi * 15)


def test_other_outlines_are_cut_to_the_pan_from_a_sheet_that_is_large_enough():
    heart = pan_from(PanMeasures(outline=OutlineName.HEART, across=20, wall_cm=6), label="heart")
    paper = lining(heart)[Prepare.PAPER]
    assert "cut to the pan" in plain(paper.text)
    assert (paper.length_cm, paper.width_cm) == pytest.approx((20, 18.28), abs=0.05)


def test_half_a_ball_and_a_pan_without_measures_are_greased():
    ball = pan_from(PanMeasures(outline=OutlineName.HALF_BALL, across=16), label="ball")
    water = pan_from(PanMeasures(outline=OutlineName.ROUND, capacity_ml=1500), label="pot")
    assert "tip" in lining(ball)[Prepare.DUST].text
    assert set(lining(water)) == {Prepare.FAT}


def test_patted_dough_lies_on_paper():
    dough = pan_from(PanMeasures(outline=OutlineName.ROUND, across=22, wall_cm=2, patted=True),
                     label="dough")
    plan = make_plan(make_card(), [entry(dough, rule=PanRule(kind=Rule.SAME_DEPTH))],
                     request=Request(recipe=1), oven=OVEN)
    assert plan.pans[0].lining[0].length_cm == 26
