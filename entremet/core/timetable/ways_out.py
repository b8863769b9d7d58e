"""Days that cannot be done: which wishes do not hold together, and what would help."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import Enum

from entremet.core.timetable.greedy import NO_FIXES, all_fit
from entremet.core.timetable.model import DAY_MIN, Fix, Means, OvenMeans
from entremet.core.work.ids import WorkId
from entremet.core.work.work import Work

LATER_MIN = (30, 60, 90, 120, 180, 240, 360, 480, 720, 1440)
EARLIER_MIN = (60, 120)


class Help(Enum):
    """What would help."""

    DAY_BEFORE = "day_before"
    EARLIER = "earlier"
    OVEN = "oven"
    LATER = "later"
    HANDS = "hands"
    RELEASE = "release"


@dataclass(frozen=True, slots=True, kw_only=True)
class WayOut:
    """One way out, tried: with it everything finds a place.

    Parameters
    ----------
    help : Help
        What it changes.
    words : str
        For the baker.
    minutes : int
        Earlier or later; 0 where it is not about time.
    order : int or None
        Number of the order whose due time moves.
    oven : int or None
        Number of the oven that is taken into use.
    task : WorkId or None
        What the baker put somewhere, and would be planned again.
    """

    help: Help
    words: str
    minutes: int = 0
    order: int | None = None
    oven: int | None = None
    task: WorkId | None = None


def clash(tasks: Sequence[Work], means: Means,
          fixes: Mapping[WorkId, Fix] = NO_FIXES) -> tuple[int, ...]:
    """Return the fewest orders found that cannot be done together; none where all can.

    Orders are taken away, half of them at a time, then half of what is needed, down to one by one;
    whichever is needed for the clash stays. It is the smallest set of this kind by the quick plan,
    which may leave a little room unused.
    """
    def fits(orders: Sequence[int]) -> bool:
        return all_fit([task for task in tasks if _order(task) in orders], means, fixes)

    def without(some: list[int], orders: list[int]) -> list[int]:
        fewer = [one for one in orders if one not in some]
        if fewer and not fits(fewer):
            return fewer
        if len(some) == 1:
            return orders
        half = len(some) // 2
        return without(some[half:], without(some[:half], orders))

    orders = list(dict.fromkeys(number for task in tasks
                                if (number := _order(task)) is not None))
    if fits(orders):
        return ()
    half = len(orders) // 2
    return tuple(without(orders[half:], without(orders[:half], orders)) if half else orders)


def ways_out(tasks: Sequence[Work], means: Means, fixes: Mapping[WorkId, Fix] = NO_FIXES, *,
             between: Sequence[int], spare: Sequence[OvenMeans] = (),
             day_before: tuple[int, int] | None = None) -> list[WayOut]:
    """Return what would let everything be done, each tried; the least change of a kind first.

    Parameters
    ----------
    tasks, means, fixes
        Of days that cannot be done.
    between : sequence of int
        Those that cannot be done together, by number, of :func:`clash`. Of those alike one is
        tried: what does not help for it helps for none of them.
    spare : sequence of OvenMeans
        Ovens of the kitchen that are not in use.
    day_before : (int, int) or None
        When the kitchen works on the day before the first; None where it may not be taken.
    """
    def fits(own: Sequence[Work], kitchen: Means) -> bool:
        return all_fit(own, kitchen, fixes)

    # What the baker put somewhere is the nearest reason, and letting it go the least change.
    found = [*_releases(tasks, means, fixes)]
    early = None if day_before is None else replace(means, windows=(day_before, *means.windows))
    if early is not None and (means.now is None or early.windows[0][1] > means.now) and fits(
            tasks, early):
        found.append(WayOut(help=Help.DAY_BEFORE, words="Start a day earlier."))
    for minutes in EARLIER_MIN:
        sooner = replace(means, windows=_opened(means, minutes))
        if fits(tasks, sooner):
            found.append(WayOut(help=Help.EARLIER, minutes=minutes,
                                words=f"Start {minutes // 60} h earlier in the morning."))
            break
    for oven in spare:
        if fits(tasks, replace(means, ovens=(*means.ovens, oven))):
            found.append(WayOut(help=Help.OVEN, oven=oven.number, words=f"Use {oven.name} too."))
            break
    no_help: set[tuple[object, ...]] = set()
    for order in between:
        alike = _kind_of(order, tasks, fixes)
        if alike in no_help:
            continue
        # What a whole day later does not help, less does not either.
        if not fits(_later(tasks, order, LATER_MIN[-1]), _open_until(means, LATER_MIN[-1])):
            no_help.add(alike)
            continue
        for minutes in LATER_MIN:
            if fits(_later(tasks, order, minutes), _open_until(means, minutes)):
                found.append(WayOut(help=Help.LATER, minutes=minutes, order=order, words=(
                    f"{_title(order, tasks)} {_time(minutes)} later.")))
                break
    if fits(tasks, replace(means, hands=means.hands + 1)):
        found.append(WayOut(help=Help.HANDS, words="Another pair of hands."))
    return found


def _releases(tasks: Sequence[Work], means: Means,
              fixes: Mapping[WorkId, Fix]) -> Iterator[WayOut]:
    """Yield each task whose own place alone is in the way of the rest."""
    words = {one.id: one.words for one in tasks}
    put = [name for name, fix in fixes.items() if not fix.done and name in words]
    for name in put[:MOST_RELEASED]:
        if all_fit(tasks, means, {one: fix for one, fix in fixes.items() if one != name}):
            yield WayOut(help=Help.RELEASE, task=name, words=(
                f"Let “{words[name]}” be planned again: where it was put nothing else fits."))


MOST_RELEASED = 12
"""So many of what was put somewhere are tried."""


def _kind_of(order: int, tasks: Sequence[Work],
             fixes: Mapping[WorkId, Fix]) -> tuple[object, ...]:
    """Return what makes an order of its kind: the work it is, whoever it is for."""
    return tuple((task.minutes, task.lane, task.due, task.heat, task.bowl, task.boards,
                  tuple(sorted(task.pans.items())), len(task.waits), fixes.get(task.id))
                 for task in tasks if _order(task) == order)


def _later(tasks: Sequence[Work], order: int, minutes: int) -> list[Work]:
    """Return tasks with an order due so much later, and its cakes in the fridge until then."""
    return [replace(
        task, due=None if task.due is None else task.due + minutes,
        holds=tuple(hold if hold.until_min is None else replace(
            hold, until_min=hold.until_min + minutes) for hold in task.holds))
        if _order(task) == order else task for task in tasks]


def _open_until(means: Means, minutes: int) -> Means:
    """Return a kitchen that works on the next day too, where an order is put off for so long."""
    start, end = means.windows[-1]
    if minutes < DAY_MIN:
        return means
    return replace(means, windows=(*means.windows, (start + DAY_MIN, end + DAY_MIN)))


def _time(minutes: int) -> str:
    """Return minutes in words.

    >>> _time(90), _time(240), _time(1440)
    ('90 min', '4 h', 'a day')
    """
    if minutes == DAY_MIN:
        return "a day"
    return f"{minutes // 60} h" if minutes >= 180 else f"{minutes} min"


def _order(task: Work) -> int | None:
    return None if task.id.cake is None else task.id.cake.order


def _title(order: int, tasks: Sequence[Work]) -> str:
    return next(task.order for task in tasks if _order(task) == order)


def _opened(means: Means, minutes: int) -> tuple[tuple[int, int], ...]:
    windows: list[tuple[int, int]] = []
    for start, end in means.windows:
        begin = start - minutes
        if windows and begin <= windows[-1][1]:
            windows[-1] = (windows[-1][0], end)
        else:
            windows.append((begin, end))
    return tuple(windows)
