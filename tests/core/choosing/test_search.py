"""“What fits?”: the search against brute force, its order, its bounds."""

from __future__ import annotations

import dataclasses
import itertools
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.choosing.offers import LEFT_FITS, BatchFreedom, Wanted, _left_into, offered_sets
from entremet.core.choosing.search import (
    DEPTH_STEP,
    MOST_LEFT_OVER,
    FoundSet,
    FreePan,
    Size,
    sets_that_fit,
)
from entremet.core.fitting.rules import Rule
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.provenance import given as given_figure
from entremet.core.pans.pan import CapacityPan, PanFinish, PanKind
from entremet.core.plan.batch import Tools
from entremet.core.plan.request import Request
from tests.core.conftest import base_layer_lines, entry, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import LOAF, RING, SHEET


def brute_force(pans, sizes, tolerance, most_pans):
    """Every set by plain loops, ranked by the stated order."""
    found = []
    usable = [i for i, pan in enumerate(pans) if pan.most >= 1 and pan.owned > 0]
    for number in range(1, most_pans + 1):
        for members in itertools.combinations_with_replacement(usable, number):
            if any(members.count(i) > pans[i].owned for i in members):
                continue
            volume = sum(pans[i].need_ml for i in members)
            room = min(pans[i].most for i in members)
            judged = judge(volume, room, sizes, tolerance)
            if judged is None:
                continue
            size, moved, left = judged
            counts = tuple(members.count(i) for i in range(len(pans)))
            step = math.floor(max(abs(moved) - 1e-9, 0) / DEPTH_STEP)
            rank = (step, left, number, abs(math.log(sizes[size].factor)), abs(moved), members)
            found.append((rank, counts, size))
    return sorted(found)


def judge(volume, room, sizes, tolerance):
    def moves(size):
        return size.net_ml / volume - 1

    nearest = sorted(range(len(sizes)), key=lambda i: abs(moves(sizes[i])))
    for place in nearest[:2] if len(sizes) > 1 else nearest:
        moved = moves(sizes[place])
        if len(sizes) > 1 and moved > 0 and 1 + moved > room * (1 + 1e-9):
            continue
        if abs(moved) <= tolerance + 1e-12 and 1 + moved <= room * (1 + 1e-9):
            return place, moved, 0.0
        if len(sizes) == 1 and 0 < sizes[0].net_ml - volume <= MOST_LEFT_OVER * sizes[0].net_ml:
            return 0, 0.0, sizes[0].net_ml - volume
        return None
    return None


free_pans = st.lists(st.builds(
    FreePan, need_ml=st.floats(150, 2600), most=st.floats(0.8, 2.0),
    owned=st.integers(0, 3)), min_size=1, max_size=5)


@given(free_pans, st.floats(400, 6000), st.sampled_from([0.0, 0.05, 0.1, 0.25]),
       st.integers(1, 4))
def test_one_size_of_batch_agrees_with_brute_force(pans, net, tolerance, most_pans):
    sizes = [Size(factor=1.0, net_ml=net)]
    expected = brute_force(pans, sizes, tolerance, most_pans)[:6]
    found = sets_that_fit(pans, sizes, tolerance=tolerance, most_pans=most_pans, few=6)
    assert [one.counts for one in found] == [counts for _, counts, _ in expected]
    for one, (rank, _, _) in zip(found, expected, strict=True):
        assert one.left_ml == pytest.approx(rank[1])
        assert abs(one.deviation) == pytest.approx(rank[4], abs=1e-12)


@given(free_pans, st.floats(100, 900), st.sampled_from([0.05, 0.1, 0.25]), st.integers(1, 4))
def test_any_number_of_eggs_agrees_with_brute_force(pans, each, tolerance, most_pans):
    sizes = [Size(factor=eggs / 4, net_ml=each * eggs - 20) for eggs in range(2, 9)]
    expected = brute_force(pans, sizes, tolerance, most_pans)
    found = sets_that_fit(pans, sizes, tolerance=tolerance, most_pans=most_pans, few=5)
    ranks = {counts: (rank[:3], size) for rank, counts, size in expected}
    best = [rank[:3] for rank, _, _ in expected[:5]]
    assert [ranks[one.counts][0] for one in found] == best
    for one in found:
        assert abs(one.deviation) <= tolerance + 1e-9
        assert one.left_ml == 0


def test_counts_owned_are_respected():
    pans = [FreePan(need_ml=500, most=1.2, owned=2)]
    assert sets_that_fit(pans, [Size(factor=1, net_ml=1500)], tolerance=0.1) == []
    found = sets_that_fit(pans, [Size(factor=1, net_ml=1000)], tolerance=0.1)
    assert [one.counts for one in found] == [(2,)]


def test_a_pan_too_shallow_for_the_depth_is_never_used():
    pans = [FreePan(need_ml=1000, most=0.9, owned=5), FreePan(need_ml=990, most=1.1, owned=5)]
    found = sets_that_fit(pans, [Size(factor=1, net_ml=1000)], tolerance=0.05)
    assert [one.counts for one in found] == [(0, 1)]


@pytest.mark.parametrize(("bounds", "field"), [
    ({"tolerance": -0.1}, "tolerance"), ({"tolerance": 0.6}, "tolerance"),
    ({"tolerance": 0.1, "most_pans": 0}, "most_pans"),
    ({"tolerance": 0.1, "most_pans": 6}, "most_pans"),
])
def test_bounds_outside_their_range_are_refused(bounds, field):
    with pytest.raises(ImpossibleChoice) as refused:
        sets_that_fit([FreePan(need_ml=1, most=1, owned=1)], [Size(factor=1, net_ml=1)], **bounds)
    assert refused.value.field == field


def test_too_many_kinds_are_refused():
    pans = [FreePan(need_ml=100 + i, most=1.5, owned=1) for i in range(41)]
    with pytest.raises(ImpossibleChoice):
        sets_that_fit(pans, [Size(factor=1, net_ml=500)], tolerance=0.1)


FREE = (entry(round_pan(18), 2), entry(round_pan(15), 3), entry(SHEET, 1), entry(LOAF, 2),
        entry(RING, 1), entry(wells_pan(), 2))


def offers(card, *, request=None, **wanted):
    return offered_sets(card, FREE, request=request or Request(recipe=1), tools=Tools(),
                        wanted=Wanted(**wanted))


def test_the_recipes_own_pans_are_found_exactly():
    best = next(one for one in offers(make_card()) if one.counts == (2, 0, 0, 0, 0, 0))
    assert best.deviation == pytest.approx(0, abs=1e-9)
    assert (best.factor, best.egg_count, best.left_g) == (1, 4, 0)


def test_pans_for_so_many_eaters_feed_them_at_the_recipes_depth_and_leave_nothing_over():
    card = make_card(servings="12")
    as_written = Request(recipe=1, rule=Rule.SERVINGS, servings=12)
    best = offers(card, request=as_written)[0]
    assert (best.counts, best.factor) == ((2, 0, 0, 0, 0, 0), pytest.approx(1))
    for eaters in (6, 9, 18, 24, 30):
        asked = Request(recipe=1, rule=Rule.SERVINGS, servings=eaters)
        found = offers(card, request=asked, tolerance=0.2, most_pans=5)
        assert found, eaters
        for one in found:
            # What stays in the bowl is no share of the batch: a smaller one wants a little more.
            assert one.factor == pytest.approx(eaters / 12, rel=0.02)
            assert abs(one.deviation) <= 0.2
            assert one.left_g == 0
        kinds = [sum(count > 0 for count in one.counts) for one in found]
        assert kinds == sorted(kinds)
    # No five of these pans bake 300 servings: a set that bakes fewer is no answer.
    assert offers(card, request=Request(recipe=1, rule=Rule.SERVINGS, servings=300)) == []
    # In party portions the same many eaters want another cake.
    asked = dataclasses.replace(as_written, servings=30, portion="party")
    party = offers(card, request=asked, tolerance=0.2, most_pans=5)
    assert party[0].factor != pytest.approx(30 / 12, rel=0.02)


def test_any_whole_eggs_keep_eggs_whole_and_depth_close():
    found = offers(make_card(), freedom=BatchFreedom.WHOLE_EGGS, tolerance=0.05, few=10)
    assert found
    for one in found:
        assert one.egg_count == pytest.approx(round(one.egg_count))
        assert 2 <= one.egg_count <= 8
        assert abs(one.deviation) <= 0.05 + 1e-9


def test_leftover_goes_into_wells_or_a_small_pan_that_is_still_free():
    found = [one for one in offers(make_card(), tolerance=0.0, most_pans=1, few=10)
             if one.left_g > 0]
    assert found
    for one in found:
        for index, count in one.left_into:
            free = FREE[index]
            used = one.counts[index] * free.pan.wells
            assert used + count <= free.count * free.pan.wells
    assert any(FREE[index].pan.kind is PanKind.WELLS for one in found
               for index, _ in one.left_into)


def test_so_many_eggs_are_the_batch_that_is_searched_for():
    request = Request(recipe=1, rule=Rule.EGGS, egg_count=6)
    assert {one.egg_count for one in offers(make_card(), request=request)} == {6}


def test_a_card_without_eggs_goes_by_quarters():
    lines = tuple(one for one in make_card().lines if not one.is_eggs)
    found = offers(make_card(lines=lines), freedom=BatchFreedom.WHOLE_EGGS)
    assert found
    assert all(one.factor * 4 == int(one.factor * 4) and one.egg_count is None for one in found)


def test_a_base_layer_takes_its_height_before_the_search():
    plain, layered = (offers(make_card(lines=lines), tolerance=0.1, few=10)
                      for lines in (make_card().lines, base_layer_lines()))
    own = (2, 0, 0, 0, 0, 0)
    assert own in {one.counts for one in plain} & {one.counts for one in layered}


def test_pans_known_by_water_alone_are_searched_too():
    ring = CapacityPan(label="ring", kind=PanKind.RING, capacity=given_figure(2400))
    found = offered_sets(make_card(), [entry(ring, 1)], request=Request(recipe=1), tools=Tools(),
                         wanted=Wanted(tolerance=0.3))
    assert [one.counts for one in found] == [(1,)]


def test_a_card_without_batter_finds_nothing():
    assert offers(make_card(lines=make_card().lines[5:6])) == []


@pytest.mark.parametrize(("left_ml", "wells"), [(250, 5), (310, 6), (345, 0), (40, 1), (20, 0)])
def test_leftover_goes_into_wells_that_are_still_free_and_no_more_than_there_are(left_ml, wells):
    free = [entry(round_pan(18), 1), entry(wells_pan(6), 1)]
    pans = [FreePan(need_ml=565, most=1, owned=1), FreePan(need_ml=300, most=1, owned=1)]
    found = FoundSet(counts=(1, 0), size=0, deviation=0, left_ml=left_ml)
    assert _left_into(found, free, pans) == ([(1, wells)] if wells else [])
    taken = dataclasses.replace(found, counts=(1, 1))
    assert _left_into(taken, free, pans) == []


@pytest.mark.parametrize(("left_ml", "taken"), [
    (100, False), (LEFT_FITS[0] * 300 - 1, False), (LEFT_FITS[0] * 300 + 1, True),
    (300, True), (LEFT_FITS[1] * 300 + 1, False)])
def test_a_small_pan_that_is_free_takes_the_leftover_where_it_comes_near_what_it_needs(left_ml,
                                                                                    taken):
    free = [entry(round_pan(18), 1), entry(round_pan(12), 1)]
    pans = [FreePan(need_ml=565, most=1, owned=1), FreePan(need_ml=300, most=1, owned=1)]
    found = FoundSet(counts=(1, 0), size=0, deviation=0, left_ml=left_ml)
    assert _left_into(found, free, pans) == ([(1, 1)] if taken else [])


def test_sets_that_differ_in_their_walls_alone_are_one_row():
    free = [entry(round_pan(18, 5), 2), entry(round_pan(18, 7.5), 2), entry(round_pan(15), 3)]

    def rows(pans, few=6):
        return offered_sets(make_card(), pans, request=Request(recipe=1), tools=Tools(),
                            wanted=Wanted(few=few))
    best = rows(free)[0]
    assert best.counts == (2, 0, 0)
    assert set(best.also) == {(0, 2, 0), (1, 1, 0)}
    # A dark pan bakes otherwise, and another width is another set: those stay rows of their own.
    dark = dataclasses.replace(round_pan(18, 7.5), finish=PanFinish.DARK)
    apart = rows([entry(round_pan(18, 5), 2), entry(dark, 2)])
    assert all(one.also == () for one in apart)
    assert len(rows(free, few=1)) == 1
