"""Recipes, rack, ovens, kept fits, and what holds for the whole API."""

from __future__ import annotations

import json
from pathlib import Path

import pytest

from entremet.core.ground import errors
from entremet.kitchen import errors as kitchen_errors
from entremet.kitchen.api.assembled import api
from entremet.kitchen.api.bounds import bounds_module
from entremet.kitchen.api.problems import STATUS
from entremet.kitchen.api.schemas.base import Out, StrictIn
from entremet.kitchen.models import KeptFit, Recipe

SNAPSHOT = Path(__file__).with_name("openapi.json")
BOUNDS = Path(__file__).parents[3] / "frontend/src/api/bounds.ts"


def test_recipes_are_listed_with_what_they_are_written_for(demo, client):
    rows = client.get("/api/recipes").json()["rows"]
    ring = next(row for row in rows if row["title"] == "Brown-butter pear ring")
    assert (ring["oven"], ring["time"]) == ("160 °C fan", "45–50 min")
    assert rows[0]["written_for"] == "2 × round 18"


def test_listing_recipes_asks_no_more_for_more_recipes(demo, client, django_assert_num_queries):
    with django_assert_num_queries(4):
        client.get("/api/recipes")


def test_a_recipe_has_all_its_lines(demo, client, recipe_id):
    card = client.get(f"/api/recipes/{recipe_id('parsnip-honey')}").json()["card"]
    assert len(card["lines"]) == 12
    assert card["pans"][0]["measures"]["wall_cm"] is None
    sugar = next(line for line in card["lines"] if line["name"] == "caster sugar")
    assert sum(part["share"] for part in sugar["parts"]) == pytest.approx(1)


def test_the_rack_is_drawn(demo, client):
    pans = client.get("/api/pans").json()
    ring = next(pan for pan in pans if pan["label"] == "Fluted ring")
    assert ring["known_by"] == "capacity"
    assert len(ring["drawing"]["plan"]) == 2
    assert next(pan for pan in pans if pan["wells"] == 12)["owned"] == 2


def test_the_default_oven_comes_first(demo, client):
    ovens = client.get("/api/ovens").json()
    assert [oven["is_default"] for oven in ovens] == [True, False, False, False, False]


@pytest.mark.parametrize("path", ["/api/recipes/9999", "/api/fits/9999", "/api/nothing", "/api"])
def test_what_is_not_there_is_a_problem(demo, client, path):
    response = client.get(path)
    assert response.status_code == 404
    assert response["content-type"] == "application/problem+json"


def request_for(recipe_id, pan_id):
    return {"recipe": recipe_id("parsnip-honey"), "rule": "keep_batch",
            "into": [{"pan": pan_id("round-20"), "count": 2},
                     {"pan": {"outline": "round", "across": "6 in", "wall_cm": 7}, "count": 1}]}


def test_a_kept_fit_comes_back_whole(demo, client, post, recipe_id, pan_id):
    request = request_for(recipe_id, pan_id)
    kept = post("/api/fits", {"name": " Harvest  supper ", "request": request}).json()
    assert kept["name"] == "Harvest supper"
    back = client.get(f"/api/fits/{kept['id']}").json()
    assert back["result"] == post("/api/fit", back["request"]).json()
    assert back["result"] == post("/api/fit", request).json()
    assert [row["name"] for row in client.get("/api/fits").json()] == ["Harvest supper"]


def test_a_name_is_not_taken_twice_by_accident(demo, client, post, recipe_id, pan_id):
    body = {"name": "Choir tea", "request": request_for(recipe_id, pan_id)}
    assert post("/api/fits", body).status_code == 201
    again = post("/api/fits", body)
    assert (again.status_code, again.json()["code"]) == (409, "name_taken")
    assert post("/api/fits", {**body, "replace": True}).status_code == 201
    assert KeptFit.objects.count() == 1


def test_a_removed_fit_is_gone(demo, client, post, recipe_id, pan_id):
    kept = post("/api/fits", {"name": "Seed swap", "request": request_for(recipe_id, pan_id)})
    path = f"/api/fits/{kept.json()['id']}"
    assert client.delete(path).status_code == 204
    assert client.get(path).status_code == 404


def test_a_fit_that_cannot_be_worked_out_is_not_kept(demo, post, recipe_id):
    body = {"name": "x", "request": {"recipe": recipe_id("pear-ring"), "into": [{"pan": 999}]}}
    assert post("/api/fits", body).status_code == 404
    assert post("/api/fits", {**body, "name": "  "}).status_code == 422
    assert KeptFit.objects.count() == 0


def test_an_empty_kitchen_answers(db, client):
    assert client.get("/api/kitchen").json()["name"] == "My kitchen"
    assert client.get("/api/recipes").json() == {"rows": [], "total": 0, "tags": []}
    assert client.get("/api/ovens").json() == []


def test_a_recipe_without_pans_or_oven_is_listed(demo, client, fit, pan_id):
    path = f"/api/recipes/{Recipe.objects.get(key='pear-ring').pk}"
    card = client.get(path).json()["card"] | {"pans": [], "setting": None}
    assert client.put(path, {"card": card, "base": 1}, "application/json").status_code == 200
    rows = client.get("/api/recipes").json()["rows"]
    row = next(one for one in rows if "pear" in one["title"])
    assert (row["written_for"], row["oven"]) == ("no pan named", "")
    answer = fit("pear-ring", {"pan": pan_id("round-20"), "count": 1})
    assert {"no_source_pan", "no_oven_setting"} <= {one["code"] for one in answer["findings"]}
    assert answer["bakes"][0]["likely_min"] is None


def test_the_snapshot_is_the_api_as_it_is():
    current = json.loads(json.dumps(api.get_openapi_schema()))
    assert current == json.loads(SNAPSHOT.read_text("utf-8")), "run: make openapi"
    assert bounds_module(current) == BOUNDS.read_text("utf-8"), "run: make openapi"


def test_the_description_is_worked_out_once(client):
    first = client.get("/api/openapi.json")
    assert first.status_code == 200
    assert api.get_openapi_schema() is api.get_openapi_schema()
    assert client.get("/api/openapi.json").content == first.content


def test_every_error_has_a_status():
    tree = {kind for module in (errors, kitchen_errors) for kind in vars(module).values()
            if isinstance(kind, type) and issubclass(kind, errors.CoreError)}
    assert tree == set(STATUS)


def test_the_page_of_a_room_and_its_headers(client):
    response = client.get("/fit")
    assert response.status_code in (200, 503)
    assert response["X-Content-Type-Options"] == "nosniff"
    assert client.post("/fit").status_code == 405


def test_kept_fits_come_by_the_page_and_by_words(demo, client, post, recipe_id, pan_id):
    for number in range(5):
        name = f"Choir tea {number}" if number % 2 else f"Seed swap {number}"
        assert post("/api/fits", {"name": name, "request": request_for(recipe_id, pan_id)}
                    ).status_code == 201
    names = [row["name"] for row in client.get("/api/fits?limit=2&offset=1").json()]
    assert names == ["Choir tea 3", "Seed swap 2"]
    found = [row["name"] for row in client.get("/api/fits?search=choir+parsnip").json()]
    assert found == ["Choir tea 3", "Choir tea 1"]
    assert client.get("/api/fits?search=nothing").json() == []
    assert client.get("/api/fits?limit=9000").status_code == 422


@pytest.mark.parametrize(("search", "titles"), [
    ("rsnip", {"Parsnip and honey layer cake"}), ("PARSNIP hon", {"Parsnip and honey layer cake"}),
    ("zz", set()), ('"', None), ("ri", None), ("crème", None), ("plum bergamo",
                                                             {"Plum and bergamot layer cake"})])
def test_recipes_are_found_by_parts_of_words(demo, client, search, titles):
    answer = client.get("/api/recipes", {"search": search})
    assert answer.status_code == 200
    found = {row["title"] for row in answer.json()["rows"]}
    assert titles is None or found == titles


def test_the_search_follows_every_change_of_a_card(demo, client, post):
    card = {"title": "Medlar squares", "lines": [{"key": 1, "text": "3 quinces"}]}
    made = post("/api/recipes", {"card": card}).json()["row"]["id"]

    def found(words):
        return [row["id"] for row in client.get("/api/recipes", {"search": words}).json()["rows"]]

    assert found("medlar quince") == [made]
    client.put(f"/api/recipes/{made}", {"card": {**card, "title": "Sloe squares"}, "base": 1},
               "application/json")
    assert (found("medlar"), found("sloe quince")) == ([], [made])
    Recipe.objects.get(pk=made).delete()
    assert found("sloe quince") == []


def test_no_two_schemas_share_a_name_so_that_none_takes_the_others_place():
    def below(kind):
        return [kind, *(one for each in kind.__subclasses__() for one in below(each))]

    names = [one.__name__ for base in (Out, StrictIn) for one in below(base)]
    assert sorted(names) == sorted(set(names))
