"""What of a fit belongs to the whole batch: mixes, portions, shares, things that come whole."""

from __future__ import annotations

from typing import Any

from entremet.core.fitting.raising import powder_share
from entremet.core.fitting.rules import Raising, Rule
from entremet.core.fitting.shares import Share
from entremet.core.fitting.whole import comes_whole
from entremet.core.mixing.mixes import Mix
from entremet.core.plan.plan import Plan
from entremet.kitchen.actions.fitting import Fitted
from entremet.kitchen.api.schemas import fit_out as out
from entremet.kitchen.api.schemas.base import origins
from entremet.kitchen.api.schemas.pans import points_text


def whole_batch(fitted: Fitted) -> dict[str, Any]:
    """Return those parts of an answer by name."""
    plan = fitted.plan
    return {
        "aim": _aim(plan), "raising": plan.raising, "raising_bites": _raising_bites(plan),
        "bowl": _bowl(fitted),
        "mixes": [_mix(mix, split=len(plan.mixes) > 1) for mix in plan.mixes],
        "portion": _portion(plan), "shares": [_share(share, plan) for share in plan.shares],
        "opened": [out.WholeOut(line=one.line.key, name=one.line.name, count=one.count,
                                text=one.text, across_cm=None) for one in plan.opened],
        "laid": [out.WholeOut(line=one.line.key, name=one.line.name, count=one.count,
                              text=one.text, across_cm=one.across_cm) for one in plan.laid],
        "may_lay": [line.key for line in plan.recipe.lines if comes_whole(line)]}


def laid_in_pan(plan: Plan, index: int) -> dict[str, Any]:
    """Return the things laid in the pan at one place, for its drawing."""
    for laid in plan.laid:
        for one, packing in zip(
                [pan for pan in plan.pans if pan.place is not None], laid.each, strict=True):
            if one is plan.pans[index] and packing is not None:
                return {"laid": [points_text([place]) for place in packing.places],
                        "laid_cm": packing.across_cm}
    return {"laid": [], "laid_cm": None}


def _aim(plan: Plan) -> out.AimOut:
    aim, rule = plan.aim, plan.rule
    return out.AimOut(
        depth_cm=aim.value if aim and rule is Rule.DEPTH else None,
        height_cm=aim.value if aim and rule is Rule.HEIGHT else None,
        egg_count=None if plan.egg_option is None or rule is not Rule.EGGS
        else plan.egg_option.count + (0 if plan.eggs is None else
                                      plan.egg_option.beaten_g / plan.eggs.each_g),
        servings=plan.servings,
        factor=plan.amounts.factor.value if plan.amounts and rule is Rule.FACTOR else None)


def _raising_bites(plan: Plan) -> bool:
    places = [one.place for one in plan.pans if one.place is not None]
    return plan.has_powder and powder_share(Raising.LESS, places, plan.source) < 1


def _bowl(fitted: Fitted) -> out.FitBowlOut | None:
    row = fitted.bowl
    if row is None:
        return None
    bowl = row.to_core()
    return out.FitBowlOut(
        id=row.pk, name=bowl.name, capacity_ml=bowl.capacity_ml, working_ml=bowl.working.value,
        tare_g=bowl.tare_g, most_g=bowl.most_g(fitted.plan.recipe.style),
        origins=origins(working_ml=bowl.working))


def _mix(mix: Mix, *, split: bool) -> out.MixOut:
    return out.MixOut(
        share=mix.share, eggs=mix.eggs, batter_g=mix.gross_g, in_bowl_ml=mix.in_bowl_ml,
        lines=[out.MixLineOut(
            id=line.line.key, name=line.line.name, g=line.g, shown_g=line.shown_g,
            shown_measure=line.shown_measure, measure_leads=line.measure_leads,
            parts=list(line.parts)) for line in mix.lines] if split else [])


def _portion(plan: Plan) -> out.PortionOut | None:
    portion = plan.portion
    if portion is None:
        return None
    pieces = sum((one.pieces or 0) * one.entry.count for one in plan.pans)
    return out.PortionOut(key=portion.key, name=portion.name, ml=portion.ml.value, pieces=pieces,
                          origins=origins(ml=portion.ml))


def _share(share: Share, plan: Plan) -> out.ShareOut:
    return out.ShareOut(
        name=share.name, part=share.part, batter_g=share.batter_g, total_g=share.total_g,
        stirred=[out.StirredOut(name=one.line.name, written=one.line.written, g=one.g,
                                shown=one.shown.text) for one in share.stirred],
        pans=[out.SharePanOut(entry=entry, label=plan.pans[entry].entry.label, count=count,
                              g_each=grams) for entry, count, grams in share.pans],
        steps=list(share.steps))
