"""How long the cakes of a plan keep once they are done: until they are due, or not."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from entremet.core.ground.findings import Finding, warn
from entremet.core.keeping.keeping import (
    Keeping,
    KeepsSo,
    days_of,
    keeping_of,
    parts_made,
    span_of,
    span_words,
    strictest,
)
from entremet.core.timetable.model import Timetable
from entremet.core.work.cake import OrderedCake
from entremet.core.work.fresh import made_for
from entremet.core.work.ids import CakeId, WorkId, WorkKind

DAY_MIN = 24 * 60

AFTERWARDS = frozenset({WorkKind.DRIVE, WorkKind.BACK, WorkKind.WASH})
"""What comes when a cake is done."""


@dataclass(frozen=True, slots=True, kw_only=True)
class CakeKeeps:
    """A cake of a plan with how long it keeps.

    Parameters
    ----------
    order, cake : str
        Whose, and what it is called.
    id : CakeId
        Names it.
    done_min, until_min, due_min : int
        When it is done, until when it keeps, when it is due; minutes of the timetable. Each part
        counts from when it was made, the baked layers from the oven; the first that is over
        decides.
    keeping : Keeping
        The rule: of several cakes of one fit the strictest.
    first : KeepsSo
        The part that is over first.
    """

    order: str
    cake: str
    id: CakeId
    done_min: int
    until_min: int
    due_min: int
    keeping: Keeping
    first: KeepsSo

    @property
    def over(self) -> str:
        """What the part that is over first is called."""
        return self.first.name

    @property
    def too_early(self) -> bool:
        """Whether it would be past its keeping when it is due."""
        return self.due_min > self.until_min

    @property
    def words(self) -> str:
        """Where it stands, and what is over first."""
        one, span = self.keeping, span_of(self.first, cold=self.keeping.cold)
        lasts = "" if span is None else f", {span_words(*span)} from when it is made, practice"
        first = f"{self.over[:1].upper() + self.over[1:]} is over first{lasts}."
        return " ".join((one.words, first, *one.cautions))


def cake_keeps(cakes: Sequence[OrderedCake], table: Timetable) -> list[CakeKeeps]:
    """Return how long each cake keeps that has all its tasks placed.

    Parameters
    ----------
    cakes : sequence of OrderedCake
        Of some orders.
    table : Timetable
        The plan.
    """
    ends: dict[CakeId | None, int] = {}
    made: dict[WorkId, int] = {}
    for one in table.placed:
        if one.task.kind not in AFTERWARDS:
            ends[one.task.id.cake] = max(ends.get(one.task.id.cake, 0), one.end)
        made[one.task.id] = one.end
    found = []
    for cake in cakes:
        if cake.id not in ends or not cake.finish.cakes or any(
                one.cake == cake.id for one in table.left_out):
            continue
        keeping = strictest([keeping_of(cake.plan, cake.finish, row)
                             for row in cake.finish.cakes])
        until, first = _first_over(cake, keeping, made, ends[cake.id])
        found.append(CakeKeeps(
            order=cake.order, cake=cake.label, id=cake.id, done_min=ends[cake.id],
            due_min=cake.due, keeping=keeping, until_min=until, first=first))
    return found


def _first_over(cake: OrderedCake, keeping: Keeping, made: Mapping[WorkId, int],
                done_min: int) -> tuple[int, KeepsSo]:
    """Return when the first part of a cake is over, and which it is."""
    baked = [end for name, end in made.items()
             if name.cake == cake.id and name.kind is WorkKind.BAKE]
    found = []
    for maker, part in parts_made(cake.plan, cake.finish):
        days = days_of(part, cold=keeping.cold)
        if days is None:
            continue
        begun = min(baked, default=done_min) if not maker else made.get(
            made_for(cake, maker), done_min)
        found.append((begun + round(days * DAY_MIN), part))
    return min(found, key=lambda one: (one[0], one[1].name))


def keeps_findings(rows: Sequence[CakeKeeps]) -> list[Finding]:
    """Return a warning for each cake that is done too early to keep until it is due."""
    return [warn(
        "cake_past_keeping", f"{one.cake} of {one.order}: {one.over} would be over "
        f"{_time(one.due_min - one.until_min)} before it is due (practice).",
        subject=one.cake, hint="Make it nearer to when it is due: move what was put early, or give "
        "the days before more hours.")
        for one in rows if one.too_early]


def _time(minutes: int) -> str:
    days, rest = divmod(minutes, DAY_MIN)
    hours, rest = divmod(rest, 60)
    if not days and not hours:
        return f"{rest} min"
    return " ".join([f"{days} d"] * bool(days) + [f"{hours} h"] * bool(hours))
