"""Days that cannot be done: which wishes do not hold together, and what would help."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from enum import Enum

from entremet.core.timetable.greedy import NO_FIXES, lay_out_backwards
from entremet.core.timetable.model import DAY_MIN, DayTask, Fix, Means, OvenMeans

LATER_MIN = (30, 60, 90, 120, 180, 240)
EARLIER_MIN = (60, 120)


class Help(Enum):
    """What would help."""

    DAY_BEFORE = "day_before"
    EARLIER = "earlier"
    OVEN = "oven"
    LATER = "later"
    HANDS = "hands"


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
    order : str
        Whose due time moves; empty else.
    oven : str
        Name of the oven that is taken into use; empty else.
    """

    help: Help
    words: str
    minutes: int = 0
    order: str = ""
    oven: str = ""


def clash(tasks: Sequence[DayTask], means: Means,
          fixes: Mapping[str, Fix] = NO_FIXES) -> tuple[str, ...]:
    """Return the fewest orders found that cannot be done together; none where all can.

    Orders are taken away one by one; whichever is needed for the clash stays. It is the smallest
    set of this kind by the quick plan, which may leave a little room unused.
    """
    def fits(orders: Sequence[str]) -> bool:
        own = [task for task in tasks if task.order in orders]
        return not lay_out_backwards(own, means, fixes)[1]

    orders = list(dict.fromkeys(task.order for task in tasks))
    if fits(orders):
        return ()
    for order in list(orders):
        fewer = [one for one in orders if one != order]
        if fewer and not fits(fewer):
            orders = fewer
    return tuple(orders)


def ways_out(tasks: Sequence[DayTask], means: Means, fixes: Mapping[str, Fix] = NO_FIXES, *,
             spare: Sequence[OvenMeans] = ()) -> list[WayOut]:
    """Return what would let everything be done, each tried; the least change of a kind first.

    Parameters
    ----------
    tasks, means, fixes
        Of days that cannot be done.
    spare : sequence of OvenMeans
        Ovens of the kitchen that are not in use.
    """
    def fits(own: Sequence[DayTask], kitchen: Means) -> bool:
        return not lay_out_backwards(own, kitchen, fixes)[1]

    found = []
    first = means.windows[0]
    early = replace(means, windows=((first[0] - DAY_MIN, first[1] - DAY_MIN), *means.windows))
    if (means.now is None or first[1] - DAY_MIN > means.now) and fits(tasks, early):
        found.append(WayOut(help=Help.DAY_BEFORE, words="Start a day earlier."))
    for minutes in EARLIER_MIN:
        sooner = replace(means, windows=_opened(means, minutes))
        if fits(tasks, sooner):
            found.append(WayOut(help=Help.EARLIER, minutes=minutes,
                                words=f"Start {minutes // 60} h earlier in the morning."))
            break
    for oven in spare:
        if fits(tasks, replace(means, ovens=(*means.ovens, oven))):
            found.append(WayOut(help=Help.OVEN, oven=oven.name, words=f"Use {oven.name} too."))
            break
    for order in clash(tasks, means, fixes):
        for minutes in LATER_MIN:
            later = [replace(task, due=task.due + minutes)
                     if task.order == order and task.due is not None else task for task in tasks]
            if fits(later, means):
                found.append(WayOut(help=Help.LATER, minutes=minutes, order=order,
                                    words=f"{order} {minutes} min later."))
                break
    if fits(tasks, replace(means, hands=means.hands + 1)):
        found.append(WayOut(help=Help.HANDS, words="Another pair of hands."))
    return found


def _opened(means: Means, minutes: int) -> tuple[tuple[int, int], ...]:
    windows: list[tuple[int, int]] = []
    for start, end in means.windows:
        begin = start - minutes
        if windows and begin <= windows[-1][1]:
            windows[-1] = (windows[-1][0], end)
        else:
            windows.append((begin, end))
    return tuple(windows)
