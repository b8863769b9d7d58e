"""Pans in and out."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from typing import Annotated, Literal

from pydantic import Field

from entremet.core.pans.drawing import PanDrawing, drawing_of
from entremet.core.pans.lengths import Point
from entremet.core.pans.measures import OutlineName, PanMeasures
from entremet.core.pans.pan import AnyPan, Pan, PanFinish, PanKind
from entremet.core.pans.typed import TypedPan
from entremet.kitchen.api.schemas.base import Out, StrictIn

Corner = Annotated[list[float], Field(min_length=2, max_length=2)]


class DrawingOut(Out):
    """A pan to scale, in cm; of one well for a tray. The tube is the plan's second polygon."""

    base_width_cm: float
    rim_width_cm: float
    tube_base_cm: float
    tube_rim_cm: float
    wall_cm: float
    ball: bool = Field(description="whether the section is half a circle")
    plan_width_cm: float
    plan_height_cm: float
    plan: list[str] = Field(description="polygons as SVG points, cm from the middle, y downwards")


class RackPanOut(Out):
    """A pan on the rack."""

    id: int
    label: str
    kind: PanKind
    outline: OutlineName
    wells: int
    owned: int
    finish: PanFinish
    capacity_ml: float
    known_by: Literal["measures", "capacity"]
    loose_base: bool
    measures: PanMeasures
    inches: bool = Field(False, description="whether its measures were entered in inches")
    drawing: DrawingOut | None
    version: int
    damaged: bool = False


class RackPanIn(StrictIn):
    """A pan for the rack: its measures as typed, its name, and how many are owned."""

    pan: TypedPan
    owned: int = Field(1, ge=1, le=99)
    inches: bool = Field(False, description="whether its measures are entered in inches")


class ChangedPanIn(RackPanIn):
    """A pan of the rack as changed."""

    base: int = Field(ge=1, le=2**31 - 1, description="the version it was changed from")


class OutlineIn(StrictIn):
    """An SVG file with a traced outline."""

    text: str = Field(max_length=500_000)


class OutlineOut(Out):
    """Corners of a traced outline, in the file's own units."""

    points: list[Corner]


class RackFileIn(StrictIn):
    """A rack as JSON or CSV."""

    text: str = Field(max_length=500_000)


def drawing_out(pan: AnyPan) -> DrawingOut | None:
    """Return the drawing of a pan; None where it has no measures."""
    return _drawing(pan) if isinstance(pan, Pan) else None


@lru_cache(maxsize=512)
def _drawing(pan: Pan) -> DrawingOut:
    """Draw each pan once; a fit shows the same ones again at every tap."""
    drawing: PanDrawing = drawing_of(pan)
    xs, ys = zip(*drawing.plan[0], strict=True)
    return DrawingOut(
        base_width_cm=drawing.base_width_cm, rim_width_cm=drawing.rim_width_cm,
        tube_base_cm=drawing.tube_base_cm, tube_rim_cm=drawing.tube_rim_cm,
        wall_cm=drawing.wall_cm, ball=drawing.ball,
        plan_width_cm=max(xs) - min(xs), plan_height_cm=max(ys) - min(ys),
        plan=[points_text(polygon) for polygon in drawing.plan])


def points_text(points: Sequence[Point]) -> str:
    """Write points as SVG does, cm from the middle, y downwards."""
    return " ".join(f"{x:.2f},{-y:.2f}" for x, y in points)
