"""The checker: each rule that a plan breaks is said, and none that it keeps."""

from __future__ import annotations

from dataclasses import replace

import pytest

from entremet.core.timetable.checker import broken
from entremet.core.timetable.model import Placed
from entremet.core.work.work import Heat, Lane
from tests.core.timetable.days import means, piece

KITCHEN = means(pans={"Tin": 1}, boards=2)
DAY = KITCHEN.windows[0][0]


def bake(key, start, c, *, minutes=40, shelves=1, oven=0, done=False):
    return Placed(task=piece(key, Lane.OVEN, minutes,
                             heat=Heat(c=c, shelves=shelves, preheat_min=10)),
                  start=DAY + start, oven=oven, done=done)


def said(*placed, kitchen=KITCHEN):
    return " ".join(broken(list(placed), kitchen))


def test_two_heats_at_once_are_said_whichever_of_them_is_done():
    one, other = bake("a", 60, 170), bake("b", 80, 150)
    for first in (False, True):
        for second in (False, True):
            words = said(replace(one, done=first), replace(other, done=second))
            assert ("to be at once" in words) is not (first and second)
    assert said(one, bake("b", 80, 170)) == ""


@pytest.mark.parametrize(("start", "right"), [(99, False), (100, False), (109, False), (110, True)])
def test_an_oven_needs_its_time_to_change(start, right):
    change = KITCHEN.ovens[0].change_min
    assert change == 10
    words = said(bake("a", 60, 170), bake("b", start, 150))
    assert ("too near" in words) is not right


def test_more_shelves_than_there_are_are_said():
    assert "2 shelves and 3 are wanted" in said(bake("a", 60, 170, shelves=2), bake("b", 70, 170))
    assert said(bake("a", 60, 170, shelves=2), bake("b", 100, 170)) == ""
    assert "has no oven" in said(replace(bake("a", 60, 170), oven=None))


def test_a_pan_is_in_one_place_at_a_time():
    def holds(key, start, **more):
        return Placed(task=piece(key, Lane.STANDS, pans={"Tin": 1}), start=DAY + start, **more)

    assert "2 Tin are wanted at once" in said(holds("a", 60), holds("b", 80))
    assert said(holds("a", 60), holds("b", 90)) == ""
    assert said(holds("a", 60, done=True), holds("b", 80, done=True)) == ""


@pytest.mark.parametrize(("start", "early"), [(59, True), (60, False), (61, False)])
def test_a_task_may_start_as_early_as_it_may_and_no_minute_earlier(start, early):
    task = replace(piece("a", Lane.HANDS, 10), earliest=DAY + 60)
    words = said(Placed(task=task, start=DAY + start))
    assert ("so early" in words) is early
    assert said(Placed(task=task, start=DAY + start, fixed=True)) == ""
