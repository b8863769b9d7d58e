"""Inside a cake while it bakes."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from entremet.core.inside.frames import CrumbBand
from entremet.core.plan.request import Request
from entremet.kitchen.api.schemas.base import Out, ProvenanceOut, StrictIn


class InsideIn(StrictIn):
    """Which pan of a fit is looked into."""

    fit: Request
    entry: int = Field(0, ge=0, le=200)
    way: Literal["chosen", "own_pans", "halved"] = Field(
        "chosen", description="as it is chosen; the recipe in its own pans, of which the entry is "
        "then; or the pan of the entry twice with half of its batter each")


class CellsIn(StrictIn):
    """Which comparison of a fit is told of inside."""

    fit: Request
    of: Literal["schools", "ways"]


class CellsOut(Out):
    """What one school or way does inside, in words; each an estimate."""

    key: str = Field(description="of the school or way")
    lead: str
    dry: str
    dome: str


class ComparedInsideOut(Out):
    """Schools or ways told of inside; those that cannot be followed are left out."""

    rows: list[CellsOut]


class DomeIn(StrictIn):
    """A fit whose domes are wanted."""

    fit: Request


class DomeOut(Out):
    """The dome to level off where none was measured: an estimate, taken with a tap."""

    dome_cm: float | None = Field(description="of the pan that domes most; null where none does")
    text: str


class InsideOut(Out):
    """A bake cut open, frame by frame; every number of it is an estimate, with its range."""

    label: str
    setting: str = Field(description="on the oven's dial")
    first_look_min: int
    likely_min: int
    latest_min: int
    minutes: list[float]
    likely: int = Field(description="place of the likely minute among the frames")
    rows: int
    columns: int
    edges_cm: list[float] = Field(description="columns, from the axis or the tube to the wall")
    wall_cm: float
    ring: bool
    states: str = Field(description="base64: the band of each cell, frame by frame, base upwards")
    tops_mm: str = Field(description="base64: how high its top stands, likewise")
    middle_c: list[float]
    rim_c: list[float]
    bands: list[CrumbBand]
    done_c: float
    rim_done_min: float
    lead_min: float
    dry: float = Field(description="share of the slice that boils dry by the likely minute")
    dome_cm: float
    words: list[str] = Field(description="what it tells, a sentence each")
    origins: dict[str, ProvenanceOut] = {}
