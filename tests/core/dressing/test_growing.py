"""One rule of growth: the fit makes as much more of a component as the finished cakes take."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.finish import Coat, Finishing, OnWells
from entremet.core.card.lines import USUAL_GROWTH, ScalesBy
from entremet.core.finished.finish import finish
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.ground.provenance import measured
from entremet.core.pans.pan import CapacityPan, PanKind
from tests.core.conftest import entry, round_pan, wells_pan
from tests.core.finished.test_finish import FROSTING, part
from tests.core.finished.test_finish import plan_of as _plan_of

LINES = tuple(replace(one, scales_by=USUAL_GROWTH[one.component]) for one in FROSTING)
OWN = (entry(round_pan(18), 2),)


def plan_of(*entries, lines=LINES, **choices):
    return _plan_of(*entries, lines=lines, **choices)


def factor(plan, name):
    return next(one.factor for one in plan.lines if one.line.name == name
                and one.line.key >= 30)


def needed(plan, title):
    return part(finish(plan), title).needed_g.value


def test_a_component_grows_as_what_the_finished_cakes_take_of_it():
    own, now = plan_of(*OWN), plan_of(entry(round_pan(23, 7.5), 3))
    for title, name in (("Plum jam filling", "Plum jam"), ("Syrup", "Caster sugar"),
                        ("Bergamot buttercream", "Icing sugar")):
        assert factor(now, name) == pytest.approx(needed(now, title) / needed(own, title))
    assert factor(own, "Plum jam") == factor(own, "Icing sugar") == 1.0


def test_what_is_chosen_in_finish_is_weighed_in_the_fit():
    usual = plan_of(*OWN)
    thick = plan_of(*OWN, finishing=Finishing(coat_cm=1.0, soak=0.35))
    bare = plan_of(*OWN, finishing=Finishing(coat=Coat.NAKED))
    assert factor(thick, "Icing sugar") > 1.3 * factor(usual, "Icing sugar")
    assert factor(thick, "Caster sugar") > 2 * factor(usual, "Caster sugar")
    assert factor(bare, "Icing sugar") < factor(usual, "Icing sugar")
    cut = plan_of(*OWN, finishing=Finishing(split=2))
    assert factor(cut, "Plum jam") == pytest.approx(3)


def test_frosting_of_a_cake_becomes_swirls():
    plan = plan_of(entry(wells_pan(), 12))
    swirls = needed(plan, "Bergamot buttercream")
    assert factor(plan, "Icing sugar") == pytest.approx(
        swirls / needed(plan_of(*OWN), "Bergamot buttercream"))
    flat = plan_of(entry(wells_pan(), 12), finishing=Finishing(wells=OnWells.FLAT))
    assert factor(flat, "Icing sugar") == pytest.approx(
        factor(plan, "Icing sugar") * 22 / 45)


def test_one_deep_cake_is_cut_once_if_the_card_fills_it_and_a_low_one_is_not():
    deep = finish(plan_of(entry(round_pan(18, 9), 1)))
    assert deep.cakes[0].dressed.cake.joins == 1
    whole = finish(plan_of(entry(round_pan(18, 9), 1), finishing=Finishing(split=1)))
    assert whole.cakes[0].dressed.cake.joins == 0
    unfilled = finish(plan_of(entry(round_pan(18, 9), 1), lines=LINES[:2]))
    assert unfilled.cakes[0].dressed.cake.joins == 0
    sheet = finish(plan_of(entry(round_pan(40, 5), 1), rule=Rule.KEEP_BATCH))
    assert sheet.cakes[0].dressed.cake.layers[0].height_cm < 2.4
    assert sheet.cakes[0].dressed.cake.joins == 0


def test_joins_that_are_said_fill_so_many():
    said, usual = plan_of(*OWN, joins=4), plan_of(*OWN)
    assert factor(said, "Plum jam") == pytest.approx(4)
    assert needed(said, "Plum jam filling") == pytest.approx(
        4 * needed(usual, "Plum jam filling"))


def test_of_a_cake_with_nothing_between_its_layers_no_join_is_filled():
    def filling(**chosen):
        done = plan_of(*OWN, joins=4, finishing=Finishing(filling_cm=0, **chosen))
        return [use.ml for cake in finish(done).cakes for use in cake.dressed.uses
                if use.key == "filling"]

    assert sum(filling()) == 0


def test_the_joins_that_a_fit_shows_are_those_that_finish_fills():
    assert plan_of(*OWN).joins == 1
    assert plan_of(*OWN, finishing=Finishing(split=2)).joins == 3
    assert plan_of(*OWN, joins=5, finishing=Finishing(split=2)).joins == 5
    assert plan_of(entry(round_pan(18, 9), 1)).joins == 1
    assert plan_of(entry(round_pan(18, 9), 1), finishing=Finishing(split=1)).joins == 1


def test_a_line_told_to_grow_by_something_else_does():
    own = replace(LINES[2], scales_by=ScalesBy.FIXED)
    plan = plan_of(entry(round_pan(25, 7.5), 3), lines=(*LINES[:2], own, LINES[3]))
    assert factor(plan, "Plum jam") == 1.0
    assert factor(plan, "Icing sugar") > 1.5


def test_a_pan_without_measures_leaves_growth_to_the_batter_and_says_so():
    vague = CapacityPan(label="tin", kind=PanKind.FLAT, capacity=measured(2000, "water"))
    plan = plan_of(entry(vague, 2))
    assert factor(plan, "Icing sugar") == pytest.approx(plan.amounts.factor.value)
    assert "grows_by_batter" in {one.code for one in plan.findings}


@given(st.floats(16, 30), st.integers(1, 4))
def test_a_larger_cake_never_takes_less(width, count):
    small = plan_of(entry(round_pan(width, 9), count))
    large = plan_of(entry(round_pan(width + 2, 9), count))
    for name in ("Plum jam", "Icing sugar", "Caster sugar"):
        assert factor(large, name) > factor(small, name) * 0.999


def test_a_pan_that_no_batter_reaches_makes_no_cake_and_says_so():
    first = entry(round_pan(20), 2, rule=PanRule(kind=Rule.GRAMS, grams=900))
    plan = plan_of(first, entry(wells_pan(), 12), rule=Rule.KEEP_BATCH)
    assert plan.pans[1].standing.batter_g == 0
    done = finish(plan)
    assert [one.dressed.cake.label for one in done.cakes] == ["round"]
    told = next(one for one in done.findings if one.code == "finish_empty")
    assert told.subject == "tray"
