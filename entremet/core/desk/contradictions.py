"""What a card says twice and differently: questioned with both numbers, never changed."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from entremet.core.card.card import Card, CardLine
from entremet.core.card.measure_standard import (
    is_volume,
    is_volume_pair,
    standards_possible,
    volumes_agree,
)
from entremet.core.card.recipe import Recipe
from entremet.core.card.share import share_of_line
from entremet.core.card.ties import tied_steps
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.quantities import ml
from entremet.core.ingredients.table import IngredientTable
from entremet.core.measures.amounts import Amount, written
from entremet.core.measures.units import (
    MASS_G,
    Standard,
    Unit,
    ml_per,
)

SAME_WEIGHT = 0.05
"""Share by which two weights of one thing may differ through rounding; practice."""

STEP_OVER = 1.03
"""Amount in the steps over the line's from which they contradict; practice."""


def contradictions(card: Card, recipe: Recipe, *, table: IngredientTable) -> list[Finding]:
    """Return everything a card says twice and differently.

    Parameters
    ----------
    card : Card
        As kept.
    recipe : Recipe
        The same, resolved.
    table : IngredientTable
        For plausible ranges of density.
    """
    return [*_two_amounts(card, table), *_same_thing_twice(card, table),
            *_steps_against_lines(card, recipe, table), *_ounces(card)]


def _two_amounts(card: Card, table: IngredientTable) -> Iterator[Finding]:
    possible = standards_possible(card)
    for line in card.lines:
        first, second = line.amount, line.second
        if first is None or second is None or line.joined is not None:
            continue
        words = f"{line.label}: {written(first)} and {written(second)}"
        if first.unit in MASS_G and second.unit in MASS_G:
            one, other = (amount.middle * MASS_G[amount.unit] for amount in (first, second))
            if abs(one - other) > SAME_WEIGHT * max(one, other):
                yield _differ(line, f"{words} are two weights, {one:.0f} g and {other:.0f} g.",
                              one, other)
        elif is_volume_pair(line):
            if not any(volumes_agree(line, sizes) for sizes in possible):
                ml = [amount.middle * (ml_per(amount.unit, possible[0]) or 0.0)
                      for amount in (first, second)]
                yield _differ(line, f"{words} are two volumes that no cup in question makes "
                              "equal.", *ml)
        else:
            yield from _weight_against_volume(line, words, possible, table)


def _weight_against_volume(line: CardLine, words: str, possible: Sequence[Standard],
                           table: IngredientTable) -> Iterator[Finding]:
    found = table.rows.get(line.ingredient)
    density = None if found is None else found.density(line.state)
    pair = _mass_and_volume(line)
    if density is None or pair is None or found is None:
        return
    mass_g, volume = pair
    densities = [mass_g / (volume.middle * each) * 100 for sizes in possible
                 if (each := ml_per(volume.unit, sizes))]
    lows = [density.low, *(row.low for row in found.states.values())]
    highs = [density.high, *(row.high for row in found.states.values())]
    if densities and not any(min(lows) <= one <= max(highs) for one in densities):
        nearest = min(densities, key=lambda one: abs(one - density.value))
        yield _differ(
            line, f"{words} do not go together: that would be {nearest:.0f} g per {ml(100)}, and "
            f"{found.name} weighs {min(lows):.0f} to {max(highs):.0f} g, whatever cup is meant.",
            nearest, density.value)


def _same_thing_twice(card: Card, table: IngredientTable) -> Iterator[Finding]:
    """Question one ingredient on two lines of one component; a split is what is usually meant."""
    seen: dict[tuple[int, str], CardLine] = {}
    for line in card.lines:
        if not line.ingredient:
            continue
        first = seen.setdefault((line.component, line.ingredient), line)
        if first is line or first.amount is None or line.amount is None:
            continue
        name = table.rows[line.ingredient].name if line.ingredient in table.rows else line.name
        yield note("stated_twice", f"{name[:1].upper()}{name[1:]} stands on two lines: "
                   f"“{first.text}” and “{line.text}”. Both are counted.", subject=line.label,
                   hint="If they are one amount, put it on one line and split it.")


def _steps_against_lines(card: Card, recipe: Recipe, table: IngredientTable) -> Iterator[Finding]:
    totals: dict[int, float] = {}
    for step in tied_steps(card, table=table):
        for tie in step.ties:
            if tie.line is None:
                continue
            line = card.line(tie.line)
            share = share_of_line(tie.amount, line, recipe)
            if share is not None:
                totals[tie.line] = totals.get(tie.line, 0.0) + share
    for key, share in totals.items():
        line = card.line(key)
        if share > STEP_OVER:
            yield warn("steps_use_more", f"{line.label}: the steps use {share:.0%} of what the "
                       f"line has ({line.written}).", subject=line.label,
                       numbers={"share": share}, hint="Which of the two is right?")
        elif share < 1 / STEP_OVER and not line.parts:
            yield note("steps_use_less", f"{line.label}: the steps use {share:.0%} of what the "
                       f"line has ({line.written}).", subject=line.label,
                       numbers={"share": share}, hint="Split the line if the rest is for later.")


def _ounces(card: Card) -> Iterator[Finding]:
    for line in card.lines:
        if line.unit_assumed and line.amount is not None and line.amount.unit is Unit.GRAM:
            yield note("bare_number", f"{line.label}: {line.written} without a unit is taken as "
                       "grams.", subject=line.label, hint="Write the unit on the line.")
        elif line.unit_assumed:
            yield warn("ounces_could_be_fluid", f"{line.label}: {line.written} could be weight or "
                       "fluid ounces; weight is assumed.", subject=line.label,
                       hint="Say which on the line.")


def _differ(line: CardLine, text: str, first: float, second: float) -> Finding:
    return warn("amounts_differ", text, subject=line.label, hint="Which of the two is right?",
                numbers={"first": first, "second": second})


def _mass_and_volume(line: CardLine) -> tuple[float, Amount] | None:
    first, second = line.amount, line.second
    if first is None or second is None:
        return None
    if first.unit in MASS_G and is_volume(second.unit):
        return first.middle * MASS_G[first.unit], second
    if second.unit in MASS_G and is_volume(first.unit):
        return second.middle * MASS_G[second.unit], first
    return None
