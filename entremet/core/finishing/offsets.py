"""A cake's outline grown or shrunk all round: areas and edges by closed forms, else by geometry.

Outward, a convex outline of area A and edge P grows to A + P·t + π·t² (Steiner); a ring grows at
both its edges. Other outlines, and everything inward, go by buffers of the geometry library.
"""

from __future__ import annotations

import math
from functools import lru_cache

from shapely.geometry import Polygon as ShapelyPolygon

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import cm
from entremet.core.pans.outlines import Outline, Rectangle, Ring, Round
from entremet.core.pans.shapes import HalfMoon, Oval
from entremet.core.pans.shapes import Polygon as Sided

CONVEX = (Round, Rectangle, Oval, HalfMoon, Sided)
FINE = 720
QUARTER = 32
"""Sides of a polygon that stands for a curve, and of a quarter turn of a buffer."""


def area_cm2(outline: Outline, by_cm: float = 0.0) -> float:
    """Return the area of an outline moved outwards, or inwards where it is below zero.

    Parameters
    ----------
    outline : Outline
        The cake from above.
    by_cm : float
        How far its edge moves; the tube of a ring moves the other way.

    Returns
    -------
    float
        cm²; 0 where nothing is left of it.

    >>> from entremet.core.pans.outlines import Round
    >>> round(area_cm2(Round(diameter=20), 0.15), 1)
    323.7
    """
    _check(by_cm)
    if isinstance(outline, Round):
        return math.pi * max(0.0, outline.diameter / 2 + by_cm) ** 2
    if isinstance(outline, Ring):
        outer, inner = outline.outer / 2 + by_cm, max(0.0, outline.tube / 2 - by_cm)
        return math.pi * max(0.0, outer**2 - inner**2)
    if isinstance(outline, Rectangle) and outline.corner == 0 and by_cm < 0:
        return max(0.0, outline.length + 2 * by_cm) * max(0.0, outline.width + 2 * by_cm)
    if by_cm >= 0 and isinstance(outline, CONVEX):
        return outline.area() + edge_cm(outline) * by_cm + math.pi * by_cm**2
    if by_cm == 0:
        return outline.area()
    return float(_moved(outline, by_cm).area)


def edge_cm(outline: Outline, by_cm: float = 0.0, *, outer_only: bool = False) -> float:
    """Return the length of a moved outline's edge, cm; both edges of a ring unless told otherwise.

    >>> from entremet.core.pans.outlines import Ring
    >>> round(edge_cm(Ring(outer=25, tube=7.5)), 1)
    102.1
    """
    _check(by_cm)
    if isinstance(outline, Ring):
        outer = 2 * math.pi * (outline.outer / 2 + by_cm)
        inner = 2 * math.pi * max(0.0, outline.tube / 2 - by_cm)
        return max(0.0, outer) + (0.0 if outer_only else inner)
    edge = sum(face.length_cm for face in outline.faces())
    if by_cm >= 0 and isinstance(outline, CONVEX):
        return edge + 2 * math.pi * by_cm
    if isinstance(outline, Round):
        return max(0.0, edge + 2 * math.pi * by_cm)
    if by_cm == 0:
        return edge
    return float(_moved(outline, by_cm).length)


def ring_inside_cm2(outline: Outline, width_cm: float) -> float:
    """Return the area of a band of that width just inside the edge; of both edges for a ring."""
    return area_cm2(outline) - area_cm2(outline, -width_cm)


@lru_cache(maxsize=512)
def _moved(outline: Outline, by_cm: float) -> ShapelyPolygon:
    return _shape(outline).buffer(by_cm, quad_segs=QUARTER, join_style="round")


@lru_cache(maxsize=128)
def _shape(outline: Outline) -> ShapelyPolygon:
    outer, *holes = outline.points(FINE)
    return ShapelyPolygon(outer, holes)


def _check(by_cm: float) -> None:
    if not math.isfinite(by_cm) or abs(by_cm) > 30:
        raise ImpossibleChoice(f"An edge moves by at most {cm(30)}.", field="finish")
