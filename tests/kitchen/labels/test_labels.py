"""Labels over the API: settled once, said loudly when they change, printed when they are ready."""

from __future__ import annotations

from datetime import date

import pytest

from entremet.core.labelling.allergens import ALLERGENS
from entremet.kitchen.models import Kitchen, LabelHabits, LabelPrint, Order, PacketRow, Recipe


@pytest.fixture
def label(demo, post, recipe_id, pan_id):
    """Return what makes the label of a demo recipe in a pan."""
    def make(key="parsnip-honey", pan="round-18", count=2, status=200, path="/api/labels", **more):
        fit = {"recipe": recipe_id(key), "into": [{"pan": pan_id(pan), "count": count}],
               **more.pop("fit", {})}
        answer = post(path, {"fit": fit, **more})
        assert answer.status_code == status, answer.content
        return answer if path != "/api/labels" else answer.json()
    return make


def words(one):
    return "".join(piece["text"] for row in one["rows"] for piece in row["said"])


def codes(one):
    return [finding["code"] for finding in one["findings"]]


def test_every_demo_cake_names_all_it_is_made_of_once_and_in_falling_order(demo, post, pan_id):
    for recipe in Recipe.objects.all():
        opened = post("/api/fit/opening", {"recipe": recipe.pk, "into": []}).json()
        fit = {"recipe": recipe.pk, "into": [
            {"pan": one["pan"], "count": one["count"]} for one in opened["into"]]}
        one = post("/api/labels", {"fit": fit}).json()
        keys = [row["key"] for row in one["rows"]]
        assert len(keys) == len(set(keys)), recipe.title
        card = post("/api/fit", fit).json()
        lines = [line for line in card["lines"] if line["included"]]
        assert len(keys) <= len(lines)
        weights = [row["g"] for row in one["rows"] if row["g"] is not None]
        assert weights == sorted(weights, reverse=True)
        assert set(one["contains"]) <= {key for row in one["rows"] for key in row["contains"]}
        assert {"milk", "egg"} & set(one["contains"]), recipe.title
        assert one["keeps"]
        assert sum(part["decides"] for part in one["keeps"]) == 1


def test_a_label_waits_until_each_packet_is_read_and_then_goes_with_every_cake(label, put):
    PacketRow.objects.filter(key="baking_powder").delete()
    one = label()
    assert not one["ready"]
    assert codes(one)[0] == "label_unsettled"
    assert label(path="/api/labels/pdf", status=422).json()["errors"][0]["field"] == "packets"
    assert label(path="/api/labels/text", status=422).json()["code"]
    assert label(path="/api/labels/card", status=422).json()["code"]
    assert not LabelPrint.objects.exists()
    kept = put("/api/labels/packets", {
        "key": "baking_powder", "called": "baking powder", "opened": "starch of wheat",
        "contains": ["wheat"]})
    assert kept.status_code == 200
    now = label()
    assert now["ready"]
    assert "baking powder (starch of wheat)" in words(now)
    assert label("black-sesame", "sheet-33", 1)["rows"]


def test_a_print_remembers_what_stood_on_it_and_a_change_is_said_loudly(label):
    first = label(path="/api/labels/pdf")
    assert first["Content-Type"] == "application/pdf"
    assert first.content.startswith(b"%PDF")
    assert label()["last"]["contains"] == list(LabelPrint.objects.get().contains)
    assert "label_allergens_changed" not in codes(label())
    LabelPrint.objects.update(contains=["wheat", "milk", "egg", "walnuts", "atlantis"])
    told = next(one for one in label()["findings"] if one["code"] == "label_allergens_changed")
    assert told["severity"] == "warn"
    assert "No longer with walnuts." in told["text"]


def test_what_is_said_of_a_label_stands_on_it(label):
    one = label(title="Parsnip cake", made_on="2026-11-28", pieces=10, lot="L7", days=3)
    assert (one["title"], one["made_on"], one["lot"]) == ("Parsnip cake", "2026-11-28", "L7")
    assert one["keeps_until"] == "2026-12-01"
    whole = label(title="Parsnip cake")
    assert one["net_g"] == pytest.approx(whole["net_g"] / 10)
    assert whole["net_origin"]["origin"] == "worked_out"
    assert label(weighed_g=990)["net_origin"]["origin"] == "measured"
    text = label(path="/api/labels/text", title="Parsnip cake").content.decode()
    assert text.startswith("Parsnip cake\n")
    assert "Quillet Lane Kitchen" in text
    assert "parsnip" in text
    assert "%" in text


def test_a_card_goes_with_the_cake(label):
    card = label()["card"]
    assert any(line.startswith("Keep ") for line in card["keep"])
    assert card["cut"].startswith("For ")
    assert label(path="/api/labels/card").content.startswith(b"%PDF")


@pytest.mark.parametrize(("wrong", "field"), [
    ({"cake": 7}, "cake"), ({"made_on": "28.11.2026"}, "made_on"), ({"pieces": 0}, "pieces"),
    ({"weighed_g": -3}, "weighed_g"), ({"days": 900}, "days"), ({"title": " "}, "title"),
    ({"fit": {"into": []}}, "fit.into")])
def test_what_cannot_be_is_refused_at_its_field(label, wrong, field):
    assert label(**wrong, status=422, path="/api/labels/text").json()["errors"][0]["field"] == field


def test_the_kitchen_says_whose_rules_and_on_which_sheet(demo, client, put, label):
    now = client.get("/api/labels/habits").json()
    assert {one["key"] for one in now["regions"]} == {"eu", "uk", "us", "ca", "anz"}
    assert len(now["allergens"]) == len(ALLERGENS)
    body = {"region": "us", "address": "By the gate", "sentence": "Made at home.",
            "may_contain": ["sesame"], "sheet": "letter-8", "base": now["version"]}
    assert put("/api/labels/habits", body).json()["region"] == "us"
    one = label()
    assert one["may_contain"] == ["sesame"]
    assert one["own_lines"] == ["By the gate", "Made at home."]
    assert "lb" in one["net_words"]
    assert put("/api/labels/habits", body).status_code == 409
    own = {"paper": "A4", "across": 1, "down": 2, "width": 150, "height": 100, "left": 20,
           "top": 20}
    base = now["version"] + 1
    for wrong, field in (({"region": "moon"}, "region"), ({"may_contain": ["dust"]}, "may_contain"),
                         ({"sheet": "a5"}, "sheet"), ({"sheet": "own"}, "own_sheet"),
                         ({"sheet": "own", "own_sheet": {**own, "width": 300}}, "sheet.width")):
        refused = put("/api/labels/habits", {**body, "base": base, **wrong})
        assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, field)
    assert put("/api/labels/habits", {
        **body, "base": base, "sheet": "own", "own_sheet": own}).status_code == 200
    assert label(path="/api/labels/pdf", count=2).content.startswith(b"%PDF")


@pytest.mark.parametrize(("habits", "region"), [
    ({"units": "us"}, "us"), ({"measure_standard": "australian"}, "anz"),
    ({"paper": "Letter", "units": "both"}, "ca"), ({}, "eu")])
def test_until_it_says_a_kitchen_labels_as_its_habits_suggest(demo, client, habits, region):
    LabelHabits.objects.all().delete()
    Kitchen.objects.update(**habits)
    now = client.get("/api/labels/habits").json()
    assert now["region"] == region
    assert now["sheet"].startswith("letter" if habits.get("paper") == "Letter" else "a4")


def test_a_damaged_packet_settles_nothing_and_says_so(label, client):
    PacketRow.objects.filter(key="baking_powder").update(contains=["dust"])
    assert not label()["ready"]
    row = next(one for one in client.get("/api/labels/packets").json()
               if one["key"] == "baking_powder")
    assert row["damaged"]
    assert client.delete("/api/labels/packets?key=baking_powder").status_code == 204
    assert not PacketRow.objects.filter(key="baking_powder").exists()


def test_a_packet_with_an_unknown_allergen_is_refused(demo, put):
    refused = put("/api/labels/packets", {
        "key": "jam", "called": "jam", "contains": ["gluten"]})
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "contains")


def test_what_is_left_in_or_swapped_is_on_the_label_at_once(label, post, recipe_id, pan_id):
    plain = label()
    assert "walnuts" not in plain["contains"]
    label(path="/api/labels/text")
    card = post("/api/fit", {"recipe": recipe_id("parsnip-honey"), "into": []}).json()
    nuts = next(line["id"] for line in card["lines"] if "walnut" in line["name"].lower())
    nutty = label(fit={"with_optional": [nuts]})
    assert "walnuts" in nutty["contains"]
    assert codes(nutty)[0] == "label_allergens_changed"
    assert "Now with walnuts." in nutty["findings"][0]["text"]
    cocoa = label("plum-bergamot", "round-20", fit={"variant": 1})
    assert "cocoa" in [row["key"] for row in cocoa["rows"]]
    assert "cocoa" not in [row["key"] for row in label("plum-bergamot", "round-20")["rows"]]
    fit = post("/api/fit", {"recipe": recipe_id("plum-bergamot"), "into": []}).json()
    choice = next(one for one in fit["recipe"]["instead"] if "orange juice" in one["names"][1])
    orange = [row["key"] for row in label("plum-bergamot", "round-20", fit={"instead": {
        str(choice["line"]): 0}})["rows"]]
    assert "orange_juice" in orange


def test_what_may_be_in_it_is_remembered_with_a_print(label):
    label(path="/api/labels/text")
    assert "label_allergens_changed" not in codes(label())
    LabelHabits.objects.update(may_contain=["sesame"])
    told = next(one for one in label()["findings"] if one["code"] == "label_allergens_changed")
    assert "Now with “may contain” sesame." in told["text"]


def test_a_label_is_stopped_by_what_a_packet_lists_and_nobody_ticked(label, put):
    put("/api/labels/packets", {"key": "baking_powder", "called": "baking powder",
                                "opened": "raising agents, wheat starch, milk powder"})
    one = label()
    assert not one["ready"]
    assert "milk" in one["findings"][0]["text"]
    assert label(path="/api/labels/pdf", status=422).json()["errors"][0]["field"] == "packets"


def test_a_cupcake_is_one_piece_and_a_cake_as_many_as_it_is_cut_in(label):
    assert [one["pieces"] for one in label(pan="tray-12", count=6)["cakes"]] == [1]
    assert [one["pieces"] for one in label()["cakes"]] == [12]
    cut = label(fit={"finishing": {"pieces": 15}}, pan="sheet-33", count=1)
    assert [one["pieces"] for one in cut["cakes"]] == [15]


@pytest.fixture
def ordered(demo, post, recipe_id, pan_id):
    """Return an order of one cake, with its label."""
    Order.objects.all().delete()
    fit = {"recipe": recipe_id("parsnip-honey"),
           "into": [{"pan": pan_id("round-18"), "count": 2}]}
    order = post("/api/orders", {"title": "Harvest supper", "due": "2031-10-11T15:00:00Z",
                                 "cakes": [{"label": "Parsnip", "fit": fit}]}).json()

    def make(of_order, **more):
        return post("/api/labels", {"fit": order["cakes"][0]["request"], "of_order": of_order,
                                    **more})
    return order, make


def test_an_orders_label_is_dated_by_when_its_parts_are_made_in_the_plan(ordered, post):
    order, make = ordered
    key = f"{order['id']}.0"
    one = make(key).json()
    plan = post("/api/plan", {"orders": [order["id"]]}).json()
    kept = plan["keeps"][0]
    assert one["made_on"] == kept["done"][:10]
    assert one["keeps_until"] == kept["until"][:10]
    assert one["made_on"] != str(date.today())
    told = next(one for one in one["findings"] if one["code"] == "label_planned")
    assert told["text"].startswith("Dated by the plan: finished 11 Oct; its ")


def test_a_day_that_is_given_goes_before_the_plan_and_counts_from_itself(ordered):
    order, make = ordered
    one = make(f"{order['id']}.0", made_on="2031-10-05").json()
    assert one["made_on"] == "2031-10-05"
    assert "label_planned" not in codes(one)
    own = make(f"{order['id']}.0", days=3).json()
    assert own["keeps_until"] == "2031-10-14"


def test_a_cake_the_order_has_not_is_dated_today_and_a_key_that_is_none_is_refused(ordered):
    order, make = ordered
    assert "label_planned" not in codes(make(f"{order['id']}.7").json())
    assert make("99999.0").status_code == 404
    assert make("x").status_code == 422
