"""Small cakes with what is on each, and a sheet cut in pieces that are coated one by one."""

from __future__ import annotations

import math

from entremet.core.card.finish import Coat, Dipped, Finishing, OnWells
from entremet.core.card.lines import Component
from entremet.core.dressing.cakes import Cake
from entremet.core.dressing.uses import (
    SPREAD,
    Dressed,
    Has,
    Use,
    is_glazed,
    soak_of,
    soak_share,
    soaks_hot,
    usual_or,
)
from entremet.core.finishing.coats import Body, glaze_ml
from entremet.core.finishing.practice import practice
from entremet.core.ground.findings import stop
from entremet.core.ground.quantities import cm, ml

COATED_WITH = (Component.COATING, Component.GLAZE, Component.FROSTING)
LEAST_PIECE_CM = 1.0
"""A piece narrower than this is crumbs; practice."""


def dress_small(cake: Cake, chosen: Finishing, has: Has) -> Dressed:
    """Work out what small cakes take, each a swirl, a spread top or a glaze."""
    bare = Body(outline=cake.outline, height_cm=cake.layers[0].height_cm)
    wells = chosen.wells or (OnWells.NONE if has.kind(*SPREAD) is None else OnWells.SWIRL)
    uses = soak_of(cake, chosen, has)
    if wells is not OnWells.NONE:
        each = practice(f"well_{wells.value}").value
        uses.append(Use(key="swirl", words=f"{cake.count} × {ml(each)}", ml=each * cake.count,
                        wants=(*SPREAD, Component.FILLING), house="buttercream",
                        bagged=wells is not OnWells.FLAT))
    glazed = is_glazed(chosen, has, coated=wells is not OnWells.NONE)
    if glazed:
        uses.append(Use(key="glaze", words="spooned on top of each", house="glaze",
                        ml=glaze_ml(bare, side_cm=0.0) * cake.count,
                        wants=(Component.GLAZE, Component.COATING)))
    return Dressed(cake=cake, bare=bare, body=bare, soak_share=soak_share(chosen, has),
                   soak_hot=soaks_hot(chosen, has), glazed=glazed, uses=tuple(uses))


def dress_pieces(cake: Cake, chosen: Finishing, has: Has) -> Dressed:
    """Work out what the pieces of a sheet take, each on all its faces.

    Pieces are counted square. Where the card has several coatings they are shared between them by
    count.
    """
    height = cake.layers[0].height_cm
    bare = Body(outline=cake.outline, height_cm=height)
    each = chosen.pieces if chosen.piece_cm is None else max(
        1, round(cake.outline.area() / chosen.piece_cm**2))
    pieces = each * cake.count
    side = math.sqrt(cake.outline.area() / each)
    faces = _faces_cm2(side, height, chosen.dipped)
    coat = chosen.coat or (Coat.NONE if has.kind(*COATED_WITH) is None else Coat.FULL)
    thick = 0.0 if coat is Coat.NONE else usual_or(chosen.coat_cm, "dip")
    uses = soak_of(cake, chosen, has)
    coats = min(max(1, has.counts.get(Component.COATING, 1)), pieces) if thick else 0
    for nth in range(coats):
        share = pieces // coats + (1 if nth < pieces % coats else 0)
        uses.append(Use(
            key="dip" if nth == 0 else f"dip{nth + 1}", nth=nth, ml=faces * thick * share,
            words=f"{share} pieces of {cm(side)}, {cm(thick)} {_WHERE[chosen.dipped]}",
            wants=COATED_WITH, house="ganache"))
    return Dressed(
        cake=cake, bare=bare, body=bare, soak_share=soak_share(chosen, has),
        soak_hot=soaks_hot(chosen, has), final_top_cm=thick,
        final_side_cm=0.0 if chosen.dipped is Dipped.TOP else thick, pieces=each,
        faces_cm2=faces * each, uses=tuple(uses),
        findings=() if side >= LEAST_PIECE_CM else (stop(
            "finish_crumbs", f"{cake.label}: {each} pieces are {cm(side)} wide, which "
            "is crumbs.", hint="Cut fewer."),))


def _faces_cm2(side: float, height: float, dipped: Dipped) -> float:
    """Return the faces of one piece that are coated, cm²."""
    match dipped:
        case Dipped.ALL:
            return 2 * side**2 + 4 * side * height
        case Dipped.NO_FOOT:
            return side**2 + 4 * side * height
        case Dipped.TOP:
            return side**2


_WHERE = {Dipped.ALL: "all round", Dipped.NO_FOOT: "all but the foot", Dipped.TOP: "on top"}
