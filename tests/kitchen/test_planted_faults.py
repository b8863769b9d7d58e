"""Faults of the kitchen that once outlived all tests."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

from entremet.kitchen.actions import recipes as keeping
from entremet.kitchen.models import RackPan, Recipe

NOW = datetime(2026, 11, 1, 9, 30, tzinfo=UTC)


def test_of_two_readings_of_a_field_the_deepest_speaks(demo, post):
    answer = post("/api/fit", {"recipe": 1, "into": [{"pan": {"outline": "blob"}}]})
    assert [one["field"] for one in answer.json()["errors"]] == ["into.0.pan.outline"]
    flat = post("/api/fit", {"recipe": 1, "into": [{"pan": "tin"}]})
    assert flat.json()["errors"][0]["field"] == "into.0.pan"


def test_the_archive_shows_what_was_put_away_last_first(demo, client):
    first, second, third = Recipe.objects.all()[:3]
    for place, recipe in enumerate((second, first, third)):
        keeping.put_away(recipe.pk, away=True, at=NOW + timedelta(minutes=place))
    rows = client.get("/api/recipes?archived=true").json()["rows"]
    assert [row["id"] for row in rows] == [third.pk, first.pk, second.pk]


def test_no_more_pans_are_offered_than_are_owned_whatever_is_said_to_be_free(demo, post, pan_id):
    body = {"fit": {"recipe": Recipe.objects.get(key="parsnip-honey").pk, "into": []},
            "free": {str(pan_id("round-15-deep")): 9}, "most_pans": 5, "tolerance": 0.5}
    for owned in (3, 1):
        RackPan.objects.filter(key="round-15-deep").update(owned=owned)
        offers = post("/api/fit/sets", body).json()["offers"]
        assert {one["count"] for offer in offers for one in offer["into"]} <= set(
            range(1, owned + 1))
        assert (owned == 1) or max(
            one["count"] for offer in offers for one in offer["into"]) > 1
