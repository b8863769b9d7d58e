"""From the finish of the core to what the API answers."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from entremet.core.card.recipe import Recipe
from entremet.core.dressing.kinds import READINESS
from entremet.core.dressing.sized import CoverLayer, Sized
from entremet.core.finished.finish import Finish, FinishedCake, board_for
from entremet.core.finishing.practice import practice
from entremet.core.pans.outlines import Ring
from entremet.core.pans.pan import Pan
from entremet.kitchen.api.schemas import finish_out as out
from entremet.kitchen.api.schemas.base import provenance
from entremet.kitchen.api.schemas.pans import points_text

PanId = Callable[[Pan | None], int | None]
"""Finds the id of a pan of the rack."""


def no_pan(_: Pan | None) -> None:
    """Return no pan of the rack: a card's own cakes are looked at without it."""


def finish_answer(recipe: Recipe, done: Finish, pan_id: PanId, *, version: int) -> out.FinishOut:
    """Return the answer to a finish of a recipe, whose newest revision is told with it."""
    return out.FinishOut.told_by(
        done, drenched=practice("soak_milk").value,
        own=out.OwnFinishOut(finish=recipe.finishing, settled=recipe.finish_settled,
                             said=list(recipe.finish_said), version=version),
        cakes=[_cake(one, pan_id) for one in done.cakes],
        components=[out.FinishPartOut.told_by(one, READINESS[one.kind]) for one in done.parts],
        in_pans=[out.InPanOut.told_by(one, lines=[
            out.InPanLineOut(name=name, g=grams) for name, grams in one.lines])
                 for one in done.in_pans])


def _cake(one: FinishedCake, pan_id: PanId) -> out.FinishedCakeOut:
    row = one.dressed
    cake, body, hollow, carved = row.cake, row.body, row.hollow, row.carved
    outline = cake.outline
    return out.FinishedCakeOut.told_by(
        one, row, cake, body,
        layers=[out.FinishedLayerOut.told_by(
            layer, outline=[points_text(polygon) for polygon in layer.outline.points()],
            width_cm=layer.outline.widest()) for layer in cake.layers],
        tube_cm=max(0.0, outline.tube - 2 * body.grown_cm) if isinstance(outline, Ring) else 0.0,
        hollow_cm=0.0 if hollow is None else hollow.wide_cm,
        hollow_high_cm=0.0 if hollow is None else hollow.high_cm,
        coat_top_cm=row.crumb_cm + row.final_top_cm,
        coat_side_cm=row.crumb_cm + row.final_side_cm if row.final_top_cm else 0.0,
        carved=None if carved is None else out.CarvedOut.told_by(
            carved, carved.cut, cut_high_cm=carved.cut.height_cm, drawn=[
                out.ProfilePointOut(up_cm=up, wide_cm=wide) for up, wide in carved.cut.drawn]),
        cover=_layers(one.cover, pan_id),
        serving=None if one.serving is None else out.ServingOut.told_by(
            one.serving, one.serving.cut, origin=provenance(one.serving.portions),
            outline=[points_text(polygon) for polygon in one.serving.outline.points()],
            cuts=[points_text(line) for line in one.serving.cut.lines]))


def enlarged_answer(sized: Sized, pan_id: PanId) -> out.EnlargedOut:
    """Return the answer to a thing enlarged."""
    return out.EnlargedOut.told_by(sized, sized.size, layers=_layers(sized.layers, pan_id),
                              board_cm=board_for(sized.coated_cm))


def _layers(layers: Sequence[CoverLayer], pan_id: PanId) -> list[out.CoverLayerOut]:
    return [out.CoverLayerOut.told_by(one, pan=pan_id(one.pan),
                                 label="" if one.pan is None else one.pan.label)
            for one in layers]
