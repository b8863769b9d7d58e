"""A better plan by an established solver, started from the quick one; asked for, never assumed."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
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
from entremet.core.timetable.model import Fix, Means, Placed, Timetable
from entremet.core.timetable.modelling import modelling
from entremet.core.work.cold import INTO_THE_FRIDGE_MIN, WARM_MOST_MIN, out_of_it_min
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.work import Hold, Lane, Work

SEED = 1
POINTS = 2
"""Weights are halves, so that whole numbers carry them."""


LONG_TASKS = 250
"""More tasks than this are bettered a few hours at a time, the rest held where it is."""

MOST_ASKED, ASKED_EFFORT, DRAWN_EFFORT = 160, 0.25, 0.1
"""Tasks with which the solver is asked whether days can be, before they are called impossible: some
five cakes; how long for, and for drawing what it finds together: about a second and a half a
second of one core."""

SPELL_MIN, SPELL_EFFORT, FEW_TASKS, REACH_MIN = 240, 0.02, 4, 24 * 60
"""Those hours, what each is given, the fewest tasks worth it, how far they may move. From trials
on 40 cakes over four days: such spells came to 17 % in 20 s of a core, with no more reach than the
spell itself to 11 %, whole days to 12 % in 58 s, groups of five cakes to 9 % in 26 s."""

@dataclass(frozen=True, slots=True, kw_only=True)
class Progress:
    """How a search stands: what its best costs, as a share of the quick plan, and its gap."""

    share: float
    gap: float | None


Watch = Callable[[Progress], bool]
"""Told of every better plan; says whether to go on."""


def go_on(_: Progress) -> bool:
    """Search until the bound."""
    return True


def better_plan(quick: Timetable, tasks: Sequence[Work], means: Means,
                fixes: Mapping[WorkId, Fix] = NO_FIXES, *, effort: float = 10.0,
                watch: Watch = go_on) -> Timetable:
    """Look for a plan that costs less, from the quick one as a complete hint.

    Parameters
    ----------
    quick : Timetable
        The quick plan; returned as it is where something found no place.
    tasks, means, fixes
        What it was made from.
    effort : float
        Bound on the search, about seconds of one core, the same everywhere; above 0.
    watch : Watch
        Told of every better plan and now and then; the search ends when it says no, with the best
        so far.

    Returns
    -------
    Timetable
        Never worse than the quick one by its cost, and sound by the checker. The same for the same
        arguments, where nobody stops it: one worker, a fixed seed, a bound that does not go by the
        clock.
    """
    if quick.left_out or not quick.placed:
        return quick
    if len(tasks) <= LONG_TASKS:
        return _searched(quick, tasks, means, fixes, effort=effort, watch=watch,
                         whole=quick.cost)
    best, left = quick, effort
    while left > 1e-9:
        before = best.cost
        for low, high in _spells(best.placed):
            if left <= 1e-9 or not watch(Progress(share=best.cost / quick.cost, gap=None)):
                left = 0.0
                break
            best = _searched(best, tasks, means, fixes, effort=min(SPELL_EFFORT, left),
                             watch=watch, whole=quick.cost, spell=(low, high))
            left -= SPELL_EFFORT
        if best.cost > before - 1e-9:
            break
    # A spell is proven best only with the rest held, so nothing is known of the whole.
    return replace(best, proven=False, gap=None)


NOTHING_NEAR = Timetable(placed=())


def any_plan(tasks: Sequence[Work], means: Means, fixes: Mapping[WorkId, Fix] = NO_FIXES, *,
             near: Timetable = NOTHING_NEAR) -> tuple[list[Placed], bool]:
    """Look for any sound plan, where the quick one leaves something out.

    Parameters
    ----------
    tasks, means, fixes
        Of days that the quick plan does not find a place for all of.
    near : Timetable
        One that is almost sound, to begin from; none is better than one that leaves things out.

    Returns
    -------
    list of Placed, bool
        By start, sound by the checker; none where none was found. And whether it is proven that
        there is none. The same for the same arguments: no clock is looked at.
    """
    if len(tasks) > MOST_ASKED:
        return [], False
    cp_model = modelling()
    model = _Model(cp_model, tasks, means, fixes, near)
    # Any plan will do; it is bettered later, where that is asked for.
    model.model.clear_objective()
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = SEED
    solver.parameters.max_deterministic_time = ASKED_EFFORT
    status = solver.solve(model.model)
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return [], status == cp_model.INFEASIBLE
    placed = model.placed(solver)
    if broken(placed, means):
        return [], False
    # As it was found it may begin days too early: it is drawn together towards when it is due.
    whole = costs_of(placed).points
    drawn = _searched(Timetable(placed=tuple(placed), cost=whole), tasks, means, fixes,
                      effort=DRAWN_EFFORT, watch=go_on, whole=whole)
    return list(drawn.placed), False


def _spells(placed: Sequence[Placed]) -> list[tuple[int, int]]:
    """Return hours to better, the last first, each overlapping the next by half."""
    starts = [one.start for one in placed]
    last = max(starts) + 1
    ends = range(last, min(starts), -SPELL_MIN // 2)
    return [(end - SPELL_MIN, end) for end in ends
            if sum(end - SPELL_MIN <= start < end for start in starts) >= FEW_TASKS]


def _searched(quick: Timetable, tasks: Sequence[Work], means: Means,
              fixes: Mapping[WorkId, Fix], *, effort: float, watch: Watch, whole: float,
              spell: tuple[int, int] | None = None) -> Timetable:
    cp_model = modelling()
    model = _Model(cp_model, tasks, means, fixes, quick, spell=spell)
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = SEED
    # Several ways of searching in turns on one worker: large neighbourhoods are what helps here.
    solver.parameters.interleave_search = True
    solver.parameters.max_deterministic_time = effort

    seen = [POINTS * quick.cost]

    def heard(bound: float) -> None:
        value = seen[0]
        gap = None if spell is not None or value <= 0 else max(0.0, (value - bound) / value)
        if not watch(Progress(share=min(1.0, value / POINTS / whole) if whole > 0 else 1.0,
                              gap=gap)):
            solver.stop_search()

    heard_by: Any = cp_model.CpSolverSolutionCallback

    class Heard(heard_by):  # type: ignore[misc]  # the module is loaded when it is asked for
        def on_solution_callback(self) -> None:
            seen[0] = min(seen[0], self.objective_value)
            heard(self.best_objective_bound)

    solver.best_bound_callback = heard
    status = solver.solve(model.model, Heard())
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

    def __init__(self, cp_model: Any, tasks: Sequence[Work], means: Means,
                 fixes: Mapping[WorkId, Fix], quick: Timetable, *,
                 spell: tuple[int, int] | None = None) -> None:
        self.cp, self.means, self.fixes, self.spell = cp_model, means, fixes, spell
        self.model = cp_model.CpModel()
        self.tasks = {task.id: task for task in tasks}
        self.quick = {one.task.id: one for one in quick.placed}
        starts = [one.start for one in quick.placed] or [means.windows[0][0]]
        self.base = min(starts) - 2 * 24 * 60
        self.horizon = max([means.end, *(one.end for one in quick.placed),
                            *(task.due for task in tasks if task.due is not None)]) - self.base
        self.held = frozenset() if spell is None else frozenset(
            one.task.id for one in quick.placed if not spell[0] <= one.start < spell[1])
        self.near = [one for one in tasks if one.id not in self.held or self._touches(one)]
        self.starts: dict[WorkId, Any] = {}
        self.ovens: dict[WorkId, list[Any]] = {}
        for block in blocks_of(tasks, frozenset(fixes)):
            self._block(block)
        self._after()
        self._shared()
        self._cold()
        self._bakes()
        self._objective()

    def _touches(self, task: Work) -> bool:
        """Say whether a task that is held can be in the way of one that is not."""
        low, high = self.reach
        there = self.quick[task.id]
        return there.start <= high and there.end >= low

    @property
    def reach(self) -> tuple[int, int]:
        """How far what is not held may move: a day to either side."""
        if self.spell is None:
            return self.base, self.base + self.horizon
        return self.spell[0] - REACH_MIN, self.spell[1] + REACH_MIN

    def _block(self, block: Block) -> None:
        hint = {task.id: self.quick[task.id].start - self.base for task, _ in block.tasks
                if task.id in self.quick}
        rigid = len(hint) == len(block.tasks) and all(
            hint[task.id] - offset == hint[block.tasks[0][0].id] - block.tasks[0][1]
            for task, offset in block.tasks)
        first: Any = None
        for task, offset in block.tasks:
            fix = self.fixes.get(task.id)
            if fix is not None:
                self.starts[task.id] = self.model.new_constant(fix.start - self.base)
                continue
            if task.id in self.held:
                self.starts[task.id] = self.model.new_constant(hint[task.id])
                continue
            start = self.model.new_int_var_from_domain(self._domain(task), task.id.text)
            if task.id in hint:
                self.model.add_hint(start, hint[task.id])
            self.starts[task.id] = start
            if rigid and first is not None:
                self.model.add(start == first[0] + offset - first[1])
            first = first or (start, offset)

    def _domain(self, task: Work) -> Any:
        latest = self.horizon - task.minutes
        if task.due is not None:
            latest = min(latest, task.due - task.minutes - self.base)
        earliest = 0 if self.means.now is None else self.means.now - self.base
        if task.earliest is not None:
            earliest = max(earliest, task.earliest - self.base)
        if self.spell is not None:
            there = self.quick[task.id].start - self.base
            low, high = self.reach
            earliest, latest = max(earliest, low - self.base), min(latest, high - self.base
                                                                   - task.minutes)
            earliest, latest = min(earliest, there), max(latest, there)
        if not task.begun_awake:
            return self.cp.Domain(min(max(0, earliest), latest), latest)
        before = 0 if task.heat is None else task.heat.preheat_min
        up = task.minutes if task.awake else 1
        spans = [[max(low + before - self.base, earliest), min(high - up - self.base, latest)]
                 for low, high in self.means.windows]
        return self.cp.Domain.from_intervals([one for one in spans if one[0] <= one[1]])

    def _after(self) -> None:
        for task in self.tasks.values():
            for after in task.waits:
                if after.on not in self.starts:
                    continue
                gap = self.starts[task.id] - self.starts[after.on] - self.tasks[
                    after.on].minutes
                self.model.add(gap >= after.least_min)
                if after.most_min is not None:
                    self.model.add(gap <= after.most_min)

    def _interval(self, task: Work) -> Any:
        return self.model.new_fixed_size_interval_var(self.starts[task.id], task.minutes, "")

    def _shared(self) -> None:
        means = self.means
        groups = [([(one, 1) for one in self.near if one.lane is Lane.HANDS],
                   means.hands),
                  ([(one, 1) for one in self.near if one.bowl], means.bowls),
                  ([(one, one.boards) for one in self.near if one.boards],
                   means.boards)]
        groups += [([(one, one.pans[label]) for one in self.near if label in one.pans],
                    owned) for label, owned in means.pans.items()]
        names = ["hands", "bowls", "", *means.pans]
        for name, (using, limit) in zip(names, groups, strict=True):
            held = [(one, hold) for one in self.near for hold in one.holds if hold.pan == name]
            counts = [*(count for _, count in using), *(hold.count for _, hold in held)]
            if sum(counts) > limit:
                self.model.add_cumulative([*(self._interval(one) for one, _ in using),
                                           *(self._held(one, hold) for one, hold in held)],
                                          counts, limit)

    def _cold(self) -> None:
        """Keep the short waits of each cold cake, with its hands, within what it may be warm."""
        for cake in dict.fromkeys(one.id.cake for one in self.tasks.values() if one.cold):
            if cake is None:
                continue
            hands = out_of_it_min(cake, self.tasks.values())
            if hands > WARM_MOST_MIN:
                continue
            leaves = next((self.starts[one.id] for one in self.tasks.values()
                           if one.kind is WorkKind.DRIVE and one.id.cake is not None
                           and one.id.cake.order == cake.order and one.id in self.starts), None)
            short = []
            for one in self.tasks.values():
                if not one.cold or one.id.cake != cake:
                    continue
                hold = next(hold for hold in one.holds if not hold.pan)
                after = leaves if hold.until is None and leaves is not None else (
                    hold.until_min - self.base if hold.until_min is not None
                    else self.starts.get(hold.until) if hold.until is not None else None)
                if after is None or (one.id in self.held and hold.until in self.held):
                    continue
                gap = after - self.starts[one.id] - one.minutes
                inside = self.model.new_bool_var("")
                warm = self.model.new_int_var(0, INTO_THE_FRIDGE_MIN - 1, "")
                self.model.add(gap >= INTO_THE_FRIDGE_MIN).only_enforce_if(inside)
                self.model.add(gap == warm).only_enforce_if(~inside)
                short.append(warm)
            if short:
                self.model.add(sum(short) <= WARM_MOST_MIN - hands)

    def _held(self, task: Work, hold: Hold) -> Any:
        """Return what is held from a task on until another begins, or until a minute."""
        start = self.starts[task.id]
        end = hold.until_min - self.base if hold.until_min is not None else (
            self.starts.get(hold.until, start + task.minutes)
            if hold.until is not None else start + task.minutes)
        size = self.model.new_int_var(0, max(self.horizon, 0) + 2 * 24 * 60, "")
        return self.model.new_interval_var(start, size, end, "")

    def _bakes(self) -> None:
        bakes = [one for one in self.near if one.heat is not None]
        for bake in bakes:
            there = None if bake.id not in self.quick else self.quick[bake.id].oven
            self.ovens[bake.id] = [self.model.new_bool_var("") for _ in self.means.ovens]
            self.model.add_exactly_one(self.ovens[bake.id])
            for place, has in enumerate(self.ovens[bake.id]):
                if there is not None:
                    self.model.add_hint(has, place == there)
                if bake.id in self.fixes or bake.id in self.held:
                    self.model.add(has == (place == there))
                elif bake.heat is not None and not self.means.ovens[place].takes(bake.heat):
                    self.model.add(has == 0)
        for place, oven in enumerate(self.means.ovens):
            intervals = [self.model.new_optional_fixed_size_interval_var(
                self.starts[one.id], one.minutes, self.ovens[one.id][place], "")
                for one in bakes]
            self.model.add_cumulative(intervals, [one.heat.shelves for one in bakes if one.heat],
                                      oven.shelves)
            for i, one in enumerate(bakes):
                for other in bakes[i + 1:]:
                    self._apart(one, other, place, oven.change_min)

    def _apart(self, one: Work, other: Work, place: int, change_min: int) -> None:
        if one.heat is None or other.heat is None or abs(one.heat.c - other.heat.c) < 0.5:
            return
        first = self.model.new_bool_var("")
        if one.id in self.quick and other.id in self.quick:
            self.model.add_hint(first, self.quick[one.id].start <= self.quick[other.id].start)
        both = [self.ovens[one.id][place], self.ovens[other.id][place]]
        for early, late, so in ((one, other, first), (other, one, ~first)):
            over = self.starts[early.id] + early.minutes
            self.model.add(self.starts[late.id] >= over + change_min).only_enforce_if([*both, so])
            knob = None if late.heat is None or late.heat.on is None else self.starts.get(
                late.heat.on)
            if knob is not None:
                self.model.add(knob >= over).only_enforce_if([*both, so])

    def _objective(self) -> None:
        terms = []
        for task in self.tasks.values():
            start = self.starts[task.id]
            if task.due is not None and task.id.cake and task.kind is not WorkKind.WASH:
                terms.append(int(POINTS * WAITS_FINISHED)
                             * (task.due - self.base - task.minutes - start))
            for after in task.waits:
                before = self.tasks.get(after.on)
                if before is not None and before.id.cake == task.id.cake:
                    terms.append(int(POINTS * WAITS_LAYERS) * (
                        start - self.starts[after.on] - before.minutes - after.least_min))
        awake = [self.starts[one.id] for one in self.tasks.values() if one.awake]
        if awake:
            first = self.model.new_int_var(0, self.horizon, "")
            self.model.add_min_equality(first, awake)
            known = [one.start for one in self.quick.values() if one.task.awake]
            if known:
                self.model.add_hint(first, min(known) - self.base)
            terms.append(int(POINTS * EARLY) * (self.horizon - first))
        self.model.minimize(sum(terms))

    def placed(self, solver: Any) -> list[Placed]:
        """Return the tasks as the solver laid them out."""
        found = []
        for name, task in self.tasks.items():
            oven = next((place for place, has in enumerate(self.ovens.get(name, ()))
                         if solver.value(has)),
                        self.quick[name].oven if name in self.quick else None)
            fix = self.fixes.get(name)
            found.append(Placed(
                task=task, start=solver.value(self.starts[name]) + self.base, oven=oven,
                fixed=fix is not None and not fix.done, done=fix is not None and fix.done))
        return sorted(found, key=lambda one: (one.start, one.task.id))
