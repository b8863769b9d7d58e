"""The hours, means and rates that days are planned with."""

from __future__ import annotations

from datetime import datetime, time
from typing import Literal
from zoneinfo import ZoneInfo

from django.db import transaction

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import cm
from entremet.core.timetable.hours import Hours, zone
from entremet.kitchen.actions import larder
from entremet.kitchen.actions.versions import next_version
from entremet.kitchen.models import Order, TaskFix, Workday

DAYS_OF_A_WEEK = 7

LEAST_SHELF_CM, MOST_SHELF_CM = 5.0, 200.0
"""Clear height over a place of a fridge that is believed."""

Due = Literal["moment", "hour"]
"""What stays of an order's due time when the kitchen's clock is another one."""


def workday() -> Workday:
    """Return the hours and rates of this kitchen; the usual ones where nobody said."""
    return Workday.objects.first() or Workday(id=1, opens=time(7), closes=time(21))


def week_of(day: Workday) -> dict[int, Hours | None]:
    """Return the hours of a day's own by day of the week, Monday 0; None where nobody works."""
    return {int(number): None if own is None else Hours(
        opens=time.fromisoformat(own["opens"]), closes=time.fromisoformat(own["closes"]))
        for number, own in day.week.items()}


@transaction.atomic
def put_workday(choice: Workday, *, base: int, due: Due = "moment") -> Workday:
    """Keep the hours, means and rates of the kitchen.

    With another clock, open orders stay due at the same moment, or at the same hour of the new
    clock, with what of their days was put somewhere.

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
    if choice.shelf_cm is not None and not LEAST_SHELF_CM <= choice.shelf_cm <= MOST_SHELF_CM:
        raise ImpossibleChoice(f"Over a place of the fridge are {cm(LEAST_SHELF_CM)} to "
                               f"{cm(MOST_SHELF_CM)}.", field="shelf_cm")
    if not 0 <= choice.high_places <= choice.boards:
        raise ImpossibleChoice("Higher places are some of all places of the fridge.",
                               field="high_places")
    if not 0.5 <= choice.pace <= 3:
        raise ImpossibleChoice("The pace goes from 0.5 to 3.", field="pace")
    row = Workday.objects.first() or Workday(id=1)
    if due == "hour" and row.zone != choice.zone:
        _keep_hours(zone(row.zone), zone(choice.zone))
    next_version(row, base=base, name="The working day")
    for field in Workday._meta.concrete_fields:
        if field.name not in ("id", "version"):
            setattr(row, field.name, getattr(choice, field.name))
    row.save()
    return row


def _keep_hours(old: ZoneInfo, new: ZoneInfo) -> None:
    """Let open orders be due at the hour that they were, by a new clock."""
    def moved(moment: datetime) -> datetime:
        return moment.astimezone(old).replace(tzinfo=new)

    for order in Order.objects.filter(done=False):
        order.due = moved(order.due)
        order.version += 1
        order.save(update_fields=["due", "version"])
    # What was done was done at its moment.
    for fix in TaskFix.objects.filter(done=False):
        fix.start = moved(fix.start)
        fix.save(update_fields=["start"])
