"""The logbook in a real browser: bakes narrow a window, come and go, are compared, have a photo."""

from __future__ import annotations

import io
import re
from datetime import timedelta

import pytest
from django.utils import timezone
from PIL import Image
from playwright.sync_api import Page, expect

from entremet.kitchen.models import Bake, BakePhoto
from tests.browser.conftest import eventually, violations, violations_in_both
from tests.browser.fits import open_fit
from tests.demo_rows import put_season
from tests.everyday import sizes

pytestmark = pytest.mark.by_link
PARSNIP = ("parsnip-honey", ("round-18", 2))


def room(page: Page, path: str = "") -> None:
    origin = "/".join(page.url.split("/")[:3])
    page.goto(f"{origin}/logbook{path}")
    expect(page.get_by_role("heading", name="Logbook")).to_be_visible()


def took(page: Page, minutes: int, count: int) -> None:
    field = page.get_by_role("spinbutton", name="Minutes Round 18 took")
    field.fill(str(minutes))
    page.get_by_role("button", name="And it was right").click()
    eventually(page, lambda: Bake.objects.in_use().count() == count)


def test_three_bakes_narrow_a_fits_window_and_one_taken_out_is_gone(bench: Page):
    open_fit(bench, *PARSNIP, state="bake")
    row = bench.get_by_role("region", name="Round 18")
    expect(row).to_contain_text("no later than 42")
    for count in (1, 2, 3):
        took(bench, 38, count)
    expect(row).to_contain_text("Last time in Round 18: 38 min, right")
    bench.reload()
    bench.get_by_role("button", name="Why and what if").click()
    expect(bench.get_by_text(re.compile("Learnt from 3 bakes, 3 in this oven, 3 of this recipe"))
           ).to_be_visible()
    room(bench)
    rows = bench.get_by_role("list", name="Bakes").get_by_role("listitem")
    expect(rows).to_have_count(3)
    bench.get_by_role("button", name=re.compile("^Open Parsnip")).first.click()
    bench.get_by_role("button", name="Take it out of the logbook").click()
    expect(rows).to_have_count(2)
    open_fit(bench, *PARSNIP, state="bake")
    bench.get_by_role("button", name="Why and what if").click()
    expect(bench.get_by_text(re.compile("Learnt from 2 bakes"))).to_be_visible()
    room(bench)
    bench.get_by_role("button", name=re.compile("^Open Parsnip")).first.click()
    bench.get_by_role("button", name="Take it out of the logbook").click()
    bench.get_by_role("button", name="Undo").click()
    expect(rows).to_have_count(2)


@pytest.fixture
def season(bench: Page) -> Page:
    put_season()
    return bench


def test_the_room_and_what_it_taught_stand_up_to_axe(season: Page):
    for path in ("", "/taught"):
        room(season, path)
        expect(season.get_by_role("img").first).to_be_visible()
        assert violations_in_both(season) == []
    for width, height in sizes((390, 844), (820, 1180)):
        season.set_viewport_size({"width": width, "height": height})
        for path in ("", "/taught"):
            room(season, path)
            expect(season.get_by_role("img").first).to_be_visible()
            assert violations(season) == []
            assert season.evaluate(
                "document.documentElement.scrollWidth <= window.innerWidth")
    expect(season.get_by_role("navigation", name="Rooms").get_by_text("Logbook")
           ).to_be_in_viewport()


def test_a_bake_is_found_judged_and_given_a_photo(season: Page):
    room(season)
    rows = season.get_by_role("list", name="Bakes").get_by_role("listitem")
    expect(rows.first).to_be_visible()
    season.keyboard.press("/")
    season.keyboard.type("cornmeal main")
    expect(rows).to_have_count(2)
    season.get_by_role("searchbox").fill("parsnip round 18")
    # The list has to be that of the words before one of it is taken: the one above has a photo.
    expect(rows).to_have_count(Bake.objects.found_by("parsnip round 18").count())
    season.get_by_role("button", name=re.compile("^Open Parsnip")).first.click()
    dialog = season.get_by_role("dialog")
    picture = io.BytesIO()
    Image.new("RGB", (300, 200), (200, 150, 90)).save(picture, "PNG")
    with season.expect_file_chooser() as chosen:
        dialog.get_by_role("button", name="Add a photo").click()
    chosen.value.set_files({"name": "cake.png", "mimeType": "image/png",
                            "buffer": picture.getvalue()})
    expect(dialog.get_by_role("img", name=re.compile("Photo of Parsnip"))).to_be_visible()
    assert violations(season) == []
    dialog.get_by_label("Note").fill("Seeds toasted darker")
    dialog.get_by_role("button", name="Keep").click()
    expect(dialog).to_have_count(0)
    expect(rows.first.get_by_text("Seeds toasted darker")).to_be_visible()
    # The season has one of its own.
    assert BakePhoto.objects.count() == 2
    shown = rows.first.get_by_role("img", name=re.compile("Photo of"))
    assert shown.evaluate("one => one.decode().then(() => one.naturalWidth)") == 300


def test_two_bakes_are_compared(season: Page):
    room(season)
    season.get_by_role("searchbox").fill("black sesame")
    # The list has to be that of the words before one of it is taken.
    expect(season.get_by_role("button", name=re.compile("^Compare (?!Black)"))).to_have_count(0)
    season.get_by_role("button", name=re.compile("^Compare Black")).first.click()
    season.get_by_role("button", name=re.compile("^Compare with Black")).last.click()
    table = season.get_by_role("table")
    expect(table.get_by_role("rowheader", name="Likely")).to_be_visible()
    assert violations(season) == []
    season.reload()
    expect(table.get_by_role("rowheader", name="Likely")).to_be_visible()


def test_an_oven_is_set_back_and_counted_again(season: Page):
    room(season, "/taught")
    line = season.get_by_text(re.compile("Main oven is . % slower than its dial says"))
    expect(line).to_be_visible()
    season.get_by_role("button", name="Set back what was learnt of Main oven").click()
    expect(line).to_have_count(0)
    season.get_by_role("button", name=re.compile("earlier bakes of Main oven")).click()
    expect(line).to_be_visible()


def test_an_odd_bake_is_answered_for(season: Page):
    room(season, "/taught")
    season.get_by_role("button", name=re.compile("leave it out")).click()
    expect(season.get_by_role("heading", name="To be asked about")).to_have_count(0)
    assert Bake.objects.filter(counted="left_out").count() == 1


def test_a_bake_is_entered_again_in_three_taps(season: Page):
    Bake.objects.update(baked_at=timezone.now() - timedelta(days=9))
    before = Bake.objects.count()
    room(season)
    season.get_by_role("button", name="Enter a bake").click()
    season.get_by_role("dialog").get_by_role(
        "button", name=re.compile("Round 18")).first.click()
    assert violations(season) == []
    season.get_by_role("dialog").get_by_role("radio", name="Right").click()
    season.get_by_role("button", name="Into the logbook").click()
    expect(season.get_by_text("It is in the logbook.")).to_be_visible()
    eventually(season, lambda: Bake.objects.count() == before + 1)
    newest = Bake.objects.latest("logged_at")
    assert (newest.how, newest.pan_label) == ("right", "Round 18")


def test_the_logbook_goes_out_and_in_as_a_file(season: Page):
    room(season)
    season.get_by_role("button", name="Files").click()
    with season.expect_download() as saved:
        season.get_by_role("menuitem", name=re.compile("JSON\\)")).click()
    path = saved.value.path()
    Bake.objects.all().delete()
    with season.expect_file_chooser() as chosen:
        season.get_by_role("button", name="Files").click()
        season.get_by_role("menuitem", name=re.compile("Bring bakes in")).click()
    chosen.value.set_files(path)
    expect(season.get_by_text("42 bakes came in, 0 were here already.")).to_be_visible()
    assert Bake.objects.count() == 42
