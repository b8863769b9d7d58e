"""Which cakes come out of a fit's pans: their layers, what is cut off, how many of each."""

from __future__ import annotations

import math

import pytest

from entremet.core.card.finish import Finishing, Level
from entremet.core.dressing.cakes import BakedPan, CakeKind, cakes_of, cooling_order
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from tests.core.conftest import round_pan, wells_pan

RING = pan_from(PanMeasures(outline=OutlineName.RING, across=25, tube=7.5, wall_cm=8), label="ring")
LOAF = pan_from(PanMeasures(outline=OutlineName.LOAF, across=22, width=11, rim_across=24,
                            rim_width=13, wall_cm=7), label="loaf")
SHEET = pan_from(PanMeasures(outline=OutlineName.RECTANGLE, across=36, width=24, wall_cm=5),
                 label="sheet")


def baked(pan, count=1, risen=5.0, batter=900.0, **more):
    return BakedPan(label=pan.label, place=0, count=count, pan=pan, risen_cm=risen,
                    batter_g=batter, loss=0.1, **more)


def one(pan, count=1, filled=False, risen=5.0, batter=900.0, **chosen):
    (cake,), _ = cakes_of([baked(pan, count, risen, batter)], Finishing(**chosen), filled=filled)
    return cake


@pytest.mark.parametrize("pan", [RING, LOAF, round_pan(20)])
@pytest.mark.parametrize("split", [1, 2, 3])
def test_a_cake_is_split_in_as_many_layers_as_was_said(pan, split):
    cake = one(pan, split=split)
    assert len(cake.layers) == split
    assert cake.joins == split - 1
    assert sum(layer.height_cm for layer in cake.layers) == pytest.approx(5)
    assert cake.mass_g == pytest.approx(810)
    assert cake.trim_g == 0


@pytest.mark.parametrize("pan", [RING, LOAF, round_pan(20), SHEET])
def test_what_is_levelled_off_and_what_is_left_are_what_was_baked(pan):
    cake = one(pan, level=Level.TO, level_cm=4)
    assert cake.trim_g == pytest.approx(810 / 5)
    assert cake.mass_g + cake.trim_g == pytest.approx(810)
    assert cake.trim_ml == pytest.approx(cake.outline.area() * 1)
    assert {layer.height_cm for layer in cake.layers} == {4}


def test_a_dome_comes_off_to_the_edge_or_stays_on_top():
    flat = one(round_pan(20), dome_cm=1.2, level=Level.EDGE)
    across = 20 - 2 * 0.3
    assert flat.trim_ml == pytest.approx(math.pi * across**2 / 4 * 1.2 / 2)
    assert flat.layers[0].height_cm == pytest.approx(5 - 0.6)
    assert flat.dome_cm == 0
    left = one(round_pan(20), dome_cm=1.2, level=Level.LEAVE)
    assert (left.dome_cm, left.trim_g, left.layers[0].height_cm) == (1.2, 0, 5)


def test_a_sheet_in_pieces_is_cakes_and_a_sheet_in_a_stack_is_one():
    pieces = one(SHEET, pieces=12, level=Level.TO, level_cm=4)
    assert pieces.kind is CakeKind.PIECES
    assert pieces.trim_g == pytest.approx(810 / 5)
    stacked = one(SHEET, stack=3)
    assert (stacked.kind, stacked.count, len(stacked.layers)) == (CakeKind.STACK, 1, 3)
    assert stacked.mass_g == pytest.approx(810)
    two = one(SHEET, count=2, stack=2, level=Level.TO, level_cm=4)
    assert len(two.layers) == 4
    assert two.mass_g + two.trim_g == pytest.approx(2 * 810)
    assert two.trim_ml == pytest.approx(two.outline.area() * 2 * 2)


def test_a_round_is_not_cut_in_pieces_that_are_stacked_and_says_so():
    (cake,), found = cakes_of([baked(round_pan(20))], Finishing(stack=3))
    assert len(cake.layers) == 1
    assert "finish_no_sheet" in {finding.code for finding in found}


def test_wells_stay_whole_and_are_counted():
    cake = one(wells_pan(), count=12, risen=3.0, batter=45, split=2, filled=True)
    assert (cake.kind, cake.count, len(cake.layers)) == (CakeKind.SMALL, 12, 1)


@pytest.mark.parametrize(("pan", "count", "risen", "layers"), [
    (round_pan(20), 1, 5.0, 2), (round_pan(20), 2, 5.0, 2), (round_pan(20), 1, 2.0, 1),
    (RING, 2, 5.0, 2), (LOAF, 1, 5.0, 2)])
def test_one_deep_cake_is_cut_once_where_it_is_to_be_filled(pan, count, risen, layers):
    assert len(one(pan, count, filled=True, risen=risen).layers) == layers


def test_what_lay_under_the_batter_is_turned_up_and_never_cut():
    (cake,), _ = cakes_of([baked(round_pan(20), under_g=300.0)], Finishing(), filled=True)
    assert cake.turned_over
    assert cake.fruit_cm == pytest.approx(300 / cake.outline.area())
    assert cake.mass_g == pytest.approx(810 + 300)
    assert len(cake.layers) == 1
    (kept,), _ = cakes_of([baked(round_pan(20), under_g=300.0)], Finishing(turned_over=False))
    assert not kept.turned_over


def test_joined_cakes_stand_on_the_widest():
    cakes, _ = cakes_of([baked(round_pan(15), risen=4.0), baked(round_pan(23)),
                         baked(wells_pan(), count=6, risen=3.0)], Finishing(joined=True))
    stack, wells = cakes
    assert [round(layer.outline.diameter, 1) for layer in stack.layers] == [22.4, 14.4]
    # The one that cools slowest is waited for.
    assert cooling_order(stack.baked) == max(
        cooling_order(one(round_pan(15), risen=4.0).baked),
        cooling_order(one(round_pan(23)).baked))
    assert wells.count == 6


def test_thin_layers_and_heights_that_cannot_be_are_said():
    def codes(pan, risen=5.0, **chosen):
        return {one.code for one in cakes_of([baked(pan, risen=risen)], Finishing(**chosen))[1]}

    assert "finish_split_thin" in codes(round_pan(20), split=5)
    assert "finish_split_thin" not in codes(round_pan(20), split=4)
    assert "finish_level_high" in codes(round_pan(20), level=Level.TO, level_cm=5.5)
    assert "finish_level_high" not in codes(round_pan(20), level=Level.TO, level_cm=5)
    assert "finish_dome" in codes(round_pan(20), 3.0, level=Level.EDGE, dome_cm=5.6)
    assert "finish_too_small" in codes(round_pan(1.5))
    assert "finish_dome_unknown" in codes(round_pan(20), level=Level.EDGE)
    assert "finish_dome_unknown" not in codes(LOAF, level=Level.EDGE)
