"""The Pans room as a baker uses it."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import violations_in_both
from tests.browser.fits import go_to
from tests.everyday import sizes

pytestmark = pytest.mark.opens("/pans")
SVG = '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0 H80 V40 H40 V80 H0 Z"/></svg>'


def open_rack(page: Page) -> None:
    go_to(page, "Pans")
    expect(tile(page, "Heart 20")).to_be_visible()


def tile(page: Page, label: str):
    return page.get_by_role("list", name="The rack").get_by_role("listitem").filter(
        has=page.get_by_role("heading", name=label, exact=True))


def more(page: Page, label: str, entry: str) -> None:
    page.get_by_role("button", name=f"More for {label}", exact=True).click()
    page.get_by_role("menuitem", name=entry).click()


def add(page: Page, outline: str, **measures: str):
    page.get_by_role("button", name="Add a pan").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_role("radio", name=outline, exact=True).click()
    for label, text in measures.items():
        dialog.get_by_label(label.replace("_", " "), exact=True).fill(text)
    return dialog


def test_a_heart_is_added_and_batter_put_into_it(bench: Page):
    open_rack(bench)
    dialog = add(bench, "Heart", Across="24", Wall_height="5")
    expect(dialog.get_by_text("Holds 1764 ml")).to_be_visible()
    dialog.get_by_label("Name").fill("Valentine heart")
    dialog.get_by_label("Loose base").check()
    dialog.get_by_role("button", name="Put it on the rack").click()
    expect(tile(bench, "Valentine heart")).to_contain_text("1764 ml · wall 5 cm · loose base")
    bench.get_by_role("link", name="Fit").click()
    bench.get_by_role("button", name=re.compile("Parsnip")).click()
    bench.get_by_role("button", name="+ pan").click()
    bench.get_by_role("button", name=re.compile("^Valentine heart")).click()
    bench.get_by_role("button", name="Done").click()
    expect(bench.get_by_role("list", name="Chosen pans")).to_contain_text("Valentine heart")
    expect(bench.get_by_text(re.compile(r"look at \d+")).first).to_be_visible()


def test_water_decides_over_the_measures_and_both_are_said(bench: Page):
    open_rack(bench)
    dialog = add(bench, "Ring", Outer_diameter="23", Tube="7", Wall_height="9")
    dialog.get_by_label("Or water it holds, g").fill("2600")
    expect(dialog.get_by_text("Holds 2600 ml")).to_be_visible()
    expect(dialog).to_contain_text(
        "The measures alone would hold 3393 ml; the water decides.")
    dialog.get_by_role("button", name="Put it on the rack").click()
    expect(tile(bench, "Ring 23")).to_contain_text("Measured by water: 2600 ml")


def test_a_pan_that_cannot_be_is_refused_at_its_field(bench: Page):
    open_rack(bench)
    dialog = add(bench, "Ring", Outer_diameter="20", Tube="22", Wall_height="8")
    expect(dialog.get_by_label("Tube", exact=True)).to_have_attribute("aria-invalid", "true")
    expect(dialog.get_by_role("button", name="Put it on the rack")).to_be_disabled()
    dialog.get_by_label("Tube", exact=True).fill("6")
    expect(dialog.get_by_role("button", name="Put it on the rack")).to_be_enabled()
    dialog.get_by_role("button", name="Cancel").click()
    expect(bench.get_by_role("dialog")).to_have_count(0)


def test_a_pan_is_changed_counted_taken_off_and_brought_back(bench: Page):
    open_rack(bench)
    more(bench, "Oval 25 × 18", "Change")
    dialog = bench.get_by_role("dialog")
    expect(dialog.get_by_label("Length", exact=True)).to_have_value("25")
    dialog.get_by_label("Width", exact=True).fill("20")
    expect(dialog.get_by_text("Holds 2356 ml")).to_be_visible()
    dialog.get_by_role("button", name="Keep the change").click()
    expect(tile(bench, "Oval 25 × 18")).to_contain_text("2356 ml")
    tile(bench, "Heart 20").get_by_role("spinbutton").fill("3")
    bench.keyboard.press("Enter")
    more(bench, "Oval 25 × 18", "Take off the rack")
    expect(tile(bench, "Oval 25 × 18")).to_have_count(0)
    bench.get_by_role("button", name="Undo").click()
    expect(tile(bench, "Oval 25 × 18")).to_contain_text("2356 ml")
    bench.reload()
    expect(tile(bench, "Heart 20").get_by_role("spinbutton")).to_have_value("3")


def test_a_traced_outline_holds_what_its_area_holds(bench: Page, tmp_path: Path):
    traced = tmp_path / "corner.svg"
    traced.write_text(SVG)
    open_rack(bench)
    dialog = add(bench, "Drawn", Width="20", Wall_height="5")
    dialog.get_by_test_id("outline-file").set_input_files(traced)
    expect(dialog.get_by_text("Holds 1500 ml")).to_be_visible()
    traced.write_text("<svg></svg>")
    dialog.get_by_test_id("outline-file").set_input_files(traced)
    expect(dialog.get_by_role("alert")).to_contain_text("no outline")
    expect(dialog.get_by_text("Holds 1500 ml")).to_be_visible()


def test_a_rack_goes_out_as_a_file_and_a_broken_one_adds_nothing(bench: Page, tmp_path: Path):
    open_rack(bench)
    bench.get_by_role("button", name="Files of the rack").click()
    with bench.expect_download() as saved:
        bench.get_by_role("menuitem", name="Save the rack as JSON").click()
    rack = json.loads(Path(saved.value.path()).read_text())
    assert "Heart 20" in json.dumps(rack, ensure_ascii=False)
    broken = tmp_path / "rack.csv"
    broken.write_text("label,outline,across,wall_cm\nGood,round,20,5\nBad,round,-4,5\n")
    bench.get_by_test_id("rack-file").set_input_files(broken)
    expect(bench.get_by_role("alert")).to_contain_text("No pan was added.")
    expect(tile(bench, "Good")).to_have_count(0)
    with bench.expect_download() as paper:
        more(bench, "Heart 20", "Paper template (SVG)")
    assert Path(paper.value.path()).read_text().lstrip().startswith("<svg")


@pytest.mark.parametrize("size", sizes((390, 844), (1280, 800)))
def test_axe_finds_nothing_at_the_rack(bench: Page, size: tuple[int, int]):
    bench.set_viewport_size({"width": size[0], "height": size[1]})
    open_rack(bench)
    assert violations_in_both(bench) == []
    assert bench.evaluate("document.documentElement.scrollWidth <= window.innerWidth")
    dialog = add(bench, "Drawn", Width="20", Wall_height="5")
    expect(dialog.get_by_role("button", name="Take an SVG")).to_be_visible()
    assert violations_in_both(bench) == []


@pytest.mark.parametrize(("outline", "measure", "field", "usual"), [
    ("Polygon", "Side to side", "Sides", "6"), ("Wells", "Well base", "Wells in the tray", "12")])
def test_a_count_is_shown_and_never_guessed_behind_her_back(bench: Page, outline: str,
                                                            measure: str, field: str, usual: str):
    open_rack(bench)
    dialog = add(bench, outline, **{measure: "5", "Wall height": "3"})
    on_the_rack = dialog.get_by_role("button", name="Put it on the rack")
    expect(dialog.get_by_label(field)).to_have_value(usual)
    expect(on_the_rack).to_be_enabled()
    for wrong in ("some", ""):
        dialog.get_by_label(field).fill(wrong)
        expect(dialog.get_by_text("Type a whole number.")).to_be_visible()
        expect(on_the_rack).to_be_disabled()
