"""A traced outline as SVG, in and out: one path or polygon, nothing else of the file is used."""

from __future__ import annotations

import math
import re
from collections.abc import Iterator, Mapping
from xml.sax.saxutils import escape

from entremet.core.formats.markup import walk_markup
from entremet.core.ground.errors import UnreadableOutline, UnreadableRecipe
from entremet.core.pans.lengths import Point
from entremet.core.pans.pan import Pan
from entremet.core.pans.shapes import MOST_POINTS, check_corners

LARGEST_SIGNS = 400_000
CURVE_STEPS = 16
CHECK_CM = 5.0
LARGEST_NUMBER, SMALLEST_RADIUS = 1e6, 1e-6
"""Beyond these a drawing is no outline, and an arc a straight line."""

_FORBIDDEN = re.compile(r"<!(?:DOCTYPE|ENTITY)", re.IGNORECASE)
_TOKEN = re.compile(r"[MmLlHhVvCcSsQqTtAaZz]|[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?")
_COUNTS = {"m": 2, "l": 2, "h": 1, "v": 1, "c": 6, "s": 4, "q": 4, "t": 2, "a": 7, "z": 0}


def corners_of_svg(text: str) -> tuple[Point, ...]:
    """Return the corners of the outline in an SVG file, y upwards, in its own units.

    Parameters
    ----------
    text : str
        An SVG with one path or polygon; of several, the one with the most corners. Curves become
        short straight pieces. Transforms, styles and scripts are not looked at.

    Raises
    ------
    UnreadableOutline
        When the file is too large, declares entities, or holds no closed outline.
    ImpossiblePan
        When the outline crosses itself or encloses nothing.
    """
    if len(text) > LARGEST_SIGNS:
        raise UnreadableOutline("This drawing is larger than an outline needs to be.",
                                field="text")
    if _FORBIDDEN.search(text):
        raise UnreadableOutline("This file declares types or entities, which an outline has no "
                                "need of.", field="text")
    drawing = _Drawing()
    try:
        walk_markup(text, drawing)
    except UnreadableRecipe as error:
        raise UnreadableOutline("This drawing is nested too deeply to be an outline.",
                                field="text") from error
    longest = drawing.longest
    corners = tuple((x, -y) for x, y in _distinct(longest))
    if len(corners) < 3:
        raise UnreadableOutline("There is no outline in this file: it needs one closed path or "
                                "polygon.", field="text")
    if len(corners) > MOST_POINTS:
        raise UnreadableOutline(f"The outline has more than {MOST_POINTS} corners. Simplify it.",
                                field="text")
    check_corners(corners)
    return corners


def template_svg(pan: Pan) -> str:
    """Return the base of a pan as a paper template at true scale, with a 5 cm mark to check it."""
    outline = pan.base.points()
    xs = [x for polygon in outline for x, _ in polygon]
    ys = [y for polygon in outline for _, y in polygon]
    wide, high = max(xs) - min(xs), max(ys) - min(ys)
    width, height = max(wide, CHECK_CM) + 2, high + 4
    shapes = "".join(
        f'<polygon points="{" ".join(f"{x:.3f},{-y:.3f}" for x, y in polygon)}"/>'
        for polygon in outline)
    x, y = -width / 2 + 1, high / 2 + 2
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:.2f}cm" height="{height:.2f}cm" '
        f'viewBox="{-width / 2:.3f} {-high / 2 - 1:.3f} {width:.3f} {height:.3f}">'
        f'<g fill="none" stroke="black" stroke-width="0.05">{shapes}'
        f'<path d="M{x:.3f} {y:.3f}h{CHECK_CM:g}m0 -0.3v0.6m{-CHECK_CM:g} 0v-0.6"/></g>'
        f'<text x="{x:.3f}" y="{y + 0.8:.3f}" font-size="0.5" font-family="sans-serif">'
        f"5 cm when printed at true size. {escape(pan.label)}</text></svg>\n")


class _Drawing:
    """Keeps the outline with the most corners of all paths and polygons."""

    def __init__(self) -> None:
        self.longest: list[Point] = []

    def opens(self, tag: str, attributes: Mapping[str, str]) -> None:
        """Look at a path or a polygon."""
        if tag == "path":
            found = list(_path_points(attributes.get("d") or ""))
        elif tag in ("polygon", "polyline"):
            found = _pairs(attributes.get("points") or "")
        else:
            return
        self.longest = max(self.longest, found, key=len)

    def closes(self, tag: str) -> None:
        """Pass over what closes."""

    def says(self, words: str) -> None:
        """Pass over words."""


def _path_points(path: str) -> Iterator[Point]:
    """Walk the first closed part of a path."""
    tokens = _TOKEN.findall(path)
    place, here, control = 0, (0.0, 0.0), (0.0, 0.0)
    command, drawn, moved = "", 0, False
    while place < len(tokens):
        if tokens[place].isalpha():
            command = tokens[place]
            place += 1
        kind = command.lower()
        if not kind:
            return
        count = _COUNTS[kind]
        if kind == "z":
            return
        numbers = tokens[place:place + count]
        if len(numbers) < count or any(one.isalpha() for one in numbers):
            return
        place += count
        values = [_number(one) for one in numbers]
        origin = here if command.islower() else (0.0, 0.0)
        if kind == "m" and moved:
            return
        last = here
        points, control = _segment(kind, values, here, origin, control)
        for point in points:
            drawn += 1
            if drawn > 4 * MOST_POINTS or not all(map(math.isfinite, point)):
                return
            yield point
        here = points[-1] if points else last
        if kind == "m":
            moved = True
            command = "l" if command == "m" else "L"


def _segment(kind: str, values: list[float], here: Point, origin: Point,
             control: Point) -> tuple[list[Point], Point]:
    """Return the points of one command, and the control point a smooth curve goes on from."""
    def at(index: int) -> Point:
        return (origin[0] + values[index], origin[1] + values[index + 1])

    match kind:
        case "h":
            end = (origin[0] + values[0], here[1])
            return [end], end
        case "v":
            end = (here[0], origin[1] + values[0])
            return [end], end
        case "c":
            return _curve(here, at(0), at(2), at(4)), at(2)
        case "s":
            return _curve(here, _mirror(here, control), at(0), at(2)), at(0)
        case "q":
            return _quadratic(here, at(0), at(2)), at(0)
        case "t":
            bend = _mirror(here, control)
            return _quadratic(here, bend, at(0)), bend
        case "a":
            end = at(5)
            return _arc(here, end, values), end
        case _:
            return [at(0)], at(0)


def _mirror(here: Point, control: Point) -> Point:
    return (2 * here[0] - control[0], 2 * here[1] - control[1])


def _curve(a: Point, b: Point, c: Point, d: Point) -> list[Point]:
    points = []
    for step in range(1, CURVE_STEPS + 1):
        t = step / CURVE_STEPS
        u = 1 - t
        points.append((u**3 * a[0] + 3 * u * u * t * b[0] + 3 * u * t * t * c[0] + t**3 * d[0],
                       u**3 * a[1] + 3 * u * u * t * b[1] + 3 * u * t * t * c[1] + t**3 * d[1]))
    return points


def _quadratic(a: Point, b: Point, c: Point) -> list[Point]:
    return _curve(a, ((a[0] + 2 * b[0]) / 3, (a[1] + 2 * b[1]) / 3),
                  ((c[0] + 2 * b[0]) / 3, (c[1] + 2 * b[1]) / 3), c)


def _arc(start: Point, end: Point, values: list[float]) -> list[Point]:
    """Return points of an elliptical arc, by the conversion of the SVG 1.1 specification, F.6."""
    rx, ry, turn = abs(values[0]), abs(values[1]), math.radians(values[2])
    large, sweep = values[3] != 0, values[4] != 0
    if min(rx, ry) < SMALLEST_RADIUS or start == end:
        return [end]
    cos, sin = math.cos(turn), math.sin(turn)
    dx, dy = (start[0] - end[0]) / 2, (start[1] - end[1]) / 2
    x1, y1 = cos * dx + sin * dy, -sin * dx + cos * dy
    grow = math.sqrt(max(1.0, (x1 / rx) ** 2 + (y1 / ry) ** 2))
    rx, ry = rx * grow, ry * grow
    under = (rx * ry) ** 2 - (rx * y1) ** 2 - (ry * x1) ** 2
    share = math.sqrt(max(0.0, under / ((rx * y1) ** 2 + (ry * x1) ** 2)))
    share = share if large != sweep else -share
    cx1, cy1 = share * rx * y1 / ry, -share * ry * x1 / rx
    cx = cos * cx1 - sin * cy1 + (start[0] + end[0]) / 2
    cy = sin * cx1 + cos * cy1 + (start[1] + end[1]) / 2
    first = math.atan2((y1 - cy1) / ry, (x1 - cx1) / rx)
    last = math.atan2((-y1 - cy1) / ry, (-x1 - cx1) / rx)
    if sweep and last < first:
        last += 2 * math.pi
    if not sweep and last > first:
        last -= 2 * math.pi
    steps = 3 * CURVE_STEPS
    points = []
    for step in range(1, steps + 1):
        angle = first + (last - first) * step / steps
        x, y = rx * math.cos(angle), ry * math.sin(angle)
        points.append((cx + cos * x - sin * y, cy + sin * x + cos * y))
    return [*points[:-1], end]


def _pairs(text: str) -> list[Point]:
    numbers = [_number(one) for one in _TOKEN.findall(text) if not one.isalpha()]
    return list(zip(numbers[::2], numbers[1::2], strict=False))[:4 * MOST_POINTS]


def _number(written: str) -> float:
    number = float(written)
    if abs(number) > LARGEST_NUMBER:
        raise UnreadableOutline("A number in this drawing is larger than an outline needs. Draw "
                                "it in centimetres, millimetres or points.", field="text")
    return number


def _distinct(points: list[Point]) -> list[Point]:
    """Drop repeated neighbours, and the last where it closes on the first."""
    kept: list[Point] = []
    for point in points:
        if not kept or math.dist(point, kept[-1]) > 1e-9:
            kept.append(point)
    if len(kept) > 1 and math.dist(kept[0], kept[-1]) <= 1e-9:
        kept.pop()
    return kept
