"""A fit as a file: what it says is what the fit says, and nothing of it is taken for a mark."""

from __future__ import annotations

import json
import re
from dataclasses import replace

import pytest

from entremet.core.at_the_oven.card import phases_of
from entremet.core.card.lines import Component
from entremet.core.card.recipe import StatedTime, TiedStep
from entremet.core.finished.finish import finish
from entremet.core.fitting.rules import Rule
from entremet.core.ground.findings import Severity
from entremet.core.ground.quantities import plain
from entremet.core.leaving.files import fit_json_ld, fit_markdown
from entremet.core.leaving.sheet import leaving_sheet
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import Scale, Setting
from tests.core.conftest import entry, line, make_card, round_pan, wells_pan
from tests.core.plan.test_plan import plan

STEPS = (TiedStep(key=1, text="Beat the butter and sugar until pale. Beat in the eggs."),
         TiedStep(key=2, text="Bake for 34 minutes in two 18 cm round tins."))


def left(card=None, pans=2, **choices):
    made = plan(card or make_card(steps=STEPS), entry(round_pan(20), pans), **choices)
    return made, leaving_sheet(made, finish(made), scale_step_g=1.0, cautions=["Ovens burn."])


def test_every_amount_pan_and_minute_is_the_fits_own():
    made, sheet = left(rule=Rule.FACTOR, factor=2)
    assert sheet.facts.startswith("2 × the recipe, ")
    [pan] = made.pans
    assert f"{pan.standing.batter_g:.0f} g each" in sheet.pans[0]
    shown = {one.line.name: one.shown.text for one in made.lines if one.included}
    told = {name.split(" (")[0]: amount for part in sheet.taken for amount, name in part.lines}
    assert told == shown
    look, _, likely, latest = pan.bake.window.shown
    assert f"look at {look} min, likely {likely} min, no later than {latest} min" in sheet.bakes[0]
    assert sheet.bake_min == likely


def test_what_is_left_out_is_not_in_the_file():
    _, sheet = left()
    assert "Walnuts" not in fit_markdown(sheet)
    _, sheet = left(with_optional=(8,))
    assert "Walnuts" in fit_markdown(sheet)


def test_the_method_is_in_the_words_of_the_fit_with_what_to_mind():
    made, sheet = left()
    assert sheet.steps == made.method
    assert "Mind: Eggs at about" in sheet.steps[0]
    assert "34 minutes" not in plain(sheet.steps[1])


def test_a_component_is_told_at_what_is_made_of_it():
    card = make_card(steps=STEPS, lines=(*make_card().lines, line(
        20, "Butter", 180, "g", "180 g", component=Component.FROSTING,
        heading="For the buttercream"), line(
        21, "Icing sugar", 320, "g", "320 g", "icing_sugar", component=Component.FROSTING,
        heading="For the buttercream")))
    made, sheet = left(card)
    part = next(one for one in finish(made).parts if one.was_g)
    told = next(one for one in sheet.taken if one.title.startswith(part.title))
    assert told.title.endswith(f"{part.make_g:.0f} g")
    assert len(told.lines) == len(part.made_from) == 2
    assert sum(one.title.startswith(part.title) for one in sheet.taken) == 1


def test_markdown_has_all_of_it_in_the_order_of_work():
    _, sheet = left()
    heads = re.findall(r"^## (.*)$", fit_markdown(sheet), re.MULTILINE)
    assert heads[0] == "Pans"
    assert heads.index("Batter") < heads.index("Method") < heads.index("Bake") < heads.index(
        "Finish") < heads.index("Take care")
    assert "- Ovens burn." in fit_markdown(sheet)
    assert "A sign ends the bake, not the clock." in fit_markdown(sheet)


@pytest.mark.parametrize("title", ["# Best *cake* <b>", "[x](http://a) `y`", "two\nlines # here"])
def test_what_the_baker_wrote_is_never_taken_for_a_mark(title):
    _, sheet = left(make_card(title=title, steps=STEPS))
    first = fit_markdown(sheet).splitlines()[0]
    assert not re.search(r"(?<!\\)[*<>\[\]`]", first)
    assert first.count("#") - first.count(r"\#") == 1


def test_json_ld_has_yield_time_and_steps_as_steps():
    made, sheet = left()
    node = json.loads(fit_json_ld(sheet))
    assert (node["@type"], node["name"]) == ("Recipe", made.recipe.title)
    assert node["cookTime"] == f"PT{sheet.bake_min}M"
    assert node["recipeYield"] == sheet.makes
    sections = {one["name"]: one["itemListElement"] for one in node["recipeInstructions"]}
    assert [one["text"] for one in sections["Method"]] == list(sheet.steps)
    assert all(one["@type"] == "HowToStep" for rows in sections.values() for one in rows)
    assert len(node["recipeIngredient"]) == sum(len(one.lines) for one in sheet.taken)


def test_pieces_are_counted_over_all_cakes():
    made, sheet = left(portion="small")
    pieces = sum(one.serving.cut.pieces * one.dressed.cake.count for one in finish(made).cakes)
    assert sheet.makes == f"{pieces} small slices"


def test_without_pans_there_is_no_time_and_nothing_is_made_up():
    made = plan(make_card(steps=STEPS))
    sheet = leaving_sheet(made, finish(made), scale_step_g=1.0, cautions=())
    assert (sheet.pans, sheet.bakes, sheet.bake_min, sheet.makes) == ((), (), None, "")
    assert "cookTime" not in json.loads(fit_json_ld(sheet))


def test_each_phase_of_a_bake_is_told_with_the_minute_it_begins():
    card = make_card(phases=(Phase(setting=Setting(value=200, scale=Scale.CELSIUS), minutes=10),
                             Phase(setting=Setting(value=160, scale=Scale.CELSIUS), minutes=30,
                                   covered=True)),
                     stated=StatedTime(low_min=40, high_min=40))
    made, sheet = left(card)
    [high, low] = phases_of(made.pans[0].bake, made)
    assert f"{high.dial}, then {low.dial} from {low.from_min} min, covered, look at" in (
        sheet.bakes[0])


def test_what_stands_against_a_fit_goes_with_it():
    over, sheet = left(pans=1, rule=Rule.FACTOR, factor=6)
    assert over.pans[0].verdict_text in sheet.pans[0]
    assert "rim" in sheet.pans[0]
    eggless = make_card(lines=tuple(one for one in make_card().lines if not one.is_eggs))
    made, sheet = left(eggless, rule=Rule.EGGS, egg_count=3)
    grave = [one for one in made.findings if one.severity is not Severity.NOTE]
    assert grave
    assert all(any(one.text in said for said in sheet.cautions) for one in grave)
    assert sheet.cautions[-1] == "Ovens burn."


def test_a_tray_is_one_thing_with_so_many_wells():
    made = plan(make_card(), entry(wells_pan(), 9))
    sheet = leaving_sheet(made, finish(made), scale_step_g=1.0, cautions=())
    assert sheet.pans[0].startswith("9 wells of tray: ")


@pytest.mark.parametrize("component", list(Component))
def test_every_part_of_a_cake_has_a_title(component):
    card = make_card(lines=(*make_card().lines, line(20, "Extra", 50, "g", "50 g",
                                                     component=component)))
    _, sheet = left(card)
    assert sum(name == "Extra" for one in sheet.taken for _, name in one.lines) <= 1
    assert all(one.title for one in sheet.taken)


def test_a_pan_without_a_time_leaves_as_a_file_without_one():
    made = plan(make_card(stated=None), entry(wells_pan(), 9))
    untimed = replace(made, pans=tuple(
        one if one.bake is None else replace(one, bake=replace(one.bake, window=None))
        for one in made.pans))
    sheet = leaving_sheet(untimed, finish(untimed), scale_step_g=1.0, cautions=())
    assert len(sheet.pans) == 1
