"""Recipes out."""

from __future__ import annotations

from entremet.core.card.lines import Component, ScalesBy
from entremet.kitchen.api.schemas.base import Out


class RecipeRowOut(Out):
    """A recipe in a list."""

    id: int
    title: str
    style: str
    written_for: str
    oven: str | None
    time: str | None
    note: str


class RecipePanOut(Out):
    """A pan a recipe is written for."""

    label: str
    count: int
    wall_cm: float | None
    wall_assumed: bool


class PartOut(Out):
    """A part of a split line."""

    name: str
    share: float


class LineOut(Out):
    """A line as the card has it."""

    id: int
    name: str
    written: str
    component: Component
    scales_by: ScalesBy
    optional: bool
    grams: float | None
    parts: list[PartOut]


class RecipeOut(RecipeRowOut):
    """A whole card."""

    pans: list[RecipePanOut]
    lines: list[LineOut]
