"""The fridge as a place: when each cold cake is in it, and how long it is out of it in all."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from entremet.core.ground.findings import Finding, stop, warn
from entremet.core.ground.quantities import celsius, cm
from entremet.core.timetable.model import Placed
from entremet.core.work.cake import HIGH_PLACES, OrderedCake
from entremet.core.work.cold import INTO_THE_FRIDGE_MIN, WARM_MOST_MIN
from entremet.core.work.ids import CakeId, WorkKind
from entremet.core.work.work import Lane, Work


@dataclass(frozen=True, slots=True, kw_only=True)
class InTheFridge:
    """A cake that has to be cold: when it stands in the fridge, how long it is out of it.

    Parameters
    ----------
    cake : CakeId
        Which.
    stays : tuple of (int, int)
        From and to, minutes; what chills and settles is in them.
    warm_min : int
        Out of the fridge in all, from its first cold part until it is handed over: hands, ways,
        and waits too short for the fridge.
    """

    cake: CakeId
    stays: tuple[tuple[int, int], ...]
    warm_min: int

    @property
    def words(self) -> str:
        """What counts, and how long it may be."""
        return (f"hands, the way and short waits counted, {WARM_MOST_MIN} at most, 60 above "
                f"{celsius(32)}; practice, your local food rules come first.")

    @property
    def too_warm(self) -> bool:
        """Whether it is out for longer than it may."""
        return self.warm_min > WARM_MOST_MIN


def in_the_fridge(placed: Sequence[Placed]) -> list[InTheFridge]:
    """Return for each cold cake of a timetable when it is in the fridge.

    Parameters
    ----------
    placed : sequence of Placed
        A timetable; a cake with a piece left out ends with what is there.
    """
    own: dict[CakeId, list[Placed]] = {}
    for one in placed:
        if one.task.cold and one.task.id.cake is not None:
            own.setdefault(one.task.id.cake, []).append(one)
    return [_of(cake, sorted(works, key=lambda one: one.start), placed)
            for cake, works in own.items()]


@dataclass(frozen=True, slots=True, kw_only=True)
class PlacesTaken:
    """How full the fridge is from one minute to another.

    Parameters
    ----------
    start, end : int
        Minutes.
    boards : int
        Places taken, more than none.
    """

    start: int
    end: int
    boards: int


def filled(placed: Sequence[Placed]) -> list[PlacesTaken]:
    """Return how many places of the fridge a timetable takes, from change to change.

    Parameters
    ----------
    placed : sequence of Placed
        A timetable; a place is held from one piece of work to the next, in hands too.
    """
    starts = {one.task.id: one.start for one in placed}
    steps: Counter[int] = Counter()
    for one in placed:
        spans = [(one.task.boards, one.end)] if one.task.boards else []
        for hold in one.task.holds:
            until = hold.until_min if hold.until is None else starts.get(hold.until, one.end)
            if not hold.pan and until is not None:
                spans.append((hold.count, until))
        for count, until in spans:
            if until > one.start:
                steps[one.start] += count
                steps[until] -= count
    found, boards = [], 0
    for (start, by), (end, _) in pairwise(sorted(steps.items())):
        boards += by
        if boards:
            found.append(PlacesTaken(start=start, end=end, boards=boards))
    return found


def warm_findings(cold: Sequence[InTheFridge], names: dict[CakeId, str]) -> list[Finding]:
    """Return what is said of cakes that are out of the fridge for longer than they may be."""
    return [stop(
        "warm_too_long", f"{names[one.cake]} has to be cold and is out of the fridge for "
        f"{one.warm_min} min in all, {WARM_MOST_MIN} at most (60 above {celsius(32)}; practice: "
        "your local food rules come first).", subject=names[one.cake],
        hint="A shorter way, a box with ice, or a filling that need not be cold.",
        numbers={"warm_min": float(one.warm_min)})
        for one in cold if one.too_warm]


def height_findings(cakes: Sequence[OrderedCake], works: Sequence[Work],
                    places: int) -> list[Finding]:
    """Return what is said of cakes that stand in the fridge, and at no place of it.

    Parameters
    ----------
    cakes : sequence of OrderedCake
        Of all orders.
    works : sequence of Work
        Theirs; what is never in the fridge is not asked.
    places : int
        Higher places that the fridge has.
    """
    held = {one.id.cake for one in works if HIGH_PLACES in one.pans or any(
        hold.pan == HIGH_PLACES for hold in one.holds)}
    rows = {(one.id.order, one.id.row): one for one in cakes if one.id in held}
    return [] if places else [warn(
        "fridge_too_low", f"{one.label} is {cm(one.box_cm)} high in its box. Over a place of your "
        f"fridge are {cm(one.shelf_cm or 0)}, and none is higher: the plan takes one to be found.",
        subject=one.label, numbers={"box_cm": one.box_cm},
        hint="Take a shelf out, ask for a place in a larger fridge, or choose a lower cake.")
        for one in rows.values()]


def _of(cake: CakeId, works: Sequence[Placed], placed: Sequence[Placed]) -> InTheFridge:
    stays, warm = [], 0
    for one in works:
        if one.task.lane is Lane.FRIDGE:
            stays.append((one.start, one.end))
        else:
            warm += one.task.minutes
    gaps = [(before.end, after.start) for before, after in pairwise(works)]
    last, leaves = works[-1], _leaves(cake, placed)
    due = max((hold.until_min or 0 for hold in last.task.holds), default=0)
    if last.task.kind is WorkKind.BOX and due:
        until = due if leaves is None else leaves.start
        gaps.append((last.end, until))
        warm += due - until
    for start, end in gaps:
        if end - start >= INTO_THE_FRIDGE_MIN:
            stays.append((start, end))
        else:
            warm += max(0, end - start)
    return InTheFridge(cake=cake, stays=tuple(_joined(sorted(stays))), warm_min=warm)


def _leaves(cake: CakeId, placed: Sequence[Placed]) -> Placed | None:
    """Return the way that a cake's order takes."""
    return next((one for one in placed if one.task.kind is WorkKind.DRIVE
                 and one.task.id.cake is not None and one.task.id.cake.order == cake.order), None)


def _joined(stays: Sequence[tuple[int, int]]) -> list[tuple[int, int]]:
    found: list[tuple[int, int]] = []
    for start, end in stays:
        if found and start <= found[-1][1]:
            found[-1] = (found[-1][0], max(end, found[-1][1]))
        else:
            found.append((start, end))
    return found
