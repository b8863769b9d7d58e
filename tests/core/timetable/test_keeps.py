"""Cakes of a plan keep until they are due, or it is said."""

from __future__ import annotations

from dataclasses import replace

import pytest

from entremet.core.timetable.checker import broken
from entremet.core.timetable.keeps import _time, cake_keeps, keeps_findings
from entremet.core.timetable.plan_days import first_plan, quick_plan
from entremet.core.timetable.solver import better_plan
from entremet.core.work.ids import WorkKind
from entremet.core.work.of_cake import works_of
from tests.core.dressing.test_growing import LINES
from tests.core.timetable.days import cake, means, of, tasks


def placed(one):
    return quick_plan(tasks(one), means(days=3), {})


def test_each_part_keeps_from_when_it_was_made():
    one = cake()
    there = placed(one)
    row, = cake_keeps([one], there)
    ends = {each.task.id: each.end for each in there.placed}
    baked = min(end for name, end in ends.items() if name.kind is WorkKind.BAKE)
    box = next(end for name, end in ends.items() if name.kind is WorkKind.BOX)
    assert row.done_min == box == max(end for name, end in ends.items()
                                      if name.kind is not WorkKind.WASH)
    assert (row.until_min, row.over) == (baked + 2 * 24 * 60, "bare cake")
    assert not row.too_early
    assert "Bare cake is over first, 2 to 4 days from when it is made" in row.words
    assert keeps_findings([row]) == []


def test_one_that_is_done_too_early_is_said():
    one = cake(lines=(*LINES[:2],))
    plan = placed(one)
    late = cake(lines=(*LINES[:2],))
    object.__setattr__(late, "due", late.due + 5 * 24 * 60)
    row, = cake_keeps([late], plan)
    assert row.too_early
    told, = keeps_findings([row])
    assert told.code == "cake_past_keeping"
    over = _time(row.due_min - row.until_min)
    assert told.text == (f"Round 20 of Harvest supper: bare cake would be over {over} before it is "
                         "due (practice).")
    assert over.startswith("3 d")


def test_nothing_is_baked_or_made_so_early_that_it_is_over_when_the_cake_is_due():
    one = cake()
    made = {work.id: work for work in works_of(one)}
    bake, frosting = made[of("Harvest supper", WorkKind.BAKE)], made[
        of("Harvest supper", WorkKind.MAKE, part="frosting-0")]
    # The longest that practice gives bare layers and buttercream.
    for work, days in ((bake, 4), (frosting, 3)):
        assert work.earliest == one.due - days * 24 * 60 - work.minutes
    # A kitchen that is open on Monday and for an hour on Saturday cannot keep to it.
    kitchen = means(days=6)
    monday, *_, saturday = kitchen.windows
    kitchen = replace(kitchen, windows=(monday, (saturday[0], saturday[0] + 60)))
    assert quick_plan(tasks(one), kitchen).left_out
    # It is planned all the same, and what is over is said.
    table = first_plan(tasks(one), kitchen)
    assert table.left_out == ()
    assert [told.code for told in keeps_findings(cake_keeps([one], table))] == [
        "cake_past_keeping"]


def test_days_are_called_impossible_only_where_they_are_so_without_that_rule(monkeypatch):
    one = tasks(cake())
    found = []

    def asked(works, *_, **__):
        loose = all(work.earliest is None for work in works)
        found.append(loose)
        return [], not loose

    monkeypatch.setattr("entremet.core.timetable.plan_days.any_plan", asked)
    short = means(days=1)
    table = first_plan(one, replace(short, windows=((short.windows[0][0],
                                                     short.windows[0][0] + 60),)))
    assert found == [False, True]
    assert table.left_out
    assert not table.impossible


def test_the_checker_sees_what_is_made_too_early():
    there = placed(one := cake())
    early = [each if each.task.kind is not WorkKind.BAKE else replace(
        each, start=each.start - 4 * 24 * 60) for each in there.placed]
    assert any("over when the cake is due" in said for said in broken(early, means(days=6)))
    assert not any("over when" in said for said in broken(there.placed, means()))
    assert one.finish.cakes


def test_the_solver_bakes_no_sooner_either():
    one = cake()
    table = better_plan(quick_plan(tasks(one), means(days=4)), tasks(one), means(days=4),
                        effort=0.2)
    assert broken(table.placed, means(days=4)) == []


def test_what_comes_after_a_bake_that_found_no_place_is_not_drawn():
    one = tasks(cake())
    kitchen = means(days=1)
    table = quick_plan(one, replace(kitchen, windows=((kitchen.windows[0][0],
                                                       kitchen.windows[0][0] + 60),)))
    left = set(table.left_out)
    assert of("Harvest supper", WorkKind.BAKE) in left
    assert all(wait.on not in left for each in table.placed for wait in each.task.waits)
    assert of("Harvest supper", WorkKind.WASH) in left


def test_a_part_made_long_before_is_over_first():
    one = cake()
    there = placed(one)
    frosting = next(each for each in there.placed if each.task.id.part == "frosting-0"
                    and each.task.kind is WorkKind.MAKE)
    early = [each if each is not frosting else replace(each, start=each.start - 4 * 24 * 60)
             for each in there.placed]
    row, = cake_keeps([one], replace(there, placed=tuple(early)))
    assert row.over == "buttercream"
    assert row.until_min == frosting.end - 2 * 24 * 60
    assert row.too_early is (row.due_min > row.until_min)


def test_a_cake_without_a_place_is_left_out():
    one = cake()
    there = placed(one)
    assert cake_keeps([one], replace(there, placed=())) == []
    assert cake_keeps([one], replace(there, left_out=(there.placed[-1].task.id,))) == []
    assert len(cake_keeps([one], replace(there, left_out=(of("Another", WorkKind.BAKE),)))) == 1


@pytest.mark.parametrize(("minutes", "words"), [
    (0, "0 min"), (59, "59 min"), (60, "1 h"), (24 * 60, "1 d"), (25 * 60, "1 d 1 h"),
    (3 * 24 * 60 + 30, "3 d")])
def test_days_and_hours_are_told_without_what_is_nothing(minutes, words):
    assert _time(minutes) == words
