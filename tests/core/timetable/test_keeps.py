"""Cakes of a plan keep until they are due, or it is said."""

from __future__ import annotations

from dataclasses import replace

import pytest

from entremet.core.timetable.keeps import _time, cake_keeps, keeps_findings
from entremet.core.timetable.plan_days import quick_plan
from entremet.core.work.ids import WorkKind
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
    assert "5 d" in told.text


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
    (0, "0 h"), (59, "0 h"), (60, "1 h"), (24 * 60, "1 d"), (25 * 60, "1 d 1 h"),
    (3 * 24 * 60 + 30, "3 d")])
def test_days_and_hours_are_told_without_what_is_nothing(minutes, words):
    assert _time(minutes) == words
