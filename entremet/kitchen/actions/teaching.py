"""What the logbook taught, as it is told: by oven, recipe and pan, with an honest score."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from entremet.core.learning.book import NOTHING_LEARNT
from entremet.core.learning.entries import HowDone, Logged
from entremet.core.learning.model import Learnt, Predicted
from entremet.core.learning.quantities import Taught
from entremet.core.learning.scoring import Score, by_depth, foretold, score_of_rule, scored
from entremet.core.learning.words import dial_words, quantity_words, shift_words
from entremet.kitchen.actions.learning import Lessons
from entremet.kitchen.models import Bake, Oven, RackPan, Recipe, SetBack

Shared = Literal["oven", "recipe", "pan"]
SHARED: tuple[Shared, ...] = ("oven", "recipe", "pan")

NAMED = {"bowl_loss": "Your bowls", "hands": "Your hands"}
MOST_POINTS = 120
"""Points of a plot; of more the newest are drawn."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Point:
    """A bake in a plot: what it took over what the heat balance said, and its window then."""

    bake: int
    at: datetime
    took: float
    likely: float
    early: float
    latest: float
    how: HowDone


@dataclass(frozen=True, slots=True, kw_only=True)
class Lesson:
    """What was taught of one oven, recipe or pan."""

    kind: Shared
    key: str
    name: str
    words: str
    shift: float
    sd: float
    bakes: int
    window_before: float
    window_now: float
    points: tuple[Point, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Measured:
    """A number that was measured, in words."""

    kind: str
    key: str
    name: str
    words: str
    said: Taught


@dataclass(frozen=True, slots=True, kw_only=True)
class Teaching:
    """All that is told: scores by name, lessons, numbers, bakes to ask about, what was set back."""

    scores: tuple[tuple[str, Score], ...]
    lessons: tuple[Lesson, ...]
    measured: tuple[Measured, ...]
    asked: tuple[int, ...]
    set_back: tuple[tuple[SetBack, str], ...]


def teaching(found: Lessons) -> Teaching:
    """Return what is told of all that was learnt."""
    rows = {row.pk: row for row in Bake.objects.in_use().only(
        "pk", "baked_at", "oven_id", "oven_name", "recipe_id", "recipe_title", "pan_id",
        "pan_label", "oven_key", "recipe_key", "pan_key", "how", "stated_min", "depth_ratio",
        "counted", "oven__name", "recipe__title", "pan__label").select_related(
            "oven", "recipe", "pan")}
    bakes = [rows[pk] for pk in found.ids]
    entries = found.learnt.entries
    said = foretold(entries)
    return Teaching(
        scores=_scores(entries, said, bakes), lessons=tuple(_lessons(found, bakes, said)),
        measured=tuple(_measured(found)), set_back=tuple(_set_back(bakes)),
        asked=tuple(bakes[at].pk for at in found.learnt.odd if not bakes[at].counted))


def _scores(entries: Sequence[Logged], said: Sequence[Predicted],
            bakes: Sequence[Bake]) -> tuple[tuple[str, Score], ...]:
    stated = [one.stated_min for one in bakes]
    deep = [by_depth(one.stated_min, one.depth_ratio) for one in bakes]
    plain = scored(entries, foretold(entries, learning=False))
    return (("With what the bakes before it taught", scored(entries, said)),
            ("With nothing learnt", plain),
            ("The recipe's own minutes in any pan", score_of_rule(entries, stated)),
            ("Minutes by the depth of the batter", score_of_rule(entries, deep)))


def _lessons(found: Lessons, bakes: Sequence[Bake], said: Sequence[Predicted]) -> list[Lesson]:
    lessons = []
    for kind in SHARED:
        # Of an oven that was corrected or a card that was changed only what counts now is told.
        newest = {_whose(kind, one): one for one in bakes}
        lessons += [_lesson(kind, key, _name(kind, one), found, bakes, said)
                    for one in newest.values() if (key := getattr(one, f"{kind}_key"))]
    return sorted((one for one in lessons if one.bakes),
                  key=lambda one: (SHARED.index(one.kind), -one.bakes, one.name))


def _whose(kind: str, bake: Bake) -> str:
    return f"{getattr(bake, f'{kind}_id')}/{_name(kind, bake)}"


def _name(kind: str, bake: Bake) -> str:
    there = getattr(bake, kind)
    if there is None:
        return str({"oven": bake.oven_name, "recipe": bake.recipe_title,
                    "pan": bake.pan_label}[kind])
    return str(there.title if kind == "recipe" else there.label if kind == "pan" else there.name)


def _lesson(kind: Shared, key: str, name: str, found: Lessons, bakes: Sequence[Bake],
            said: Sequence[Predicted]) -> Lesson:
    learnt, now = found.learnt, found.key(kind, key)
    mean, sd, count = learnt.of(kind, now)
    mine = [at for at, entry in enumerate(learnt.entries) if getattr(entry, kind) == now]
    before, after = _windows(learnt, mine)
    return Lesson(
        kind=kind, key=key, name=name, words=shift_words(kind, name, mean, sd, count),
        shift=math.expm1(mean), sd=sd, bakes=count, window_before=before, window_now=after,
        points=tuple(_point(learnt, at, bakes[at], said[at]) for at in mine[-MOST_POINTS:]))


def _windows(learnt: Learnt, mine: Sequence[int]) -> tuple[float, float]:
    """Return ± of the window of the newest bake, with nothing learnt and with all that was."""
    if not mine:
        return 0.0, 0.0
    last = learnt.entries[mine[-1]]
    return NOTHING_LEARNT.predict(last).sd, learnt.predict(last).sd


def _point(learnt: Learnt, at: int, bake: Bake, said: Predicted) -> Point:
    entry = learnt.entries[at]
    early, latest = said.window
    return Point(bake=bake.pk, at=bake.baked_at, took=entry.minutes / entry.expected_min,
                 likely=said.factor, early=early, latest=latest, how=entry.how)


def _measured(found: Lessons) -> list[Measured]:
    ovens = {str(row.pk): row.name for row in Oven.objects.only("pk", "name")}
    recipes = {str(pk): title for pk, title in Recipe.objects.values_list("pk", "title")}
    told = []
    for kind, key in sorted(found.readings):
        names: Mapping[str, str] = ovens if kind in ("dial", "preheat") else recipes
        name = NAMED.get(kind) or names.get(key)
        if name is None:
            continue
        said = found.of(kind, key)
        words = dial_words(name, said) if kind == "dial" else quantity_words(kind, name, said)
        told.append(Measured(kind=kind, key=key, name=name, words=words, said=said))
    return told


def _set_back(bakes: Sequence[Bake]) -> list[tuple[SetBack, str]]:
    named = Counter[tuple[str, str]]()
    names: dict[tuple[str, str], str] = {
        (kind, getattr(one, f"{kind}_key")): _name(kind, one) for one in bakes for kind in SHARED}
    ovens = {str(pk): name for pk, name in Oven.objects.values_list("pk", "name")}
    recipes = {str(pk): title for pk, title in Recipe.objects.values_list("pk", "title")}
    pans = {str(pk): label for pk, label in RackPan.objects.values_list("pk", "label")}
    told = []
    for row in reversed(SetBack.objects.all()):
        if named[row.kind, row.key]:
            continue
        named[row.kind, row.key] += 1
        plain = row.key.split(":")[1].split("|")[0] if ":" in row.key else row.key
        there = {"oven": ovens, "dial": ovens, "preheat": ovens, "pan": pans}.get(
            row.kind, recipes)
        told.append((row, names.get((row.kind, row.key)) or NAMED.get(row.kind)
                     or there.get(plain, "what is no longer here")))
    return told
