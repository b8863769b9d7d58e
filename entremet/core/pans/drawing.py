"""What is needed to draw a pan to scale: its section and its outline from above, in cm."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.pans.lengths import Point
from entremet.core.pans.outlines import Ring
from entremet.core.pans.pan import Pan


@dataclass(frozen=True, slots=True, kw_only=True)
class PanDrawing:
    """A pan to scale. Widths are of the longest side; the tube is 0 where there is none.

    Parameters
    ----------
    base_width_cm, rim_width_cm : float
        Inside widths of the section at the bottom and at the top.
    tube_base_cm, tube_rim_cm : float
        Widths of the centre tube.
    wall_cm : float
        Inside height.
    ball : bool
        Whether the section is half a circle.
    plan : tuple of polygons
        Rim from above, centred on the origin; the tube, if any, is the second polygon.
    """

    base_width_cm: float
    rim_width_cm: float
    tube_base_cm: float
    tube_rim_cm: float
    wall_cm: float
    ball: bool
    plan: tuple[tuple[Point, ...], ...]


def drawing_of(pan: Pan) -> PanDrawing:
    """Return the drawing of a pan (of one well, for a tray)."""
    return PanDrawing(
        base_width_cm=0.0 if pan.is_ball else pan.base.widest(), rim_width_cm=pan.rim.widest(),
        tube_base_cm=pan.base.tube if isinstance(pan.base, Ring) else 0.0,
        tube_rim_cm=pan.rim.tube if isinstance(pan.rim, Ring) else 0.0,
        wall_cm=pan.wall_cm.value, ball=pan.is_ball, plan=pan.rim.points(),
    )
