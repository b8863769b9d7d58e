"""What could be made on an earlier day, each tried: how long the last day is before and after."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from entremet.core.timetable.greedy import NO_FIXES, lay_out_backwards
from entremet.core.timetable.model import Fix, Means, Placed
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.work import Work

MOST_OFFERS, MOST_EVENINGS = 8, 3
"""Tasks that are tried, and days before the last one that are looked at for each."""


@dataclass(frozen=True, slots=True, kw_only=True)
class MakeAhead:
    """A task that could be done on an earlier day.

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


@dataclass(frozen=True, slots=True, kw_only=True)
class AheadTogether:
    """All that could be done earlier, done so: where each would be, and what the last day is then.

    Parameters
    ----------
    starts : tuple of (WorkId, int)
        Where each would be, minutes.
    day_min, then_min : int
        The last day from its first to its last work, before and after.
    """

    starts: tuple[tuple[WorkId, int], ...]
    day_min: int
    then_min: int


def make_ahead(tasks: Sequence[Work], means: Means, placed: Sequence[Placed],
               fixes: Mapping[WorkId, Fix] = NO_FIXES) -> list[MakeAhead]:
    """Return what is made on the last day and could be made earlier, on the latest day that helps.

    Parameters
    ----------
    tasks, means, fixes
        Of the days.
    placed : sequence of Placed
        The plan as it is.
    """
    if len(means.windows) < 2:
        return []
    last = means.windows[-1]
    day = _length(placed, last)
    found = []
    offered = [one for one in placed if one.start >= last[0] and not one.fixed and not one.done
               and _early(one.task.id)]
    for one in offered[:MOST_OFFERS]:
        for _, closes in reversed(means.windows[-1 - MOST_EVENINGS:-1]):
            trial, left = lay_out_backwards(_by({one.task.id: closes}, tasks), means, fixes)
            then = _length(trial, last)
            if left or then >= day:
                continue
            moved = next(two for two in trial if two.task.id == one.task.id)
            found.append(MakeAhead(id=one.task.id, words=one.task.words, start=moved.start,
                                   day_min=day, then_min=then))
            break
    return sorted(found, key=lambda one: (one.then_min, one.id))


def ahead_together(offers: Sequence[MakeAhead], tasks: Sequence[Work], means: Means,
                   fixes: Mapping[WorkId, Fix] = NO_FIXES) -> AheadTogether | None:
    """Return what comes of taking all offers at once; None for fewer than two, or where they clash.

    Parameters
    ----------
    offers : sequence of MakeAhead
        Of :func:`make_ahead`.
    tasks, means, fixes
        Of the days.
    """
    if len(offers) < 2:
        return None
    closes = {one.id: next(end for start, end in means.windows if start <= one.start < end)
              for one in offers}
    trial, left = lay_out_backwards(_by(closes, tasks), means, fixes)
    then = _length(trial, means.windows[-1])
    if left or then >= min(one.then_min for one in offers):
        return None
    return AheadTogether(day_min=offers[0].day_min, then_min=then, starts=tuple(
        (one.task.id, one.start) for one in trial if one.task.id in closes))


def _by(closes: Mapping[WorkId, int], tasks: Sequence[Work]) -> list[Work]:
    """Return tasks, some of which have to be over by the end of an earlier day."""
    return [replace(one, due=closes[one.id]) if one.id in closes else one for one in tasks]


def _early(name: WorkId) -> bool:
    """Say whether work keeps for a day: a component, or the first load of a bake."""
    return name.kind is WorkKind.MAKE or (name.kind is WorkKind.BAKE and name.place == 0)


def _length(placed: Sequence[Placed], day: tuple[int, int]) -> int:
    """Return a day from its first to its last work, minutes."""
    work = [one for one in placed if one.task.awake and one.start >= day[0] and one.end <= day[1]]
    return max((one.end for one in work), default=0) - min((one.start for one in work), default=0)
