"""What the inside of a bake tells, in sentences of ours."""

from __future__ import annotations

from entremet.core.ground.quantities import cm
from entremet.core.ground.wording import percent
from entremet.core.inside.told import InsideTold

RAW_RIM = 0.35
"""A middle as raw as this when the rim is done domes and cracks, practice."""


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
    lead = inside.lead_min.value
    found = [f"The rim is done at about {inside.rim_done_min:.0f} min, "
             f"{lead:.0f} ({lead * 0.75:.0f} to {lead * 1.25:.0f}) before the middle at "
             f"{likely_min}.",
             f"By then about {percent(inside.dry.value)} of the slice is hot enough to boil dry.",
             "It is done last between the tube and the wall, half way up." if ring
             else "It is done last in the middle, half way up."]
    dome = inside.dome.value
    found.append(f"The middle comes to stand about {cm(dome)} over the edge."
                 if dome >= 0.3 else "It stays about flat.")
    if inside.raw > RAW_RIM:
        found.append("The middle is still raw when the rim has set: it goes on rising, and may "
                     "crack. Strips, a cooler oven or two layers for one bake it evenly.")
    found.append("Estimates of the field inside the cake; when it is done the signs say.")
    return tuple(found)
