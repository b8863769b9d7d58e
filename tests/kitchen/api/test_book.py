"""The kitchen's book over the API: chosen cards, two sets of pans, the best bakes, progress."""

from __future__ import annotations

import json
from datetime import UTC, datetime
from threading import Event

import pytest

from entremet.kitchen.actions import at_hand, binding, books
from entremet.kitchen.actions.binding import _beside as beside
from entremet.kitchen.actions.books import Beside, BookAsked, make_book
from entremet.kitchen.models import Bake, KeptFit, RackPan, Recipe

WHOLE = {"title": "Quillet Lane"}


@pytest.fixture
def at_once(monkeypatch):
    """Make books while they are asked for."""
    monkeypatch.setattr(binding, "_beside", lambda work: work())
    binding.put_away()


def cards(**asked):
    """The cards of a book as they are before they are set."""
    wanted = BookAsked(title="Book", **asked)
    return {one.title: one for one in (books._card(row, wanted) for row in books.cards_of(wanted))}


def test_a_book_of_all_cards_is_made_and_taken(demo, client, post, at_once):
    assert client.get("/api/book").status_code == 204
    assert client.get("/api/book/file").status_code == 404
    begun = post("/api/book", WHOLE)
    assert begun.status_code == 202, begun.content
    told = client.get("/api/book").json()
    assert told["ready"]
    assert told["done"] == told["steps"] == 2 * Recipe.objects.in_use().count()
    assert told["pages"] % 4 == 0
    file = client.get("/api/book/file")
    assert file.content.startswith(b"%PDF")
    assert round(len(file.content) / 1000) == told["kb"]
    assert "attachment" in file["Content-Disposition"]
    assert client.delete("/api/book").status_code == 204
    assert client.get("/api/book").status_code == 204


@pytest.mark.parametrize(("wrong", "field"), [
    ({"recipes": [99_999]}, "recipes"), ({"beside": "pan"}, "pan"),
    ({"beside": "pan", "pan": 99_999}, "pan"), ({"title": ""}, "title"), ({"title": " "}, "title"),
    ({"paper": "a3"}, "paper")])
def test_what_cannot_be_made_is_said_with_its_field(demo, post, at_once, wrong, field):
    answer = post("/api/book", {**WHOLE, **wrong})
    assert answer.status_code == 422
    assert any(field in one["field"] for one in answer.json()["errors"])
    assert binding.current_book() is None


def test_an_empty_kitchen_has_no_book(db, post, at_once):
    answer = post("/api/book", WHOLE)
    assert answer.status_code == 422
    assert answer.json()["detail"] == "There is no card to print yet."


def test_a_card_stands_in_its_own_pans_and_in_those_it_was_kept_in(demo, post, recipe_id, pan_id):
    fit = {"recipe": recipe_id("plum-bergamot"), "into": [{"pan": pan_id("square-20")}]}
    assert post("/api/fits", {"name": "For the choir", "request": fit}).status_code == 201
    KeptFit.objects.update(kept_at=datetime(2027, 1, 1, tzinfo=UTC))
    one = next(card for title, card in cards().items() if "Plum" in title)
    assert [column.head for column in one.columns] == ["In its own pans", "For the choir"]
    assert "Square 20" in one.columns[1].pans[0]
    told = post("/api/fit", fit).json()
    flour = next(line for line in told["lines"] if line["name"] == "Self-raising flour")
    row = next(row for part in one.parts for row in part.rows if row.name == "Self-raising flour")
    assert row.amounts[1].startswith(flour["shown_g"])


def test_a_fit_that_was_kept_of_an_older_card_stands_with_the_card_as_it_is_now(
        demo, client, post, recipe_id, pan_id):
    recipe = recipe_id("plum-bergamot")
    fit = {"recipe": recipe, "revision": 1, "into": [{"pan": pan_id("square-20")}]}
    assert post("/api/fits", {"name": "For the choir", "request": fit}).status_code == 201
    told = client.get(f"/api/recipes/{recipe}").json()
    card = told["card"]
    line = next(one for one in card["lines"] if one["name"] == "self-raising flour")
    line["name"] = "rye flour"
    body = json.dumps({"card": card, "base": told["row"]["revision"]})
    saved = client.put(f"/api/recipes/{recipe}", body, "application/json")
    assert saved.status_code == 200, saved.content
    one = next(card for title, card in cards().items() if "Plum" in title)
    rows = {row.name: row.amounts for part in one.parts for row in part.rows}
    assert "Self-raising flour" not in rows
    assert "–" not in rows["Rye flour"]


def test_a_fault_of_ours_takes_one_card_and_not_the_book(demo, monkeypatch):
    real = books.book_card

    def breaks(fits, **more):
        if "Plum" in fits[0].plan.recipe.title:
            raise KeyError(7)
        return real(fits, **more)
    monkeypatch.setattr(books, "book_card", breaks)
    found = cards()
    assert [title for title, one in found.items() if one.problem] == [
        title for title in found if "Plum" in title]


def test_without_a_kept_fit_the_nearest_other_pan_of_its_kind_stands_beside(demo):
    found = cards()
    ring = next(card for title, card in found.items() if "chiffon" in title)
    assert "ring" in ring.columns[1].pans[0].lower()
    own = {one.columns[0].pans[0].split(":")[0].lower() for one in found.values()}
    assert all(one.columns[1].pans[0].split(":")[0].lower() not in own or
               one.columns[1].pans[0] != one.columns[0].pans[0] for one in found.values())


def test_one_pan_can_stand_beside_all_or_none(demo, pan_id):
    pan = pan_id("square-20")
    assert all("Square 20" in one.columns[1].pans[0]
               for one in cards(beside=Beside.PAN, pan=pan).values())
    assert all(len(one.columns) == 1 for one in cards(beside=Beside.NOTHING).values())


def test_the_best_bakes_are_those_that_came_out_right_with_their_notes(
        demo, recipe_id, monkeypatch):
    recipe = Recipe.objects.get(pk=recipe_id("plum-bergamot"))
    usual = {"recipe": recipe, "recipe_title": recipe.title, "pan_label": "Round 20",
             "first_look_min": 25, "early_min": 28, "likely_min": 31, "latest_min": 36,
             "model_min": 31, "logged_at": datetime(2027, 1, 9, tzinfo=UTC),
             "changed_at": datetime(2027, 1, 9, tzinfo=UTC)}
    for day, how, top, note in ((1, "right", "flat", "foil from 20"), (2, "raw", "", "raw inside"),
                                (3, "right", "sunk", "sank"), (4, "right", "", ""),
                                (5, "little_over", "flat", "dry")):
        Bake.objects.create(**usual, baked_at=datetime(2027, 1, day, tzinfo=UTC), minutes=30 + day,
                            how=how, top=top, note=note)
    Bake.objects.create(**usual, baked_at=datetime(2027, 1, 6, tzinfo=UTC), minutes=36, how="right",
                        note="another flour", counted="left_out")
    told = cards(recipes=(recipe.pk,))[recipe.title].best
    assert told == ("1 Jan 2027, Round 20, 31 min. foil from 20", "4 Jan 2027, Round 20, 34 min")
    # Midnight in Greenwich is the evening before in New York.
    monkeypatch.setattr(at_hand, "zone_name", lambda: "America/New_York")
    assert cards(recipes=(recipe.pk,))[recipe.title].best[0].startswith("31 Dec 2026, ")


def test_a_damaged_card_keeps_its_place_and_says_so(demo, at_once, post, client):
    row = Recipe.objects.in_use().order_by("title").first()
    row.revisions.update(card={"title": 3})
    assert post("/api/book", WHOLE).status_code == 202
    assert client.get("/api/book").json()["ready"]
    assert "What is stored of this card is damaged" in cards()[row.title].problem


def test_a_damaged_pan_is_passed_over(demo):
    RackPan.objects.filter(key="square-20").update(across=None)
    assert all(len(one.columns) == 2 for one in cards().values())


def test_a_book_that_nobody_wants_any_more_stops(demo):
    seen = []
    assert make_book(BookAsked(title="Book"), seen.append, going_on=lambda: len(seen) < 3) is None
    assert seen == [1, 2, 3]


def test_a_new_book_takes_the_place_of_the_one_before(demo, monkeypatch):
    waiting = []
    monkeypatch.setattr(binding, "_beside", waiting.append)
    first = binding.begin(BookAsked(title="First"))
    second = binding.begin(BookAsked(title="Second"))
    for work in waiting:
        work()
    assert first.made is None
    assert second.made is not None
    assert binding.current_book() is second


def test_a_book_that_breaks_says_so_and_leaves_the_kitchen_running(demo, monkeypatch, at_once,
                                                                   client, post):
    def breaks(*_args, **_more):
        raise RuntimeError("no paper")
    monkeypatch.setattr(binding, "make_book", breaks)
    post("/api/book", WHOLE)
    told = client.get("/api/book").json()
    assert not told["ready"]
    assert told["failed"].startswith("The book could not be made")


def test_it_is_made_beside_everything_else():
    done = Event()
    beside(done.set)
    assert done.wait(10)
