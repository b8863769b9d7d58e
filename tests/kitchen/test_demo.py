"""The demo kitchen loads whole, once."""

from __future__ import annotations

import pytest
from django.db import IntegrityError

from entremet.core.card.lines import Component
from entremet.core.card.resolve import recipe_of
from entremet.core.desk.contradictions import contradictions
from entremet.core.desk.ratios import ratio_findings
from entremet.core.ingredients.table import TABLE
from entremet.kitchen.actions.cards import card_in, revision_of
from entremet.kitchen.demo.loading import load_demo
from entremet.kitchen.models import Kitchen, Oven, RackPan, Recipe


def test_loading_twice_adds_nothing_and_keeps_edits(demo):
    Kitchen.objects.update(name="My own name")
    Recipe.objects.filter(key="pear-ring").update(note="less cardamom")
    assert load_demo() == 0
    assert Kitchen.objects.get().name == "My own name"
    assert Recipe.objects.get(key="pear-ring").note == "less cardamom"


def test_the_eight_recipes_are_what_the_demo_promises(demo):
    kept = [card_in(revision_of(recipe)) for recipe in Recipe.objects.all()]
    cards = [recipe_of(card, table=TABLE, as_written=card) for card in kept]
    assert len(cards) == 8
    assert all(line.text for card in kept for line in card.lines)
    for card in cards:
        assert 9 <= len(card.lines) <= 17
        assert any(step.ties for step in card.steps)
        assert card.setting
        assert card.stated
        assert any(line.is_eggs for line in card.lines)
        assert all(card.weights[line.key] is not None for line in card.lines
                   if line.component is Component.BATTER)
    lines = [line for card in cards for line in card.lines]
    assert any(line.parts for line in lines)
    assert any(line.optional for line in lines)
    assert {Component.BASE_LAYER, Component.TOP_LAYER, Component.FILLING, Component.SOAK,
            Component.INCLUSION} <= {line.component for line in lines}


def test_the_demo_cards_stand_up_to_their_own_check_up(demo):
    for recipe in Recipe.objects.all():
        card = card_in(revision_of(recipe))
        resolved = recipe_of(card, table=TABLE)
        assert list(ratio_findings(resolved)) == [], recipe.title
        assert contradictions(card, resolved, table=TABLE) == [], recipe.title


def test_every_pan_and_oven_can_be_computed_with(demo):
    assert all(pan.to_core().capacity_ml > 0 for pan in RackPan.objects.all())
    assert {oven.to_core().kind.value for oven in Oven.objects.all()} == {
        "conventional", "fan", "gas", "counter", "steam"}


@pytest.mark.parametrize("change", [{"dial_step": 0}, {"kind": "campfire"}])
def test_the_database_refuses_ovens_that_cannot_be(demo, change):
    with pytest.raises(IntegrityError):
        Oven.objects.filter(key="main").update(**change)
