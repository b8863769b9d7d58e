"""The waits that a method itself names: of which part, how long, in the fridge or not."""

from __future__ import annotations

import pytest

from entremet.core.card.lines import Component
from entremet.core.card.recipe import TiedStep
from entremet.core.method.waits import WaitOf, own_waits
from tests.core.card.cards import card_of, resolved
from tests.core.conftest import line, make_card

TEA_LOAF = """Tea loaf
200 g sultanas
200 ml tea
250 g self-raising flour
2 eggs
100 g butter

For the ganache:
200 g dark chocolate
200 ml double cream

For the yogurt filling:
500 g greek yogurt
40 g icing sugar

Method
1. Soak the sultanas in the tea overnight.
2. Hang the yogurt in a cloth and strain it for 5 hours.
3. Mix in the eggs, flour and butter. Rest the batter for 30 minutes.
4. Bake at 170 C for 50 minutes. Cool in the tin for 15 minutes.
5. Heat the cream, pour over the chocolate. Leave to stand for 4 minutes, stir, chill for 2 hours.
6. Fill and coat, then chill the cake for at least 3 hours before cutting.
"""

GANACHE = (line(40, "Dark chocolate", 200, "g", "200 g", "dark_chocolate",
                component=Component.FROSTING, heading="For the ganache"),
           line(41, "Double cream", 200, "g", "200 g", "double_cream",
                component=Component.FROSTING, heading="For the ganache"))


def waits(*texts):
    steps = tuple(TiedStep(key=place + 1, text=text) for place, text in enumerate(texts))
    card = make_card(steps=steps)
    return [(one.of, one.heading, one.least_min, one.cold)
            for one in own_waits(make_card(steps=steps, lines=(*card.lines, *GANACHE)))]


def test_every_wait_of_a_method_goes_to_what_waits():
    told = {(one.of, one.heading): (one.least_min, one.cold)
            for one in own_waits(resolved(card_of(TEA_LOAF)))}
    assert told == {
        (WaitOf.SOAKED, ""): (480, False),
        (WaitOf.PART, "For the yogurt filling"): (300, False),
        (WaitOf.BATTER, ""): (30, False),
        (WaitOf.PART, "For the ganache"): (120, True),
        (WaitOf.CAKE, ""): (180, True)}


@pytest.mark.parametrize(("texts", "told"), [
    (["Chill the ganache for 2 to 4 hours."], [(WaitOf.PART, "For the ganache", 120, True)]),
    (["Bake for 30 minutes.", "Chill the ganache overnight."],
     [(WaitOf.PART, "For the ganache", 480, True)]),
    (["Chill the batter for an hour.", "Bake for 30 minutes."], [(WaitOf.BATTER, "", 60, True)]),
    (["Bake for 30 minutes.", "Chill for 4 hours before serving."], [(WaitOf.CAKE, "", 240, True)]),
    (["Bake for 30 minutes.", "Chill the cake for 30 minutes, then coat it.",
      "Leave to set overnight in the fridge before serving."], [(WaitOf.CAKE, "", 480, True)])])
def test_what_a_sentence_waits_for(texts, told):
    assert waits(*texts) == told


@pytest.mark.parametrize("texts", [
    ["Beat for 5 minutes."], ["Rest the batter for 3 minutes."],
    ["Bake for 30 minutes.", "Leave in the tin for 15 minutes, then turn out."],
    ["Bake for 30 minutes.", "Cool for 2 hours."],
    ["Take the butter out 2 hours before."], ["Chill until firm."]])
def test_what_is_no_wait_of_its_own(texts):
    assert waits(*texts) == []


def test_of_several_waits_of_one_thing_the_longest_counts():
    assert waits("Chill the ganache for 20 minutes.", "Chill the ganache for 3 hours.") == [
        (WaitOf.PART, "For the ganache", 180, True)]


def test_what_is_worked_at_does_not_wait_however_long_it_takes():
    assert waits("Melt the dark chocolate.", "Whip the double cream with it for 15 minutes.") == []
    assert waits("Stir the double cream and the chocolate over warm water for 20 minutes.") == []
