"""Tasks that cannot wait long for each other move together: a batter, its bake, its turning out."""

from __future__ import annotations

from collections.abc import Sequence
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
    """Lay a block's own tasks out as soon as each can be, one pair of hands between them."""
    ends: dict[WorkId, int] = {}
    hands = 0
    placed: list[tuple[Work, int]] = []
    for task in tasks:
        start = max((ends[one.on] + one.least_min for one in task.waits if one.on in ends),
                    default=0)
        if task.lane is Lane.HANDS:
            start = max(start, hands)
            hands = start + task.minutes
        ends[task.id] = start + task.minutes
        placed.append((task, start))
    placed = [(task, _latest(task, start, placed)) for task, start in placed]
    first = min(start for _, start in placed)
    return tuple((task, start - first) for task, start in placed)


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
