"""How long hands took over what the sheet said, from the ticks of a day that is over."""

from __future__ import annotations

from itertools import pairwise

from entremet.core.running.state import DayState, Stand
from entremet.core.work.ids import WorkKind

LEAST_MIN = 3.0
"""Steps planned shorter than this say nothing of a pace."""

PLAUSIBLE = (0.2, 5.0)
"""A ratio outside was a screen forgotten, or ticks made up afterwards; practice."""

TIMED_APART = frozenset({WorkKind.BAKE, WorkKind.HEAT, WorkKind.MEAL, WorkKind.DRIVE,
                         WorkKind.BACK})


def paces_of(day: DayState, *, pace: float = 1.0) -> list[float]:
    """Return by step of hands the minutes since the step before it over the book's.

    Parameters
    ----------
    day : DayState
        As it ended.
    pace : float
        What the book's minutes were multiplied by on its sheet.
    """
    done = sorted((one for one in day.steps if one.stand is Stand.DONE and one.ended is not None
                   and not one.step.passive and one.step.kind not in TIMED_APART),
                  key=lambda one: (one.ended is None, one.ended))
    found = []
    for before, one in pairwise(done):
        if before.ended is None or one.ended is None or one.step.minutes < LEAST_MIN:
            continue
        began = max(before.ended, one.ready_at or before.ended)
        ratio = pace * (one.ended - began).total_seconds() / 60 / one.step.minutes
        if PLAUSIBLE[0] <= ratio <= PLAUSIBLE[1]:
            found.append(round(ratio, 3))
    return found
