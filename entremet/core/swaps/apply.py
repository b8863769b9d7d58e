"""Putting swaps on a card: the card as it would be written with them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from entremet.core.card.card import Card, CardLine, Swap, Variant
from entremet.core.card.lines import MIXED
from entremet.core.card.recipe import Recipe
from entremet.core.card.resolve import recipe_of
from entremet.core.ground.errors import ImpossibleRecipe
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ingredients.table import IngredientTable, Role
from entremet.core.measures.amounts import Amount
from entremet.core.measures.masses import show_mass
from entremet.core.measures.units import EGG_UNITS, Unit
from entremet.core.swaps.kinds import Put, SwapKind, swap_kind

POURED = (Role.LIQUID, Role.ACID_DAIRY)
_COUNTED = {"egg": Unit.EGG, "egg_yolk": Unit.YOLK, "egg_white": Unit.WHITE}
_NOTHING_G = 0.05


@dataclass(frozen=True, slots=True, kw_only=True)
class Swapped:
    """A card with swaps on it, and what to know about them."""

    card: Card
    findings: tuple[Finding, ...]


def with_variant(card: Card, key: int | None, *, table: IngredientTable) -> Swapped:
    """Return a card with one of its variants on it; None takes it as written.

    Raises
    ------
    ImpossibleRecipe
        When the card has no such variant.
    """
    if key is None:
        return Swapped(card=card, findings=())
    return apply_swaps(card, variant_of(card, key).swaps, table=table)


def variant_of(card: Card, key: int) -> Variant:
    """Return a variant by its key.

    Raises
    ------
    ImpossibleRecipe
        When the card has no such variant.
    """
    for variant in card.variants:
        if variant.key == key:
            return variant
    raise ImpossibleRecipe("This card has no such variant.", field="variant")


def apply_swaps(card: Card, swaps: Sequence[Swap], *, table: IngredientTable) -> Swapped:
    """Return a card with swaps on it, one after the other.

    Parameters
    ----------
    card : Card
        As written; it is not changed.
    swaps : sequence of Swap
        Each names a line of the card.
    table : IngredientTable
        With the baker's own rows.

    Returns
    -------
    Swapped
        A swap that cannot be made is a finding and leaves the card as it was.
    """
    findings: list[Finding] = []
    for swap in swaps:
        kind = swap_kind(swap.kind)
        found = _apply(card, swap, kind, table)
        card = found.card
        findings += found.findings
    return Swapped(card=card, findings=tuple(findings))


def _apply(card: Card, swap: Swap, kind: SwapKind, table: IngredientTable) -> Swapped:
    line = next((one for one in card.lines if one.key == swap.line), None)
    recipe = recipe_of(card, table=table)
    weight = None if line is None else recipe.weights[line.key]
    found = None if line is None else table.rows.get(line.ingredient)
    if line is None or found is None or weight is None or not kind.takes_line(
            found, mixed=card.component_of(line).kind in MIXED):
        name = "That line" if line is None else line.label
        return Swapped(card=card, findings=(warn(
            "swap_not_possible", f"{name}: {kind.name} cannot be done, because its weight or what "
            "it is is not known.", subject=name, hint="Settle the line first."),))
    if kind.turn:
        return _turned(card, line, kind, weight.value, swap.share)
    taken = _Take(card=card, recipe=recipe, line=line)
    share = min(swap.share, kind.most)
    wanted_g = weight.value * share
    swapped_g = taken.allowed(kind, wanted_g)
    findings = list(_findings(kind, line, wanted_g, swapped_g, asked=swap.share))
    if swapped_g < _NOTHING_G:
        return Swapped(card=card, findings=tuple(findings))
    if weight.value - swapped_g < _NOTHING_G:
        swapped_g = weight.value
    lines = taken.off(kind, swapped_g)
    rest_share = 1 - swapped_g / weight.value
    lines = _put(card, lines, line, kind, swapped_g, rest_share, table)
    return Swapped(card=replace(card, lines=tuple(lines)), findings=tuple(findings))


def _turned(card: Card, line: CardLine, kind: SwapKind, was_g: float, asked: float) -> Swapped:
    """Turn a line down or up by a share, at most as far as its kind goes; its parts go along."""
    share = min(asked, kind.most)
    turned_g = was_g * share
    findings = _findings(kind, line, turned_g, turned_g, asked=asked)
    lines = _resized(list(card.lines), line, was_g, was_g * (1 + kind.turn * share), kind)
    return Swapped(card=replace(card, lines=tuple(lines)), findings=tuple(findings))


class _Take:
    """What a swap may take from the lines that are there."""

    def __init__(self, *, card: Card, recipe: Recipe, line: CardLine) -> None:
        self.card, self.recipe, self.line = card, recipe, line

    def beside(self, ingredients: Sequence[str]) -> list[CardLine]:
        """Return weighed lines of these ingredients that are mixed with the swapped one."""
        home = self.card.component_of(self.line)
        return [one for one in self.card.lines
                if one.ingredient in ingredients and one.key != self.line.key
                and self.recipe.weights[one.key] is not None
                and (one.component == home.key or (home.kind in MIXED and (
                    self.card.component_of(one).kind in MIXED)))]

    def grams(self, lines: Sequence[CardLine]) -> float:
        """Return what some lines weigh together."""
        return sum(weight.value for one in lines
                   if (weight := self.recipe.weights[one.key]) is not None)

    def allowed(self, kind: SwapKind, wanted_g: float) -> float:
        """Return how much can be swapped, given what it needs to take."""
        for take in kind.takes:
            if take.needed:
                wanted_g = min(wanted_g, self.grams(self.beside(take.ingredients)) / take.per)
        return wanted_g

    def off(self, kind: SwapKind, swapped_g: float) -> list[CardLine]:
        """Return the card's lines with everything taken off that the swap takes."""
        lines = list(self.card.lines)
        for take in kind.takes:
            left_g = take.per * swapped_g
            for one in self.beside(take.ingredients):
                weight = self.recipe.weights[one.key]
                if weight is None:
                    continue
                less_g = min(weight.value, left_g)
                left_g -= less_g
                lines = _resized(lines, one, weight.value, weight.value - less_g, kind)
        return lines


def _put(card: Card, lines: list[CardLine], line: CardLine, kind: SwapKind, swapped_g: float,
         rest_share: float, table: IngredientTable) -> list[CardLine]:
    """Put in what the swap puts: the first in the line's own place, the others behind it."""
    place = next(i for i, one in enumerate(lines) if one.key == line.key)
    recipe = recipe_of(replace(card, lines=tuple(lines)), table=table)
    whole = rest_share < 1e-9
    fresh: list[CardLine] = []
    key = max(one.key for one in card.lines)
    from_words = f"{line.written} {line.label[:1].lower()}{line.label[1:]}".strip()
    for number, put in enumerate(kind.puts):
        grams = put.per * swapped_g
        home = None if number == 0 else _home_for(card, lines, line, put, table, recipe)
        if home is not None:
            was = recipe.weights[home.key]
            if was is not None:
                lines = _resized(lines, home, was.value, was.value + grams, kind)
                continue
        key += 1
        stands_in = number == 0 and whole
        fresh.append(_new_line(line, put, grams, key=line.key if stands_in else key, kind=kind,
                               share=1 - rest_share, table=table, from_words=from_words,
                               parts=stands_in))
    if not whole:
        was = recipe.weights[line.key]
        fresh.insert(0, _resized([line], line, was.value, was.value * rest_share, kind)[0]
                     if was is not None else line)
    place = next(i for i, one in enumerate(lines) if one.key == line.key)
    return [*lines[:place], *fresh, *lines[place + 1:]]


def _home_for(card: Card, lines: list[CardLine], line: CardLine, put: Put,
              table: IngredientTable, recipe: Recipe) -> CardLine | None:
    """Return a line that what is put in can join: of the same thing, or any liquid for a liquid."""
    mixed = card.component_of(line).kind in MIXED
    near = [one for one in lines if one.key != line.key and recipe.weights[one.key] is not None
            and (one.component == line.component
                 or (mixed and card.component_of(one).kind in MIXED))]
    same = [one for one in near if one.ingredient == put.ingredient]
    if not same and put.liquid:
        same = [one for one in near if one.ingredient in table.rows
                and table.rows[one.ingredient].role in POURED]
    return same[0] if same else None


def _new_line(line: CardLine, put: Put, grams: float, *, key: int, kind: SwapKind, share: float,
              table: IngredientTable, from_words: str, parts: bool) -> CardLine:
    found = table.get(put.ingredient)
    amount = Amount(value=grams, unit=Unit.GRAM)
    written = show_mass(grams, scale_step_g=0.1 if grams < 10 else 1)
    if kind.counted and line.amount is not None and line.amount.unit in EGG_UNITS:
        amount = Amount(value=line.amount.value * share, unit=_COUNTED[put.ingredient])
        written = f"{amount.value:g}"
    return CardLine(
        key=key, text=f"{written} {found.name}", component=line.component, written=written,
        amount=amount, name=found.name, ingredient=found.key, egg_size=line.egg_size,
        scales_by=line.scales_by, optional=line.optional, parts=line.parts if parts else (),
        swapped_from=from_words)


def _resized(lines: list[CardLine], line: CardLine, was_g: float, now_g: float,
             kind: SwapKind) -> list[CardLine]:
    """Return lines with one at another weight; nothing left of it takes it away."""
    if now_g < _NOTHING_G:
        return [one for one in lines if one.key != line.key]
    counted = kind.counted and line.amount is not None and line.amount.unit in EGG_UNITS
    if counted and line.amount is not None:
        amount = line.amount.times(now_g / was_g)
        written = f"{amount.value:g}"
    else:
        amount = Amount(value=now_g, unit=Unit.GRAM)
        written = show_mass(now_g, scale_step_g=0.1 if now_g < 10 else 1)
    changed = replace(
        line, amount=amount, joined=None, second=None, packs=None, written=written,
        text=f"{written} {line.name}", unit_assumed=False,
        swapped_from=line.swapped_from or f"{line.written} {line.name}".strip())
    return [changed if one.key == line.key else one for one in lines]


def _findings(kind: SwapKind, line: CardLine, wanted_g: float, swapped_g: float, *,
              asked: float) -> list[Finding]:
    found = []
    if swapped_g < _NOTHING_G:
        found.append(warn("swap_lacks", f"{line.label}: {kind.name} needs something the card does "
                          "not have beside it.", subject=line.label, hint=kind.limits))
        return found
    if asked > kind.most + 1e-9:
        found.append(note("swap_at_most", f"{line.label}: at most {kind.most:.0%} of it is "
                          f"{'turned' if kind.turn else 'swapped'}.", subject=line.label,
                          hint=kind.limits))
    if swapped_g < wanted_g * (1 - 1e-6):
        found.append(note("swap_in_part", f"{line.label}: {swapped_g:.0f} g of {wanted_g:.0f} g "
                          "are swapped; the rest stays.", subject=line.label, hint=kind.limits))
    return found
