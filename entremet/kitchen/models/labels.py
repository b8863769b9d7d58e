"""What labels are made with: the kitchen's habits, what packets say, and what was printed."""

from __future__ import annotations

from django.db import models

from entremet.core.labelling.allergens import DEFAULT_REGION
from entremet.kitchen.models.recipes import Recipe


class LabelHabits(models.Model):
    """How this kitchen labels; there is one.

    ``own_sheet`` has the measures of the kitchen's own sheet of labels in mm; empty for none.
    """

    region = models.CharField(max_length=8, default=DEFAULT_REGION)
    address = models.CharField(max_length=200, blank=True)
    sentence = models.CharField(max_length=300, blank=True)
    may_contain = models.JSONField(default=list, blank=True)
    sheet = models.CharField(max_length=20, default="a4-12")
    own_sheet = models.JSONField(default=dict, blank=True)
    version = models.PositiveIntegerField(default=1)

    class Meta:
        verbose_name_plural = "label habits"

    def __str__(self) -> str:
        return self.region


class PacketRow(models.Model):
    """What a packet says is in an ingredient."""

    key = models.CharField(max_length=200, unique=True)
    called = models.CharField(max_length=120)
    name = models.CharField(max_length=120, blank=True)
    opened = models.CharField(max_length=400, blank=True)
    contains = models.JSONField(default=list, blank=True)
    may_contain = models.JSONField(default=list, blank=True)
    read_at = models.DateTimeField()

    class Meta:
        ordering = ["called", "key"]

    def __str__(self) -> str:
        return self.called


class LabelPrint(models.Model):
    """A label that was printed, with the allergens that stood on it."""

    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="labels")
    title = models.CharField(max_length=120)
    contains = models.JSONField(default=list)
    may_contain = models.JSONField(default=list)
    text = models.TextField()
    count = models.PositiveIntegerField(default=1)
    printed_at = models.DateTimeField()

    class Meta:
        ordering = ["-printed_at", "-id"]

    def __str__(self) -> str:
        return self.title
