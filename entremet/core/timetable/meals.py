"""A meal in a long day: whoever works past six hours eats in between."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.timetable.model import Means, Placed
from entremet.core.work.ids import WorkId, WorkKind
from entremet.core.work.work import Lane, Work

MEAL_MIN, LONG_DAY_MIN = 30, 6 * 60
"""A meal, and the hours of a day after which there is one; practice, 20 to 45 min, 5 to 6 h."""


def meals_of(placed: Sequence[Placed], means: Means) -> list[Work]:
    """Return a meal for each pair of hands on every day that is long.

    Parameters
    ----------
    placed : sequence of Placed
        The days without meals.
    means : Means
        Hours and hands.

    Returns
    -------
    list of Work
        Nobody's tasks, each over within six hours of that day's first work. A day whose first six
        hours are behind has none to plan.
    """
    meals = []
    for place, (start, end) in enumerate(means.windows):
        work = [one for one in placed if one.task.lane is Lane.HANDS
                and one.start >= start and one.end <= end]
        first = min((one.start for one in work), default=0)
        last = max((one.end for one in work), default=0)
        if last - first <= LONG_DAY_MIN:
            continue
        due = first + LONG_DAY_MIN
        if means.now is not None and due - MEAL_MIN < means.now:
            continue
        meals += [Work(id=WorkId(cake=None, kind=WorkKind.MEAL, part=f"{place}.{pair}"), order="",
                       words="A meal", lane=Lane.HANDS, minutes=MEAL_MIN, due=due,
                       why="within six hours of the first work; practice")
                  for pair in range(means.hands)]
    return meals
