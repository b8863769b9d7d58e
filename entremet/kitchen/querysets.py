"""Queries in the kitchen's own words."""

from __future__ import annotations

from typing import Self

from django.db import models


class RecipeQuerySet(models.QuerySet):  # type: ignore[type-arg]  # the model imports this module
    """Recipes."""

    def whole(self) -> Self:
        """Bring pans, components, lines and splits along."""
        return self.prefetch_related("pans", "components__lines__parts")


class KeptFitQuerySet(models.QuerySet):  # type: ignore[type-arg]  # the model imports this module
    """Kept fits."""

    def newest_first(self) -> Self:
        """Order for a list, with the recipe's title at hand."""
        return self.select_related("recipe").order_by("-kept_at", "-id")
