"""Tasks that cannot wait long for each other move together: a batter, its bake, its turning out."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from entremet.core.work.ids import WorkId
from entremet.core.work.work import Lane, Work

TOGETHER_MIN = 240
"""What may wait longer than this is planned by itself."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Block:
    """Tasks with their starts relative to the first; ``order`` is whose they are."""

    tasks: tuple[tuple[Work, int], ...]

    @property
    def ids(self) -> frozenset[WorkId]:
        """Ids of its tasks."""
        return frozenset(task.id for task, _ in self.tasks)

    @property
    def minutes(self) -> int:
        """From its first start to its last end."""
        return max(start + task.minutes for task, start in self.tasks)


def blocks_of(tasks: Sequence[Work], apart: frozenset[WorkId] = frozenset()) -> list[Block]:
    """Return tasks in blocks, every block after those it waits for.

    Parameters
    ----------
    tasks : sequence of Work
        Each after those it waits for.
    apart : frozenset of WorkId
        Those that the baker fixed; each is a block of its own.
    """
    group = {task.id: task.id for task in tasks}

    def root(name: WorkId) -> WorkId:
        while group[name] != name:
            name = group[name]
        return name

    for task in tasks:
        for after in task.waits:
            near = after.most_min is not None and after.most_min <= TOGETHER_MIN
            if near and after.on in group and not {task.id, after.on} & apart:
                group[root(task.id)] = root(after.on)
    members: dict[WorkId, list[Work]] = {}
    for task in tasks:
        members.setdefault(root(task.id), []).append(task)
    return _in_order([Block(tasks=_compact(own)) for own in members.values()])


def _compact(tasks: Sequence[Work]) -> tuple[tuple[Work, int], ...]:
    """Lay a block's own tasks out as soon as each can be, one pair of hands between them.

    What nothing in the block comes before (an oven to be switched on, a pan to be lined) is put off
    until it is wanted; of the orders of such tasks the first is taken that keeps every bound.
    """
    best = _laid(tasks)
    if _too_late(best):
        for order, late in _put_off(tasks):
            other = _laid(order, late=late)
            if _too_late(other) < _too_late(best):
                best = other
            if not _too_late(best):
                break
    first = min(start for _, start in best)
    return tuple((task, start - first) for task, start in best)


def _laid(tasks: Sequence[Work], *, late: Work | None = None) -> list[tuple[Work, int]]:
    """Return tasks in their order, each as soon as hands are free; one not before those ahead."""
    ends: dict[WorkId, int] = {}
    busy: list[tuple[int, int]] = []
    placed: list[tuple[Work, int]] = []
    for task in tasks:
        start = max((ends[one.on] + one.least_min for one in task.waits if one.on in ends),
                    default=0)
        if task.lane is Lane.HANDS:
            if task is late:
                start = max((end for _, end in busy), default=start)
            start = _free(start, task.minutes, busy)
            busy.append((start, start + task.minutes))
        ends[task.id] = start + task.minutes
        placed.append((task, start))
    for number, (task, start) in enumerate(placed):
        placed[number] = (task, _latest(task, start, placed))
    return placed


def _free(start: int, minutes: int, busy: Sequence[tuple[int, int]]) -> int:
    """Return the first minute from which hands are free for so long."""
    for begin, end in sorted(busy):
        if begin < start + minutes and start < end:
            start = end
    return start


def _too_late(placed: Sequence[tuple[Work, int]]) -> int:
    """Return by how many minutes bounds of a layout are passed, all together."""
    ends = {task.id: start + task.minutes for task, start in placed}
    return sum(max(0, start - ends[one.on] - one.most_min) for task, start in placed
               for one in task.waits if one.most_min is not None and one.on in ends)


def _put_off(tasks: Sequence[Work]) -> Iterator[tuple[list[Work], Work]]:
    """Yield the tasks with one that waits for nothing among them further and further back."""
    own = {one.id for one in tasks}
    free = [one for one in tasks if one.lane is Lane.HANDS
            and not any(wait.on in own for wait in one.waits)]
    for task in free:
        others = [one for one in tasks if one is not task]
        last = next((place for place, one in enumerate(others)
                     if any(wait.on == task.id for wait in one.waits)), 0)
        for place in range(last, 0, -1):
            yield [*others[:place], task, *others[place:]], task


def _latest(task: Work, start: int, placed: Sequence[tuple[Work, int]]) -> int:
    """Put off what nothing in its block comes before: an oven goes on when it is wanted."""
    own = {one.id for one, _ in placed}
    wanted = [at - after.least_min - task.minutes for one, at in placed for after in one.waits
              if after.on == task.id]
    if task.lane is not Lane.HANDS or not wanted or any(one.on in own for one in task.waits):
        return start
    busy = [(at, at + one.minutes) for one, at in placed
            if one.lane is Lane.HANDS and one is not task]
    for at in range(min(wanted), start, -1):
        if all(at >= end or at + task.minutes <= begin for begin, end in busy):
            return at
    return start


def _in_order(blocks: list[Block]) -> list[Block]:
    owner = {name: place for place, block in enumerate(blocks) for name in block.ids}
    waits = [{owner[one.on] for task, _ in block.tasks for one in task.waits
              if one.on in owner and owner[one.on] != place}
             for place, block in enumerate(blocks)]
    done: set[int] = set()
    order: list[Block] = []
    while len(order) < len(blocks):
        ready = [place for place in range(len(blocks))
                 if place not in done and waits[place] <= done]
        if not ready:
            ready = [place for place in range(len(blocks)) if place not in done][:1]
        done.update(ready)
        order += [blocks[place] for place in ready]
    return order
