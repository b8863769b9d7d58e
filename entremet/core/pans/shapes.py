"""Outlines that keep their shape at every size: oval, heart, polygon, petal, and drawn ones.

Each is a polygon of many corners, scaled from its measures; areas and lengths are exact where a
closed form exists, which the polygon is then scaled to.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from functools import lru_cache

from shapely.geometry import Polygon as ShapelyPolygon

from entremet.core.ground.errors import ImpossiblePan
from entremet.core.ground.quantities import cm, cm_to
from entremet.core.pans.lengths import Face, Point, check_length, mix

CORNERS = 144
FEWEST_SIDES, MOST_SIDES = 3, 12
FEWEST_PETALS, MOST_PETALS = 4, 12
MOST_POINTS = 2000
SMALLEST_AREA_CM2 = 4.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Oval:
    """An ellipse."""

    length: float
    width: float

    def __post_init__(self) -> None:
        check_length("length", self.length)
        check_length("width", self.width)

    def area(self) -> float:
        """Area in cm²."""
        return math.pi * self.length * self.width / 4

    def faces(self) -> tuple[Face, ...]:
        """Its edge in short pieces of one direction each."""
        return _faces(self.points()[0])

    def between(self, other: Oval, share: float) -> Oval:
        """The oval that share of the way towards another."""
        return Oval(length=mix(self.length, other.length, share),
                    width=mix(self.width, other.width, share))

    def widest(self) -> float:
        """The longer of its measures, cm."""
        return max(self.length, self.width)

    def points(self, count: int = CORNERS) -> tuple[tuple[Point, ...], ...]:
        """Corners of the polygon that is drawn for it."""
        return (tuple((self.length / 2 * math.cos(2 * math.pi * i / count),
                       self.width / 2 * math.sin(2 * math.pi * i / count))
                      for i in range(count)),)


@dataclass(frozen=True, slots=True, kw_only=True)
class Heart:
    """A square on its corner with two half circles on its upper sides; measured across.

    A width w gives a side of w / (1 + √½), an area of side² (1 + π/4) and an edge of side (2 + π).
    """

    width: float

    def __post_init__(self) -> None:
        check_length("width", self.width)

    @property
    def side(self) -> float:
        """Side of the square, cm."""
        return self.width / (1 + math.sqrt(0.5))

    def area(self) -> float:
        """Area in cm²."""
        return self.side**2 * (1 + math.pi / 4)

    def faces(self) -> tuple[Face, ...]:
        """Its edge in short pieces of one direction each."""
        return _faces(self.points()[0], whole_cm=self.side * (2 + math.pi))

    def between(self, other: Heart, share: float) -> Heart:
        """The heart that share of the way towards another."""
        return Heart(width=mix(self.width, other.width, share))

    def widest(self) -> float:
        """Its width, cm."""
        return self.width

    def points(self, count: int = CORNERS) -> tuple[tuple[Point, ...], ...]:
        """Corners of the polygon that is drawn for it, tip downwards, centred."""
        return (tuple((x * self.side, y * self.side) for x, y in _unit_heart(count)),)


@dataclass(frozen=True, slots=True, kw_only=True)
class HalfMoon:
    """Half a disc, measured across its straight side.

    A width w gives an area of π w²/8 and an edge of w (1 + π/2).
    """

    across: float

    def __post_init__(self) -> None:
        check_length("across", self.across)

    def area(self) -> float:
        """Area in cm²."""
        return math.pi * self.across**2 / 8

    def faces(self) -> tuple[Face, ...]:
        """Its edge in short pieces of one direction each."""
        return _faces(self.points()[0], whole_cm=self.across * (1 + math.pi / 2))

    def between(self, other: HalfMoon, share: float) -> HalfMoon:
        """The half moon that share of the way towards another."""
        return HalfMoon(across=mix(self.across, other.across, share))

    def widest(self) -> float:
        """Its straight side, cm."""
        return self.across

    def points(self, count: int = CORNERS) -> tuple[tuple[Point, ...], ...]:
        """Corners of the polygon that is drawn for it, straight side below, centred."""
        radius = self.across / 2
        return (tuple((radius * math.cos(math.pi * i / count),
                       radius * (math.sin(math.pi * i / count) - 0.5))
                      for i in range(count + 1)),)


@dataclass(frozen=True, slots=True, kw_only=True)
class Polygon:
    """A regular polygon, measured across: twice the way from its middle to a flat side."""

    across: float
    sides: int = 6

    def __post_init__(self) -> None:
        check_length("across", self.across)
        if not FEWEST_SIDES <= self.sides <= MOST_SIDES:
            raise ImpossiblePan(f"A polygon has {FEWEST_SIDES} to {MOST_SIDES} sides.",
                                field="sides")

    @property
    def side(self) -> float:
        """Length of one side, cm."""
        return self.across * math.tan(math.pi / self.sides)

    def area(self) -> float:
        """Area in cm²."""
        return self.sides * self.side * self.across / 4

    def faces(self) -> tuple[Face, ...]:
        """All sides as one face: they move outwards alike."""
        return (Face(length_cm=self.sides * self.side, reach_cm=self.across / 2),)

    def between(self, other: Polygon, share: float) -> Polygon:
        """The polygon that share of the way towards another of as many sides."""
        return Polygon(across=mix(self.across, other.across, share), sides=self.sides)

    def widest(self) -> float:
        """From corner to corner through the middle, cm."""
        return self.across / math.cos(math.pi / self.sides)

    def points(self, count: int = 0) -> tuple[tuple[Point, ...], ...]:
        """Its corners, a flat side below."""
        del count
        radius, turn = self.widest() / 2, math.pi * (0.5 + 1 / self.sides)
        return (tuple((radius * math.cos(2 * math.pi * i / self.sides - turn),
                       radius * math.sin(2 * math.pi * i / self.sides - turn))
                      for i in range(self.sides)),)


@dataclass(frozen=True, slots=True, kw_only=True)
class Petal:
    """Half circles on the sides of a regular polygon; measured across from petal to petal."""

    across: float
    petals: int = 8

    def __post_init__(self) -> None:
        check_length("across", self.across)
        if not FEWEST_PETALS <= self.petals <= MOST_PETALS:
            raise ImpossiblePan(f"A petal pan has {FEWEST_PETALS} to {MOST_PETALS} petals.",
                                field="sides")

    @property
    def radius(self) -> float:
        """Radius of one petal, cm."""
        return self.across / 2 / (1 + 1 / math.tan(math.pi / self.petals))

    def area(self) -> float:
        """Area in cm²."""
        inner = self.petals * self.radius**2 / math.tan(math.pi / self.petals)
        return inner + self.petals * math.pi * self.radius**2 / 2

    def faces(self) -> tuple[Face, ...]:
        """Its edge in short pieces of one direction each."""
        return _faces(self.points()[0], whole_cm=self.petals * math.pi * self.radius)

    def between(self, other: Petal, share: float) -> Petal:
        """The petal pan that share of the way towards another of as many petals."""
        return Petal(across=mix(self.across, other.across, share), petals=self.petals)

    def widest(self) -> float:
        """Across, cm."""
        return self.across

    def points(self, count: int = CORNERS) -> tuple[tuple[Point, ...], ...]:
        """Corners of the polygon that is drawn for it."""
        each = max(6, count // self.petals)
        middle = self.across / 2 - self.radius
        outline: list[Point] = []
        for petal in range(self.petals):
            turn = 2 * math.pi * petal / self.petals + math.pi / 2
            cx, cy = middle * math.cos(turn), middle * math.sin(turn)
            for step in range(each):
                angle = turn - math.pi / 2 + math.pi * step / each
                outline.append((cx + self.radius * math.cos(angle),
                                cy + self.radius * math.sin(angle)))
        return (tuple(outline),)


@dataclass(frozen=True, slots=True, kw_only=True)
class Drawn:
    """A drawn or traced outline, scaled to a width.

    Parameters
    ----------
    across : float
        Its width, cm.
    corners : tuple of points
        In any unit, in order; the shape must not cross itself.
    """

    across: float
    corners: tuple[Point, ...]

    def __post_init__(self) -> None:
        check_length("across", self.across)
        check_corners(self.corners)
        tall = self.across * _ratio(self.corners)
        if not 1 <= tall <= 100:
            raise ImpossiblePan("At that width the drawn outline would be "
                                f"{cm(tall)} long; a pan is {cm_to(1, 100)}.", field="across")
        if self.area() < SMALLEST_AREA_CM2:
            raise ImpossiblePan("The drawn outline has hardly any area.", field="points")

    def area(self) -> float:
        """Area in cm²."""
        return _unit_area(self.corners) * self.across**2

    def faces(self) -> tuple[Face, ...]:
        """Each edge as a face."""
        return _faces(self.points()[0])

    def between(self, other: Drawn, share: float) -> Drawn:
        """The same outline that share of the way towards another width."""
        return Drawn(across=mix(self.across, other.across, share), corners=self.corners)

    def widest(self) -> float:
        """Its width, cm."""
        return self.across

    def points(self, count: int = 0) -> tuple[tuple[Point, ...], ...]:
        """Its corners, centred."""
        del count
        return (tuple((x * self.across, y * self.across) for x, y in _unit(self.corners)),)


def corners_from(points: tuple[tuple[float, ...], ...]) -> tuple[Point, ...]:
    """Take points as corners.

    Raises
    ------
    ImpossiblePan
        When a point has not exactly an x and a y.
    """
    corners = [(point[0], point[1]) for point in points if len(point) == 2]
    if len(corners) < len(points):
        raise ImpossiblePan("Each corner of the drawn outline is an x and a y.", field="points")
    return tuple(corners)


def check_corners(corners: tuple[Point, ...]) -> None:
    """Refuse corners that make no outline.

    Raises
    ------
    ImpossiblePan
        When there are too few or too many, one is no number, or the outline crosses itself.
    """
    if not 3 <= len(corners) <= MOST_POINTS:
        raise ImpossiblePan(f"A drawn outline has 3 to {MOST_POINTS} corners.", field="points")
    if not all(math.isfinite(part) and abs(part) <= 1e6 for corner in corners for part in corner):
        raise ImpossiblePan("A corner of the drawn outline is not a number.", field="points")
    if not _simple(corners):
        raise ImpossiblePan("The drawn outline crosses itself, or encloses nothing. Draw one line "
                            "round the pan.", field="points")


@lru_cache(maxsize=64)
def _simple(corners: tuple[Point, ...]) -> bool:
    shape = ShapelyPolygon(corners)
    return bool(shape.is_valid and shape.area > 0)


@lru_cache(maxsize=64)
def _unit(corners: tuple[Point, ...]) -> tuple[Point, ...]:
    """Return corners counter-clockwise, centred, one wide."""
    shape = ShapelyPolygon(corners)
    low_x, low_y, high_x, high_y = shape.bounds
    wide = high_x - low_x
    if wide <= 0:
        raise ImpossiblePan("The drawn outline has no width.", field="points")
    turned = corners if shape.exterior.is_ccw else corners[::-1]
    return tuple(((x - (low_x + high_x) / 2) / wide, (y - (low_y + high_y) / 2) / wide)
                 for x, y in turned)


def _unit_area(corners: tuple[Point, ...]) -> float:
    return float(ShapelyPolygon(_unit(corners)).area)


def _ratio(corners: tuple[Point, ...]) -> float:
    ys = [y for _, y in _unit(corners)]
    return max(ys) - min(ys)


@lru_cache(maxsize=8)
def _unit_heart(count: int) -> tuple[Point, ...]:
    """Return the heart on a square of side 1: tip, right half circle, left half circle."""
    half = math.sqrt(0.5)
    lobe = count // 2
    outline: list[Point] = [(0.0, 0.0)]
    for side, start in ((1, -math.pi / 4), (-1, math.pi / 4)):
        cx, cy = side * half / 2, 1.5 * half
        for step in range(lobe):
            angle = start + math.pi * step / (lobe - 1)
            outline.append((cx + math.cos(angle) / 2, cy + math.sin(angle) / 2))
    top = 1.5 * half + 0.5
    return tuple((x, y - top / 2) for x, y in outline)


def _faces(corners: tuple[Point, ...], *, whole_cm: float | None = None) -> tuple[Face, ...]:
    """Return the edges of a counter-clockwise polygon; their lengths scaled to a known whole."""
    pieces = []
    for (x1, y1), (x2, y2) in zip(corners, (*corners[1:], corners[0]), strict=True):
        length = math.hypot(x2 - x1, y2 - y1)
        if length > 0:
            pieces.append(Face(
                length_cm=length, reach_cm=(x1 * (y2 - y1) - y1 * (x2 - x1)) / length,
                at=((x1 + x2) / 2, (y1 + y2) / 2),
                outward=((y2 - y1) / length, (x1 - x2) / length)))
    if whole_cm is None:
        return tuple(pieces)
    scale = whole_cm / sum(piece.length_cm for piece in pieces)
    return tuple(replace(piece, length_cm=piece.length_cm * scale) for piece in pieces)
