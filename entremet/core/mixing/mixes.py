"""The weigh-out of each mix; line by line the mixes sum to the card."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.card.lines import MIXED, Line
from entremet.core.card.recipe import Recipe
from entremet.core.fitting.eggs import EggOption, LeadingEggs, follower_text
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ingredients.table import precision_of
from entremet.core.measures.amounts import show_scaled
from entremet.core.measures.masses import share_steps, show_mass, steps_of
from entremet.core.measures.scoops import little


@dataclass(frozen=True, slots=True, kw_only=True)
class MixPart:
    """A part of a split line in one mix."""

    name: str
    g: float
    shown: str


@dataclass(frozen=True, slots=True, kw_only=True)
class MixLine:
    """A line in one mix.

    Parameters
    ----------
    line : Line
        As the card has it.
    g : float or None
        Unrounded; None where the weight is not known.
    shown_g, shown_measure : str or None
        What to weigh, and what to measure.
    measure_leads : bool
        Whether the measure is what to go by.
    parts : tuple of MixPart
        Its split.
    """

    line: Line
    g: float | None
    shown_g: str | None
    shown_measure: str | None
    measure_leads: bool
    parts: tuple[MixPart, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Mix:
    """One mix.

    Parameters
    ----------
    share : float
        Of the whole batch.
    eggs : float or None
        Eggs of the leading line in it.
    gross_g : float
        Batter in the bowl.
    in_bowl_ml : float
        The room it takes at its largest.
    lines : tuple of MixLine
        What goes into the bowl; the rest of the card is not mixed.
    """

    share: float
    eggs: float | None
    gross_g: float
    in_bowl_ml: float
    lines: tuple[MixLine, ...]


def mixes_of(recipe: Recipe, lines: Sequence[ScaledLine], shares: Sequence[float], *,
             gross_g: float, eggs: LeadingEggs | None, option: EggOption | None,
             scale_step_g: float) -> tuple[Mix, ...]:
    """Write the weigh-out of every mix.

    Parameters
    ----------
    recipe : Recipe
        The card.
    lines : sequence of ScaledLine
        At their new size.
    shares : sequence of float
        Of each mix; they sum to 1.
    gross_g : float
        Batter of the whole batch.
    eggs, option
        The leading eggs and how they are settled.
    scale_step_g : float
        What the kitchen's scale reads to.
    """
    mixed = [line for line in lines if line.included and line.line.component in MIXED]
    if len(shares) == 1:
        return (_whole(recipe, mixed, gross_g, eggs, option),)
    table = [_over_mixes(recipe, line, shares, eggs, option, scale_step_g) for line in mixed]
    style = recipe.style
    return tuple(
        Mix(share=share, gross_g=gross_g * share,
            eggs=None if option is None or eggs is None else (
                option.count + option.beaten_g / eggs.each_g) * share,
            in_bowl_ml=gross_g * share / style.density.value * style.in_bowl.value,
            lines=tuple(row[place] for row in table))
        for place, share in enumerate(shares))


def _whole(recipe: Recipe, lines: Sequence[ScaledLine], gross_g: float,
           eggs: LeadingEggs | None, option: EggOption | None) -> Mix:
    """Return the one mix that takes everything: the card as it is."""
    style = recipe.style
    return Mix(
        share=1.0, gross_g=gross_g,
        eggs=None if option is None or eggs is None else (
            option.count + option.beaten_g / eggs.each_g),
        in_bowl_ml=gross_g / style.density.value * style.in_bowl.value,
        lines=tuple(MixLine(
            line=one.line, g=None if one.g is None else one.g.value, shown_g=one.shown.grams,
            shown_measure=one.shown.measure,
            measure_leads=one.shown.measure is not None and (
                one.shown.measure_leads or one.shown.grams is None),
            parts=tuple(MixPart(name=part.name, g=part.g or 0.0, shown=part.shown)
                        for part in one.parts)) for one in lines))


def _over_mixes(recipe: Recipe, scaled: ScaledLine, shares: Sequence[float],
                eggs: LeadingEggs | None, option: EggOption | None,
                step_g: float) -> list[MixLine]:
    """Share one line over the mixes; what is shown sums to what the card shows."""
    grams = None if scaled.g is None else scaled.g.value
    parts = _parts(scaled, shares, step_g)
    if grams is None:
        weights: list[float | None] = [None] * len(shares)
    elif parts[0]:
        weights = [sum(shown for _, _, shown in row) for row in parts]
    else:
        weights = list(share_steps(_spread(grams, shares, step_g), scale_step_g=step_g))
    measures = {share: _measure(recipe, scaled, share, eggs, option, step_g)
                for share in set(shares)}
    rows = []
    for share, weight, row in zip(shares, weights, parts, strict=True):
        measure = measures[share]
        if grams and not weight and measure is None:
            # Its grams went to another mix, to sum to the card: here it is a spoon's worth.
            measure = little(grams * share, scaled.line.g_per_100ml, sizes=recipe.scales.sizes)
        rows.append(MixLine(
            line=scaled.line, g=None if grams is None else grams * share,
            shown_g=None if not weight and grams else show_mass(weight or 0, scale_step_g=step_g),
            shown_measure=measure,
            measure_leads=measure is not None and (not weight or scaled.shown.measure_leads),
            parts=tuple(MixPart(name=name, g=g, shown=show_mass(shown, scale_step_g=step_g))
                        for name, g, shown in row)))
    return rows


def _parts(scaled: ScaledLine, shares: Sequence[float],
           step_g: float) -> list[list[tuple[str, float, float]]]:
    rows: list[list[tuple[str, float, float]]] = [[] for _ in shares]
    if scaled.g is None or not scaled.parts:
        return rows
    whole = share_steps([part.g or 0.0 for part in scaled.parts], scale_step_g=step_g)
    for part, shown in zip(scaled.parts, whole, strict=True):
        over = share_steps([shown * share for share in shares], scale_step_g=step_g)
        for row, share, steps in zip(rows, shares, over, strict=True):
            row.append((part.name, (part.g or 0.0) * share, steps))
    return rows


def _spread(grams: float, shares: Sequence[float], step_g: float) -> list[float]:
    shown = steps_of(grams, scale_step_g=step_g) * step_g
    return [shown * share for share in shares]


def _measure(recipe: Recipe, scaled: ScaledLine, share: float, eggs: LeadingEggs | None,
             option: EggOption | None, step_g: float) -> str | None:
    line = scaled.line
    if line.amount is None:
        return line.written
    grams = None if scaled.g is None else scaled.g.value * share
    factor = scaled.factor * share
    if line.is_eggs:
        count = line.amount.value * factor
        if option is not None and eggs is not None and line is eggs.line:
            count = (option.count + option.beaten_g / eggs.each_g) * share
        return follower_text(count, (grams or 0.0) / count, line.amount.unit,
                             scale_step_g=step_g)
    sizes = recipe.scales.sizes
    shown = show_scaled(
        line.amount, factor=factor, grams=grams, sizes=sizes, scale_step_g=step_g,
        precision=precision_of(line.ingredient.role if line.ingredient else None),
        g_per_100ml=line.g_per_100ml)
    return shown.measure
