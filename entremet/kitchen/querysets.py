"""Queries in the kitchen's own words."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Self

from django.db import models
from django.db.models import Q
from django.db.models.expressions import RawSQL

from entremet.core.ingredients.names import plain

SIGNS_OF_THE_INDEX = 3


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
        return self._holding([f"#{plain(tag)}#"])

    def found_by(self, search: str) -> Self:
        """Only recipes that hold every word, or the beginning or a part of it."""
        return self._holding(plain(search).split()[:12])

    def _holding(self, parts: Sequence[str]) -> Self:
        """Only recipes whose words hold every part; three signs and more go by the index."""
        indexed = [part for part in parts if len(part) >= SIGNS_OF_THE_INDEX]
        found = self
        if indexed:
            wanted = " AND ".join(f'"{part.replace(chr(34), chr(34) * 2)}"' for part in indexed)
            found = found.filter(pk__in=RawSQL(
                "SELECT rowid FROM kitchen_recipe_words WHERE words MATCH %s", [wanted]))
        for part in parts:
            if part not in indexed:
                found = found.filter(words__contains=part)
        return found


class BakeQuerySet(models.QuerySet):  # type: ignore[type-arg]  # the model imports this module
    """Bakes of the logbook."""

    def in_use(self) -> Self:
        """Leave out what was taken away."""
        return self.filter(removed_at__isnull=True)

    def found_by(self, search: str) -> Self:
        """Only bakes that hold every word, or a part of one."""
        found = self
        for word in plain(search).split()[:12]:
            found = found.filter(words__contains=word)
        return found

    def tagged(self, tag: str) -> Self:
        """Only bakes with a tag."""
        return self.filter(words__contains=f"#{plain(tag)}#")


class KeptFitQuerySet(models.QuerySet):  # type: ignore[type-arg]  # the model imports this module
    """Kept fits."""

    def newest_first(self) -> Self:
        """Order for a list, with the recipe's title at hand."""
        return self.select_related("recipe").order_by("-kept_at", "-id")

    def found_by(self, search: str) -> Self:
        """Only fits whose name or recipe holds every word."""
        found = self
        for word in search.split()[:12]:
            found = found.filter(Q(name__icontains=word) | Q(recipe__title__icontains=word))
        return found
