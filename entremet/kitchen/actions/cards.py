"""Cards of the kitchen, kept and resolved."""

from __future__ import annotations

import json
from collections.abc import Mapping
from functools import lru_cache
from typing import Any

from entremet.core.card.card import Card
from entremet.core.card.recipe import Recipe as CoreRecipe
from entremet.core.card.resolve import recipe_of
from entremet.core.ground.errors import CoreError
from entremet.core.ground.findings import Finding
from entremet.core.ingredients.table import IngredientTable
from entremet.core.swaps.apply import variant_of, with_variant
from entremet.kitchen import pantry
from entremet.kitchen.current import once
from entremet.kitchen.documents.cards import card_from_stored
from entremet.kitchen.errors import Damaged, NotHere
from entremet.kitchen.models import Recipe, Revision


def recipe_row(recipe_id: int) -> Recipe:
    """Return a recipe.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    recipe: Recipe | None = once(("recipe", recipe_id), lambda: Recipe.objects.filter(
        pk=recipe_id).first())
    if recipe is None:
        raise NotHere("This recipe is not in the kitchen.", field="recipe")
    return recipe


def revision_of(recipe: Recipe, number: int | None = None) -> Revision:
    """Return a revision of a recipe; None takes the newest.

    Raises
    ------
    NotHere
        When it has none of that number.
    """
    wanted = recipe.head if number is None else number
    found: Revision | None = once(("revision", recipe.pk, wanted), lambda: Revision.objects.filter(
        recipe=recipe, number=wanted).first())
    if found is None:
        raise NotHere(f"“{recipe.title}” has no revision {number}.", field="revision")
    return found


def card_in(revision: Revision) -> Card:
    """Return the card of a revision.

    Raises
    ------
    Damaged
        When what is stored is no card any more.
    """
    return _whole(revision.card)


def _whole(document: Any) -> Card:
    try:
        return card_from_stored(document)
    except (CoreError, ValueError) as error:
        raise Damaged("What is stored of this card is damaged. Bring an earlier revision back, or "
                      "an earlier copy of the kitchen.", field="card") from error


def fit_recipe(revision: Revision, *, variant: int | None,
               instead: Mapping[int, int]) -> tuple[CoreRecipe, tuple[Finding, ...]]:
    """Return a revision's card ready for a fit, with what its swaps have to say.

    Raises
    ------
    CoreError
        When the card has no such variant or alternative.
    """
    return _resolved(json.dumps(revision.card, sort_keys=True), variant,
                     tuple(sorted(instead.items())), pantry.table())


@lru_cache(maxsize=64)
def _resolved(document: str, variant: int | None, instead: tuple[tuple[int, int], ...],
              table: IngredientTable) -> tuple[CoreRecipe, tuple[Finding, ...]]:
    """Read and resolve each document once; a baker fits the same card many times over."""
    card = _whole(json.loads(document))
    swapped = with_variant(card, variant, table=table)
    name = "" if variant is None else variant_of(card, variant).name
    recipe = recipe_of(swapped.card, table=table, instead=dict(instead), variant=name,
                       as_written=card)
    return recipe, swapped.findings
