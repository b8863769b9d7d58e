"""What a recipe itself says that waits reaches its work: a day that ignored it would be no day."""

from __future__ import annotations

from dataclasses import replace

from entremet.core.card.lines import Component
from entremet.core.card.recipe import TiedStep
from entremet.core.finished.finish import finish
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from entremet.core.timetable.checker import broken
from entremet.core.timetable.plan_days import quick_plan
from entremet.core.work.ids import WorkKind
from entremet.core.work.of_cake import _row, works_of
from tests.core.conftest import entry, line, make_card, round_pan
from tests.core.plan.test_plan import OVEN
from tests.core.timetable.days import cake, means, tasks

GANACHE = (line(40, "Dark chocolate", 200, "g", "200 g", "dark_chocolate",
                component=Component.FROSTING, heading="For the ganache"),
           line(41, "Double cream", 200, "g", "200 g", "double_cream",
                component=Component.FROSTING, heading="For the ganache"))


def made(*texts):
    steps = tuple(TiedStep(key=place + 1, text=text) for place, text in enumerate(texts))
    card = make_card(steps=steps)
    plan = make_plan(replace(card, lines=(*card.lines, *GANACHE)), [entry(round_pan(20), 2)],
                     request=Request(recipe=1), oven=OVEN)
    return replace(cake(), plan=plan, finish=finish(plan))


def by_kind(one, kind, part=None):
    return [work for work in works_of(one) if work.id.kind is kind
            and (part is None or work.id.part == part)]


def waits_on(works, kind):
    return [wait for work in works for wait in work.waits if wait.on.kind is kind]


def test_a_part_waits_as_long_as_the_recipe_says_instead_of_the_usual():
    for text, least in (("Chill the ganache for 2 hours.", 120), ("Use it warm.", 240)):
        told = waits_on(by_kind(made(text), WorkKind.FINISH), WorkKind.MAKE)
        assert [one.least_min for one in told] == [least]
    (work,) = by_kind(made("Chill the ganache for 2 hours."), WorkKind.MAKE)
    assert "as the recipe says: “Chill the ganache for 2 hours.”" in work.why


def test_batter_rests_before_it_is_filled_and_has_a_board_where_it_is_chilled():
    plain, rested, cold = (made(text, "Bake for 30 minutes.") for text in (
        "Mix.", "Rest the batter for 40 minutes.", "Chill the batter for 40 minutes."))
    leasts = [waits_on(by_kind(one, WorkKind.FILL), WorkKind.MIX)[0].least_min
              for one in (plain, rested, cold)]
    assert leasts == [0, 40, 40]
    (mix,) = by_kind(cold, WorkKind.MIX)
    (fill,) = by_kind(cold, WorkKind.FILL)
    assert [one.until for one in mix.holds] == [fill.id]
    assert by_kind(rested, WorkKind.MIX)[0].holds == ()
    baked = list(waits_on(by_kind(rested, WorkKind.BAKE), WorkKind.MIX))
    before = list(waits_on(by_kind(plain, WorkKind.BAKE), WorkKind.MIX))
    assert baked[0].most_min == before[0].most_min + 40


def test_what_is_soaked_is_put_to_soak_before_it_is_mixed():
    one = made("Soak the walnuts overnight.", "Mix.")
    (soak,) = by_kind(one, WorkKind.MAKE, "soaked")
    (wait,) = list(waits_on(by_kind(one, WorkKind.MIX), WorkKind.MAKE))
    # It may soak longer, and not for days.
    assert (wait.on, wait.least_min, wait.most_min) == (soak.id, 480, 480 + 24 * 60)


def test_a_cake_sets_before_it_is_boxed_and_the_day_holds():
    one = made("Mix.", "Bake for 30 minutes.", "Chill the cake for 4 hours before serving.")
    (sets,) = by_kind(one, WorkKind.CHILL, "set")
    assert sets.minutes == 240
    (box,) = by_kind(one, WorkKind.BOX)
    assert sets.id in [wait.on for wait in box.waits]
    day = quick_plan(tasks(one), means(2))
    assert broken(day.placed, means(2)) == []
    start = {slot.task.id: slot.start for slot in day.placed}
    assert start[box.id] >= start[sets.id] + 240


def test_a_ganache_that_only_drips_is_used_warm_and_one_that_also_fills_is_left_to_thicken():
    made_of = made("Beat the butter and sugar.")
    part = next(one for one in made_of.finish.parts if one.kind == "ganache")
    drip, coat = (replace(part.uses[0], key=key) for key in ("drip", "coat"))

    assert _row(replace(part, uses=(drip,)))["ready"] == 15
    assert _row(replace(part, uses=(coat, drip)))["ready"] == 240
