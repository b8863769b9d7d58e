"""How much room a pan takes on a shelf, with its rim and the air it wants round it."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.baking.findings import RIM_CM
from entremet.core.pans.lengths import Point
from entremet.core.pans.outlines import Ring, Round, extent
from entremet.core.pans.pan import Pan, PanKind

CLEARANCE_CM = 2.0
"""Air between pans, and between a pan and the oven's wall; practice, range 1.5 to 4."""

WELL_GAP_CM = 1.5
"""Metal between two wells of a tray; an estimate, range 1 to 2.5, as nobody measures it."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Footprint:
    """Room of one pan on a shelf.

    Parameters
    ----------
    long_cm, short_cm : float
        Sides of the rectangle round it, rim included.
    assumed : bool
        Whether a tray's size follows from its wells.
    plan : tuple of polygons
        Rim from above, round the origin; empty for a tray.
    is_round : bool
        Whether its rim is a circle, so that it nests.
    """

    long_cm: float
    short_cm: float
    assumed: bool = False
    plan: tuple[tuple[Point, ...], ...] = ()
    is_round: bool = False


def footprint(pan: Pan) -> Footprint:
    """Return the room one pan takes; a tray of wells counts as a whole tray.

    Parameters
    ----------
    pan : Pan
        With its measures.
    """
    long_cm, short_cm = extent(pan.rim)
    if pan.kind is not PanKind.WELLS:
        return Footprint(long_cm=long_cm + 2 * RIM_CM, short_cm=short_cm + 2 * RIM_CM,
                         plan=pan.rim.points(), is_round=isinstance(pan.rim, Round | Ring))
    rows = max(1, math.floor(math.sqrt(pan.wells)))
    while pan.wells % rows:
        rows -= 1
    columns = pan.wells // rows
    return Footprint(long_cm=columns * (long_cm + WELL_GAP_CM) + WELL_GAP_CM,
                     short_cm=rows * (short_cm + WELL_GAP_CM) + WELL_GAP_CM, assumed=True)
