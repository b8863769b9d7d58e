"""What to mind at a step that asks for it: a typed table, practice."""

from __future__ import annotations

import re
from collections.abc import Collection
from dataclasses import dataclass

from entremet.core.card.step_kind import StepKind
from entremet.core.ground.reference import read_table


@dataclass(frozen=True, slots=True, kw_only=True)
class Guard:
    """A caution with what it goes by: words in one sentence, or a kind of work."""

    key: str
    text: str
    when: tuple[re.Pattern[str], ...]
    kind: StepKind | None
    after: StepKind | None
    unless: re.Pattern[str] | None

    def holds(self, sentence: str, kinds: Collection[StepKind],
              before: Collection[StepKind]) -> bool:
        """Say whether a sentence needs it, after the kinds of work before it."""
        if self.after is not None and self.after not in before:
            return False
        if self.unless is not None and self.unless.search(sentence):
            return False
        if self.kind is not None:
            return self.kind in kinds
        return all(words.search(sentence) for words in self.when)


def _words(text: str) -> re.Pattern[str]:
    return re.compile(text, re.IGNORECASE)


GUARDS: tuple[Guard, ...] = tuple(
    Guard(key=key, text=row["text"], when=tuple(_words(one) for one in row.get("when", ())),
          kind=StepKind(row["kind"]) if "kind" in row else None,
          after=StepKind(row["after"]) if "after" in row else None,
          unless=_words(row["unless"]) if "unless" in row else None)
    for key, row in read_table("entremet.core.method", "guards.toml").items())


def guards_at(sentence: str, kinds: Collection[StepKind],
              before: Collection[StepKind]) -> tuple[Guard, ...]:
    """Return what a sentence needs to be minded.

    Parameters
    ----------
    sentence : str
        As written.
    kinds : collection of StepKind
        What it asks for.
    before : collection of StepKind
        What the method asked for until then, in this sentence too.
    """
    return tuple(one for one in GUARDS if one.holds(sentence, kinds, before))
