"""What is done to ingredients before they are mixed, as lines and method say: grated, toasted."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from entremet.core.card.lines import MIXED, Component, Line
from entremet.core.card.recipe import Recipe
from entremet.core.card.step_kind import StepKind
from entremet.core.ground.reference import read_table
from entremet.core.ingredients.table import Role
from entremet.core.method.bench import lines_named
from entremet.core.method.kinds import SENTENCE, kinds_in

GROWS = 0.8
"""Hands grow with so much of a power of the amount: set up once, then in rhythm; practice, 0.7 to
0.9."""

DRY = frozenset({Role.NUT, Role.CHOCOLATE, Role.FLOUR, Role.STARCH, Role.SUGAR, Role.COCOA})
"""What may lie ready for days, cut or ground."""

DRY_KEEPS_H = 72.0


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadyWay:
    """A way of getting something ready: a row of the table.

    Parameters
    ----------
    key, name : str
        What is done, as one tells it.
    hands_min, hands_100g_min, hands_piece_min : float
        However much it is, for 100 g, for a piece; practice, half to twice as long.
    wait_min : int
        How long it then cools or drains.
    keeps_h : float
        How long it may lie then.
    sign : str
        What shows that it is done; empty where nothing needs to.
    """

    key: str
    name: str
    hands_min: float = 0.0
    hands_100g_min: float = 0.0
    hands_piece_min: float = 0.0
    wait_min: int = 0
    keeps_h: float
    sign: str = ""

    def took_min(self, grams: float | None, pieces: float) -> float:
        """Return the minutes of hands for so much; what nobody weighs counts as 100 g.

        >>> round(WAYS["grate"].took_min(200.0, 0.0), 1)
        4.4
        """
        if self.hands_piece_min and pieces:
            return float(self.hands_piece_min * pieces**GROWS)
        hundreds = 1.0 if grams is None else grams / 100
        return float(self.hands_min + self.hands_100g_min * hundreds**GROWS)


_TABLE = read_table("entremet.core.method", "ready.toml")
WAYS = {key: ReadyWay(
    key=key, name=row["name"], hands_min=row.get("hands", 0.0), wait_min=row.get("wait", 0),
    hands_100g_min=row.get("hands_100g", 0.0), hands_piece_min=row.get("hands_piece", 0.0),
    keeps_h=row["keeps_h"], sign=row.get("sign", "")) for key, row in _TABLE.items()}
_SOLD = {key: row.get("sold", f"{key}ed") for key, row in _TABLE.items()}
"""How the key of what is sold like that begins: ground almonds are not ground again."""
_WORDS = {key: tuple(re.compile(row[part], re.IGNORECASE) if part in row else None
                     for part in ("line", "named", "step")) for key, row in _TABLE.items()}


@dataclass(frozen=True, slots=True, kw_only=True)
class GetReady:
    """Something to get ready.

    Parameters
    ----------
    way : ReadyWay
        How.
    line : int
        Key of the line.
    words : str
        What says so, as the recipe has it.
    keeps_h : float
        How long it may lie: the way's own, longer for what is dry.
    """

    way: ReadyWay
    line: int
    words: str
    keeps_h: float


def ready_of(recipe: Recipe) -> tuple[GetReady, ...]:
    """Return what has to be got ready before the batter is mixed, and what lies on top.

    What a line itself says goes before a sentence of the method; each is told once, in the order
    of work: what has to cool comes first.
    """
    lines = [one for one in recipe.lines if one.component in MIXED
             or one.component is Component.DECORATION]
    found = {(way, line.key): (line, words) for line in lines
             for way, words in _of_line(line)}
    mixed = [one for one in lines if one.component in MIXED]
    for way, line, words in _of_steps(recipe, mixed):
        found.setdefault((way, line.key), (line, words))
    order = list(WAYS)
    return tuple(GetReady(way=WAYS[way], line=key, words=words, keeps_h=_keeps(WAYS[way], line))
                 for (way, key), (line, words) in sorted(
                     found.items(), key=lambda one: (order.index(one[0][0]), one[0][1])))


def _keeps(way: ReadyWay, line: Line) -> float:
    dry = line.ingredient is not None and line.ingredient.role in DRY
    return max(way.keeps_h, DRY_KEEPS_H) if dry and way.key != "melt" else way.keeps_h


def _of_line(line: Line) -> Iterator[tuple[str, str]]:
    name = line.name.split(",")[0].strip()
    said = _NOT.sub("", line.prepared)
    for key, (prepared, named, _) in _WORDS.items():
        if line.ingredient is not None and line.ingredient.key.startswith(_SOLD[key]):
            continue
        if (prepared is not None and prepared.search(said)) or (
                named is not None and named.search(name)):
            yield key, line.name


def _of_steps(recipe: Recipe, lines: Sequence[Line]) -> Iterator[tuple[str, Line, str]]:
    for step in recipe.steps:
        for found in SENTENCE.finditer(step.text):
            words = found[0].strip()
            kinds = set(kinds_in(words))
            if StepKind.BAKE in kinds:
                return
            if StepKind.LINE in kinds:
                continue
            for key, (_, _, told) in _WORDS.items():
                asked = None if told is None else told.search(words)
                if asked is None:
                    continue
                clause = _CLAUSE_ENDS.split(words[asked.start():], maxsplit=1)[0]
                yield from ((key, one, words) for one in lines
                            if one.key in lines_named(clause, lines) and _can_be(key, one))


_NOT = re.compile(r"\b(?:not|never|or) \w+|\bplus\b.*", re.IGNORECASE)
_CLAUSE_ENDS = re.compile(r",|;|\bthen\b|\buntil\b|\binto\b")


def _can_be(way: str, line: Line) -> bool:
    return line.ingredient is None or line.ingredient.role.value in _TABLE[way]["step_of"]
