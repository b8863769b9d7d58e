"""Days planned: the quick plan, looked over by the checker, and what stands against it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from entremet.core.ground.findings import Finding, note, ranked, stop, warn
from entremet.core.timetable.checker import broken
from entremet.core.timetable.cost import costs_of
from entremet.core.timetable.greedy import NO_FIXES, lay_out_backwards
from entremet.core.timetable.meals import meals_of
from entremet.core.timetable.model import MOST_TASKS, Fix, Means, Placed, Timetable
from entremet.core.timetable.solver import NOTHING_NEAR, any_plan
from entremet.core.work.fresh import as_early_as_wished
from entremet.core.work.ids import WorkId
from entremet.core.work.work import Work, hands_of

FULL_SHARE = 0.85
"""Hands busy for more than this share of their hours leave no room for what goes wrong."""


def quick_plan(tasks: Sequence[Work], means: Means,
               fixes: Mapping[WorkId, Fix] = NO_FIXES) -> Timetable:
    """Lay the tasks of some days out, backwards from when they are due.

    Parameters
    ----------
    tasks : sequence of Work
        Each after those it waits for.
    means : Means
        What the kitchen has.
    fixes : mapping of WorkId to Fix
        Tasks that the baker put somewhere or has done.

    Returns
    -------
    Timetable
        The same for the same arguments. What found no place is named and never drawn.
    """
    if len(tasks) > MOST_TASKS:
        return Timetable(placed=(), left_out=tuple(one.id for one in tasks), findings=(
            stop("too_many_tasks", f"{len(tasks)} tasks are more than can be planned at once.",
                 hint="Choose fewer orders or fewer days."),))
    placed, left = lay_out_backwards(tasks, means, fixes)
    meals, words = _with_meals(tasks, placed, left, means, fixes)
    placed = meals or placed
    findings = [*_hands(tasks, means), *_past(tasks, means)]
    findings += words
    findings += [warn("plan_fixed_breaks", words, hint="Move it, or let it be planned.")
                 for words in broken(placed, means)]
    return Timetable(placed=tuple(placed), left_out=tuple(left), findings=ranked(findings),
                     cost=costs_of(placed).points)


def first_plan(tasks: Sequence[Work], means: Means,
               fixes: Mapping[WorkId, Fix] = NO_FIXES) -> Timetable:
    """Lay the tasks of some days out, and ask the solver before saying that they cannot be.

    Parameters
    ----------
    tasks, means, fixes
        As for :func:`quick_plan`.

    Returns
    -------
    Timetable
        ``impossible`` where it is proven that no plan keeps every rule; else, where something is
        left out, none was found.
    """
    strict = _first_plan(tasks, means, fixes)
    if not strict.left_out or all(one.earliest is None for one in tasks):
        return strict
    # Better a cake that is told to be past its best than none; what is over is said of the plan.
    # What it says of days that cannot be holds without that rule too.
    return _first_plan(as_early_as_wished(tasks), means, fixes)


def _first_plan(tasks: Sequence[Work], means: Means, fixes: Mapping[WorkId, Fix]) -> Timetable:
    table = quick_plan(tasks, means, fixes)
    # Short waits that the quick plan left may add up to too long out of the fridge.
    sound = not table.left_out and (bool(fixes) or not broken(table.placed, means))
    if sound or len(tasks) > MOST_TASKS:
        return table
    placed, impossible = any_plan(tasks, means, fixes,
                                  near=NOTHING_NEAR if table.left_out else table)
    if not placed:
        return replace(table, impossible=impossible)
    meals, words = _with_meals(tasks, placed, [], means, fixes)
    placed = meals or placed
    findings = [*_hands(tasks, means), *_past(tasks, means), *words]
    return Timetable(placed=tuple(placed), findings=ranked(findings),
                     cost=costs_of(placed).points)


def the_rest(table: Timetable, tasks: Sequence[Work], means: Means, fixes: Mapping[WorkId, Fix], *,
             between: Sequence[int]) -> Timetable:
    """Return what is drawn of days that cannot be: whole orders, without those that clash.

    Parameters
    ----------
    table : Timetable
        That leaves something out.
    tasks, means, fixes
        What it was made from.
    between : sequence of int
        Orders that cannot be done together, by number; one after the other is left out, the last
        first and then those that are no part of it, until the rest can be done.
    """
    rest, own = list(tasks), set[WorkId]()
    orders = dict.fromkeys(one.id.cake.order for one in tasks if one.id.cake is not None)
    for order in dict.fromkeys([*reversed(between), *reversed(list(orders))]):
        own |= {one.id for one in rest if one.id.cake is not None and one.id.cake.order == order}
        rest = [one for one in rest if one.id not in own]
        found = quick_plan(rest, means, fixes)
        if not found.left_out:
            return replace(table, placed=found.placed, cost=found.cost, left_out=tuple(
                one.id for one in tasks if one.id in own))
    return table


def _with_meals(tasks: Sequence[Work], placed: list[Placed], left: Sequence[WorkId], means: Means,
                fixes: Mapping[WorkId, Fix]) -> tuple[list[Placed], list[Finding]]:
    """Lay days out again with a meal in each long one; where that leaves something out, say so."""
    meals = [] if left else meals_of(placed, means)
    if not meals:
        return [], []
    # First in what the days as they are leave free, then with all of it moved.
    held = {one.task.id: Fix(start=one.start, oven=one.oven) for one in placed}
    for kept in ({**held, **fixes}, fixes):
        fed, hungry = lay_out_backwards([*tasks, *meals], means, kept)
        if not hungry:
            return [replace(one, fixed=one.task.id in fixes) for one in fed], []
    return [], [warn("no_meal", "There is no half hour for a meal in a day of more than six hours.",
                     hint="Start earlier, or let another pair of hands help.")]


def hours_min(means: Means) -> int:
    """Return the minutes that hands have, all pairs together, from now on."""
    return means.hands * sum(max(0, end - max(start, means.start))
                             for start, end in means.windows)


def _hands(tasks: Sequence[Work], means: Means) -> list[Finding]:
    """Add hands up against their hours, before anything is laid out."""
    wanted, there = hands_of(tasks), hours_min(means)
    words = (f"{wanted / 60:.1f} h of hands are wanted, {there / 60:.1f} h are there")
    numbers = {"hands_min": float(wanted), "hours_min": float(there)}
    if wanted > there:
        return [stop("hands_do_not_fit", f"{words}: that is more than can be done.",
                     hint="More days, another pair of hands, or fewer cakes.", numbers=numbers)]
    if wanted > FULL_SHARE * there:
        return [warn("hands_full", f"{words}; nothing may go wrong.", numbers=numbers)]
    return [note("hands", f"{words}.", numbers=numbers)]


def _past(tasks: Sequence[Work], means: Means) -> list[Finding]:
    if means.now is None:
        return []
    late = sorted({(task.order, task.id.cake.order) for task in tasks if task.due is not None
                   and task.due <= means.now and task.id.cake is not None})
    return [stop("due_in_the_past", f"{name} is due in the past.", subject=name,
                 hint="Give it another time, or mark it as done.") for name, _ in late]
