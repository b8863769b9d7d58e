"""How much later a task could be without moving another."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.timetable.model import Placed


def slacks_of(placed: Sequence[Placed]) -> dict[str, int]:
    """Return by key the minutes until the next thing that waits for a task, or until it is due.

    Parameters
    ----------
    placed : sequence of Placed
        A timetable; what nothing waits for and nobody is due has no slack named.
    """
    by_key = {one.task.key: one for one in placed}
    found: dict[str, int] = {}
    for one in placed:
        if one.task.due is not None:
            found[one.task.key] = one.task.due - one.end
        for after in one.task.after:
            before = by_key.get(after.key)
            if before is not None:
                room = one.start - after.least_min - before.end
                found[after.key] = min(found.get(after.key, room), room)
    return found
