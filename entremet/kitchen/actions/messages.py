"""A message from a phone becomes an order that is still to be settled."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime, time

from entremet.core.reading.messages import HOUR, MessageRead, read_message
from entremet.core.timetable.hours import zone
from entremet.kitchen.actions.workdays import workday
from entremet.kitchen.models import Recipe

USUAL_HOUR = time(10)
"""When an order is due of which only the day is said; told as assumed."""


@dataclass(frozen=True, slots=True, kw_only=True)
class OrderInMessage:
    """What a message says, as this kitchen takes it.

    Parameters
    ----------
    read : MessageRead
        What it says.
    due : datetime or None
        Day and hour on the kitchen's clock; None without a day.
    title : str
        Of its recipe; empty for none.
    questions : tuple of str
        What was taken for something, then what it does not say.
    """

    read: MessageRead
    due: datetime | None
    title: str
    questions: tuple[str, ...]


def order_in(text: str, *, now: datetime) -> OrderInMessage:
    """Read a message by the recipes and the clock of this kitchen; nothing is kept."""
    where = zone(workday().zone)
    titles = dict(Recipe.objects.filter(archived_at=None).values_list("pk", "title"))
    read = read_message(text, today=now.astimezone(where).date(), titles=titles)
    due = None if read.day is None else datetime.combine(
        read.day, read.clock or USUAL_HOUR, tzinfo=where).astimezone(UTC)
    usual = f"At what hour? {USUAL_HOUR.strftime('%H:%M')} is assumed."
    asked = [usual if one == HOUR and due is not None else one for one in read.asked]
    return OrderInMessage(
        read=read, due=due, title="" if read.recipe is None else titles[read.recipe],
        questions=(*read.assumed, *asked))
