"""The Fit room as a baker uses it."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import violations, violations_in_both
from tests.browser.fits import closed, open_fit, opened, pick, picked
from tests.everyday import sizes


def choose(page: Page, recipe: str, *pans: str) -> None:
    """Pick a recipe, put aside the pans it opens with, tap others: first the tray, then "+ pan"."""
    page.get_by_role("button", name=re.compile(recipe)).click()
    page.get_by_role("button", name="Choose others").click()
    for place, pan in enumerate(pans):
        if place:
            page.get_by_role("button", name="+ pan").click()
        page.get_by_role("button", name=re.compile(f"^{pan}")).click()
        if place:
            page.get_by_role("button", name="Done").click()
    page.mouse.move(1, 1)  # or the pointer rests on a number that moved there, and its note opens


def bay(page: Page, label: str):
    return page.get_by_role("list", name="Chosen pans").get_by_role("listitem").filter(
        has=page.get_by_role("heading", name=label, exact=True))


def line(page: Page, name: str):
    return page.get_by_role("row").filter(has=page.get_by_role("rowheader", name=name, exact=True))


def test_the_main_job(bench: Page):
    choose(bench, "Parsnip and honey", "Sheet 33", "Tray of 12")
    wells = bay(bench, "Tray of 12").get_by_role("spinbutton")
    wells.fill("8")
    expect(bay(bench, "Tray of 12")).to_contain_text("8 of 12 wells")
    expect(line(bench, "Eggs")).to_contain_text("7 eggs")
    expect(line(bench, "Plain flour")).to_contain_text("240 g")
    expect(line(bench, "Plain flour")).to_contain_text("420 g")
    expect(bay(bench, "Sheet 33 × 23")).to_contain_text("Fits. Same depth as the recipe.")
    expect(bench.get_by_text("look at 31 min", exact=True)).to_be_visible()
    bench.get_by_label("What to know").get_by_role("button", name="2 notes").click()
    expect(bench.get_by_label("What to know")).to_contain_text("Wall of the recipe's pan")

    pick(bench, "Eggs", "8 eggs")
    expect(line(bench, "Eggs")).to_contain_text("8 eggs")
    pick(bench, "How the batter is shared", "Keep my batch")
    expect(line(bench, "Plain flour").get_by_role("cell").nth(1)).to_have_text("240 g")

    pick(bench, "Oven and temperature", "Upper oven")
    expect(bench.get_by_role("region", name="Oven")).to_contain_text("150 °C fan")
    bench.get_by_role("button", name="Why this time for Sheet 33 × 23").click()
    expect(bench.get_by_text("Moved from the recipe's own 34 min")).to_be_visible()
    assert violations(bench) == []


def test_a_typed_pan_and_its_mistake(bench: Page):
    choose(bench, "Black sesame", "Another pan")
    bench.get_by_role("radio", name="Type measures").click()
    bench.get_by_label("Diameter").fill("wide")
    expect(bench.get_by_text("is not a length")).to_be_visible()
    bench.get_by_label("Diameter").fill("9 in")
    bench.get_by_label("Wall height").fill("0")
    expect(bench.get_by_text("above zero")).to_be_visible()
    expect(bench.get_by_role("button", name="Put it in the fit")).to_be_disabled()
    bench.get_by_label("Wall height").fill("2 in")
    expect(bench.get_by_text("Holds 2085 ml")).to_be_visible()
    bench.get_by_role("button", name="Put it in the fit").click()
    expect(bench.get_by_role("dialog")).to_contain_text("In the fit: Round 9 in")
    bench.get_by_role("button", name="Done").click()
    expect(bay(bench, "Round 9 in")).to_contain_text("Same depth as the recipe")


def test_pans_are_typed_in_one_box_and_the_box_stays_open(bench: Page):
    """Four actions for a pan that is on no rack: the button, the words, Enter, done."""
    choose(bench, "Parsnip", "Round 23")
    bench.get_by_role("button", name="+ pan").click()
    box = bench.get_by_role("textbox", name="Type a pan")
    box.fill("round 17")
    box.press("Enter")
    expect(bench.get_by_text("How deep is round 17?")).to_be_visible()
    expect(box).to_have_value("round 17")
    box.fill("2 round 17 x 6")
    box.press("Enter")
    expect(bench.get_by_text("Read as 2 × round 17, wall 6 cm")).to_be_visible()
    box.fill("2.4 l ring")
    box.press("Enter")
    expect(bench.get_by_text("assumed: a ring's usual shape, practice")).to_be_visible()
    bench.get_by_role("button", name="Done").click()
    expect(bay(bench, "round 17").get_by_role("spinbutton")).to_have_value("2")
    expect(bay(bench, "ring of 2.4 l, usual shape")).to_be_visible()
    # It is timed like a ring that was measured, and its name says what that rests on.
    expect(bench.get_by_text(re.compile(r"look at \d+")).first).to_be_visible()
    bench.reload()
    expect(bay(bench, "ring of 2.4 l, usual shape")).to_be_visible()


def test_overflow_is_said_and_drawn(bench: Page):
    choose(bench, "Parsnip and honey", "Round 18")
    pick(bench, "How the batter is shared", "Grams each")
    bench.get_by_role("spinbutton", name="Grams in Round 18").fill("1400")
    expect(bay(bench, "Round 18")).to_contain_text("Does not fit")
    expect(bench.get_by_label("What to know")).to_contain_text("Take a larger pan")
    expect(bench.get_by_text("No time can be given")).to_be_visible()
    bench.get_by_role("spinbutton", name="Grams in Round 18").fill("lots")
    expect(bench.get_by_role("alert")).to_have_text("Type a number.")
    expect(bay(bench, "Round 18")).to_contain_text("1\u202f400 g")


def test_weighing_survives_a_reload(bench: Page):
    choose(bench, "Parsnip and honey", "Sheet 33")
    bench.get_by_role("radio", name="Weigh").click()
    bench.get_by_role("checkbox", name=re.compile("Plain flour")).click()
    bench.get_by_role("checkbox", name=re.compile("beaten with the eggs")).click()
    expect(bench.get_by_text("2 of 12 in")).to_be_visible()
    bench.reload()
    expect(bench.get_by_role("checkbox", name=re.compile("Plain flour"))).to_be_checked()
    expect(bench.get_by_text("2 of 12 in")).to_be_visible()
    bench.get_by_role("button", name="Clear ticks").click()
    bench.get_by_role("button", name="Undo").click()
    expect(bench.get_by_text("2 of 12 in")).to_be_visible()
    assert violations(bench) == []


def test_a_link_brings_the_fit_back(bench: Page):
    bench.context.grant_permissions(["clipboard-read", "clipboard-write"])
    choose(bench, "pear ring", "Fluted ring")
    pick(bench, "Oven and temperature", "As the recipe")
    bench.get_by_role("button", name="Copy link").click()
    expect(bench.get_by_text("Link copied")).to_be_visible()
    link = bench.evaluate("navigator.clipboard.readText()")
    other = bench.context.new_page()
    other.goto(link)
    expect(bay(other, "Fluted ring")).to_contain_text("As full as in the recipe.")
    picked(other, "Oven and temperature", "As the recipe")


def test_a_choice_is_in_the_address_at_once_and_outlives_another_state(bench: Page):
    choose(bench, "pear ring", "Fluted ring")
    expect(bay(bench, "Fluted ring")).to_be_visible()
    steps = bench.evaluate("history.length")
    address = opened(bench, "Oven and temperature").get_by_role(
        "radio", name=re.compile("^As the recipe")).evaluate(
        """button => { button.click(); const told = location.search;
        [...document.querySelectorAll('[role=radio]')].find(
            one => one.textContent === 'Weigh').click(); return told }""")
    assert "temperature=" in address
    expect(bench).to_have_url(re.compile("/fit/weigh.*temperature="))
    bench.go_back()
    expect(bench).to_have_url(re.compile("/fit\\?.*temperature="))
    closed(bench)
    picked(bench, "Oven and temperature", "As the recipe")
    assert bench.evaluate("history.length") == steps + 1


def test_a_fit_is_kept_removed_and_brought_back(bench: Page):
    choose(bench, "Rhubarb", "Tray of 12")
    bench.get_by_role("button", name="Keep", exact=True).click()
    bench.get_by_label("Name").fill("Seed-swap morning")
    bench.get_by_role("button", name="Keep it").click()
    expect(bench.get_by_text("Kept as “Seed-swap morning”.")).to_be_visible()
    bench.get_by_role("spinbutton", name="Wells of Tray of 12").fill("24")
    expect(bay(bench, "Tray of 12")).to_contain_text("24 of 24 wells")
    bench.get_by_role("button", name="Keep", exact=True).click()
    bench.get_by_role("button", name="Remove Seed-swap morning").click()
    expect(bench.get_by_text("None yet.")).to_be_visible()
    bench.get_by_role("button", name="Undo").click()
    bench.get_by_role("button", name=re.compile("^Seed-swap morning")).click()
    expect(bay(bench, "Tray of 12")).to_contain_text("12 of 12 wells")


def test_a_pan_taken_away_comes_back(bench: Page):
    choose(bench, "Parsnip and honey", "Round 20 ", "Loaf")
    bench.get_by_role("button", name="Take Loaf 23 × 13 away").click()
    expect(bay(bench, "Loaf 23 × 13")).to_have_count(0)
    bench.get_by_role("button", name="Undo").click()
    expect(bay(bench, "Loaf 23 × 13")).to_be_visible()
    bench.go_back()
    expect(bay(bench, "Loaf 23 × 13")).to_have_count(0)


def test_the_bench_by_keyboard_alone(bench: Page):
    expect(bench.get_by_role("searchbox")).to_be_visible()
    bench.keyboard.press("/")
    bench.keyboard.type("honey")
    bench.keyboard.press("Tab")
    bench.keyboard.press("Enter")
    bench.get_by_role("button", name="Choose others").focus()
    bench.keyboard.press("Enter")
    first = bench.get_by_role("button", name=re.compile("^Round 15"))
    expect(first).to_be_visible()
    first.focus()
    bench.keyboard.press("Enter")
    bench.get_by_role("spinbutton", name="Count of Round 15, deep").focus()
    bench.keyboard.press("ArrowUp")
    expect(bench.get_by_role("spinbutton", name="Count of Round 15, deep")).to_have_value("2")
    bench.get_by_role("button", name=re.compile("^How the batter is shared")).focus()
    bench.keyboard.press("Enter")
    bench.get_by_role("radio", name=re.compile("^Same depth")).focus()
    bench.keyboard.press("ArrowDown")
    expect(bench.get_by_role("radio", name=re.compile("^Keep my batch"))).to_be_checked()
    closed(bench)
    bench.keyboard.press("2")
    expect(bench.get_by_role("region", name="Weigh", exact=True)).to_be_visible()
    bench.keyboard.press("?")
    expect(bench.get_by_role("dialog")).to_contain_text("choose, weigh, bake, finish")
    bench.keyboard.press("Escape")
    expect(bench.get_by_role("dialog")).to_have_count(0)
    bench.keyboard.press("3")
    expect(bench.get_by_role("region", name="Bake")).to_contain_text("look at")


def test_the_print_is_one_page(bench: Page):
    choose(bench, "Brown-butter pear ring", "Fluted ring", "Tray of 12")
    expect(bay(bench, "Tray of 12")).to_be_visible()
    bench.emulate_media(media="print")
    sheet = bench.locator("[data-print-sheet]")
    expect(sheet).to_be_visible()
    expect(sheet).to_contain_text("12 wells of Tray of 12")
    expect(bench.get_by_role("button", name="Print")).to_be_hidden()
    pages = bench.pdf(format="A4").count(b"/Type /Page\n")
    assert pages == 1


@pytest.mark.by_link
def test_a_cake_of_six_parts_prints_on_one_page_its_amounts_under_each_other(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-20", 2), state="weigh")
    expect(bench.get_by_role("heading", name="Plum and bergamot layer cake")).to_be_visible()
    bench.emulate_media(media="print")
    assert bench.pdf(format="A4").count(b"/Type /Page\n") == 1
    lefts = bench.evaluate("""() => [...document.querySelectorAll(
        '[data-print-sheet] .amounts')].map((table) =>
            Math.round(table.rows[0].cells[3].getBoundingClientRect().left
                - table.getBoundingClientRect().left))""")
    assert len(lefts) >= 5
    assert len(set(lefts)) == 1, lefts


def test_axe_finds_nothing(bench: Page):
    assert violations_in_both(bench) == []
    choose(bench, "Black sesame", "Round 20 ")
    expect(bay(bench, "Round 20")).to_be_visible()
    bench.get_by_role("spinbutton", name="Count of Round 20").fill("9")
    expect(bench.get_by_label("What to know")).to_contain_text("you own 2")
    for state in ("Choose", "Weigh", "Bake"):
        bench.get_by_role("radio", name=state, exact=True).click()
        expect(bench.get_by_role("radio", name=state, exact=True)).to_be_checked()
        assert violations_in_both(bench) == []


@pytest.mark.parametrize(("width", "height"), sizes((360, 740), (390, 844), (820, 1180)))
def test_nothing_runs_off_a_small_screen(bench: Page, width: int, height: int):
    bench.set_viewport_size({"width": width, "height": height})
    choose(bench, "Parsnip and honey", "Sheet 33", "Fluted ring")
    expect(bay(bench, "Fluted ring")).to_be_visible()
    for state in ("Choose", "Weigh", "Bake"):
        bench.get_by_role("radio", name=state, exact=True).click()
        assert bench.evaluate("document.documentElement.scrollWidth") <= width


def test_a_kitchen_that_does_not_answer_is_said(bench: Page):
    choose(bench, "Parsnip and honey", "Round 20 ")
    expect(bay(bench, "Round 20")).to_be_visible()
    bench.route("**/api/fit", lambda route: route.abort())
    bench.get_by_role("spinbutton", name="Count of Round 20").fill("3")
    expect(bench.get_by_role("alert").filter(has_text="last ones worked out")).to_be_visible()
    expect(line(bench, "Plain flour")).to_contain_text("240 g")
    bench.unroute("**/api/fit")
    bench.get_by_role("button", name="Try again").click()
    expect(bench.get_by_text("last ones worked out")).to_be_hidden()


def test_a_fit_opens_with_an_answer(bench: Page):
    bench.get_by_role("button", name=re.compile("Parsnip and honey")).click()
    expect(bay(bench, "Round 18").get_by_role("spinbutton")).to_have_value("2")
    expect(bench.get_by_label("The batch")).to_contain_text("× 1.00")
    expect(bench.get_by_text("Opened with the recipe's own pans: 2 × Round 18.")).to_be_visible()
    bench.reload()
    expect(bay(bench, "Round 18")).to_be_visible()
    expect(bench.get_by_text("Opened with the recipe's own pans")).to_have_count(0)


@pytest.mark.by_link
def test_what_decides_stays_in_sight_while_the_card_scrolls(bench: Page):
    open_fit(bench, "parsnip-honey", ("sheet-33", 1), ("tray-12", 8))
    look = bench.get_by_text("look at 31 min", exact=True)
    expect(look).to_be_in_viewport()
    expect(bench.get_by_text("Nothing stands against it")).to_be_in_viewport()
    expect(bench.get_by_role("group", name="Drawing of Tray of 12")).to_be_in_viewport(ratio=0.9)
    bench.get_by_role("button", name="One batter, several cakes").scroll_into_view_if_needed()
    expect(look).to_be_in_viewport()
    bench.set_viewport_size({"width": 390, "height": 844})
    bench.get_by_role("button", name="One batter, several cakes").scroll_into_view_if_needed()
    short = bench.get_by_role("region", name="In short")
    expect(short).to_be_in_viewport()
    expect(short).to_contain_text("165 °C")
