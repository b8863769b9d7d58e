"""How long bakes really took."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.kitchen.models.fits import KeptFit
from entremet.kitchen.models.recipes import Recipe


class BakeTaken(models.Model):
    """How long a bake really took, with all that was expected of it: it outlives the kept fit.

    Nothing of it changes but the links, which fall away with what they lead to. ``request``,
    ``expected``, ``oven`` and ``pan`` are copies as they were at the oven.
    """

    kept = models.ForeignKey(KeptFit, null=True, on_delete=models.SET_NULL, related_name="+")
    recipe = models.ForeignKey(Recipe, null=True, on_delete=models.SET_NULL, related_name="+")
    recipe_title = models.CharField(max_length=120, blank=True)
    revision = models.PositiveIntegerField(default=1)
    request = models.JSONField(default=dict, blank=True)
    request_version = models.PositiveSmallIntegerField(default=1)
    expected = models.JSONField(default=dict, blank=True)
    oven = models.JSONField(default=dict, blank=True)
    pan = models.JSONField(default=dict, blank=True)
    entry = models.PositiveSmallIntegerField()
    label = models.CharField(max_length=80)
    dial = models.CharField(max_length=40)
    likely_min = models.FloatField()
    minutes = models.FloatField()
    taken_at = models.DateTimeField()

    class Meta:
        ordering = ["-taken_at", "-id"]
        constraints = [
            models.CheckConstraint(condition=Q(minutes__gt=0, minutes__lte=600),
                                   name="bake_taken_plausible"),
        ]

    def __str__(self) -> str:
        return f"{self.label}: {self.minutes:g} min"
