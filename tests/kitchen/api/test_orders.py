"""Orders over the API: kept, planned, bought for, priced."""

from __future__ import annotations

import csv
import io
import json
from contextlib import ExitStack, contextmanager
from datetime import datetime, timedelta
from unittest.mock import patch

import pytest
from icalendar import Calendar

from entremet.core.timetable.plan_days import quick_plan
from entremet.core.timetable.solver import Progress
from entremet.kitchen.actions import days, searches
from entremet.kitchen.actions.ordered import fits_of
from entremet.kitchen.models import Order, OrderCake, Oven, Recipe, TaskFix
from tests.kitchen.api.conftest import SATURDAY


@pytest.fixture
def order(ordered):
    return ordered


@pytest.fixture
def plan(planned):
    return planned


def test_an_order_is_added_changed_and_taken_away(order, client, put):
    added = order("Harvest supper", occasion="supper", drive_min=20,
                  cake={"inscription": "Well sown", "count": 2})
    assert added["cakes"][0]["label"] == "Plum and bergamot layer cake"
    assert added["cakes"][0]["request"]["revision"] == 1
    assert "spelling" in added["cautions"][0]
    body = {"title": "Choir tea", "due": added["due"], "base": added["version"], "cakes": [
        {"fit": added["cakes"][0]["request"], "spelling_confirmed": True}]}
    changed = put(f"/api/orders/{added['id']}", body)
    assert changed.status_code == 200, changed.content
    assert changed.json()["title"] == "Choir tea"
    assert put(f"/api/orders/{added['id']}", body).status_code == 409
    assert [one["title"] for one in client.get("/api/orders").json()
            if one["id"] == added["id"]] == ["Choir tea"]
    assert client.delete(f"/api/orders/{added['id']}").status_code == 204
    assert client.delete(f"/api/orders/{added['id']}").status_code == 404


def test_what_is_wrong_with_an_order_names_its_field(order, post, recipe_id):
    order("Choir tea")
    for body, status, field in (
            ({"title": "Choir tea", "due": SATURDAY.isoformat()}, 409, "title"),
            ({"title": "Tea", "due": "soon"}, 422, "due"),
            ({"title": "Tea", "due": "2027-03-20T10:00:00"}, 422, "due"),
            ({"title": "", "due": SATURDAY.isoformat()}, 422, "title"),
            ({"title": "Tea", "due": SATURDAY.isoformat(), "drive_min": -5}, 422, "drive_min"),
            ({"title": "Tea", "due": SATURDAY.isoformat(), "cakes": [{}]}, 422, "fit"),
            ({"title": "Tea", "due": SATURDAY.isoformat(), "cakes": [{"kept": 999}]}, 404, "fit"),
            ({"title": "Tea", "due": SATURDAY.isoformat(), "cakes": [
                {"fit": {"recipe": 999_999, "into": []}}]}, 404, "recipe")):
        refused = post("/api/orders", body)
        assert refused.status_code == status, refused.content
        assert field in json.dumps(refused.json()), refused.content
    assert Order.objects.filter(title="Tea").count() == 0


def test_a_kept_fit_goes_into_an_order(order, post, recipe_id, pan_id):
    kept = post("/api/fits", {"name": "Plum, two rounds", "request": {
        "recipe": recipe_id("plum-bergamot"), "into": [{"pan": pan_id("round-20"), "count": 2}]}})
    added = post("/api/orders", {"title": "Seed swap", "due": SATURDAY.isoformat(),
                                 "cakes": [{"kept": kept.json()["id"]}]}).json()
    assert added["cakes"][0]["label"] == "Plum, two rounds"
    assert added["cakes"][0]["request"]["into"][0]["count"] == 2


def test_a_card_that_moved_on_is_said_and_the_order_stands(order, plan):
    added = order("Choir tea")
    Recipe.objects.filter(pk=added["cakes"][0]["recipe"]).update(head=5)
    from entremet.kitchen.actions.orders import order_row
    from entremet.kitchen.api.order_answers import order_answer
    assert order_answer(order_row(added["id"])).cakes[0].moved_on
    assert plan(added)["left_out"] == []


def test_a_damaged_cake_does_not_take_the_others_away(order, client):
    added = order("Choir tea")
    OrderCake.objects.filter(order_id=added["id"]).update(request={"into": 3})
    rows = client.get("/api/orders").json()
    assert next(one for one in rows if one["id"] == added["id"])["cakes"][0]["request"] is None


def test_orders_become_a_timetable_with_reasons(order, plan):
    one = order("Harvest supper", finishing={"drip": True})
    two = order("Choir tea", recipe="parsnip-honey", pan="round-18", due=SATURDAY
                + timedelta(hours=3), drive_min=30)
    days = plan(one, two)
    assert days["left_out"] == days["ways_out"] == days["clash"] == []
    ends = {task["key"]: task["end"] for task in days["tasks"]}
    assert ends[f"{one['id']}.0.0/box"] == "2027-03-20T10:00:00Z"
    assert ends[f"{two['id']}.0.0/box"] == "2027-03-20T12:30:00Z"
    bake = next(task for task in days["tasks"] if task["lane"] == "oven")
    assert {"id": bake["oven_id"], "name": bake["oven"]} in days["ovens"]
    assert "no later than" in bake["why"]
    assert any("min at most" in words for words in bake["waits"])
    assert 0 < days["hands_min"] < days["hours_min"]
    assert any(one["then_min"] < one["day_min"] for one in days["make_ahead"])


def test_a_better_plan_is_never_worse(order, plan):
    rows = [order("One"), order("Two", recipe="parsnip-honey", pan="round-18")]
    quick, better = plan(*rows), plan(*rows, effort=0.1)
    assert better["cost"] <= quick["cost"]
    assert better["gap"] is not None


def test_a_search_is_looked_at_and_stopped(order, plan, client):
    """The search runs in a thread of its own, as the server runs it; it ends when it is told to."""
    rows = [order("One"), order("Two", recipe="parsnip-honey", pan="round-18")]
    fits = fits_of(list(Order.objects.filter(pk__in=[one["id"] for one in rows])))
    seen = []

    def stop_when_told(progress):
        seen.append(client.get("/api/plan/searches/saturday").json())
        return client.delete("/api/plan/searches/saturday").status_code == 204 and False

    quick = plan(*rows)
    real = searches.search

    @contextmanager
    def watched(key):
        with real(key) as watch:
            yield lambda progress: watch(progress) and stop_when_told(progress)
    with patch.object(days, "search", watched):
        found = days.plan_days(fits, days.Wishes(effort=2, search="saturday"))
    assert len(seen) == 1
    assert 0 < seen[0]["share"] <= 1
    assert not found.table.proven
    assert found.table.cost <= quick["cost"]
    assert client.get("/api/plan/searches/saturday").status_code == 404
    assert client.delete("/api/plan/searches/saturday").status_code == 204


def test_a_search_that_is_stopped_before_it_begins_ends_at_once(client):
    client.delete("/api/plan/searches/too-soon")
    with searches.search("too-soon") as watch:
        assert not watch(Progress(share=1.0, gap=None))
    with searches.search("another") as watch:
        assert watch(Progress(share=1.0, gap=None))


def test_more_searches_than_the_server_bears_are_refused(order, plan):
    one = order("One")
    with ExitStack() as running:
        for place in range(searches.MOST_SEARCHES):
            running.enter_context(searches.search(f"search-{place}"))
        refused = plan(one, effort=0.1, search="one-more", status=503)
    assert refused["code"] == "too_many_searches"
    assert plan(one, effort=0.1, search="one-more")["gap"] is not None


def test_a_plan_is_worked_out_anew_only_when_what_it_rests_on_changed(order, plan, post, put,
                                                                      monkeypatch):
    laid = []

    def counted(*given):
        laid.append(1)
        return quick_plan(*given)

    monkeypatch.setattr(days, "first_plan", counted)
    days.forget()
    one = order("Harvest supper")
    first = plan(one)
    post("/api/leftovers", {"name": "curd", "g": 80, "since": "2026-11-20"})
    assert plan(one) == first
    assert len(laid) == 1
    plan(one, hands=2)
    key = first["tasks"][0]["key"]
    assert put("/api/plan/tasks", {"key": key, "start": "2027-03-19T09:00:00Z"}).status_code == 204
    moved = plan(one)
    assert len(laid) == 3
    assert next(task for task in moved["tasks"] if task["key"] == key)["start"] == (
        "2027-03-19T09:00:00Z")


def test_what_cannot_be_done_says_which_and_what_would_help(order, plan):
    rows = [order(f"Order {place}") for place in range(4)]
    days = plan(*rows, days_before=0, opens="04:00")
    assert days["left_out"]
    assert {(one["order"], one["title"]) for one in days["clash"]} <= {
        (one["id"], one["title"]) for one in rows}
    assert len(days["clash"]) >= 1
    helps = {one["help"] for one in days["ways_out"]}
    assert "day_before" in helps
    assert plan(*rows, days_before=1, opens="04:00")["left_out"] == []


def test_a_task_is_moved_done_and_let_go(order, plan, put, post):
    row = order("Harvest supper")
    mix = next(task for task in plan(row)["tasks"] if task["key"].endswith("/mix0"))
    earlier = (datetime.fromisoformat(mix["start"]) - timedelta(hours=2)).isoformat()
    assert put("/api/plan/tasks", {"key": mix["key"], "start": earlier}).status_code == 204
    moved = next(task for task in plan(row)["tasks"] if task["key"] == mix["key"])
    assert (moved["fixed"], datetime.fromisoformat(moved["start"])) == (
        True, datetime.fromisoformat(earlier))
    weigh = next(task for task in plan(row)["tasks"] if task["key"].endswith("/weigh"))
    put("/api/plan/tasks", {"key": weigh["key"], "start": weigh["start"], "done": True})
    post("/api/plan/anew", {"orders": [row["id"]]})
    after = {task["key"]: task for task in plan(row)["tasks"]}
    assert after[weigh["key"]]["done"]
    assert not after[mix["key"]]["fixed"]
    put("/api/plan/tasks", {"key": weigh["key"]})
    assert TaskFix.objects.count() == 0
    for wrong in ({"key": "no task"}, {"key": "999999.0.0/mix0", "start": earlier}):
        assert put("/api/plan/tasks", wrong).status_code in (404, 422)


def test_a_bake_that_is_moved_stays_in_its_oven(order, plan, put):
    row = order("Harvest supper")
    before = next(task for task in plan(row)["tasks"] if task["lane"] == "oven")
    earlier = (datetime.fromisoformat(before["start"]) - timedelta(minutes=30)).isoformat()
    wanted = {"key": before["key"], "start": earlier}
    for oven in (before["oven_id"], None):
        assert put("/api/plan/tasks", {**wanted, "oven": oven}).status_code == 204
        days = plan(row)
        moved = next(task for task in days["tasks"] if task["key"] == before["key"])
        assert (moved["oven"], moved["fixed"]) == (before["oven"], True)
        assert not [one for one in days["findings"] if "not timed for" in one["text"]]
    refused = put("/api/plan/tasks", {**wanted, "oven": 99999})
    assert refused.status_code == 404
    assert "oven" in refused.json()["errors"][0]["field"]


def test_a_bake_stays_in_its_oven_whatever_that_is_called_and_however_others_are(order, plan, put):
    """Two ovens of one name are two; one that is renamed keeps its bakes."""
    row = order("Harvest supper")
    bake = next(task for task in plan(row)["tasks"] if task["lane"] == "oven")
    main, other = (Oven.objects.get(pk=bake["oven_id"]) for _ in range(2))
    other.pk, other.key, other.is_default = None, f"{main.key}-2", False
    other.save()
    put("/api/plan/tasks", {"key": bake["key"], "start": bake["start"], "oven": other.pk})
    for name in (main.name, "Upper oven"):
        Oven.objects.filter(pk=other.pk).update(name=name)
        days = plan(row)
        moved = next(task for task in days["tasks"] if task["key"] == bake["key"])
        assert (moved["oven_id"], moved["oven"]) == (other.pk, name)
        assert {main.pk, other.pk} <= {one["id"] for one in days["ovens"]}
    other.delete()
    assert next(task for task in plan(row)["tasks"] if task["key"] == bake["key"])[
        "oven_id"] == main.pk


def test_what_was_fixed_of_other_cakes_is_not_these(order, plan, put, recipe_id, pan_id):
    row = order("Harvest supper")
    weigh = next(task for task in plan(row)["tasks"] if task["key"].endswith("/weigh"))
    put("/api/plan/tasks", {"key": weigh["key"], "start": weigh["start"], "done": True})
    body = {"title": row["title"], "due": row["due"], "base": row["version"],
            "cakes": [{"fit": row["cakes"][0]["request"]}]}
    later = put(f"/api/orders/{row['id']}", {**body, "note": "by the door"}).json()
    assert TaskFix.objects.count() == 1  # the cakes are as they were
    other = {"recipe": recipe_id("parsnip-honey"), "into": [{"pan": pan_id("round-18"),
                                                            "count": 2}]}
    put(f"/api/orders/{row['id']}", {**body, "base": later["version"],
                                     "cakes": [{"fit": other}]})
    assert TaskFix.objects.count() == 0


def test_an_order_that_is_done_has_used_what_the_larder_had(order, put, post, client):
    row, other = order("Harvest supper"), order("Choir tea")
    post("/api/larder/bought", {"key": "caster_sugar", "name": "Caster sugar", "g": 5000})

    def sugar():
        return next(one["have_g"] for one in client.get("/api/larder").json()
                    if one["key"] == "caster_sugar")

    def change(done, version):
        return put(f"/api/orders/{row['id']}", {
            "title": row["title"], "due": row["due"], "base": version, "done": done,
            "cakes": [{"fit": row["cakes"][0]["request"]}]}).json()["version"]

    needed = next(one["needed_g"] for one in post(
        "/api/shopping", {"orders": [row["id"]]}).json()["rows"] if one["key"] == "caster_sugar")
    version = change(True, row["version"])
    assert sugar() == pytest.approx(5000 - needed)
    version = change(True, version)  # said twice, used once
    assert sugar() == pytest.approx(5000 - needed)
    left = post("/api/shopping", {"orders": [other["id"]]}).json()["rows"]
    assert next(one["have_g"] for one in left if one["key"] == "caster_sugar") == pytest.approx(
        5000 - needed)
    change(False, version)
    assert sugar() == pytest.approx(5000)


def test_a_larder_that_had_less_gives_back_no_more_than_it_gave(order, put, post, client):
    row = order("Harvest supper")
    post("/api/larder/bought", {"key": "caster_sugar", "name": "Caster sugar", "g": 20})
    body = {"title": row["title"], "due": row["due"],
            "cakes": [{"fit": row["cakes"][0]["request"]}]}
    for done, have in ((True, 0), (False, 20)):
        base = next(one["version"] for one in client.get("/api/orders?done=true").json()
                    if one["id"] == row["id"])
        assert put(f"/api/orders/{row['id']}", {**body, "done": done, "base": base}
                   ).status_code == 200
        assert client.get("/api/larder").json()[0]["have_g"] == have


def test_a_damaged_order_can_still_be_done(order, put):
    row = order("Harvest supper")
    answer = put(f"/api/orders/{row['id']}", {"title": row["title"], "due": row["due"],
                                              "base": row["version"], "done": True, "cakes": []})
    assert answer.status_code == 200


def test_pans_that_the_rack_lacks_are_told_and_planned_as_borrowed(order, plan):
    row = order("Harvest supper", count=9)
    days = plan(row, days_before=2)
    told = next(one for one in days["findings"] if one["code"] == "pans_lacking")
    assert told["text"].startswith("9 × Round 20 are wanted at once, you own 2")
    small = order("Choir tea")
    assert "pans_lacking" not in {one["code"] for one in plan(small)["findings"]}
    # A smaller cake in the same pans does not hide what the larger one wants.
    both = plan(row, small, days_before=3)
    assert "pans_lacking" in {one["code"] for one in both["findings"]}
    assert not [one for one in both["left_out"] if one["order"] == "Harvest supper"
                and one["key"].endswith("line0")]


def test_orders_months_apart_are_not_one_timetable_and_no_task_goes_far_away(order, plan, put):
    one, other = order("Spring"), order("Autumn", due=SATURDAY + timedelta(days=180))
    refused = plan(one, other, status=422)
    assert refused["errors"][0]["field"] == "orders"
    far = put("/api/plan/tasks", {"key": f"{one['id']}.0.0/mix0",
                                  "start": "2001-01-01T08:00:00Z"})
    assert far.status_code == 422
    assert far.json()["errors"][0]["field"] == "start"


def test_from_now_on_nothing_starts_in_the_past(order, plan):
    row = order("Harvest supper")
    now = SATURDAY - timedelta(hours=12)
    days = plan(row, now=now.isoformat())
    assert all(datetime.fromisoformat(task["start"]) >= now for task in days["tasks"])
    late = plan(row, now=(SATURDAY + timedelta(hours=1)).isoformat())
    assert "due_in_the_past" in {one["code"] for one in late["findings"]}


def test_nothing_to_plan_and_an_oven_that_is_not_here_are_refused(order, plan):
    row = order("Harvest supper")
    assert "orders" in json.dumps(plan(status=422))
    plan({"id": 999_999}, status=404)
    plan(row, ovens=[999_999], status=404)


def test_the_calendar_file_reads_back_with_its_alarms(order, post):
    row = order("Harvest supper")
    body = {"orders": [row["id"]]}
    answer = post("/api/plan/file/ics", body)
    assert answer["Content-Type"].startswith("text/calendar")
    events = Calendar.from_ical(answer.content).walk("VEVENT")
    box = next(one for one in events if str(one["uid"]).endswith("/box@entremet"))
    assert box["dtend"].dt == SATURDAY
    assert [str(one["trigger"].dt) for one in box.walk("VALARM")] == ["-1 day, 23:55:00"]
    rows = list(csv.DictReader(io.StringIO(post("/api/plan/file/csv", body).content.decode())))
    assert len(rows) == len(events)
    assert {"hands", "oven", "stands", "fridge"} == {one["lane"] for one in rows}


def test_the_shopping_list_adds_up_and_a_tick_goes_into_the_larder(order, post, put, client):
    rows = [order("One", cake={"count": 2}), order("Two")]
    body = {"orders": [one["id"] for one in rows]}
    shopping = post("/api/shopping", body).json()
    sugar = next(one for one in shopping["rows"] if one["key"] == "caster_sugar")
    assert [round(one["g"]) for one in sugar["cakes"]]
    assert sum(one["g"] for one in sugar["cakes"]) == pytest.approx(sugar["needed_g"])
    eggs = next(one for one in shopping["rows"] if one["pieces"] is not None)
    assert eggs["pieces"] == int(eggs["pieces"])
    assert {one["name"].split()[0] for one in shopping["things"]} >= {"board", "box"}
    put("/api/larder", {"key": "caster_sugar", "name": "Caster sugar", "where": "Mill",
                        "packs": [{"g": 500, "price": 0.9}, {"g": 1000, "price": 1.5}]})
    priced = next(one for one in post("/api/shopping", body).json()["rows"]
                  if one["key"] == "caster_sugar")
    held = sum(pack["g"] * pack["count"] for pack in priced["packs"])
    assert held >= priced["buy_g"]
    assert priced["where"] == "Mill"
    if priced["left_g"] >= 1:
        assert len(priced["left_for"]) == 3
    ordered = {cake["recipe"] for order in client.get("/api/orders").json()
               for cake in order["cakes"]} if priced["left_g"] else set()
    assert not ordered & set(priced["left_for"])
    post("/api/larder/bought", {"key": "caster_sugar", "name": "Caster sugar", "g": held})
    ticked = next(one for one in post("/api/shopping", body).json()["rows"]
                  if one["key"] == "caster_sugar")
    assert (ticked["buy_g"], ticked["packs"]) == (0, [])
    post("/api/larder/bought", {"key": "caster_sugar", "name": "Caster sugar", "g": -held})
    row = next(one for one in client.get("/api/larder").json() if one["key"] == "caster_sugar")
    assert row["have_g"] == 0
    assert put("/api/larder", {"key": "x", "name": "x", "packs": [{"g": 0}]}).status_code == 422


def test_shopping_goes_out_as_csv_and_text_and_no_cell_is_a_formula(order, post):
    row = order("=1+1")
    body = {"orders": [row["id"]]}
    text = post("/api/shopping/file/txt", body).content.decode()
    assert "[ ] Caster sugar: " in text
    assert "Boards and boxes" in text
    made = post("/api/plan/file/csv", body).content.decode()
    assert ",'=1+1," in made
    rows = list(csv.DictReader(io.StringIO(
        post("/api/shopping/file/csv", body).content.decode())))
    assert any(one["ingredient"] == "Caster sugar" and float(one["buy_g"]) > 0 for one in rows)


def test_an_order_is_priced_two_ways_and_says_what_is_assumed(order, put, client):
    row = order("Harvest supper")
    day = client.get("/api/workday").json()
    base = day.pop("version")
    said = put("/api/workday", {**day, "wage": 15, "kwh": 0.3, "margin": 0.4, "portion": 3.5,
                                "base": base})
    assert said.status_code == 200, said.content
    cost = client.get(f"/api/orders/{row['id']}/cost").json()
    cake = cost["cakes"][0]
    parts = {one["key"]: one for one in cake["parts"]}
    assert parts["hands"]["sum"] == pytest.approx(cake["hands_min"] / 60 * 15)
    assert parts["heat"]["assumed"]
    assert cake["by_portion"] >= 3.5 * cake["portions"]
    assert cake["by_margin"] >= cake["total"] * 1.4
    assert "Caster sugar" in cake["without_price"]
    assert put("/api/workday", {**day, "base": base}).status_code == 409
    for wrong, field in (({"zone": "Moon/Base"}, "zone"), ({"hands": 0}, "hands"),
                         ({"wage": -1}, "wage"), ({"pace": 9}, "pace"),
                         ({"shelf_cm": 2}, "shelf_cm"), ({"shelf_cm": 201}, "shelf_cm"),
                         ({"high_places": 99}, "high_places")):
        refused = put("/api/workday", {**day, **wrong, "base": base + 1})
        assert refused.status_code == 422
        assert field in json.dumps(refused.json())


def test_what_is_sold_and_holds_cream_has_the_word_on_local_rules(order):
    sold = order("Market", recipe="rhubarb-custard", pan="tray-12", count=12, sold=True)
    private = order("Birthday", recipe="rhubarb-custard", pan="tray-12", count=12)
    assert not private["cautions"]
    plain = order("Plain", recipe="parsnip-honey", pan="round-18", sold=True)
    cheese = order("Cheese", sold=True)
    assert all("ask your local authority" in one for one in sold["cautions"])
    assert not plain["cautions"]
    assert "cream cheese" in cheese["cautions"][0]


def test_the_demos_saturday_works_with_three_and_not_with_four(demo, client, plan):
    rows = {one["title"]: one for one in client.get("/api/orders").json()}
    fourth = rows["Second harvest table"]
    three = [one for one in rows.values() if one is not fourth]
    assert plan(*three)["left_out"] == []
    stuck = plan(*rows.values())
    assert stuck["left_out"]
    assert (fourth["id"], fourth["title"]) in {
        (one["order"], one["title"]) for one in stuck["clash"]}
    assert {one["help"] for one in stuck["ways_out"]} >= {"day_before"}
    assert {datetime.fromisoformat(one["due"]).weekday() for one in rows.values()} == {5}


def test_of_orders_that_are_done_the_latest_are_sent_and_every_open_one(order, client):
    due = [SATURDAY + timedelta(days=day) for day in range(5)]
    made = [order(f"Order {place}", due=one) for place, one in enumerate(due)]
    Order.objects.filter(pk__in=[one["id"] for one in made[:4]]).update(done=True)
    def titles(query):
        return [one["title"] for one in client.get(f"/api/orders{query}").json()]
    assert titles("") == ["Order 4"]
    assert titles("?done=true") == [f"Order {place}" for place in range(5)]
    assert titles("?done=true&most=2") == ["Order 2", "Order 3", "Order 4"]
    assert client.get("/api/orders?done=true&most=0").status_code == 422
