"""A claim of a card is checked line by line."""

from __future__ import annotations

import pytest

from entremet.core.labelling.allergens import ALLERGENS
from entremet.core.labelling.claims import CLAIMS, claim_findings, claims_in
from entremet.core.labelling.foods import FOODS, Packet
from tests.core.conftest import line, make_card

EGG = line(3, "Eggs", 4, "egg", "4 medium", "egg")
FLOUR = line(4, "Plain flour", 240, "g", "240 g", "plain_flour")
OIL = line(5, "Sunflower oil", 100, "g", "100 g", "sunflower_oil")


def told(*lines, said, packets=None, region=""):
    return [(one.code, one.subject) for one in claim_findings(
        lines, claims=claims_in(said), packets=packets or {}, region=region)]


@pytest.mark.parametrize(("said", "broken"), [
    (["Plum cake, vegan"], ["Eggs"]), (["Plum cake", "plant-based"], ["Eggs"]),
    (["Eggless plum cake"], ["Eggs"]), (["Plum cake", "gluten-free"], ["Plain flour"]),
    (["Plum cake without gluten"], ["Plain flour"]), (["Plum cake", "nut-free"], []),
    (["Plum cake", "dairy free"], []), (["A cake for gluttons"], [])])
def test_what_breaks_a_claim_is_named(said, broken):
    assert told(EGG, FLOUR, OIL, said=said) == [("claim_broken", one) for one in broken]


def test_a_line_that_is_optional_or_has_no_weight_breaks_it_too():
    walnuts = line(8, "Walnuts", None, "g", "to taste", "chopped_walnuts", optional=True)
    assert told(walnuts, said=["nut-free"]) == [("claim_broken", "Walnuts")]


def test_honey_and_gelatine_break_vegan_though_they_are_no_allergens():
    honey = line(6, "Honey", 50, "g", "50 g", "runny_honey")
    (found,) = claim_findings([honey], claims=claims_in(["vegan"]), packets={})
    assert "comes from an animal" in found.text


def test_what_is_not_known_is_said_and_not_taken_for_fit():
    odd = line(7, "Sloe dust", 5, "g", "5 g")
    assert told(odd, OIL, said=["vegan"]) == [("claim_unknown", "vegan")]
    assert told(odd, OIL, said=["Plum cake"]) == []


def test_a_claim_breaks_on_allergens_and_ingredients_that_there_are():
    for claim in CLAIMS.values():
        assert claim.holds <= set(ALLERGENS)
        assert claim.keys <= set(FOODS)


def test_a_card_of_the_kitchen_is_looked_at_whole():
    assert told(*make_card().lines, said=["vegan"])


DARK = line(9, "Dark chocolate", 100, "g", "100 g", "dark_chocolate")


def test_what_is_made_of_several_things_is_not_known_until_its_packet_was_read():
    assert told(DARK, said=["vegan"]) == [("claim_unknown", "vegan")]
    clean, milky, traces = (Packet(name="Dark chocolate", opened="", **what) for what in (
        {"contains": ()}, {"contains": ("milk",)},
        {"contains": (), "may_contain": ("milk",)}))
    for packet, found in ((clean, []), (milky, [("claim_broken", "Dark chocolate")]),
                          (traces, [("claim_traces", "Dark chocolate")])):
        assert told(DARK, said=["vegan"], packets={"dark_chocolate": packet}) == found


def test_where_another_thing_goes_by_the_name_its_packet_decides():
    starch = line(10, "Cornflour", 30, "g", "30 g", "cornflour")
    there = [food for food in FOODS.values() if food.key == "cornflour" and food.packet_in]
    assert there
    assert told(starch, said=["gluten-free"]) == []
    assert told(starch, said=["gluten-free"], region=there[0].packet_in[0]) == [
        ("claim_unknown", "without gluten")]
