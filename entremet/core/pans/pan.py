"""A pan: what it holds at each depth, and which surfaces the batter warms itself on.

Measures interpolate linearly from base to rim, so the area of a level is a quadratic in its height
and the volume a cubic; both are exact here, not approximated.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from enum import Enum

from entremet.core.ground.errors import ImpossiblePan
from entremet.core.ground.provenance import Figure, given
from entremet.core.ground.quantities import cm_to, ml_to
from entremet.core.pans.outlines import Outline, Round, blend

SHALLOWEST_CM = 1.0
THINNEST_CM = 0.3
DEEPEST_CM = 40.0
MOST_WELLS = 96
LARGEST_CAPACITY_ML = 100_000.0


class PanKind(Enum):
    """Kinds between which a depth cannot simply be carried over."""

    # There is one of each, and they are looked up hundreds of times in a fit.
    __hash__ = object.__hash__

    FLAT = "flat"
    RING = "ring"
    LOAF = "loaf"
    WELLS = "wells"
    BALL = "ball"


class PanFinish(Enum):
    """What the pan is made of, as far as heat cares."""

    # There is one of each, and they are looked up hundreds of times in a fit.
    __hash__ = object.__hash__

    BRIGHT = "bright"
    HEAVY = "heavy"
    DARK = "dark"
    GLASS = "glass"
    SILICONE = "silicone"
    PAPER = "paper"


@dataclass(frozen=True, slots=True, kw_only=True)
class Pan:
    """A pan with known measures.

    Parameters
    ----------
    label : str
        What the baker calls it.
    kind : PanKind
        Flat, ring, loaf or wells.
    base, rim : Outline
        Inside outlines at the bottom and at the top; equal for straight walls.
    wall_cm : Figure
        Inside height, 1 to 40 cm, with where it comes from.
    wells : int
        Number of wells in a tray; 1 for every other pan. Volumes are of one well.
    finish : PanFinish
        Material and colour.
    perimeter_assumed : bool
        Whether the wall is drawn from a capacity, not measured.
    loose_base : bool
        Whether the bottom comes out, so that a runny batter may leak.
    patted : bool
        Whether it is no pan but dough patted out: the wall is then its thickness.

    A pan of kind BALL is half a ball, all wall: base and rim are its rim circle, and its wall
    height is half its diameter.
    """

    label: str
    kind: PanKind
    base: Outline
    rim: Outline
    wall_cm: Figure
    wells: int = 1
    finish: PanFinish = PanFinish.BRIGHT
    perimeter_assumed: bool = False
    loose_base: bool = False
    patted: bool = False
    _area: tuple[float, float, float] = field(init=False, repr=False, compare=False)
    _faces: tuple[tuple[float, float, float], ...] = field(init=False, repr=False, compare=False)
    _capacity: float = field(init=False, repr=False, compare=False)

    def __post_init__(self) -> None:
        height = self.wall_cm.value
        least = THINNEST_CM if self.patted else SHALLOWEST_CM
        if not (math.isfinite(height) and least <= height <= DEEPEST_CM):
            raise ImpossiblePan(
                f"The {'thickness' if self.patted else 'wall height'} has to be "
                f"{cm_to(least, DEEPEST_CM)}.",
                field="wall_cm")
        check_wells(self.wells, self.kind)
        if self.is_ball:
            _check_ball(self.base, self.rim, height)
        low, middle, high = (self.base.area(), blend(self.base, self.rim, 0.5).area(),
                             self.rim.area())
        object.__setattr__(self, "_area", (
            low, (4 * middle - 3 * low - high) / height, 2 * (low - 2 * middle + high) / height**2))
        object.__setattr__(self, "_faces", tuple(
            (math.hypot(1.0, foot.moves_to(top) / height),
             foot.length_cm, (top.length_cm - foot.length_cm) / height)
            for foot, top in zip(self.base.faces(), self.rim.faces(), strict=True)))
        object.__setattr__(self, "_capacity", self.volume_ml(height))

    @property
    def capacity_ml(self) -> float:
        """Volume to the rim in ml (of one well)."""
        return self._capacity

    @property
    def is_ball(self) -> bool:
        """Whether it is half a ball."""
        return self.kind is PanKind.BALL

    @property
    def base_area_cm2(self) -> float:
        """Area of the base in cm²; none for half a ball."""
        return 0.0 if self.is_ball else self._area[0]

    @property
    def layer_area_cm2(self) -> float:
        """Area a base layer is spread over, cm²: the base, or the rim of half a ball."""
        return self._area[0]

    def area_cm2(self, depth_cm: float) -> float:
        """Area of the level at a depth, cm²; above the rim that of the rim."""
        depth = self._within(depth_cm)
        if self.is_ball:
            return math.pi * (2 * self.wall_cm.value * depth - depth**2)
        a, b, c = self._area
        return a + b * depth + c * depth**2

    def volume_ml(self, depth_cm: float) -> float:
        """Volume below a depth, ml; above the rim it goes on along the rim outline.

        Parameters
        ----------
        depth_cm : float
            Height above the base, zero or more.
        """
        depth = self._within(depth_cm)
        a, b, c = self._area
        inside = (math.pi * depth**2 * (self.wall_cm.value - depth / 3) if self.is_ball
                  else a * depth + b * depth**2 / 2 + c * depth**3 / 3)
        over = max(0.0, depth_cm - self.wall_cm.value)
        return inside + over * self.rim.area()

    def depth_cm(self, volume_ml: float) -> float:
        """Return the height at which a volume stands, cm; past the rim along the rim outline.

        Raises
        ------
        ImpossiblePan
            For a negative volume.
        """
        if not volume_ml >= 0:
            raise ImpossiblePan("A volume cannot be below zero.", field="volume_ml")
        capacity = self.capacity_ml
        if volume_ml >= capacity:
            return self.wall_cm.value + (volume_ml - capacity) / self.rim.area()
        if self.is_ball:
            return _risen_in_ball(volume_ml, self.wall_cm.value)
        a, b, c = self._area
        if abs(b) < 1e-12 and abs(c) < 1e-12:
            return volume_ml / a
        return _risen_to(volume_ml, a, b, c, start_cm=self.wall_cm.value)

    def perimeter_cm(self, depth_cm: float) -> float:
        """Length of all walls round the level at a depth, tube included, cm."""
        depth = self._within(depth_cm)
        if self.is_ball:
            return 2 * math.sqrt(math.pi * self.area_cm2(depth))
        return sum(length + growth * depth for _, length, growth in self._faces)

    def wall_area_cm2(self, depth_cm: float) -> float:
        """Wetted wall area below a depth, measured on the slant, tube included; ends at the rim."""
        depth = self._within(depth_cm)
        if self.is_ball:
            return 2 * math.pi * self.wall_cm.value * depth
        return sum(slant * (length * depth + growth * depth**2 / 2)
                   for slant, length, growth in self._faces)

    def _within(self, depth_cm: float) -> float:
        return min(max(depth_cm, 0.0), self.wall_cm.value)


def _risen_in_ball(volume_ml: float, radius_cm: float) -> float:
    """Solve π·d²·(R − d/3) = volume for d from 0 to R: a cubic with three real roots.

    With d = R·(1 + 2·cos φ) it reads cos 3φ = 1 − 3·V / (2·π·R³); one step of Newton's takes off
    what the difference of two near numbers lost.
    """
    third = math.acos(max(-1.0, 1 - 1.5 * volume_ml / (math.pi * radius_cm**3))) / 3
    depth = max(radius_cm * (1 + 2 * math.cos(third + 4 * math.pi / 3)), 0.0)
    slope = math.pi * depth * (2 * radius_cm - depth)
    if slope <= 0:
        return math.sqrt(volume_ml / (math.pi * radius_cm))
    return depth - (math.pi * depth**2 * (radius_cm - depth / 3) - volume_ml) / slope


def _risen_to(volume_ml: float, a: float, b: float, c: float, *, start_cm: float) -> float:
    """Solve a·d + b·d²/2 + c·d³/3 = volume for d, by Newton's steps from above.

    A wall never leans inwards, so that area never falls with depth: the steps come down on the root
    from above and cannot pass it.
    """
    depth = start_cm
    for _ in range(60):
        step = (((c / 3 * depth + b / 2) * depth + a) * depth - volume_ml) / (
            (c * depth + b) * depth + a)
        depth -= step
        if abs(step) <= 1e-14 * (1 + depth):
            break
    return max(depth, 0.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class CapacityPan:
    """A pan of which only the capacity is known: it can be filled, but not timed.

    Parameters
    ----------
    label : str
        What the baker calls it.
    kind : PanKind
        Flat, ring, loaf or wells.
    capacity : Figure
        Millilitres to the rim (of one well).
    wells : int
        Number of wells in a tray.
    finish : PanFinish
        Material and colour.
    """

    label: str
    kind: PanKind
    capacity: Figure
    wells: int = 1
    finish: PanFinish = PanFinish.BRIGHT

    def __post_init__(self) -> None:
        check_capacity(self.capacity.value)
        check_wells(self.wells, self.kind)

    @property
    def capacity_ml(self) -> float:
        """Volume to the rim in ml."""
        return self.capacity.value


AnyPan = Pan | CapacityPan


def straight(label: str, outline: Outline, wall_cm: float, *, kind: PanKind = PanKind.FLAT) -> Pan:
    """Return a pan with straight walls and given measures.

    >>> from entremet.core.pans.outlines import Round
    >>> round(straight("round 20", Round(diameter=20), 5).capacity_ml, 1)
    1570.8
    """
    return Pan(label=label, kind=kind, base=outline, rim=outline,
               wall_cm=given(wall_cm, "wall height as measured inside"))


def _check_ball(base: Outline, rim: Outline, height_cm: float) -> None:
    if base != rim or not isinstance(base, Round) or (
            not math.isclose(base.diameter, 2 * height_cm, rel_tol=1e-6)):
        raise ImpossiblePan("Half a ball is half as high as it is wide.", field="wall_cm")


def check_capacity(capacity_ml: float) -> None:
    """Raise ImpossiblePan for a capacity no pan has."""
    if not (math.isfinite(capacity_ml) and 5 <= capacity_ml <= LARGEST_CAPACITY_ML):
        raise ImpossiblePan(f"The capacity has to be {ml_to(5, 100_000)}.",
                            field="capacity_ml")


def check_wells(wells: int, kind: PanKind) -> None:
    """Raise ImpossiblePan for a number of wells no pan has."""
    if not 1 <= wells <= MOST_WELLS or (wells > 1 and kind is not PanKind.WELLS):
        raise ImpossiblePan(f"A tray has 1 to {MOST_WELLS} wells; other pans have none.",
                            field="wells")
