"""A real browser on the real interface, with the demo kitchen behind it."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, BrowserType, Page, expect

from tests.demo_rows import put_demo

ROOT = Path(__file__).resolve().parents[2]
AXE = ROOT / "frontend/node_modules/axe-core/axe.min.js"
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
         "--disable-background-networking", "--disable-component-update", "--disable-sync"]


@pytest.fixture(scope="session")
def browser(browser_type: BrowserType) -> Iterator[Browser]:
    browser = browser_type.launch(executable_path="/usr/bin/chromium", args=FLAGS)
    yield browser
    browser.close()


@pytest.fixture(scope="session")
def kept_context(browser: Browser, live_server: Any) -> Iterator[BrowserContext]:
    """One context for all tests: scripts and fonts come from its cache, nothing moves.

    It closes before the server does, whose threads its connections hold.
    """
    context = browser.new_context(reduced_motion="reduce")
    yield context
    context.close()


@pytest.fixture
def page(kept_context: BrowserContext) -> Iterator[Page]:
    """A page of its own, with nothing left of the last one's storage."""
    page = kept_context.new_page()
    yield page
    for one in kept_context.pages:
        one.evaluate("""() => { try { localStorage.clear(); sessionStorage.clear(); }
                        catch { /* a page that never came has none */ } }""")
        one.close()
    kept_context.clear_cookies()


@pytest.fixture
def bench(page: Page, live_server: Any, transactional_db: None) -> Iterator[Page]:
    """The application open at its start; a test fails when the page complains."""
    put_demo()
    complaints: list[str] = []
    page.on("pageerror", lambda error: complaints.append(str(error)))
    page.on("console", lambda said: complaints.append(said.text)
            if "Content Security Policy" in said.text else None)
    page.set_viewport_size({"width": 1280, "height": 800})
    page.set_default_timeout(30_000)
    expect.set_options(timeout=15_000)
    page.goto(live_server.url)
    yield page
    assert complaints == []


def violations(page: Page, rules: list[str] | None = None) -> list[str]:
    """What axe-core finds on the page once its room is open: by all rules, or by some."""
    page.locator("main h1").first.wait_for(state="attached")
    if not page.evaluate("'axe' in window"):
        page.evaluate(AXE.read_text(encoding="utf-8"))
    found = page.evaluate("(rules) => axe.run(rules ? { runOnly: rules } : {})"
                          ".then((result) => result.violations)", rules)
    return [f"{one['id']}: {node['html']}" for one in found for node in one["nodes"]]


def eventually(page: Page, holds: Callable[[], bool]) -> None:
    """Wait until something holds in the kitchen: a page may show it before it is written."""
    for _ in range(100):
        if holds():
            return
        page.wait_for_timeout(50)
    assert holds()


def violations_in_both(page: Page) -> list[str]:
    """What axe-core finds: everything in light, then in dark what a theme decides, its colours."""
    light = violations(page)
    page.emulate_media(color_scheme="dark")
    expect(page.locator("html")).to_have_attribute("data-theme", "dark")
    page.evaluate("new Promise((drawn) => requestAnimationFrame("
                  "() => requestAnimationFrame(drawn)))")
    dark = violations(page, ["color-contrast", "link-in-text-block"])
    page.emulate_media(color_scheme="light")
    expect(page.locator("html")).to_have_attribute("data-theme", "light")
    return [*light, *dark]
