"""A method with what each of its steps asks for, and what can still go in that was forgotten."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

from entremet.core.card.lines import MIXED, Line
from entremet.core.card.recipe import Recipe, TiedStep
from entremet.core.card.step_kind import StepKind
from entremet.core.ground.reference import read_table
from entremet.core.ingredients.table import Role
from entremet.core.method.bench import BenchPlace, bench_of
from entremet.core.method.guards import guards_at
from entremet.core.method.kinds import SENTENCE, kinds_in
from entremet.core.method.stages import STAGES, Stage, StageKey, stages_in
from entremet.core.method.tools import tools_for


@dataclass(frozen=True, slots=True, kw_only=True)
class StepNotes:
    """What a step asks for: kinds of work and stages in its order, and what to mind."""

    key: int
    kinds: tuple[StepKind, ...]
    stages: tuple[StageKey, ...]
    guards: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Late:
    """A line, and until when it can still go in."""

    name: str
    text: str


@dataclass(frozen=True, slots=True, kw_only=True)
class MethodNotes:
    """All that is known of a method: notes by step, stages it names, what may be late.

    ``bench`` says at which step each line goes in, ``tools`` what has to be at hand.
    """

    steps: tuple[StepNotes, ...] = ()
    stages: tuple[Stage, ...] = ()
    late: tuple[Late, ...] = ()
    bench: tuple[BenchPlace, ...] = ()
    tools: tuple[str, ...] = ()


LATE: dict[Role, str] = {
    Role(key): text for key, text in read_table("entremet.core.method", "late.toml").items()}

def notes_of(recipe: Recipe) -> MethodNotes:
    """Return what the steps of a recipe ask for; each caution once, where it is needed first."""
    steps = _notes(tuple((step.key, step.text, step.kinds) for step in recipe.steps))
    named = dict.fromkeys(key for step in steps for key in step.stages)
    return MethodNotes(steps=steps, stages=tuple(STAGES[key] for key in named),
                       late=_late(recipe.lines) if steps else (), bench=bench_of(recipe),
                       tools=_tools(recipe, steps, tuple(named)))


@lru_cache(maxsize=256)
def _notes(steps: tuple[tuple[int, str, tuple[StepKind, ...] | None], ...],
           ) -> tuple[StepNotes, ...]:
    before: set[StepKind] = set()
    told: set[str] = set()
    found = []
    for key, text, said in steps:
        kinds: dict[StepKind, None] = {}
        stages: dict[StageKey, None] = {}
        guards: dict[str, str] = {}
        for sentence in SENTENCE.findall(text):
            here = kinds_in(sentence) if said is None else said
            before.update(here)
            kinds.update(dict.fromkeys(here))
            stages.update(dict.fromkeys(stages_in(sentence)))
            guards.update({one.key: one.text for one in guards_at(sentence, here, before)
                           if one.key not in told})
        told.update(guards)
        found.append(StepNotes(key=key, kinds=tuple(kinds), stages=tuple(stages),
                               guards=tuple(guards.values())))
    return tuple(found)


def kinds_of(step: TiedStep) -> tuple[StepKind, ...]:
    """Return what work a step is: as the baker said, else as its words say, each once."""
    if step.kinds is not None:
        return step.kinds
    return tuple(dict.fromkeys(
        kind for one in SENTENCE.findall(step.text) for kind in kinds_in(one)))


def _tools(recipe: Recipe, steps: Sequence[StepNotes],
           stages: Sequence[StageKey]) -> tuple[str, ...]:
    sentences = [one for step in recipe.steps for one in SENTENCE.findall(step.text)]
    return tools_for(sentences, {kind for step in steps for kind in step.kinds}, stages)


def _late(lines: Sequence[Line]) -> tuple[Late, ...]:
    return tuple(Late(name=line.name, text=LATE[line.ingredient.role]) for line in lines
                 if line.component in MIXED and line.ingredient is not None
                 and line.ingredient.role in LATE)
