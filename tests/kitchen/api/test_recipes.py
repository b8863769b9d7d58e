"""Cards over the API: kept, revised, compared, restored, copied, put away, searched, exported."""

from __future__ import annotations

import json
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from django.test import Client

from entremet.kitchen.actions import recipes as keeping
from entremet.kitchen.models import Recipe, Revision
from tests.demo_rows import put_season

Answer = dict[str, Any]


@pytest.fixture
def read(post) -> Callable[[str], Answer]:
    def ask(text: str) -> Answer:
        return post("/api/readings", {"text": text}).json()["card"]
    return ask


@pytest.fixture
def card(read) -> Answer:
    return read("Plum squares\n200 g self-raising flour\n3 large eggs\n150 g caster sugar")


@pytest.fixture
def kept(db, post, card) -> Answer:
    response = post("/api/recipes", {"card": card})
    assert response.status_code == 201
    return response.json()


def put(client: Client, kept: Answer, card: Answer, base: int) -> Any:
    return client.put(f"/api/recipes/{kept['row']['id']}", {"card": card, "base": base},
                      "application/json")


def path(kept: Answer, more: str = "") -> str:
    return f"/api/recipes/{kept['row']['id']}{more}"


def test_a_card_comes_back_as_it_was_kept(db, client, kept, card):
    assert kept["card"] == card
    assert client.get(path(kept)).json()["card"] == card
    assert (kept["revision"], kept["row"]["title"]) == (1, "Plum squares")


def test_every_save_is_a_revision_and_an_unchanged_one_is_none(db, client, kept, card):
    changed = {**card, "note": "Less sugar next time."}
    assert put(client, kept, changed, 1).json()["revision"] == 2
    assert put(client, kept, changed, 2).json()["revision"] == 2
    rows = client.get(path(kept, "/revisions")).json()
    assert [(row["number"], row["made"]) for row in rows] == [(2, "edited"), (1, "new")]
    assert client.get(path(kept, "?revision=1")).json()["card"]["note"] == ""


def test_the_second_of_two_tabs_is_told_and_loses_nothing(db, client, kept, card):
    assert put(client, kept, {**card, "note": "first tab"}, 1).status_code == 200
    second = put(client, kept, {**card, "note": "second tab"}, 1)
    assert (second.status_code, second.json()["code"]) == (409, "edited_meanwhile")
    assert client.get(path(kept)).json()["card"]["note"] == "first tab"
    assert put(client, kept, {**card, "note": "second tab"}, 2).json()["revision"] == 3
    assert client.get(path(kept, "?revision=2")).json()["card"]["note"] == "first tab"


def test_revisions_are_compared_and_restored(db, client, post, kept, card):
    put(client, kept, {**card, "title": "Plum fingers", "lines": card["lines"][:2]}, 1)
    told = client.get(path(kept, "/compare?was=1&now=2")).json()
    assert [(one["part"], one["change"]) for one in told] == [
        ("title", "changed"), ("line", "taken_away")]
    back = post(path(kept, "/restore"), {"revision": 1, "base": 2}).json()
    assert (back["revision"], back["card"]) == (3, card)
    stale = post(path(kept, "/restore"), {"revision": 1, "base": 2})
    assert stale.status_code == 409
    assert client.get(path(kept, "/revisions")).json()[0]["of"] == 1


def test_a_copy_goes_its_own_way(db, client, post, kept, card):
    copy = post(path(kept, "/duplicate"), {}).json()
    assert copy["card"]["title"] == "Plum squares (copy)"
    put(client, copy, {**copy["card"], "note": "changed"}, 1)
    assert client.get(path(kept)).json()["card"] == card


def test_what_is_put_away_can_be_brought_back(db, client, post, kept):
    assert post(path(kept, "/archive"), {"archived": True}).json()["archived"]
    assert client.get("/api/recipes").json()["total"] == 0
    assert client.get("/api/recipes?archived=true").json()["total"] == 1
    assert client.get(path(kept)).status_code == 200
    post(path(kept, "/archive"), {"archived": False})
    assert client.get("/api/recipes").json()["total"] == 1


def titles(client: Client, query: str) -> list[str]:
    return [row["title"] for row in client.get(f"/api/recipes?{query}").json()["rows"]]


@pytest.mark.parametrize(("query", "found"), [
    ("search=parsnip", ["Parsnip and honey layer cake"]),
    ("search=PARSNIPS+hon", ["Parsnip and honey layer cake"]),
    ("search=elderflower+whites", ["Elderflower chiffon"]),
    ("search=cafe", []), ("search=harvest+supper&tag=layer+cake",
                          ["Parsnip and honey layer cake", "Plum and bergamot layer cake"]),
    ("tag=ring", ["Brown-butter pear ring", "Elderflower chiffon"]), ("tag=rin", []),
    ("search=%25", []), ("search=rhubarb", ["Rhubarb and custard cupcakes"]),
])
def test_recipes_are_found_by_words_beginnings_and_tags(demo, client, query, found):
    assert titles(client, query) == found


def test_the_list_comes_in_pages(demo, client):
    first = client.get("/api/recipes?limit=3").json()
    assert (len(first["rows"]), first["total"]) == (3, 8)
    last = client.get("/api/recipes?limit=3&offset=6").json()
    assert (len(last["rows"]), last["total"]) == (2, 8)
    assert "ring" in first["tags"]


@pytest.mark.parametrize(("change", "field"), [
    ({"title": ""}, "title"), ({"egg_g": 3}, "egg_g"),
    ({"egg_grade": "ostrich"}, "egg_grade"), ({"measure_standard": "thimble"}, "standard"),
    ({"style": "fried"}, "style"), ({"stated_low_min": 9}, "stated_low_min"),
    ({"setting": {"value": 9000, "scale": "C"}}, "oven_setting"),
    ({"lines": [{"key": 1, "text": "x", "component": 7}]}, "lines"),
    ({"colour": "blue"}, "card.colour"), ({"lines": [{"text": "no key"}]}, "card.lines.0.key"),
])
def test_a_card_that_cannot_be_is_refused_by_field_and_nothing_is_kept(db, post, card, change,
                                                                      field):
    response = post("/api/recipes", {"card": {**card, **change}})
    assert response.status_code == 422
    assert response.json()["errors"][0]["field"] == field
    assert Recipe.objects.count() == Revision.objects.count() == 0


@pytest.mark.parametrize("more", ["", "/revisions", "/compare?was=1&now=2", "/export?format=own"])
def test_what_is_not_there_is_said(db, client, kept, more):
    response = client.get(f"/api/recipes/99999{more}")
    assert (response.status_code, response.json()["code"]) == (404, "not_here")
    assert client.get(path(kept, "?revision=7")).json()["code"] == "not_here"


def export(client: Client, kept: Answer, query: str) -> Answer:
    return client.get(path(kept, f"/export?{query}")).json()


def test_our_own_json_loses_nothing_on_its_way_round(demo, client, post):
    for row in client.get("/api/recipes").json()["rows"]:
        kept = {"row": row}
        file = export(client, kept, "format=own")
        assert file["losses"] == []
        back = post("/api/readings", {"name": file["file_name"], "text": file["text"]}).json()
        assert back["card"] == client.get(path(kept)).json()["card"]


def test_every_other_format_says_what_it_cannot_hold(demo, client, recipe_id):
    kept = {"row": {"id": recipe_id("plum-bergamot")}}
    for kind, start in (("json_ld", "{"), ("markdown", "# Plum"), ("csv", "component,")):
        file = export(client, kept, f"format={kind}&variant=1")
        assert file["text"].startswith(start)
        assert file["losses"]
        assert "ocoa" in file["text"]
    assert export(client, kept, "format=csv")["file_name"] == "plum-and-bergamot-layer-cake.csv"


@pytest.mark.parametrize(("name", "text"), [
    ("a.json", "{"), ("a.json", '{"format": "entremet-card", "version": 1, "card": {}}'),
    ("a.json", '{"format": "entremet-card", "version": 9, "card": {"title": "x"}}'),
    ("a.json", '{"format": "entremet-card", "card": {"title": "x", "surprise": 1}}'),
    ("a.json", '{"format": "entremet-card", "card": {"title": "x", "egg_g": 1e999}}'),
    ("a.html", "<html></html>"), ("a.txt", ""), ("a.bin", "\x00\x01"), ("a.json", "[" * 9000),
])
def test_hostile_files_are_refused_and_nothing_is_stored(db, post, name, text):
    response = post("/api/readings", {"name": name, "text": text})
    assert response.status_code == 422
    assert response.json()["detail"]
    assert Recipe.objects.count() == 0


def test_too_large_a_body_is_a_problem_not_a_page(db, client):
    response = client.post("/api/readings", json.dumps({"text": "x" * 12_100_000}),
                           "application/json")
    assert (response.status_code, response.json()["code"]) == (413, "too_large")


def test_a_saved_page_is_read_by_its_contents(db, post):
    data = json.dumps({"@type": "Recipe", "name": "Plum ring",
                       "recipeIngredient": ["3 eggs", "200 g plums"]})
    text = f"<html><script type='application/ld+json'>{data}</script></html>"
    answer = post("/api/readings", {"name": "saved.htm", "text": text}).json()
    assert (answer["card"]["title"], answer["unread"]) == ("Plum ring", [])
    assert Recipe.objects.count() == 0


def test_a_fit_keeps_to_its_revision_and_says_when_the_card_moved_on(demo, client, fit, pan_id,
                                                                    recipe_id):
    kept = {"row": {"id": recipe_id("parsnip-honey")}}
    card = client.get(path(kept)).json()["card"]
    doubled = {**card, "lines": card["lines"][:1]}
    pan = {"pan": pan_id("round-18"), "count": 2}
    before = fit("parsnip-honey", pan, revision=1)
    assert put(client, kept, doubled, 1).status_code == 200
    assert fit("parsnip-honey", pan, revision=1)["lines"] == before["lines"]
    after = fit("parsnip-honey", pan)
    assert (after["recipe"]["revision"], len(after["lines"])) == (2, 1)
    held = fit("parsnip-honey", pan, revision=1)["recipe"]
    assert (held["revision"], held["head"]) == (1, 2)


def test_a_variant_and_an_alternative_are_chosen_per_fit(demo, fit, pan_id):
    pan = {"pan": pan_id("round-20"), "count": 2}
    plain = fit("plum-bergamot", pan)
    assert plain["recipe"]["variants"] == [{"key": 1, "name": "With cocoa"}]
    syrup = plain["recipe"]["instead"][0]
    assert syrup["names"] == ["lemon juice", "orange juice"]
    cocoa = fit("plum-bergamot", pan, variant=1, instead={syrup["line"]: 0})
    names = [line["name"] for line in cocoa["lines"]]
    assert "Cocoa powder" in names
    assert "Orange juice" in names
    assert cocoa["recipe"]["variant_name"] == "With cocoa"
    swapped = next(line for line in cocoa["lines"] if line["name"] == "Cocoa powder")
    assert swapped["swapped_from"] == "220 g self-raising flour"


def test_a_fit_of_a_variant_the_card_lacks_is_refused(demo, post, recipe_id):
    body = {"recipe": recipe_id("pear-ring"), "into": [], "variant": 5}
    assert post("/api/fit", body).json()["errors"][0]["field"] == "variant"


NOW = datetime(2026, 11, 1, 9, 30, tzinfo=UTC)


def test_the_archive_shows_what_was_put_away_last_first(demo, client):
    first, second, third = Recipe.objects.all()[:3]
    for place, recipe in enumerate((second, first, third)):
        keeping.put_away(recipe.pk, away=True, at=NOW + timedelta(minutes=place))
    rows = client.get("/api/recipes?archived=true").json()["rows"]
    assert [row["id"] for row in rows] == [third.pk, first.pk, second.pk]


def test_a_card_is_found_by_what_it_feeds_its_minutes_and_what_is_left_over(demo, client):
    rows = client.get("/api/recipes").json()["rows"]
    assert all(row["hands_min"] and row["all_min"] > row["hands_min"] for row in rows)
    feeds = [row for row in rows if row["feeds"] is not None]
    most = max(feeds, key=lambda row: row["feeds"])
    found = client.get(f"/api/recipes?feeds={most['feeds']}").json()["rows"]
    assert {row["id"] for row in found} == {
        row["id"] for row in feeds if row["feeds"] >= most["feeds"]}
    quick = client.get("/api/recipes?sort=quick").json()["rows"]
    assert [row["all_min"] for row in quick] == sorted(row["all_min"] for row in rows)
    bound = quick[2]["all_min"]
    assert len(client.get(f"/api/recipes?all_min={bound}").json()["rows"]) >= 3
    hands = min(row["hands_min"] for row in rows)
    assert client.get(f"/api/recipes?hands_min={hands - 1}").json()["rows"] == []
    assert client.get("/api/recipes?feeds=0").status_code == 422


def test_what_is_left_over_finds_the_cards_that_would_take_it(demo, client, post):
    assert client.get("/api/recipes?uses_up=true").json()["rows"] == []
    assert post("/api/leftovers", {"name": "Plums", "g": 300}).status_code == 201
    found = client.get("/api/recipes?uses_up=true").json()["rows"]
    assert found
    assert all(row["uses_up"] == ["Plums"] for row in found)
    others = client.get("/api/recipes").json()["rows"]
    assert any(row["uses_up"] == [] for row in others)


def test_what_was_baked_last_stands_first_where_that_is_wanted(demo, client):
    put_season()
    rows = client.get("/api/recipes?sort=baked").json()["rows"]
    baked = [row["last_baked"] for row in rows if row["last_baked"]]
    assert baked
    assert baked == sorted(baked, reverse=True)
    assert all(row["last_baked"] is None for row in rows[len(baked):])
