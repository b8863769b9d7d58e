"""Nothing is baked or made so early that it is past its keeping when the cake is due."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from entremet.core.keeping.keeping import keeping_of, parts_made, span_of, strictest
from entremet.core.work.cake import OrderedCake
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.work import Work

DAY_MIN = 24 * 60


def made_for(cake: OrderedCake, part: str) -> WorkId:
    """Return the id of the work that makes a component of a cake."""
    return cake.work_id(WorkKind.MAKE, part=part)


def kept_fresh(cake: OrderedCake, works: Sequence[Work]) -> list[Work]:
    """Return the work of a cake, none of it so early that what it makes is over when it is due.

    Parameters
    ----------
    cake : OrderedCake
        Whose; one that is not finished has no rule of its own.
    works : sequence of Work
        All of it. A part keeps from when it was made, the baked layers from the oven; where it
        stands (cool or chilled) is what the strictest of its parts needs. The rule is the longest
        that practice gives it; what is past the shortest is planned and told.
    """
    if not cake.finish.cakes:
        return list(works)
    cold = strictest([keeping_of(cake.plan, cake.finish, row) for row in cake.finish.cakes]).cold
    ends: dict[WorkId | None, int] = {}
    for maker, part in parts_made(cake.plan, cake.finish):
        days = span_of(part, cold=cold)
        if days is not None:
            name = made_for(cake, maker) if maker else None
            least = cake.due - round(days[1] * DAY_MIN)
            ends[name] = max(least, ends.get(name, least))
    found = []
    for work in works:
        end = ends.get(None if work.kind is WorkKind.BAKE else work.id)
        found.append(work if end is None else replace(work, earliest=end - work.minutes))
    return found


def as_early_as_wished(works: Sequence[Work]) -> list[Work]:
    """Return work without the rule: where days cannot be else, what is over is told instead."""
    return [work if work.earliest is None else replace(work, earliest=None) for work in works]
