"""From a kept card to a recipe that can be fitted: names become ingredients, holes are assumed."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import replace

from entremet.core.batter.styles import style
from entremet.core.card.card import Card, CardLine, CoolingWay, Instead
from entremet.core.card.finish import Finishing
from entremet.core.card.lines import MIXED, USUAL_GROWTH, Component, Line, Part, ScalesBy
from entremet.core.card.measure_standard import standard_named_by_pairs
from entremet.core.card.recipe import Recipe, SourcePan, StatedTime
from entremet.core.card.said_finish import said_finish
from entremet.core.card.ties import tied_steps
from entremet.core.ground.errors import ImpossiblePan, ImpossibleRecipe, UnreadableAmount
from entremet.core.ground.provenance import assumed
from entremet.core.ingredients.eggs import grade_of_size
from entremet.core.ingredients.table import Ingredient, IngredientTable, Role
from entremet.core.measures.amounts import Amount, AmountSign
from entremet.core.measures.units import EGG_UNITS, MASS_G, Standard, Unit, ml_per, standard
from entremet.core.pans.measures import pan_from
from entremet.core.pans.pan import CapacityPan, Pan

NO_INSTEAD: Mapping[int, int] = {}
OIL_SHARE = 0.5
"""Oil of all fat from which an unnamed batter is taken for an oil batter; practice."""

FOAM_EGGS = 1.3
"""Eggs over flour by weight from which an unnamed batter is taken for a foam; practice."""

COOLING_WORDS = {
    CoolingWay.TURN_OUT: "turn out", CoolingWay.TURN_OUT_WARM: "turn out while warm",
    CoolingWay.COOL_IN_PAN: "cool in the pan", CoolingWay.HANG: "hang upside down until cold",
}


def recipe_of(card: Card, *, table: IngredientTable,
              instead: Mapping[int, int] = NO_INSTEAD, variant: str = "",
              as_written: Card | None = None) -> Recipe:
    """Return the recipe of a card.

    Parameters
    ----------
    card : Card
        As kept, its swaps already applied.
    table : IngredientTable
        With the baker's own rows.
    instead : mapping of int to int
        For a line's key, which of its alternatives takes its place.
    variant : str
        Name of the variant whose swaps are applied.
    as_written : Card or None
        The card before its swaps, where steps are wanted: they name what stood there. None leaves
        the steps out.

    Raises
    ------
    ImpossibleRecipe
        When an alternative is chosen that the card does not have.
    """
    key = standard_key(card)
    sizes = standard(key or table.usual.standard)
    lines = tuple(_line(_chosen(line, instead.get(line.key)), card, table, sizes)
                  for line in card.lines)
    low, high = card.stated_low_min, card.stated_high_min
    finish, said = finish_of(card)
    return of_its_own_dough(Recipe(
        title=card.title, style=style(card.style or usual_style(card, table)), lines=lines,
        style_assumed=card.style is None, pans=source_pans(card), setting=card.setting,
        oven_kind=card.oven_kind, phases=card.phases,
        stated=None if low is None or high is None else StatedTime(low_min=low, high_min=high),
        start=card.batter_start, standard_key=key, grade_key=card.egg_grade,
        egg_g=card.egg_g, variant=variant,
        steps=() if as_written is None else tied_steps(as_written, table=table),
        stand_min=card.stand_min, strips=card.strips, offers=_offers(card), signs=card.signs,
        finishing=finish, finish_said=said, finish_settled=card.finish is not None,
        servings=card.servings, usual=table.usual,
        cooling="" if card.cooling is None else COOLING_WORDS[card.cooling]))


def finish_of(card: Card) -> tuple[Finishing, tuple[str, ...]]:
    """Return how a card's own cakes are finished, and the sentences of its method that say so.

    As it was settled, else as its method says.
    """
    if card.finish is not None:
        return card.finish, ()
    used = {line.component for line in card.lines}
    finish, said = said_finish([step.text for step in card.steps],
                               {one.kind for one in card.components if one.key in used})
    return finish, tuple(dict.fromkeys(one.words for one in said))


PLAUSIBLE_DOUGH = (0.8, 1.5)
"""g/ml; beyond it the size a card gives is not the dough's; practice."""


def of_its_own_dough(recipe: Recipe) -> Recipe:
    """Return a recipe for dough patted out with the density its own size and weight give.

    Where the two do not go together, the style's stays.
    """
    dough = [(one.pan.capacity_ml, one.count) for one in recipe.pans
             if isinstance(one.pan, Pan) and one.pan.patted]
    if not dough or len(dough) < len(recipe.pans):
        return recipe
    grams = recipe.weight_of(MIXED, left_out=frozenset(
        line.key for line in recipe.lines if line.optional)).value
    density = grams / sum(ml * count for ml, count in dough)
    if not PLAUSIBLE_DOUGH[0] <= density <= PLAUSIBLE_DOUGH[1]:
        return recipe
    own = replace(recipe.style.density, value=density, low=density * 0.97, high=density * 1.03,
                  source="the card's own size and weight")
    return replace(recipe, style=replace(recipe.style, density=own))


def standard_key(card: Card) -> str | None:
    """Return the measure standard a card names, itself or by its pairs of volumes; None if open."""
    if card.measure_standard is not None:
        return card.measure_standard
    named = standard_named_by_pairs(card)
    return None if named is None else named.key


def source_pans(card: Card) -> tuple[SourcePan, ...]:
    """Return the card's pans; one whose measures cannot be is left out, and is a hole."""
    pans = []
    for one in card.pans:
        try:
            pan = pan_from(one.measures, label=one.label)
            if one.assumed and isinstance(pan, CapacityPan):
                pan = replace(pan, capacity=assumed(pan.capacity_ml, one.assumed))
            pans.append(SourcePan(pan=pan, count=one.count))
        except (ImpossiblePan, UnreadableAmount):
            continue
    return tuple(pans)


def _offers(card: Card) -> tuple[tuple[SourcePan, StatedTime], ...]:
    found = []
    for one in card.offers:
        try:
            pan = pan_from(one.pan.measures, label=one.pan.label)
        except (ImpossiblePan, UnreadableAmount):
            continue
        found.append((SourcePan(pan=pan, count=one.pan.count),
                      StatedTime(low_min=one.low_min, high_min=one.high_min)))
    return tuple(found)


def usual_style(card: Card, table: IngredientTable) -> str:
    """Return the style a card most likely means: what its eggs and fats say; an assumption."""
    if card.pans and all(one.measures.patted for one in card.pans):
        return "patted"
    grams: dict[str, float] = {"flour": 0.0, "egg": 0.0, "oil": 0.0, "fat": 0.0}
    key = standard_key(card)
    sizes = standard(key or table.usual.standard)
    probe = Recipe(title="x", style=style("creamed"), standard_key=key, usual=table.usual,
                   lines=tuple(_line(line, card, table, sizes) for line in card.lines))
    for line in probe.lines:
        weight = probe.weights[line.key]
        if weight is None or line.component is not Component.BATTER or line.ingredient is None:
            continue
        role = line.ingredient.role
        if role is Role.FAT:
            grams["oil" if "oil" in line.ingredient.key else "fat"] += weight.value
        elif role in (Role.FLOUR, Role.EGG):
            grams[role.value] += weight.value
    if grams["flour"] and grams["egg"] >= FOAM_EGGS * grams["flour"] and not grams["fat"]:
        return "foam"
    fat = grams["oil"] + grams["fat"]
    return "oil" if fat and grams["oil"] >= OIL_SHARE * fat else "creamed"


def growth_of(card: Card, line: CardLine) -> ScalesBy:
    """Return what a line grows with: its own word, its component's, or the usual.

    What is mixed into the batter always grows with it, and a layer by its area, since both are
    weighed into the pans.
    """
    component = card.component_of(line)
    if component.kind in (*MIXED, Component.BASE_LAYER, Component.TOP_LAYER):
        return USUAL_GROWTH[component.kind]
    return line.scales_by or component.scales_by or USUAL_GROWTH[component.kind]


def combined(line: CardLine, sizes: Standard, found: Ingredient | None) -> Amount | None:
    """Return a line's amount with a joined one added or taken away, in the unit of the first.

    None where one is a weight, the other a volume, and nothing tells the density.
    """
    amount, joined = line.amount, line.joined
    if amount is None or joined is None:
        return amount
    density = None if found is None else found.density(line.state)
    first, second = _grams_or_ml(amount, sizes), _grams_or_ml(joined.amount, sizes)
    if first is None or second is None:
        return None
    (first_size, first_is_mass), (second_size, second_is_mass) = first, second
    if first_is_mass != second_is_mass:
        if density is None:
            return None
        per_ml = density.value / 100
        second_size = second_size * per_ml if first_is_mass else second_size / per_ml
    total = first_size + (second_size if joined.sign is AmountSign.PLUS else -second_size)
    if total <= 0:
        return None
    return Amount(value=amount.value * total / first_size, unit=amount.unit)


def loose_line(line: CardLine, recipe: Recipe, table: IngredientTable) -> Line:
    """Return a line that stands on no card, ready to be weighed with a recipe's cups and eggs."""
    found = table.rows.get(line.ingredient)
    return Line(key=line.key, name=line.label, written=line.written, ingredient=found,
                amount=combined(line, recipe.scales.sizes, found), state=line.state,
                unit_assumed=line.unit_assumed, worked_from=line.worked_from,
                worked_out=line.joined is not None or bool(line.worked_from))


def _grams_or_ml(amount: Amount, sizes: Standard) -> tuple[float, bool] | None:
    if amount.unit in MASS_G:
        return amount.middle * MASS_G[amount.unit], True
    volume = ml_per(amount.unit, sizes)
    return None if volume is None else (amount.middle * volume, False)


def _stated(line: CardLine) -> Amount | None:
    """Return what a line states beside its amount, where that tells better what it weighs.

    A weight beside a volume or a count does, and a volume beside a count. Eggs stay counted, for
    nobody can tell how they were weighed, unless that was in their shells.
    """
    amount, second = line.amount, line.second
    if amount is None or second is None or amount.unit in MASS_G:
        return None
    if amount.unit in EGG_UNITS and not _IN_SHELL.search(line.text):
        return None
    if second.unit in MASS_G or amount.unit is Unit.PIECE:
        return second
    return None


def _chosen(line: CardLine, choice: int | None) -> CardLine:
    if choice is None:
        return line
    if not 0 <= choice < len(line.instead):
        raise ImpossibleRecipe(f"“{line.label}” has no such alternative.", field="instead")
    other: Instead = line.instead[choice]
    return replace(
        line, name=other.name, ingredient=other.ingredient, state="",
        amount=other.amount or line.amount, written=other.written or line.written,
        second=None if other.amount else line.second,
        joined=None if other.amount else line.joined)


def _line(line: CardLine, card: Card, table: IngredientTable, sizes: Standard) -> Line:
    found = table.rows.get(line.ingredient)
    amount = combined(line, sizes, found)
    return Line(
        key=line.key, name=line.label, amount=amount, written=line.written,
        ingredient=found,
        state=line.state, component=card.component_of(line).kind,
        scales_by=growth_of(card, line),
        optional=line.optional,
        parts=tuple(Part(name=part.name, share=part.share) for part in line.parts),
        unit_assumed=line.unit_assumed, stated=_stated(line),
        worked_out=line.joined is not None or bool(line.worked_from) or bool(
            line.swapped_from and line.amount and line.amount.unit is Unit.GRAM),
        worked_from=line.worked_from,
        grade_key=None if line.egg_size is None else grade_of_size(
            line.egg_size.value, like=card.egg_grade or table.usual.grade),
        swapped_from=line.swapped_from, heading=card.component_of(line).title, prepared=line.note,
        in_shell=found is not None and found.role is Role.EGG
        and bool(_IN_SHELL.search(line.text)))


_IN_SHELL = re.compile(r"\b(?:in (?:the|their|its) shells?|with (?:the |their )?shells?(?: on)?)\b",
                       re.IGNORECASE)
