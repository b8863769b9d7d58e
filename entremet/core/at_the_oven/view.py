"""Everything about a fit's bake beside its times: card, loads, ways, schools, curves, height."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.at_the_oven.card import BakeCard, bake_card
from entremet.core.baking.altitude import Adjustment, adjustments, boiling_c
from entremet.core.baking.bakes import lead_of
from entremet.core.baking.schools import SchoolRow, school_rows
from entremet.core.baking.temperature import School
from entremet.core.baking.what_if import Curve, curves_of
from entremet.core.fitting.rules import Entry
from entremet.core.ground.findings import Finding, note, ranked, warn
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import Load, last_waits_min, loads_of
from entremet.core.loading.waiting import Waiting, waiting_of
from entremet.core.loading.ways import Refit, WayRow, ways_of
from entremet.core.plan.plan import Plan


@dataclass(frozen=True, slots=True, kw_only=True)
class AtHeight:
    """Advice for a high kitchen, where it was asked for."""

    altitude_m: float
    boiling_c: float
    rows: tuple[Adjustment, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class AtTheOven:
    """What a baker decides and reads at the oven.

    Parameters
    ----------
    card : BakeCard
        The card.
    schools : tuple of SchoolRow
        For the pan that leads the oven; empty where there is no dial.
    lead : int or None
        Place of that pan in the fit.
    loads : tuple of Load
        What goes in together.
    waiting : Waiting
        How long the batter may stand.
    ways : tuple of WayRow
        Ways to bake it, compared.
    height : AtHeight or None
        None while it is off.
    findings : tuple of Finding
        Gravest first.
    """

    card: BakeCard
    schools: tuple[SchoolRow, ...]
    lead: int | None
    loads: tuple[Load, ...]
    waiting: Waiting
    ways: tuple[WayRow, ...]
    height: AtHeight | None
    findings: tuple[Finding, ...]


def at_the_oven(plan: Plan, rack: Sequence[Entry], *, refit: Refit,
                altitude_m: float | None = None) -> AtTheOven:
    """Work out everything at the oven for a plan.

    Parameters
    ----------
    plan : Plan
        The fit.
    rack : sequence of Entry
        Pans the kitchen owns, with how many.
    refit : callable
        Fits the same recipe to other pans.
    altitude_m : float or None
        Height of the kitchen, where its school is wanted.
    """
    bakes = [one.bake for one in plan.pans if one.bake is not None and one.bake.window is not None]
    loads, findings = loads_of(oven_items(plan.pans), plan.oven)
    waiting = waiting_of(plan.recipe, start=plan.treatment.start)
    lead = lead_of(bakes) if bakes else None
    return AtTheOven(
        card=bake_card(plan, loads), loads=loads, waiting=waiting,
        schools=() if lead is None or plan.source_bake is None
        else school_rows(lead.heat, plan.source_bake, plan.way),
        lead=None if lead is None else lead.entry,
        ways=ways_of(plan, rack, refit=refit, waiting=waiting),
        height=None if altitude_m is None else _height(plan, altitude_m),
        findings=ranked((*findings, *_load_findings(loads, waiting), *_school_findings(plan))))


def curves_at(plan: Plan, entry: int) -> tuple[tuple[Curve, ...], int]:
    """Return the curves of one chosen pan, and which is as chosen; none where it has no time."""
    bake = plan.pans[entry].bake if 0 <= entry < len(plan.pans) else None
    if bake is None or plan.source_bake is None:
        return (), 0
    return curves_of(bake, plan.source_bake, plan.oven)


def _height(plan: Plan, altitude_m: float) -> AtHeight:
    return AtHeight(altitude_m=altitude_m, boiling_c=boiling_c(altitude_m),
                    rows=adjustments(altitude_m, plan.lines,
                                     done_c=plan.recipe.style.done_c.value))


def _load_findings(loads: Sequence[Load], waiting: Waiting) -> list[Finding]:
    if len(loads) < 2:
        return []
    waits = last_waits_min(loads)
    text = (f"{len(loads)} loads: the last batter waits about {waits:.0f} min. This one is "
            f"{waiting.words}.")
    if waits > waiting.minutes.value:
        return [warn("waits_too_long", text, hint="Mix the last load's batter later.",
                     numbers={"waits_min": waits, "may_wait_min": waiting.minutes.value})]
    return [note("waits", text, numbers={"waits_min": waits})]


def _school_findings(plan: Plan) -> list[Finding]:
    baked = plan.source_bake
    if plan.school is School.BOTH_WAYS or baked is None or not baked.never_hotter:
        return []
    return [note("never_hotter", f"This is {baked.never_hotter}: no school bakes it hotter than "
                 "the recipe.")]
