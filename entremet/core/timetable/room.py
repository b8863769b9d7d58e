"""What is still free, minute by minute, while a timetable is laid out."""

from __future__ import annotations

from dataclasses import dataclass, field

import numpy as np
import numpy.typing as npt

from entremet.core.timetable.model import Means, Placed
from entremet.core.work.ids import WorkId
from entremet.core.work.work import Hold, Lane, Work


@dataclass(slots=True)
class Room:
    """Minutes of a span with what is taken: hands, bowls, pans, fridge boards, ovens.

    ``base`` is the minute that stands at place 0, ``knob`` when the oven is set for a bake.
    """

    means: Means
    base: int
    length: int
    taken: dict[str, npt.NDArray[np.int16]] = field(default_factory=dict)
    asleep: npt.NDArray[np.int16] = field(init=False)
    baked: list[list[Placed]] = field(init=False)
    knob: dict[WorkId, int] = field(default_factory=dict)

    def __post_init__(self) -> None:
        self.asleep = np.ones(self.length, dtype=np.int16)
        for start, end in self.means.windows:
            self.asleep[max(0, start - self.base):max(0, end - self.base)] = 0
        self.baked = [[] for _ in self.means.ovens]

    def ends_by(self, task: Work, start: int) -> int | None:
        """Return the minute by which a task has to end to be clear of what is in its way.

        Every start between is in the way of the same thing, so that none of them need be tried.

        Parameters
        ----------
        task : Work
            An oven is looked at by :meth:`oven_for`.
        start : int
            Where it would start.

        Returns
        -------
        int or None
            None where all is free; the very beginning where it never is.
        """
        low, high = start - self.base, start - self.base + task.minutes
        if low < 0:
            return self.base
        if high > self.length:
            return self.base + self.length
        found = [_begins(self.asleep > 0, low, high)] if task.awake else []
        if not task.awake and task.begun_awake:
            night = _begins(self.asleep > 0, low, low + 1)
            # It has to begin before the night does, and ends so much later.
            found = [None if night is None else night - 1 + task.minutes]
        for name, need, limit in self._needs(task):
            if need > limit:
                return self.base
            row = self.taken.get(name)
            if row is not None:
                found.append(_begins(row + need > limit, low, high))
        busy = [one for one in found if one is not None]
        return min(busy) + self.base if busy else None

    def oven_for(self, task: Work, start: int, knob: int) -> tuple[int | None, int]:
        """Return the first oven a bake can have then, and where to look next if there is none.

        ``knob`` is when the oven is set for it: no bake at another heat is in it from then on.
        """
        heat, nearest = task.heat, start - 1
        if heat is None:
            return None, start
        best_blocked = None
        for place, oven in enumerate(self.means.ovens):
            if not oven.takes(heat):
                continue
            blocked = self._blocked(task, start, place, knob)
            if blocked is None:
                return place, start
            best_blocked = blocked if best_blocked is None else max(best_blocked, blocked)
        return None, nearest if best_blocked is None else min(nearest, best_blocked)

    def _blocked(self, task: Work, start: int, place: int, knob: int) -> int | None:
        """Return where a bake could start at the latest to be clear of what is in the way."""
        heat, oven = task.heat, self.means.ovens[place]
        if heat is None:
            return None
        end = start + task.minutes
        if not self._hot(start, heat.preheat_min, place, heat.c):
            return start - 1
        beside = 0
        for one in self.baked[place]:
            other = one.task.heat
            if other is None:
                continue
            if abs(other.c - heat.c) >= 0.5:
                # From when the knob is turned for a bake to its end the oven is that bake's.
                ours, theirs = min(knob, start - oven.change_min), min(
                    self.knob.get(one.task.id, one.start), one.start - oven.change_min)
                if ours < one.end and theirs < end:
                    return theirs - task.minutes
            elif start < one.end and one.start < end:
                beside += other.shelves
                if beside + heat.shelves > oven.shelves:
                    return one.start - task.minutes
        return None

    def _hot(self, start: int, preheat_min: int, place: int, c: float) -> bool:
        """Say whether the oven can be hot by then: somebody is up to switch it on."""
        if any(one.task.heat is not None and abs(one.task.heat.c - c) < 0.5
               and one.end <= start <= one.end + self.means.ovens[place].change_min
               for one in self.baked[place]):
            return True
        low = start - preheat_min - self.base
        return low >= 0 and not self.asleep[low:start - self.base].any()

    def take(self, placed: Placed) -> None:
        """Take what a task needs."""
        low = placed.start - self.base
        high = low + placed.task.minutes
        for name, need, _ in self._needs(placed.task):
            row = self.taken.setdefault(name, np.zeros(self.length, dtype=np.int16))
            row[max(0, low):max(0, high)] += need
        if placed.oven is not None:
            self.baked[placed.oven].append(placed)

    def clear(self, hold: Hold, start: int, end: int) -> int | None:
        """Return the minute by which a hold has to end to be clear; None where all is free."""
        name, limit = self._row_of(hold)
        row = self.taken.get(name)
        if limit is None:
            return None
        if hold.count > limit:
            return self.base
        low, high = max(0, start - self.base), min(self.length, end - self.base)
        if row is None or low >= high:
            return None
        found = _begins(row + hold.count > limit, low, high)
        return None if found is None else found + self.base

    def hold(self, hold: Hold, start: int, end: int, *, give: bool = False) -> None:
        """Take what is held from one minute to another, or give it back."""
        name, limit = self._row_of(hold)
        if limit is None:
            return
        row = self.taken.setdefault(name, np.zeros(self.length, dtype=np.int16))
        row[max(0, start - self.base):max(0, end - self.base)] += (
            -hold.count if give else hold.count)

    def _row_of(self, hold: Hold) -> tuple[str, int | None]:
        if not hold.pan:
            return "boards", self.means.boards
        return f"pan {hold.pan}", self.means.pans.get(hold.pan)

    def give(self, placed: Placed) -> None:
        """Give it back."""
        low = placed.start - self.base
        high = low + placed.task.minutes
        for name, need, _ in self._needs(placed.task):
            self.taken[name][max(0, low):max(0, high)] -= need
        if placed.oven is not None:
            self.baked[placed.oven].remove(placed)

    def _needs(self, task: Work) -> list[tuple[str, int, int]]:
        needs = []
        if task.lane is Lane.HANDS:
            needs.append(("hands", 1, self.means.hands))
        if task.bowl:
            needs.append(("bowl", 1, self.means.bowls))
        if task.boards:
            needs.append(("boards", task.boards, self.means.boards))
        needs += [(f"pan {label}", count, self.means.pans[label])
                  for label, count in task.pans.items() if label in self.means.pans]
        return needs


def _begins(busy: npt.NDArray[np.bool_], low: int, high: int) -> int | None:
    """Return where the last busy stretch that reaches into a span begins; None without one."""
    inside = np.flatnonzero(busy[low:high])
    if not len(inside):
        return None
    free = np.flatnonzero(~busy[:low + int(inside[-1])])
    return int(free[-1]) + 1 if len(free) else 0
