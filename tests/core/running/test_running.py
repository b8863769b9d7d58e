"""A day led through: what leads, what calls, what is taken back, what is late."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from itertools import count

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.baking.window import Window
from entremet.core.card.lines import Component, ScalesBy
from entremet.core.finished.finish import finish
from entremet.core.running.events import Event, EventKind, in_force
from entremet.core.running.forecast import forecast
from entremet.core.running.from_cakes import SOFT, sheet_of
from entremet.core.running.lead import Act, lead_of, overdue
from entremet.core.running.paces import paces_of
from entremet.core.running.pouring import (
    band,
    bowl_loss_g,
    bowl_loss_share,
    over_words,
    pans_to_fill,
)
from entremet.core.running.rescue import rescues_of
from entremet.core.running.sheet import BakeTimes, DayStep, Due, Pour, RunSheet
from entremet.core.running.state import Stand, state_of
from entremet.core.running.timers import TimerKind, timers_of
from entremet.core.timetable.plan_days import quick_plan
from entremet.core.work.ids import CakeId, WorkId, WorkKind
from entremet.core.work.work import Lane, Wait, Work
from tests.core.conftest import base_layer_lines, entry, line, make_card, round_pan
from tests.core.plan.test_plan import plan as plan_of
from tests.core.timetable.days import cake, means, tasks

START = datetime(2026, 11, 28, 8, tzinfo=UTC)
NUMBERS = count()
NAMES: dict[str, WorkId] = {}


def after(minutes):
    return START + timedelta(minutes=minutes)


def tick(step, minutes, kind=EventKind.DONE, **more):
    return Event(id=f"tick-{next(NUMBERS)}", kind=kind, at=after(minutes),
                 step=NAMES[step].text if step in NAMES else step, **more)


def named(name, kind=WorkKind.FINISH):
    """Return the id of a step by its name; the same whenever it is asked for."""
    return NAMES.setdefault(name, WorkId(cake=CakeId(order=1), kind=kind, place=len(NAMES),
                                         part=name))


def step(name, kind, minutes=5, *waits, **more):
    return DayStep(work=Work(
        id=named(name, kind), order="One", words=name, minutes=minutes, lane=Lane.HANDS,
        waits=tuple(one if isinstance(one, Wait) else Wait(on=named(one)) for one in waits)),
        **more)


TIMES = BakeTimes(first_look_min=24, early_min=26, likely_min=30, latest_min=36, turn_min=24,
                  cover_min=20, give_min=4)


def short_day(loud=False):
    due = Due(order="One", at=after(180), last=named("box", WorkKind.BOX))
    return RunSheet(title="Short", dues=(due,), steps=(
        step("heat", WorkKind.HEAT, 1),
        step("mix", WorkKind.MIX, 20, planned=after(0)),
        step("fill", WorkKind.FILL, 5, "mix"),
        step("bake", WorkKind.BAKE, 30, "fill", Wait(on=named("heat"), least_min=18), bake=TIMES),
        step("stand", WorkKind.STAND, 10, "bake", loud=loud),
        step("turn_out", WorkKind.TURN_OUT, 3, "stand"),
        step("make", WorkKind.MAKE, 10),
        step("cool", WorkKind.COOL, 60, "turn_out"),
        step("coat", WorkKind.FINISH, 20, "cool", "make"),
        step("box", WorkKind.BOX, 9, "coat")))


def lead(ticks, minutes, sheet=None):
    return lead_of(state_of(sheet or short_day(), ticks, after(minutes)))


def calls(ticks, minutes, sheet=None, probed=None):
    day = state_of(sheet or short_day(), ticks, after(minutes))
    return {one.kind: round((one.at - START).total_seconds() / 60)
            for one in timers_of(day, probed or {})}


def test_a_day_is_led_through_from_start_to_end():
    ticks = []
    assert lead(ticks, 0).now.step.words == "heat"
    ticks.append(tick("heat", 0))
    found = lead(ticks, 1)
    assert (found.act, found.now.step.words) == (Act.DO, "mix")
    assert [one.step.words for one in found.next] == ["make", "fill"]
    ticks += [tick("mix", 20), tick("fill", 25)]
    assert lead(ticks, 25).act is Act.PUT_IN
    ticks.append(tick("bake", 26, EventKind.PUT_IN))
    assert lead(ticks, 27).now.step.words == "make"
    ticks.append(tick("make", 40))
    assert lead(ticks, 41).act is Act.WAIT
    assert (lead(ticks, 50).act, lead(ticks, 50).now.step.words) == (Act.LOOK, "bake")
    ticks.append(tick("bake", 51, EventKind.NOT_YET))
    assert lead(ticks, 52).act is Act.WAIT
    assert lead(ticks, 55).act is Act.LOOK
    ticks.append(tick("bake", 56))
    assert lead(ticks, 60).act is Act.WAIT
    assert (lead(ticks, 66).act, lead(ticks, 66).now.step.words) == (Act.TURN_OUT, "turn_out")
    ticks.append(tick("turn_out", 68))
    assert lead(ticks, 100).act is Act.WAIT
    ticks += [tick("coat", 150), tick("box", 160)]
    assert lead(ticks, 161).act is Act.END


def test_batter_waits_for_a_cold_oven_and_the_sheet_says_when_it_is_hot():
    ticks = [tick("mix", 20), tick("fill", 25), tick("heat", 24)]
    assert calls(ticks, 26)[TimerKind.PREHEAT] == 42
    assert lead(ticks, 41).now.step.words == "make"
    assert lead(ticks, 42).act is Act.PUT_IN


def test_an_oven_that_is_hot_already_is_waited_for_no_longer():
    filled = [tick("mix", 20), tick("fill", 25)]
    for ticks in ([tick("heat", 24, EventKind.HOT)],
                  [tick("heat", 24), tick("heat", 30, EventKind.HOT)]):
        seen = [*filled, *ticks]
        assert TimerKind.PREHEAT not in calls(seen, 31)
        assert lead(seen, 31).act is Act.PUT_IN
        # It is taken back as any tick is.
        back = [*seen, Event(id=f"tick-{next(NUMBERS)}", kind=EventKind.UNDO, at=after(32),
                             step=ticks[-1].id)]
        assert lead(back, 33).act is not Act.PUT_IN
    cold, hot = (forecast(short_day(), state_of(short_day(), [*filled, tick("heat", 24, kind)],
                                                after(26))).orders[0].ready
                 for kind in (EventKind.DONE, EventKind.HOT))
    assert hot == cold - timedelta(minutes=16)
    # Of anything else it says nothing.
    assert state_of(short_day(), [tick("mix", 20, EventKind.HOT)], after(21)).of(
        named("mix")).stand is Stand.READY


def test_timers_of_a_bake_come_and_go():
    ticks = [tick("heat", 0), tick("mix", 20), tick("fill", 25)]
    assert calls(ticks, 25) == {TimerKind.PREHEAT: 18}
    ticks.append(tick("bake", 26, EventKind.PUT_IN))
    assert calls(ticks, 27) == {TimerKind.COVER: 46, TimerKind.FIRST_LOOK: 50, TimerKind.TURN: 50,
                                TimerKind.LIKELY: 56, TimerKind.LATEST: 62}
    ticks += [tick("bake", 46, EventKind.COVERED), tick("bake", 50, EventKind.TURNED),
              tick("bake", 51, EventKind.NOT_YET)]
    assert calls(ticks, 52) == {TimerKind.LOOK_AGAIN: 55, TimerKind.LIKELY: 56,
                                TimerKind.LATEST: 62}
    ticks.append(tick("bake", 56))
    assert calls(ticks, 57) == {TimerKind.OUT_OF_PAN: 66}
    ticks.append(tick("turn_out", 67))
    assert calls(ticks, 68) == {TimerKind.COLD: 127}


def test_too_dark_covers_and_looks_again():
    ticks = [tick("heat", 0), tick("mix", 20), tick("fill", 25),
             tick("bake", 26, EventKind.PUT_IN), tick("bake", 50, EventKind.TOO_DARK)]
    assert calls(ticks, 51)[TimerKind.FIRST_LOOK] == 54
    assert TimerKind.COVER not in calls(ticks, 51)


def test_a_probe_narrows_what_is_shown_and_leaves_the_looks():
    ticks = [tick("heat", 0), tick("mix", 20), tick("fill", 25),
             tick("bake", 26, EventKind.PUT_IN)]
    probed = {named("bake"): Window(first_look_min=24, early_min=33, likely_min=34, latest_min=35)}
    found = calls(ticks, 30, probed=probed)
    assert (found[TimerKind.LIKELY], found[TimerKind.LATEST]) == (60, 61)
    assert found[TimerKind.FIRST_LOOK] == 50


def test_a_ring_is_loud_and_a_mix_is_finished_first():
    ring = short_day(loud=True)
    ticks = [tick("heat", 0), tick("mix", 20), tick("fill", 25),
             tick("bake", 26, EventKind.PUT_IN), tick("bake", 56)]
    day = state_of(ring, ticks, after(60))
    assert [one.loud for one in timers_of(day)] == [True]
    two = RunSheet(title="Two", steps=(*ring.steps, step("mix 2", WorkKind.MIX, 20)))
    held = [*ticks, tick("make", 57)]
    assert lead(held, 60, two).now.step.words == "mix 2"
    found = lead(held, 67, two)
    assert found.now.step.words == "turn_out"
    assert found.finish_first.step.words == "mix 2"


def test_what_was_ticked_of_a_bake_before_it_went_in_says_nothing_of_it():
    ticks = [tick("heat", 0), tick("mix", 20), tick("fill", 25),
             tick("bake", 10, EventKind.NOT_YET), tick("bake", 11, EventKind.DONE),
             tick("bake", 12, EventKind.COVERED), tick("bake", 26, EventKind.PUT_IN)]
    found = state_of(short_day(), ticks, after(27)).of(named("bake"))
    assert (found.stand, found.looks, found.covered) == (Stand.RUNNING, 0, None)
    assert found.look_at == after(50)


def test_two_screens_that_tap_at_once_put_it_in_once():
    ticks = [tick("heat", 0), tick("mix", 20), tick("fill", 25),
             tick("bake", 26, EventKind.PUT_IN), tick("bake", 26.05, EventKind.PUT_IN),
             tick("make", 30), tick("make", 30.1)]
    day = state_of(short_day(), ticks, after(31))
    assert day.of(named("bake")).stand is Stand.RUNNING
    assert day.of(named("bake")).started == after(26)
    assert day.of(named("make")).ended == after(30)


def test_any_tick_is_taken_back_and_put_back():
    mixed = tick("mix", 20)
    back = tick(mixed.id, 21, EventKind.UNDO)
    again = tick(back.id, 22, EventKind.UNDO)
    assert state_of(short_day(), [mixed, back], after(23)).of(named("mix")).stand is Stand.READY
    twice = state_of(short_day(), [mixed, back, again], after(23))
    assert twice.of(named("mix")).ended == after(20)


def test_what_is_held_lets_others_go_first():
    ticks = [tick("heat", 0), tick("mix", 1, EventKind.HELD)]
    assert lead(ticks, 2).now.step.words == "make"
    assert lead([*ticks, tick("make", 9)], 10).now.step.words == "mix"


KEYS = [one.id.text for one in short_day().steps]


@st.composite
def ticks_of_two_screens(draw):
    made = []
    for number in range(draw(st.integers(1, 14))):
        kind = draw(st.sampled_from(list(EventKind)))
        target = draw(st.sampled_from([one.id for one in made])) if (
            made and kind is EventKind.UNDO) else draw(st.sampled_from(KEYS))
        made.append(Event(id=f"{draw(st.sampled_from('ab'))}-{number}", kind=kind, step=target,
                          at=after(draw(st.integers(0, 90))), amount=draw(st.integers(0, 30)),
                          place=draw(st.integers(0, 2))))
    return made


@given(ticks_of_two_screens(), st.randoms(use_true_random=False), st.integers(0, 200))
def test_any_order_of_arrival_ends_in_one_state(made, rng, minutes):
    """Also where a tick arrives twice, and where the one it takes back comes after it."""
    other = [*made, *(one for one in made if rng.random() < 0.3)]
    rng.shuffle(other)
    first, second = (state_of(short_day(), each, after(minutes)) for each in (made, other))
    assert first == second
    assert lead_of(first) == lead_of(second)
    assert timers_of(first) == timers_of(second)
    assert forecast(short_day(), first) == forecast(short_day(), second)
    assert len(in_force(other)) <= len(made)


def test_the_forecast_says_when_it_is_ready_and_what_is_late():
    early = forecast(short_day(), state_of(short_day(), [], after(0)))
    (one,) = early.orders
    # 20 + 5 of hands after the oven is on, 30 in it, 10 standing, 3 turned out, 60 cooling, 20, 9.
    assert one.ready == after(1 + 20 + 5 + 30 + 10 + 3 + 60 + 20 + 9)
    assert one.late_min == -22
    assert early.behind_min == 0
    late = forecast(short_day(), state_of(short_day(), [tick("", 30, EventKind.LATE, amount=40)],
                                          after(31)))
    assert late.orders[0].late_min == one.late_min + 70
    assert late.behind_min == 71
    assert late.moved == (("mix", 71),)


def test_a_sheet_from_a_plan_holds_what_the_hands_need():
    made = cake(drip=True, inscription="Well sown")
    plan = quick_plan(tasks(made), means())
    sheet = sheet_of("Saturday", [made], placed=plan.placed)
    by_kind = {}
    for one in sheet.steps:
        by_kind.setdefault(one.kind, []).append(one)
    assert {WorkKind.WEIGH, WorkKind.HEAT, WorkKind.MIX, WorkKind.FILL, WorkKind.BAKE,
            WorkKind.STAND, WorkKind.TURN_OUT, WorkKind.COOL, WorkKind.MAKE, WorkKind.FINISH,
            WorkKind.CHILL, WorkKind.BOX, WorkKind.WASH, WorkKind.TAKE_OUT} <= by_kind.keys()
    (weigh,), (fill,), (bake,) = (by_kind[kind] for kind in (
        WorkKind.WEIGH, WorkKind.FILL, WorkKind.BAKE))
    assert sum(one.g for one in weigh.amounts if one.g) == pytest.approx(
        sum(line.g for line in made.plan.mixes[0].lines if line.g))
    assert fill.pours[0].each_g == pytest.approx(made.plan.pans[0].standing.batter_g)
    window = made.plan.pans[0].bake.window
    assert (bake.bake.first_look_min, bake.bake.latest_min) == (
        window.first_look_min, window.latest_min)
    assert bake.bake.signs
    assert all(one.planned for one in sheet.steps if not one.id.part.startswith(SOFT))
    assert sheet.dues[0].last.kind is WorkKind.BOX
    assert sheet.dues[0].at is not None
    known = set()
    for one in sheet.steps:
        assert all(wait.on in known for wait in one.waits), one.id
        known.add(one.id)


def test_a_fit_made_at_once_is_led_to_its_end_by_taking_what_leads():
    made = cake()
    sheet = sheet_of("Now", [made])
    assert sheet.dues[0].at is None
    ticks, minutes, in_oven = [], 0.0, {}
    for _ in range(400):
        day = state_of(sheet, ticks, after(minutes))
        found = lead_of(day)
        if found.act is Act.END:
            break
        if found.act is Act.WAIT:
            minutes += 1
            continue
        kind = EventKind.PUT_IN if found.act is Act.PUT_IN else EventKind.DONE
        if found.act is Act.PUT_IN:
            in_oven[found.now.step.id] = minutes
            hot = next(one for one in day.steps if one.step.kind is WorkKind.HEAT)
            since = minutes - (hot.ended - START).total_seconds() / 60
            assert since >= made.plan.oven.preheat.value - 1
        minutes += 1 if found.act is Act.PUT_IN else found.now.step.minutes
        ticks.append(tick(found.now.step.id.text, minutes, kind))
    assert lead_of(state_of(sheet, ticks, after(minutes))).act is Act.END
    assert len(in_oven) == 1


def test_a_pan_filled_by_hand_is_filled_and_nothing_is_said_of_its_grams():
    pours = [Pour(pan="Round 20", count=2, each_g=430)]
    by_hand, weighed = pans_to_fill(pours, {0: 0.0, 1: 431.0})
    assert (by_hand.filled, by_hand.poured_g) == (True, None)
    assert (weighed.filled, weighed.poured_g) == (True, 431.0)
    assert bowl_loss_g(pours, {0: 0.0, 1: 431.0}, 890) is None


@pytest.mark.parametrize(("wanted", "step", "marks"), [
    (500, 1, (450, 499.5, 510.5)), (3, 0.1, (2.7, 2.95, 3.11)), (3, 1, (2.7, 2.5, 3.56))])
def test_the_marks_of_a_scale_are_no_finer_than_it_reads(wanted, step, marks):
    found = band(wanted, step_g=step)
    assert (found.near_g, found.least_g, found.most_g) == pytest.approx(marks)


def test_what_waits_longer_than_it_may_is_said_with_why():
    waits = Wait(on=named("mix"), most_min=20, why="the raising begins at once")
    sheet = RunSheet(title="Batter", steps=(step("mix", WorkKind.MIX, 20),
                                         step("fill", WorkKind.FILL, 5, waits)))
    ticks = [tick("mix", 20)]
    assert overdue(state_of(sheet, ticks, after(40))) == []
    (found,) = overdue(state_of(sheet, ticks, after(52)))
    assert found.text == ("fill has waited for 32 min; 20 at most: the raising begins at once.")
    assert overdue(state_of(sheet, [*ticks, tick("fill", 53)], after(90))) == []


def test_pans_say_what_they_still_want_and_the_bowl_what_stayed():
    pours = [Pour(pan="Round 20", count=2, each_g=430), Pour(pan="Round 15", count=1, each_g=210)]
    pans = pans_to_fill(pours, {0: 433.0})
    assert [(one.pan, round(one.left_g)) for one in pans] == [
        ("Round 20", -3), ("Round 20", 430), ("Round 15", 210)]
    assert bowl_loss_g(pours, {0: 433, 1: 428}, 1090) is None
    assert bowl_loss_g(pours, {0: 433, 1: 428, 2: 208}, 1090) == pytest.approx(21)
    assert bowl_loss_g(pours, {0: 433, 1: 428, 2: 308}, 1090) is None


@pytest.mark.parametrize(("args", "more", "said"), [
    ((500, 500), {}, ""),
    ((508, 500), {}, "Over by 8 g: nothing that shows; leave it."),
    ((514, 500), {"rest": 2}, "Over by 14 g: take some out, or make the rest 1.03 times as much."),
    ((560, 500), {"rest": 2}, "Over by 60 g: take some out."),
    ((460, 430), {"rest": 2, "poured": True},
     "Over by 30 g: spoon some back, or let the other 2 have 15 g less each."),
    ((460, 430), {"poured": True}, "Over by 30 g: spoon some back.")])
def test_too_much_says_what_can_be_done(args, more, said):
    assert over_words(*args, **more) == said


def test_every_step_where_things_go_wrong_has_advice():
    for kind in (WorkKind.MIX, WorkKind.BAKE, WorkKind.TURN_OUT, WorkKind.MAKE, WorkKind.FINISH):
        assert all(one.what and one.now and one.next for one in rescues_of(kind))
        assert rescues_of(kind)
    assert rescues_of(WorkKind.WASH) == ()


def test_hands_are_timed_from_the_step_before_and_from_when_it_could_begin():
    sheet = RunSheet(title="Day", steps=(
        step("weigh", WorkKind.WEIGH, 10), step("mix", WorkKind.MIX, 20, "weigh"),
        step("fill", WorkKind.FILL, 2, "mix"), step("bake", WorkKind.BAKE, 30, "fill", bake=TIMES),
        step("turn_out", WorkKind.TURN_OUT, 4, Wait(on=named("bake"), least_min=10))))
    ticks = [tick("weigh", 10), tick("mix", 40), tick("fill", 42),
             tick("bake", 43, EventKind.PUT_IN), tick("bake", 75), tick("turn_out", 91)]
    # Thirty minutes of mixing for twenty; turning out began when it could, ten minutes after.
    assert paces_of(state_of(sheet, ticks, after(200))) == [1.5, 1.5]
    # On a sheet laid out for slow hands the same minutes are as slow by the book.
    assert paces_of(state_of(sheet, ticks, after(200)), pace=1.2) == [1.8, 1.8]
    # However long the way took says nothing of hands.
    way = RunSheet(title="Day", steps=(*sheet.steps, step("way", WorkKind.DRIVE, 20, "turn_out")))
    assert paces_of(state_of(way, [*ticks, tick("way", 191)], after(300))) == [1.5, 1.5]
    slept = [tick("weigh", 10), tick("mix", 400)]
    assert paces_of(state_of(sheet, slept, after(500))) == []


def test_a_bowl_keeps_a_share_and_none_where_more_came_out_than_was_in_it():
    pours = [Pour(pan="Round", count=2, each_g=400)]
    assert bowl_loss_share(pours, {0: 390, 1: 390}, 800) == pytest.approx(0.025)
    assert bowl_loss_share(pours, {0: 390}, 800) is None
    assert bowl_loss_share(pours, {0: 450, 1: 450}, 800) is None


def test_a_sheet_knows_the_pace_it_was_laid_out_for():
    slow = cake("One", due=START + timedelta(hours=8))
    assert sheet_of("Day", [slow]).pace == slow.pace == 1.0
    assert sheet_of("Day", [replace(slow, pace=1.5)]).pace == 1.5


@pytest.mark.parametrize(("said", "left"), [
    ((), {"turn", "cover"}), ((EventKind.TURNED,), {"cover"}), ((EventKind.COVERED,), {"turn"}),
    ((EventKind.TURNED, EventKind.COVERED), set())])
def test_turning_and_covering_are_called_until_they_are_done(said, left):
    ticks = [tick("heat", 0), tick("mix", 20), tick("fill", 25),
             tick("bake", 30, EventKind.PUT_IN), *(tick("bake", 40, kind) for kind in said)]
    day = state_of(short_day(), ticks, after(45))
    kinds = {one.kind.value for one in timers_of(day) if one.step.words == "bake"}
    assert kinds & {"turn", "cover"} == left


def test_orders_of_one_title_are_due_each_at_its_own_hour():
    one, other = (cake("Choir tea", START + timedelta(hours=hours)) for hours in (5, 8))
    other = replace(other, id=replace(other.id, order=other.id.order + 1))
    sheet = sheet_of("Two teas", [one, other],
                     placed=quick_plan(tasks(one, other), means(3)).placed)
    assert [due.order for due in sheet.dues] == ["Choir tea", "Choir tea"]
    assert [due.at for due in sheet.dues] == [START + timedelta(hours=hours) for hours in (5, 8)]
    assert [due.last.cake for due in sheet.dues] == [one.id, other.id]


def test_what_lies_under_and_on_the_batter_is_weighed_and_laid_too():
    """A ring's pears and sugar are weighed with the rest, and laid before the batter."""
    top = line(27, "Flaked almonds", 30, "g", "30 g", component=Component.TOP_LAYER,
               scales_by=ScalesBy.TOP_AREA)
    plan = plan_of(replace(make_card(), lines=(*base_layer_lines()[:9], top)),
                   entry(round_pan(18), 2))
    whole = cake()
    one = replace(whole, plan=plan, finish=finish(plan))
    steps = {step.kind: step for step in sheet_of("Now", [one]).steps}
    weighed = {amount.name: amount.g for amount in steps[WorkKind.WEIGH].amounts}
    assert weighed["Plums, under the batter"] == pytest.approx(240, rel=0.05)
    assert weighed["Flaked almonds, on the batter"] == pytest.approx(30, rel=0.05)
    laid = {amount.name: amount for amount in steps[WorkKind.LINE].amounts}
    assert laid["Plums, under the batter"].g == pytest.approx(weighed["Plums, under the batter"])
    # Told while the pans are filled: the last of them ends the step.
    assert steps[WorkKind.FILL].sign == "Then 30 g Flaked almonds, on the batter."
    assert steps[WorkKind.FILL].amounts == ()
    assert sheet_of("Now", [whole]).steps[1].amounts == ()
    # One pan takes all of what lies on it.
    single = plan_of(replace(make_card(), lines=(*base_layer_lines()[:9], top)),
                     entry(round_pan(18), 1))
    steps = {step.kind: step for step in sheet_of("Now", [
        replace(whole, plan=single, finish=finish(single))]).steps}
    assert steps[WorkKind.FILL].sign == "Then 15 g Flaked almonds, on the batter."


def test_what_lies_under_is_shared_out_by_the_pans():
    plan = plan_of(replace(make_card(), lines=base_layer_lines()[:9]), entry(round_pan(18), 1),
                   entry(round_pan(23), 1))
    one = replace(cake(), plan=plan, finish=finish(plan))
    sheet = sheet_of("Now", [one])
    weigh = next(step for step in sheet.steps if step.kind is WorkKind.WEIGH)
    lines = [step for step in sheet.steps if step.kind is WorkKind.LINE]
    grams = [amount.g for step in lines for amount in step.amounts]
    assert sum(grams) == pytest.approx(next(
        amount.g for amount in weigh.amounts if amount.name.startswith("Plums")))
    assert grams[1] / grams[0] == pytest.approx((23 / 18) ** 2, rel=0.02)
