"""Cards that were saved by an older program are found by the minutes that they take now."""

from __future__ import annotations

from importlib import import_module

from django.apps import apps

from entremet.kitchen.models import Recipe


def test_minutes_of_older_cards_are_those_a_card_saved_now_has(demo):
    wanted = dict(Recipe.objects.values_list("pk", "hands_min"))
    Recipe.objects.update(hands_min=1, feeds=None)
    damaged = Recipe.objects.first()
    damaged.revisions.update(card={"no": "card"})
    import_module("entremet.kitchen.migrations.0021_cards_counted_anew").from_the_cards(apps, None)
    found = dict(Recipe.objects.values_list("pk", "hands_min"))
    # What cannot be read any more stays as it was, and holds nothing up.
    assert found.pop(damaged.pk) == 1
    assert found == {key: value for key, value in wanted.items() if key != damaged.pk}
    assert min(found.values()) > 20
