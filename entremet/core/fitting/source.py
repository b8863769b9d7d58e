"""The recipe in its own pans: the depth, the fill and the layer that a fit starts from."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from entremet.core.batter.bowl_loss import net_g
from entremet.core.card.recipe import Recipe, SourcePan
from entremet.core.fitting.level import common_level
from entremet.core.fitting.vessel import Vessel
from entremet.core.pans.pan import AnyPan, Pan, PanKind
from entremet.core.provenance import Origin, assumed


@dataclass(frozen=True, slots=True, kw_only=True)
class FilledPan:
    """One of the recipe's pans with what the recipe puts into each."""

    vessel: Vessel
    count: int
    batter_ml: float

    @property
    def fill(self) -> float | None:
        """Share of the room taken."""
        return self.vessel.fill(self.batter_ml)

    @property
    def fits(self) -> bool:
        """Whether the recipe's own batter goes into its own pan at all."""
        return self.batter_ml <= self.vessel.room_ml * (1 + 1e-9)

    @property
    def depth_cm(self) -> float | None:
        """Depth of the batter above the base layer."""
        return self.vessel.depth_cm(self.batter_ml)


@dataclass(frozen=True, slots=True, kw_only=True)
class Source:
    """A recipe standing in its own pans.

    Parameters
    ----------
    gross_g, net_g : float
        Batter as mixed, and what reaches the pans.
    layer_g : float
        Base layer of the whole recipe.
    filled : tuple of FilledPan
        Its pans; empty where the recipe names none.
    """

    gross_g: float
    net_g: float
    layer_g: float
    filled: tuple[FilledPan, ...]

    def of_kind(self, kind: PanKind) -> FilledPan | None:
        """Return the first of its pans of that kind."""
        return next((one for one in self.filled if one.vessel.pan.kind is kind), None)

    @property
    def base_area_cm2(self) -> float | None:
        """Base area of all its pans; None where one has no measures, or there is none."""
        areas = [one.vessel.pan.base_area_cm2 * one.count for one in self.filled
                 if isinstance(one.vessel.pan, Pan)]
        return sum(areas) if areas and len(areas) == len(self.filled) else None

    @property
    def capacity_ml(self) -> float:
        """Capacity of all its pans."""
        return sum(one.vessel.pan.capacity_ml * one.count for one in self.filled)

    @property
    def pieces(self) -> int:
        """Cakes, or cupcakes, that the recipe makes."""
        return sum(one.count for one in self.filled)


def source_of(recipe: Recipe, *, gross_g: float, layer_g: float) -> Source:
    """Stand the recipe's batter in its own pans at one depth.

    Parameters
    ----------
    recipe : Recipe
        The card.
    gross_g, layer_g : float
        Batter and base layer of the whole recipe, grams.
    """
    density = recipe.style.density.value
    net = net_g(gross_g)
    pans = tuple(_settled(one, recipe, net / density) for one in recipe.pans)
    whole_area = sum(_share_measure(one.pan) * one.count for one in pans)
    vessels = [Vessel(pan=one.pan, layer_g=layer_g * _share_measure(one.pan) / whole_area)
               for one in pans]
    level = common_level([(vessel, one.count, math.inf)
                          for vessel, one in zip(vessels, pans, strict=True)], net / density)
    return Source(gross_g=gross_g, net_g=net, layer_g=layer_g, filled=tuple(
        FilledPan(vessel=vessel, count=one.count, batter_ml=volume)
        for vessel, one, volume in zip(vessels, pans, level, strict=True)))


def _share_measure(pan: AnyPan) -> float:
    """By what a base layer is shared out: the base area, or the capacity for want of one."""
    return pan.base_area_cm2 if isinstance(pan, Pan) else pan.capacity_ml


def _settled(one: SourcePan, recipe: Recipe, net_ml: float) -> SourcePan:
    """Raise an assumed wall so far that it holds the recipe's own risen batter."""
    pan = one.pan
    if not isinstance(pan, Pan) or pan.wall_cm.origin is not Origin.ASSUMED:
        return one
    share = pan.capacity_ml * one.count / sum(p.pan.capacity_ml * p.count for p in recipe.pans)
    risen_cm = pan.depth_cm(net_ml * recipe.style.rise.value * share / one.count)
    if risen_cm <= pan.wall_cm.value:
        return one
    wall = min(math.ceil(risen_cm * 2) / 2, 40.0)
    return SourcePan(count=one.count, pan=replace(pan, wall_cm=assumed(
        wall, f"wall of {pan.label} assumed {wall:g} cm, so that the recipe's batter fits")))
