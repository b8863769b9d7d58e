"""The method at its new size: amounts in the steps grow with the lines they belong to."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.card.recipe import Recipe, TiedAmount
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ingredients.table import precision_of
from entremet.core.measures.amounts import show_scaled
from entremet.core.measures.fractions import write_number
from entremet.core.measures.masses import show_mass
from entremet.core.measures.units import EGG_UNITS, MASS_G, ml_per


@dataclass(frozen=True, slots=True, kw_only=True)
class Words:
    """A stretch of a step: its text, and the text as written where an amount was scaled."""

    text: str
    was: str = ""
    swapped_to: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class ScaledStep:
    """A step in stretches of words, and the sign it ends on."""

    key: int
    words: tuple[Words, ...]
    sign: str


def scale_steps(recipe: Recipe, lines: Sequence[ScaledLine], *,
                scale_step_g: float) -> tuple[ScaledStep, ...]:
    """Scale the amounts in the steps; every other word stays.

    Parameters
    ----------
    recipe : Recipe
        With its tied steps.
    lines : sequence of ScaledLine
        The card at its new size.
    scale_step_g : float
        What the kitchen's scale reads to.
    """
    by_key = {line.line.key: line for line in lines}
    scaled = []
    for step in recipe.steps:
        words: list[Words] = []
        place = 0
        for tie in step.ties:
            line = by_key.get(tie.line) if tie.line is not None else None
            if line is None or not line.included or line.factor <= 0:
                continue
            words.append(Words(text=step.text[place:tie.start]))
            was = step.text[tie.start:tie.end]
            words.append(Words(text=_amount(tie, was, line, recipe, scale_step_g), was=was,
                               swapped_to=line.line.name if line.line.swapped_from else ""))
            place = tie.end
        words.append(Words(text=step.text[place:]))
        scaled.append(ScaledStep(key=step.key, sign=step.sign,
                                 words=tuple(one for one in words if one.text)))
    return tuple(scaled)


def unscaled_steps(recipe: Recipe) -> tuple[ScaledStep, ...]:
    """Return the method as it is written, while nothing is fitted."""
    return tuple(ScaledStep(key=step.key, words=(Words(text=step.text),), sign=step.sign)
                 for step in recipe.steps)


def _amount(tie: TiedAmount, was: str, scaled: ScaledLine, recipe: Recipe,
            scale_step_g: float) -> str:
    factor = scaled.factor
    if math.isclose(factor, 1.0, abs_tol=1e-9):
        return was
    if tie.amount.unit in EGG_UNITS:
        return write_number(tie.amount.value * factor, places=1)
    ingredient = scaled.line.ingredient
    grams = _grams(tie, scaled, recipe)
    if tie.amount.unit in MASS_G and grams is not None:
        return show_mass(grams * factor, scale_step_g=scale_step_g)
    shown = show_scaled(
        tie.amount, factor=factor, grams=None if grams is None else grams * factor,
        precision=precision_of(None if ingredient is None else ingredient.role),
        sizes=recipe.scales.sizes, scale_step_g=scale_step_g)
    return shown.text


def _grams(tie: TiedAmount, scaled: ScaledLine, recipe: Recipe) -> float | None:
    if tie.amount.unit in MASS_G:
        return tie.amount.middle * MASS_G[tie.amount.unit]
    ingredient = scaled.line.ingredient
    density = None if ingredient is None else ingredient.density(scaled.line.state)
    ml = ml_per(tie.amount.unit, recipe.scales.sizes)
    if ml is None or density is None:
        return None
    return tie.amount.middle * ml * density.value / 100
