"""Reading pasted recipes: everything lands somewhere; what the words say of the bake is taken."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.card import Card
from entremet.core.card.lines import Component
from entremet.core.ground.errors import UnreadableRecipe
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.core.pans.measures import OutlineName
from entremet.core.reading.pans import pans_in
from entremet.core.reading.recipes import kind_of_heading, read_recipe
from entremet.core.reading.settings import ovens_in, sign_in
from entremet.core.reading.times import bake_time_in, stand_time_in

PASTED = """
Quince and walnut squares
Makes 16

Ingredients
2 2/3 cups wholemeal flour, aerated
3 large eggs
some luck
butter for the tin

For the syrup:
¾ cup cider or apple juice

Method
1. Heat the oven to 180 °C (160 °C fan) and grease a 20 cm square tin, 4 cm deep.
2. Beat the eggs until thick. Fold in the flour.
3. Bake for 30-35 minutes until golden. Leave in the tin for 10 minutes.

Notes
Keeps for three days.
"""


def words_of(card: Card) -> str:
    return " ".join([card.title, card.servings, card.note,
                     *(one.title for one in card.components), *(line.text for line in card.lines),
                     *(step.text for step in card.steps)])


def test_a_pasted_recipe_becomes_a_card():
    read = read_recipe(PASTED)
    card = read.card
    assert (card.title, card.servings, card.note) == (
        "Quince and walnut squares", "Makes 16", "Keeps for three days.")
    assert [line.text for line in card.lines][2] == "some luck"
    kinds = [card.component_of(line).kind for line in card.lines]
    assert kinds == [Component.BATTER, Component.BATTER, Component.BATTER, Component.PAN,
                     Component.SOAK]
    assert [step.sign for step in card.steps] == ["", "thick", "golden"]
    assert (card.setting.value, card.oven_kind) == (180, OvenKind.CONVENTIONAL)
    assert (card.stated_low_min, card.stated_high_min, card.stand_min) == (30, 35, 10)
    assert (card.pans[0].label, card.pans[0].measures.wall_cm) == ("square 20", 4)
    assert len(read.found) == 4


def test_a_bare_list_of_lines_is_enough():
    card = read_recipe("100 g caster sugar\n2 eggs\n120 g self-raising flour").card
    assert [line.ingredient for line in card.lines] == [
        "caster_sugar", "egg", "self_raising_flour"]
    assert card.title == "Untitled card"
    assert card.setting is None


@pytest.mark.parametrize("text", ["", "  \n \n", "x" * 60_001, "1 g salt\n" * 201])
def test_what_is_no_recipe_is_refused_in_words(text):
    with pytest.raises(UnreadableRecipe) as error:
        read_recipe(text)
    assert error.value.field == "text"


@pytest.mark.parametrize(("heading", "kind"), [
    ("For the syrup", Component.SOAK), ("Buttercream", Component.FROSTING),
    ("Crumble on top", Component.TOP_LAYER), ("To decorate", Component.DECORATION),
    ("Pears in the bottom", Component.BASE_LAYER), ("Lemon drizzle", Component.GLAZE),
    ("To fold in", Component.INCLUSION), ("The cake", Component.BATTER),
    ("For the filling", Component.FILLING), ("Something else", Component.BATTER),
])
def test_headings_name_components(heading, kind):
    assert kind_of_heading(heading) is kind


@pytest.mark.parametrize(("text", "value", "scale", "kind"), [
    ("Heat the oven to 180 °C.", 180, Scale.CELSIUS, None),
    ("Preheat oven to 350 degrees F", 350, Scale.FAHRENHEIT, None),
    ("fan 160C", 160, Scale.CELSIUS, OvenKind.FAN),
    ("160 °C fan", 160, Scale.CELSIUS, OvenKind.FAN),
    ("gas mark 4", 4, Scale.MARK, OvenKind.GAS), ("Gas ½", 0.5, Scale.MARK, OvenKind.GAS),
])
def test_oven_settings_are_found_in_sentences(text, value, scale, kind):
    found = ovens_in(text)[0]
    assert (found.setting.value, found.setting.scale, found.kind) == (value, scale, kind)


@pytest.mark.parametrize("text", ["Warm the milk to 40 C at 5 C", "12 C in all", "900 °C", "mark"])
def test_what_no_oven_has_is_no_setting(text):
    assert all(40 <= one.setting.value <= 320 for one in ovens_in(text))


@pytest.mark.parametrize(("text", "low", "high"), [
    ("Bake for 30–35 minutes until set.", 30, 35), ("bake 1 hour 10 minutes", 70, 70),
    ("Bake in the oven for 1½ hours", 90, 90), ("Beat for 5 minutes. Bake for 40 mins.", 40, 40),
    ("Bake: 25 to 30 min", 25, 30),
])
def test_the_bake_time_is_the_one_that_bakes(text, low, high):
    found = bake_time_in(text)
    assert (found.low_min, found.high_min) == (low, high)


def test_other_times_are_not_taken_for_the_bake():
    assert bake_time_in("Beat for 5 minutes, then chill for 30 minutes.") is None
    assert stand_time_in("Cool in the tin for 15 minutes, then turn out.").low_min == 15
    assert stand_time_in("Cool on a rack for 15 minutes.") is None


def test_signs_are_what_a_step_waits_for():
    assert sign_in("Beat until pale. Whisk until they hold a peak, then fold.") == (
        "they hold a peak")
    assert sign_in("Fold in the flour.") == ""


@pytest.mark.parametrize(("text", "outline", "count", "across", "wall"), [
    ("Grease two 18 cm round tins", OutlineName.ROUND, 2, 18, None),
    ("2 x 18 cm round tins, 5 cm deep", OutlineName.ROUND, 2, 18, 5),
    ("a 33 x 23 x 5 cm tin", OutlineName.RECTANGLE, 1, 33, 5),
    ("a 23 x 13 cm loaf tin", OutlineName.LOAF, 1, 23, None),
    ("two 8 x 2 inch round pans", OutlineName.ROUND, 2, 20.32, 5.08),
    ("a 20cm/8in square tin", OutlineName.SQUARE, 1, 20, None),
    ("a 12-hole cupcake tin", OutlineName.WELLS, 12, None, None),
])
def test_pans_are_found_in_sentences(text, outline, count, across, wall):
    found = pans_in(text)[0]
    assert (found.measures.outline, found.count) == (outline, count)
    assert found.measures.across == pytest.approx(across) if across else (
        found.measures.across is None)
    assert found.measures.wall_cm == (pytest.approx(wall) if wall else None)


@pytest.mark.parametrize("text", ["a large tin", "cut into 2 cm cubes", "200 cm tins"])
def test_what_measures_no_pan_is_none(text):
    assert pans_in(text) == []


ROW = st.one_of(
    st.sampled_from(["2 eggs", "100 g flour", "For the glaze:", "Method", "Ingredients",
                     "1. Bake for 30 minutes.", "Serves 8", "# Title", "- 2 tbsp milk", "luck",
                     "NOTES", "Beat the butter until it is pale and fluffy, then stop."]),
    st.text(st.characters(min_codepoint=33, max_codepoint=0x2FF), max_size=40))


@given(st.lists(ROW, min_size=1, max_size=14).map("\n".join))
def test_every_word_of_every_paste_is_on_the_card(text):
    try:
        card = read_recipe(text).card
    except UnreadableRecipe:
        assert not "".join(text.split())
        return
    kept = words_of(card)
    structure = re.compile(r"method|ingredients|notes|serves|makes|yields?|\d+|titles?", re.I)
    for word in re.findall(r"[^\W_]+", text):
        assert word in kept or structure.fullmatch(word), (word, kept)


@pytest.mark.parametrize(("text", "count"), [
    ("two 10-cup ring tins", 2), ("Grease two deep 10-cup ring tins", 2),
    ("a 10-cup ring tin", 1), ("Beat the two yolks. " + "Mix. " * 40 + "Use a 10-cup ring tin", 1)])
def test_pans_known_by_their_cups_are_counted_by_the_word_before_them(text, count):
    (found,) = pans_in(text)
    assert (found.count, found.measures.capacity_ml) == (count, pytest.approx(2366, rel=0.06))
