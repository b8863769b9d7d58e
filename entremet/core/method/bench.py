"""The bench by the method: at which step each line goes in, and each part of a split one."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache

from entremet.core.card.lines import MIXED, Line
from entremet.core.card.recipe import Recipe, TiedStep
from entremet.core.card.step_kind import StepKind
from entremet.core.ingredients.names import plain, without_preparation
from entremet.core.method.kinds import SENTENCE, kinds_in

SAME_SHARE = 0.02
"""A part of a split is what a step names if their shares of the line differ by less."""


@dataclass(frozen=True, slots=True, kw_only=True)
class BenchPlace:
    """Where a line goes in: at which step; of a split line which part, by its name."""

    line: int
    part: str
    step: int


def bench_of(recipe: Recipe) -> tuple[BenchPlace, ...]:
    """Return at which step what is mixed goes in; what no step names is left out.

    An amount tied to a line says where it goes in, else its name does; of several lines that a word
    could mean, the first that no step named yet is taken. It is worked out once for the lines and
    steps of a card: a baker fits the same card many times over.
    """
    key = (id(recipe.lines), id(recipe.steps))
    known = _kept.get(key)
    if known is not None and known[0] is recipe.lines and known[1] is recipe.steps:
        return known[2]
    found = _bench(recipe)
    # The lines and steps are kept with it, so that nothing else comes to have their identity.
    _kept[key] = (recipe.lines, recipe.steps, found)
    while len(_kept) > MOST_KEPT:
        _kept.popitem(last=False)
    return found


MOST_KEPT = 64
"""Cards whose bench is kept."""

_kept: OrderedDict[tuple[int, int], tuple[tuple[Line, ...], tuple[TiedStep, ...],
                                          tuple[BenchPlace, ...]]] = OrderedDict()


def _bench(recipe: Recipe) -> tuple[BenchPlace, ...]:
    lines = [one for one in recipe.lines if one.component in MIXED]
    first: dict[int, int] = {}
    parts: dict[tuple[int, str], int] = {}
    for step in recipe.steps:
        for key, share in _tied(step, recipe):
            line = next((one for one in lines if one.key == key), None)
            part = None if line is None else _part(line, share)
            if part is not None:
                parts.setdefault((key, part), step.key)
            elif line is not None:
                first.setdefault(key, step.key)
    for step in recipe.steps:
        for sentence in _mixing(step, {one.key for one in lines}):
            for key in _named(sentence, lines, first):
                first.setdefault(key, step.key)
    found: list[BenchPlace] = []
    for line in lines:
        for each in line.parts:
            at = parts.get((line.key, each.name), first.get(line.key))
            found += [] if at is None else [BenchPlace(line=line.key, part=each.name, step=at)]
        if not line.parts and line.key in first:
            found.append(BenchPlace(line=line.key, part="", step=first[line.key]))
    return tuple(found)


def _mixing(step: TiedStep, mixed: Collection[int]) -> Iterator[str]:
    """Yield the sentences of a step that are not about the pan, nor about what is no batter."""
    for found in SENTENCE.finditer(step.text):
        apart = any(tie.line is not None and tie.line not in mixed
                    and found.start() <= tie.start < found.end() for tie in step.ties)
        if not apart and StepKind.LINE not in kinds_in(found[0]):
            yield found[0]


def _tied(step: TiedStep, recipe: Recipe) -> Iterator[tuple[int, float | None]]:
    """Yield the lines that amounts of a step belong to, with the share of each that it names."""
    amounts = {line.key: line.amount for line in recipe.lines}
    for tie in step.ties:
        if tie.line is None:
            continue
        whole = amounts.get(tie.line)
        same = whole is not None and whole.unit is tie.amount.unit and whole.value > 0
        yield tie.line, tie.amount.value / whole.value if same and whole is not None else None


def _part(line: Line, share: float | None) -> str | None:
    if share is None:
        return None
    return next((one.name for one in line.parts if abs(one.share - share) < SAME_SHARE), None)


def lines_named(text: str, lines: Sequence[Line]) -> tuple[int, ...]:
    """Return the keys of the lines that a sentence names, each once."""
    return tuple(_named(text, lines, {}))


_UNLIKE = frozenset({"paste", "case", "tin", "pan", "bowl"})
"""Words behind a name that make another thing of it."""


def _named(text: str, lines: Sequence[Line], known: dict[int, int]) -> Iterator[int]:
    """Yield the lines that a step names: by all words of a name, else by its last word."""
    words = tuple(plain(text).split())
    taken: set[int] = set()
    rows = sorted(((name, line) for line in lines for name in _names(line)),
                  key=lambda row: -len(row[0]))
    named: set[int] = set()
    for name, line in rows:
        at = _place(words, name, taken)
        if at is not None and line.key not in named:
            taken |= set(range(at, at + len(name)))
            named.add(line.key)
    heads: dict[int, list[Line]] = {}
    for line in lines:
        if line.key in named:
            continue
        for name in _names(line):
            at = _place(words, name[-1:], taken)
            if at is not None and len(name) > 1:
                heads.setdefault(at, []).append(line)
                break
    for bearers in heads.values():
        fresh = [one for one in bearers if one.key not in known] or bearers
        named.add(fresh[0].key)
    yield from sorted(named)


def _place(words: tuple[str, ...], name: tuple[str, ...], taken: set[int]) -> int | None:
    many = len(name)
    for at in range(len(words) - many + 1):
        behind = words[at + many] if at + many < len(words) else ""
        if (words[at:at + many] == name and taken.isdisjoint(range(at, at + many))
                and behind not in _UNLIKE):
            return at
    return None


def _names(line: Line) -> tuple[tuple[str, ...], ...]:
    phrases = [line.name.split(",")[0]]
    if line.ingredient is not None:
        phrases += [line.ingredient.name, *line.ingredient.aliases]
    if line.is_eggs:
        phrases.append("yolk" if "yolk" in line.name.lower() else
                       "white" if "white" in line.name.lower() else "egg")
    return _words_of(tuple(phrases))


# Each sentence of a method asks for the names of every line.
@lru_cache(maxsize=2_048)
def _words_of(phrases: tuple[str, ...]) -> tuple[tuple[str, ...], ...]:
    return tuple({tuple(words): None for phrase in phrases
                  if (words := without_preparation(plain(phrase).split()))})
