"""From a filled and timed pan of a fit to the bake inside it."""

from __future__ import annotations

import math
from functools import lru_cache

from entremet.core.baking.treatment import Treatment, faces
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.inside.body import CakeSlice, sides_of
from entremet.core.inside.field import Spell, Warming, warmed
from entremet.core.pans.pan import Pan
from entremet.core.plan.pan_plan import PanPlan

MOST_KEPT = 24
"""Bakes that are kept: the same bake is not followed twice."""


def inside_of(one: PanPlan, *, rise: float, treatment: Treatment, finer: int = 1) -> Warming:
    """Follow the bake of a pan of a fit.

    Parameters
    ----------
    one : PanPlan
        Measured, filled and timed.
    rise : float
        Baked over raw volume, of the recipe's style.
    treatment : Treatment
        Strips, covering, another finish.
    finer : int
        For tests.

    Raises
    ------
    ImpossibleChoice
        For a pan without measures or without a time.
    """
    pan, bake, standing = one.entry.pan, one.bake, one.standing
    if not isinstance(pan, Pan) or standing is None or bake is None or bake.window is None:
        raise ImpossibleChoice(f"{one.entry.label} has no measures, or no time: nobody can look "
                               "inside it.", field="entry")
    depth = pan.depth_cm(standing.batter_ml)
    inner, outer, all_round = sides_of(pan.base)
    # A sloping wall is taken at its middle.
    wider = math.sqrt(pan.area_cm2(depth / 2) / pan.base.area())
    inner, outer = inner * wider, outer * wider
    body = CakeSlice(inner_cm=inner, outer_cm=outer, depth_cm=depth, wall_cm=pan.wall_cm.value,
                density=standing.batter_g / standing.batter_ml, rise=rise, round_axis=all_round,
                finish=treatment.finish or pan.finish)
    course = bake.course
    steps = [step.part for step in bake.oven.steps]
    same = len(steps) == len(course.stretches)
    spells = []
    for place, stretch in enumerate(course.stretches):
        face = faces(treatment, covered=same and steps[place].covered)
        spells.append(Spell(share=stretch.share, oven_c=stretch.oven_c, top=face.top,
                            wall=face.wall))
    return _kept(body, tuple(spells), course.start_c, course.done_c, bake.window.likely_min, finer)


@lru_cache(maxsize=MOST_KEPT)
def _kept(body: CakeSlice, spells: tuple[Spell, ...], start_c: float, done_c: float,
          likely_min: float, finer: int) -> Warming:
    return warmed(body, spells, start_c=start_c, done_c=done_c, likely_min=likely_min,
                  finer=finer)
