"""Pans: worked values, and what must hold for every shape."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.ground.errors import ImpossiblePan
from entremet.core.ground.provenance import Origin
from entremet.core.ground.provenance import given as given_figure
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.outlines import Rectangle, Ring, Round
from entremet.core.pans.pan import CapacityPan, Pan, PanKind, straight

LOAF = PanMeasures(outline=OutlineName.LOAF, across=21, width=11, rim_across=23, rim_width=13,
                   wall_cm=6.5)
WELL = PanMeasures(outline=OutlineName.WELLS, across=5, rim_across=7, wall_cm=3.2)


def tapered(base: float, rim: float, wall: float) -> Pan:
    return Pan(label="round", kind=PanKind.FLAT, base=Round(diameter=base),
               rim=Round(diameter=rim), wall_cm=given_figure(wall))


@pytest.mark.parametrize(("pan", "capacity"), [
    (straight("round", Round(diameter=20), 5), 1570.80),
    (tapered(20, 23, 5), 1818.20),
    (straight("square", Rectangle(length=20, width=20, corner=2), 5), 1982.83),
    (pan_from(LOAF, label="loaf"), 1718.17),
    (straight("ring", Ring(outer=25, tube=7.5), 8, kind=PanKind.RING), 3573.56),
    (pan_from(WELL, label="well"), 91.32),
])
def test_capacity_of_worked_cases(pan, capacity):
    assert pan.capacity_ml == pytest.approx(capacity, abs=0.005)


@pytest.mark.parametrize(("pan", "volume", "depth"), [
    (tapered(20, 23, 5), 1200, 3.450), (pan_from(WELL, label="well"), 40, 1.666),
])
def test_depth_of_worked_cases(pan, volume, depth):
    assert pan.depth_cm(volume) == pytest.approx(depth, abs=0.0005)


lengths = st.floats(3, 60)
walls = st.floats(1.5, 20)


@st.composite
def pans(draw: st.DrawFn) -> Pan:
    across, wall, flare = draw(lengths), draw(walls), draw(st.floats(0.8, 1.5))
    width = draw(st.floats(3, 60))
    corner = draw(st.floats(0, min(across, width, across * flare, width * flare) / 2))
    base, rim = draw(st.sampled_from([
        (Round(diameter=across), Round(diameter=across * flare)),
        (Rectangle(length=across, width=width, corner=corner),
         Rectangle(length=across * flare, width=width * flare, corner=corner)),
        (Ring(outer=across, tube=across / 3), Ring(outer=across * max(flare, 1), tube=across / 4)),
    ]))
    return Pan(label="pan", kind=PanKind.FLAT, base=base, rim=rim, wall_cm=given_figure(wall))


@given(pans(), st.floats(0, 1.5))
def test_depth_of_a_volume_gives_the_volume_back(pan, share):
    volume = pan.capacity_ml * share
    assert pan.volume_ml(pan.depth_cm(volume)) == pytest.approx(volume, rel=1e-6, abs=1e-6)


@given(pans(), st.floats(0, 1), st.floats(0, 1))
def test_volume_and_wall_never_shrink_with_depth(pan, one, other):
    low, high = sorted((one * pan.wall_cm.value, other * pan.wall_cm.value))
    assert pan.volume_ml(low) <= pan.volume_ml(high) + 1e-9
    assert pan.wall_area_cm2(low) <= pan.wall_area_cm2(high) + 1e-9


@given(st.floats(5, 50), st.floats(2, 20), st.floats(0.6, 1.6))
def test_lengths_scaled_by_s_scale_area_by_s2_and_volume_by_s3(across, wall, s):
    small = tapered(across, across * 1.2, wall)
    large = tapered(across * s, across * 1.2 * s, wall * s)
    assert large.base_area_cm2 == pytest.approx(small.base_area_cm2 * s**2)
    assert large.capacity_ml == pytest.approx(small.capacity_ml * s**3)


@pytest.mark.parametrize("outline", [
    Round(diameter=18), Rectangle(length=30, width=20, corner=4), Ring(outer=25, tube=8)])
def test_a_polygon_fine_enough_agrees_with_the_closed_form(outline):
    def shoelace(points):
        return abs(sum(x0 * y1 - x1 * y0 for (x0, y0), (x1, y1)
                       in zip(points, (*points[1:], points[0]), strict=True))) / 2
    outer, *holes = outline.points(2000)
    assert shoelace(outer) - sum(map(shoelace, holes)) == pytest.approx(outline.area(), rel=1e-4)


def test_slanted_walls_are_measured_on_the_slant():
    cone = tapered(10, 16, 4)
    assert cone.wall_area_cm2(4) == pytest.approx(math.pi * (5 + 8) * 5)


def test_a_ring_has_the_tube_among_its_walls():
    ring = straight("ring", Ring(outer=22, tube=7), 8, kind=PanKind.RING)
    assert ring.wall_area_cm2(2) == pytest.approx(math.pi * (22 + 7) * 2)


def test_capacity_fixes_the_tube_of_a_ring():
    pan = pan_from(PanMeasures(outline=OutlineName.RING, across=22, wall_cm=8.5, capacity_ml=2400),
                   label="ring")
    assert isinstance(pan, Pan)
    assert pan.base.tube == pytest.approx(math.sqrt(22**2 - 4 * (2400 / 8.5) / math.pi))
    assert pan.capacity_ml == pytest.approx(2400)
    assert pan.perimeter_assumed


def test_capacity_alone_makes_a_pan_that_can_only_be_filled():
    pan = pan_from(PanMeasures(outline=OutlineName.RING, capacity_ml=2400), label="ring")
    assert isinstance(pan, CapacityPan)


def test_capacity_and_a_diameter_give_the_height():
    pan = pan_from(PanMeasures(outline=OutlineName.ROUND, across=20, capacity_ml=1570.8),
                   label="round")
    assert pan.wall_cm.value == pytest.approx(5, rel=1e-4)
    assert pan.wall_cm.origin is Origin.WORKED_OUT


def test_a_missing_wall_of_a_flat_pan_is_assumed_in_the_open():
    pan = pan_from(PanMeasures(outline=OutlineName.ROUND, across=18), label="round 18")
    assert pan.wall_cm.origin is Origin.ASSUMED


@pytest.mark.parametrize(("measures", "field"), [
    (PanMeasures(outline=OutlineName.ROUND, across=20, wall_cm=0), "wall_cm"),
    (PanMeasures(outline=OutlineName.ROUND, across=20, wall_cm=float("nan")), "wall_cm"),
    (PanMeasures(outline=OutlineName.ROUND, across=-3, wall_cm=5), "across"),
    (PanMeasures(outline=OutlineName.ROUND, wall_cm=5), "across"),
    (PanMeasures(outline=OutlineName.RECTANGLE, across=20, wall_cm=5), "width"),
    (PanMeasures(outline=OutlineName.RING, across=20, tube=21, wall_cm=5), "tube"),
    (PanMeasures(outline=OutlineName.RING, across=20, tube=5), "wall_cm"),
    (PanMeasures(outline=OutlineName.SQUARE, across=20, corner=11, wall_cm=5), "corner"),
    (PanMeasures(outline=OutlineName.ROUND, across=20, wall_cm=5, wells=4), "wells"),
    (PanMeasures(outline=OutlineName.RING, across=12, wall_cm=8, capacity_ml=2400), "capacity_ml"),
    (PanMeasures(outline=OutlineName.ROUND, capacity_ml=0), "capacity_ml"),
    (PanMeasures(outline=OutlineName.ROUND, wall_cm=0, capacity_ml=900), "wall_cm"),
])
def test_impossible_measures_name_the_field(measures, field):
    with pytest.raises(ImpossiblePan) as caught:
        pan_from(measures, label="pan")
    assert caught.value.field == field


@pytest.mark.parametrize("share", [1e-9, 1e-6, 1e-3, 0.03, 0.5, 0.9, 1.0])
def test_a_half_ball_gives_back_every_depth_also_of_a_spoonful(share):
    ball = pan_from(PanMeasures(outline=OutlineName.HALF_BALL, across=15), label="ball")
    depth = 7.5 * share
    assert ball.depth_cm(ball.volume_ml(depth)) == pytest.approx(depth, rel=1e-9)


@pytest.mark.parametrize(("outline", "across"), [
    *((outline, None) for outline in (
        OutlineName.LOAF, OutlineName.RECTANGLE, OutlineName.SQUARE, OutlineName.ROUND,
        OutlineName.HEART, OutlineName.HALF_MOON, OutlineName.PETAL, OutlineName.OVAL)),
    (OutlineName.LOAF, 24), (OutlineName.RECTANGLE, 24)])
def test_a_pan_known_by_its_water_holds_just_that_water(outline, across):
    pan = pan_from(PanMeasures(outline=outline, across=across, wall_cm=7, capacity_ml=1800),
                   label="found")
    assert pan.volume_ml(7) == pytest.approx(1800, rel=1e-6)
    assert across is None or pan.base.length == across
