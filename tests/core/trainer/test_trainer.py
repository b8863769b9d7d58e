"""The trainer's core: of the answers one is right, the wrong ones are wrong, and it says why."""

from __future__ import annotations

import re
from dataclasses import replace
from random import Random

import pytest

from entremet.core.baking.temperature import School
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.ground.errors import CoreError, ImpossibleChoice
from entremet.core.ground.quantities import cm, plain
from entremet.core.method.stages import STAGES
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request, WantedPan
from entremet.core.running.rescue import rescues_of
from entremet.core.trainer.class_of import class_work
from entremet.core.trainer.guess import Asks, Guess, GuessChoice, shuffled
from entremet.core.trainer.of_fits import (
    batter_asked,
    done_first_asked,
    first_look_asked,
    in_time,
    setting_asked,
    strips_asked,
)
from entremet.core.trainer.of_signs import WARM, rescue_asked, stage_asked
from entremet.core.trainer.spoil import Turned, spoilt
from entremet.core.work.ids import WorkKind
from tests.core.conftest import entry, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import LOAF, OVEN
from tests.everyday import some

FAN = Oven(name="fan", kind=OvenKind.FAN, scale=Scale.CELSIUS, step=5, lowest=50, highest=250)
GAS = Oven(name="cooker", kind=OvenKind.GAS, scale=Scale.MARK, step=0.5, lowest=0.5, highest=9)


def plan_of(*entries, oven=OVEN, **more):
    return make_plan(make_card(), list(entries), request=Request(recipe=1, **more), oven=oven)


DEEP = round_pan(18, 9, label="deep 18")


def right(guess: Guess) -> str:
    return guess.choices[guess.right].text


def wrong(guess: Guess) -> list[GuessChoice]:
    return [one for place, one in enumerate(guess.choices) if place != guess.right]


def test_a_first_look_is_asked_about_and_only_one_minute_is_in_time():
    plan = plan_of(entry(round_pan(20)))
    window = plan.pans[0].bake.window
    for seed in range(12):
        guess = first_look_asked(plan, Random(seed))
        minutes = [int(re.search(r"\d+", one.text)[0]) for one in guess.choices]
        assert [in_time(window, one) for one in minutes].count(True) == 1
        assert minutes[guess.right] == window.shown[0]
        assert all("too" in one.tells for one in wrong(guess))
    assert str(window.shown[2]) in guess.reason
    assert len({first_look_asked(plan, Random(seed)).right for seed in range(12)}) > 1


@pytest.mark.parametrize(("pan", "depth", "words"), [
    (round_pan(20, 9), 5.0, "deep pans"), (round_pan(20, 9), 2.0, "thin layers"),
    (round_pan(20, 9), 3.0, "usual layers")])
def test_what_one_tends_to_is_told_by_the_kind_of_pan(pan, depth, words):
    plan = plan_of(entry(pan), rule=Rule.DEPTH, depth_cm=depth)
    guess = first_look_asked(plan, Random(1))
    # Who is to guess when to look has to know how deep it stands.
    assert f"({plain(cm(depth))} of batter)" in plain(guess.text)
    assert {one.tells.split(" at ")[1] for one in wrong(guess)} == {f"{words}."}


def test_of_two_pans_the_one_that_is_done_first_is_asked_only_where_windows_are_apart():
    high = PanRule(kind=Rule.DEPTH, depth_cm=4.5)
    plan = plan_of(entry(DEEP, 1, rule=high), entry(wells_pan(), 12))
    guess = done_first_asked(plan, Random(3))
    assert right(guess) == "tray"
    assert "deep" in guess.reason
    assert "farther" in guess.reason
    alike = plan_of(entry(round_pan(20), 1), entry(round_pan(20.5, label="another"), 1))
    assert done_first_asked(alike, Random(3)) is None
    assert done_first_asked(plan_of(entry(DEEP)), Random(3)) is None
    # One stands a good deal deeper, yet both may be done in the same minute.
    near = plan_of(entry(round_pan(20, 9), rule=PanRule(kind=Rule.DEPTH, depth_cm=2.6)),
                   entry(round_pan(20, 9, label="another"),
                         rule=PanRule(kind=Rule.DEPTH, depth_cm=3.1)))
    assert done_first_asked(near, Random(3)) is None
    # As deep, but farther from a wall.
    ball = pan_from(PanMeasures(outline=OutlineName.HALF_BALL, across=15), label="half ball")
    four = PanRule(kind=Rule.DEPTH, depth_cm=4)
    wide = done_first_asked(plan_of(entry(ball, rule=four),
                                    entry(round_pan(25, 9), rule=four)), Random(3))
    assert right(wide) == "half ball"
    assert "wide" in wide.reason


def test_how_much_goes_in_is_by_the_area_and_the_wrong_ones_are_the_usual_mistakes():
    plan = plan_of(entry(round_pan(25)))
    guess = batter_asked(plan, Random(5))
    grams = int(right(guess).split()[0])
    assert grams == pytest.approx(plan.pans[0].standing.batter_g, abs=2.5)
    own = int(re.search(r"puts (\d+) g", guess.text)[1])
    wider = 25 / plan.source.filled[0].vessel.pan.base.widest()
    assert grams / own == pytest.approx(wider ** 2, rel=0.04)
    tells = {one.tells: int(one.text.split()[0]) for one in wrong(guess)}
    assert tells["You go by the width of a pan; its area decides."] == pytest.approx(
        own * wider, rel=0.02)
    assert tells["You leave the batter as it was in another pan."] == own
    assert all(abs(other / grams - 1) > 0.1 for other in tells.values())
    # A pan hardly another leaves nothing to guess; a loaf stands by a rule of its own.
    assert batter_asked(plan_of(entry(round_pan(18.5))), Random(5)) is None
    assert batter_asked(plan_of(entry(LOAF)), Random(5)) is None


def test_the_dial_is_asked_about_only_where_it_is_another_and_no_school_would_set_a_wrong_one():
    assert setting_asked(plan_of(entry(round_pan(20))), Random(1)) is None
    plan = plan_of(entry(round_pan(20)), oven=GAS)
    guess = setting_asked(plan, Random(1))
    assert right(guess) == GAS.words(plan.pans[0].bake.oven.setting)
    deep = entry(DEEP, rule=PanRule(kind=Rule.DEPTH, depth_cm=4.5))
    plan = plan_of(deep, oven=FAN, temperature=School.AS_RECIPE)
    lower = plan_of(deep, oven=FAN, temperature=School.LOWER).pans[0].bake.oven.setting
    # Three steps cooler would be a wrong answer, were it not what the lower school sets.
    assert plan.pans[0].bake.oven.setting.value - lower.value == 3 * FAN.step
    assert FAN.words(lower) not in {one.text for one in setting_asked(plan, Random(1)).choices}


def test_strips_are_asked_about_with_what_the_field_and_the_clock_have():
    deep = {"rule": Rule.DEPTH, "depth_cm": 5.0}
    bare, strips = (plan_of(entry(DEEP), strips=on, **deep) for on in (False, True))
    guess = strips_asked(bare, strips, Random(2))
    assert right(guess) == "it takes longer and comes out flatter"
    assert f"Likely {strips.pans[0].bake.window.shown[2]} min" in guess.reason
    assert strips_asked(bare, bare, Random(2)) is None


def test_of_four_stages_exactly_one_is_the_one_that_is_asked_for():
    for seed in some(range(300), 40):
        guess = stage_asked(Random(seed))
        asked = re.search("“(.+)”", guess.text)[1]
        assert [STAGES[one.stage].name == asked for one in guess.choices].count(True) == 1
        assert STAGES[guess.choices[guess.right].stage].name == asked


def test_what_helps_is_of_that_mishap_and_the_others_are_of_the_other_end_of_the_work():
    rows = {one.now: (kind, one) for kind in WorkKind for one in rescues_of(kind)}
    for seed in some(range(300), 40):
        guess = rescue_asked(Random(seed))
        kind, row = rows[right(guess)]
        assert row.what in guess.text
        assert row.next in guess.reason
        assert all((rows[one.text][0] in WARM) is not (kind in WARM) for one in wrong(guess))


def test_answers_that_are_the_same_are_no_question():
    same = [GuessChoice(text="20 min"), GuessChoice(text="20 min")]
    assert shuffled(Asks.BATTER, "?", same[0], same[1:], "", Random(1)) is None
    with pytest.raises(CoreError, match="differ"):
        Guess(asks=Asks.BATTER, text="?", choices=tuple(same), right=0, reason="")


def request(**more):
    return Request(recipe=1, into=(WantedPan(pan=1),), **more)


def fitted(oven=OVEN):
    """Fit a request for one deep pan, as the kitchen would."""
    def fit(asked: Request):
        return make_plan(make_card(), [replace(entry(DEEP), rule=asked.into[0].rule)],
                         request=asked, oven=oven)
    return fit


def worked(found):
    return [plain(one.text) for one in found.outcomes if not one.practice]


def test_an_oven_too_hot_is_done_sooner_with_its_rim_farther_ahead():
    found = spoilt(request(), Turned.HOTTER, fitted())
    now, was = map(int, re.search(r"Likely (\d+) min instead of (\d+)", worked(found)[0]).groups())
    assert now < was - 3
    usual = fitted()(request()).pans[0].bake.oven.oven_c
    assert found.request.dial - usual == pytest.approx(20, abs=5)
    assert [one.practice for one in found.outcomes].count(True) == 2
    assert plain(found.name) == "The oven stands 20 °C too hot"
    assert not any(one.startswith("Fits") for one in worked(found))


def test_what_runs_over_is_said():
    low = round_pan(18, 6, label="low")

    def fit(asked: Request):
        return make_plan(make_card(), [replace(entry(low), rule=asked.into[0].rule)],
                         request=asked, oven=OVEN)
    full = request(rule=Rule.GRAMS)
    held = replace(full, into=(WantedPan(pan=1, rule=PanRule(kind=Rule.GRAMS, grams=750)),))
    assert any("over" in one for one in worked(spoilt(held, Turned.DEEPER, fit)))


def test_more_batter_takes_longer_and_its_rim_waits_longer():
    found = spoilt(request(), Turned.DEEPER, fitted())
    said = worked(found)
    now, was = map(int, re.search(r"Likely (\d+) min instead of (\d+)", said[0]).groups())
    assert now > was + 3
    late, soon = map(int, re.search(r"done (\d+) .* instead of (\d+)", said[1]).groups())
    assert late > soon
    raised = found.request.into[0].rule.grams
    assert raised == pytest.approx(1.5 * fitted()(request()).pans[0].standing.batter_g)


@pytest.mark.parametrize("turned", [Turned.LESS_RAISING, Turned.MELTED_BUTTER, Turned.LEFT_IN])
def test_what_no_number_of_a_fit_says_is_told_from_practice_alone(turned):
    found = spoilt(request(), turned, fitted())
    assert found.outcomes
    assert all(one.practice for one in found.outcomes)
    assert found.request == request()


def test_a_dial_at_its_end_cannot_be_turned_and_two_pans_are_not_spoilt_at_once():
    assert worked(spoilt(request(), Turned.HOTTER, fitted(replace(OVEN, highest=180)))) == []
    def two(asked: Request):
        return plan_of(entry(DEEP), entry(wells_pan(), 12))
    with pytest.raises(ImpossibleChoice, match="one pan"):
        spoilt(request(), Turned.HOTTER, two)


def test_a_class_gets_in_what_all_its_groups_weigh_and_compares_what_differs():
    groups = [("Ash", plan_of(entry(round_pan(15, 9)))), ("Birch", plan_of(entry(round_pan(25))))]
    work = class_work(groups)
    bought = {one.name: one.g for one in work.bought}
    for name in ("Butter", "Plain flour"):
        assert bought[name] == pytest.approx(sum(
            line.g.value for _, plan in groups for line in plan.lines if line.line.name == name))
    assert any("Ash" in one and "Likely minutes" in one for one in work.compare)
    same = class_work([("Ash", groups[0][1]), ("Birch", groups[0][1])])
    assert not any("Likely minutes" in one for one in same.compare)
