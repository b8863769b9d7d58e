"""A bake day whose kitchen is away: led from start to end, found from anywhere, over an update."""

from __future__ import annotations

import re
import shutil
from pathlib import Path

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect

from entremet.kitchen.models import Tick
from tests.browser.conftest import ROOT, eventually, violations
from tests.browser.test_bake_day import KEPT, RING, bake_now
from tests.site.served import served

CLOCK = """(() => {
    const real = Date;
    const ahead = () => Number(sessionStorage.getItem("ahead") ?? 0);
    globalThis.Date = class extends real {
        constructor(...given) { given.length ? super(...given) : super(real.now() + ahead()); }
        static now() { return real.now() + ahead(); }
    };
})()"""
LATER = """sessionStorage.setItem(
    "ahead", Number(sessionStorage.getItem("ahead") ?? 0) + 20 * 60_000)"""


@pytest.fixture
def open_day(bench: Page):
    """A day that this screen keeps, for when the kitchen is away."""
    bench.add_init_script(CLOCK)
    day = bake_now(bench, RING)
    bench.evaluate("() => navigator.serviceWorker.ready.then(() => true)")
    eventually(bench, lambda: {f"/api/days/{day.pk}", "/api/kitchen"} <= set(bench.evaluate(KEPT)))
    return day


@pytest.mark.by_link
def test_a_whole_day_needs_no_kitchen_from_its_start_to_its_end(
        bench: Page, kept_context: BrowserContext, open_day):
    now, running = (bench.get_by_role("region", name=name) for name in ("Now", "Running"))
    led, rang = [], set()
    kept_context.set_offline(True)
    try:
        for turn in range(80):
            if turn == 3:
                bench.reload()
            expect(now.get_by_role("button").first.or_(now.get_by_text("Nothing for hands")).first
                   ).to_be_visible()
            heading = now.inner_text()
            if "All done." in heading:
                break
            if "Nothing for hands" in heading:
                rang |= {one.get_attribute("aria-label").split(":")[0]
                         for one in running.get_by_role("group").all()}
                bench.evaluate(LATER)
                bench.wait_for_timeout(1100)
                continue
            led.append(heading)
            if "First look" in heading:
                now.get_by_role("button", name=re.compile("^Done")).click()
            elif now.get_by_role("button", name="All weighed").is_visible():
                now.get_by_role("button", name="All weighed").click()
            else:
                bench.keyboard.press(" ")
            expect(now).not_to_have_text(heading, use_inner_text=True)
        expect(now.get_by_text("All done.")).to_be_visible()
        assert Tick.objects.count() == 0
        # Whoever wants to go elsewhere is told why not, and finds back.
        bench.get_by_role("navigation", name="Rooms").get_by_role("link", name="Pans").click()
        expect(bench.get_by_text("This part of the page did not come")).to_be_visible()
        bench.evaluate("sessionStorage.removeItem('ahead')")
        bench.goto(f"{'/'.join(bench.url.split('/')[:3])}/fit")
        expect(bench).to_have_url(re.compile(rf"/day/{open_day.pk}$"))
    finally:
        kept_context.set_offline(False)
    told = " ".join(led)
    for words in ("Weigh out", "Brown unsalted butter", "Mix", "Fill", "Into the oven",
                  "First look", "turn out", "Decorate", "Board, box", "Wash up"):
        assert words in told, words
    assert {"First look", "Out of the pan", "Cold enough"} <= rang
    eventually(bench, lambda: open_day.ticks.count() >= len(led) - 1)


def build(pages: Path, version: str = "") -> None:
    """Put the built pages there, as those of another version where one is named."""
    shutil.copytree(ROOT / "frontend/dist", pages, dirs_exist_ok=True)
    worker = pages / "sw.js"
    text = worker.read_text("utf-8")
    old = re.search(r'"version":"(\w+)"', text)[1]
    worker.write_text(text.replace(old, version or old), "utf-8")


def test_an_update_takes_the_place_of_what_was_kept_and_leaves_nothing_of_it(
        browser: Browser, tmp_path: Path, monkeypatch: pytest.MonkeyPatch):
    pages, data = tmp_path / "pages", tmp_path / "data"
    monkeypatch.setenv("ENTREMET_TEST_PAGES", str(pages))
    build(pages)
    context = browser.new_context()
    page = context.new_page()

    def kept() -> list[str]:
        names: list[str] = page.evaluate("() => caches.keys()")
        return sorted(names)

    with served(data, "--demo") as (address, _):
        page.goto(f"{address}/fit/bake?recipe=1&into=%5B%7B%22pan%22%3A1%2C%22count%22%3A1%7D%5D")
        page.get_by_role("button", name="Bake it now").click()
        now = page.get_by_role("region", name="Now")
        expect(now).to_be_visible()
        page.evaluate("() => navigator.serviceWorker.ready.then(() => true)")
        eventually(page, lambda: "/api/days/1" in page.evaluate(KEPT))
        assert len(kept()) == 2
    build(pages, "thenextone")
    with served(data, "--demo", "--port", address.rsplit(":", 1)[1]):
        page.reload()
        expect(now).to_be_visible()
        # The new worker is looked for by the reload, and fetches its files first.
        page.wait_for_timeout(2000)
        eventually(page, lambda: kept() == ["entremet-open-day-thenextone",
                                            "entremet-shell-thenextone"])
        eventually(page, lambda: {"/api/days/1", "/api/kitchen"} <= set(page.evaluate(KEPT)))
    # The kitchen is stopped: what was kept is of the next version, whole.
    page.reload()
    expect(now).to_contain_text("out of the fridge")
    assert violations(page) == []
    context.close()
