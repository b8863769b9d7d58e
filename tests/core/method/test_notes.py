"""What the sentences of a method ask for: kinds of work, stages, what to mind, what may be late."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.lines import Component
from entremet.core.card.recipe import TiedStep
from entremet.core.card.step_kind import StepKind
from entremet.core.ground.quantities import plain
from entremet.core.ingredients.table import TABLE, Role
from entremet.core.method.guards import GUARDS
from entremet.core.method.kinds import kinds_in
from entremet.core.method.notes import LATE, kinds_of, notes_of
from entremet.core.method.stages import STAGES, StageKey, stages_in
from tests.core.conftest import line, make_card


def noted(*texts, lines=()):
    steps = tuple(TiedStep(key=place + 1, text=text) for place, text in enumerate(texts))
    return notes_of(make_card(steps=steps, **({"lines": lines} if lines else {})))


def minded(*texts):
    return [next(one.key for one in GUARDS if one.text == text)
            for step in noted(*texts).steps for text in step.guards]


@pytest.mark.parametrize(("sentence", "kinds"), [
    ("Heat the oven to 180 °C and line a 30 x 20 cm tin.", "heat line"),
    ("Butter every flute of the ring and flour it.", "line"),
    ("Add 200 g butter and flour 120 g.", ""),
    ("Beat the butter with 180 g of the sugar until pale.", "cream"),
    ("Whisk the browned butter with the sugar, then the eggs.", "beat"),
    ("Whisk the egg whites until foamy.", "whip"),
    ("Whip the cream softly, fold it in.", "whip fold"),
    ("Beat the cream cheese until smooth.", "beat"),
    ("Rub the butter into the flour.", "rub"), ("Swirl the rest over the top.", ""),
    ("Rest the batter.", "rest"),
    ("Melt the chocolate and let it cool.", "melt cool"),
    ("Sift the flour over it. Fold in.", "sift fold"),
    ("Bring the cream to the boil.", "boil"),
    ("Strain the yoghurt overnight.", "strain"),
    ("Soak the raisins in the rum for 2 hours.", "macerate"),
    ("Divide between the tins.", "fill"), ("Spread it in the tin.", "fill"),
    ("Bake for 30 minutes.", "bake"),
    ("Leave in the tins for 10 minutes, then turn out.", "stand turn_out"),
    ("Let the dough rest for an hour.", "rest"), ("Chill for 2 hours.", "chill"),
    ("Cool in the tin.", "stand"),
    ("Halve the sponges and brush the layers with syrup.", "cut soak"),
    ("Spread the frosting over the top.", "coat"),
    ("Bake in 2 x 20 cm sandwich tins, covered with foil.", "bake"),
    ("Cover with foil after 40 minutes.", ""), ("Serve it.", "")])
def test_a_sentence_is_known_by_its_verbs(sentence, kinds):
    assert [one.value for one in kinds_in(sentence)] == kinds.split()


NAMED = {
    StageKey.SOFT_PEAK: "until they hold a soft peak", StageKey.FIRM_PEAK: "to firm peaks",
    StageKey.STIFF_PEAK: "whisk until stiff", StageKey.FOAMY: "until foamy",
    StageKey.RIBBON: "until they leave a trail", StageKey.PALE_FLUFFY: "until pale and fluffy",
    StageKey.CRUMBS: "to crumbs", StageKey.DROPPING: "to a dropping consistency",
    StageKey.POURING: "to a pouring consistency", StageKey.FIGURE_EIGHT: "a figure of eight holds",
    StageKey.JUST_MIXED: "until no dry flour shows", StageKey.MELTED_SMOOTH: "smooth and glossy",
    StageKey.COATS_SPOON: "until it coats the back of a spoon",
    StageKey.HAND_WARM: "cool to hand-warm", StageKey.CURDLED: "it may look curdled",
    StageKey.BROWNED: "until it smells of nuts", StageKey.SKEWER_CLEAN: "until a skewer is clean",
    StageKey.SPRINGS_BACK: "until the top springs back"}


@pytest.mark.parametrize("stage", list(StageKey))
def test_every_stage_is_known_by_the_words_for_it(stage):
    assert stages_in(NAMED[stage]) == (stage,)
    told = STAGES[stage]
    assert all((told.name, told.see, told.too_far, told.mend))
    assert stage in [one.key for one in noted(f"Go on {NAMED[stage]}.").stages]


def test_stages_come_in_the_order_of_the_sentence_each_once():
    assert stages_in("until foamy, then with sugar until stiff and glossy") == (
        StageKey.FOAMY, StageKey.STIFF_PEAK)
    found = noted("Beat until fluffy.", "Whisk until foamy.", "Beat until fluffy.")
    assert [one.key for one in found.stages] == [StageKey.PALE_FLUFFY, StageKey.FOAMY]
    assert [one.stages for one in found.steps] == [
        (StageKey.PALE_FLUFFY,), (StageKey.FOAMY,), (StageKey.PALE_FLUFFY,)]


@pytest.mark.parametrize("words", ["until the crumble is golden", "a crumb coat", "cupcakes",
                                   "the tart is glossed over", "a stiffened collar"])
def test_a_word_that_only_looks_like_a_stage_is_none(words):
    assert stages_in(words) == ()


@pytest.mark.parametrize(("texts", "keys"), [
    (["Pour the hot syrup onto the yolks, whisking."], ["hot_on_eggs"]),
    (["Beat the cooled syrup into the yolks."], []),
    (["Pour the boiling milk onto the cold eggs."], ["hot_on_eggs"]),
    (["Trickle the syrup onto the whites while you beat."], ["hot_on_eggs", "clean_bowl"]),
    (["Beat in the golden syrup and the eggs."], []),
    (["Pour the hot cream over the white chocolate and stir."], []),
    (["Whisk the melted butter into the eggs."], ["hot_on_eggs"]),
    (["Beat the butter and sugar until light.", "Beat in the eggs."], ["cold_eggs"]),
    (["Beat the butter and sugar.", "Beat in the eggs, at room temperature."], []),
    (["Whisk the eggs with the sugar."], []),
    (["Cream the butter and sugar.", "Beat in the melted chocolate."], ["chocolate_on_butter"]),
    (["Cream the butter and sugar.", "Fold in the chocolate chips."], []),
    (["Rub 60 g flour and 40 g butter to crumbs."], ["cold_rubbing"]),
    (["Whisk the whites until foamy."], ["clean_bowl"]),
    (["Whisk the white chocolate smooth."], []),
    (["Melt the chocolate."], ["melting_chocolate"]),
    (["Boil the sugar and water to 118 °C."], ["boiling_sugar"]),
    (["Heat the oven and grease it; weigh the sugar."], []),
    (["Heat the oven and beat the sugar into the butter."], []),
    (["Heat the sugar to a caramel and pour it into the dish before you bake."], ["boiling_sugar"]),
    (["Whisk the eggs and sugar over hot water, then off the heat until thick."], []),
    (["Soak the gelatine."], ["gelatine"]),
    (["Stir the custard over a low heat until thick."], ["custard"]),
    (["Flambé with the rum."], ["flames"]), (["Steam for 40 minutes."], ["steam"])])
def test_what_can_go_wrong_or_hurt_is_said_at_the_step_that_needs_it(texts, keys):
    assert minded(*texts) == keys


def test_a_caution_is_said_once_where_it_is_needed_first():
    assert minded("Cream the butter and sugar. Beat in the eggs.", "Beat in another egg.") == [
        "cold_eggs"]


def test_hot_things_and_hot_sugar_name_their_temperatures():
    [hot] = [one for one in GUARDS if one.key == "hot_on_eggs"]
    [sugar] = [one for one in GUARDS if one.key == "boiling_sugar"]
    assert "45 °C" in plain(hot.text)
    assert "110 °C" in plain(sugar.text)


def test_what_was_forgotten_is_told_by_what_it_does_in_the_batter():
    assert set(LATE) == set(Role)
    rows = {key: TABLE.rows[key] for key in ("plain_flour", "baking_powder", "egg")}
    lines = [line(place, one.name, 100, "g", "100 g", key)
             for place, (key, one) in enumerate(rows.items())]
    lines.append(line(9, "Icing sugar", 100, "g", "100 g", "icing_sugar",
                      component=Component.FROSTING))
    late = {one.name: one.text for one in noted("Mix.", lines=tuple(lines)).late}
    assert set(late) == {one.name for one in rows.values()}
    assert late[rows["baking_powder"].name] == LATE[Role.LEAVENER]
    assert "oven" in late[rows["baking_powder"].name]


def test_a_card_without_a_method_asks_for_nothing():
    found = noted()
    assert (found.steps, found.stages, found.late) == ((), (), ())


@given(st.text(max_size=300))
def test_any_text_is_read(text):
    [step] = noted(text).steps
    assert len(set(step.kinds)) == len(step.kinds)
    assert len(set(step.stages)) == len(step.stages)


def test_what_work_a_step_is_can_be_put_right_and_nothing_else_of_it_changes():
    step = TiedStep(key=1, text="Work in the flour until smooth.")
    assert kinds_of(step) == (StepKind.BEAT,)
    said = replace(step, kinds=(StepKind.FOLD,))
    assert kinds_of(said) == (StepKind.FOLD,)
    assert notes_of(make_card(steps=(said,))).steps[0].kinds == (StepKind.FOLD,)
    none = replace(step, kinds=())
    assert notes_of(make_card(steps=(none,))).steps[0].kinds == ()
