"""The constants of the heat balance, each with its range and source in ``heat.toml``."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.ground.reference import ReferenceValue, reference_values
from entremet.core.ovens.settings import OvenKind
from entremet.core.pans.pan import PanFinish

REFERENCES: dict[str, ReferenceValue] = reference_values("entremet.core.baking", "heat.toml")


@dataclass(frozen=True, slots=True, kw_only=True)
class HeatConstants:
    """Plain values of the table, named as its rows; see ``heat.toml`` for units and sources."""

    resistance: float
    inward: float
    wall_weight: float
    lag_min: float
    lag_thin_min: float
    lag_thin_cm: float
    lag_whole_cm: float
    mid_rise: float
    start_room_c: float
    start_warm_c: float
    start_chilled_c: float
    finish_bright: float
    finish_heavy: float
    finish_dark: float
    finish_glass: float
    finish_silicone: float
    finish_paper: float
    strips_wall: float
    covered_top: float
    crust_doubling_c: float
    steam_done_c: float
    steam_factor: float
    hob_factor: float
    cover_from: float

    def lag_of(self, stands_cm: float) -> float:
        """Return the minutes before the centre of a batter of that height warms.

        Whole from a usual cake's height on, that of a thin layer up to a finger's breadth, in
        proportion between; never less for a thicker one. Fitted, see docs/science.md.

        >>> HEAT.lag_of(1.0), HEAT.lag_of(2.5)
        (2.0, 7.0)
        """
        way = (stands_cm - self.lag_thin_cm) / (self.lag_whole_cm - self.lag_thin_cm)
        return self.lag_thin_min + (self.lag_min - self.lag_thin_min) * min(max(way, 0.0), 1.0)

    def finish(self, finish: PanFinish) -> float:
        """Return the factor on the time for a pan's finish."""
        return float(getattr(self, f"finish_{finish.value}"))

    def own_factor(self, kind: OvenKind) -> float:
        """Return the factor on the time of a kind that keeps its own heat; 1 for all others."""
        return {OvenKind.STEAM: self.steam_factor, OvenKind.HOB: self.hob_factor}.get(kind, 1.0)


HEAT = HeatConstants(**{name: row.value for name, row in REFERENCES.items()})
