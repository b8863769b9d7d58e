"""Recipes: what a list shows of each, and every version of its card."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.kitchen.querysets import RecipeQuerySet


class Recipe(models.Model):
    """A recipe of the kitchen. The card itself lies in its revisions; here is what a list needs.

    ``words`` holds everything to search in, in plain form; ``head`` is the newest revision. What
    it feeds and its minutes are empty where they cannot be told.
    """

    key = models.SlugField(unique=True, null=True, blank=True)
    title = models.CharField(max_length=120)
    style = models.CharField(max_length=40, blank=True)
    written_for = models.CharField(max_length=300, blank=True)
    oven = models.CharField(max_length=40, blank=True)
    pans = models.JSONField(null=True, blank=True)
    time = models.CharField(max_length=40, blank=True)
    note = models.CharField(max_length=300, blank=True)
    tags = models.JSONField(default=list, blank=True)
    words = models.TextField(blank=True)
    feeds = models.PositiveIntegerField(null=True, blank=True)
    hands_min = models.PositiveIntegerField(null=True, blank=True)
    all_min = models.PositiveIntegerField(null=True, blank=True)
    head = models.PositiveIntegerField(default=1)
    position = models.PositiveIntegerField(default=0)
    changed_at = models.DateTimeField()
    archived_at = models.DateTimeField(null=True, blank=True)

    objects = RecipeQuerySet.as_manager()

    class Meta:
        ordering = ["position", "-changed_at", "id"]
        constraints = [models.CheckConstraint(condition=Q(head__gte=1), name="recipe_head")]

    def __str__(self) -> str:
        return self.title


class Revision(models.Model):
    """A version of a card; it is never changed."""

    class Made(models.TextChoices):
        """How a revision came about."""

        NEW = "new", "new card"
        EDITED = "edited", "edited"
        IMPORTED = "imported", "imported"
        DUPLICATED = "duplicated", "duplicated"
        RESTORED = "restored", "restored"

    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="revisions")
    number = models.PositiveIntegerField()
    card = models.JSONField()
    made = models.CharField(max_length=12, choices=Made.choices)
    of = models.PositiveIntegerField(null=True, blank=True)
    saved_at = models.DateTimeField()

    class Meta:
        ordering = ["-number"]
        constraints = [
            models.UniqueConstraint(fields=["recipe", "number"], name="one_revision_of_a_number"),
        ]

    def __str__(self) -> str:
        return f"{self.recipe_id}, revision {self.number}"
