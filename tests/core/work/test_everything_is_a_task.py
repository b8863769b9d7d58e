"""A day has all that a cake needs: peeling, browning, soft butter, tiers, what lies on top."""

from __future__ import annotations

from dataclasses import replace

import pytest

from entremet.core.card.finish import Finishing
from entremet.core.card.lines import Component
from entremet.core.finished.finish import finish
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from entremet.core.running.from_cakes import sheet_of
from entremet.core.timetable.checker import broken
from entremet.core.timetable.plan_days import quick_plan
from entremet.core.work.cake import OrderedCake
from entremet.core.work.ids import WorkKind
from entremet.core.work.of_cake import COLD_TIERS_MIN, works_of
from entremet.core.work.work import Lane
from tests.core.conftest import entry, line, make_card, round_pan
from tests.core.plan.test_plan import OVEN
from tests.core.timetable.days import cake, means, tasks

PARSNIP = line(30, "Parsnip", 200, "g", "200 g", prepared="finely grated")
BROWNED = line(31, "Butter", 150, "g", "150 g", prepared="browned and cooled")
BUTTERCREAM = (line(40, "Butter", 250, "g", "250 g", "unsalted_butter",
                    component=Component.FROSTING, heading="For the buttercream"),
               line(41, "Icing sugar", 400, "g", "400 g", "icing_sugar",
                    component=Component.FROSTING, heading="For the buttercream"))


def on_top(name, key=None, **more):
    return line(50, name, 100, "g", "100 g", key, component=Component.DECORATION,
                heading="To finish", **more)


def made(*lines, pans=None, **finishing) -> OrderedCake:
    card = make_card()
    plan = make_plan(replace(card, lines=(*card.lines, *lines)), pans or [entry(round_pan(20), 2)],
                     request=Request(recipe=1, finishing=Finishing(**finishing)), oven=OVEN)
    return replace(cake(), plan=plan, finish=finish(plan))


def work(one, kind, part):
    found = [each for each in works_of(one) if each.kind is kind and each.id.part == part]
    assert len(found) == 1, [each.id.text for each in works_of(one)]
    return found[0]


def mix(one):
    return next(each for each in works_of(one) if each.kind is WorkKind.MIX)


def wait_for(task, before):
    return next(wait for wait in task.waits if wait.on == before.id)


def test_what_is_grated_is_a_task_before_it_is_mixed_and_never_the_evening_before():
    one = made(PARSNIP)
    grate = work(one, WorkKind.MAKE, "ready")
    assert grate.words.startswith("Grate parsnip")
    assert grate.lane is Lane.HANDS
    wait = wait_for(mix(one), grate)
    assert wait.least_min == 0
    assert wait.most_min is not None
    assert wait.most_min <= 3 * 60
    alone = [each for each in works_of(made()) if each.id.part == "ready"]
    assert alone == []


def test_what_is_browned_cools_before_it_is_mixed_and_is_a_task_of_its_own():
    one = made(PARSNIP, BROWNED)
    brown = work(one, WorkKind.MAKE, "ready:brown")
    wait = wait_for(mix(one), brown)
    assert wait.least_min == 30
    assert wait.most_min is not None
    assert wait.most_min > 24 * 60
    assert work(one, WorkKind.MAKE, "ready").words.startswith("Grate parsnip")
    assert "brown specks" in brown.why


def test_more_to_grate_takes_longer():
    small, large = (work(made(PARSNIP, pans=[entry(round_pan(20), count)]), WorkKind.MAKE, "ready")
                    for count in (1, 6))
    assert large.minutes > small.minutes


def test_an_optional_line_that_is_left_out_is_not_got_ready():
    walnuts = line(32, "Walnuts", 80, "g", "80 g", optional=True, prepared="toasted")
    card = make_card()
    for goes_in in (True, False):
        plan = make_plan(replace(card, lines=(*card.lines, walnuts)), [entry(round_pan(20), 2)],
                         request=Request(recipe=1, with_optional=(32,) if goes_in else ()),
                         oven=OVEN)
        one = replace(cake(), plan=plan, finish=finish(plan))
        assert any(each.id.part == "ready:toast" for each in works_of(one)) is goes_in


def test_the_run_sheet_says_how_much_of_it():
    sheet = sheet_of("Saturday", [made(PARSNIP)])
    step = next(each for each in sheet.steps if each.id.part == "ready")
    (told,) = step.amounts
    assert told.name == "Parsnip"
    assert told.g is not None
    assert told.g > 200


def test_butter_for_buttercream_is_out_of_the_fridge_before_it_is_beaten():
    one = made(*BUTTERCREAM)
    make = next(each for each in works_of(one) if each.kind is WorkKind.MAKE)
    soft = work(one, WorkKind.TAKE_OUT, make.id.part)
    assert soft.minutes == 60
    wait = wait_for(make, soft)
    assert (wait.least_min, wait.most_min) == (0, 180)
    # On the run sheet it is taken out by hands and then stands, for this alone.
    sheet = sheet_of("Saturday", [one])
    names = [each.id.text for each in sheet.steps]
    assert len(names) == len(set(names))
    stands = next(each for each in sheet.steps if each.id.part == f"take_out:soft:{make.id.part}")
    assert [each.on.text for each in stands.waits] == [soft.id.text]
    made_then = next(each for each in sheet.steps if each.id == make.id)
    assert stands.id in [each.on for each in made_then.waits]


@pytest.mark.parametrize(("name", "key", "last"), [
    ("Strawberries", "strawberries", True), ("Icing sugar", "icing_sugar", True),
    ("Walnuts", "chopped_walnuts", False)])
def test_cut_fruit_and_dusting_come_after_the_writing_and_nuts_before(name, key, last):
    one = replace(made(*BUTTERCREAM, on_top(name, key)), inscription="Well sown")
    names = [each.id.part or each.kind.value for each in works_of(one)]
    assert (names.index("top") > names.index("inscribe")) is last
    box = next(each for each in works_of(one) if each.kind is WorkKind.BOX)
    assert next(wait.on.part for wait in box.waits) == ("top" if last else "inscribe")


def test_what_is_cut_for_the_top_is_part_of_laying_it_there():
    plain = work(made(*BUTTERCREAM, on_top("Strawberries")), WorkKind.FINISH, "top")
    cut = work(made(*BUTTERCREAM, on_top("Strawberries", prepared="sliced")),
               WorkKind.FINISH, "top")
    assert cut.minutes > plain.minutes


def test_fruit_on_top_puts_the_cake_into_the_fridge_from_then_on():
    one = made(*BUTTERCREAM, on_top("Strawberries", "strawberries"))
    found = {each.id.part or each.kind.value: each for each in works_of(one)}
    assert found["top"].cold
    assert [hold.until for hold in found["top"].holds] == [found["box"].id]
    assert not found["filling"].cold


def test_tiers_are_cold_through_before_they_are_stacked_and_the_box_is_tall():
    tiers = [entry(round_pan(25, 7.5), 2), entry(round_pan(15, 7.5), 2)]
    one = made(*BUTTERCREAM, pans=tiers, tiers=True)
    assert one.finish.stacked is not None
    cold = work(one, WorkKind.CHILL, "tiers_cold")
    assert (cold.minutes, cold.lane) == (COLD_TIERS_MIN, Lane.FRIDGE)
    stack = work(one, WorkKind.FINISH, "stack")
    assert [wait.on for wait in stack.waits] == [cold.id]
    (support,) = one.finish.supports
    assert f"{support.count} of" in stack.why
    box = next(each for each in works_of(one) if each.kind is WorkKind.BOX)
    assert "high" in box.words
    apart = made(*BUTTERCREAM, pans=tiers)
    assert all(each.id.part not in ("tiers_cold", "stack") for each in works_of(apart))


def test_a_day_with_all_of_it_holds_every_rule():
    one = replace(made(PARSNIP, BROWNED, *BUTTERCREAM, on_top("Strawberries", "strawberries"),
                       pans=[entry(round_pan(25, 7.5), 2), entry(round_pan(15, 7.5), 2)],
                       tiers=True), inscription="Well sown")
    day = quick_plan(tasks(one), means(2))
    assert day.left_out == ()
    assert broken(day.placed, means(2)) == []
