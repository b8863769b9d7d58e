"""What a baker decides and reads at the oven, out."""

from __future__ import annotations

from pydantic import Field

from entremet.core.at_the_oven.cautions import CardCaution
from entremet.core.at_the_oven.signs import SignKind
from entremet.core.baking.altitude import Adjustment
from entremet.core.baking.temperature import School
from entremet.core.ground.findings import Finding
from entremet.core.loading.ways import Way
from entremet.kitchen.api.schemas.base import Out, ProvenanceOut


class SignOut(Out):
    """A sign of being done."""

    kind: SignKind
    text: str
    source: str


class PanCardOut(Out):
    """A row of pans on the bake card; its times and phases are in the fit, at the same place."""

    entry: int
    shelf: str
    give_min: int
    not_done: str
    too_dark: str
    stand_min: float
    leaving: str
    origins: dict[str, ProvenanceOut]


class BakeCardOut(Out):
    """The bake card."""

    heat_before_min: float
    signs: list[SignOut]
    probe: SignOut | None
    pans: list[PanCardOut]
    cautions: list[CardCaution]
    origins: dict[str, ProvenanceOut]


class SchoolOut(Out):
    """A temperature school for the pan that leads the oven."""

    school: School
    name: str
    dial: str
    first_look_min: int | None
    likely_min: int | None
    latest_min: int | None
    crust: str
    dome: str


class PlacedOut(Out):
    """A pan on a shelf; its middle from the left front corner, cm."""

    entry: int
    label: str
    x_cm: float
    y_cm: float
    long_cm: float
    short_cm: float
    turned: bool
    plan: list[str] = Field(description="its rim as SVG points round its middle; empty: a tray")


class LoadOut(Out):
    """What is in the oven at one time."""

    dial: str
    minutes: int
    labels: list[str]
    shelves: list[list[PlacedOut]]
    turn: str
    slower: str
    order: list[str]


class WayRowOut(Out):
    """One way to bake the batter."""

    way: Way
    name: str
    pans: str
    each_min: int
    oven_min: int
    last_out_min: int
    waits_min: int
    too_long: bool
    pans_needed: int
    shelves_needed: int
    bakes: int
    evenness: str
    after: str
    overflows: str


class WaitingOut(Out):
    """How long the batter may stand."""

    minutes: float
    low: float
    high: float
    words: str
    waits: bool


class HeightOut(Out):
    """All of that advice."""

    altitude_m: float
    boiling_c: float
    rows: list[Adjustment]
    source: str
    caution: str


class OvenViewOut(Out):
    """Everything at the oven."""

    card: BakeCardOut
    schools: list[SchoolOut]
    lead: int | None = Field(description="place of the pan the schools are worked out for")
    shelf_width_cm: float | None
    shelf_depth_cm: float | None
    shelves: int
    loads: list[LoadOut]
    waiting: WaitingOut
    ways: list[WayRowOut]
    height: HeightOut | None
    findings: list[Finding]


class MomentOut(Out):
    """One minute of a bake."""

    at_min: int
    centre_c: float
    centre: str
    crust: str


class CurveOut(Out):
    """A bake at one setting."""

    dial: str
    first_look_min: int
    likely_min: int
    latest_min: int
    phase_ends_min: list[int]
    moments: list[MomentOut]


class CurvesOut(Out):
    """A bake at every setting of the dial within reach, coolest first."""

    label: str
    done_c: float | None
    chosen: int = Field(description="place of the curve as chosen")
    curves: list[CurveOut]
