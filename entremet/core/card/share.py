"""An amount set against a line: what share of the line it is."""

from __future__ import annotations

from entremet.core.card.card import CardLine
from entremet.core.card.recipe import Recipe
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import EGG_UNITS, MASS_G, ml_per


def share_of_line(amount: Amount, line: CardLine, recipe: Recipe) -> float | None:
    """Return an amount of a step as a share of its line's; None where they cannot be compared."""
    if line.amount is None:
        return None
    if amount.unit is line.amount.unit:
        whole = next(one for one in recipe.lines if one.key == line.key).amount or line.amount
        return amount.middle / whole.middle
    weight = recipe.weights[line.key]
    if weight is None:
        return None
    if amount.unit in MASS_G:
        return amount.middle * MASS_G[amount.unit] / weight.value
    ml = ml_per(amount.unit, recipe.scales.sizes)
    resolved = next(one for one in recipe.lines if one.key == line.key)
    density = None if resolved.ingredient is None else resolved.ingredient.density(line.state)
    if ml is None or density is None or amount.unit in EGG_UNITS:
        return None
    return amount.middle * ml * density.value / 100 / weight.value
