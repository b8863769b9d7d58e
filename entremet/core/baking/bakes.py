"""The bakes of a fit: one oven setting, and a window of time for every pan."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.baking.constants import HEAT
from entremet.core.baking.heat_balance import minutes
from entremet.core.baking.heat_load import heat_load
from entremet.core.baking.settings import Oven, Setting, on_dial
from entremet.core.baking.source_bake import SourceBake
from entremet.core.baking.temperature import GLASS_C, School, crust, same_crust_c
from entremet.core.baking.window import Spread, Window, spread, window
from entremet.core.fitting.standing import Standing
from entremet.core.fitting.vessel import Vessel
from entremet.core.pans.pan import Finish, Pan


@dataclass(frozen=True, slots=True, kw_only=True)
class PanHeat:
    """What a filled pan brings to the oven.

    Parameters
    ----------
    entry : int
        Its place among the chosen pans.
    load : float
        Heat load, bare.
    finish : Finish
        Of the pan.
    """

    entry: int
    load: float
    finish: Finish


@dataclass(frozen=True, slots=True, kw_only=True)
class OvenChoice:
    """A setting of the kitchen's dial for a pan.

    Parameters
    ----------
    setting : Setting
        On the kitchen's own dial.
    oven_c : float
        Heat at that setting, as a conventional oven.
    moved_c : float
        How far below the recipe, °C; below zero is hotter.
    at_limit : bool
        Whether the school wanted to go further than it may.
    """

    setting: Setting
    oven_c: float
    moved_c: float
    at_limit: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Bake:
    """The bake of one pan.

    Parameters
    ----------
    entry : int
        Its place among the chosen pans.
    heat : PanHeat
        What it brings to the oven.
    oven : OvenChoice
        The setting it is baked at.
    own : OvenChoice
        The setting it would have alone.
    window : Window or None
        None in an oven no hotter than done.
    spread : Spread
        How sure the window is.
    as_stated : bool
        Whether it is the recipe's own bake, whose stated range is given back.
    """

    entry: int
    heat: PanHeat
    oven: OvenChoice
    own: OvenChoice
    window: Window | None
    spread: Spread
    as_stated: bool


def pan_heat(entry: int, vessel: Vessel, standing: Standing) -> PanHeat | None:
    """Return the heat of a pan; None without measures, without batter, patted, or not fitting."""
    if (not isinstance(vessel.pan, Pan) or vessel.is_patted or not standing.fits
            or standing.batter_ml <= 0):
        return None
    load = heat_load(vessel.pan, batter_g=standing.batter_g, batter_ml=standing.batter_ml,
                     layer_g=vessel.layer_g + vessel.top_g,
                     layer_ml=vessel.layer_ml + vessel.top_ml)
    return PanHeat(entry=entry, load=load.total, finish=vessel.pan.finish)


def bake_all(heats: Sequence[PanHeat], source: SourceBake, *, oven: Oven, school: School,
             separately: bool) -> list[Bake]:
    """Give every pan its setting and its window.

    Parameters
    ----------
    heats : sequence of PanHeat
        Pans that can be timed.
    source : SourceBake
        The recipe's own bake.
    oven : Oven
        The kitchen's oven.
    school : School
        How the temperature is chosen.
    separately : bool
        Every pan at its own setting; else all at that of the pan slowest at the recipe's heat.
    """
    if not heats:
        return []
    owns = [_own_setting(heat, source, oven, school) for heat in heats]
    slowest = max(range(len(heats)), key=lambda i: heats[i].load * HEAT.finish(heats[i].finish))
    return [_bake(heat, source, oven, own if separately else owns[slowest], own)
            for heat, own in zip(heats, owns, strict=True)]


def _own_setting(heat: PanHeat, source: SourceBake, oven: Oven, school: School) -> OvenChoice:
    lower_c, at_limit = 0.0, False
    if (school is School.SAME_CRUST and source.load is not None
            and source.oven_c > source.done_c):
        bare = source.course(source.load, finish=1.0)
        recipe_crust = crust(minutes(bare, source.oven_c) or 0.0, source.oven_c)
        wanted = same_crust_c(source.course(heat.load, finish=1.0), recipe_c=source.oven_c,
                              recipe_crust=recipe_crust)
        lower_c = max(0.0, source.oven_c - wanted.oven_c)
        at_limit = wanted.at_limit and lower_c > 0
        lower_c += GLASS_C * ((heat.finish is Finish.GLASS) - (source.finish is Finish.GLASS))
    setting = on_dial(oven, source.oven_c, lower_by_c=lower_c)
    oven_c = oven.heat_c(setting)
    return OvenChoice(setting=setting, oven_c=oven_c, moved_c=source.oven_c - oven_c,
                      at_limit=at_limit)


def _bake(heat: PanHeat, source: SourceBake, oven: Oven, chosen: OvenChoice,
          own: OvenChoice) -> Bake:
    kind_changes = oven.kind is not source.kind
    how = spread(base=source.pace.sd, load=heat.load, source_load=source.load,
                 oven_kind_changes=kind_changes)
    likely = minutes(source.course(heat.load, finish=HEAT.finish(heat.finish)), chosen.oven_c)
    as_stated = (
        source.pace.calibrated and source.load is not None and not kind_changes
        and heat.finish is source.finish and chosen.oven_c == source.oven_c
        and math.isclose(heat.load, source.load, rel_tol=1e-6))
    found: Window | None = None
    if likely is not None:
        found = window(likely, how, range_low=source.pace.range_low)
        if as_stated and source.pace.range_high > 1:
            found = Window(first_look_min=found.first_look_min, likely_min=likely,
                           early_min=likely * source.pace.range_low,
                           latest_min=likely * source.pace.range_high)
    return Bake(entry=heat.entry, heat=heat, oven=chosen, own=own, window=found, spread=how,
                as_stated=as_stated)
