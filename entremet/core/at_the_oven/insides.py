"""Schools and ways cut open: how far the rim leads, what dries, how it domes."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from entremet.core.baking.schools import SchoolRow
from entremet.core.baking.temperature import School
from entremet.core.ground.quantities import cm
from entremet.core.inside.of_fit import inside_told
from entremet.core.inside.told import InsideTold
from entremet.core.inside.words import FLAT_CM, InsideCells, cells_of
from entremet.core.loading.ways import Way, WayRow
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.plan import Plan


def schools_inside(plan: Plan, rows: Sequence[SchoolRow]) -> Mapping[School, InsideCells]:
    """Return what each school does inside the pan that leads the oven.

    Parameters
    ----------
    plan : Plan
        The fit.
    rows : sequence of SchoolRow
        Its schools.

    Returns
    -------
    mapping
        Without those that cannot be followed: over steam, on the hob, in a pan without measures.
    """
    return {row.school: cells for row in rows if (cells := _cells(
        plan, replace(plan.pans[row.bake.entry], bake=row.bake))) is not None}


def ways_inside(plan: Plan, rows: Sequence[WayRow]) -> Mapping[Way, InsideCells]:
    """Return what each way to bake does inside its slowest pan, likewise."""
    return {row.way: cells for row in rows
            if (cells := _cells(plan, row.slowest)) is not None}


@dataclass(frozen=True, slots=True, kw_only=True)
class ExpectedDome:
    """What levelling may be reckoned with where nobody measured.

    Parameters
    ----------
    dome_cm : float or None
        Of the pan that domes most, to a millimetre; None where none does.
    text : str
        The same as a sentence, with its range and what it is.
    """

    dome_cm: float | None
    text: str


def highest_dome(plan: Plan) -> ExpectedDome:
    """Return the dome to expect of a fit, of the pan that domes most."""
    domes = [(told.dome, one.entry.label) for one in plan.pans
             if (told := _told(plan, one)) is not None]
    if not domes:
        return ExpectedDome(dome_cm=None, text="No pan of this fit can be followed inside.")
    dome, label = max(domes, key=lambda one: one[0].value)
    if dome.value < FLAT_CM:
        return ExpectedDome(dome_cm=None, text="By the field inside the cakes they stay about "
                            "flat (an estimate).")
    return ExpectedDome(dome_cm=round(dome.value, 1), text=f"By the field inside, {label} comes to "
                        f"stand about {cm(round(dome.value, 1))} over its edge ({dome.note}).")


def _told(plan: Plan, one: PanPlan) -> InsideTold | None:
    return inside_told(one, oven=plan.oven.kind, treatment=plan.treatment)


def _cells(plan: Plan, one: PanPlan) -> InsideCells | None:
    told = _told(plan, one)
    return None if told is None else cells_of(told)
