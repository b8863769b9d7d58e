"""Open formats: what comes in is read or refused in words, what goes out holds what it can."""

from __future__ import annotations

import csv
import io
import json
from contextlib import suppress
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.card.card import Card, CardPart, Swap, Variant
from entremet.core.formats.csv_lines import COLUMNS, to_csv
from entremet.core.formats.json_ld import duration_min, from_json_ld, losses, to_json_ld
from entremet.core.formats.markdown import to_markdown
from entremet.core.formats.saved_page import from_saved_page
from entremet.core.ground.errors import CoreError, UnreadableRecipe
from entremet.core.ingredients.table import TABLE
from entremet.core.ovens.phases import Phase
from entremet.core.ovens.settings import Scale, Setting
from entremet.core.reading.recipes import read_recipe
from entremet.core.swaps.apply import apply_swaps
from tests.core.card.cards import card_of, resolved, settled

NODE = {
    "@context": "https://schema.org", "@type": "Recipe", "name": "Damson &amp; oat squares",
    "description": "<p>For the <b>choir tea</b>.</p>", "recipeYield": ["16", "16 squares"],
    "keywords": "sheet cake, choir tea", "cookTime": "PT40M",
    "recipeIngredient": ["200 g self-raising flour", "For the top:", "2 tbsp rolled oats"],
    "recipeInstructions": [
        {"@type": "HowToSection", "name": "Batter", "itemListElement": [
            {"@type": "HowToStep", "text": "Fold in the flour."},
            {"@type": "HowToStep", "text": "Heat the oven to 180 °C."}]},
        {"@type": "HowToStep", "text": "Scatter the oats."}],
}


def page(node: object, more: str = "") -> str:
    return (f"<!doctype html><html><head><title>x</title><script>alert(1)</script>"
            f"<script type='application/ld+json'>{json.dumps(node)}</script></head>"
            f"<body>{more}</body></html>")


def test_json_ld_is_read_with_its_sections_and_without_its_markup():
    card = from_json_ld(json.dumps(NODE)).card
    assert (card.title, card.note, card.servings) == (
        "Damson & oat squares", "For the choir tea.", "16")
    assert [line.text for line in card.lines] == ["200 g self-raising flour", "2 tbsp rolled oats"]
    assert card.components[1].title == "For the top"
    assert [step.text for step in card.steps] == [
        "Batter: Fold in the flour.", "Heat the oven to 180 °C.", "Scatter the oats."]
    assert (card.stated_low_min, card.setting.value, card.tags) == (
        40, 180, ("sheet cake", "choir tea"))


@pytest.mark.parametrize("wrap", [
    lambda node: {"@graph": [{"@type": "WebPage"}, node]}, lambda node: [[], [node]],
    lambda node: {**node, "@type": ["Thing", "Recipe"]},
    lambda node: {**node, "@type": "http://schema.org/Recipe"},
    lambda node: {"@type": "WebPage", "mainEntity": {"deeper": [node]}},
])
def test_the_recipe_is_found_wherever_it_hides(wrap):
    assert from_json_ld(json.dumps(wrap(NODE))).card.lines
    assert from_saved_page(page(wrap(NODE))).card.lines


@pytest.mark.parametrize("text", [
    "", "{", "null", "[]", '{"@type": "Recipe"}', '{"@type": "WebPage"}', "NaN",
    '{"@type": "Recipe", "recipeIngredient": [1, true, null]', "[" * 100_000,
    '{"@type": "Recipe", "recipeIngredient": NaN}', "9" * 10_000,
])
def test_what_is_no_recipe_is_refused_in_words(text):
    with pytest.raises(UnreadableRecipe) as error:
        from_json_ld(text)
    assert error.value.text
    assert error.value.field == "text"


def test_values_of_the_wrong_kind_are_passed_over():
    odd = {**NODE, "name": ["x"], "recipeYield": {"a": 1}, "keywords": [3, None, "ring"],
           "cookTime": 40, "description": {"name": "kept"}, "recipeInstructions": "Bake.\nEat."}
    card = from_json_ld(json.dumps(odd)).card
    assert (card.title, card.stated_low_min, card.note) == ("Untitled card", None, "kept")
    assert [step.text for step in card.steps] == ["Bake.", "Eat."]


@pytest.mark.parametrize(("text", "minutes"), [
    ("PT40M", 40), ("PT1H05M", 65), ("P0DT1H", 60), ("PT0M", None), ("40", None), (None, None),
    ("PT99H", None), ("pt45m", 45), ("P1D", None), ("P1DT1H", None), ("PT10H", 600),
])
def test_durations(text, minutes):
    assert duration_min(text) == minutes


def test_a_page_without_data_is_read_by_its_words():
    body = """<nav>Menu</nav><h1>Plum tart</h1><ul><li>200 g plums</li><li>3 eggs</li></ul>
    <script>1 kg secrets</script><p>Bake for 30 minutes.</p><footer>mail us</footer>"""
    card = from_saved_page(f"<html><body>{body}</body></html>").card
    assert card.title == "Plum tart"
    assert [line.text for line in card.lines] == ["200 g plums", "3 eggs"]
    assert card.stated_low_min == 30


def test_a_broken_data_block_does_not_hide_the_words():
    text = ("<html><script type='application/ld+json'>{broken</script>"
            "<body><p>200 g plums</p><p>2 eggs</p></body></html>")
    assert len(from_saved_page(text).card.lines) == 2


@pytest.mark.parametrize("text", ["<html></html>", "<html><script>x</script></html>",
                                  f"<html><body>{'<p>word</p>' * 20_000}</body></html>",
                                  "<html><body><nav>1 kg flour"])
def test_a_page_with_no_recipe_is_refused(text):
    with pytest.raises(UnreadableRecipe):
        from_saved_page(text)


@given(st.text(alphabet="<>/=\"'!-abp {}[]:,&;script", max_size=200))
def test_no_page_breaks_the_reader(text):
    with suppress(CoreError):
        card = from_saved_page(f"<html>{text}").card
        assert card.lines or card.steps or card.title


JSON = st.recursive(st.none() | st.booleans() | st.floats(allow_nan=False) | st.text(max_size=12),
                    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(
                        st.sampled_from(["@type", "name", "recipeIngredient", "text", "@graph",
                                         "recipeInstructions", "itemListElement", "keywords",
                                         "recipeYield", "cookTime"]),
                        inner | st.just("Recipe"), max_size=4), max_leaves=20)


@given(JSON)
def test_no_document_breaks_the_reader(document):
    with suppress(CoreError):
        card = from_json_ld(json.dumps(document)).card
        assert card.lines or card.steps


def test_through_json_ld_only_what_was_listed_is_lost():
    card = settled(tags=("ring",), note="For the fair.", source_note="An aunt.",
                   servings="12 slices")
    back = from_json_ld(to_json_ld(card)).card
    for kept in ("title", "tags", "note", "source_note", "servings"):
        assert getattr(back, kept) == getattr(card, kept), kept
    assert [line.text for line in back.lines] == [line.text for line in card.lines]
    assert [line.amount for line in back.lines] == [line.amount for line in card.lines]
    assert [step.text for step in back.steps] == [step.text for step in card.steps]
    assert (back.pans, back.style, back.measure_standard) == ((), None, None)
    told = " ".join(losses(card))
    for word in ("pans", "oven", "style", "cups", "eggs", "ingredient"):
        assert word in told, word


def test_a_card_that_json_ld_holds_whole_loses_nothing():
    assert losses(card_of("some luck")) == []
    rich = settled(variants=(Variant(key=1, name="x"),), stated_high_min=40.0)
    assert any("variants" in one for one in losses(rich))
    assert any("lower end" in one for one in losses(rich))


def test_markdown_reads_back_with_its_lines_splits_and_steps():
    card = settled("Cake:\n200 g caster sugar\n2 eggs\nSyrup:\n60 ml milk\n1. Beat 2 eggs.")
    parts = (CardPart(name="on top", share=0.25, written="50 g"), CardPart(name="in", share=0.75))
    card = replace(card, lines=(replace(card.lines[0], parts=parts), *card.lines[1:]))
    text = to_markdown(card)
    assert text.startswith("# Test card\n")
    assert "2 × round 18, 170 °C, 34 min" in text
    assert "    - 50 g on top" in text
    # A part that nobody wrote an amount for is told by its share.
    assert "    - 75% in" in text
    back = read_recipe(text).card
    assert back.title == "Test card"
    assert {line.text for line in card.lines} <= {line.text for line in back.lines}
    assert [step.text for step in back.steps][-1] == "Beat 2 eggs."


def test_markdown_tells_the_phases_of_the_bake():
    setting = Setting(value=190, scale=Scale.CELSIUS)
    card = Card(title="Quince loaf", phases=(
        Phase(setting=setting, minutes=15), Phase(minutes=25, covered=True, note="turn it")))
    assert "Phases: 190 °C 15 min; 25 min covered turn it" in to_markdown(card)


def test_markdown_of_a_variant_says_what_was_swapped():
    card = apply_swaps(settled(), [Swap(kind="self_raising_to_plain", line=4)], table=TABLE).card
    text = to_markdown(card, variant="Plain")
    assert "# Test card (Plain)" in text
    assert "- 240 g plain flour (for 240 g self-raising flour)" in text


def test_csv_has_a_row_a_line_with_grams_and_their_origin():
    card = settled()
    rows = list(csv.DictReader(io.StringIO(to_csv(card, resolved(card)))))
    assert tuple(rows[0]) == COLUMNS
    assert len(rows) == len(card.lines)
    eggs = rows[2]
    assert (eggs["amount"], eggs["unit"], eggs["grams"], eggs["grams_origin"]) == (
        "4", "egg", "200.00", "worked_out")


def test_csv_cells_are_no_formulas():
    card = card_of("=1+1 sugar\n-2 g salt\n@x")
    cells = [cell for row in csv.reader(io.StringIO(to_csv(card, resolved(card)))) for cell in row]
    assert not any(cell.startswith(("=", "+", "-", "@")) for cell in cells)
