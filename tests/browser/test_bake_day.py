"""A day led through: to its end, over a reload, on two screens, with the server away."""

from __future__ import annotations

import re
import time
from datetime import timedelta

import pytest
from django.db.models import F
from playwright.sync_api import BrowserContext, Page, expect

from entremet.core.running.state import state_of
from entremet.core.running.timers import timers_of
from entremet.kitchen.actions import day_sheets, news, readings, running
from entremet.kitchen.actions.day_log import events_of
from entremet.kitchen.models import Day, Device, Leftover, Order, Tick
from tests.browser.conftest import eventually, violations_in_both
from tests.browser.fits import open_fit, what_else
from tests.everyday import sizes

PLUM = ("plum-bergamot", ("round-20", 2))
RING = ("pear-ring", ("fluted-ring", 1))


@pytest.fixture(autouse=True)
def no_devices_left():
    yield
    for device in Device.objects.all():
        readings.forget_device(device)


def bake_now(page: Page, recipe=PLUM, **more) -> Day:
    open_fit(page, *recipe, state="bake", **more)
    what_else(page)
    page.get_by_role("button", name="Bake it now").click()
    expect(page.get_by_role("region", name="Now")).to_be_visible()
    return Day.objects.latest("pk")


def later(minutes: float) -> None:
    """Let time pass: all that was ticked was ticked so much earlier."""
    span = timedelta(minutes=minutes)
    Tick.objects.update(at=F("at") - span)
    Day.objects.update(started_at=F("started_at") - span)
    news.tell()


def stands(day: Day):
    return state_of(day_sheets.sheet_in(day), events_of(day), running.right_now())


def tick(day: Day, *kinds: str, until: str = "") -> None:
    """Tick steps of these kinds on another screen, and with weighing out what is got ready."""
    for place, step in enumerate(day_sheets.sheet_in(day).steps):
        ready = "weigh" in kinds and step.id.part.startswith("ready")
        if step.kind.value in kinds or ready:
            Tick.objects.create(day=day, key=f"other-{step.kind.value}-{place}-{time.time():.3f}",
                                kind="done", step=step.id.text, at=running.right_now())
    news.tell()


def put_in(day: Day) -> str:
    key = next(one.id.text for one in day_sheets.sheet_in(day).steps if one.kind.value == "bake")
    tick(day, "take_out", "weigh", "line", "heat", "mix", "fill")
    Tick.objects.create(day=day, key=f"put-in-{key}"[:40], kind="put_in", step=key,
                        at=running.right_now())
    news.tell()
    return key


def ticks_grow(page: Page, before: int) -> None:
    """Wait for a tick; a touch that came as the sheet changed under it may have done nothing."""
    for _ in range(40):
        if Tick.objects.count() > before:
            return
        page.wait_for_timeout(50)


@pytest.mark.by_link
def test_a_whole_day_from_start_to_end_with_a_reload_in_the_middle(bench: Page):
    day = bake_now(bench)
    now = bench.get_by_role("region", name="Now")
    seen = set()
    for turn in range(60):
        state = stands(day)
        if turn == 12:
            bench.reload()
        expect(now.get_by_role("button").first.or_(now.get_by_text("Nothing for hands")).first
               ).to_be_visible()
        heading = now.inner_text()
        before = Tick.objects.count()
        if "All done." in heading:
            break
        if "First look" in heading or "Look again" in heading:
            seen.add("look")
            now.get_by_role("button", name=re.compile("^Done")).click()
        elif "Nothing for hands" in heading:
            coming = [one.at for one in timers_of(state)
                      if one.calls and one.at > running.right_now()]
            if not coming:
                break
            later(max(0.1, (min(coming) - running.right_now()).total_seconds() / 60 + 0.05))
            bench.wait_for_timeout(400)
            continue
        elif now.get_by_role("button", name="All weighed").is_visible():
            seen.add("weigh")
            now.get_by_role("button", name="All weighed").click()
        else:
            bench.keyboard.press(" ")
        ticks_grow(bench, before)
        bench.wait_for_timeout(120)
    assert {"look", "weigh"} <= seen
    expect(now.get_by_text("All done.")).to_be_visible()
    now.get_by_role("button", name="How it was").click()
    end = bench.get_by_role("dialog", name="End the day")
    end.get_by_role("radio", name="Right").click()
    end.get_by_role("radio", name="Domed").click()
    end.get_by_label(re.compile("buttercream", re.IGNORECASE)).first.fill("80")
    assert violations_in_both(bench) == []
    end.get_by_role("button", name="End the day").click()
    expect(now.get_by_text("This day is over.")).to_be_visible()
    assert Leftover.objects.exists()
    assert Day.objects.get(pk=day.pk).how["bakes"][0]["how"] == "right"


@pytest.mark.by_link
def test_at_the_first_look_three_answers_and_what_each_does(bench: Page):
    day = bake_now(bench)
    put_in(day)
    running_list = bench.get_by_role("region", name="Running")
    expect(running_list.get_by_role("group", name=re.compile("First look"))).to_be_visible()
    later(40)
    now = bench.get_by_role("region", name="Now")
    expect(now).to_contain_text("First look")
    assert violations_in_both(bench) == []
    now.get_by_role("button", name=re.compile("Not yet")).click()
    expect(running_list.get_by_role("group", name=re.compile("Look again"))).to_be_visible()
    later(10)
    expect(now).to_contain_text("Look again")
    known = Tick.objects.count()
    now.get_by_role("button", name=re.compile("Too dark")).click()
    eventually(bench, lambda: Tick.objects.count() > known)
    later(10)
    expect(now).to_contain_text("It is covered")
    bench.keyboard.press("Backspace")
    expect(now.get_by_role("button", name=re.compile("Too dark"))).to_be_visible()
    now.get_by_role("button", name=re.compile("^Done")).click()
    expect(running_list.get_by_role("group", name=re.compile("Out of the pan"))).to_be_visible()


@pytest.mark.by_link
def test_two_screens_agree_within_two_seconds(bench: Page, kept_context: BrowserContext):
    bake_now(bench)
    second = kept_context.new_page()
    second.goto(bench.url)
    first_now = bench.get_by_role("region", name="Now")
    other_now = second.get_by_role("region", name="Now")
    expect(other_now.get_by_role("button", name="Done")).to_be_visible()
    words = other_now.inner_text()
    bench.keyboard.press(" ")
    start = time.monotonic()
    while other_now.inner_text() == words:
        assert time.monotonic() - start < 2
        second.wait_for_timeout(50)
    second.get_by_role("button", name="Take back").click()
    start = time.monotonic()
    while first_now.inner_text() != words:
        assert time.monotonic() - start < 2
        bench.wait_for_timeout(50)


@pytest.mark.by_link
def test_ticks_made_while_the_server_is_away_arrive_once_and_in_order(
        bench: Page, kept_context: BrowserContext):
    day = bake_now(bench)
    now = bench.get_by_role("region", name="Now")
    kept_context.set_offline(True)
    try:
        leads = []
        for _ in range(3):
            leads.append(now.inner_text())
            bench.keyboard.press(" ")
            expect(now).not_to_have_text(leads[-1], use_inner_text=True)
        expect(bench.get_by_role("alert")).to_contain_text("ticks wait")
        assert Tick.objects.count() == 0
        assert len(set(leads)) == 3
    finally:
        kept_context.set_offline(False)
    eventually(bench, lambda: day.ticks.count() == 3)
    expect(bench.get_by_role("alert")).to_be_hidden()
    at = list(day.ticks.order_by("id").values_list("at", flat=True))
    assert at == sorted(at)
    bench.reload()
    expect(now.get_by_role("button", name="Done")).to_be_visible()
    assert Tick.objects.count() == 3


KEPT = """async () => (await (await caches.open((await caches.keys()).find(
    (one) => one.startsWith("entremet-open-day")) ?? "none")).keys())
    .map((one) => new URL(one.url).pathname)"""


@pytest.mark.by_link
def test_a_reload_at_the_oven_needs_no_server_and_its_clocks_go_on(
        bench: Page, kept_context: BrowserContext):
    day = bake_now(bench)
    running = bench.get_by_role("region", name="Running")
    put_in(day)
    expect(running).to_contain_text(re.compile(r"\d+:\d\d"))
    bench.evaluate("() => navigator.serviceWorker.ready.then(() => true)")
    eventually(bench, lambda: {f"/api/days/{day.pk}", "/api/kitchen"} <= set(bench.evaluate(KEPT)))
    bench.wait_for_timeout(2000)
    now = bench.get_by_role("region", name="Now")
    kept_context.set_offline(True)
    try:
        left, lead = seconds_left(running.inner_text()), now.inner_text()
        bench.reload()
        # The kitchen's clock went on, though nobody could ask it.
        expect(running).to_contain_text(re.compile(r"\d+:\d\d"))
        assert 0 <= left - seconds_left(running.inner_text()) <= 15
        assert now.inner_text() == lead
        bench.keyboard.press(" ")
        expect(now).not_to_have_text(lead, use_inner_text=True)
        ticked = now.inner_text()
        bench.reload()
        expect(now).to_have_text(ticked, use_inner_text=True)
    finally:
        kept_context.set_offline(False)
    eventually(bench, lambda: day.ticks.exclude(key__startswith="other").count() == 2)


def seconds_left(words: str) -> int:
    minutes, seconds = re.findall(r"(\d+):(\d\d)", words)[0]
    return int(minutes) * 60 + int(seconds)


@pytest.mark.by_link
def test_two_pans_are_filled_on_the_stand_in_scale(
        bench: Page, monkeypatch: pytest.MonkeyPatch):
    monkeypatch.setattr("entremet.devices.scale.FLOW_G_S", 1000)
    day = bake_now(bench)
    tick(day, "take_out", "weigh", "line", "heat", "mix")
    now = bench.get_by_role("region", name="Now")
    expect(now).to_contain_text("pan 1 of 2")
    bench.get_by_role("button", name="Scale and probe").click()
    panel = bench.get_by_role("dialog", name="Scale and probe")
    panel.get_by_role("button", name="Stand-in scale").click()
    own = panel.get_by_role("region", name="Stand-in scale")
    own.get_by_role("button", name="Put the bowl on, 300 g").click()
    expect(own).to_contain_text(re.compile(r"(299|300|301) g"))
    assert violations_in_both(bench) == []
    panel.get_by_role("button", name="Close").click()
    expect(now).to_contain_text("this line from zero")
    # The bowl may have come on before the line's first reading or after it, and still settle.
    expect(now).to_contain_text(re.compile(r"\d{2,} g on it"))
    now.get_by_role("button", name="Zero with what is on it").click()
    expect(now).to_contain_text(re.compile(r"(299|30[01]) g on it, this line from zero"))
    scale = readings.simulator(Device.objects.get())
    wanted = next(one for one in day_sheets.sheet_in(day).steps
                  if one.kind.value == "fill").pours[0].each_g
    scale.pour(100)
    meter = now.get_by_role("meter", name="On the scale")
    expect(meter).to_have_attribute("aria-valuenow", re.compile(r"^(9[789]|10[0123])$"))
    expect(now).to_contain_text("g more")
    scale.pour(wanted - 100 + 30)
    expect(now).to_contain_text("g too much")
    bench.keyboard.press(" ")
    expect(now).to_contain_text("pan 2 of 2")
    expect(now).to_contain_text("Over by")
    poured = Tick.objects.get(kind="poured")
    assert poured.amount == pytest.approx(wanted + 30, abs=3)


@pytest.mark.by_link
def test_a_ring_calls_loudly_within_a_second_also_in_the_background(
        bench: Page, kept_context: BrowserContext):
    day = bake_now(bench, RING)
    key = put_in(day)
    later(45)
    Tick.objects.create(day=day, key="ring-is-out", kind="done", step=key,
                        at=running.right_now())
    (timer,) = [one for one in timers_of(stands(day)) if one.kind.value == "out_of_pan"]
    assert timer.loud
    news.tell()
    group = bench.get_by_role("group", name=re.compile("Out of the pan"))
    expect(group.get_by_role("timer")).to_have_text(re.compile(r"^\d+:\d\d$"))
    left = (timer.at - running.right_now()).total_seconds()
    # Due six seconds after what is left was read, however long it takes to tell the page.
    due = time.time() + 6
    later((left - 6) / 60)
    front = kept_context.new_page()
    front.goto("about:blank")
    front.bring_to_front()
    front.wait_for_timeout(max(0.0, due - time.time()) * 1000 + 1200)
    made = bench.evaluate(
        "key => performance.getEntriesByName(`call ${key}`).map(one => "
        "performance.timeOrigin + one.startTime)", timer.key)
    assert made
    assert abs(made[0] / 1000 - due) <= 1.5
    assert bench.title().startswith("Out of the pan")
    front.wait_for_timeout(4000)
    assert bench.evaluate("key => performance.getEntriesByName(`call ${key}`).length",
                          timer.key) >= 2


def test_a_planned_day_is_started_from_its_timetable(bench: Page):
    bench.get_by_role("link", name="Bake day").click()
    bench.get_by_role("button", name="Start Choir tea").click()
    now = bench.get_by_role("region", name="Now")
    expect(now).to_contain_text("Choir tea")
    expect(bench.get_by_role("region", name="Then")).to_contain_text("planned")
    bench.get_by_role("button", name="All steps").click()
    steps = bench.get_by_role("dialog", name="All steps")
    expect(steps.get_by_role("row").first).to_be_visible()
    assert violations_in_both(bench) == []
    steps.get_by_role("button", name="Close").click()
    bench.get_by_role("button", name="Other days").click()
    expect(bench.get_by_role("heading", name="Under way")).to_be_visible()
    bench.get_by_role("button", name="Start Choir tea").click()
    expect(bench.get_by_role("alert")).to_contain_text("under way already")
    bench.get_by_role("button", name="Remove Choir tea").click()
    bench.get_by_role("button", name="Really remove Choir tea").click()
    expect(bench.get_by_role("heading", name="Under way")).to_be_hidden()
    assert Order.objects.filter(title="Choir tea", done=False).exists()


@pytest.mark.parametrize("width", sizes(390, 820))
@pytest.mark.by_link
def test_the_run_sheet_is_sound_on_every_screen(bench: Page, width: int):
    bench.set_viewport_size({"width": width, "height": 844})
    day = bake_now(bench)
    put_in(day)
    expect(bench.get_by_role("group", name=re.compile("First look"))).to_be_visible()
    assert violations_in_both(bench) == []
    assert bench.evaluate("document.documentElement.scrollWidth") <= width
