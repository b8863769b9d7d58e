"""The larder of leftovers: what is left, how long it keeps, which recipes would take it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from django.db import transaction
from django.utils import timezone

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.keeping.leftovers import (
    LeftoverKind,
    Stands,
    keeps_until,
    leftover_kind,
    usual_place,
)
from entremet.kitchen.actions.labels import today
from entremet.kitchen.actions.versions import next_version
from entremet.kitchen.errors import NotHere
from entremet.kitchen.models import Day, Leftover, Recipe

MOST_RECIPES = 3
MOST_LEFTOVERS = 500


@dataclass(frozen=True, slots=True, kw_only=True)
class Kept:
    """A leftover with how long it keeps where it stands.

    Parameters
    ----------
    row : Leftover
        As stored.
    kind : LeftoverKind
        What it is.
    until : date or None
        Its last day; None where nobody knows since when, or it does not keep there.
    left : int or None
        Days left; below 0 it is past them.
    words : str
        The rule, or what to do.
    recipes : tuple of (int, str)
        Recipes that would take it.
    """

    row: Leftover
    kind: LeftoverKind
    until: date | None
    left: int | None
    words: str
    recipes: tuple[tuple[int, str], ...]


def leftovers() -> list[Kept]:
    """Return what is left over, what has to go first at the head."""
    now = today()
    found = [kept(row, now) for row in Leftover.objects.filter(gone_at=None)]
    return sorted(found, key=lambda one: (one.left is None, one.left or 0, one.row.pk))


def kept(row: Leftover, now: date) -> Kept:
    """Return a leftover with how long it keeps."""
    kind = leftover_kind(row.name)
    rule = None if row.since is None else keeps_until(kind, Stands(row.stands), row.since)
    words = " ".join(filter(None, (
        "Nobody knows since when: if in doubt, throw it away." if row.since is None else
        f"It does not keep {row.stands}." if rule is None else rule[1].note + ".", kind.note)))
    until = None if rule is None else rule[0]
    return Kept(row=row, kind=kind, until=until, words=words, recipes=wanted_by(row.name, kind),
                left=None if until is None else (until - now).days)


def wanted_by(name: str, kind: LeftoverKind) -> tuple[tuple[int, str], ...]:
    """Return recipes of the kitchen that would take a leftover."""
    rows = Recipe.objects.in_use().found_by(kind.search or name)
    return tuple(rows.values_list("pk", "title")[:MOST_RECIPES])


def taking_leftovers() -> dict[int, list[str]]:
    """Return by id of a recipe which leftovers it would take."""
    found: dict[int, list[str]] = {}
    for row in Leftover.objects.filter(gone_at=None):
        search = leftover_kind(row.name).search or row.name
        for pk in Recipe.objects.in_use().found_by(search).values_list("pk", flat=True):
            found.setdefault(pk, []).append(row.name)
    return found


@transaction.atomic
def add_leftover(name: str, *, g: float, since: date | None = None, stands: str = "",
                 day: Day | None = None) -> Leftover:
    """Put something left over into the larder; where and since when is usual and today.

    Raises
    ------
    ImpossibleChoice
        For an amount that is none, or too many.
    """
    kind = leftover_kind(name)
    if Leftover.objects.filter(gone_at=None).count() >= MOST_LEFTOVERS:
        raise ImpossibleChoice(f"The larder holds {MOST_LEFTOVERS} leftovers at most.",
                               field="name")
    row = Leftover(name=name.strip(), g=g, since=since or today(), day=day,
                   stands=stands or usual_place(kind).value)
    _check(row)
    row.save()
    return row


@transaction.atomic
def change_leftover(leftover_id: int, *, base: int, g: float, since: date | None,
                    stands: str) -> Leftover:
    """Change how much is left, since when, or where it stands.

    Raises
    ------
    NotHere
        When there is none of that id.
    EditedMeanwhile
        When it was changed since it was read.
    ImpossibleChoice
        For an amount that is none.
    """
    row = leftover_row(leftover_id)
    next_version(row, base=base, name="This leftover")
    row.g, row.since, row.stands = g, since, stands
    _check(row)
    row.save()
    return row


@transaction.atomic
def use_up(leftover_id: int, *, gone: bool) -> Leftover:
    """Say that a leftover is gone, or that it is there after all.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    row = leftover_row(leftover_id)
    row.gone_at = timezone.now() if gone else None
    row.save()
    return row


def leftover_row(leftover_id: int) -> Leftover:
    """Return a leftover.

    Raises
    ------
    NotHere
        When there is none of that id.
    """
    row = Leftover.objects.filter(pk=leftover_id).first()
    if row is None:
        raise NotHere("This leftover is not here.", field="leftover")
    return row


@transaction.atomic
def take_back(day: Day) -> None:
    """Take back what a day put into the larder."""
    Leftover.objects.filter(day=day).delete()


def places(kind: LeftoverKind) -> Sequence[str]:
    """Return where a kind may stand."""
    return [place.value for place in Stands if place in kind.days]


def _check(row: Leftover) -> None:
    if not 0 < row.g <= 100_000:
        raise ImpossibleChoice("There is more than 0 and at most 100 000 g of it.", field="g")
    if not row.name:
        raise ImpossibleChoice("A leftover needs a name.", field="name")
    if row.stands not in {place.value for place in Stands}:
        raise ImpossibleChoice("It stands cool, chilled or frozen.", field="stands")
