"""A real browser on the real interface, with the demo kitchen behind it."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserType, Page, expect

from entremet.kitchen.demo.loading import load_demo

ROOT = Path(__file__).resolve().parents[2]
AXE = ROOT / "frontend/node_modules/axe-core/axe.min.js"
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
         "--disable-background-networking", "--disable-component-update", "--disable-sync"]


@pytest.fixture(scope="session")
def browser(browser_type: BrowserType) -> Iterator[Browser]:
    browser = browser_type.launch(executable_path="/usr/bin/chromium", args=FLAGS)
    yield browser
    browser.close()


@pytest.fixture
def bench(page: Page, live_server: Any, transactional_db: None) -> Iterator[Page]:
    """The application open at its start; a test fails when the page complains."""
    load_demo()
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


def violations(page: Page) -> list[str]:
    """What axe-core finds on the page once its room is open."""
    page.locator("main h1").first.wait_for(state="attached")
    page.evaluate(AXE.read_text(encoding="utf-8"))
    found = page.evaluate("axe.run().then((result) => result.violations)")
    return [f"{one['id']}: {node['html']}" for one in found for node in one["nodes"]]
