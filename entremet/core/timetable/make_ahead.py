"""What could be made on an earlier day, each tried: how long the last day is before and after."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from entremet.core.timetable.greedy import NO_FIXES, lay_out_backwards
from entremet.core.timetable.model import Fix, Means, Placed
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.work import Work

MOST_OFFERS = 8


@dataclass(frozen=True, slots=True, kw_only=True)
class MakeAhead:
    """A task that could be done the day before.

    Parameters
    ----------
    id : WorkId
        The task.
    words : str
        For the baker.
    start : int
        Where it would be, minutes.
    day_min, then_min : int
        The last day from its first to its last work, before and after.
    """

    id: WorkId
    words: str
    start: int
    day_min: int
    then_min: int


def make_ahead(tasks: Sequence[Work], means: Means, placed: Sequence[Placed],
               fixes: Mapping[WorkId, Fix] = NO_FIXES) -> list[MakeAhead]:
    """Return what is made on the last day and could be made the day before.

    Parameters
    ----------
    tasks, means, fixes
        Of the days.
    placed : sequence of Placed
        The plan as it is.
    """
    if len(means.windows) < 2:
        return []
    last, before = means.windows[-1], means.windows[-2]
    day = _length(placed, last)
    found = []
    offered = [one for one in placed if one.start >= last[0] and not one.fixed and not one.done
               and _early(one.task.id)]
    for one in offered[:MOST_OFFERS]:
        sooner = [replace(task, due=before[1]) if task.id == one.task.id else task
                  for task in tasks]
        trial, left = lay_out_backwards(sooner, means, fixes)
        if left:
            continue
        moved = next(two for two in trial if two.task.id == one.task.id)
        then = _length(trial, last)
        if then < day:
            found.append(MakeAhead(id=one.task.id, words=one.task.words, start=moved.start,
                                   day_min=day, then_min=then))
    return sorted(found, key=lambda one: (one.then_min, one.id))


def _early(name: WorkId) -> bool:
    """Say whether work keeps for a day: a component, or the first load of a bake."""
    return name.kind is WorkKind.MAKE or (name.kind is WorkKind.BAKE and name.place == 0)


def _length(placed: Sequence[Placed], day: tuple[int, int]) -> int:
    """Return a day from its first to its last work, minutes."""
    work = [one for one in placed if one.task.awake and one.start >= day[0] and one.end <= day[1]]
    return max((one.end for one in work), default=0) - min((one.start for one in work), default=0)
