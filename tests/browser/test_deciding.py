"""Deciding as bakers do: rules, what fits, two sets side by side, portions, shares, dough."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import violations
from tests.browser.fits import open_fit, opened, pick, pressed
from tests.browser.test_fit_room import bay, choose, line
from tests.everyday import sizes


def rule(page: Page, name: str) -> None:
    pick(page, "How the batter is shared", name)


def test_two_rounds_become_three_small_ones_and_cupcakes(bench: Page):
    choose(bench, "Parsnip and honey", "Round 15, deep", "Tray of 12")
    bay(bench, "Round 15, deep").get_by_role("spinbutton").fill("3")
    bay(bench, "Tray of 12").get_by_role("spinbutton").fill("6")
    rule(bench, "Keep my batch")
    expect(bench.get_by_label("The batch")).to_contain_text("× 1.00")
    expect(line(bench, "Plain flour").get_by_role("cell").nth(1)).to_have_text("240 g")
    for pan in ("Round 15, deep", "Tray of 12"):
        expect(bay(bench, pan)).to_contain_text("Fits.")
    expect(bay(bench, "Tray of 12")).to_contain_text("6 of 12 wells")


@pytest.mark.by_link
def test_a_depth_a_height_and_eggs_answer_live(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-20-deep", 2))
    rule(bench, "Batter depth")
    bench.get_by_role("spinbutton", name="Depth of the batter, cm").fill("3")
    expect(bench.get_by_label("The batch")).to_contain_text("left over")
    bench.get_by_role("group", name="Drawing of Round 20, deep").focus()
    expect(bench.get_by_text("Batter 3 cm deep")).to_be_visible()
    rule(bench, "Baked height")
    bench.get_by_role("spinbutton", name="Height when baked, cm").fill("6")
    expect(bay(bench, "Round 20, deep")).to_contain_text("Rises to 6 cm, rim at 7.5 cm.")
    rule(bench, "Eggs I have")
    bench.get_by_role("spinbutton", name="Eggs", exact=True).fill("6")
    expect(bench.get_by_label("The batch")).to_contain_text("× 1.50")
    expect(line(bench, "Eggs")).to_contain_text("6 eggs")


@pytest.mark.by_link
def test_servings_are_cut_and_counted(bench: Page):
    open_fit(bench, "parsnip-honey", ("sheet-33", 1))
    rule(bench, "Servings")
    bench.get_by_role("spinbutton", name="Servings").fill("24")
    pick(bench, "Cut in portions", "Party")
    expect(bench.get_by_text(re.compile(r"\d+ pieces of"))).to_be_visible()
    expect(bay(bench, "Sheet 33 × 23")).to_contain_text(re.compile(r"cut in 2[4-9]"))
    assert bench.locator(".cut").count() >= 5
    bench.reload()
    expect(bench.get_by_role("spinbutton", name="Servings")).to_have_value("24")


def test_asking_what_fits_and_taking_it(bench: Page):
    choose(bench, "Parsnip and honey")
    bench.get_by_role("button", name="What fits?").click()
    sets = bench.get_by_role("list", name="Sets that take the recipe")
    expect(sets.get_by_role("listitem").first).to_be_visible()
    assert violations(bench) == []
    free = opened(bench, "Free pans")
    for pan in ("Round 25, deep", "2 × Round 18"):
        free.get_by_role("checkbox", name=pan, exact=True).uncheck()
    bench.keyboard.press("Escape")
    expect(sets).not_to_contain_text("Round 25, deep")
    with bench.expect_response("**/api/fit/sets"):
        opened(bench, "How far the depth may move").get_by_role("radio", name="20 %").click()
    bench.keyboard.press("Escape")
    # Two frames on, the list is the one of this answer.
    bench.evaluate("() => new Promise((drawn) => requestAnimationFrame(() => "
                   "requestAnimationFrame(drawn)))")
    expect(sets.get_by_role("button", name="Take this set").first).to_be_enabled()
    name = sets.get_by_role("listitem").first.get_attribute("aria-label") or ""
    taken = sets.get_by_role("listitem", name=name, exact=True)
    taken.get_by_role("button", name="Take this set").click()
    expect(bench.get_by_role("dialog")).to_have_count(0)
    first = name.split(" and ")[0].removeprefix("2 × ").removeprefix("3 × ")
    expect(bay(bench, first)).to_be_visible()
    expect(bench.get_by_label("The batch")).to_contain_text("× 1.00")
    bench.go_back()
    expect(bench.get_by_role("list", name="The rack")).to_be_visible()


def test_nothing_free_says_so(bench: Page):
    choose(bench, "Parsnip and honey")
    held: list[Route] = []
    bench.route("**/api/fit/sets", lambda route: held.append(route), times=1)
    bench.get_by_role("button", name="What fits?").click()
    none = opened(bench, "Free pans").get_by_role("button", name="None", exact=True)
    # What is found moves all below it: it waits until what is pressed is let go.
    with pressed(none), bench.expect_response("**/api/fit/sets"):
        held.pop().continue_()
    bench.keyboard.press("Escape")
    expect(bench.get_by_text("No pan is free.")).to_be_visible()


@pytest.mark.by_link
def test_two_sets_side_by_side(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-18", 2))
    bench.get_by_role("button", name="Compare with another set").click()
    bench.get_by_role("dialog").get_by_role("button", name=re.compile("^Round 25, deep")).click()
    table = bench.get_by_role("dialog").get_by_role("table")
    layers = table.get_by_role("row").filter(has_text="Layers")
    expect(layers).to_contain_text("About half as many as the first")
    assert violations(bench) == []
    bench.reload()
    expect(bench.get_by_role("dialog")).to_contain_text("Side by side")
    bench.get_by_role("button", name="Take the other set").click()
    expect(bay(bench, "Round 25, deep")).to_be_visible()
    bench.go_back()
    expect(bench.get_by_role("dialog")).to_contain_text("Side by side")


@pytest.mark.by_link
def test_a_pan_is_set_apart_by_its_depth(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-15-deep", 1), ("round-20", 1), rule="keep_batch")
    pick(bench, "Rule of Round 15, deep", "batter depth")
    bench.get_by_role("spinbutton", name="Depth of the batter in Round 15, deep").fill("3.5")
    expect(bay(bench, "Round 15, deep")).to_contain_text("3.5 cm")
    expect(bench.get_by_label("The batch")).to_contain_text("× 1.00")


@pytest.mark.by_link
def test_a_share_takes_its_own(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-18", 2))
    bench.get_by_role("button", name="One batter, several cakes").click()
    bench.get_by_role("button", name="Add a share").click()
    bench.get_by_label("Name of the share").fill("Cocoa")
    bench.get_by_label("Stirred in, a line each").fill("20 g cocoa\n30 ml milk")
    assert violations(bench) == []
    bench.get_by_role("button", name="Done").click()
    card = bench.get_by_role("region", name="Card")
    expect(card).to_contain_text("Cocoa, 50 % of the batter")
    expect(card).to_contain_text("Stir in 10 g cocoa and 15 ml (15 g) milk")
    bench.reload()
    expect(card).to_contain_text("Cocoa, 50 % of the batter")
    bench.get_by_role("radio", name="Weigh").click()
    expect(bench.get_by_role("region", name="Shares of the batter")).to_contain_text("Cocoa")


def test_dough_without_a_pan(bench: Page):
    choose(bench, "Parsnip and honey", "Another pan")
    bench.get_by_role("radio", name="Type measures").click()
    bench.get_by_role("checkbox", name="No pan: dough patted out").check()
    bench.get_by_label("Diameter").fill("24")
    bench.get_by_label("Thickness").fill("2")
    bench.get_by_label("Cutter, across").fill("6")
    bench.get_by_role("button", name="Put it in the fit").click()
    bench.get_by_role("button", name="Done").click()
    expect(bay(bench, "Round 24")).to_contain_text("Patted out 2 cm thick.")
    expect(bay(bench, "Round 24")).to_contain_text(re.compile(r"1\d rounds"))
    notes = bench.get_by_label("What to know")
    notes.get_by_role("button", name=re.compile("notes")).click()
    expect(notes).to_contain_text("no time is moved")


@pytest.mark.by_link
def test_fruit_is_laid_whole_and_drawn(bench: Page):
    open_fit(bench, "pear-ring", ("round-23", 1))
    field = bench.get_by_label(re.compile("^Width of one")).first
    field.fill("5 apples")
    field.press("Enter")
    expect(bench.get_by_text("Type centimetres, or 2 in.")).to_be_visible()
    field.fill("2 in")
    field.press("Enter")
    expect(bench.get_by_text(re.compile("lie side by side")).first).to_be_visible()
    assert bench.locator("circle.laid").count() >= 12


@pytest.mark.by_link
def test_the_school_of_raising_is_chosen_where_it_bites(bench: Page):
    open_fit(bench, "parsnip-honey", ("sheet-33", 1))
    before = line(bench, "Baking powder").get_by_role("cell").nth(1).inner_text()
    pick(bench, "Baking powder", "Less in large pans")
    expect(line(bench, "Baking powder").get_by_role("cell").nth(1)).not_to_have_text(before)
    expect(bench.get_by_role("button", name="Baking powder: less in large pans")).to_be_visible()


@pytest.mark.parametrize("size", sizes((390, 844), (1280, 800)))
@pytest.mark.by_link
def test_axe_finds_nothing_while_deciding(bench: Page, size: tuple[int, int]):
    bench.set_viewport_size({"width": size[0], "height": size[1]})
    bench.emulate_media(color_scheme="dark")
    open_fit(bench, "pear-ring", ("round-23", 1), ("tray-12", 4), rule="servings",
             servings=18, portion="party")
    expect(bay(bench, "Round 23")).to_be_visible()
    assert violations(bench) == []
    assert bench.evaluate("document.documentElement.scrollWidth <= window.innerWidth")


@pytest.mark.by_link
def test_what_opens_on_a_phone_stands_whole_on_its_screen(bench: Page):
    bench.set_viewport_size({"width": 390, "height": 844})
    open_fit(bench, "pear-ring", ("round-23", 1), temperature="own", dial=155)
    bench.get_by_role("button", name=re.compile("^Oven and temperature")).click()
    dialog = bench.get_by_role("dialog", name="Oven and temperature")
    expect(dialog.get_by_role("spinbutton", name="Set the oven to")).to_be_in_viewport(ratio=1)
    stands = dialog.bounding_box()
    assert stands is not None
    assert stands["x"] >= 0
    assert stands["x"] + stands["width"] <= 390
