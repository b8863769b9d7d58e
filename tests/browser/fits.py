"""Fits opened by their address, as a copied link does."""

from __future__ import annotations

import json
import re
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any
from urllib.parse import urlencode

from playwright.sync_api import Locator, Page, expect

from entremet.kitchen.models import RackPan, Recipe


def open_fit(page: Page, recipe: str, *into: tuple[str, int], state: str = "",
             **choices: Any) -> None:
    """Open a fit of a demo recipe into pans of the rack, by their keys."""
    origin = "/".join(page.url.split("/")[:3])
    query = {"recipe": Recipe.objects.get(key=recipe).pk,
             "into": json.dumps([{"pan": RackPan.objects.get(key=key).pk, "count": count}
                                 for key, count in into]),
             **{name: value if isinstance(value, str | int | float) else json.dumps(value)
                for name, value in choices.items()}}
    page.goto(f"{origin}/fit{f'/{state}' if state else ''}?{urlencode(query)}")
    expect(page.get_by_role("radiogroup", name="State of the fit")).to_be_visible()


def go_to(page: Page, room: str) -> None:
    """Go to a room by the bar: on a phone the rarer ones lie behind its last place."""
    bar = page.get_by_role("navigation", name="Rooms")
    link = bar.get_by_role("link", name=room)
    if not link.is_visible():
        bar.get_by_role("button").click()
        page.get_by_role("dialog", name="More rooms").get_by_role("link", name=room).click()
        return
    link.click()


def what_else(page: Page) -> None:
    """Open the rarer things to do, which a phone keeps behind one button."""
    button = page.get_by_role("button", name="What else")
    if button.is_visible() and button.get_attribute("aria-expanded") == "false":
        button.click()


def pick(page: Page, about: str, choice: str) -> None:
    """Open the choices behind a word of a line, take one, and close them."""
    opened(page, about).get_by_role("radio", name=re.compile(f"^{re.escape(choice)}")).click()
    closed(page)


def picked(page: Page, about: str, choice: str) -> None:
    """Look that a choice is the one taken."""
    expect(opened(page, about).get_by_role(
        "radio", name=re.compile(f"^{re.escape(choice)}"))).to_be_checked()
    closed(page)


def opened(page: Page, about: str) -> Locator:
    """Open the choices behind a word of a line."""
    page.get_by_role("button", name=re.compile(f"^{re.escape(about)}: ")).click()
    return page.get_by_role("dialog", name=about)


def closed(page: Page) -> None:
    """Close whatever is open over the page."""
    if page.get_by_role("dialog").count():
        page.keyboard.press("Escape")
    expect(page.locator('[role="dialog"]')).to_have_count(0)


@contextmanager
def pressed(button: Locator) -> Iterator[None]:
    """Press, do what is within, let two frames be drawn, and let go at the same place."""
    box = button.bounding_box()
    assert box is not None
    page = button.page
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    yield
    page.evaluate("() => new Promise((drawn) => requestAnimationFrame(() => "
                  "requestAnimationFrame(drawn)))")
    page.mouse.up()
