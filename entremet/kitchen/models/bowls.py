"""Mixer bowls of the kitchen."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.core.mixing.bowl import Bowl as CoreBowl


class Bowl(models.Model):
    """A mixing bowl: what it holds, what can be used of it, what it weighs empty."""

    key = models.SlugField(unique=True, null=True, blank=True)
    name = models.CharField(max_length=80)
    capacity_ml = models.FloatField()
    working_ml = models.FloatField(null=True, blank=True)
    tare_g = models.FloatField(null=True, blank=True)
    version = models.PositiveIntegerField(default=1)
    is_default = models.BooleanField(default=False)
    position = models.PositiveSmallIntegerField(default=0)

    class Meta:
        ordering = ["-is_default", "position", "id"]
        constraints = [
            models.CheckConstraint(condition=Q(capacity_ml__gt=0), name="bowl_holds_something"),
            models.UniqueConstraint(fields=["is_default"], condition=Q(is_default=True),
                                    name="one_default_bowl"),
        ]

    def __str__(self) -> str:
        return self.name

    def to_core(self) -> CoreBowl:
        """Return the bowl as the core takes it."""
        return CoreBowl(name=self.name, capacity_ml=self.capacity_ml, working_ml=self.working_ml,
                        tare_g=self.tare_g)
