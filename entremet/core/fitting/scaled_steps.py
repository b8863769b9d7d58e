"""The method at its new size: amounts in the steps grow with the lines they belong to."""

from __future__ import annotations

import math
import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from enum import Enum
from functools import lru_cache

from entremet.core.card.recipe import Recipe, TiedAmount, TiedStep
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ingredients.table import precision_of
from entremet.core.measures.amounts import show_scaled
from entremet.core.measures.fractions import write_number
from entremet.core.measures.masses import show_mass
from entremet.core.measures.spelt import with_digits
from entremet.core.measures.units import EGG_UNITS, MASS_G, ml_per
from entremet.core.reading.facts import MarkRole, facts_in
from entremet.core.reading.pans import PAN_WORD
from entremet.core.reading.times import bake_time_in


class StandsFor(Enum):
    """What of a fit stands where the recipe names its own."""

    PANS = "pans"
    SETTING = "setting"
    MINUTES = "minutes"


@dataclass(frozen=True, slots=True, kw_only=True)
class Words:
    """A stretch of a step: its text, and the text as written where an amount was scaled.

    Where the fit's own pans, setting or minutes are to stand, ``stands_for`` says which.
    """

    text: str
    was: str = ""
    swapped_to: str = ""
    stands_for: StandsFor | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class ScaledStep:
    """A step in stretches of words, and the sign it ends on."""

    key: int
    words: tuple[Words, ...]
    sign: str


_COUNTED = re.compile(r"\b(?:an?|the|your|one|two|three|four|six|\d{1,2}\s*[x×]?)\s+"
                      r"(?:(?:lined|greased|buttered|floured|deep|round|square|large|small|lightly|"
                      r"and|,)\s*){0,4}$", re.IGNORECASE)
_VESSEL = re.compile(rf"[^.;,\n\d]{{0,30}}?\b{PAN_WORD.pattern}(?:,?\s+\d[\d.]*\s*cm\s+deep)?",
                     re.IGNORECASE)
_FAN = re.compile(r"\s*\(?\s*(?:fan|conventional|convection)\b"
                  r"(?:[- ](?:oven|forced|assisted))?\)?", re.IGNORECASE)
_BETWEEN = re.compile(r"[\s/(),;]*(?:fan|or|gas)?[\s:]*", re.IGNORECASE)
IN_THE_FIT = {MarkRole.PAN: StandsFor.PANS, MarkRole.OVEN: StandsFor.SETTING,
              MarkRole.TIME: StandsFor.MINUTES}
"""What stands in the method for pans, setting and minutes that were the recipe's own."""


def scale_steps(recipe: Recipe, lines: Sequence[ScaledLine], *,
                scale_step_g: float) -> tuple[ScaledStep, ...]:
    """Scale the amounts in the steps, and mark what held for the recipe's own bake alone.

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
        changes = [*_old_facts(step.text),
                   *_changes(step, by_key, recipe, scale_step_g)]
        for start, end, now in sorted(changes, key=lambda one: one[:2]):
            if start < place:
                continue
            words += (Words(text=step.text[place:start]), now)
            place = end
        words.append(Words(text=step.text[place:]))
        scaled.append(ScaledStep(key=step.key, sign=step.sign,
                                 words=tuple(one for one in words if one.text)))
    return tuple(scaled)


def _changes(step: TiedStep, by_key: dict[int, ScaledLine], recipe: Recipe,
             scale_step_g: float) -> Iterator[tuple[int, int, Words]]:
    for tie in step.ties:
        line = by_key.get(tie.line) if tie.line is not None else None
        if line is None or not line.included or line.factor <= 0:
            continue
        was = step.text[tie.start:tie.end]
        yield tie.start, tie.end, Words(
            text=_amount(tie, was, line, recipe, scale_step_g), was=was,
            swapped_to=line.line.name if line.line.swapped_from else "")


@lru_cache(maxsize=512)
def _old_facts(text: str) -> tuple[tuple[int, int, Words], ...]:
    """Return pans, settings and the bake's minutes in a step, each with what stands for it."""
    spelt = with_digits(text)
    bake = bake_time_in(spelt.text)
    found: list[tuple[int, int, Words]] = []
    last_oven: int | None = None
    for start, end, kind in sorted(facts_in(spelt.text), key=lambda one: one[:2]):
        of_the_bake = kind is not MarkRole.TIME or (
            bake is not None and (start, end) == (bake.start, bake.end))
        if kind not in IN_THE_FIT or not of_the_bake:
            continue
        if kind is MarkRole.PAN:
            start, end = _pan_words(spelt.text, start, end)
        elif kind is MarkRole.OVEN:
            fan = _FAN.match(spelt.text, end)
            end = fan.end() if fan else end
            if last_oven is not None and _BETWEEN.fullmatch(spelt.text[last_oven:start]):
                at, _, words = found.pop()
                to = spelt.places[end]
                found.append((at, to, replace(words, text=text[at:to], was=text[at:to])))
                last_oven = end
                continue
            last_oven = end
        at, to = spelt.places[start], spelt.places[end]
        found.append((at, to, Words(text=text[at:to], was=text[at:to],
                                    stands_for=IN_THE_FIT[kind])))
    return tuple(found)


def _pan_words(text: str, start: int, end: int) -> tuple[int, int]:
    """Return where all words of a pan stand: "two deep 18 cm round tins"."""
    before = _COUNTED.search(text, max(0, start - 30), start)
    behind = _VESSEL.match(text, end)
    return (before.start() if before else start), (behind.end() if behind else end)


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
    part = _part_of(tie, scaled, grams)
    if part is not None:
        return part
    if tie.amount.unit in MASS_G and grams is not None:
        return show_mass(grams * factor, scale_step_g=scale_step_g)
    shown = show_scaled(
        tie.amount, factor=factor, grams=None if grams is None else grams * factor,
        precision=precision_of(None if ingredient is None else ingredient.role),
        sizes=recipe.scales.sizes, scale_step_g=scale_step_g)
    return shown.text


def _part_of(tie: TiedAmount, scaled: ScaledLine, grams: float | None) -> str | None:
    """Return how the list shows the part of a split line that a weight in a step is, if it is."""
    if tie.amount.unit not in MASS_G or grams is None:
        return None
    same = {one.shown for one in scaled.parts
            if one.recipe_g is not None and math.isclose(one.recipe_g, grams, abs_tol=0.5)}
    return same.pop() if len(same) == 1 else None


def _grams(tie: TiedAmount, scaled: ScaledLine, recipe: Recipe) -> float | None:
    if tie.amount.unit in MASS_G:
        return tie.amount.middle * MASS_G[tie.amount.unit]
    ingredient = scaled.line.ingredient
    density = None if ingredient is None else ingredient.density(scaled.line.state)
    ml = ml_per(tie.amount.unit, recipe.scales.sizes)
    if ml is None or density is None:
        return None
    return tie.amount.middle * ml * density.value / 100
