"""What an order comes to while it is typed, a message that orders, and the hours of the week."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo

import pytest
import time_machine

from entremet.kitchen.models import Order, OrderCake, TaskFix
from tests.kitchen.api.conftest import SATURDAY


@pytest.fixture
def order(ordered):
    return ordered


@pytest.fixture
def plan(planned):
    return planned


@pytest.fixture
def paid(demo, client, put):
    """A kitchen where an hour of hands costs something."""
    day = client.get("/api/workday").json()
    base = day.pop("version")
    assert put("/api/workday", {**day, "wage": 15, "base": base}).status_code == 200


@pytest.fixture
def plums(demo, recipe_id, pan_id):
    return {"recipe": recipe_id("plum-bergamot"), "into": [{"pan": pan_id("round-20"), "count": 2}]}


def test_an_order_is_worth_while_it_is_typed_what_it_is_worth_when_it_is_kept(
        order, plums, post, client, plan):
    cakes = [{"fit": plums, "count": 2, "inscription": "Well sown"}]
    asked = {"due": SATURDAY.isoformat(), "cakes": cakes, "drive_min": 15}
    before = Order.objects.count(), OrderCake.objects.count()
    worth = post("/api/worth", asked)
    assert worth.status_code == 200, worth.content
    assert (Order.objects.count(), OrderCake.objects.count()) == before
    told = worth.json()
    row = order("Harvest supper", cake={"count": 2, "inscription": "Well sown"}, drive_min=15)
    assert told["cost"] == client.get(f"/api/orders/{row['id']}/cost").json()
    # The way there, five minutes at the door, and the way back.
    assert told["hands_min"] == 2 * told["cost"]["cakes"][0]["hands_min"] + 15 + 5 + 15
    # Alone on its day; then what else is due is counted, and never the order itself.
    assert (told["beside"], told["day_hands_min"]) == ([], told["hands_min"])
    again = post("/api/worth", asked).json()
    assert again["beside"] == ["Harvest supper"]
    assert again["day_hands_min"] == 2 * told["hands_min"]
    own = post("/api/worth", {**asked, "order": row["id"]}).json()
    assert own["beside"] == []
    # As many hours as a plan of it has, and of a day that is half over the half that is left.
    assert own["hours_min"] == plan(row)["hours_min"]
    friday = SATURDAY - timedelta(days=1)
    with time_machine.travel(friday.replace(hour=14), tick=False):
        left = post("/api/worth", {**asked, "order": row["id"]}).json()["hours_min"]
        assert left == plan(row)["hours_min"]
    assert left < own["hours_min"]


def test_a_price_agreed_is_kept_and_held_against_the_cost_before_and_after(
        order, plums, post, put, client, paid):
    asked = {"due": SATURDAY.isoformat(), "cakes": [{"fit": plums}], "price": 0}
    typed = post("/api/worth", asked).json()["cost"]
    assert typed["asked"]["over"] == pytest.approx(-typed["total"])
    assert "below what it costs" in typed["asked"]["words"]
    row = order("Harvest supper", price=120.5)
    assert row["price"] == 120.5
    told = client.get(f"/api/orders/{row['id']}/cost").json()["asked"]
    assert told["over"] == pytest.approx(120.5 - typed["total"])
    assert told["price"] == 120.5
    changed = {key: row[key] for key in ("title", "due")} | {"base": row["version"], "cakes": [
        {"fit": plums}]}
    assert put(f"/api/orders/{row['id']}", changed).json()["price"] is None
    assert client.get(f"/api/orders/{row['id']}/cost").json()["asked"] is None
    assert post("/api/worth", {**asked, "price": -1}).status_code == 422


def test_cupcakes_have_a_price_each_and_layers_have_none(paid, post, plums, recipe_id, pan_id):
    wells = {"recipe": recipe_id("plum-bergamot"),
             "into": [{"pan": pan_id("tray-12"), "count": 24}]}
    small, cut = (post("/api/worth", {"due": SATURDAY.isoformat(), "cakes": [{"fit": fit}]}
                       ).json()["cost"]["cakes"][0] for fit in (wells, plums))
    assert small["each"] == pytest.approx(small["by_margin"] / 24)
    assert cut["each"] is None


def test_pans_for_so_many_eaters_feed_them(post, plums, demo, client):
    free = {str(one["id"]): one["owned"] for one in client.get("/api/pans").json()[:40]}
    asked = {**plums, "into": [], "rule": "servings", "servings": 20}
    found = post("/api/fit/sets", {"fit": asked, "free": free, "batch": "as_it_is",
                                   "tolerance": 0.2, "most_pans": 5}).json()["offers"]
    assert found
    for one in found:
        assert (one["rule"], one["leftover_g"]) == ("servings", 0)
        assert 0.8 <= 1 + one["deviation"] <= 1.2
        assert one["factor"] == pytest.approx(found[0]["factor"])
    twice = post("/api/fit/sets", {"fit": {**asked, "servings": 40}, "free": free,
                                   "batch": "as_it_is", "most_pans": 5}).json()["offers"]
    assert twice[0]["factor"] == pytest.approx(2 * found[0]["factor"], rel=0.02)


@pytest.mark.parametrize("wrong", [
    {"cakes": []}, {"due": "Saturday"}, {"cakes": [{"kept": 10**6}]}, {"drive_min": -1}])
def test_what_is_no_order_yet_has_no_worth(wrong, plums, post):
    asked = {"due": SATURDAY.isoformat(), "cakes": [{"fit": plums}], **wrong}
    assert post("/api/worth", asked).status_code in (404, 422)


def test_a_message_becomes_an_order_with_what_it_did_not_say_asked(demo, post, recipe_id):
    with time_machine.travel(datetime(2026, 12, 1, 9, tzinfo=UTC), tick=False):
        told = post("/api/readings/message", {
            "text": "Could we have the pear ring on Saturday? 14 people, we collect"}).json()
    assert (told["recipe"], told["title"]) == (recipe_id("pear-ring"), "Brown-butter pear ring")
    assert datetime.fromisoformat(told["due"]) == datetime(2026, 12, 5, 10, tzinfo=UTC)
    assert (told["eaters"], told["driven"], told["pieces"]) == (14, False, None)
    assert told["questions"] == ["At what hour? 10:00 is assumed.", "Anything written on it?",
                                 "Any allergies?"]
    assert post("/api/readings/message", {"text": ""}).status_code == 422


def test_nobody_works_on_a_free_day_and_an_evening_is_an_evening(order, put, plan, client):
    row = order("Harvest supper")
    day = client.get("/api/workday").json()
    base = day.pop("version")
    assert day["week"] == []
    week = [{"day": 4, "opens": "17:00", "closes": "22:00"}, {"day": 3, "opens": None,
                                                             "closes": None}]
    said = put("/api/workday", {**day, "week": week, "base": base})
    assert said.status_code == 200, said.content
    assert said.json()["week"] == sorted(week, key=lambda one: one["day"])
    days = plan(row, days_before=2)
    opened = [datetime.fromisoformat(one["start"]).weekday() for one in days["windows"]]
    # Thursday is free: two working days before Saturday are Wednesday and Friday.
    assert opened == [2, 4, 5]
    friday = days["windows"][1]
    assert datetime.fromisoformat(friday["end"]) - datetime.fromisoformat(friday["start"]) == (
        timedelta(hours=5))
    awake = [one for one in days["tasks"] if one["lane"] in ("hands", "oven")]
    assert all(datetime.fromisoformat(one["start"]).weekday() != 3 for one in awake)
    # An hour earlier is an hour earlier on an evening too.
    usual = datetime.strptime(day["opens"], "%H:%M").replace(tzinfo=UTC) - timedelta(hours=1)
    sooner = plan(row, days_before=2, opens=usual.strftime("%H:%M"))["windows"][1]
    assert datetime.fromisoformat(friday["start"]) - datetime.fromisoformat(
        sooner["start"]) == timedelta(hours=1)
    free = [{"day": one, "opens": None, "closes": None} for one in range(7)]
    for wrong in (free, [free[2], free[2]], [{"day": 1, "opens": "09:00", "closes": None}],
                  [{"day": 1, "opens": "09:00", "closes": "09:00"}],
                  [{"day": 7, "opens": None, "closes": None}]):
        refused = put("/api/workday", {**day, "week": wrong, "base": base + 1})
        assert refused.status_code == 422, wrong


@pytest.mark.parametrize(("stays", "hour", "moved_h"), [("hour", 10, -1), ("moment", 11, 0)])
def test_another_clock_of_the_kitchen_says_what_becomes_of_open_orders(
        order, plan, post, put, client, stays, hour, moved_h):
    row, done = order("Harvest supper"), order("Eaten", done=True)
    (task, *_) = plan(row)["tasks"]
    fixed = put("/api/plan/tasks", {"key": task["key"], "start": task["start"]})
    assert fixed.status_code < 300, fixed.content
    day = client.get("/api/workday").json()
    base = day.pop("version")
    assert put("/api/workday", {**day, "zone": "Europe/Berlin", "due": stays, "base": base}
               ).status_code == 200
    after = Order.objects.get(pk=row["id"])
    shift = timedelta(hours=moved_h)
    assert after.due == datetime.fromisoformat(row["due"]) + shift
    assert after.due.astimezone(ZoneInfo("Europe/Berlin")).hour == hour
    assert Order.objects.get(pk=done["id"]).due == datetime.fromisoformat(done["due"])
    assert TaskFix.objects.get().start == datetime.fromisoformat(task["start"]) + shift
    assert (after.version > row["version"]) is (stays == "hour")
