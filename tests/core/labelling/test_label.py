"""A label: order, allergens, percentages, dates; and what it waits for."""

from __future__ import annotations

from dataclasses import replace
from datetime import date

import pytest

from entremet.core.card.finish import Finishing
from entremet.core.ground.errors import ImpossibleChoice, UnknownReference
from entremet.core.ground.provenance import Origin
from entremet.core.ingredients.table import TABLE, Role
from entremet.core.labelling.allergens import (
    ALLERGENS,
    REGIONS,
    allergens_of,
    named_there,
    region_of,
    standing_out,
)
from entremet.core.labelling.foods import FOODS, Packet, settled
from entremet.core.labelling.label import WantedLabel, changed_since, net_words, said_of, text_of
from entremet.core.labelling.nutrition import NUTRIENTS
from tests.core.conftest import line
from tests.core.dressing.test_growing import LINES
from tests.core.labelling.labels import MADE_ON, PACKETS, label

DRIPPED = {"finishing": Finishing(drip=True)}


def strong(one):
    return [piece.text.lower() for piece in said_of(one) if piece.strong]


def codes(one):
    return {finding.code for finding in one.findings}


def test_allergens_stand_out_in_the_list_and_in_one_line():
    one = label(choices=DRIPPED)
    assert one.ready
    assert one.contains == ("wheat", "milk", "egg", "soya")
    assert {"wheat", "milk", "egg", "soya"} <= set(strong(one))
    text = text_of(one, ["Quillet Lane Kitchen"])
    assert "plain flour (WHEAT)" in text
    assert "emulsifier: SOYA lecithin" in text
    assert "Contains: wheat, milk, egg, soya." in text
    assert text.rstrip().endswith("Quillet Lane Kitchen")


def test_the_packet_s_may_contain_goes_with_the_kitchen_s_and_never_doubles_what_is_in_it():
    one = label(choices=DRIPPED, may_contain=("sesame", "egg"))
    assert one.may_contain == ("sesame", "hazelnuts")
    assert "May contain: sesame, hazelnuts." in text_of(one)
    assert label().may_contain == ()


@pytest.mark.parametrize(("region", "contains"), [
    ("eu", ("wheat", "oats", "lupin", "walnuts")), ("us", ("wheat", "walnuts")),
    ("ca", ("wheat", "oats", "walnuts"))])
def test_each_region_names_its_own(region, contains):
    more = (*LINES, line(50, "Rolled oats", 20, "g", "20 g", "rolled_oats"),
            line(51, "Lupin flour", 20, "g", "20 g", "lupin_flour"),
            line(52, "Walnuts", 20, "g", "20 g", "chopped_walnuts"))
    one = label(region=region, lines=more)
    assert set(contains) <= set(one.contains)
    assert ("lupin" in one.elsewhere) == (region != "eu")
    assert ("lupin" in strong(one)) == (region == "eu")


def test_no_label_while_one_ingredient_is_not_settled():
    lines = (*LINES, line(50, "Sloe dust", 5, "g", "5 g"))
    one = label(lines=lines)
    assert not one.ready
    assert "label_unsettled" in codes(one)
    assert "sloe dust" in next(f.text for f in one.findings if f.code == "label_unsettled")
    ready = label(lines=lines, packets={**PACKETS, "sloe dust": Packet(contains=("sulphites",))})
    assert ready.ready
    assert "sulphites" in ready.contains
    unread = {key: packet for key, packet in PACKETS.items() if key != "baking_powder"}
    assert not label(packets=unread).ready


def test_a_packet_adds_to_what_a_thing_is_and_never_takes_it_away():
    about = settled("plain_flour", "plain flour", {"plain_flour": Packet(
        opened="wheat flour, calcium carbonate", contains=("soya",))})
    assert about.contains == ("wheat", "soya")
    assert about.known
    assert settled("marzipan", "marzipan", {"marzipan": Packet()}).contains == ("almonds",)


def test_percent_stands_where_the_title_points():
    one = label(title="Plum and bergamot layer cake")
    row = next(row for row in one.rows if row.key == "jam:plum jam")
    assert row.percent == pytest.approx(row.g.value / one.net_g.value)
    assert any(piece.text == f" {row.percent:.0%}" for piece in row.said)
    assert next(row for row in one.rows if row.key == "plain_flour").percent is None


def test_net_weight_is_worked_out_or_weighed_and_a_far_one_is_doubted():
    whole, piece = label(), label(pieces=12)
    assert piece.net_g.value == pytest.approx(whole.net_g.value / 12)
    assert whole.net_g.origin is Origin.WORKED_OUT
    weighed = label(pieces=12, weighed_g=piece.net_g.value * 1.05)
    assert weighed.net_g.origin is Origin.MEASURED
    assert "label_weight_off" not in codes(weighed)
    assert "label_weight_off" in codes(label(weighed_g=whole.net_g.value / 12))
    assert net_words(453.592, us=True) == "1 lb 0.0 oz (454 g)"


def test_days_go_by_the_shortest_part_and_longer_is_doubted():
    one = label()
    assert one.keeps_until == date(2026, 11, 30)
    assert one.until_words == "Best before 30 Nov 2026"
    assert label(days=5).keeps_until == date(2026, 12, 3)
    assert "label_keeps_long" in codes(label(days=9))
    assert "label_keeps_long" not in codes(one)
    cold = label(lines=(*LINES[:2], replace(LINES[2], heading="For the whipped cream")))
    assert cold.until_words == "Use by 28 Nov 2026"


@pytest.mark.parametrize(("wrong", "field"), [
    ({"title": " "}, "title"), ({"pieces": 0}, "pieces"), ({"weighed_g": 0.0}, "weighed_g"),
    ({"weighed_g": float("nan")}, "weighed_g"), ({"days": -1.0}, "days")])
def test_what_cannot_be_is_refused_at_its_field(wrong, field):
    with pytest.raises(ImpossibleChoice) as refused:
        WantedLabel(**{"title": "Cake", "made_on": MADE_ON, **wrong})
    assert refused.value.field == field


def test_a_changed_allergen_is_said_both_ways():
    found = changed_since(["wheat", "sesame"], ["wheat", "walnuts"], REGIONS["eu"])
    assert "Now with walnuts." in found.text
    assert "No longer with sesame." in found.text
    assert changed_since(["wheat", "lupin"], ["wheat"], REGIONS["us"]) is None


def test_the_table_of_foods_holds_every_ingredient_and_only_known_allergens():
    assert FOODS.keys() == TABLE.rows.keys()
    for food in FOODS.values():
        assert allergens_of(food.contains) == tuple(
            key for key in ALLERGENS if key in food.contains)
    for key, row in TABLE.rows.items():
        if row.role in (Role.DAIRY, Role.ACID_DAIRY) and not key.startswith("coconut"):
            assert "milk" in FOODS[key].contains, key
        if row.role is Role.EGG and key != "aquafaba":
            assert "egg" in FOODS[key].contains, key
    assert {"unsalted_butter", "egg", "plain_flour", "chopped_walnuts"} <= {
        key for key, food in FOODS.items() if food.one_thing and food.contains}
    for region in REGIONS.values():
        assert set(region.kinds) <= ALLERGENS.keys()
        assert region.source
    assert len({ALLERGENS[key].group or key for key in REGIONS["eu"].kinds}) == 14
    assert len({ALLERGENS[key].group or key for key in REGIONS["us"].kinds} - {"sulphites"}) == 9


@pytest.mark.parametrize("key", sorted(ALLERGENS))
def test_each_allergen_is_found_by_its_words_and_no_other(key):
    for word in ALLERGENS[key].words:
        said = standing_out(f"some {word} here", [key])
        assert [piece.text for piece in said if piece.strong] == [word]
    assert standing_out("coconut", [key])[-2].text == ALLERGENS[key].name
    assert not any(piece.strong for piece in standing_out("oat milk and egg", []))


def test_unknown_keys_are_refused():
    with pytest.raises(ImpossibleChoice):
        Packet(contains=("gluten",))
    with pytest.raises(ImpossibleChoice):
        Packet(opened="x" * 401)
    with pytest.raises(UnknownReference):
        region_of("atlantis")
    assert named_there(["wheat", "fish"], region_of("uk")) == ("wheat", "fish")


def test_nutrients_are_sums_over_the_net_weight_and_only_where_all_are_known():
    lines = LINES[:2]
    one = label(lines=lines, packets=PACKETS)
    known = {row.key: row.g.value for row in one.rows}
    rows = {(row.name, row.unit): row for row in one.nutrition.rows}
    fat = sum(NUTRIENTS[key].fat * grams / 100 for key, grams in known.items())
    assert rows["Fat", "g"].per_100g.value == pytest.approx(fat / one.net_g.value * 100)
    assert rows["Saturates", "g"].per_100g is None
    kcal = rows["Energy", "kcal"].per_100g.value
    assert 250 < kcal < 520
    assert rows["Energy", "kJ"].per_100g.value == pytest.approx(kcal * 4.184, rel=0.03)
    assert rows["Fat", "g"].each.value == pytest.approx(fat)
    unknown = label(lines=(*LINES, line(50, "Sloe dust", 80, "g", "80 g")))
    assert unknown.nutrition.rows == ()
    assert "sloe dust" in unknown.nutrition.missing


@pytest.mark.parametrize("key", [
    "baking_powder", "gelatine_powder", "dark_chocolate", "vanilla_extract", "icing_sugar",
    "sprinkles", "marzipan", "margarine", "raisins", "mixed_spice", "mashed_potato", "dried_yeast"])
def test_what_is_made_of_several_things_waits_for_its_packet(key):
    assert not settled(key, key, {}).known
    assert settled(key, key, {key: Packet()}).known


def test_an_allergen_that_a_packet_lists_and_nobody_ticked_stops_the_label():
    unticked = Packet(opened="raising agents, wheat starch")
    torn = label(packets={**PACKETS, "baking_powder": unticked})
    assert not torn.ready
    told = next(one for one in torn.findings if one.code == "label_packet_names")
    assert (told.severity.value, told.subject) == ("stop", "baking powder")
    assert "wheat" in told.text
    ticked = Packet(opened="raising agents, wheat starch", contains=("wheat",))
    assert label(packets={**PACKETS, "baking_powder": ticked}).ready


def test_nuts_that_a_packet_does_not_name_stop_the_label_until_one_is_ticked():
    lines = (*LINES, line(50, "Sloe dust", 20, "g", "20 g"))

    def made(*ticked):
        return label(lines=lines, packets={**PACKETS, "sloe dust": Packet(
            opened="sugar, roasted nuts", contains=ticked)})

    assert not made().ready
    assert "label_packet_unnamed" in codes(made())
    assert not made("wheat").ready
    assert made("hazelnuts").ready


def test_traces_on_a_packet_stand_on_the_label_and_are_never_thrown_away():
    lines = (*LINES, line(50, "Sloe dust", 20, "g", "20 g"))
    packets = {**PACKETS, "sloe dust": Packet(opened="sugar. May contain: sesame, egg.")}
    one = label(lines=lines, packets=packets)
    assert "sesame" in one.may_contain
    assert "egg" not in one.may_contain, "it is in it"
    assert "May contain: " in text_of(one)
    assert one.ready


def test_a_word_nobody_knows_is_said_and_stops_nothing():
    lines = (*LINES, line(50, "Sloe dust", 20, "g", "20 g"))
    one = label(lines=lines, packets={**PACKETS, "sloe dust": Packet(opened="sugar, glimmerwort")})
    (told,) = [found for found in one.findings if found.code == "label_packet_unknown"]
    assert "glimmerwort" in told.text
    assert one.ready


def test_what_may_be_in_it_is_said_when_it_changes_too():
    found = changed_since([], ["sesame"], REGIONS["eu"], may=True)
    assert "Now with “may contain” sesame." in found.text


def test_water_that_has_left_is_said():
    one = label(lines=(*LINES, line(40, "Water", 20, "ml", "20 ml", "water")))
    assert "label_water" in codes(one)
    assert "label_water" not in codes(label())


def test_a_packet_s_own_name_stands_on_the_label():
    packets = {**PACKETS, "jam:plum jam": Packet(name="Damson jam", opened="damsons, sugar")}
    said = text_of(label(packets=packets))
    assert "damson jam (damsons, sugar)" in said.lower()
    assert "plum jam" not in said.lower()
    assert settled("jam", "jam", {"jam": Packet()}).name == "jam"


def test_water_that_nothing_weighs_stays_on_the_label_though_the_oven_took_the_rest():
    lines = (*LINES, line(40, "Water", 10, "g", "10 g", "water"),
             line(41, "Water", None, "", "water, to bind", "water"))
    words = text_of(label(lines=lines)).lower()
    assert "water" in words
    weighed = text_of(label(lines=lines[:-1])).lower()
    assert "water" not in weighed


@pytest.mark.parametrize("key", [
    "malt_flour", "white_vinegar", "cider_vinegar", "lemon_juice", "lime_juice", "jaggery",
    "grape_syrup", "cheddar", "parmesan", "mixed_nuts", "praline", "marzipan", "candied_nuts"])
def test_what_is_sold_in_several_kinds_waits_for_its_packet_everywhere(key):
    for region in REGIONS:
        assert not settled(key, key, {}, region).known, region
    assert settled(key, key, {key: Packet()}, "eu").known


def test_malted_flour_is_wheat_and_barley_whatever_its_packet_says():
    for name in ("malted flour", "granary flour", "malthouse flour"):
        assert TABLE.named(name).key == "malt_flour"
    for region, there in (("eu", {"wheat", "barley"}), ("us", {"wheat"})):
        told = settled("malt_flour", "malted flour", {"malt_flour": Packet()}, region)
        assert there <= set(named_there(told.contains, REGIONS[region]))


def test_cherry_liqueur_is_no_kirsch_and_waits():
    assert settled("kirsch", "kirsch", {}).known
    for name in ("cherry liqueur", "cherry brandy"):
        assert TABLE.named(name) is None
        assert not settled(name, name, {}).known


def test_cornflour_is_maize_but_where_wheaten_cornflour_is_sold():
    assert settled("cornflour", "cornflour", {}, "eu").known
    assert not settled("cornflour", "cornflour", {}, "anz").known
    lines = (*LINES, line(50, "Cornflour", 20, "g", "20 g", "cornflour"))
    assert label(lines=lines, region="uk").ready
    assert not label(lines=lines, region="anz").ready


@pytest.mark.parametrize(("name", "written", "ready"), [
    ("Lemon juice", "30 ml", False), ("Lemon juice", "juice of 1 lemon", True),
    ("Fresh lemon juice", "30 ml", True), ("Lime juice, freshly squeezed", "30 ml", True)])
def test_juice_is_settled_where_it_is_squeezed(name, written, ready):
    key = "lime_juice" if "Lime" in name else "lemon_juice"
    assert label(lines=(*LINES, line(50, name, 30, "ml", written, key))).ready is ready
