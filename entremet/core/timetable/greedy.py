"""The first plan: backwards from when things are due, each block as late as it can be."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from entremet.core.timetable.blocks import Block, blocks_of
from entremet.core.timetable.model import DAY_MIN, DayTask, Fix, Lane, Means, Placed
from entremet.core.timetable.room import Room

MOST_LOOKS = 4000
"""Places tried for one block before it is given up."""

NO_FIXES: Mapping[str, Fix] = {}


def all_fit(tasks: Sequence[DayTask], means: Means, fixes: Mapping[str, Fix] = NO_FIXES) -> bool:
    """Say whether everything finds a place as it is laid out; it stops at the first that does not.

    Parameters
    ----------
    tasks, means, fixes
        As for :func:`lay_out_backwards`.
    """
    return not lay_out_backwards(tasks, means, fixes, stop_when_stuck=True)[1]


def lay_out_backwards(tasks: Sequence[DayTask], means: Means,
                      fixes: Mapping[str, Fix] = NO_FIXES, *,
                      stop_when_stuck: bool = False) -> tuple[list[Placed], list[str]]:
    """Lay tasks out as late as each can be, the latest due first.

    Parameters
    ----------
    tasks : sequence of DayTask
        Each after those it waits for.
    means : Means
        What the kitchen has.
    fixes : mapping of str to Fix
        Tasks that the baker put somewhere or did; they stay there.
    stop_when_stuck : bool
        Go no further than the first that finds no place.

    Returns
    -------
    list of Placed, list of str
        By start; and the keys of what found no place, with all that would come before it.
    """
    base = min([means.windows[0][0], *(fix.start for fix in fixes.values())]) - DAY_MIN
    last = max([means.end, *(task.due or 0 for task in tasks)])
    room = Room(means=means, base=base, length=last - base + DAY_MIN)
    known = {task.key: task for task in tasks}
    placed: dict[str, Placed] = {}
    for key, fix in fixes.items():
        if key in known:
            one = Placed(task=known[key], start=fix.start, oven=_oven_of(known[key], fix, means),
                         fixed=not fix.done, done=fix.done)
            placed[key] = one
            room.take(one)
    followers: dict[str, list[tuple[DayTask, int, int | None]]] = {}
    for task in tasks:
        for after in task.after:
            followers.setdefault(after.key, []).append((task, after.least_min, after.most_min))
    blocks = [block for block in blocks_of(tasks, frozenset(placed))
              if not block.keys <= placed.keys()]
    left: set[str] = set()
    for block in _latest_first(blocks, tasks):
        if any(follower.key in left for task, _ in block.tasks
               for follower, _, _ in followers.get(task.key, ())):
            left |= block.keys
            continue
        found = _place(block, room, placed, followers, means)
        if found is None:
            left |= block.keys
            if stop_when_stuck:
                return [], sorted(left)
            continue
        placed.update((one.task.key, one) for one in found)
    _begin_at_once(tasks, placed, followers, means)
    return sorted(placed.values(), key=lambda one: (one.start, one.task.key)), sorted(left)


def _begin_at_once(tasks: Sequence[DayTask], placed: dict[str, Placed],
                   followers: Mapping[str, Sequence[tuple[DayTask, int, int | None]]],
                   means: Means) -> None:
    """Let what stands by itself begin when it can: a cake cools from when it is turned out."""
    for task in tasks:
        one = placed.get(task.key)
        if (one is None or one.fixed or one.done or task.lane is not Lane.STANDS or task.pans
                or not task.after or any(after.key not in placed for after in task.after)):
            continue
        ready = max(placed[after.key].end + after.least_min for after in task.after)
        keeps = [placed[follower.key].start - most - task.minutes
                 for follower, _, most in followers.get(task.key, ())
                 if most is not None and follower.key in placed]
        start = max([ready, *keeps, means.start if means.now is not None else ready])
        if start < one.start:
            placed[task.key] = replace(one, start=start)


def _oven_of(task: DayTask, fix: Fix, means: Means) -> int | None:
    """Return the oven of a bake that was put somewhere: as said, else the first that takes it."""
    heat = task.heat
    if heat is None:
        return None
    places = range(len(means.ovens))
    if fix.oven in places:
        return fix.oven
    return next((place for place in places if means.ovens[place].takes(heat)), None)


def _latest_first(blocks: Sequence[Block], tasks: Sequence[DayTask]) -> list[Block]:
    """Return blocks, each after all that wait for it; of those free to go, the latest due first."""
    due: dict[str, int] = {}
    for task in reversed(tasks):
        own = due.get(task.key, 10**9) if task.due is None else min(
            task.due, due.get(task.key, 10**9))
        due[task.key] = own
        for after in task.after:
            latest = own - task.minutes - after.least_min
            due[after.key] = min(due.get(after.key, 10**9), latest)
    owner = {key: place for place, block in enumerate(blocks) for key in block.keys}
    waiting = [0] * len(blocks)
    before: list[set[int]] = [set() for _ in blocks]
    for place, block in enumerate(blocks):
        before[place] = {owner[one.key] for task, _ in block.tasks for one in task.after
                         if one.key in owner and owner[one.key] != place}
    for each in before:
        for one in each:
            waiting[one] += 1
    last = [max(due[task.key] for task, _ in block.tasks) for block in blocks]
    ready = [place for place, count in enumerate(waiting) if count == 0]
    order = []
    while ready:
        ready.sort(key=lambda place: (last[place], place))
        place = ready.pop()
        order.append(blocks[place])
        for earlier in before[place]:
            waiting[earlier] -= 1
            if waiting[earlier] == 0:
                ready.append(earlier)
    return order


def _place(block: Block, room: Room, placed: Mapping[str, Placed],
           followers: Mapping[str, Sequence[tuple[DayTask, int, int | None]]],
           means: Means) -> list[Placed] | None:
    latest, earliest = means.end - block.minutes, means.start
    for task, offset in block.tasks:
        if task.due is not None:
            latest = min(latest, task.due - task.minutes - offset)
        for follower, least, most in followers.get(task.key, ()):
            there = placed.get(follower.key)
            if there is not None and follower.key not in block.keys:
                latest = min(latest, there.start - least - task.minutes - offset)
                if most is not None:
                    earliest = max(earliest, there.start - most - task.minutes - offset)
        for one in task.after:
            there = placed.get(one.key)
            if there is not None and one.key not in block.keys:
                earliest = max(earliest, there.end + one.least_min - offset)
                if one.most_min is not None:
                    latest = min(latest, there.end + one.most_min - offset)
    start = latest
    for _ in range(MOST_LOOKS):
        if start < earliest:
            return None
        found, start = _try(block, room, start)
        if found is not None:
            return found
    return None


def _try(block: Block, room: Room, start: int) -> tuple[list[Placed] | None, int]:
    """Place a block at a start, or say where to look next."""
    taken: list[Placed] = []
    for task, offset in block.tasks:
        oven = None
        ends_by = room.ends_by(task, start + offset)
        nearest = start if ends_by is None else min(start - 1, ends_by - task.minutes - offset)
        if ends_by is None and task.heat is not None:
            oven, look = room.oven_for(task, start + offset)
            if oven is None:
                nearest = min(start - 1, look - offset)
        if nearest < start:
            for one in taken:
                room.give(one)
            return None, nearest
        one = Placed(task=task, start=start + offset, oven=oven)
        room.take(one)
        taken.append(one)
    return taken, start
