"""Orders as a baker takes, plans and shops for them."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from icalendar import Calendar
from playwright.sync_api import Page, expect

from entremet.kitchen.models import Order
from tests.browser.conftest import violations_in_both
from tests.browser.fits import open_fit
from tests.everyday import sizes

pytestmark = pytest.mark.opens("/orders")

def room(page: Page, view: str = "") -> None:
    page.get_by_role("link", name="Orders").click()
    expect(page.get_by_role("heading", name="Harvest supper")).to_be_visible()
    if view:
        page.get_by_role("radio", name=view).click()


def only(page: Page, *titles: str) -> None:
    """Plan these orders alone."""
    for title in Order.objects.values_list("title", flat=True):
        box = page.get_by_role("listitem").filter(
            has=page.get_by_role("heading", name=title, exact=True)).get_by_role(
                "checkbox", name="Plan it")
        if box.is_checked() is not (title in titles):
            box.click()
        expect(box).to_be_checked(checked=title in titles)


def order_fit(page: Page, title: str) -> None:
    page.get_by_role("button", name="Order", exact=True).click()
    dialog = page.get_by_role("dialog", name="Order this fit")
    dialog.get_by_label("Order", exact=True).fill(title)
    dialog.get_by_role("button", name="Save the order").click()
    expect(page.get_by_text(f"“{title}” is ordered.")).to_be_visible()


@pytest.mark.by_link
def test_two_orders_from_fits_become_a_timetable(bench: Page):
    open_fit(bench, "plum-bergamot", ("round-20", 2), state="finish", finishing={"drip": True})
    order_fit(bench, "Allotment prize")
    open_fit(bench, "parsnip-honey", ("round-18", 2))
    order_fit(bench, "Bell ringers")
    room(bench)
    only(bench, "Allotment prize", "Bell ringers")
    bench.get_by_role("radio", name="Timetable").click()
    by_cake = bench.get_by_role("region", name="Timetable by cake")
    for title in ("Allotment prize", "Bell ringers"):
        row = by_cake.get_by_role("group", name=re.compile(f"^{title}: "))
        expect(row.get_by_role("button", name=re.compile("^Mix · "))).to_be_visible()
    # Two drawn cakes with their strips of load are in sight at once.
    assert by_cake.bounding_box()["height"] < 700
    expect(by_cake.get_by_role("group", name="Main oven").get_by_role("img").first).to_be_visible()
    bench.get_by_role("radio", name="By hand").click()
    lanes = bench.get_by_role("region", name="Timetable over the clock")
    expect(lanes.get_by_role("group", name="Hands").get_by_role("button").first).to_be_visible()
    expect(lanes.get_by_role("group", name="Main oven")).to_be_visible()
    expect(bench.get_by_text(re.compile(r"of hands in"))).to_be_visible()
    bench.get_by_role("radio", name="List").click()
    expect(bench.get_by_role("table").filter(has_text="Bell ringers").first).to_be_visible()
    assert violations_in_both(bench) == []


def test_the_impossible_fourth_has_a_way_out_that_stays_after_a_reload(bench: Page):
    room(bench, "Timetable")
    stuck = bench.get_by_role("region", name="It cannot be done")
    expect(stuck).to_contain_text("No plan was found for")
    expect(stuck).to_contain_text("Second harvest table")
    stuck.get_by_role("button", name="Start a day earlier.").click()
    expect(stuck).to_be_hidden()
    bench.reload()
    expect(bench.get_by_role("region", name="Timetable by cake")).to_be_visible()
    expect(stuck).to_be_hidden()


def test_a_task_is_moved_by_keyboard_done_and_let_go(bench: Page):
    room(bench)
    only(bench, "Choir tea")
    bench.get_by_role("radio", name="Timetable").click()
    lanes = bench.get_by_role("region", name="Timetable by cake")
    mix = lanes.get_by_role("button", name=re.compile("Mix · Parsnip"))
    before = mix.get_attribute("aria-label")
    mix.focus()
    bench.keyboard.press("Shift+ArrowLeft")
    expect(mix).to_have_attribute("aria-label", re.compile("put here"))
    assert mix.get_attribute("aria-label") != before
    mix.click()
    task = bench.get_by_role("region", name="The task")
    task.get_by_role("button", name="It is done").click()
    expect(mix).to_have_attribute("aria-label", re.compile("done"))
    task.get_by_role("button", name="Not done after all").click()
    expect(mix).to_have_attribute("aria-label", before or "")


def test_a_better_plan_is_looked_for_and_stopped(bench: Page):
    room(bench, "Timetable")
    bench.get_by_role("region", name="It cannot be done").get_by_role(
        "button", name="Start a day earlier.").click()
    bench.get_by_role("button", name="Look for a better plan").click()
    bench.get_by_role("button", name="Stop, take the best so far").click()
    expect(bench.get_by_text(re.compile(
        "not proven, within|how far from the best is not known"))).to_be_visible()


def test_the_calendar_file_reads_back(bench: Page):
    room(bench)
    only(bench, "Seed-swap morning")
    bench.get_by_role("radio", name="Timetable").click()
    with bench.expect_download() as saved:
        bench.get_by_role("button", name="Calendar file").click()
    events = Calendar.from_ical(Path(saved.value.path()).read_bytes()).walk("VEVENT")
    due = Order.objects.get(title="Seed-swap morning").due
    box = next(one for one in events if "/box@" in str(one["uid"]))
    assert (due - box["dtend"].dt).total_seconds() == 600  # ten minutes on the way


def test_shopping_is_ticked_and_taken_back(bench: Page):
    room(bench, "Shopping")
    tick = bench.get_by_role("checkbox", name="Bought: Caster sugar")
    tick.click()
    row = bench.get_by_role("listitem").filter(has=tick)
    expect(row).to_contain_text("0 g")
    bench.reload()
    expect(row).to_contain_text("g there")
    expect(tick).to_be_checked()
    assert violations_in_both(bench) == []


def test_an_order_is_added_by_hand_with_a_mistake_and_priced(bench: Page):
    room(bench)
    bench.get_by_role("button", name="Add an order").click()
    dialog = bench.get_by_role("dialog", name="Add an order")
    dialog.get_by_label("Order", exact=True).fill("Choir tea")
    dialog.get_by_role("button", name="Save the order").click()
    expect(dialog.get_by_role("alert")).to_contain_text("Choir tea")
    dialog.get_by_label("Order", exact=True).fill("Late request")
    dialog.get_by_role("button", name="Save the order").click()
    expect(bench.get_by_role("heading", name="Late request")).to_be_visible()
    bench.get_by_role("button", name="Cost: Harvest supper").click()
    cost = bench.get_by_role("dialog", name="What Harvest supper costs")
    expect(cost).to_contain_text("By cost and margin")
    expect(cost).to_contain_text("Hands")
    assert violations_in_both(bench) == []


@pytest.mark.parametrize("width", sizes(360, 820))
def test_orders_are_sound_on_every_screen(bench: Page, width: int):
    bench.set_viewport_size({"width": width, "height": 800})
    room(bench)
    assert violations_in_both(bench) == []
    assert bench.evaluate("document.documentElement.scrollWidth") <= width
    bench.get_by_role("radio", name="Timetable").click()
    if width < 600:
        # On a phone the list comes first.
        expect(bench.get_by_role("radio", name="List")).to_be_checked()
        assert violations_in_both(bench) == []
        bench.get_by_role("radio", name="By cake").click()
    expect(bench.get_by_role("region", name="Timetable by cake")).to_be_visible()
    assert violations_in_both(bench) == []
    assert bench.evaluate("document.documentElement.scrollWidth") <= width


def test_what_another_screen_writes_is_seen_without_a_reload(bench: Page):
    room(bench)
    expect(bench.get_by_role("heading", name="Seed-swap morning")).to_be_visible()
    other = bench.context.new_page()
    other.goto(bench.url)
    written = other.evaluate("""async () => {
        const rows = await (await fetch("/api/orders")).json();
        const one = rows.find((row) => row.title === "Seed-swap morning");
        const {title, due, version, cakes} = {...one, title: "Seed swap at noon"};
        const answer = await fetch(`/api/orders/${one.id}`, {
            method: "PUT", headers: {"Content-Type": "application/json"},
            body: JSON.stringify({title, due, base: version, drive_min: one.drive_min,
                cakes: cakes.map((cake) => ({fit: cake.request, count: cake.count}))})});
        return [answer.status, answer.headers.get("Kitchen-Touched")];
    }""")
    other.close()
    assert written[0] == 200
    assert "orders" in written[1]
    expect(bench.get_by_role("heading", name="Seed swap at noon")).to_be_visible()


def test_the_pans_and_oven_of_an_order_are_changed_in_the_bench(bench: Page):
    room(bench)
    order = bench.get_by_role("listitem").filter(
        has=bench.get_by_role("heading", name="Harvest supper"))
    order.get_by_role("link").first.click()
    strip = bench.get_by_role("region", name="The order of this cake")
    expect(strip).to_contain_text("this is its cake")
    more = bench.get_by_role("button", name=re.compile("^More: ")).first
    more.click()
    expect(strip).to_contain_text("not yet in the order")
    before = Order.objects.get(title="Harvest supper").cakes.first().request
    bench.reload()
    strip.get_by_role("button", name="Put into the order").click()
    expect(strip).to_contain_text("this is its cake")
    after = Order.objects.get(title="Harvest supper").cakes.first().request
    assert after != before
    assert violations_in_both(bench) == []
    strip.get_by_role("link", name="Back to orders").click()
    expect(bench.get_by_role("heading", name="Harvest supper")).to_be_visible()
