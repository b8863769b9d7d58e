"""The logbook over the API: bakes kept, what they teach, photos, files."""

from __future__ import annotations

import base64
import csv
import io
import json
from datetime import UTC, datetime, timedelta

import pytest
from django.core.management import call_command
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from PIL import Image

from entremet.core.learning.model import learn
from entremet.kitchen import pictures
from entremet.kitchen.actions.learning import Lessons, pace_of_hands
from entremet.kitchen.models import Bake, Oven, RackPan, Recipe

HOUR = timedelta(hours=1)


@pytest.fixture
def request_body(demo, recipe_id, pan_id):
    return {"recipe": recipe_id("parsnip-honey"),
            "into": [{"pan": pan_id("round-18"), "count": 2}]}


@pytest.fixture
def log(post, request_body):
    def enter(minutes, **more):
        body = {"request": request_body, "entry": 0, "minutes": minutes, "how": "right", **more}
        response = post("/api/bakes", body)
        assert response.status_code == 201, response.content
        return response.json()
    return enter


@pytest.fixture
def bake(fit, pan_id):
    def now(**choices):
        return fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2}, **choices)["bakes"][0]
    return now


@pytest.fixture
def taught(client):
    def ask():
        answer = client.get("/api/bakes/taught")
        assert answer.status_code == 200, answer.content
        return answer.json()
    return ask


def lesson(answer, kind):
    return next(one for one in answer["lessons"] if one["kind"] == kind)


def width(one):
    return one["exact"]["latest_min"] / one["exact"]["likely_min"]


def test_with_nothing_logged_a_recipe_gives_its_own_time_in_a_wider_window(demo, bake):
    one = bake()
    assert one["likely_min"] == 34
    assert width(one) == pytest.approx(1.6449**0 * 2.718281828 ** (1.6448536 * 0.11874), rel=1e-4)
    assert not any("Learnt" in fact for fact in one["why"])


def test_bakes_move_a_time_narrow_its_window_and_are_named(log, bake):
    before = bake()
    for _ in range(3):
        log(38)
    after = bake()
    assert 36 < after["exact"]["likely_min"] < 38
    assert width(after) < width(before)
    said = " ".join(after["why"])
    assert "Learnt from 3 bakes, 3 in this oven, 3 of this recipe and 3 in this pan" in said
    assert "longer than the heat balance alone" in said
    assert "Learnt from 3 bakes" in after["origins"]["likely_min"]["note"]


def test_a_bake_taken_away_is_really_gone_and_can_come_back(log, bake, client, post):
    before = bake()
    kept = log(39)
    moved = bake()
    assert moved["exact"] != before["exact"]
    assert client.delete(f"/api/bakes/{kept['id']}").status_code == 204
    assert bake()["exact"] == before["exact"]
    assert client.get(f"/api/bakes/{kept['id']}").status_code == 404
    assert client.get("/api/bakes").json()["count"] == 0
    assert post(f"/api/bakes/{kept['id']}/back", {}).status_code == 200
    assert bake()["exact"] == pytest.approx(moved["exact"])


def test_a_slow_oven_is_told_from_the_recipe_by_other_cakes(post, log, bake, recipe_id, pan_id,
                                                           taught, fit):
    for _ in range(3):
        log(38)
        other = post("/api/bakes", {"request": {
            "recipe": recipe_id("black-sesame"), "into": [{"pan": pan_id("sheet-33")}],
            "oven": Oven.objects.get(key="main").pk}, "minutes": 37, "how": "right"})
        assert other.status_code == 201
    found = taught()
    oven = lesson(found, "oven")
    assert oven["name"] == "Main oven"
    assert oven["shift"] > 0.05
    assert "slower than its dial says" in oven["words"]
    assert oven["bakes"] == 6
    assert oven["points"][0]["took"] == pytest.approx(38 / 34, rel=0.01)
    # A recipe never baked here goes by the oven, and another oven by none of it.
    fresh = fit("plum-bergamot", {"pan": pan_id("fluted-ring"), "count": 1})["bakes"][0]
    assert any("6 in this oven" in fact for fact in fresh["why"])
    hall = fit("plum-bergamot", {"pan": pan_id("fluted-ring"), "count": 1},
               oven=Oven.objects.get(key="hall").pk)["bakes"][0]
    assert not any("Learnt" in fact for fact in hall["why"])


def test_what_was_learnt_is_set_back_and_counts_again(log, bake, taught, post):
    for _ in range(4):
        log(39)
    moved = bake()["exact"]
    found = taught()
    for kind in ("oven", "recipe", "pan"):
        answer = post("/api/bakes/forget", {"kind": kind, "key": lesson(found, kind)["key"]})
        assert answer.status_code == 200
    assert bake()["likely_min"] == 34
    back = taught()
    assert back["lessons"] == []
    assert {one["kind"] for one in back["set_back"]} == {"oven", "recipe", "pan"}
    assert {one["name"] for one in back["set_back"]} == {
        "Main oven", "Parsnip and honey layer cake", "Round 18"}
    log(34)
    assert lesson(taught(), "oven")["bakes"] == 1
    for kind in ("oven", "recipe", "pan"):
        post("/api/bakes/forget", {"kind": kind, "key": lesson(found, kind)["key"],
                                   "forget": False})
    assert taught()["set_back"] == []
    assert bake()["exact"]["likely_min"] == pytest.approx(moved["likely_min"], rel=0.03)
    assert lesson(taught(), "oven")["bakes"] == 5


def test_another_stated_time_is_learnt_anew_while_the_oven_is_kept(log, client, post, put, bake,
                                                                  recipe_id):
    for _ in range(3):
        log(38)
    one = client.get(f"/api/recipes/{recipe_id('parsnip-honey')}").json()
    card = one["card"]
    card["stated_low_min"] = card["stated_high_min"] = 40
    changed = put(f"/api/recipes/{recipe_id('parsnip-honey')}",
                  {"card": card, "base": one["revision"]})
    assert changed.status_code == 200, changed.content
    said = " ".join(bake()["why"])
    assert "3 in this oven and 3 in this pan" in said
    assert "of this recipe" not in said


def test_one_absurd_bake_moves_nothing_and_is_asked_about(log, bake, client, put, taught):
    for _ in range(3):
        log(36)
    before = bake()["exact"]
    odd = log(12)
    assert bake()["exact"] == pytest.approx(before)
    assert "not counted" in odd["ask"]
    assert [one["id"] for one in taught()["asked"]] == [odd["id"]]
    body = {"minutes": 12, "how": "right", "counted": "left_out", "base": odd["version"]}
    answered = put(f"/api/bakes/{odd['id']}", body)
    assert answered.json()["ask"] == ""
    assert taught()["asked"] == []
    true = put(f"/api/bakes/{odd['id']}", {**body, "counted": "true",
                                           "base": answered.json()["version"]})
    assert true.status_code == 200
    assert bake()["exact"]["likely_min"] < before["likely_min"]


def test_the_score_is_honest(log, taught):
    for day in range(8, 0, -1):
        log(39, baked_at=(datetime.now(UTC) - timedelta(days=day)).isoformat())
    scores = {one["name"]: one for one in taught()["scores"]}
    learnt = scores["With what the bakes before it taught"]
    plain = scores["With nothing learnt"]
    stated = scores["The recipe's own minutes in any pan"]
    assert learnt["bakes"] == plain["bakes"] == stated["bakes"] == 8
    assert learnt["median"] < plain["median"] == pytest.approx(39 / 34 - 1, rel=0.01)
    assert stated["median"] == pytest.approx(39 / 34 - 1, rel=0.01)
    assert stated["inside"] is None


@pytest.mark.parametrize(("change", "field"), [
    ({"minutes": 0}, "minutes"), ({"minutes": 601}, "minutes"), ({"how": "nice"}, "how"),
    ({"top": "round"}, "top"), ({"entry": 4}, "entry"), ({"height_cm": 900}, "height_cm"),
    ({"baked_at": "2031-01-01T10:00:00Z"}, "baked_at"),
    ({"baked_at": "2026-01-01T10:00:00"}, "baked_at"), ({"tags": ["x" * 50]}, "tags.0"),
    ({"nonsense": 1}, "nonsense"),
])
def test_what_cannot_be_is_refused_and_its_field_is_named(post, request_body, change, field):
    response = post("/api/bakes", {"request": request_body, "minutes": 34, **change})
    assert response.status_code == 422
    assert response.json()["errors"][0]["field"] == field
    assert Bake.objects.count() == 0


def test_a_change_made_elsewhere_is_not_written_over(log, put):
    one = log(35)
    body = {"minutes": 36, "base": one["version"], "how": "right"}
    assert put(f"/api/bakes/{one['id']}", body).json()["minutes"] == 36
    again = put(f"/api/bakes/{one['id']}", {**body, "minutes": 40})
    assert (again.status_code, again.json()["code"]) == (409, "edited_meanwhile")
    assert Bake.objects.get().minutes == 36


def test_bakes_are_listed_newest_first_and_found_by_words_and_tags(log, client):
    now = datetime.now(UTC)
    log(35, baked_at=(now - 2 * HOUR).isoformat(), note="Seeds toasted darker", tags=["Fair"])
    log(36, baked_at=(now - HOUR).isoformat(), change="less honey")
    rows = client.get("/api/bakes").json()
    assert [one["minutes"] for one in rows["bakes"]] == [36, 35]
    assert rows["tags"] == ["Fair"]

    def found(words):
        return [one["minutes"] for one in client.get(f"/api/bakes?{words}").json()["bakes"]]

    assert found("search=toasted") == [35]
    assert found("search=HONEY less") == [36]
    assert found("search=round 18 main") == [36, 35]
    assert found("tag=fair") == [35]
    assert found("search=giraffe") == []
    assert found("limit=1&offset=1") == [35]


def test_a_bake_outlives_recipe_pan_and_oven(log, client, pan_id, taught):
    one = log(36)
    client.delete(f"/api/pans/{pan_id('round-18')}")
    Oven.objects.all().delete()
    Recipe.objects.all().delete()
    there = client.get(f"/api/bakes/{one['id']}").json()
    assert (there["recipe"], there["pan"], there["oven"]) == (None, None, None)
    assert (there["recipe_title"], there["pan_label"], there["oven_name"], there["dial"]) == (
        "Parsnip and honey layer cake", "Round 18", "Main oven", "170 °C")
    assert lesson(taught(), "oven")["name"] == "Main oven"


def test_last_time_is_said_in_the_next_fit_and_on_the_desk(log, fit, pan_id, client):
    log(36, top="sunk", change="Open the door later", note="Pears were wet", note_step="Fold in")
    answer = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})
    said = {one["code"]: one["text"] for one in answer["findings"]}
    assert "Round 18) it sank" in said["last_time"]
    assert "Open the door later" in said["last_time_change"]
    assert "at “Fold in”: Pears were wet" in said["last_time_note"]
    recipe = Recipe.objects.get(key="parsnip-honey").pk
    assert [one["code"] for one in client.get(f"/api/bakes/last?recipe={recipe}").json()] == [
        "last_time", "last_time_change", "last_time_note"]
    log(36, top="flat")
    later = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})
    assert not any(one["code"].startswith("last_time") for one in later["findings"])


def test_two_bakes_are_compared_by_all_that_differed(log, post, client, recipe_id, pan_id):
    first = log(34, top="flat", height_cm=5.2)
    second = post("/api/bakes", {"request": {
        "recipe": recipe_id("parsnip-honey"), "strips": True,
        "into": [{"pan": pan_id("round-20"), "count": 2}]}, "minutes": 41, "how": "raw"}).json()
    answer = client.get(f"/api/bakes/compare?one={first['id']}&other={second['id']}").json()
    rows = {row["what"]: (row["one"], row["other"]) for row in answer["differed"]}
    assert rows["Pan"] == ("2 × Round 18", "2 × Round 20")
    assert rows["Taken out"] == ("34 min", "41 min")
    assert rows["How it was"] == ("right", "raw in the middle")
    assert rows["Height"] == ("5.2 cm", "")
    assert rows["Strips"] == ("", "round the pan")
    assert "Oven" not in rows
    same = client.get(f"/api/bakes/compare?one={first['id']}&other={first['id']}").json()
    assert same["differed"] == []
    cake = post("/api/bakes", {"request": {
        "recipe": recipe_id("black-sesame"), "into": [{"pan": pan_id("sheet-33")}]},
        "minutes": 33}).json()
    wrong = client.get(f"/api/bakes/compare?one={first['id']}&other={cake['id']}")
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (422, "other")


def picture(**more):
    made = io.BytesIO()
    Image.new("RGB", (2400, 1200), (180, 120, 60)).save(made, "JPEG", **more)
    return base64.b64encode(made.getvalue()).decode()


def test_a_photo_is_kept_small_and_without_where_it_was_taken(log, client, put):
    exif = Image.Exif()
    exif[0x0112] = 6
    exif.get_ifd(0x8825)[1] = "N"
    exif[0x010F] = "Some camera"
    bake = log(34)
    path = f"/api/bakes/{bake['id']}/photo"
    assert client.get(path).status_code == 404
    kept = put(path, {"picture": picture(exif=exif)})
    assert kept.json() == {"width": 800, "height": 1600}
    got = client.get(path)
    assert got["content-type"] == "image/jpeg"
    opened = Image.open(io.BytesIO(got.content))
    assert dict(opened.getexif()) == {}
    assert opened.size == (800, 1600)
    assert client.get(f"/api/bakes/{bake['id']}").json()["photo"] == 1
    assert client.delete(path).status_code == 204
    assert client.get(path).status_code == 404


@pytest.mark.parametrize("nonsense", ["bm9uc2Vuc2U=", "not base64 at all", "AAAAAAAAAAAAAAAA"])
def test_what_is_no_picture_is_refused(log, put, nonsense):
    answer = put(f"/api/bakes/{log(34)['id']}/photo", {"picture": nonsense})
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "picture")


def test_the_logbook_goes_out_and_comes_back_the_same(log, client, post, bake, taught):
    for minutes in (37, 38, 39):
        log(minutes, note="=2+2", tags=["a", "b"], height_cm=5.5, top="domed")
    moved, before = bake()["exact"], taught()
    table = list(csv.DictReader(io.StringIO(
        client.get("/api/bakes/file.csv").content.decode("utf-8-sig"))))
    assert [row["minutes"] for row in table] == ["39", "38", "37"]
    assert table[0]["note"] == "'=2+2"
    assert (table[0]["tags"], table[0]["how"]) == ("a, b", "right")
    file = json.loads(client.get("/api/bakes/file.json").content)
    assert post("/api/bakes/file", file).json() == {"added": 0, "there": 3, "refused": []}
    Bake.objects.all().delete()
    assert bake()["likely_min"] == 34
    assert post("/api/bakes/file", file).json()["added"] == 3
    assert bake()["exact"] == pytest.approx(moved)
    again = taught()
    assert [one["words"] for one in again["lessons"]] == [
        one["words"] for one in before["lessons"]]


def test_a_damaged_row_of_a_file_is_named_and_the_others_come_in(log, client, post):
    log(37)
    file = json.loads(client.get("/api/bakes/file.json").content)
    Bake.objects.all().delete()
    file["bakes"].append({**file["bakes"][0], "minutes": -4})
    answer = post("/api/bakes/file", file).json()
    assert answer["added"] == 1
    assert answer["refused"][0].startswith("Bake 2: minutes")
    assert post("/api/bakes/file", {**file, "format": "other"}).status_code == 422


def test_in_another_kitchen_bakes_find_their_recipe_pan_and_oven_by_name(log, client, post, bake):
    for _ in range(3):
        log(39)
    moved = bake()["exact"]
    file = json.loads(client.get("/api/bakes/file.json").content)
    Bake.objects.all().delete()
    for row in file["bakes"]:
        for key in ("oven_key", "recipe_key", "pan_key"):
            kind, rest = row[key].split(":", 1)
            cut = min(rest.find(sign) for sign in ":|" if sign in rest)
            row[key] = f"{kind}:99{rest[cut:]}"
    post("/api/bakes/file", file)
    assert bake()["exact"] == pytest.approx(moved)
    Bake.objects.all().delete()
    RackPan.objects.filter(key="round-18").update(label="Other")
    for row in file["bakes"]:
        row["oven_name"] = "An oven of theirs"
    post("/api/bakes/file", file)
    assert set(Bake.objects.values_list("oven_key", "pan_key")) == {("", "")}


def test_readings_teach_dial_rise_and_what_a_batter_weighs(log, bake, fit, pan_id, taught, put,
                                                         client):
    before = bake()
    plain = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})["pans"][0]
    for read in (158, 158, 158, 168):
        log(35, oven_read_c=read, height_cm=plain["risen_cm"] * 0.9, hot_after_min=26,
            weight_g=plain["batter_g_each"] * 0.87)
    found = {one["kind"]: one for one in taught()["quantities"]}
    assert found["dial"]["words"].startswith("Main oven is 1")
    assert found["dial"]["words"].endswith("set 180 to get 170.")
    assert "rises 9 % less than its style" in found["rise"]["words"]
    assert found["rise"]["count"] == 4
    assert 0.1 < found["bake_loss"]["value"] < 0.15
    after = bake()
    assert (before["dial"], after["dial"]) == ("170 °C", "180 °C")
    assert any("10 °C off" in fact and "4 readings" in fact for fact in after["why"])
    lower = fit("parsnip-honey", {"pan": pan_id("round-18"), "count": 2})["pans"][0]
    assert lower["risen_cm"] < plain["risen_cm"]
    oven = Oven.objects.get(key="main")
    oven.dial_off_c = -5
    oven.save()
    assert bake()["dial"] == "175 °C"


def test_one_hot_reading_changes_no_setting(log, bake):
    log(35, oven_read_c=150)
    assert bake()["dial"] == "170 °C"


@pytest.mark.django_db(transaction=True)
def test_times_noted_before_there_was_a_logbook_are_taken_over():
    executor = MigrationExecutor(connection)
    executor.migrate([("kitchen", "0012_running")])
    old = executor.loader.project_state([("kitchen", "0012_running")]).apps
    old.get_model("kitchen", "BakeTaken").objects.create(
        recipe_title="Old cake", entry=0, label="Round 18", dial="170 °C", likely_min=34,
        minutes=36, taken_at=datetime(2026, 5, 1, 10, tzinfo=UTC),
        expected={"early_min": 30, "latest_min": 39, "first_look_min": 27},
        oven={"name": "Main oven"})
    call_command("migrate", verbosity=0)
    bake = Bake.objects.get()
    assert (bake.recipe_title, bake.minutes, bake.latest_min, bake.oven_name) == (
        "Old cake", 36, 39, "Main oven")
    assert bake.recipe_key == ""


def test_a_stated_range_gives_way_to_what_was_baked(post, fit, recipe_id, pan_id, demo):
    own = {"pan": pan_id("sheet-33"), "count": 1}
    before = fit("black-sesame", own, oven=Oven.objects.get(key="main").pk)["bakes"][0]
    assert before["exact"]["latest_min"] == pytest.approx(36, abs=0.01)
    for _ in range(6):
        post("/api/bakes", {"request": {
            "recipe": recipe_id("black-sesame"), "into": [own],
            "oven": Oven.objects.get(key="main").pk}, "minutes": 38, "how": "right"})
    after = fit("black-sesame", own, oven=Oven.objects.get(key="main").pk)["bakes"][0]
    assert after["exact"]["likely_min"] > 35
    assert after["exact"]["latest_min"] > 38
    reach = [one["exact"]["latest_min"] / one["exact"]["early_min"] for one in (before, after)]
    assert reach[0] == pytest.approx(36 / 30, abs=0.001)
    assert abs(reach[1] - reach[0]) > 0.005


def test_the_drawn_bake_ends_when_it_is_likely_done_and_its_crust_goes_along(log, post,
                                                                             request_body, bake):
    for _ in range(5):
        log(40)
    likely = bake()["likely_min"]
    answer = post("/api/fit/curve", {"fit": request_body, "entry": 0}).json()
    curve = answer["curves"][answer["chosen"]]
    assert curve["likely_min"] == likely > 37
    at = {one["at_min"]: one for one in curve["moments"]}
    assert at[likely]["centre_c"] == pytest.approx(97, abs=1.5)
    assert at[34]["centre_c"] < 95
    assert at[likely]["crust"] == bake()["crust"]


def test_a_number_set_back_is_measured_anew(log, taught, post):
    for _ in range(4):
        log(35, batter_g_dl=110)
    found = {one["kind"]: one for one in taught()["quantities"]}
    assert found["density"]["value"] > 1.1
    post("/api/bakes/forget", {"kind": "density", "key": found["density"]["key"]})
    assert "density" not in {one["kind"] for one in taught()["quantities"]}
    log(35, batter_g_dl=92)
    fresh = {one["kind"]: one for one in taught()["quantities"]}["density"]
    assert (fresh["count"], round(fresh["value"], 2)) == (1, 1.0)


def test_within_the_hour_every_bake_taken_away_can_come_back(log, client, post):
    one, other = log(35), log(36)
    for bake in (one, other):
        client.delete(f"/api/bakes/{bake['id']}")
    assert post(f"/api/bakes/{one['id']}/back", {}).status_code == 200
    Bake.objects.filter(pk=other["id"]).update(removed_at=datetime.now(UTC) - 2 * HOUR)
    client.delete(f"/api/bakes/{one['id']}")
    assert post(f"/api/bakes/{other['id']}/back", {}).status_code == 404


def test_hands_are_planned_with_as_days_went_unless_the_baker_said():
    def lessons(count):
        return Lessons(learnt=learn(()), ids=(), epochs={},
                       readings={("hands", ""): (1.5,) * count})

    assert pace_of_hands(lessons(9), 1.0) == 1.0
    assert 1.3 < pace_of_hands(lessons(40), 1.0) < 1.5
    assert pace_of_hands(lessons(40), 0.8) == 0.8


def test_a_cake_weighed_when_cold_moves_what_a_finished_cake_weighs(log, post, request_body):
    def weight():
        cakes = post("/api/fit/finish", request_body).json()["cakes"]
        return cakes[0]["mass_g"]

    before = weight()
    each = post("/api/fit", request_body).json()["pans"][0]["batter_g_each"]
    for _ in range(5):
        log(34, weight_g=each * 0.8)
    assert weight() < 0.95 * before


@pytest.mark.parametrize("damage", [
    {"how": "wonderful"}, {"kind": "campfire", "hot_after_min": 20.0}, {"model_min": 0.0},
    {"planned": "nothing"}, {"planned": {"set_c": "hot"}, "oven_read_c": 150.0},
    {"top": "ran_over", "planned": []}, {"tags": 4}, {"request": "none"},
])
def test_a_damaged_bake_spoils_no_fit_and_no_list(log, bake, client, taught, damage):
    log(36)
    broken = log(37)
    Bake.objects.filter(pk=broken["id"]).update(**damage)
    assert bake()["likely_min"] > 34
    rows = client.get("/api/bakes")
    assert (rows.status_code, rows.json()["count"]) == (200, 2)
    assert taught()["bakes"] == 2
    assert client.get("/api/bakes/again").status_code == 200
    assert client.get("/api/bakes/file.csv").status_code == 200


@pytest.mark.parametrize(("body", "status"), [
    ({"kind": "oven", "key": "oven:99"}, 422), ({"kind": "oven", "key": ""}, 422),
    ({"kind": "dial", "key": "1"}, 422), ({"kind": "mood", "key": ""}, 422),
    ({"kind": "oven", "key": "oven:99", "forget": False}, 404),
])
def test_only_what_was_learnt_is_set_back(log, post, body, status):
    log(36)
    assert post("/api/bakes/forget", body).status_code == status


def test_a_picture_larger_than_a_cameras_is_refused(log, put, monkeypatch):
    monkeypatch.setattr(pictures, "MOST_PIXELS", 1000)
    answer = put(f"/api/bakes/{log(34)['id']}/photo", {"picture": picture()})
    assert answer.status_code == 422
    assert "Make it smaller" in answer.json()["detail"]


def test_a_picture_that_breaks_off_is_refused(log, put):
    whole = base64.b64decode(picture())
    half = base64.b64encode(whole[:len(whole) // 2]).decode()
    answer = put(f"/api/bakes/{log(34)['id']}/photo", {"picture": half})
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "picture")
