"""A better plan and ways out: never worse, sound, the same twice; each way out is tried."""

from __future__ import annotations

from dataclasses import replace
from datetime import time

import pytest

from entremet.core.timetable.checker import broken
from entremet.core.timetable.greedy import lay_out_backwards
from entremet.core.timetable.model import DAY_MIN, Fix, OvenMeans
from entremet.core.timetable.plan_days import quick_plan, the_rest
from entremet.core.timetable.solver import better_plan
from entremet.core.timetable.ways_out import Help, clash, ways_out
from entremet.core.work.ids import CakeId, WorkKind
from tests.core.timetable.days import cake, means, of, tasks


@pytest.mark.parametrize("days", [
    lambda: tasks(cake("One"), cake("Two", width=23)),
    lambda: tasks(cake("One", drip=True), cake("Two", width=15, count=3), cake("Three"))])
def test_the_solver_is_never_worse_sound_and_the_same_twice(days):
    made = days()
    quick = quick_plan(made, means())
    better = better_plan(quick, made, means(), effort=0.2)
    assert better.cost <= quick.cost
    assert broken(better.placed, means()) == []
    assert {one.task.id for one in better.placed} == {one.id for one in made}
    assert 0 <= better.gap < 1
    assert better.gap == 0 or not better.proven
    assert better_plan(quick, made, means(), effort=0.2) == better


def test_the_solver_keeps_what_is_fixed_and_what_is_done():
    made = tasks(cake("One"))
    first = quick_plan(made, means())
    mix, weigh = (first.of(of("One", kind)) for kind in (WorkKind.MIX, WorkKind.WEIGH))
    fixes = {mix.task.id: Fix(start=mix.start - 90),
             weigh.task.id: Fix(start=weigh.start - 200, done=True)}
    quick = quick_plan(made, means(), fixes)
    better = better_plan(quick, made, means(), fixes, effort=0.2)
    assert better.of(mix.task.id).start == mix.start - 90
    assert better.of(weigh.task.id).done


def test_what_cannot_be_done_is_not_solved():
    made = tasks(*(cake(f"Order {place}") for place in range(8)))
    quick = quick_plan(made, means(days=1))
    assert better_plan(quick, made, means(days=1)) is quick


def crowded():
    """Three cakes that only just work in a morning's hours, and a fourth."""
    return tasks(*(cake(f"Order {place}") for place in range(4)))


def test_the_orders_that_clash_are_named_and_no_more():
    kitchen = means(days=1, opens=time(3))
    found = clash(crowded(), kitchen)
    assert found
    alone = [task for task in crowded() if task.id.cake.order in found[1:]]
    assert lay_out_backwards(alone, kitchen)[1] == []
    assert clash(tasks(cake()), means()) == ()


def before(kitchen):
    """Return when a kitchen works on the day before its first."""
    opens, closes = kitchen.windows[0]
    return opens - DAY_MIN, closes - DAY_MIN


def made_due(made):
    return max(one.due for one in made if one.kind is WorkKind.BOX)


def test_every_way_out_works_when_taken():
    kitchen = means(days=1, opens=time(4), ovens=1)
    made = crowded()
    assert quick_plan(made, kitchen).left_out
    between = clash(made, kitchen)
    offers = {one.help: one for one in ways_out(
        made, kitchen, between=between, spare=[OvenMeans(name="Upper", shelves=2)],
        day_before=before(kitchen))}
    assert Help.DAY_BEFORE in offers
    earlier = replace(kitchen, windows=(before(kitchen), *kitchen.windows))
    assert quick_plan(made, earlier).left_out == ()
    later = offers.get(Help.LATER)
    if later is not None:
        moved = [replace(one, due=one.due + later.minutes)
                 if one.id.cake.order == later.order and one.due else one for one in made]
        assert quick_plan(moved, kitchen).left_out == ()


def test_of_days_that_cannot_be_whole_orders_are_drawn():
    kitchen, made = means(days=1, opens=time(1)), crowded()
    table = quick_plan(made, kitchen)
    between = clash(made, kitchen)
    assert between
    rest = the_rest(table, made, kitchen, {}, between=between)
    gone = {name.cake.order for name in rest.left_out}
    assert gone < {one.id.cake.order for one in made}
    assert gone & set(between)
    assert {one.id.cake.order for one in made} - gone == {
        one.task.id.cake.order for one in rest.placed if one.task.id.cake}
    assert {one.id for one in made} == {*rest.left_out, *(one.task.id for one in rest.placed
                                                           if one.task.id.cake)}
    assert broken(rest.placed, kitchen) == []
    # Where not one of them can be done nothing is drawn.
    short = means(days=1, opens=time(9))
    none = the_rest(quick_plan(made, short), made, short, {}, between=clash(made, short))
    assert none.placed == ()
    assert set(none.left_out) == {one.id for one in made}


def test_a_day_that_is_over_is_not_offered():
    kitchen = means(days=1, opens=time(4))
    kitchen = replace(kitchen, now=kitchen.windows[0][0])
    assert Help.DAY_BEFORE not in {one.help for one in ways_out(
        crowded(), kitchen, between=clash(crowded(), kitchen), day_before=before(kitchen))}


def test_a_day_that_nobody_works_on_is_not_offered():
    kitchen = means(days=1, opens=time(4))
    assert Help.DAY_BEFORE not in {one.help for one in ways_out(
        crowded(), kitchen, between=clash(crowded(), kitchen))}


def test_what_was_put_in_the_way_of_all_else_is_named_and_letting_it_go_helps():
    made, kitchen = tasks(cake()), means()
    line, weigh = (of("Harvest supper", kind) for kind in (WorkKind.LINE, WorkKind.WEIGH))
    good = quick_plan(made, kitchen).of(line)
    # It is to be weighed an hour before it is collected; where pans are lined is in nobody's way.
    late = {line: Fix(start=good.start), weigh: Fix(start=made_due(made) - 60)}
    assert quick_plan(made, kitchen, late).left_out
    (told,) = [one for one in ways_out(made, kitchen, late, between=clash(made, kitchen, late))
               if one.help is Help.RELEASE]
    assert told.task == weigh
    assert "Weigh out" in told.words
    left = {name: fix for name, fix in late.items() if name != told.task}
    assert quick_plan(made, kitchen, left).left_out == ()
    # What is done is no wish: nobody is told to undo it.
    done = {name: replace(fix, done=True) for name, fix in late.items()}
    assert Help.RELEASE not in {one.help for one in ways_out(
        made, kitchen, done, between=clash(made, kitchen, done))}


@pytest.mark.parametrize("spare", [OvenMeans(name="Upper", shelves=2),
                                   OvenMeans(name="Steamer", shelves=2, kind="steam")])
@pytest.mark.parametrize("opens", [3, 4, 5, 6])
def test_each_way_out_lets_everything_be_done_and_what_does_not_is_not_offered(opens, spare):
    kitchen, made = means(days=1, opens=time(opens), ovens=1), crowded()

    def done(own, there) -> bool:
        return not lay_out_backwards(own, there)[1]

    offers = ways_out(made, kitchen, between=clash(made, kitchen), spare=[spare],
                      day_before=before(kitchen))
    helps = {one.help for one in offers}
    oven = replace(kitchen, ovens=(*kitchen.ovens, spare))
    assert (Help.OVEN in helps) is done(made, oven)
    assert (Help.HANDS in helps) is done(made, replace(kitchen, hands=2))
    day = replace(kitchen, windows=(before(kitchen), *kitchen.windows))
    assert (Help.DAY_BEFORE in helps) is done(made, day)
    for one in offers:
        if one.help is Help.EARLIER:
            assert done(made, replace(kitchen, windows=tuple(
                (start - one.minutes, end) for start, end in kitchen.windows)))
        if one.help is Help.LATER:
            assert done([replace(task, due=task.due + one.minutes)
                         if task.id.cake.order == one.order and task.due is not None else task
                         for task in made], kitchen)


def test_orders_of_one_title_are_told_apart_by_their_numbers():
    """A supper of last week and one of this have one name; only one of them is in the way."""
    made = tasks(*(replace(cake("Choir tea"), id=CakeId(order=place)) for place in (4, 5, 6, 7)))
    kitchen = means(days=1, opens=time(3))
    found = clash(made, kitchen)
    assert 0 < len(found) < 4
    assert set(found) <= {4, 5, 6, 7}
    without = [task for task in made if task.id.cake.order in found[1:]]
    assert lay_out_backwards(without, kitchen)[1] == []
    for one in ways_out(made, kitchen, between=found):
        if one.help is Help.LATER:
            assert one.order in found
            assert one.words.startswith("Choir tea ")
