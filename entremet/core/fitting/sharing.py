"""Sharing the batter: what each chosen pan gets, what is left over, what stays in the bowl."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from entremet.core.batter.bowl_loss import USUAL_LOSS, BowlLoss
from entremet.core.batter.styles import Style
from entremet.core.fitting.level import common_level
from entremet.core.fitting.needs import Need, aimed_depth, limit_share, need_of
from entremet.core.fitting.rules import WHOLE_BATCH, Entry, PanRule, Rule
from entremet.core.fitting.source import Source
from entremet.core.fitting.vessel import Vessel
from entremet.core.pans.pan import AnyPan, Pan


@dataclass(frozen=True, slots=True, kw_only=True)
class Place:
    """A chosen pan that can be filled.

    Parameters
    ----------
    entry : int
        Its place among the chosen pans.
    count : int
        How many, or wells.
    vessel : Vessel
        The pan with its base layer.
    rule : PanRule
        What decides its batter.
    need : Need or None
        Batter one asks for; None where it shares what the batch has.
    limit : float
        Usual largest fill, as a share of the room.
    per_cm : float or None
        Of a pan that is not flat, or has no measures: batter for each cm that flat pans stand
        deep, so that all are filled to one share of the recipe's depth.
    """

    entry: int
    count: int
    vessel: Vessel
    rule: PanRule
    need: Need | None
    limit: float
    per_cm: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Sharing:
    """Batter shared out. Mass holds: gross = pans + leftover + bowl loss.

    Parameters
    ----------
    each_ml : tuple of float
        Batter in one of every place.
    gross_g, bowl_loss_g, leftover_g : float
        Batter as mixed, what stays in the bowl, what no pan takes.
    short_g : float
        Batter that pans asked for and the batch does not have.
    """

    each_ml: tuple[float, ...]
    gross_g: float
    bowl_loss_g: float
    leftover_g: float
    short_g: float = 0.0


def layers_for(pans: Sequence[tuple[AnyPan, int]], source: Source, *,
               top: bool = False) -> tuple[list[float], float]:
    """Return what share of the recipe's layer goes into one of each pan, and the layer's factor.

    A layer keeps its thickness: it goes by base area, or by capacity where an area is not known.

    Parameters
    ----------
    pans : sequence of (AnyPan, int)
        Chosen pans with counts.
    source : Source
        The recipe in its own pans; one without pans keeps the layer as it is.
    top : bool
        Whether it is the layer on top, which goes by the area of the rim.
    """
    area = source.area_cm2(top=top)
    known = area is not None and all(isinstance(pan, Pan) for pan, _ in pans)

    def extent(pan: AnyPan) -> float:
        if not known or not isinstance(pan, Pan):
            return pan.capacity_ml
        return pan.rim.area() if top else pan.layer_area_cm2

    target = sum(extent(pan) * count for pan, count in pans)
    whole = area if known and area is not None else source.capacity_ml
    factor = target / whole if whole else 1.0
    return [factor * extent(pan) / target for pan, _ in pans], factor


def places_for(entries: Sequence[tuple[int, Entry, AnyPan]], *, rule: PanRule, source: Source,
               style: Style) -> tuple[list[Place], float, float]:
    """Stand the chosen pans ready: layer in, need worked out, limit known.

    Parameters
    ----------
    entries : sequence of (int, Entry, AnyPan)
        Usable ones, with their place among all that were chosen.
    rule : PanRule
        For those without a rule of their own.
    source : Source
        The recipe in its own pans.
    style : Style
        Of the batter.

    Returns
    -------
    list of Place, float, float
        And the factors of the base layer and of the layer on top.
    """
    pans = [(pan, entry.count) for _, entry, pan in entries]
    shares, layer_factor = layers_for(pans, source)
    tops, top_factor = layers_for(pans, source, top=True)
    places = []
    whole_batch = rule.kind in WHOLE_BATCH
    reference_cm = aimed_depth(PanRule(kind=Rule.DEPTH), source).value
    for (index, entry, pan), share, top in zip(entries, shares, tops, strict=True):
        vessel = Vessel(pan=pan, layer_g=source.layer_g * share, top_g=source.top_g * top)
        own = entry.rule or rule
        need = need_of(vessel, own, source=source, style=style)
        by_share = not vessel.is_flat or not isinstance(pan, Pan)
        places.append(Place(
            entry=index, count=entry.count, vessel=vessel, rule=own,
            # A pan set apart from a batch that is kept is promised its batter.
            need=None if own.kind in WHOLE_BATCH else replace(
                need, fixed=need.fixed or whole_batch),
            limit=limit_share(vessel, source=source, style=style),
            per_cm=need.batter_ml.value / reference_cm if by_share else None))
    return places, layer_factor, top_factor


def factor_wanted(places: Sequence[Place], recipe_g: float, style: Style, *,
                  loss: BowlLoss = USUAL_LOSS, mixes: int = 1) -> float:
    """Return the factor at which the pans get what their rules ask for.

    Parameters
    ----------
    places : sequence of Place
        Each with its need.
    recipe_g : float
        Batter of the recipe at factor 1.
    style : Style
        Of the batter.
    loss : BowlLoss
        What bowl and whisk keep.
    mixes : int
        In how many mixes it is made.
    """
    net = sum(place.need.batter_ml.value * place.count for place in places
              if place.need is not None) * style.density.value
    factor = loss.gross_for(net, mixes) / recipe_g
    return 1.0 if math.isclose(factor, 1.0, rel_tol=1e-9) else factor


def share_out(places: Sequence[Place], gross_g: float, style: Style, *,
              loss: BowlLoss = USUAL_LOSS, mixes: int = 1) -> Sharing:
    """Share a batch over the pans.

    Pans promised their batter get it; pans with a depth share the rest in proportion; pans that
    keep the batch share the rest at one depth, up to their limits.

    Parameters
    ----------
    places : sequence of Place
        The pans.
    gross_g : float
        Batter as mixed, above zero.
    style : Style
        Of the batter.
    loss : BowlLoss
        What bowl and whisk keep.
    mixes : int
        In how many mixes it is made.
    """
    density = style.density.value
    net_ml = loss.net_g(gross_g, mixes) / density
    fixed = [place.need.batter_ml.value if place.need is not None and place.need.fixed else 0.0
             for place in places]
    promised = sum(each * place.count for each, place in zip(fixed, places, strict=True))
    short_ml = max(0.0, promised - net_ml)
    if short_ml > 1e-9 * promised:
        fixed = [each * net_ml / promised for each in fixed]
    rest_ml = max(0.0, net_ml - promised)
    each_ml = _share_rest(places, fixed, rest_ml)
    used = sum(each * place.count for each, place in zip(each_ml, places, strict=True))
    leftover = max(0.0, net_ml - used) * density
    return Sharing(each_ml=tuple(each_ml), gross_g=gross_g,
                   bowl_loss_g=gross_g - net_ml * density,
                   leftover_g=leftover if leftover > 1e-6 else 0.0,
                   short_g=short_ml * density if short_ml > 1e-6 else 0.0)


def rounds_up(places: Sequence[Place]) -> bool:
    """Return whether eggs round up: every pan was promised its batter, so none can give way."""
    return all(place.need is not None and place.need.fixed for place in places)


def _share_rest(places: Sequence[Place], fixed: Sequence[float], rest_ml: float) -> list[float]:
    sharing = [i for i, place in enumerate(places) if place.need is None]
    by_depth = [i for i, place in enumerate(places)
                if place.need is not None and not place.need.fixed]
    each = list(fixed)
    if sharing:
        level = common_level(
            [(places[i].vessel, places[i].count, places[i].limit * places[i].vessel.room_ml)
             for i in sharing], rest_ml, [places[i].per_cm for i in sharing])
        for i, volume in zip(sharing, level, strict=True):
            each[i] = volume
    elif by_depth:
        wanted = {i: need.batter_ml.value for i in by_depth
                  if (need := places[i].need) is not None}
        total = sum(volume * places[i].count for i, volume in wanted.items())
        for i, volume in wanted.items():
            each[i] = volume * rest_ml / total if total else 0.0
    return each


def own_pan(pan: AnyPan, source: Source) -> AnyPan:
    """Return the recipe's own pan where a chosen one is the same but for an assumed wall."""
    for one in source.filled:
        theirs = one.vessel.pan
        if (isinstance(pan, Pan) and isinstance(theirs, Pan) and pan.wall_cm.assumptions
                and theirs.wall_cm.assumptions
                and (pan.base, pan.rim, pan.kind) == (theirs.base, theirs.rim, theirs.kind)):
            return replace(pan, wall_cm=theirs.wall_cm)
    return pan
