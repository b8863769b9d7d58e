"""The guide is true: every step of every page is taken as it stands, and its pictures are there.

``make guide`` takes the pictures anew and writes the pages in docs/guide.
"""

from __future__ import annotations

import io
import os
import re
from collections.abc import Callable
from typing import Any

import pytest
from PIL import Image
from playwright.sync_api import Locator, Page, expect

from entremet.kitchen.actions.guide import GuidePage, GuideStep, as_markdown, guide
from entremet.kitchen.models import RackPan, Recipe
from tests.browser.conftest import ROOT, violations, violations_in_both
from tests.demo_rows import put_demo, put_season

RENEW = os.environ.get("ENTREMET_GUIDE") == "renew"
PICTURES = ROOT / "frontend/public/guide"
PAPERS = ROOT / "docs/guide"
SIZE, COLOURS = (1000, 625), 96
KITCHENS: dict[str, tuple[Callable[[], None], ...]] = {
    "empty": (), "demo": (put_demo,), "season": (put_demo, put_season)}


def found(page: Page, told: str) -> Locator:
    """What a step names: a role and a part of a name, "=" for all of it; ">" is inside of."""
    place: Page | Locator = page
    for one in told.split(" > "):
        role, name = re.fullmatch(r"(\w+): ?(.*)", one).groups()
        if role == "text":
            place = place.get_by_text(name).first
        elif role == "listitem":
            place = place.get_by_role(role).filter(
                has=page.get_by_role("heading", name=name, exact=True)).first
        else:
            exact = name.startswith("=")
            place = place.get_by_role(role, name=name.removeprefix("="), exact=exact).first
    return place


def take(page: Page, told: str) -> None:
    verb, what = told.split(" ", 1)
    match verb:
        case "see":
            expect(found(page, what)).to_be_visible()
            if RENEW:
                found(page, what).scroll_into_view_if_needed()
        case "press":
            found(page, what).click()
        case "key":
            page.keyboard.press(what)
        case "fill":
            name, value = what.split(" = ")
            found(page, name).fill(value)
        case "tick" | "untick":
            box = found(page, what)
            if box.is_checked() is not (verb == "tick"):
                box.click()
            expect(box).to_be_checked(checked=verb == "tick")
        case _:
            raise AssertionError(f"nobody knows how to {told}")


def opened(page: Page, one: GuidePage, address: str) -> None:
    def of(key: re.Match[str]) -> str:
        row = (Recipe.objects.filter(key=key[1]).first() or RackPan.objects.get(key=key[1]))
        return str(row.pk)

    page.goto(address + re.sub(r"\{([a-z0-9-]+)\}", of, one.opens))


def strong(step: GuideStep) -> list[str]:
    return re.findall(r"\*\*(.+?)\*\*", step.say)


def shoot(page: Page, name: str) -> None:
    page.mouse.move(1, 1)
    page.wait_for_timeout(900)
    picture = Image.open(io.BytesIO(page.screenshot()))
    small = picture.convert("RGB").resize(SIZE, Image.Resampling.LANCZOS)
    PICTURES.mkdir(exist_ok=True)
    small.quantize(COLOURS).save(PICTURES / f"{name}.png", optimize=True)


@pytest.mark.parametrize("one", guide(), ids=lambda one: one.name)
def test_every_step_can_be_taken_as_it_is_told(one: GuidePage, page: Page, live_server: Any,
                                               transactional_db: None):
    for put in KITCHENS[one.kitchen]:
        put()
    page.set_viewport_size({"width": 1280, "height": 800})
    page.set_default_timeout(20_000)
    expect.set_options(timeout=15_000)
    opened(page, one, live_server.url)
    for step in one.steps:
        for told in step.do:
            take(page, told)
        if RENEW and step.picture:
            shoot(page, step.picture)


@pytest.mark.parametrize("one", guide(), ids=lambda one: one.name)
def test_what_a_step_names_is_what_it_presses_or_sees(one: GuidePage):
    for step in one.steps:
        for name in strong(step):
            assert any(name.lower() in told.lower() for told in step.do), (step.say, name)


def test_pages_and_pictures_in_the_papers_are_those_of_the_program():
    PAPERS.mkdir(exist_ok=True)
    for one in guide():
        paper, text = PAPERS / f"{one.name}.md", as_markdown(
            one, pictures="../../frontend/public/guide")
        if RENEW:
            paper.write_text(text, "utf-8")
        assert paper.read_text("utf-8") == text, "make guide"
        for step in one.steps:
            assert bool(step.picture) == bool(step.about)
    named = {f"{step.picture}.png" for one in guide() for step in one.steps if step.picture}
    assert {one.name for one in PICTURES.iterdir()} == named
    assert {Image.open(one).size for one in PICTURES.iterdir()} == {SIZE}
    assert {one.name for one in PAPERS.iterdir()} == {f"{one.name}.md" for one in guide()}


def test_it_is_six_short_pages():
    assert len(guide()) == 6
    for one in guide():
        assert 4 <= len(one.steps) <= 7
        assert sum(len(step.say.split()) for step in one.steps) <= 220
        assert 1 <= sum(bool(step.picture) for step in one.steps) <= 3


@pytest.mark.by_link
def test_it_is_read_in_the_program(bench: Page, live_server: Any):
    bench.goto(f"{live_server.url}/learn")
    bench.get_by_role("link", name="Guide").click()
    bench.get_by_role("link", name="A Saturday with three orders").click()
    expect(bench.get_by_role("heading", name="A Saturday with three orders")).to_be_visible()
    picture = bench.get_by_role("img", name="Three cakes on their way")
    picture.scroll_into_view_if_needed()
    assert picture.evaluate("one => one.decode().then(() => one.naturalWidth)") == SIZE[0]
    assert violations_in_both(bench) == []
    bench.get_by_role("link", name="Next: Teaching it your oven").click()
    expect(bench.get_by_role("heading", name="Teaching it your oven")).to_be_visible()
    bench.set_viewport_size({"width": 390, "height": 844})
    assert violations(bench) == []
    assert bench.evaluate("document.documentElement.scrollWidth <= window.innerWidth")
    bench.goto(f"{live_server.url}/guide/nothing")
    expect(bench.get_by_role("heading", name="Guide")).to_be_visible()
