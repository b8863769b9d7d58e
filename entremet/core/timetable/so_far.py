"""What is done has had its time, and so has all that comes before it, said or not."""

from __future__ import annotations

from collections.abc import Mapping

from entremet.core.timetable.model import Fix
from entremet.core.work.ids import WorkId
from entremet.core.work.work import Work


def with_what_came_before(fixes: Mapping[WorkId, Fix],
                          works: Mapping[WorkId, Work]) -> dict[WorkId, Fix]:
    """Return what is fixed with what has to have been done before what is done.

    Parameters
    ----------
    fixes : mapping of WorkId to Fix
        Where work was put, or when it was done; what is said of a piece stays as it was said.
    works : mapping of WorkId to Work
        All of the work.
    """
    found = dict(fixes)
    left = [name for name, fix in fixes.items() if fix.done and name in works]
    while left:
        name = left.pop()
        for wait in works[name].waits:
            before = works.get(wait.on)
            # What is only begun before another ends is no condition of it.
            if before is not None and wait.on not in found and wait.least_min >= 0:
                found[wait.on] = Fix(done=True, start=(
                    found[name].start - wait.least_min - before.minutes))
                left.append(wait.on)
    return found
