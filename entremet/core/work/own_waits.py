"""The waits of a recipe's own, at the work they belong to: parts, what is soaked, the batter."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field

from entremet.core.finished.parts import groups_of
from entremet.core.method.waits import OwnWait, WaitOf, own_waits
from entremet.core.plan.plan import Plan


@dataclass(frozen=True, slots=True, kw_only=True)
class WaitsOfCake:
    """What a recipe itself says that waits; None where it says nothing.

    Parameters
    ----------
    parts : mapping of str to OwnWait
        By key of a component.
    soaked, batter, cake : OwnWait or None
        Before it is mixed, mixed and before it is filled, and when all else is done.
    """

    parts: Mapping[str, OwnWait] = field(default_factory=dict)
    soaked: OwnWait | None = None
    batter: OwnWait | None = None
    cake: OwnWait | None = None


def waits_of(plan: Plan) -> WaitsOfCake:
    """Return the waits of a fit's recipe."""
    found = own_waits(plan.recipe)
    told = {(one.component, one.heading): one for one in found if one.of is WaitOf.PART}
    by_kind = {one.of: one for one in found}
    return WaitsOfCake(
        parts={group.key: told[group.component, group.heading] for group in groups_of(plan.lines)
               if (group.component, group.heading) in told},
        soaked=by_kind.get(WaitOf.SOAKED), batter=by_kind.get(WaitOf.BATTER),
        cake=by_kind.get(WaitOf.CAKE))


def whole_min(wait: OwnWait | None) -> int:
    """Return a wait in whole minutes; none is 0."""
    return 0 if wait is None else math.ceil(wait.least_min)
