"""The room to learn in, in a real browser: a guess, a spoilt cake, a class, small and dark too."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import violations, violations_in_both
from tests.everyday import sizes


def pick(page: Page, name: str, choice: str, place: int = 0) -> None:
    page.get_by_role("combobox", name=name).nth(place).click()
    page.get_by_role("option", name=choice, exact=True).click()


def test_a_guess_is_answered_with_its_reason_and_picture_and_opens_its_fit(bench: Page):
    bench.get_by_role("navigation", name="Rooms").get_by_role("link", name="Learn").click()
    expect(bench).to_have_url(re.compile("seed="))
    bench.goto(f"{bench.url.split('?')[0]}?seed=6&about=strips")
    answers = bench.get_by_role("group", name="Answers")
    answers.get_by_role("button", name=re.compile("longer and comes out flatter")).click()
    told = bench.get_by_role("status").filter(has_text="Right.")
    expect(told).to_contain_text("Likely")
    expect(told.get_by_role("img", name=re.compile("cut open after"))).to_be_visible()
    assert violations_in_both(bench) == []
    bench.reload()
    expect(bench.get_by_text("1 of 1 right.")).to_be_visible()
    bench.goto(f"{bench.url.split('?')[0]}?seed=6&about=first_look")
    bench.get_by_role("group", name="Answers").get_by_role("button").first.click()
    bench.get_by_role("link", name="Open it in Bake").click()
    expect(bench.get_by_role("slider", name="Minute")).to_be_visible()
    expect(bench.get_by_role("radio", name="Inside")).to_be_checked()


@pytest.mark.by_link
def test_a_cake_is_spoilt_and_a_class_gets_its_sheets_on_every_screen(bench: Page, live_server):
    for width, height in sizes((390, 844), (820, 1180)):
        bench.set_viewport_size({"width": width, "height": height})
        bench.goto(f"{live_server.url}/learn/spoil")
        pick(bench, "Recipe", "Parsnip and honey layer cake")
        pick(bench, "Pan", "Round 20")
        expect(bench.get_by_text(re.compile(r"Likely \d+ min instead of \d+"))).to_be_visible()
        expect(bench.get_by_role("img", name=re.compile("cut open"))).to_have_count(2)
        assert violations(bench) == []
        bench.goto(f"{live_server.url}/learn/class")
        pick(bench, "Recipe", "Parsnip and honey layer cake")
        pick(bench, "Pan", "Round 18")
        pick(bench, "Pan", "Round 23", place=1)
        expect(bench.get_by_role("heading", name="Group B: Parsnip and honey layer cake").first
               ).to_be_visible()
        assert violations(bench) == []
        assert bench.evaluate("document.documentElement.scrollWidth <= window.innerWidth")
    bench.emulate_media(media="print")
    expect(bench.get_by_text("To get in, all groups together").last).to_be_visible()
