"""Two bakes of one recipe side by side: everything that differed between them."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from entremet.core.card.compare import differences
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import celsius, cm
from entremet.core.pans.counted import count_words
from entremet.kitchen.actions import at_hand
from entremet.kitchen.actions.cards import card_in
from entremet.kitchen.actions.logbook import bake_row
from entremet.kitchen.models import Bake, Revision

PLANNED: dict[str, tuple[str, Callable[[Any], str]]] = {
    "batter_g": ("Batter in each", "{:.0f} g".format), "batter_cm": ("Depth of the batter", cm),
    "fill": ("Fill", "{:.0%}".format), "eggs": ("Eggs", str), "strips": ("Strips", str),
    "cover": ("Cover", str), "start": ("Batter goes in", str),
    "finish": ("Finish of the pan", str), "bakes_at": ("Temperature by", str)}

MEASURED: dict[str, tuple[str, Callable[[Any], str]]] = {
    "height_cm": ("Height", cm), "dome_cm": ("Dome", cm),
    "weight_g": ("Weight, baked", "{:.0f} g".format), "oven_read_c": ("Thermometer", celsius),
    "hot_after_min": ("Hot after", "{:.0f} min".format),
    "batter_g_dl": ("A decilitre of batter", "{:.0f} g".format)}


@dataclass(frozen=True, slots=True, kw_only=True)
class Differed:
    """One thing that differed: what, and how it was in each; empty where nobody said."""

    what: str
    one: str
    other: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Compared:
    """Two bakes, everything that differed, and what to make of it."""

    one: Bake
    other: Bake
    differed: list[Differed]
    words: str


CAME_OF_IT = ("Likely", "Taken out", "How it was", "Top", "Looked at before it was done", "Note",
              "To change", *(name for name, _ in MEASURED.values()))
"""What came of a bake, and was not done to it."""

WITH_THE_PAN = ("Batter in each", "Depth of the batter", "Fill", "Eggs", "Finish of the pan")
FOLLOWS = {"Dial": {"Oven", "Pan", "Strips", "Temperature by"},
           **{what: {"Pan"} for what in WITH_THE_PAN}}
"""What differs because something else does."""


def compared(one_id: int, other_id: int) -> Compared:
    """Return two bakes, and everything that differed: first what was done, then what came of it.

    Raises
    ------
    NotHere
        When one of them is not in the logbook.
    ImpossibleChoice
        When they are of two recipes.
    """
    one, other = bake_row(one_id), bake_row(other_id)
    if one.recipe_id != other.recipe_id or one.recipe_title != other.recipe_title:
        raise ImpossibleChoice("Two bakes of one recipe are compared.", field="other")
    rows = [*zip(_facts(one), _facts(other), strict=True)]
    found = [Differed(what=what, one=was, other=now)
             for (what, was), (_, now) in rows if was != now]
    differed = [*_card(one, other), *found]
    names = {row.what for row in differed}
    done = sum(row.what not in CAME_OF_IT and names.isdisjoint(
        FOLLOWS.get(row.what, set())) for row in differed)
    words = "" if done < 2 else (
        f"{done} things were done otherwise at once, so none of them alone explains what came of "
        "it. Change one thing at a time to learn from it.")
    return Compared(one=one, other=other, differed=differed, words=words)


def _card(one: Bake, other: Bake) -> list[Differed]:
    if one.recipe_id is None or one.revision == other.revision:
        return []
    cards = {row.number: row for row in Revision.objects.filter(
        recipe_id=one.recipe_id, number__in=(one.revision, other.revision))}
    if len(cards) < 2:
        return []
    first, second = (card_in(cards[bake.revision]) for bake in (one, other))
    return [Differed(what=f"Card: {row.part}", one=row.was, other=row.now)
            for row in differences(first, second)]


def _wells(bake: Bake) -> int:
    """Return the wells of a bake's tray, as the rack has it; 1 for a pan that is gone."""
    pan = None if bake.pan_id is None else at_hand.racked().get(bake.pan_id)
    return 1 if pan is None else pan.wells


def _facts(bake: Bake) -> list[tuple[str, str]]:
    """Return everything a bake is compared by, in one order for all."""
    def number(words: tuple[str, Callable[[Any], str]], value: object) -> tuple[str, str]:
        return words[0], "" if value in (None, "") else words[1](value)

    return [
        ("Pan", count_words(bake.count, bake.pan_label, _wells(bake))), ("Oven", bake.oven_name),
        ("Dial", bake.dial),
        *(number(words, bake.planned.get(name)) for name, words in PLANNED.items()),
        ("Likely", f"{bake.likely_min:.0f} min"), ("Taken out", f"{bake.minutes:.0f} min"),
        ("How it was", bake.get_how_display() if bake.how else ""),
        ("Top", bake.get_top_display() if bake.top else ""),
        ("Looked at before it was done", str(bake.looks) if bake.looks else ""),
        ("Covered", "" if bake.covered_min is None else f"at {bake.covered_min:.0f} min"),
        *(number(words, getattr(bake, name)) for name, words in MEASURED.items()),
        ("To change", bake.change), ("Note", bake.note)]
