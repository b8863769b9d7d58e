"""A real browser on the real interface, with the demo kitchen behind it."""

from __future__ import annotations

import os
from collections.abc import Callable, Iterator
from pathlib import Path
from shutil import which
from typing import Any

import pytest
from playwright.sync_api import (
    Browser,
    BrowserContext,
    BrowserType,
    ConsoleMessage,
    Error,
    Page,
    expect,
)

from tests.demo_rows import put_demo
from tests.everyday import SWEEP

ROOT = Path(__file__).resolve().parents[2]
AXE = ROOT / "frontend/node_modules/axe-core/axe.min.js"
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
         "--disable-background-networking", "--disable-component-update", "--disable-sync",
         # A page lives for seconds: what is made for long ones costs more than it brings.
         "--in-process-gpu", "--js-flags=--single-threaded --no-opt --no-maglev"]


@pytest.fixture(scope="session")
def browser(browser_type: BrowserType) -> Iterator[Browser]:
    # Debian's headless shell: the same engine without the desktop's browser round it.
    browser = browser_type.launch(executable_path=which("chromium-headless-shell"), args=FLAGS)
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


@pytest.fixture(scope="module")
def kept_page(kept_context: BrowserContext) -> Iterator[Page]:
    """One page for a file: a process of the browser's for each test is half of what tests take."""
    page = kept_context.new_page()
    yield page
    page.close()


@pytest.fixture
def page(kept_context: BrowserContext, kept_page: Page) -> Iterator[Page]:
    """A page with nothing left of the last test: storage, cookies, media, other pages."""
    yield kept_page
    kept_context.set_offline(False)
    for one in kept_context.pages:
        one.evaluate("""() => { try { localStorage.clear(); sessionStorage.clear(); }
                        catch { /* a page that never came has none */ } }""")
        if one is not kept_page:
            one.close()
    kept_context.clear_cookies()
    kept_page.goto("about:blank")
    kept_page.unroute_all()
    kept_page.emulate_media(media="screen", color_scheme="light")


@pytest.fixture
def bench(request: pytest.FixtureRequest, page: Page, live_server: Any,
          transactional_db: None) -> Iterator[Page]:
    """The application open at its start; a test fails when the page complains."""
    put_demo()
    complaints: list[str] = []

    def failed(error: Error) -> None:
        complaints.append(str(error))

    def said(message: ConsoleMessage) -> None:
        if "Content Security Policy" in message.text:
            complaints.append(message.text)

    page.on("pageerror", failed)
    page.on("console", said)
    page.set_viewport_size({"width": 1280, "height": 800})
    page.set_default_timeout(30_000)
    expect.set_options(timeout=15_000)
    page.goto(f"{live_server.url}{_opens(request.node)}")
    yield page
    page.remove_listener("pageerror", failed)
    page.remove_listener("console", said)
    assert complaints == []


def _opens(test: pytest.Item) -> str:
    """Return where a test begins; who comes by a link of its own opens that room alone."""
    for mark in test.iter_markers():
        if mark.name == "opens":
            return str(mark.args[0])
        if mark.name == "by_link":
            # Of the same origin; it loads nothing more.
            return "/static/mark.svg"
    return ""


_seen_dark: set[str] = set()


def violations(page: Page, rules: list[str] | None = None) -> list[str]:
    """What axe-core finds on the page once its room is open: by all rules, or by some."""
    page.locator("main h1").first.wait_for(state="attached")
    if not page.evaluate("'axe' in window"):
        page.evaluate(AXE.read_text(encoding="utf-8"))
    # Only what is wrong is told of: naming all that is right takes longer than looking.
    found = page.evaluate(
        "(rules) => axe.run({ resultTypes: ['violations'], selectors: false,"
        " ...(rules ? { runOnly: rules } : {}) }).then((result) => result.violations)", rules)
    return [f"{one['id']}: {node['html']}" for one in found for node in one["nodes"]]


def eventually(page: Page, holds: Callable[[], bool]) -> None:
    """Wait until something holds in the kitchen: a page may show it before it is written."""
    for _ in range(100):
        if holds():
            return
        page.wait_for_timeout(50)
    assert holds()


def violations_in_both(page: Page) -> list[str]:
    """What axe-core finds: everything in light, then in dark what a theme decides, its colours.

    On a usual day dark is looked at once a file, in "make sweep" every time.
    """
    light = violations(page)
    here = os.environ["PYTEST_CURRENT_TEST"].split("::", 1)[0]
    if here in _seen_dark and not SWEEP:
        return light
    _seen_dark.add(here)
    page.emulate_media(color_scheme="dark")
    expect(page.locator("html")).to_have_attribute("data-theme", "dark")
    page.evaluate("new Promise((drawn) => requestAnimationFrame("
                  "() => requestAnimationFrame(drawn)))")
    dark = violations(page, ["color-contrast", "link-in-text-block"])
    page.emulate_media(color_scheme="light")
    expect(page.locator("html")).to_have_attribute("data-theme", "light")
    return [*light, *dark]
