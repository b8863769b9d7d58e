"""The way through: what a baker relies on, from card and pans to amounts and minutes."""

from __future__ import annotations

import dataclasses
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.baking.temperature import School
from entremet.core.batter.styles import STYLES, style
from entremet.core.card.recipe import BatterStart, Recipe, SourcePan, StatedTime
from entremet.core.fitting.rules import EggChoice, PanRule, Rule
from entremet.core.fitting.standing import VerdictCode
from entremet.core.ground.errors import ImpossibleChoice, ImpossibleRecipe
from entremet.core.ground.findings import Severity
from entremet.core.ground.provenance import given as given_figure
from entremet.core.ingredients.table import TABLE
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import OvenKind, Scale, Setting
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.pans.pan import CapacityPan, PanFinish, PanKind
from entremet.core.plan.plan import Plan, make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import base_layer_lines, entry, line, make_card, round_pan, wells_pan

OVEN = Oven(name="oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS, step=5, lowest=50,
            highest=250)
SHEET = pan_from(PanMeasures(outline=OutlineName.RECTANGLE, across=33, width=23, wall_cm=5),
                 label="sheet")
LOAF = pan_from(PanMeasures(outline=OutlineName.LOAF, across=21, width=11, rim_across=23,
                            rim_width=13, wall_cm=6.5), label="loaf")
RING = pan_from(PanMeasures(outline=OutlineName.RING, across=22, wall_cm=8.5, capacity_ml=2400),
                label="ring")
RACK = (round_pan(15), round_pan(20, 5), round_pan(25), SHEET, LOAF, RING, wells_pan())


def plan(card: Recipe, *entries: object, oven: Oven = OVEN, **choices: object) -> Plan:
    return make_plan(card, entries, request=Request(recipe=1, **choices), oven=oven, rack=RACK)


def codes(result: Plan) -> set[str]:
    return {finding.code for finding in result.findings}


def pans_g(result: Plan) -> float:
    return sum(one.standing.batter_g * one.entry.count for one in result.pans if one.standing)


def assert_mass_is_conserved(result: Plan) -> None:
    amounts = result.amounts
    lines = sum(one.g.value for one in result.lines
                if one.g and one.line.component.value == "batter")
    assert lines == pytest.approx(amounts.batter_g.value)
    assert lines == pytest.approx(
        pans_g(result) + amounts.leftover_g.value + amounts.bowl_loss_g.value)


@pytest.mark.parametrize("rule", [Rule.SAME_DEPTH, Rule.KEEP_BATCH])
@pytest.mark.parametrize("stated", [(34, 34), (31, 38)])
def test_source_pans_into_themselves_change_nothing(rule, stated):
    card = make_card(stated=StatedTime(low_min=stated[0], high_min=stated[1]))
    result = plan(card, entry(round_pan(18), 2), rule=rule)
    assert result.amounts.factor.value == 1
    assert [one.shown.text for one in result.lines if one.included] == [
        one.line.written for one in result.lines if one.included]
    window = result.pans[0].bake.window
    assert window.likely_min == pytest.approx(math.sqrt(stated[0] * stated[1]))
    assert result.pans[0].bake.oven.oven_c == 170
    if stated[0] != stated[1]:
        # The stated range was another oven's: this one's uncertainty widens it.
        assert 0.8 * stated[0] < window.early_min < stated[0]
        assert stated[1] < window.latest_min < 1.2 * stated[1]
        assert window.first_look_min == pytest.approx(0.8 * stated[0])


def test_a_recipe_without_a_wall_goes_into_its_own_pan_unchanged():
    own = pan_from(PanMeasures(outline=OutlineName.ROUND, across=12), label="round 12")
    card = make_card(pans=(SourcePan(pan=own, count=2),))
    result = plan(card, entry(own, 2))
    assert result.amounts.factor.value == 1
    assert result.pans[0].verdict.code is VerdictCode.SAME_DEPTH
    assert "wall_assumed" in codes(result)


@given(st.lists(st.tuples(st.sampled_from(RACK), st.integers(1, 12)), min_size=1, max_size=5),
       st.sampled_from(Rule), st.sampled_from(EggChoice), st.booleans())
def test_mass_is_conserved_and_no_line_is_dropped(chosen, rule, eggs, layered):
    card = make_card(lines=base_layer_lines()) if layered else make_card()
    result = plan(card, *(entry(pan, count) for pan, count in chosen), rule=rule, eggs=eggs)
    assert [one.line for one in result.lines] == list(card.lines)
    assert_mass_is_conserved(result)
    for one in result.pans:
        assert one.standing.batter_g >= 0
        if one.bake:
            look, _, likely, latest = one.bake.window.shown
            assert 0 < look <= likely <= latest


@given(st.integers(2, 20), st.sampled_from([EggChoice.NEAREST, EggChoice.UP]))
def test_whole_eggs_come_whole(wells, eggs):
    result = plan(make_card(), entry(wells_pan(), wells), eggs=eggs)
    assert result.egg_option.count == int(result.egg_option.count) >= 1
    assert result.egg_option.beaten_g == 0


def test_parts_of_a_split_stay_linked():
    result = plan(make_card(), entry(SHEET))
    sugar = next(one for one in result.lines if one.line.key == 2)
    shown = [int(part.shown.removesuffix(" g")) for part in sugar.parts]
    assert sum(shown) == int(sugar.shown.text.removesuffix(" g"))
    assert sugar.parts[1].g / sugar.g.value == pytest.approx(40 / 220)


def test_nearest_eggs_are_the_default_while_depth_hardly_moves():
    result = plan(make_card(), entry(round_pan(18), 3))
    assert result.egg_option.text == "6 eggs"
    assert abs(result.egg_option.effect.largest_change) <= 0.05


def test_exact_eggs_are_the_default_where_whole_ones_move_the_depth():
    result = plan(make_card(), entry(round_pan(15, 5), 1))
    assert result.egg_option.choice is EggChoice.EXACT
    assert "beaten egg" in result.egg_option.text
    grams = result.egg_option.count * 50 + result.egg_option.beaten_g
    assert grams == pytest.approx(next(o.g.value for o in result.lines if o.line.key == 3))


def test_promised_grams_round_eggs_up_and_leave_the_rest_over():
    result = plan(make_card(), entry(round_pan(20, 5), rule=PanRule(kind=Rule.GRAMS, grams=600)))
    assert result.pans[0].standing.batter_g == pytest.approx(600)
    assert result.egg_option.count == 3
    assert result.amounts.leftover_g.value > 0
    assert "leftover" in codes(result)


def test_equal_egg_choices_are_offered_once():
    options = plan(make_card(), entry(round_pan(18), 2)).egg_options
    assert len(options) == 1


def test_eggs_in_grams_are_not_rounded():
    lines = (line(1, "Beaten egg", 200, "g", "200 g"), line(2, "Flour", 400, "g", "400 g"),
             line(3, "Butter", 400, "g", "400 g"))
    result = plan(make_card(lines=lines), entry(SHEET))
    assert result.egg_option is None
    assert result.amounts.leftover_g.value == 0


def test_a_second_egg_line_follows_in_whole_and_grams():
    card = make_card(lines=(*make_card().lines, line(30, "Yolks", 2, "yolk", "2 yolks")))
    result = plan(card, entry(SHEET), eggs=EggChoice.EXACT)
    yolks = next(one for one in result.lines if one.line.key == 30)
    assert yolks.shown.text.split(" + ")[0].endswith(" yolks")
    assert yolks.g.value == pytest.approx(2 * 18 * result.amounts.factor.value)


def test_keep_my_batch_stops_at_the_limit_and_names_what_is_left():
    result = plan(make_card(), entry(round_pan(15, 5)), rule=Rule.KEEP_BATCH)
    standing = result.pans[0].standing
    assert standing.fill == pytest.approx(0.60)
    assert result.amounts.factor.value == 1
    assert result.amounts.leftover_g.value > 400
    assert any("cupcakes in your tray" in one.text for one in result.findings)


def test_keep_my_batch_shares_at_one_depth():
    result = plan(make_card(), entry(round_pan(15)), entry(round_pan(20)), rule=Rule.KEEP_BATCH)
    first, second = (one.standing.batter_cm for one in result.pans)
    assert first == pytest.approx(second)


def test_same_depth_carries_depth_to_flat_pans_and_fill_to_wells():
    cupcakes = make_card(pans=(SourcePan(pan=wells_pan(), count=24),))
    bigger = dataclasses.replace(wells_pan(), rim=wells_pan().base.between(wells_pan().rim, 1.4))
    result = plan(cupcakes, entry(bigger, 12), eggs=EggChoice.EXACT)
    own = result.source.filled[0]
    assert result.pans[0].standing.fill == pytest.approx(own.fill)
    flat = plan(make_card(), entry(SHEET), eggs=EggChoice.EXACT)
    assert flat.pans[0].standing.batter_cm == pytest.approx(flat.source.filled[0].depth_cm)


def test_another_kind_of_pan_gets_the_styles_usual_fill():
    result = plan(make_card(), entry(LOAF), eggs=EggChoice.EXACT)
    assert result.pans[0].standing.fill == pytest.approx(style("creamed").usual_fill.value)


def test_a_base_layer_goes_by_base_area_and_takes_its_height_first():
    card = make_card(lines=base_layer_lines())
    result = plan(card, entry(round_pan(18), 4))
    layer = next(one for one in result.lines if one.line.key == 20)
    assert layer.g.value == pytest.approx(480)
    assert result.pans[0].standing.layer_g == pytest.approx(120)
    assert result.pans[0].standing.stands_cm == pytest.approx(
        result.pans[0].standing.layer_cm + result.pans[0].standing.batter_cm)
    fixed = next(one for one in result.lines if one.line.key == 21)
    assert fixed.g.value == 10


def test_a_layer_makes_the_bake_longer():
    plain = plan(make_card(stated=None), entry(round_pan(18), 2))
    layered = plan(make_card(stated=None, lines=base_layer_lines()), entry(round_pan(18), 2))
    assert layered.pans[0].bake.window.likely_min > plain.pans[0].bake.window.likely_min


@pytest.mark.parametrize(("grams", "code"), [
    (1600, VerdictCode.DOES_NOT_FIT), (1100, VerdictCode.OVER_RIM), (880, VerdictCode.OVER_LIMIT),
    (200, VerdictCode.TOO_THIN), (573, VerdictCode.SAME_DEPTH), (700, VerdictCode.DEEPER),
    (400, VerdictCode.SHALLOWER),
])
def test_verdicts_name_overflow_first(grams, code):
    pan = round_pan(20, 5)
    result = plan(make_card(), entry(pan, rule=PanRule(kind=Rule.GRAMS, grams=grams)))
    assert result.pans[0].verdict.code is code
    if code is VerdictCode.DOES_NOT_FIT:
        assert result.pans[0].bake is None
    if code in (VerdictCode.DEEPER, VerdictCode.SHALLOWER):
        assert "min" in result.pans[0].verdict_text


def test_a_deep_pan_bakes_cooler_and_never_hotter():
    deep = entry(round_pan(18), rule=PanRule(kind=Rule.GRAMS, grams=1040))
    thin = entry(round_pan(18), rule=PanRule(kind=Rule.GRAMS, grams=300))
    assert plan(make_card(), deep).pans[0].bake.oven.oven_c < 170
    assert plan(make_card(), thin).pans[0].bake.oven.oven_c == 170
    assert plan(make_card(), deep, temperature=School.AS_RECIPE).pans[0].bake.oven.oven_c == 170


def test_one_oven_has_the_setting_of_its_slowest_pan():
    deep = entry(round_pan(18), rule=PanRule(kind=Rule.GRAMS, grams=1300))
    together = plan(make_card(), deep, entry(wells_pan(), 6))
    heats = {one.bake.oven.oven_c for one in together.pans}
    assert heats == {together.pans[0].bake.own.oven_c}
    assert "own_setting_apart" in codes(together)
    apart = plan(make_card(), deep, entry(wells_pan(), 6), separately=True)
    assert apart.pans[1].bake.oven.oven_c == 170


def test_glass_is_baked_fifteen_degrees_lower():
    glass = dataclasses.replace(round_pan(18), finish=PanFinish.GLASS)
    assert plan(make_card(), entry(glass, 2)).pans[0].bake.oven.oven_c == 155


@pytest.mark.parametrize(("kind", "scale", "step", "dial"), [
    (OvenKind.FAN, Scale.CELSIUS, 5, "150 °C fan"), (OvenKind.GAS, Scale.MARK, 0.5, "gas mark 3½"),
    (OvenKind.CONVENTIONAL, Scale.FAHRENHEIT, 5, "340 °F"),
])
def test_the_recipe_is_shown_on_the_kitchens_dial(kind, scale, step, dial):
    lowest, highest = {Scale.CELSIUS: (50, 250), Scale.FAHRENHEIT: (150, 500),
                       Scale.MARK: (0.5, 9)}[scale]
    oven = Oven(name="other", kind=kind, scale=scale, step=step, lowest=lowest, highest=highest)
    result = plan(make_card(), entry(round_pan(18), 2), oven=oven)
    bake = result.pans[0].bake
    assert oven.words(bake.oven.setting) == dial
    assert bake.window.likely_min == pytest.approx(34)


def test_another_kind_of_oven_widens_the_window():
    fan = dataclasses.replace(OVEN, kind=OvenKind.FAN)
    here, there = (plan(make_card(), entry(round_pan(18), 2), oven=one).pans[0].bake.window
                   for one in (OVEN, fan))
    assert there.latest_min > here.latest_min
    assert there.likely_min == pytest.approx(here.likely_min)


def test_warm_batter_is_done_sooner():
    cold = plan(make_card(stated=None), entry(round_pan(18), 2))
    warm = plan(make_card(stated=None, start=BatterStart.WARM), entry(round_pan(18), 2))
    assert warm.pans[0].bake.window.likely_min < cold.pans[0].bake.window.likely_min


CAPACITY_ONLY = CapacityPan(label="ring", kind=PanKind.RING, capacity=given_figure(2400))
NO_TIME = [
    ("no_pans", {}, []),
    ("no_count", {}, [entry(SHEET, 0)]),
    ("negative_count", {}, [entry(SHEET, -2)]),
    ("absurd_count", {}, [entry(SHEET, 100_000)]),
    ("no_batter", {"lines": (line(1, "Salt", 5, "g", "5 g"),)}, [entry(SHEET)]),
    ("capacity_only", {}, [entry(CAPACITY_ONLY)]),
    ("does_not_fit", {}, [entry(round_pan(15, 5), rule=PanRule(kind=Rule.GRAMS, grams=2000))]),
    ("no_oven_setting", {"setting": None}, [entry(SHEET)]),
    ("oven_too_cool", {"setting": Setting(value=90, scale=Scale.CELSIUS)}, [entry(SHEET)]),
    ("phases_without_minutes", {"phases": (Phase(), Phase())}, [entry(SHEET)]),
]


@pytest.mark.parametrize(("code", "changes", "entries"), NO_TIME, ids=[row[0] for row in NO_TIME])
def test_nonsense_gives_a_finding_and_no_minutes(code, changes, entries):
    result = plan(make_card(**changes), *entries)
    assert code in codes(result)
    assert all(one.bake is None or one.bake.window is None for one in result.pans)
    assert len(result.pans) == len(entries)


@pytest.mark.parametrize(("code", "changes"), [
    ("no_stated_time", {"stated": None}),
    ("no_source_pan", {"pans": ()}),
    ("time_without_pan", {"pans": ()}),
    ("unusual_stated_time", {"stated": StatedTime(low_min=46, high_min=46)}),
    ("stated_time_not_reproduced", {"stated": StatedTime(low_min=120, high_min=120)}),
    ("stated_time_too_short", {"stated": StatedTime(low_min=6, high_min=6)}),
    ("oven_kind_assumed", {"oven_kind": None}),
    ("eggs_assumed", {"grade_key": None}),
    ("standard_assumed", {"standard_key": None}),
])
def test_holes_in_the_card_are_named_and_still_give_a_window(code, changes):
    result = plan(make_card(**changes), entry(SHEET))
    assert code in codes(result)
    assert result.pans[0].bake.window is not None


def test_a_recipe_that_does_not_fit_its_own_pan_is_not_calibrated_on_it():
    card = make_card(pans=(SourcePan(pan=round_pan(12, 3), count=1),))
    result = plan(card, entry(SHEET))
    assert {"source_does_not_fit", "time_without_pan"} <= codes(result)
    assert not result.source_bake.pace.calibrated


def test_promises_beyond_a_kept_batch_are_said_and_mass_holds():
    result = plan(make_card(), entry(SHEET, rule=PanRule(kind=Rule.GRAMS, grams=3000)),
                  entry(round_pan(20)), rule=Rule.KEEP_BATCH)
    assert "not_enough_batter" in codes(result)
    assert_mass_is_conserved(result)


def test_without_a_stated_time_the_window_is_wide():
    known = plan(make_card(), entry(round_pan(18), 2)).pans[0].bake.window
    unknown = plan(make_card(stated=None), entry(round_pan(18), 2)).pans[0].bake.window
    assert unknown.latest_min / unknown.likely_min > known.latest_min / known.likely_min * 1.1


def test_more_than_is_owned_is_said():
    assert "not_owned" in codes(plan(make_card(), entry(SHEET, 2, owned=1)))
    assert "not_owned" not in codes(plan(make_card(), entry(wells_pan(), 24, owned=2)))


def test_optional_lines_ask_and_stay_on_the_card():
    without = plan(make_card(), entry(SHEET))
    with_nuts = plan(make_card(), entry(SHEET), with_optional=(8,))
    assert "optional_left_out" in codes(without)
    assert "optional_left_out" not in codes(with_nuts)
    assert with_nuts.recipe_batter_g.value == pytest.approx(without.recipe_batter_g.value + 80)


def test_a_line_to_taste_stays_on_the_card():
    card = make_card(lines=(*make_card().lines, line(40, "Nutmeg", None, "g", "to taste")))
    result = plan(card, entry(SHEET))
    nutmeg = result.lines[-1]
    assert (nutmeg.shown.text, nutmeg.g) == ("to taste", None)
    assert "unweighed_line" in codes(result)


def test_findings_come_gravest_first():
    result = plan(make_card(grade_key=None), entry(round_pan(15, 5), rule=PanRule(
        kind=Rule.GRAMS, grams=2000)), entry(SHEET, 2, owned=1))
    order = [Severity.STOP, Severity.WARN, Severity.NOTE]
    ranks = [order.index(finding.severity) for finding in result.findings]
    assert ranks == sorted(ranks)


def test_a_batch_cannot_be_kept_for_one_pan_alone():
    with pytest.raises(ImpossibleChoice):
        entry(SHEET, rule=PanRule(kind=Rule.KEEP_BATCH))


@pytest.mark.parametrize("fields", [{"fill": 0}, {"fill": 2}, {"grams": -1}, {"grams": math.inf}])
def test_impossible_rules_are_refused(fields):
    with pytest.raises(ImpossibleChoice):
        PanRule(kind=Rule.FILL if "fill" in fields else Rule.GRAMS, **fields)


@pytest.mark.parametrize(("low", "high"), [(0, 5), (30, 20), (10, 900)])
def test_impossible_times_are_refused(low, high):
    with pytest.raises(ImpossibleRecipe):
        StatedTime(low_min=low, high_min=high)


def test_every_table_row_lies_in_its_range():
    for row in STYLES.values():
        assert row.density.low <= row.density.value <= row.density.high
        assert row.usual_fill.value < row.fill_limit.value
    for row in TABLE.rows.values():
        assert row.g_per_100ml.low <= row.g_per_100ml.value <= row.g_per_100ml.high
        assert row.g_per_100ml.source


def test_the_likely_time_says_what_it_was_moved_by_also_without_a_pan_of_the_recipes_own():
    (own,) = plan(make_card(), entry(round_pan(20), 2)).pans
    (none,) = plan(make_card(pans=()), entry(round_pan(20), 2)).pans
    (untimed,) = plan(make_card(stated=None), entry(round_pan(20), 2)).pans
    assert own.likely.note.startswith("Moved from the recipe's own 34 min")
    assert none.likely.note == untimed.likely.note
    assert none.likely.note.startswith("No time of the recipe's own to go by")
    assert [one.likely.value for one in (own, none)] == [
        one.bake.window.likely_min for one in (own, none)]


def test_a_recipe_timed_with_strips_is_not_slowed_a_second_time():
    bare = make_card()
    own = (entry(round_pan(18), 2),)
    wrapped = dataclasses.replace(bare, strips=True)
    stated = 34

    def likely(card: Recipe, **more: object) -> float:
        return plan(card, *own, **more).pans[0].likely.value

    assert likely(bare) == pytest.approx(stated, rel=0.02)
    assert likely(wrapped) == pytest.approx(stated, rel=0.02)
    with_strips = {"strips": True}
    assert likely(wrapped, **with_strips) == pytest.approx(likely(wrapped))
    assert likely(bare, **with_strips) > 1.03 * stated


def test_a_second_pan_with_its_own_time_calibrates_too():
    small = StatedTime(low_min=44, high_min=44)
    one = make_card()
    two = dataclasses.replace(one, offers=((SourcePan(pan=round_pan(15), count=2), small),))

    def likely(card: Recipe, across: float) -> float:
        return plan(card, entry(round_pan(across), 2), rule=Rule.KEEP_BATCH,
                    temperature=School.AS_RECIPE).pans[0].likely.value

    assert likely(two, 18) == pytest.approx(34, rel=0.02)
    assert likely(two, 15) == pytest.approx(44, rel=0.02)
    assert likely(one, 15) != pytest.approx(44, rel=0.02)
    assert min(likely(one, 16.5), 44) < likely(two, 16.5) + 8
    assert likely(two, 20) == pytest.approx(likely(one, 20))
    why = " ".join(plan(two, entry(round_pan(16.5), 2)).pans[0].why)
    assert "34 min in its own pan and 44 min in round" in why


def test_a_trays_own_recipe_in_its_own_wells_is_no_stop():
    tray = wells_pan()
    full = 0.97 * tray.capacity_ml * style("creamed").density.value
    card = make_card(pans=(SourcePan(pan=tray, count=int(1000 / full)),))
    own = plan(card, entry(tray, int(1000 / full)), rule=Rule.SAME_DEPTH)
    verdict = own.pans[0].verdict
    assert verdict.severity is not Severity.STOP
    fuller = plan(card, entry(tray, 6, rule=PanRule(kind=Rule.FILL, fill=1.0)))
    emptier = plan(make_card(), entry(tray, 6, rule=PanRule(kind=Rule.FILL, fill=1.0)))
    assert emptier.pans[0].verdict.severity is Severity.STOP
    assert fuller.pans[0].verdict.code in (VerdictCode.OVER_RIM, VerdictCode.OVER_LIMIT)


def test_a_range_with_strips_is_the_recipes_own_range_in_its_own_pan():
    wrapped = make_card(strips=True, stated=StatedTime(low_min=30, high_min=40))
    own = plan(wrapped, entry(round_pan(18), 2)).pans[0].bake
    assert own.as_stated
    assert 40 < own.window.latest_min < 48
    warm = plan(wrapped, entry(round_pan(18), 2),
                start="chilled").pans[0].bake
    assert not warm.as_stated


def _finish(name: str):
    from entremet.core.pans.pan import PanFinish
    return PanFinish(name)


@pytest.mark.parametrize(("ours", "theirs", "moved"), [
    ("bright", "glass", -15), ("glass", "glass", 0), ("glass", "bright", 15)])
def test_glass_counts_on_both_sides(ours, theirs, moved):
    own = round_pan(18, finish=_finish(theirs))
    card = make_card(pans=(SourcePan(pan=own, count=2),))
    bake = plan(card, entry(round_pan(18, finish=_finish(ours)), 2),
                temperature=School.SAME_CRUST).pans[0].bake
    assert bake.oven.moved_c == moved


def test_the_stated_time_belongs_to_the_slowest_of_the_recipes_pans():
    small, large = round_pan(12), round_pan(23)
    for pans in ((small, large), (large, small)):
        card = make_card(pans=tuple(SourcePan(pan=one, count=1) for one in pans))
        times = {one.entry.pan.base.diameter: one.bake.window.likely_min for one in plan(
            card, entry(small), entry(large), temperature=School.AS_RECIPE).pans}
        assert times[23] == pytest.approx(34)
        assert times[12] < 34


def test_a_recipe_without_a_stated_time_goes_by_its_styles_pace():
    told = plan(make_card(stated=StatedTime(low_min=50, high_min=50)), entry(round_pan(18), 2))
    silent = plan(make_card(stated=None), entry(round_pan(18), 2))
    assert told.pans[0].bake.window.likely_min == pytest.approx(50)
    assert silent.source_bake.pace.value == 1
    assert told.source_bake.pace.value > 1.5


def test_a_recipe_that_states_no_time_has_none_of_its_own_in_its_own_pan():
    """What nobody timed is worked out, and never said to be as the recipe has it."""
    untimed = make_card(stated=None)
    assert plan(make_card(), entry(round_pan(18), 2)).pans[0].bake.as_stated
    assert not plan(untimed, entry(round_pan(18), 2)).pans[0].bake.as_stated
