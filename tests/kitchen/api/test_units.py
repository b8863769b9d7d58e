"""What leaves the house is in the kitchen's units, and what the baker wrote is as she wrote it."""

import re

import pytest
from django.http import HttpResponse

from entremet.core.ground.quantities import BY, MARK
from entremet.kitchen.api.habits import Worded
from entremet.kitchen.models import Kitchen, Recipe

METRIC = re.compile(r"\d\s?(?:cm|°C|ml)\b")
INCHES = re.compile(r"\d\s?(?:°F|in\b|cups?\b)|[½¼¾⅛⅜⅝⅞]\s?in\b")
DIAL = re.compile(r"\d+ °[CF](?: fan)?")
"""A setting, in the scale of its oven."""

HERS = {"label", "labels", "name", "names", "title", "written", "was", "pan", "tier", "subject",
        "dial", "lines", "steps", "card", "note_step"}
"""Fields that hold what a baker wrote, a dial in its own scale, or a line as she measures it."""


def said(value, key=""):
    """Give every text of an answer that is ours."""
    if isinstance(value, str):
        if not DIAL.fullmatch(value):
            yield value
    elif isinstance(value, list):
        for one in value:
            yield from said(one, key)
    elif isinstance(value, dict):
        for name, one in value.items():
            if name not in HERS:
                yield from said(one, name)


@pytest.fixture
def answers(demo, post, client, recipe_id, pan_id):
    """Return what every room says of some fits, as text and as values."""
    def asked():
        found = []
        for key, pan, count in (("plum-bergamot", "round-20", 2), ("pear-ring", "fluted-ring", 1),
                                ("parsnip-honey", "round-15-deep", 3),
                                ("black-sesame", "sheet-33", 1)):
            fit = {"recipe": recipe_id(key), "into": [{"pan": pan_id(pan), "count": count}],
                   "finishing": {"drip": True, "crumb_cm": 0.2, "press": "nuts", "press_cm": 3}}
            found += [post("/api/fit", fit), post("/api/fit/finish", fit),
                      post("/api/fit/oven", {"fit": fit}),
                      post("/api/fit", {**fit, "rule": "depth", "depth_cm": 11})]
        found.append(client.get("/api/recipes"))
        return [(one.content.decode(), one.json()) for one in found if one.status_code == 200]

    return asked


def test_no_mark_leaves_the_house_and_a_metric_kitchen_reads_no_inch(answers):
    for text, values in answers():
        assert MARK not in text
        assert BY not in text
        assert [one for one in said(values) if INCHES.search(one)] == []


def test_a_us_kitchen_reads_inches_cups_and_fahrenheit_in_every_sentence(answers):
    Kitchen.objects.update_or_create(id=1, defaults={"units": "us"})
    told = [one for _, values in answers() for one in said(values)]
    assert [one for one in told if METRIC.search(one)] == []
    assert any("°F" in one for one in told)
    assert any(re.search(r"\d in\b|[½¼¾⅛⅜⅝⅞] in\b", one) for one in told)


def test_what_she_calls_her_pan_is_never_worded_anew(demo, post, recipe_id):
    Kitchen.objects.update_or_create(id=1, defaults={"units": "us"})
    pan = {"outline": "round", "across": 20, "wall_cm": 5, "label": "Aunt's 20 cm tin"}
    told = post("/api/fit", {"recipe": recipe_id("parsnip-honey"),
                             "rule": "depth", "depth_cm": 11,
                             "into": [{"pan": pan, "count": 3}]}).json()
    assert told["pans"][0]["label"] == "Aunt's 20 cm tin"
    about = [one["text"] for one in told["findings"] if "Aunt" in one["text"]]
    assert about
    assert all("Aunt's 20 cm tin" in one for one in about)


def test_errors_are_in_the_kitchens_units_too(demo, post, recipe_id):
    asked = {"recipe": recipe_id("parsnip-honey"), "rule": "depth", "depth_cm": 900, "into": []}
    assert "0.3 to 40 cm" in post("/api/fit", asked).json()["detail"]
    Kitchen.objects.update_or_create(id=1, defaults={"units": "us"})
    assert "⅛ to 15¾ in" in post("/api/fit", asked).json()["detail"]


@pytest.mark.parametrize(("kind", "worded"), [
    ("application/json; charset=utf-8", True), ("text/csv", True), ("image/svg+xml", True),
    ("application/problem+json", True), ("image/jpeg", False), ("application/pdf", False),
    ("application/zip", False)])
def test_the_bytes_of_a_picture_or_a_copy_are_left_alone(db, rf, kind, worded):
    content = b"\xff\xd8" * (not worded) + f"5{MARK}cm".encode()
    answer = Worded(lambda _: HttpResponse(content, content_type=kind))(rf.get("/api/x"))
    assert answer.content == (b"5 cm" if worded else content)


def test_a_sign_that_marks_quantities_cannot_be_typed(demo, post, recipe_id):
    refused = post("/api/fit", {"recipe": recipe_id("parsnip-honey"), "into": [
        {"pan": {"outline": "round", "across": f"20{MARK}cm", "label": "x"}}]})
    assert (refused.status_code, refused.json()["code"]) == (422, "unfit_value")
    assert Recipe.objects.exists()
