"""What is got ready before a batter is mixed, or laid on top: which pieces of work, how long."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.card.lines import MIXED
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ground.wording import listed
from entremet.core.measures.units import Unit
from entremet.core.method.ready import GetReady, ready_of
from entremet.core.plan.plan import Plan

READY = "ready"
"""What is got ready, as a part of a batter; what has to cool then is one of its own."""

MOST_NAMED = 4
"""So many things are told by their names in the words of one piece of work."""


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadyWork:
    """Things got ready at once.

    Parameters
    ----------
    part : str
        Names it among what is made for a cake.
    words : str
        For the baker: "Grate parsnip, chop walnuts".
    hands_min : float
        Practice, half to twice as long.
    wait_min, keeps_min : int
        How long it then cools or drains, and how long it may lie, the shortest of them.
    lines : tuple of ScaledLine
        What it is done to, each once.
    sign : str
        What shows that it is done.
    """

    part: str
    words: str
    hands_min: float
    wait_min: int
    keeps_min: int
    lines: tuple[ScaledLine, ...]
    sign: str


def ready_for_batter(plan: Plan) -> list[ReadyWork]:
    """Return what is got ready before the batter is mixed: what cools first, the rest at once."""
    mixed = {one.line.key: one for one in plan.lines if one.included
             and one.line.component in MIXED}
    asked = [one for one in ready_of(plan.recipe) if one.line in mixed]
    cooling = dict.fromkeys(one.way.key for one in asked if one.way.wait_min)
    found = [_work(f"{READY}:{key}", [one for one in asked if one.way.key == key], mixed)
             for key in cooling]
    rest = [one for one in asked if not one.way.wait_min]
    return [*found, *([_work(READY, rest, mixed)] if rest else [])]


def topping_min(plan: Plan) -> float:
    """Return the minutes of hands that get ready what lies on top."""
    on_top = {one.line.key: one for one in plan.lines if one.included
              and one.line.component not in MIXED}
    return sum(_took(one, on_top[one.line]) for one in ready_of(plan.recipe) if one.line in on_top)


def _took(one: GetReady, line: ScaledLine) -> float:
    amount = line.line.amount
    counted = amount is not None and (line.line.is_eggs or amount.unit is Unit.PIECE)
    pieces = amount.middle * line.factor if counted and amount is not None else 0.0
    return one.way.took_min(None if line.g is None else line.g.value, pieces)


def _work(part: str, asked: Sequence[GetReady], lines: dict[int, ScaledLine]) -> ReadyWork:
    things = dict.fromkeys(one.line for one in asked)
    ways = {key: dict.fromkeys(one.way.name for one in asked if one.line == key) for key in things}
    told = [f"{' and '.join(ways[key])} {_name(lines[key])}" for key in things]
    words = listed(told) if len(told) <= MOST_NAMED else f"get {len(told)} things ready"
    return ReadyWork(
        part=part, words=words[:1].upper() + words[1:], lines=tuple(lines[key] for key in things),
        hands_min=sum(_took(one, lines[one.line]) for one in asked),
        wait_min=max(one.way.wait_min for one in asked),
        keeps_min=round(60 * min(one.keeps_h for one in asked)),
        sign="; ".join(dict.fromkeys(one.way.sign for one in asked if one.way.sign)))


def _name(line: ScaledLine) -> str:
    name = line.line.name.split(",")[0]
    return name[:1].lower() + name[1:]
