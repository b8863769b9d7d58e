"""Outlines beyond the round and the square: worked values, closed forms, and hostile drawings."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.baking.heat_load import heat_load
from entremet.core.ground.errors import ImpossiblePan
from entremet.core.ground.provenance import given as given_figure
from entremet.core.pans.drawing import drawing_of
from entremet.core.pans.measures import OutlineName, PanMeasures, by_measures_ml, pan_from
from entremet.core.pans.outlines import Outline, Round, blend
from entremet.core.pans.pan import Pan, PanKind, straight
from entremet.core.pans.shapes import Drawn, HalfMoon, Heart, Oval, Petal, Polygon

STAR = tuple((math.cos(turn) * (2 if i % 2 else 1), math.sin(turn) * (2 if i % 2 else 1))
             for i in range(10) for turn in [math.pi * i / 5])
SEVEN = ((0.0, 10.0), (6.0, 10.0), (2.0, 0.0), (0.5, 0.0), (4.0, 8.5), (0.0, 8.5))


def edge(outline: Outline) -> float:
    return sum(face.length_cm for face in outline.faces())


@pytest.mark.parametrize(("outline", "area", "perimeter"), [
    (Heart(width=20), 245.06, 60.24), (Polygon(across=20, sides=6), 346.41, 69.28),
    (Oval(length=25, width=18), 353.43, 68.0), (Polygon(across=20, sides=4), 400, 80),
    (HalfMoon(across=20), 157.08, 51.42),
])
def test_area_and_edge_of_worked_cases(outline, area, perimeter):
    assert outline.area() == pytest.approx(area, abs=0.01)
    assert edge(outline) == pytest.approx(perimeter, rel=1e-3)


def test_a_heart_of_20_is_as_long_as_it_should_be():
    ys = [y for _, y in Heart(width=20).points()[0]]
    xs = [x for x, _ in Heart(width=20).points()[0]]
    assert max(ys) - min(ys) == pytest.approx(18.28, abs=0.01)
    assert max(xs) - min(xs) == pytest.approx(20, abs=0.01)
    assert Heart(width=20).side == pytest.approx(11.716, abs=0.001)


def test_half_a_ball_of_worked_case():
    ball = pan_from(PanMeasures(outline=OutlineName.HALF_BALL, across=15), label="ball")
    assert ball.capacity_ml == pytest.approx(883.57, abs=0.005)
    assert ball.depth_cm(400) == pytest.approx(4.622, abs=0.0005)
    assert (ball.base_area_cm2, ball.kind, ball.wall_cm.value) == (0, PanKind.BALL, 7.5)
    assert ball.wall_area_cm2(7.5) == pytest.approx(2 * math.pi * 7.5**2)
    assert ball.perimeter_cm(7.5) == pytest.approx(math.pi * 15)
    assert heat_load(ball, batter_g=400, batter_ml=420).total > 0


def shoelace(points) -> float:
    return abs(sum(x1 * y2 - x2 * y1 for (x1, y1), (x2, y2) in zip(
        points, (*points[1:], points[0]), strict=True))) / 2


sizes = st.floats(4, 60)


@st.composite
def outlines(draw: st.DrawFn) -> Outline:
    across, other = draw(sizes), draw(sizes)
    return draw(st.sampled_from([
        Oval(length=across, width=other), Heart(width=across),
        Polygon(across=across, sides=draw(st.integers(3, 12))),
        Petal(across=across, petals=draw(st.integers(4, 12))),
        HalfMoon(across=across),
        Drawn(across=across, corners=STAR), Drawn(across=across, corners=SEVEN),
    ]))


@given(outlines())
def test_the_drawn_polygon_agrees_with_the_closed_form(outline):
    drawn = outline.points()[0]
    assert shoelace(drawn) == pytest.approx(outline.area(), rel=0.006)
    around = sum(math.dist(a, b) for a, b in zip(drawn, (*drawn[1:], drawn[0]), strict=True))
    assert around == pytest.approx(edge(outline), rel=0.006)


@given(outlines(), st.floats(0.3, 1.6))
def test_lengths_scaled_by_s_scale_area_by_s2(outline, s):
    def scaled(one: Outline) -> Outline:
        match one:
            case Oval():
                return Oval(length=one.length * s, width=one.width * s)
            case Heart():
                return Heart(width=one.width * s)
            case Polygon():
                return Polygon(across=one.across * s, sides=one.sides)
            case HalfMoon():
                return HalfMoon(across=one.across * s)
            case Petal():
                return Petal(across=one.across * s, petals=one.petals)
            case _:
                return Drawn(across=one.across * s, corners=one.corners)
    try:
        other = scaled(outline)
    except ImpossiblePan:
        return
    assert other.area() == pytest.approx(outline.area() * s**2, rel=1e-9)
    assert edge(other) == pytest.approx(edge(outline) * s, rel=1e-9)
    assert blend(outline, other, 0).area() == pytest.approx(outline.area())
    assert blend(outline, other, 1).area() == pytest.approx(other.area())


@given(outlines(), st.floats(1.5, 20), st.floats(0, 1.4))
def test_depth_of_a_volume_gives_the_volume_back(outline, wall, share):
    pan = straight("pan", outline, wall)
    volume = pan.capacity_ml * share
    assert pan.volume_ml(pan.depth_cm(volume)) == pytest.approx(volume, rel=1e-6, abs=1e-6)
    assert pan.capacity_ml == pytest.approx(outline.area() * wall)


@given(st.floats(6, 60), st.floats(0, 1.3), st.floats(0, 1))
def test_half_a_ball_grows_with_its_depth(across, share, part):
    ball = pan_from(PanMeasures(outline=OutlineName.HALF_BALL, across=across), label="ball")
    volume = ball.capacity_ml * share
    assert ball.volume_ml(ball.depth_cm(volume)) == pytest.approx(volume, rel=1e-6, abs=1e-6)
    low, high = sorted((part * across / 2, share * across / 2))
    assert ball.volume_ml(low) <= ball.volume_ml(high) + 1e-9
    assert ball.area_cm2(low) <= ball.area_cm2(high) + 1e-9
    assert ball.wall_area_cm2(low) <= ball.wall_area_cm2(high) + 1e-9


def test_sloping_walls_of_a_heart_lie_between_base_and_rim():
    pan = pan_from(PanMeasures(outline=OutlineName.HEART, across=18, rim_across=22, wall_cm=5),
                   label="heart")
    flat = [straight("x", Heart(width=w), 5).capacity_ml for w in (18, 22)]
    assert flat[0] < pan.capacity_ml < flat[1]
    assert pan.wall_area_cm2(5) > edge(Heart(width=20)) * 5


@pytest.mark.parametrize(("name", "more"), [
    (OutlineName.OVAL, {}), (OutlineName.OVAL, {"across": 25}), (OutlineName.HEART, {}),
    (OutlineName.POLYGON, {"sides": 8}), (OutlineName.PETAL, {"sides": 6}),
    (OutlineName.DRAWN, {"points": STAR}),
])
def test_a_shape_known_by_its_water_holds_that_water(name, more):
    pan = pan_from(PanMeasures(outline=name, wall_cm=5, capacity_ml=1600, **more), label="pan")
    assert isinstance(pan, Pan)
    assert pan.capacity_ml == pytest.approx(1600)
    assert pan.perimeter_assumed


def test_half_a_ball_is_known_by_its_water_alone():
    ball = pan_from(PanMeasures(outline=OutlineName.HALF_BALL, capacity_ml=883.57), label="ball")
    assert ball.wall_cm.value == pytest.approx(7.5, abs=1e-4)


def test_water_and_measures_can_be_set_side_by_side():
    round_20 = PanMeasures(outline=OutlineName.ROUND, across=20, wall_cm=5, capacity_ml=1500)
    assert by_measures_ml(round_20) == pytest.approx(1570.8, abs=0.01)
    assert by_measures_ml(PanMeasures(outline=OutlineName.ROUND, across=20,
                                      capacity_ml=1500)) is None
    assert by_measures_ml(PanMeasures(outline=OutlineName.RING, capacity_ml=1500)) is None


@pytest.mark.parametrize(("make", "field"), [
    (lambda: Heart(width=0), "width"), (lambda: Heart(width=-3), "width"),
    (lambda: Oval(length=20, width=400), "width"), (lambda: Polygon(across=20, sides=2), "sides"),
    (lambda: Petal(across=20, petals=99), "sides"),
    (lambda: Polygon(across=math.nan, sides=6), "across"),
    (lambda: Drawn(across=20, corners=((0, 0), (1, 1))), "points"),
    (lambda: Drawn(across=20, corners=((0, 0), (4, 4), (4, 0), (0, 4))), "points"),
    (lambda: Drawn(across=20, corners=((0, 0), (1, 0), (2, 0))), "points"),
    (lambda: Drawn(across=20, corners=((0, 0), (1, 0), (1, math.inf))), "points"),
    (lambda: Drawn(across=20, corners=((0, 0), (1, 0), (1, 1e9))), "points"),
    (lambda: Drawn(across=20, corners=STAR * 400), "points"),
    (lambda: Drawn(across=20, corners=((0, 0), (1, 0), (1, 90), (0, 90))), "across"),
    (lambda: Drawn(across=500, corners=STAR), "across"),
])
def test_absurd_and_hostile_outlines_are_refused_by_field(make, field):
    with pytest.raises(ImpossiblePan) as error:
        make()
    assert error.value.field == field


def test_base_and_rim_have_to_be_one_shape():
    for base, rim in ((Heart(width=20), Oval(length=20, width=20)),
                      (Polygon(across=20, sides=6), Polygon(across=20, sides=8)),
                      (Drawn(across=20, corners=STAR), Drawn(across=20, corners=SEVEN))):
        with pytest.raises(ImpossiblePan):
            blend(base, rim, 0.5)
    with pytest.raises(ImpossiblePan):
        Pan(label="ball", kind=PanKind.BALL, base=Round(diameter=20), rim=Round(diameter=20),
            wall_cm=given_figure(5))


@pytest.mark.parametrize("name", [name for name in OutlineName if name is not OutlineName.WELLS])
def test_every_outline_can_be_typed_drawn_and_baked_in(name):
    pan = pan_from(PanMeasures(outline=name, across=20, width=16, tube=6, points=SEVEN,
                               wall_cm=6), label=name.value)
    drawing = drawing_of(pan)
    assert len(drawing.plan[0]) >= 4
    tubes = (drawing.tube_base_cm, drawing.tube_rim_cm)
    assert all(one > 0 for one in tubes) if name is OutlineName.RING else tubes == (0, 0)
    assert heat_load(pan, batter_g=500, batter_ml=540).total > 0


@pytest.mark.parametrize(("outline", "sides"), [(OutlineName.POLYGON, 6), (OutlineName.POLYGON, 5)])
def test_a_sloping_wall_of_flat_sides_is_as_large_as_its_trapezoids(outline, sides):
    pan = pan_from(PanMeasures(outline=outline, across=20, rim_across=24, wall_cm=5, sides=sides),
                   label="sloping")
    foot, rim = (across * math.tan(math.pi / sides) for across in (20, 24))
    assert pan.wall_area_cm2(5) == pytest.approx(
        sides * (foot + rim) / 2 * math.hypot(5, 2), rel=1e-9)


def test_a_sloping_half_moon_lies_between_two_straight_ones():
    straight_20, straight_24, sloping = (pan_from(PanMeasures(
        outline=OutlineName.HALF_MOON, across=across, rim_across=rim, wall_cm=5), label="moon")
        for across, rim in ((20, None), (24, None), (20, 24)))
    assert straight_20.capacity_ml == pytest.approx(math.pi * 20**2 / 8 * 5)
    assert straight_20.capacity_ml < sloping.capacity_ml < straight_24.capacity_ml


def ruled_cm2(foot: Oval, rim: Oval, height: float, slices: int = 200) -> float:
    """Integrate the wall between two ovals laid through points of one angle, by small facets."""
    def at(angle, share):
        return (math.cos(angle) * (foot.length + (rim.length - foot.length) * share) / 2,
                math.sin(angle) * (foot.width + (rim.width - foot.width) * share) / 2,
                height * share)

    area = 0.0
    for i in range(slices):
        for j in range(20):
            one, two, three, four = (
                at(2 * math.pi * (i + a) / slices, (j + b) / 20)
                for a, b in ((0, 0), (1, 0), (1, 1), (0, 1)))
            p = [b - a for a, b in zip(one, three, strict=True)]
            q = [b - a for a, b in zip(two, four, strict=True)]
            area += math.sqrt((p[1] * q[2] - p[2] * q[1]) ** 2 + (p[2] * q[0] - p[0] * q[2]) ** 2
                              + (p[0] * q[1] - p[1] * q[0]) ** 2) / 2
    return area


@pytest.mark.parametrize(("foot", "rim"), [
    ((20, 12), (30, 13)), ((20, 12), (21, 22)), ((18, 18), (30, 19)), ((25, 18), (27, 20))])
def test_an_ovals_wall_is_laid_by_its_true_slant(foot, rim):
    base, top = Oval(length=foot[0], width=foot[1]), Oval(length=rim[0], width=rim[1])
    pan = Pan(label="oval", kind=PanKind.FLAT, base=base, rim=top,
              wall_cm=straight("oval", base, 6).wall_cm)
    assert pan.wall_area_cm2(6) == pytest.approx(ruled_cm2(base, top, 6), rel=0.01)
