"""What the inside of a bake tells, in sentences of ours."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.ground.quantities import cm
from entremet.core.ground.wording import percent
from entremet.core.inside.told import LEAD_SPREAD, InsideTold

RAW_RIM = 0.35
"""A middle as raw as this when the rim is done domes and cracks, practice."""


FLAT_CM = 0.3
"""A dome under this is none that a baker would speak of; practice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class InsideCells:
    """What a bake tells, as a table has it: each an estimate.

    Parameters
    ----------
    lead, dry, dome : str
        How long the rim is done before the middle, with its range; how much of the slice is hot
        enough to boil dry; how much the middle stands over the edge.
    """

    lead: str
    dry: str
    dome: str


def cells_of(inside: InsideTold) -> InsideCells:
    """Return what a bake tells in three cells of a table."""
    return InsideCells(lead=f"{_lead(inside)} min", dry=percent(inside.dry.value),
                       dome=_dome(inside, flat="about flat"))


def _lead(inside: InsideTold) -> str:
    lead = inside.lead_min.value
    low, high = lead * (1 - LEAD_SPREAD), lead * (1 + LEAD_SPREAD)
    return f"{lead:.0f} ({low:.0f} to {high:.0f})"


def _dome(inside: InsideTold, *, flat: str) -> str:
    dome = inside.dome.value
    # To a millimetre: it is an estimate, and nobody levels more finely.
    return f"about {cm(round(dome, 1))}" if dome >= FLAT_CM else flat


def words_of(inside: InsideTold, *, likely_min: int, ring: bool) -> tuple[str, ...]:
    """Return what a bake tells, the rim first; each an estimate and said so.

    Parameters
    ----------
    inside : InsideTold
        Of a bake.
    likely_min : int
        When its middle is done, as the fit shows it.
    ring : bool
        Whether it is done last between two walls.
    """
    found = [f"The rim is done at about {inside.rim_done_min:.0f} min, {_lead(inside)} before the "
             f"middle at {likely_min}.",
             f"By then about {percent(inside.dry.value)} of the slice is hot enough to boil dry.",
             "It is done last between the tube and the wall, half way up." if ring
             else "It is done last in the middle, half way up."]
    dome = _dome(inside, flat="")
    found.append(f"The middle comes to stand {dome} over the edge." if dome
                 else "It stays about flat.")
    if inside.raw > RAW_RIM:
        found.append("The middle is still raw when the rim has set: it goes on rising, and may "
                     "crack. Strips, a cooler oven or two layers for one bake it evenly.")
    found.append("Estimates of the field inside the cake; when it is done the signs say.")
    return tuple(found)
