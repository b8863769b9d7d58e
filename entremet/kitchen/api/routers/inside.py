"""Inside a cake while it bakes."""

from __future__ import annotations

from collections.abc import Mapping

from django.http import HttpRequest, HttpResponse
from ninja import Router

from entremet.core.at_the_oven.insides import highest_dome, schools_inside, ways_inside
from entremet.core.baking.temperature import School
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.inside.of_fit import pan_to_open
from entremet.core.inside.words import InsideCells
from entremet.core.loading.ways import Way
from entremet.core.plan.plan import Plan
from entremet.kitchen.actions import fitting
from entremet.kitchen.api.inside_answers import inside_answer
from entremet.kitchen.api.rendering import sent
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.inside_out import (
    CellsIn,
    CellsOut,
    ComparedInsideOut,
    DomeIn,
    DomeOut,
    InsideIn,
    InsideOut,
)

router = Router(tags=["inside"])


@router.post("/fit/inside", operation_id="fit_inside",
             response={200: InsideOut, 400: ProblemOut, 404: ProblemOut, 422: ProblemOut})
def fit_inside(request: HttpRequest, body: InsideIn) -> HttpResponse:
    """A pan of a fit cut open while it bakes. Nothing is stored."""
    return sent("inside", request, lambda: _inside(body))


@router.post("/fit/inside/compared", operation_id="fit_inside_compared",
             response={200: ComparedInsideOut, 400: ProblemOut, 404: ProblemOut, 422: ProblemOut})
def fit_inside_compared(request: HttpRequest, body: CellsIn) -> HttpResponse:
    """What the temperature schools, or the ways to bake, do inside. Nothing is stored."""
    def answer() -> ComparedInsideOut:
        fitted, view = fitting.at_oven(body.fit, altitude=False)
        found: Mapping[School, InsideCells] | Mapping[Way, InsideCells] = (
            schools_inside(fitted.plan, view.schools) if body.of == "schools"
            else ways_inside(fitted.plan, view.ways))
        return ComparedInsideOut(rows=[CellsOut.told_by(cells, key=key.value)
                                       for key, cells in found.items()])

    return sent("inside compared", request, answer)


@router.post("/fit/inside/dome", operation_id="fit_inside_dome",
             response={200: DomeOut, 400: ProblemOut, 404: ProblemOut, 422: ProblemOut})
def fit_inside_dome(request: HttpRequest, body: DomeIn) -> HttpResponse:
    """The dome that levelling may be reckoned with where none was measured. Nothing is stored."""
    return sent("inside dome", request, lambda: DomeOut.told_by(
        highest_dome(fitting.fit(body.fit).plan)))


def _inside(body: InsideIn) -> InsideOut:
    plan = _plan(body)
    if body.entry >= len(plan.pans):
        raise ImpossibleChoice("This fit has no such pan.", field="entry")
    one = plan.pans[body.entry]
    pan = pan_to_open(one, oven=plan.oven.kind, treatment=plan.treatment)
    if one.bake is None or one.bake.window is None:
        raise ImpossibleChoice("Nobody can look inside it.", field="entry")
    first, _, likely, latest = one.bake.window.shown
    return inside_answer(pan, one.bake.window.likely_min, shown=(first, likely, latest),
                         setting=plan.oven.words(one.bake.oven.steps[0].setting))


def _plan(body: InsideIn) -> Plan:
    match body.way:
        case "own_pans":
            return fitting.in_own_pans(body.fit)
        case "halved":
            return fitting.halved(body.fit, body.entry)
        case "chosen":
            return fitting.fit(body.fit).plan
