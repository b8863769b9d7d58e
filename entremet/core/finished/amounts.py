"""One truth for what a cake's components are made of: as Finish makes them, line by line."""

from __future__ import annotations

from entremet.core.card.lines import Component
from entremet.core.finished.finish import Finish
from entremet.core.finished.parts import FinishPart, groups_of
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.plan.plan import Plan


def made_g(plan: Plan, finish: Finish) -> dict[int, float]:
    """Return what is weighed of every line that a component or a top is made of, grams.

    Parameters
    ----------
    plan, finish : Plan, Finish
        A fit and its finish.

    Returns
    -------
    dict of int to float
        By the line's key. A component that the finish takes is made in the amount that Finish
        says; one that it has no place for stands as the fit scales it. Lines of the batter and
        those nothing weighs are not in it.
    """
    groups = {group.key: group for group in groups_of(plan.lines)}
    found: dict[int, float] = {}
    for part in finish.parts:
        group = groups.get(part.key)
        for line in () if group is None else group.lines:
            if line.g is not None:
                found[line.line.key] = line.g.value * (
                    1.0 if part.factor is None else part.factor)
    for part, own in zip(tops_in(finish), tops_lines(plan), strict=True):
        for made, line in zip(part.made_from, own, strict=True):
            if line.recipe_g is not None:
                found[line.line.key] = made.g
    return found


def tops_in(finish: Finish) -> list[FinishPart]:
    """Return the parts of a finish that lie on top, in the order of the card's headings."""
    return [part for part in finish.parts if part.key.startswith("decoration-")]


def tops_lines(plan: Plan) -> list[list[ScaledLine]]:
    """Return the card's lines of what lies on top, by heading, in the order of :func:`tops_in`."""
    found: dict[str, list[ScaledLine]] = {}
    for line in plan.lines:
        if line.included and line.line.component is Component.DECORATION:
            found.setdefault(line.line.heading, []).append(line)
    return list(found.values())
