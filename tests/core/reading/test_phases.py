"""Phases of a bake as they are written in a method."""

from __future__ import annotations

import pytest

from entremet.core.card.card import Card, MethodStep
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.reading.facts import with_settings
from entremet.core.reading.phases import phases_in
from entremet.core.reading.recipes import read_recipe


def told(text):
    return [(None if one.setting is None else one.setting.value, one.low_min, one.high_min,
             one.covered) for one in phases_in(text)]


@pytest.mark.parametrize(("text", "phases"), [
    ("Bake at 200 °C for 10 minutes, then lower to 170 °C and bake for 30 minutes.",
     [(200, 10, 10, False), (170, 30, 30, False)]),
    ("Bake for 25 minutes, then cover with foil and bake for another 20-25 minutes.",
     [(None, 25, 25, False), (None, 20, 25, True)]),
    ("Bake covered for 40 minutes. Remove the foil and bake for 10 minutes until brown.",
     [(None, 40, 40, True), (None, 10, 10, False)]),
    ("Bake 15 minutes at gas mark 6, reduce to gas mark 3 and bake for 40 minutes.",
     [(6, 15, 15, False), (3, 40, 40, False)]),
    ("Bake for 30 to 35 minutes. Cool in the tin for 10 minutes, then turn out.", []),
    ("Bake for 20 minutes, turn the tin and bake for 10 minutes.", []),
    ("Beat for 5 minutes at speed 4.", []),
    ("Heat the oven to 200 °C. Bake for 30 minutes.", []),
])
def test_phases_are_read_only_where_they_are_plain(text, phases):
    assert told(text) == phases


def test_a_pasted_recipe_keeps_its_phases_and_the_time_they_sum_to():
    card = read_recipe("""Quince loaf

250 g plain flour
3 large eggs

Method
1. Heat the oven to 200 °C. Line a 23 x 13 cm loaf tin.
2. Bake for 10 minutes, then lower to 165 °C and bake for 40-45 minutes until a skewer comes out
clean.
3. Leave in the tin for 10 minutes.
""").card
    assert [(one.setting.value, one.minutes) for one in card.phases] == [
        (200, 10), (165, 42.4)]
    assert (card.stated_low_min, card.stated_high_min) == (50, 55)
    assert card.setting.value == 200
    assert card.oven_kind is not OvenKind.FAN
    assert card.stand_min == 10


def test_a_steamed_recipe_is_read_as_steamed_and_needs_no_setting():
    card = read_recipe("""Steamed quince sponge

150 g plain flour
3 large eggs

Method
1. Steam over boiling water for 40 minutes until set.
""").card
    assert card.oven_kind is OvenKind.STEAM
    assert (card.setting, card.stated_low_min) == (None, 40)


def test_phases_that_a_card_has_are_kept_whatever_its_words_say():
    own = (Phase(setting=Setting(value=150, scale=Scale.CELSIUS), minutes=20),)
    steps = (MethodStep(key=1,
                        text="Bake at 200 °C for 10 minutes, then lower to 170 °C and bake for "
                  "30 minutes."),)
    assert len(with_settings(Card(title="x", steps=steps)).card.phases) == 2
    assert with_settings(Card(title="x", steps=steps, phases=own)).card.phases == own
    timed = Card(title="x", steps=steps, stated_low_min=33, stated_high_min=35)
    kept = with_settings(timed).card
    assert (kept.phases, kept.stated_low_min, kept.stated_high_min) == ((), 33, 35)
