"""The trainer: guess first, spoil it without flour, a class. Nothing is stored."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from entremet.core.at_the_oven.every_day import CAUTIONS, CautionAt
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.trainer.guess import Asks
from entremet.kitchen.actions import training
from entremet.kitchen.actions.training import TaughtGroup
from entremet.kitchen.api.rendering import sent
from entremet.kitchen.api.schemas import trainer as io
from entremet.kitchen.api.schemas.base import ProblemOut

router = Router(tags=["trainer"])

REFUSED = {400: ProblemOut, 404: ProblemOut, 422: ProblemOut}


@router.get("/trainer/guess", response={200: io.GuessOut, **REFUSED},
            operation_id="trainer_guess")
def question(request: HttpRequest, seed: Query[io.Seed],
             about: Query[Asks | None] = None) -> io.GuessOut:
    """The question of a seed, of the kitchen's own cards, pans and ovens."""
    found = training.asked(seed, about)
    return io.GuessOut.told_by(found.question, seed=seed, request=found.request)


@router.post("/trainer/spoil", response={200: io.SpoiltOut, **REFUSED},
             operation_id="trainer_spoil")
def spoil(request: HttpRequest, body: io.SpoilIn) -> HttpResponse:
    """What comes of a number that is turned."""
    return sent("spoil", request,
                lambda: io.SpoiltOut.told_by(training.spoil(body.fit, body.turned)))


@router.post("/trainer/class", response={200: io.ClassOut, **REFUSED},
             operation_id="trainer_class")
def taught(request: HttpRequest, body: io.ClassIn) -> HttpResponse:
    """A sheet for each group of a class, what to get in, what to compare."""
    if len({one.fit.recipe for one in body.groups}) > 1:
        raise ImpossibleChoice("A class bakes one recipe: choose the same for every group.",
                               field="groups")
    if len({one.name.strip().lower() for one in body.groups}) < len(body.groups):
        raise ImpossibleChoice("Two groups have the same name.", field="groups")

    def answer() -> io.ClassOut:
        groups, work = training.taught([(one.name.strip(), one.fit) for one in body.groups])
        plan = groups[0].fitted.plan
        return io.ClassOut.told_by(
            work, title=plan.recipe.title, groups=[_group(one) for one in groups],
            method=list(plan.method), caution=[*CAUTIONS[CautionAt.WEIGH],
                                                      *CAUTIONS[CautionAt.BAKE]])

    return sent("class", request, answer)


def _group(group: TaughtGroup) -> io.GroupOut:
    plan = group.fitted.plan
    timed = [one.bake for one in plan.pans if one.bake is not None and one.bake.window is not None]
    window = timed[0].window if timed else None
    shown = (None, None, None, None) if window is None else window.shown
    return io.GroupOut(
        name=group.name, pan=", ".join(f"{one.entry.count} × {one.entry.label}"
                                       for one in plan.pans),
        oven=plan.oven.words(timed[0].oven.setting) if timed else "", look_min=shown[0],
        likely_min=shown[2], latest_min=shown[3],
        lines=[io.WeighedOut(name=one.line.name, shown=one.shown.text) for one in plan.lines
               if one.included])
