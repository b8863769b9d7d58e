"""No rule of a plan is broken, ever: pans, batter, the fridge, the knob, over random days."""

from __future__ import annotations

from dataclasses import replace
from datetime import time, timedelta

import pytest

from entremet.core.timetable import solver
from entremet.core.timetable.checker import broken
from entremet.core.timetable.fridge import filled, height_findings, in_the_fridge, warm_findings
from entremet.core.timetable.model import Fix, OvenMeans, Placed
from entremet.core.timetable.plan_days import first_plan, quick_plan
from entremet.core.timetable.room import Room
from entremet.core.timetable.so_far import with_what_came_before
from entremet.core.timetable.solver import any_plan, better_plan
from entremet.core.work.cake import HIGH_PLACES
from entremet.core.work.cold import cold_parts
from entremet.core.work.ids import WorkKind
from entremet.core.work.work import Heat, Hold, Lane
from tests.core.timetable.days import (
    SATURDAY,
    SMALL,
    bare,
    cake,
    means,
    of,
    piece,
    some_day,
    tasks,
)
from tests.everyday import HOSTILE

DAYS = range(500) if HOSTILE else range(0, 500, 12)
DAY = means().windows[0][0]


@pytest.mark.parametrize("seed", DAYS)
def test_no_random_day_breaks_a_rule(seed):
    cakes, kitchen = some_day(seed)
    table = quick_plan(tasks(*cakes), kitchen)
    assert broken(table.placed, kitchen) == []
    for one in in_the_fridge(table.placed):
        assert one.warm_min >= 9


@pytest.mark.parametrize("seed", DAYS[::8])
def test_a_better_plan_keeps_the_same_rules(seed):
    cakes, kitchen = some_day(seed)
    made = tasks(*cakes)
    quick = quick_plan(made, kitchen)
    better = better_plan(quick, made, kitchen, effort=0.1)
    assert broken(better.placed, kitchen) == []
    assert better.cost <= quick.cost


@pytest.mark.parametrize("seed", [37, 58, 68])
def test_days_that_the_quick_plan_cannot_do_are_asked_of_the_solver_before_that_is_said(seed):
    cakes, kitchen = some_day(seed)
    made = tasks(*cakes)
    assert quick_plan(made, kitchen).left_out
    table = first_plan(made, kitchen)
    assert table.left_out == ()
    assert {one.task.id for one in table.placed if one.task.id.cake} == {one.id for one in made}
    assert broken(table.placed, kitchen) == []
    assert not [one for one in table.findings if one.severity.value == "stop"]
    assert first_plan(made, kitchen) == table


def test_short_waits_that_add_up_to_too_long_out_of_the_fridge_are_laid_anew():
    cakes, kitchen = some_day(1057)
    made = tasks(*cakes)
    assert any("out of the fridge" in one for one in broken(
        quick_plan(made, kitchen).placed, kitchen))
    table = first_plan(made, kitchen)
    assert table.left_out == ()
    assert broken(table.placed, kitchen) == []


def test_what_cannot_be_is_proven_or_only_not_found():
    cakes, kitchen = some_day(17)
    table = first_plan(tasks(*cakes), kitchen)
    assert table.left_out
    assert table.impossible
    alone = tasks(cake())
    assert not first_plan(alone, means()).impossible
    short = means(days=1, opens=time(9))
    assert first_plan(alone, short).impossible
    assert not quick_plan(alone, short).impossible  # nobody asked


def test_more_than_the_solver_is_asked_for_stays_unproven(monkeypatch):
    monkeypatch.setattr(solver, "MOST_ASKED", 5)
    assert any_plan(tasks(cake()), means(days=1, opens=time(9))) == ([], False)


def test_a_pan_is_held_from_lining_to_turning_out():
    """Two cakes in the same two pans: the second is lined when the first is out of them."""
    kitchen = means(days=3, hands=2, ovens=2, bowls=2, pans={"round": 2})
    table = quick_plan(tasks(cake("One"), cake("Two")), kitchen)
    assert table.left_out == ()
    spans = sorted((table.of(of(order, WorkKind.LINE)).start,
                    table.of(of(order, WorkKind.TURN_OUT)).end) for order in ("One", "Two"))
    assert spans[1][0] >= spans[0][1]


def test_a_cake_that_must_be_cold_waits_in_the_fridge_and_what_it_is_out_is_counted():
    one = cake("Harvest supper", cold=True, drive_min=30)
    kitchen = means(days=2)
    table = quick_plan(tasks(one), kitchen)
    assert cold_parts(one)
    filled = table.of(of("Harvest supper", WorkKind.FINISH, part="filling"))
    due = table.of(of("Harvest supper", WorkKind.DRIVE)).end
    cold, = in_the_fridge(table.placed)
    inside = sum(end - start for start, end in cold.stays)
    assert inside + cold.warm_min == due - filled.start
    assert 30 + 10 + 12 + 18 + 9 <= cold.warm_min <= 120
    assert not cold.too_warm
    assert cold.stays[0][0] == filled.end
    assert cold.stays[-1][1] <= due - 30
    after = [each for each in table.placed if each.task.cold]
    assert not any(each.task.lane is Lane.STANDS for each in after)


def test_a_cake_of_butter_and_jam_may_settle_in_the_kitchen():
    table = quick_plan(tasks(cake()), means())
    assert in_the_fridge(table.placed) == []
    assert table.of(of("Harvest supper", WorkKind.WAIT, part="settle")).task.lane is Lane.STANDS


def test_a_long_way_for_a_cold_cake_is_said():
    one = cake("Harvest supper", cold=True, drive_min=100)
    table = quick_plan(tasks(one), means())
    cold = in_the_fridge(table.placed)
    told, = warm_findings(cold, {one.id: "Round 20 of Harvest supper"})
    assert told.code == "warm_too_long"
    assert f"{cold[0].warm_min} min in all, 120 at most" in told.text
    assert warm_findings(in_the_fridge(quick_plan(tasks(replace(one, drive_min=0)), means())
                                       .placed), {}) == []


def test_the_fridge_holds_so_many_cold_cakes_and_no_more():
    cakes = [cake(f"Order {place}", SATURDAY + timedelta(hours=place), cold=True)
             for place in range(2)]
    kitchen = means(days=3, hands=2, boards=1)
    table = quick_plan(tasks(*cakes), kitchen)
    assert broken(table.placed, kitchen) == []
    assert table.left_out  # one board: the second cake has no place beside the first
    assert quick_plan(tasks(*cakes), replace(kitchen, boards=2)).left_out == ()


def test_how_full_the_fridge_is_is_told_from_change_to_change():
    """A board from 100 to the start of what ends it at 300; another from 200 until 250; a chill of
    its own from 400.
    """
    placed = [
        Placed(task=piece("first", Lane.FRIDGE, 20, holds=(Hold(until=bare("end")),)), start=100),
        Placed(task=piece("second", holds=(Hold(until_min=250), Hold(pan="Tin", until_min=999))),
               start=200),
        Placed(task=piece("end"), start=300),
        Placed(task=piece("chill", Lane.FRIDGE, 60, boards=2), start=400)]
    assert [(one.start, one.end, one.boards) for one in filled(placed)] == [
        (100, 200, 1), (200, 250, 2), (250, 300, 1), (400, 460, 2)]
    assert filled([]) == filled(placed[2:3]) == []


def test_a_cake_higher_than_a_shelf_waits_for_a_higher_place():
    """Two boards, one of them under no shelf: of two tall cold cakes one has a place, of two low
    ones both; a cake as high as the shelf still goes in.
    """
    high = cake(cold=True).box_cm
    kitchen = replace(means(days=3, hands=2, boards=2),
                      pans={"Tin": 9, HIGH_PLACES: 1})

    def left_out(shelf_cm):
        table = quick_plan(tasks(*(replace(
            cake(f"Order {place}", SATURDAY + timedelta(hours=place), cold=True),
            shelf_cm=shelf_cm) for place in range(2))), kitchen)
        assert broken(table.placed, kitchen) == []
        return table.left_out

    assert left_out(high - 0.1)
    assert left_out(high) == left_out(None) == ()


def test_a_fridge_with_no_place_high_enough_is_said():
    tall = replace(cake(cold=True), shelf_cm=6.0)
    told, = height_findings([tall], tasks(tall), 0)
    assert told.code == "fridge_too_low"
    assert f"{tall.box_cm:g}" in told.text
    assert height_findings([tall], tasks(tall), 1) == []
    low = replace(tall, shelf_cm=60.0)
    assert height_findings([low], tasks(low), 0) == []
    # What is never chilled is in no fridge, however high.
    dry = replace(cake(), shelf_cm=6.0)
    assert height_findings([dry], [one for one in tasks(dry) if one.lane is Lane.HANDS], 0) == []


def test_no_oven_is_set_to_another_heat_while_a_cake_is_in_it():
    kitchen = means(days=1, ovens=1, hands=2, bowls=2)
    table = quick_plan(tasks(cake("One", SATURDAY + timedelta(hours=9), c=150),
                             cake("Two", SATURDAY + timedelta(hours=9), c=170)), kitchen)
    assert table.left_out == ()
    first, second = sorted((table.of(of(order, WorkKind.BAKE)) for order in ("One", "Two")),
                           key=lambda one: one.start)
    knob = table.of(second.task.heat.on)
    assert knob.start >= first.end


@pytest.mark.parametrize(("knob", "free"), [(99, False), (100, True), (110, True)])
def test_an_oven_is_a_bakes_from_when_its_knob_is_turned(knob, free):
    """The other cake is out by 100; this one goes in at 130, whenever the oven was set for it."""
    kitchen = replace(means(), ovens=(OvenMeans(name="Deck", shelves=2, change_min=10),))
    room = Room(means=kitchen, base=DAY - 60, length=24 * 60)
    room.take(Placed(task=piece("a", Lane.OVEN, 40, heat=Heat(c=150)), start=DAY + 60, oven=0))
    bake = piece("b", Lane.OVEN, 40, heat=Heat(c=170))
    oven, _ = room.oven_for(bake, DAY + 130, DAY + knob)
    assert (oven == 0) is free


def test_batter_of_a_later_load_is_mixed_as_the_one_before_comes_out():
    one = cake(width=20, count=2, oven=SMALL, bowl_ml=2200)
    table = quick_plan(tasks(one), means())
    assert table.left_out == ()
    bakes = [each for each in table.placed if each.task.kind is WorkKind.BAKE]
    mixes = [each for each in table.placed if each.task.kind is WorkKind.MIX]
    assert len(bakes) == len(mixes) == 2
    assert bakes[0].start < mixes[1].start < bakes[0].end
    for mix, bake in zip(mixes, bakes, strict=True):
        assert bake.start - mix.end <= 30 + 5 + 10


@pytest.mark.parametrize("seed", range(0, 60, 7))
def test_nothing_wet_is_weighed_the_evening_before(seed):
    cakes, kitchen = some_day(seed)
    table = quick_plan(tasks(*cakes), kitchen)
    for cake_made in cakes:
        weigh, mix = (table.of(cake_made.work_id(kind)) for kind in (WorkKind.WEIGH, WorkKind.MIX))
        if weigh is not None and mix is not None:
            assert mix.start - weigh.end <= 180


def test_what_came_before_what_is_done_is_done_and_what_was_put_somewhere_stays():
    one = cake(oven=SMALL, bowl_ml=2200)
    works = {work.id: work for work in tasks(one)}
    bake, mix, weigh = (one.work_id(kind) for kind in (
        WorkKind.BAKE, WorkKind.MIX, WorkKind.WEIGH))
    fixes = with_what_came_before({bake: Fix(start=DAY + 600, done=True),
                                   weigh: Fix(start=DAY + 30)}, works)
    assert fixes[weigh] == Fix(start=DAY + 30)
    assert fixes[mix].done
    assert fixes[mix].start + works[mix].minutes <= DAY + 600
    later = {one.work_id(WorkKind.MIX, 1), one.work_id(WorkKind.BAKE, 1)}
    assert later <= works.keys()
    assert not later & fixes.keys()
    assert with_what_came_before({bake: Fix(start=DAY + 600)}, works) == {
        bake: Fix(start=DAY + 600)}
    # The second mix is made while the first load is still in the oven.
    second = with_what_came_before({one.work_id(WorkKind.MIX, 1): Fix(
        start=DAY + 600, done=True)}, works)
    assert mix in second
    assert bake not in second


def held(name, start, **more):
    return Placed(task=piece(name, Lane.STANDS, 10, **more), start=DAY + start)


def test_the_checker_sees_what_is_held_between_pieces_of_work():
    """The judge itself is tried: each rule broken by hand is told."""
    kitchen = means(pans={"Tin": 1}, boards=1)
    line = held("line", 60, holds=(Hold(pan="Tin", until=bare("out")),))
    out = held("out", 200, pans={"Tin": 1})
    assert broken([line, out], kitchen) == []
    assert any("Tin are wanted" in one for one in broken(
        [line, out, held("other", 150, pans={"Tin": 1})], kitchen))
    board = held("crumb", 60, holds=(Hold(until_min=DAY + 300),))
    assert broken([board], kitchen) == []
    assert any("boards of fridge" in one for one in broken(
        [board, held("chill", 250, boards=1)], kitchen))
    assert broken([board, held("chill", 300, boards=1)], kitchen) == []
    warm = Placed(task=piece("settle", Lane.STANDS, 120, cold=True), start=DAY + 60)
    assert any("stands warm" in one for one in broken([warm], kitchen))


@pytest.mark.parametrize(("knob", "right"), [(95, False), (100, True), (101, True)])
def test_the_checker_sees_a_knob_turned_too_soon(knob, right):
    kitchen = replace(means(), ovens=(OvenMeans(name="Deck", shelves=2),))
    bakes = [Placed(task=piece("a", Lane.OVEN, 40, heat=Heat(c=150)), start=DAY + 60, oven=0),
             Placed(task=piece("b", Lane.OVEN, 40, heat=Heat(c=170, on=bare("knob"))),
                    start=DAY + 130, oven=0),
             Placed(task=piece("knob", minutes=1), start=DAY + knob)]
    assert (broken(bakes, kitchen) == []) is right
