"""Usual practice and a field by another hand beside the model: three witnesses that disagree."""

from __future__ import annotations

import math
import tomllib
from collections.abc import Iterator
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Any

from entremet.core.baking.constants import HEAT
from entremet.core.baking.heat_balance import Course, minutes, single
from entremet.core.baking.heat_load import HeatLoad, heat_load
from entremet.core.baking.window import USUAL_LOAD, Window, spread, window
from entremet.core.batter.styles import Style, style
from entremet.core.ground.provenance import given
from entremet.core.learning.book import CLOSED_BOOK
from entremet.core.learning.entries import Facts
from entremet.core.learning.spreads import SPREADS
from entremet.core.pans.outlines import Outline, Rectangle, Ring, Round
from entremet.core.pans.pan import Pan, PanKind

KINDS = {"well": PanKind.WELLS, "ring": PanKind.RING, "loaf": PanKind.LOAF}
STYLES = {"creamed": "creamed", "foam": "foam", "pound": "pound"}
REFERENCE_C, DENSITY = 170.0, 0.92
LAG_BEFORE = 7.0
"""Lag of every pan when the other hand's ratios were taken."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Usual:
    """What bakers see of one pan, with what the model says of it untimed."""

    name: str
    low: float
    high: float
    window: Window

    @property
    def over(self) -> float:
        """The model's likely time over the middle of what is usual."""
        return self.window.likely_min / math.sqrt(self.low * self.high)

    @property
    def inside(self) -> bool:
        """Whether all that is usual lies in the window as it is shown."""
        _, early, _, latest = self.window.shown
        return early <= self.low and self.high <= latest


def usual() -> Iterator[Usual]:
    """Yield the pans of usual practice, each as a recipe without a time would be told it."""
    for row in _table()["usual"]:
        kind = style(STYLES[row["style"]])
        batter_g = float(row["batter_g"])
        load = heat_load(_pan(row), batter_g=batter_g, batter_ml=batter_g / kind.density.value)
        likely = minutes(_course(load, float(row["oven_c"]), kind))
        if likely is None:
            raise RuntimeError(row["name"])
        said = CLOSED_BOOK.expects(Facts(oven="", recipe="", pan="", timed=False,
                                          expected_min=likely))
        how = spread(said, slow_style=kind.pace.high / kind.pace.value, untimed=SPREADS.untimed)
        yield Usual(name=row["name"], low=float(row["minutes"][0]), high=float(row["minutes"][1]),
                    window=window(likely, how, apart=math.log(load.total / USUAL_LOAD)))


@dataclass(frozen=True, slots=True, kw_only=True)
class Solved:
    """A pan as the model has it over another hand's field, both against a round 18 of 520 g."""

    name: str
    before: float
    over: float


def solved() -> Iterator[Solved]:
    """Yield the pans of the other hand's field."""
    kind = style("creamed")
    for row in _table()["field"]:
        pan = _pan(row)
        batter_ml = pan.volume_ml(float(row["depth_cm"]))
        load = heat_load(pan, batter_g=batter_ml * DENSITY, batter_ml=batter_ml)
        course = _course(load, REFERENCE_C, kind)
        before = minutes(replace(course, lag_min=LAG_BEFORE)) or math.nan
        field_min = before / float(row["over"])
        yield Solved(name=row["name"], before=float(row["over"]),
                     over=(minutes(course) or math.nan) / field_min)


def told() -> Iterator[str]:
    """Yield the lines of the bench: practice, field and model side by side."""
    yield f"  {'pan':30} {'practice':>9} {'model':>6} {'over':>5}  window"
    for one in usual():
        early, latest = one.window.shown[1], one.window.shown[3]
        yield (f"  {one.name:30} {one.low:3.0f}–{one.high:3.0f}   {one.window.likely_min:5.1f}  "
               f"{one.over:4.2f}  {early}–{latest}{'' if one.inside else '  OUTSIDE'}")
    yield f"  {'pan':30} model over the field of another hand, before and now"
    for row in solved():
        yield f"  {row.name:30} {row.before:4.2f}  {row.over:4.2f}"


def _course(load: HeatLoad, oven_c: float, kind: Style) -> Course:
    return single(load.total, oven_c, pace=kind.pace.value, start_c=HEAT.start_room_c,
                  done_c=kind.done_c.value, lag_min=HEAT.lag_of(load.stands_cm))


def _table() -> dict[str, list[dict[str, Any]]]:
    return tomllib.loads((Path(__file__).parent / "practice.toml").read_text("utf-8"))


def _pan(row: dict[str, Any]) -> Pan:
    def length(name: str, fallback: float = 0.0) -> float:
        return float(str(row.get(name, fallback)))

    across, width = length("across"), length("width")
    base: Outline
    rim: Outline
    if row["shape"] == "ring":
        base = rim = Ring(outer=across, tube=length("tube"))
    elif width:
        base = Rectangle(length=across, width=width)
        rim = Rectangle(length=length("rim", across), width=length("rim_width", width))
    else:
        base, rim = Round(diameter=across), Round(diameter=length("rim", across))
    return Pan(label=str(row.get("name", "")), kind=KINDS.get(str(row["shape"]), PanKind.FLAT),
               base=base, rim=rim, wall_cm=given(length("wall_cm", 7.5), "as listed"))
