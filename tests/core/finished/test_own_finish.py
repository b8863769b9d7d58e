"""A card knows how it is finished: what it knows to be enough is enough, in any pan."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from entremet.core.card.finish import Border, Coat, Dipped, Finishing, OnWells, TopBy
from entremet.core.card.lines import Component
from entremet.core.card.recipe import SourcePan
from entremet.core.card.said_finish import said_finish
from entremet.core.finished.finish import finish
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.plan.plan import make_plan
from entremet.core.plan.request import Request
from tests.core.conftest import entry, line, make_card, round_pan, square_pan, wells_pan
from tests.core.plan.test_plan import OVEN

OWN = (entry(round_pan(18), 2),)
"""The pans that the test's card is written for."""

GRAMS = st.floats(60, 900)
SUFFICE = [
    # Buttercream, filling, syrup of cakes of two layers of 18 cm that were made so and were enough.
    (420, 180, 60), (300, 240, 0), (260, 120, 90), (540, 0, 40), (180, 90, 0), (700, 300, 120),
    (350, 60, 150), (480, 480, 0), (220, 0, 220), (610, 150, 30), (140, 140, 0), (390, 210, 75),
    (275, 330, 0), (520, 80, 45), (330, 0, 0), (450, 260, 180), (240, 70, 25), (660, 0, 95),
    (160, 400, 0), (370, 130, 260)]


ALL = frozenset(Component)


def card_with(frosting=400.0, filling=200.0, syrup=60.0, said=None):
    lines = [line(40, "Buttercream", frosting, "g", f"{frosting:g} g",
                  component=Component.FROSTING, heading="For the buttercream")]
    if filling:
        lines.append(line(41, "Jam", filling, "g", f"{filling:g} g", component=Component.FILLING,
                          heading="For the filling"))
    if syrup:
        lines.append(line(42, "Syrup", syrup, "g", f"{syrup:g} g", component=Component.SOAK,
                          heading="For the syrup"))
    card = make_card()
    return replace(card, lines=(*card.lines, *lines), finishing=said or Finishing())


def plan_of(card, *entries, **choices):
    return make_plan(card, entries, request=Request(recipe=1, **choices), oven=OVEN)


def made(plan):
    return {part.key.split("-")[0]: part for part in finish(plan).parts if not part.house}


def worries(plan):
    return [one.code for one in finish(plan).findings
            if one.code in ("finish_short", "finish_over", "finish_unused")]


@pytest.mark.parametrize(("frosting", "filling", "syrup"), SUFFICE)
def test_what_is_known_to_be_enough_is_never_called_short_or_too_much(frosting, filling, syrup):
    card = card_with(frosting, filling, syrup)
    for entries in (OWN, (entry(round_pan(23), 2),), (entry(round_pan(15, 9), 3),)):
        assert worries(plan_of(card, *entries)) == []


@settings(max_examples=25)
@given(GRAMS, GRAMS, st.floats(10, 300))
def test_its_own_pans_and_its_own_finish_give_its_own_amounts(frosting, filling, syrup):
    card = card_with(frosting, filling, syrup)
    plan = plan_of(card, *OWN)
    for one in plan.lines:
        if one.recipe_g is not None and one.g is not None and one.line.key >= 40:
            assert one.g.value == pytest.approx(one.recipe_g.value, rel=1e-9)
    for part in made(plan).values():
        assert part.factor == 1.0
        assert part.make_g == pytest.approx(part.was_g, rel=1e-4)
        assert not part.short


def test_how_thick_it_lies_follows_from_the_recipes_own_amount():
    thin, thick = (plan_of(card_with(frosting=grams), *OWN).finishing for grams in (250, 500))
    assert 0.15 < thin.coat_cm < thick.coat_cm < 1.0
    assert thick.crumb_cm / thin.crumb_cm == pytest.approx(thick.coat_cm / thin.coat_cm, rel=1e-6)
    little, much = (plan_of(card_with(syrup=grams), *OWN).finishing for grams in (40, 160))
    assert much.soak == pytest.approx(4 * little.soak, rel=1e-3)


def test_other_cakes_are_coated_as_thick_as_the_recipes_own():
    card = card_with()
    own, other = plan_of(card, *OWN), plan_of(card, entry(round_pan(25), 2))
    assert other.finishing == own.finishing
    small, large = (finish(one).cakes[0] for one in (own, other))
    frosting = made(other)["frosting"]
    coats = [sum(use.ml for use in cake.dressed.uses if use.key in ("crumb", "coat"))
             for cake in (small, large)]
    assert frosting.make_g == pytest.approx(400 * coats[1] / coats[0], rel=1e-3)


def test_a_thicker_coat_takes_more_and_a_crumb_coat_left_out_less():
    card = card_with(said=Finishing(coat=Coat.FULL))
    own = plan_of(card, *OWN)
    thicker = plan_of(card, *OWN, finishing=Finishing(coat_cm=2 * own.finishing.coat_cm))
    without = plan_of(card, *OWN, finishing=Finishing(crumb_cm=0.0))
    grams = [made(one)["frosting"].make_g for one in (without, own, thicker)]
    assert grams == sorted(grams)
    assert grams[1] == pytest.approx(400, rel=1e-4)
    assert grams[2] > 1.4 * grams[1]


def test_what_the_recipe_has_too_much_of_is_left_over_in_proportion():
    plan = plan_of(card_with(filling=900), *OWN)
    jam = made(plan)["filling"]
    assert jam.make_g == pytest.approx(900, rel=1e-4)
    assert jam.spare_g.value > 300
    assert "left over, as in the recipe" in jam.enough_for
    twice = made(plan_of(card_with(filling=900), *(replace(one, count=4) for one in OWN)))
    assert twice["filling"].spare_g.value > jam.spare_g.value


def test_the_usual_is_told_beside_the_recipes_own_measure():
    assert "more is usual" in made(plan_of(card_with(frosting=200), *OWN))["frosting"].enough_for
    assert "less is usual" in made(plan_of(card_with(frosting=900), *OWN))["frosting"].enough_for


def test_a_coat_round_a_cake_says_nothing_of_pieces_that_are_dipped():
    own = plan_of(card_with(), *OWN)
    cut = plan_of(card_with(), *OWN, finishing=Finishing(pieces=12))
    assert own.finishing.coat_cm is not None
    assert cut.finishing.coat_cm is None


def test_wells_that_the_card_swirls_take_what_its_own_wells_took():
    card = replace(card_with(filling=0, syrup=0), pans=())
    plan = plan_of(card, entry(wells_pan(), 12))
    assert made(plan)["frosting"].make_g > 0


@pytest.mark.parametrize(("sentence", "field", "value"), [
    ("Cut each cake in half horizontally.", "split", 2),
    ("Split the cooled sponge into three layers.", "split", 3),
    ("Halve the cakes through the middle.", "split", 2),
    ("Spread the buttercream over the top and sides.", "coat", Coat.FULL),
    ("Cover the whole cake with the frosting.", "coat", Coat.FULL),
    ("Fill with the jam, coat with the buttercream, and chill.", "coat", Coat.FULL),
    ("Swirl the frosting over the top.", "coat", Coat.TOP),
    ("Scrape it off again so that the cake is half-naked.", "coat", Coat.NAKED),
    ("Let the ganache drip over the edge.", "drip", True),
    ("Cut the baked cake into two layers.", "split", 2),
    ("Pour the glaze slowly over the cake.", "glaze", True),
    ("Pipe a swirl on each one.", "wells", OnWells.SWIRL),
    ("Prick the cakes all over and spoon the syrup over them.", "soak_hot", True),
    ("Brush the warm cakes with the syrup.", "soak_hot", True),
    ("Press the flaked almonds onto the sides.", "top_by", TopBy.SIDES),
    ("Pat the nuts all over, top and sides.", "top_by", TopBy.ALL),
    ("Set the berries round the edge of the cake.", "top_by", TopBy.EDGE)])
def test_the_method_says_how_the_cake_is_finished(sentence, field, value):
    found, said = said_finish(["Bake for 30 minutes, smooth the top.", sentence], ALL)
    assert getattr(found, field) == value
    assert next(one.words for one in said if one.field == field) == sentence


@pytest.mark.parametrize("sentence", [
    "Cut into 12 squares.", "Cut the cake into slices and serve.", "Line the sides of the tin.",
    "Spread the batter in the pan and level the top.", "Cut the butter into 2 cm cubes.",
    "Press the crumbs into the base before baking.", "Halve the plums.",
    "Level and smooth the top. Bake for 30 minutes.", "Cut one lemon into four.",
    "Thin the icing until it drips off the spoon.", "Cut into 24 squares, store in a tin.",
    "Brush the cooled layers with the syrup.",
    "Run a knife round the edge and turn it out.", "Run a small palette knife down the sides.",
    "Loosen it around the rim with a palette knife.",
    "Pour the ganache over it while it is still warm."])
def test_a_sentence_of_something_else_says_nothing(sentence):
    assert said_finish([sentence], ALL) == (Finishing(), ())


def test_a_method_that_is_silent_on_a_crumb_coat_says_nothing_of_it():
    for method in (["Coat the top and sides."], ["Spread a thin crumb coat and chill.",
                                                 "Coat the top and sides."]):
        found, _ = said_finish(method, ALL)
        assert (found.coat, found.crumb_cm) == (Coat.FULL, None)


@pytest.mark.parametrize("sentence", ["Spoon the berries over the top.", "Cover the top and sides.",
                                      "Let it drip over the edge."])
def test_nothing_is_coated_with_what_the_card_has_not(sentence):
    assert said_finish([sentence], {Component.BATTER, Component.DECORATION}) == (Finishing(), ())


def test_spare_for_what_a_fit_adds_is_not_called_left_over_in_the_recipe():
    piped = made(plan_of(card_with(), *OWN, finishing=Finishing(border=Border.ROSETTE)))["frosting"]
    assert piped.spare_g.value > 30
    assert "left over" not in piped.enough_for
    assert "what this finish adds" in piped.spare_g.assumptions[0]
    assert piped.make_g > 400 + piped.spare_g.value


def test_a_soak_that_is_poured_as_the_cake_comes_out_goes_on_before_it_cools():
    out = "Bake for 30 minutes; while still hot from the oven, prick it and pour over the syrup."
    found, said = said_finish([out, "Leave it to cool in the pan."], ALL)
    assert found.soak_hot is True
    assert said[0].words == "while still hot from the oven, prick it and pour over the syrup."
    card = card_with(said=Finishing(soak_hot=True))
    order = [one.key for one in finish(plan_of(card, *OWN)).steps]
    assert order[:2] == ["soak", "cool"]
    assert order.count("soak") == 1
    cold = [one.key for one in finish(plan_of(card_with(), *OWN)).steps]
    assert cold.index("cool") < cold.index("soak")
    dry = finish(plan_of(card, *OWN, finishing=Finishing(soak=0.0, soak_hot=True)))
    assert "soak" not in [one.key for one in dry.steps]


def with_cream(said=None):
    card = card_with(said=said)
    return replace(card, lines=(*card.lines, line(
        43, "Double cream", 300.0, "g", "300 g", component=Component.FILLING,
        heading="For the vanilla cream")))


def test_several_things_in_a_join_lie_on_each_other_each_as_thick_as_its_amount():
    card = with_cream()
    plan = plan_of(card, *OWN)
    done = finish(plan)
    jam, cream = (next(part for part in done.parts if part.title == title)
                  for title in ("Filling", "Vanilla cream"))
    dressed = done.cakes[0].dressed
    first, second = dressed.fillings
    assert (first.component, second.component) == (jam.key, cream.key)
    assert jam.make_g == pytest.approx(200, rel=1e-4)
    assert cream.make_g == pytest.approx(300, rel=1e-4)
    assert worries(plan) == []
    assert dressed.bare.height_cm == pytest.approx(
        sum(one.height_cm for one in dressed.cake.layers) + first.thick_cm + second.thick_cm)
    large = finish(plan_of(card, entry(round_pan(25), 2)))
    assert [one.thick_cm for one in large.cakes[0].dressed.fillings] == pytest.approx(
        [first.thick_cm, second.thick_cm])
    thicker = finish(plan_of(card, *OWN, finishing=Finishing(
        fillings_cm={cream.key: 2 * second.thick_cm})))
    made_now = {part.title: part.make_g for part in thicker.parts}
    assert made_now["Vanilla cream"] == pytest.approx(600, rel=1e-3)
    assert made_now["Filling"] == pytest.approx(200, rel=1e-3)


def test_a_join_without_its_first_filling_is_filled_all_the_same():
    plan = plan_of(with_cream(), *OWN, finishing=Finishing(filling_cm=0.0))
    done = finish(plan)
    assert "filling" in [one.key for one in done.steps]
    assert [one.thick_cm > 0 for one in done.cakes[0].dressed.fillings] == [False, True]


def test_a_filling_thicker_than_any_is_refused_at_its_field():
    with pytest.raises(ImpossibleChoice) as found:
        Finishing(fillings_cm={"filling-2": 7.0})
    assert found.value.field == "finishing.fillings_cm.filling-2"


CUT = ("Cut the cooled cake into 16 squares.", "Dip each square in the chocolate coating.",
       "Roll them in the coconut.")


def in_pieces(said):
    card = make_card()
    return replace(card, pans=(SourcePan(pan=square_pan(20), count=1),), finishing=said, lines=(
        *card.lines,
        line(40, "Dark chocolate", 300.0, "g", "300 g", component=Component.COATING,
             heading="For the coating"),
        line(41, "Coconut", 120.0, "g", "120 g", component=Component.DECORATION,
             heading="To roll in")))


def test_pieces_that_are_dipped_keep_their_size_in_a_larger_pan():
    said, told = said_finish(["Bake for 30 minutes.", *CUT], ALL)
    assert (said.pieces, said.dipped) == (16, Dipped.ALL)
    assert told[0].words == CUT[0]
    card = in_pieces(said)
    own, large = (finish(plan_of(card, entry(square_pan(cm), 1))) for cm in (20, 30))
    assert (own.cakes[0].dressed.pieces, large.cakes[0].dressed.pieces) == (16, 37)
    grams = [{part.title: part.make_g for part in one.parts} for one in (own, large)]
    assert grams[0]["Coating"] == pytest.approx(300, rel=1e-3)
    assert grams[0]["To roll in"] == pytest.approx(120, rel=1e-6)
    # Coating and coconut grow alike: by the faces of all pieces.
    faces = large.cakes[0].dressed.faces_cm2 / own.cakes[0].dressed.faces_cm2
    assert grams[1]["Coating"] == pytest.approx(300 * faces, rel=1e-3)
    assert grams[1]["To roll in"] == pytest.approx(120 * faces, rel=1e-6)
    told = finish(plan_of(card, entry(square_pan(30), 1), finishing=Finishing(pieces=20)))
    assert told.cakes[0].dressed.pieces == 20


def test_a_cake_is_only_cut_in_pieces_where_they_are_dipped_in_something():
    bake, cut = "Bake for 30 minutes.", "Cut into 24 squares."
    for then in ("Turn them out and cover them.", "Store them in a tin.", "Dust each with sugar."):
        assert said_finish([bake, cut, then], ALL)[0].pieces == 0
    dipped = [bake, cut, "Dip each in the glaze."]
    assert said_finish(dipped, ALL)[0].pieces == 24
    assert said_finish(dipped, {Component.BATTER, Component.DECORATION})[0].pieces == 0


def test_the_faces_of_a_piece_that_are_dipped_decide_what_it_takes():
    whole, foot, top = (finish(plan_of(in_pieces(Finishing(pieces=16)), entry(square_pan(20), 1),
                                       finishing=Finishing(pieces=16, dipped=one)))
                        for one in Dipped)
    faces = [one.cakes[0].dressed.faces_cm2 for one in (whole, foot, top)]
    area = top.cakes[0].dressed.cake.outline.area()
    assert faces[2] == pytest.approx(area)
    assert faces[0] - faces[1] == pytest.approx(area)


def test_what_is_pressed_on_the_sides_grows_with_the_sides():
    card = make_card()
    nuts = line(41, "Almonds", 100.0, "g", "100 g", component=Component.DECORATION)
    card = replace(card, lines=(*card.lines, nuts), finishing=Finishing(top_by=TopBy.SIDES))
    own, tall = (finish(plan_of(card, one)) for one in (OWN[0], replace(OWN[0], count=4)))
    sides = [one.cakes[0].dressed.body for one in (own, tall)]
    grams = [next(part.make_g for part in one.parts if part.title == "Decoration")
             for one in (own, tall)]
    area = [one.edge_cm * one.height_cm for one in sides]
    assert grams[1] / grams[0] == pytest.approx(area[1] / area[0], rel=1e-6)
