"""A class: one recipe for several groups, each with its pan; what to get in and to compare."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.ground.quantities import cm
from entremet.core.ground.wording import listed
from entremet.core.plan.plan import Plan

MOST_GROUPS = 12


@dataclass(frozen=True, slots=True, kw_only=True)
class Bought:
    """A thing to get in for all groups, grams; None where it is not weighed."""

    name: str
    g: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class ClassWork:
    """What a class shares.

    Parameters
    ----------
    bought : tuple of Bought
        All groups together, in the order of the card.
    compare : tuple of str
        What to look at side by side when the cakes are out.
    """

    bought: tuple[Bought, ...]
    compare: tuple[str, ...]


def class_work(groups: Sequence[tuple[str, Plan]]) -> ClassWork:
    """Return what a class gets in, and what it compares.

    Parameters
    ----------
    groups : sequence of (str, Plan)
        Name and fit of each.
    """
    weights: dict[str, float | None] = {}
    for _, plan in groups:
        for line in plan.lines:
            if not line.included:
                continue
            name, grams = line.line.name, None if line.g is None else line.g.value
            before = weights.get(name, 0.0)
            weights[name] = None if grams is None or before is None else before + grams
    return ClassWork(bought=tuple(Bought(name=name, g=g) for name, g in weights.items()),
                     compare=_compared(groups))


def _compared(groups: Sequence[tuple[str, Plan]]) -> tuple[str, ...]:
    rows = [(name, plan.pans[0]) for name, plan in groups if plan.pans]
    depths = [(name, one.standing.stands_cm) for name, one in rows
              if one.standing is not None and one.standing.stands_cm is not None]
    times = [(name, one.bake.window.shown[2]) for name, one in rows
             if one.bake is not None and one.bake.window is not None]
    found = []
    if len({round(depth, 1) for _, depth in depths}) > 1:
        found.append("Depth of the batter: " + listed(
            [f"{name} {cm(depth)}" for name, depth in depths])
            + ". Cut each in the middle: which rim is dry, which middle damp?")
    if len({minutes for _, minutes in times}) > 1:
        found.append("Likely minutes: " + listed([f"{name} {minutes}" for name, minutes in times])
                     + ". Write down when each was done, by the sign.")
    found.append("Crust, dome and crumb side by side; taste the rim and the middle of each.")
    return tuple(found)
