"""The solver of the independent check, against solutions that are known."""

from __future__ import annotations

import dataclasses
import math

import numpy as np
import pytest
from scipy.optimize import brentq

from bench.heat_check.cases import DONE_C, OVEN_C, START_C, cases, materials, materials_table
from bench.heat_check.field import Body, minutes_to_done
from bench.heat_check.physics import bubble_conductivity, gassy_conductivity, vapour_pressure
from bench.heat_check.run import tau

DRY = dataclasses.replace(
    materials(heat_capacity=2500.0, solid_conductivity=0.5, convection=25.0, pan_emissivity=0.0,
              top_emissivity=0.0, pan_heat=1e-6, rise=1.0), moist=False)


def slab_minutes(half_m: float) -> float:
    """Minutes to done in the middle of a slab heated alike from both sides: the series' first term,
    which is exact to a thousandth from a Fourier number of 0.2."""
    biot = DRY.convection * half_m / DRY.solid_conductivity
    root = brentq(lambda x: x * math.tan(x) - biot, 1e-6, math.pi / 2 - 1e-9)
    first = 4 * math.sin(root) / (2 * root + math.sin(2 * root))
    left = (OVEN_C - DONE_C) / (OVEN_C - START_C)
    fourier = math.log(first / left) / root**2
    assert fourier > 0.2
    return fourier * half_m**2 * 920 * DRY.heat_capacity / DRY.solid_conductivity / 60


def solved(body: Body) -> float:
    return minutes_to_done(body, DRY, oven_c=OVEN_C, start_c=START_C, done_c=DONE_C, cells=24)


def test_a_wide_thin_cake_is_a_slab():
    wide = Body(inner_m=0, outer_m=5.0, height_m=0.04, density=920, axisymmetric=True, wall_m=0.04)
    assert solved(wide) == pytest.approx(slab_minutes(0.02), rel=0.01)


def test_a_tall_narrow_loaf_is_a_slab_too():
    tall = Body(inner_m=0, outer_m=0.03, height_m=4.0, density=920, axisymmetric=False, wall_m=4.0)
    assert solved(tall) == pytest.approx(slab_minutes(0.03), rel=0.01)


def test_round_the_axis_a_column_heats_quicker_than_a_slab_of_its_half_width():
    column = Body(inner_m=0, outer_m=0.03, height_m=4.0, density=920, axisymmetric=True, wall_m=4.0)
    assert 0.4 < solved(column) / slab_minutes(0.03) < 0.75


def test_a_finer_grid_changes_little():
    body = cases()[0][6].body()
    coarse, fine = (minutes_to_done(body, materials(), oven_c=OVEN_C, start_c=START_C,
                                    done_c=DONE_C, cells=cells) for cells in (14, 24))
    assert coarse == pytest.approx(fine, rel=0.04)


def test_vapour_and_bubbles_behave_as_the_textbook_has_it():
    assert vapour_pressure(np.array([100.0]))[0] == pytest.approx(101_325, rel=0.03)
    assert bubble_conductivity(np.array([80.0]))[0] > bubble_conductivity(np.array([40.0]))[0]
    solid = gassy_conductivity(0.4, np.array([0.03]), np.array([0.0]))[0]
    foam = gassy_conductivity(0.4, np.array([0.03]), np.array([0.6]))[0]
    assert solid == pytest.approx(0.4)
    assert foam < 0.2


def test_the_list_of_pans_is_whole_and_its_values_lie_in_their_ranges():
    listed, reference = cases()
    assert len(listed) >= 12
    assert reference in {case.name for case in listed}
    assert all(case.depth_cm < case.pan.wall_cm.value for case in listed)
    assert all(row.low <= row.value <= row.high for row in materials_table().values())


def test_ranks_within_three_per_cent_are_ties():
    assert tau([10, 20, 30], [1, 2, 3]) == pytest.approx(1)
    assert tau([10, 20, 30], [3, 2, 1]) == pytest.approx(-1)
    assert tau([10, 10.2, 30], [1, 2, 3]) < 1
