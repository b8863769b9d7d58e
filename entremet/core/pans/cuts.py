"""How a cake is cut from above: wedges, a grid, or strips of one area; lines in cm."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache

from shapely import affinity
from shapely.geometry import LineString, MultiLineString
from shapely.geometry import Polygon as ShapelyPolygon
from shapely.geometry.base import BaseGeometry

from entremet.core.pans.lengths import Point
from entremet.core.pans.outlines import Outline, Rectangle, Ring, Round

MOST_WEDGES = 16
"""Wedges from the middle stay whole up to here; above, an inner cake is cut on its own."""

MOST_PIECES = 400

Line = tuple[Point, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Cut:
    """The lines of a cut, and how many pieces they make."""

    pieces: int
    lines: tuple[Line, ...]


@lru_cache(maxsize=256)
def cut_of(outline: Outline, pieces: int) -> Cut:
    """Cut an outline into pieces of about one size.

    Parameters
    ----------
    outline : Outline
        The cake from above.
    pieces : int
        Wanted, 1 to 400.

    Returns
    -------
    Cut
        A rectangle is cut in a grid, which may give fewer pieces than wanted, never more; every
        other outline gives as many as wanted.
    """
    wanted = max(1, min(pieces, MOST_PIECES))
    match outline:
        case Rectangle():
            return _grid(outline, wanted)
        case Ring():
            return Cut(pieces=wanted, lines=_spokes(outline.tube / 2, outline.outer / 2, wanted))
        case Round():
            return Cut(pieces=wanted, lines=_round(outline.diameter / 2, wanted))
        case _:
            return Cut(pieces=wanted, lines=_strips(ShapelyPolygon(outline.points()[0]), wanted))


def _grid(outline: Rectangle, wanted: int) -> Cut:
    """Return the grid with the most pieces up to those wanted; of equals the squarest."""
    long, short = outline.length, outline.width

    def judged(rows: int) -> tuple[int, float]:
        columns = wanted // rows
        return wanted - rows * columns, abs(math.log(long / columns / (short / rows)))

    spare = max(1, wanted // 12)
    rows = min((r for r in range(1, wanted + 1)),
               key=lambda r: (max(0, judged(r)[0] - spare), judged(r)[1], judged(r)[0]))
    columns = wanted // rows
    x, y = long / 2, short / 2
    upright = [((long * i / columns - x, -y), (long * i / columns - x, y))
               for i in range(1, columns)]
    across = [((-x, short * i / rows - y), (x, short * i / rows - y)) for i in range(1, rows)]
    return Cut(pieces=rows * columns, lines=(*upright, *across))


def _spokes(inner: float, outer: float, count: int) -> tuple[Line, ...]:
    if count < 2:
        return ()
    directions = [(math.cos(2 * math.pi * i / count + math.pi / 2),
                   math.sin(2 * math.pi * i / count + math.pi / 2)) for i in range(count)]
    return tuple(((inner * x, inner * y), (outer * x, outer * y)) for x, y in directions)


def _round(radius: float, count: int) -> tuple[Line, ...]:
    """Return wedges; of many, a circle between an outer ring and an inner cake of even pieces."""
    if count <= MOST_WEDGES:
        return _spokes(0.0, radius, count)
    inner_count = max(4, round(count / 3))
    inner = radius * math.sqrt(inner_count / count)
    circle = tuple((inner * math.cos(2 * math.pi * i / 72), inner * math.sin(2 * math.pi * i / 72))
                   for i in range(73))
    return (circle, *_spokes(inner, radius, count - inner_count), *_round(inner, inner_count))


def _strips(shape: ShapelyPolygon, count: int) -> tuple[Line, ...]:
    """Cut any shape in upright strips, each across into its share, all of one area."""
    left, low, right, high = shape.bounds
    columns = max(1, min(count, round(math.sqrt(count * (right - left) / (high - low)))))
    each, more = divmod(count, columns)
    rows = [each + (1 if column < more else 0) for column in range(columns)]
    lines: list[Line] = []
    start, done = left, 0
    for column, number in enumerate(rows):
        done += number
        end = right if column == columns - 1 else _place(shape, done / count)
        strip = _between(shape, start, end)
        if column:
            lines += _clipped(shape, ((start, low - 1), (start, high + 1)))
        turned = affinity.rotate(strip, -90, origin=(0, 0))
        for row in range(1, number):
            y = _place(turned, row / number)
            lines += _clipped(strip, ((left - 1, y), (right + 1, y)))
        start = end
    return tuple(lines)


def _place(shape: BaseGeometry, share: float) -> float:
    """Return the x left of which that share of the area lies, by halving."""
    left, _, right, _ = shape.bounds
    low, high, whole = left, right, shape.area
    for _ in range(40):
        middle = (low + high) / 2
        if _between(shape, left, middle).area < share * whole:
            low = middle
        else:
            high = middle
    return (low + high) / 2


def _between(shape: BaseGeometry, left: float, right: float) -> BaseGeometry:
    _, low, _, high = shape.bounds
    window = ShapelyPolygon(((left, low - 1), (right, low - 1), (right, high + 1),
                             (left, high + 1)))
    return shape.intersection(window)


def _clipped(shape: BaseGeometry, line: tuple[Point, Point]) -> list[Line]:
    found = shape.intersection(LineString(line))
    pieces = found.geoms if isinstance(found, MultiLineString) else [found]
    return [tuple((float(x), float(y)) for x, y in piece.coords) for piece in pieces
            if isinstance(piece, LineString) and piece.length > 0]
