"""A plan as tasks: nothing begins before what it waits for, nothing is held twice over."""

from __future__ import annotations

import dataclasses

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.batter.styles import STYLES, style
from entremet.core.mixing.bowl import Bowl
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.pan import CapacityPan
from entremet.core.plan.batch import Tools
from entremet.core.plan.choices import Choices
from entremet.core.plan.plan import make_plan
from entremet.core.tasks.durations import DURATIONS, across_cm, hands_min, mixing_row
from entremet.core.tasks.tasks import Resource, TaskKind, task, tasks_of
from tests.core.conftest import entry, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import RACK, plan

SMALL = Oven(name="small oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5, lowest=50,
             highest=250, shelf_cm=(40, 30), shelves=1)


@given(st.lists(st.tuples(st.sampled_from(RACK), st.integers(1, 4)), min_size=1, max_size=4))
def test_every_task_comes_after_those_it_waits_for(chosen):
    tasks = tasks_of(plan(make_card(), *(entry(pan, count) for pan, count in chosen), oven=SMALL))
    done: set[str] = set()
    for one in tasks:
        assert one.key not in done
        assert {bound.after for bound in one.bounds} <= done
        assert one.minutes.value >= 0
        done.add(one.key)


def test_a_two_layer_cake_from_weighing_to_the_rack():
    tasks = tasks_of(plan(make_card(), entry(round_pan(18), 2)))
    assert [one.kind for one in tasks] == [
        TaskKind.WEIGH, TaskKind.LINE, TaskKind.HEAT, TaskKind.MIX, TaskKind.FILL, TaskKind.BAKE,
        TaskKind.STAND, TaskKind.TURN_OUT]
    bake = task(tasks, TaskKind.BAKE)
    assert bake.minutes.value == pytest.approx(34)
    assert bake.latest_min > 34
    assert not bake.hands
    held = {one.resource: one.count for one in bake.holds}
    assert held == {Resource.OVEN: 1, Resource.PAN: 2}
    fill = next(bound for bound in bake.bounds if bound.after == "fill 0")
    assert fill.most_min == 30
    assert "baking powder" in fill.why
    assert sum(one.minutes.value for one in tasks if one.hands) == pytest.approx(50, abs=12)


def test_two_loads_follow_each_other_and_the_last_pan_stands_after_the_last():
    tasks = tasks_of(plan(make_card(), entry(round_pan(20), 4), oven=SMALL))
    bakes = [one for one in tasks if one.kind is TaskKind.BAKE]
    assert len(bakes) > 1
    assert bakes[1].bounds[0].after == "bake 0"
    assert sum(hold.count for one in bakes for hold in one.holds
               if hold.resource is Resource.PAN) == 4
    assert task(tasks, TaskKind.STAND, 0).bounds[0].after == bakes[-1].key


def test_a_batter_mixed_twice_fills_pans_after_the_second_and_takes_less_long():
    tools = Tools(bowl=Bowl(name="small", capacity_ml=1500))
    result = make_plan(make_card(), [entry(round_pan(23), 2)], choices=Choices(), oven=SMALL,
                       tools=tools)
    tasks = tasks_of(result)
    mixes = [one for one in tasks if one.kind is TaskKind.MIX]
    assert len(mixes) == len(result.mixes) > 1
    assert [bound.after for bound in mixes[1].bounds] == ["weigh", "mix 0"]
    assert mixes[1].minutes.value == pytest.approx(mixes[0].minutes.value / 2)
    fill = task(tasks, TaskKind.FILL, 0)
    assert [bound.after for bound in fill.bounds] == ["line 0", mixes[-1].key]


def test_a_plan_that_fills_nothing_has_no_tasks():
    assert tasks_of(plan(make_card())) == ()
    assert tasks_of(plan(make_card(setting=None), entry(round_pan(18), 2))) == ()


@pytest.mark.parametrize(("key", "across", "minutes"), [
    ("weigh", 20, 13), ("weigh", 15, 12), ("mix_creamed", 25, 23.4), ("mix_foam", 20, 18),
    ("mix_one_bowl", 15, 7.4), ("line_pan", 20, 3.5), ("fill_pan", 25, 3.1)])
def test_hands_by_the_size_of_the_cake(key, across, minutes):
    figure = hands_min(key, across_cm=across)
    assert figure.value == pytest.approx(minutes, abs=0.08)
    assert figure.assumptions
    assert DURATIONS[key].minutes.low <= DURATIONS[key].minutes.value


def test_every_style_is_mixed_by_a_row_and_wells_count_together():
    assert {mixing_row(one) for one in STYLES.values()} == {
        "mix_creamed", "mix_foam", "mix_one_bowl"}
    assert mixing_row(style("foam")) == "mix_foam"
    assert across_cm(wells_pan(12)) == pytest.approx(7 * 12**0.5)
    assert across_cm(round_pan(23)) == pytest.approx(23)


def test_the_card_and_the_tasks_heat_the_oven_alike():
    oven = dataclasses.replace(SMALL, preheat_min=27)
    tasks = tasks_of(plan(make_card(), entry(round_pan(18), 2), oven=oven))
    assert task(tasks, TaskKind.HEAT).minutes.value == 27


def test_a_pan_that_is_known_by_its_water_alone_takes_the_usual_time():
    ring = pan_from(PanMeasures(outline=OutlineName.RING, capacity_ml=2400), label="ring")
    assert isinstance(ring, CapacityPan)
    assert across_cm(ring) == 20


def test_several_mixes_are_numbered_from_one_and_made_one_after_the_other():
    split = make_plan(make_card(), [entry(round_pan(18), 8)], choices=Choices(),
                      oven=SMALL, tools=Tools(bowl=Bowl(name="bowl", capacity_ml=3000)))
    mixes = [one for one in tasks_of(split) if one.kind is TaskKind.MIX]
    assert len(mixes) >= 2
    assert [one.words for one in mixes] == [f"Mix {place}" for place in
                                            range(1, len(mixes) + 1)]
    assert [{bound.after for bound in one.bounds} for one in mixes][1] == {"weigh", "mix 0"}
    whole = [one for one in tasks_of(plan(make_card(), entry(round_pan(18), 1)))
             if one.kind is TaskKind.MIX]
    assert [one.words for one in whole] == ["Mix"]
