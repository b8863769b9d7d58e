"""What is stored: constraints, the way from the first schema, and what survives a start."""

from __future__ import annotations

from datetime import UTC, datetime

import pytest
from django.db import IntegrityError, transaction

from entremet.core.card.card import Card
from entremet.core.ground.errors import ImpossibleRecipe, UnreadableRecipe
from entremet.core.ingredients.table import TABLE
from entremet.core.measures.units import Unit
from entremet.core.reading.recipes import read_recipe
from entremet.kitchen import pantry
from entremet.kitchen.actions.cards import fit_recipe, recipe_row, revision_of
from entremet.kitchen.actions.recipes import add_recipe, revise
from entremet.kitchen.documents.cards import card_from_stored, from_own_json, stored, to_own_json
from entremet.kitchen.errors import EditedMeanwhile, NotHere
from entremet.kitchen.models import Answer, OwnIngredient, OwnWeight, Recipe, Revision

NOW = datetime(2026, 11, 1, 9, 30, tzinfo=UTC)


@pytest.fixture
def card() -> Card:
    return read_recipe("Sloe ring\n200 g self-raising flour\n3 eggs\n½ cup milk").card


def test_a_card_is_the_same_out_of_the_store_as_into_it(card):
    assert card_from_stored(stored(card)) == card
    assert from_own_json(to_own_json(card)) == card


def test_our_own_json_names_what_is_wrong():
    with pytest.raises(UnreadableRecipe) as error:
        from_own_json('{"format": "entremet-card", "card": {"title": "x", "lines": [{"key": 1}]}}')
    assert "card.lines.0.text" in error.value.text
    with pytest.raises(UnreadableRecipe, match=r"read\. the file: "):
        from_own_json("[]")
    with pytest.raises(ImpossibleRecipe):
        from_own_json('{"format": "entremet-card", "card": {"title": " "}}')


def test_a_list_shows_what_the_card_says(db, card):
    recipe = add_recipe(card, at=NOW)
    assert (recipe.title, recipe.written_for, recipe.oven, recipe.time) == (
        "Sloe ring", "no pan named", "", "")
    assert "self raising flour" in recipe.words
    assert recipe.changed_at == NOW


def test_cards_keep_the_order_they_came_in(db, card):
    first, second = add_recipe(card, at=NOW), add_recipe(card, at=NOW)
    assert [row.pk for row in Recipe.objects.all()] == [first.pk, second.pk]


def test_a_stale_save_keeps_nothing(db, card):
    recipe = add_recipe(card, at=NOW)
    changed = read_recipe("Sloe ring\n2 eggs").card
    revise(recipe.pk, changed, base=1, at=NOW)
    with pytest.raises(EditedMeanwhile):
        revise(recipe.pk, card, base=1, at=NOW)
    assert Revision.objects.count() == 2
    with pytest.raises(NotHere):
        revise(99999, card, base=1, at=NOW)


def test_two_revisions_of_one_number_cannot_be(db, card):
    recipe = add_recipe(card, at=NOW)
    with pytest.raises(IntegrityError), transaction.atomic():
        recipe.revisions.create(number=1, card={}, made="edited", saved_at=NOW)


@pytest.mark.parametrize(("model", "fields"), [
    (OwnIngredient, {"key": "x", "name": "x", "role": "magic", "added_at": NOW}),
    (OwnWeight, {"ingredient": "x", "amount": 0, "unit": "cup", "standard": "us", "grams": 1,
                 "weighed_at": NOW}),
])
def test_the_database_refuses_what_the_core_would(db, model, fields):
    with pytest.raises(IntegrityError):
        model.objects.create(**fields)


def test_the_pantry_follows_what_is_stored(db):
    assert pantry.table() is TABLE
    OwnIngredient.objects.create(key="own_sloes", name="sloes", role="fruit", added_at=NOW)
    OwnWeight.objects.create(ingredient="own_sloes", amount=1, unit="cup", standard="metric",
                             grams=150, weighed_at=NOW)
    sloes = pantry.table().named("sloe")
    assert sloes.density().value == pytest.approx(60)
    assert pantry.table() is pantry.table()
    OwnWeight.objects.all().delete()
    assert pantry.table().get("own_sloes").density() is None


def test_memory_holds_names_and_ounces(db):
    Answer.objects.create(asked="name", phrase="sloe", value="", answered_at=NOW)
    Answer.objects.create(asked="ounces", phrase="milk", value="fl oz", answered_at=NOW)
    found = pantry.memory()
    assert (found.names, found.ounces) == ({"sloe": ""}, {"milk": Unit.FLUID_OUNCE})


def test_the_same_revision_is_resolved_once(db, card):
    recipe = add_recipe(card, at=NOW)
    revision = revision_of(recipe_row(recipe.pk))
    first, _ = fit_recipe(revision, variant=None, instead={})
    again, _ = fit_recipe(revision, variant=None, instead={})
    assert first is again
    OwnWeight.objects.create(ingredient="whole_milk", amount=1, unit="cup", standard="metric",
                             grams=200, weighed_at=NOW)
    weighed, _ = fit_recipe(revision, variant=None, instead={})
    assert weighed.weights[3].value == pytest.approx(100)


def test_what_a_fit_asks_the_database_does_not_grow_with_the_card(demo, fit, pan_id,
                                                                 django_assert_num_queries):
    pan = {"pan": pan_id("round-20"), "count": 2}
    fit("plum-bergamot", pan)
    with django_assert_num_queries(16):
        fit("plum-bergamot", pan)
