"""Which work the sentences of a method ask for, read by their verbs."""

from __future__ import annotations

import re

from entremet.core.card.step_kind import StepKind
from entremet.core.ground.reference import read_table

SENTENCE = re.compile(r"[^.;!]+(?:[.;!](?!\s|$)[^.;!]*)*[.;!]?")
"""A sentence of a step, with its end; a point within a number ends none."""

_READ = tuple(
    (StepKind(key), re.compile(words, re.IGNORECASE))
    for key, words in read_table("entremet.core.method", "kinds.toml").items())

_MORE_EXACT = {StepKind.BEAT: frozenset({StepKind.CREAM, StepKind.WHIP}),
               StepKind.REST: frozenset({StepKind.STAND}),
               StepKind.COOL: frozenset({StepKind.STAND}),
               StepKind.STRAIN: frozenset({StepKind.SIFT}),
               StepKind.COAT: frozenset({StepKind.FILL})}
"""A kind gives way where one of these is meant by the same words."""


def kinds_in(sentence: str) -> tuple[StepKind, ...]:
    """Return the kinds of work a sentence asks for, in its order.

    >>> [one.value for one in kinds_in("Beat the butter with the sugar, then fold in the flour.")]
    ['cream', 'fold']
    """
    found: dict[StepKind, tuple[int, int]] = {}
    for kind, words in _READ:
        match = words.search(sentence)
        if match is not None:
            found[kind] = match.span()
    kept = {kind: span for kind, span in found.items() if not any(
        _overlap(span, found[other]) for other in _MORE_EXACT.get(kind, ()) if other in found)}
    return tuple(sorted(kept, key=lambda kind: kept[kind][0]))


def _overlap(one: tuple[int, int], other: tuple[int, int]) -> bool:
    return one[0] < other[1] and other[0] < one[1]
