"""Batter each chosen pan asks for, by its rule."""

from __future__ import annotations

from dataclasses import dataclass
from typing import assert_never

from entremet.core.batter.styles import WELLS_MAY_TAKE_MORE, Style
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.fitting.source import Source
from entremet.core.fitting.vessel import Vessel
from entremet.core.ground.provenance import Figure, Origin, assumed, given, worked_out
from entremet.core.ground.quantities import cm
from entremet.core.pans.pan import Pan, PanKind

FLAT_FILL_WALL_CM = 5.0
"""Wall of a flat pan that a usual fill counts, however high it is; practice."""

USUAL_DEPTH_CM = 2.5
"""Batter in a layer pan when neither recipe nor baker names a depth; practice, range 2 to 3.5."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Need:
    """Batter one pan (or well) asks for.

    Parameters
    ----------
    batter_ml : Figure
        Millilitres.
    fixed : bool
        Whether it holds while eggs are rounded; a same-depth pan gives way instead.
    """

    batter_ml: Figure
    fixed: bool


def need_of(vessel: Vessel, rule: PanRule, *, source: Source, style: Style) -> Need:
    """Return the batter one pan asks for.

    Parameters
    ----------
    vessel : Vessel
        The pan with its base layer.
    rule : PanRule
        What decides its batter.
    source : Source
        The recipe in its own pans.
    style : Style
        Of the batter.
    """
    match rule.kind:
        case (Rule.SAME_DEPTH | Rule.KEEP_BATCH | Rule.SERVINGS | Rule.EGGS
              | Rule.FACTOR):
            return Need(batter_ml=_same_depth(vessel, source, style), fixed=False)
        case Rule.FILL:
            fill = (assumed(style.usual_fill.value, f"usual fill for {style.name}")
                    if rule.fill is None else given(rule.fill, "fill as chosen"))
            return Need(batter_ml=worked_out(fill.value * vessel.room_ml, "fill × room", fill),
                        fixed=True)
        case Rule.DEPTH:
            aim = aimed_depth(rule, source)
            return Need(batter_ml=_to_depth(vessel, aim, source, style), fixed=True)
        case Rule.HEIGHT:
            aim = aimed_height(rule, source, style)
            return Need(batter_ml=_to_height(vessel, aim, source, style), fixed=True)
        case Rule.GRAMS:
            if rule.grams is None:
                start = _same_depth(vessel, source, style)
                return Need(batter_ml=assumed(start.value, "starts from the same depth"),
                            fixed=True)
            return Need(batter_ml=worked_out(rule.grams / style.density.value,
                                             "grams as chosen over the density"), fixed=True)
        case _:
            assert_never(rule.kind)


def aimed_depth(rule: PanRule, source: Source) -> Figure:
    """Return the depth of batter a rule aims at, cm: as chosen, or the recipe's own."""
    if rule.depth_cm is not None:
        return given(rule.depth_cm, "depth as chosen")
    own = source.flat
    if own is not None and own.depth_cm:
        return worked_out(own.depth_cm, "starts from the recipe's own depth")
    return assumed(USUAL_DEPTH_CM, f"{cm(USUAL_DEPTH_CM)}, a usual depth for a layer")


def aimed_height(rule: PanRule, source: Source, style: Style) -> Figure:
    """Return the baked height a rule aims at, cm: as chosen, or the recipe's own."""
    if rule.height_cm is not None:
        return given(rule.height_cm, "height as chosen")
    own = source.flat
    if own is not None:
        risen = own.vessel.risen_cm(own.batter_ml, style)
        if risen:
            return worked_out(risen, "starts from the recipe's own height")
    return assumed(USUAL_DEPTH_CM * style.rise.value, "a usual depth for a layer, risen")


def _to_depth(vessel: Vessel, aim: Figure, source: Source, style: Style) -> Figure:
    volume = vessel.volume_ml(aim.value)
    if volume is None:
        return _without_measures(vessel, source, style)
    return worked_out(max(0.0, volume), f"{cm(aim.value)} deep", aim)


def _to_height(vessel: Vessel, aim: Figure, source: Source, style: Style) -> Figure:
    if not isinstance(vessel.pan, Pan):
        return _without_measures(vessel, source, style)
    batter = (vessel.pan.volume_ml(aim.value) - vessel.layer_ml - vessel.top_ml) / style.rise.value
    return worked_out(max(0.0, batter), f"rises to {cm(aim.value)}", aim)


def _without_measures(vessel: Vessel, source: Source, style: Style) -> Figure:
    start = _same_depth(vessel, source, style)
    return assumed(start.value, "no measures of this pan: as full as the recipe has it")


def limit_share(vessel: Vessel, *, source: Source, style: Style) -> float:
    """Return the largest usual fill of a pan, as a share of the room above its layer.

    The recipe's own fill is accepted for pans like its own, when it is known and larger.
    """
    if vessel.is_patted:
        return 1.0
    limit = style.fill_limit.value
    if vessel.pan.kind is PanKind.WELLS:
        limit += WELLS_MAY_TAKE_MORE
    own = source.of_kind(vessel.pan.kind)
    if own is not None and own.fill is not None and _height_known(own.vessel, vessel):
        limit = max(limit, own.fill)
    return limit


def _height_known(own: Vessel, target: Vessel) -> bool:
    assumed_wall = isinstance(own.pan, Pan) and own.pan.wall_cm.origin is Origin.ASSUMED
    return not assumed_wall or own.pan == target.pan


def _same_depth(vessel: Vessel, source: Source, style: Style) -> Figure:
    if vessel.is_patted:
        dough = next((one for one in source.filled if one.vessel.is_patted), None)
        if dough is not None and dough.vessel.room_ml > 0:
            return worked_out(dough.batter_ml * vessel.room_ml / dough.vessel.room_ml,
                              "as much for its size as the recipe's own dough")
        return worked_out(vessel.room_ml, "area × thickness as chosen")
    own = source.of_kind(vessel.pan.kind)
    if own is not None and vessel.is_flat and own.depth_cm is not None:
        volume = vessel.volume_ml(own.depth_cm)
        if volume is not None:
            return worked_out(max(0.0, volume), "same depth as in the recipe's pan")
    if own is not None and not vessel.is_flat and own.fill is not None:
        return worked_out(own.fill * vessel.room_ml, "same share of the pan as in the recipe's",
                          *(() if not isinstance(own.vessel.pan, Pan)
                            else (own.vessel.pan.wall_cm,)))
    fill = assumed(style.usual_fill.value, f"usual fill for {style.name}")
    return worked_out(fill.value * _counted_room(vessel), "usual fill of the pan", fill)


def _counted_room(vessel: Vessel) -> float:
    pan = vessel.pan
    if isinstance(pan, Pan) and vessel.is_flat and pan.wall_cm.value > FLAT_FILL_WALL_CM:
        return max(0.0, pan.volume_ml(FLAT_FILL_WALL_CM) - vessel.layer_ml)
    return vessel.room_ml
