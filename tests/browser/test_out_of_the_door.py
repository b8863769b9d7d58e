"""What goes out of the door: a label settled and printed, a kitchen copied and brought back."""

from __future__ import annotations

import re
import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect

from entremet.kitchen.actions.safe import kitchen_file
from entremet.kitchen.models import LabelPrint, Leftover, PacketRow, Recipe
from entremet.kitchen.safe.copies import folder_of
from tests.browser.conftest import eventually, violations, violations_in_both
from tests.browser.fits import open_fit
from tests.everyday import sizes
from tests.site.served import served

pytestmark = pytest.mark.by_link
SESAME = ("black-sesame", ("sheet-33", 1))
PASSPHRASE = "four rolling plum pies"


@pytest.fixture
def no_copies() -> Iterator[None]:
    shutil.rmtree(folder_of(kitchen_file()), ignore_errors=True)
    yield
    shutil.rmtree(folder_of(kitchen_file()), ignore_errors=True)


def room(page: Page, path: str) -> None:
    page.goto("/".join(page.url.split("/")[:3]) + path)


def test_a_label_waits_for_one_packet_and_is_printed(bench: Page):
    open_fit(bench, *SESAME, state="finish")
    bench.get_by_role("link", name="Label").click()
    expect(bench.get_by_text(re.compile("No label yet: nobody has said"))).to_be_visible()
    printing = bench.get_by_role("button", name="Print labels")
    expect(printing).to_be_disabled()
    # Where the button was a figure lies now, which tells where it is from while it is pointed at.
    bench.mouse.move(2, 2)
    assert violations_in_both(bench) == []
    bench.get_by_role("button", name=re.compile("^black sesame paste")).click()
    bench.get_by_label("What it is made of").fill("black sesame seeds, salt")
    # What it is by nature cannot be taken out.
    expect(bench.get_by_role("checkbox", name="sesame")).to_be_disabled()
    assert violations(bench) == []
    bench.get_by_role("button", name="Keep it").click()
    label = bench.get_by_role("article", name="The label")
    expect(label).to_contain_text("black sesame paste 8% (black sesame seeds, salt)")
    expect(label).to_contain_text("Contains: wheat, milk, egg, sesame.")
    bench.reload()
    expect(label).to_contain_text("Contains: wheat, milk, egg, sesame.")
    with bench.expect_download() as saved:
        printing.click()
    assert Path(saved.value.path()).read_bytes().startswith(b"%PDF")
    assert LabelPrint.objects.get().contains == ["wheat", "milk", "egg", "sesame"]
    with bench.expect_download() as words:
        bench.get_by_role("button", name="As text").click()
    assert "Contains: wheat" in Path(words.value.path()).read_text()
    PacketRow.objects.filter(key="baking_powder").update(contains=["sulphites"])
    bench.reload()
    expect(bench.get_by_text("The allergens changed since the last label. Now with sulphites.")
           ).to_be_visible()


def test_a_piece_weighs_what_it_weighs_and_a_wrong_number_is_said(bench: Page):
    room(bench, "/orders")
    bench.get_by_role("link", name=re.compile("^Label: Plum and bergamot")).first.click()
    label = bench.get_by_role("article", name="The label")
    expect(label).to_contain_text("Lot L")
    bench.get_by_role("button", name="Sold how").click()
    bench.get_by_role("button", name=re.compile(r"^A piece of \d+")).click()
    expect(label).to_contain_text(re.compile(r"Net weight 1\d\d g"))
    bench.get_by_role("button", name="Net weight").click()
    weighed = bench.get_by_role("textbox", name="One piece weighed, g")
    weighed.fill("1400")
    weighed.blur()
    expect(bench.get_by_text(re.compile("It is worked out to weigh"))).to_be_visible()
    chosen = bench.get_by_role("dialog", name="Net weight")
    chosen.press("Escape")
    expect(chosen).to_be_hidden()
    bench.get_by_role("button", name="How we label").click()
    bench.get_by_label("Sheet of labels").click()
    bench.get_by_role("option", name="My own size").click()
    wide = bench.get_by_label("Wide, mm")
    wide.fill("120")
    wide.blur()
    expect(bench.get_by_text("The labels are wider than the paper.")).to_be_visible()
    assert violations(bench) == []


@pytest.mark.parametrize("width", sizes(390, 820))
def test_label_and_kitchen_on_small_screens(bench: Page, width: int):
    bench.set_viewport_size({"width": width, "height": 844})
    room(bench, "/orders")
    bench.get_by_role("link", name=re.compile("^Label: Plum")).first.click()
    expect(bench.get_by_role("article", name="The label")).to_be_visible()
    assert bench.evaluate("document.documentElement.scrollWidth") <= width
    assert violations(bench) == []
    room(bench, "/kitchen")
    expect(bench.get_by_role("button", name="Copy now")).to_be_visible()
    assert bench.evaluate("document.documentElement.scrollWidth") <= width


def test_leftovers_come_move_and_go(bench: Page):
    room(bench, "/kitchen")
    expect(bench.get_by_text("Nothing is left over.")).to_be_visible()
    bench.get_by_label("What is left").fill("Bergamot buttercream")
    bench.get_by_label("Grams").fill("half")
    expect(bench.get_by_role("button", name="Into the larder")).to_be_disabled()
    bench.get_by_label("Grams").fill("140")
    bench.get_by_role("button", name="Into the larder").click()
    row = bench.get_by_role("list", name="Left over").get_by_role("listitem")
    expect(row).to_contain_text("140 g")
    row.get_by_role("radio", name="Frozen").click()
    eventually(bench, lambda: Leftover.objects.get().stands == "frozen")
    bench.get_by_role("button", name="Gone: Bergamot buttercream").click()
    expect(row).to_have_count(0)
    bench.get_by_role("button", name="Undo").click()
    expect(row).to_have_count(1)


def test_a_kitchen_is_copied_looked_into_brought_back_and_undone(bench: Page, no_copies: None,
                                                                 tmp_path: Path):
    room(bench, "/kitchen")
    bench.get_by_role("button", name="Copy now").click()
    copies = bench.get_by_role("list", name="Copies").get_by_role("listitem")
    expect(copies).to_have_count(1)
    with bench.expect_download() as saved:
        bench.get_by_role("link", name=re.compile("^Save the copy")).click()
    elsewhere = tmp_path / "kitchen.zip"
    elsewhere.write_bytes(Path(saved.value.path()).read_bytes())
    Recipe.objects.filter(key="parsnip-honey").delete()
    bench.get_by_role("button", name=re.compile("^Look into")).click()
    looked = bench.get_by_role("dialog")
    expect(looked.get_by_role("row", name="recipes")).to_contain_text("87")
    assert violations(bench) == []
    looked.get_by_role("button", name="Bring it back").click()
    expect(bench.get_by_text(re.compile("The copy is the kitchen now"))).to_be_visible()
    assert Recipe.objects.filter(key="parsnip-honey").exists()
    bench.get_by_role("button", name="Undo").click()
    eventually(bench, lambda: not Recipe.objects.filter(key="parsnip-honey").exists())
    wrong = tmp_path / "wrong.zip"
    wrong.write_bytes(elsewhere.read_bytes()[:-400])
    bench.get_by_test_id("copy-file").set_input_files(wrong)
    expect(bench.get_by_text(re.compile("This file is damaged, or no copy of a kitchen"))
           ).to_be_visible()
    bench.get_by_test_id("copy-file").set_input_files(elsewhere)
    bench.get_by_role("button", name="Bring it back").click()
    eventually(bench, lambda: Recipe.objects.filter(key="parsnip-honey").exists())


def test_a_second_screen_signs_in_and_is_signed_out_with_all(browser: Browser, tmp_path: Path):
    with served(tmp_path, "--share", "--demo") as (address, _):
        here, there = browser.new_context(), browser.new_context()
        try:
            page, tablet = here.new_page(), there.new_page()
            complaints: list[str] = []
            for one in (page, tablet):
                one.on("pageerror", lambda error: complaints.append(str(error)))
            page.goto(f"{address}/kitchen")
            expect(page.get_by_text("Choose a passphrase")).to_be_visible()
            page.get_by_label("Passphrase").fill(PASSPHRASE)
            page.get_by_label("The same again").fill(PASSPHRASE)
            page.get_by_role("button", name="Choose it").click()
            expect(page.get_by_role("heading", name="Kitchen")).to_be_visible()
            tablet.goto(f"{address}/recipes")
            tablet.get_by_label("Passphrase").fill("a wrong one")
            tablet.get_by_role("button", name="Sign in").click()
            expect(tablet.get_by_role("alert")).to_have_text("This is not the passphrase.")
            tablet.get_by_label("Passphrase").fill(PASSPHRASE)
            tablet.get_by_role("button", name="Sign in").click()
            expect(tablet.get_by_text("Parsnip and honey layer cake").first).to_be_visible()
            page.reload()
            expect(page.get_by_text("2 screens are signed in")).to_be_visible()
            assert violations(page) == []
            page.get_by_role("button", name="Sign every screen out").click()
            expect(page.get_by_role("button", name="Sign in")).to_be_visible()
            tablet.reload()
            expect(tablet.get_by_role("button", name="Sign in")).to_be_visible()
            assert complaints == []
        finally:
            here.close()
            there.close()
