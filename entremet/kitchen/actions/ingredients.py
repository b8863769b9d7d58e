"""The baker's own ingredients, weights and answers."""

from __future__ import annotations

import math
import re
from datetime import datetime

from django.db import transaction

from entremet.core.ground.errors import ImpossibleChoice, UnknownReference, UnreadableAmount
from entremet.core.ground.quantities import ml
from entremet.core.ingredients.names import plain
from entremet.core.ingredients.table import Ingredient, Role
from entremet.core.measures.grammar import amount_at
from entremet.core.measures.units import Unit, ml_per, standard
from entremet.kitchen import pantry
from entremet.kitchen.errors import NameTaken, NotHere
from entremet.kitchen.models import Answer, OwnIngredient, OwnWeight

LIGHTEST, HEAVIEST = 1.0, 2000.0
"""Grams per 100 ml that a kitchen measure can hold; estimate."""


@transaction.atomic
def add_ingredient(name: str, role: Role, *, at: datetime) -> Ingredient:
    """Add an ingredient of the baker's own.

    Raises
    ------
    NameTaken
        When the table has one of that name.
    """
    bare = " ".join(name.split())
    if not plain(bare):
        raise ImpossibleChoice("Type a name for the ingredient.", field="name")
    taken = pantry.table().named(bare)
    if taken is not None:
        raise NameTaken(f"“{bare}” is in the table already, as {taken.name}.", field="name")
    stem = "own_" + (re.sub(r"[^a-z0-9]+", "_", plain(bare)).strip("_")[:50] or "ingredient")
    key, number = stem, 1
    while OwnIngredient.objects.filter(key=key).exists():
        number += 1
        key = f"{stem}_{number}"
    OwnIngredient.objects.create(key=key, name=bare, role=role.value, added_at=at)
    return pantry.table().get(key)


@transaction.atomic
def weigh_ingredient(key: str, *, measure: str, grams: float, standard_key: str,
                     at: datetime) -> Ingredient:
    """Take the baker's own weight of a measure in place of the table's.

    Parameters
    ----------
    key : str
        The ingredient.
    measure : str
        For instance ``"1 cup"`` or ``"200 ml"``.
    grams : float
        What it weighed, above zero.
    standard_key : str
        Which cups and spoons she has.
    at : datetime
        Now.

    Raises
    ------
    NotHere, UnreadableAmount, ImpossibleChoice
        When there is no such ingredient, the measure is no volume, or the weight cannot be.
    """
    _known(key)
    found = amount_at(measure.strip(), 0)
    volume_ml = None if found is None else ml_per(found.amount.unit, standard(standard_key))
    if found is None or volume_ml is None or measure.strip()[found.end:].strip():
        raise UnreadableAmount(f"“{measure}” is not a measure of volume. Type 1 cup, 3 tbsp or "
                               "200 ml.", field="measure")
    density = grams / (found.amount.middle * volume_ml) * 100 if math.isfinite(grams) else 0.0
    if not LIGHTEST <= density <= HEAVIEST:
        raise ImpossibleChoice(f"{grams:g} g in {measure.strip()} would be {density:.3g} g per "
                               f"{ml(100)}, which nothing in a kitchen weighs. Check the two.",
                               field="grams")
    OwnWeight.objects.update_or_create(ingredient=key, defaults={
        "amount": found.amount.middle, "unit": found.amount.unit.value, "standard": standard_key,
        "grams": grams, "weighed_at": at})
    return pantry.table().get(key)


@transaction.atomic
def forget_weight(key: str) -> Ingredient:
    """Go back to the table's own weight.

    Raises
    ------
    NotHere
        When there is no such ingredient.
    """
    _known(key)
    OwnWeight.objects.filter(ingredient=key).delete()
    return pantry.table().get(key)


@transaction.atomic
def answer_name(phrase: str, key: str, *, at: datetime) -> None:
    """Remember what a name means; an empty key leaves it as written from now on.

    Raises
    ------
    NotHere
        When there is no such ingredient.
    """
    if key:
        _known(key)
    _remember(Answer.Asked.NAME, phrase, key, at)


@transaction.atomic
def answer_ounces(phrase: str, unit: Unit, *, at: datetime) -> None:
    """Remember whether ounces of a name are weight or fluid.

    Raises
    ------
    ImpossibleChoice
        When the unit is neither.
    """
    if unit not in (Unit.OUNCE, Unit.FLUID_OUNCE):
        raise ImpossibleChoice("Ounces are of weight (oz) or fluid (fl oz).", field="unit")
    _remember(Answer.Asked.OUNCES, phrase, unit.value, at)


def _remember(asked: str, phrase: str, value: str, at: datetime) -> None:
    bare = plain(phrase)[:200]
    if not bare:
        raise ImpossibleChoice("Say which words the answer is for.", field="phrase")
    Answer.objects.update_or_create(asked=asked, phrase=bare,
                                    defaults={"value": value, "answered_at": at})


def _known(key: str) -> Ingredient:
    try:
        return pantry.table().get(key)
    except UnknownReference as error:
        raise NotHere(error.text, field="ingredient") from error
