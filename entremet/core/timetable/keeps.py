"""How long the cakes of a plan keep once they are done: until they are due, or not."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.ground.findings import Finding, warn
from entremet.core.keeping.keeping import Keeping, keeping_of, span_words
from entremet.core.timetable.cake_tasks import OrderedCake
from entremet.core.timetable.model import Placed

DAY_MIN = 24 * 60


@dataclass(frozen=True, slots=True, kw_only=True)
class CakeKeeps:
    """A cake of a plan with how long it keeps.

    Parameters
    ----------
    order, cake : str
        Whose, and what.
    done_min, until_min, due_min : int
        When it is done, how long it keeps, when it is due; minutes of the timetable.
    keeping : Keeping
        The rule: of several cakes of one fit the shortest.
    """

    order: str
    cake: str
    done_min: int
    until_min: int
    due_min: int
    keeping: Keeping

    @property
    def too_early(self) -> bool:
        """Whether it would be past its keeping when it is due."""
        return self.due_min > self.until_min

    @property
    def words(self) -> str:
        """What decides, and where it stands."""
        one = self.keeping
        decides = (f"{one.decides.name[:1].upper() + one.decides.name[1:]} decides: "
                   f"{span_words(one.days.value, one.at_most)}, practice.")
        return " ".join((one.words, decides, *one.cautions))


def cake_keeps(cakes: Sequence[OrderedCake], placed: Sequence[Placed]) -> list[CakeKeeps]:
    """Return how long each cake keeps that has all its tasks placed.

    Parameters
    ----------
    cakes : sequence of OrderedCake
        Of some orders.
    placed : sequence of Placed
        The plan.
    """
    ends: dict[str, int] = {}
    for one in placed:
        ends[one.task.cake] = max(ends.get(one.task.cake, 0), one.end)
    found = []
    for cake in cakes:
        if cake.key not in ends or not cake.finish.cakes:
            continue
        keeping = min((keeping_of(cake.plan, cake.finish, row) for row in cake.finish.cakes),
                      key=lambda one: one.days.value)
        found.append(CakeKeeps(
            order=cake.order, cake=cake.label, done_min=ends[cake.key], due_min=cake.due,
            keeping=keeping, until_min=ends[cake.key] + round(keeping.days.value * DAY_MIN)))
    return found


def keeps_findings(rows: Sequence[CakeKeeps]) -> list[Finding]:
    """Return a warning for each cake that is done too early to keep until it is due."""
    return [warn(
        "cake_past_keeping", f"{one.cake} of {one.order} is done "
        f"{_time(one.due_min - one.done_min)} before it is due, and {one.keeping.decides.name} "
        f"keeps {span_words(one.keeping.days.value, one.keeping.at_most)} (practice).",
        subject=one.cake, hint="Plan its last steps nearer to when it is due.")
        for one in rows if one.too_early]


def _time(minutes: int) -> str:
    days, rest = divmod(minutes, DAY_MIN)
    hours = rest // 60
    return " ".join([f"{days} d"] * bool(days) + [f"{hours} h"] * bool(hours or not days))
