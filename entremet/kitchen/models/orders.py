"""Orders with their cakes, the work day they are planned for, and what the larder holds."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from entremet.core.keeping.leftovers import Stands
from entremet.kitchen.models.choices import choices_of, one_of
from entremet.kitchen.models.recipes import Recipe
from entremet.kitchen.models.running import Day


class Order(models.Model):
    """What somebody wants by when. Nothing about the customer but a short name of the order.

    ``price`` is what was agreed for all of it, in the kitchen's currency. ``used`` has, by
    ingredient, the grams that it took out of the larder when it was done; nothing until then.
    """

    title = models.CharField(max_length=80, unique=True)
    due = models.DateTimeField()
    occasion = models.CharField(max_length=80, blank=True)
    note = models.CharField(max_length=1000, blank=True)
    carried_in = models.CharField(max_length=80, blank=True)
    sold = models.BooleanField(default=False)
    drive_min = models.PositiveSmallIntegerField(default=0)
    done = models.BooleanField(default=False)
    price = models.FloatField(null=True, blank=True)
    used = models.JSONField(null=True, blank=True)
    version = models.PositiveIntegerField(default=1)

    class Meta:
        ordering = ["due", "id"]
        constraints = [models.CheckConstraint(condition=Q(drive_min__lte=600),
                                              name="order_drive_plausible")]

    def __str__(self) -> str:
        return self.title


class OrderCake(models.Model):
    """A cake of an order: a fit with its finish as it was chosen, of one revision of its card."""

    order = models.ForeignKey(Order, on_delete=models.CASCADE, related_name="cakes")
    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="ordered")
    label = models.CharField(max_length=120)
    request = models.JSONField()
    request_version = models.PositiveSmallIntegerField(default=1)
    pans = models.JSONField(default=dict, blank=True)
    count = models.PositiveSmallIntegerField(default=1)
    inscription = models.CharField(max_length=120, blank=True)
    spelling_confirmed = models.BooleanField(default=False)
    position = models.PositiveSmallIntegerField(default=0)

    class Meta:
        ordering = ["position", "id"]
        constraints = [models.CheckConstraint(condition=Q(count__gte=1, count__lte=50),
                                              name="order_cake_count_plausible")]

    def __str__(self) -> str:
        return self.label


class Workday(models.Model):
    """The hours and means that days are planned with, and what the kitchen pays and asks.

    ``week`` has, by day of the week from "0" for Monday, hours of its own or null where nobody
    works; a day that is not there has the usual ones. ``shelf_cm`` is the clear height over a place
    of the fridge, and ``high_places`` how many of them have none over them that a cake would touch.
    """

    zone = models.CharField(max_length=60, default="UTC")
    opens = models.TimeField(default="07:00")
    closes = models.TimeField(default="21:00")
    week = models.JSONField(default=dict, blank=True)
    hands = models.PositiveSmallIntegerField(default=1)
    boards = models.PositiveSmallIntegerField(default=6)
    shelf_cm = models.FloatField(null=True, blank=True)
    high_places = models.PositiveSmallIntegerField(default=1)
    pace = models.FloatField(default=1.0)
    currency = models.CharField(max_length=8, default="€")
    wage = models.FloatField(default=0.0)
    kwh = models.FloatField(default=0.0)
    kw = models.FloatField(null=True, blank=True)
    packaging = models.FloatField(default=0.0)
    fixed = models.FloatField(default=0.0)
    margin = models.FloatField(default=0.0)
    portion = models.FloatField(null=True, blank=True)
    rounding = models.FloatField(default=0.5)
    version = models.PositiveIntegerField(default=1)

    class Meta:
        constraints = [
            models.CheckConstraint(condition=Q(id=1), name="one_workday"),
            models.CheckConstraint(condition=Q(pace__gte=0.5, pace__lte=3),
                                   name="workday_pace_plausible")]

    def __str__(self) -> str:
        return f"{self.opens} to {self.closes}"


class TaskFix(models.Model):
    """A task of a plan that the baker put somewhere, or did; its key names order, cake and task."""

    key = models.CharField(max_length=120, unique=True)
    order = models.ForeignKey(Order, on_delete=models.CASCADE, related_name="fixes")
    start = models.DateTimeField()
    oven = models.ForeignKey("Oven", on_delete=models.SET_NULL, null=True, blank=True)
    done = models.BooleanField(default=False)

    def __str__(self) -> str:
        return self.key


class StockRow(models.Model):
    """What the larder says of an ingredient: what is there, packs it comes in, where from."""

    key = models.CharField(max_length=120, unique=True)
    name = models.CharField(max_length=120)
    have_g = models.FloatField(default=0.0)
    packs = models.JSONField(default=list, blank=True)
    where = models.CharField(max_length=80, blank=True)

    class Meta:
        ordering = ["name", "id"]
        constraints = [models.CheckConstraint(condition=Q(have_g__gte=0), name="stock_not_below_0")]

    def __str__(self) -> str:
        return self.name


class Leftover(models.Model):
    """Something left over: how much, since when, where it stands.

    ``since`` is empty where nobody knows since when.
    """

    name = models.CharField(max_length=120)
    g = models.FloatField()
    since = models.DateField(null=True, blank=True)
    stands = models.CharField(max_length=8, choices=choices_of(Stands))
    day = models.ForeignKey(Day, null=True, on_delete=models.SET_NULL, related_name="leftovers")
    gone_at = models.DateTimeField(null=True, blank=True)
    version = models.PositiveIntegerField(default=1)

    class Meta:
        ordering = ["since", "id"]
        constraints = [
            models.CheckConstraint(condition=Q(g__gt=0), name="leftover_is_some"),
            models.CheckConstraint(condition=one_of("stands", Stands),
                                   name="leftover_stands_somewhere")]

    def __str__(self) -> str:
        return self.name
