"""Ovens of the kitchen: their kind, their dial, how far it is off, their shelves."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.provenance import Figure, assumed, given, measured
from entremet.core.ground.quantities import cm_to, degrees
from entremet.core.ovens.settings import (
    FAN_C,
    FLAMES_C,
    OWN_HEAT,
    OWN_HEAT_WORDS,
    OvenKind,
    Scale,
    Setting,
    heat_c,
    position,
    setting_words,
)

MOST_OFF_C = 60.0
MOST_SHELVES = 8
MOST_PREHEAT_MIN = 90.0

PREHEAT_MIN = {OvenKind.CONVENTIONAL: 20.0, OvenKind.FAN: 15.0, OvenKind.GAS: 15.0,
               OvenKind.COUNTER: 8.0, OvenKind.STEAM: 10.0, OvenKind.HOB: 5.0}
"""Minutes until each kind is hot; practice, about half to half as long again."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Oven:
    """An oven of the kitchen.

    Parameters
    ----------
    name : str
        What the baker calls it.
    kind : OvenKind
        How it brings its heat.
    scale : Scale
        What its dial counts in.
    step : float
        Distance of two settings on the dial.
    lowest, highest : float
        Ends of the dial, on its own scale.
    shelf_cm : (float, float) or None
        Width and depth of a shelf; None where nobody measured it.
    shelves : int
        How many can be used at once, 1 to 8.
    dial_off_c : float
        By how much the oven is hotter than its dial says, °C, from a thermometer; −60 to 60.
    preheat_min : float or None
        Minutes until it is hot, up to 90; None where nobody timed it.
    dial_readings, preheat_readings : int
        How many bakes of the logbook those two come from; 0 where the baker gave them.
    """

    name: str
    kind: OvenKind
    scale: Scale
    step: float
    lowest: float
    highest: float
    shelf_cm: tuple[float, float] | None = None
    shelves: int = 1
    dial_off_c: float = 0.0
    preheat_min: float | None = None
    dial_readings: int = 0
    preheat_readings: int = 0

    def __post_init__(self) -> None:
        if not (math.isfinite(self.step) and self.step > 0 and self.lowest < self.highest):
            raise ImpossibleChoice("A dial needs a step above zero and two ends.",
                                   field="dial_step")
        if self.has_dial:
            if self.scale is Scale.FLAME:
                raise ImpossibleChoice("An oven is set in degrees or marks; a flame is for a pot "
                                       "on the hob.", field="dial")
            Setting(value=self.lowest, scale=self.scale)
            Setting(value=self.highest, scale=self.scale)
        if self.shelf_cm is not None and not all(5 <= side <= 200 for side in self.shelf_cm):
            raise ImpossibleChoice(f"A shelf measures {cm_to(5, 200)} each way.",
                                   field="shelf_width_cm")
        if not 1 <= self.shelves <= MOST_SHELVES:
            raise ImpossibleChoice(f"An oven takes 1 to {MOST_SHELVES} shelves.", field="shelves")
        if not abs(self.dial_off_c) <= MOST_OFF_C:
            raise ImpossibleChoice(f"A dial is off by at most {degrees(60)}; beyond that it "
                                   "wants mending.",
                                   field="dial_off_c")
        if self.preheat_min is not None and not 0 <= self.preheat_min <= MOST_PREHEAT_MIN:
            raise ImpossibleChoice("Heating takes 0 to 90 minutes.", field="preheat_min")

    @property
    def has_dial(self) -> bool:
        """Whether a temperature can be set; steam and the hob keep their own heat."""
        return self.kind not in OWN_HEAT

    @property
    def fan_c(self) -> float:
        """What the fan adds to the air's temperature."""
        return FAN_C if self.kind is OvenKind.FAN else 0.0

    @property
    def preheat(self) -> Figure:
        """Minutes until it is hot, as timed or assumed by its kind."""
        if self.preheat_min is not None and self.preheat_readings:
            return measured(self.preheat_min, f"learnt from {self.preheat_readings} bakes")
        if self.preheat_min is not None:
            return given(self.preheat_min, f"as timed for {self.name}")
        return assumed(PREHEAT_MIN[self.kind], "usual for this kind of oven (practice)")

    def heat_c(self, setting: Setting | None) -> float:
        """Return the °C of a conventional oven that bakes as this one does at a setting.

        No setting is for steam and the hob's lowest flame.
        """
        if not self.has_dial:
            return OWN_HEAT[self.kind] if setting is None else heat_c(setting, self.kind)
        if setting is None:
            raise ImpossibleChoice("An oven with a dial is set to something.", field="oven_setting")
        return heat_c(setting, self.kind) + self.dial_off_c

    def words(self, setting: Setting | None) -> str:
        """Write a setting of this dial, naming the fan; the heat itself where there is no dial."""
        if setting is None:
            return OWN_HEAT_WORDS.get(self.kind, "no setting")
        if setting.scale is Scale.FLAME:
            return f"{setting.text}, lid on"
        return setting_words(setting, self.kind)


def on_dial(oven: Oven, target_heat_c: float, *, lower_by_c: float = 0.0) -> Setting | None:
    """Return the setting of an oven's dial for a heat, moved down by so many degrees.

    The heat goes to the nearest setting, a tie to the lower one; the move is rounded to the dial's
    step, so a move under half a step is none. The ends of the dial are kept. None for steam and
    for the hob's lowest flame, which has no dial; a hotter flame is the level nearest.

    Parameters
    ----------
    oven : Oven
        Whose dial it is.
    target_heat_c : float
        Heat to start from, as a conventional oven, °C.
    lower_by_c : float
        How far to go down from there; below zero goes up.
    """
    if not oven.has_dial:
        level = min(FLAMES_C, key=lambda one: abs(FLAMES_C[one] - target_heat_c))
        return (Setting(value=level, scale=Scale.FLAME)
                if oven.kind is OvenKind.HOB and level > 1 else None)
    air_c = target_heat_c - oven.fan_c - oven.dial_off_c
    degrees = {Scale.CELSIUS: 1.0, Scale.FAHRENHEIT: 1.8, Scale.MARK: 1.8 / 25,
               Scale.FLAME: 1.0}[oven.scale]
    start = math.ceil(position(air_c, oven.scale) / oven.step - 0.5) * oven.step
    move = math.copysign(math.floor(abs(lower_by_c) * degrees / oven.step + 0.5) * oven.step,
                         lower_by_c)
    return Setting(value=min(max(start - move, oven.lowest), oven.highest), scale=oven.scale)
