"""One house: the same edges in every room, rooms at hand, nothing covered, nothing blank."""

from __future__ import annotations

import time

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import violations
from tests.browser.fits import go_to, open_fit
from tests.everyday import sizes

ROOMS = ("/recipes", "/fit", "/orders", "/orders?view=timetable", "/day", "/pans", "/logbook",
         "/kitchen", "/recipes/paste")
FIT_TOP = 170
"""On a phone the content of the fit begins within so many pixels."""

EDGES = """() => {
    const title = document.querySelector("main h1").getBoundingClientRect();
    return [Math.round(title.left), document.documentElement.scrollWidth];
}"""

COVERED = """() => {
    const found = [];
    for (const one of document.querySelectorAll("main button, main a, main input")) {
        if (one.disabled || one.ariaHidden === "true") continue;
        if (getComputedStyle(one).visibility === "hidden") continue;
        one.scrollIntoView({ block: "center", inline: "center" });
        const box = one.getBoundingClientRect();
        if (box.width < 2 || box.height < 2) continue;
        const x = box.left + box.width / 2, y = box.top + box.height / 2;
        if (x < 0 || y < 0 || x > innerWidth || y > innerHeight) continue;
        const hit = document.elementFromPoint(x, y);
        if (!hit || one.contains(hit) || hit.contains(one)) continue;
        const label = hit.closest("label");
        if (label && label.contains(one)) continue;
        found.push(`${one.outerHTML.slice(0, 90)} under ${hit.outerHTML.slice(0, 90)}`);
    }
    return found;
}"""


def opened(page: Page, address: str) -> None:
    origin = "/".join(page.url.split("/")[:3])
    page.goto(origin + address)
    page.locator("main h1").first.wait_for()
    page.wait_for_load_state("networkidle")


@pytest.mark.by_link
@pytest.mark.parametrize(("width", "height"), sizes(
    (390, 844), (820, 1180), (1280, 800), (1600, 1000)))
def test_every_room_has_the_same_edge_and_covers_no_control(bench: Page, width: int, height: int):
    bench.set_viewport_size({"width": width, "height": height})
    edges = set()
    for address in ROOMS:
        opened(bench, address)
        left, wide = bench.evaluate(EDGES)
        edges.add(left)
        assert wide <= width, address
        assert bench.evaluate(COVERED) == [], address
    assert len(edges) == 1, edges


@pytest.mark.by_link
def test_on_a_phone_rooms_lie_in_the_thumbs_reach_and_content_begins_high(bench: Page):
    bench.set_viewport_size({"width": 390, "height": 844})
    open_fit(bench, "plum-bergamot", ("round-20", 2))
    bar = bench.get_by_role("navigation", name="Rooms").bounding_box()
    assert bar["y"] + bar["height"] == pytest.approx(844, abs=1)
    assert bar["y"] > 760
    for state in ("Choose", "Weigh", "Bake", "Finish"):
        bench.get_by_role("radio", name=state, exact=True).click()
        expect(bench.get_by_role("radio", name=state, exact=True)).to_be_checked()
        short = bench.get_by_role("region", name="In short").bounding_box()
        assert short["y"] + short["height"] <= FIT_TOP
    bench.get_by_role("navigation", name="Rooms").get_by_role("button", name="More").click()
    assert violations(bench) == []
    bench.get_by_role("dialog", name="More rooms").get_by_role("link", name="Kitchen").click()
    expect(bench.get_by_role("heading", name="Kitchen", level=1)).to_be_focused()
    expect(bench.get_by_role("navigation", name="Rooms").get_by_role("button")).to_have_text(
        "Kitchen")


def test_whoever_goes_to_another_room_begins_at_its_title(bench: Page):
    for room, title in (("Pans", "Pans"), ("Orders", "Orders"), ("Logbook", "Logbook")):
        go_to(bench, room)
        expect(bench.get_by_role("heading", name=title, level=1)).to_be_focused()
    bench.get_by_role("radio", name="What it taught").click()
    # Within a room the focus stays on what was touched.
    expect(bench.get_by_role("radio", name="What it taught")).to_be_focused()


def test_a_slow_kitchen_shows_an_outline_then_words_and_no_blank_page(bench: Page):
    def slow(route: Route) -> None:
        time.sleep(1.6)
        route.continue_()

    bench.route("**/api/orders*", slow)
    go_to(bench, "Orders")
    waiting = bench.get_by_role("progressbar", name="Opening the orders")
    expect(waiting.get_by_text("Opening the orders …")).to_be_visible()
    expect(bench.get_by_role("heading", name="Harvest supper")).to_be_visible()
    expect(waiting).to_have_count(0)
