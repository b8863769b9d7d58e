"""The check-up over ordinary cards: next to nothing to say of them, everything of a wrong one."""

from __future__ import annotations

import re
import tomllib
from dataclasses import replace
from pathlib import Path

import pytest

from entremet.core.card.resolve import recipe_of
from entremet.core.desk.ratios import dry_g, flour_g, ratio_findings
from entremet.core.ingredients.table import TABLE
from entremet.core.reading.recipes import read_recipe

HERE = Path(__file__).parent
CARDS = {half: tomllib.loads((HERE / half).read_text("utf-8"))["card"]
         for half in ("ordinary.toml", "held/ordinary.toml")}
ONE_IN = 5
"""At most one ordinary card in so many is told anything."""

PLANTED = {
    "soda times ten": (r"tsp bicarbonate of soda", 10.0, None),
    "half the flour": (r"(?:flour|ground almonds|ground hazelnuts)$", 0.5, None),
    "no raising": (r"baking powder|bicarbonate of soda", 0.0,
                   ("creamed", "oil", "rubbed", "steamed")),
    "double liquid": (r"milk$|buttermilk|coffee$|drink$|orange juice|yogurt$|water$", 2.0, None),
}
"""By fault: lines it changes, by how much, and the styles it is one in."""


def recipe_for(card, lines):
    read = read_recipe(f"{card['name']}\n" + "\n".join(lines)).card
    return recipe_of(replace(read, style=card["style"]), table=TABLE)


def told(recipe):
    return [one.code for one in ratio_findings(recipe)]


@pytest.mark.parametrize("half", CARDS)
def test_at_most_one_ordinary_card_in_five_is_told_anything(half):
    said = {card["name"]: codes for card in CARDS[half]
            if (codes := told(recipe_for(card, card["lines"])))}
    assert len(CARDS[half]) >= 20
    assert len(said) <= len(CARDS[half]) / ONE_IN, said


def changed(line, times):
    """Write a line at another amount; its first number is its amount."""
    whole, part, below = re.match(r"(?:(\d+)\s+)?(?:(\d+)/(\d+))?", line).groups() if re.match(
        r"\d+ \d+/\d+|\d+/\d+", line) else (re.match(r"(\d+)", line)[1], None, None)
    amount = float(whole or 0) + (float(part) / float(below) if part else 0.0)
    rest = re.sub(r"^(?:\d+ )?(?:\d+/\d+|\d+)\s*", "", line)
    return f"{amount * times:g} {rest}"


@pytest.mark.parametrize("fault", PLANTED)
@pytest.mark.parametrize("half", CARDS)
def test_a_planted_fault_is_told(half, fault):
    words, times, styles = PLANTED[fault]
    missed, tried = [], 0
    for card in CARDS[half]:
        wanted = [one for one in card["lines"] if re.search(words, one) and one[0].isdigit()]
        if not wanted or (styles and card["style"] not in styles):
            continue
        lines = [changed(one, times) if one in wanted else one for one in card["lines"]]
        if times == 0:
            lines = [one for one in card["lines"] if one not in wanted]
            if any("self-raising" in one for one in lines):
                continue
        before, after = recipe_for(card, card["lines"]), recipe_for(card, lines)
        if fault == "double liquid" and _wet(before) < WET:
            continue
        if fault == "half the flour" and flour_g(before) < 0.9 * dry_g(before):
            continue
        tried += 1
        if not told(after):
            missed.append((card["name"], told(after)))
    assert tried >= 3
    # Of the cards set aside nine in ten; of those the ranges were set by, every one.
    assert len(missed) <= (0.1 * tried if half.startswith("held") else 0), (missed, tried)


WET = 60.0
"""Grams of liquid per 100 g of what is dry from which twice as much is a fault."""


def _wet(recipe):
    return sum(weight.value for line in recipe.lines
               if (weight := recipe.weights[line.key]) is not None and line.ingredient is not None
               and line.ingredient.role.value in ("liquid", "dairy", "acid_dairy")
               ) / dry_g(recipe) * 100
