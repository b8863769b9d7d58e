"""A better plan by an established solver, started from the quick one; asked for, never assumed."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any

from entremet.core.timetable.blocks import Block, blocks_of
from entremet.core.timetable.checker import broken
from entremet.core.timetable.cost import (
    EARLY,
    WAITS_FINISHED,
    WAITS_LAYERS,
    costs_of,
)
from entremet.core.timetable.greedy import NO_FIXES
from entremet.core.timetable.model import DayTask, Fix, Lane, Means, Placed, Timetable

SEED = 1
POINTS = 2
"""Weights are halves, so that whole numbers carry them."""


def better_plan(quick: Timetable, tasks: Sequence[DayTask], means: Means,
                fixes: Mapping[str, Fix] = NO_FIXES, *, effort: float = 10.0) -> Timetable:
    """Look for a plan that costs less, from the quick one as a complete hint.

    Parameters
    ----------
    quick : Timetable
        The quick plan; returned as it is where something found no place.
    tasks, means, fixes
        What it was made from.
    effort : float
        Bound on the search, about seconds of one core, the same everywhere; above 0.

    Returns
    -------
    Timetable
        Never worse than the quick one by its cost, and sound by the checker. The same for the same
        arguments: one worker, a fixed seed, a bound that does not go by the clock.
    """
    if quick.left_out or not quick.placed:
        return quick
    # A second to import, and only for those who ask.
    from ortools.sat.python import cp_model

    model = _Model(cp_model, tasks, means, fixes, quick)
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = SEED
    # Several ways of searching in turns on one worker: large neighbourhoods are what helps here.
    solver.parameters.interleave_search = True
    solver.parameters.max_deterministic_time = effort
    status = solver.solve(model.model)
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return quick
    placed = model.placed(solver)
    bound, value = solver.best_objective_bound, solver.objective_value
    gap = 0.0 if value <= 0 else max(0.0, (value - bound) / value)
    proven = status == cp_model.OPTIMAL
    cost = costs_of(placed).points
    if cost >= quick.cost or broken(placed, means):
        return replace(quick, proven=proven and cost >= quick.cost, gap=gap)
    return replace(quick, placed=tuple(placed), cost=cost, proven=proven, gap=gap)


class _Model:
    """The days as a model: a start for every block, an oven for every bake."""

    def __init__(self, cp_model: Any, tasks: Sequence[DayTask], means: Means,
                 fixes: Mapping[str, Fix], quick: Timetable) -> None:
        self.cp, self.means, self.fixes = cp_model, means, fixes
        self.model = cp_model.CpModel()
        self.tasks = {task.key: task for task in tasks}
        self.quick = {one.task.key: one for one in quick.placed}
        self.base = min(one.start for one in quick.placed) - 2 * 24 * 60
        self.horizon = max([means.end, *(one.end for one in quick.placed)]) - self.base
        self.starts: dict[str, Any] = {}
        self.ovens: dict[str, list[Any]] = {}
        for block in blocks_of(tasks, frozenset(fixes)):
            self._block(block)
        self._after()
        self._shared()
        self._bakes()
        self._objective()

    def _block(self, block: Block) -> None:
        hint = {task.key: self.quick[task.key].start - self.base for task, _ in block.tasks}
        rigid = all(hint[task.key] - offset == hint[block.tasks[0][0].key] - block.tasks[0][1]
                    for task, offset in block.tasks)
        first: Any = None
        for task, offset in block.tasks:
            fix = self.fixes.get(task.key)
            if fix is not None:
                self.starts[task.key] = self.model.new_constant(fix.start - self.base)
                continue
            start = self.model.new_int_var_from_domain(self._domain(task), task.key)
            self.model.add_hint(start, hint[task.key])
            self.starts[task.key] = start
            if rigid and first is not None:
                self.model.add(start == first[0] + offset - first[1])
            first = first or (start, offset)

    def _domain(self, task: DayTask) -> Any:
        latest = self.horizon - task.minutes
        if task.due is not None:
            latest = min(latest, task.due - task.minutes - self.base)
        earliest = 0 if self.means.now is None else self.means.now - self.base
        if not task.awake:
            return self.cp.Domain(min(max(0, earliest), latest), latest)
        before = 0 if task.heat is None else task.heat.preheat_min
        spans = [[max(low + before - self.base, earliest), min(high - task.minutes - self.base,
                                                              latest)]
                 for low, high in self.means.windows]
        return self.cp.Domain.from_intervals([one for one in spans if one[0] <= one[1]])

    def _after(self) -> None:
        for task in self.tasks.values():
            for after in task.after:
                if after.key not in self.starts:
                    continue
                gap = self.starts[task.key] - self.starts[after.key] - self.tasks[
                    after.key].minutes
                self.model.add(gap >= after.least_min)
                if after.most_min is not None:
                    self.model.add(gap <= after.most_min)

    def _interval(self, task: DayTask) -> Any:
        return self.model.new_fixed_size_interval_var(self.starts[task.key], task.minutes, "")

    def _shared(self) -> None:
        means = self.means
        groups = [([(one, 1) for one in self.tasks.values() if one.lane is Lane.HANDS],
                   means.hands),
                  ([(one, 1) for one in self.tasks.values() if one.bowl], means.bowls),
                  ([(one, one.boards) for one in self.tasks.values() if one.boards],
                   means.boards)]
        groups += [([(one, one.pans[label]) for one in self.tasks.values() if label in one.pans],
                    owned) for label, owned in means.pans.items()]
        for using, limit in groups:
            if sum(count for _, count in using) > limit:
                self.model.add_cumulative([self._interval(one) for one, _ in using],
                                          [count for _, count in using], limit)

    def _bakes(self) -> None:
        bakes = [one for one in self.tasks.values() if one.heat is not None]
        for bake in bakes:
            there = self.quick[bake.key].oven
            self.ovens[bake.key] = [self.model.new_bool_var("") for _ in self.means.ovens]
            self.model.add_exactly_one(self.ovens[bake.key])
            for place, has in enumerate(self.ovens[bake.key]):
                self.model.add_hint(has, place == there)
                if bake.key in self.fixes:
                    self.model.add(has == (place == there))
                elif bake.heat is not None and not self.means.ovens[place].takes(bake.heat):
                    self.model.add(has == 0)
        for place, oven in enumerate(self.means.ovens):
            intervals = [self.model.new_optional_fixed_size_interval_var(
                self.starts[one.key], one.minutes, self.ovens[one.key][place], "")
                for one in bakes]
            self.model.add_cumulative(intervals, [one.heat.shelves for one in bakes if one.heat],
                                      oven.shelves)
            for i, one in enumerate(bakes):
                for other in bakes[i + 1:]:
                    self._apart(one, other, place, oven.change_min)

    def _apart(self, one: DayTask, other: DayTask, place: int, change_min: int) -> None:
        if one.heat is None or other.heat is None or abs(one.heat.c - other.heat.c) < 0.5:
            return
        first = self.model.new_bool_var("")
        self.model.add_hint(first, self.quick[one.key].start <= self.quick[other.key].start)
        both = [self.ovens[one.key][place], self.ovens[other.key][place]]
        self.model.add(self.starts[other.key] >= self.starts[one.key] + one.minutes
                       + change_min).only_enforce_if([*both, first])
        self.model.add(self.starts[one.key] >= self.starts[other.key] + other.minutes
                       + change_min).only_enforce_if([*both, ~first])

    def _objective(self) -> None:
        terms = []
        for task in self.tasks.values():
            start = self.starts[task.key]
            if task.due is not None:
                terms.append(int(POINTS * WAITS_FINISHED)
                             * (task.due - self.base - task.minutes - start))
            for after in task.after:
                before = self.tasks.get(after.key)
                if before is not None and before.cake == task.cake:
                    terms.append(int(POINTS * WAITS_LAYERS) * (
                        start - self.starts[after.key] - before.minutes - after.least_min))
        awake = [self.starts[one.key] for one in self.tasks.values() if one.awake]
        if awake:
            first = self.model.new_int_var(0, self.horizon, "")
            self.model.add_min_equality(first, awake)
            self.model.add_hint(first, min(one.start for one in self.quick.values()
                                           if one.task.awake) - self.base)
            terms.append(int(POINTS * EARLY) * (self.horizon - first))
        self.model.minimize(sum(terms))

    def placed(self, solver: Any) -> list[Placed]:
        """Return the tasks as the solver laid them out."""
        found = []
        for key, task in self.tasks.items():
            oven = next((place for place, has in enumerate(self.ovens.get(key, ()))
                         if solver.value(has)), None)
            fix = self.fixes.get(key)
            found.append(Placed(
                task=task, start=solver.value(self.starts[key]) + self.base, oven=oven,
                fixed=fix is not None and not fix.done, done=fix is not None and fix.done))
        return sorted(found, key=lambda one: (one.start, one.task.key))
