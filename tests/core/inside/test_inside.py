"""Inside a cake while it bakes: how, never when; what the slice shows; what it is held against."""

from __future__ import annotations

import random
from dataclasses import replace

import numpy as np
import pytest

from entremet.core.baking.treatment import PLAIN, Treatment
from entremet.core.card.lines import Component
from entremet.core.ground.errors import CoreError, ImpossibleChoice
from entremet.core.ground.provenance import worked_out
from entremet.core.inside.body import CakeSlice, sides_of
from entremet.core.inside.field import Spell, Warming, warmed
from entremet.core.inside.frames import FRAMES, bands_of, frames_of
from entremet.core.inside.of_fit import inside_of, inside_told
from entremet.core.inside.told import first_min, rim_c, told_of
from entremet.core.inside.words import RAW_RIM, words_of
from entremet.core.ovens.settings import OvenKind
from entremet.core.pans.outlines import Oval, Rectangle, Ring, Round
from entremet.core.pans.pan import PanFinish
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, line, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import OVEN
from tests.everyday import some

DEEP = CakeSlice(inner_cm=0, outer_cm=9, depth_cm=4.6, wall_cm=7.5, density=0.92, rise=1.7)


def followed(body: CakeSlice = DEEP, *, oven_c: float = 180, wall: float = 1.0, top: float = 1.0,
             likely: float = 55, finer: int = 1) -> Warming:
    return warmed(body, [Spell(share=1.0, oven_c=oven_c, wall=wall, top=top)], start_c=21,
                  done_c=97, likely_min=likely, finer=finer)


def lead_share(bake: Warming) -> float:
    return told_of(bake).lead_min.value / bake.likely_min


@pytest.mark.parametrize("likely", [12.0, 55.0, 140.0])
def test_the_middle_is_done_at_the_likely_minute_and_no_other(likely):
    bake = followed(likely=likely)
    row, column = bake.coldest
    assert first_min(bake, bake.celsius[:, row, column]) == pytest.approx(likely, abs=0.5)
    assert bake.minutes[-1] >= likely * 1.2


def test_a_bake_in_phases_is_done_at_its_likely_minute_too():
    bake = warmed(DEEP, [Spell(share=0.3, oven_c=200), Spell(share=0.4, oven_c=160),
                         Spell(share=0.3, oven_c=160, top=0.6)], start_c=21, done_c=97,
                  likely_min=60)
    row, column = bake.coldest
    assert first_min(bake, bake.celsius[:, row, column]) == pytest.approx(60, abs=0.5)


def test_a_deeper_cake_has_a_longer_lead():
    leads = [told_of(followed(replace(DEEP, depth_cm=depth), likely=likely)).lead_min.value
             for depth, likely in ((1.7, 31), (3.0, 42), (4.6, 55), (6.0, 75))]
    assert leads == sorted(leads)
    assert leads[0] < leads[-1] * 0.7


def test_strips_a_cooler_oven_and_a_bright_pan_shorten_the_lead():
    """At one likely minute, so that only how it bakes differs."""
    usual = lead_share(followed())
    assert lead_share(followed(wall=0.55)) < usual - 0.02
    assert lead_share(followed(oven_c=150)) < usual
    assert lead_share(followed(replace(DEEP, finish=PanFinish.DARK))) > usual + 0.02


def test_a_ring_has_two_rims_and_its_coldest_point_between_them():
    ring = CakeSlice(inner_cm=4, outer_cm=12, depth_cm=5, wall_cm=8.5, density=0.92, rise=1.7)
    bake = followed(ring, oven_c=160, likely=50)
    across, _ = told_of(bake).coldest
    assert 0.25 < across < 0.75
    place = int(np.argmin(np.abs(bake.minutes - 30)))
    middle = bake.celsius[place, bake.celsius.shape[1] // 2]
    assert middle[0] > middle.min() + 5
    assert middle[-1] > middle.min() + 5
    # The tube's wall and the outer one warm it from both sides: the lead is a short one.
    assert lead_share(bake) < lead_share(followed(replace(DEEP, depth_cm=5), oven_c=160,
                                                  likely=50)) / 1.5


def test_nothing_is_cooler_than_it_went_in_nor_hotter_than_the_oven():
    for seed in some(range(300), 12):
        dice = random.Random(seed)
        inner = dice.choice([0.0, 0.0, 0.0, dice.uniform(2, 5)])
        body = CakeSlice(inner_cm=inner, outer_cm=inner + dice.uniform(2.5, 15),
                    depth_cm=dice.uniform(1, 8), wall_cm=dice.uniform(3, 10),
                    density=dice.uniform(0.4, 1.1), rise=dice.uniform(1.1, 2.2),
                    round_axis=dice.random() < 0.7 or inner > 0,
                    finish=dice.choice(list(PanFinish)))
        oven_c = dice.uniform(130, 230)
        bake = followed(body, oven_c=oven_c, wall=dice.choice([1.0, 0.55]),
                        likely=dice.uniform(10, 120))
        assert bake.celsius.min() >= 20.9, seed
        assert bake.celsius.max() <= oven_c + 0.1, seed
        told = told_of(bake)
        assert 0 <= told.dry.value <= 1
        assert 0 <= told.raw <= 1
        assert told.rim_done_min <= bake.minutes[-1]


@pytest.mark.parametrize(("body", "oven_c", "wall", "likely"), [
    (DEEP, 180, 1.0, 55), (replace(DEEP, depth_cm=1.7, wall_cm=5), 180, 1.0, 31),
    (DEEP, 150, 0.55, 70),
    (CakeSlice(inner_cm=4, outer_cm=12, depth_cm=5, wall_cm=8.5, density=0.92, rise=1.7), 160, 1.0,
     50)])
def test_finer_cells_change_the_lead_by_less_than_three_hundredths(body, oven_c, wall, likely):
    usual, fine = (followed(body, oven_c=oven_c, wall=wall, likely=likely, finer=finer)
                   for finer in (1, 3))
    assert told_of(fine).lead_min.value == pytest.approx(told_of(usual).lead_min.value, rel=0.03)


@pytest.mark.parametrize(("depth", "oven_c", "wall", "likely", "low", "high"), [
    (4.6, 180, 1.0, 55, 1.5, 2.5), (4.6, 150, 0.55, 70, 0.0, 0.7), (1.7, 180, 1.0, 31, 0.0, 0.4)])
def test_domes_are_those_of_practice(depth, oven_c, wall, likely, low, high):
    dome = told_of(followed(replace(DEEP, depth_cm=depth), oven_c=oven_c, wall=wall,
                            likely=likely)).dome
    assert low <= dome.value <= high
    assert "estimate, practice" in dome.note


def test_a_covered_top_warms_more_slowly():
    bare, covered = followed(), followed(top=0.6)
    place, other = (int(np.argmin(np.abs(one.minutes - 20))) for one in (bare, covered))
    assert covered.celsius[other, -1].mean() < bare.celsius[place, -1].mean() - 2


def test_frames_hold_the_likely_minute_and_are_small():
    bake = followed()
    told = told_of(bake)
    frames = frames_of(bake, told)
    assert frames.minutes[frames.likely] == pytest.approx(55)
    assert len(frames.minutes) == FRAMES
    cells = FRAMES * frames.rows * frames.columns
    assert (len(frames.states), len(frames.tops_mm)) == (cells, cells)
    assert cells * 2 * 4 / 3 < 40_000
    assert frames.middle_c[frames.likely] == pytest.approx(97, abs=1)
    assert frames.rim_c[frames.likely] > 97
    tops = np.frombuffer(frames.tops_mm, np.uint8).reshape(FRAMES, frames.rows, frames.columns)
    assert tops[0, -1, 0] == 46
    # At the end the middle stands over the edge by the dome.
    end = tops[frames.likely, -1].astype(int)
    assert end[0] - end[-1] == pytest.approx(told.dome.value * 10, abs=3)


@pytest.mark.parametrize(("outline", "sides"), [
    (Round(diameter=20), (0, 10, True)), (Ring(outer=24, tube=8), (4, 12, True)),
    (Rectangle(length=33, width=23), (0, 11.5, False)),
    (Rectangle(length=20, width=20), (0, 11.28379, True))])
def test_a_slice_goes_from_the_axis_or_the_tube_to_the_wall(outline, sides):
    assert sides_of(outline) == pytest.approx(sides)
    assert sides_of(Oval(length=25, width=18))[2]


def look(one, treatment=PLAIN, oven=OvenKind.CONVENTIONAL):
    return inside_of(one, oven=oven, treatment=treatment)


def a_plan(card=None, *entries):
    return make_plan(card or make_card(), list(entries), request=Request(recipe=1), oven=OVEN)


def test_a_fit_is_looked_into_at_its_own_minute_and_strips_change_it():
    plan = a_plan(None, entry(round_pan(18, 7.5), 2), entry(wells_pan(), 12))
    for one in plan.pans:
        bake = look(one)
        assert bake.likely_min == one.bake.window.likely_min
        row, column = bake.coldest
        assert first_min(bake, bake.celsius[:, row, column]) == pytest.approx(
            one.bake.window.likely_min, abs=0.5)
    first = plan.pans[0]
    strips, bare = look(first, Treatment(strips=True)), look(first)
    assert rim_c(strips)[len(strips.minutes) // 2] < rim_c(bare)[len(bare.minutes) // 2]
    with pytest.raises(ImpossibleChoice, match="nobody can look inside"):
        look(replace(first, bake=None))


def test_the_slice_stands_as_high_as_the_fit_says_raw_and_risen():
    """One truth: what Choose calls the batter's depth and its rise, a layer under it too."""
    layer = (*make_card().lines, replace(line(9, "Pears", 200, "g", "200 g"),
                                         component=Component.BASE_LAYER))
    for card in (make_card(), make_card(lines=layer)):
        one = a_plan(card, entry(round_pan(20, 7.5), 2)).pans[0]
        bake = look(one)
        heights = bake.high_cm.sum(axis=1)
        assert heights[0] == pytest.approx(one.standing.stands_cm)
        place = int(np.argmin(np.abs(bake.minutes - bake.likely_min)))
        assert heights[place].mean() == pytest.approx(one.standing.risen_cm, rel=0.03)


def test_what_cannot_be_followed_tells_nothing_and_breaks_nothing():
    one = a_plan(None, entry(round_pan(18, 7.5), 2)).pans[0]
    assert inside_told(one, oven=OvenKind.CONVENTIONAL, treatment=PLAIN) is not None
    assert inside_told(one, oven=OvenKind.STEAM, treatment=PLAIN) is None
    # An oven hardly hotter than done never gets there.
    bake = one.bake
    cool = replace(bake, course=replace(bake.course, stretches=tuple(
        replace(part, oven_c=97.5) for part in bake.course.stretches)))
    with pytest.raises(CoreError, match="eight hours"):
        look(replace(one, bake=cool))
    assert inside_told(replace(one, bake=cool), oven=OvenKind.CONVENTIONAL,
                       treatment=PLAIN) is None


@pytest.mark.parametrize("oven", [OvenKind.STEAM, OvenKind.HOB])
def test_what_is_steamed_is_not_opened_by_a_field_that_knows_ovens(oven):
    one = a_plan(None, entry(round_pan(18, 7.5), 2)).pans[0]
    with pytest.raises(ImpossibleChoice, match="in another way") as told:
        look(one, oven=oven)
    assert told.value.field == "oven"


def test_nothing_is_called_done_before_the_middle_is():
    """What a slice names done is done by the fit: at the likely minute the middle, not before."""
    bake = followed()
    frames = frames_of(bake, told_of(bake))
    done = [one.name for one in frames.bands].index("done")
    states = np.frombuffer(frames.states, np.uint8).reshape(FRAMES, frames.rows, frames.columns)
    row, column = bake.coldest
    assert int(np.argmax(states[:, row, column] >= done)) == frames.likely
    assert states[0].max() == 0
    # Its rim is a crust by then, and what is warmer is never in an earlier state.
    assert states[frames.likely, row, -1] >= done
    assert (np.diff(states[frames.likely, row].astype(int)) >= 0).all()
    for done_c in (80.0, 92.2, 96.0, 97.0):
        bands = bands_of(done_c)
        assert [one.from_c for one in bands] == sorted(one.from_c for one in bands)
        assert {"runny", "done", "crust"} <= {one.name for one in bands}


def test_what_it_tells_is_said_with_its_range_and_where_it_is_done_last():
    told = told_of(followed())
    words = words_of(told, likely_min=55, ring=False)
    lead = told.lead_min.value
    span = f"{lead:.0f} ({lead * 0.75:.0f} to {lead * 1.25:.0f})"
    assert f"{span} before the middle at 55" in words[0]
    assert any("in the middle" in one for one in words)
    assert any("may crack" in one for one in words) is (told.raw > RAW_RIM)
    assert any("between the tube and the wall" in one
               for one in words_of(told, likely_min=55, ring=True))
    flat = replace(told, raw=0.0, dome=worked_out(0.1, "thin"))
    assert not any("may crack" in one for one in words_of(flat, likely_min=55, ring=False))
    assert any("about flat" in one for one in words_of(flat, likely_min=55, ring=False))


def test_what_cannot_be_warmed_is_refused():
    for wrong in ({"outer_cm": 0}, {"depth_cm": 0}, {"density": 0}, {"inner_cm": 9}):
        with pytest.raises(CoreError):
            replace(DEEP, **wrong)
    with pytest.raises(CoreError, match="takes some time"):
        followed(likely=0)
    with pytest.raises(CoreError, match="eight hours"):
        followed(oven_c=98)
