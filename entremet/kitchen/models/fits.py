"""Fits kept under a name."""

from __future__ import annotations

from django.db import models

from entremet.kitchen.models.recipes import Recipe
from entremet.kitchen.querysets import KeptFitQuerySet


class KeptFit(models.Model):
    """The choices of a fit; the amounts are worked out anew when it is opened.

    ``pans`` holds the label and measures of each pan of the rack as it was when the fit was kept,
    by its id, so that the fit opens when the pan is gone. ``request_version`` tells the form that
    the request was kept in.
    """

    name = models.CharField(max_length=80, unique=True)
    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="kept_fits")
    request = models.JSONField()
    request_version = models.PositiveSmallIntegerField(default=1)
    pans = models.JSONField(default=dict, blank=True)
    kept_at = models.DateTimeField()

    objects = KeptFitQuerySet.as_manager()

    class Meta:
        indexes = [models.Index(fields=["-kept_at", "-id"], name="kept_fits_newest_first")]

    def __str__(self) -> str:
        return self.name
