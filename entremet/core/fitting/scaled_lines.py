"""The card at its new size: every line, each by its own rule, splits kept together."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.card.lines import Line, Part
from entremet.core.card.recipe import Recipe
from entremet.core.finishing.growth import Factors
from entremet.core.fitting.eggs import EggOption, LeadingEggs, follower_text
from entremet.core.fitting.powder import is_powder
from entremet.core.ground.provenance import Figure, worked_out
from entremet.core.ingredients.table import precision_of
from entremet.core.measures.amounts import Shown, show_scaled
from entremet.core.measures.masses import share_steps, show_mass
from entremet.core.measures.units import Standard


@dataclass(frozen=True, slots=True, kw_only=True)
class ScaledPart:
    """A part of a split line; the parts as shown sum to the whole as shown."""

    name: str
    recipe_g: float | None
    g: float | None
    shown: str


@dataclass(frozen=True, slots=True, kw_only=True)
class ScaledLine:
    """A line of the card, was and now.

    Parameters
    ----------
    line : Line
        As the card has it.
    recipe_g, g : Figure or None
        Grams before and after, unrounded; None where the weight is not known.
    factor : float
        Its own; 0 where it is left out.
    included : bool
        Whether it goes in.
    shown : Shown
        The new amount in words.
    parts : tuple of ScaledPart
        Its split.
    """

    line: Line
    recipe_g: Figure | None
    g: Figure | None
    factor: float
    included: bool
    shown: Shown
    parts: tuple[ScaledPart, ...]


def scale_lines(recipe: Recipe, *, factors: Factors, left_out: frozenset[int],
                eggs: LeadingEggs | None, egg_option: EggOption | None,
                scale_step_g: float) -> tuple[ScaledLine, ...]:
    """Scale every line of a card; none is dropped.

    Parameters
    ----------
    recipe : Recipe
        The card.
    factors : Factors
        For each rule of growth.
    left_out : frozenset of int
        Keys of optional lines that stay out; they stay on the card, marked.
    eggs, egg_option
        The leading eggs and how they are settled.
    scale_step_g : float
        What the kitchen's scale reads to.
    """
    sizes = recipe.scales.sizes
    return tuple(
        _left_out(line, recipe) if line.key in left_out
        else _scaled(line, recipe,
                     factors.of(line) * (factors.powder if is_powder(line) else 1.0), sizes,
                     scale_step_g, egg_option if eggs is not None and line is eggs.line else None)
        for line in recipe.lines)


def _scaled(line: Line, recipe: Recipe, factor: float, sizes: Standard, scale_step_g: float,
            egg_option: EggOption | None) -> ScaledLine:
    was = recipe.weights[line.key]
    now = None if was is None else worked_out(
        was.value * factor, f"{was.note}; × {factor:.3g}", was)
    if now is not None and math.isclose(factor, 1.0, abs_tol=1e-9):
        now = was
    grams = None if now is None else now.value
    if line.amount is None or (line.is_eggs and not math.isclose(factor, 1.0, abs_tol=1e-9)):
        shown = _counted(line, factor, grams, egg_option, scale_step_g)
    else:
        shown = show_scaled(
            line.amount, factor=factor, grams=grams, sizes=sizes, scale_step_g=scale_step_g,
            precision=precision_of(line.ingredient.role if line.ingredient else None),
            g_per_100ml=line.g_per_100ml)
        if math.isclose(factor, 1.0, abs_tol=1e-9):
            shown = Shown(text=line.written, grams=shown.grams,
                          measure=None if shown.measure is None else line.written,
                          measure_leads=shown.measure_leads or line.is_eggs)
    return ScaledLine(line=line, recipe_g=was, g=now, factor=factor, included=True, shown=shown,
                      parts=_parts(line.parts, was, now, scale_step_g))


def _counted(line: Line, factor: float, grams: float | None, egg_option: EggOption | None,
             scale_step_g: float) -> Shown:
    if line.amount is None:
        return Shown(text=line.written, grams=None, measure=line.written, measure_leads=True)
    grams_text = None if grams is None else show_mass(grams, scale_step_g=scale_step_g)
    if egg_option is not None:
        text = egg_option.text
    else:
        count = line.amount.value * factor
        text = follower_text(count, (grams or 0.0) / count, line.amount.unit,
                             scale_step_g=scale_step_g)
    return Shown(text=text, grams=grams_text, measure=text, measure_leads=True)


def _left_out(line: Line, recipe: Recipe) -> ScaledLine:
    was = recipe.weights[line.key]
    return ScaledLine(
        line=line, recipe_g=was, g=worked_out(0.0, "optional, left out"), factor=0.0,
        included=False, parts=(),
        shown=Shown(text="left out", grams=None, measure=None, measure_leads=False))


def _parts(parts: tuple[Part, ...], was: Figure | None, now: Figure | None,
           scale_step_g: float) -> tuple[ScaledPart, ...]:
    if was is None or now is None:
        return tuple(ScaledPart(name=part.name, recipe_g=None, g=None,
                                shown=f"{part.share:.0%} of it") for part in parts)
    rounded = share_steps([part.share * now.value for part in parts], scale_step_g=scale_step_g)
    return tuple(
        ScaledPart(name=part.name, recipe_g=part.share * was.value, g=part.share * now.value,
                   shown=show_mass(shown, scale_step_g=scale_step_g))
        for part, shown in zip(parts, rounded, strict=True))


def unscaled_lines(recipe: Recipe, *, left_out: frozenset[int]) -> tuple[ScaledLine, ...]:
    """Return the card as it is, with no new amounts, while nothing is fitted."""
    return tuple(
        _left_out(line, recipe) if line.key in left_out
        else ScaledLine(line=line, recipe_g=recipe.weights[line.key], g=None, factor=0.0,
                        included=True, parts=(),
                        shown=Shown(text="–", grams=None, measure=None, measure_leads=False))
        for line in recipe.lines)
