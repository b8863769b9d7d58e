"""Layers under and on the batter, pan by pan and ingredient by ingredient."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from entremet.core.card.lines import Component
from entremet.core.plan.plan import Plan


@dataclass(frozen=True, slots=True, kw_only=True)
class InPan:
    """What goes into each of a row of pans beside its batter.

    Parameters
    ----------
    pan : str
        Its label.
    first : bool
        Whether it goes in before the batter; else it lies on it.
    lines : tuple of (str, float)
        Names with grams in each pan.
    """

    pan: str
    first: bool
    lines: tuple[tuple[str, float], ...]


def layers_in_pans(plan: Plan) -> Iterator[InPan]:
    """Yield the layers of every pan by ingredient; nothing where the card has none.

    Parameters
    ----------
    plan : Plan
        The fit.
    """
    for component, first in ((Component.BASE_LAYER, True), (Component.TOP_LAYER, False)):
        lines = [(line.line.name, line.g.value) for line in plan.lines
                 if line.line.component is component and line.included and line.g is not None]
        total = sum(grams for _, grams in lines)
        if total <= 0:
            continue
        for one in plan.pans:
            if one.standing is None:
                continue
            each = one.standing.layer_g if first else one.standing.top_g
            if each > 0:
                yield InPan(pan=one.entry.label, first=first, lines=tuple(
                    (name, grams * each / total) for name, grams in lines))
