"""The Recipes room as a baker uses it: paste, answer, save, fit; bring in, swap, restore."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import violations, violations_in_both
from tests.everyday import sizes

pytestmark = pytest.mark.opens("/recipes")
MESSY = """Quince and walnut squares
Makes 16

2 2/3 cups wholemeal flour, aerated
3 large eggs
115 g (1/2 cup) unsalted butter, softened
190 g kefir, divided
7 oz rice milk
2 tbsp quince paste
150 g hazlenuts
some luck

1. Heat the oven to 180 °C and grease a 20 cm square tin.
2. Beat the butter with 145 g of the kefir until smooth.
3. Loosen with 45 g kefir. Bake for 30-35 minutes.
"""


def line(page: Page, text: str):
    return page.get_by_role("region", name="Lines").get_by_role("listitem").filter(has_text=text)


def question(page: Page, ask: str):
    return page.locator(f"[data-question={ask}]")


def paste(page: Page, text: str) -> None:
    page.get_by_role("link", name="Recipes").click()
    page.get_by_role("link", name="Paste a recipe").click()
    page.get_by_label("Recipe text").fill(text)


def open_card(page: Page, title: str) -> None:
    page.get_by_role("link", name="Recipes").click()
    page.get_by_role("link", name=re.compile(title)).first.click()
    expect(page.get_by_role("region", name="Lines")).to_be_visible()


def panel(page: Page, name: str) -> None:
    page.get_by_role("radio", name=name, exact=True).click()


def save(page: Page) -> None:
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_role("status")).to_contain_text("saved")


def test_a_messy_recipe_is_pasted_settled_saved_and_fitted(bench: Page):
    paste(bench, MESSY)
    expect(bench.get_by_text("316 g")).to_be_visible()
    expect(bench.get_by_text("not read; asked about on the desk")).to_be_visible()
    bench.get_by_role("button", name="Lay it on the desk").click()
    expect(bench.get_by_label("Title of the card")).to_have_value("Quince and walnut squares")
    expect(bench.get_by_role("alert")).to_contain_text("30-35 minutes")

    question(bench, "split").get_by_role("button", name=re.compile("As the method says")).click()
    expect(line(bench, "kefir")).to_contain_text("145 g in step 2")
    question(bench, "ounces").get_by_role("button", name="Fluid").click()
    hazelnuts = question(bench, "name").filter(has_text="hazlenuts")
    hazelnuts.get_by_role("button", name="hazelnuts", exact=True).click()
    expect(question(bench, "name")).to_have_count(1)
    question(bench, "name").get_by_role("button", name="Leave it as written").click()
    question(bench, "unread").get_by_role("button", name="Leave it as written").click()
    expect(bench.get_by_role("region", name="Questions")).to_have_count(0)
    expect(line(bench, "some luck")).to_be_visible()

    bench.get_by_role("button", name=re.compile("^Assume: Which cups")).click()
    expect(bench.locator("[data-hole=measure_standard]")).to_contain_text("Assumed: metric")
    assert violations(bench) == []
    bench.reload()
    expect(bench.get_by_role("status")).to_have_text("not saved yet")
    expect(line(bench, "kefir")).to_contain_text("145 g in step 2")
    save(bench)
    bench.get_by_role("link", name="Fit it").click()
    expect(bench.get_by_role("list", name="Chosen pans")).to_contain_text("Square 20")
    row = bench.get_by_role("row").filter(has_text="Wholemeal flour, aerated")
    expect(row).to_contain_text("2 2/3 cups")
    assert "revision=1" in bench.url

    paste(bench, "150 g hazlenuts\n7 oz rice milk\n2 tbsp quince paste\n2 eggs")
    bench.get_by_role("button", name="Lay it on the desk").click()
    expect(line(bench, "hazlenuts")).to_be_visible()
    expect(bench.get_by_role("region", name="Questions")).to_have_count(0)


def test_a_saved_page_is_brought_in_and_a_broken_one_refused(bench: Page, tmp_path: Path):
    node = {"@type": "Recipe", "name": "Sloe and oat fingers", "recipeIngredient": [
        "180 g plain flour", "2 tsp baking powder", "3 eggs", "Syrup:", "60 ml cider"]}
    good, bad = tmp_path / "saved page.html", tmp_path / "broken.json"
    good.write_text(f"<html><script type='application/ld+json'>{json.dumps(node)}</script></html>")
    bad.write_text('{"@type": "Recipe"')
    bench.get_by_role("link", name="Recipes").click()
    bench.get_by_test_id("recipe-file").set_input_files(bad)
    expect(bench.get_by_role("dialog")).to_contain_text("This is not JSON")
    bench.get_by_role("button", name="Close").click()
    bench.get_by_test_id("recipe-file").set_input_files(good)
    expect(bench.get_by_label("Title of the card")).to_have_value("Sloe and oat fingers")
    expect(bench.get_by_role("heading", name="Syrup")).to_be_visible()
    save(bench)
    panel(bench, "Revisions")
    expect(bench.get_by_text("brought in")).to_be_visible()


def test_a_swap_is_made_and_seen_in_the_fit(bench: Page):
    open_card(bench, "Parsnip and honey")
    panel(bench, "Swaps")
    bench.get_by_label("Which line").click()
    bench.get_by_role("option", name="240 g plain flour").click()
    bench.get_by_role("button", name=re.compile("cocoa for part of the flour")).click()
    row = bench.get_by_role("row").filter(has_text="cocoa powder")
    expect(row).to_contain_text("36 g")
    expect(bench.get_by_text("Up to a quarter of the flour")).to_be_visible()
    bench.get_by_role("button", name="Make it a variant").click()
    bench.get_by_label("Its name").fill("Dark")
    expect(bench.get_by_role("list", name="The card with its swaps")).to_contain_text(
        "204 g Plain flour")
    assert violations(bench) == []
    save(bench)
    bench.get_by_role("link", name="Fit it").click()
    expect(bench.get_by_role("list", name="Chosen pans")).to_contain_text("Round 18")
    bench.get_by_label("Variant of the card").locator("..").click()
    bench.get_by_role("option", name="Dark").click()
    cocoa = bench.get_by_role("row").filter(has_text="Cocoa powder")
    expect(cocoa).to_contain_text("for 240 g plain flour")
    bench.get_by_role("radio", name="Weigh").click()
    expect(bench.get_by_role("checkbox", name=re.compile("Cocoa powder"))).to_be_visible()
    expect(bench.get_by_role("heading", name="Method")).to_be_visible()


def test_an_older_revision_is_compared_and_brought_back(bench: Page):
    open_card(bench, "Black sesame")
    line(bench, "vanilla extract").get_by_role("button").first.click()
    bench.get_by_role("button", name="Take the line away").click()
    expect(line(bench, "vanilla extract")).to_have_count(0)
    bench.get_by_role("button", name="Undo").click()
    expect(line(bench, "vanilla extract")).to_be_visible()
    bench.get_by_role("button", name="Redo").click()
    save(bench)
    expect(bench.get_by_role("status")).to_contain_text("revision 2")
    panel(bench, "Revisions")
    bench.get_by_role("button", name="Compare with 2").click()
    expect(bench.get_by_text("2 tsp vanilla extract")).to_be_visible()
    assert violations(bench) == []
    bench.get_by_role("button", name="Restore").click()
    expect(bench.get_by_role("status")).to_contain_text("revision 3")
    expect(line(bench, "vanilla extract")).to_be_visible()


def test_the_second_tab_is_told_and_keeps_its_work(bench: Page):
    open_card(bench, "Elderflower")
    other = bench.context.new_page()
    other.goto(bench.url)
    expect(other.get_by_role("region", name="Lines")).to_be_visible()
    bench.get_by_label("Title of the card").fill("Elderflower ring")
    save(bench)
    other.get_by_label("Title of the card").fill("Elderflower cloud")
    other.get_by_role("button", name="Save", exact=True).click()
    dialog = other.get_by_role("dialog")
    expect(dialog).to_contain_text("saved elsewhere meanwhile")
    expect(dialog).to_contain_text("Elderflower ring")
    dialog.get_by_role("button", name="Save mine on top").click()
    expect(other.get_by_role("status")).to_contain_text("revision 3")
    expect(other.get_by_label("Title of the card")).to_have_value("Elderflower cloud")


def test_a_line_is_edited_split_and_weighed_by_her_own_cup(bench: Page):
    open_card(bench, "Parsnip and honey")
    line(bench, "parsnip").get_by_role("button").first.click()
    field = bench.get_by_label(re.compile("^Line 1½ cups"))
    field.fill("2 cups parsnip, finely grated")
    field.press("Enter")
    row = bench.locator("[data-line='10']")
    expect(row).to_contain_text("232 g")
    row.get_by_role("button").first.click()
    bench.get_by_role("button", name="My own weight").click()
    bench.get_by_label("weighs, g", exact=True).fill("120")
    bench.get_by_role("button", name="Take it").click()
    expect(row).to_contain_text("240 g")
    expect(row.locator("[data-origin=measured]")).to_be_visible()
    bench.get_by_label("Split off").fill("a mountain on top")
    bench.get_by_label("Split off").press("Enter")
    expect(bench.get_by_text("names no share")).to_be_visible()
    bench.get_by_label("Split off").fill("a quarter on top")
    bench.get_by_label("Split off").press("Enter")
    expect(row).to_contain_text("a quarter on top")
    bench.get_by_role("button", name="Close").click()
    bench.keyboard.press("Control+s")
    expect(bench.get_by_role("status")).to_contain_text("revision 2, saved")


def test_settling_a_card_by_hand_and_a_mistake(bench: Page):
    bench.get_by_role("link", name="Recipes").click()
    bench.get_by_role("link", name="Empty card").click()
    bench.get_by_label("Title of the card").fill("Sloe loaf")
    for text in ("200 g self-raising flour", "3 eggs", "1 cup sloes"):
        bench.get_by_label("Add a line").fill(text)
        bench.get_by_label("Add a line").press("Enter")
        expect(line(bench, text)).to_be_visible()
    said = bench.get_by_role("region", name="The card")
    # What is asked stands above the sentence: it comes with the desk's answer, and moves it down.
    expect(question(bench, "name")).to_be_visible()
    said.get_by_role("button", name=re.compile("^The oven: no heat said")).click()
    bench.get_by_label("Oven", exact=True).fill("warm")
    bench.get_by_label("Oven", exact=True).press("Enter")
    expect(bench.get_by_text("Type a number.")).to_be_visible()
    bench.get_by_label("Oven", exact=True).fill("9000")
    bench.get_by_label("Oven", exact=True).press("Enter")
    expect(bench.get_by_role("alert")).to_contain_text("No oven can be set to that")
    bench.get_by_label("Oven", exact=True).fill("170")
    bench.get_by_label("Oven", exact=True).press("Enter")
    expect(bench.get_by_role("alert")).to_have_count(0)
    expect(said).to_contain_text("170 °C")
    said.get_by_role("button", name=re.compile("^Its pans: no pan named")).click()
    bench.get_by_label("Written for this pan").fill("a 23 x 13 cm loaf tin")
    bench.get_by_label("Written for this pan").press("Enter")
    expect(bench.get_by_label("Pan", exact=True)).to_have_value("loaf 23 × 13")
    expect(bench.locator("[data-hole^=pan_measures]")).to_contain_text("wall height")
    bench.get_by_label("Wall, cm").fill("2 1/2 in")
    bench.get_by_label("Wall, cm").press("Enter")
    expect(bench.get_by_label("Wall, cm")).to_have_value("6.35")
    save(bench)
    expect(bench).to_have_url(re.compile(r"/recipes/\d+$"))


def test_cards_are_searched_put_away_and_brought_back(bench: Page):
    bench.get_by_role("link", name="Recipes").click()
    expect(bench.get_by_role("list", name="Recipes")).to_contain_text("Parsnip")
    bench.keyboard.press("/")
    bench.keyboard.type("oat dam")
    recipes = bench.get_by_role("list", name="Recipes")
    expect(recipes.get_by_role("listitem")).to_have_count(1)
    bench.get_by_role("button", name="More for Toasted oat").click()
    bench.get_by_role("menuitem", name="Put away").click()
    expect(recipes).to_contain_text("Nothing here is like that")
    bench.get_by_role("button", name="Undo").click()
    expect(recipes.get_by_role("listitem")).to_contain_text("Toasted oat and damson loaf")
    bench.get_by_label("Search recipes").fill("")
    bench.get_by_role("button", name="loaf", exact=True).click()
    expect(recipes.get_by_role("listitem")).to_have_count(1)


def test_a_card_not_saved_waits_in_the_box(bench: Page):
    paste(bench, "Sloe gin ring\n200 g self-raising flour\n3 eggs")
    bench.get_by_role("button", name="Lay it on the desk").click()
    expect(line(bench, "3 eggs")).to_be_visible()
    bench.get_by_role("link", name="Recipes").click()
    waiting = bench.get_by_role("list", name="Not saved yet")
    expect(waiting).to_contain_text("Sloe gin ring")
    waiting.get_by_role("button", name="Drop it").click()
    expect(waiting).to_have_count(0)
    bench.get_by_role("button", name="Undo").click()
    waiting.get_by_role("link", name="Go on").click()
    expect(line(bench, "3 eggs")).to_be_visible()


def test_a_file_is_saved_after_its_losses_are_told(bench: Page):
    open_card(bench, "Plum and bergamot")
    bench.get_by_role("button", name="More for this card").click()
    bench.get_by_role("menuitem", name="Save as a file").click()
    dialog = bench.get_by_role("dialog")
    expect(dialog).to_contain_text("Everything on the card is in this file")
    dialog.get_by_role("radio", name="JSON-LD").click()
    expect(dialog).to_contain_text("the pans and their wall heights")
    with bench.expect_download() as waiting:
        dialog.get_by_role("button", name=re.compile("^Save plum")).click()
    text = Path(waiting.value.path()).read_text("utf-8")
    assert json.loads(text)["name"] == "Plum and bergamot layer cake"


def test_a_twelve_line_card_needs_no_scroll_on_a_desk(bench: Page):
    open_card(bench, "Parsnip and honey")
    expect(line(bench, "walnuts")).to_be_in_viewport(ratio=1)
    expect(bench.get_by_role("button", name="Save", exact=True)).to_be_in_viewport(ratio=1)
    expect(bench.get_by_label("Note")).to_be_in_viewport(ratio=1)
    scrolls = bench.evaluate(
        "document.documentElement.scrollHeight > document.documentElement.clientHeight")
    assert not scrolls


def test_axe_finds_nothing_on_the_desk(bench: Page):
    open_card(bench, "Cornmeal")
    line(bench, "120 g fine cornmeal").get_by_role("button").first.click()
    expect(bench.get_by_label("Split off")).to_be_visible()
    for name in ("Settle", "Method", "Check-up", "Swaps", "Revisions"):
        panel(bench, name)
        expect(bench.get_by_role("region", name=name)).to_be_visible()
        assert violations_in_both(bench) == []


@pytest.mark.parametrize("size", sizes((390, 844), (1280, 800)))
def test_axe_finds_nothing_in_the_box_and_on_the_paste_page(bench: Page,
                                                            size: tuple[int, int]):
    bench.set_viewport_size({"width": size[0], "height": size[1]})
    bench.get_by_role("link", name="Recipes").click()
    expect(bench.get_by_role("list", name="Recipes")).to_contain_text("Parsnip")
    assert violations_in_both(bench) == []
    paste(bench, MESSY)
    expect(bench.get_by_text("316 g")).to_be_visible()
    assert violations_in_both(bench) == []
    wide = bench.evaluate("document.documentElement.scrollWidth")
    assert wide <= size[0]


DICTATED = ("so for the honey cake two hundred and fifty grams of plain flour no sorry make that "
            "two hundred and twenty grams of plain flour two teaspoons of baking powder a hundred "
            "and eighty grams of butter a hundred grams of honey and three large eggs bake it in a "
            "twenty three centimetre round tin at one hundred and sixty fan for forty minutes")


def test_a_dictated_recipe_becomes_a_fit_in_two_pans_without_typing(bench: Page):
    paste(bench, DICTATED)
    facts = bench.locator("dl").first
    expect(facts).to_contain_text("round 23")
    expect(facts).to_contain_text("160 °C fan")
    expect(bench.get_by_role("main")).to_contain_text("220 g")
    bench.get_by_role("button", name="Lay it on the desk").click()
    save(bench)
    bench.get_by_role("link", name="Fit it").click()
    rows = bench.get_by_role("list", name="Chosen pans").get_by_role("listitem")
    expect(rows.filter(has_text="Round 23")).to_have_count(1)
    for count, pan in enumerate(("Square 20", "Round 18"), start=2):
        bench.get_by_role("button", name="+ pan").click()
        bench.get_by_role("button", name=re.compile(f"^{pan}")).click()
        bench.get_by_role("button", name="Done").click()
        expect(rows).to_have_count(count)
    expect(bench.get_by_role("row").filter(has_text="honey")).to_be_visible()


def test_a_mark_is_changed_by_a_tap(bench: Page):
    paste(bench, "Plum cake\n20 cm square tin\n200 g self-raising flour\n3 eggs")
    facts = bench.locator("dl").filter(has_text="pan")
    expect(facts).to_contain_text("square 20")
    box = bench.get_by_label("Recipe text")
    box.press("Control+End")
    box.press_sequentially("\n100 g butter", delay=15)
    expect(box).to_have_value(re.compile("3 eggs\n100 g butter$"))
    box.press("Control+Home")
    box.press("ArrowDown")
    bar = bench.get_by_role("region", name="What the marked words are")
    expect(bar).to_contain_text("the pan")
    bar.get_by_role("button", name="leave it").click()
    expect(facts).to_contain_text("not read")
    bar.get_by_role("button", name="Read it anew").click()
    expect(facts).to_contain_text("square 20")
    assert violations(bench) == []


def test_a_table_is_read(bench: Page):
    paste(bench, "| What | How much |\n| --- | --- |\n| Rye flour | 120 g |\n| Cocoa | 3 tbsp |\n"
                 "| Eggs | 3 |\nTin: 20 x 20 cm, bake 170 C, 26 min")
    page = bench.get_by_role("main")
    for words in ("square 20", "170 °C", "26 min", "120 g"):
        expect(page).to_contain_text(words)


def test_the_paste_page_of_a_phone_shows_the_reading_below_the_text(bench: Page):
    bench.set_viewport_size({"width": 390, "height": 844})
    paste(bench, DICTATED)
    box, facts = bench.get_by_label("Recipe text"), bench.locator("dl").first
    expect(facts).to_be_visible()
    expect(box).to_be_visible()
    read = facts.bounding_box()
    assert read is not None
    assert read["y"] < 844 * 1.2
    assert bench.evaluate("document.documentElement.scrollWidth") <= 390
    assert violations(bench) == []
