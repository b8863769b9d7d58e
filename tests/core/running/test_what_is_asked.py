"""Unlike pans in one load, ovens hot or taken, what was passed by: what is asked for now."""

from __future__ import annotations

from dataclasses import replace

import pytest

from entremet.core.finished.finish import finish
from entremet.core.running.events import EventKind
from entremet.core.running.from_cakes import sheet_of
from entremet.core.running.lead import Act, lead_of
from entremet.core.running.sheet import DayStep, RowTimes, RunSheet
from entremet.core.running.state import Stand, state_of
from entremet.core.running.still_hot import still_hot
from entremet.core.running.timers import TimerKind, timers_of
from entremet.core.work.ids import CakeId, WorkId, WorkKind
from entremet.core.work.work import Lane, Wait, Work
from tests.core.conftest import entry, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import plan as plan_of
from tests.core.running.test_running import START, TIMES, after, named, short_day, step, tick
from tests.core.timetable.days import cake

UNLIKE = replace(TIMES, first_look_min=14, lead=0, rows=(
    RowTimes(row=1, label="12 wells", first_look_min=14, likely_min=18, latest_min=22),
    RowTimes(row=0, label="Round 20", first_look_min=24, likely_min=30, latest_min=36)))


def unlike_day():
    """A tray and a round in one load, each with its own time in its pan."""
    def stand(row):
        name = WorkId(cake=CakeId(order=1), kind=WorkKind.STAND, place=row)
        return DayStep(work=Work(id=name, order="One", words=f"stand {row}", minutes=10,
                                 lane=Lane.STANDS, waits=(Wait(on=named("loaded", WorkKind.BAKE)),
                                                          )))
    return RunSheet(title="Unlike", dues=(), steps=(
        step("loaded", WorkKind.BAKE, 36, bake=UNLIKE), stand(0), stand(1)))


def unlike(minutes, *ticks):
    state = state_of(unlike_day(), [tick("loaded", 0, EventKind.PUT_IN), *ticks], after(minutes))
    return state, {one.kind: (one.at - START).total_seconds() / 60 for one in timers_of(state)}


def test_unlike_pans_of_one_load_come_out_each_at_its_own_time():
    _, calls = unlike(1)
    assert (calls[TimerKind.FIRST_LOOK], calls[TimerKind.LIKELY], calls[TimerKind.LATEST]) == (
        14, 18, 22)
    small_out = tick("loaded", 17, EventKind.OUT, place=1)
    state, calls = unlike(18, small_out)
    bake, big, small = state.steps
    assert bake.stand is Stand.RUNNING
    assert (calls[TimerKind.FIRST_LOOK], calls[TimerKind.LIKELY], calls[TimerKind.LATEST]) == (
        24, 30, 36)
    # What is out stands in its pan from then on; what is in does not.
    assert (small.stand, small.started) == (Stand.RUNNING, after(17))
    assert big.stand is Stand.WAITING
    both = [small_out, tick("loaded", 31, EventKind.OUT, place=0)]
    state, _ = unlike(32, *both)
    bake, big, small = state.steps
    assert (bake.stand, bake.ended, bake.out) == (
        Stand.DONE, after(31), {1: after(17), 0: after(31)})
    assert (big.started, small.started) == (after(31), after(17))


def test_whoever_took_one_out_looks_again_when_the_next_is_due_and_not_at_once():
    late_out = tick("loaded", 23, EventKind.OUT, place=1)
    assert unlike(23.5, late_out)[0].steps[0].look_at == after(27)  # 24 is due, 4 min are given
    not_yet = tick("loaded", 14, EventKind.NOT_YET)
    assert unlike(15, not_yet)[0].steps[0].look_at == after(18)
    assert unlike(18, not_yet, tick("loaded", 17, EventKind.OUT, place=1)
                  )[0].steps[0].look_at == after(24)
    again = [tick("loaded", 17, EventKind.OUT, place=1), tick("loaded", 25, EventKind.NOT_YET)]
    assert unlike(26, *again)[0].steps[0].look_at == after(29)


def test_all_of_them_out_at_once_ends_the_load_and_a_row_that_is_none_changes_nothing():
    state, _ = unlike(20, tick("loaded", 18, EventKind.OUT, place=7))
    assert state.steps[0].stand is Stand.RUNNING
    assert state.steps[0].out == {}
    state, _ = unlike(32, tick("loaded", 17, EventKind.OUT, place=1),
                      tick("loaded", 30, EventKind.DONE))
    bake, big, small = state.steps
    assert (bake.ended, big.started, small.started) == (after(30), after(30), after(17))
    _, calls = unlike(18, tick("loaded", 17, EventKind.OUT, place=1,), tick("x", 17))
    assert TimerKind.FIRST_LOOK in calls


def test_rows_are_told_apart_only_where_they_are_not_done_together():
    def rows(*entries):
        plan = plan_of(make_card(), *entries)
        sheet = sheet_of("Day", [replace(cake(), plan=plan, finish=finish(plan))])
        return [one.bake.rows for one in sheet.steps if one.kind is WorkKind.BAKE]

    assert rows(entry(round_pan(18), 2)) == [()]
    (apart,) = rows(entry(round_pan(20), 1), entry(wells_pan(), 12))
    assert [one.label for one in apart] == ["12 wells of tray", "round"]
    assert apart[0].first_look_min < apart[0].likely_min < apart[1].likely_min


def test_what_was_passed_by_is_asked_for_no_more():
    sheet = short_day()
    ticks = [tick("mix", 0), tick("fill", 5), tick("bake", 30, EventKind.PUT_IN)]
    state = state_of(sheet, ticks, after(31))
    # The oven was never ticked on, and a cake is in it.
    assert state.of(named("heat")).stand is Stand.READY
    lead = lead_of(state)
    assert lead.now.step.id == named("make")
    assert all(one.step.id != named("heat") for one in lead.next)
    skipped = state_of(sheet, [tick(name, 30) for name in ("fill",)], after(31))
    assert lead_of(skipped).now.step.id != named("mix")
    ended = [tick(one.id.part, 170, EventKind.PUT_IN if one.kind is WorkKind.BAKE
                  else EventKind.DONE) for one in sheet.steps if one.id.part != "heat"]
    over = state_of(sheet, [*ended, tick("bake", 175)], after(400))
    assert lead_of(over).act is Act.END


def test_a_bake_that_is_in_the_oven_is_not_passed_by_when_the_next_load_is_filled():
    sheet = RunSheet(title="Two", dues=(), steps=(
        step("first", WorkKind.BAKE, 30, bake=TIMES),
        step("fill_two", WorkKind.FILL, 5, Wait(on=named("first"), least_min=-20)),
        step("second", WorkKind.BAKE, 30, "fill_two", bake=TIMES)))
    state = state_of(sheet, [tick("fill_two", 1)], after(2))
    assert lead_of(state).now.step.id == named("first")


def of_order(order, kind):
    return WorkId(cake=CakeId(order=order), kind=kind)


def two_bakes(*ticks, at, second=180, oven="Main oven"):
    """Two cakes at one heat after each other, in one oven; each switches it on for itself."""
    state = baked_after_each_other(*ticks, at=at, second=second, oven=oven)
    return still_hot(state, state.of(of_order(2, WorkKind.HEAT)))


def baked_after_each_other(*ticks, at, second, oven="Main oven"):
    def both(order, name):
        on, heat = of_order(order, WorkKind.HEAT), 180 if order == 1 else second
        where = "Main oven" if order == 1 else oven
        return (DayStep(work=Work(id=on, order=name, words=f"{where} on, {heat} °C · {name}",
                                  minutes=1, lane=Lane.HANDS)),
                DayStep(work=Work(id=of_order(order, WorkKind.BAKE), order=name, minutes=30,
                                  words=f"Bake {name}", lane=Lane.OVEN,
                                  waits=(Wait(on=on, least_min=18),)), bake=TIMES))
    return state_of(RunSheet(title="Two", dues=(), steps=(*both(1, "Plum"), *both(2, "Ring"))),
                    ticks, after(at))


def test_an_oven_that_is_hot_still_is_said_to_be_and_one_that_cooled_is_not():
    on, bake = (of_order(1, kind).text for kind in (WorkKind.HEAT, WorkKind.BAKE))
    on, put_in, out = tick(on, 0), tick(bake, 18, EventKind.PUT_IN), tick(bake, 50)
    assert two_bakes(on, at=5) == ""
    assert two_bakes(on, put_in, at=40) == (
        "It is on at this heat: Bake Plum is in it. Leave it on.")
    assert two_bakes(on, put_in, out, at=65).startswith("It is hot still from Bake Plum.")
    assert two_bakes(on, put_in, out, at=66) == ""
    again = tick(of_order(2, WorkKind.HEAT).text, 52)
    assert two_bakes(on, put_in, out, again, at=55) == ""


@pytest.mark.parametrize(("at", "told"), [(149, True), (151, False), (1000, False)])
def test_what_cooled_is_told_of_for_an_hour_and_a_cake_in_its_pan_until_it_is_out(at, told):
    ticks = [tick("mix", 0), tick("fill", 5), tick("heat", 0), tick("bake", 20, EventKind.PUT_IN),
             tick("bake", 20)]

    def kinds(*more, now):
        return {one.kind for one in timers_of(state_of(short_day(), [*ticks, *more], after(now)))}
    assert (TimerKind.COLD in kinds(tick("stand", 30), tick("turn_out", 30), now=at)) is told
    assert TimerKind.OUT_OF_PAN in kinds(now=1000)


@pytest.mark.parametrize(("second", "oven", "asked"), [
    (180, "Main oven", True), (150, "Main oven", False), (150, "Upper oven", True)])
def test_nobody_turns_the_knob_under_a_cake_that_wants_another_heat(second, oven, asked):
    on, bake = (of_order(1, kind).text for kind in (WorkKind.HEAT, WorkKind.BAKE))
    ticks = [tick(on, 0), tick(bake, 18, EventKind.PUT_IN)]
    lead = lead_of(baked_after_each_other(*ticks, at=25, second=second, oven=oven))
    assert (lead.act is Act.DO) is asked
    assert (lead.now is not None) is asked
    # Once it is out the oven is set for the next.
    later = lead_of(baked_after_each_other(*ticks, tick(bake, 50), at=51, second=second, oven=oven))
    assert later.now.step.id == of_order(2, WorkKind.HEAT)
