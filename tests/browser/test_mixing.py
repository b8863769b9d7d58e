"""Preparing, mixing and dividing: the lining list, mixes, the bowl on the scale, the print."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import violations, violations_in_both
from tests.browser.fits import open_fit


def tick(page: Page, name: str):
    return page.get_by_role("checkbox", name=re.compile(name))


@pytest.mark.by_link
def test_a_batch_is_split_over_the_bowl_and_each_mix_keeps_its_ticks(bench: Page):
    open_fit(bench, "parsnip-honey", ("sheet-33", 2), state="weigh")
    tabs = bench.get_by_role("radiogroup", name="Which mix")
    expect(tabs.get_by_role("radio")).to_have_count(2)
    expect(tabs).to_contain_text("Mix 1 of 2")
    flour = tick(bench, "Plain flour")
    flour.click()
    expect(flour).to_be_checked()
    tabs.get_by_role("radio", name=re.compile("Mix 2")).click()
    expect(tick(bench, "Plain flour")).not_to_be_checked()
    bench.reload()
    expect(tick(bench, "Plain flour")).to_be_checked()
    expect(bench.get_by_role("region", name="Prepare the pans")).to_contain_text(
        "Cut 2 sheets of paper, 43 × 33 cm")


@pytest.mark.by_link
def test_another_bowl_another_split_and_a_wrong_one(bench: Page):
    open_fit(bench, "parsnip-honey", ("sheet-33", 2), state="weigh")
    tabs = bench.get_by_role("radiogroup", name="Which mix").get_by_role("radio")
    expect(tabs).to_have_count(2)
    bench.get_by_label("Mixing bowl").locator("..").click()
    bench.get_by_role("option", name="Hand bowl").click()
    expect(tabs).to_have_count(3)
    split = bench.get_by_label("Eggs in each mix")
    split.fill("many")
    split.press("Enter")
    expect(bench.get_by_text("Type a number for each mix: 4 + 3")).to_be_visible()
    split.fill("4 + 4 + 2 + 2")
    split.press("Enter")
    expect(tabs).to_have_count(4)
    bench.get_by_role("button", name="Split as the bowl needs").click()
    expect(tabs).to_have_count(3)


@pytest.mark.by_link
def test_the_bowl_on_the_scale_divides_what_is_really_there(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-18", 2), state="weigh")
    pans = bench.get_by_role("list", name="Grams in each pan")
    expect(pans).to_contain_text("583 g")
    expect(bench.get_by_label("Empty bowl, g")).to_have_value("810")
    tick(bench, "Plain flour").click()
    full = bench.get_by_label("Bowl with batter, g")
    full.fill("700")
    expect(bench.get_by_text("The full bowl has to weigh more")).to_be_visible()
    full.fill("1960")
    expect(bench.get_by_text("of batter is really there")).to_be_visible()
    expect(pans).to_contain_text("559 g")
    expect(tick(bench, "Plain flour")).to_be_checked()
    bench.get_by_label("Bowl, emptied, g").fill("827")
    bench.get_by_role("button", name="Learn what the bowl keeps").click()
    expect(bench.get_by_text("From now on 1 % stays in the bowl")).to_be_visible()
    bench.get_by_role("button", name="Bowls", exact=True).click()
    bench.get_by_role("button", name="Assume the usual again").click()
    expect(bench.get_by_text("as you weighed it.")).to_have_count(0)


@pytest.mark.by_link
def test_another_bowl_is_weighed_anew(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-18", 2), state="weigh")
    bench.get_by_label("Bowl with batter, g").fill("1960")
    expect(bench.get_by_text("of batter is really there")).to_be_visible()
    bench.get_by_label("Mixing bowl").locator("..").click()
    bench.get_by_role("option", name="Hand bowl").click()
    expect(bench.get_by_label("Empty bowl, g")).to_have_value("420")
    expect(bench.get_by_label("Bowl with batter, g")).to_have_value("")
    expect(bench.get_by_role("list", name="Grams in each pan")).to_contain_text("583 g")


@pytest.mark.by_link
def test_a_bowl_is_added_and_taken_away_again(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-18", 2), state="weigh")
    bench.get_by_role("button", name="Bowls", exact=True).click()
    dialog = bench.get_by_role("dialog")
    dialog.get_by_label("Name").fill("Copper bowl")
    dialog.get_by_label("Holds to the brim, litres").fill("0.05")
    dialog.get_by_role("button", name="Add it").click()
    expect(dialog).to_contain_text("A bowl holds 0.2 to 100 litres")
    dialog.get_by_label("Holds to the brim, litres").fill("3 1/2")
    dialog.get_by_role("button", name="Add it").click()
    copper = dialog.get_by_role("listitem").filter(has_text="Copper bowl")
    expect(copper).to_contain_text("holds 3.5 l")
    assert violations(bench) == []
    copper.get_by_role("button", name="Remove").click()
    expect(copper).to_have_count(0)
    bench.get_by_role("button", name="Undo").click()
    expect(copper).to_be_visible()


@pytest.mark.by_link
def test_the_print_has_the_drawings_and_the_mixes(bench: Page):
    open_fit(bench, "parsnip-honey", ("sheet-33", 2), ("tray-12", 6))
    expect(bench.get_by_role("list", name="Chosen pans")).to_be_visible()
    bench.emulate_media(media="print")
    sheet = bench.locator("[data-print-sheet]")
    expect(sheet).to_contain_text("In 2 mixes in Stand mixer")
    expect(sheet).to_contain_text("Cut 2 sheets of paper")
    drawings = sheet.locator("svg")
    assert drawings.count() == 4
    assert all(drawings.nth(i).is_visible() for i in range(4))
    assert bench.pdf(format="A4").count(b"/Type /Page\n") <= 2


@pytest.mark.by_link
def test_axe_finds_nothing_while_mixing(bench: Page):
    open_fit(bench, "parsnip-honey", ("sheet-33", 2), state="weigh")
    expect(bench.get_by_role("radiogroup", name="Which mix")).to_be_visible()
    assert violations_in_both(bench) == []
