"""At the oven: ovens, phases, schools, loads, ways, the card on screen and on paper."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import violations, violations_in_both
from tests.browser.fits import closed, open_fit, opened, pick


def card_row(page: Page, label: str):
    return page.get_by_role("region", name="Bake").get_by_role("region", name=label, exact=True)


def take(page: Page, field: str, option: str | re.Pattern[str]) -> None:
    page.get_by_role("combobox", name=field).click()
    page.get_by_role("option", name=option).click()


@pytest.mark.by_link
def test_one_recipe_through_two_ovens(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-18", 2))
    oven = bench.get_by_role("region", name="Oven")
    expect(oven).to_contain_text("170 °C")
    expect(oven).to_contain_text("likely 34")
    pick(bench, "Oven and temperature", "Upper oven")
    expect(oven).to_contain_text("150 °C fan")
    expect(oven).to_contain_text("written 170 °C")
    pick(bench, "Oven and temperature", "Steamer")
    expect(oven).to_contain_text("over boiling water")
    expect(opened(bench, "Oven and temperature")).to_contain_text(
        "there is no temperature to choose")
    closed(bench)
    bench.get_by_role("radio", name="Bake", exact=True).click()
    expect(card_row(bench, "Round 18")).to_contain_text("keep the heat up")
    expect(bench.get_by_role("region", name="Bake")).to_contain_text("Steam scalds")
    expect(bench.get_by_role("region", name="Bake")).not_to_contain_text("when the door opens")
    bench.reload()
    expect(bench.get_by_role("region", name="Bake")).to_contain_text("over boiling water")


@pytest.mark.by_link
def test_a_recipe_in_phases_keeps_its_covering_point(bench: Page):
    open_fit(bench, "oat-damson", ("loaf-23", 1), state="bake")
    phases = bench.get_by_role("list", name="Phases").get_by_role("listitem")
    expect(phases).to_have_text(["0–15 180 °C", "15–35 160 °C", "35–done 160 °C, covered"])
    expect(bench.get_by_text("then 160 °C")).to_be_visible()
    open_fit(bench, "oat-damson", ("round-15-deep", 2), state="bake")
    row = card_row(bench, "Round 15, deep")
    likely = int(re.search(r"likely (\d+)", row.inner_text())[1])
    assert likely < 60
    covered = int(re.match(r"(\d+)", phases.last.inner_text())[1])
    assert covered == pytest.approx(likely * 35 / 60, abs=1)


@pytest.mark.by_link
def test_schools_and_switches_change_the_bake_and_come_back_with_the_link(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-20-deep", 1), state="bake", rule="keep_batch")
    bench.get_by_role("radio", name="Temperature").click()
    table = bench.get_by_role("table", name="Temperature schools")
    expect(table.get_by_role("row")).to_have_count(5)
    lower = table.get_by_role("row", name=re.compile("15 °C lower"))
    lower.get_by_role("radio").click()
    expect(lower).to_contain_text("165 °C")
    expect(lower.get_by_role("radio")).to_be_checked()
    before = lower.inner_text()
    bench.get_by_role("checkbox", name="Insulating strips").click()
    expect(lower).not_to_have_text(before)
    take(bench, "Batter goes in", re.compile("From the fridge"))
    bench.reload()
    expect(bench.get_by_role("checkbox", name="Insulating strips")).to_be_checked()
    expect(lower.get_by_role("radio")).to_be_checked()
    expect(bench.get_by_role("combobox", name="Batter goes in")).to_contain_text("fridge")


@pytest.mark.by_link
def test_four_pans_on_two_shelves(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-18", 4), state="bake")
    bench.get_by_role("radio", name="Loads").click()
    expect(bench.get_by_role("img", name="Upper shelf: Round 18, 1, Round 18, 2")).to_be_visible()
    expect(bench.get_by_role("img", name="Lower shelf: Round 18, 3, Round 18, 4")).to_be_visible()
    expect(bench.get_by_text("swap the shelves and turn every pan round")).to_be_visible()
    expect(bench.get_by_text("2 shelves at once are slower")).to_be_visible()
    assert violations(bench) == []


@pytest.mark.by_link
def test_ways_are_compared_and_a_batter_that_cannot_wait_is_told(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-15-deep", 3), state="bake")
    bench.get_by_role("radio", name="Ways").click()
    rows = bench.get_by_role("table", name="Ways to bake").get_by_role("row")
    expect(rows).to_have_count(4)
    expect(rows.nth(1)).to_contain_text("As chosen, at once")
    expect(rows.nth(2)).to_contain_text("split it when cold")
    expect(rows.nth(3)).to_contain_text("too long for it")
    expect(bench.get_by_text("raised by soda: it does not wait")).to_be_visible()
    assert violations(bench) == []


@pytest.mark.by_link
def test_what_if_is_read_minute_by_minute(bench: Page):
    open_fit(bench, "parsnip-honey", ("round-18", 2), state="bake")
    bench.get_by_role("button", name="Why and what if").click()
    minutes = bench.get_by_role("slider", name="Minutes in the oven")
    expect(bench.get_by_text("34 min at 170 °C")).to_be_visible()
    minutes.focus()
    for _ in range(4):
        minutes.press("ArrowLeft")
    expect(bench.get_by_text("30 min at 170 °C")).to_be_visible()
    setting = bench.get_by_role("slider", name="Oven setting")
    setting.focus()
    setting.press("ArrowRight")
    expect(bench.get_by_text("30 min at 175 °C")).to_be_visible()
    expect(bench.get_by_role("img", name=re.compile("Centre of Round 18 over time at 175"))
           ).to_be_visible()
    expect(bench.get_by_text("does not pass 100 °C")).to_be_visible()
    assert violations(bench) == []


@pytest.mark.by_link
def test_the_card_prints_on_one_page(bench: Page):
    open_fit(bench, "oat-damson", ("loaf-23", 2), state="bake")
    expect(bench.get_by_text("Switch it on")).to_be_visible()
    bench.emulate_media(media="print")
    sheet = bench.locator("[data-print-sheet]")
    expect(sheet).to_contain_text("bake card")
    for words in ("look at", "35–done: 160 °C, covered", "It took ______ min", "Done when",
                  "Foil tucked in"):
        expect(sheet).to_contain_text(words)
    pdf = bench.pdf(format="A4")
    assert len(re.findall(rb"/Type\s*/Page\b(?!s)", pdf)) == 1


def test_an_oven_is_added_and_every_fit_shows_its_dial(bench: Page):
    bench.get_by_role("link", name="Kitchen").click()
    expect(bench.get_by_role("list", name="Ovens").get_by_role("listitem")).to_have_count(5)
    bench.get_by_role("button", name="Add an oven").click()
    form = bench.get_by_role("form", name="Add an oven")
    form.get_by_label("Name").fill("Orchard oven")
    take(bench, "Dial", "°F")
    off = form.get_by_label("Hotter than it says")
    off.fill("lots")
    expect(form).to_contain_text("Type a number.")
    expect(form.get_by_role("button", name="Add it")).to_be_disabled()
    off.fill("0")
    form.get_by_role("checkbox", name="The usual one").click()
    form.get_by_role("button", name="Add it").click()
    expect(bench.get_by_text("Orchard oven · the usual one")).to_be_visible()
    assert violations(bench) == []
    open_fit(bench, "parsnip-honey", ("round-18", 2))
    expect(bench.get_by_role("region", name="Oven")).to_contain_text("350 °F")


@pytest.mark.parametrize("view", ["card", "heat"])
@pytest.mark.by_link
def test_axe_finds_nothing_at_the_oven(bench: Page, view: str):
    open_fit(bench, "oat-damson", ("loaf-23", 1), ("tray-12", 6), state="bake", at=view)
    expect(bench.get_by_text("Switch it on")).to_be_visible()
    assert violations_in_both(bench) == []
