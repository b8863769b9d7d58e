"""The logbook: how bakes went, their photos, and what the baker set back to the book's value."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.kitchen.models.kitchen import Oven
from entremet.kitchen.models.pans import RackPan
from entremet.kitchen.models.recipes import Recipe
from entremet.kitchen.models.running import Day
from entremet.kitchen.querysets import BakeQuerySet


class Bake(models.Model):
    """A bake as it went, with all that was expected of it: it outlives fit, recipe, pan and oven.

    ``model_min`` is what the heat balance said with nothing learnt; the keys name what it is learnt
    by, and are empty where nothing can be. ``counted`` answers a bake that was asked about.
    """

    class How(models.TextChoices):
        """How it was when it came out."""

        RIGHT = "right", "right"
        LITTLE_OVER = "little_over", "a little over"
        RAW = "raw", "raw in the middle"

    class Top(models.TextChoices):
        """How its top came out."""

        FLAT = "flat", "flat"
        DOMED = "domed", "domed"
        CRACKED = "cracked", "cracked"
        SUNK = "sunk", "sunk"
        RAN_OVER = "ran_over", "ran over the rim"

    class Counted(models.TextChoices):
        """Whether an odd one counts."""

        AS_FAR = "", "as far as it fits the others"
        TRUE = "true", "it was so"
        LEFT_OUT = "left_out", "something was different"

    recipe = models.ForeignKey(Recipe, null=True, on_delete=models.SET_NULL, related_name="bakes")
    recipe_title = models.CharField(max_length=120)
    revision = models.PositiveIntegerField(default=1)
    oven = models.ForeignKey(Oven, null=True, on_delete=models.SET_NULL, related_name="+")
    oven_name = models.CharField(max_length=80, blank=True)
    pan = models.ForeignKey(RackPan, null=True, on_delete=models.SET_NULL, related_name="+")
    pan_label = models.CharField(max_length=80)
    count = models.PositiveIntegerField(default=1)
    entry = models.PositiveSmallIntegerField(default=0)
    dial = models.CharField(max_length=60, blank=True)
    day = models.ForeignKey(Day, null=True, on_delete=models.SET_NULL, related_name="bakes")
    step = models.CharField(max_length=160, blank=True)

    baked_at = models.DateTimeField(db_index=True)
    minutes = models.FloatField()
    how = models.CharField(max_length=12, choices=How.choices, blank=True)
    top = models.CharField(max_length=8, choices=Top.choices, blank=True)
    change = models.CharField(max_length=500, blank=True)
    note = models.CharField(max_length=1000, blank=True)
    note_step = models.CharField(max_length=120, blank=True)
    tags = models.JSONField(default=list, blank=True)
    looks = models.PositiveSmallIntegerField(default=0)
    covered_min = models.FloatField(null=True, blank=True)

    height_cm = models.FloatField(null=True, blank=True)
    weight_g = models.FloatField(null=True, blank=True)
    dome_cm = models.FloatField(null=True, blank=True)
    oven_read_c = models.FloatField(null=True, blank=True)
    hot_after_min = models.FloatField(null=True, blank=True)
    batter_g_dl = models.FloatField(null=True, blank=True)
    bowl_loss = models.FloatField(null=True, blank=True)

    first_look_min = models.FloatField()
    early_min = models.FloatField()
    likely_min = models.FloatField()
    latest_min = models.FloatField()
    model_min = models.FloatField()
    learnt_from = models.PositiveIntegerField(default=0)
    oven_key = models.CharField(max_length=80, blank=True)
    recipe_key = models.CharField(max_length=300, blank=True)
    pan_key = models.CharField(max_length=80, blank=True)
    kind = models.CharField(max_length=12, blank=True)
    kind_changes = models.BooleanField(default=False)
    timed = models.BooleanField(default=True)
    half_range = models.FloatField(default=0.0)
    apart = models.FloatField(default=0.0)
    stated_min = models.FloatField(null=True, blank=True)
    depth_ratio = models.FloatField(null=True, blank=True)
    planned = models.JSONField(default=dict, blank=True)
    request = models.JSONField(default=dict, blank=True)
    request_version = models.PositiveSmallIntegerField(default=1)

    counted = models.CharField(max_length=8, choices=Counted.choices, blank=True)
    words = models.TextField(blank=True)
    version = models.PositiveIntegerField(default=1)
    logged_at = models.DateTimeField()
    changed_at = models.DateTimeField()
    removed_at = models.DateTimeField(null=True, blank=True)

    objects = BakeQuerySet.as_manager()

    class Meta:
        ordering = ["-baked_at", "-id"]
        constraints = [
            models.CheckConstraint(condition=Q(minutes__gt=0, minutes__lte=600),
                                   name="bake_minutes_plausible"),
            models.UniqueConstraint(fields=["day", "step"], name="one_bake_of_a_step",
                                    condition=Q(day__isnull=False) & ~Q(step="")),
        ]

    def __str__(self) -> str:
        return f"{self.recipe_title}, {self.pan_label}: {self.minutes:g} min"


class BakePhoto(models.Model):
    """A photo of a bake, encoded anew: no place, no camera, nothing but the picture."""

    bake = models.OneToOneField(Bake, primary_key=True, on_delete=models.CASCADE,
                                related_name="photo")
    jpeg = models.BinaryField()
    kept_at = models.DateTimeField(auto_now=True)
    width = models.PositiveSmallIntegerField()
    height = models.PositiveSmallIntegerField()

    def __str__(self) -> str:
        return f"{self.width} x {self.height}"


class SetBack(models.Model):
    """Something learnt that was set back to the book's value: earlier entries do not count."""

    kind = models.CharField(max_length=12)
    key = models.CharField(max_length=300, blank=True)
    at = models.DateTimeField()

    class Meta:
        ordering = ["at", "id"]

    def __str__(self) -> str:
        return f"{self.kind} {self.key}"
