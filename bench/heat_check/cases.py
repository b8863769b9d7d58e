"""The fixed list of pans, as bodies for the solver and as pans for the closed form."""

from __future__ import annotations

import tomllib
from dataclasses import dataclass
from pathlib import Path

from bench.heat_check.field import Body, Materials
from entremet.core.baking.constants import HEAT
from entremet.core.baking.heat_balance import minutes, single
from entremet.core.baking.heat_load import heat_load
from entremet.core.ground.provenance import given
from entremet.core.ground.reference import ReferenceValue, reference_value
from entremet.core.pans.outlines import Outline, Rectangle, Ring, Round
from entremet.core.pans.pan import Pan, PanKind

HERE = Path(__file__).parent
DENSITY, START_C, DONE_C, OVEN_C = 0.92, 21.0, 97.0, 170.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Case:
    """One pan with its batter."""

    name: str
    pan: Pan
    batter_g: float

    @property
    def batter_ml(self) -> float:
        """Volume of the raw batter."""
        return self.batter_g / DENSITY

    @property
    def depth_cm(self) -> float:
        """Depth of the raw batter."""
        return self.pan.depth_cm(self.batter_ml)

    def closed_min(self) -> float:
        """Time of the closed form at pace 1, uncalibrated."""
        load = heat_load(self.pan, batter_g=self.batter_g, batter_ml=self.batter_ml)
        found = minutes(single(load.total, OVEN_C, pace=1.0, start_c=START_C, done_c=DONE_C,
                               lag_min=HEAT.lag_of(load.stands_cm)))
        if found is None:
            raise RuntimeError("the oven is too cool")
        return found

    def body(self) -> Body:
        """The batter as the solver takes it: the mean of a sloping wall, the true depth."""
        base, depth = self.pan.base, self.depth_cm
        inner = 0.0
        if isinstance(base, Rectangle):
            rim = self.pan.rim
            share = depth / 2 / self.pan.wall_cm.value
            outer = (base.width + (rim.width - base.width) * share) / 2 if isinstance(
                rim, Rectangle) else base.width / 2
        elif isinstance(base, Ring):
            inner, outer = base.tube / 2, base.outer / 2
        else:
            outer = (self.batter_ml / depth / 3.141592653589793) ** 0.5
        return Body(inner_m=inner / 100, outer_m=outer / 100, height_m=depth / 100,
                    density=DENSITY * 1000, wall_m=self.pan.wall_cm.value / 100,
                    axisymmetric=not isinstance(base, Rectangle))


def cases() -> tuple[list[Case], str]:
    """Return the pans in order, and the name of the recipe's own."""
    table = tomllib.loads((HERE / "cases.toml").read_text(encoding="utf-8"))
    return [_case(row) for row in table["cases"]], str(table["reference"])


def materials_table() -> dict[str, ReferenceValue]:
    """Return the values of the solver with their ranges."""
    rows = tomllib.loads((HERE / "materials.toml").read_text(encoding="utf-8"))
    return {name: reference_value(row) for name, row in rows.items()}


def materials(**changed: float) -> Materials:
    """Return the middle values, some of them changed."""
    return Materials(**{**{name: row.value for name, row in materials_table().items()}, **changed})


def _case(row: dict[str, object]) -> Case:
    def length(name: str, fallback: float = 0.0) -> float:
        return float(str(row.get(name, fallback)))

    across, width = length("across"), length("width")
    rim_across, rim_width = length("rim_across", across), length("rim_width", width)
    base: Outline
    rim: Outline
    match row["shape"]:
        case "round":
            kind = PanKind.WELLS if rim_across > across else PanKind.FLAT
            base, rim = Round(diameter=across), Round(diameter=rim_across)
        case "ring":
            kind = PanKind.RING
            base = rim = Ring(outer=across, tube=length("tube"))
        case _:
            kind = PanKind.LOAF if rim_width > width else PanKind.FLAT
            base = Rectangle(length=across, width=width)
            rim = Rectangle(length=rim_across, width=rim_width)
    return Case(name=str(row["name"]), batter_g=length("batter_g"), pan=Pan(
        label=str(row["name"]), kind=kind, base=base, rim=rim,
        wall_cm=given(length("wall_cm"), "as listed")))
