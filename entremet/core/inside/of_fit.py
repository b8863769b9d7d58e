"""From a filled and timed pan of a fit to the bake inside it."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache

from entremet.core.baking.treatment import Treatment, faces
from entremet.core.ground.errors import CoreError, ImpossibleChoice
from entremet.core.inside.body import CakeSlice, sides_of
from entremet.core.inside.field import Spell, Warming, warmed
from entremet.core.inside.told import InsideTold, told_of
from entremet.core.ovens.settings import OWN_HEAT, OvenKind
from entremet.core.pans.pan import Pan
from entremet.core.plan.pan_plan import PanPlan

MOST_KEPT = 24
"""Bakes that are kept: the same bake is not followed twice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class PanToOpen:
    """A filled pan on its way through the oven, ready to be followed; kept with a bake day.

    Parameters
    ----------
    label : str
        What the pan is called.
    body : CakeSlice
        The slice.
    spells : tuple of Spell
        Of its bake.
    start_c, done_c : float
        As it goes in, and done in the middle, °C.
    """

    label: str
    body: CakeSlice
    spells: tuple[Spell, ...]
    start_c: float
    done_c: float

    def followed(self, likely_min: float, *, finer: int = 1) -> Warming:
        """Follow it; the same bake only once.

        Parameters
        ----------
        likely_min : float
            When it is likely done: by the fit, or by a probe that is in it.
        finer : int
            For tests.
        """
        return _kept(self, likely_min, finer)


def inside_of(one: PanPlan, *, oven: OvenKind, treatment: Treatment, finer: int = 1) -> Warming:
    """Follow the bake of a pan of a fit to its own likely minute.

    Raises
    ------
    ImpossibleChoice
        For a pan without measures or without a time, or no oven's heat.
    """
    pan = pan_to_open(one, oven=oven, treatment=treatment)
    if one.bake is None or one.bake.window is None:
        raise AssertionError("a pan that can be opened has a time")
    return pan.followed(one.bake.window.likely_min, finer=finer)


def inside_told(one: PanPlan, *, oven: OvenKind, treatment: Treatment) -> InsideTold | None:
    """Return what the inside of a pan's bake tells; None where it cannot be followed."""
    try:
        return told_of(inside_of(one, oven=oven, treatment=treatment))
    except CoreError:
        return None


def pan_to_open(one: PanPlan, *, oven: OvenKind, treatment: Treatment) -> PanToOpen:
    """Return a pan of a fit, ready to be followed.

    Parameters
    ----------
    one : PanPlan
        Measured, filled and timed.
    oven : OvenKind
        What it bakes in; steam and a pot on the hob warm a cake otherwise than the field knows.
    treatment : Treatment
        Strips, covering, another finish.

    Raises
    ------
    ImpossibleChoice
        For a pan without measures or without a time, or no oven's heat.
    """
    pan, bake, standing = one.entry.pan, one.bake, one.standing
    if oven in OWN_HEAT:
        raise ImpossibleChoice("Only what bakes in an oven can be opened: steam and a pot on the "
                               "hob warm a cake in another way.", field="oven")
    if not isinstance(pan, Pan) or standing is None or standing.stands_cm is None or (
            bake is None or bake.window is None):
        raise ImpossibleChoice(f"{one.entry.label} has no measures, or no time: nobody can look "
                               "inside it.", field="entry")
    if pan.is_ball:
        raise ImpossibleChoice(f"{one.entry.label} is round below: its inside is not followed.",
                               field="entry")
    # With the layer under it, which takes part and does not rise; as high as the fit says.
    depth = standing.stands_cm
    raw_ml = pan.volume_ml(depth)
    inner, outer, all_round = sides_of(pan.base)
    # A sloping wall is taken at its middle.
    wider = math.sqrt(pan.area_cm2(depth / 2) / pan.base.area())
    body = CakeSlice(
        inner_cm=inner * wider, outer_cm=outer * wider, depth_cm=depth,
        wall_cm=0.0 if pan.patted else pan.wall_cm.value,
        density=(standing.batter_g + standing.layer_g) / raw_ml, rise=standing.risen_ml / raw_ml,
        round_axis=all_round, finish=treatment.finish or pan.finish)
    course = bake.course
    steps = [step.part for step in bake.oven.steps]
    same = len(steps) == len(course.stretches)
    spells = []
    for place, stretch in enumerate(course.stretches):
        face = faces(treatment, covered=same and steps[place].covered)
        spells.append(Spell(share=stretch.share, oven_c=stretch.oven_c, top=face.top,
                            wall=face.wall))
    return PanToOpen(label=one.entry.label, body=body, spells=tuple(spells),
                     start_c=course.start_c, done_c=course.done_c)


@lru_cache(maxsize=MOST_KEPT)
def _kept(pan: PanToOpen, likely_min: float, finer: int) -> Warming:
    return warmed(pan.body, pan.spells, start_c=pan.start_c, done_c=pan.done_c,
                  likely_min=likely_min, finer=finer)
