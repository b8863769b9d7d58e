"""Tools a method wants: a typed table, practice."""

from __future__ import annotations

import re
from collections.abc import Collection, Sequence
from dataclasses import dataclass

from entremet.core.card.step_kind import StepKind
from entremet.core.ground.reference import read_table
from entremet.core.method.stages import StageKey


@dataclass(frozen=True, slots=True, kw_only=True)
class Tool:
    """A tool, and what asks for it: a kind of work, a stage, or words of a sentence."""

    name: str
    kinds: frozenset[StepKind]
    stages: frozenset[StageKey]
    words: re.Pattern[str] | None
    unless: re.Pattern[str] | None


def _words(row: dict[str, str], name: str) -> re.Pattern[str] | None:
    return re.compile(row[name], re.IGNORECASE) if name in row else None


TOOLS: tuple[Tool, ...] = tuple(
    Tool(name=row["name"], kinds=frozenset(StepKind(one) for one in row.get("kinds", ())),
         stages=frozenset(StageKey(one) for one in row.get("stages", ())),
         words=_words(row, "words"), unless=_words(row, "unless"))
    for row in read_table("entremet.core.method", "tools.toml").values())


def tools_for(sentences: Sequence[str], kinds: Collection[StepKind],
              stages: Collection[StageKey]) -> tuple[str, ...]:
    """Return the tools that sentences want which ask for some kinds of work and stages.

    >>> tools_for(["Sift the flour over it."], {StepKind.SIFT}, set())
    ('sieve',)
    """
    return tuple(one.name for one in TOOLS if one.kinds & set(kinds) or one.stages & set(stages)
                 or (one.words is not None and any(
                     one.words.search(text) and not (one.unless and one.unless.search(text))
                     for text in sentences)))
