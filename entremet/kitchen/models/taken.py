"""How long bakes really took."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.kitchen.models.fits import KeptFit


class BakeTaken(models.Model):
    """How long a bake of a kept fit really took, and what was expected of it then."""

    kept = models.ForeignKey(KeptFit, on_delete=models.CASCADE, related_name="+")
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
