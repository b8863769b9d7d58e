"""The kitchen itself and its ovens."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.core.ingredients.eggs import DEFAULT_GRADE, GRADES
from entremet.core.ingredients.usual import DEFAULT_STANDARD
from entremet.core.measures.habits import Units
from entremet.core.measures.units import STANDARDS
from entremet.core.ovens.oven import Oven as CoreOven
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.kitchen.models.choices import choices_of, one_of

PAPER_SIZES = ("A4", "Letter")
CLOCKS = ("24", "12")


class Kitchen(models.Model):
    """The one kitchen of this database, with its habits."""

    name = models.CharField(max_length=80, default="My kitchen")
    scale_step_g = models.FloatField(default=1.0)
    bowl_loss_share = models.FloatField(null=True, blank=True)
    version = models.PositiveIntegerField(default=1)
    altitude_m = models.FloatField(null=True, blank=True)
    units = models.CharField(max_length=6, choices=choices_of(Units), default=Units.METRIC.value)
    measure_standard = models.CharField(max_length=12, default=DEFAULT_STANDARD)
    egg_grade = models.CharField(max_length=20, default=DEFAULT_GRADE)
    paper = models.CharField(max_length=6, default=PAPER_SIZES[0])
    clock = models.CharField(max_length=2, default=CLOCKS[0])
    welcomed = models.BooleanField(default=False)

    class Meta:
        constraints = [
            models.CheckConstraint(condition=Q(id=1), name="one_kitchen"),
            models.CheckConstraint(condition=Q(scale_step_g__gt=0), name="scale_step_above_zero"),
            models.CheckConstraint(condition=Q(bowl_loss_share__isnull=True)
                                   | Q(bowl_loss_share__gte=0, bowl_loss_share__lte=0.25),
                                   name="bowl_loss_share_plausible"),
            models.CheckConstraint(condition=Q(altitude_m__isnull=True)
                                   | Q(altitude_m__gte=0, altitude_m__lte=5000),
                                   name="altitude_plausible"),
            models.CheckConstraint(condition=one_of("units", Units), name="units_known"),
            models.CheckConstraint(condition=Q(measure_standard__in=sorted(STANDARDS)),
                                   name="measure_standard_known"),
            models.CheckConstraint(condition=Q(egg_grade__in=sorted(GRADES)),
                                   name="egg_grade_known"),
            models.CheckConstraint(condition=Q(paper__in=PAPER_SIZES), name="paper_known"),
            models.CheckConstraint(condition=Q(clock__in=CLOCKS), name="clock_known"),
        ]

    def __str__(self) -> str:
        return self.name


class Oven(models.Model):
    """An oven: its kind, its dial and how far it is off, its shelves, how soon it is hot."""

    key = models.SlugField(unique=True, null=True, blank=True)
    name = models.CharField(max_length=80)
    kind = models.CharField(max_length=12, choices=choices_of(OvenKind))
    dial = models.CharField(max_length=5, choices=choices_of(Scale))
    dial_step = models.FloatField()
    dial_lowest = models.FloatField()
    dial_highest = models.FloatField()
    shelf_width_cm = models.FloatField(null=True, blank=True)
    shelf_depth_cm = models.FloatField(null=True, blank=True)
    shelves = models.PositiveSmallIntegerField(default=1)
    version = models.PositiveIntegerField(default=1)
    dial_off_c = models.FloatField(default=0.0)
    preheat_min = models.FloatField(null=True, blank=True)
    is_default = models.BooleanField(default=False)
    position = models.PositiveSmallIntegerField(default=0)

    class Meta:
        ordering = ["-is_default", "position", "id"]
        constraints = [
            models.CheckConstraint(condition=one_of("kind", OvenKind), name="oven_kind_known"),
            models.CheckConstraint(condition=one_of("dial", Scale), name="oven_dial_known"),
            models.CheckConstraint(condition=Q(dial_step__gt=0), name="oven_dial_step"),
            models.CheckConstraint(condition=Q(shelves__gte=1), name="oven_has_a_shelf"),
            models.UniqueConstraint(fields=["is_default"], condition=Q(is_default=True),
                                    name="one_default_oven"),
        ]

    def __str__(self) -> str:
        return self.name

    def to_core(self) -> CoreOven:
        """Return the oven as the core takes it."""
        width, depth = self.shelf_width_cm, self.shelf_depth_cm
        return CoreOven(
            name=self.name, kind=OvenKind(self.kind), scale=Scale(self.dial), step=self.dial_step,
            lowest=self.dial_lowest, highest=self.dial_highest, shelves=self.shelves,
            shelf_cm=None if width is None or depth is None else (width, depth),
            dial_off_c=self.dial_off_c, preheat_min=self.preheat_min)
