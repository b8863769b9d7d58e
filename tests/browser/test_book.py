"""The kitchen's book in a real browser: chosen cards, made, saved, small and dark too."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import violations, violations_in_both


@pytest.mark.by_link
def test_a_book_is_made_of_chosen_cards_saved_and_there_after_a_reload(bench: Page, live_server):
    bench.goto(f"{live_server.url}/recipes")
    bench.get_by_role("link", name="A book").click()
    expect(bench.get_by_role("heading", name="A book of cards")).to_be_visible()
    bench.get_by_role("checkbox", name=re.compile("All of them")).uncheck()
    make = bench.get_by_role("button", name="Make the book")
    expect(make).to_be_disabled()
    expect(bench.get_by_text("Choose the cards that go in.")).to_be_visible()
    bench.get_by_role("checkbox", name="Parsnip and honey layer cake").check()
    bench.get_by_role("checkbox", name="Elderflower chiffon").check()
    expect(bench.get_by_text("2 cards chosen")).to_be_visible()
    bench.get_by_role("combobox", name="Paper").click()
    bench.get_by_role("option", name=re.compile("Half letter")).click()
    assert violations_in_both(bench) == []
    make.click()
    ready = bench.get_by_text(re.compile(r"is ready: 2 cards on \d+ pages"))
    expect(ready).to_be_visible(timeout=20_000)
    bench.reload()
    expect(ready).to_be_visible()
    with bench.expect_download() as saved:
        bench.get_by_role("link", name="Save it").click()
    assert saved.value.suggested_filename == "kitchen-book-half-letter.pdf"
    assert Path(saved.value.path()).read_bytes().startswith(b"%PDF")
    bench.set_viewport_size({"width": 390, "height": 844})
    assert violations(bench) == []
    assert bench.evaluate("document.documentElement.scrollWidth <= window.innerWidth")
