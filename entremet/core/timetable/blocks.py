"""Tasks that cannot wait long for each other move together: a batter, its bake, its turning out."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.timetable.model import DayTask, Lane

TOGETHER_MIN = 240
"""What may wait longer than this is planned by itself."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Block:
    """Tasks with their starts relative to the first; ``order`` is whose they are."""

    tasks: tuple[tuple[DayTask, int], ...]

    @property
    def keys(self) -> frozenset[str]:
        """Keys of its tasks."""
        return frozenset(task.key for task, _ in self.tasks)

    @property
    def minutes(self) -> int:
        """From its first start to its last end."""
        return max(start + task.minutes for task, start in self.tasks)


def blocks_of(tasks: Sequence[DayTask], apart: frozenset[str] = frozenset()) -> list[Block]:
    """Return tasks in blocks, every block after those it waits for.

    Parameters
    ----------
    tasks : sequence of DayTask
        Each after those it waits for.
    apart : frozenset of str
        Keys of tasks that the baker fixed; each is a block of its own.
    """
    group = {task.key: task.key for task in tasks}

    def root(key: str) -> str:
        while group[key] != key:
            key = group[key]
        return key

    for task in tasks:
        for after in task.after:
            near = after.most_min is not None and after.most_min <= TOGETHER_MIN
            if near and after.key in group and not {task.key, after.key} & apart:
                group[root(task.key)] = root(after.key)
    members: dict[str, list[DayTask]] = {}
    for task in tasks:
        members.setdefault(root(task.key), []).append(task)
    return _in_order([Block(tasks=_compact(own)) for own in members.values()])


def _compact(tasks: Sequence[DayTask]) -> tuple[tuple[DayTask, int], ...]:
    """Lay a block's own tasks out as soon as each can be, one pair of hands between them."""
    ends: dict[str, int] = {}
    hands = 0
    placed: list[tuple[DayTask, int]] = []
    for task in tasks:
        start = max((ends[one.key] + one.least_min for one in task.after if one.key in ends),
                    default=0)
        if task.lane is Lane.HANDS:
            start = max(start, hands)
            hands = start + task.minutes
        ends[task.key] = start + task.minutes
        placed.append((task, start))
    placed = [(task, _latest(task, start, placed)) for task, start in placed]
    first = min(start for _, start in placed)
    return tuple((task, start - first) for task, start in placed)


def _latest(task: DayTask, start: int, placed: Sequence[tuple[DayTask, int]]) -> int:
    """Put off what nothing in its block comes before: an oven goes on when it is wanted."""
    keys = {one.key for one, _ in placed}
    wanted = [at - after.least_min - task.minutes for one, at in placed for after in one.after
              if after.key == task.key]
    if task.lane is not Lane.HANDS or not wanted or any(one.key in keys for one in task.after):
        return start
    busy = [(at, at + one.minutes) for one, at in placed
            if one.lane is Lane.HANDS and one is not task]
    for at in range(min(wanted), start, -1):
        if all(at >= end or at + task.minutes <= begin for begin, end in busy):
            return at
    return start


def _in_order(blocks: list[Block]) -> list[Block]:
    owner = {key: place for place, block in enumerate(blocks) for key in block.keys}
    waits = [{owner[one.key] for task, _ in block.tasks for one in task.after
              if one.key in owner and owner[one.key] != place}
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
