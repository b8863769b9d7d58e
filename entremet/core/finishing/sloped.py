"""Sloped and carved sides: a profile of widths over the height, its volume, its coat."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache, partial
from itertools import pairwise

from shapely.geometry import Polygon as ShapelyPolygon
from shapely.geometry import box
from shapely.geometry.base import BaseGeometry

from entremet.core.card.finish import Profile, check_drawn
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import cm_to

SLICES = 120
"""Of an integral over a height: the worked values hold to a millilitre from 100 on."""


@dataclass(frozen=True, slots=True, kw_only=True)
class SlopedCut:
    """A profile turned round the axis.

    Parameters
    ----------
    profile : Profile
        Which.
    foot_cm, top_cm : float
        Width at the foot and on top, for a taper or a rounded top.
    height_cm : float
        Of the whole.
    drawn : tuple of (float, float)
        A half profile as drawn: heights from the foot to the top with the width there, cm; straight
        between them.
    """

    profile: Profile
    foot_cm: float
    top_cm: float
    height_cm: float
    drawn: tuple[tuple[float, float], ...] = ()

    def __post_init__(self) -> None:
        for name, value in (("foot", self.foot_cm), ("top", self.top_cm),
                            ("height", self.height_cm)):
            least = 0.0 if name == "top" else 1.0
            if not (math.isfinite(value) and least <= value <= 150):
                raise ImpossibleChoice(f"The {name} of what is carved is {cm_to(least, 150)}.",
                                       field=f"carve.{name}_cm")
        if self.profile is Profile.DRAWN:
            check_drawn(self.drawn)

    def radius_cm(self, z: float) -> float:
        """Return how far the profile reaches from the axis at a height."""
        share = min(max(z / self.height_cm, 0.0), 1.0)
        match self.profile:
            case Profile.TAPER:
                return (self.foot_cm + (self.top_cm - self.foot_cm) * share) / 2
            case Profile.ROUNDED:
                turn = self.foot_cm / 4
                below = self.height_cm - turn
                if z <= below:
                    return self.foot_cm / 2
                over = min(1.0, (z - below) / turn) if turn > 0 else 1.0
                return self.foot_cm / 2 - turn + turn * math.sqrt(max(0.0, 1 - over**2))
            case Profile.BALL:
                return self.foot_cm / 2 * math.sqrt(max(0.0, 1 - (2 * share - 1) ** 2))
            case Profile.EGG:
                lift = 1 - 0.25 * (2 * share - 1)
                return self.foot_cm / 2 * math.sqrt(max(0.0, 1 - (2 * share - 1) ** 2)) * lift
            case Profile.DRAWN:
                return self._drawn_cm(share * self.height_cm) / 2

    def _drawn_cm(self, z: float) -> float:
        for (low, narrow), (high, wide) in pairwise(self.drawn):
            if z <= high:
                return narrow + (wide - narrow) * (z - low) / (high - low)
        return self.drawn[-1][1]

    def widest_cm(self, low: float, high: float) -> float:
        """Return the largest width between two heights, cm."""
        heights = [low + (high - low) * i / 40 for i in range(41)]
        heights += [z for z, _ in self.drawn if low < z < high]
        return 2 * max(self.radius_cm(z) for z in heights)


@dataclass(frozen=True, slots=True, kw_only=True)
class Slab:
    """A layer of a stack to be carved: its radius and its height."""

    radius_cm: float
    height_cm: float
    cake: bool = True


@dataclass(frozen=True, slots=True, kw_only=True)
class Carved:
    """What carving leaves.

    Parameters
    ----------
    stack_ml, kept_ml : float
        The cake layers before and after.
    kept_by_layer : tuple of float
        ml of each slab that stay, fillings included.
    missing : tuple of (float, float)
        Heights at which the profile stands outside the stack, from and to, cm.
    """

    stack_ml: float
    kept_ml: float
    kept_by_layer: tuple[float, ...]
    missing: tuple[tuple[float, float], ...]

    @property
    def trimmed_ml(self) -> float:
        """What is cut off."""
        return self.stack_ml - self.kept_ml


@lru_cache(maxsize=64)
def carve(slabs: tuple[Slab, ...], cut: SlopedCut) -> Carved:
    """Cut a stack of round layers to a profile; the fit and the finish ask the same, so it is kept.

    >>> stack = tuple(Slab(radius_cm=r / 2, height_cm=5) for r in (20, 23, 25, 25))
    >>> found = carve(stack, SlopedCut(profile=Profile.TAPER, foot_cm=15, top_cm=24, height_cm=20))
    >>> round(found.stack_ml), round(found.kept_ml), found.missing
    (8557, 6079, ())
    """
    kept: list[float] = []
    outside: list[tuple[float, float]] = []
    foot = 0.0
    for slab in slabs:
        kept.append(_integral(partial(_kept_cm2, cut, slab.radius_cm), foot,
                              foot + slab.height_cm))
        worst = [z for z in _heights(foot, min(foot + slab.height_cm, cut.height_cm))
                 if cut.radius_cm(z) > slab.radius_cm + 0.05]
        if worst:
            outside.append((round(min(worst), 1), round(max(worst), 1)))
        foot += slab.height_cm
    if foot < cut.height_cm - 0.05:
        outside.append((round(foot, 1), round(cut.height_cm, 1)))
    cakes = [(slab, ml) for slab, ml in zip(slabs, kept, strict=True) if slab.cake]
    return Carved(
        stack_ml=sum(math.pi * slab.radius_cm**2 * slab.height_cm for slab, _ in cakes),
        kept_ml=sum(ml for _, ml in cakes), kept_by_layer=tuple(kept), missing=tuple(outside))


def _kept_cm2(cut: SlopedCut, radius_cm: float, z: float) -> float:
    """Return the area that stays of a layer at a height."""
    return math.pi * min(radius_cm, cut.radius_cm(z)) ** 2 if z <= cut.height_cm else 0.0


@lru_cache(maxsize=64)
def sloped_coat_ml(cut: SlopedCut, thick_cm: float, *, top_cm: float | None = None) -> float:
    """Return what a coat takes on a turned profile: everywhere so thick, square to the cut.

    The half profile grows by the thickness as an outline does; turned round the axis, less the
    body, it is the coat. Nothing lies under the foot. On a flat top it may be thicker or thinner.

    Parameters
    ----------
    cut : SlopedCut
        The profile.
    thick_cm : float
        Of the coat, along the cut.
    top_cm : float or None
        On the flat top; as thick as elsewhere if None.

    >>> taper = SlopedCut(profile=Profile.TAPER, foot_cm=20, top_cm=23, height_cm=5)
    >>> round(sloped_coat_ml(taper, 0.5))
    410
    """
    over = thick_cm if top_cm is None else top_cm
    section = _section(cut)
    grown = section.buffer(thick_cm, join_style="mitre", mitre_limit=3.0)
    reach = 2 * (grown.bounds[2] + 1.0)
    kept = grown.intersection(box(-reach, 0.0, reach, cut.height_cm + min(over, thick_cm)))
    more = max(0.0, over - thick_cm) * math.pi * (
        cut.radius_cm(cut.height_cm) + thick_cm) ** 2 if cut.radius_cm(cut.height_cm) > 0 else 0.0
    return _turned_ml(kept) - _turned_ml(section) + more


def _section(cut: SlopedCut) -> ShapelyPolygon:
    """Return a profile cut through its axis, as a polygon of radius and height."""
    if cut.profile is Profile.DRAWN:
        side = [(wide / 2, z) for z, wide in cut.drawn]
    else:
        # Closer together where a profile turns fastest: at its foot and its top.
        turns = [(1 - math.cos(math.pi * i / SLICES)) / 2 for i in range(SLICES + 1)]
        side = [(cut.radius_cm(cut.height_cm * share), cut.height_cm * share) for share in turns]
    return ShapelyPolygon([*side, *((-radius, z) for radius, z in reversed(side))])


def _turned_ml(section: BaseGeometry) -> float:
    """Return the volume of a section turned round its axis: area × the way of its centre."""
    reach = section.bounds[2] + 1.0
    half = section.intersection(box(0.0, section.bounds[1] - 1.0, reach, section.bounds[3] + 1.0))
    return float(2 * math.pi * half.centroid.x * half.area)


def marks(cut: SlopedCut, *, every_cm: float) -> list[tuple[float, float]]:
    """Return heights and widths to mark for the knife, from the foot to the top, cm.

    A drawn profile is marked where it was drawn.
    """
    count = max(1, round(cut.height_cm / every_cm))
    if cut.profile is Profile.DRAWN:
        return list(cut.drawn)
    heights = [cut.height_cm * i / count for i in range(count + 1)]
    return [(z, 2 * cut.radius_cm(z)) for z in heights]


def _heights(low: float, high: float) -> list[float]:
    return [low + (high - low) * i / 40 for i in range(41)] if high > low else []


def _integral(of: Callable[[float], float], low: float, high: float) -> float:
    """Integrate by the middles of slices; good to a ten-thousandth for these profiles."""
    if high <= low:
        return 0.0
    step = (high - low) / SLICES
    return sum(of(low + (i + 0.5) * step) for i in range(SLICES)) * step
