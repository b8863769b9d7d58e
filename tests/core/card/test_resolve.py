"""From a kept card to one that can be fitted."""

from __future__ import annotations

from dataclasses import replace

import pytest

from entremet.core.card.card import Card, CardComponent, CardLine, CardPart, Swap, Variant
from entremet.core.card.lines import USUAL_GROWTH, Component, ScalesBy
from entremet.core.card.resolve import growth_of, recipe_of, usual_style
from entremet.core.ground.errors import ImpossibleRecipe
from entremet.core.ground.provenance import Origin
from entremet.core.ingredients.table import TABLE
from entremet.core.reading.recipes import read_recipe
from tests.core.card.cards import card_of, grams, resolved, settled


def weight(text: str, **changes: object):
    recipe = resolved(card_of(text, **changes))
    return recipe.weights[recipe.lines[0].key]


@pytest.mark.parametrize(("text", "grams", "origin"), [
    ("240 g plain flour", 240, Origin.GIVEN),
    ("2 cups plus 2 tbsp plain flour", (2 * 250 + 30) * 125 / 236.588, Origin.WORKED_OUT),
    ("250 g less a quarter cup plain flour", 250 - 62.5 * 125 / 236.588, Origin.WORKED_OUT),
    ("90-110 ml milk", 100 * 244 / 236.588, Origin.WORKED_OUT),
    ("90-110 g plums", 100, Origin.WORKED_OUT),
    ("2 x 385 g tins pear halves", 770, Origin.GIVEN),
    ("2 lemons", 116, Origin.WORKED_OUT),
    ("7 oz rice milk", 7 * 28.3495, Origin.ASSUMED),
    ("1 cup sifted icing sugar", 250 * 100 / 236.588, Origin.WORKED_OUT),
    ("4 medium eggs", 200, Origin.WORKED_OUT), ("3 yolks", 54, Origin.WORKED_OUT),
])
def test_what_a_line_weighs_and_where_that_comes_from(text, grams, origin):
    found = weight(text, measure_standard="metric", egg_grade="uk_medium")
    assert found.value == pytest.approx(grams, rel=1e-3)
    assert found.origin is origin


@pytest.mark.parametrize("text", ["2 tbsp quince paste", "salt, to taste", "1 handful raspberries",
                                  "12 candied strips", "250 g less 2 cups rose petals"])
def test_what_cannot_be_weighed_has_no_weight_rather_than_a_guess(text):
    assert weight(text) is None


def test_the_size_on_a_line_goes_before_the_cards_grade():
    assert weight("2 large eggs", egg_grade="us_medium").value == 100
    assert weight("2 large eggs", egg_grade="uk_medium").value == 114
    assert weight("2 eggs", egg_grade="uk_large").value == 114


def test_the_bakers_own_eggs_and_weights_are_measured():
    assert weight("3 eggs", egg_g=53).value == 159
    table = TABLE.with_own([TABLE.get("plain_flour").weighed(53.6, "1 cup weighs 134 g")])
    recipe = recipe_of(read_recipe("1 cup plain flour").card, table=table)
    found = recipe.weights[1]
    assert found.origin is Origin.MEASURED
    assert found.value == pytest.approx(134)
    assert not found.assumptions


def test_two_volumes_name_the_cup():
    assert resolved(card_of("2 cups (500 ml) cider\n1 cup milk")).standard_key == "metric"
    assert resolved(card_of("1 cup (237 ml) cider")).standard_key == "us"
    assert resolved(card_of("1 cup milk")).standard_key is None


@pytest.mark.parametrize(("text", "style"), [
    ("200 g butter\n4 eggs\n200 g plain flour", "creamed"),
    ("120 ml sunflower oil\n3 eggs\n200 g plain flour", "oil"),
    ("6 eggs\n120 g plain flour\n30 ml sunflower oil", "foam"),
    ("some luck", "creamed"),
])
def test_an_unnamed_style_is_assumed_by_eggs_and_fat(text, style):
    card = card_of(text)
    assert usual_style(card, TABLE) == style
    assert resolved(card).style_assumed


def test_batter_and_layers_go_their_own_way_whatever_a_line_says():
    card = card_of("Base:\n200 g plums\nCake:\n100 g plain flour\nSyrup:\n50 g caster sugar")
    card = replace(card, lines=tuple(replace(line, scales_by=ScalesBy.FIXED)
                                     for line in card.lines))
    assert [line.scales_by for line in resolved(card).lines] == [
        ScalesBy.BASE_AREA, ScalesBy.BATTER, ScalesBy.FIXED]


def test_an_alternative_takes_its_lines_place():
    card = card_of("100 g walnuts or 80 g pecans\n60 ml milk or oat milk")
    recipe = recipe_of(card, table=TABLE, instead={1: 0, 2: 0})
    assert [(line.name, line.ingredient.key) for line in recipe.lines] == [
        ("Pecans", "pecans"), ("Oat milk", "oat_milk")]
    assert recipe.weights[1].value == 80
    with pytest.raises(ImpossibleRecipe, match="no such alternative"):
        recipe_of(card, table=TABLE, instead={1: 3})


@pytest.mark.parametrize(("changes", "field"), [
    ({"title": "  "}, "title"), ({"title": "x" * 121}, "title"),
    ({"note": "\x07"}, "note"), ({"stated_low_min": 40.0, "stated_high_min": 30.0},
                                 "stated_low_min"),
    ({"stated_low_min": 40.0, "stated_high_min": None}, "stated_low_min"),
    ({"egg_g": 4.0}, "egg_g"), ({"stand_min": -1.0}, "stand_min"),
    ({"components": ()}, "lines"),
    ({"variants": (Variant(key=1, name="x", swaps=(Swap(kind="x", line=99),)),)}, "variants"),
])
def test_a_card_that_contradicts_itself_is_refused(changes, field):
    with pytest.raises(ImpossibleRecipe) as error:
        settled(**changes)
    assert error.value.field == field


def test_lines_refuse_splits_that_do_not_sum_and_shared_keys():
    with pytest.raises(ImpossibleRecipe, match="sum"):
        CardLine(key=1, text="x", parts=(CardPart(name="a", share=0.5),))
    with pytest.raises(ImpossibleRecipe, match="share a key"):
        Card(title="x", lines=(CardLine(key=1, text="a"), CardLine(key=1, text="b")),
             components=(CardComponent(key=1, kind=Component.BATTER),))


def test_grams_helper_counts_only_what_is_weighed():
    assert grams(settled(), "caster_sugar") == 220


@pytest.mark.parametrize(("text", "grams", "origin"), [
    ("4 pears (420 g peeled)", 420, Origin.GIVEN),
    ("2 cups (250 g) plain flour", 250, Origin.GIVEN),
    ("250 g (2 cups) plain flour", 250, Origin.GIVEN),
    ("1 cup plus 2 tbsp (150 g) caster sugar", 150, Origin.GIVEN),
    ("225 SR flour", 225, Origin.ASSUMED), ("4 eggs (230 g)", 200, Origin.WORKED_OUT),
    ("2 pears (210 g each)", 356, Origin.WORKED_OUT),
])
def test_a_weight_the_recipe_states_is_what_the_line_weighs(text, grams, origin):
    card = read_recipe(f"{text}\n100 g butter", title="x").card
    found = recipe_of(card, table=TABLE).weights[1]
    assert (round(found.value), found.origin) == (grams, origin)


def test_a_volume_beside_a_count_is_measured():
    card = read_recipe("juice of 2 limes (about 55 ml)\n100 g butter").card
    found = recipe_of(card, table=TABLE).weights[1]
    assert found.value == pytest.approx(55 * 1.03, rel=0.05)


@pytest.mark.parametrize("text", ["20 hazelnuts", "24 raspberries", "18 apricots", "16 biscuits"])
def test_what_is_counted_is_never_taken_for_grams(text):
    line = read_recipe(f"{text}\n100 g butter", title="x").card.lines[0]
    assert not line.unit_assumed
    assert line.amount is None or line.amount.unit.value == "piece"


def test_a_tin_known_by_its_name_holds_what_is_assumed_and_says_so():
    card = read_recipe("200 g flour\n3 eggs\nBake in a 2 lb loaf tin.").card
    (pan,) = recipe_of(card, table=TABLE).pans
    assert pan.pan.capacity.origin is Origin.ASSUMED
    assert "2 lb" in pan.pan.capacity.assumptions[0]
    ring = read_recipe("200 g flour\n3 eggs\nBake in a 12-cup ring tin.").card
    assert recipe_of(ring, table=TABLE).pans[0].pan.capacity.origin is Origin.GIVEN


@pytest.mark.parametrize(("text", "style"), [
    ("200 g plain flour\n180 g sunflower oil\n100 g egg", "oil"),
    ("200 g plain flour\n40 g sunflower oil\n160 g unsalted butter", "creamed"),
    ("200 g plain flour\n130 g sunflower oil\n50 g unsalted butter", "oil"),
    ("120 g plain flour\n250 g egg", "foam"),
    ("120 g plain flour\n250 g egg\n60 g unsalted butter", "creamed"),
    ("200 g plain flour\n200 g unsalted butter", "creamed")])
def test_the_usual_style_goes_by_what_fat_there_is_and_how_much_egg(text, style):
    assert usual_style(card_of(text), TABLE) == style


@pytest.mark.parametrize(("text", "wanted"), [
    ("240 g eggs, weighed in their shells", 240 * 0.88), ("240 g eggs", 240.0),
    ("4 eggs (250 g with shells)", 250 * 0.88)])
def test_eggs_weighed_in_their_shells_count_without_them(text, wanted):
    assert weight(text, egg_grade="uk_medium").value == pytest.approx(wanted)


def test_what_a_line_grows_with_is_its_own_word_then_its_parts_then_the_usual():
    part = CardComponent(key=7, title="Plum sauce", kind=Component.FILLING,
                         scales_by=ScalesBy.SERVINGS)
    text = CardLine(key=1, component=7, text="200 g plums", name="plums")
    card = Card(title="Sauce", components=(part,), lines=(text,))
    assert growth_of(card, text) is ScalesBy.SERVINGS
    assert growth_of(card, replace(text, scales_by=ScalesBy.FIXED)) is ScalesBy.FIXED
    plain = replace(card, components=(replace(part, scales_by=None),))
    assert growth_of(plain, text) is USUAL_GROWTH[Component.FILLING]
