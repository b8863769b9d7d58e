"""Baking powder in larger pans: in proportion, or less; two schools."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from entremet.core.card.recipe import Recipe
from entremet.core.fitting.powder import is_powder
from entremet.core.fitting.rules import Raising
from entremet.core.fitting.sharing import Place
from entremet.core.fitting.source import Source
from entremet.core.ground.findings import Finding, note
from entremet.core.pans.pan import AnyPan, Pan

LESS_PER_DOUBLING = 0.08
"""Baking powder withheld for each doubling of a pan's area; practice, range 0 to 0.12."""

LEAST_SHARE = 0.75
"""Never less than this of it; practice."""

def powder_share(school: Raising, places: Sequence[Place], source: Source) -> float:
    """Return how much of its proportional baking powder a batter gets.

    max(0.75, 1 − 0.08·log₂(A / A_recipe)), and never more than 1. A is the mean base area of the
    pans, weighed by what they hold.
    """
    if school is Raising.PROPORTION:
        return 1.0
    ours = _mean_area([(place.vessel.pan, place.count) for place in places])
    theirs = _mean_area([(one.vessel.pan, one.count) for one in source.filled])
    if ours is None or theirs is None or ours <= theirs:
        return 1.0
    return max(LEAST_SHARE, 1 - LESS_PER_DOUBLING * math.log2(ours / theirs))


def withheld_g(recipe: Recipe, share: float, left_out: frozenset[int]) -> float:
    """Return what that share takes from the batter of the recipe."""
    return (1 - share) * sum(
        weight.value for line in recipe.lines
        if is_powder(line) and line.key not in left_out
        and (weight := recipe.weights[line.key]) is not None)


def raising_findings(recipe: Recipe, school: Raising, share: float) -> Iterator[Finding]:
    """Yield what the school does to this batter."""
    if school is Raising.PROPORTION:
        return
    names = [line.name for line in recipe.lines if is_powder(line)]
    if not names:
        yield note("no_powder", "There is no baking powder on this card, so less of it in large "
                   "pans changes nothing.", subject="raising")
    elif share == 1:
        yield note("powder_in_proportion", "These pans are no larger than the recipe's: baking "
                   "powder stays in proportion.", subject="raising")
    else:
        yield note("less_powder", f"Baking powder × {share:.2f}, as some bakers do for large pans: "
                   "a flatter top and less taste of raising, a little less rise. Soda stays, since "
                   "it answers an acid. Practice, not physics.", subject="raising",
                   numbers={"share": share})


def _mean_area(pans: Sequence[tuple[AnyPan, int]]) -> float | None:
    measured = [(pan, count) for pan, count in pans if isinstance(pan, Pan)]
    if not measured or len(measured) < len(pans):
        return None
    weight = sum(pan.capacity_ml * count for pan, count in measured)
    return sum(pan.layer_area_cm2 * pan.capacity_ml * count for pan, count in measured) / weight
