"""The lines of a card as CSV, for a spreadsheet."""

from __future__ import annotations

import csv
import io

from entremet.core.card.card import Card
from entremet.core.card.recipe import Recipe

COLUMNS = ("component", "line", "amount", "high", "unit", "name", "note", "ingredient", "grams",
           "grams_origin", "grows_with", "optional", "parts", "instead_of")
_FORMULA = ("=", "+", "-", "@", "\t", "\r")


def to_csv(card: Card, recipe: Recipe) -> str:
    """Return one row a line, with the grams and where they come from.

    Cells that a spreadsheet would take for a formula begin with an apostrophe.

    Parameters
    ----------
    card : Card
        As kept.
    recipe : Recipe
        The same, resolved.
    """
    out = io.StringIO()
    rows = csv.writer(out, lineterminator="\n")
    rows.writerow(COLUMNS)
    for line, resolved in zip(card.lines, recipe.lines, strict=True):
        weight = recipe.weights[line.key]
        amount = line.amount
        component = card.component_of(line)
        rows.writerow([_safe(cell) for cell in (
            component.title or component.kind.value, line.text,
            "" if amount is None else f"{amount.value:.6g}",
            "" if amount is None or amount.high is None else f"{amount.high:.6g}",
            "" if amount is None else amount.unit.value, line.name, line.note, line.ingredient,
            "" if weight is None else f"{weight.value:.2f}",
            "" if weight is None else weight.origin.value, resolved.scales_by.value,
            "yes" if line.optional else "no",
            "; ".join(f"{part.name}: {part.share:.4g}" for part in line.parts),
            line.swapped_from)])
    return out.getvalue()


def _safe(cell: str) -> str:
    return f"'{cell}" if cell.startswith(_FORMULA) else cell
