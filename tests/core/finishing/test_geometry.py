"""What lies between, on and round a cake: worked values, laws, and the geometry library beside."""

from __future__ import annotations

import math

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from shapely.geometry import Polygon as ShapelyPolygon

from entremet.core.card.finish import Profile
from entremet.core.finishing.coats import (
    Body,
    border_count,
    border_ml,
    coat_ml,
    cover_disc_cm,
    dam_ml,
    drip_ml,
    filling_ml,
    glaze_ml,
)
from entremet.core.finishing.cooling import cooling_min
from entremet.core.finishing.levelling import dome_ml, edge_height_cm
from entremet.core.finishing.offsets import area_cm2, edge_cm, ring_inside_cm2
from entremet.core.finishing.practice import PRACTICE, practice
from entremet.core.finishing.sloped import Slab, SlopedCut, carve, marks, sloped_coat_ml
from entremet.core.ground.errors import ImpossibleChoice, UnknownReference
from entremet.core.pans.outlines import Rectangle, Ring, Round
from entremet.core.pans.shapes import Heart, Oval

ROUND_20 = Round(diameter=20)
SQUARE_20 = Rectangle(length=20, width=20)
RING = Ring(outer=25, tube=7.5)
CAKE = Body(outline=ROUND_20, height_cm=8.4)
COATED = CAKE.coated(top_cm=0.65, side_cm=0.65)


def test_two_rounds_stacked_with_one_join():
    assert pytest.approx(CAKE.height_cm) == 2 * 3.8 + 0.8
    assert CAKE.side_cm2 == pytest.approx(527.8, abs=0.05)
    assert filling_ml(ROUND_20, 0.8) == pytest.approx(251.3, abs=0.05)
    assert dam_ml(ROUND_20, 0.8, 1.0) == pytest.approx(47.8, abs=0.05)
    assert filling_ml(ROUND_20, 0.8, dam_cm=1.0) == pytest.approx(203.6, abs=0.05)
    assert ring_inside_cm2(SQUARE_20, 1) * 0.8 == pytest.approx(60.8)


def test_domes_by_outline():
    assert dome_ml(ROUND_20, 1.2) == pytest.approx(188.5, abs=0.05)
    assert dome_ml(SQUARE_20, 1.2) == pytest.approx(213.3, abs=0.05)
    assert dome_ml(RING, 1.0) == pytest.approx(RING.area() * 2 / 3)
    assert edge_height_cm(4.2, ROUND_20, 1.2) == pytest.approx(3.6)
    for wrong in (-0.1, 9, math.nan):
        with pytest.raises(ImpossibleChoice):
            dome_ml(ROUND_20, wrong)


def test_coats_by_both_edges():
    assert coat_ml(CAKE, top_cm=0.15, side_cm=0.15) == pytest.approx(128.3, abs=0.05)
    crumbed = CAKE.coated(top_cm=0.15, side_cm=0.15)
    assert coat_ml(crumbed, top_cm=0.5, side_cm=0.5) == pytest.approx(457.5, abs=0.05)
    ring = Body(outline=RING, height_cm=8)
    assert coat_ml(ring, top_cm=0.5, side_cm=0.5) == pytest.approx(657.3, abs=0.05)


def test_drip_border_cover_and_glaze():
    top, down, count = drip_ml(COATED, length_cm=4, pitch_cm=2.5)
    assert (round(top), round(down), count) == (89, 32, 27)
    assert drip_ml(COATED, length_cm=4, pitch_cm=2.5, glazed=True)[0] == 0
    ring_only = drip_ml(COATED, length_cm=4, pitch_cm=2.5, edge_ring=True)[0]
    assert ring_only == pytest.approx(top / 2)
    assert border_count(COATED, 3) == 19
    assert border_ml(19, 3, tall=True) == pytest.approx(19 * 0.33 * 27)
    assert cover_disc_cm(COATED) == pytest.approx(44.4, abs=0.05)
    assert glaze_ml(CAKE) == pytest.approx(ROUND_20.area() * 0.2 + 527.8 * 0.12, abs=0.1)


def test_carved_and_sloping():
    stack = [Slab(radius_cm=r / 2, height_cm=5) for r in (20, 23, 25, 25)]
    taper = SlopedCut(profile=Profile.TAPER, foot_cm=15, top_cm=24, height_cm=20)
    found = carve(tuple(stack), taper)
    assert found.stack_ml == pytest.approx(8557, abs=1)
    assert found.kept_ml == pytest.approx(6079, abs=1)
    assert found.missing == ()
    assert sloped_coat_ml(taper, 0.5) == pytest.approx(893, abs=1)
    short = SlopedCut(profile=Profile.TAPER, foot_cm=20, top_cm=23, height_cm=5)
    assert sloped_coat_ml(short, 0.5) == pytest.approx(410, abs=0.6)
    wide = carve(tuple(stack), SlopedCut(profile=Profile.TAPER, foot_cm=22, top_cm=22,
                                         height_cm=24))
    assert wide.missing[0][0] == 0
    assert wide.missing[-1] == (20, 24)
    assert marks(taper, every_cm=5)[0] == (0, 15)
    assert marks(taper, every_cm=5)[-1] == (20, 24)


@pytest.mark.parametrize("profile", list(Profile))
@given(foot=st.floats(min_value=6, max_value=30), high=st.floats(min_value=4, max_value=30))
def test_kept_and_trimmed_are_the_stack(profile, foot, high):
    stack = [Slab(radius_cm=12, height_cm=6), Slab(radius_cm=12, height_cm=0.8, cake=False),
             Slab(radius_cm=10, height_cm=6)]
    found = carve(tuple(stack), SlopedCut(
        profile=profile, foot_cm=foot, top_cm=foot / 2, height_cm=high,
        drawn=((0.0, foot), (high / 2, foot / 3), (high, foot / 2))))
    assert 0 <= found.kept_ml <= found.stack_ml * (1 + 1e-3)
    assert found.kept_ml + found.trimmed_ml == pytest.approx(found.stack_ml, rel=1e-3)


def test_a_ball_is_a_ball():
    ball = SlopedCut(profile=Profile.BALL, foot_cm=16, top_cm=0, height_cm=16)
    found = carve((Slab(radius_cm=10, height_cm=16),), ball)
    assert found.kept_ml == pytest.approx(4 / 3 * math.pi * 8**3, rel=2e-3)


@pytest.mark.parametrize("outline", [ROUND_20, SQUARE_20, Oval(length=26, width=18)])
@pytest.mark.parametrize("by", [0.2, 0.65, 2.0])
def test_steiner_agrees_with_the_geometry_library(outline, by):
    shape = ShapelyPolygon(outline.points(720)[0])
    assert area_cm2(outline, by) == pytest.approx(shape.buffer(by, quad_segs=32).area, rel=5e-3)


@given(by=st.floats(min_value=0, max_value=3), more=st.floats(min_value=0.01, max_value=1))
def test_an_outline_only_grows_outwards_and_shrinks_inwards(by, more):
    for outline in (ROUND_20, SQUARE_20, RING, Heart(width=20)):
        assert area_cm2(outline, by + more) > area_cm2(outline, by)
        assert area_cm2(outline, -by - more) <= area_cm2(outline, -by) + 1e-9
        assert edge_cm(outline, by) > 0


@given(s=st.floats(min_value=0.5, max_value=3), t=st.floats(min_value=0.1, max_value=1))
def test_scaling_every_length_scales_areas_and_volumes(s, t):
    small, large = ROUND_20, Round(diameter=20 * s)
    assert area_cm2(large, t * s) == pytest.approx(area_cm2(small, t) * s**2)
    one = Body(outline=small, height_cm=8)
    other = Body(outline=large, height_cm=8 * s)
    assert coat_ml(other, top_cm=t * s, side_cm=t * s) == pytest.approx(
        coat_ml(one, top_cm=t, side_cm=t) * s**3)


@given(thick=st.floats(min_value=0.1, max_value=2), more=st.floats(min_value=0.01, max_value=1),
       dam=st.floats(min_value=0, max_value=3))
def test_more_thickness_never_takes_less(thick, more, dam):
    assert filling_ml(ROUND_20, thick + more, dam_cm=dam) >= filling_ml(
        ROUND_20, thick, dam_cm=dam)
    assert coat_ml(CAKE, top_cm=thick + more, side_cm=thick) > coat_ml(
        CAKE, top_cm=thick, side_cm=thick)
    inside = filling_ml(ROUND_20, thick, dam_cm=dam) + dam_ml(ROUND_20, thick, dam)
    assume(dam < 10)
    assert inside == pytest.approx(filling_ml(ROUND_20, thick))


def test_cooling_by_the_law():
    surface = 2 * math.pi * 81 + math.pi * 18 * 3.78
    assert cooling_min(mass_g=468, surface_cm2=surface, half_cm=1.89) == pytest.approx(90, abs=0.5)
    assert cooling_min(mass_g=468, surface_cm2=surface, half_cm=1.89, air_c=4) == pytest.approx(
        48, abs=0.6)
    assert cooling_min(mass_g=468, surface_cm2=surface, half_cm=1.89, air_c=28) is None


def test_every_practice_has_its_range_and_an_unknown_one_is_refused():
    assert all(row.low < row.high and row.source for row in PRACTICE.values())
    with pytest.raises(UnknownReference):
        practice("density_moonshine")


@pytest.mark.parametrize("by", [math.nan, 31, -31])
def test_no_edge_moves_out_of_the_kitchen(by):
    with pytest.raises(ImpossibleChoice):
        area_cm2(ROUND_20, by)


@pytest.mark.parametrize("changes", [{"foot_cm": 0}, {"height_cm": math.inf}, {"top_cm": -1}])
def test_a_profile_that_cannot_be_is_refused_at_its_field(changes):
    sizes = {"foot_cm": 15.0, "top_cm": 10.0, "height_cm": 12.0} | changes
    with pytest.raises(ImpossibleChoice) as refused:
        SlopedCut(profile=Profile.TAPER, **sizes)
    assert refused.value.field.endswith(next(iter(changes)))
