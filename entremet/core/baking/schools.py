"""Temperature schools side by side: the setting of each, its time, its crust and its dome."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from entremet.core.baking.bakes import Bake, BakeWay, PanHeat, bake_all
from entremet.core.baking.source_bake import SourceBake
from entremet.core.baking.temperature import School
from entremet.core.ground.quantities import degrees
from entremet.core.ground.wording import compared
from entremet.core.pans.pan import PanFinish

SAME_CRUST_SHARE = 0.08
"""Crust within this share of the recipe's counts as the recipe's; practice."""

DOME_LOAD = 0.15
DOME_PER_C = 0.015
DOME_STRIPS = 0.3
DOME_HEAVY = 0.15
"""A cake domes more with more batter per warm surface and with a hotter oven, less with strips
round the wall and in a heavy tin. How these weigh against each other is an estimate, and only its
sign is told: beyond 0.15 on the log of the load, or 10 °C, it is said in words. No figure is
shown."""

SCHOOL_WORDS = {
    School.SAME_CRUST: "Same crust, never hotter",
    School.BOTH_WAYS: "Same crust both ways",
    School.AS_RECIPE: "As the recipe",
    School.LOWER: f"{degrees(15)} lower for deep or dark",
    School.OWN: "Your own setting",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class SchoolRow:
    """One school for the pan that leads the oven.

    Parameters
    ----------
    school : School
        Which one.
    bake : Bake
        What it gives that pan.
    crust, dome : str
        Crust and dome against the recipe's own, in words.
    """

    school: School
    bake: Bake
    crust: str
    dome: str


def school_rows(lead: PanHeat, source: SourceBake, way: BakeWay) -> tuple[SchoolRow, ...]:
    """Return every school for one pan; none where the oven has no dial."""
    if not way.oven.has_dial:
        return ()
    rows = []
    for school in (one for one in School if one is not School.OWN or way.own is not None):
        bakes = bake_all([lead], source, replace(way, school=school))
        rows += [SchoolRow(school=school, bake=bake, crust=crust_words(bake.crust),
                           dome=dome_words(bake, source, strips=way.treatment.strips))
                 for bake in bakes]
    return tuple(rows)


def crust_words(ratio: float | None) -> str:
    """Say how a crust compares with the recipe's own.

    >>> crust_words(1.02), crust_words(1.35)
    ("the recipe's crust", 'about a third darker')
    """
    if ratio is None:
        return "no crust to compare"
    if abs(ratio - 1) <= SAME_CRUST_SHARE:
        return "the recipe's crust"
    if ratio > 2:
        return "far darker"
    if ratio < 0.5:
        return "much paler"
    said = compared(ratio, more="darker", less="paler", times="as dark")
    said = said[:1].lower() + said[1:]
    return said.removesuffix(" than").removesuffix(" as") + (
        " as the recipe's" if said.endswith(" as") else "")


def dome_words(bake: Bake, source: SourceBake, *, strips: bool) -> str:
    """Say whether a cake is likely to dome more than in the recipe's own pan."""
    if source.load is None:
        return ""
    more = (math.log(bake.heat.load / source.load) - DOME_PER_C * bake.oven.moved_c
            - (DOME_STRIPS if strips else 0.0)
            - DOME_HEAVY * ((bake.heat.finish is PanFinish.HEAVY)
                            - (source.finish is PanFinish.HEAVY)))
    if more > DOME_LOAD:
        return "likely to dome more"
    return "likely flatter" if more < -DOME_LOAD else "about the recipe's dome"
