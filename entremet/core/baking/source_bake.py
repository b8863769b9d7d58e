"""The recipe's own bake, in its own slowest pan: what every other bake is moved from."""

from __future__ import annotations

from dataclasses import dataclass, replace

from entremet.core.baking.constants import HEAT
from entremet.core.baking.heat_balance import Course, minutes
from entremet.core.baking.heat_load import heat_load
from entremet.core.baking.pace import Pace, pace_of
from entremet.core.baking.settings import OvenKind, Setting, heat_c
from entremet.core.card.recipe import Recipe
from entremet.core.fitting.source import FilledPan, Source
from entremet.core.pans.pan import Finish, Pan


@dataclass(frozen=True, slots=True, kw_only=True)
class SourceBake:
    """The recipe's bake as it stands.

    Parameters
    ----------
    kind : OvenKind
        Oven it is written for; conventional where it does not say.
    kind_assumed : bool
        Whether it does not say.
    setting : Setting
        As written.
    oven_c : float
        Heat of that setting, as a conventional oven.
    start_c, done_c : float
        Centre going in and when done.
    load : float or None
        Heat load of its slowest pan; None where no pan is known.
    finish : Finish
        Of that pan.
    pace : Pace
        From its stated time, or from its style.
    likely_min : float or None
        Its time as the model has it, stated where calibrated.
    """

    kind: OvenKind
    kind_assumed: bool
    setting: Setting
    oven_c: float
    start_c: float
    done_c: float
    load: float | None
    finish: Finish
    pace: Pace
    likely_min: float | None

    def course(self, load: float, *, finish: float) -> Course:
        """Return the bake of another heat load at this recipe's pace."""
        return Course(load=load, pace=self.pace.value, start_c=self.start_c, done_c=self.done_c,
                      finish=finish)


def source_bake(recipe: Recipe, source: Source) -> SourceBake | None:
    """Return the recipe's own bake; None where it names no oven setting.

    Parameters
    ----------
    recipe : Recipe
        With its setting, kind, stated time and style.
    source : Source
        The recipe in its own pans; the stated time belongs to the slowest of them.
    """
    if recipe.setting is None:
        return None
    kind = recipe.oven_kind or OvenKind.CONVENTIONAL
    oven_c = heat_c(recipe.setting, kind)
    start_c = float(getattr(HEAT, recipe.start.value))
    done_c = recipe.style.done_c.value
    slowest: Course | None = None
    finish = Finish.BRIGHT
    for one in source.filled:
        load = _load(one, recipe.style.density.value)
        if load is None:
            continue
        course = Course(load=load, pace=1.0, start_c=start_c, done_c=done_c,
                        finish=HEAT.finish(one.vessel.pan.finish))
        if slowest is None or course.tau_min > slowest.tau_min:
            slowest, finish = course, one.vessel.pan.finish
    pace = pace_of(recipe.stated, slowest, oven_c, style_pace=recipe.style.pace.value)
    likely = None if slowest is None else minutes(replace(slowest, pace=pace.value), oven_c)
    return SourceBake(
        kind=kind, kind_assumed=recipe.oven_kind is None, setting=recipe.setting, oven_c=oven_c,
        start_c=start_c, done_c=done_c, load=None if slowest is None else slowest.load,
        finish=finish, pace=pace, likely_min=likely)


def _load(one: FilledPan, density: float) -> float | None:
    if not isinstance(one.vessel.pan, Pan) or one.batter_ml <= 0 or not one.fits:
        return None
    return heat_load(one.vessel.pan, batter_g=one.batter_ml * density, batter_ml=one.batter_ml,
                     layer_g=one.vessel.layer_g + one.vessel.top_g,
                     layer_ml=one.vessel.layer_ml + one.vessel.top_ml).total
