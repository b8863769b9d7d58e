"""What the baker knows better than the table: her own ingredients, weights and answers."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.core.ingredients.table import Role
from entremet.core.measures.units import STANDARDS, Unit
from entremet.kitchen.models.choices import choices_of, one_of


class OwnIngredient(models.Model):
    """An ingredient the baker added."""

    key = models.SlugField(max_length=60, unique=True)
    name = models.CharField(max_length=80)
    role = models.CharField(max_length=12, choices=choices_of(Role))
    added_at = models.DateTimeField()

    class Meta:
        ordering = ["name"]
        constraints = [models.CheckConstraint(condition=one_of("role", Role),
                                              name="own_ingredient_role_known")]

    def __str__(self) -> str:
        return self.name


class OwnWeight(models.Model):
    """What a measure of an ingredient weighs in this kitchen."""

    ingredient = models.CharField(max_length=60, unique=True)
    amount = models.FloatField()
    unit = models.CharField(max_length=8, choices=choices_of(Unit))
    standard = models.CharField(max_length=12, choices=[(key, key) for key in STANDARDS])
    grams = models.FloatField()
    weighed_at = models.DateTimeField()

    class Meta:
        ordering = ["ingredient"]
        constraints = [
            models.CheckConstraint(condition=Q(amount__gt=0, grams__gt=0),
                                   name="own_weight_above_zero"),
        ]

    def __str__(self) -> str:
        return f"{self.ingredient}: {self.amount:g} {self.unit} = {self.grams:g} g"


class Answer(models.Model):
    """An answer to a question about a line, remembered for the next line of that name."""

    class Asked(models.TextChoices):
        """What was asked."""

        NAME = "name", "what is this"
        OUNCES = "ounces", "weight or fluid"

    asked = models.CharField(max_length=8, choices=Asked.choices)
    phrase = models.CharField(max_length=200)
    value = models.CharField(max_length=60, blank=True)
    answered_at = models.DateTimeField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["asked", "phrase"], name="one_answer")]

    def __str__(self) -> str:
        return f"{self.phrase}: {self.value or 'as written'}"
