"""What the logbook of this kitchen taught: learnt from all of its entries, kept while they stay.

Everything is recomputed from what is logged, so that an entry that was mended or taken away is
really gone. What was set back is learnt from later entries alone.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Hashable, Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass
from datetime import datetime
from threading import Lock
from typing import Any

from django.db import connection, transaction
from django.db.models import Count, Max, Q, Sum

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.learning.book import Book, with_epoch
from entremet.core.learning.entries import HowDone, Logged
from entremet.core.learning.model import Learnt, learn
from entremet.core.learning.quantities import Taught, taught
from entremet.core.learning.readings import readings_of
from entremet.core.learnt.own import OF_A_RECIPE
from entremet.core.ovens.oven import Oven as CoreOven
from entremet.kitchen.actions.measured import measures_of, planned_of
from entremet.kitchen.current import once
from entremet.kitchen.errors import UNREADABLE, NotHere
from entremet.kitchen.models import Bake, Day, Oven, SetBack

TIMES = ("oven", "recipe", "pan")
"""What times are learnt of, and can be set back; beside them the quantities."""

READINGS = ("height_cm", "weight_g", "oven_read_c", "hot_after_min", "batter_g_dl", "bowl_loss")
"""What is measured of a bake and teaches a number."""

FIELDS = ("id", "oven_key", "recipe_key", "pan_key", "kind", "kind_changes", "timed", "half_range",
          "apart", "model_min", "minutes", "how", "counted", "logged_at", "baked_at")


@dataclass(frozen=True, slots=True, kw_only=True)
class Lessons:
    """All that was learnt.

    Parameters
    ----------
    learnt : Learnt
        Of times.
    ids : tuple of int
        Of the bakes behind ``learnt.entries``, by when they were baked.
    epochs : mapping of (str, str) to int
        By kind and key, how often it was set back.
    readings : mapping of (str, str) to tuple of float
        Of quantities, by name and whose.
    """

    learnt: Learnt
    ids: tuple[int, ...]
    epochs: Mapping[tuple[str, str], int]
    readings: Mapping[tuple[str, str], tuple[float, ...]]

    def key(self, kind: str, key: str) -> str:
        """Return the key something is learnt by now: what was set back begins anew."""
        return with_epoch(key, self.epochs.get((kind, key), 0))

    def of(self, quantity: str, whose: str = "") -> Taught:
        """Return what readings taught of a quantity."""
        return taught(quantity, self.readings.get((quantity, whose), ()))

    def about(self, whose: int | None) -> Callable[[str], Taught]:
        """Return what readings taught of a row's quantities, by their names."""
        return lambda quantity: self.of(quantity, "" if whose is None else str(whose))


_lock = Lock()
_kept: dict[str, tuple[Hashable, Lessons]] = {}


def lessons() -> Lessons:
    """Return all that was learnt, anew only when the logbook changed."""
    return once("lessons", _lessons)


def _lessons() -> Lessons:
    stamp = _stamp()
    name = str(connection.settings_dict["NAME"])
    with _lock:
        kept = _kept.get(name)
    if kept is not None and kept[0] == stamp:
        return kept[1]
    found = _learn()
    with _lock:
        _kept[name] = (stamp, found)
    return found


def forget() -> None:
    """Forget what was learnt: the kitchen behind it is another."""
    with _lock:
        _kept.clear()


def _stamp() -> Hashable:
    bakes = Bake.objects.aggregate(Count("id"), Max("id"), Max("changed_at"), Sum("version"))
    back = SetBack.objects.aggregate(Count("id"), Max("id"), Max("at"))
    days = Day.objects.exclude(ended_at=None).aggregate(Count("id"), Max("ended_at"))
    return (*bakes.values(), *back.values(), *days.values())


def _learn() -> Lessons:
    backs: dict[tuple[str, str], list[datetime]] = {}
    for row in SetBack.objects.all():
        backs.setdefault((row.kind, row.key), []).append(row.at)
    rows = Bake.objects.in_use().exclude(recipe_key="").exclude(how="").exclude(
        counted=Bake.Counted.LEFT_OUT).order_by("baked_at", "id").values_list(*FIELDS)
    entries, ids = [], []
    for row in rows:
        # One row that cannot be read any more teaches nothing, and spoils no fit.
        with suppress(*UNREADABLE):
            entries.append(_entry(row, backs))
            ids.append(row[0])
    return Lessons(learnt=learn(entries), ids=tuple(ids),
                   epochs={key: len(times) for key, times in backs.items()},
                   readings=_readings(backs))


def _entry(row: Sequence[Any], backs: Mapping[tuple[str, str], Sequence[datetime]]) -> Logged:
    (_, oven, recipe, pan, kind, changes, timed, half_range, apart, model_min, minutes, how,
     counted, logged_at, _) = row

    def now(cause: str, key: str) -> str:
        return with_epoch(key, sum(one <= logged_at for one in backs.get((cause, key), ())))

    if not (math.isfinite(half_range) and math.isfinite(apart)):
        raise ValueError("numbers that are none")
    return Logged(
        oven=now("oven", oven), recipe=now("recipe", recipe), pan=now("pan", pan), kind=kind,
        kind_changes=changes, timed=timed, half_range=half_range, apart=apart,
        expected_min=model_min, minutes=minutes, how=HowDone(how),
        sure=counted == Bake.Counted.TRUE)


def _readings(backs: Mapping[tuple[str, str], Sequence[datetime]],
              ) -> dict[tuple[str, str], tuple[float, ...]]:
    """Return what was measured of every quantity, by whose it is, what was set back left out."""
    found: dict[tuple[str, str], list[float]] = {}

    def put(name: str, whose: str, value: float | None, at: datetime) -> None:
        since = max(backs.get((name, whose), ()), default=None)
        if value is not None and (since is None or at > since):
            found.setdefault((name, whose), []).append(value)

    for day in Day.objects.exclude(ended_at=None).only("started_at", "how"):
        with suppress(*UNREADABLE):
            for ratio in [float(one) for one in day.how.get("hands", ())]:
                put("hands", "", ratio, day.started_at)
    anything = Q()
    for name in READINGS:
        anything |= Q(**{f"{name}__isnull": False})
    rows = Bake.objects.in_use().exclude(counted=Bake.Counted.LEFT_OUT).filter(anything).only(
        "recipe_id", "oven_id", "planned", "logged_at", *READINGS)
    for row in rows.order_by("baked_at", "id"):
        put("bowl_loss", "", row.bowl_loss, row.logged_at)
        said = readings_of(planned_of(row.planned), measures_of(
            {name: getattr(row, name) for name in READINGS}))
        for name, value in said.items():
            whose = row.recipe_id if name in OF_A_RECIPE else row.oven_id
            if whose is not None:
                put(name, str(whose), value, row.logged_at)
    return {key: tuple(values) for key, values in found.items()}


def oven_key(row: Oven | None, oven: CoreOven) -> str:
    """Return what an oven is learnt by: another kind or another correction of its dial is new."""
    return "" if row is None else f"oven:{row.pk}:{oven.kind.value}:{oven.dial_off_c:g}"


def recipe_key(recipe_id: int) -> str:
    """Return what a recipe is learnt by; the core adds what its time rests on."""
    return f"recipe:{recipe_id}"


def book_for(found: Lessons, oven: str, recipe_id: int) -> Book:
    """Return the logbook opened at an oven and a recipe."""
    return Book(learnt=found.learnt, oven=oven, recipe=recipe_key(recipe_id),
                epochs=found.epochs)


@transaction.atomic
def set_back(kind: str, key: str, *, now: datetime) -> None:
    """Set something learnt back to the book's value: it is learnt anew from what comes.

    Raises
    ------
    ImpossibleChoice
        When nothing was learnt of it.
    """
    there = (Bake.objects.in_use().filter(**{f"{kind}_key": key}).exclude(recipe_key="").exists()
             if kind in TIMES else (kind, key) in lessons().readings)
    if (not key and kind in TIMES) or not there:
        raise ImpossibleChoice("Nothing was learnt of that, so there is nothing to set back.",
                               field="key")
    SetBack.objects.create(kind=kind, key=key, at=now)


@transaction.atomic
def count_again(kind: str, key: str) -> None:
    """Take the last setting back of something back: its earlier entries count again.

    Raises
    ------
    NotHere
        When it was not set back.
    """
    last = SetBack.objects.filter(kind=kind, key=key).last()
    if last is None:
        raise NotHere("This was not set back.", field="key")
    last.delete()
