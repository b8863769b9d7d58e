"""Whole things side by side in an outline: fruit halves, biscuits, rounds cut from dough."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely
from shapely.geometry import Polygon as ShapelyPolygon

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import cm_to
from entremet.core.pans.lengths import Point
from entremet.core.pans.outlines import Outline

SMALLEST_CM, LARGEST_CM = 1.0, 30.0
MOST_THINGS = 2000
_OFFSETS = 6
_CORNERS = 96
_TOLERANCE_CM = 0.02
"""A curved edge is a polygon here; pieces may touch it by so much."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Packing:
    """Where things of one width lie in an outline."""

    across_cm: float
    places: tuple[Point, ...]

    @property
    def count(self) -> int:
        """How many lie there."""
        return len(self.places)


@lru_cache(maxsize=128)
def packed(outline: Outline, across_cm: float, *, field: str = "across_cm") -> Packing:
    """Lay round things of one width into an outline, none over its edge, none overlapping.

    Parameters
    ----------
    outline : Outline
        The base; a tube stays free.
    across_cm : float
        Width of each, 1 to 30 cm.
    field : str
        Name of the input, for the error.

    Returns
    -------
    Packing
        The best of rings round the middle and of straight and staggered rows in several places
        and turns. It can be laid so; a patient hand may find room for one more.

    Raises
    ------
    ImpossibleChoice
        For a width that is none.
    """
    if not (math.isfinite(across_cm) and SMALLEST_CM <= across_cm <= LARGEST_CM):
        raise ImpossibleChoice(f"A piece is {cm_to(SMALLEST_CM, LARGEST_CM)} wide.",
                               field=field)
    polygons = outline.points(_CORNERS)
    whole = ShapelyPolygon(polygons[0], holes=polygons[1:2])
    room = whole.buffer(-across_cm / 2 + _TOLERANCE_CM, quad_segs=24)
    best: tuple[Point, ...] = ()
    if room.is_empty:
        return Packing(across_cm=across_cm, places=best)
    for grid in (*_lattices(room.bounds, across_cm), *_rings(room.bounds, across_cm)):
        inside = grid[shapely.contains_xy(room, grid[:, 0], grid[:, 1])]
        if len(inside) > len(best):
            best = tuple((float(x), float(y)) for x, y in inside[:MOST_THINGS])
    return Packing(across_cm=across_cm, places=best)


Grid = np.ndarray[tuple[int, int], np.dtype[np.float64]]


def _lattices(bounds: tuple[float, float, float, float], step: float) -> Iterator[Grid]:
    """Yield straight and staggered rows over a box, shifted and turned."""
    reach = math.hypot(bounds[2] - bounds[0], bounds[3] - bounds[1]) / 2 + 2 * step
    count = int(reach / step) + 2
    if count > 120:
        return
    index = np.arange(-count, count + 1)
    column, row = np.meshgrid(index, index)
    middle = ((bounds[0] + bounds[2]) / 2, (bounds[1] + bounds[3]) / 2)
    straight = (column * step, row * step)
    staggered = ((column + (row % 2) / 2) * step, row * step * math.sqrt(0.75))
    for x, y in (straight, staggered):
        for turn in (0.0, math.pi / 2, math.pi / 4, math.pi / 6):
            cos, sin = math.cos(turn), math.sin(turn)
            for i in range(_OFFSETS):
                for j in range(_OFFSETS):
                    dx, dy = x + step * i / _OFFSETS, y + step * j / _OFFSETS
                    yield np.column_stack(((dx * cos - dy * sin + middle[0]).ravel(),
                                           (dx * sin + dy * cos + middle[1]).ravel()))


def _rings(bounds: tuple[float, float, float, float], step: float) -> Iterator[Grid]:
    """Yield rings round the middle, from the edge inwards."""
    middle = ((bounds[0] + bounds[2]) / 2, (bounds[1] + bounds[3]) / 2)
    radius = min(bounds[2] - bounds[0], bounds[3] - bounds[1]) / 2 - _TOLERANCE_CM
    places: list[Point] = []
    while radius > step / 2:
        number = int(math.pi / math.asin(min(1.0, step / (2 * radius))) + 1e-9)
        places += [(middle[0] + radius * math.cos(2 * math.pi * i / number),
                    middle[1] + radius * math.sin(2 * math.pi * i / number))
                   for i in range(number)]
        radius -= step
    if radius > -1e-9:
        places.append(middle)
    if places:
        yield np.array(places)
