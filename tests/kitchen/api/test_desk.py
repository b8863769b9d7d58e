"""The desk over the API: readings, questions and answers, own weights, swaps, pans."""

from __future__ import annotations

import pytest

from entremet.kitchen.models import Answer, OwnWeight

MESSY = """Quince squares
1 cup plain flour
190 g kefir, divided
7 oz rice milk
2 tbsp quince paste
some luck
🍰 120 g plums
1. Beat in 145 g kefir, then 45 g kefir.
"""


@pytest.fixture
def card(db, post):
    return post("/api/readings", {"text": MESSY}).json()["card"]


@pytest.fixture
def desk(post):
    def look(card, **more):
        response = post("/api/desk", {"card": card, **more})
        assert response.status_code == 200, response.content
        return response.json()
    return look


def test_nothing_that_was_pasted_is_lost(db, post):
    answer = post("/api/readings", {"text": MESSY}).json()
    assert [line["text"] for line in answer["card"]["lines"]] == [
        *MESSY.splitlines()[1:-2], "120 g plums"]
    assert answer["unread"] == ["some luck"]


def test_the_desk_marks_weighs_and_asks(card, desk):
    seen = desk(card)
    flour = seen["lines"][0]
    assert (flour["ingredient"]["key"], flour["origin"]["origin"]) == ("plain_flour", "worked_out")
    assert "metric" in flour["origin"]["assumptions"][0]
    asked = {(one["line"], one["ask"]) for one in seen["questions"]}
    assert asked == {(2, "split"), (3, "ounces"), (4, "name"), (5, "unread")}
    split = next(one for one in seen["questions"] if one["ask"] == "split")
    assert [part["written"] for part in split["parts"]] == ["145 g", "45 g"]
    assert {one["code"] for one in seen["findings"]} >= {"ounces_could_be_fluid"}


def test_marks_are_counted_as_a_browser_counts(db, post, desk):
    answer = post("/api/readings", {"text": "120 g plums 🍰, ripe\n2 eggs"}).json()
    text = answer["card"]["lines"][0]["text"].encode("utf-16-le")
    marks = desk(answer["card"])["lines"][0]["marks"]
    note = next(mark for mark in marks if mark["kind"] == "note")
    assert text[2 * note["start"]:2 * note["end"]].decode("utf-16-le").endswith("ripe")


def test_holes_follow_the_aim(card, desk):
    codes = [[hole["code"] for hole in desk(card, aims=aims)["holes"]]
             for aims in ([], ["amounts"], ["amounts", "other_pans", "bake_time"])]
    assert codes[0] == []
    assert codes[1] == ["measure_standard", "unweighed_lines"]
    assert {"style", "pans", "setting", "stated_time"} <= set(codes[2])


def test_an_answer_is_remembered_for_the_next_card(card, post):
    assert post("/api/answers", {"phrase": "Quince pastes", "ingredient": "jam"}).status_code == 204
    assert post("/api/answers", {"phrase": "rice milk", "unit": "fl oz"}).status_code == 204
    nothing = post("/api/answers", {"phrase": "…!", "ingredient": "jam"})
    assert (nothing.status_code, nothing.json()["errors"][0]["field"]) == (422, "phrase")
    again = post("/api/readings", {"text": MESSY}).json()["card"]["lines"]
    assert again[3]["ingredient"] == "jam"
    assert (again[2]["amount"]["unit"], again[2]["unit_assumed"]) == ("fl oz", False)
    assert Answer.objects.count() == 2


def test_left_as_written_is_an_answer_too(card, post, desk):
    post("/api/answers", {"phrase": "quince paste", "ingredient": ""})
    again = post("/api/readings", {"text": MESSY}).json()["card"]
    assert 4 not in {one["line"] for one in desk(again)["questions"]}


@pytest.mark.parametrize("body", [
    {"phrase": "x", "ingredient": "unobtainium"}, {"phrase": "...", "ingredient": ""},
    {"phrase": "milk", "unit": "cup"}, {"ingredient": "jam"},
])
def test_an_answer_that_means_nothing_is_refused(db, post, body):
    assert post("/api/answers", body).status_code in (404, 422)
    assert Answer.objects.count() == 0


def weigh(client, key, **body):
    return client.put(f"/api/ingredients/{key}/weight", body, "application/json")


def test_her_own_cup_is_shown_as_measured_and_can_be_taken_back(card, client, desk):
    answer = weigh(client, "plain_flour", measure="1 cup", grams=134, standard="metric").json()
    assert (answer["measured"], answer["source"]) == (True, "1 cup weighs 134 g")
    flour = desk(card)["lines"][0]
    assert (round(flour["g"]), flour["origin"]["origin"]) == (134, "measured")
    client.delete("/api/ingredients/plain_flour/weight")
    assert desk(card)["lines"][0]["origin"]["origin"] == "worked_out"
    assert OwnWeight.objects.count() == 0


@pytest.mark.parametrize(("body", "field"), [
    ({"measure": "1 hug", "grams": 100}, "measure"), ({"measure": "1 cup", "grams": 9000}, "grams"),
    ({"measure": "100 g", "grams": 100}, "measure"), ({"measure": "1 cup", "grams": 0}, "grams"),
    ({"measure": "1 cup", "grams": 120, "standard": "thimble"}, "standard"),
])
def test_a_weight_that_cannot_be_is_refused(db, client, body, field):
    response = weigh(client, "plain_flour", **body)
    assert response.status_code == 422
    assert response.json()["errors"][0]["field"] == field


def test_an_ingredient_of_her_own_is_found_read_and_weighed(db, client, post):
    added = post("/api/ingredients", {"name": "Rose petal jam", "role": "sugar"})
    assert added.status_code == 201
    key = added.json()["key"]
    weigh(client, key, measure="1 tbsp", grams=21)
    line = post("/api/readings/line", {"text": "2 tbsp rose petal jam", "key": 1,
                                       "component": 1}).json()["line"]
    assert line["ingredient"] == key
    found = client.get("/api/ingredients?search_for=rose+pet").json()
    assert [(one["key"], one["own"]) for one in found] == [(key, True)]
    again = post("/api/ingredients", {"name": "rose petal jams", "role": "sugar"})
    assert (again.status_code, again.json()["code"]) == (409, "name_taken")


@pytest.mark.parametrize(("words", "first"), [
    ("cornst", "cornflour"), ("baking soda", "bicarbonate_of_soda"),
    ("confectioner", "icing_sugar"),
    ("hazlenut", "hazelnuts"), ("corgette", "courgette"),
])
def test_search_understands_aliases_and_small_typos(db, client, words, first):
    assert client.get(f"/api/ingredients?search_for={words}").json()[0]["key"] == first


def test_search_for_nothing_like_it_finds_nothing(db, client):
    assert client.get("/api/ingredients?search_for=zzzyx").json() == []
    assert client.get("/api/ingredients").json() == []


def test_a_line_is_read_anew_and_keeps_its_place(card, post):
    was = card["lines"][3] | {"ingredient": "jam"}
    line = post("/api/readings/line", {"text": "3 tbsp quince paste", "key": 4, "component": 1,
                                       "was": was}).json()["line"]
    assert (line["key"], line["amount"]["value"], line["ingredient"]) == (4, 3, "jam")
    empty = post("/api/readings/line", {"text": "  ", "key": 4, "component": 1})
    assert empty.json()["errors"][0]["field"] == "text"


def test_a_split_is_read_and_a_wrong_one_refused(card, post):
    body = {"card": card, "line": 2, "phrases": ["keep 45 g for loosening"]}
    parts = post("/api/readings/split", body).json()["parts"]
    assert sum(part["share"] for part in parts) == pytest.approx(1)
    assert parts[1]["name"] == "the rest"
    wrong = post("/api/readings/split", {**body, "phrases": ["300 g on top"]})
    assert wrong.json()["errors"][0]["field"] == "parts"


def test_a_swap_is_shown_before_it_is_made(card, post):
    body = {"card": card, "swap": {"kind": "cocoa_for_flour", "line": 1, "share": 0.2}}
    seen = post("/api/swaps", body).json()
    cocoa = next(one for one in seen["changes"] if one["name"] == "cocoa powder")
    assert cocoa["now_per_100"] == pytest.approx(20)
    assert seen["limits"]
    unknown = post("/api/swaps", {**body, "swap": {"kind": "gold", "line": 1}})
    assert unknown.json()["code"] == "unknown_reference"


def test_the_check_up_looks_at_a_variant(card, desk):
    with_variant = {**card, "variants": [{"key": 1, "name": "Cocoa", "swaps": [
        {"kind": "cocoa_for_flour", "line": 1, "share": 0.2}]}]}
    seen = desk(with_variant, variant=1)
    assert any(line["swapped_from"] for line in seen["variant_lines"])
    assert desk(with_variant)["variant_lines"] == []


def test_pans_are_read_from_words_and_from_measures(db, post):
    pan = post("/api/readings/pan", {"text": "two 8 in round tins, 2 in deep"}).json()
    assert (pan["pan"]["count"], pan["wall_cm"], pan["wall_assumed"]) == (2, 5.08, False)
    assert post("/api/readings/pan", {"text": "a big one"}).json()["errors"][0]["field"] == "text"
    typed = post("/api/readings/pan/measures", {"pan": {"outline": "round", "across": "8 in"}})
    assert typed.json()["wall_assumed"]
    wrong = post("/api/readings/pan/measures", {"pan": {"outline": "round", "across": "wide"}})
    assert wrong.json()["errors"][0]["field"] == "across"


def test_choices_come_from_the_tables(db, client):
    choices = client.get("/api/choices").json()
    assert "foam" in {one["key"] for one in choices["styles"]}
    assert {"us", "metric", "australian", "imperial"} <= {
        one["key"] for one in choices["standards"]}
    assert "us_extra_large" in {one["key"] for one in choices["egg_grades"]}


PASTED = ("🍰🍰 Plum cake\n🍰 200 g flour\n3 eggs\n20 cm tin, 45 min at 170 °C, or an 18 cm tin, "
          "52 min\n")


def utf16(text: str, start: int, end: int) -> str:
    return text.encode("utf-16-le")[2 * start:2 * end].decode("utf-16-le")


def test_marks_of_a_paste_stand_where_a_browser_counts_them(db, post):
    answer = post("/api/readings", {"text": PASTED}).json()
    pans = [utf16(PASTED, one["start"], one["end"]) for one in answer["marks"]
            if one["kind"] == "pan"]
    assert pans == ["20 cm", "18 cm"]
    assert [one["pan"]["label"] for one in answer["offers"]] == ["round 18"]
    assert answer["card"]["offers"][0]["low_min"] == 52


def test_what_a_browser_says_of_a_mark_is_taken_at_its_place(db, post):
    first = post("/api/readings", {"text": PASTED}).json()
    mark = next(one for one in first["marks"] if one["kind"] == "pan")
    told = [{"start": mark["start"], "end": mark["end"], "kind": "note"}]
    answer = post("/api/readings", {"text": PASTED, "told": told}).json()
    assert [one["label"] for one in answer["card"]["pans"]] == ["round 18"]
    again = [utf16(PASTED, one["start"], one["end"]) for one in answer["marks"]
             if one["kind"] == "note"]
    assert again == ["20 cm"]


@pytest.mark.parametrize("told", [
    {"start": 5, "end": 2, "kind": "pan"}, {"start": 0, "end": 9000, "kind": "pan"},
])
def test_a_place_that_is_none_changes_nothing(db, post, told):
    plain = post("/api/readings", {"text": PASTED}).json()
    assert post("/api/readings", {"text": PASTED, "told": [told]}).json() == plain


def test_a_role_that_is_none_is_refused_by_name(db, post):
    answer = post("/api/readings", {"text": PASTED, "told": [
        {"start": 0, "end": 2, "kind": "guess"}]})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["field"].startswith("told.0")


def test_a_bare_number_is_assumed_grams_said_and_not_asked(db, post, desk):
    text = "Sponge\n225 SR flour\n4 eggs\n225 butter"
    card = post("/api/readings", {"text": text}).json()["card"]
    seen = desk(card)
    flour = seen["lines"][0]
    assert (flour["g"], flour["origin"]["origin"]) == (225, "assumed")
    assert seen["questions"] == []
    assert [one["code"] for one in seen["findings"]].count("bare_number") == 2


def test_a_claim_that_a_line_breaks_is_told_on_the_desk_and_in_a_fit(demo, client, post, fit,
                                                                    recipe_id, pan_id):
    card = client.get(f"/api/recipes/{recipe_id('plum-bergamot')}").json()["card"]
    seen = post("/api/desk", {"card": {**card, "tags": ["vegan"]}}).json()
    broken = [one["subject"] for one in seen["findings"] if one["code"] == "claim_broken"]
    assert "Eggs" in broken
    assert "claim_broken" not in [one["code"] for one in post(
        "/api/desk", {"card": card}).json()["findings"]]
    added = post("/api/recipes", {"card": {**card, "title": "Plum cake without gluten"}})
    assert added.status_code == 201, added.content
    told = post("/api/fit", {"recipe": added.json()["row"]["id"],
                             "into": [{"pan": pan_id("round-20"), "count": 2}]}).json()
    assert [one["subject"] for one in told["findings"] if one["code"] == "claim_broken"] == [
        "Self-raising flour"]
