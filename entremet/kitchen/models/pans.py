"""The rack: the pans a kitchen owns."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.core.pans.measures import OutlineName
from entremet.kitchen.models.choices import one_of
from entremet.kitchen.models.measures import MeasuredPan


class RackPan(MeasuredPan):
    """A pan on the rack, and how many of it there are."""

    key = models.SlugField(unique=True, null=True, blank=True)
    owned = models.PositiveSmallIntegerField(default=1)
    version = models.PositiveIntegerField(default=1)
    inches = models.BooleanField(default=False)
    position = models.PositiveSmallIntegerField(default=0)

    class Meta:
        ordering = ["position", "id"]
        constraints = [
            models.CheckConstraint(condition=one_of("outline", OutlineName),
                                   name="rack_pan_outline_known"),
            models.CheckConstraint(condition=Q(owned__gte=1), name="rack_pan_owned"),
        ]
