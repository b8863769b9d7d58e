"""From the finish of the core to what the API answers."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from entremet.core.dressing.kinds import READINESS
from entremet.core.dressing.sized import CoverLayer, Sized
from entremet.core.finished.finish import Finish, FinishedCake, board_for
from entremet.core.finished.parts import FinishPart
from entremet.core.pans.outlines import Ring
from entremet.core.pans.pan import Pan
from entremet.kitchen.actions.fitting import Fitted
from entremet.kitchen.api.schemas import finish_out as out
from entremet.kitchen.api.schemas.base import origins, provenance
from entremet.kitchen.api.schemas.pans import points_text

PanId = Callable[[Pan | None], int | None]
"""Finds the id of a pan of the rack."""


def finish_answer(fitted: Fitted, done: Finish, pan_id: PanId) -> out.FinishOut:
    """Return the answer to a finish."""
    recipe = fitted.plan.recipe
    return out.FinishOut(
        own=out.OwnFinishOut(finish=recipe.finishing, settled=recipe.finish_settled,
                             said=list(recipe.finish_said), version=fitted.head),
        cakes=[_cake(one, pan_id) for one in done.cakes],
        components=[_part(one) for one in done.parts],
        trim_g=done.trim_g, trim_ml=done.trim_ml, trim_words=done.trim_words,
        steps=list(done.steps), findings=list(done.findings), supports=list(done.supports),
        stacked=done.stacked,
        in_pans=[out.InPanOut(pan=one.pan, first=one.first, lines=[
            out.InPanLineOut(name=name, g=grams) for name, grams in one.lines])
                 for one in done.in_pans])


def _cake(one: FinishedCake, pan_id: PanId) -> out.FinishedCakeOut:
    row = one.dressed
    cake, body, hollow, carved = row.cake, row.body, row.hollow, row.carved
    outline = cake.outline
    return out.FinishedCakeOut(
        label=cake.label, kind=cake.kind, count=cake.count,
        layers=[out.FinishedLayerOut(
            outline=[points_text(polygon) for polygon in layer.outline.points()],
            width_cm=layer.outline.widest(), height_cm=layer.height_cm, mass_g=layer.mass_g,
            pan=layer.pan) for layer in cake.layers],
        height_cm=one.height_cm, width_cm=one.width_cm,
        tube_cm=max(0.0, outline.tube - 2 * body.grown_cm) if isinstance(outline, Ring) else 0.0,
        mass_g=one.mass_g, top_cm2=body.top_cm2, side_cm2=body.side_cm2,
        hollow_cm=0.0 if hollow is None else hollow.wide_cm,
        hollow_high_cm=0.0 if hollow is None else hollow.high_cm,
        soak_share=row.soak_share, filling_cm=row.filling_cm, dam_cm=row.dam_cm,
        crumb_cm=row.crumb_cm, coat_top_cm=row.crumb_cm + row.final_top_cm,
        coat_side_cm=row.crumb_cm + row.final_side_cm if row.final_top_cm else 0.0,
        final_top_cm=row.final_top_cm, glazed=row.glazed, drips=row.drips, drip_cm=row.drip_cm,
        pitch_cm=row.pitch_cm, border=row.border, border_cm=row.border_cm, dome_cm=cake.dome_cm,
        fruit_cm=cake.fruit_cm, turned_over=cake.turned_over, pieces=row.pieces,
        split=cake.split,
        board_cm=one.board_cm, box_cm=one.box_cm,
        carved=None if carved is None else out.CarvedOut(
            foot_cm=carved.cut.foot_cm, top_cm=carved.cut.top_cm,
            cut_high_cm=carved.cut.height_cm, kept_g=carved.kept_g, trimmed_g=carved.trimmed_g,
            marks=list(carved.marks), drawn=[
                out.ProfilePointOut(up_cm=up, wide_cm=wide) for up, wide in carved.cut.drawn]),
        cover=_layers(one.cover, pan_id), serving=None if one.serving is None else out.ServingOut(
            outline=[points_text(polygon) for polygon in one.serving.outline.points()],
            cuts=[points_text(line) for line in one.serving.cut.lines],
            pieces=one.serving.cut.pieces, origin=provenance(one.serving.portions),
            portion=one.serving.portion,
            words=one.serving.words))


def enlarged_answer(sized: Sized, pan_id: PanId) -> out.EnlargedOut:
    """Return the answer to a thing enlarged."""
    size = sized.size
    return out.EnlargedOut(
        factor=sized.factor, length_cm=size.length_cm, width_cm=size.width_cm,
        height_cm=size.height_cm, is_round=size.is_round, layers=_layers(sized.layers, pan_id),
        kept_g=sized.kept_g.value, batter_g=sized.batter_g.value, coat_g=sized.coat_g.value,
        origins=origins(kept_g=sized.kept_g, batter_g=sized.batter_g, coat_g=sized.coat_g),
        board_cm=board_for(sized.coated_cm), findings=list(sized.findings))


def _layers(layers: Sequence[CoverLayer], pan_id: PanId) -> list[out.CoverLayerOut]:
    return [out.CoverLayerOut(
        pan=pan_id(one.pan), label="" if one.pan is None else one.pan.label, beside=one.beside,
        height_cm=one.height_cm, wide_cm=one.wide_cm, batter_g=one.batter_g) for one in layers]


def _part(part: FinishPart) -> out.FinishPartOut:
    ready = READINESS[part.kind]
    return out.FinishPartOut(
        key=part.key, title=part.title, kind=part.kind, house=part.house, was_g=part.was_g,
        now_g=part.now_g, needed_g=part.needed_g.value, spare_g=part.spare_g.value,
        make_g=part.make_g, factor=part.factor, enough_for=part.enough_for, short=part.short,
        kept_share=part.kept_share,
        uses=[out.UsedForOut(key=use.key, words=use.words, grams=use.grams)
              for use in part.uses],
        made_from=[out.MadeFromOut(name=one.name, was_g=one.was_g, g=one.g, count=one.count)
                   for one in part.made_from],
        ready=ready.ready, use_at=ready.use_at, holds=ready.holds, put_right=ready.put_right,
        origins=origins(needed_g=part.needed_g, spare_g=part.spare_g))
