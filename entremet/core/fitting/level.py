"""One depth of batter over several pans."""

from __future__ import annotations

from collections.abc import Sequence

from entremet.core.fitting.vessel import Vessel
from entremet.core.ground.roots import brentq
from entremet.core.pans.pan import Pan

Place = tuple[Vessel, int, float]
"""A vessel, how many of it, and the most batter one may take, ml."""

PerCm = Sequence[float | None]
"""For each place, batter per cm of level where it goes by its share and not by a depth."""


def common_level(places: Sequence[Place], batter_ml: float,
                 per_cm: PerCm | None = None) -> list[float]:
    """Share batter over pans at one depth; a pan at its limit stays there, the rest share on.

    Parameters
    ----------
    places : sequence of (Vessel, int, float)
        Pans with their counts and limits in ml each; a limit may be infinite.
    batter_ml : float
        Batter to share, zero or more.
    per_cm : sequence of float or None, optional
        For a ring, loaf or well beside flat pans: what it takes for each cm of their depth. None
        everywhere puts the same depth into every pan.

    Returns
    -------
    list of float
        Millilitres in each one of every place. They sum, times the counts, to the batter, or to
        less when every pan is at its limit.

    Notes
    -----
    A pan of which only the capacity is known takes the share of its capacity that the level has
    of the mean wall height of the others.
    """
    if not places:
        return []
    walls = [vessel.pan.wall_cm.value for vessel, _, _ in places if isinstance(vessel.pan, Pan)]
    wall_cm = sum(walls) / len(walls) if walls else 1.0
    shares = per_cm or [None] * len(places)

    def at(level_cm: float) -> list[float]:
        return [min(limit, _volume(vessel, level_cm, wall_cm) if share is None
                    else share * level_cm)
                for (vessel, _, limit), share in zip(places, shares, strict=True)]

    def total(level_cm: float) -> float:
        return sum(volume * count
                   for volume, (_, count, _) in zip(at(level_cm), places, strict=True))

    top = max([*walls, wall_cm])
    while total(top) < batter_ml:
        higher = top * 2
        if total(higher) <= total(top):
            return at(top)
        top = higher
    if batter_ml <= 0:
        return [0.0 for _ in places]
    return at(brentq(lambda level: total(level) - batter_ml, 0.0, top,
                           xtol=1e-12, rtol=1e-14))


def _volume(vessel: Vessel, level_cm: float, wall_cm: float) -> float:
    volume = vessel.volume_ml(level_cm)
    return vessel.room_ml * level_cm / wall_cm if volume is None else max(0.0, volume)
