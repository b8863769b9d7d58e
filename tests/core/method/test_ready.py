"""What has to be peeled, grated, browned or toasted first is told, and nothing else is."""

from __future__ import annotations

import pytest

from entremet.core.card.resolve import recipe_of
from entremet.core.ingredients.table import TABLE
from entremet.core.method.ready import DRY_KEEPS_H, WAYS, ready_of
from entremet.core.reading.recipes import read_recipe


def ready(text):
    card = read_recipe(text).card
    recipe = recipe_of(card, table=TABLE, as_written=card)
    names = {one.key: one.name.split(",")[0].lower() for one in recipe.lines}
    return [(one.way.key, names[one.line]) for one in ready_of(recipe)]


RECIPE = """Harvest ring

{lines}
200 g plain flour
3 eggs

Method
{steps}
Bake for 40 minutes."""


def asked(*lines, steps="Mix it all."):
    return ready(RECIPE.format(lines="\n".join(lines), steps=steps))


@pytest.mark.parametrize(("line", "wanted"), [
    ("150 g parsnip, finely grated", [("grate", "parsnip")]),
    ("150 g butter, browned and cooled", [("brown", "butter")]),
    ("80 g rolled oats, toasted and ground", [("toast", "rolled oats"), ("grind", "rolled oats")]),
    ("150 g plums, stoned and diced", [("stone", "plums"), ("chop", "plums")]),
    ("120 g melted butter", [("melt", "melted butter")]),
    ("zest of 1 orange", [("zest", "orange zest")]),
    ("250 g cooked beetroot", [("cook", "cooked beetroot")]),
    ("4 eggs, separated", [("separate", "eggs")]),
    # What is bought so, is said not to be, or is only how it is measured.
    ("100 g ground almonds", []), ("100 g flaked almonds", []), ("150 g butter, not melted", []),
    ("150 g parsnip, unpeeled", []), ("200 g butter, soft", []),
    ("1 tsp freshly ground pepper", []), ("200 g sifted flour", []),
])
def test_a_line_says_what_is_done_to_it(line, wanted):
    assert asked(line) == wanted


@pytest.mark.parametrize(("step", "wanted"), [
    ("Brown the butter.", [("brown", "butter")]),
    ("Toast the walnuts, then leave the butter to soften.", [("toast", "walnuts")]),
    ("Melt the butter with the sugar.", [("melt", "butter")]),
    ("Peel and grate the apples into the butter.", [("peel", "apples"), ("grate", "apples")]),
    # The paper is peeled off; a tin is no part of the batter.
    ("Peel away the paper from the butter.", []), ("Grease the tin with melted butter.", []),
    ("Beat the butter.", []),
])
def test_a_sentence_of_the_method_says_it_for_what_it_can_mean(step, wanted):
    assert asked("150 g butter", "80 g walnuts", "2 apples", "100 g sugar", steps=step) == wanted


def test_what_is_done_after_the_oven_is_nothing_to_get_ready():
    text = RECIPE.format(lines="150 g butter\n80 g walnuts", steps="Mix.") + "\nToast the walnuts."
    assert ready(text) == []


def test_a_line_and_a_sentence_that_say_the_same_count_once():
    assert asked("150 g parsnip, grated", steps="Grate the parsnip.") == [("grate", "parsnip")]


def test_wet_things_never_lie_overnight_and_dry_ones_may():
    card = read_recipe(RECIPE.format(lines="150 g parsnip, grated\n80 g walnuts, chopped",
                                     steps="Mix.")).card
    grate, chop = ready_of(recipe_of(card, table=TABLE))
    assert (grate.keeps_h, chop.keeps_h) == (WAYS["grate"].keeps_h, DRY_KEEPS_H)
    assert grate.keeps_h < 8 <= chop.keeps_h


def test_twice_as_much_takes_less_than_twice_as_long():
    grate = WAYS["grate"]
    assert grate.took_min(100, 0) < grate.took_min(200, 0) < 2 * grate.took_min(100, 0)
    assert grate.took_min(None, 0) == grate.took_min(100, 0)
    assert WAYS["separate"].took_min(220, 4) > WAYS["separate"].took_min(110, 2)
    assert WAYS["brown"].took_min(500, 0) == WAYS["brown"].took_min(100, 0)
