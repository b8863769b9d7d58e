"""A meal in a long day, and a search that is watched and stopped."""

from __future__ import annotations

from datetime import UTC, datetime, time

import pytest

from entremet.core.timetable import solver
from entremet.core.timetable.checker import broken
from entremet.core.timetable.meals import LONG_DAY_MIN
from entremet.core.timetable.plan_days import first_plan, quick_plan
from entremet.core.timetable.solver import better_plan
from entremet.core.work.ids import CakeId, WorkKind
from entremet.core.work.work import Lane, Work
from tests.core.timetable.days import bare, cake, means, tasks

NOON = datetime(2026, 11, 28, 12, tzinfo=UTC)
EVENING = datetime(2026, 11, 28, 19, tzinfo=UTC)


def meals(table):
    return [one for one in table.placed if one.task.kind is WorkKind.MEAL]


@pytest.mark.parametrize("hands", [1, 2])
def test_a_long_day_has_a_meal_for_each_pair_of_hands_within_six_hours(hands):
    made = tasks(cake("One", due=NOON), cake("Two", due=EVENING, width=23))
    kitchen = means(days=1, hands=hands, ovens=2, opens=time(4))
    table = first_plan(made, kitchen)
    work = [one for one in table.placed if one.task.id.cake and one.task.lane is Lane.HANDS]
    assert len(meals(table)) == hands
    assert table.left_out == ()
    assert broken(table.placed, kitchen) == []
    assert not any(one.fixed for one in table.placed)
    for meal in meals(table):
        assert meal.end - min(one.start for one in work) <= LONG_DAY_MIN + meal.task.minutes


def test_a_short_day_has_none_and_one_too_full_says_so():
    start = means(days=1).windows[0][0]
    work = [Work(id=bare(str(place), CakeId(order=1)), order="One", words="Work",
                 lane=Lane.HANDS, minutes=60, due=start + 840) for place in range(14)]
    assert meals(quick_plan(work[:6], means(days=1))) == []
    full = quick_plan(work, means(days=1))
    assert full.left_out == ()
    assert meals(full) == []
    assert "no_meal" in {one.code for one in full.findings}
    assert len(meals(quick_plan(work[:13], means(days=1)))) == 1


def test_a_watched_search_tells_of_its_progress_and_stops_when_told():
    made = tasks(cake("One", drip=True), cake("Two", width=15, count=3), cake("Three"))
    quick = quick_plan(made, means())
    told = []

    def watch(progress):
        told.append(progress)
        return len(told) < 2

    better = better_plan(quick, made, means(), effort=2.0, watch=watch)
    assert 2 <= len(told) < 20
    assert better.cost <= quick.cost
    assert not better.proven
    assert all(0 < one.share <= 1 for one in told)


def test_a_long_span_is_bettered_a_few_hours_at_a_time(monkeypatch):
    monkeypatch.setattr(solver, "LONG_TASKS", 10)
    monkeypatch.setattr(solver, "SPELL_EFFORT", 0.05)
    made = tasks(cake("One", drip=True), cake("Two", width=15, count=3), cake("Three"))
    quick = quick_plan(made, means())
    better = better_plan(quick, made, means(), effort=0.6)
    assert better.cost < quick.cost
    assert broken(better.placed, means()) == []
    assert better.gap is None
    assert not better.proven
