"""The ingredient table: every row, its names, and how a name finds its row."""

from __future__ import annotations

import re
from collections import Counter

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.ground.errors import CoreError, UnknownReference
from entremet.core.ground.reference import Basis
from entremet.core.ingredients.eggs import GRADES, egg_grade, grade_of_size
from entremet.core.ingredients.names import plain, without_preparation
from entremet.core.ingredients.search import match, near, search
from entremet.core.ingredients.table import TABLE, Ingredient, Role, precision_of
from entremet.core.measures.amounts import Precision

ROWS = list(TABLE.rows.values())


def test_the_table_holds_what_bakers_need():
    assert len(ROWS) >= 160
    roles = Counter(row.role for row in ROWS)
    assert set(roles) == set(Role)
    assert roles[Role.FLOUR] >= 20


@pytest.mark.parametrize("row", ROWS, ids=lambda row: row.key)
def test_every_row_is_whole_and_lies_in_its_range(row: Ingredient):
    for value in (row.g_per_100ml, *row.states.values(), *filter(None, [row.piece_g])):
        assert value.low <= value.value <= value.high
        assert value.source
        if value.basis is Basis.DATABASE:
            assert re.search(r"SR28 food \d{5}: .+ = [\d.]+ g", value.source), value.source
        else:
            assert "SR28 food" not in value.source.split("composition")[0]
    assert 3 < row.g_per_100ml.value < 160
    for share in (row.water, row.fat):
        assert share is None or 0 <= share <= 1
    assert row.name == row.name.strip()


@pytest.mark.parametrize("row", [row for row in ROWS if row.g_per_100ml.basis is Basis.DATABASE],
                         ids=lambda row: row.key)
def test_a_cited_measure_gives_the_density_beside_it(row: Ingredient):
    grams = float(re.search(r"= ([\d.]+) g$", row.g_per_100ml.source).group(1))
    number, unit = re.match(r"([\d.]+) (cup|tbsp|tablespoon|tsp|fl oz)", row.measure).groups()
    ml = float(number) * {"cup": 236.588, "tbsp": 14.787, "tablespoon": 14.787, "tsp": 4.929,
                          "fl oz": 29.574}[unit]
    assert row.g_per_100ml.value == pytest.approx(grams / ml * 100, rel=1e-3)


def test_no_two_rows_share_a_name():
    owners: dict[str, set[str]] = {}
    for row in ROWS:
        for name in (row.name, *row.aliases):
            owners.setdefault(plain(name), set()).add(row.key)
    shared = {name for name, keys in owners.items() if name and len(keys) > 1}
    assert shared == set()


@pytest.mark.parametrize(("british", "american"), [
    ("plain flour", "all-purpose flour"), ("cornflour", "cornstarch"),
    ("caster sugar", "superfine sugar"), ("icing sugar", "powdered sugar"),
    ("bicarbonate of soda", "baking soda"), ("heavy cream", "whipping cream"),
    ("wholemeal flour", "whole wheat flour"), ("strong white flour", "bread flour"),
    ("ground almonds", "almond flour"), ("rapeseed oil", "canola oil"),
    ("courgette", "zucchini"), ("sultanas", "golden raisins"),
    ("soured cream", "sour cream"), ("treacle", "black treacle"),
])
def test_other_english_names_mean_the_same_row(british, american):
    assert TABLE.named(british) is TABLE.named(american) is not None


@pytest.mark.parametrize("name", ["corn flour", "cream", "ginger", "soda", "flour paste",
                                  "butter beans", "apple crumble", "egg noodles"])
def test_a_name_that_could_mean_two_things_or_another_is_not_taken(name):
    assert match(name, "", TABLE) is None


@pytest.mark.parametrize(("name", "note", "key", "state"), [
    ("butter", "unsalted, softened", "unsalted_butter", ""),
    ("Freshly grated nutmeg", "", "ground_nutmeg", ""),
    ("hazelnuts", "roughly chopped", "hazelnuts", "chopped"),
    ("sifted icing sugar", "", "icing_sugar", "sifted"),
    ("ripe bananas", "peeled and sliced", "banana", "sliced"),
    ("Greek-style yogurt", "", "greek_yogurt", ""),
    ("light muscovado sugar", "unpacked", "light_brown_sugar", "unpacked"),
])
def test_words_of_preparation_do_not_hide_what_it_is(name, note, key, state):
    found = match(name, note, TABLE)
    assert (found.ingredient.key, found.state) == (key, state)


@pytest.mark.parametrize(("typed", "meant"), [
    ("bicarbonat of sooda", "bicarbonate_of_soda"), ("hazlenuts", "hazelnuts"),
    ("desicated coconut", "desiccated_coconut"), ("self rasing flour", "self_raising_flour"),
    ("tumeric", "turmeric"), ("cinammon", "ground_cinnamon"), ("pistacios", "pistachios"),
])
def test_small_typos_are_offered_and_never_taken(typed, meant):
    assert match(typed, "", TABLE) is None
    assert meant in [one.key for one in near(typed, TABLE)]
    assert meant in [one.key for one in search(typed, TABLE)]


def test_search_ranks_beginnings_before_parts():
    found = [one.key for one in search("flour", TABLE)]
    assert found[0] == "plain_flour"
    assert search("", TABLE) == []
    assert len(search("a", TABLE)) <= 12


@pytest.mark.parametrize(("phrase", "bare"), [
    ("Crème fraîche", "creme fraiche"), ("EGGS", "egg"), ("cherries", "cherry"),
    ("peaches", "peach"), ("potatoes", "potato"), ("molasses", "molass"), ("couscous", "couscous"),
    ("baker’s sugar", "baker sugar"),
    ("70% chocolate", "70% chocolate"), ("self-raising", "self raising"),
])
def test_names_are_compared_without_case_accents_and_plurals(phrase, bare):
    assert plain(phrase) == bare


@given(st.text(st.sampled_from("abcs -,'%é"), max_size=40))
def test_case_and_spacing_never_matter_to_a_name(text):
    assert plain(text.upper()) == plain(text) == plain(f"  {text.replace(' ', '   ')} ")


def test_preparation_alone_is_nothing():
    assert without_preparation(["finely", "chopped"]) == []
    assert without_preparation(["oat", "flour"]) == ["oat", "flour"]


def test_an_unknown_key_is_an_error_and_never_a_neighbour():
    with pytest.raises(UnknownReference):
        TABLE.get("plain_floor")
    with pytest.raises(UnknownReference):
        egg_grade("ostrich")


def test_own_rows_win_and_leave_the_table_as_it_was():
    own = Ingredient(key="own_x", name="plain flour", aliases=(), role=Role.FLOUR, measure="",
                     g_per_100ml=None, states={}, own=True)
    table = TABLE.with_own([own])
    assert table.named("plain flour") is own
    assert TABLE.named("plain flour").key == "plain_flour"
    assert TABLE.with_own([]) is TABLE


def test_her_own_weight_stands_for_every_state():
    weighed = TABLE.get("icing_sugar").weighed(48, "1 cup weighs 120 g")
    assert weighed.density("sifted").basis is Basis.MEASURED
    assert TABLE.get("icing_sugar").density("sifted").value < (
        TABLE.get("icing_sugar").density().value)
    assert TABLE.get("icing_sugar").weighed(2000, "lead shot").density().value == 2000
    for nonsense in (2001, 0.5):
        with pytest.raises(CoreError):
            TABLE.get("icing_sugar").weighed(nonsense, "no")


def test_sizes_of_eggs_follow_the_region():
    assert grade_of_size("large", like="us_medium") == "us_large"
    assert grade_of_size("large", like=None) == "uk_large"
    assert all(row.whole.low <= row.whole.value <= row.whole.high for row in GRADES.values())
    for region in ("uk", "us"):
        sizes = [GRADES[f"{region}_{size}"].whole.value
                 for size in ("small", "medium", "large", "extra_large")]
        assert sizes == sorted(sizes)


def test_spoons_meet_each_role_as_closely_as_it_matters():
    assert precision_of(Role.LEAVENER) is Precision.RAISING
    assert precision_of(Role.SALT) is Precision.SEASONING
    assert precision_of(None) is precision_of(Role.FLOUR) is Precision.OTHER


@pytest.mark.parametrize(("typed", "key"), [
    ("finely chopped walnuts", "chopped_walnuts"), ("soft unsalted butter", "unsalted_butter"),
    ("finely chopped toasted walnuts", "chopped_walnuts"), ("finely chopped", None)])
def test_words_of_preparation_hide_no_ingredient_and_are_none_themselves(typed, key):
    found = match(typed, "", TABLE)
    assert (found is None) if key is None else found.ingredient.key == key


@pytest.mark.parametrize(("key", "cup_g"), [
    ("mint", 25), ("rosemary", 28), ("basil", 24), ("thyme", 38), ("persimmon", 170),
    ("dried_cranberries", 122), ("agar", 96), ("malted_milk_powder", 140), ("fresh_yeast", 240),
    ("barley_flour", 100), ("lemon_curd", 275), ("chia_seeds", 165), ("meringue_powder", 165),
    ("ground_hazelnuts", 88), ("brown_rice_flour", 140), ("custard_powder", 130),
    ("einkorn_flour", 98), ("baking_powder", 200), ("plain_flour", 125), ("caster_sugar", 200),
    ("unsalted_butter", 227), ("cocoa", 85), ("whole_milk", 244)])
def test_a_us_cup_weighs_what_bakers_know_it_to_weigh(key, cup_g):
    assert TABLE.rows[key].g_per_100ml.value * 2.36588 == pytest.approx(cup_g, rel=0.1)


@pytest.mark.parametrize(("key", "spoon_g"), [
    ("dried_yeast", 3.1), ("espresso_powder", 2.1), ("fine_salt", 6), ("bicarbonate_of_soda", 4.6)])
def test_a_teaspoon_does_too(key, spoon_g):
    assert TABLE.rows[key].g_per_100ml.value * 0.04929 == pytest.approx(spoon_g, rel=0.1)


def test_a_lime_gives_two_spoons_of_juice():
    assert TABLE.rows["lime_juice"].piece_g.value == pytest.approx(30, rel=0.1)
    assert TABLE.named("instant espresso powder").key == "espresso_powder"


@pytest.mark.parametrize(("key", "whole_g"), [
    ("us_jumbo", 63), ("au_large", 49), ("au_jumbo", 62), ("au_extra_large", 56),
    ("au_medium", 41)])
def test_eggs_of_other_cartons_are_known(key, whole_g):
    assert GRADES[key].whole.value == whole_g
    assert grade_of_size(key.split("_", 1)[1], like=f"{key.split('_', 1)[0]}_medium") == key
