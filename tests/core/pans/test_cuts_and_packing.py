"""Cakes cut, and whole things laid side by side: counts a baker can lay out and count again."""

from __future__ import annotations

import math
from itertools import combinations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString
from shapely.geometry import Polygon as ShapelyPolygon
from shapely.ops import unary_union

from entremet.core.batter.styles import style
from entremet.core.card.lines import MIXED
from entremet.core.card.recipe import SourcePan
from entremet.core.card.resolve import of_its_own_dough
from entremet.core.fitting.patted import cut_out
from entremet.core.fitting.rules import EggChoice, Rule
from entremet.core.ground.errors import ImpossibleChoice, ImpossiblePan
from entremet.core.pans.cuts import cut_of
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.outlines import Rectangle, Ring, Round
from entremet.core.pans.packing import packed
from entremet.core.pans.shapes import Drawn, HalfMoon, Heart, Oval, Petal, Polygon
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, make_card, round_pan
from tests.core.plan.test_plan import OVEN, assert_mass_is_conserved, codes

BOOT = Drawn(across=24, corners=((0, 0), (6, 0), (6, 2), (3, 2), (3, 7), (0, 7)))
OUTLINES = [Round(diameter=20), Oval(length=25, width=18), Heart(width=22), Polygon(across=20),
            Petal(across=24), HalfMoon(across=26), Rectangle(length=33, width=23, corner=2), BOOT]


def pieces_in(outline, lines, knife_cm=1e-3):
    """Areas of the pieces that lines really make of an outline."""
    shape = ShapelyPolygon(outline.points(96)[0])
    knife = unary_union([LineString(line) for line in lines]).buffer(knife_cm)
    rest = shape.difference(knife)
    return [piece.area for piece in getattr(rest, "geoms", [rest]) if piece.area > 0.05]


@pytest.mark.parametrize("outline", OUTLINES, ids=lambda one: type(one).__name__)
@pytest.mark.parametrize("wanted", [1, 2, 7, 12])
def test_a_cut_makes_the_pieces_it_names_and_they_are_about_equal(outline, wanted):
    cut = cut_of(outline, wanted)
    areas = pieces_in(outline, cut.lines)
    assert len(areas) == cut.pieces <= wanted
    assert sum(areas) == pytest.approx(outline.area(), rel=0.01)
    assert max(areas) / min(areas) < 1.06


@pytest.mark.parametrize("wanted", [20, 40, 90])
def test_many_pieces_of_a_round_have_an_inner_cake(wanted):
    cut = cut_of(Round(diameter=30), wanted)
    areas = pieces_in(Round(diameter=30), cut.lines, knife_cm=0.02)
    assert len(areas) == wanted
    assert max(areas) / min(areas) < 1.15


def test_a_ring_is_cut_across():
    cut = cut_of(Ring(outer=22, tube=7), 14)
    assert len(cut.lines) == 14
    for (x1, y1), (x2, y2) in cut.lines:
        assert math.hypot(x1, y1) == pytest.approx(3.5)
        assert math.hypot(x2, y2) == pytest.approx(11)


@given(st.integers(1, 300), st.floats(8, 60), st.floats(8, 60))
def test_a_sheet_is_cut_in_a_grid_with_few_crumbs_of_a_piece_lost(wanted, long, wide):
    cut = cut_of(Rectangle(length=long, width=wide), wanted)
    assert wanted - max(1, wanted // 12) <= cut.pieces <= wanted


@pytest.mark.parametrize(("outline", "across", "least"), [
    (Round(diameter=10), 5, 2), (Round(diameter=15), 5, 7), (Rectangle(length=30, width=20), 5, 24),
    (Rectangle(length=30, width=20), 10, 6), (Round(diameter=20), 4, 19), (Round(diameter=4), 5, 0),
    (Ring(outer=22, tube=7), 5, 8),
])
def test_known_packings_are_found(outline, across, least):
    assert packed(outline, across).count >= least
    assert packed(outline, across).count <= outline.area() / (math.pi * across**2 / 4)


@given(st.sampled_from(OUTLINES), st.floats(2.5, 9))
def test_nothing_overlaps_and_nothing_hangs_over(outline, across):
    places = packed(outline, across).places
    shape = ShapelyPolygon(outline.points(96)[0])
    for (x1, y1), (x2, y2) in combinations(places, 2):
        assert math.hypot(x1 - x2, y1 - y2) >= across - 1e-6
    for x, y in places:
        centre = LineString(((x, y), (x, y + 1e-9)))
        assert shape.exterior.distance(centre) >= across / 2 - 0.05
        assert shape.contains(centre.centroid)


@given(st.sampled_from(OUTLINES[:5]), st.floats(3, 6))
def test_smaller_things_never_lie_fewer(outline, across):
    assert packed(outline, across * 0.5).count >= packed(outline, across).count


@pytest.mark.parametrize("across", [0, -3, math.nan, 99])
def test_widths_that_are_none_are_refused(across):
    with pytest.raises(ImpossibleChoice):
        packed(Round(diameter=20), across)


def dough(across=24.0, thick=2.0, **more):
    return pan_from(PanMeasures(outline=OutlineName.ROUND, across=across, wall_cm=thick,
                                patted=True, **more), label="dough")


def plan(*entries, **choices):
    return make_plan(make_card(), entries, request=Request(recipe=1, **choices), oven=OVEN)


def test_dough_goes_by_area_and_thickness():
    result = plan(entry(dough()))
    assert result.pans[0].standing.batter_ml == pytest.approx(math.pi * 144 * 2, rel=0.05)
    thick = result.pans[0].standing.batter_cm
    assert result.pans[0].verdict.text().startswith(f"Patted out {thick:.1f}".removesuffix(".0"))
    assert result.pans[0].bake is None
    assert "patted_no_time" in codes(result)
    assert_mass_is_conserved(result)


def test_a_kept_batch_is_patted_no_thicker_than_asked():
    result = plan(entry(dough(across=15)), rule=Rule.KEEP_BATCH)
    assert result.pans[0].standing.batter_cm == pytest.approx(2.0)
    assert result.amounts.leftover_g.value > 0


def test_rounds_are_cut_from_the_sheet_and_from_its_trimmings():
    first = cut_out(dough(across=20), 6)
    assert first.first == packed(Round(diameter=20), 6).count
    assert first.again * math.pi * 9 < math.pi * 100 - first.first * math.pi * 9
    result = plan(entry(dough(), cutter_cm=6))
    assert result.pans[0].cut_out.first >= 10


def test_thin_dough_is_fine_where_a_pan_would_not_be():
    assert dough(thick=0.5).wall_cm.value == 0.5
    with pytest.raises(ImpossiblePan) as refused:
        dough(thick=0.1)
    assert "thickness" in refused.value.text


@pytest.mark.parametrize(("outline", "field"), [(OutlineName.RING, "outline"),
                                                (OutlineName.WELLS, "outline")])
def test_dough_is_not_patted_to_what_only_a_pan_can_be(outline, field):
    with pytest.raises(ImpossiblePan) as refused:
        pan_from(PanMeasures(outline=outline, across=20, tube=5, wall_cm=2, patted=True),
                 label="dough")
    assert refused.value.field == field


def test_dough_needs_its_thickness():
    with pytest.raises(ImpossiblePan) as refused:
        pan_from(PanMeasures(outline=OutlineName.ROUND, across=20, patted=True), label="dough")
    assert refused.value.field == "wall_cm"


def test_a_pan_beside_dough_still_gets_its_time():
    result = plan(entry(dough()), entry(round_pan(18)))
    assert result.pans[1].bake.window is not None


def test_a_cutter_that_is_none_is_a_finding_and_the_dough_stands():
    result = plan(entry(dough(), cutter_cm=0.2))
    assert result.pans[0].cut_out is None
    assert "no_cutter" in codes(result)
    assert result.amounts is not None


def square_dough(across, thick):
    return pan_from(PanMeasures(outline=OutlineName.SQUARE, across=across, wall_cm=thick,
                                patted=True), label="dough")


def dough_card(thick=2.5):
    return of_its_own_dough(make_card(
        style=style("patted"), pans=(SourcePan(pan=square_dough(14, thick), count=2),)))


def test_dough_in_its_own_size_is_the_recipe_itself():
    recipe = dough_card()
    assert recipe.style.density.value == pytest.approx(
        recipe.weight_of(MIXED, left_out=frozenset({8})).value / (2 * 14 * 14 * 2.5))
    own = recipe.style.density
    assert (own.low, own.high) == (pytest.approx(own.value * 0.97), pytest.approx(own.value * 1.03))
    result = make_plan(recipe, (entry(square_dough(14, 2.5), 2),), oven=OVEN,
                       request=Request(recipe=1, eggs=EggChoice.EXACT))
    assert result.amounts.factor.value == pytest.approx(1.0, abs=1e-6)
    assert result.pans[0].bake.window.likely_min == pytest.approx(34, abs=0.5)
    assert "patted_no_time" not in codes(result)
    larger = make_plan(recipe, (entry(square_dough(20, 2.5), 1),),
                       request=Request(recipe=1), oven=OVEN)
    assert larger.amounts.factor.value == pytest.approx(400 / 392, rel=0.03)


def test_thicker_dough_takes_longer():
    def likely(thick):
        found = make_plan(dough_card(), (entry(square_dough(14, thick), 2),),
                          request=Request(recipe=1), oven=OVEN)
        return found.pans[0].bake.window.likely_min
    assert likely(1.5) < likely(2.5) < likely(4)


def test_a_size_that_is_not_the_doughs_leaves_the_styles_density():
    recipe = of_its_own_dough(make_card(
        style=style("patted"), pans=(SourcePan(pan=square_dough(30, 4), count=2),)))
    assert recipe.style == style("patted")
