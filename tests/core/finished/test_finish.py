"""A finish whole: cakes, components, what is left, the order of work."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.finish import (
    Border,
    Carving,
    Coat,
    Finishing,
    Level,
    OnWells,
    Press,
    Profile,
    TopBy,
)
from entremet.core.card.lines import Component, ScalesBy
from entremet.core.dressing.cakes import CakeKind
from entremet.core.dressing.kinds import READINESS, kind_of, words_of_heading
from entremet.core.finished.finish import finish
from entremet.core.finishing.practice import PRACTICE, practice
from entremet.core.fitting.rules import PanRule, Rule
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import (
    base_layer_lines,
    entry,
    line,
    make_card,
    round_pan,
    wells_pan,
)
from tests.core.plan.test_plan import OVEN

FROSTING = (
    line(30, "Unsalted butter", 200, "g", "200 g", "unsalted_butter",
         component=Component.FROSTING, heading="For the bergamot buttercream:"),
    line(31, "Icing sugar", 400, "g", "400 g", "icing_sugar", component=Component.FROSTING,
         heading="For the bergamot buttercream:"),
    line(32, "Plum jam", 240, "g", "240 g", "",
         component=Component.FILLING, heading="For the plum jam filling"),
    line(33, "Caster sugar", 60, "g", "60 g", "caster_sugar", component=Component.SOAK,
         heading="Syrup"),
)


def plan_of(*entries, lines=FROSTING, **choices):
    card = make_card()
    return make_plan(replace(card, lines=(*card.lines, *lines)), entries,
                     request=Request(recipe=1, **choices), oven=OVEN)


def finished(*entries, lines=FROSTING, **chosen):
    return finish(plan_of(*entries, lines=lines, finishing=Finishing(**chosen)))


def codes(done):
    return [one.code for one in done.findings]


def part(done, title):
    return next(one for one in done.parts if one.title == title)


TWO = (entry(round_pan(20, 5), 2),)


def test_two_rounds_are_one_cake_of_two_layers():
    done = finished(*TWO, dome_cm=1.0)
    cake = done.cakes[0].dressed.cake
    assert (cake.kind, len(cake.layers), cake.joins) == (CakeKind.STACK, 2, 1)
    assert cake.outline.diameter == pytest.approx(20 - 2 * practice("leaves_wall").value)
    assert done.cakes[0].dressed.bare.height_cm == pytest.approx(
        sum(one.height_cm for one in cake.layers) + done.cakes[0].dressed.filling_cm)


def test_the_cards_own_headings_name_its_components():
    titles = [one.title for one in finished(*TWO).parts]
    assert titles == ["Bergamot buttercream", "Plum jam filling", "Syrup"]
    assert words_of_heading("To make the glaze:") == "Glaze"


def test_every_gram_needed_is_the_sum_of_its_uses():
    done = finished(*TWO, dome_cm=1.0, drip=True, border=Border.ROSETTE, dam_cm=1.2)
    for one in done.parts:
        assert one.needed_g.value == pytest.approx(sum(use.grams for use in one.uses))
        assert sum(made.g for made in one.made_from) == pytest.approx(one.make_g, rel=1e-6)
    cream = part(done, "Bergamot buttercream")
    assert [use.key for use in cream.uses] == ["dam", "crumb", "coat", "border"]
    assert cream.spare_g.value > 2 * practice("bag").value
    drip = next(one for one in done.parts if one.house)
    assert drip.title == "Dark drip 1 : 1"
    chocolate, milk = (made.g for made in drip.made_from)
    assert chocolate == pytest.approx(milk)


def test_a_cake_weighs_its_layers_and_what_is_on_it():
    done = finished(*TWO)
    total = done.cakes[0].dressed.cake.mass_g + sum(one.needed_g.value for one in done.parts)
    assert done.cakes[0].mass_g == pytest.approx(total)


def test_every_cake_of_a_mixed_fit_weighs_what_is_on_it_alone():
    done = finished(entry(round_pan(20, 5), 2), entry(wells_pan(), 12))
    stack, small = done.cakes
    swirl = next(use for one in done.parts for use in one.uses if use.key == "swirl")
    assert small.mass_g == pytest.approx(
        small.dressed.cake.mass_g + swirl.grams / 12
        + small.dressed.cake.mass_g * small.dressed.soak_share, rel=1e-6)
    whole = sum(one.mass_g * one.dressed.cake.count for one in done.cakes)
    layers = sum(one.dressed.cake.mass_g * one.dressed.cake.count for one in done.cakes)
    assert whole == pytest.approx(layers + sum(one.needed_g.value for one in done.parts))
    assert stack.mass_g > 5 * small.mass_g


def test_what_runs_off_a_glaze_is_made_but_weighs_nothing_on_the_cake():
    done = finished(*TWO, lines=(), glaze=True)
    glaze = done.parts[0]
    assert glaze.make_g == pytest.approx(glaze.needed_g.value * practice("glaze_made").value)
    assert done.cakes[0].mass_g == pytest.approx(
        done.cakes[0].dressed.cake.mass_g + glaze.needed_g.value)


def test_levelling_takes_mass_with_its_volume():
    flat, domed = finished(*TWO), finished(*TWO, dome_cm=1.2)
    assert domed.trim_g > 0
    assert domed.cakes[0].dressed.cake.mass_g + domed.trim_g == pytest.approx(
        flat.cakes[0].dressed.cake.mass_g)
    assert "finish_dome_unknown" in codes(flat)
    assert "finish_dome_unknown" not in codes(domed)
    left = finished(*TWO, dome_cm=1.2, level=Level.LEAVE)
    assert left.trim_g == 0
    assert left.cakes[0].dressed.cake.dome_cm == pytest.approx(1.2)


def test_what_cannot_be_says_what_to_do():
    assert "finish_level_high" in codes(finished(*TWO, level=Level.TO, level_cm=9))
    assert "finish_drip_long" in codes(finished(*TWO, drip=True, drip_cm=30))
    assert "finish_split_thin" in codes(finished(*TWO, split=5))
    assert "finish_slides" in codes(finished(*TWO, filling_cm=0.8))
    assert "finish_slides" not in codes(finished(*TWO, filling_cm=0.8, dam_cm=1))
    assert "finish_dome" in codes(finished(*TWO, dome_cm=8))
    bare = finished(entry(round_pan(20, 5), 2), lines=(), coat=Coat.NONE)
    assert bare.parts == ()
    assert all(one.hint for one in finished(*TWO, drip=True, drip_cm=30).findings
               if one.severity.value == "stop")


def test_too_little_is_said_with_the_factor_that_mends_it():
    kept = tuple(replace(one, scales_by=ScalesBy.FIXED) for one in FROSTING)
    done = finished(entry(round_pan(25, 7.5), 2), coat_cm=1.5, lines=kept)
    cream = part(done, "Bergamot buttercream")
    assert cream.short
    assert cream.factor == pytest.approx(cream.make_g / cream.now_g)
    assert f"{cream.factor:.2f} times" in cream.enough_for
    assert "finish_short" in codes(done)


def test_sheets_are_stacked_or_cut_in_pieces():
    sheet = pan_from(PanMeasures(outline=OutlineName.RECTANGLE, across=33, width=23, wall_cm=5),
                     label="sheet")
    stacked = finished(entry(sheet), stack=3).cakes[0].dressed.cake
    assert len(stacked.layers) == 3
    assert stacked.outline.length == pytest.approx((33 - 0.6) / 3)
    done = finished(entry(sheet), pieces=24, coat=Coat.FULL)
    cake = done.cakes[0].dressed
    assert cake.cake.kind is CakeKind.PIECES
    dip = next(use for one in done.parts for use in one.uses if use.key == "dip")
    side = (cake.cake.outline.area() / 24) ** 0.5
    faces = 2 * side**2 + 4 * side * cake.cake.layers[0].height_cm
    density = practice("density_buttercream").value
    assert dip.grams == pytest.approx(24 * faces * practice("dip").value * density)
    assert "finish_no_sheet" in codes(finished(*TWO, stack=2))


def test_small_cakes_take_a_swirl_each():
    done = finished(entry(wells_pan(), 12))
    swirl = part(done, "Bergamot buttercream").uses[0]
    assert swirl.grams == pytest.approx(12 * 45 * practice("density_buttercream").value)
    flat = finished(entry(wells_pan(), 12), wells=OnWells.FLAT)
    assert part(flat, "Bergamot buttercream").uses[0].grams == pytest.approx(swirl.grams * 22 / 45)


def test_rings_are_cakes_of_their_own_and_glazed():
    ring = pan_from(PanMeasures(outline=OutlineName.RING, across=23, tube=7, wall_cm=9),
                    label="ring")
    done = finished(entry(ring, 2), lines=(), glaze=True)
    cake = done.cakes[0].dressed
    assert (cake.cake.kind, cake.cake.count, cake.cake.joins) == (CakeKind.RING, 2, 0)
    assert cake.glazed
    glaze = done.parts[0].uses[0]
    one = finished(entry(ring, 1), lines=(), glaze=True).parts[0].uses[0]
    assert glaze.grams == pytest.approx(2 * one.grams, rel=0.06)  # eggs come whole


def test_mixed_pans_in_one_stack_are_carved():
    pans = (entry(round_pan(15, 7.5)), entry(round_pan(18, 5)), entry(round_pan(20, 5)))
    cut = Carving(profile=Profile.TAPER, foot_cm=17, top_cm=12, height_cm=9)
    done = finished(*pans, carve=cut)
    assert len(done.cakes) == 1
    carved = done.cakes[0].dressed.carved
    layers = [one.outline.area() for one in done.cakes[0].dressed.cake.layers]
    assert layers == sorted(layers, reverse=True)
    assert carved.kept_g + carved.trimmed_g == pytest.approx(done.cakes[0].dressed.cake.mass_g)
    assert done.trim_g == pytest.approx(carved.trimmed_g)
    tall = finished(*pans, carve=replace(cut, height_cm=60))
    assert "finish_carve_missing" in codes(tall)


def test_the_order_of_work_chills_before_a_drip_and_counts_out_at_the_end():
    keys = [one.key for one in finished(
        *TWO, dome_cm=1, drip=True, border=Border.STAR, press=Press.NUTS).steps]
    assert keys[0] == "cool"
    assert keys[-1] == "out"
    order = ["level", "soak", "filling", "settle", "crumb", "chill_crumb", "coat", "press",
             "chill_coat", "drip", "set_drip", "border"]
    assert [key for key in keys if key in order] == order


@given(coat=st.floats(min_value=0.1, max_value=2), more=st.floats(min_value=0.05, max_value=1))
def test_a_thicker_coat_never_takes_less(coat, more):
    thin, thick = finished(*TWO, coat_cm=coat), finished(*TWO, coat_cm=coat + more)
    assert part(thick, "Bergamot buttercream").needed_g.value > part(
        thin, "Bergamot buttercream").needed_g.value


@pytest.mark.parametrize(("heading", "keys", "kind"), [
    ("", ("unsalted_butter", "icing_sugar"), "buttercream"),
    ("", ("dark_chocolate", "double_cream"), "ganache"),
    ("", ("double_cream",), "cream"), ("For the lemon curd", (), "curd"),
    ("Salted caramel", (), "caramel"), ("", ("flour",), "other")])
def test_a_component_is_known_by_its_heading_then_by_what_is_in_it(heading, keys, kind):
    lines = [line(n, key, 1, "g", "1 g") for n, key in enumerate(keys)]
    lines = [replace(one, name=key) for one, key in zip(lines, keys, strict=True)]
    assert kind_of(Component.FILLING, heading, lines) == kind


def test_every_kind_has_a_density_and_says_when_it_is_ready():
    kinds = {key.removeprefix("density_") for key in PRACTICE if key.startswith("density_")}
    assert kinds - {"cake"} <= set(READINESS) | {"mousse"}
    assert all(one.ready and one.use_at and one.holds for one in READINESS.values())


@pytest.mark.parametrize("wrong", [{"split": 0}, {"stack": 9}, {"pieces": -1}, {"coat_cm": 9.0},
                                   {"dome_cm": float("nan")}, {"batter_layers": 0},
                                   {"yields": {"filling-0": 0.0}}])
def test_choices_that_cannot_be_name_their_field(wrong):
    with pytest.raises(ImpossibleChoice) as refused:
        Finishing(**wrong)
    assert refused.value.field.startswith("finishing.")


def test_a_yield_is_worked_back_to_what_is_weighed():
    whole, half = finished(*TWO), finished(*TWO, yields={"filling-1": 0.5})
    one, other = part(whole, "Plum jam filling"), part(half, "Plum jam filling")
    assert other.needed_g.value == pytest.approx(one.needed_g.value)
    assert other.make_g == pytest.approx(2 * one.make_g)
    assert sum(made.g for made in other.made_from) == pytest.approx(other.make_g)


def test_a_hollow_comes_out_as_trimmings_and_goes_in_as_filling():
    done = finished(entry(round_pan(25, 7.5), 2), hollow=True, hollow_cm=8,
                    hollow_high_cm=3)
    ml = 3.141592653589793 * 16 * 3
    use = next(use for one in done.parts for use in one.uses if use.key == "hollow")
    assert use.grams == pytest.approx(ml * practice("density_jam").value)
    assert done.trim_ml == pytest.approx(ml)
    cake = done.cakes[0].dressed.cake
    whole = sum(one.outline.area() * one.height_cm for one in cake.layers)
    assert done.trim_g == pytest.approx(cake.mass_g * ml / whole)
    assert "finish_hollow_thin" in codes(finished(*TWO, hollow=True, hollow_cm=16,
                                                  hollow_high_cm=3))
    gone = finished(*TWO, hollow=True, hollow_cm=40, hollow_high_cm=3)
    assert "finish_hollow" in codes(gone)
    assert gone.trim_ml == 0


def test_things_on_top_go_by_the_finished_top_and_not_by_the_number_of_pans():
    lines = (*FROSTING, line(40, "Plum slices", 8, "piece", "8", component=Component.DECORATION,
                             heading="To decorate"))
    by_area = finished(entry(round_pan(25, 7.5), 3), lines=lines)
    own = finished(entry(round_pan(18), 2), lines=lines).cakes[0].dressed.body.top_cm2
    top = by_area.cakes[0].dressed.body.top_cm2 / own
    made = part(by_area, "To decorate").made_from[0]
    assert made.count == str(round(8 * top))
    by_edge = finished(entry(round_pan(25, 7.5), 3), lines=lines, top_by=TopBy.EDGE)
    assert int(part(by_edge, "To decorate").made_from[0].count) < int(made.count)
    card = finished(entry(round_pan(25, 7.5), 3), lines=lines, top_by=TopBy.CARD)
    assert part(card, "To decorate").made_from[0].count == "8"


def test_layers_in_the_pan_are_told_by_ingredient():
    plan = plan_of(entry(round_pan(10, 5), 6), lines=base_layer_lines()[-2:])
    done = finish(plan)
    told = done.in_pans[0]
    assert told.first
    each = plan.pans[0].standing.layer_g
    assert sum(grams for _, grams in told.lines) == pytest.approx(each)
    total = sum(one.g.value for one in plan.lines
                if one.line.component is Component.BASE_LAYER)
    assert each * 6 == pytest.approx(total, rel=0.02)


def test_tiers_stand_on_supports_counted_by_the_tier_above():
    done = finished(entry(round_pan(25, 7.5), 2), entry(round_pan(15, 7.5), 2), tiers=True)
    assert [(one.count, one.above) for one in done.supports] == [(5, "round")]
    assert done.supports[0].height_cm == pytest.approx(
        done.cakes[0].dressed.body.height_cm, abs=0.05)
    assert "finish_tiers" in codes(done)
    assert finished(*TWO, tiers=True).supports == ()


def test_a_carved_cake_says_how_much_batter_its_size_wants():
    cut = Carving(profile=Profile.BALL, foot_cm=16)
    found = next(one for one in finished(*TWO, carve=cut, filling_cm=0.0).findings
                 if one.code == "finish_carve_wants")
    style = make_card().style
    assert found.numbers["wanted_g"] == pytest.approx(
        4 / 3 * 3.141592653589793 * 512 / style.rise.value * style.density.value, rel=0.01)


def test_a_cake_with_fruit_in_the_pan_first_is_turned_over_unless_told_otherwise():
    pans = (entry(round_pan(20, 7.5)),)
    plan = plan_of(*pans, lines=base_layer_lines()[-2:])
    cake = finish(plan).cakes[0].dressed.cake
    assert cake.turned_over
    assert 0 < cake.fruit_cm < cake.layers[0].height_cm
    upright = finish(replace(plan, finishing=Finishing(turned_over=False)))
    assert not upright.cakes[0].dressed.cake.turned_over
    assert not finished(*TWO).cakes[0].dressed.cake.turned_over


def test_half_of_the_pieces_go_in_one_coat_and_half_in_another():
    sheet = pan_from(PanMeasures(outline=OutlineName.RECTANGLE, across=33, width=23, wall_cm=5),
                     label="sheet")
    coats = tuple(line(50 + n, name, 200, "g", "200 g", component=Component.COATING,
                       heading=name) for n, name in enumerate(("Dark coat", "White coat")))
    done = finished(entry(sheet), lines=coats, pieces=21)
    words = [one.uses[0].words for one in done.parts]
    assert [one.title for one in done.parts] == ["Dark coat", "White coat"]
    assert words[0].startswith("11 pieces")
    assert words[1].startswith("10 pieces")
    assert done.parts[0].needed_g.value / done.parts[1].needed_g.value == pytest.approx(1.1)


def test_batter_goes_in_in_layers_with_what_is_folded_in_between_them():
    fruit = line(60, "Blackcurrants", 160, "g", "160 g", component=Component.INCLUSION)
    plan = plan_of(*TWO, lines=(fruit,))
    told = finish(replace(plan, finishing=Finishing(batter_layers=3))).in_pans[0]
    batter, between = (grams for _, grams in told.lines)
    assert 3 * batter + 2 * between == pytest.approx(plan.pans[0].standing.batter_g)
    assert between > 0
    assert finish(plan).in_pans == ()


def test_a_cake_without_a_filling_stands_no_higher_for_its_joins():
    bare = finished(*TWO, lines=()).cakes[0].dressed
    assert bare.filling_cm == 0
    assert bare.bare.height_cm == pytest.approx(sum(one.height_cm for one in bare.cake.layers))
    given = finished(*TWO, lines=(), filling_cm=0.8)
    assert given.cakes[0].dressed.filling_cm == 0.8
    assert [one.title for one in given.parts] == ["Buttercream 1 : 2"]


def test_layers_cool_as_they_were_baked_however_they_are_split_or_cut():
    def cool(**chosen):
        return finished(*TWO, **chosen).steps[0].wait_min
    assert cool(split=2) == cool() == cool(dome_cm=1.0)
    joined = finished(entry(round_pan(15, 7.5)), entry(round_pan(25, 7.5)), joined=True)
    alone = finished(entry(round_pan(15, 7.5)), entry(round_pan(25, 7.5)))
    assert joined.steps[0].wait_min == alone.steps[0].wait_min
    assert "in the fridge" in joined.steps[0].sign


def test_a_drip_is_made_from_the_cards_own_ganache_where_it_has_one():
    ganache = (line(70, "Dark chocolate", 200, "g", "200 g", component=Component.COATING,
                    heading="Ganache"),)
    done = finished(*TWO, lines=ganache, drip=True)
    assert [one.title for one in done.parts] == ["Ganache"]
    assert {use.key for use in done.parts[0].uses} >= {"drip", "coat"}


def test_a_carved_filling_goes_only_as_far_as_the_cut():
    pans = (entry(round_pan(20, 7.5), 2),)
    narrow = Carving(profile=Profile.TAPER, foot_cm=14, top_cm=14)
    cut, whole = finished(*pans, carve=narrow), finished(*pans)
    use = {one.key: one.grams for part in cut.parts for one in part.uses}
    full = {one.key: one.grams for part in whole.parts for one in part.uses}
    assert use["filling"] == pytest.approx(full["filling"] * (14 / 19.4) ** 2, rel=0.01)
    assert use["soak"] < full["soak"]
    assert cut.cakes[0].height_cm == pytest.approx(
        whole.cakes[0].dressed.bare.height_cm
        + cut.cakes[0].dressed.crumb_cm + cut.cakes[0].dressed.final_top_cm)
    assert cut.cakes[0].board_cm < whole.cakes[0].board_cm


def test_a_profile_left_open_is_cut_to_the_stack_itself():
    pans = (entry(round_pan(18, 5)), entry(round_pan(25, 5)))
    carved = finished(*pans, carve=Carving(profile=Profile.TAPER)).cakes[0].dressed.carved
    assert (carved.cut.foot_cm, carved.cut.top_cm) == (pytest.approx(24.4), pytest.approx(17.4))
    ball = finished(*pans, carve=Carving(profile=Profile.BALL)).cakes[0].dressed.carved.cut
    assert ball.foot_cm == ball.height_cm
    assert "finish_carve_missing" not in codes(
        finished(*pans, carve=Carving(profile=Profile.BALL)))
    told = finished(*pans, carve=Carving(profile=Profile.BALL), drip=True)
    assert "finish_no_top" in codes(told)


def test_layers_that_are_not_round_say_that_they_are_counted_as_discs():
    square = pan_from(PanMeasures(outline=OutlineName.SQUARE, across=20, wall_cm=5), label="square")
    assert "finish_carve_round" in codes(
        finished(entry(square, 2), carve=Carving(profile=Profile.TAPER)))


def test_a_hollow_is_as_large_as_its_walls_bear_where_nobody_says():
    hollow = finished(entry(round_pan(25, 7.5), 3), hollow=True).cakes[0].dressed
    wide = 24.4 - 2 * 2.5
    assert hollow.hollow.wide_cm == pytest.approx(wide)
    assert hollow.hollow.high_cm == pytest.approx(hollow.bare.height_cm - 5)
    low = finished(entry(round_pan(20, 5)), hollow=True)
    assert "finish_hollow" in codes(low)
    assert low.cakes[0].dressed.hollow is None


def test_what_is_levelled_off_counts_for_every_cake_of_a_row():
    ring = pan_from(PanMeasures(outline=OutlineName.RING, across=23, tube=7, wall_cm=9),
                    label="ring")
    done = finished(entry(ring, 2), lines=(), dome_cm=1.0)
    cake = done.cakes[0].dressed.cake
    assert done.trim_g == pytest.approx(2 * cake.trim_g)
    assert done.trim_ml == pytest.approx(2 * cake.trim_ml)


@pytest.mark.parametrize("outline", [OutlineName.PETAL, OutlineName.POLYGON, OutlineName.HEART,
                                     OutlineName.HALF_MOON, OutlineName.OVAL])
def test_every_outline_leaves_its_wall(outline):
    pan = pan_from(PanMeasures(outline=outline, across=20, wall_cm=5, width=16
                               if outline is OutlineName.OVAL else None), label="pan")
    free = finished(entry(pan)).cakes[0].dressed.cake.outline
    lost = pan.rim.area() - free.area()
    edge = sum(face.length_cm for face in pan.rim.faces())
    assert lost == pytest.approx(edge * 0.3, rel=0.06)


def test_a_height_left_open_is_the_half_centimetre_below_the_edge():
    done = finished(*TWO, level=Level.TO)
    layer = done.cakes[0].dressed.cake.layers[0].height_cm
    assert layer * 2 == int(layer * 2)
    assert layer <= finished(*TWO).cakes[0].dressed.cake.layers[0].height_cm
    assert "finish_level_high" not in codes(done)


def test_a_card_with_a_glaze_alone_pours_it():
    glaze = (line(80, "Icing sugar", 150, "g", "150 g", "icing_sugar", component=Component.GLAZE,
                  heading="Glaze"),)
    assert finished(*TWO, lines=glaze).cakes[0].dressed.glazed
    assert finished(entry(wells_pan(), 6), lines=glaze).cakes[0].dressed.glazed
    assert not finished(*TWO, lines=(*FROSTING, *glaze)).cakes[0].dressed.glazed
    assert not finished(*TWO, lines=glaze, glaze=False).cakes[0].dressed.glazed


def test_a_cake_thin_as_paper_is_finished_without_a_dome_being_known():
    thin = plan_of(entry(round_pan(20), 2, rule=PanRule(kind=Rule.GRAMS, grams=8)))
    done = finish(thin)
    assert done.cakes
    assert "finish_dome" not in {one.code for one in done.findings}


def test_a_pan_with_nothing_under_its_batter_is_told_nothing_of_layers():
    plan = plan_of(entry(round_pan(20), 1), entry(wells_pan(), 6), lines=base_layer_lines()[-2:])
    under = {one.entry.label for one in plan.pans if one.standing.layer_g > 0}
    assert under
    assert under < {one.entry.label for one in plan.pans} or len(under) == len(plan.pans)
    assert {one.pan for one in finish(plan).in_pans} == under


@pytest.mark.parametrize(("name", "stated"), [
    ("Caster sugar", False), ("Dark rum", True), ("Red wine vinegar", False), ("Kirsch", True)])
def test_alcohol_is_stated_where_there_is_some_and_nowhere_else(name, stated):
    lines = (*FROSTING, line(34, name, 30, "ml", "30 ml", component=Component.SOAK,
                             heading="Syrup"))
    told = " ".join(one.caution for one in finished(entry(round_pan(20), 2), lines=lines).steps)
    assert ("lcohol" in told) is stated
