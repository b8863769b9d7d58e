"""A day over the API: started, ticked from two screens, weighed, watched by a probe, ended."""

from __future__ import annotations

import json
import math
from datetime import UTC, datetime, time, timedelta

import pytest

from entremet.kitchen.actions import news, readings
from entremet.kitchen.api import streams
from entremet.kitchen.models import Day, Device, Leftover, Order, Tick, Workday

SATURDAY = datetime(2027, 3, 20, 10, tzinfo=UTC)
PLUM = ("plum-bergamot", "round-20")


@pytest.fixture
def fit(demo, recipe_id, pan_id):
    def of(recipe="plum-bergamot", pan="round-20", count=2):
        return {"recipe": recipe_id(recipe), "into": [{"pan": pan_id(pan), "count": count}]}
    return of


@pytest.fixture
def day(fit, post):
    answer = post("/api/days", {"fit": fit()})
    assert answer.status_code == 201, answer.content
    return answer.json()


def step(day, kind, place=0):
    return [one for one in day["steps"] if one["kind"] == kind][place]


def done(day, *kinds):
    # Butter for a buttercream comes out of the fridge later than what the batter takes.
    return [{"kind": "done", "step": one["key"]} for one in day["steps"]
            if one["kind"] in kinds and "take_out_" not in one["key"]]


def baking(day, tick, *, ago_min=0.0):
    """A day whose bake went in some minutes ago."""
    Day.objects.filter(pk=day["id"]).update(
        started_at=datetime.now(tz=UTC) - timedelta(hours=6))
    early = [{**one, "ago_s": 5 * 3600} for one in done(
        day, "take_out", "weigh", "heat", "line", "mix", "fill")]
    return tick(day, *early, {"kind": "put_in", "step": step(day, "bake")["key"],
                              "ago_s": ago_min * 60})


def test_a_fit_is_baked_at_once_and_led_through(day, tick, client):
    assert day["act"] == "do"
    assert [one["title"] for one in client.get("/api/days").json()] == [day["title"]]
    weigh = step(day, "weigh")
    assert all(one["g"] > 0 for one in weigh["amounts"] if one["g"] is not None)
    first = day["lead"]
    after = tick(day, {"kind": "done", "step": first})
    assert after["lead"] != first
    back = tick(day, {"kind": "undo", "step": after["last_tick"]})
    assert back["lead"] == first
    assert client.get(f"/api/days/{day['id']}").json()["lead"] == first


def test_a_moment_is_the_same_text_whoever_says_it(day, tick, client):
    under_way = baking(day, tick, ago_min=3)
    streamed = events(client.get(f"/api/days/{day['id']}/stream"))[0][1]
    for other in (client.get(f"/api/days/{day['id']}").json(), streamed):
        assert other["started_at"] == under_way["started_at"]
        assert other["timers"] == under_way["timers"]


def test_the_bake_is_looked_at_and_answers_move_it(day, tick):
    under_way = baking(day, tick, ago_min=1)
    timers = {one["kind"]: one for one in under_way["timers"]}
    assert {"first_look", "likely", "latest"} <= timers.keys()
    assert not timers["likely"]["calls"]
    bake = step(under_way, "bake")
    assert bake["stand"] == "running"
    looked = baking(day, tick, ago_min=0)
    assert looked["act"] != "look"
    Tick.objects.filter(kind="put_in").update(
        at=datetime.now(tz=UTC) - timedelta(minutes=bake["bake"]["first_look_min"] + 0.1))
    looked = tick(day)
    assert (looked["act"], looked["lead"]) == ("look", bake["key"])
    assert step(looked, "bake")["bake"]["signs"]
    waiting = tick(day, {"kind": "not_yet", "step": bake["key"]})
    assert waiting["act"] != "look"
    again = next(one for one in waiting["timers"] if one["kind"] == "look_again")
    wait = datetime.fromisoformat(again["at"]) - datetime.fromisoformat(waiting["now"])
    assert wait.total_seconds() / 60 == pytest.approx(bake["bake"]["give_min"], abs=0.1)
    dark = tick(day, {"kind": "too_dark", "step": bake["key"]})
    assert step(dark, "bake")["bake"]["covered"]
    out = tick(day, {"kind": "done", "step": bake["key"]})
    assert step(out, "bake")["stand"] == "done"
    assert {one["kind"] for one in out["timers"]} == {"out_of_pan"}


def test_ticks_sent_twice_out_of_order_and_late_count_once_when_they_were_made(day, post):
    mix = step(day, "mix")["key"]
    Day.objects.update(started_at=datetime.now(tz=UTC) - timedelta(hours=1))
    one = {"id": "screen-a-1", "kind": "done", "step": mix, "ago_s": 600}
    for _ in range(2):
        answer = post(f"/api/days/{day['id']}/events", {"events": [one, one]}).json()
    assert Tick.objects.count() == 1
    made = datetime.fromisoformat(step(answer, "mix")["ended"])
    now = datetime.fromisoformat(answer["now"])
    assert (now - made).total_seconds() == pytest.approx(600, abs=5)
    unknown = post(f"/api/days/{day['id']}/events", {"events": [
        {"id": "screen-a-2", "kind": "done", "step": "of/another/day"}]})
    assert unknown.status_code == 200


@pytest.mark.parametrize("wrong", [
    {"id": "short", "kind": "done"}, {"id": "long-enough-1", "kind": "baked"},
    {"id": "long-enough-1", "kind": "done", "ago_s": -1},
    {"id": "long-enough-1", "kind": "poured", "amount": "lots"},
    {"id": "long-enough-1", "kind": "done", "more": 1}])
def test_nonsense_is_refused_and_keeps_nothing(day, post, wrong):
    assert post(f"/api/days/{day['id']}/events", {"events": [wrong]}).status_code == 422
    assert Tick.objects.count() == 0


def test_pans_are_filled_one_after_the_other_with_what_each_still_wants(day, tick):
    fill = step(day, "fill")
    wanted = fill["pans"][0]["wanted_g"]
    assert len(fill["pans"]) == 2
    poured = tick(day, {"kind": "poured", "step": fill["key"], "place": 0,
                        "amount": round(wanted * 1.1)})
    pans = step(poured, "fill")["pans"]
    assert pans[0]["over"].startswith("Over by")
    assert "the other 1" in pans[0]["over"]
    assert pans[1]["left_g"] == pytest.approx(wanted)
    filled = tick(day, {"kind": "poured", "step": fill["key"], "place": 0, "amount": wanted},
                  {"kind": "poured", "step": fill["key"], "place": 1, "amount": wanted - 4})
    assert step(filled, "fill")["pans"][0]["over"] == ""
    assert step(filled, "fill")["bowl_loss_g"] >= 4


def test_what_is_done_by_hand_is_done_and_says_no_grams(day, tick):
    fill, weigh = step(day, "fill"), step(day, "weigh")
    told = tick(day, *({"kind": "poured", "step": fill["key"], "place": place}
                       for place in range(2)),
                {"kind": "weighed", "step": weigh["key"], "place": 0})
    pans = step(told, "fill")["pans"]
    assert [(one["filled"], one["poured_g"], one["over"]) for one in pans] == [(True, None, "")] * 2
    assert step(told, "fill")["bowl_loss_g"] is None
    first = step(told, "weigh")["amounts"][0]
    assert (first["weighed"], first["weighed_g"]) == (True, None)
    assert first["marks"]["near_g"] < first["marks"]["least_g"] < first["marks"]["most_g"]
    nameless = [one for one in step(told, "weigh")["amounts"] if one["g"] is None]
    assert all(one["marks"] is None for one in nameless)


def test_batter_that_waits_too_long_is_said(day, tick):
    Day.objects.update(started_at=datetime.now(tz=UTC) - timedelta(hours=9))
    long_ago = [{**one, "ago_s": 8 * 3600} for one in done(
        day, "take_out", "weigh", "heat", "line", "mix", "fill")]
    told = tick(day, *long_ago)
    said = [one for one in told["findings"] if one["code"] == "waited_too_long"]
    assert [one["subject"] for one in said] == [step(day, "bake")["key"]]
    assert "at most" in said[0]["text"]


def curve(bake, minutes, true_min, start=20.0, done_c=96.0, oven=170.0, every=15):
    rise = math.log((oven - start) / (oven - done_c))
    tau = (true_min - 7) / rise
    return [{"device": "probe", "t": float(t), "air_c": oven, "centre_c": oven - (
        oven - start) * math.exp(-max(0.0, t / 60 - 7) / tau)}
        for t in range(0, int(minutes * 60) + 1, every)]


@pytest.fixture
def probe(post, client):
    answer = post("/api/devices", {"kind": "probe", "name": "Probe"})
    assert answer.status_code == 201
    yield answer.json()
    readings.forget_device(readings.device_row(answer.json()["id"]))


def test_a_probe_narrows_the_window_and_says_nothing_is_done(day, tick, post, client, probe):
    under_way = baking(day, tick, ago_min=16)
    bake = step(under_way, "bake")
    client.put(f"/api/devices/{probe['id']}/watch", {"day": day["id"], "step": bake["key"]},
               "application/json")
    before = client.get(f"/api/days/{day['id']}").json()
    assert step(before, "bake")["bake"]["latest_min"] == bake["bake"]["latest_min"]
    core = Day.objects.get(pk=day["id"]).sheet
    times = next(one["bake"] for one in core["steps"] if one.get("bake"))
    true = 1.08 * times["likely_min"]
    readings_of = curve(bake, 15.9, true, times["start_c"], times["done_c"], times["oven_c"])
    sent = post(f"/api/devices/{probe['key']}/readings", {"readings": readings_of})
    assert sent.status_code == 204
    after = client.get(f"/api/days/{day['id']}").json()
    found = step(after, "bake")["bake"]
    assert found["readings"] > 20
    assert found["likely_min"] == pytest.approx(true, rel=0.03)
    assert found["latest_min"] - found["early_min"] < 0.6 * (
        bake["bake"]["latest_min"] - bake["bake"]["early_min"])
    assert found["first_look_min"] == bake["bake"]["first_look_min"]
    assert step(after, "bake")["stand"] == "running"
    assert found["air_off_c"] == pytest.approx(0, abs=0.5)
    assert after["findings"] == []
    # The picture of its inside goes by the probe's minute, not by the plan's.
    inside = client.get(f"/api/days/{day['id']}/inside", {"step": bake["key"]}).json()
    assert inside["likely_min"] == round(found["likely_min"])
    assert inside["minutes"][inside["likely"]] == pytest.approx(found["likely_min"], abs=0.2)
    assert inside["middle_c"][inside["likely"]] == pytest.approx(times["done_c"], abs=1)


def test_readings_need_a_key_and_a_scale_watches_nothing(post, put_json, demo):
    assert post("/api/devices/nobody-knows-it/readings", {"readings": []}).status_code == 404
    scale = post("/api/devices", {"kind": "scale", "name": "Scale"}).json()
    wrong = post(f"/api/devices/{scale['key']}/readings", {"readings": [
        {"device": "probe", "t": 1, "centre_c": 60}]})
    assert wrong.status_code == 422
    assert "that of a scale" in wrong.json()["detail"]
    right = post(f"/api/devices/{scale['key']}/readings", {"readings": [
        {"device": "scale", "t": 1, "g": 60}]})
    assert right.status_code == 204
    refused = put_json(f"/api/devices/{scale['id']}/watch", {"day": None})
    assert refused.status_code == 422
    played = post(f"/api/devices/{scale['id']}/play", {"do": "pour", "g": 100})
    assert played.status_code == 422
    assert "real one" in played.json()["detail"]


@pytest.fixture
def put_json(client):
    return lambda path, body: client.put(path, body, "application/json")


def test_a_simulated_scale_is_poured_onto_tared_and_lifted(post, demo):
    scale = post("/api/devices", {"kind": "scale", "name": "Stand-in", "simulated": True}).json()

    def play(**what):
        post(f"/api/devices/{scale['id']}/play", what)
        for _ in range(40):
            readings.beat(scale["id"])
        return readings.latest_of(scale["id"])
    poured = play(do="pour", g=430)
    assert poured.stable
    assert poured.g == pytest.approx(430, abs=1.5)
    assert not poured.overload
    assert play(do="tare").g == pytest.approx(0, abs=1.5)
    assert play(do="battery").battery_low
    readings._simulated[scale["id"]].load_g = 20_000
    full = play(do="tare")
    assert (full.overload, full.stable, full.g, full.centre_c) == (True, False, None, None)
    silent = play(do="link")
    assert play(do="pour", g=50) == silent
    readings.forget_device(readings.device_row(scale["id"]))
    assert Device.objects.count() == 0


def events(response, most=4):
    found = []
    for chunk in response.streaming_content:
        text = chunk.decode()
        if text.startswith("event:"):
            name, data = text.strip().split("\n")
            found.append((name.removeprefix("event: "), json.loads(data.removeprefix("data: "))))
        if text.startswith(": here") or len(found) >= most:
            break
    response.close()
    return found


def test_a_stream_says_how_the_day_stands_and_gives_its_place_back(day, client):
    found = events(client.get(f"/api/days/{day['id']}/stream"))
    assert found[0][0] == "day"
    assert found[0][1]["lead"] == day["lead"]
    assert streams.streams_open() == 0
    assert client.get("/api/days/99999/stream").status_code == 404


def test_streams_end_when_the_program_stops(day, client, monkeypatch):
    monkeypatch.setattr(news, "_closing", False)
    response = client.get(f"/api/days/{day['id']}/stream")
    told = []
    for chunk in response.streaming_content:
        told.append(chunk)
        if chunk.startswith(b": here"):
            news.close_down()
    assert len(told) == 3
    assert streams.streams_open() == 0


def test_more_screens_than_threads_are_answered_once_each(day, client, monkeypatch):
    monkeypatch.setattr(streams, "MOST_STREAMS", 0)
    response = client.get(f"/api/days/{day['id']}/stream")
    told = b"".join(response.streaming_content).decode()
    assert told.count("event: day") == 1
    assert streams.streams_open() == 0


@pytest.fixture
def order(demo, post, fit):
    Order.objects.all().delete()
    answer = post("/api/orders", {"title": "Harvest supper", "due": SATURDAY.isoformat(),
                                  "cakes": [{"fit": fit()}]})
    assert answer.status_code == 201, answer.content
    return answer.json()


def test_a_day_of_orders_ends_with_them_done_and_leftovers_in_the_larder(order, post, tick):
    day = post("/api/days", {"orders": [order["id"]]}).json()
    assert day["expected"][0]["order"] == "Harvest supper"
    assert day["expected"][0]["due"] is not None
    assert all(one["planned"] for one in day["steps"] if ":soft" not in one["key"])
    all_done = [event for one in day["steps"] for event in (
        [{"kind": "put_in", "step": one["key"]}] if one["kind"] == "bake" else []) + [
            {"kind": "done", "step": one["key"]}]]
    over = tick(day, *all_done)
    assert over["act"] == "end"
    body = {"bakes": [{"step": step(day, "bake")["key"], "how": "right", "top": "domed"}],
            "leftovers": [{"name": "Bergamot buttercream", "g": 120}]}
    ended = post(f"/api/days/{day['id']}/finish", body).json()
    assert ended["ended_at"] is not None
    assert ended["timers"] == []
    assert Order.objects.get(pk=order["id"]).done
    assert Leftover.objects.get(name="Bergamot buttercream").g == 120
    assert Day.objects.get().how["bakes"][0]["top"] == "domed"
    assert post(f"/api/days/{day['id']}/finish", body).status_code == 422
    tick(day, {"kind": "done", "step": "x"}, status=422)
    again = post(f"/api/days/{day['id']}/reopen", {}).json()
    assert again["ended_at"] is None
    assert not Order.objects.get(pk=order["id"]).done
    assert not Leftover.objects.exists()
    assert post(f"/api/days/{day['id']}/reopen", {}).status_code == 422
    post(f"/api/days/{day['id']}/finish", body)
    assert Leftover.objects.get(name="Bergamot buttercream").g == 120


def test_an_order_that_is_renamed_on_its_day_is_done_with_it(order, post, tick):
    day = post("/api/days", {"orders": [order["id"]]}).json()
    Order.objects.filter(pk=order["id"]).update(title="Harvest supper, moved to the barn")
    boxes = [one["key"] for one in day["steps"] if one["kind"] == "box"]
    tick(day, *({"kind": "done", "step": one} for one in boxes))
    post(f"/api/days/{day['id']}/finish", {})
    assert Order.objects.get(pk=order["id"]).done


def test_what_is_done_in_the_plan_is_done_on_the_sheet(order, post, put_json):
    plan = post("/api/plan", {"orders": [order["id"]]}).json()
    for name in ("/weigh", "/bake0"):
        task = next(one for one in plan["tasks"] if one["key"].endswith(name))
        put_json("/api/plan/tasks", {"key": task["key"], "start": task["start"], "done": True})
    day = post("/api/days", {"orders": [order["id"]]}).json()
    assert step(day, "weigh")["stand"] == "done"
    assert step(day, "bake")["stand"] == "done"


def test_an_order_under_way_is_not_started_again_and_a_mistake_is_taken_away(order, post, client):
    day = post("/api/days", {"orders": [order["id"]]}).json()
    again = post("/api/days", {"orders": [order["id"]]})
    assert again.status_code == 422
    assert "under way already" in again.json()["detail"]
    assert client.delete(f"/api/days/{day['id']}").status_code == 204
    assert (Day.objects.count(), Tick.objects.count()) == (0, 0)
    assert client.delete(f"/api/days/{day['id']}").status_code == 404
    assert post("/api/days", {"orders": [order["id"]]}).status_code == 201


def test_nothing_to_do_and_what_cannot_be_done_are_said(fit, post, demo):
    assert post("/api/days", {}).status_code == 422
    empty = fit()
    empty["into"] = []
    assert post("/api/days", {"fit": empty}).status_code == 422
    assert Day.objects.count() == 0


def test_a_damaged_sheet_is_said_and_hides_no_other_day(day, client):
    Day.objects.filter(pk=day["id"]).update(sheet={"title": 3})
    refused = client.get(f"/api/days/{day['id']}")
    assert refused.status_code == 422
    assert "Start the day anew" in refused.json()["detail"]
    assert client.get("/api/days").status_code == 200


def ended(day, post, **said):
    answer = post(f"/api/days/{day['id']}/finish", {"bakes": [said] if said else []})
    assert answer.status_code == 200, answer.content
    return answer.json()


def test_a_day_writes_its_bakes_into_the_logbook(day, tick, post, client):
    now = baking(day, tick, ago_min=38)
    key = step(now, "bake")["key"]
    tick(day, {"kind": "not_yet", "step": key, "ago_s": 300}, {"kind": "done", "step": key})
    ended(day, post, step=key, how="right", top="domed", change="strips next time")
    rows = client.get("/api/bakes").json()["bakes"]
    assert len(rows) == 1
    bake = rows[0]
    assert bake["minutes"] == pytest.approx(38, abs=0.2)
    assert (bake["how"], bake["top"], bake["change"], bake["looks"], bake["from_day"]) == (
        "right", "domed", "strips next time", 1, True)
    assert (bake["pan_label"], bake["count"], bake["oven_name"]) == ("Round 20", 2, "Main oven")
    taught = client.get("/api/bakes/taught").json()
    assert {one["kind"] for one in taught["lessons"]} == {"oven", "recipe", "pan"}


def test_a_bake_nobody_judged_is_kept_and_teaches_nothing(day, tick, post, client):
    now = baking(day, tick, ago_min=38)
    tick(day, {"kind": "done", "step": step(now, "bake")["key"]})
    ended(day, post)
    assert client.get("/api/bakes").json()["bakes"][0]["how"] == ""
    assert client.get("/api/bakes/taught").json()["lessons"] == []


def test_a_day_ended_again_enters_its_bakes_once_and_keeps_what_was_added(day, tick, post, put,
                                                                         client):
    now = baking(day, tick, ago_min=38)
    key = step(now, "bake")["key"]
    tick(day, {"kind": "done", "step": key})
    ended(day, post, step=key, how="right")
    bake = client.get("/api/bakes").json()["bakes"][0]
    put(f"/api/bakes/{bake['id']}", {"minutes": bake["minutes"], "how": "right",
                                    "note": "Kept", "base": bake["version"]})
    post(f"/api/days/{day['id']}/reopen", {})
    ended(day, post, step=key, how="raw")
    rows = client.get("/api/bakes").json()["bakes"]
    assert [(one["how"], one["note"]) for one in rows] == [("raw", "Kept")]
    post(f"/api/days/{day['id']}/reopen", {})
    ended(day, post)
    assert client.get("/api/bakes").json()["bakes"][0]["how"] == "raw"


def test_a_day_with_no_bake_out_enters_none(day, tick, post, client):
    baking(day, tick, ago_min=10)
    ended(day, post)
    assert client.get("/api/bakes").json()["count"] == 0


def test_what_stays_in_a_bowl_that_was_weighed_is_learnt(day, tick, post, client, fit):
    now = baking(day, tick, ago_min=38)
    filling = step(now, "fill")
    batter = post("/api/fit", fit()).json()["batter_g"]
    each = (batter - 60) / 2
    tick(day, {"kind": "poured", "step": filling["key"], "place": 0, "amount": each},
         {"kind": "poured", "step": filling["key"], "place": 1, "amount": each},
         {"kind": "done", "step": step(now, "bake")["key"]})
    ended(day, post)
    quantities = {one["kind"]: one for one in
                  client.get("/api/bakes/taught").json()["quantities"]}
    assert quantities["bowl_loss"]["count"] == 1
    assert 0.03 < quantities["bowl_loss"]["value"] < 60 / batter
    assert post("/api/fit", fit()).json()["origins"]["bowl_loss_g"]["origin"] == "measured"


def test_a_pan_as_full_as_one_that_ran_over_is_warned_of(day, tick, post, fit):
    now = baking(day, tick, ago_min=38)
    key = step(now, "bake")["key"]
    tick(day, {"kind": "done", "step": key})
    ended(day, post, step=key, how="right", top="ran_over")
    said = {one["code"]: one for one in post("/api/fit", fit()).json()["findings"]}
    assert "ran over at" in said["ran_over_before"]["text"]
    fewer = post("/api/fit", {**fit(), "into": [{**fit()["into"][0], "rule": {
        "grams": 200}}]}).json()
    assert not any(one["code"] == "ran_over_before" for one in fewer["findings"])


def test_slow_hands_are_learnt_against_the_book_and_not_against_their_own_plan(
        demo, fit, tick, post, client):
    Workday.objects.update_or_create(id=1, defaults={
        "pace": 2.0, "opens": time(7), "closes": time(21)})
    day = post("/api/days", {"fit": fit()}).json()
    Day.objects.update(started_at=datetime.now(tz=UTC) - timedelta(hours=6))
    weigh, mix = step(day, "weigh"), step(day, "mix")
    ago = 5 * 3600
    tick(day, *[{**one, "ago_s": ago + 9000} for one in done(day, "take_out", "heat", "line")],
         {"kind": "done", "step": weigh["key"], "ago_s": ago},
         {"kind": "done", "step": mix["key"], "ago_s": ago - 60 * mix["minutes"]})
    ended(day, post)
    # Mixing took as long as planned, and that was twice the book's.
    assert Day.objects.get().how["hands"][-1] == pytest.approx(2.0, abs=0.02)


def test_a_bad_tick_is_refused_by_its_place_so_that_the_others_can_be_sent_again(day, post):
    good = {"id": "screen-a-10", "kind": "done", "step": step(day, "mix")["key"]}
    bad = {"id": "screen-a-11", "kind": "baked", "step": "x"}
    answer = post(f"/api/days/{day['id']}/events", {"events": [good, bad]})
    assert answer.status_code == 422
    assert [one["field"] for one in answer.json()["errors"]] == ["events.1.kind"]
    assert Tick.objects.count() == 0
    assert post(f"/api/days/{day['id']}/events", {"events": [good]}).status_code == 200
    assert Tick.objects.count() == 1


def test_a_step_says_what_it_waits_for_so_that_a_screen_alone_can_go_on(day):
    bake, turn = step(day, "bake"), step(day, "turn_out")
    assert {one["key"] for one in bake["waits"]} >= {step(day, "heat")["key"]}
    keys = {one["key"] for one in day["steps"]}
    assert all(wait["key"] in keys for one in day["steps"] for wait in one["waits"])
    assert turn["waits"]
    assert any(one["passive"] for one in day["steps"])
    assert not bake["passive"]
