"""A plan and a shopping list in open formats: iCalendar with alarms, CSV, plain text."""

from __future__ import annotations

import csv
import io
from datetime import timedelta

from icalendar import Alarm, Calendar, Event

from entremet.core.work.ids import WorkKind
from entremet.kitchen.api.schemas.orders import PlanOut, ShoppingOut

REMINDED = frozenset({WorkKind.TAKE_OUT, WorkKind.HEAT, WorkKind.BAKE, WorkKind.OUT, WorkKind.CHILL,
                      WorkKind.BOX, WorkKind.DRIVE})
"""Tasks that ring five minutes before."""

REMIND_MIN = 5


def plan_calendar(plan: PlanOut) -> str:
    """Return a plan as iCalendar; what must not be missed has an alarm."""
    calendar = Calendar()
    calendar.add("prodid", "-//Entremet//Timetable//EN")
    calendar.add("version", "2.0")
    for task in plan.tasks:
        event = Event()
        event.add("uid", f"{task.key}@entremet")
        event.add("dtstamp", task.start)
        event.add("dtstart", task.start)
        event.add("dtend", task.end)
        event.add("summary", task.words)
        event.add("description", "\n".join([task.why, *task.waits]).strip())
        event.add("categories", [task.lane.value, task.order])
        if task.kind in REMINDED:
            alarm = Alarm()
            alarm.add("action", "DISPLAY")
            alarm.add("description", task.words)
            alarm.add("trigger", timedelta(minutes=-REMIND_MIN))
            event.add_component(alarm)
        calendar.add_component(event)
    text: bytes = calendar.to_ical()
    return text.decode("utf-8")


def plan_csv(plan: PlanOut) -> str:
    """Return a plan as CSV, a row for each task."""
    held = io.StringIO()
    rows = csv.writer(held)
    rows.writerow(["start", "end", "lane", "oven", "order", "task", "minutes", "why"])
    for task in plan.tasks:
        rows.writerow([task.start.isoformat(), task.end.isoformat(), task.lane.value,
                       task.oven or "", _plain(task.order), _plain(task.words), task.minutes,
                       _plain(task.why)])
    return held.getvalue()


def shopping_csv(shopping: ShoppingOut) -> str:
    """Return a shopping list as CSV."""
    held = io.StringIO()
    rows = csv.writer(held)
    rows.writerow(["where", "ingredient", "needed_g", "have_g", "buy_g", "pieces", "packs",
                   "left_g", "price"])
    for one in shopping.rows:
        rows.writerow([
            _plain(one.where), _plain(one.name), _grams(one.needed_g), _grams(one.have_g),
            _grams(one.buy_g), "" if one.pieces is None else one.pieces,
            " + ".join(f"{pack.count} x {pack.g:g} g" for pack in one.packs), _grams(one.left_g),
            "" if one.price is None else f"{one.price:.2f}"])
    for thing in shopping.things:
        rows.writerow(["", thing.name, "", "", "", thing.count, "", "", ""])
    return held.getvalue()


def shopping_text(shopping: ShoppingOut) -> str:
    """Return a shopping list as plain text, by where it is bought."""
    lines: list[str] = []
    place: str | None = None
    for one in shopping.rows:
        if not one.buy_g and one.needed_g is not None:
            continue
        if one.where != place:
            place = one.where
            lines += ["", place or "Anywhere"]
        amount = f"{one.pieces}" if one.pieces is not None else (
            "as needed" if one.buy_g is None else f"{one.buy_g:.0f} g")
        packs = " + ".join(f"{pack.count} x {pack.g:g} g" for pack in one.packs)
        raw = f", raw weight: the card weighs it {one.raw}" if one.raw else ""
        lines.append(f"[ ] {one.name}: {amount}{f' ({packs})' if packs else ''}{raw}")
    if shopping.things:
        lines += ["", "Boards and boxes", *(f"[ ] {one.count} x {one.name}"
                                            for one in shopping.things)]
    return "\n".join(lines).strip() + "\n"


def _grams(value: float | None) -> str:
    return "" if value is None else f"{value:.0f}"


def _plain(text: str) -> str:
    """Return a cell that no spreadsheet takes for a formula."""
    return f"'{text}" if text[:1] in ("=", "+", "-", "@", "\t", "\r") else text
