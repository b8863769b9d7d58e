"""The recipe in its own pans: the depth, the fill and the layer that a fit starts from."""

from __future__ import annotations

import math
from collections.abc import Collection
from dataclasses import dataclass, replace

from entremet.core.batter.bowl_loss import USUAL_LOSS, BowlLoss
from entremet.core.batter.styles import Style
from entremet.core.card.lines import MIXED, Component
from entremet.core.card.recipe import Recipe, SourcePan
from entremet.core.finishing.growth import Baked
from entremet.core.fitting.level import common_level
from entremet.core.fitting.vessel import Vessel
from entremet.core.ground.provenance import Figure, Origin, assumed
from entremet.core.ground.quantities import cm
from entremet.core.pans.pan import AnyPan, Pan, PanKind


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
    layer_g, top_g : float
        Base layer and layer on top of the whole recipe.
    filled : tuple of FilledPan
        Its pans; empty where the recipe names none.
    """

    gross_g: float
    net_g: float
    layer_g: float
    top_g: float
    filled: tuple[FilledPan, ...]

    @property
    def is_dough(self) -> bool:
        """Whether the recipe is written for dough patted out."""
        return any(one.vessel.is_patted for one in self.filled)

    def of_kind(self, kind: PanKind) -> FilledPan | None:
        """Return the first of its pans of that kind."""
        return next((one for one in self.filled if one.vessel.pan.kind is kind), None)

    def area_cm2(self, *, top: bool = False) -> float | None:
        """Base area of all its pans, or rim area; None where one has no measures."""
        areas = [_share_measure(one.vessel.pan, top=top) * one.count for one in self.filled
                 if isinstance(one.vessel.pan, Pan)]
        return sum(areas) if areas and len(areas) == len(self.filled) else None

    def baked(self, style: Style) -> list[Baked]:
        """Return its cakes, as they stand when baked."""
        return [Baked(pan=one.vessel.pan, count=one.count, risen_cm=one.vessel.pan.depth_cm(
            style.rise.value * one.batter_ml + one.vessel.layer_ml + one.vessel.top_ml)
            if isinstance(one.vessel.pan, Pan) else None) for one in self.filled]

    @property
    def capacity_ml(self) -> float:
        """Capacity of all its pans."""
        return sum(one.vessel.pan.capacity_ml * one.count for one in self.filled)

    @property
    def flat(self) -> FilledPan | None:
        """The first of its flat pans, whose depth can be carried over."""
        return self.of_kind(PanKind.FLAT)

    @property
    def pieces(self) -> int:
        """Cakes, or cupcakes, that the recipe makes."""
        return sum(one.count for one in self.filled)


def source_of(recipe: Recipe, *, gross_g: float, layer_g: float, top_g: float = 0.0,
              loss: BowlLoss = USUAL_LOSS) -> Source:
    """Stand the recipe's batter in its own pans at one depth.

    Parameters
    ----------
    recipe : Recipe
        The card.
    gross_g, layer_g, top_g : float
        Batter, base layer and layer on top of the whole recipe, grams.
    loss : BowlLoss
        What bowl and whisk keep.
    """
    density = recipe.style.density.value
    net = loss.net_g(gross_g)
    pans = tuple(_settled(one, recipe, net / density) for one in recipe.pans)
    whole_area = sum(_share_measure(one.pan) * one.count for one in pans)
    whole_top = sum(_share_measure(one.pan, top=True) * one.count for one in pans)
    vessels = [Vessel(pan=one.pan, layer_g=layer_g * _share_measure(one.pan) / whole_area,
                      top_g=top_g * _share_measure(one.pan, top=True) / whole_top)
               for one in pans]
    level = common_level([(vessel, one.count, math.inf)
                          for vessel, one in zip(vessels, pans, strict=True)], net / density)
    return Source(gross_g=gross_g, net_g=net, layer_g=layer_g, top_g=top_g, filled=tuple(
        FilledPan(vessel=vessel, count=one.count, batter_ml=volume)
        for vessel, one, volume in zip(vessels, pans, level, strict=True)))


def left_out_of(recipe: Recipe, with_optional: Collection[int]) -> frozenset[int]:
    """Return the optional lines that stay out."""
    return frozenset(line.key for line in recipe.lines
                     if line.optional and line.key not in with_optional)


def standing_recipe(recipe: Recipe, left_out: frozenset[int],
                    loss: BowlLoss = USUAL_LOSS) -> tuple[Figure, Source]:
    """Return the recipe's batter, and the recipe standing in its own pans.

    Parameters
    ----------
    recipe : Recipe
        The card.
    left_out : frozenset of int
        Lines that stay out.
    loss : BowlLoss
        What bowl and whisk keep.
    """
    gross = recipe.weight_of(MIXED, left_out=left_out)
    base, top = (recipe.weight_of(frozenset({kind}), left_out=left_out).value
                 for kind in (Component.BASE_LAYER, Component.TOP_LAYER))
    return gross, source_of(recipe, gross_g=gross.value, layer_g=base, top_g=top, loss=loss)


def _share_measure(pan: AnyPan, *, top: bool = False) -> float:
    """By what a layer is shared out: base or rim area, or the capacity for want of one."""
    if not isinstance(pan, Pan):
        return pan.capacity_ml
    return pan.rim.area() if top else pan.layer_area_cm2


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
        wall, f"wall of {pan.label} assumed {cm(wall)}, so that the recipe's batter fits")))
