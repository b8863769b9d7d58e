"""The fit, the sets of pans that would take it, and two fits side by side."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse
from ninja import Body, Path, Router

from entremet.core.at_the_oven.view import curves_at
from entremet.core.choosing.compare import comparison
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.wording import percent
from entremet.core.plan.request import Request
from entremet.kitchen.actions import exporting, fitting
from entremet.kitchen.actions.exporting import FitFormat
from entremet.kitchen.actions.fitting import Fitted, Offer
from entremet.kitchen.actions.opening import opening
from entremet.kitchen.api.answers import fit_answer
from entremet.kitchen.api.finish_answers import enlarged_answer, finish_answer
from entremet.kitchen.api.oven_answers import curves_out, oven_view
from entremet.kitchen.api.rendering import sent
from entremet.kitchen.api.schemas import fit_out as out
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.finish_out import EnlargedOut, FinishOut
from entremet.kitchen.api.schemas.fit_in import (
    CompareIn,
    CurveIn,
    EnlargeIn,
    OvenViewIn,
    SetsIn,
)
from entremet.kitchen.api.schemas.fits import FitFileOut
from entremet.kitchen.api.schemas.oven_view import CurvesOut, OvenViewOut

router = Router(tags=["fit"])

REFUSED = {400: ProblemOut, 404: ProblemOut, 422: ProblemOut}

ORDER_WORDS = ("Nearest to the recipe's depth first, in steps of 5 %; then the least left over, "
               "the fewest pans, the batch nearest the recipe's own, and the order of your rack. "
               "For so many servings pans of one kind come before all that.")


@router.post("/fit", response={200: out.FitOut, **REFUSED}, operation_id="fit")
def fit(request: HttpRequest, body: Body[Request]) -> HttpResponse:
    """Fit a recipe to pans. Nothing is stored."""
    return sent("fit", request, lambda: fit_answer(fit_of(body)))


@router.post("/fit/opening", response={200: out.OpeningOut, **REFUSED},
             operation_id="open_fit")
def open_fit(request: HttpRequest, body: Body[Request]) -> HttpResponse:
    """With which pans a fit of this recipe opens. Nothing is stored."""
    def answer() -> out.OpeningOut:
        opened = opening(body)
        return out.OpeningOut(
            into=[out.OpenedOut(pan=one.pan_id, measures=one.measures, label=one.label,
                                count=one.count, held=one.held) for one in opened.pans],
            rule=opened.rule, egg_count=opened.egg_count, words=opened.words)

    return sent("opening", request, answer)


@router.post("/fit/sets", response={200: out.SetsOut, **REFUSED}, operation_id="fit_sets")
def fit_sets(request: HttpRequest, body: SetsIn) -> HttpResponse:
    """Which of the free pans take this recipe best. Nothing is stored."""
    def answer() -> out.SetsOut:
        found = fitting.offers(body.fit, free=body.free, wanted=body.wanted())
        return out.SetsOut(offers=[_offer(one) for one in found], order=ORDER_WORDS)

    return sent("sets", request, answer)


@router.post("/fit/compare", response={200: out.CompareOut, **REFUSED},
             operation_id="compare_fits")
def compare_fits(request: HttpRequest, body: CompareIn) -> HttpResponse:
    """Two fits side by side. Nothing is stored."""
    def answer() -> out.CompareOut:
        one, other = fit_of(body.one), fit_of(body.other)
        return out.CompareOut(
            one=fit_answer(one), other=fit_answer(other),
            rows=list(comparison(one.plan, other.plan)))

    return sent("compare", request, answer)


@router.post("/fit/oven", response={200: OvenViewOut, **REFUSED}, operation_id="fit_at_the_oven")
def fit_at_the_oven(request: HttpRequest, body: OvenViewIn) -> HttpResponse:
    """The bake card of a fit, its loads, temperature schools and ways to bake it."""
    def answer() -> OvenViewOut:
        fitted, view = fitting.at_oven(body.fit, altitude=body.altitude)
        return oven_view(fitted.plan, view)

    return sent("oven", request, answer)


@router.post("/fit/finish", response={200: FinishOut, **REFUSED}, operation_id="fit_finish")
def fit_finish(request: HttpRequest, body: Body[Request]) -> HttpResponse:
    """The cakes of a fit after the oven: dressed, with what goes on them. Nothing is stored."""
    def answer() -> FinishOut:
        asked = body
        fitted, done = fitting.finished(asked)
        return finish_answer(fitted.plan.recipe, done,
                             lambda pan: fitting.rack_id(asked, pan), version=fitted.head)

    return sent("finish", request, answer)


@router.post("/fit/file/{kind}", response={200: FitFileOut, **REFUSED}, operation_id="fit_file")
def fit_file(request: HttpRequest, kind: Path[FitFormat], body: Body[Request]) -> FitFileOut:
    """A fit and its finish as a file, at its new size. Nothing is stored."""
    return FitFileOut.told_by(exporting.export_fit(body, kind))


@router.post("/fit/enlarge", response={200: EnlargedOut, **REFUSED},
             operation_id="enlarge_thing")
def enlarge_thing(request: HttpRequest, body: EnlargeIn) -> HttpResponse:
    """A thing made as a cake of this recipe, in pans of this rack. Nothing is stored."""
    def answer() -> EnlargedOut:
        asked = body.fit
        sized = fitting.enlarge(asked, body.thing(), factor=body.factor,
                                length_cm=body.wanted_cm, batter_g=body.batter_g)
        return enlarged_answer(sized, lambda pan: fitting.rack_id(asked, pan))

    return sent("enlarge", request, answer)


@router.post("/fit/curve", response={200: CurvesOut, **REFUSED}, operation_id="fit_curve")
def fit_curve(request: HttpRequest, body: CurveIn) -> HttpResponse:
    """The centre of one pan minute by minute, at every setting of the dial within reach."""
    def answer() -> CurvesOut:
        plan = fit_of(body.fit).plan
        if body.entry >= len(plan.pans):
            raise ImpossibleChoice("No pan of this fit stands at that place.", field="entry")
        return curves_out(plan, body.entry, *curves_at(plan, body.entry))

    return sent("curve", request, answer)


def fit_of(body: Request) -> Fitted:
    """Work out the fit a body asks for."""
    return fitting.fit(body)


def _offer(offer: Offer) -> out.SetOut:
    offered = offer.offered
    labels = [one.entry.label for one in offer.fitted.plan.pans]
    return out.SetOut(
        into=[out.EntryOut(pan=wanted.pan, label=label, count=wanted.count,
                           held=wanted.rule is not None)
              for wanted, label in zip(offer.into, labels, strict=True)
              if isinstance(wanted.pan, int)],
        rule=offer.rule, egg_count=offer.egg_count, factor=offered.factor,
        deviation=offered.deviation, words=_words(offer), leftover_g=offered.left_g,
        left_into=[out.EntryOut(pan=pan.pk, label=pan.label, count=count, held=False)
                   for pan, count in offer.left_into],
        also=list(offer.also),
        fit=fit_answer(offer.fitted))


def _words(offer: Offer) -> str:
    offered = offer.offered
    moved = offered.deviation
    depth = ("Same depth as the recipe" if abs(moved) < 0.005
             else f"{percent(abs(moved))} {'deeper' if moved > 0 else 'shallower'}")
    left = f", {offered.left_g:.0f} g left over" if offered.left_g >= 0.5 else ", nothing left over"
    return f"{depth}{left}."
