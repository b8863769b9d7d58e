"""Traced outlines as SVG: read, refused, and written as a paper template at true scale."""

from __future__ import annotations

import math
import re
from contextlib import suppress
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.formats.svg_outline import _path_points, corners_of_svg, template_svg
from entremet.core.ground.errors import ImpossiblePan, UnreadableOutline
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.shapes import Drawn


def svg(inner: str) -> str:
    return f"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'>{inner}</svg>"


def area(path: str) -> float:
    corners = corners_of_svg(svg(f"<path d='{path}'/>"))
    wide = max(x for x, _ in corners) - min(x for x, _ in corners)
    return Drawn(across=20, corners=corners).area() * (wide / 20) ** 2


@pytest.mark.parametrize(("path", "wanted"), [
    ("M0 0 L10 0 L10 20 L0 20 Z", 200), ("M0,0 10,0 10,20 0,20z", 200),
    ("m5 5 h10 v20 h-10 z", 200), ("M0 0H10V20H0Z", 200),
    ("M-10 0 A10 10 0 0 1 10 0 A10 10 0 0 1 -10 0 Z", math.pi * 100),
    ("M-10 0 a10 10 0 1 0 20 0 a10 10 0 1 0 -20 0", math.pi * 100),
    ("M0 0 C0 5.5228 4.4772 10 10 10 L10 0 Z", 100 * math.pi / 4),
    ("M0 0 Q10 0 10 10 L0 10 Z", 100 - 100 / 6 * 1), ("M0 0 q5 0 5 5 t5 5 L0 10 Z", 50),
    ("M0 0 C0 4 3 6 6 6 S12 8 12 12 L0 12 Z", None),
    ("M0 0 L1e1 0 L1.0e+1 .2e2 L0 20 Z", 200),
    ("M0 0 L10 0 L10 20 L0 20 Z M2 2 L4 2 L4 4 Z", 200),
])
def test_paths_of_every_kind_give_their_area(path, wanted):
    found = area(path)
    assert found == pytest.approx(wanted, rel=0.02) if wanted else found > 0


def test_a_polygon_and_the_longest_of_several_outlines():
    two = svg("<path d='M0 0L1 0L1 1Z'/><polygon points='0,0 10,0 12,5 10,10 0,10'/>")
    assert len(corners_of_svg(two)) == 5
    assert corners_of_svg(two)[2] == (12, -5)


@pytest.mark.parametrize("text", [
    "", "plain words", svg(""), svg("<rect width='4' height='4'/>"), svg("<path d=''/>"),
    svg("<path d='M0 0 L1 1'/>"), svg("<path d='nonsense'/>"), svg("<path d='L L L'/>"),
    "<!DOCTYPE svg [<!ENTITY a 'b'>]>" + svg("<path d='M0 0L9 0L9 9Z'/>"),
    svg("<path d='" + "L1 1 " * 100_000 + "'/>"),
    svg("<path d='M0 0" + "".join(f"L{i} {i * i}" for i in range(2500)) + "Z'/>"),
])
def test_what_holds_no_outline_is_refused_in_words(text):
    with pytest.raises(UnreadableOutline) as error:
        corners_of_svg(text)
    assert error.value.field == "text"


def test_a_crossing_outline_is_refused():
    with pytest.raises(ImpossiblePan, match="crosses itself"):
        corners_of_svg(svg("<path d='M0 0L4 4L4 0L0 4Z'/>"))


@given(st.text(alphabet="MLHVCSQTAZmlz0123456789.,- e\"'<>/path d=", max_size=120))
def test_no_path_breaks_the_reader(text):
    with suppress(UnreadableOutline, ImpossiblePan):
        assert len(corners_of_svg(svg(f"<path d='{text}'/>"))) >= 3


@pytest.mark.parametrize("name", [OutlineName.ROUND, OutlineName.HEART, OutlineName.RING])
def test_a_template_is_at_true_scale_with_a_mark_to_check(name):
    pan = pan_from(PanMeasures(outline=name, across=20, tube=6, wall_cm=5), label="<mine> & co")
    text = template_svg(pan)
    width = float(re.search(r'width="([\d.]+)cm"', text).group(1))
    box = [float(one) for one in re.search(r'viewBox="([^"]+)"', text).group(1).split()]
    assert width == pytest.approx(box[2], abs=0.01)
    assert "h5m" in text
    assert "&lt;mine&gt; &amp; co" in text
    points = [float(pair.split(",")[0]) for pair in
              re.search(r'points="([^"]+)"', text).group(1).split()]
    assert max(points) - min(points) == pytest.approx(20, abs=0.02)
    tall = [-float(pair.split(",")[1]) for pair in
            re.search(r'points="([^"]+)"', text).group(1).split()]
    assert box[1] < min(tall)
    mark = re.search(r'd="M([-\d.]+) ([-\d.]+)h5', text)
    assert max(tall) + 1 < float(mark.group(2)) < box[1] + box[3] - 0.8
    if name is not OutlineName.RING:
        drawn = Drawn(across=20, corners=corners_of_svg(text))
        assert drawn.area() == pytest.approx(pan.base_area_cm2, rel=0.01)


def points(path: str) -> list[tuple[float, float]]:
    return list(_path_points(path))


@pytest.mark.parametrize("turn", [0, 30, 75, -20])
@pytest.mark.parametrize("flags", ["0 0", "0 1", "1 0", "1 1"])
def test_every_point_of_a_turned_arc_lies_on_its_ellipse_and_it_ends_where_it_says(turn, flags):
    rx, ry, end = 14.0, 6.0, (9.0, 5.0)
    found = points(f"M0 0 A{rx} {ry} {turn} {flags} {end[0]} {end[1]}")
    assert found[0] == (0, 0)
    assert found[-1] == pytest.approx(end)
    cos, sin = math.cos(math.radians(turn)), math.sin(math.radians(turn))
    flat = [((x * cos + y * sin) / rx, (y * cos - x * sin) / ry) for x, y in found]
    (ax, ay), (bx, by), (cx, cy) = flat[0], flat[len(flat) // 2], flat[-1]
    twice = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by))
    middle = (
        ((ax**2 + ay**2) * (by - cy) + (bx**2 + by**2) * (cy - ay)
         + (cx**2 + cy**2) * (ay - by)) / twice,
        ((ax**2 + ay**2) * (cx - bx) + (bx**2 + by**2) * (ax - cx)
         + (cx**2 + cy**2) * (bx - ax)) / twice)
    assert all(math.dist(one, middle) == pytest.approx(1, abs=1e-6) for one in flat)
    half_round = math.dist(flat[0], flat[-1]) / 2
    assert half_round < 1
    long = sum(math.dist(a, b) for a, b in pairwise(flat))
    assert (long > math.pi) is flags.startswith("1")


def test_an_arc_that_is_too_small_grows_until_it_just_reaches():
    """As the SVG 1.1 specification has it, F.6.6: half a round about the middle of its ends."""
    found = points("M0 0 A5 5 0 0 1 12 16")
    assert len(found) > 8
    assert all(math.dist(one, (6, 8)) == pytest.approx(10, abs=1e-6) for one in found)


def test_a_smooth_curve_goes_on_as_the_one_before_it_ended():
    for path in ("M0 0 C0 4 2 6 6 6 S12 8 12 12", "M0 0 Q0 6 6 6 T12 12"):
        found = points(path)
        at = found.index(min(found, key=lambda one: math.dist(one, (6, 6))))
        before = [b - a for a, b in zip(found[at - 1], found[at], strict=True)]
        behind = [b - a for a, b in zip(found[at], found[at + 1], strict=True)]
        assert math.atan2(*before) == pytest.approx(math.atan2(*behind), abs=0.12)
        assert found[-1] == pytest.approx((12, 12))
