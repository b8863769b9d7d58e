"""From plans of the core to what the API answers."""

from __future__ import annotations

from typing import Any

from entremet.core.at_the_oven.card import phases_of
from entremet.core.at_the_oven.every_day import CAUTIONS, CautionAt
from entremet.core.at_the_oven.signs import signs_of
from entremet.core.baking.bakes import Bake, lead_of
from entremet.core.baking.schools import crust_words
from entremet.core.baking.window import first_look_words
from entremet.core.card.lines import ScalesBy
from entremet.core.dressing.kinds import words_of_heading
from entremet.core.fitting.eggs import EggOption
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.fitting.source import FilledPan
from entremet.core.ground.provenance import Figure, worked_out
from entremet.core.ground.quantities import marked
from entremet.core.ovens.settings import KIND_WORDS, OvenKind, setting_words
from entremet.core.pans.pan import Pan
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.plan import Plan
from entremet.kitchen.actions.fitting import Fitted
from entremet.kitchen.api.schemas import fit_out as out
from entremet.kitchen.api.schemas.base import origins
from entremet.kitchen.api.schemas.pans import drawing_out, points_text
from entremet.kitchen.api.whole_batch import laid_in_pan, whole_batch


def fit_answer(fitted: Fitted) -> out.FitOut:
    """Return the answer to a fit."""
    plan = fitted.plan
    amounts = plan.amounts
    figures: dict[str, Figure] = {} if amounts is None else {
        "factor": amounts.factor, "batter_g": amounts.batter_g,
        "bowl_loss_g": amounts.bowl_loss_g, "leftover_g": amounts.leftover_g}
    if amounts is not None and amounts.weighed_g is not None:
        figures["weighed_g"] = amounts.weighed_g
    numbers: dict[str, Any] = {
        name: figures[name].value if name in figures else None
        for name in ("factor", "batter_g", "bowl_loss_g", "leftover_g", "weighed_g")}
    return out.FitOut(
        recipe=_recipe(fitted),
        source=_source(plan),
        oven=_oven(plan, fitted.oven_id),
        **numbers, **whole_batch(fitted),
        origins=origins(**figures), why=[] if amounts is None else list(amounts.why),
        eggs=_eggs(plan), lines=[_line(line) for line in plan.lines],
        steps=list(plan.steps), method=plan.notes,
        pans=[_pan(one, pan_id, index, plan)
              for index, (one, pan_id) in enumerate(zip(plan.pans, fitted.pan_ids, strict=True))],
        bakes=[_bake(one, pan_id, plan)
               for one, pan_id in zip(plan.pans, fitted.pan_ids, strict=True)],
        findings=list(plan.findings),
        done_when=[one.text for one in signs_of(plan.recipe)],
        cautions=out.CautionsOut(weigh=list(CAUTIONS[CautionAt.WEIGH]),
                                 bake=list(CAUTIONS[CautionAt.BAKE])))


def _recipe(fitted: Fitted) -> out.FitRecipeOut:
    recipe = fitted.plan.recipe
    return out.FitRecipeOut.told_by(
        fitted, recipe, id=fitted.recipe_id, style=recipe.style.name, variant_name=recipe.variant,
        joins=fitted.plan.joins if any(
            line.scales_by is ScalesBy.JOINS for line in recipe.lines) else None,
        joins_assumed=fitted.plan.joins_assumed,
        variants=[out.VariantOut(key=key, name=name) for key, name in fitted.variants])


def _source(plan: Plan) -> out.SourceOut:
    return out.SourceOut(
        batter_g=plan.recipe_batter_g.value, pans=[_source_pan(one, plan)
                                                   for one in plan.source.filled],
        oven=_written(plan),
        oven_c=None if plan.source_bake is None else plan.source_bake.oven_c,
        time=_stated(plan))


def _source_pan(one: FilledPan, plan: Plan) -> out.SourcePanOut:
    pan = one.vessel.pan
    return out.SourcePanOut.told_by(
        one, pan, batter_cm=one.depth_cm,
        batter_g_each=one.batter_ml * plan.recipe.style.density.value,
        layer_cm=one.vessel.layer_cm, stands_cm=one.vessel.stands_cm(one.batter_ml),
        wall_assumed=isinstance(pan, Pan) and bool(pan.wall_cm.assumptions),
        drawing=drawing_out(pan))


def _oven(plan: Plan, oven_id: int | None) -> out.FitOvenOut:
    oven, bakes = plan.oven, [one.bake for one in plan.pans if one.bake is not None]
    setting = lead_of(bakes).oven.setting if bakes else None
    return out.FitOvenOut.told_by(
        oven, id=oven_id, kind_words=KIND_WORDS[oven.kind], dial=oven.scale,
        dial_step=oven.step, dial_lowest=oven.lowest, dial_highest=oven.highest,
        set_to=None if setting is None or not oven.has_dial else setting.value)


def _eggs(plan: Plan) -> out.EggsOut | None:
    eggs, chosen = plan.eggs, plan.egg_option
    if eggs is None or chosen is None:
        return None
    return out.EggsOut.told_by(
        chosen, line=eggs.line.key, name=eggs.line.name, recipe_count=eggs.count,
        total_g=chosen.count * eggs.each_g + chosen.beaten_g,
        options=[_egg_option(option) for option in plan.egg_options])


def _egg_option(option: EggOption) -> out.EggOptionOut:
    return out.EggOptionOut.told_by(
        option, option.effect, depth_change=option.effect.largest_change,
        effect=option.effect_text)


def _line(scaled: ScaledLine) -> out.FitLineOut:
    line, shown = scaled.line, scaled.shown
    return out.FitLineOut.told_by(
        scaled, line, shown, id=line.key, heading=words_of_heading(line.heading),
        was=line.written, shown=shown.text, shown_g=shown.grams, shown_measure=shown.measure)


def _pan(one: PanPlan, pan_id: int | None, index: int, plan: Plan) -> out.FitPanOut:
    place, standing, verdict, pan = one.place, one.standing, one.verdict, one.entry.pan
    if place is not None:
        pan = place.vessel.pan
    wall = pan.wall_cm if isinstance(pan, Pan) else None
    filled = None if standing is None else worked_out(
        standing.batter_g, "depth × area of the pan × density of the batter",
        *(() if place is None or place.need is None else (place.need.batter_ml,)))
    return out.FitPanOut(
        pan=pan_id, label=one.entry.label, count=one.entry.count, owned=one.entry.owned,
        wells=1 if pan is None else pan.wells, kind=None if pan is None else pan.kind,
        finish=None if pan is None else pan.finish,
        capacity_ml=None if pan is None else pan.capacity_ml,
        rule=None if place is None else place.rule.kind,
        rule_fill=None if place is None else place.rule.fill,
        rule_grams=None if place is None else place.rule.grams,
        rule_depth_cm=None if place is None else place.rule.depth_cm,
        rule_height_cm=None if place is None else place.rule.height_cm,
        batter_g_each=None if standing is None else standing.batter_g,
        batter_cm=None if standing is None else standing.batter_cm,
        layer_g_each=None if standing is None else standing.layer_g,
        top_g_each=None if standing is None else standing.top_g,
        layer_cm=None if standing is None else standing.layer_cm,
        stands_cm=None if standing is None else standing.stands_cm,
        risen_cm=None if standing is None else standing.risen_cm,
        fill=None if standing is None else standing.fill,
        fill_limit=None if standing is None else standing.limit, depth_change=one.depth_change,
        verdict=one.verdict_text, verdict_code=None if verdict is None else verdict.code,
        verdict_severity=None if verdict is None else verdict.severity,
        drawing=None if pan is None else drawing_out(pan),
        pieces_each=one.pieces,
        cuts=[] if one.cut is None else [points_text(line) for line in one.cut.lines],
        patted=isinstance(pan, Pan) and pan.patted,
        cut_out=one.cut_out,
        lining=list(one.lining),
        **laid_in_pan(plan, index), origins=origins(batter_g_each=filled, wall_cm=wall))


def _bake(one: PanPlan, pan_id: int | None, plan: Plan) -> out.FitBakeOut:
    bake, oven = one.bake, plan.oven
    if bake is None:
        return out.FitBakeOut(
            pan=pan_id, label=one.entry.label, oven_c=None, dial=None, written=None,
            alone_dial=None, first_look_min=None, early_min=None, likely_min=None,
            latest_min=None, exact=None, origins={}, why=[], phases=[], spread=[], crust="")
    window = bake.window
    shown = (None, None, None, None) if window is None else window.shown
    dial = oven.words(bake.oven.setting)
    written = _written(plan)
    return out.FitBakeOut(
        pan=pan_id, label=one.entry.label, oven_c=bake.oven.oven_c, dial=dial,
        written=written if written != _dials(bake, plan) else None,
        alone_dial=oven.words(bake.own.setting),
        first_look_min=shown[0], early_min=shown[1], likely_min=shown[2], latest_min=shown[3],
        exact=window,
        phases=list(phases_of(bake, plan)),
        spread=[out.SpreadOut(cause=cause, share=share) for cause, share in bake.spread.causes],
        crust=crust_words(bake.crust) if oven.has_dial else "no crust: it is steamed"
        if oven.kind is OvenKind.STEAM else "hardly a crust",
        origins=origins(
            likely_min=one.likely,
            first_look_min=None if window is None else worked_out(
                window.first_look_min, first_look_words(bake.expects.right_here)),
            latest_min=None if window is None else worked_out(
                window.latest_min, "95 bakes of 100 are done by then")),
        why=list(one.why))


def _dials(bake: Bake, plan: Plan) -> str:
    """Return the settings of a bake in turn; one that stays as it was says nothing new."""
    words = [plan.oven.words(step.setting) for step in bake.oven.steps]
    return ", then ".join(
        one for place, one in enumerate(words) if place == 0 or one != words[place - 1])


def _stated(plan: Plan) -> str | None:
    baked = plan.source_bake
    stated = plan.recipe.stated if baked is None else baked.stated
    return None if stated is None else stated.text


def _written(plan: Plan) -> str | None:
    """Return the setting as written, of every phase in turn."""
    recipe = plan.recipe
    settings = [one.setting or recipe.setting for one in recipe.phases] or [recipe.setting]
    words = [setting_words(one, recipe.oven_kind) for one in settings if one is not None]
    told = [one for place, one in enumerate(words) if place == 0 or one != words[place - 1]]
    return marked(", then ".join(told)) or None
