"""Domes and the knife: what levelling takes off, how layers are split."""

from __future__ import annotations

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.quantities import cm_to
from entremet.core.pans.outlines import Outline, Rectangle, Ring, Round

DOME_SHARES = ((Round, 0.5), (Rectangle, 4 / 9), (Ring, 2 / 3))
OTHER_DOME = 0.48
"""Share of area times height that a dome holds: a parabola over a disc, a rectangle, across a
ring; other outlines lie between (estimate, 0.44 to 0.5)."""

HIGHEST_DOME_CM = 8.0
THINNEST_SPLIT_CM = 1.2
"""Split thinner than this a layer breaks; practice, 1.0 to 2.0 by style."""


def dome_share(outline: Outline) -> float:
    """Return what share of area × height a dome on this outline holds."""
    return next((share for kind, share in DOME_SHARES if isinstance(outline, kind)), OTHER_DOME)


def dome_ml(outline: Outline, dome_cm: float) -> float:
    """Return what comes off when a dome is cut level with its edge.

    Parameters
    ----------
    outline : Outline
        The cake from above.
    dome_cm : float
        Middle less edge, 0 to 8 cm.

    Raises
    ------
    ImpossibleChoice
        For a dome no cake has.

    >>> round(dome_ml(Round(diameter=20), 1.2), 1)
    188.5
    """
    if not 0 <= dome_cm <= HIGHEST_DOME_CM:
        raise ImpossibleChoice(f"A dome is {cm_to(0, 8)}, middle less edge.", field="dome_cm")
    return outline.area() * dome_cm * dome_share(outline)


def edge_height_cm(mean_cm: float, outline: Outline, dome_cm: float) -> float:
    """Return the height at the edge of a cake of that mean height."""
    return mean_cm - dome_share(outline) * dome_cm
