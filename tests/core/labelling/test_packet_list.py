"""The list on a packet: all it names is read, and nothing unknown passes for harmless."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from entremet.core.ground.reference import read_table
from entremet.core.labelling.allergens import ALLERGENS
from entremet.core.labelling.packet_list import read_packet

WORDS = read_table("entremet.core.labelling", "packet_words.toml")
PLAIN = {key: [word for word in words if "*" not in word]
         for key, words in WORDS["allergens"].items()}


@pytest.mark.parametrize(("word", "key"), [
    ("butter", "milk"), ("cream", "milk"), ("cheese", "milk"), ("casein", "milk"), ("ghee", "milk"),
    ("milk fat", "milk"), ("groundnuts", "peanuts"), ("soybeans", "soya"), ("wheatflour", "wheat"),
    ("durum", "wheat"), ("couscous", "wheat"), ("malt", "barley"), ("metabisulphite", "sulphites"),
    *((f"E{number}", "sulphites") for number in range(220, 229)), ("E 223", "sulphites"),
    ("tahini", "sesame"), ("albumen", "egg"), ("lysozyme", "egg"), ("marzipan", "almonds"),
    ("lupins", "lupin"), ("prawns", "crustaceans"), ("pine kernels", "pine_nuts"),
    ("filberts", "hazelnuts"), ("Weizenmehl", "wheat"), ("Vollmilchpulver", "milk"),
    ("blé", "wheat"),
    ("œufs", "egg"), ("nocciole", "hazelnuts"), ("huevo", "egg"), ("tarwebloem", "wheat"),
    ("mleko", "milk"), ("Sojalecithin", "soya"), ("Haselnüsse", "hazelnuts"),
    ("lactosérum", "milk"),
    ("pinda's", "peanuts"), ("Eigelb", "egg"), ("jęczmień", "barley"), ("Senfmehl", "mustard")])
def test_a_packet_s_own_word_is_known(word, key):
    assert read_packet(f"Sugar, {word.upper()}, salt").contains == (key,)


@pytest.mark.parametrize("word", ["nuts", "tree nuts", "nougat", "praline", "Schalenfrüchte"])
def test_nuts_without_a_name_are_said_to_be_so(word):
    told = read_packet(f"sugar, {word}")
    assert (told.contains, told.unnamed) == ((), ((word.casefold(), "nuts"),))
    assert read_packet(f"{word} (hazelnuts, sugar)").unnamed == ()


@pytest.mark.parametrize("word", ["flour", "gluten", "bread", "Mehl"])
def test_flour_without_a_grain_is_said_to_be_so(word):
    assert read_packet(word).unnamed == ((word.casefold(), "cereals containing gluten"),)
    assert read_packet(f"wheat {word}").unnamed == ()


@pytest.mark.parametrize(("text", "contains", "traces"), [
    ("contains: milk. may contain: egg. contains soya", ("milk", "soya"), ("egg",)),
    ("May contain nuts and milk; sugar, oats", ("oats",), ("milk",)),
    ("sugar. May also contain sesame, soya.", (), ("soya", "sesame")),
    ("sugar, made in a factory that handles peanuts", (), ("peanuts",)),
    ("oats, may contain traces of wheat. Contains: barley", ("barley", "oats"), ("wheat",)),
    ("Zucker. Kann Spuren von Mandeln enthalten.", (), ("almonds",)),
    ("sucre; peut contenir des traces d'arachide", (), ("peanuts",)),
    ("zucchero. Può contenere tracce di soia", (), ("soya",)),
    ("milk. May contain milk.", ("milk",), ()), ("sesame may be present", (), ("sesame",)),
    ("not suitable for people with an egg allergy", (), ("egg",)),
    ("wheat 3.5%. Egg", ("wheat", "egg"), ()),
    ("wheat flour, sugar, sesame may be present", ("wheat",), ("sesame",)),
    ("Weizenmehl, kann Spuren von Soja enthalten", ("wheat",), ("soya",)),
    ("milk, not suitable for people with an egg allergy", ("milk",), ("egg",)),
    ("free from colours, milk powder", ("milk",), ()),
    ("contains no nuts, wheat flour", ("wheat",), ()),
    ("milk free range egg", ("milk", "egg"), ())])
def test_traces_end_where_the_list_goes_on(text, contains, traces):
    told = read_packet(text)
    assert (told.contains, told.traces) == (contains, traces)


@pytest.mark.parametrize("text", [
    "coconut milk", "cocoa butter", "shea butter", "vegan cheese", "plum butter", "cream of tartar",
    "milk-free", "dairy free, egg free", "free from milk and egg", "contains no wheat",
    "without soya", "ohne Milch", "sans lait", "buckwheat", "butternut", "nutmeg", "eggplant",
    "water chestnuts", "noix de coco", "beurre de cacao", "lait de coco", "burro di cacao",
    "Kokosmilch", "Kakaobutter", "butter beans", "maltodextrin", "lactic acid", "rice drink"])
def test_what_only_sounds_like_it_is_not_in_it(text):
    told = read_packet(text)
    assert (told.contains, told.traces, told.unnamed) == ((), (), ())


@pytest.mark.parametrize(("text", "keys"), [
    ("almond milk", ("almonds",)), ("oat milk", ("oats",)), ("peanut butter", ("peanuts",)),
    ("soya cream", ("soya",)), ("lait d'amande", ("almonds",)), ("Mandelmilch", ("almonds",)),
    ("buttermilk", ("milk",)), ("milk chocolate", ("milk",)), ("goat's cheese", ("milk",)),
    ("malt vinegar", ("barley",)), ("gluten-free wheat starch", ("wheat",)),
    ("coconut milk, milk", ("milk",)), ("cocoa butter, butter", ("milk",))])
def test_milk_of_a_plant_is_the_plant(text, keys):
    assert read_packet(text).contains == keys


def test_the_table_is_large_and_names_every_allergen():
    assert sum(len(set(words)) for words in WORDS["allergens"].values()) >= 400
    assert set(WORDS["allergens"]) == set(ALLERGENS)
    for key, words in WORDS["allergens"].items():
        assert words, key
        assert all(word == word.casefold() for word in words), key


HARMLESS = ("sugar", "palm oil", "cocoa mass", "pectin", "citric acid", "rice starch", "salt",
            "water")


@given(st.dictionaries(st.sampled_from(sorted(PLAIN)), st.integers(0, 40), max_size=6),
       st.lists(st.sampled_from(HARMLESS), max_size=5), st.randoms(use_true_random=False))
def test_a_list_made_up_of_known_words_names_what_was_put_in(picked, others, dice):
    words = [*others, *(PLAIN[key][place % len(PLAIN[key])] for key, place in picked.items())]
    dice.shuffle(words)
    told = read_packet(", ".join(words))
    assert set(picked) <= set(told.contains)
    assert told.traces == ()


@given(st.text("bcdfghjklmnpqrstvwxz", min_size=4, max_size=9), st.sampled_from(HARMLESS))
def test_a_word_that_is_in_no_table_is_told_as_unknown(word, other):
    told = read_packet(f"{other}, {word}")
    assert told.unknown == (word,) or told.contains or told.unnamed


def test_nothing_harmless_is_unknown_and_nothing_is_told_twice():
    told = read_packet(", ".join((*HARMLESS, "blorb", "blorb", "Blorb")))
    assert (told.contains, told.unknown) == ((), ("blorb",))
