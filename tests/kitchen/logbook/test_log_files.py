"""The logbook's files and photos, in and out."""

from __future__ import annotations

import base64
import csv
import io
import json
from datetime import UTC, datetime

import pytest
from django.core.management import call_command
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from PIL import Image

from entremet.kitchen import pictures
from entremet.kitchen.models import Bake, RackPan


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
    first = client.get(f"/api/bakes/{bake['id']}").json()["photo"]
    put(path, {"picture": picture()})
    assert client.get(f"/api/bakes/{bake['id']}").json()["photo"] > first > 0
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
    file["bakes"] += [{**file["bakes"][0], "minutes": -4},
                      {**file["bakes"][0], "baked_at": "2190-01-01T00:00:00Z"}]
    answer = post("/api/bakes/file", file).json()
    assert answer["added"] == 1
    assert answer["refused"][0].startswith("Bake 2: minutes")
    assert answer["refused"][1].startswith("Bake 3: baked_at")
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
