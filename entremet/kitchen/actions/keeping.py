"""Keep fits under a name, and let them go."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from django.db import transaction

from entremet.kitchen.errors import NameTaken, NotHere
from entremet.kitchen.models import KeptFit, Recipe


@transaction.atomic
def keep_fit(*, name: str, recipe_id: int, request: dict[str, Any], replace: bool,
             at: datetime) -> KeptFit:
    """Keep a fit.

    Raises
    ------
    NotHere
        When its recipe is not in this kitchen.
    NameTaken
        When the name is in use and must not be replaced.
    """
    if not Recipe.objects.filter(pk=recipe_id).exists():
        raise NotHere("This recipe is not in the kitchen.", field="request.recipe")
    kept = KeptFit.objects.filter(name=name).first()
    if kept is not None and not replace:
        raise NameTaken(f"There is a kept fit called “{name}” already. Choose another name, or "
                        "replace it.", field="name")
    kept = kept or KeptFit(name=name)
    kept.recipe_id, kept.request, kept.kept_at = recipe_id, request, at
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


def kept_as(recipe_id: int, request: dict[str, Any]) -> KeptFit | None:
    """Return the newest kept fit of exactly these choices, or None."""
    rows = KeptFit.objects.filter(recipe_id=recipe_id).order_by("-kept_at", "-id")
    return next((row for row in rows if row.request == request), None)
