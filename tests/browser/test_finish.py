"""After the oven: cakes finished as a baker would, drawn, weighed and printed."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import violations, violations_in_both
from tests.browser.fits import closed, open_fit, opened, pick
from tests.everyday import sizes


def part(page: Page, title: str):
    return page.get_by_role("region", name="What goes on it").get_by_role("region", name=title)


def size(page: Page, about: str, field: str, value: str) -> None:
    opened(page, about).get_by_role("spinbutton", name=field).fill(value)
    closed(page)


@pytest.mark.by_link
def test_two_rounds_become_a_cake_filled_coated_and_dripped(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-20", 2))
    bench.get_by_role("radio", name="Finish").click()
    cake = bench.get_by_role("img", name=re.compile("^Round 20, finished"))
    expect(cake).to_have_attribute("aria-label", re.compile("2 layers, filled 1.2 cm thick"))
    size(bench, "Levelling and splitting", "Dome, middle less edge, cm", "1.2")
    expect(bench.get_by_text("Cut off")).to_be_visible()
    dialog = opened(bench, "Glaze and drip")
    dialog.get_by_role("checkbox", name="A drip").click()
    closed(bench)
    expect(part(bench, "Dark drip 1 : 1")).to_contain_text("g dark chocolate")
    before = part(bench, "Buttercream").inner_text()
    pick(bench, "Border", "Rosettes")
    expect(part(bench, "Buttercream")).to_contain_text("border")
    assert part(bench, "Buttercream").inner_text() != before
    expect(part(bench, "Buttercream")).to_contain_text("the recipe's own finish")
    expect(cake).to_have_attribute("aria-label", re.compile(r"\d+ drips, \d+ piped pieces"))
    size(bench, "Levelling and splitting", "Layers cut from each", "2")
    expect(cake).to_have_attribute("aria-label", re.compile("4 layers"))
    expect(bench.get_by_role("region", name="In this order")).to_contain_text("Settle")
    assert violations(bench) == []
    bench.reload()
    expect(cake).to_have_attribute("aria-label", re.compile("4 layers.*drips"))


def test_a_finish_that_is_kept_on_the_card_is_the_finish_of_every_fit(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-20", 2), state="finish")
    from_card = bench.get_by_role("button", name=re.compile("^Where this finish comes from"))
    expect(from_card).to_contain_text("read from its method")
    pick(bench, "Coat", "Naked sides")
    expect(bench.get_by_text("Your own finish")).to_be_visible()
    bench.get_by_role("button", name="Keep it on the card").click()
    expect(from_card).to_contain_text("settled on the card")
    bench.reload()
    expect(bench.get_by_role("button", name=re.compile("^Coat: naked"))).to_be_visible()
    bench.get_by_role("button", name="Go by the method again").click()
    expect(from_card).to_contain_text("read from its method")
    expect(bench.get_by_role("button", name=re.compile("^Coat: coat"))).to_be_visible()


@pytest.mark.by_link
def test_a_part_of_the_drawing_opens_what_it_can_be(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-20", 2), state="finish")
    bench.get_by_text("Buttercream, ").first.click()
    expect(bench.get_by_role("dialog", name="Coat")).to_be_visible()
    bench.get_by_role("dialog", name="Coat").get_by_role("radio", name="Naked sides").click()
    closed(bench)
    expect(bench.get_by_role("button", name=re.compile("^Coat: naked"))).to_be_visible()


@pytest.mark.by_link
def test_a_sheet_is_cut_and_dipped(bench: Page):
    open_fit(bench, "black-sesame", ("sheet-33", 1), state="finish")
    size(bench, "Stacking and cutting", "A sheet cut in so many pieces, each coated", "20")
    pick(bench, "Coat", "All round")
    expect(part(bench, "Spreading ganache 2 : 1")).to_contain_text("coat of the pieces")
    expect(bench.get_by_text("one of 20, cut open")).to_be_visible()


@pytest.mark.by_link
def test_a_stack_is_carved_to_a_taper(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-15-deep", 1), ("round-18", 1), ("round-20", 1),
             state="finish")
    pick(bench, "Carve", "Taper")
    stack = bench.get_by_role("img", name=re.compile("Round 15, deep on Round 18.*finished"))
    expect(stack).to_be_visible()
    size(bench, "Carve", "High, cm", "40")
    expect(bench.get_by_text(re.compile("cake is missing there"))).to_be_visible()
    size(bench, "Carve", "High, cm", "9")
    expect(bench.get_by_text("Cut off", exact=True)).to_be_visible()


@pytest.mark.by_link
def test_a_ring_is_glazed_and_printed_on_a_page(bench: Page):
    open_fit(bench, "pear-ring", ("fluted-ring", 1), state="finish")
    opened(bench, "Glaze and drip").get_by_role("checkbox", name="A poured glaze").click()
    closed(bench)
    expect(part(bench, "Poured ganache 1 : 1")).to_be_visible()
    bench.emulate_media(media="print")
    sheet = bench.locator("[data-print-sheet]")
    expect(sheet).to_contain_text("Brown-butter pear ring: finish")
    expect(sheet).to_contain_text("Pour the glaze")
    assert bench.pdf(format="A4").count(b"/Type /Page\n") == 1


@pytest.mark.parametrize("width", sizes(360, 820, 1280))
@pytest.mark.by_link
def test_a_finish_is_sound_on_every_screen(bench: Page, width: int):
    bench.set_viewport_size({"width": width, "height": 800})
    open_fit(bench, "plum-bergamot", ("round-20", 2), ("tray-12", 6), state="finish",
             finishing={"drip": True, "border": "star"})
    expect(bench.get_by_role("img", name=re.compile("^Round 20, finished"))).to_be_visible()
    assert violations_in_both(bench) == []
    assert bench.evaluate("document.documentElement.scrollWidth") <= width


@pytest.mark.by_link
def test_a_profile_is_drawn_by_hand_and_its_pans_are_taken(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-20", 2), state="finish")
    pick(bench, "Carve", "Drawn by hand")
    dialog = opened(bench, "Carve")
    point = dialog.get_by_role("slider", name="Point 3 of 5")
    before = point.get_attribute("aria-valuetext")
    point.press("ArrowLeft")
    expect(point).not_to_have_attribute("aria-valuetext", before or "")
    dialog.get_by_role("button", name="Take these pans").click()
    closed(bench)
    expect(bench.get_by_role("img", name=re.compile(", finished"))).to_be_visible()
    assert violations(bench) == []
    bench.get_by_role("radio", name="Choose").click()
    expect(bench.get_by_role("list", name="Chosen pans")).to_contain_text("Round 20")


@pytest.mark.by_link
def test_a_thing_is_made_as_a_cake(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-20", 2), state="finish")
    bench.get_by_role("button", name="A thing made as a cake").click()
    dialog = bench.get_by_role("dialog", name="A thing, made as a cake")
    expect(dialog).to_contain_text("30 cm × 21 cm, 9 cm high")
    dialog.get_by_role("spinbutton", name="Times as large").fill("90")
    expect(dialog.get_by_role("alert")).to_contain_text("each way")
    dialog.get_by_role("spinbutton", name="Times as large").fill("6")
    assert violations(bench) == []
    dialog.get_by_role("button", name="Take these pans").click()
    expect(bench.get_by_role("img", name=re.compile("^Sheet 33 × 23, finished"))).to_be_visible()


@pytest.mark.by_link
def test_tiers_are_drawn_as_one_cake(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-20", 2), ("round-15-deep", 2), state="finish",
             finishing={"tiers": True})
    expect(bench.get_by_role("img", name=re.compile("^2 tiers, .* high"))).to_be_visible()
    expect(bench.get_by_role("region", name="What goes on it")).to_contain_text("supports cut to")
    expect(bench.get_by_role("img", name=re.compile("^Round 20 from above"))).to_be_visible()
