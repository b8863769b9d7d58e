"""Queries in the kitchen's own words."""

from __future__ import annotations

from typing import Self

from django.db import models

from entremet.core.ingredients.names import plain


class RecipeQuerySet(models.QuerySet):  # type: ignore[type-arg]  # the model imports this module
    """Recipes."""

    def in_use(self) -> Self:
        """Leave out what is archived."""
        return self.filter(archived_at__isnull=True)

    def archived(self) -> Self:
        """Only what is archived, the newest first."""
        return self.filter(archived_at__isnull=False).order_by("-archived_at", "id")

    def tagged(self, tag: str) -> Self:
        """Only recipes with a tag."""
        return self.filter(words__contains=f"#{plain(tag)}#")

    def found_by(self, search: str) -> Self:
        """Only recipes that hold every word, or the beginning or a part of it."""
        found = self
        for word in plain(search).split()[:12]:
            found = found.filter(words__contains=word)
        return found


class KeptFitQuerySet(models.QuerySet):  # type: ignore[type-arg]  # the model imports this module
    """Kept fits."""

    def newest_first(self) -> Self:
        """Order for a list, with the recipe's title at hand."""
        return self.select_related("recipe").order_by("-kept_at", "-id")
