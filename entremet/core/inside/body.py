"""A filled pan as a slice of cells: from its axis or middle plane to its wall, from base to top."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.ground.errors import CoreError
from entremet.core.pans.outlines import Outline, Rectangle, Ring
from entremet.core.pans.pan import PanFinish

NEARLY_SQUARE = 0.7
"""A rectangle that is no longer than this allows is warmed from all four sides like a round one."""

CELL_CM = 0.42
"""A cell is about so high and so wide; half of it changes the lead by under 3 % of the bake."""

LEAST_CELLS, MOST_HIGH, MOST_WIDE = 9, 13, 25


@dataclass(frozen=True, slots=True, kw_only=True)
class CakeSlice:
    """What is warmed, centimetres.

    Parameters
    ----------
    inner_cm, outer_cm : float
        From the axis or the middle plane to the walls; inner 0 has no wall there.
    depth_cm : float
        Of the raw batter.
    wall_cm : float
        Height of the wall; above it there is air.
    density : float
        Of the raw batter, g/ml.
    rise : float
        Baked over raw volume.
    round_axis : bool
        Whether it is warmed from all round; else from its two long sides.
    finish : PanFinish
        Of the pan.
    """

    inner_cm: float
    outer_cm: float
    depth_cm: float
    wall_cm: float
    density: float
    rise: float
    round_axis: bool = True
    finish: PanFinish = PanFinish.BRIGHT

    def __post_init__(self) -> None:
        if not 0 <= self.inner_cm < self.outer_cm or not (
                self.depth_cm > 0 and self.density > 0 and self.rise > 0):
            raise CoreError("A slice needs a width, a depth and a batter.", field="pan")

    @property
    def cells(self) -> tuple[int, int]:
        """How many cells it is cut into, from base to top and from the axis to the wall.

        From base to top it is an odd number, so that one row lies half way up; a ring likewise has
        a middle between its walls.
        """
        wide = self.outer_cm - self.inner_cm
        high = min(max(round(self.depth_cm * 1.3 / CELL_CM), LEAST_CELLS), MOST_HIGH)
        return high | 1, min(max(round(wide / CELL_CM), LEAST_CELLS), MOST_WIDE) | 1


def sides_of(outline: Outline) -> tuple[float, float, bool]:
    """Return where a slice through an outline begins and ends, and whether it is warmed all round.

    A ring between tube and wall; a long rectangle across its narrower side; anything else as the
    circle of its area.

    >>> from entremet.core.pans.outlines import Round
    >>> sides_of(Round(diameter=20))
    (0.0, 10.0, True)
    >>> sides_of(Rectangle(length=33, width=23))[1:]
    (11.5, False)
    """
    if isinstance(outline, Ring):
        return outline.tube / 2, outline.outer / 2, True
    if isinstance(outline, Rectangle) and outline.width < NEARLY_SQUARE * outline.length:
        return 0.0, outline.width / 2, False
    return 0.0, math.sqrt(outline.area() / math.pi), True
