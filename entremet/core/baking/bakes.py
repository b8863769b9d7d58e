"""The bakes of a fit: one oven setting, and a window of time for every pan."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from entremet.core.baking.constants import HEAT, HeatConstants
from entremet.core.baking.heat_balance import Course, minutes, slowed
from entremet.core.baking.heat_load import BARE, Faces, HeatLoad, heat_load
from entremet.core.baking.pace import Pace, PaceBasis
from entremet.core.baking.phases import PhasePart
from entremet.core.baking.source_bake import SourceBake, done_c_of, stretches_of
from entremet.core.baking.temperature import (
    CRUST_SCHOOLS,
    DEEP,
    GLASS_C,
    LOWER_C,
    School,
    crust,
    same_crust,
)
from entremet.core.baking.treatment import PLAIN, Cover, Treatment, covered_parts, faces
from entremet.core.baking.window import (
    FIRST_LOOK,
    USUAL_LOAD,
    Spread,
    Window,
    spread,
    window,
)
from entremet.core.fitting.standing import Standing
from entremet.core.fitting.vessel import Vessel
from entremet.core.learning.book import CLOSED_BOOK, Book
from entremet.core.learning.entries import Facts
from entremet.core.learning.model import Predicted
from entremet.core.learning.spreads import SPREADS
from entremet.core.ovens.oven import Oven, on_dial
from entremet.core.ovens.settings import OWN_HEAT, OvenKind, Setting
from entremet.core.pans.pan import Pan, PanFinish


@dataclass(frozen=True, slots=True, kw_only=True)
class PanHeat:
    """What a filled pan brings to the oven.

    Parameters
    ----------
    entry : int
        Its place among the chosen pans.
    load : float
        Heat load, bare: what it is compared by.
    open_load, covered_load : float
        Heat load as treated, with its top open and covered.
    finish : PanFinish
        Of the pan.
    stands_cm : float
        How high the batter stands halfway through.
    key : str
        What the pan is learnt by; empty where nobody keeps it.
    """

    entry: int
    load: float
    open_load: float
    covered_load: float
    finish: PanFinish
    stands_cm: float
    key: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class OvenStep:
    """A phase at the kitchen's own oven.

    Parameters
    ----------
    setting : Setting or None
        On its dial; None where it has none.
    part : PhasePart
        The phase, at the heat that setting gives.
    """

    setting: Setting | None
    part: PhasePart


@dataclass(frozen=True, slots=True, kw_only=True)
class OvenChoice:
    """Settings of the kitchen's dial for a pan.

    Parameters
    ----------
    steps : tuple of OvenStep
        One for each phase.
    main : int
        Place of the longest.
    moved_c : float
        How far below the recipe, °C; below zero is hotter.
    at_limit : bool
        Whether the school wanted to go further than it may.
    """

    steps: tuple[OvenStep, ...]
    main: int
    moved_c: float
    at_limit: bool

    @property
    def setting(self) -> Setting | None:
        """Setting of the longest phase."""
        return self.steps[self.main].setting

    @property
    def oven_c(self) -> float:
        """Heat at that setting, as a conventional oven."""
        return self.steps[self.main].part.heat_c

    @property
    def parts(self) -> tuple[PhasePart, ...]:
        """The phases at the heats that are really set."""
        return tuple(one.part for one in self.steps)


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
    model, course : Course
        How its centre warms with nothing learnt, and with what was.
    facts : Facts or None
        What it is learnt by; None in an oven no hotter than done.
    expects : Predicted
        What the logbook has to say of it.
    crust : float or None
        Crust at the likely time over the recipe's own; None where either has none to compare.
    as_stated : bool
        Whether it is the recipe's own bake, in its own pan and kind of oven at its own setting.
    """

    entry: int
    heat: PanHeat
    oven: OvenChoice
    own: OvenChoice
    window: Window | None
    spread: Spread
    model: Course
    course: Course
    facts: Facts | None
    expects: Predicted
    crust: float | None
    as_stated: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class BakeWay:
    """How a fit bakes.

    Parameters
    ----------
    oven : Oven
        The kitchen's oven.
    school : School
        How the temperature is chosen.
    own : Setting or None
        What the baker sets by that school, on this oven's dial; None is the recipe's own.
    separately : bool
        Every pan at its own setting; else all at that of the pan slowest at the recipe's heat.
    treatment : Treatment
        Strips, covering, another finish or start.
    book : Book
        What was learnt of this oven and recipe.
    """

    oven: Oven
    school: School = School.SAME_CRUST
    own: Setting | None = None
    separately: bool = False
    treatment: Treatment = PLAIN
    book: Book = CLOSED_BOOK


def pan_heat(entry: int, vessel: Vessel, standing: Standing, treatment: Treatment = PLAIN,
             constants: HeatConstants = HEAT, *, own_dough: bool = False,
             key: str = "") -> PanHeat | None:
    """Return the heat of a pan; None without measures, without batter, or not fitting.

    Dough patted out is timed only against a recipe for such dough: ``own_dough`` says so.
    """
    pan = vessel.pan
    if (not isinstance(pan, Pan) or (vessel.is_patted and not own_dough) or not standing.fits
            or standing.batter_ml <= 0):
        return None
    def load(one: Faces) -> HeatLoad:
        return heat_load(pan, batter_g=standing.batter_g, batter_ml=standing.batter_ml,
                         layer_g=vessel.layer_g + vessel.top_g,
                         layer_ml=vessel.layer_ml + vessel.top_ml, faces=one, constants=constants)

    bare = load(BARE)
    open_top = load(faces(treatment, covered=False, constants=constants)) if (
        treatment.strips) else bare
    covered = load(faces(treatment, covered=True, constants=constants))
    return PanHeat(entry=entry, load=bare.total, open_load=open_top.total,
                   covered_load=covered.total, finish=treatment.finish or pan.finish,
                   stands_cm=bare.stands_cm, key=key)


def bake_all(heats: Sequence[PanHeat], source: SourceBake, way: BakeWay) -> list[Bake]:
    """Give every pan its setting and its window.

    Parameters
    ----------
    heats : sequence of PanHeat
        Pans that can be timed.
    source : SourceBake
        The recipe's own bake.
    way : BakeWay
        The oven, and how it is used.
    """
    if not heats:
        return []
    parts = _parts(source, way)
    owns = [_own_setting(heat, parts, source, way) for heat in heats]
    slowest = max(range(len(heats)), key=lambda i: _course(
        heats[i], parts, source, way).slowness)
    return [_bake(heat, source, way, own if way.separately else owns[slowest], own)
            for heat, own in zip(heats, owns, strict=True)]


INTO_OVEN_C = 180.0
"""Heat, as a conventional oven, that a steamed or hob recipe is given in one; practice."""


def leaves_own_heat(source: SourceBake, oven: Oven) -> bool:
    """Whether a recipe for steam or the hob is put in an oven: nothing tells at what setting."""
    return source.kind in OWN_HEAT and oven.has_dial


def into_oven(source: SourceBake) -> SourceBake:
    """Return a steamed or hob recipe as an oven bakes it: at 180 °C, at its style's pace.

    Nothing of its own time carries over, so the window is as wide as without one.
    """
    return replace(
        source, moved_from=source.kind, kind=OvenKind.CONVENTIONAL, setting=None, main=0,
        stated=None, load=None,
        parts=(PhasePart(share=1.0, heat_c=INTO_OVEN_C),), likely_min=None, course=None,
        second=None,
        done_c=source.style_done_c, pace=Pace(value=source.style_pace,
                                              basis=PaceBasis.NO_SOURCE))


def lead_of(bakes: Sequence[Bake]) -> Bake:
    """Return the slowest bake: the one that sets the oven where all share it."""
    return max(bakes, key=lambda bake: bake.model.slowness)


def _parts(source: SourceBake, way: BakeWay) -> tuple[PhasePart, ...]:
    """Return the recipe's phases as this oven can follow them."""
    kind = way.oven.kind
    if way.oven.has_dial:
        return covered_parts(source.parts, way.treatment.cover, source.constants)
    if source.kind is kind:
        return source.parts
    return (PhasePart(share=1.0, heat_c=OWN_HEAT[kind]),)


def _course(heat: PanHeat, parts: Sequence[PhasePart], source: SourceBake, way: BakeWay, *,
            with_finish: bool = True) -> Course:
    kind, start, constants = way.oven.kind, way.treatment.start, source.constants
    style_done = source.done_c if source.kind is not OvenKind.STEAM else constants.steam_done_c
    return Course(
        stretches=stretches_of(parts, open_load=heat.open_load, covered_load=heat.covered_load),
        pace=source.pace_at(heat.load), constants=constants,
        lag_min=constants.lag_of(heat.stands_cm),
        done_c=done_c_of(style_done, kind, constants),
        start_c=source.start_c if start is None else float(getattr(constants, start.value)),
        factor=constants.own_factor(kind) * (
            constants.finish(heat.finish) if with_finish else 1.0))


def _own_setting(heat: PanHeat, parts: Sequence[PhasePart], source: SourceBake,
                 way: BakeWay) -> OvenChoice:
    lower_c, at_limit = 0.0, False
    if way.oven.has_dial and parts[-1].heat_c > source.done_c:
        lower_c, at_limit = _lower_by(heat, parts, source, way)
    steps = []
    main = max(range(len(parts)), key=lambda place: parts[place].share)
    for one in parts:
        setting = on_dial(way.oven, one.heat_c, lower_by_c=lower_c)
        if way.school is School.OWN and way.own is not None and one is parts[main]:
            setting = way.own
        steps.append(OvenStep(setting=setting,
                              part=replace(one, heat_c=way.oven.heat_c(setting))))
    return OvenChoice(steps=tuple(steps), main=main, at_limit=at_limit,
                      moved_c=source.oven_c - steps[main].part.heat_c)


def _lower_by(heat: PanHeat, parts: Sequence[PhasePart], source: SourceBake,
              way: BakeWay) -> tuple[float, bool]:
    """Return how far a school goes below the recipe, and whether its reach cut that short."""
    if way.school is School.OWN:
        # Every phase moves as far as the longest one does.
        longest = max(parts, key=lambda one: one.share)
        return (0.0 if way.own is None else longest.heat_c - way.oven.heat_c(way.own)), False
    if way.school is School.LOWER:
        return (LOWER_C if is_deep(heat, source) or heat.finish is PanFinish.DARK else 0.0), False
    if (way.school not in CRUST_SCHOOLS or source.course is None or source.load is None
            or source.kind in OWN_HEAT):
        return 0.0, False
    bare = replace(source.course, factor=source.course.factor
                   / source.constants.finish(source.finish))
    recipe_crust = crust(bare, minutes(bare) or 0.0)
    # Strips and foil keep the crust by themselves: only a recipe that has strips is met with them.
    bare_heat = heat if source.strips else replace(heat, open_load=heat.load)
    uncovered = parts if way.treatment.cover is Cover.AS_RECIPE else source.parts
    wanted = same_crust(_course(bare_heat, uncovered, source, way, with_finish=False),
                        recipe_crust=recipe_crust)
    both_ways = way.school is School.BOTH_WAYS and not source.never_hotter
    lower_c = -wanted.shift_c if both_ways else max(0.0, -wanted.shift_c)
    at_limit = wanted.at_limit and lower_c != 0
    glass = (heat.finish is PanFinish.GLASS) - (source.finish is PanFinish.GLASS)
    return lower_c + GLASS_C * glass, at_limit


def is_deep(heat: PanHeat, source: SourceBake) -> bool:
    """Whether a pan holds a quarter more batter per warm surface than the recipe's."""
    return source.load is not None and heat.load > DEEP * source.load


def _bake(heat: PanHeat, source: SourceBake, way: BakeWay, chosen: OvenChoice,
          own: OvenChoice) -> Bake:
    kind, treated = way.oven.kind, way.treatment
    model = _course(heat, chosen.parts, source, way)
    model_min = minutes(model)
    facts = _facts(heat, source, way, model_min or 1.0)
    said = way.book.expects(facts)
    how = spread(said, slow_style=source.slow_style if not source.pace.calibrated else 1.0,
                 untimed=SPREADS.untimed)
    same_treatment = treated.strips is source.strips and treated.start is None and (
        treated.cover is Cover.AS_RECIPE)
    as_stated = (
        source.pace.calibrated and source.load is not None and kind is source.kind
        and heat.finish is source.finish and chosen.parts == source.parts and same_treatment
        and math.isclose(heat.load, source.load, rel_tol=1e-6) and not said.bakes)
    found: Window | None = None
    course = model
    if model_min is not None:
        likely = said.factor * model_min
        course = slowed(model, said.factor, model_min=model_min) if said.bakes else model
        apart, left = _apart(heat, source, said)
        found = window(likely, how, range_low=source.pace.range_low, proven=said.right_here,
                       apart=apart, left=left)
        if source.pace.own is not None and not source.is_own(heat.load):
            found = _reaching(found, minutes(replace(course, pace=source.pace.own)))
    return Bake(entry=heat.entry, heat=heat, oven=chosen, own=own, window=found, spread=how,
                as_stated=as_stated, model=model,
                course=course, expects=said,
                facts=None if model_min is None else facts,
                crust=None if model_min is None or not way.oven.has_dial
                else crust_over_recipe(model, model_min, source))


def _apart(heat: PanHeat, source: SourceBake, said: Predicted) -> tuple[float, float]:
    """Return how far a pan is from what its time is known of, and what learning left open of it.

    With no stated time that is a usual cake.
    """
    if source.load is None or not source.pace.calibrated:
        return math.log(heat.load / USUAL_LOAD), 1.0 if not said.by_recipe else 0.0
    apart = math.log(heat.load / source.load)
    now = dict(said.parts).get("apart", 0.0)
    return apart, min(1.0, now / (SPREADS.apart * abs(apart))) if apart else 1.0


def _facts(heat: PanHeat, source: SourceBake, way: BakeWay, model_min: float) -> Facts:
    """Return what a bake is learnt by. A flame is no dial: on the hob a stated time is none."""
    kind = way.oven.kind
    return Facts(
        oven=way.book.oven, recipe=way.book.recipe_key(source.timing), pan=heat.key,
        kind=kind.value, expected_min=model_min,
        timed=source.pace.calibrated and kind is not OvenKind.HOB,
        half_range=source.pace.half_range, kind_changes=kind is not source.kind,
        apart=0.0 if source.load is None else math.log(heat.load / source.load))


def _reaching(found: Window, other_min: float | None) -> Window:
    """Return a window that reaches to what the stated time would give here."""
    if other_min is None:
        return found
    return replace(found, first_look_min=min(found.first_look_min, FIRST_LOOK * other_min),
                   early_min=min(found.early_min, other_min),
                   latest_min=max(found.latest_min, other_min))


def crust_over_recipe(course: Course, at_min: float, source: SourceBake) -> float | None:
    """Return the crust after so many minutes over that of the recipe's own bake.

    None where the recipe's own is not known, or comes from steam.
    """
    if source.course is None or source.likely_min is None or source.kind in OWN_HEAT:
        return None
    return crust(course, at_min) / crust(source.course, source.likely_min)
