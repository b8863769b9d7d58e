"""Finding an ingredient: by its name, by its name less preparation, near misses to ask about."""

from __future__ import annotations

from dataclasses import dataclass

from rapidfuzz import fuzz, process
from rapidfuzz.distance import DamerauLevenshtein

from entremet.core.ingredients.names import plain, without_preparation
from entremet.core.ingredients.table import Ingredient, IngredientTable

NEAR_ENOUGH = 78.0
"""Likeness out of 100 from which a name is worth offering; practice."""


MOST_WORDS = 20
"""Words of a name beyond which it is a sentence, not a name."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Match:
    """An ingredient that a name means, and the state it is measured in.

    Parameters
    ----------
    ingredient : Ingredient
        What it is.
    state : str
        One of its states, for instance "sifted"; empty for the usual way.
    """

    ingredient: Ingredient
    state: str = ""


def match(name: str, note: str, table: IngredientTable) -> Match | None:
    """Return what a name means for certain, or None.

    Words of preparation may be missing or added; a word that is not understood makes it unknown.

    Parameters
    ----------
    name, note : str
        As on the line: "butter" and "unsalted, softened".
    table : IngredientTable
        With the baker's own.

    >>> from entremet.core.ingredients.table import TABLE
    >>> match("chopped hazelnuts", "", TABLE).state
    'chopped'
    >>> match("hazelnut oil", "", TABLE) is None
    True
    """
    heads = [name]
    first_note = note.split(",")[0].strip()
    if first_note:
        heads = [f"{first_note} {name}", name]
    for head in heads:
        found = table.named(head) or _less_preparation(head, table)
        if found is not None:
            return Match(ingredient=found, state=_state(name, note, found))
    return None


def near(name: str, table: IngredientTable, *, most: int = 4) -> list[Ingredient]:
    """Return ingredients whose names are like this one, likeliest first; to be asked about.

    >>> from entremet.core.ingredients.table import TABLE
    >>> near("bicarbonat of sooda", TABLE)[0].key
    'bicarbonate_of_soda'
    """
    wanted = " ".join(without_preparation(plain(name).split())) or plain(name)
    found: dict[str, None] = {}
    for scorer in (DamerauLevenshtein.normalized_similarity, fuzz.token_set_ratio):
        cutoff = NEAR_ENOUGH if scorer is fuzz.token_set_ratio else NEAR_ENOUGH / 100
        for phrase, _, _ in process.extract(wanted, table.phrases.keys(), scorer=scorer,
                                            score_cutoff=cutoff, limit=most):
            found.setdefault(table.phrases[phrase])
    return [table.rows[key] for key in list(found)[:most]]


def search(words: str, table: IngredientTable, *, most: int = 12) -> list[Ingredient]:
    """Return ingredients for a search as one types: beginnings first, then parts, then typos."""
    wanted = plain(words)
    if not wanted:
        return []
    ranked: dict[str, None] = {}
    for test in (str.__eq__, str.startswith, _begins_a_word, str.__contains__):
        for phrase, key in table.phrases.items():
            if test(phrase, wanted):
                ranked.setdefault(key)
    if len(ranked) < 3 and len(wanted) > 3:
        for one in near(words, table):
            ranked.setdefault(one.key)
    return [table.rows[key] for key in list(ranked)[:most]]


def _begins_a_word(phrase: str, wanted: str) -> bool:
    return f" {wanted}" in phrase


def _less_preparation(head: str, table: IngredientTable) -> Ingredient | None:
    """Drop words of preparation from the front, then from the back, then all of them."""
    words = plain(head).split()
    bare = without_preparation(words)
    if len(bare) == len(words) or not bare or len(words) > MOST_WORDS:
        return None
    front = list(words)
    while front and not without_preparation(front[:1]):
        front.pop(0)
        if key := table.phrases.get(" ".join(front)):
            return table.rows[key]
    key = table.phrases.get(" ".join(bare))
    return None if key is None else table.rows[key]


DONE_AFTER = frozenset({"whipped", "sifted"})
"""What is done after it was measured where it stands behind the name: "1 cup cream, whipped" is a
cup of cream, "1 cup whipped cream" half as much."""


def _state(name: str, note: str, found: Ingredient) -> str:
    named, words = set(plain(name).split()), set(plain(f"{name} {note}").split())
    return next((state for state in found.states if plain(state) in (
        named if state in DONE_AFTER else words)), "")
