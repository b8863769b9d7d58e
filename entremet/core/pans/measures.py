"""From what a baker types about a pan to the pan: by measures, or by the water it holds."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from enum import Enum
from typing import assert_never

from entremet.core.ground.errors import ImpossiblePan
from entremet.core.ground.provenance import Figure, assumed, given, worked_out
from entremet.core.ground.quantities import cm
from entremet.core.pans.lengths import LARGEST_CM, SMALLEST_CM
from entremet.core.pans.outlines import Outline, Rectangle, Ring, Round
from entremet.core.pans.pan import AnyPan, CapacityPan, Pan, PanFinish, PanKind, check_capacity
from entremet.core.pans.shapes import Drawn, HalfMoon, Heart, Oval, Petal, Polygon, corners_from

TUBE_SHARE = 0.3
"""Tube over outer diameter when only one measure of a ring is known; estimate, range 0.2 to 0.4."""

OVAL_RATIO = 1.4
"""Length over width of an oval of which only the capacity is known; estimate, range 1.2 to 1.6."""

ASSUMED_WALL_CM = 5.0
"""Wall of a flat pan whose height nobody wrote down; practice, range 3.5 to 7.5."""


class OutlineName(Enum):
    """Outlines a pan can be typed in as."""

    ROUND = "round"
    SQUARE = "square"
    RECTANGLE = "rectangle"
    LOAF = "loaf"
    RING = "ring"
    WELLS = "wells"
    OVAL = "oval"
    HEART = "heart"
    POLYGON = "polygon"
    PETAL = "petal"
    HALF_MOON = "half_moon"
    HALF_BALL = "half_ball"
    DRAWN = "drawn"


@dataclass(frozen=True, slots=True, kw_only=True)
class PanMeasures:
    """Inside measures as typed, in cm; None where the baker left one out.

    Parameters
    ----------
    outline : OutlineName
        The shape.
    across : float or None
        Diameter, side or length of the base.
    width : float or None
        Width of the base of a rectangle or loaf.
    tube : float or None
        Diameter of the centre tube at the base.
    corner : float
        Corner radius.
    rim_across, rim_width, rim_tube : float or None
        The same at the rim; left out for straight walls.
    wall_cm : float or None
        Inside height.
    wells : int
        Wells in the tray.
    flutes : int
        Flutes of a ring, for the drawing.
    finish : PanFinish
        Material and colour.
    capacity_ml : float or None
        Water to the rim, 1 g = 1 ml; it then decides, and what is left of the measures is drawn.
    sides : int
        Sides of a polygon, or petals.
    points : tuple of points
        Corners of a drawn outline, in any unit; ``across`` is its width.
    loose_base : bool
        Whether the bottom comes out.
    patted : bool
        No pan: dough patted out, ``wall_cm`` thick.
    """

    outline: OutlineName
    across: float | None = None
    width: float | None = None
    tube: float | None = None
    corner: float = 0.0
    rim_across: float | None = None
    rim_width: float | None = None
    rim_tube: float | None = None
    wall_cm: float | None = None
    wells: int = 1
    flutes: int = 0
    finish: PanFinish = PanFinish.BRIGHT
    capacity_ml: float | None = None
    sides: int = 6
    points: tuple[tuple[float, ...], ...] = ()
    loose_base: bool = False
    patted: bool = False


def pan_from(measures: PanMeasures, *, label: str) -> AnyPan:
    """Build a pan from what is known about it.

    Parameters
    ----------
    measures : PanMeasures
        As typed.
    label : str
        What the baker calls the pan.

    Returns
    -------
    Pan or CapacityPan
        A CapacityPan where only the capacity is known.

    Raises
    ------
    ImpossiblePan
        Naming the measure that cannot be, or that is missing.
    """
    _check_numbers(measures)
    if measures.patted:
        return _patted(measures, label)
    if measures.capacity_ml is not None:
        return _by_capacity(measures, measures.capacity_ml, label)
    base, rim = _outlines(measures)
    if measures.outline is OutlineName.HALF_BALL:
        return Pan(label=label, kind=PanKind.BALL, base=base, rim=base, finish=measures.finish,
                   wall_cm=worked_out(base.widest() / 2, "half its diameter"))
    if measures.wall_cm is not None:
        wall = given(_above_zero(measures.wall_cm, "wall_cm"), "wall height as measured inside")
    elif kind_of(measures.outline) is PanKind.FLAT:
        wall = assumed(ASSUMED_WALL_CM, f"wall of {label} assumed {cm(ASSUMED_WALL_CM)}")
    else:
        raise ImpossiblePan("This pan needs its wall height, or the water it holds.",
                            field="wall_cm")
    return Pan(label=label, kind=kind_of(measures.outline), base=base, rim=rim, wall_cm=wall,
               wells=measures.wells, finish=measures.finish, loose_base=measures.loose_base)


_LENGTHS = ("across", "width", "tube", "corner", "rim_across", "rim_width", "rim_tube", "wall_cm")
_COUNTS = {"wells": (1, 1000), "flutes": (0, 100), "sides": (0, 100)}


def _check_numbers(measures: PanMeasures) -> None:
    """Refuse numbers that are none, whether this outline needs them or not, before any is used."""
    for name in _LENGTHS:
        value = getattr(measures, name)
        if value is not None and not (math.isfinite(value) and abs(value) <= 10 * LARGEST_CM):
            raise ImpossiblePan(f"The {name.removesuffix('_cm').replace('_', ' ')} is larger than "
                                "any pan. Type it in centimetres.", field=name)
    for name, (low, high) in _COUNTS.items():
        if not low <= getattr(measures, name) <= high:
            raise ImpossiblePan(f"The {name} are a number from {low} to {high}.", field=name)


def _patted(measures: PanMeasures, label: str) -> Pan:
    """Return dough patted out: its outline, straight up to its thickness."""
    if kind_of(measures.outline) is not PanKind.FLAT:
        raise ImpossiblePan("Dough is patted out to a flat shape: round, square, rectangle or "
                            "another outline of its own.", field="outline")
    outline, _ = _outlines(replace(measures, rim_across=None, rim_width=None))
    thick = given(_above_zero(_needed(measures.wall_cm, "wall_cm"), "wall_cm"),
                  "thickness as chosen")
    return Pan(label=label, kind=PanKind.FLAT, base=outline, rim=outline, wall_cm=thick,
               finish=measures.finish, patted=True)


def by_measures_ml(measures: PanMeasures) -> float | None:
    """Return what the measures alone would hold, ml; None where they do not tell.

    For a pan known by its water, to say how far the two are apart.
    """
    try:
        pan = pan_from(replace(measures, capacity_ml=None), label="pan")
    except ImpossiblePan:
        return None
    known = isinstance(pan, Pan) and not pan.wall_cm.assumptions
    return pan.capacity_ml if known else None


def kind_of(outline: OutlineName) -> PanKind:
    """Return the kind of pan an outline belongs to."""
    match outline:
        case (OutlineName.ROUND | OutlineName.SQUARE | OutlineName.RECTANGLE | OutlineName.OVAL
              | OutlineName.HEART | OutlineName.POLYGON | OutlineName.PETAL | OutlineName.HALF_MOON
              | OutlineName.DRAWN):
            return PanKind.FLAT
        case OutlineName.HALF_BALL:
            return PanKind.BALL
        case OutlineName.RING:
            return PanKind.RING
        case OutlineName.LOAF:
            return PanKind.LOAF
        case OutlineName.WELLS:
            return PanKind.WELLS
        case _:
            assert_never(outline)


def _outlines(measures: PanMeasures) -> tuple[Outline, Outline]:
    """Build base and rim; what is wrong is named by the measure it was typed in."""
    try:
        return _base_and_rim(measures)
    except ImpossiblePan as error:
        field = _TYPED_AS.get(error.field, error.field)
        if field == "width" and measures.outline is OutlineName.HEART:
            field = "across"
        base, rim = (getattr(measures, name, None) for name in (field, f"rim_{field}"))
        if rim is not None and base is not None and SMALLEST_CM <= base <= LARGEST_CM:
            field = f"rim_{field}"
        raise ImpossiblePan(error.text, field=field) from error


_TYPED_AS = {"diameter": "across", "length": "across", "outer": "across"}


def _base_and_rim(measures: PanMeasures) -> tuple[Outline, Outline]:
    across = _needed(measures.across, "across")
    rim_across = across if measures.rim_across is None else measures.rim_across
    corner = measures.corner
    match measures.outline:
        case OutlineName.ROUND | OutlineName.WELLS | OutlineName.HALF_BALL:
            return Round(diameter=across), Round(diameter=rim_across)
        case OutlineName.HEART:
            return Heart(width=across), Heart(width=rim_across)
        case OutlineName.POLYGON:
            return (Polygon(across=across, sides=measures.sides),
                    Polygon(across=rim_across, sides=measures.sides))
        case OutlineName.HALF_MOON:
            return HalfMoon(across=across), HalfMoon(across=rim_across)
        case OutlineName.PETAL:
            return (Petal(across=across, petals=measures.sides),
                    Petal(across=rim_across, petals=measures.sides))
        case OutlineName.DRAWN:
            return (Drawn(across=across, corners=corners_from(measures.points)),
                    Drawn(across=rim_across, corners=corners_from(measures.points)))
        case OutlineName.OVAL:
            width = _needed(measures.width, "width")
            rim_width = width if measures.rim_width is None else measures.rim_width
            return Oval(length=across, width=width), Oval(length=rim_across, width=rim_width)
        case OutlineName.SQUARE:
            return (Rectangle(length=across, width=across, corner=corner),
                    Rectangle(length=rim_across, width=rim_across, corner=corner))
        case OutlineName.RECTANGLE | OutlineName.LOAF:
            width = _needed(measures.width, "width")
            rim_width = width if measures.rim_width is None else measures.rim_width
            return (Rectangle(length=across, width=width, corner=corner),
                    Rectangle(length=rim_across, width=rim_width, corner=corner))
        case OutlineName.RING:
            tube = _needed(measures.tube, "tube")
            rim_tube = tube if measures.rim_tube is None else measures.rim_tube
            return (Ring(outer=across, tube=tube, flutes=measures.flutes),
                    Ring(outer=rim_across, tube=rim_tube, flutes=measures.flutes))
        case _:
            assert_never(measures.outline)


def _by_capacity(measures: PanMeasures, capacity_ml: float, label: str) -> AnyPan:
    """Build a pan from its water; a size nobody typed is the fault of the capacity."""
    check_capacity(capacity_ml)
    try:
        return _of_capacity(measures, capacity_ml, label)
    except ImpossiblePan as error:
        if error.field in PanMeasures.__dataclass_fields__:
            raise
        raise ImpossiblePan("No pan of those measures holds so much water. Check them together.",
                            field="capacity_ml") from error


def _of_capacity(measures: PanMeasures, capacity_ml: float, label: str) -> AnyPan:
    capacity = given(capacity_ml, "capacity, by the water it holds")
    kind = kind_of(measures.outline)
    if kind is PanKind.BALL:
        across = 2 * (3 * capacity_ml / (2 * math.pi)) ** (1 / 3)
        ball = Round(diameter=across)
        return Pan(label=label, kind=kind, base=ball, rim=ball, finish=measures.finish,
                   wall_cm=worked_out(across / 2, "half the diameter that holds so much", capacity))
    shape = _straight_shape(measures, capacity_ml)
    if shape is None:
        return CapacityPan(label=label, kind=kind, capacity=capacity, wells=measures.wells,
                           finish=measures.finish)
    outline, wall = shape
    return Pan(label=label, kind=kind, base=outline, rim=outline, wall_cm=wall,
               wells=measures.wells, finish=measures.finish, perimeter_assumed=True,
               loose_base=measures.loose_base)


def _straight_shape(measures: PanMeasures, capacity_ml: float) -> tuple[Outline, Figure] | None:
    """Return the straight-walled shape; area = capacity / height fixes what is missing."""
    if measures.wall_cm is not None:
        wall = given(_above_zero(measures.wall_cm, "wall_cm"), "wall height as measured inside")
        area = capacity_ml / wall.value
        return _outline_of_area(measures, area), wall
    if measures.across is None:
        return None
    outline, _ = _outlines(_with_tube(measures))
    return outline, worked_out(capacity_ml / outline.area(), "height from capacity over area")


def _outline_of_area(measures: PanMeasures, area: float) -> Outline:
    match measures.outline:
        case OutlineName.ROUND | OutlineName.WELLS | OutlineName.HALF_BALL:
            return Round(diameter=math.sqrt(4 * area / math.pi))
        case OutlineName.OVAL:
            length = math.sqrt(4 * area * OVAL_RATIO / math.pi) if measures.across is None else (
                measures.across)
            return Oval(length=length, width=4 * area / math.pi / _above_zero(length, "across"))
        case OutlineName.HEART:
            return Heart(width=math.sqrt(area / Heart(width=10).area()) * 10)
        case OutlineName.POLYGON:
            unit = Polygon(across=10, sides=measures.sides)
            return Polygon(across=math.sqrt(area / unit.area()) * 10, sides=measures.sides)
        case OutlineName.HALF_MOON:
            return HalfMoon(across=math.sqrt(8 * area / math.pi))
        case OutlineName.PETAL:
            flower = Petal(across=10, petals=measures.sides)
            return Petal(across=math.sqrt(area / flower.area()) * 10, petals=measures.sides)
        case OutlineName.DRAWN:
            drawn = Drawn(across=20, corners=corners_from(measures.points))
            return replace(drawn, across=math.sqrt(area / drawn.area()) * 20)
        case OutlineName.SQUARE:
            side = math.sqrt(area)
            return Rectangle(length=side, width=side)
        case OutlineName.RECTANGLE | OutlineName.LOAF:
            length = math.sqrt(2 * area) if measures.across is None else measures.across
            return Rectangle(length=length, width=area / _above_zero(length, "across"))
        case OutlineName.RING:
            if measures.across is None:
                outer = math.sqrt(4 * area / (math.pi * (1 - TUBE_SHARE**2)))
                return Ring(outer=outer, tube=TUBE_SHARE * outer, flutes=measures.flutes)
            tube_squared = measures.across**2 - 4 * area / math.pi
            if tube_squared <= 0:
                raise ImpossiblePan(
                    "A ring of that width and height cannot hold so much water. Check the three.",
                    field="capacity_ml")
            return Ring(outer=measures.across, tube=math.sqrt(tube_squared),
                        flutes=measures.flutes)
        case _:
            assert_never(measures.outline)


def _with_tube(measures: PanMeasures) -> PanMeasures:
    across = _needed(measures.across, "across")
    return replace(
        measures, across=across,
        width=across / 2 if measures.width is None else measures.width,
        tube=TUBE_SHARE * across if measures.tube is None else measures.tube,
        corner=0.0, rim_across=None, rim_width=None, rim_tube=None)


def _needed(value: float | None, field: str) -> float:
    if value is None:
        raise ImpossiblePan(f"This pan needs its {field} in centimetres.", field=field)
    return value


def _above_zero(value: float, field: str) -> float:
    if not (math.isfinite(value) and value > 0):
        name = field.removesuffix("_cm").replace("_", " ")
        raise ImpossiblePan(f"The {name} has to be a length above zero.", field=field)
    return value
