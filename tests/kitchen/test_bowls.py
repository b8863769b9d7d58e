"""Bowls as they are stored, and what a fit takes of them."""

from __future__ import annotations

import pytest
from django.db import IntegrityError, transaction

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.provenance import Origin
from entremet.core.mixing.bowl import Bowl as CoreBowl
from entremet.kitchen.actions.bowls import (
    bowl_row,
    forget_loss,
    learn_loss,
    loss_of,
    put_bowl,
    remove_bowl,
    tools_for,
)
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Bowl, Kitchen

COPPER = CoreBowl(name="Copper bowl", capacity_ml=3000, working_ml=1800, tare_g=640)


def test_a_bowl_comes_back_as_it_was_put(db):
    assert put_bowl(COPPER, usual=False).to_core() == COPPER


def test_there_is_one_usual_bowl_whatever_is_asked(demo):
    first, second = put_bowl(COPPER, usual=True), put_bowl(COPPER, usual=True)
    assert list(Bowl.objects.filter(is_default=True)) == [second]
    put_bowl(COPPER, usual=True, bowl_id=first.pk)
    assert list(Bowl.objects.filter(is_default=True)) == [first]


@pytest.mark.parametrize("broken", [
    {"is_default": True}, {"capacity_ml": 0}, {"capacity_ml": -5},
])
def test_the_database_refuses_a_bowl_no_kitchen_has(demo, broken):
    fields = {"name": "x", "capacity_ml": 2000, **broken}
    with pytest.raises(IntegrityError), transaction.atomic():
        Bowl.objects.create(**fields)


@pytest.mark.parametrize("share", [-0.01, 0.4])
def test_the_database_refuses_a_loss_no_bowl_has(demo, share):
    with pytest.raises(IntegrityError), transaction.atomic():
        Kitchen.objects.update(bowl_loss_share=share)


def test_a_fit_takes_the_usual_bowl_another_or_none(demo):
    tools, row, _ = tools_for(None)
    assert (row.key, tools.bowl.name) == ("stand-mixer", "Stand mixer")
    hand = Bowl.objects.get(key="hand-bowl")
    assert tools_for(hand.pk)[0].bowl == hand.to_core()
    tools, row, _ = tools_for("none")
    assert (tools.bowl, row) == (None, None)
    with pytest.raises(NotHere):
        tools_for(999)


def test_a_kitchen_without_a_usual_bowl_mixes_all_at_once(demo):
    Bowl.objects.update(is_default=False)
    assert tools_for(None)[0].bowl is None


def test_an_empty_kitchen_learns_too(db):
    kitchen = learn_loss(gross_g=1000, left_g=18)
    assert loss_of(kitchen).share == pytest.approx(0.018)
    assert loss_of(kitchen).origin is Origin.MEASURED
    assert loss_of(forget_loss()).origin is Origin.ASSUMED
    assert Kitchen.objects.count() == 1


def test_a_loss_that_is_refused_leaves_the_one_before(demo):
    learn_loss(gross_g=1000, left_g=18)
    with pytest.raises(ImpossibleChoice):
        learn_loss(gross_g=1000, left_g=600)
    assert Kitchen.objects.get().bowl_loss_share == pytest.approx(0.018)


def test_a_bowl_that_is_gone_is_not_here(demo):
    row = put_bowl(COPPER, usual=False)
    remove_bowl(row.pk)
    for again in (bowl_row, remove_bowl):
        with pytest.raises(NotHere):
            again(row.pk)
    with pytest.raises(NotHere):
        put_bowl(COPPER, usual=False, bowl_id=row.pk)
