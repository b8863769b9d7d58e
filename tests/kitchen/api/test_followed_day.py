"""A day of three cakes followed as a baker would: every tick at its minute, every call answered.

With ENTREMET_FOLLOWED=write what was seen is written down for people to read.
"""

from __future__ import annotations

import os
import re
from collections import Counter
from datetime import UTC, datetime, timedelta
from pathlib import Path
from zoneinfo import ZoneInfo

import pytest
import time_machine

DOC = Path(__file__).resolve().parents[3] / "docs/a-day-followed.md"
FRIDAY, DUE = datetime(2027, 3, 19, 7, tzinfo=UTC), datetime(2027, 3, 20, 10, tzinfo=UTC)
MOST_TURNS = 400
BATTER = ("mix", "fill")
"""What is not left for a call: batter in the bowl waits for nobody."""


@pytest.fixture
def three(ordered, pan_id, recipe_id):
    """A layer cake that is driven, a ring, 24 cupcakes, all for Saturday at ten."""
    return [ordered("Harvest supper", due=DUE, drive_min=20),
            ordered("Choir tea", due=DUE, recipe="pear-ring", pan="fluted-ring", count=1),
            ordered("Seed swap", due=DUE, recipe="black-sesame", pan="tray-12", count=24)]


class Baker:
    """Does what leads, for as long as it takes, and answers what calls."""

    def __init__(self, post, client, clock, day):
        self.post, self.client, self.clock, self.day = post, client, clock, day
        self.rows: list[tuple[datetime, str, str]] = []
        self.ticks = 0

    @property
    def now(self) -> datetime:
        return datetime.now(tz=UTC)

    def step(self, key):
        return next(one for one in self.day["steps"] if one["key"] == key)

    def look(self):
        self.day = self.client.get(f"/api/days/{self.day['id']}").json()

    def go_to(self, moment: datetime):
        self.clock.move_to(max(moment, self.now))
        self.look()

    def tick(self, **event):
        self.ticks += 1
        answer = self.post(f"/api/days/{self.day['id']}/events", {
            "events": [{"id": f"baker-{self.ticks:05}", **event}]})
        assert answer.status_code == 200, answer.content
        self.day = answer.json()

    def minutes_to(self, moment: str) -> float:
        return (datetime.fromisoformat(moment) - self.now).total_seconds() / 60

    def calls(self) -> list[datetime]:
        return sorted(datetime.fromisoformat(one["at"]) for one in self.day["timers"]
                      if one["calls"] and datetime.fromisoformat(one["at"]) > self.now)

    def write(self, does: str):
        running = [f"{one['words'].lower()} {one['what'].partition(' · ')[0]} "
                   f"{self.minutes_to(one['at']):.0f} min"
                   for one in self.day["timers"] if one["calls"]]
        self.rows.append((self.now, does, "; ".join(running)))

    def follow(self):
        """One turn: what leads is done, or waited for. Says whether the day goes on."""
        act, lead = self.day["act"], self.day["lead"]
        if act == "end":
            self.write("all done")
            return False
        if act == "wait":
            ready = [datetime.fromisoformat(one["ready_at"]) for one in self.day["steps"]
                     if one["ready_at"]]
            coming = sorted([*self.calls(), *(one for one in ready if one > self.now)])
            assert coming, "nothing leads, nothing calls, and the day is not over"
            self.write(f"nothing for hands until {coming[0]:%H:%M}")
            self.go_to(coming[0] + timedelta(seconds=1))
            return True
        step = self.step(lead)
        planned = None if step["planned"] is None else datetime.fromisoformat(step["planned"])
        if act == "do" and planned is not None and planned > self.now + timedelta(minutes=10):
            # Not before its time: what is weighed today for tomorrow waits for its own day.
            stop = min([planned, *self.calls()])
            self.write(f"free until {stop:%a %H:%M}")
            self.go_to(stop + timedelta(seconds=1))
            return True
        if act == "look":
            self.answer(step)
            return True
        self.write(step["words"] + (f" ({step['sign']})" if step["sign"] else ""))
        if act == "put_in":
            self.tick(kind="put_in", step=lead)
            return True
        over = self.now + timedelta(minutes=max(1, round(step["minutes"])))
        if step["kind"] not in BATTER:
            # A call in the middle of it is answered first; what was begun goes on after.
            coming = [one for one in self.calls() if one < over]
            if coming:
                self.go_to(coming[0] + timedelta(seconds=1))
                if self.day["act"] in ("look", "turn_out", "put_in"):
                    return True
        self.go_to(over)
        self.tick(kind="done", step=lead)
        return True

    def answer(self, step):
        """Look in: what is likely done comes out, the rest has a little longer."""
        bake = step["bake"]
        if bake["turn_min"] is not None and not bake["turned"]:
            self.tick(kind="turned", step=step["key"])
        since = (self.now - datetime.fromisoformat(step["started"])).total_seconds() / 60
        rows = [one for one in bake["rows"] if not one["out"]]
        ripe = [one for one in rows if since >= one["likely_min"] - 0.5]
        if rows and ripe and len(ripe) < len(rows):
            self.write(f"look: {ripe[0]['label']} out")
            self.tick(kind="out", step=step["key"], place=ripe[0]["row"])
        elif since >= bake["likely_min"] - 0.5:
            self.write(f"look: {step['words']}: done, out it comes")
            self.tick(kind="done", step=step["key"])
        else:
            self.write(f"look: {step['words']}: not yet, {since:.0f} min in")
            self.tick(kind="not_yet", step=step["key"])


def test_three_cakes_followed_minute_by_minute_are_ready_in_time(three, post, client):
    with time_machine.travel(FRIDAY, tick=False) as clock:
        plan = post("/api/plan", {"orders": [one["id"] for one in three]}).json()
        assert plan["left_out"] == []
        started = post("/api/days", {"orders": [one["id"] for one in three]})
        assert started.status_code == 201, started.content
        baker = Baker(post, client, clock, started.json())
        turns = 0
        while baker.follow():
            turns += 1
            assert turns < MOST_TURNS, baker.rows[-5:]
        day = baker.day
    if os.environ.get("ENTREMET_FOLLOWED") == "write":
        write_down(baker)
    # Nothing is late, and nothing was asked for twice.
    for one in day["expected"]:
        assert one["late_min"] <= 0, one
    done = Counter(does for _, does, _ in baker.rows if does.startswith(("Mix", "Fill", "Box")))
    assert {words: times for words, times in done.items() if times > 1} == {}
    # No bake was past its latest minute, no batter waited longer than it may.
    for step in day["steps"]:
        if step["kind"] == "bake":
            took = (datetime.fromisoformat(step["ended"])
                    - datetime.fromisoformat(step["started"])).total_seconds() / 60
            assert took <= step["bake"]["latest_min"] + 1, step["words"]
    # Nobody gets up for it: all that hands do lies in the hours of the kitchen.
    for moment, does, _ in baker.rows:
        if not does.startswith(("free", "nothing")):
            assert 7 <= moment.astimezone(ZoneInfo(day["zone"])).hour <= 21, (moment, does)
    # What was cold last night is no call this morning.
    over = [int(one) for _, _, running in baker.rows
            for one in re.findall(r"Cools -(\d+) min", running)]
    assert max(over) <= 60
    assert all(step["stand"] in ("done", "over") for step in day["steps"])


def write_down(baker: Baker):
    zone = ZoneInfo(baker.day["zone"])
    lines, before = [], ""
    for moment, does, running in baker.rows:
        at = moment.astimezone(zone)
        if f"{at:%A}" != before:
            before = f"{at:%A}"
            lines += ["", f"## {before}", "", "| at | what leads | what runs |", "|---|---|---|"]
        lines.append(f"| {at:%H:%M} | {does.replace(chr(0xe000), ' ')} | {running} |")
    DOC.write_text("\n".join([
        "# A day followed", "",
        "Three orders of the demo's cards for Saturday at ten: a plum layer cake that is driven",
        "for twenty minutes, a pear ring and 24 cupcakes. One pair of hands, one oven. Each row",
        "is what the run sheet asked for at that minute, done for as long as it is planned; every",
        "look is answered as a baker would. Written by `tests/kitchen/api/test_followed_day.py`.",
        *lines, ""]), "utf-8")
