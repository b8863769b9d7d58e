"""The fit."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router

from entremet.kitchen.actions.fitting import Asked, Fitted, Version
from entremet.kitchen.actions.fitting import fit as work_out
from entremet.kitchen.api.answers import fit_answer
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.fit_in import EntryIn, FitIn
from entremet.kitchen.api.schemas.fit_out import FitOut

router = Router(tags=["fit"])


@router.post("/fit", response={200: FitOut, 400: ProblemOut, 404: ProblemOut, 422: ProblemOut},
             operation_id="fit")
def fit(request: HttpRequest, body: FitIn) -> FitOut:
    """Fit a recipe to pans. Nothing is stored."""
    return fit_answer(fit_of(body))


def fit_of(body: FitIn) -> Fitted:
    """Work out the fit a body asks for."""
    return work_out(recipe_id=body.recipe, oven_id=body.oven, choices=body.choices(),
                    asked=[_asked(entry) for entry in body.into],
                    version=Version(revision=body.revision, variant=body.variant,
                                    instead=body.instead))


def _asked(entry: EntryIn) -> Asked:
    rule = None if entry.rule is None else entry.rule.to_core()
    if isinstance(entry.pan, int):
        return Asked(pan_id=entry.pan, label="", measures=None, count=entry.count, rule=rule)
    return Asked(pan_id=None, label=entry.pan.label.strip(), measures=entry.pan.to_core,
                 count=entry.count, rule=rule)
