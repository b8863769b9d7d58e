"""What the logbook taught, as it is told: by oven, recipe and pan, with an honest score."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Literal, NamedTuple

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


class TaughtRow(NamedTuple):
    """Of a bake what is told of it."""

    pk: int
    baked_at: datetime
    oven_id: int | None
    oven_name: str
    recipe_id: int | None
    recipe_title: str
    pan_id: int | None
    pan_label: str
    oven_key: str
    recipe_key: str
    pan_key: str
    stated_min: float
    depth_ratio: float
    counted: str


@dataclass(frozen=True, slots=True, kw_only=True)
class _Foretold:
    """What the bakes before each one said of it: worked out once for what was learnt."""

    found: Lessons
    rows: tuple[TaughtRow, ...]
    said: tuple[Predicted, ...]
    scores: tuple[tuple[str, Score], ...]


_Names = Mapping[Shared, Mapping[int, str]]

_kept: list[_Foretold] = []


def teaching(found: Lessons) -> Teaching:
    """Return what is told of all that was learnt."""
    told, names = _foretold(found), _names()
    return Teaching(
        scores=told.scores, lessons=tuple(_lessons(found, told, names)),
        measured=tuple(_measured(found, names)), set_back=tuple(_set_back(told.rows, names)),
        asked=tuple(told.rows[at].pk for at in found.learnt.odd if not told.rows[at].counted))


def _foretold(found: Lessons) -> _Foretold:
    """Return what was foretold, anew only when something else was learnt."""
    for kept in _kept:
        if kept.found is found:
            return kept
    rows = {row[0]: TaughtRow(*row)
            for row in Bake.objects.in_use().values_list(*TaughtRow._fields)}
    bakes = tuple(rows[pk] for pk in found.ids)
    entries = found.learnt.entries
    said = tuple(foretold(entries))
    told = _Foretold(found=found, rows=bakes, said=said, scores=_scores(entries, said, bakes))
    _kept[:] = [told]
    return told


def _names() -> _Names:
    return {"oven": dict(Oven.objects.values_list("pk", "name")),
            "recipe": dict(Recipe.objects.values_list("pk", "title")),
            "pan": dict(RackPan.objects.values_list("pk", "label"))}


def _scores(entries: Sequence[Logged], said: Sequence[Predicted],
            bakes: Sequence[TaughtRow]) -> tuple[tuple[str, Score], ...]:
    stated = [one.stated_min for one in bakes]
    deep = [by_depth(one.stated_min, one.depth_ratio) for one in bakes]
    plain = scored(entries, foretold(entries, learning=False))
    return (("With what the bakes before it taught", scored(entries, said)),
            ("With nothing learnt", plain),
            ("The recipe's own minutes in any pan", score_of_rule(entries, stated)),
            ("Minutes by the depth of the batter", score_of_rule(entries, deep)))


def _lessons(found: Lessons, told: _Foretold, names: _Names) -> list[Lesson]:
    lessons = []
    for kind in SHARED:
        # Of an oven that was corrected or a card that was changed only what counts now is told.
        newest = {f"{getattr(one, f'{kind}_id')}/{_name(kind, one, names)}": one
                  for one in told.rows}
        lessons += [_lesson(kind, key, _name(kind, one, names), found, told)
                    for one in newest.values() if (key := getattr(one, f"{kind}_key"))]
    return sorted((one for one in lessons if one.bakes),
                  key=lambda one: (SHARED.index(one.kind), -one.bakes, one.name))


def _name(kind: Shared, bake: TaughtRow, names: _Names) -> str:
    """Return what something is called now, or was when it was baked with where it is gone."""
    said = {"oven": bake.oven_name, "recipe": bake.recipe_title, "pan": bake.pan_label}[kind]
    return names[kind].get(getattr(bake, f"{kind}_id"), said)


def _lesson(kind: Shared, key: str, name: str, found: Lessons, told: _Foretold) -> Lesson:
    learnt, now = found.learnt, found.key(kind, key)
    mean, sd, count = learnt.of(kind, now)
    mine = [at for at, entry in enumerate(learnt.entries) if getattr(entry, kind) == now]
    before, after = _windows(learnt, mine)
    return Lesson(
        kind=kind, key=key, name=name, words=shift_words(kind, name, mean, sd, count),
        shift=math.expm1(mean), sd=sd, bakes=count, window_before=before, window_now=after,
        points=tuple(_point(learnt, at, told.rows[at], told.said[at])
                     for at in mine[-MOST_POINTS:]))


def _windows(learnt: Learnt, mine: Sequence[int]) -> tuple[float, float]:
    """Return ± of the window of the newest bake, with nothing learnt and with all that was."""
    if not mine:
        return 0.0, 0.0
    last = learnt.entries[mine[-1]]
    return NOTHING_LEARNT.predict(last).sd, learnt.predict(last).sd


def _point(learnt: Learnt, at: int, bake: TaughtRow, said: Predicted) -> Point:
    entry = learnt.entries[at]
    early, latest = said.window
    return Point(bake=bake.pk, at=bake.baked_at, took=entry.minutes / entry.expected_min,
                 likely=said.factor, early=early, latest=latest, how=entry.how)


def _measured(found: Lessons, names: _Names) -> list[Measured]:
    told = []
    for kind, key in sorted(found.readings):
        called = names["oven" if kind in ("dial", "preheat") else "recipe"]
        name = NAMED.get(kind) or (called.get(int(key)) if key else None)
        if name is None:
            continue
        said = found.of(kind, key)
        words = dial_words(name, said) if kind == "dial" else quantity_words(kind, name, said)
        told.append(Measured(kind=kind, key=key, name=name, words=words, said=said))
    return told


def _set_back(bakes: Sequence[TaughtRow], names: _Names) -> list[tuple[SetBack, str]]:
    rows = list(reversed(SetBack.objects.all()))
    if not rows:
        return []
    named = Counter[tuple[str, str]]()
    known: dict[tuple[str, str], str] = {
        (kind, getattr(one, f"{kind}_key")): _name(kind, one, names)
        for one in bakes for kind in SHARED}
    told = []
    for row in rows:
        if named[row.kind, row.key]:
            continue
        named[row.kind, row.key] += 1
        plain = row.key.split(":")[1].split("|")[0] if ":" in row.key else row.key
        whose: Shared = "oven" if row.kind in ("oven", "dial", "preheat") else (
            "pan" if row.kind == "pan" else "recipe")
        there = names[whose].get(int(plain)) if plain.isdecimal() else None
        told.append((row, known.get((row.kind, row.key)) or NAMED.get(row.kind)
                     or there or "what is no longer here"))
    return told
