"""``make screenshots``: drive the demo kitchen and write docs/screenshots."""

from __future__ import annotations

import itertools
import json
import urllib.parse
import urllib.request
from collections.abc import Callable
from pathlib import Path
from typing import Any

from playwright.sync_api import Browser, Page

from bench.live import chromium, served

OUT = Path(__file__).resolve().parents[1] / "docs/screenshots"
DESK, PHONE, TALL = (1280, 800), (390, 844), (1280, 1560)


def main() -> None:
    OUT.mkdir(parents=True, exist_ok=True)
    with served() as address, chromium() as browser:
        pans = {pan["label"]: pan["id"] for pan in _get(f"{address}/api/pans")}
        rows = _get(f"{address}/api/recipes")["rows"]
        recipes = {row["title"].split()[0]: row["id"] for row in rows}
        mixed = [{"pan": pans["Sheet 33 × 23"], "count": 1},
                 {"pan": pans["Tray of 12"], "count": 8}]

        def at(path: str, recipe: str, into: list[dict[str, object]], **more: str) -> str:
            query = {"recipe": str(recipes[recipe]), "into": json.dumps(into), **more}
            return f"{address}{path}?{urllib.parse.urlencode(query)}"

        shoot(browser, "recipes", f"{address}/recipes")
        shoot(browser, "first-morning", f"{address}/welcome?step=3", then=_shelf)
        shoot(browser, "paste", f"{address}/recipes/paste", then=_paste)
        shoot(browser, "desk", f"{address}/recipes/{recipes['Parsnip']}")
        shoot(browser, "pans", f"{address}/pans")
        shoot(browser, "choose", at("/fit", "Parsnip", mixed))
        shoot(browser, "what-fits", at("/fit", "Parsnip", []), then=_what_fits)
        shoot(browser, "weigh", at("/fit/weigh", "Parsnip", [
            {"pan": pans["Sheet 33 × 23"], "count": 2}]))
        shoot(browser, "bake", at("/fit/bake", "Toasted", [
            {"pan": pans["Loaf 23 × 13"], "count": 1}]), then=_why)
        shoot(browser, "inside", at("/fit/bake", "Parsnip", [
            {"pan": pans["Round 15, deep"], "count": 1}], at="inside"), then=_beside)
        shoot(browser, "finish", at("/fit/finish", "Plum", [
            {"pan": pans["Round 20"], "count": 2}], finishing=json.dumps(
                {"dome_cm": 1.2, "drip": True, "border": "rosette", "dam_cm": 1.2})))
        shoot(browser, "orders", f"{address}/orders")
        three = ",".join(str(one["id"]) for one in _get(f"{address}/api/orders")
                         if not one["title"].startswith("Second"))
        shoot(browser, "timetable", f"{address}/orders?view=timetable&chosen={three}")
        _bake_day(browser, address)
        shoot(browser, "logbook", f"{address}/logbook")
        shoot(browser, "learn", f"{address}/learn?seed=6&about=done_first", then=_guess)
        shoot(browser, "label", f"{address}/orders", then=_label)
        shoot(browser, "kitchen", f"{address}/kitchen", then=_kitchen, size=TALL)
        shoot(browser, "phone", at("/fit", "Parsnip", mixed), size=PHONE, scheme="dark")


def _beside(page: Page) -> None:
    page.get_by_role("button", name="strips").click()
    page.get_by_role("button", name="two layers for one").click()
    page.get_by_role("figure").nth(2).wait_for()


def _guess(page: Page) -> None:
    page.get_by_role("group", name="Answers").get_by_role("button").first.click()
    page.get_by_role("figure").last.wait_for()


def _bake_day(browser: Browser, address: str) -> None:
    """A day under way: weighing, and a first look an hour on."""
    tea = next(one for one in _get(f"{address}/api/orders") if one["title"] == "Choir tea")
    day = _post(f"{address}/api/days", {"orders": [tea["id"]]})
    events = f"{address}/api/days/{day['id']}/events"
    numbers = itertools.count()

    def tick(kind: str, step: str, **more: object) -> None:
        _post(events, {"events": [{"id": f"picture-{next(numbers)}", "kind": kind, "step": step,
                                   **more}]})
    first = [one for one in day["steps"] if one["cake"] == day["steps"][0]["cake"]]
    for one in first:
        if one["kind"] in ("make", "line", "heat", "weigh", "mix", "fill"):
            tick("done", one["key"])
    tick("put_in", next(one["key"] for one in first if one["kind"] == "bake"))
    second = next(one for one in day["steps"] if one["kind"] == "weigh" and one not in first)
    for place in range(3):
        tick("weighed", second["key"], place=place, amount=second["amounts"][place]["g"] or 0)
    for one in day["steps"]:
        if one["kind"] in ("take_out", "wait"):
            tick("done", one["key"])
    shoot(browser, "run-sheet", f"{address}/day/{day['id']}", live=True)


def _post(url: str, body: object) -> Any:
    request = urllib.request.Request(url, json.dumps(body).encode(),
                                     {"Content-Type": "application/json"})
    with urllib.request.urlopen(request) as answer:
        return json.load(answer)


def shoot(browser: Browser, name: str, address: str, *, size: tuple[int, int] = DESK,
          scheme: str = "light", live: bool = False,
          then: Callable[[Page], None] | None = None) -> None:
    page = browser.new_page(viewport={"width": size[0], "height": size[1]}, color_scheme=scheme)
    page.goto(address)
    # A page that listens to a stream is never idle.
    page.wait_for_load_state("load" if live else "networkidle")
    page.wait_for_function("() => document.querySelector('main h1') && "
                           "!document.querySelector('main [role=progressbar]')")
    page.evaluate("document.fonts.ready")
    if then is not None:
        then(page)
        page.wait_for_load_state("networkidle")
        page.mouse.move(1, 1)
        page.wait_for_timeout(900)
    page.screenshot(path=OUT / f"{name}.png")
    page.close()
    print(f"docs/screenshots/{name}.png")


def _shelf(page: Page) -> None:
    shelf = page.get_by_role("list", name="The usual pans").get_by_role("listitem")
    for place in (1, 1, 10):
        shelf.nth(place).get_by_role("button").first.click()


def _label(page: Page) -> None:
    page.get_by_role("link", name="Label: Plum and bergamot layer cake, Harvest supper").click()
    page.get_by_role("article", name="The label").wait_for()


def _kitchen(page: Page) -> None:
    page.get_by_role("button", name="Copy now").click()
    page.get_by_role("link", name="Save the copy").wait_for()
    for name, grams in (("Bergamot buttercream", "140"), ("4 egg yolks", "72")):
        page.get_by_label("What is left").fill(name)
        page.get_by_label("Grams").fill(grams)
        page.get_by_role("button", name="Into the larder").click()
        page.get_by_role("button", name=f"Gone: {name}").wait_for()


def _what_fits(page: Page) -> None:
    page.get_by_role("button", name="What fits?").click()
    page.get_by_role("button", name="Take this set").first.wait_for()


def _why(page: Page) -> None:
    page.get_by_role("button", name="Why and what if").click()
    page.get_by_role("slider", name="Oven setting").wait_for()


PASTED = """Quince and walnut squares
Makes 16

2 2/3 cups wholemeal flour, aerated
3 large eggs
115 g (1/2 cup) unsalted butter, softened
190 g kefir, divided
7 oz rice milk
150 g hazlenuts
some luck
butter for the pan

For the syrup:
¾ cup cider or apple juice

Method
1. Heat the oven to 180 °C (160 °C fan) and grease a 20 cm square tin.
2. Beat the butter with 145 g of the kefir until smooth. Beat in the eggs.
3. Fold in the flour, loosen with 45 g kefir. Bake for 30-35 minutes.
"""


def _paste(page: Page) -> None:
    page.get_by_label("Recipe text").fill(PASTED)
    page.get_by_text("316 g").wait_for()


def _get(address: str) -> Any:
    with urllib.request.urlopen(address) as response:
        return json.loads(response.read())


if __name__ == "__main__":
    main()
