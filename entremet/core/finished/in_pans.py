"""Layers under and on the batter, pan by pan and ingredient by ingredient."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from entremet.core.card.lines import MIXED, Component
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


def batter_in_layers(plan: Plan, layers: int) -> Iterator[InPan]:
    """Yield how the batter goes into every pan in layers, with what is folded in between them.

    Parameters
    ----------
    plan : Plan
        The fit.
    layers : int
        Of batter; one is no layering.
    """
    if layers < 2:
        return
    mixed = [line for line in plan.lines if line.line.component in MIXED and line.included
             and line.g is not None]
    whole = sum(line.g.value for line in mixed if line.g is not None)
    between = [(line.line.name, line.g.value / whole) for line in mixed
               if line.line.component is Component.INCLUSION and line.g is not None]
    share = sum(part for _, part in between)
    for one in plan.pans:
        if one.standing is None or whole <= 0:
            continue
        batter_g = one.standing.batter_g
        yield InPan(pan=one.entry.label, first=False, lines=(
            (f"batter in each of {layers} layers", batter_g * (1 - share) / layers),
            *((f"{name}, between them, each time", batter_g * part / (layers - 1))
              for name, part in between)))
