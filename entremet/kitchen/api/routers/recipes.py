"""Recipes."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Path, Router

from entremet.core.pans.pan import Pan
from entremet.core.provenance import Origin
from entremet.kitchen.actions.reading import card_row, whole_recipe
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas.base import ProblemOut
from entremet.kitchen.api.schemas.recipes import (
    LineOut,
    PartOut,
    RecipeOut,
    RecipePanOut,
    RecipeRowOut,
)
from entremet.kitchen.models import Recipe

router = Router(tags=["recipes"])


@router.get("/recipes", response=list[RecipeRowOut], operation_id="list_recipes")
def list_recipes(request: HttpRequest) -> list[RecipeRowOut]:
    """All recipes, in the kitchen's order."""
    return [RecipeRowOut(**card_row(recipe)) for recipe in Recipe.objects.whole()]


@router.get("/recipes/{recipe_id}", response={200: RecipeOut, 404: ProblemOut, 422: ProblemOut},
            operation_id="get_recipe")
def get_recipe(request: HttpRequest, recipe_id: Path[Id]) -> RecipeOut:
    """One recipe with its pans and lines."""
    recipe, card = whole_recipe(recipe_id)
    return RecipeOut(
        **card_row(recipe),
        pans=[RecipePanOut(
            label=one.pan.label, count=one.count,
            wall_cm=one.pan.wall_cm.value if isinstance(one.pan, Pan) else None,
            wall_assumed=isinstance(one.pan, Pan) and one.pan.wall_cm.origin is Origin.ASSUMED)
            for one in card.pans],
        lines=[LineOut(
            id=line.key, name=line.name, written=line.written, component=line.component,
            scales_by=line.scales_by, optional=line.optional,
            grams=weight.value if (weight := card.weights[line.key]) is not None else None,
            parts=[PartOut(name=part.name, share=part.share) for part in line.parts])
            for line in card.lines])
