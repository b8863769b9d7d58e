"""``make screenshots``: drive the demo kitchen and write docs/screenshots."""

from __future__ import annotations

import json
import urllib.parse
import urllib.request
from pathlib import Path
from typing import Any

from playwright.sync_api import Browser

from bench.live import chromium, served

OUT = Path(__file__).resolve().parents[1] / "docs/screenshots"
DESK, PHONE = (1280, 800), (390, 844)


def main() -> None:
    OUT.mkdir(parents=True, exist_ok=True)
    with served() as address, chromium() as browser:
        pans = {pan["label"]: pan["id"] for pan in _get(f"{address}/api/pans")}
        rows = _get(f"{address}/api/recipes")["rows"]
        recipes = {row["title"].split()[0]: row["id"] for row in rows}
        mixed = [{"pan": pans["Sheet 33 × 23"], "count": 1},
                 {"pan": pans["Tray of 12"], "count": 8}]
        ring = [{"pan": pans["Fluted ring"], "count": 1}]
        full = [{"pan": pans["Round 18"], "count": 1, "rule": {"kind": "grams", "grams": 1150}},
                {"pan": pans["Loaf 23 × 13"], "count": 1,
                 "rule": {"kind": "grams", "grams": 2000}}]

        def at(path: str, recipe: str, into: list[dict[str, object]], **more: str) -> str:
            query = {"recipe": str(recipes[recipe]), "into": json.dumps(into), **more}
            return f"{address}{path}?{urllib.parse.urlencode(query)}"

        shoot(browser, "recipes", f"{address}/fit")
        shoot(browser, "rack", at("/fit", "Parsnip", []))
        shoot(browser, "choose", at("/fit", "Parsnip", mixed))
        shoot(browser, "choose-dark", at("/fit", "Brown-butter", ring), scheme="dark")
        shoot(browser, "overflow", at("/fit", "Black", full, rule="grams"))
        shoot(browser, "weigh", at("/fit/weigh", "Parsnip", mixed))
        shoot(browser, "bake", at("/fit/bake", "Parsnip", mixed))
        shoot(browser, "phone", at("/fit", "Parsnip", mixed), size=PHONE)


def shoot(browser: Browser, name: str, address: str, *, size: tuple[int, int] = DESK,
          scheme: str = "light") -> None:
    page = browser.new_page(viewport={"width": size[0], "height": size[1]}, color_scheme=scheme)
    page.goto(address)
    page.wait_for_load_state("networkidle")
    page.evaluate("document.fonts.ready")
    page.screenshot(path=OUT / f"{name}.png")
    page.close()
    print(f"docs/screenshots/{name}.png")


def _get(address: str) -> Any:
    with urllib.request.urlopen(address) as response:
        return json.loads(response.read())


if __name__ == "__main__":
    main()
