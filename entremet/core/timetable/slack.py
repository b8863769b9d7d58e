"""How much later a task could be without moving another."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.timetable.model import Placed
from entremet.core.work.ids import WorkId


def slacks_of(placed: Sequence[Placed]) -> dict[WorkId, int]:
    """Return by id the minutes until the next thing that waits for a task, or until it is due.

    Parameters
    ----------
    placed : sequence of Placed
        A timetable; what nothing waits for and nobody is due has no slack named.
    """
    by_key = {one.task.id: one for one in placed}
    found: dict[WorkId, int] = {}
    for one in placed:
        if one.task.due is not None:
            found[one.task.id] = one.task.due - one.end
        for after in one.task.waits:
            before = by_key.get(after.on)
            if before is not None:
                room = one.start - after.least_min - before.end
                found[after.on] = min(found.get(after.on, room), room)
    return found
