"""Questions of stages and mishaps, from the tables that the method and the run sheet use."""

from __future__ import annotations

from random import Random

from entremet.core.method.stages import STAGES, StageKey
from entremet.core.running.rescue import Rescue, rescues_of
from entremet.core.trainer.guess import CHOICES, Asks, Guess, GuessChoice, shuffled
from entremet.core.work.ids import WorkKind

ALIKE = (frozenset({StageKey.DROPPING, StageKey.POURING, StageKey.FIGURE_EIGHT, StageKey.RIBBON}),)
"""Stages that a drawing alone does not tell apart for sure are not set against one another."""


def stage_asked(dice: Random) -> Guess | None:
    """Ask which of four is a stage."""
    key = dice.choice(sorted(STAGES, key=lambda one: one.value))
    near = next((group for group in ALIKE if key in group), frozenset({key}))
    others = dice.sample(sorted(set(STAGES) - near, key=lambda one: one.value), CHOICES - 1)
    stage = STAGES[key]
    return shuffled(
        Asks.STAGE, f"Which of these is “{stage.name}”?",
        GuessChoice(text=stage.see, stage=key),
        [GuessChoice(text=STAGES[one].see, stage=one, tells="You take one stage for another.")
         for one in others],
        f"{stage.see} Too far: {stage.too_far} {stage.mend}".strip(), dice)


WARM = frozenset({WorkKind.MIX, WorkKind.FILL, WorkKind.HEAT, WorkKind.BAKE, WorkKind.TURN_OUT})
"""Up to the pan that is turned out; what helps there is no help at a cold cake, and the reverse."""

TELLING_LETTERS = 6
"""Words so long tell mishaps apart: two that share one may share what helps."""


def rescue_asked(dice: Random) -> Guess | None:
    """Ask what helps now with something that went wrong."""
    rows: list[tuple[WorkKind, Rescue]] = [
        (kind, one) for kind in WorkKind for one in rescues_of(kind)]
    kind, row = dice.choice(rows)
    others = [one for other, one in rows if (other in WARM) is not (kind in WARM)
              and not _telling(one) & _telling(row)]
    return shuffled(
        Asks.RESCUE, f"“{row.what}.” What helps now?", GuessChoice(text=row.now),
        [GuessChoice(text=one.now, tells="You know the mishaps less well.")
         for one in dice.sample(others, CHOICES - 1)],
        f"{row.now} Next time: {row.next}", dice)


def _telling(row: Rescue) -> set[str]:
    return {word for word in row.what.lower().split() if len(word) >= TELLING_LETTERS}
