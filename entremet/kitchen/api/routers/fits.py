"""Kept fits."""

from __future__ import annotations

from typing import Annotated, Any

from django.http import HttpRequest
from django.utils import timezone
from ninja import Path, Router, Status
from pydantic import Field

from entremet.kitchen.actions import keeping, taking
from entremet.kitchen.api import damage
from entremet.kitchen.api.answers import fit_answer
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.routers.fit import fit_of
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.fit_in import FitIn
from entremet.kitchen.api.schemas.fits import FitRowOut, KeepFitIn, KeptFitOut, KeptOut
from entremet.kitchen.api.schemas.oven_view import NotedOut, TookIn, TookOut
from entremet.kitchen.api.writing import writes
from entremet.kitchen.models import BakeTaken, KeptFit

router = Router(tags=["fits"])


@router.get("/fits", response={200: list[FitRowOut], 422: ProblemOut}, operation_id="list_fits")
def list_fits(request: HttpRequest, search: Annotated[str, Field(max_length=200)] = "",
              offset: Annotated[int, Field(ge=0, le=1_000_000)] = 0,
              limit: Annotated[int, Field(ge=1, le=200)] = 60) -> list[FitRowOut]:
    """Kept fits, newest first, found by words of their names and recipes."""
    rows = KeptFit.objects.newest_first().found_by(search).defer("request", "pans")
    return damage.shown(rows[offset:offset + limit], _fit_row, _damaged_row)


@router.post("/fits", operation_id="keep_fit",
             response={201: KeptOut, 400: ProblemOut, 404: ProblemOut, 409: ProblemOut,
                       422: ProblemOut})
@writes
def keep_fit(request: HttpRequest, body: KeepFitIn) -> Status[KeptOut]:
    """Keep a fit under a name; what cannot be worked out is not kept."""
    fit_of(body.request)
    kept = keeping.keep_fit(
        name=body.name, recipe_id=body.request.recipe, replace=body.replace, at=timezone.now(),
        request=_stored(body.request))
    return Status(201, KeptOut(**_row(kept), request=body.request))


@router.get("/fits/{fit_id}", operation_id="get_fit",
            response={200: KeptFitOut, 404: ProblemOut, 422: ProblemOut})
def get_fit(request: HttpRequest, fit_id: Path[Id]) -> KeptFitOut:
    """A kept fit, worked out anew."""
    kept = keeping.kept_fit(fit_id)
    asked = FitIn.model_validate(keeping.request_of(kept))
    return KeptFitOut(**_row(kept), request=asked, result=fit_answer(fit_of(asked)),
                      taken=[_taken(row) for row in taking.taken_of(fit_id)])


@router.delete("/fits/{fit_id}", operation_id="remove_fit",
               response={204: None, 404: ProblemOut, 422: ProblemOut})
@writes
def remove_fit(request: HttpRequest, fit_id: Path[Id]) -> Status[None]:
    """Let a kept fit go."""
    keeping.remove_fit(fit_id)
    return Status(204, None)


@router.post("/fit/noted", response={200: NotedOut, 400: ProblemOut, 422: ProblemOut},
             operation_id="noted_of_fit")
def noted_of_fit(request: HttpRequest, body: FitIn) -> NotedOut:
    """Whether this very fit is kept, and the times noted with it. Nothing is stored."""
    kept = keeping.kept_as(body.recipe, _stored(body))
    if kept is None:
        return NotedOut(kept=None, name="", taken=[])
    return NotedOut(kept=kept.pk, name=kept.name,
                    taken=[_taken(row) for row in taking.taken_of(kept.pk)])


@router.post("/fits/{fit_id}/taken", operation_id="note_taken",
             response={201: TookOut, 400: ProblemOut, 404: ProblemOut, 422: ProblemOut})
@writes
def note_taken(request: HttpRequest, fit_id: Path[Id], body: TookIn) -> Status[TookOut]:
    """Note how long a bake of a kept fit took."""
    asked = FitIn.model_validate(keeping.request_of(keeping.kept_fit(fit_id)))
    return Status(201, _taken(taking.note_taken(
        fit_of(asked), fit_id=fit_id, entry=body.entry, minutes=body.minutes,
        at=timezone.now())))


@router.delete("/fits/{fit_id}/taken/{taken_id}", operation_id="forget_taken",
               response={204: None, 404: ProblemOut, 422: ProblemOut})
@writes
def forget_taken(request: HttpRequest, fit_id: Path[Id], taken_id: Path[Id]) -> Status[None]:
    """Let a noted time go."""
    taking.forget_taken(fit_id, taken_id)
    return Status(204, None)


def _stored(request: FitIn) -> dict[str, Any]:
    """Return a request as it is kept: what was chosen, without what is usual."""
    return request.model_dump(mode="json", exclude_defaults=True) | {"recipe": request.recipe}


def _taken(row: BakeTaken) -> TookOut:
    return TookOut(id=row.pk, entry=row.entry, label=row.label, dial=row.dial,
                   likely_min=row.likely_min, minutes=row.minutes, taken_at=row.taken_at)


def _fit_row(kept: KeptFit) -> FitRowOut:
    return FitRowOut(**_row(kept))


def _damaged_row(kept: KeptFit) -> FitRowOut:
    return FitRowOut(id=kept.pk, name=damage.readable(kept.name), recipe=kept.recipe_id,
                     recipe_title=damage.readable(kept.recipe.title), kept_at=kept.kept_at,
                     damaged=True)


def _row(kept: KeptFit) -> dict[str, Any]:
    return {"id": kept.pk, "name": kept.name, "recipe": kept.recipe_id,
            "recipe_title": kept.recipe.title, "kept_at": kept.kept_at}
