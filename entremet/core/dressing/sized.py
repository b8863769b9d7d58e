"""Cakes of a wanted size: which pans cover them, in how many layers, with how much batter."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from entremet.core.batter.styles import Style
from entremet.core.finishing.coats import Body, coat_ml
from entremet.core.finishing.practice import practice
from entremet.core.finishing.sloped import Slab, SlopedCut, carve
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.provenance import Figure, assumed, worked_out
from entremet.core.ground.quantities import cm, cm_by, cm_to
from entremet.core.pans.outlines import Outline, Rectangle, Round
from entremet.core.pans.pan import Pan, PanKind

LAYER_CM = 5.0
"""Height of a baked layer that a stack to be carved is planned in; practice, 4 to 6."""

MOST_BESIDE = 6
"""Pans of one kind laid side by side to make one layer."""

TALL_CM = 15.0
"""A stack higher than this wants a board and supports in it; practice, 13 to 18."""

SIZES_CM = (1.0, 100.0)
FACTORS = (0.05, 200.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Thing:
    """A thing to be made of cake: its own measures, cm; ``width_cm`` is its diameter if round."""

    length_cm: float
    width_cm: float
    height_cm: float
    is_round: bool = False

    def __post_init__(self) -> None:
        for name in ("length_cm", "width_cm", "height_cm"):
            if not 0.1 <= getattr(self, name) <= SIZES_CM[1]:
                raise ImpossibleChoice(f"The {name.removesuffix('_cm')} of the thing is "
                                       f"{cm_to(0.1, SIZES_CM[1])}.", field=name)

    @property
    def ml(self) -> float:
        """Its volume, as a box or a cylinder."""
        base = math.pi * self.width_cm**2 / 4 if self.is_round else self.length_cm * self.width_cm
        return base * self.height_cm

    def times(self, factor: float) -> Thing:
        """Return it enlarged; raises ImpossibleChoice where no kitchen makes that."""
        if not FACTORS[0] <= factor <= FACTORS[1]:
            raise ImpossibleChoice(f"A thing is enlarged {FACTORS[0]:g} to {FACTORS[1]:g} times.",
                                   field="factor")
        grown = [side * factor for side in (self.length_cm, self.width_cm, self.height_cm)]
        if min(grown) < SIZES_CM[0] or max(grown) > SIZES_CM[1]:
            raise ImpossibleChoice(
                f"That would be {cm_by(grown[0], grown[1], grown[2])}; a cake is "
                f"{cm_to(SIZES_CM[0], SIZES_CM[1])} each way.", field="factor")
        return Thing(length_cm=grown[0], width_cm=grown[1], height_cm=grown[2],
                     is_round=self.is_round)


@dataclass(frozen=True, slots=True, kw_only=True)
class CoverLayer:
    """A layer of a stack to be cut: pans side by side, its height, batter in each pan.

    ``pan`` is None where no pan of the rack covers it; ``wide_cm`` is what it has to cover.
    """

    pan: Pan | None
    beside: int
    height_cm: float
    wide_cm: float
    batter_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Sized:
    """A cake of a wanted size.

    Parameters
    ----------
    factor : float
        By how much the thing is enlarged.
    size : Thing
        The cake.
    layers : tuple of CoverLayer
        From the foot upwards.
    kept_g, batter_g : Figure
        Batter of the cake itself, and of all layers with what is cut off.
    coat_g : Figure
        Buttercream for one coat all round.
    coated_cm : float
        Width with that coat: what its board goes by.
    findings : tuple of Finding
        What the rack has no pan for; what tall cakes want.
    """

    factor: float
    size: Thing
    layers: tuple[CoverLayer, ...]
    kept_g: Figure
    batter_g: Figure
    coat_g: Figure
    coated_cm: float
    findings: tuple[Finding, ...] = ()


def enlarged(thing: Thing, *, style: Style, rack: Sequence[Pan], factor: float | None = None,
             length_cm: float | None = None, batter_g: float | None = None) -> Sized:
    """Enlarge a thing: by a factor, to a length, or to as much batter as there is.

    Parameters
    ----------
    thing : Thing
        Its own measures.
    style : Style
        Of the batter, for its rise and density.
    rack : sequence of Pan
        Pans the kitchen owns.
    factor, length_cm, batter_g : float or None
        Exactly one of them: times as large, the wanted length in cm, or the grams of batter that
        the finished cake is made of.

    Raises
    ------
    ImpossibleChoice
        Where not exactly one is said, or nobody could make it.
    """
    said = [name for name, value in (("factor", factor), ("wanted_cm", length_cm),
                                     ("batter_g", batter_g)) if value is not None]
    if len(said) != 1:
        raise ImpossibleChoice("Say a factor, a length, or the grams of batter: one of them.",
                               field=said[1] if said else "factor")
    per_ml = style.density.value / style.rise.value
    if length_cm is not None:
        factor = length_cm / max(thing.length_cm, thing.width_cm if thing.is_round else 0.0)
    elif batter_g is not None:
        if not batter_g > 0:
            raise ImpossibleChoice("Batter weighs more than nothing.", field="batter_g")
        factor = (batter_g / per_ml / thing.ml) ** (1 / 3)
    size = thing.times(factor or 0.0)
    count = max(1, math.ceil(size.height_cm / LAYER_CM - 1e-9))
    high = size.height_cm / count
    layers = tuple(_covered(rack, size.length_cm, size.width_cm, high, per_ml, size.is_round)
                   for _ in range(count))
    outline: Outline = (Round(diameter=size.width_cm) if size.is_round
                        else Rectangle(length=size.length_cm, width=size.width_cm))
    thick = practice("coat_buttercream").value
    coat = coat_ml(Body(outline=outline, height_cm=size.height_cm), top_cm=thick, side_cm=thick)
    rise = assumed(style.rise.value, f"{style.name} rises {style.rise.value:g} times, practice")
    spread = practice("density_buttercream")
    return Sized(
        factor=factor or 0.0, size=size, layers=layers,
        coated_cm=max(size.length_cm, size.width_cm) + 2 * thick,
        findings=tuple(_told(size, layers)),
        kept_g=worked_out(size.ml * per_ml, "volume of the cake over its rise × density", rise),
        batter_g=worked_out(sum(one.batter_g * one.beside for one in layers),
                            "pans as high as their layers, what is cut off among it", rise),
        coat_g=worked_out(coat * spread.value, f"{cm(thick)} all round", assumed(
            spread.value, f"buttercream weighs {spread.value:g} g/ml, practice")))


def _told(size: Thing, layers: Sequence[CoverLayer]) -> Iterator[Finding]:
    if any(one.pan is None for one in layers):
        across = max(size.length_cm, size.width_cm)
        yield warn("size_no_pan", f"No pan of your rack covers {cm(across)} in "
                   f"{MOST_BESIDE} side by side or fewer, with a wall of "
                   f"{cm(layers[0].height_cm)}.",
                   hint="Type a pan in Choose, or make it smaller.")
    if size.height_cm > TALL_CM:
        yield note("size_tall", f"A cake of {cm(size.height_cm, 0)} wants a board and supports "
                   f"every {cm_to(10, 13)} and a centre rod, and somebody who has done it.")


def pans_for_cut(cut: SlopedCut, *, style: Style, rack: Sequence[Pan]) -> tuple[CoverLayer, ...]:
    """Return a stack that a profile can be cut from, layer by layer from the foot.

    Parameters
    ----------
    cut : SlopedCut
        The profile wanted.
    style : Style
        Of the batter.
    rack : sequence of Pan
        Pans the kitchen owns; only round ones are taken.
    """
    count = max(1, math.ceil(cut.height_cm / LAYER_CM - 1e-9))
    high = cut.height_cm / count
    per_ml = style.density.value / style.rise.value
    return tuple(_covered(rack, wide, wide, high, per_ml, is_round=True) for wide in (
        cut.widest_cm(high * i, high * (i + 1)) for i in range(count)))


def cut_g(cut: SlopedCut, style: Style) -> float:
    """Return the batter that a profile itself is, nothing cut off, grams."""
    wide = cut.widest_cm(0.0, cut.height_cm)
    kept = carve((Slab(radius_cm=wide, height_cm=cut.height_cm),), cut).kept_ml
    return kept * style.density.value / style.rise.value


def _covered(rack: Sequence[Pan], length_cm: float, width_cm: float, high_cm: float,
             per_ml: float, is_round: bool) -> CoverLayer:
    """Return the pans that make one layer with the least cut off; then the fewest pans."""
    leaves = practice("leaves_wall").value
    best: tuple[float, int, Pan] | None = None
    for pan in rack:
        if pan.kind is not PanKind.FLAT or pan.is_ball or pan.wall_cm.value < high_cm:
            continue
        base = pan.base
        if isinstance(base, Round) and is_round:
            beside = 1 if base.diameter - 2 * leaves >= width_cm - 1e-6 else 0
        elif isinstance(base, Rectangle):
            beside = _beside(base, leaves, length_cm, width_cm)
        else:
            beside = 0
        if 0 < beside <= MOST_BESIDE:
            ranked = (round(pan.base.area() * beside, 3), beside, pan)
            if best is None or ranked[:2] < best[:2]:
                best = ranked
    if best is None:
        return CoverLayer(pan=None, beside=0, height_cm=high_cm, wide_cm=max(length_cm, width_cm),
                          batter_g=0.0)
    area, beside, pan = best
    return CoverLayer(pan=pan, beside=beside, height_cm=high_cm,
                      wide_cm=max(length_cm, width_cm), batter_g=area / beside * high_cm * per_ml)


def _beside(base: Rectangle, leaves_cm: float, length_cm: float, width_cm: float) -> int:
    """Return how many sheets laid side by side cover a length and a width, the better way round."""
    long, short = base.length - 2 * leaves_cm, base.width - 2 * leaves_cm
    return min(math.ceil(length_cm / a - 1e-6) * math.ceil(width_cm / b - 1e-6)
               for a, b in ((long, short), (short, long)))
