"""Outlines of pans as seen from above: inside measures at one height, in centimetres."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from typing import assert_never

from entremet.core.ground.errors import ImpossiblePan
from entremet.core.ground.quantities import cm
from entremet.core.pans.lengths import SMALLEST_CM, Face, Point, check_length, mix
from entremet.core.pans.shapes import Drawn, HalfMoon, Heart, Oval, Petal, Polygon


@dataclass(frozen=True, slots=True, kw_only=True)
class Round:
    """A circle."""

    diameter: float

    def __post_init__(self) -> None:
        check_length("diameter", self.diameter)

    def area(self) -> float:
        """Area in cm²."""
        return math.pi * self.diameter**2 / 4

    def faces(self) -> tuple[Face, ...]:
        """The whole circle as one face."""
        return (Face(length_cm=math.pi * self.diameter, reach_cm=self.diameter / 2),)

    def between(self, other: Round, share: float) -> Round:
        """The circle that share of the way towards another."""
        return Round(diameter=mix(self.diameter, other.diameter, share))

    def widest(self) -> float:
        """Greatest width in cm."""
        return self.diameter

    def points(self, count: int = 72) -> tuple[tuple[Point, ...], ...]:
        """Corners of the polygon with that many sides that is drawn for it."""
        return (_circle(self.diameter / 2, count),)


@dataclass(frozen=True, slots=True, kw_only=True)
class Rectangle:
    """A rectangle or square with rounded corners; also the outline of a loaf pan."""

    length: float
    width: float
    corner: float = 0.0

    def __post_init__(self) -> None:
        check_length("length", self.length)
        check_length("width", self.width)
        if not 0 <= self.corner <= min(self.length, self.width) / 2:
            raise ImpossiblePan("The corner radius has to be between 0 and half the width.",
                                field="corner")

    def area(self) -> float:
        """Area in cm²."""
        return self.length * self.width - (4 - math.pi) * self.corner**2

    def faces(self) -> tuple[Face, ...]:
        """Two long sides, two short sides, and the corners in slices of one direction each."""
        long = Face(length_cm=2 * (self.length - 2 * self.corner), reach_cm=self.width / 2)
        short = Face(length_cm=2 * (self.width - 2 * self.corner), reach_cm=self.length / 2)
        inset_x, inset_y = self.length / 2 - self.corner, self.width / 2 - self.corner
        arc = 2 * math.pi * self.corner / len(_CORNER_DIRECTIONS)
        corners = (Face(length_cm=arc, reach_cm=inset_x * x + inset_y * y + self.corner)
                   for x, y in _CORNER_DIRECTIONS)
        return (long, short, *corners)

    def between(self, other: Rectangle, share: float) -> Rectangle:
        """The rectangle that share of the way towards another, corner radius included."""
        return Rectangle(length=mix(self.length, other.length, share),
                         width=mix(self.width, other.width, share),
                         corner=mix(self.corner, other.corner, share))

    def widest(self) -> float:
        """Length of the longer side in cm."""
        return max(self.length, self.width)

    def points(self, count: int = 72) -> tuple[tuple[Point, ...], ...]:
        """Corners of the polygon that is drawn for it; count sides in the four corners."""
        if self.corner == 0:
            x, y = self.length / 2, self.width / 2
            return (((x, y), (-x, y), (-x, -y), (x, -y)),)
        quarter = max(2, count // 4)
        outline: list[Point] = []
        for turn, (sx, sy) in enumerate(((1, 1), (-1, 1), (-1, -1), (1, -1))):
            cx, cy = sx * (self.length / 2 - self.corner), sy * (self.width / 2 - self.corner)
            for step in range(quarter + 1):
                angle = math.pi / 2 * (turn + step / quarter)
                outline.append((cx + self.corner * math.cos(angle),
                                cy + self.corner * math.sin(angle)))
        return (tuple(outline),)


@dataclass(frozen=True, slots=True, kw_only=True)
class Ring:
    """A circle with a centre tube; flutes are for the drawing only."""

    outer: float
    tube: float
    flutes: int = 0

    def __post_init__(self) -> None:
        check_length("outer", self.outer)
        if not SMALLEST_CM / 2 <= self.tube < self.outer:
            raise ImpossiblePan("The tube has to be narrower than the pan, and at least "
                                f"{cm(0.5)}.",
                                field="tube")

    def area(self) -> float:
        """Area between tube and wall in cm²."""
        return math.pi * (self.outer**2 - self.tube**2) / 4

    def faces(self) -> tuple[Face, ...]:
        """The outer wall and the tube; flutes are not counted."""
        return (Face(length_cm=math.pi * self.outer, reach_cm=self.outer / 2),
                Face(length_cm=math.pi * self.tube, reach_cm=-self.tube / 2))

    def between(self, other: Ring, share: float) -> Ring:
        """The ring that share of the way towards another."""
        return Ring(outer=mix(self.outer, other.outer, share),
                    tube=mix(self.tube, other.tube, share), flutes=self.flutes)

    def widest(self) -> float:
        """Outer diameter in cm."""
        return self.outer

    def points(self, count: int = 72) -> tuple[tuple[Point, ...], ...]:
        """Outer polygon, scalloped where the pan is fluted, and the polygon of the tube."""
        fine = max(count, self.flutes * 8)
        depth = 0.035 if self.flutes else 0.0
        outer = tuple(
            (x * (1 - depth + depth * abs(math.cos(self.flutes * math.pi * i / fine))),
             y * (1 - depth + depth * abs(math.cos(self.flutes * math.pi * i / fine))))
            for i, (x, y) in enumerate(_circle(self.outer / 2, fine)))
        return (outer, _circle(self.tube / 2, count))


Outline = Round | Rectangle | Ring | Oval | Heart | Polygon | Petal | HalfMoon | Drawn


def blend(base: Outline, rim: Outline, share: float) -> Outline:
    """Return the outline that share of the way from base to rim.

    Parameters
    ----------
    base, rim : Outline
        Two outlines of one shape.
    share : float
        0 at the base, 1 at the rim.

    Raises
    ------
    ImpossiblePan
        When base and rim are different shapes.
    """
    found = _between(base, rim, share)
    if found is None:
        raise ImpossiblePan("Base and rim have to be the same shape.", field="rim")
    return found


def _between(base: Outline, rim: Outline, share: float) -> Outline | None:
    """Return what lies between two of one shape; None for two shapes."""
    match base:
        case Round():
            return base.between(rim, share) if isinstance(rim, Round) else None
        case Rectangle():
            return base.between(rim, share) if isinstance(rim, Rectangle) else None
        case Ring():
            return base.between(rim, share) if isinstance(rim, Ring) else None
        case Oval():
            return base.between(rim, share) if isinstance(rim, Oval) else None
        case Heart():
            return base.between(rim, share) if isinstance(rim, Heart) else None
        case HalfMoon():
            return base.between(rim, share) if isinstance(rim, HalfMoon) else None
        case Polygon():
            same = isinstance(rim, Polygon) and rim.sides == base.sides
            return base.between(rim, share) if isinstance(rim, Polygon) and same else None
        case Petal():
            same = isinstance(rim, Petal) and rim.petals == base.petals
            return base.between(rim, share) if isinstance(rim, Petal) and same else None
        case Drawn():
            same = isinstance(rim, Drawn) and rim.corners == base.corners
            return base.between(rim, share) if isinstance(rim, Drawn) and same else None
        case _:
            assert_never(base)


@lru_cache(maxsize=256)
def extent(outline: Outline) -> tuple[float, float]:
    """Return the sides of the smallest upright rectangle round an outline, the longer first, cm.

    >>> extent(Rectangle(length=20, width=33))
    (33, 20)
    """
    if isinstance(outline, Rectangle):
        return max(outline.length, outline.width), min(outline.length, outline.width)
    points = outline.points()[0]
    sides = [max(axis) - min(axis) for axis in zip(*points, strict=True)]
    return max(sides), min(sides)


_CORNER_SLICES = 16
_CORNER_DIRECTIONS = tuple(
    (math.cos(angle), math.sin(angle))
    for angle in (math.pi / 2 * (i + 0.5) / _CORNER_SLICES for i in range(_CORNER_SLICES)))


def _circle(radius: float, count: int) -> tuple[Point, ...]:
    return tuple((radius * math.cos(2 * math.pi * i / count),
                  radius * math.sin(2 * math.pi * i / count)) for i in range(count))
