"""Recipe cards: components, lines, splits, and the pans they are written for."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.core.baking.settings import OvenKind, Scale
from entremet.core.batter.styles import STYLES
from entremet.core.card.lines import Component as CoreComponent
from entremet.core.card.lines import ScalesBy
from entremet.core.card.recipe import BatterStart
from entremet.core.measures.units import Unit
from entremet.kitchen.models.choices import choices_of, one_of
from entremet.kitchen.models.measures import MeasuredPan
from entremet.kitchen.querysets import RecipeQuerySet


class Recipe(models.Model):
    """A card."""

    key = models.SlugField(unique=True)
    title = models.CharField(max_length=120)
    style = models.CharField(max_length=20, choices=[(key, row.name)
                                                     for key, row in STYLES.items()])
    oven_value = models.FloatField(null=True, blank=True)
    oven_scale = models.CharField(max_length=4, choices=choices_of(Scale), blank=True)
    oven_kind = models.CharField(max_length=12, choices=choices_of(OvenKind), blank=True)
    stated_low_min = models.FloatField(null=True, blank=True)
    stated_high_min = models.FloatField(null=True, blank=True)
    phases = models.JSONField(default=list, blank=True)
    batter_start = models.CharField(max_length=16, choices=choices_of(BatterStart),
                                    default=BatterStart.ROOM.value)
    measure_standard = models.CharField(max_length=12, blank=True)
    egg_grade = models.CharField(max_length=16, blank=True)
    note = models.TextField(blank=True)
    position = models.PositiveSmallIntegerField(default=0)

    objects = RecipeQuerySet.as_manager()

    class Meta:
        ordering = ["position", "title"]
        constraints = [
            models.CheckConstraint(
                condition=Q(oven_value__isnull=True, oven_scale="")
                | Q(oven_value__gt=0) & one_of("oven_scale", Scale), name="oven_setting_whole"),
            models.CheckConstraint(
                condition=Q(stated_low_min__isnull=True, stated_high_min__isnull=True)
                | Q(stated_low_min__gt=0, stated_high_min__gte=models.F("stated_low_min")),
                name="stated_time_in_order"),
        ]

    def __str__(self) -> str:
        return self.title


class RecipePan(MeasuredPan):
    """A pan a recipe is written for."""

    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="pans")
    count = models.PositiveSmallIntegerField(default=1)

    class Meta:
        ordering = ["id"]
        constraints = [models.CheckConstraint(condition=Q(count__gte=1), name="recipe_pan_count")]


class Component(models.Model):
    """A part of the cake: batter, base layer, decoration."""

    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="components")
    kind = models.CharField(max_length=12, choices=choices_of(CoreComponent))
    title = models.CharField(max_length=80, blank=True)
    position = models.PositiveSmallIntegerField(default=0)

    class Meta:
        ordering = ["position", "id"]
        constraints = [models.CheckConstraint(condition=one_of("kind", CoreComponent),
                                              name="component_kind_known")]

    def __str__(self) -> str:
        return self.title or self.kind


class Line(models.Model):
    """A line of a component, as written and as read."""

    component = models.ForeignKey(Component, on_delete=models.CASCADE, related_name="lines")
    position = models.PositiveSmallIntegerField(default=0)
    name = models.CharField(max_length=120)
    written = models.CharField(max_length=80)
    amount_value = models.FloatField(null=True, blank=True)
    amount_unit = models.CharField(max_length=8, choices=choices_of(Unit), blank=True)
    ingredient = models.SlugField(blank=True)
    scales_by = models.CharField(max_length=12, choices=choices_of(ScalesBy),
                                 default=ScalesBy.BATTER.value)
    optional = models.BooleanField(default=False)

    class Meta:
        ordering = ["position", "id"]
        constraints = [
            models.CheckConstraint(
                condition=Q(amount_value__isnull=True, amount_unit="")
                | Q(amount_value__gt=0) & one_of("amount_unit", Unit), name="line_amount_whole"),
        ]

    def __str__(self) -> str:
        return f"{self.written} {self.name}"


class LinePart(models.Model):
    """A part of a split line, as a share of it."""

    line = models.ForeignKey(Line, on_delete=models.CASCADE, related_name="parts")
    position = models.PositiveSmallIntegerField(default=0)
    name = models.CharField(max_length=80)
    share = models.FloatField()

    class Meta:
        ordering = ["position", "id"]
        constraints = [models.CheckConstraint(condition=Q(share__gt=0, share__lte=1),
                                              name="part_share")]

    def __str__(self) -> str:
        return self.name
