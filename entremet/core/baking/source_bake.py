"""The recipe's own bake, in its own slowest pan: what every other bake is moved from."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from entremet.core.baking.constants import HEAT, HeatConstants
from entremet.core.baking.heat_balance import Course, Stretch, minutes
from entremet.core.baking.heat_load import Faces, HeatLoad, heat_load
from entremet.core.baking.pace import Pace, pace_of
from entremet.core.baking.phases import PhasePart, read_phases
from entremet.core.baking.window import USUAL_LOAD
from entremet.core.card.lines import MIXED
from entremet.core.card.recipe import Recipe, StatedTime
from entremet.core.fitting.source import FilledPan, Source
from entremet.core.fitting.vessel import Vessel
from entremet.core.ground.findings import Finding
from entremet.core.ovens.settings import OvenKind, Setting
from entremet.core.pans.pan import Pan, PanFinish

LEAST_APART = 0.03
"""Log of two loads from which two times tell two things; practice."""

HONEY_RICH = 0.04
"""Honey, treacle and syrup over all batter from which it darkens early; practice."""

DARKENS_EARLY = frozenset({"runny_honey", "treacle", "golden_syrup", "molasses", "agave_syrup",
                           "maple_syrup", "date_syrup", "corn_syrup", "malt_extract"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Second:
    """A second pan of the recipe with its own time: its words, bare load and pace."""

    label: str
    stated: StatedTime
    load: float
    pace: float


@dataclass(frozen=True, slots=True, kw_only=True)
class SourceBake:
    """The recipe's bake as it stands.

    Parameters
    ----------
    kind : OvenKind
        Oven it is written for; conventional where it does not say.
    kind_assumed : bool
        Whether it does not say.
    setting : Setting or None
        As written; None over steam or on the hob.
    parts : tuple of PhasePart
        Its phases as shares of the time; one where nothing changes.
    main : int
        Place of the longest part.
    stated : StatedTime or None
        What the recipe states, or what its phases sum to.
    start_c, done_c : float
        Centre going in and when done.
    load, stands_cm : float or None
        Heat load of its slowest pan, bare, and how high the batter stands there halfway; None
        where no pan is known.
    finish : PanFinish
        Of that pan.
    pace : Pace
        From its stated time, or from its style.
    likely_min : float or None
        Its time as the model has it, stated where calibrated.
    course : Course or None
        Its own bake, for drawing and for its crust.
    never_hotter : str
        Why this batter is never baked hotter than written; empty where it may be.
    timing : str
        What its time rests on, as a key: another stated time, setting or pan is learnt anew.
    """

    kind: OvenKind
    kind_assumed: bool
    setting: Setting | None
    parts: tuple[PhasePart, ...]
    main: int
    stated: StatedTime | None
    start_c: float
    done_c: float
    load: float | None
    stands_cm: float | None
    finish: PanFinish
    pace: Pace
    likely_min: float | None
    course: Course | None
    never_hotter: str
    strips: bool = False
    moved_from: OvenKind | None = None
    second: Second | None = None
    timing: str = ""
    style_pace: float = 1.0
    slow_style: float = 1.0
    style_done_c: float = 97.0
    constants: HeatConstants = HEAT

    def is_own(self, load: float) -> bool:
        """Say whether a bare load is that of the recipe's own pan."""
        return self.load is not None and math.isclose(load, self.load, rel_tol=1e-6)

    def pace_at(self, load: float) -> float:
        """Return the pace for a pan of that bare load.

        Between the loads of two stated times it moves from one's pace to the other's with the log
        of the load; beyond them it stays. At each it gives back what the recipe states.
        """
        if self.pace.own is not None and self.is_own(load):
            return self.pace.own
        if self.second is None or self.load is None:
            return self.pace.value
        way = math.log(load / self.load) / math.log(self.second.load / self.load)
        return float(self.pace.value * (self.second.pace / self.pace.value)
                     ** min(max(way, 0.0), 1.0))

    @property
    def oven_c(self) -> float:
        """Heat of its longest part, as a conventional oven."""
        return self.parts[self.main].heat_c



def done_c_of(style_done_c: float, kind: OvenKind, constants: HeatConstants = HEAT) -> float:
    """Return when a centre is done: no hotter over steam than steam can bring it."""
    return min(style_done_c, constants.steam_done_c) if kind is OvenKind.STEAM else style_done_c


def stretches_of(parts: Sequence[PhasePart], *, open_load: float,
                 covered_load: float) -> tuple[Stretch, ...]:
    """Return the stretches of a bake with the loads of one pan."""
    return tuple(Stretch(share=one.share, oven_c=one.heat_c,
                         load=covered_load if one.covered else open_load) for one in parts)


def source_bake(recipe: Recipe, source: Source, *, constants: HeatConstants = HEAT,
                ) -> tuple[SourceBake | None, tuple[Finding, ...]]:
    """Return the recipe's own bake, None where it cannot be told, and what there is to say.

    Parameters
    ----------
    recipe : Recipe
        With its setting, phases, kind, stated time and style.
    source : Source
        The recipe in its own pans; the stated time belongs to the slowest of them.
    constants : HeatConstants
        As shipped, or corrected by what was learnt.
    """
    kind = recipe.oven_kind or OvenKind.CONVENTIONAL
    read = read_phases(recipe.phases, setting=recipe.setting, kind=kind,
                       stated_min=None if recipe.stated is None else recipe.stated.middle_min)
    if not read.parts:
        return None, read.findings
    stated = recipe.stated
    if stated is None and read.total_min is not None:
        stated = StatedTime(low_min=read.total_min, high_min=read.total_min)
    start_c = float(getattr(constants, recipe.start.value))
    done_c = done_c_of(recipe.style.done_c.value, kind, constants)
    found = None
    for one in source.filled:
        heat = _load(one, recipe.style.density.value, constants)
        if heat is None:
            continue
        course = Course(
            stretches=stretches_of(
                read.parts, open_load=_open(one, recipe, heat, constants),
                covered_load=_covered(one, recipe, heat, constants)
                if any(part.covered for part in read.parts) else heat.total),
            pace=1.0, start_c=start_c, done_c=done_c, constants=constants,
            lag_min=constants.lag_of(heat.stands_cm),
            factor=constants.finish(one.vessel.pan.finish) * constants.own_factor(kind))
        if found is None or course.slowness > found[0].slowness:
            found = course, heat, one.vessel.pan.finish
    pace = pace_of(stated, None if found is None else found[0],
                   style=recipe.style.pace,
                   load=USUAL_LOAD if found is None else found[1].total)
    own = None if found is None else replace(
        found[0], pace=pace.value if pace.own is None else pace.own)
    second = None if found is None or not pace.calibrated else _second(
        recipe, source, found[0], found[1].total, constants)
    return SourceBake(
        kind=kind, kind_assumed=recipe.oven_kind is None, setting=recipe.setting,
        parts=read.parts, main=read.main, stated=stated, start_c=start_c, done_c=done_c,
        load=None if found is None else found[1].total,
        stands_cm=None if found is None else found[1].stands_cm,
        finish=PanFinish.BRIGHT if found is None else found[2], pace=pace,
        likely_min=None if own is None else minutes(own), course=own,
        strips=recipe.strips, second=second,
        timing=_timing(recipe, source, kind, stated), style_pace=recipe.style.pace.value,
        slow_style=recipe.style.pace.high / recipe.style.pace.value,
        style_done_c=recipe.style.done_c.value,
        never_hotter=_never_hotter(recipe), constants=constants), read.findings


def _timing(recipe: Recipe, source: Source, kind: OvenKind, stated: StatedTime | None) -> str:
    """Return a key of all that the pace of a recipe rests on, but for its amounts."""
    time = "" if stated is None else f"{stated.low_min:g}-{stated.high_min:g}"
    pans = ",".join(f"{one.count}x{one.vessel.pan.capacity_ml:.0f}{one.vessel.pan.finish.value}"
                    for one in source.filled)
    heat = recipe.setting
    setting = "" if heat is None else f"{heat.value:g}{heat.scale.value}"
    return f"{recipe.style.key}/{kind.value}/{setting}/{time}/{pans}"


def _second(recipe: Recipe, source: Source, first: Course, load: float,
            constants: HeatConstants) -> Second | None:
    """Return the first other pan of the recipe whose time can be told apart from its own pan's.

    It takes the whole batch; a card with layers, which would lie in it otherwise, has none.
    """
    if source.layer_g or source.top_g:
        return None
    for pan, stated in recipe.offers:
        each = source.net_g / recipe.style.density.value / pan.count
        one = FilledPan(vessel=Vessel(pan=pan.pan), count=pan.count, batter_ml=each)
        heat = _load(one, recipe.style.density.value, constants)
        if heat is None or abs(math.log(heat.total / load)) < LEAST_APART:
            continue
        scale = _open(one, recipe, heat, constants) / first.stretches[0].load
        course = replace(first, pace=1.0, stretches=tuple(
            replace(part, load=part.load * scale) for part in first.stretches),
            lag_min=constants.lag_of(heat.stands_cm))
        pace = pace_of(stated, course, style=recipe.style.pace, load=heat.total)
        if pace.calibrated and isinstance(pan.pan, Pan):
            return Second(label=pan.pan.label, stated=stated, load=heat.total, pace=pace.value)
    return None


def _open(one: FilledPan, recipe: Recipe, bare: HeatLoad, constants: HeatConstants) -> float:
    """Return the load with the recipe's own strips, where it has any."""
    if not recipe.strips:
        return bare.total
    wrapped = _load(one, recipe.style.density.value, constants,
                    Faces(wall=constants.strips_wall))
    return bare.total if wrapped is None else wrapped.total


def _load(one: FilledPan, density: float, constants: HeatConstants,
          faces: Faces | None = None) -> HeatLoad | None:
    if not isinstance(one.vessel.pan, Pan) or one.batter_ml <= 0 or not one.fits:
        return None
    return heat_load(one.vessel.pan, batter_g=one.batter_ml * density, batter_ml=one.batter_ml,
                     layer_g=one.vessel.layer_g + one.vessel.top_g,
                     layer_ml=one.vessel.layer_ml + one.vessel.top_ml, faces=faces or Faces(),
                     constants=constants)


def _covered(one: FilledPan, recipe: Recipe, bare: HeatLoad, constants: HeatConstants) -> float:
    covered = _load(one, recipe.style.density.value, constants,
                    Faces(top=constants.covered_top,
                          wall=constants.strips_wall if recipe.strips else 1.0))
    return bare.total if covered is None else covered.total


def _never_hotter(recipe: Recipe) -> str:
    if recipe.style.traits.never_hotter:
        return recipe.style.traits.never_hotter
    batter = [line for line in recipe.lines if line.component in MIXED]
    weights = {line.key: recipe.weights[line.key] for line in batter}
    total = sum(weight.value for weight in weights.values() if weight is not None)
    dark = sum(weight.value for line in batter
               if line.ingredient is not None and line.ingredient.key in DARKENS_EARLY
               and (weight := weights[line.key]) is not None)
    return "a batter rich in honey or syrup" if total and dark >= HONEY_RICH * total else ""
