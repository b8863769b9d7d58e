"""Days planned: every bound holds, what cannot be is said, the same day gives the same plan."""

from __future__ import annotations

import math
from dataclasses import replace
from datetime import UTC, date, datetime, time, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.finish import Border
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.timetable.checker import broken
from entremet.core.timetable.hours import Hours, minute_of, moment_of, working_windows, zone
from entremet.core.timetable.model import Fix, Means, OvenMeans, Placed
from entremet.core.timetable.plan_days import first_plan, quick_plan
from entremet.core.work.ids import CakeId, WorkKind
from entremet.core.work.work import Heat, Lane, Wait, Work
from tests.core.timetable.days import SATURDAY, bare, cake, means, of, piece, tasks


def codes(table):
    return {one.code for one in table.findings}


def start(table, name):
    return next(one for one in table.placed if one.task.id.text.endswith(f"/{name}"))


def test_one_cake_is_laid_out_backwards_and_every_bound_holds():
    made = tasks(cake(drip=True, border=Border.ROSETTE))
    table = quick_plan(made, means())
    assert table.left_out == ()
    assert len(table.placed) == len(made)
    assert broken(table.placed, means()) == []
    assert start(table, "box").end == minute_of(SATURDAY)
    assert start(table, "bake0").end == start(table, "outbake0").start
    assert start(table, "drip").start - start(table, "chill_coat").end <= 10
    assert start(table, "cool").start >= start(table, "turn_out0").end


def test_a_plan_does_not_forget():
    names = {one.id.text.split("/")[-1] for one in tasks(cake(inscription="Well sown", drip=True))}
    assert {"weigh", "take_out", "heat", "line0", "mix0", "fill0", "bake0", "outbake0", "stand0",
            "turn_out0", "cool", "filling", "settle", "crumb", "chill_crumb", "coat",
            "chill_coat", "drip", "inscribe", "box", "wash", "make_filling-1",
            "make_frosting-0"} <= names


def test_bakes_are_planned_as_no_later_than_and_never_at_night():
    made = tasks(cake(due=datetime(2026, 11, 28, 8, tzinfo=UTC)))
    bake = next(one for one in made if one.heat is not None)
    assert "no later than" in bake.why
    latest = max(one.bake.window.latest_min for one in cake().plan.pans)
    assert bake.minutes == math.ceil(latest)
    table = quick_plan(made, means(days=3))
    baked = start(table, "bake0")
    assert moment_of(baked.start).hour >= 7
    assert moment_of(baked.end).hour < 21
    assert table.left_out == ()


def test_two_cakes_of_one_heat_share_an_oven_of_two_shelves():
    made = tasks(cake("One"), cake("Two"))
    table = quick_plan(made, means(pans={}))
    one, two = (table.of(of(order, WorkKind.BAKE)) for order in ("One", "Two"))
    assert table.left_out == ()
    assert one.oven == two.oven == 0
    assert broken(table.placed, means()) == []


def test_what_does_not_fit_is_left_out_with_all_that_hangs_on_it_and_hands_are_said_first():
    many = [cake(f"Order {place}") for place in range(8)]
    table = quick_plan(tasks(*many), means(days=1))
    assert "hands_do_not_fit" in codes(table)
    assert table.left_out
    assert broken(table.placed, means(days=1)) == []
    placed = {one.task.id for one in table.placed}
    assert not placed & set(table.left_out)


def test_a_due_time_in_the_past_is_a_finding():
    now = minute_of(SATURDAY) + 60
    table = quick_plan(tasks(cake()), means(now=now))
    assert "due_in_the_past" in codes(table)


def test_a_task_that_is_moved_stays_and_the_rest_follows():
    made = tasks(cake(drip=True))
    first = quick_plan(made, means())
    mixed = start(first, "mix0")
    moved = quick_plan(made, means(), {mixed.task.id: Fix(start=mixed.start - 120)})
    assert start(moved, "mix0").start == mixed.start - 120
    assert start(moved, "mix0").fixed
    assert broken(moved.placed, means()) == []


def test_a_task_moved_where_it_cannot_be_says_what_breaks():
    made = tasks(cake())
    table = quick_plan(made, means(), {of("Harvest supper", WorkKind.BOX): Fix(
        start=minute_of(SATURDAY) + 30)})
    assert "plan_fixed_breaks" in codes(table)


def test_what_is_done_is_the_past_and_the_rest_starts_from_now():
    made = tasks(cake())
    first = quick_plan(made, means())
    weighed = start(first, "weigh")
    now = weighed.start + 45
    table = quick_plan(made, means(now=now), {weighed.task.id: Fix(
        start=weighed.start, done=True)})
    assert start(table, "weigh").done
    assert all(one.start >= now for one in table.placed if not one.done)
    assert broken(table.placed, means(now=now)) == []


def test_the_same_days_give_the_same_plan():
    made = tasks(cake("One"), cake("Two", width=23), cake("Three", width=15, count=3))
    assert quick_plan(made, means(days=3)) == quick_plan(list(made), means(days=3))


def test_beginners_take_longer():
    slow = tasks(replace(cake(), pace=1.7))
    quick = tasks(cake())
    assert sum(one.minutes for one in slow if one.lane is Lane.HANDS) > 1.6 * sum(
        one.minutes for one in quick if one.lane is Lane.HANDS)


def test_a_night_with_the_clocks_changing_is_as_long_as_it_is():
    paris = zone("Europe/Paris")
    spring = working_windows(date(2026, 3, 28), date(2026, 3, 29), where=paris,
                             usual=Hours(opens=time(7), closes=time(21)))
    assert spring[1][0] - spring[0][1] == 9 * 60  # an hour of that night is not there
    autumn = working_windows(date(2026, 10, 24), date(2026, 10, 25), where=paris,
                             usual=Hours(opens=time(7), closes=time(21)))
    assert autumn[1][0] - autumn[0][1] == 11 * 60
    night = working_windows(date(2026, 11, 27), date(2026, 11, 27), where=paris,
                             usual=Hours(opens=time(20), closes=time(3)))
    assert night[0][1] - night[0][0] == 7 * 60


@pytest.mark.parametrize("wrong", [
    lambda: zone("Moon/Base"), lambda: minute_of(datetime(2026, 1, 1)),
    lambda: means(hands=0), lambda: Means(windows=(), ovens=()), lambda: means(days=40),
    lambda: piece("a", minutes=0)])
def test_what_is_no_kitchen_and_no_time_is_refused(wrong):
    with pytest.raises(ImpossibleChoice):
        wrong()


LANES = st.sampled_from([Lane.HANDS, Lane.HANDS, Lane.STANDS, Lane.FRIDGE, Lane.OVEN])


@st.composite
def days(draw):
    """Tasks of random cakes: chains with bounds, bakes of some heats, bowls, pans, boards."""
    made = []
    for number in range(draw(st.integers(1, 5))):
        before = None
        length = draw(st.integers(2, 8))
        for place in range(length):
            lane = draw(LANES)
            after = ()
            if before is not None:
                most = draw(st.sampled_from([None, None, 5, 30, 600]))
                least = draw(st.integers(0, 20))
                after = (Wait(on=before, least_min=least,
                              most_min=None if most is None else most + least),)
            name = bare(str(place), CakeId(order=number + 1))
            made.append(Work(
                id=name, order=str(number), words=name.text, lane=lane,
                minutes=draw(st.integers(1, 90)), waits=after,
                heat=Heat(c=draw(st.sampled_from([160.0, 180.0])),
                          shelves=draw(st.integers(1, 2))) if lane is Lane.OVEN else None,
                bowl=lane is Lane.HANDS and draw(st.booleans()),
                pans={"Round 20": 1} if draw(st.booleans()) else {},
                boards=1 if lane is Lane.FRIDGE else 0,
                due=minute_of(SATURDAY) + draw(st.integers(-300, 300))
                if place == length - 1 else None))
            before = name
    return made


@given(days(), st.integers(1, 2), st.integers(1, 2))
def test_every_plan_of_random_days_passes_the_checker(made, hands, ovens):
    kitchen = means(days=2, ovens=ovens, hands=hands, pans={"Round 20": 2}, boards=2)
    table = quick_plan(made, kitchen)
    assert broken(table.placed, kitchen) == []
    assert {one.task.id for one in table.placed if one.task.id.cake} | set(
        table.left_out) == {one.id for one in made}


def test_the_checker_sees_every_kind_of_break():
    """The judge itself is tried: each bound broken by hand is told."""
    kitchen = Means(windows=((0, 600),), ovens=(OvenMeans(name="Oven", shelves=1),), boards=1,
                    pans={"Tin": 1}, now=10)
    def task(key, lane=Lane.HANDS, **more):
        return piece(key, lane, 60, **more)

    bake = {"lane": Lane.OVEN}
    cases = {
        "too soon": [Placed(task=task("a"), start=20), Placed(task=task(
            "b", waits=(Wait(on=bare("a"), least_min=30),)), start=90)],
        "too late": [Placed(task=task("a"), start=20), Placed(task=task(
            "b", waits=(Wait(on=bare("a"), most_min=5),)), start=100)],
        "after it is due": [Placed(task=task("a", due=50), start=20)],
        "in the past": [Placed(task=task("a"), start=5)],
        "outside the hours": [Placed(task=task("a"), start=580)],
        "hands are wanted": [Placed(task=task("a"), start=20), Placed(task=task("b"), start=70)],
        "Tin are wanted": [Placed(task=task("a", Lane.STANDS, pans={"Tin": 1}), start=20),
                           Placed(task=task("b", Lane.STANDS, pans={"Tin": 1}), start=70)],
        "boards of fridge": [Placed(task=task("a", Lane.FRIDGE, boards=2), start=20)],
        "mixing bowls": [Placed(task=task("a", Lane.STANDS, bowl=True), start=20),
                         Placed(task=task("b", Lane.STANDS, bowl=True), start=70)],
        "at once or too": [Placed(task=task("a", heat=Heat(c=160), **bake), start=20, oven=0),
                           Placed(task=task("b", heat=Heat(c=180), **bake), start=85, oven=0)],
        "shelves are wanted": [],
        "has no oven": [Placed(task=task("a", heat=Heat(c=160), **bake), start=20)],
    }
    cases["1 shelves and 2 are wanted"] = [
        Placed(task=task("a", heat=Heat(c=160), **bake), start=20, oven=0),
        Placed(task=task("b", heat=Heat(c=160), **bake), start=40, oven=0)]
    del cases["shelves are wanted"]
    for words, placed in cases.items():
        assert any(words in said for said in broken(placed, kitchen)), words


def test_hours_after_midnight_belong_to_the_night_before():
    due = datetime(2026, 11, 29, 1, tzinfo=UTC)
    kitchen = Means(windows=working_windows(
        date(2026, 11, 27), date(2026, 11, 28), usual=Hours(opens=time(12), closes=time(2)),
        where=zone("UTC")), ovens=(OvenMeans(name="Oven", shelves=2),))
    table = quick_plan(tasks(cake(due=due)), kitchen)
    assert table.left_out == ()
    assert start(table, "box").end == minute_of(due)
    assert start(table, "box").end - minute_of(due - timedelta(hours=2)) == 120


def test_what_is_put_where_it_was_planned_leaves_nothing_out():
    made, kitchen = tasks(cake(drip=True)), means()
    table = quick_plan(made, kitchen)
    for one in table.placed:
        held = {one.task.id: Fix(start=one.start, oven=one.oven)}
        assert first_plan(made, kitchen, held).left_out == (), one.task.words


def test_a_pan_lined_where_it_was_planned_is_no_reason_to_lay_the_rest_elsewhere():
    made, kitchen = tasks(cake()), means()
    table = quick_plan(made, kitchen)
    line = table.of(of("Harvest supper", WorkKind.LINE))
    held = quick_plan(made, kitchen, {line.task.id: Fix(start=line.start)})
    assert {one.task.id: one.start for one in held.placed} == {
        one.task.id: one.start for one in table.placed}


@pytest.mark.parametrize("windows", [(), ((480, 480),), ((480, 900), (2000, 1900))])
def test_hours_that_end_before_they_begin_are_refused_on_any_day(windows):
    with pytest.raises(ImpossibleChoice) as refused:
        Means(windows=windows, ovens=())
    assert refused.value.field == "hours"
