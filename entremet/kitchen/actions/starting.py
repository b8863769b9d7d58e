"""Recipes to try are taken into a new kitchen."""

from __future__ import annotations

from django.db import transaction
from django.utils import timezone

from entremet.kitchen.actions.recipes import add_recipe
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Recipe
from entremet.kitchen.welcome.start import starters


@transaction.atomic
def take_starter(key: str) -> Recipe:
    """Put a recipe to try into the kitchen, once.

    Raises
    ------
    NotHere
        When there is none of that key.
    """
    card = starters().get(key)
    if card is None:
        raise NotHere("There is no such recipe to try.", field="key")
    found: Recipe | None = Recipe.objects.filter(key=key).first()
    return found or add_recipe(card, key=key, at=timezone.now())
