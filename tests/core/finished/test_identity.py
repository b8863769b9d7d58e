"""In its own pans, finished as it says, a card gives back its amounts, minutes and words."""

from __future__ import annotations

import random
from dataclasses import replace

import pytest

from entremet.core.card.finish import Border, Coat, Finishing, TopBy
from entremet.core.card.lines import Component
from entremet.core.card.recipe import SourcePan, TiedStep
from entremet.core.card.resolve import recipe_of
from entremet.core.finished.finish import finish
from entremet.core.fitting.rules import Entry
from entremet.core.ground.quantities import plain
from entremet.core.ingredients.table import TABLE
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.core.plan.plan import make_plan, plan_in_own_pans
from entremet.core.plan.request import Request
from entremet.core.reading.recipes import read_recipe
from tests.core.conftest import line, make_card, round_pan, square_pan
from tests.core.reading.score import texts

GENERATED = 200


def in_own_pans(recipe):
    dial = recipe.setting.scale if recipe.setting else Scale.CELSIUS
    kind = recipe.oven_kind or OvenKind.CONVENTIONAL
    oven = Oven(name="oven", kind=kind, scale=dial, step={Scale.MARK: 1}.get(dial, 5),
                lowest=1 if dial is Scale.MARK else 100, highest={Scale.MARK: 9}.get(dial, 500)
                if dial is not Scale.CELSIUS else 280)
    return plan_in_own_pans(recipe, oven=oven)


def amounts_differ(plan):
    return [(one.line.name, one.recipe_g.value, one.g.value) for one in plan.lines
            if one.included and one.g is not None and one.recipe_g is not None
            and one.g.value != pytest.approx(one.recipe_g.value, rel=1e-9)]


def minutes_differ(plan):
    stated = plan.recipe.stated
    if stated is None or plan.recipe.phases:
        return []
    return [(one.entry.label, stated, bake.window.likely_min) for one in plan.pans
            if (bake := one.bake) is not None and bake.window is not None and bake.as_stated
            and bake.window.likely_min != pytest.approx(stated.middle_min, rel=1e-6)]


def parts_differ(plan):
    return [(one.title, one.was_g, one.make_g) for one in finish(plan).parts
            if not one.house and one.was_g and one.uses
            and one.make_g != pytest.approx(one.was_g, rel=1e-4)]


def words_differ(plan):
    """Return the steps that differ; an amount may be written in the scale's own words.

    A stated time that no such cake bakes in is not the fit's: its sentence says another.
    """
    if any(one.bake is not None and not one.bake.as_stated for one in plan.pans):
        return []
    return [(own.text, told) for own, step in zip(plan.recipe.steps, plan.steps, strict=True)
            if not own.ties and plain(told := "".join(one.text for one in step.words)) != plain(
                own.text)]


def differences(plan):
    return [*amounts_differ(plan), *minutes_differ(plan), *parts_differ(plan), *words_differ(plan)]


def read(text, title):
    card = read_recipe(text, title=title).card
    return recipe_of(card, table=TABLE, as_written=card)


CORPUS = [one for half in ("texts", "held") for one in texts(half)]


@pytest.mark.parametrize("one", CORPUS, ids=lambda one: one.name)
def test_every_card_of_the_corpus_comes_back_in_its_own_pans(one):
    recipe = read(one.text, one.name)
    if recipe.pans and recipe.weight_of(
            frozenset({Component.BATTER}), left_out=frozenset()).value > 0:
        assert differences(in_own_pans(recipe)) == []


def generated(seed):
    """Return a card drawn at random: layers, filling, coat, soak, glaze, tops, and a finish."""
    dice = random.Random(seed)
    lines = [line(40, "Buttercream", dice.uniform(80, 900), "g", "x g",
                  component=Component.FROSTING, heading="For the buttercream")]
    for place, (component, heading) in enumerate((
            (Component.FILLING, "For the filling"), (Component.FILLING, "For the cream"),
            (Component.SOAK, "For the syrup"), (Component.GLAZE, "For the glaze"),
            (Component.DECORATION, "On top"))):
        if dice.random() < 0.5:
            lines.append(line(50 + place, heading[-6:], dice.uniform(20, 500), "g", "x g",
                              component=component, heading=heading))
    pan = dice.choice([round_pan, square_pan])(dice.choice([15, 18, 20, 23, 26]), 7.5)
    card = make_card(servings="")
    return replace(
        card, lines=(*(one for one in card.lines if dice.random() < 0.95 or one.is_eggs), *lines),
        pans=(SourcePan(pan=pan, count=dice.choice([1, 2, 3])),),
        steps=(TiedStep(key=1, text="Beat, fill the tins and bake until done."),),
        finishing=Finishing(
            split=dice.choice([None, None, 2]), coat=dice.choice([None, *Coat]),
            drip=dice.random() < 0.2, border=dice.choice([Border.NONE, *Border]),
            soak_hot=dice.choice([None, True]), top_by=dice.choice(list(TopBy)),
            glaze=dice.choice([None, True])))


@pytest.mark.parametrize("half", range(4))
def test_cards_drawn_at_random_come_back_in_their_own_pans(half):
    share = GENERATED // 4
    wrong = {seed: found for seed in range(half * share, (half + 1) * share)
             if (found := differences(in_own_pans(generated(seed))))}
    assert wrong == {}


def test_a_time_that_is_told_anew_says_about_but_once():
    text = ("Ring\n200 g flour\n200 g sugar\n200 g butter\n4 eggs\nMethod\n"
            "Bake in a 20 cm round tin at 170 C for about 34 minutes.")
    recipe = read(text, "Ring")
    plan = make_plan(recipe, [Entry(label="Round 26", pan=round_pan(26), count=1)],
                     request=Request(recipe=1), oven=in_own_pans(recipe).oven)
    told = "".join(one.text for one in plan.steps[0].words)
    assert "for about " in told
    assert "about about" not in told


@pytest.mark.parametrize("seed", range(25))
def test_more_of_anything_takes_more_and_never_less(seed):
    recipe = generated(seed)
    own = in_own_pans(recipe)
    for name, step in (("coat_cm", 0.2), ("filling_cm", 0.2), ("crumb_cm", 0.1)):
        now = getattr(own.finishing, name)
        if now is None:
            continue
        more = make_plan(recipe, [one.entry for one in own.pans], oven=own.oven, request=Request(
            recipe=1, finishing=replace(own.finishing, **{name: now + step})))
        before, after = (sum(part.needed_g.value for part in finish(plan).parts
                             if not part.key.startswith("decoration")) for plan in (own, more))
        assert after >= before - 1e-6, name
