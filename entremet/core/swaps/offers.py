"""What can be swapped on a card, and what a swap changes per 100 g of flour."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.card.card import Card, Swap
from entremet.core.card.lines import MIXED
from entremet.core.card.resolve import recipe_of
from entremet.core.desk.ratios import flour_g
from entremet.core.ground.findings import Finding
from entremet.core.ingredients.table import IngredientTable
from entremet.core.swaps.apply import apply_swaps
from entremet.core.swaps.kinds import KINDS, SwapKind, swap_kind


@dataclass(frozen=True, slots=True, kw_only=True)
class SwapOffer:
    """A swap that a line could take."""

    line: int
    kind: SwapKind


@dataclass(frozen=True, slots=True, kw_only=True)
class SwapChange:
    """An ingredient before and after, in grams per 100 g of flour as written and in the batch."""

    name: str
    was_g: float
    now_g: float
    was_per_100: float | None
    now_per_100: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Preview:
    """What a swap would do."""

    kind: SwapKind
    changes: tuple[SwapChange, ...]
    findings: tuple[Finding, ...]


def offers_for(card: Card, *, table: IngredientTable) -> list[SwapOffer]:
    """Return every swap that a weighed line of the card could take."""
    weights = recipe_of(card, table=table).weights
    return [SwapOffer(line=line.key, kind=kind) for line in card.lines
            if line.ingredient in table.rows and weights[line.key] is not None
            for kind in KINDS.values()
            if kind.takes_line(table.rows[line.ingredient],
                               mixed=card.component_of(line).kind in MIXED)]


def preview(card: Card, swap: Swap, *, table: IngredientTable) -> Preview:
    """Return what one swap changes on a card.

    Raises
    ------
    UnknownReference
        When the kind is none.
    """
    after = apply_swaps(card, (swap,), table=table)
    was, now = _by_ingredient(card, table), _by_ingredient(after.card, table)
    flour = flour_g(recipe_of(card, table=table))
    per = 100 / flour if flour > 0 else None
    changes = [
        SwapChange(name=table.rows[key].name, was_g=was.get(key, 0.0), now_g=now.get(key, 0.0),
               was_per_100=None if per is None else was.get(key, 0.0) * per,
               now_per_100=None if per is None else now.get(key, 0.0) * per)
        for key in dict.fromkeys([*was, *now])
        if abs(was.get(key, 0.0) - now.get(key, 0.0)) > 0.01]
    return Preview(kind=swap_kind(swap.kind), changes=tuple(changes), findings=after.findings)


def _by_ingredient(card: Card, table: IngredientTable) -> dict[str, float]:
    recipe = recipe_of(card, table=table)
    grams: dict[str, float] = {}
    for line in recipe.lines:
        weight = recipe.weights[line.key]
        if line.ingredient is not None and weight is not None:
            grams[line.ingredient.key] = grams.get(line.ingredient.key, 0.0) + weight.value
    return grams
