"""Every bound of a timetable looked at again; nothing here is shared with the planner."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import combinations

from entremet.core.timetable.model import Means, Placed
from entremet.core.work.work import Lane


def broken(placed: Sequence[Placed], means: Means) -> list[str]:
    """Return what is wrong with a timetable, a sentence each; nothing for a sound one.

    Parameters
    ----------
    placed : sequence of Placed
        The timetable. What is done is the past and is not judged.
    means : Means
        What the kitchen has.
    """
    return [*_bounds(placed), *_times(placed, means), *_shared(placed, means),
            *_ovens(placed, means)]


def _bounds(placed: Sequence[Placed]) -> Iterator[str]:
    by_key = {one.task.id: one for one in placed}
    for one in placed:
        if one.done:
            continue
        for after in one.task.waits:
            before = by_key.get(after.on)
            if before is None:
                continue
            gap = one.start - before.end
            if gap < after.least_min:
                yield f"{one.task.words} starts {after.least_min - gap} min too soon."
            if after.most_min is not None and gap > after.most_min:
                yield f"{one.task.words} starts {gap - after.most_min} min too late."


def _times(placed: Sequence[Placed], means: Means) -> Iterator[str]:
    for one in placed:
        if one.done:
            continue
        if one.task.due is not None and one.end > one.task.due:
            yield f"{one.task.words} is over {one.end - one.task.due} min after it is due."
        if means.now is not None and one.start < means.now and not one.fixed:
            yield f"{one.task.words} starts in the past."
        if one.task.awake and not any(start <= one.start and one.end <= end
                                      for start, end in means.windows):
            yield f"{one.task.words} is outside the hours of the kitchen."


def _shared(placed: Sequence[Placed], means: Means) -> Iterator[str]:
    rows: list[tuple[str, int, list[tuple[Placed, int]]]] = [
        ("hands", means.hands, [(one, 1) for one in placed if one.task.lane is Lane.HANDS]),
        ("mixing bowls", means.bowls, [(one, 1) for one in placed if one.task.bowl]),
        ("boards of fridge room", means.boards,
         [(one, one.task.boards) for one in placed if one.task.boards])]
    rows += [(label, owned, [(one, one.task.pans[label]) for one in placed
                             if label in one.task.pans])
             for label, owned in means.pans.items()]
    for name, limit, using in rows:
        for moment in sorted({one.start for one, _ in using}):
            there = [(one, count) for one, count in using if one.start <= moment < one.end]
            if sum(count for _, count in there) > limit and not all(
                    one.done for one, _ in there):
                yield (f"{sum(count for _, count in there)} {name} are wanted at once, there are "
                       f"{limit}: {', '.join(one.task.words for one, _ in there)}.")


def _ovens(placed: Sequence[Placed], means: Means) -> Iterator[str]:
    for place, oven in enumerate(means.ovens):
        bakes = [one for one in placed if one.oven == place and one.task.heat is not None]
        for one, other in combinations(sorted(bakes, key=lambda bake: bake.start), 2):
            heat, second = one.task.heat, other.task.heat
            if heat is None or second is None or (one.done and other.done):
                continue
            if abs(heat.c - second.c) >= 0.5 and other.start < one.end + oven.change_min:
                yield (f"{oven.name} has {heat.c:.0f} and {second.c:.0f} °C to be at once or too "
                       f"near: {one.task.words}, {other.task.words}.")
        for bake in bakes:
            inside = sum(one.task.heat.shelves for one in bakes
                         if one.task.heat is not None and one.start <= bake.start < one.end)
            if inside > oven.shelves:
                yield f"{oven.name} has {oven.shelves} shelves and {inside} are wanted."
    for one in placed:
        if one.task.heat is not None and one.oven is None:
            yield f"{one.task.words} has no oven."
        elif one.task.heat is not None and one.oven is not None and not one.done and not (
                one.oven < len(means.ovens) and means.ovens[one.oven].takes(one.task.heat)):
            yield f"{one.task.words} is in an oven that it is not timed for."
