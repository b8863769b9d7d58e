"""What a cake's days hold, what moves together, what could be made ahead, how much room is left."""

from __future__ import annotations

import math
from dataclasses import replace
from datetime import timedelta

import pytest

from entremet.core.card.finish import Coat
from entremet.core.timetable.blocks import blocks_of
from entremet.core.timetable.checker import broken
from entremet.core.timetable.cost import EARLY, OVEN_ON, WAITS_FINISHED, costs_of
from entremet.core.timetable.hours import minute_of
from entremet.core.timetable.make_ahead import ahead_together, make_ahead
from entremet.core.timetable.model import Fix, OvenMeans, Placed
from entremet.core.timetable.plan_days import hours_min, quick_plan
from entremet.core.timetable.room import Room
from entremet.core.timetable.slack import slacks_of
from entremet.core.work.ids import CakeId, WorkId, WorkKind
from entremet.core.work.of_cake import works_of
from entremet.core.work.work import Heat, Lane, Wait, Work, hands_of
from tests.core.dressing.test_growing import LINES
from tests.core.timetable.days import SATURDAY, bare, cake, cake_id, means, of, piece, tasks


def by_name(made):
    return {one.id.text.split("/")[-1]: one for one in made}


def test_every_task_names_its_order_its_cake_and_a_reason():
    for one in tasks(cake("Harvest supper", drip=True)):
        assert one.order == "Harvest supper"
        assert one.id.cake == cake_id("Harvest supper")
        assert one.why or one.lane is Lane.HANDS


def test_components_come_before_what_they_are_used_for_and_keep_only_so_long():
    made = by_name(tasks(cake(drip=True)))
    coat = {one.on.text.split("/")[-1]: one for one in made["crumb"].waits}
    assert coat["make_frosting-0"].most_min == 2 * 24 * 60
    drip = [one for one in made["drip"].waits if one.on.kind is WorkKind.MAKE]
    assert (drip[0].least_min, drip[0].most_min) == (15, 72)
    assert made["drip"].waits[0].most_min == 10  # within ten minutes of the fridge


def test_a_bare_cake_has_no_finishing_but_its_box():
    made = by_name(tasks(cake(lines=LINES[:0], coat=Coat.NONE)))
    assert not {"crumb", "coat", "filling"} & set(made)
    assert {"box", "wash", "cool"} <= set(made)


def test_a_fit_without_a_bake_has_no_tasks():
    whole = cake()
    empty = replace(whole.plan, pans=())
    assert works_of(replace(whole, plan=empty)) == []


def test_the_drive_comes_off_the_time_it_is_due():
    far = by_name(tasks(replace(cake(), drive_min=45)))
    near = by_name(tasks(cake()))
    assert near["box"].due - far["box"].due == 45
    assert "45 min on the way" in far["box"].why
    assert (far["drive"].minutes, far["drive"].due) == (45, near["box"].due)
    assert far["drive"].lane is Lane.HANDS
    assert "drive" not in near


def test_cakes_of_one_order_are_driven_together_once_all_are_in_their_boxes():
    one = replace(cake(), drive_min=20)
    made = tasks(one, replace(one, id=replace(one.id, copy=1)), replace(
        cake("Choir tea"), drive_min=35))
    ways = [work for work in made if work.kind is WorkKind.DRIVE]
    assert [(way.order, way.minutes, len(way.waits)) for way in ways] == [
        ("Harvest supper", 20, 2), ("Choir tea", 35, 1)]
    assert all(wait.on.kind is WorkKind.BOX for way in ways for wait in way.waits)


def test_hands_that_take_a_cake_away_are_gone_until_they_are_back():
    """Handed over at ten, five minutes at the door, and the same 45 minutes home: what the other
    order still asks of these hands is done before or after, and a closed kitchen lets them home.
    """
    far = replace(cake(), drive_min=45)
    found = by_name(tasks(far))
    assert (found["back"].minutes, found["back"].due) == (50, found["drive"].due + 50)
    table = quick_plan(tasks(far, cake("Choir tea", SATURDAY + timedelta(minutes=90))), means())
    assert table.left_out == ()
    back = table.of(WorkId(cake=far.id, kind=WorkKind.BACK))
    assert back.start == minute_of(SATURDAY)
    assert not [one for one in table.placed if one.task.lane is Lane.HANDS
                and one is not back and one.start < back.end and back.start < one.end]
    last = replace(far, due=minute_of(SATURDAY.replace(hour=20, minute=59)))
    table = quick_plan(tasks(last), means())
    assert table.left_out == ()
    assert broken(table.placed, means()) == []


def test_nobody_washes_up_just_before_a_cake_is_taken_away():
    one = replace(cake(), drive_min=30)
    table = quick_plan(tasks(one, cake("Choir tea", SATURDAY + timedelta(hours=3))), means())
    washed = [each for each in table.placed if each.task.kind is WorkKind.WASH]
    assert len(washed) == 2
    for wash in washed:
        box = next(each for each in table.placed if each.task.kind is WorkKind.BOX
                   and each.task.id.cake == wash.task.id.cake)
        assert wash.start >= box.end + (30 if wash.task.order == "Harvest supper" else 0)


def test_what_cannot_wait_moves_as_one_block():
    made = tasks(cake())
    block = next(one for one in blocks_of(made) if of("Harvest supper", WorkKind.BAKE) in one.ids)
    names = {name.text.split("/")[-1] for name in block.ids}
    assert {"mix0", "fill0", "bake0", "outbake0", "stand0", "turn_out0"} <= names
    assert "cool" not in names
    starts = {task.id.text.split("/")[-1]: start for task, start in block.tasks}
    assert starts["outbake0"] == starts["bake0"] + by_name(made)["bake0"].minutes
    assert min(starts.values()) == 0


def test_the_oven_goes_on_just_in_time_and_between_other_work():
    one = cake()
    table = quick_plan(tasks(one), means())
    on, bake = (table.of(of("Harvest supper", kind))
                for kind in (WorkKind.HEAT, WorkKind.BAKE))
    preheat = math.ceil(one.plan.oven.preheat.value)
    assert preheat <= bake.start - on.end <= preheat + 25
    assert "°C" in on.task.words


def test_a_fixed_task_is_a_block_of_its_own():
    made = tasks(cake())
    apart = frozenset({of("Harvest supper", WorkKind.MIX)})
    assert any(one.ids == apart for one in blocks_of(made, apart))


def test_slack_is_the_room_until_the_next_thing():
    def task(key, minutes, after=(), due=None):
        return piece(key, Lane.STANDS, minutes, waits=after, due=due)

    placed = [Placed(task=task("a", 10), start=0),
              Placed(task=task("b", 10, (Wait(on=bare("a"), least_min=5),)), start=40),
              Placed(task=task("c", 10, (Wait(on=bare("a")),), due=100), start=20)]
    assert slacks_of(placed) == {bare("a"): 10, bare("c"): 70}


def test_what_is_made_on_the_last_day_is_offered_for_the_day_before_and_shortens_it():
    made, kitchen = tasks(cake("One", drip=True), cake("Two", width=23, drip=True)), means()
    table = quick_plan(made, kitchen)
    for one in make_ahead(made, kitchen, table.placed):
        assert one.then_min < one.day_min
        assert one.start < kitchen.windows[-1][0]
        assert table.of(one.id).start >= kitchen.windows[-1][0]
    assert make_ahead(made, means(days=1), table.placed) == []
    offered = {one.id for one in make_ahead(made, kitchen, table.placed)}
    assert offered
    for held in ({"fixed": True}, {"done": True}):
        # What the baker put somewhere or has done is never offered to be moved.
        placed = [replace(one, **held) for one in table.placed]
        assert make_ahead(made, kitchen, placed) == []


def test_what_the_evening_before_has_no_room_for_is_offered_for_the_one_before_it():
    made = tasks(cake("One", drip=True))
    kitchen = means(days=3)
    thursday, friday, saturday = kitchen.windows
    # On Friday there is a quarter of an hour, late.
    kitchen = replace(kitchen, windows=(thursday, (friday[1] - 15, friday[1]), saturday))
    table = quick_plan(made, kitchen)
    offers = make_ahead(made, kitchen, table.placed)
    days = {one.id.part: one.start for one in offers}
    assert any(start < thursday[1] for start in days.values())
    for one in offers:
        assert one.then_min < one.day_min
        assert any(opens <= one.start < closes for opens, closes in kitchen.windows[:-1])


def test_all_that_can_be_made_ahead_at_once_shortens_the_day_more_than_each_alone():
    made = tasks(cake("One", drip=True), cake("Two", width=23, drip=True))
    kitchen = means()
    table = quick_plan(made, kitchen)
    offers = make_ahead(made, kitchen, table.placed)
    both = ahead_together(offers, made, kitchen)
    assert both is not None
    assert both.then_min < min(one.then_min for one in offers)
    assert {name for name, _ in both.starts} == {one.id for one in offers}
    taken = quick_plan(made, kitchen, {name: Fix(start=start) for name, start in both.starts})
    assert taken.left_out == ()
    own = [one for one in taken.placed
           if one.task.awake and one.start >= kitchen.windows[-1][0]]
    assert max(one.end for one in own) - min(one.start for one in own) <= both.then_min
    assert ahead_together(offers[:1], made, kitchen) is None


def test_costs_are_minutes_by_their_weights():
    whose = CakeId(order=1)
    bake = Work(id=bare("b", whose), order="", words="b", minutes=40, lane=Lane.OVEN,
                heat=Heat(c=170))
    box = Work(id=bare("a", whose), order="", words="a", minutes=10, lane=Lane.HANDS, due=200)
    costs = costs_of([Placed(task=bake, start=100, oven=0), Placed(task=bake, start=120, oven=0),
                      Placed(task=box, start=170)])
    assert (costs.waits_finished_min, costs.oven_on_min, costs.early_min) == (20, 60, 100)
    assert costs.points == 20 * WAITS_FINISHED + 60 * OVEN_ON + 100 * EARLY


def test_hands_and_hours_are_added_up():
    made = tasks(cake())
    assert hands_of(made) == sum(one.minutes for one in made if one.lane is Lane.HANDS)
    assert hours_min(means(days=2)) == 2 * 14 * 60
    assert hours_min(means(days=2, hands=2)) == 4 * 14 * 60
    kitchen = means(days=2)
    later = replace(kitchen, now=kitchen.windows[0][1] - 60)
    assert hours_min(later) == 60 + 14 * 60


@pytest.mark.parametrize(("heat", "oven", "takes"), [
    (Heat(c=170, kind="fan"), OvenMeans(name="A", kind="fan"), True),
    (Heat(c=170, kind="fan"), OvenMeans(name="A", kind="gas"), False),
    (Heat(c=170, kind="fan"), OvenMeans(name="A"), True),
    (Heat(c=170, shelves=2), OvenMeans(name="A", shelves=1), False)])
def test_a_bake_goes_only_into_an_oven_it_is_timed_for(heat, oven, takes):
    assert oven.takes(heat) is takes


def test_a_bake_put_somewhere_takes_the_oven_that_is_named_or_the_first_that_is_right():
    kitchen = replace(means(), ovens=(OvenMeans(name="Gas", kind="gas"),
                                      OvenMeans(name="Fan", kind="fan"),
                                      OvenMeans(name="Other fan", kind="fan")))
    bake = piece("a", Lane.OVEN, 40, heat=Heat(c=170, kind="fan"), due=kitchen.windows[0][1])
    start = kitchen.windows[0][0] + 120
    for named, place in ((None, 1), (2, 2), (9, 1)):
        table = quick_plan([bake], kitchen, {bare("a"): Fix(start=start, oven=named)})
        assert table.of(bare("a")).oven == place
        assert not [one for one in table.findings if one.code == "plan_fixed_breaks"]


def test_what_is_taken_can_be_given_back():
    kitchen = means(pans={"Tin": 1})
    room = Room(means=kitchen, base=kitchen.windows[0][0], length=2 * 24 * 60)
    one = Placed(task=piece("a", pans={"Tin": 1}, bowl=True), start=kitchen.windows[0][0] + 60)
    assert room.ends_by(one.task, one.start) is None
    room.take(one)
    assert room.ends_by(one.task, one.start) == one.start
    room.give(one)
    assert room.ends_by(one.task, one.start) is None
    assert room.ends_by(one.task, kitchen.windows[0][0] - 5) is not None


def test_a_task_has_to_end_before_all_that_is_in_its_way_begins():
    kitchen = means(pans={"Tin": 1, "Tray": 1})
    day = kitchen.windows[0][0]
    room = Room(means=kitchen, base=day - 60, length=2 * 24 * 60)
    for key, start, pans in (("a", 100, {"Tin": 1}), ("b", 130, {"Tin": 1}),
                             ("c", 90, {"Tray": 1})):
        room.take(Placed(task=piece(key, Lane.STANDS, pans=pans), start=day + start))
    def wants(**more: object) -> Work:
        return piece("z", Lane.STANDS, 40, **more)

    # Two that follow one another are one stretch; of two things in the way the earlier counts.
    assert room.ends_by(wants(pans={"Tin": 1}), day + 145) == day + 100
    assert room.ends_by(wants(pans={"Tin": 1, "Tray": 1}), day + 110) == day + 90
    assert room.ends_by(wants(pans={"Tin": 1}), day + 160) is None
    assert room.ends_by(wants(pans={"Tin": 1}), day + 60) is None
    # Nobody is up: it ends as the night begins. More pans than there are: never.
    night = kitchen.windows[0][1]
    assert room.ends_by(replace(wants(), lane=Lane.HANDS), night + 200) == night
    assert room.ends_by(wants(pans={"Tin": 2}), day + 200) == room.base
    # Every start between is in the way of the same thing.
    for start in range(day + 61, day + 145):
        assert room.ends_by(wants(pans={"Tin": 1}), start) is not None
