"""The heat balance: worked values, and what must hold for every bake."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.baking.constants import HEAT, REFERENCES
from entremet.core.baking.findings import shelf_findings
from entremet.core.baking.heat_balance import Course, Stretch, minutes, single
from entremet.core.baking.heat_load import Faces, heat_load
from entremet.core.baking.pace import PaceBasis, pace_of
from entremet.core.baking.temperature import REACH_C, crust, same_crust
from entremet.core.baking.window import Spread, spread, window
from entremet.core.batter.styles import style
from entremet.core.card.recipe import StatedTime
from entremet.core.ground.errors import UnreadableAmount
from entremet.core.learning.book import CLOSED_BOOK
from entremet.core.learning.entries import Facts
from entremet.core.ovens.oven import Oven, on_dial
from entremet.core.ovens.settings import (
    OvenKind,
    Scale,
    Setting,
    heat_c,
    nominal_c,
)
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.outlines import Rectangle, Ring, Round
from entremet.core.pans.pan import Pan, PanFinish, PanKind, straight
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, make_card, round_pan

CREAMED, POUND = style("creamed").pace, style("pound").pace
DENSITY, PACE, RECIPE_C = 0.92, 1.0283, 170.0
WELL = Pan(label="well", kind=PanKind.WELLS, base=Round(diameter=5), rim=Round(diameter=7),
           wall_cm=straight("well", Round(diameter=5), 3.2).wall_cm)


def flat(outline: Round | Rectangle) -> Pan:
    return straight("pan", outline, 7.5)


def course(pan: Pan, grams: float, *, pace: float = PACE, faces: Faces | None = None,
           start_c: float = 21, oven_c: float = RECIPE_C) -> Course:
    load = heat_load(pan, batter_g=grams, batter_ml=grams / DENSITY, faces=faces or Faces())
    return single(load.total, oven_c, pace=pace, start_c=start_c, done_c=97,
                  lag_min=HEAT.lag_of(load.stands_cm))


def plain(load: float, oven_c: float, *, pace: float = 1.0) -> Course:
    return single(load, oven_c, pace=pace, start_c=21, done_c=97)


@pytest.mark.parametrize(("finish", "factor"), [
    (PanFinish.BRIGHT, 1.0), (PanFinish.HEAVY, 1.15), (PanFinish.DARK, 0.92),
    (PanFinish.GLASS, 1.12),
    (PanFinish.SILICONE, 1.15), (PanFinish.PAPER, 1.05)])
def test_each_finish_has_its_own_factor(finish, factor):
    assert HEAT.finish(finish) == factor


WORKED = [
    (flat(Round(diameter=18)), 520, 2.221, 0.8976, 33.26, 34.00, 170.0, 34.0),
    (flat(Round(diameter=12)), 350, 3.364, 1.0073, 36.47, 37.30, 167.8, 38.0),
    (flat(Round(diameter=28)), 1250, 2.207, 1.0121, 36.61, 37.44, 167.7, 38.2),
    (flat(Rectangle(length=30, width=20)), 1220, 2.210, 0.9758, 35.55, 36.35, 168.4, 36.8),
    (flat(Round(diameter=18)), 1040, 4.442, 1.5500, 52.34, 53.63, 158.7, 59.5),
    (flat(Round(diameter=18)), 260, 1.111, 0.4807, 18.03, 18.43, 184.4, 16.7),
    (straight("ring", Ring(outer=22, tube=7), 7.5, kind=PanKind.RING), 900, 2.863, 1.0207, 36.86,
     37.70, 167.5, 38.5),
    (WELL, 45, 1.968, 0.4426, 19.95, 20.31, 181.8, 18.9),
]


@pytest.mark.parametrize(
    ("pan", "grams", "depth", "load", "model", "paced", "crust_c", "crust_min"), WORKED)
def test_worked_values(pan, grams, depth, load, model, paced, crust_c, crust_min):
    assert pan.depth_cm(grams / DENSITY) == pytest.approx(depth, abs=0.0006)
    assert course(pan, grams).stretches[0].load == pytest.approx(load, abs=0.0001)
    assert minutes(course(pan, grams, pace=1)) == pytest.approx(model, abs=0.006)
    assert minutes(course(pan, grams)) == pytest.approx(paced, abs=0.006)
    found = same_crust(course(pan, grams), recipe_crust=crust(course(pan, grams), 34))
    assert RECIPE_C + found.shift_c == pytest.approx(crust_c, abs=0.06)
    assert minutes(course(pan, grams), shift_c=found.shift_c) == pytest.approx(crust_min, abs=0.06)
    assert not found.at_limit


def test_worked_variants_of_the_source():
    pan = flat(Round(diameter=18))
    strips = course(pan, 520, faces=Faces(wall=HEAT.strips_wall))
    assert minutes(strips) == pytest.approx(37.5, abs=0.05)
    assert minutes(course(pan, 520, start_c=40)) == pytest.approx(28.8, abs=0.05)
    assert minutes(course(pan, 520, start_c=5)) == pytest.approx(37.9, abs=0.05)
    fan = heat_c(Setting(value=150, scale=Scale.CELSIUS), OvenKind.FAN)
    assert minutes(course(pan, 520, oven_c=fan)) == pytest.approx(34.0, abs=0.01)


loads = st.floats(0.1, 6)
heats = st.floats(120, 230)


@given(st.floats(8, 40), st.floats(100, 2500), st.floats(1.0, 1.5))
def test_more_in_the_same_pan_never_bakes_faster(diameter, grams, more):
    pan = straight("round", Round(diameter=diameter), 20)
    here, fuller = course(pan, grams), course(pan, grams * more)
    assert minutes(here) <= minutes(fuller) + 1e-9


@given(loads, heats, st.floats(0, 40))
def test_hotter_is_never_slower(load, oven_c, hotter):
    bake = plain(load, oven_c)
    assert minutes(bake) >= minutes(bake, shift_c=hotter)


@given(loads, heats, st.floats(8, 120))
def test_the_source_gives_back_its_stated_time(load, oven_c, stated):
    pace = pace_of(StatedTime(low_min=stated, high_min=stated), plain(load, oven_c), style=CREAMED)
    if pace.calibrated:
        assert minutes(plain(load, oven_c, pace=pace.value)) == pytest.approx(stated)


@given(loads, heats)
def test_time_is_continuous_in_load_and_heat(load, oven_c):
    here = minutes(plain(load, oven_c))
    near = minutes(plain(load * (1 + 1e-7), oven_c + 1e-7))
    assert near == pytest.approx(here, rel=1e-5)


@given(loads, st.floats(140, 200), loads)
def test_same_crust_keeps_within_reach_and_gives_the_crust_of_the_recipe(load, recipe_c, own_load):
    bake, own = plain(load, recipe_c), plain(own_load, recipe_c)
    wanted = crust(own, minutes(own))
    found = same_crust(bake, recipe_crust=wanted)
    assert abs(found.shift_c) <= REACH_C + 1e-6 or found.at_limit
    if not found.at_limit:
        moved = minutes(bake, shift_c=found.shift_c)
        assert crust(bake, moved, shift_c=found.shift_c) == pytest.approx(wanted, rel=1e-3)


def test_an_oven_cooler_than_done_gives_no_time():
    assert minutes(plain(1, 97)) is None
    assert minutes(plain(1, 60)) is None


@pytest.mark.parametrize(("stated", "basis"), [
    (34, PaceBasis.STATED), (50, PaceBasis.UNUSUAL), (22, PaceBasis.UNUSUAL),
    (90, PaceBasis.NOT_REPRODUCED), (12, PaceBasis.NOT_REPRODUCED), (7, PaceBasis.TOO_SHORT),
])
def test_a_stated_time_is_judged_against_its_pan(stated, basis):
    own = course(flat(Round(diameter=18)), 520, pace=1)
    found = pace_of(StatedTime(low_min=stated, high_min=stated), own, style=CREAMED)
    assert found.basis is basis
    assert found.calibrated == (basis in (PaceBasis.STATED, PaceBasis.UNUSUAL))


def test_no_stated_time_means_the_pace_of_the_style_and_a_wide_window():
    found = pace_of(None, course(flat(Round(diameter=18)), 520), style=POUND)
    assert (found.value, found.calibrated) == (1.3, False)
    assert spread_of(timed=False).total == pytest.approx(
        math.sqrt(0.08**2 + 0.18**2 + 0.04**2 + 0.05**2))


def spread_of(**facts):
    return spread(CLOSED_BOOK.expects(Facts(oven="", recipe="", pan="", expected_min=30, **facts)))


@given(st.floats(9, 200), loads, loads, st.booleans(), st.sampled_from([0, 30]))
def test_window_is_in_order_before_and_after_rounding(likely, load, own, changes, proven):
    found = window(likely, spread_of(apart=math.log(load / own), kind_changes=changes),
                   proven=proven)
    look, _, shown, latest = found.shown
    assert look <= shown <= latest
    assert found.first_look_min <= found.likely_min <= found.latest_min
    assert found.early_min * found.latest_min == pytest.approx(likely**2)


def test_the_spread_adds_every_cause():
    found = spread_of(apart=math.log(2), kind_changes=True, half_range=0.1)
    assert found.total == pytest.approx(math.sqrt(
        0.08**2 + 0.06**2 + 0.1**2 + 0.04**2 + 0.05**2 + (0.12 * math.log(2)) ** 2 + 0.08**2))
    assert dict(found.causes)["another kind of oven"] == 0.08


def test_ten_right_bakes_in_an_oven_bring_the_first_look_nearer_to_early():
    how = Spread(total=0.07, late=0.07, near=0.07)
    assert window(40, how, proven=9).first_look_min == 32
    proven = window(40, how, proven=10)
    assert proven.first_look_min == pytest.approx(proven.early_min - 2)
    wide = Spread(total=0.3, late=0.3, near=0.3)
    assert window(40, wide, proven=10).first_look_min == pytest.approx(28)
    assert window(40, how, range_low=0.9).first_look_min == pytest.approx(28.8)


@pytest.mark.parametrize(("value", "scale", "celsius"), [
    (350, Scale.FAHRENHEIT, 180), (180, Scale.CELSIUS, 180), (4, Scale.MARK, 180),
    (325, Scale.FAHRENHEIT, 160), (0.5, Scale.MARK, 120), (340, Scale.FAHRENHEIT, 170),
])
def test_one_setting_written_three_ways(value, scale, celsius):
    assert nominal_c(Setting(value=value, scale=scale)) == celsius


def oven_with(kind: OvenKind, scale: Scale, step: float, top: float) -> Oven:
    lowest = {Scale.CELSIUS: 50, Scale.FAHRENHEIT: 120, Scale.MARK: 0.5}[scale]
    return Oven(name="oven", kind=kind, scale=scale, step=step, lowest=lowest, highest=top)


@pytest.mark.parametrize(("kind", "scale", "step", "text"), [
    (OvenKind.CONVENTIONAL, Scale.CELSIUS, 5, "180 °C"),
    (OvenKind.CONVENTIONAL, Scale.FAHRENHEIT, 5, "350 °F"),
    (OvenKind.FAN, Scale.CELSIUS, 5, "160 °C"),
    (OvenKind.GAS, Scale.MARK, 1, "gas mark 4"),
])
def test_a_heat_is_shown_on_the_kitchens_own_dial(kind, scale, step, text):
    top = {Scale.CELSIUS: 250, Scale.FAHRENHEIT: 500, Scale.MARK: 9}[scale]
    oven = oven_with(kind, scale, step, top)
    setting = on_dial(oven, 180)
    assert setting.text == text
    assert oven.heat_c(setting) == 180


@pytest.mark.parametrize(("lower_by", "dial"), [(2.4, 170), (2.5, 165), (11.3, 160), (-14, 185)])
def test_moves_are_rounded_to_the_dials_step(lower_by, dial):
    oven = oven_with(OvenKind.CONVENTIONAL, Scale.CELSIUS, 5, 250)
    assert on_dial(oven, 170, lower_by_c=lower_by).value == dial


def test_a_dial_is_never_turned_past_its_end():
    oven = oven_with(OvenKind.CONVENTIONAL, Scale.CELSIUS, 5, 160)
    assert on_dial(oven, 200).value == 160


@pytest.mark.parametrize("value", [0, -180, float("nan"), 900, 1e308])
def test_settings_no_oven_has_are_refused(value):
    with pytest.raises(UnreadableAmount):
        Setting(value=value, scale=Scale.CELSIUS)


def test_every_constant_lies_in_its_range_and_names_its_source():
    for row in REFERENCES.values():
        assert row.low <= row.value <= row.high
        assert row.source


SHELF = Oven(name="Main oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5, lowest=50,
             highest=250, shelf_cm=(45, 36))


@pytest.mark.parametrize(("measures", "too_large"), [
    ({"outline": OutlineName.ROUND, "across": 34}, False),
    ({"outline": OutlineName.ROUND, "across": 36}, True),
    ({"outline": OutlineName.RECTANGLE, "across": 34, "width": 43}, False),
    ({"outline": OutlineName.RECTANGLE, "across": 60, "width": 20}, True),
    ({"outline": OutlineName.WELLS, "across": 5, "wells": 48}, False),
])
def test_a_pan_larger_than_a_shelf_is_said_turned_either_way(measures, too_large):
    pan = pan_from(PanMeasures(wall_cm=5, **measures), label="pan")
    found = list(shelf_findings([(0, "pan", pan)], SHELF))
    assert [one.code for one in found] == (["larger_than_oven"] if too_large else [])
    assert list(shelf_findings([(0, "pan", pan)], replace(SHELF, shelf_cm=None))) == []


OVEN_AT_WORK = Oven(name="oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5,
                    lowest=50, highest=250)


def test_corrected_constants_reach_every_figure_of_a_bake():
    def bake(**changes):
        made = make_plan(make_card(stated=None), [entry(round_pan(20), 2)],
                         request=Request(recipe=1),
                         oven=OVEN_AT_WORK, constants=replace(HEAT, **changes))
        return made.pans[0].bake

    shipped = bake()
    assert bake(resistance=HEAT.resistance * 1.1).window.likely_min - HEAT.lag_min == (
        pytest.approx(1.1 * (shipped.window.likely_min - HEAT.lag_min), rel=1e-6))
    assert bake(lag_min=HEAT.lag_min + 3).window.likely_min == pytest.approx(
        shipped.window.likely_min + 3, rel=0.02)
    for name in ("inward", "wall_weight", "mid_rise", "start_room_c", "finish_bright"):
        assert bake(**{name: getattr(HEAT, name) * 1.2}).window.likely_min != (
            pytest.approx(shipped.window.likely_min, rel=1e-3)), name
    assert bake(lag_min=HEAT.lag_min + 3).window.latest_min > shipped.window.latest_min


def test_done_is_the_first_time_also_when_a_cooler_phase_follows_a_hot_one():
    hot, cool, last = (Stretch(share=share, oven_c=oven_c, load=0.3)
                       for share, oven_c in ((0.515, 250), (0.317, 40), (0.168, 110)))
    course = Course(stretches=(hot, cool, last), pace=1.0, start_c=21, done_c=97, factor=1.0)
    found = minutes(course)

    def end_c(total: float) -> float:
        centre = 21.0
        for one, tau in zip(course.stretches, course.taus_min, strict=True):
            centre = one.oven_c - (one.oven_c - centre) * math.exp(-one.share * total / tau)
        return centre

    grid = [step / 50 for step in range(1, 20_000)]
    first = next(total for total in grid if end_c(total) >= 97)
    assert found == pytest.approx(7 + first, abs=0.05)


def test_a_face_that_takes_up_less_heat_makes_the_bake_longer():
    pan = round_pan(18)
    bare = heat_load(pan, batter_g=520, batter_ml=565).total
    for faces in (Faces(base=0.6), Faces(top=0.6), Faces(wall=0.55)):
        assert heat_load(pan, batter_g=520, batter_ml=565, faces=faces).total > bare * 1.03


@pytest.mark.parametrize("oven_c", [260.0, 120.0])
def test_a_school_goes_down_to_its_reach_or_to_where_the_crust_is_least(oven_c):
    """In a cool oven a cooler one browns more: it takes so long."""
    bake = plain(1.0, oven_c)
    found = same_crust(bake, recipe_crust=0.0)
    assert found.at_limit
    assert found.shift_c >= -REACH_C
    assert (found.shift_c == -REACH_C) is (oven_c > 200)
    least = crust(bake, minutes(bake, shift_c=found.shift_c), shift_c=found.shift_c)
    for near in (-1.0, 1.0):
        shift = max(-REACH_C, found.shift_c + near)
        assert crust(bake, minutes(bake, shift_c=shift), shift_c=shift) >= least - 1e-9
