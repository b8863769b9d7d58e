"""The hours, means and rates that days are planned with."""

from __future__ import annotations

from datetime import time

from django.db import transaction

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.timetable.hours import Hours, zone
from entremet.kitchen.actions import larder
from entremet.kitchen.actions.versions import next_version
from entremet.kitchen.models import Workday

DAYS_OF_A_WEEK = 7


def workday() -> Workday:
    """Return the hours and rates of this kitchen; the usual ones where nobody said."""
    return Workday.objects.first() or Workday(id=1, opens=time(7), closes=time(21))


def week_of(day: Workday) -> dict[int, Hours | None]:
    """Return the hours of a day's own by day of the week, Monday 0; None where nobody works."""
    return {int(number): None if own is None else Hours(
        opens=time.fromisoformat(own["opens"]), closes=time.fromisoformat(own["closes"]))
        for number, own in day.week.items()}


@transaction.atomic
def put_workday(choice: Workday, *, base: int) -> Workday:
    """Keep the hours, means and rates of the kitchen.

    Raises
    ------
    ImpossibleChoice
        For hours, a zone or rates that are none.
    EditedMeanwhile
        When they were changed since they were read.
    """
    zone(choice.zone)
    larder.rates_of(choice)
    Hours(opens=choice.opens, closes=choice.closes)
    week = week_of(choice)
    if len(week) == DAYS_OF_A_WEEK and not any(week.values()):
        raise ImpossibleChoice("On one day of the week somebody has to work.", field="week")
    if not 1 <= choice.hands <= 12:
        raise ImpossibleChoice("Hands go from 1 to 12.", field="hands")
    if not 0.5 <= choice.pace <= 3:
        raise ImpossibleChoice("The pace goes from 0.5 to 3.", field="pace")
    row = Workday.objects.first() or Workday(id=1)
    next_version(row, base=base, name="The working day")
    for field in Workday._meta.concrete_fields:
        if field.name not in ("id", "version"):
            setattr(row, field.name, getattr(choice, field.name))
    row.save()
    return row
