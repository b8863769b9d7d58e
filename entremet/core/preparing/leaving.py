"""How long a cake stands, and how it leaves its pan."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.card.recipe import Recipe
from entremet.core.ground.provenance import Figure, assumed, given
from entremet.core.ground.reference import ReferenceValue, read_table, reference_value
from entremet.core.ovens.oven import Oven
from entremet.core.pans.outlines import Rectangle
from entremet.core.pans.pan import AnyPan, Pan, PanKind


@dataclass(frozen=True, slots=True, kw_only=True)
class LeavingRule:
    """A row of the table."""

    minutes: ReferenceValue
    words: str


LEAVING = {key: LeavingRule(minutes=reference_value(row["minutes"]), words=row["words"])
           for key, row in read_table("entremet.core.preparing", "leaving.toml").items()}

_BY_KIND = {PanKind.RING: "ring", PanKind.WELLS: "wells", PanKind.LOAF: "loaf",
            PanKind.BALL: "ball", PanKind.FLAT: "flat"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Leaving:
    """Minutes to stand, then what to do.

    Parameters
    ----------
    stand_min : Figure
        Given by the card, or assumed by style and pan.
    words : str
        How it leaves the pan.
    """

    stand_min: Figure
    words: str


def leaving_of(recipe: Recipe, pan: AnyPan, oven: Oven) -> Leaving:
    """Return how a cake leaves a pan: one rule for its minutes and its words.

    What the card says comes first. A card that hangs its cake gives it the time a foam hangs; one
    that lets it stand a short while does not hang it.
    """
    key = _rule(recipe, pan, oven)
    if "hang" in recipe.cooling:
        key = "foam"
    elif key in ("foam", "foam_flat") and (recipe.cooling or (
            recipe.stand_min is not None and recipe.stand_min < LEAVING[key].minutes.low)):
        key = _BY_KIND[pan.kind]
    rule = LEAVING[key]
    stand = (given(recipe.stand_min, "standing time of the card") if recipe.stand_min is not None
             else assumed(rule.minutes.value, f"usual for this pan (practice, "
                          f"{rule.minutes.low:g} to {rule.minutes.high:g} min)"))
    return Leaving(stand_min=stand, words=recipe.cooling or rule.words)


def _rule(recipe: Recipe, pan: AnyPan, oven: Oven) -> str:
    traits = recipe.style.traits
    if not oven.has_dial:
        return "steamed"
    if traits.leaves:
        return traits.leaves
    if traits.clings:
        return "foam" if pan.kind is PanKind.RING else "foam_flat" if pan.kind in (
            PanKind.FLAT, PanKind.LOAF) else _BY_KIND[pan.kind]
    if pan.kind is PanKind.FLAT and isinstance(pan, Pan) and isinstance(pan.base, Rectangle):
        return "sheet"
    return _BY_KIND[pan.kind]
