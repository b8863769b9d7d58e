"""Which cakes a fit makes: rows of one pan are layers of one cake, unless told otherwise."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import Enum

from entremet.core.card.finish import Finishing, Level
from entremet.core.finishing.levelling import THINNEST_SPLIT_CM, dome_ml, edge_height_cm
from entremet.core.finishing.offsets import area_cm2, edge_cm
from entremet.core.finishing.practice import practice
from entremet.core.fitting.vessel import LAYER_DENSITY
from entremet.core.ground.errors import ImpossiblePan
from entremet.core.ground.findings import Finding, note, stop, warn
from entremet.core.ground.quantities import cm
from entremet.core.ground.wording import listed
from entremet.core.pans.outlines import Outline, Rectangle, Ring, Round, blend
from entremet.core.pans.pan import AnyPan, Pan, PanKind
from entremet.core.pans.shapes import Heart, Oval

LEAST_CAKE_CM = 0.001
"""Baked lower than this a pan is empty."""


class CakeKind(Enum):
    """Kinds of finished cake."""

    STACK = "stack"
    RING = "ring"
    LOAF = "loaf"
    SMALL = "small"
    PIECES = "pieces"
    BALL = "ball"


@dataclass(frozen=True, slots=True, kw_only=True)
class BakedPan:
    """A row of pans as they come from the oven.

    Parameters
    ----------
    label : str
        In words.
    place : int
        Among the chosen pans.
    count : int
        How many.
    pan : AnyPan
        As filled, with a tray's own wells.
    risen_cm : float or None
        Height baked; None where the pan is not measured.
    batter_g, under_g, over_g : float
        In each: batter, what lay under it, what lay on it.
    loss : float
        Share of the batter that left in the oven.
    """

    label: str
    place: int
    count: int
    pan: AnyPan
    risen_cm: float | None
    batter_g: float
    under_g: float = 0.0
    over_g: float = 0.0
    loss: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Layer:
    """A layer of a cake: its outline, its height and mass after levelling, of which pan."""

    outline: Outline
    height_cm: float
    mass_g: float
    pan: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Cake:
    """A cake of a fit, and how many of it there are.

    Parameters
    ----------
    label : str
        Its pans in words.
    kind : CakeKind
        What it is.
    count : int
        Cakes alike.
    outline : Outline
        From above, without coats.
    layers : tuple of Layer
        From the foot upwards.
    baked : Layer
        A baked layer as it comes from the oven: before it is levelled, split or cut.
    trim_ml, trim_g : float
        Cut off one such cake to level it.
    dome_cm : float
        Dome that stays on its top layer.
    fruit_cm : float
        Height of the layer that lay in the pan first, within each layer of the cake.
    turned_over : bool
        Whether that lies on top.
    split : int
        Layers cut from each baked one.
    """

    label: str
    kind: CakeKind
    count: int
    outline: Outline
    layers: tuple[Layer, ...]
    baked: Layer
    trim_ml: float = 0.0
    trim_g: float = 0.0
    dome_cm: float = 0.0
    fruit_cm: float = 0.0
    turned_over: bool = False
    split: int = 1

    @property
    def joins(self) -> int:
        """Joins between its layers."""
        return max(0, len(self.layers) - 1)

    @property
    def mass_g(self) -> float:
        """Its layers together."""
        return sum(one.mass_g for one in self.layers)


def cakes_of(pans: Sequence[BakedPan], chosen: Finishing, *,
             filled: bool = False) -> tuple[list[Cake], list[Finding]]:
    """Return the cakes of a fit with what is to know about them.

    Parameters
    ----------
    pans : sequence of BakedPan
        Pans as baked.
    chosen : Finishing
        What is done to them.
    filled : bool
        Whether something goes between layers: a cake of one layer is then cut once, unless told
        otherwise.
    """
    cakes: list[Cake] = []
    findings: list[Finding] = []
    for one in pans:
        if not isinstance(one.pan, Pan) or one.risen_cm is None:
            findings.append(warn("finish_unmeasured", f"{one.label}: only its capacity is "
                                 "known, so nothing on it can be worked out.",
                                 subject=one.label, entry=one.place,
                                 hint="Measure it inside."))
            continue
        if one.risen_cm < LEAST_CAKE_CM:
            findings.append(warn("finish_empty", f"{one.label}: hardly any batter reaches it, so "
                                 "there is no cake to finish.", subject=one.label, entry=one.place,
                                 hint="Give it batter, or take it away."))
            continue
        own = replace(chosen, split=split_of(one, chosen, filled=filled))
        cake, told = _cake(one.label, one.count, one.pan, one.risen_cm, own, one.place,
                           mass=one.batter_g * (1 - one.loss) + one.under_g + one.over_g)
        if cake is not None and one.under_g > 0:
            cake = replace(cake, turned_over=chosen.turned_over is not False, fruit_cm=min(
                0.6 * cake.layers[0].height_cm,
                one.under_g / LAYER_DENSITY / cake.outline.area()))
        findings += told
        if cake is not None:
            cakes.append(replace(cake, split=own.split or 1))
    findings = _once(findings)
    if chosen.joined or chosen.carve is not None:
        cakes = _joined(cakes)
    return cakes, findings


def split_of(one: BakedPan, chosen: Finishing, *, filled: bool) -> int:
    """Return how many layers each baked one is cut in: as chosen, else once if it is to be filled.

    What is stacked otherwise, too low to be cut, or a well of its own stays whole.
    """
    if chosen.split is not None:
        return chosen.split
    stacked = (chosen.joined or chosen.carve is not None or chosen.stack > 1 or chosen.pieces > 0)
    if not filled or stacked or one.under_g > 0 or one.risen_cm is None or not isinstance(
            one.pan, Pan) or one.pan.kind is PanKind.WELLS or one.pan.is_ball:
        return 1
    alone = one.count == 1 or one.pan.kind is not PanKind.FLAT
    return 2 if alone and one.risen_cm >= 2 * THINNEST_SPLIT_CM else 1


def _cake(label: str, count: int, pan: Pan, risen_cm: float, chosen: Finishing, place: int, *,
          mass: float) -> tuple[Cake | None, list[Finding]]:
    if pan.kind is PanKind.WELLS or pan.is_ball:
        whole = Layer(outline=pan.rim, height_cm=risen_cm, mass_g=mass, pan=label)
        return Cake(label=label, kind=CakeKind.BALL if pan.is_ball else CakeKind.SMALL,
                    count=count, outline=pan.rim, baked=whole, layers=(whole,)), []
    height_share = min(1.0, risen_cm / pan.wall_cm.value)
    free = shrunk(blend(pan.base, pan.rim, height_share / 2), practice("leaves_wall").value)
    if free is None:
        return None, [stop("finish_too_small", f"{label}: too small to finish.", entry=place,
                           subject=label)]
    outline: Outline = free
    baked = Layer(outline=outline, height_cm=risen_cm, mass_g=mass, pan=label)
    height, trim_ml, findings = _levelled(risen_cm, outline, chosen, label, place)
    kept = max(0.0, 1 - trim_ml / (outline.area() * risen_cm))
    kind = {PanKind.RING: CakeKind.RING, PanKind.LOAF: CakeKind.LOAF}.get(
        pan.kind, CakeKind.STACK)
    dome = chosen.dome_cm or 0.0
    left = dome if chosen.level is Level.LEAVE else 0.0
    if kind is not CakeKind.STACK:
        # A ring or a loaf is served with the top it has.
        findings = [one for one in findings if one.code != "finish_dome_unknown"]
        return Cake(label=label, kind=kind, count=count, outline=outline, baked=baked,
                    layers=_split(outline, height, mass * kept, label, chosen.split or 1),
                    trim_ml=trim_ml, trim_g=mass * (1 - kept), dome_cm=left), [
                        *findings, *_thin(height, chosen, label, place)]
    if chosen.pieces > 0:
        return Cake(label=label, kind=CakeKind.PIECES, count=count, outline=outline, baked=baked,
                    layers=(Layer(outline=outline, height_cm=height, mass_g=mass * kept,
                                  pan=label),), trim_ml=trim_ml,
                    trim_g=mass * (1 - kept)), findings
    pieces, shared = [(outline, mass)] * count, 1
    if chosen.stack > 1:
        if isinstance(outline, Rectangle):
            part = Rectangle(length=outline.length / chosen.stack, width=outline.width)
            pieces, shared = [(part, mass / chosen.stack)] * (count * chosen.stack), chosen.stack
            outline = part
        else:
            findings.append(note("finish_no_sheet", f"{label}: only a sheet or a square is cut "
                                 "in pieces that are stacked.", subject=label, entry=place))
    layers = tuple(layer for one, grams in pieces
                   for layer in _split(one, height, grams * kept, label, chosen.split or 1))
    return Cake(label=label, kind=kind, count=1, outline=outline, layers=layers, baked=baked,
                trim_ml=trim_ml * len(pieces) / shared, trim_g=mass * (1 - kept) * count,
                dome_cm=left), [*findings, *_thin(height, chosen, label, place)]


def _once(findings: list[Finding]) -> list[Finding]:
    """Say what holds for every pan alike once."""
    by_eye = [one for one in findings if one.code == "finish_dome_unknown"]
    if len(by_eye) < 2:
        return findings
    pans = listed([one.subject for one in by_eye])
    return [*(one for one in findings if one.code != "finish_dome_unknown"), note(
        "finish_dome_unknown", f"{pans}: {_BY_EYE}", subject=pans, hint=by_eye[0].hint)]


_BY_EYE = "level by eye to the lowest edge; measured at the rack, the dome tells what comes off."


def _levelled(risen_cm: float, outline: Outline, chosen: Finishing, label: str,
              place: int) -> tuple[float, float, list[Finding]]:
    """Return the height after levelling, what comes off, and what is to know."""
    dome = chosen.dome_cm
    edge = risen_cm if dome is None else edge_height_cm(risen_cm, outline, dome)
    if dome is not None and edge <= 0.3:
        return risen_cm, 0.0, [stop("finish_dome", f"{label}: a dome of {cm(dome)} leaves no edge "
                                    f"of a cake {cm(risen_cm)} high.", subject=label,
                                    entry=place, hint="Measure the middle less the edge.")]
    match chosen.level:
        case Level.LEAVE:
            return risen_cm, 0.0, []
        case Level.EDGE:
            if dome is None:
                return risen_cm, 0.0, [note(
                    "finish_dome_unknown", f"{label}: {_BY_EYE}", subject=label, entry=place,
                    hint="Type its dome: middle less edge.")]
            return edge, dome_ml(outline, dome), []
        case Level.TO:
            # Where no height is said, the next half centimetre below the edge.
            wanted = chosen.level_cm or max(0.5, math.floor(edge * 2) / 2)
            if wanted > edge + 1e-6:
                return edge, 0.0 if dome is None else dome_ml(outline, dome), [warn(
                    "finish_level_high", f"{label}: its edge stands {cm(edge)} high, so it "
                    f"cannot be levelled to {cm(wanted)}.", subject=label, entry=place,
                    hint="Level lower, or put more batter in.")]
            over = 0.0 if dome is None else dome_ml(outline, dome)
            return wanted, over + outline.area() * (edge - wanted), []


def _split(outline: Outline, height: float, mass: float, label: str,
           split: int) -> tuple[Layer, ...]:
    return tuple(Layer(outline=outline, height_cm=height / split, mass_g=mass / split, pan=label)
                 for _ in range(split))


def _thin(height: float, chosen: Finishing, label: str, place: int) -> list[Finding]:
    split = chosen.split or 1
    if split > 1 and height / split < THINNEST_SPLIT_CM:
        return [warn("finish_split_thin", f"{label}: split in {split}, a layer is "
                     f"{cm(height / split)}; under {cm(THINNEST_SPLIT_CM)} it breaks.",
                     subject=label, entry=place,
                     hint="Fewer layers; a chilled cake and a serrated knife.")]
    return []


def _joined(cakes: list[Cake]) -> list[Cake]:
    """Put all flat cakes into one stack, the widest at the foot."""
    flat = [one for one in cakes if one.kind is CakeKind.STACK]
    if len(flat) < 2:
        return cakes
    rows = sorted(flat, key=lambda one: -one.outline.area())
    whole = Cake(
        label=" on ".join(one.label for one in reversed(rows)), kind=CakeKind.STACK, count=1,
        outline=rows[0].outline, baked=max((one.baked for one in rows), key=cooling_order),
        layers=tuple(layer for one in rows for layer in one.layers),
        trim_ml=sum(one.trim_ml for one in rows), trim_g=sum(one.trim_g for one in rows))
    return [whole, *(one for one in cakes if one.kind is not CakeKind.STACK)]


def cooling_order(layer: Layer) -> float:
    """Return what orders baked layers by how slowly they cool: their mass per surface."""
    return layer.mass_g / (2 * layer.outline.area() + edge_cm(layer.outline) * layer.height_cm)


def shrunk(outline: Outline, by_cm: float) -> Outline | None:
    """Return an outline smaller all round, of the same shape; None where nothing is left.

    Round, straight and ring outlines lose exactly that much at their edges; others keep their
    shape at the area that is left.
    """
    try:
        return _shrunk(outline, by_cm)
    except ImpossiblePan:
        return None


def _shrunk(outline: Outline, by_cm: float) -> Outline:
    if isinstance(outline, Round):
        return Round(diameter=outline.diameter - 2 * by_cm)
    if isinstance(outline, Ring):
        return Ring(outer=outline.outer - 2 * by_cm, tube=outline.tube + 2 * by_cm,
                    flutes=outline.flutes)
    if isinstance(outline, Rectangle):
        return Rectangle(length=outline.length - 2 * by_cm, width=outline.width - 2 * by_cm,
                         corner=max(0.0, outline.corner - by_cm))
    if isinstance(outline, Oval):
        return Oval(length=outline.length - 2 * by_cm, width=outline.width - 2 * by_cm)
    scale = (area_cm2(outline, -by_cm) / outline.area()) ** 0.5
    if isinstance(outline, Heart):
        return Heart(width=outline.width * scale)
    return replace(outline, across=outline.across * scale)
