"""Kept fits."""

from __future__ import annotations

from typing import Annotated, Any

from django.http import HttpRequest
from django.utils import timezone
from ninja import Path, Router, Status
from pydantic import Field

from entremet.kitchen.actions import fitting, keeping
from entremet.kitchen.api import damage
from entremet.kitchen.api.answers import fit_answer
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.fits import FitRowOut, KeepFitIn, KeptFitOut, KeptOut
from entremet.kitchen.api.writing import writes
from entremet.kitchen.models import KeptFit

router = Router(tags=["fits"])


@router.get("/fits", response={200: list[FitRowOut], 422: ProblemOut}, operation_id="list_fits")
def list_fits(request: HttpRequest, search: Annotated[str, Field(max_length=200)] = "",
              offset: Annotated[int, Field(ge=0, le=1_000_000)] = 0,
              limit: Annotated[int, Field(ge=1, le=200)] = 60) -> list[FitRowOut]:
    """Kept fits, newest first, found by words of their names and recipes."""
    rows = keeping.kept_found(search).defer("request", "pans")
    return damage.shown(rows[offset:offset + limit], _fit_row, _damaged_row)


@router.post("/fits", operation_id="keep_fit",
             response={201: KeptOut, 400: ProblemOut, 404: ProblemOut, 409: ProblemOut,
                       422: ProblemOut})
@writes
def keep_fit(request: HttpRequest, body: KeepFitIn) -> Status[KeptOut]:
    """Keep a fit under a name; what cannot be worked out is not kept."""
    fitting.fit(body.request)
    kept = keeping.keep_fit(
        name=body.name, request=body.request, replace=body.replace, at=timezone.now())
    return Status(201, KeptOut(**_row(kept), request=body.request))


@router.get("/fits/{fit_id}", operation_id="get_fit",
            response={200: KeptFitOut, 404: ProblemOut, 422: ProblemOut})
def get_fit(request: HttpRequest, fit_id: Path[Id]) -> KeptFitOut:
    """A kept fit, worked out anew."""
    kept = keeping.kept_fit(fit_id)
    asked = keeping.request_of(kept)
    return KeptFitOut(**_row(kept), request=asked, result=fit_answer(fitting.fit(asked)))



@router.delete("/fits/{fit_id}", operation_id="remove_fit",
               response={204: None, 404: ProblemOut, 422: ProblemOut})
@writes
def remove_fit(request: HttpRequest, fit_id: Path[Id]) -> Status[None]:
    """Let a kept fit go."""
    keeping.remove_fit(fit_id)
    return Status(204, None)


def _fit_row(kept: KeptFit) -> FitRowOut:
    return FitRowOut(**_row(kept))


def _damaged_row(kept: KeptFit) -> FitRowOut:
    return FitRowOut(id=kept.pk, name=damage.readable(kept.name), recipe=kept.recipe_id,
                     recipe_title=damage.readable(kept.recipe.title), kept_at=kept.kept_at,
                     damaged=True)


def _row(kept: KeptFit) -> dict[str, Any]:
    return {"id": kept.pk, "name": kept.name, "recipe": kept.recipe_id,
            "recipe_title": kept.recipe.title, "kept_at": kept.kept_at}
