"""The work of a batter: nothing begins before what it waits for, nothing is held twice over."""

from __future__ import annotations

import dataclasses
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.batter.styles import STYLES, style
from entremet.core.finished.finish import finish
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import loads_of
from entremet.core.mixing.bowl import Bowl
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.pan import CapacityPan
from entremet.core.plan.batch import Tools
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from entremet.core.work.baking import baking, mixes_wanted
from entremet.core.work.cake import OrderedCake
from entremet.core.work.durations import DURATIONS, across_cm, hands_min, mixing_row
from entremet.core.work.ids import CakeId, WorkKind
from entremet.core.work.of_cake import batter_findings
from entremet.core.work.work import Lane
from tests.core.conftest import entry, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import RACK, plan


def works(made):
    """Return the work of the batter of a plan."""
    one = OrderedCake(id=CakeId(order=1), order="One", label="Cake", plan=made,
                      finish=finish(made), due=0)
    return baking(one, loads_of(oven_items(made.pans), made.oven)[0])


def of_kind(made, kind):
    return [one for one in made if one.kind is kind]


SMALL = Oven(name="small oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5, lowest=50,
             highest=250, shelf_cm=(40, 30), shelves=1)


@given(st.lists(st.tuples(st.sampled_from(RACK), st.integers(1, 4)), min_size=1, max_size=4))
def test_every_task_comes_after_those_it_waits_for(chosen):
    made = works(plan(make_card(), *(entry(pan, count) for pan, count in chosen), oven=SMALL))
    done: set[object] = set()
    for one in made:
        assert one.id not in done
        assert {wait.on for wait in one.waits} <= done
        assert one.minutes >= 1
        done.add(one.id)


def test_a_two_layer_cake_from_weighing_to_the_rack():
    made = works(plan(make_card(), entry(round_pan(18), 2)))
    assert [one.kind for one in made] == [
        WorkKind.TAKE_OUT, WorkKind.WEIGH, WorkKind.LINE, WorkKind.HEAT, WorkKind.MIX,
        WorkKind.FILL, WorkKind.BAKE, WorkKind.OUT, WorkKind.STAND, WorkKind.TURN_OUT]
    bake = of_kind(made, WorkKind.BAKE)[0]
    assert "likely 34 min" in bake.why
    assert bake.minutes > 34
    assert bake.lane is Lane.OVEN
    line, out = (of_kind(made, kind)[0] for kind in (WorkKind.LINE, WorkKind.TURN_OUT))
    # Two pans are held from when they are lined until they are empty.
    assert [(hold.pan, hold.count, hold.until) for hold in line.holds] == [("round", 2, out.id)]
    assert out.pans == {"round": 2}
    fill = next(wait for wait in bake.waits if wait.on.kind is WorkKind.FILL)
    assert fill.most_min == 30
    assert "baking powder" in fill.why
    assert sum(one.minutes for one in made if one.lane is Lane.HANDS) == pytest.approx(52, abs=14)


def test_two_loads_follow_each_other_and_the_last_pan_stands_after_the_last():
    made = works(plan(make_card(), entry(round_pan(20), 4), oven=SMALL))
    bakes = of_kind(made, WorkKind.BAKE)
    assert len(bakes) > 1
    assert bakes[1].waits[0].on == bakes[0].id
    out, stand = of_kind(made, WorkKind.OUT), of_kind(made, WorkKind.STAND)
    assert [one.waits[0].on for one in out] == [one.id for one in bakes]
    assert [one.waits[0].on for one in stand] == [one.id for one in out]
    fills = of_kind(made, WorkKind.FILL)
    assert [(one.id.place, one.id.turn) for one in fills] == [
        (0, turn) for turn in range(len(bakes))]
    # The second load is filled as the first comes out, not before.
    late = next(wait for wait in fills[1].waits if wait.on == bakes[0].id)
    assert -15 < late.least_min < 0
    ends = of_kind(made, WorkKind.TURN_OUT)
    assert of_kind(made, WorkKind.LINE)[0].holds[0].until == ends[-1].id
    assert [one.pans for one in ends] == [*[{}] * (len(bakes) - 1), {"round": 4}]


def test_a_batter_mixed_twice_fills_pans_after_the_second_and_takes_less_long():
    tools = Tools(bowl=Bowl(name="small", capacity_ml=1500))
    result = make_plan(make_card(), [entry(round_pan(23), 2)],
                       request=Request(recipe=1), oven=SMALL,
                       tools=tools)
    made = works(result)
    mixes = of_kind(made, WorkKind.MIX)
    assert len(mixes) == len(result.mixes) > 1
    assert [wait.on.kind for wait in mixes[1].waits] == [
        WorkKind.WEIGH, WorkKind.MIX, WorkKind.TAKE_OUT]
    assert mixes[1].waits[1].on == mixes[0].id
    assert mixes[1].minutes == pytest.approx(mixes[0].minutes / 2, abs=1)
    fill = of_kind(made, WorkKind.FILL)[-1]
    assert fill.waits[0].on == of_kind(made, WorkKind.LINE)[0].id
    assert fill.waits[1].on == mixes[-1].id


def test_a_load_has_its_own_mix_where_there_are_as_many_and_batter_never_waits_for_long():
    result = make_plan(make_card(), [entry(round_pan(18), 2)], oven=SMALL,
                       request=Request(recipe=1, mixes=(2, 2)))
    made = works(result)
    mixes, bakes = of_kind(made, WorkKind.MIX), of_kind(made, WorkKind.BAKE)
    assert len(mixes) == len(bakes) == 2
    late = next(wait for wait in mixes[1].waits if wait.on == bakes[0].id)
    assert -40 < late.least_min < -10
    for mix, bake in zip(mixes, bakes, strict=True):
        bound = next(wait for wait in bake.waits if wait.on == mix.id)
        assert bound.most_min <= 30 + 5 + 2 * 7
    one = OrderedCake(id=CakeId(order=1), order="One", label="Cake", plan=result,
                      finish=finish(result), due=0)
    loads = loads_of(oven_items(result.pans), result.oven)[0]
    assert mixes_wanted(one, loads) is None
    assert batter_findings([one]) == []
    whole = plan(make_card(), entry(round_pan(18), 2), oven=SMALL)
    other = replace(one, plan=whole)
    assert mixes_wanted(other, loads_of(oven_items(whole.pans), SMALL)[0]) == pytest.approx(
        loads[0].minutes, abs=0.5)
    told, = batter_findings([other, replace(other, id=replace(one.id, copy=1))])
    assert told.code == "batter_waits"
    assert "2 loads" in told.text


def test_a_plan_that_fills_nothing_has_no_tasks():
    assert works(plan(make_card())) == []
    assert works(plan(make_card(setting=None), entry(round_pan(18), 2))) == []


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


def test_the_first_bake_waits_until_its_oven_is_hot_and_not_for_an_hour_more():
    oven = dataclasses.replace(SMALL, preheat_min=27)
    made = works(plan(make_card(), entry(round_pan(20), 4), oven=oven))
    heat = of_kind(made, WorkKind.HEAT)[0]
    first, *others = of_kind(made, WorkKind.BAKE)
    hot = next(wait for wait in first.waits if wait.on == heat.id)
    assert (hot.least_min, hot.most_min) == (27, 27 + 45)
    assert first.heat.preheat_min == 27
    assert others
    assert not any(wait.on == heat.id for one in others for wait in one.waits)


def test_a_pan_that_is_known_by_its_water_alone_takes_the_usual_time():
    ring = pan_from(PanMeasures(outline=OutlineName.RING, capacity_ml=2400), label="ring")
    assert isinstance(ring, CapacityPan)
    assert across_cm(ring) == 20


def test_several_mixes_are_numbered_from_one_and_made_one_after_the_other():
    split = make_plan(make_card(), [entry(round_pan(18), 8)], request=Request(recipe=1),
                      oven=SMALL, tools=Tools(bowl=Bowl(name="bowl", capacity_ml=3000)))
    mixes = of_kind(works(split), WorkKind.MIX)
    assert len(mixes) >= 2
    assert [one.words for one in mixes] == [f"Mix {place} · Cake" for place in
                                            range(1, len(mixes) + 1)]
    whole = of_kind(works(plan(make_card(), entry(round_pan(18), 1))), WorkKind.MIX)
    assert [one.words for one in whole] == ["Mix · Cake"]
