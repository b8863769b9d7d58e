"""An oven that is to be switched on and is hot still: nobody waits twice for the same heat."""

from __future__ import annotations

from datetime import timedelta

from entremet.core.running.state import DayState, Stand, StepState
from entremet.core.work.ids import WorkKind

HOT_STILL_MIN = 15
"""So long after a bake came out a closed oven is hot enough still; practice, 10 to 20."""


def still_hot(day: DayState, one: StepState) -> str:
    """Return why an oven need not be waited for, where that is so; empty where it has to heat.

    Parameters
    ----------
    day : DayState
        As it stands.
    one : StepState
        Of a step that switches an oven on, at its heat.
    """
    if one.step.kind is not WorkKind.HEAT or one.stand not in (Stand.READY, Stand.WAITING):
        return ""
    oven = _oven(one)
    heated = {other.step.id for other in day.steps
              if other is not one and other.step.kind is WorkKind.HEAT and _oven(other) == oven}
    for bake in reversed(day.steps):
        if bake.step.kind is not WorkKind.BAKE or bake.started is None or not any(
                wait.on in heated for wait in bake.step.waits):
            continue
        if bake.ended is None:
            return f"It is on at this heat: {bake.step.words} is in it. Leave it on."
        if day.at - bake.ended <= timedelta(minutes=HOT_STILL_MIN):
            return f"It is hot still from {bake.step.words}. Leave it on, and tap that it is hot."
    return ""


def taken_by_another_heat(day: DayState, one: StepState) -> bool:
    """Say whether an oven that is to be set has a cake in it that wants another heat.

    Nobody turns the knob under a cake: it is asked for once that is out.
    """
    if one.step.kind is not WorkKind.HEAT:
        return False
    name, _, heat = _oven(one).partition(" on, ")
    for other in day.steps:
        if other.step.kind is not WorkKind.HEAT or other is one:
            continue
        its, _, wants = _oven(other).partition(" on, ")
        if its == name and wants != heat and any(
                bake.step.kind is WorkKind.BAKE and bake.stand is Stand.RUNNING
                and bake.step.id.cake == other.step.id.cake for bake in day.steps):
            return True
    return False


def _oven(one: StepState) -> str:
    """Return the oven and its heat, as the step names them before whose bake it is for."""
    return one.step.words.partition(" · ")[0]
