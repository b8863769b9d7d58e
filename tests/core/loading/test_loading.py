"""Shelves, loads, turns and waiting batter."""

from __future__ import annotations

import dataclasses
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.at_the_oven.view import at_the_oven
from entremet.core.batter.styles import style
from entremet.core.card.recipe import BatterStart
from entremet.core.finished.finish import finish
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.loading.footprints import CLEARANCE_CM, Footprint, footprint
from entremet.core.loading.items import oven_items
from entremet.core.loading.loads import REHEAT_MIN, loads_of
from entremet.core.loading.shelves import lay_out
from entremet.core.loading.waiting import WAITING, waiting_of
from entremet.core.loading.ways import COOL_MIN, LINE_MIN, Way
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind
from entremet.core.work.baking import baking
from entremet.core.work.cake import OrderedCake
from entremet.core.work.ids import CakeId, WorkKind
from tests.core.conftest import entry, line, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import OVEN, plan

TWO_SHELVES: Oven = dataclasses.replace(OVEN, shelf_cm=(45, 36), shelves=2)
sides = st.floats(8, 40)


@given(st.lists(st.tuples(sides, sides), min_size=1, max_size=9), st.integers(1, 3))
def test_pans_never_overlap_nor_leave_the_shelf_and_none_is_lost(sizes, shelves):
    items = [Footprint(long_cm=max(size), short_cm=min(size)) for size in sizes]
    layout = lay_out(items, shelf_cm=(45, 36), shelves=shelves)
    inside = [one.item for row in layout.shelves for one in row]
    assert sorted([*inside, *layout.left]) == list(range(len(items)))
    assert len(layout.shelves) <= shelves
    for row in layout.shelves:
        boxes = [_box(one, items[one.item]) for one in row]
        air = CLEARANCE_CM if len(row) > 1 else 0.0
        for left, front, right, back in boxes:
            assert min(left, front) >= air - 0.02
            assert right <= 45 - air + 0.02
            assert back <= 36 - air + 0.02
        for i, one in enumerate(boxes):
            for other in boxes[:i]:
                apart = max(one[0] - other[2], other[0] - one[2], one[1] - other[3],
                            other[1] - one[3])
                assert apart >= CLEARANCE_CM - 0.02


def _box(placed, room):
    wide, deep = ((room.short_cm, room.long_cm) if placed.turned
                  else (room.long_cm, room.short_cm))
    return (placed.x_cm - wide / 2, placed.y_cm - deep / 2, placed.x_cm + wide / 2,
            placed.y_cm + deep / 2)


def test_pans_stand_in_the_middle_of_their_shelf():
    one = lay_out([Footprint(long_cm=20, short_cm=16)], shelf_cm=(45, 36), shelves=1)
    placed = one.shelves[0][0]
    assert (placed.x_cm, placed.y_cm) == (pytest.approx(22.5), pytest.approx(18))


def test_what_fits_the_shelf_but_not_its_air_stands_alone():
    wide = Footprint(long_cm=44, short_cm=30)
    layout = lay_out([wide, Footprint(long_cm=10, short_cm=10)], shelf_cm=(45, 36), shelves=2)
    assert sorted(len(row) for row in layout.shelves) == [1, 1]
    assert layout.left == ()
    assert lay_out([Footprint(long_cm=50, short_cm=10)], shelf_cm=(45, 36),
                   shelves=2).left == (0,)


def test_a_tray_is_as_large_as_its_wells_make_it_and_says_it_is_assumed():
    room = footprint(wells_pan(12))
    assert room.assumed
    assert room.long_cm == pytest.approx(4 * 8.5 + 1.5)
    assert room.short_cm == pytest.approx(3 * 8.5 + 1.5)
    assert footprint(round_pan(20)).long_cm == pytest.approx(21, abs=0.05)


def test_four_pans_go_on_two_shelves_and_are_swapped_at_the_first_look():
    result = plan(make_card(), entry(round_pan(18), 4), oven=TWO_SHELVES)
    loads, _ = loads_of(oven_items(result.pans), TWO_SHELVES)
    assert [len(row) for row in loads[0].shelves] == [2, 2]
    assert loads[0].turn_min == result.pans[0].bake.window.shown[0]
    assert "swap the shelves" in loads[0].turn_words
    alone = result.pans[0].bake.window
    assert loads[0].minutes == pytest.approx(1.1 * alone.likely_min)
    assert f"10 % more, some {0.1 * alone.likely_min:.0f} min" in loads[0].slower_words


def test_a_second_shelf_counts_in_the_plan_and_at_the_oven_as_in_the_load():
    result = plan(make_card(), entry(round_pan(18), 4), oven=TWO_SHELVES)
    loads, _ = loads_of(oven_items(result.pans), TWO_SHELVES)
    alone = result.pans[0].bake.window
    one = OrderedCake(id=CakeId(order=1), order="One", label="Cake", plan=result,
                      finish=finish(result), due=0)
    bake = next(work for work in baking(one, loads) if work.kind is WorkKind.BAKE)
    assert f"likely {loads[0].minutes:.0f} min" in bake.why
    assert bake.minutes == math.ceil(1.1 * alone.latest_min)
    two = plan(make_card(), entry(round_pan(18), 2), oven=TWO_SHELVES)
    single, _ = loads_of(oven_items(two.pans), TWO_SHELVES)
    assert len(single[0].shelves) == 1
    assert single[0].minutes == two.pans[0].bake.window.likely_min
    assert single[0].slower_words == ""


def test_more_pans_than_shelves_take_make_a_second_load_and_the_batter_waits():
    result = plan(make_card(), entry(round_pan(18), 6), oven=TWO_SHELVES)
    view = at_the_oven(result, [], refit=lambda entries: plan(make_card(), *entries,
                                                              oven=TWO_SHELVES))
    assert [len(load.items) for load in view.loads] == [4, 2]
    first = result.pans[0].bake.window.likely_min
    at_once = view.ways[0]
    # Two shelves in the first load, one in the second.
    assert at_once.last_out_min == pytest.approx(1.1 * first + REHEAT_MIN + first)
    assert at_once.waits_min == pytest.approx(1.1 * first + REHEAT_MIN)
    told = next(one for one in view.findings if one.code == "waits_too_long")
    assert told.numbers["waits_min"] == pytest.approx(at_once.waits_min)
    assert told.text.endswith("This one is raised by baking powder: it may wait a little, "
                              "covered and cool.")


def test_every_rule_of_waiting_reads_on_after_this_batter_is():
    assert all(row.words.startswith(("raised by", "a ")) for row in WAITING.values())


def test_pans_at_their_own_settings_go_in_by_setting():
    deep = entry(round_pan(18), 1, rule=PanRule(kind=Rule.GRAMS, grams=1000))
    result = plan(make_card(), deep, entry(wells_pan(), 6), oven=TWO_SHELVES, separately=True)
    loads, _ = loads_of(oven_items(result.pans), TWO_SHELVES)
    assert len(loads) == 2
    assert len({load.dial for load in loads}) == 2


def test_the_quickest_comes_out_first_and_what_stays_is_turned():
    result = plan(make_card(), entry(round_pan(18), 1), entry(wells_pan(), 6), oven=TWO_SHELVES)
    loads, findings = loads_of(oven_items(result.pans), TWO_SHELVES)
    assert loads[0].order == ("tray", "round")
    assert "still in" in loads[0].turn_words
    assert "tray_size_assumed" in {one.code for one in findings}


def test_a_pan_larger_than_the_shelf_is_told_and_not_drawn():
    result = plan(make_card(), entry(round_pan(40), 1), oven=TWO_SHELVES)
    loads, findings = loads_of(oven_items(result.pans), TWO_SHELVES)
    assert loads == ()
    assert {one.code for one in findings} == {"no_shelf"}


def test_shelves_nobody_measured_are_said():
    result = plan(make_card(), entry(round_pan(18), 3))
    loads, findings = loads_of(oven_items(result.pans), OVEN)
    assert len(loads) == 1
    assert loads[0].shelves == ()
    assert {one.code for one in findings} == {"shelf_unknown"}


def test_a_fan_oven_with_one_shelf_needs_no_turning():
    fan = dataclasses.replace(TWO_SHELVES, kind=OvenKind.FAN)
    result = plan(make_card(), entry(round_pan(18), 2), oven=fan)
    assert loads_of(oven_items(result.pans), fan)[0][0].turn_words == ""


SODA = line(40, "Soda", 0.5, "tsp", "½ tsp", "bicarbonate_of_soda")


@pytest.mark.parametrize(("changes", "start", "key"), [
    ({}, None, "powder"), ({"style": style("foam")}, None, "whipped_egg"),
    ({"lines": (*make_card().lines, SODA)}, None, "soda"),
    ({}, BatterStart.CHILLED, "chilled"), ({"start": BatterStart.CHILLED}, None, "chilled"),
    ({"lines": (*make_card().lines, SODA)}, BatterStart.CHILLED, "soda"),
    ({"lines": make_card().lines[:4]}, None, "unraised"),
])
def test_what_raises_a_batter_says_how_long_it_may_wait(changes, start, key):
    assert waiting_of(make_card(**changes), start=start).key == key


def test_waiting_is_practice_with_a_range_and_whipped_egg_and_soda_do_not():
    assert not WAITING["whipped_egg"].waits
    assert not WAITING["soda"].waits
    assert WAITING["chilled"].minutes.value > WAITING["powder"].minutes.value
    for row in WAITING.values():
        assert row.minutes.low <= row.minutes.value <= row.minutes.high


RACK = [dataclasses.replace(entry(round_pan(20, 10, label="deep 20")), owned=1),
        dataclasses.replace(entry(round_pan(18, 5, label="round 18")), owned=3)]


def ways(card, *entries):
    result = plan(card, *entries, oven=TWO_SHELVES)
    return {row.way: row for row in at_the_oven(
        result, RACK, refit=lambda others: plan(card, *others, oven=TWO_SHELVES)).ways}


def test_one_deep_cake_takes_longer_and_one_pan_in_turns_longest():
    found = ways(make_card(), entry(round_pan(18), 2))
    at_once, deep, turns = found[Way.AT_ONCE], found[Way.ONE_DEEP], found[Way.TURNS]
    assert at_once.last_out_min < deep.last_out_min < turns.last_out_min
    assert (at_once.pans_needed, deep.pans_needed, turns.pans_needed) == (2, 1, 1)
    assert deep.pans == "deep 20"
    assert deep.waits_min == 0
    assert turns.bakes == 2
    assert turns.last_out_min == pytest.approx(2 * turns.each_min + COOL_MIN + LINE_MIN)
    assert turns.waits_min == pytest.approx(turns.each_min + COOL_MIN + LINE_MIN)
    assert turns.too_long


def test_a_chilled_butter_batter_may_wait_for_its_turn():
    assert not ways(make_card(start=BatterStart.CHILLED), entry(round_pan(18), 2))[
        Way.TURNS].too_long


def test_one_pan_is_compared_with_thinner_layers_of_the_rack():
    found = ways(make_card(), entry(round_pan(18, 12), 1,
                                    rule=PanRule(kind=Rule.GRAMS, grams=1100)))
    thin = found[Way.THIN]
    assert thin.pans_needed == 3
    assert thin.each_min < found[Way.AT_ONCE].each_min
    assert thin.overflows == ""


def test_nothing_with_a_time_leaves_nothing_to_compare():
    assert ways(make_card(setting=None), entry(round_pan(18), 2)) == {}


def test_two_plans_share_a_load_at_one_setting():
    first = plan(make_card(), entry(round_pan(18), 2), oven=TWO_SHELVES)
    second = plan(make_card(), entry(round_pan(15), 1), oven=TWO_SHELVES)
    items = [*oven_items(first.pans), *(
        dataclasses.replace(one, settings=oven_items(first.pans)[0].settings)
        for one in oven_items(second.pans, plan=1))]
    loads, _ = loads_of(items, TWO_SHELVES)
    assert sorted(one.plan for one in loads[0].items) == [0, 0, 1]
    assert sum(len(shelf) for shelf in loads[0].shelves) == 3


@pytest.mark.parametrize(("count", "trays"), [(12, 1), (13, 2), (24, 2), (25, 3), (5, 1)])
def test_wells_that_do_not_divide_take_one_more_tray(count, trays):
    result = plan(make_card(), entry(wells_pan(), count))
    assert len(oven_items(result.pans)) == trays
