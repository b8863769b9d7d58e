"""``make bench``: measure, and set each figure beside what was promised."""

from __future__ import annotations

import gzip
import json
import os
import resource
import statistics
import time
import urllib.request
from collections.abc import Callable
from dataclasses import replace
from pathlib import Path

from bench.heat_check.witnesses import told as heat_witnesses
from bench.live import chromium, served
from bench.what_fits import slowest_search_s

ROOT = Path(__file__).resolve().parents[1]
CALLS = 200


def percentile(values: list[float], share: float) -> float:
    return sorted(values)[min(len(values) - 1, int(len(values) * share))]


def report(name: str, value: float, unit: str, promised: float | None) -> None:
    verdict = "" if promised is None else (
        f"   promised under {promised:g} {unit}: {'met' if value < promised else 'MISSED'}")
    print(f"{name:<52}{value:9.2f} {unit}{verdict}")


def core_fit() -> None:
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "entremet.site.settings")
    from entremet.core.fitting.rules import Entry
    from entremet.core.ovens.oven import Oven
    from entremet.core.ovens.phases import Phase
    from entremet.core.ovens.settings import OvenKind, Scale, Setting
    from entremet.core.pans.measures import OutlineName, PanMeasures, pan_from
    from entremet.core.plan.plan import make_plan
    from entremet.core.plan.request import Request
    from tests.core.conftest import line, make_card

    card = make_card(lines=(*make_card().lines, *(
        line(100 + i, f"Spice {i}", 1, "tsp", "1 tsp", "ground_ginger") for i in range(6))))
    shapes = [
        PanMeasures(outline=OutlineName.ROUND, across=15, wall_cm=7.5),
        PanMeasures(outline=OutlineName.SQUARE, across=20, corner=2, wall_cm=5),
        PanMeasures(outline=OutlineName.RECTANGLE, across=33, width=23, wall_cm=5),
        PanMeasures(outline=OutlineName.LOAF, across=21, width=11, rim_across=23, rim_width=13,
                    wall_cm=6.5),
        PanMeasures(outline=OutlineName.RING, across=22, wall_cm=8.5, capacity_ml=2400),
        PanMeasures(outline=OutlineName.WELLS, across=5, rim_across=7, wall_cm=3.2, wells=12),
    ]
    entries = [Entry(label=str(i), pan=pan_from(shape, label=str(i)), count=2)
               for i, shape in enumerate(shapes)]
    oven = Oven(name="oven", kind=OvenKind.FAN, scale=Scale.CELSIUS, step=5, lowest=50,
                highest=250)
    took = timed(lambda: make_plan(card, entries, request=Request(recipe=1), oven=oven), warm=0)
    report("core fit, 14 lines into 6 pans, median", statistics.median(took), "ms", 5)
    report("core fit, 95th percentile", percentile(took, 0.95), "ms", None)
    hot, mild = (Setting(value=value, scale=Scale.CELSIUS) for value in (190, 165))
    phased = replace(card, phases=(Phase(setting=hot, minutes=10), Phase(setting=mild, minutes=12),
                                   Phase(setting=mild, minutes=12, covered=True)))
    eight = [*entries, *(replace(one, count=3) for one in entries[:2])]
    took = timed(lambda: make_plan(phased, eight, request=Request(recipe=1), oven=oven))
    report("core fit, 8 pans and phases, 95th percentile", percentile(took, 0.95), "ms", 40)


def asker(address: str) -> Callable[..., bytes]:
    def ask(path: str, body: object | None = None) -> bytes:
        data = None if body is None else json.dumps(body).encode()
        request = urllib.request.Request(f"{address}{path}", data=data,  # our own
                                         headers={"content-type": "application/json"})
        with urllib.request.urlopen(request) as response:
            return response.read()
    return ask


def timed(work: Callable[[], object], calls: int = CALLS, *, warm: int = 10) -> list[float]:
    took = []
    for _ in range(calls + warm):
        start = time.perf_counter()
        work()
        took.append((time.perf_counter() - start) * 1000)
    return took[warm:]


PASTED = """Quince and walnut squares
2 2/3 cups wholemeal flour, aerated
1¾ tsp cream of tartar
3 large eggs
115 g (1/2 cup) unsalted butter, softened
190 g kefir, divided
2 2/3 teaspoons ground ginger
a pinch of mace
zest of 2 limes
2 x 385 g tins pear halves, drained
90-110 ml milk
7 oz rice milk
2 tbsp quince paste
150 g hazlenuts
¾ cup cider or apple juice
"""
BOX = 2000


def recipe_desk(address: str) -> None:
    ask = asker(address)
    report("read 14 pasted lines, 95th percentile",
           percentile(timed(lambda: ask("/api/readings", {"text": PASTED})), 0.95), "ms", 300)
    card = json.loads(ask("/api/readings", {"text": PASTED}))["card"]
    report("the desk of 14 lines, 95th percentile",
           percentile(timed(lambda: ask("/api/desk", {"card": card})), 0.95), "ms", 100)
    fruits = ["plum", "damson", "quince", "sloe", "medlar", "pear", "rhubarb", "blackcurrant"]
    for number in range(BOX):
        fruit = fruits[number % len(fruits)]
        ask("/api/recipes", {"card": {**card, "title": f"{fruit} squares {number}",
                                      "tags": [fruit, f"week {number % 52}"]}})
    for name, path in ((f"list a box of {BOX} recipes", "/api/recipes"),
                       ("search it, one word", "/api/recipes?search=quince"),
                       ("search it, three words", "/api/recipes?search=medl+squares+19"),
                       ("search it, nothing found", "/api/recipes?search=zebra"),
                       ("search it, by tag", "/api/recipes?tag=sloe")):
        report(f"{name}, 95th percentile",
               percentile(timed(lambda path=path: ask(path), 60), 0.95), "ms", 100)


def book(address: str) -> None:
    """The kitchen's book of 200 of its cards, from the press of the button to the file."""
    ask = asker(address)
    chosen = [row["id"] for row in json.loads(ask("/api/recipes?limit=200"))["rows"]]
    began = time.perf_counter()
    told = json.loads(ask("/api/book", {"title": "Bench", "recipes": chosen}))
    while not told["ready"] and not told["failed"]:
        time.sleep(0.2)
        told = json.loads(ask("/api/book"))
    report(f"a book of {len(chosen)} cards, {told['pages']} pages",
           time.perf_counter() - began, "s", 60)


def api_fit(address: str) -> None:
    ask = asker(address)
    pans = json.loads(ask("/api/pans"))
    recipe = json.loads(ask("/api/recipes"))["rows"][0]["id"]
    body = {"recipe": recipe, "into": [{"pan": pan["id"], "count": 2} for pan in pans[-6:]]}
    took = timed(lambda: ask("/api/fit", body))
    eight = {**body, "portion": "party",
             "into": [{"pan": pan["id"], "count": 2} for pan in pans[-8:]]}
    report("POST /api/fit, 8 pans cut in portions, 95th percentile",
           percentile(timed(lambda: ask("/api/fit", eight)), 0.95), "ms", 100)
    rows = json.loads(ask("/api/recipes"))["rows"]
    phased = next(row["id"] for row in rows if "damson" in row["title"])
    bake = {**eight, "recipe": phased, "portion": ""}
    report("POST /api/fit, 8 pans and phases, 95th percentile",
           percentile(timed(lambda: ask("/api/fit", bake)), 0.95), "ms", 40)
    report("POST /api/fit/oven, the same, 95th percentile",
           percentile(timed(lambda: ask("/api/fit/oven", {"fit": bake}), 60), 0.95), "ms", 200)
    report("POST /api/fit/curve, one of them, 95th percentile",
           percentile(timed(lambda: ask("/api/fit/curve", {"fit": bake, "entry": 0}), 60), 0.95),
           "ms", 100)
    sets = {"fit": {"recipe": recipe, "into": []}, "most_pans": 5, "batch": "whole_eggs",
            "free": {str(pan["id"]): pan["owned"] for pan in pans}}
    report("what fits, the demo rack, sets of five, median",
           statistics.median(timed(lambda: ask("/api/fit/sets", sets), 20, warm=2)), "ms", 1000)
    report("POST /api/fit, 6 pans, median", statistics.median(took), "ms", None)
    report("POST /api/fit, 95th percentile over 200 calls", percentile(took, 0.95), "ms", 40)


def api_finish(address: str) -> None:
    """A cake of four layers with six components, another one at every call; and it carved."""
    ask = asker(address)
    pans = {pan["label"]: pan["id"] for pan in json.loads(ask("/api/pans"))}
    recipe = next(row["id"] for row in json.loads(ask("/api/recipes"))["rows"]
                  if row["title"].startswith("Plum"))
    into = [{"pan": pans["Round 20"], "count": 4}]
    domes = (place / 1000 for place in range(100_000))

    def took(path: str, **finishing: object) -> float:
        return percentile(timed(lambda: ask(path, {
            "recipe": recipe, "into": into, "finishing": {"dome_cm": next(domes), **finishing}})),
            0.95)

    dressed = {"drip": True, "border": "rosette", "dam_cm": 1.2, "press": "nuts"}
    report("POST /api/fit, 4 layers dressed, 95th percentile", took("/api/fit", **dressed), "ms",
           40)
    report("POST /api/fit/finish, 4 layers, 6 components, 95th", took(
        "/api/fit/finish", **dressed), "ms", 25)
    report("POST /api/fit/finish, carved to a taper, 95th", took(
        "/api/fit/finish", carve={"profile": "taper", "foot_cm": 20, "top_cm": 15}), "ms", 25)


CLICK = """async () => {
  const button = document.querySelector('[aria-label="More: Count of Sheet 33 × 23"]');
  const cell = [...document.querySelectorAll('table tr')]
    .find((row) => row.textContent.includes('Plain flour')).children[2];
  const before = cell.textContent;
  const start = performance.now();
  const changed = new Promise((done) => {
    const watch = new MutationObserver(() => {
      if (cell.textContent !== before) { watch.disconnect(); done(performance.now() - start); }
    });
    watch.observe(document.body, { subtree: true, childList: true, characterData: true });
  });
  button.click();
  return await changed;
}"""


def click_to_numbers(address: str) -> None:
    with chromium() as browser:
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(address)
        page.get_by_role("button", name="Parsnip").click()
        page.get_by_role("button", name="Sheet 33").click()
        page.get_by_text("look at").first.wait_for()
        took = [page.evaluate(CLICK) for _ in range(40)]
    report("click to new numbers, median", statistics.median(took), "ms", None)
    report("click to new numbers, 95th percentile", percentile(took, 0.95), "ms", 100)


REDRAW = """async (to) => {
  const input = document.querySelector('input[aria-label="Oven setting"]');
  const start = performance.now();
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, to);
  input.dispatchEvent(new Event('change', { bubbles: true }));
  await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
  return performance.now() - start;
}"""


def plot_redraw(address: str) -> None:
    """Time a new setting on the plot until its frame is painted."""
    with chromium() as browser:
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(address)
        page.get_by_role("button", name="Parsnip").click()
        page.get_by_role("button", name="Sheet 33").click()
        page.get_by_role("radio", name="Bake", exact=True).click()
        page.get_by_role("button", name="Why and what if").click()
        page.get_by_role("slider", name="Oven setting").wait_for()
        took = [page.evaluate(REDRAW, str(place % 7)) for place in range(60)]
    report("the plot redrawn, median", statistics.median(took), "ms", None)
    report("the plot redrawn, 95th percentile", percentile(took, 0.95), "ms", 50)


def sizes() -> None:
    page = (ROOT / "frontend/dist/index.html").read_text("utf-8")
    scripts = [path for path in (ROOT / "frontend/dist/assets").glob("*.js") if path.name in page]
    packed = sum(len(gzip.compress(path.read_bytes())) for path in scripts) / 1000
    report("initial JavaScript, gzipped", packed, "kB", 300)


def main() -> None:
    print("practice, field and model of a bake side by side")
    for line in heat_witnesses():
        print(line)
    core_fit()
    report("what fits, 40 kinds, sets of five, slowest search", slowest_search_s(), "s", 1)
    start = time.perf_counter()
    with served() as address:
        report("start with an empty database, until ready", time.perf_counter() - start, "s", 6)
        api_fit(address)
        api_finish(address)
        click_to_numbers(address)
        plot_redraw(address)
        recipe_desk(address)
        book(address)
    sizes()
    peak = resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss / 1024
    report("largest child process (browser or server), peak", peak, "MB", None)


if __name__ == "__main__":
    main()
