"""The first plan: backwards from when things are due, each block as late as it can be."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace

from entremet.core.timetable.blocks import Block, blocks_of
from entremet.core.timetable.model import DAY_MIN, LATE_MIN, Fix, Means, Placed
from entremet.core.timetable.room import Room
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.work import Hold, Lane, Work

MOST_LOOKS = 4000
"""Places tried for one block before it is given up."""

NO_FIXES: Mapping[WorkId, Fix] = {}


def all_fit(tasks: Sequence[Work], means: Means, fixes: Mapping[WorkId, Fix] = NO_FIXES) -> bool:
    """Say whether everything finds a place as it is laid out; it stops at the first that does not.

    Parameters
    ----------
    tasks, means, fixes
        As for :func:`lay_out_backwards`.
    """
    return not lay_out_backwards(tasks, means, fixes, stop_when_stuck=True)[1]


def lay_out_backwards(tasks: Sequence[Work], means: Means,
                      fixes: Mapping[WorkId, Fix] = NO_FIXES, *,
                      stop_when_stuck: bool = False) -> tuple[list[Placed], list[WorkId]]:
    """Lay tasks out as late as each can be, the latest due first.

    Parameters
    ----------
    tasks : sequence of Work
        Each after those it waits for.
    means : Means
        What the kitchen has.
    fixes : mapping of WorkId to Fix
        Tasks that the baker put somewhere or did; they stay there.
    stop_when_stuck : bool
        Go no further than the first that finds no place.

    Returns
    -------
    list of Placed, list of WorkId
        By start; and the ids of what found no place, with all that would come before it.
    """
    base = min([means.windows[0][0], *(fix.start for fix in fixes.values())]) - DAY_MIN
    last = max([means.end, *(task.due or 0 for task in tasks)])
    room = Room(means=means, base=base, length=last - base + DAY_MIN)
    known = {task.id: task for task in tasks}
    placed: dict[WorkId, Placed] = {}
    for name, fix in fixes.items():
        if name in known:
            one = Placed(task=known[name], start=fix.start, oven=_oven_of(known[name], fix, means),
                         fixed=not fix.done, done=fix.done)
            placed[name] = one
            room.take(one)
    holds = _holds_of(tasks)
    for span in _spans(placed.values(), {}, placed, holds):
        room.hold(*span)
    for one in placed.values():
        _turn_knob(one, placed, room)
    followers: dict[WorkId, list[tuple[Work, int, int | None]]] = {}
    for task in tasks:
        for after in task.waits:
            followers.setdefault(after.on, []).append((task, after.least_min, after.most_min))
    blocks = [block for block in blocks_of(tasks, frozenset(placed))
              if not block.ids <= placed.keys()]
    left: set[WorkId] = set()
    whole: Mapping[WorkId, int] = {}
    for block in _latest_first(blocks, tasks):
        if any(follower.id in left for task, _ in block.tasks
               for follower, _, _ in followers.get(task.id, ())):
            left |= block.ids
            continue
        found = _place(block, room, placed, followers, holds, means)
        if found is None and placed.keys() & fixes.keys():
            # Laid out round what was put somewhere: as if it were still one of them.
            whole = whole or _as_laid(blocks_of(tasks))
            found = _place(_as_of(whole, block), room, placed, followers, holds, means)
        if found is None:
            left |= block.ids
            if stop_when_stuck:
                return [], sorted(left)
            continue
        placed.update((one.task.id, one) for one in found)
    _drop_unfinished(left, tasks, placed, fixes)
    _begin_at_once(tasks, placed, followers, means)
    return sorted(placed.values(), key=lambda one: (one.start, one.task.id)), sorted(left)


def _drop_unfinished(left: set[WorkId], tasks: Sequence[Work], placed: dict[WorkId, Placed],
                     fixes: Mapping[WorkId, Fix]) -> None:
    """Take away the rest of what cannot be done: nobody washes up what is unbaked.

    That is all of a cake of which something found no place, and what comes after any of it. What
    was put somewhere or is done stays.
    """
    cakes = {name.cake for name in left if name.cake is not None}
    for task in tasks:
        if task.id in placed and task.id not in fixes and (
                task.id.cake in cakes or any(one.on in left for one in task.waits)):
            del placed[task.id]
            left.add(task.id)


def _as_laid(blocks: Sequence[Block]) -> dict[WorkId, int]:
    """Return the starts of all tasks, each within its own block."""
    return {task.id: start for block in blocks for task, start in block.tasks}


def _as_of(whole: Mapping[WorkId, int], block: Block) -> Block:
    """Return a block laid out as the larger one that it was a part of."""
    first = min(whole[task.id] for task, _ in block.tasks)
    return Block(tasks=tuple((task, whole[task.id] - first) for task, _ in block.tasks))


def _begin_at_once(tasks: Sequence[Work], placed: dict[WorkId, Placed],
                   followers: Mapping[WorkId, Sequence[tuple[Work, int, int | None]]],
                   means: Means) -> None:
    """Let what stands by itself begin when it can: a cake cools from when it is turned out."""
    for task in tasks:
        one = placed.get(task.id)
        if (one is None or one.fixed or one.done or task.lane is not Lane.STANDS or task.pans
                or not task.waits or any(after.on not in placed for after in task.waits)):
            continue
        ready = max(placed[after.on].end + after.least_min for after in task.waits)
        keeps = [placed[follower.id].start - most - task.minutes
                 for follower, _, most in followers.get(task.id, ())
                 if most is not None and follower.id in placed]
        start = max([ready, *keeps, means.start if means.now is not None else ready])
        if start < one.start:
            placed[task.id] = replace(one, start=start)


def _oven_of(task: Work, fix: Fix, means: Means) -> int | None:
    """Return the oven of a bake that was put somewhere: as said, else the first that takes it."""
    heat = task.heat
    if heat is None:
        return None
    places = range(len(means.ovens))
    if fix.oven in places:
        return fix.oven
    return next((place for place in places if means.ovens[place].takes(heat)), None)


def _latest_first(blocks: Sequence[Block], tasks: Sequence[Work]) -> list[Block]:
    """Return blocks, each after all that wait for it; of those free to go, the latest due first."""
    due: dict[WorkId, int] = {}
    for task in reversed(tasks):
        own = due.get(task.id, 10**9) if task.due is None else min(
            task.due, due.get(task.id, 10**9))
        due[task.id] = own
        for after in task.waits:
            latest = own - task.minutes - after.least_min
            due[after.on] = min(due.get(after.on, 10**9), latest)
    owner = {name: place for place, block in enumerate(blocks) for name in block.ids}
    waiting = [0] * len(blocks)
    before: list[set[int]] = [set() for _ in blocks]
    for place, block in enumerate(blocks):
        before[place] = {owner[one.on] for task, _ in block.tasks for one in task.waits
                         if one.on in owner and owner[one.on] != place}
    for each in before:
        for one in each:
            waiting[one] += 1
    # Washing up goes where the rest leaves room: it is in the way of nothing.
    last = [-1 if all(task.kind is WorkKind.WASH for task, _ in block.tasks)
            else max(due[task.id] for task, _ in block.tasks) for block in blocks]
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


def _place(block: Block, room: Room, placed: Mapping[WorkId, Placed],
           followers: Mapping[WorkId, Sequence[tuple[Work, int, int | None]]],
           holds: Mapping[WorkId, Sequence[tuple[WorkId, Hold]]],
           means: Means) -> list[Placed] | None:
    # A way back may end when the kitchen is closed.
    latest = max([means.end, *(task.due for task, _ in block.tasks if task.due is not None)])
    latest, earliest = latest - block.minutes, means.start
    for task, offset in block.tasks:
        if task.due is not None:
            latest = min(latest, task.due - task.minutes - offset)
        if task.earliest is not None:
            earliest = max(earliest, task.earliest - offset)
        for follower, least, most in followers.get(task.id, ()):
            there = placed.get(follower.id)
            if there is not None and follower.id not in block.ids:
                latest = min(latest, there.start - least - task.minutes - offset)
                if most is not None:
                    earliest = max(earliest, there.start - most - task.minutes - offset)
        for one in task.waits:
            there = placed.get(one.on)
            if there is not None and one.on not in block.ids:
                earliest = max(earliest, there.end + one.least_min - offset)
                if one.most_min is not None:
                    over = there.end + one.most_min
                    if there.done:
                        # What is late already is done now.
                        over = max(over, means.start + LATE_MIN)
                    latest = min(latest, over - offset)
    start = latest
    for _ in range(MOST_LOOKS):
        if start < earliest:
            return None
        found, start = _try(block, room, start, placed, holds)
        if found is not None:
            return found
    return None


def _try(block: Block, room: Room, start: int, placed: Mapping[WorkId, Placed],
         holds: Mapping[WorkId, Sequence[tuple[WorkId, Hold]]],
         ) -> tuple[list[Placed] | None, int]:
    """Place a block at a start, or say where to look next."""
    taken: list[Placed] = []
    starts = {task.id: start + offset for task, offset in block.tasks}
    for task, offset in block.tasks:
        oven = None
        ends_by = room.ends_by(task, start + offset)
        nearest = start if ends_by is None else min(start - 1, ends_by - task.minutes - offset)
        if ends_by is None and task.heat is not None:
            oven, look = room.oven_for(task, start + offset, _knob(task, starts, placed))
            if oven is None:
                nearest = min(start - 1, look - offset)
        if nearest < start:
            for one in taken:
                room.give(one)
            return None, nearest
        one = Placed(task=task, start=start + offset, oven=oven)
        room.take(one)
        taken.append(one)
    spans = _spans(taken, {one.task.id: one for one in taken}, placed, holds)
    for done, (hold, low, high) in enumerate(spans):
        clear = room.clear(hold, low, high)
        if clear is None:
            room.hold(hold, low, high)
            continue
        for span in spans[:done]:
            room.hold(*span, give=True)
        for one in taken:
            room.give(one)
        # What ends with something that has its place ends no sooner for beginning sooner.
        moves = hold.until in starts
        return None, min(start - 1, start - (high - clear)) if moves else room.base - 1
    for one in taken:
        if one.task.heat is not None:
            room.knob[one.task.id] = _knob(one.task, starts, placed)
    return taken, start


_Holds = Mapping[WorkId, Sequence[tuple[WorkId, Hold]]]


def _holds_of(tasks: Sequence[Work]) -> dict[WorkId, list[tuple[WorkId, Hold]]]:
    """Return what is held by the work that begins it, and by the work that ends it."""
    found: dict[WorkId, list[tuple[WorkId, Hold]]] = {}
    for task in tasks:
        for hold in task.holds:
            found.setdefault(task.id, []).append((task.id, hold))
            if hold.until is not None:
                found.setdefault(hold.until, []).append((task.id, hold))
    return found


def _spans(new: Iterable[Placed], block: Mapping[WorkId, Placed],
           placed: Mapping[WorkId, Placed], holds: _Holds) -> list[tuple[Hold, int, int]]:
    """Return what is held, from when to when, now that some work has its place."""
    def start_of(name: WorkId) -> int | None:
        one = block.get(name) or placed.get(name)
        return None if one is None else one.start

    found = {}
    for one in new:
        for begins, hold in holds.get(one.task.id, ()):
            low = start_of(begins)
            high = hold.until_min if hold.until is None else start_of(hold.until)
            if low is not None and high is not None and low < high:
                found[begins, hold] = (hold, low, high)
    return list(found.values())


def _knob(task: Work, starts: Mapping[WorkId, int], placed: Mapping[WorkId, Placed]) -> int:
    """Return when the oven is set for a bake."""
    heat, own = task.heat, starts[task.id]
    if heat is None or heat.on is None:
        return own
    there = placed.get(heat.on)
    return starts.get(heat.on, own if there is None else there.start)


def _turn_knob(one: Placed, placed: Mapping[WorkId, Placed], room: Room) -> None:
    if one.task.heat is not None:
        room.knob[one.task.id] = _knob(one.task, {one.task.id: one.start}, placed)
