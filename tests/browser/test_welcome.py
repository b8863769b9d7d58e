"""The first morning of a new kitchen, in metric and in US units, to its first fit."""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from entremet.kitchen.models import Kitchen, Oven, RackPan
from tests.browser.conftest import violations
from tests.browser.fits import pick
from tests.everyday import sizes


@pytest.fixture
def morning(page: Page, live_server: Any, transactional_db: None) -> Iterator[Page]:
    """An empty kitchen, opened for the first time."""
    complaints: list[str] = []
    page.on("pageerror", lambda error: complaints.append(str(error)))
    page.set_viewport_size({"width": 1280, "height": 800})
    expect.set_options(timeout=15_000)
    page.goto(live_server.url)
    yield page
    assert complaints == []


def first_fit(page: Page, region: str, *pans: tuple[str, int]) -> None:
    page.get_by_role("button", name=re.compile(f"^{region}")).click()
    expect(page.get_by_role("heading", name="Which oven?")).to_be_visible()
    assert violations(page) == []
    page.get_by_role("button", name=re.compile("^Conventional oven")).click()
    shelf = page.get_by_role("list", name="The usual pans")
    for label, count in pans:
        for _ in range(count):
            shelf.get_by_role("button", name=re.compile(f"^{label} wall")).click()
    assert violations(page) == []
    page.get_by_role("button", name="on the rack").click()
    page.get_by_role("button", name=re.compile("^Lemon and thyme")).click()


def test_a_new_kitchen_comes_to_its_first_fit(morning: Page):
    expect(morning.get_by_role("heading", name="Where do you bake?")).to_be_visible()
    assert violations(morning) == []
    first_fit(morning, "Britain", ("Round 18", 2), ("Tray of 12", 1))
    expect(morning.get_by_text("Opened with the recipe's own pans: 2 × Round 18.")).to_be_visible()
    expect(morning.get_by_role("list", name="Chosen pans")).to_contain_text("rim at 5 cm")
    expect(morning.get_by_role("region", name="Oven")).to_contain_text("170 °C")
    expect(morning.get_by_text(re.compile(r"^look at \d+ min$"))).to_be_visible()
    assert {pan.label: pan.owned for pan in RackPan.objects.all()} == {
        "Round 18": 2, "Tray of 12": 1}
    assert Kitchen.objects.get().welcomed
    morning.reload()
    expect(morning.get_by_text(re.compile(r"^look at \d+ min$"))).to_be_visible()


def test_a_new_kitchen_in_inches_is_answered_in_inches(morning: Page):
    morning.evaluate("window.taken = 0; addEventListener('click', (one) => {"
                     " if (one.isTrusted) window.taken += 1; }, true)")
    first_fit(morning, "United States", ("Round 8 in", 2), ("Sheet 13 × 9 in", 1))
    expect(morning.get_by_role("list", name="Chosen pans")).to_be_visible()
    # From the first start to a first answer, three pans among it.
    assert 0 < morning.evaluate("window.taken") <= 12
    chosen = morning.get_by_role("list", name="Chosen pans")
    expect(chosen).to_contain_text(re.compile(r"rim at \d"))
    expect(chosen).not_to_contain_text(" cm")
    expect(morning.get_by_role("region", name="Oven")).to_contain_text("350 °F")
    expect(morning.get_by_role("region", name="Card")).to_contain_text(" oz")
    pick(morning, "How the batter is shared", "Batter depth")
    depth = morning.get_by_role("spinbutton", name="Depth of the batter, in")
    depth.fill("1 1/4")
    expect(chosen).to_contain_text(re.compile("1¼ in batter"))
    assert Oven.objects.get().dial == "F"
    morning.get_by_role("link", name="Pans").click()
    expect(morning.get_by_role("listitem").filter(has_text="Round 8 in").first).to_contain_text(
        "wall 2 in")
    morning.get_by_role("button", name="Add a pan").click()
    dialog = morning.get_by_role("dialog")
    dialog.get_by_label("Diameter").fill("10")
    dialog.get_by_label("Wall height").fill("3")
    dialog.get_by_role("button", name="Put it on the rack").click()
    expect(morning.get_by_role("listitem").filter(has_text="Round 10 in").first).to_contain_text(
        "wall 3 in")
    assert RackPan.objects.get(label="Round 10 in").across == pytest.approx(25.4)


def test_every_picture_can_be_skipped_and_left(morning: Page):
    for heading in ("Where do you bake?", "Which oven?", "Which pans do you have?"):
        expect(morning.get_by_role("heading", name=heading)).to_be_visible()
        morning.get_by_role("button", name="Skip").click()
    morning.get_by_role("button", name="Back").click()
    expect(morning.get_by_role("button", name="Go on without pans")).to_be_visible()
    morning.reload()
    morning.get_by_role("button", name="Go on without pans").click()
    morning.get_by_role("link", name="Look around first").click()
    expect(morning.get_by_role("heading", name="Recipes")).to_be_visible()
    assert not RackPan.objects.exists()
    morning.get_by_role("link", name="Fit").click()
    expect(morning.get_by_text("This kitchen has no recipes yet.")).to_be_visible()


@pytest.mark.parametrize("width", sizes(360, 820))
def test_the_first_morning_fits_a_small_screen(morning: Page, width: int):
    morning.set_viewport_size({"width": width, "height": 760})
    for step in range(1, 5):
        morning.goto(f"{morning.url.split('?')[0].rsplit('/', 1)[0]}/welcome?step={step}")
        expect(morning.get_by_text(f"{step} of 4")).to_be_visible()
        assert morning.evaluate("document.documentElement.scrollWidth") <= width
