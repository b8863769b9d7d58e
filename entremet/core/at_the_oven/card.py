"""The bake card: from switching the oven on to the cake out of its pan."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.at_the_oven.cautions import CardCaution, cautions_of
from entremet.core.at_the_oven.signs import Sign, probe_sign, signs_of
from entremet.core.baking.bakes import Bake
from entremet.core.ground.provenance import Figure
from entremet.core.loading.loads import Load
from entremet.core.ovens.settings import OvenKind
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.plan import Plan
from entremet.core.preparing.leaving import Leaving, leaving_of

GIVE_SHARE = 0.10
"""More time for a cake that is not done, as a share of the likely; practice, 0.05 to 0.15."""

LEAST_GIVE_MIN = 2

TALL_CM = 6.0
"""Batter that stands so high halfway through goes into the lower third; practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class CardPhase:
    """A stretch of the bake on the clock.

    Parameters
    ----------
    from_min : int
        Minutes after the pan went in.
    to_min : int or None
        None for the last: a sign ends it.
    dial : str
        Setting on the kitchen's dial.
    covered : bool
        Whether the top is covered.
    note : str
        What else is done.
    """

    from_min: int
    to_min: int | None
    dial: str
    covered: bool
    note: str


@dataclass(frozen=True, slots=True, kw_only=True)
class PanCard:
    """A row of pans on the card.

    Parameters
    ----------
    entry : int
        Its place in the fit.
    shelf : str
        Where it stands; empty where there are no shelves.
    phases : tuple of CardPhase
        At least one.
    give_min : int
        Minutes to give it when it is not done.
    not_done, too_dark : str
        What to do then.
    leaving : Leaving
        How it leaves the pan.
    """

    entry: int
    shelf: str
    phases: tuple[CardPhase, ...]
    give_min: int
    not_done: str
    too_dark: str
    leaving: Leaving


@dataclass(frozen=True, slots=True, kw_only=True)
class BakeCard:
    """All of the card.

    Parameters
    ----------
    heat_before : Figure
        Minutes before the pans go in at which the oven is switched on.
    signs : tuple of Sign
        In the order to look.
    probe : Sign or None
        For those with a thermometer.
    pans : tuple of PanCard
        Those that have a time.
    cautions : tuple of CardCaution
        Each with its step.
    """

    heat_before: Figure
    signs: tuple[Sign, ...]
    probe: Sign | None
    pans: tuple[PanCard, ...]
    cautions: tuple[CardCaution, ...]


def bake_card(plan: Plan, loads: tuple[Load, ...]) -> BakeCard:
    """Return the bake card of a plan.

    Parameters
    ----------
    plan : Plan
        With its bakes.
    loads : tuple of Load
        How its pans stand in the oven.
    """
    timed = [(place, one, one.bake) for place, one in enumerate(plan.pans)
             if one.bake is not None and one.bake.window is not None]
    return BakeCard(
        heat_before=plan.oven.preheat,
        signs=signs_of(plan.recipe),
        probe=probe_sign(plan.recipe.style, timed[0][2].course.done_c) if timed else None,
        pans=tuple(_pan_card(place, one, bake, plan, loads) for place, one, bake in timed),
        cautions=cautions_of(plan))


def phases_of(bake: Bake, plan: Plan) -> tuple[CardPhase, ...]:
    """Return the phases of a bake on the clock; each keeps its share of the likely time."""
    if bake.window is None:
        return ()
    found, before = [], 0.0
    steps = bake.oven.steps
    for place, step in enumerate(steps):
        after = before + step.part.share
        last = place == len(steps) - 1
        found.append(CardPhase(
            from_min=_whole(before * bake.window.likely_min),
            to_min=None if last else _whole(after * bake.window.likely_min),
            dial=plan.oven.words(step.setting), covered=step.part.covered, note=step.part.note))
        before = after
    return tuple(found)


def _pan_card(place: int, one: PanPlan, bake: Bake, plan: Plan,
              loads: tuple[Load, ...]) -> PanCard:
    window = bake.window
    likely, latest = (0.0, 0) if window is None else (window.likely_min, window.shown[3])
    give = max(LEAST_GIVE_MIN, math.ceil(GIVE_SHARE * likely))
    pan = one.entry.pan if one.place is None else one.place.vessel.pan
    if pan is None:
        raise AssertionError("a timed pan is a pan")
    past = "keep the heat up" if not plan.oven.has_dial else "check the oven with a thermometer"
    return PanCard(
        entry=place, shelf=_shelf(place, bake, plan, loads), phases=phases_of(bake, plan),
        give_min=give, leaving=leaving_of(plan.recipe, pan, plan.oven),
        not_done=f"Not done: {give} min more, then look again; past {latest} min, {past}.",
        too_dark="" if not plan.oven.has_dial or all(
            step.part.covered for step in bake.oven.steps)
        else "Dark too early: foil laid loosely on top.")


def _shelf(place: int, bake: Bake, plan: Plan, loads: tuple[Load, ...]) -> str:
    """Say where a row of pans stands."""
    if not plan.oven.has_dial:
        return ""
    rows = {row for load in loads if len(load.shelves) > 1
            for row, shelf in enumerate(load.shelves)
            if any(load.items[one.item].entry == place for one in shelf)}
    if rows:
        names = ["upper shelf" if row == 0 else "lower shelf" if row == 1 else f"shelf {row + 1}"
                 for row in sorted(rows)]
        return " and ".join(names)
    if plan.oven.kind is OvenKind.COUNTER:
        return "lowest shelf"
    return "lower third" if bake.heat.stands_cm >= TALL_CM else "middle shelf"


def _whole(minutes: float) -> int:
    return math.floor(minutes + 0.5)
