"""What a bake that was followed tells: the lead of the rim, the dry rim, the dome."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from entremet.core.ground.provenance import Figure, worked_out
from entremet.core.ground.quantities import cm_to
from entremet.core.inside.field import VALUES, Floats, Warming

RIM_CM = 1.0
"""The rim is looked at so far inside the wall, or a sixth of the way to the middle if that is less:
what a slice shows as its edge.
"""

DRIES_C = 100.0
"""From here on the water of the crumb boils off."""


LEAD_SPREAD = 0.25
"""The lead is worked out and was measured by nobody: so much either way; an estimate."""


@dataclass(frozen=True, slots=True, kw_only=True)
class InsideTold:
    """What the slice shows, each an estimate.

    Parameters
    ----------
    rim_done_min : float
        When the rim is as done as the middle is at the likely minute.
    lead_min : Figure
        How long before the middle, with its range.
    raw : float
        How far the middle has to go when the rim is done: 0 for done with it, 1 for as it went in.
    dry : Figure
        Share of the slice that boils dry by the likely minute.
    dome : Figure
        How much the middle stands over the edge, cm.
    coldest : (float, float)
        Where it is last done: from the middle to the wall and from base to top, shares.
    """

    rim_done_min: float
    lead_min: Figure
    raw: float
    dry: Figure
    dome: Figure
    coldest: tuple[float, float]


def rim_c(bake: Warming) -> Floats:
    """Return the heat of the rim, half way up, minute by minute of the frames; both of a ring's
    rims, the hotter one.
    """
    row = bake.celsius.shape[1] // 2
    centres = (bake.edges_cm[1:] + bake.edges_cm[:-1]) / 2
    wide = bake.edges_cm[-1] - bake.edges_cm[0]
    inside = min(RIM_CM, wide / 6)
    at = [bake.edges_cm[-1] - inside]
    if bake.edges_cm[0] > 0:
        at.append(bake.edges_cm[0] + inside)
    found = [[np.interp(x, centres, frame[row]) for frame in bake.celsius] for x in at]
    return np.asarray(np.max(np.array(found), axis=0))


def first_min(bake: Warming, heat: Floats) -> float:
    """Return the minute at which a part of a slice is first done; the end where it never is."""
    over = np.flatnonzero(heat >= bake.done_c)
    if not len(over):
        return float(bake.minutes[-1])
    place = int(over[0])
    if place == 0:
        return 0.0
    before, after = heat[place - 1], heat[place]
    share = (bake.done_c - before) / max(float(after - before), 1e-9)
    return float(bake.minutes[place - 1] + share * (bake.minutes[place] - bake.minutes[place - 1]))


def told_of(bake: Warming) -> InsideTold:
    """Return what a bake tells.

    Notes
    -----
    The lead is worked out by the field, and nobody measured it: a quarter either way. The dome is
    practice: the middle goes on rising while the rim has set, so it grows with how raw the middle
    is by then and with the height of the cake; its constant is fitted to usual domes.
    """
    rim = first_min(bake, rim_c(bake))
    lead = max(0.0, bake.likely_min - rim)
    place = int(np.argmin(np.abs(bake.minutes - bake.likely_min)))
    at_done, heights = bake.celsius[place], bake.high_cm[place]
    areas = heights * np.diff(bake.edges_cm)
    dry = float((areas * (at_done >= DRIES_C)).sum() / areas.sum())
    height = float(heights.sum(axis=0).mean())
    constant = VALUES["dome"]
    ends = (constant.low, constant.high)
    row, column = bake.coldest
    start = float(bake.celsius[0, row, column])
    middle = float(np.interp(rim, bake.minutes, bake.celsius[:, row, column]))
    raw = min(max((bake.done_c - middle) / (bake.done_c - start), 0.0), 1.0)
    centres = (bake.edges_cm[1:] + bake.edges_cm[:-1]) / 2
    wide = bake.edges_cm[-1] - bake.edges_cm[0]
    return InsideTold(
        rim_done_min=rim,
        lead_min=worked_out(lead, "an estimate by the field inside the cake, a quarter either way"),
        dry=worked_out(dry, "an estimate: what is over boiling when the middle is done"),
        raw=raw,
        dome=worked_out(constant.value * raw * height, "an estimate, practice: "
                        f"{cm_to(*(round(one * raw * height, 1) for one in ends))}"),
        coldest=(float((centres[column] - bake.edges_cm[0]) / wide),
                 (row + 0.5) / bake.celsius.shape[1]))
