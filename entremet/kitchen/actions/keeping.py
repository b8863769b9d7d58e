"""Keep fits under a name, and let them go."""

from __future__ import annotations

from datetime import datetime

from django.db import transaction
from django.db.models import QuerySet

from entremet.core.plan.request import Request
from entremet.kitchen.actions import at_hand
from entremet.kitchen.documents import requests
from entremet.kitchen.errors import NameTaken, NotHere
from entremet.kitchen.models import KeptFit, RackPan, Recipe


@transaction.atomic
def keep_fit(*, name: str, request: Request, replace: bool, at: datetime) -> KeptFit:
    """Keep a fit.

    Raises
    ------
    NotHere
        When its recipe is not in this kitchen.
    NameTaken
        When the name is in use and must not be replaced.
    """
    if not Recipe.objects.filter(pk=request.recipe).exists():
        raise NotHere("This recipe is not in the kitchen.", field="request.recipe")
    kept = KeptFit.objects.filter(name=name).first()
    if kept is not None and not replace:
        raise NameTaken(f"There is a kept fit called “{name}” already. Choose another name, or "
                        "replace it.", field="name")
    kept = kept or KeptFit(name=name)
    kept.recipe_id, kept.request, kept.kept_at = request.recipe, requests.kept(request), at
    kept.request_version = requests.CURRENT
    kept.pans = requests.copies_of(RackPan.objects.filter(
        pk__in=requests.pans_named(kept.request)))
    kept.save()
    return kept


@transaction.atomic
def remove_fit(fit_id: int) -> None:
    """Let a kept fit go.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    kept_fit(fit_id).delete()


def kept_fit(fit_id: int) -> KeptFit:
    """Return a kept fit with its recipe.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    kept: KeptFit | None = KeptFit.objects.select_related("recipe").filter(pk=fit_id).first()
    if kept is None:
        raise NotHere("This fit is not kept here.", field="fit")
    return kept


def request_of(kept: KeptFit) -> Request:
    """Return what a kept fit asks for, with the pans it was kept with.

    Raises
    ------
    Damaged
        When it cannot be read any more.
    """
    return requests.read(kept.request, kept.request_version, copies=kept.pans,
                         racked=at_hand.racked)


def kept_found(search: str) -> QuerySet[KeptFit]:
    """Return kept fits, the newest first, found by words of their names and recipes."""
    return KeptFit.objects.newest_first().found_by(search)
