"""From stored recipes to the cards the core computes with."""

from __future__ import annotations

from entremet.core.baking.settings import OvenKind, Scale, Setting
from entremet.core.batter.styles import style
from entremet.core.card.lines import Component as CoreComponent
from entremet.core.card.lines import Line as CoreLine
from entremet.core.card.lines import Part, ScalesBy
from entremet.core.card.recipe import BatterStart, SourcePan, StatedTime
from entremet.core.card.recipe import Recipe as CoreRecipe
from entremet.core.ingredients.table import ingredient
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import Unit
from entremet.kitchen.models import Line, Recipe


def card_of(recipe: Recipe) -> CoreRecipe:
    """Return the card of a stored recipe; fetch it with ``whole()`` first."""
    return CoreRecipe(
        title=recipe.title, style=style(recipe.style),
        lines=tuple(_line(line, CoreComponent(component.kind))
                    for component in recipe.components.all() for line in component.lines.all()),
        pans=tuple(SourcePan(pan=pan.to_core(), count=pan.count) for pan in recipe.pans.all()),
        setting=setting_of(recipe), oven_kind=kind_of(recipe), stated=stated_of(recipe),
        has_phases=bool(recipe.phases), start=BatterStart(recipe.batter_start),
        standard_key=recipe.measure_standard or None, grade_key=recipe.egg_grade or None)


def setting_of(recipe: Recipe) -> Setting | None:
    """Return the oven setting as written, or None."""
    if recipe.oven_value is None:
        return None
    return Setting(value=recipe.oven_value, scale=Scale(recipe.oven_scale))


def kind_of(recipe: Recipe) -> OvenKind | None:
    """Return the kind of oven a recipe is written for, or None."""
    return OvenKind(recipe.oven_kind) if recipe.oven_kind else None


def stated_of(recipe: Recipe) -> StatedTime | None:
    """Return the stated bake time, or None."""
    low, high = recipe.stated_low_min, recipe.stated_high_min
    return None if low is None or high is None else StatedTime(low_min=low, high_min=high)


def _line(line: Line, component: CoreComponent) -> CoreLine:
    amount = None if line.amount_value is None else Amount(
        value=line.amount_value, unit=Unit(line.amount_unit))
    return CoreLine(
        key=line.pk, name=line.name, amount=amount, written=line.written,
        ingredient=ingredient(line.ingredient) if line.ingredient else None,
        component=component, scales_by=ScalesBy(line.scales_by), optional=line.optional,
        parts=tuple(Part(name=part.name, share=part.share) for part in line.parts.all()))
