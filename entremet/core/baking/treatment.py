"""What is done to a bake beside its oven: strips, covering, another pan, a cold start."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import Enum

from entremet.core.baking.constants import HEAT, HeatConstants
from entremet.core.baking.heat_load import Faces
from entremet.core.baking.phases import PhasePart
from entremet.core.card.recipe import BatterStart
from entremet.core.pans.pan import PanFinish


class Cover(Enum):
    """When the top is covered with foil or paper."""

    AS_RECIPE = "as_recipe"
    BARE = "bare"
    LATE = "late"
    WHOLE = "whole"


@dataclass(frozen=True, slots=True, kw_only=True)
class Treatment:
    """Switches of a fit's bakes.

    Parameters
    ----------
    strips : bool
        Whether insulating strips lie round the wall.
    cover : Cover
        When the top is covered.
    finish : PanFinish or None
        Taken for every pan; None takes each pan's own.
    start : BatterStart or None
        How warm the batter goes in; None takes the recipe's.
    """

    strips: bool = False
    cover: Cover = Cover.AS_RECIPE
    finish: PanFinish | None = None
    start: BatterStart | None = None


PLAIN = Treatment()


def followed(treatment: Treatment, *, has_dial: bool) -> Treatment:
    """Return what of a treatment an oven can follow: strips and covering mean nothing to steam.

    >>> followed(Treatment(strips=True, cover=Cover.WHOLE), has_dial=False) == PLAIN
    True
    """
    return treatment if has_dial else replace(treatment, strips=False, cover=Cover.AS_RECIPE)


def faces(treatment: Treatment, *, covered: bool, constants: HeatConstants = HEAT) -> Faces:
    """Return how well each face takes up heat."""
    return Faces(top=constants.covered_top if covered else 1.0,
                 wall=constants.strips_wall if treatment.strips else 1.0)


def covered_parts(parts: Sequence[PhasePart], cover: Cover,
                  constants: HeatConstants = HEAT) -> tuple[PhasePart, ...]:
    """Return the parts of a bake with its covering as chosen.

    Late covering starts at 0.6 of the time (practice) and splits the part that is under way.

    >>> [one.share for one in covered_parts([PhasePart(share=1.0, heat_c=170)], Cover.LATE)]
    [0.6, 0.4]
    """
    if cover is Cover.AS_RECIPE:
        return tuple(parts)
    if cover is not Cover.LATE:
        return tuple(replace(one, covered=cover is Cover.WHOLE) for one in parts)
    found, before = [], 0.0
    for one in parts:
        bare = min(max(constants.cover_from - before, 0.0), one.share)
        if bare > 1e-9:
            found.append(replace(one, share=bare, covered=False))
        if one.share - bare > 1e-9:
            found.append(replace(one, share=one.share - bare, covered=True,
                                 note=one.note if bare <= 1e-9 else ""))
        before += one.share
    return tuple(found)
