"""By how much what goes on a cake grows: what its cakes take over what the recipe's own take."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from entremet.core.batter.styles import Style
from entremet.core.card.finish import Finishing, TopBy
from entremet.core.card.lines import USUAL_GROWTH, Component, Line
from entremet.core.dressing.cakes import BakedPan
from entremet.core.dressing.components import components_of, has_of, served
from entremet.core.dressing.dress import dress_all
from entremet.core.dressing.kinds import kind_of
from entremet.core.dressing.uses import Dressed, all_uses


@dataclass(frozen=True, slots=True, kw_only=True)
class GrownByFinish:
    """Factors by line key, and the joins that are filled; None where nothing is."""

    factors: Mapping[int, float] = field(default_factory=dict)
    joins: int | None = None


def grown_by_finish(lines: Sequence[Line], style: Style, *, own: Sequence[BakedPan],
                    now: Sequence[BakedPan], chosen: Finishing, as_recipe: Finishing,
                    joins: int | None = None) -> GrownByFinish:
    """Return the factor of what goes on, in and round the finished cakes.

    A component grows with what all that it serves takes on these cakes over what it takes on the
    recipe's own, finished as it says; so its own pans and its own finish give it as written. A
    line that is told to grow by something else, a component that one side takes nothing of, and
    cakes that are not measured have no factor here.

    Parameters
    ----------
    lines : sequence of Line
        Of the card, those that go in.
    style : Style
        Of its batter.
    own, now : sequence of BakedPan
        The recipe in its own pans, and as it is baked now.
    chosen : Finishing
        What is done to them now.
    as_recipe : Finishing
        What the recipe does to its own.
    joins : int or None
        Joins to fill now, all cakes together, where the baker says.
    """
    wanted = [line for line in lines if line.component in GROWN
              and line.scales_by is USUAL_GROWTH[line.component]]
    if not wanted or not _measured(own) or not _measured(now):
        return GrownByFinish()
    has = has_of(lines, style.key)
    before, _ = dress_all(own, as_recipe, has)
    after, _ = dress_all(now, chosen, has, joins=joins)
    if not before or not after:
        return GrownByFinish()
    components = components_of(lines)
    keys = [(f"{component.value}|{heading}", component) for component, heading in components]
    takes = [served(keys, all_uses(rows)) for rows in (before, after)]
    found: dict[int, float] = {}
    for (key, component), ((_, heading), own_lines) in zip(keys, components.items(), strict=True):
        kind = kind_of(component, heading, own_lines)
        was, needs = (sum(use.grams_of(kind) for use in side.get(key, ())) for side in takes)
        if was > 0 and needs > 0:
            found.update((line.key, _grown(needs / was)) for line in own_lines)
    tops = top_growth(before, after, chosen.top_by)
    found.update((line.key, tops) for line in lines if line.component is Component.DECORATION)
    filled = sum(row.cake.joins * row.cake.count for row in after if row.filling_cm > 0)
    return GrownByFinish(joins=filled or None, factors={
        line.key: found[line.key] for line in wanted if line.key in found})


GROWN = frozenset({Component.SOAK, Component.FILLING, Component.FROSTING, Component.GLAZE,
                   Component.COATING, Component.DECORATION})
"""Components whose amount the finished cake decides."""


def top_growth(own: Sequence[Dressed], now: Sequence[Dressed], by: TopBy) -> float:
    """Return the finished tops over the recipe's own: by area, edge or sides, or cake for
    cake.

    >>> top_growth([], [], TopBy.AREA)
    1.0
    """
    was, are = (sum(_top(row, by) * row.cake.count for row in rows) for rows in (own, now))
    return _grown(are / was) if was > 0 and are > 0 else 1.0


def _grown(factor: float) -> float:
    """Return a factor; what differs from one by rounding alone is one, so that it is as written."""
    return 1.0 if math.isclose(factor, 1.0, rel_tol=1e-9) else factor


def _top(row: Dressed, by: TopBy) -> float:
    if row.pieces and by is not TopBy.CARD:
        # Pieces are rolled on the faces that were dipped.
        return row.faces_cm2
    match by:
        case TopBy.AREA:
            return row.body.top_cm2
        case TopBy.EDGE:
            return row.body.edge_cm
        case TopBy.SIDES:
            return row.body.edge_cm * row.body.height_cm
        case TopBy.ALL:
            return row.body.top_cm2 + row.body.edge_cm * row.body.height_cm
        case TopBy.CARD:
            return 1.0


def _measured(pans: Sequence[BakedPan]) -> bool:
    return bool(pans) and all(one.risen_cm is not None for one in pans)
