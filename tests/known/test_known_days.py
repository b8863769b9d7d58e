"""Days planned and led through by fixed dice: plans, run sheets, leads, timers, probes."""

from __future__ import annotations

import random
from collections.abc import Iterator
from dataclasses import fields, is_dataclass
from datetime import UTC, datetime, timedelta
from enum import Enum
from typing import Any

import pytest

from entremet.core.learning.entries import HowDone, Logged
from entremet.core.learning.model import learn
from entremet.core.learning.words import shift_words
from entremet.core.probing.faults import air_off, probed
from entremet.core.running.events import Event, EventKind
from entremet.core.running.forecast import forecast
from entremet.core.running.from_cakes import sheet_of
from entremet.core.running.lead import lead_of, overdue
from entremet.core.running.paces import paces_of
from entremet.core.running.pouring import pans_to_fill
from entremet.core.running.rescue import rescues_of
from entremet.core.running.sheet import DayStep
from entremet.core.running.state import state_of
from entremet.core.running.timers import timers_of
from entremet.core.timetable.keeps import cake_keeps, keeps_findings
from entremet.core.timetable.plan_days import quick_plan
from entremet.core.work.ids import CakeId, WorkId, WorkKind
from tests.core.probing.test_probing import bake as watched
from tests.core.probing.test_probing import curve
from tests.core.timetable.days import SATURDAY, cake, means, tasks
from tests.known.test_known_answers import held_against, parts_of

CHOSEN: list[dict[str, Any]] = [
    {}, {"drip": True}, {"rolled": True}, {"border": None}, {"soak": 0.2}, {"glaze": True}]
KINDS = [EventKind.DONE] * 8 + [EventKind.NOT_YET, EventKind.TOO_DARK, EventKind.TURNED,
                                EventKind.COVERED, EventKind.HELD, EventKind.UNDO, EventKind.LATE]


def plain(value: Any) -> Any:
    """Return a value of the core as JSON has it."""
    match value:
        case Enum():
            return value.value
        case datetime():
            return value.isoformat()
        case WorkId() | CakeId():
            return value.text
        case DayStep():
            return told(value)
        case _ if is_dataclass(value) and not isinstance(value, type):
            return {one.name: plain(getattr(value, one.name)) for one in fields(value)
                    if one.name not in ("plan", "finish", "sheet")}
        case dict():
            return {str(plain(key)): plain(one) for key, one in value.items()}
        case list() | tuple() | set() | frozenset():
            return [plain(one) for one in value]
        case _:
            return value


def told(step: DayStep) -> dict[str, Any]:
    """Return a step with what the baker is told of it."""
    kept = {one.name: plain(getattr(step, one.name)) for one in fields(step) if one.name != "work"}
    return {**kept, "key": step.id.text, "cake": "" if step.id.cake is None else step.id.cake.text,
            "order": step.work.order,
            "kind": step.kind.value, "words": step.words, "minutes": step.minutes,
            "waits": [{"key": one.on.text, "least_min": one.least_min, "most_min": one.most_min,
                       "why": one.why} for one in step.waits]}


def some_cakes(dice: random.Random) -> list[Any]:
    found = []
    for place in range(dice.choice([1, 2, 3])):
        chosen = {key: value for key, value in dice.choice(CHOSEN).items() if value is not None}
        found.append(cake(f"Order {place}", SATURDAY + timedelta(minutes=dice.choice([0, 75, 240])),
                          width=dice.choice([15, 18, 20, 23]), count=dice.choice([1, 2, 3]),
                          inscription=dice.choice(["", "Maud"]), **chosen))
    return found


@pytest.mark.parametrize("part", parts_of(4, 2))
def test_days_as_they_are_planned(part: int) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for number in range(part, 24, 4):
            dice = random.Random(number)
            cakes = some_cakes(dice)
            table = quick_plan(tasks(*cakes), means(
                dice.choice([1, 2, 3]), ovens=dice.choice([1, 1, 2]), hands=dice.choice([1, 1, 2])),
                {})
            yield f"day {number}", {
                "placed": {one.task.id.text: (one.start, one.oven) for one in table.placed},
                "left": [one.text for one in table.left_out], "cost": table.cost,
                "findings": plain(table.findings),
                "keeps": plain(cake_keeps(cakes, table)),
                "late": plain(keeps_findings(cake_keeps(cakes, table)))}

    held_against(f"planned-{part}", asked())


@pytest.mark.parametrize("part", parts_of(4, 2))
def test_days_as_they_are_led_through(part: int) -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for number in range(part, 12, 4):
            dice = random.Random(100 + number)
            cakes = some_cakes(dice)
            placed = quick_plan(tasks(*cakes), means(3), {}).placed if number % 3 else ()
            sheet = sheet_of(f"Day {number}", cakes, placed=placed)
            yield f"sheet {number}", {one.id.text: plain(one) for one in sheet.steps}
            yield f"walk {number}", {f"{at:03}": one for at, one in enumerate(walk(sheet, dice))}

    held_against(f"led-{part}", asked())


def walk(sheet: Any, dice: random.Random) -> Iterator[dict[str, Any]]:
    """Tick through a day as somebody might, and tell what it says after each tick."""
    at = datetime(2026, 11, 27, 8, tzinfo=UTC)
    events: list[Event] = []
    for number in range(40):
        at += timedelta(minutes=dice.choice([0.5, 2, 5, 12, 30]))
        day = state_of(sheet, events, at)
        lead = lead_of(day)
        yield {"lead": plain(lead), "timers": plain(timers_of(day)), "paces": paces_of(day),
               "forecast": plain(forecast(sheet, day)), "late": plain(overdue(day))}
        step = getattr(lead, "step", None) or dice.choice(sheet.steps)
        key = step.id.text
        kind = dice.choice(KINDS)
        if kind is EventKind.DONE and "/bake" in key and dice.random() < 0.6:
            kind = EventKind.PUT_IN
        if kind is EventKind.UNDO and events:
            key = events[-1].id
        events.append(Event(id=f"t{number}", kind=kind, step="" if kind is EventKind.LATE else key,
                            at=at, amount=10.0 if kind is EventKind.LATE else 0.0))


def test_what_bakes_teach_and_a_probe_says() -> None:
    def asked() -> Iterator[tuple[str, Any]]:
        for number in range(6):
            dice = random.Random(number)
            entries = [Logged(
                oven=dice.choice("ab"), recipe=dice.choice("rst"), pan=dice.choice("pq"),
                expected_min=dice.choice([20, 35, 60]), minutes=dice.choice([18, 24, 38, 70]),
                how=dice.choice(list(HowDone)), apart=dice.choice([0.0, 0.4, -0.3]),
                timed=dice.random() < 0.7, kind=dice.choice(["fan", "gas"]),
                kind_changes=dice.random() < 0.3) for _ in range(dice.choice([1, 5, 14]))]
            learnt = learn(entries)
            yield f"learnt {number}", {
                "said": [plain(learnt.predict(one)) for one in entries], "odd": list(learnt.odd),
                "words": [shift_words(kind, key, *learnt.of(kind, key))
                          for kind, key in (("oven", "a"), ("recipe", "r"), ("pan", "p"))]}
        for minutes in (5, 12, 20, 30, 45):
            seen = curve(watched(), 40.0, until=minutes)
            yield f"probe {minutes}", {
                "told": plain(probed(watched(), seen, now_min=minutes)),
                "air": plain(air_off(watched(), seen))}
        yield "rescues", {kind.value: plain(rescues_of(kind)) for kind in WorkKind
                          if kind is not WorkKind.OUT}
        yield "pours", [plain(pans_to_fill([], {}))]

    held_against("taught", asked())
