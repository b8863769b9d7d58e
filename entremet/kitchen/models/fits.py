"""Fits kept under a name."""

from __future__ import annotations

from django.db import models

from entremet.kitchen.models.recipes import Recipe
from entremet.kitchen.querysets import KeptFitQuerySet


class KeptFit(models.Model):
    """The choices of a fit; the amounts are worked out anew when it is opened."""

    name = models.CharField(max_length=80, unique=True)
    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="kept_fits")
    request = models.JSONField()
    kept_at = models.DateTimeField()

    objects = KeptFitQuerySet.as_manager()

    def __str__(self) -> str:
        return self.name
