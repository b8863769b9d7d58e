"""Read recipes for showing."""

from __future__ import annotations

from typing import Any

from entremet.core.baking.settings import setting_words
from entremet.core.batter.styles import style
from entremet.core.card.recipe import Recipe as CoreRecipe
from entremet.core.wording import listed
from entremet.kitchen.cards import card_of, kind_of, setting_of, stated_of
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Recipe, RecipePan


def whole_recipe(recipe_id: int) -> tuple[Recipe, CoreRecipe]:
    """Return a stored recipe with its card.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    recipe = Recipe.objects.whole().filter(pk=recipe_id).first()
    if recipe is None:
        raise NotHere("This recipe is not in the kitchen.", field="recipe")
    return recipe, card_of(recipe)


def card_row(recipe: Recipe) -> dict[str, Any]:
    """Return what a list shows of a recipe."""
    setting, stated = setting_of(recipe), stated_of(recipe)
    oven = None if setting is None else setting_words(setting, kind_of(recipe))
    return {
        "id": recipe.pk, "title": recipe.title, "style": style(recipe.style).name,
        "written_for": listed([_pan_words(pan) for pan in recipe.pans.all()]) or "no pan named",
        "oven": oven, "note": recipe.note,
        "time": None if stated is None else stated.text,
    }


def _pan_words(pan: RecipePan) -> str:
    if pan.wells > 1:
        return f"{pan.count} wells of a {pan.label}"
    return pan.label if pan.count == 1 else f"{pan.count} × {pan.label}"
