"""Cakes of a wanted size, drawn profiles, and the pans that cover them."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.batter.styles import style
from entremet.core.card.finish import Carving, Finishing, Profile, ProfilePoint
from entremet.core.dressing.sized import Thing, cut_g, enlarged, pans_for_cut
from entremet.core.finished.finish import finish
from entremet.core.finishing.sloped import Slab, SlopedCut, carve, marks, sloped_coat_ml
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.provenance import Origin
from entremet.core.pans.outlines import Rectangle
from entremet.core.pans.pan import straight
from tests.core.conftest import entry, round_pan
from tests.core.dressing.test_growing import OWN, plan_of

CREAMED = style("creamed")
SHEET = straight("Sheet 33 × 23", Rectangle(length=33, width=23), 5)
RACK = [round_pan(15, 7.5), round_pan(20, 5), round_pan(25, 7.5), SHEET]
MATCHBOX = Thing(length_cm=5, width_cm=3.5, height_cm=1.5)


def test_a_thing_enlarged_by_a_factor_or_to_a_length_is_the_same_cake():
    by_factor = enlarged(MATCHBOX, style=CREAMED, rack=RACK, factor=6)
    to_length = enlarged(MATCHBOX, style=CREAMED, rack=RACK, length_cm=30)
    assert by_factor == to_length
    assert (by_factor.size.length_cm, by_factor.size.width_cm, by_factor.size.height_cm) == (
        30, 21, 9)
    # 30 × 21 × 9 cm risen 1.x times from batter of its own density.
    raw = 30 * 21 * 9 / CREAMED.rise.value * CREAMED.density.value
    assert by_factor.kept_g.value == pytest.approx(raw)


def test_a_giant_by_grams_of_batter_weighs_them():
    giant = enlarged(Thing(length_cm=8, width_cm=8, height_cm=1.2, is_round=True), style=CREAMED,
                     rack=RACK, batter_g=1200)
    assert giant.kept_g.value == pytest.approx(1200)
    assert giant.size.width_cm / giant.size.height_cm == pytest.approx(8 / 1.2)


@given(st.floats(0.5, 5.5), st.floats(1.1, 3))
def test_length_times_s_is_batter_times_s_cubed(factor, more):
    one = enlarged(MATCHBOX, style=CREAMED, rack=(), factor=factor + 0.5)
    other = enlarged(MATCHBOX, style=CREAMED, rack=(), factor=(factor + 0.5) * more)
    assert other.kept_g.value == pytest.approx(one.kept_g.value * more**3, rel=1e-6)


def test_layers_are_covered_with_the_least_cut_off_and_carry_what_is_cut():
    cake = enlarged(MATCHBOX, style=CREAMED, rack=RACK, factor=6)
    assert [(one.pan, one.beside) for one in cake.layers] == [(SHEET, 1)] * 2
    assert cake.batter_g.value == pytest.approx(cake.kept_g.value * (33 * 23) / (30 * 21))
    wide = enlarged(MATCHBOX, style=CREAMED, rack=RACK, factor=9)
    assert {one.beside for one in wide.layers} == {3}  # 45 × 31.5: three sheets the short way
    assert wide.batter_g.value == pytest.approx(wide.kept_g.value * 3 * 33 * 23 / (45 * 31.5))


def test_grams_of_a_wanted_size_say_what_they_rest_on():
    cake = enlarged(MATCHBOX, style=CREAMED, rack=RACK, factor=6)
    for figure in (cake.kept_g, cake.batter_g, cake.coat_g):
        assert figure.origin is Origin.WORKED_OUT
        assert figure.assumptions


def test_what_no_pan_covers_is_said_and_nothing_is_made_up():
    huge = enlarged(MATCHBOX, style=CREAMED, rack=[round_pan(20)], factor=6)
    assert [one.pan for one in huge.layers] == [None, None]
    assert huge.batter_g.value == 0
    assert "size_no_pan" in {one.code for one in huge.findings}
    tall = enlarged(Thing(length_cm=5, width_cm=5, height_cm=12), style=CREAMED, rack=RACK,
                    factor=4)
    assert "size_tall" in {one.code for one in tall.findings}


@pytest.mark.parametrize("said", [{}, {"factor": 2.0, "batter_g": 800.0}, {"factor": 0.0},
                                  {"factor": 1000.0}, {"batter_g": -1.0}])
def test_a_size_that_is_none_names_its_field(said):
    with pytest.raises(ImpossibleChoice) as refused:
        enlarged(MATCHBOX, style=CREAMED, rack=RACK, **said)
    assert refused.value.field in ("factor", "batter_g")


def test_a_thing_has_measures():
    with pytest.raises(ImpossibleChoice):
        Thing(length_cm=0, width_cm=3, height_cm=1)


def test_a_carved_shape_is_cut_from_the_smallest_rounds_that_cover_it():
    taper = SlopedCut(profile=Profile.TAPER, foot_cm=24, top_cm=13, height_cm=10)
    lower, upper = pans_for_cut(taper, style=CREAMED, rack=RACK)
    assert (lower.pan.label, upper.pan.label) == ("Round 25", "Round 20") or (
        lower.wide_cm == 24 and upper.wide_cm == pytest.approx(18.5))
    stack = [Slab(radius_cm=one.pan.base.diameter / 2 - 0.3, height_cm=one.height_cm)
             for one in (lower, upper)]
    assert carve(tuple(stack), taper).missing == ()


def test_a_drawn_profile_of_a_straight_line_is_the_taper():
    taper = SlopedCut(profile=Profile.TAPER, foot_cm=15, top_cm=24, height_cm=20)
    drawn = SlopedCut(profile=Profile.DRAWN, foot_cm=15, top_cm=24, height_cm=20,
                drawn=((0, 15), (10, 19.5), (20, 24)))
    assert cut_g(drawn, CREAMED) == pytest.approx(cut_g(taper, CREAMED), rel=1e-4)
    # A frustum: π h (R² + R r + r²) / 3, baked, weighed as the batter it was.
    baked_ml = math.pi * 20 * (12**2 + 12 * 7.5 + 7.5**2) / 3
    assert cut_g(taper, CREAMED) == pytest.approx(
        baked_ml * CREAMED.density.value / CREAMED.rise.value, rel=1e-3)
    assert sloped_coat_ml(drawn, 0.5) == pytest.approx(sloped_coat_ml(taper, 0.5), rel=1e-3)


def test_a_waist_is_cut_where_it_is_drawn():
    vase = ((0.0, 18.0), (5.0, 10.0), (10.0, 18.0))
    cut = SlopedCut(profile=Profile.DRAWN, foot_cm=18, top_cm=18, height_cm=10, drawn=vase)
    kept = carve((Slab(radius_cm=10, height_cm=10),), cut).kept_ml
    cone = math.pi / 12 * 5 * (18**2 + 18 * 10 + 10**2)
    assert kept == pytest.approx(2 * cone, rel=1e-3)
    assert cut.widest_cm(4, 6) == pytest.approx(11.6)
    assert marks(cut, every_cm=2) == list(vase)  # the knife follows what was drawn
    assert len(marks(replace(cut, profile=Profile.TAPER), every_cm=2)) == 6


@pytest.mark.parametrize("drawn", [((0, 5),), ((1, 5), (5, 5)), ((0, 5), (5, 5), (4, 6)),
                                   ((0, 5), (5, -1)), ((0, 5), (5, 500)), ((0, 5), (0.5, 5)),
                                   ((0, 5), (float("nan"), 5))])
def test_a_profile_that_cannot_be_names_its_field(drawn):
    with pytest.raises(ImpossibleChoice) as refused:
        Carving(profile=Profile.DRAWN, drawn=tuple(
            ProfilePoint(up_cm=up, wide_cm=wide) for up, wide in drawn))
    assert refused.value.field == "finishing.carve.drawn"


def test_a_profile_to_be_drawn_starts_as_the_stack_stands():
    done = finish(plan_of(*OWN, finishing=Finishing(carve=Carving(profile=Profile.DRAWN))),
                  rack=RACK)
    cake = done.cakes[0]
    carved = cake.dressed.carved
    assert carved.kept_g == pytest.approx(cake.dressed.cake.mass_g, rel=0.01)
    assert len(carved.cut.drawn) == 5
    assert all(layer.pan is not None for layer in cake.cover)


def test_a_finished_cake_is_cut_on_its_finished_top():
    done = finish(plan_of(entry(round_pan(20, 7.5), 2), portion="dessert")).cakes[0]
    assert done.serving.outline.diameter == pytest.approx(done.width_cm)
    assert done.serving.cut.pieces == len(done.serving.cut.lines)
    assert done.serving.portions.value == done.serving.cut.pieces
    assert any("usual" in one for one in done.serving.portions.assumptions)
    assert "through the middle" in done.serving.words
    large = finish(plan_of(entry(round_pan(30, 7.5), 3), portion="small")).cakes[0].serving
    assert large.cut.pieces > 16
    assert large.words.startswith("Cut the circle first")
