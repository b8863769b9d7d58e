"""What a timetable costs: cakes that wait finished, layers that wait, oven time, an early start."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.timetable.model import Placed
from entremet.core.work.ids import WorkKind

WAITS_FINISHED, WAITS_LAYERS, OVEN_ON, EARLY = 4.0, 1.0, 2.0, 0.5
"""A minute of each, in points, in the order that a baker would: fresh first, then fuel, then sleep.
Estimates; what matters is the order, and each weight is shown."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Costs:
    """Minutes of each kind, and their sum in points."""

    waits_finished_min: float
    waits_layers_min: float
    oven_on_min: float
    early_min: float

    @property
    def points(self) -> float:
        """Their sum by the weights."""
        return (WAITS_FINISHED * self.waits_finished_min + WAITS_LAYERS * self.waits_layers_min
                + OVEN_ON * self.oven_on_min + EARLY * self.early_min)


def costs_of(placed: Sequence[Placed]) -> Costs:
    """Return what a timetable costs.

    Parameters
    ----------
    placed : sequence of Placed
        All of it.
    """
    finished = sum(one.task.due - one.end for one in placed
                   if one.task.due is not None and one.task.id.cake
                   and one.task.kind is not WorkKind.WASH)
    by_key = {one.task.id: one for one in placed}
    layers = sum(max(0, one.start - by_key[after.on].end - after.least_min)
                 for one in placed for after in one.task.waits
                 if after.on in by_key and one.task.id.cake == by_key[after.on].task.id.cake)
    on = _union([(one.oven or 0, one.start, one.end) for one in placed
                 if one.task.heat is not None])
    start = min((one.start for one in placed if one.task.awake), default=0)
    last = max((one.task.due or one.end for one in placed), default=0)
    return Costs(waits_finished_min=finished, waits_layers_min=layers, oven_on_min=on,
                 early_min=last - start)


def _union(spans: Sequence[tuple[int, int, int]]) -> float:
    total = 0
    reach: dict[int, int] = {}
    for oven, start, end in sorted(spans):
        begin = max(start, reach.get(oven, start))
        total += max(0, end - begin)
        reach[oven] = max(end, reach.get(oven, end))
    return float(total)
