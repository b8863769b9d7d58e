"""Days led through, what was ticked in them, and the devices that are let in."""

from __future__ import annotations

from django.db import models


class Day(models.Model):
    """A day under way or over: its sheet as it was when it began, and how it ended.

    ``drafts`` holds by step what its bakes will be logged with, as it was expected then.
    """

    title = models.CharField(max_length=120)
    sheet = models.JSONField()
    sheet_version = models.PositiveSmallIntegerField(default=1)
    orders = models.JSONField(default=list, blank=True)
    started_at = models.DateTimeField()
    ended_at = models.DateTimeField(null=True, blank=True)
    how = models.JSONField(default=dict, blank=True)
    drafts = models.JSONField(default=dict, blank=True)

    class Meta:
        ordering = ["-started_at", "-id"]

    def __str__(self) -> str:
        return self.title


class Tick(models.Model):
    """One event of a day; ``key`` is the client's own, so that one sent twice is one."""

    day = models.ForeignKey(Day, on_delete=models.CASCADE, related_name="ticks")
    key = models.CharField(max_length=40)
    kind = models.CharField(max_length=12)
    step = models.CharField(max_length=160, blank=True)
    at = models.DateTimeField()
    place = models.PositiveSmallIntegerField(default=0)
    amount = models.FloatField(default=0.0)

    class Meta:
        ordering = ["id"]
        constraints = [models.UniqueConstraint(fields=["day", "key"], name="one_tick_of_a_key")]

    def __str__(self) -> str:
        return f"{self.kind} {self.step}"


class Device(models.Model):
    """A scale or a probe that may send readings; ``key`` pairs it, ``watches`` is its bake."""

    class Kind(models.TextChoices):
        """What it is."""

        SCALE = "scale", "scale"
        PROBE = "probe", "probe"

    name = models.CharField(max_length=80)
    kind = models.CharField(max_length=8, choices=Kind.choices)
    key = models.CharField(max_length=40, unique=True)
    simulated = models.BooleanField(default=False)
    watches = models.CharField(max_length=200, blank=True)

    class Meta:
        ordering = ["kind", "id"]

    def __str__(self) -> str:
        return self.name
