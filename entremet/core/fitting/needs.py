"""Batter each chosen pan asks for, by its rule."""

from __future__ import annotations

from dataclasses import dataclass
from typing import assert_never

from entremet.core.batter.styles import WELLS_MAY_TAKE_MORE, Style
from entremet.core.fitting.choices import PanRule, Rule
from entremet.core.fitting.source import Source
from entremet.core.fitting.vessel import Vessel
from entremet.core.pans.pan import Pan, PanKind
from entremet.core.provenance import Figure, Origin, assumed, given, worked_out

FLAT_FILL_WALL_CM = 5.0
"""Wall of a flat pan that a usual fill counts, however high it is; practice."""


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
        Same depth, fill or grams.
    source : Source
        The recipe in its own pans.
    style : Style
        Of the batter.
    """
    match rule.rule:
        case Rule.SAME_DEPTH | Rule.KEEP_BATCH:
            return Need(batter_ml=_same_depth(vessel, source, style), fixed=False)
        case Rule.FILL:
            fill = (assumed(style.usual_fill.value, f"usual fill for {style.name}")
                    if rule.fill is None else given(rule.fill, "fill as chosen"))
            return Need(batter_ml=worked_out(fill.value * vessel.room_ml, "fill × room", fill),
                        fixed=True)
        case Rule.GRAMS:
            if rule.grams is None:
                start = _same_depth(vessel, source, style)
                return Need(batter_ml=assumed(start.value, "starts from the same depth"),
                            fixed=True)
            return Need(batter_ml=worked_out(rule.grams / style.density.value,
                                             "grams as chosen over the density"), fixed=True)
        case _:
            assert_never(rule.rule)


def limit_share(vessel: Vessel, *, source: Source, style: Style) -> float:
    """Return the largest usual fill of a pan, as a share of the room above its layer.

    The recipe's own fill is accepted for pans like its own, when it is known and larger.
    """
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
