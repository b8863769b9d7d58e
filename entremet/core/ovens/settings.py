"""Oven settings: what a recipe writes, and what the kitchen's own dial can be turned to.

350 °F, 180 °C and gas mark 4 are one setting written three ways. A setting keeps its written form;
its nominal °C is what the computation uses.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum
from typing import assert_never

from entremet.core.ground.errors import UnreadableAmount
from entremet.core.ground.reference import reference_values
from entremet.core.measures.fractions import write_number

HEATS = reference_values("entremet.core.ovens", "heats.toml")

FAN_C = HEATS["fan_c"].value
"""A fan oven bakes as a conventional one this much hotter."""

COLDEST_C, HOTTEST_C = 40.0, 320.0


class OvenKind(Enum):
    """How the oven brings its heat."""

    # There is one of each, and they are looked up hundreds of times in a fit.
    __hash__ = object.__hash__

    CONVENTIONAL = "conventional"
    FAN = "fan"
    GAS = "gas"
    COUNTER = "counter"
    STEAM = "steam"
    HOB = "hob"


OWN_HEAT = {OvenKind.STEAM: HEATS["steam_c"].value, OvenKind.HOB: HEATS["hob_c"].value}
"""Kinds that no dial sets, with their heat in °C."""

OWN_HEAT_WORDS = {OvenKind.STEAM: "over boiling water", OvenKind.HOB: "lowest flame, lid on"}

KIND_WORDS = {
    OvenKind.CONVENTIONAL: "conventional oven", OvenKind.FAN: "fan oven",
    OvenKind.GAS: "gas oven", OvenKind.COUNTER: "counter-top oven",
    OvenKind.STEAM: "steamer", OvenKind.HOB: "lidded pot on the hob",
}


class Scale(Enum):
    """What a dial or a recipe counts in."""

    CELSIUS = "C"
    FAHRENHEIT = "F"
    MARK = "mark"
    FLAME = "flame"


FLAME_WORDS = {1.0: "low flame", 2.0: "medium flame", 3.0: "high flame"}
"""Levels of a flame under a lidded pot: a hob has no degrees."""

FLAMES_C = {1.0: HEATS["hob_c"].value, 2.0: HEATS["hob_medium_c"].value,
            3.0: HEATS["hob_high_c"].value}
"""What each counts as, °C of an oven."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Setting:
    """An oven setting as written.

    Parameters
    ----------
    value : float
        Degrees or gas mark; nominally 40 to 320 °C. Of a flame 1 low, 2 medium, 3 high.
    scale : Scale
        What it counts in.
    """

    value: float
    scale: Scale

    def __post_init__(self) -> None:
        if self.scale is Scale.FLAME:
            if self.value not in FLAME_WORDS:
                raise UnreadableAmount("A flame is low, medium or high: 1, 2 or 3.",
                                       field="oven_setting")
            return
        readable = math.isfinite(self.value) and 0 < self.value <= 1000
        if not readable or not COLDEST_C <= nominal_c(self) <= HOTTEST_C:
            raise UnreadableAmount("No oven can be set to that. Write °C, °F or a gas mark.",
                                   field="oven_setting")

    @property
    def text(self) -> str:
        """The setting in words."""
        number = write_number(self.value)
        match self.scale:
            case Scale.CELSIUS:
                return f"{number} °C"
            case Scale.FAHRENHEIT:
                return f"{number} °F"
            case Scale.MARK:
                return f"gas mark {number}"
            case Scale.FLAME:
                return FLAME_WORDS[self.value]
            case _:
                assert_never(self.scale)


def setting_words(setting: Setting, kind: OvenKind | None) -> str:
    """Write a setting, naming the fan where there is one.

    >>> setting_words(Setting(value=160, scale=Scale.CELSIUS), OvenKind.FAN)
    '160 °C fan'
    """
    return f"{setting.text} fan" if kind is OvenKind.FAN else setting.text


CUSTOMARY_F = {475.0: 240.0}
"""What oven tables say otherwise than by the nearest 10 °C; practice."""


def nominal_c(setting: Setting) -> float:
    """Return the °C a setting stands for.

    Returns
    -------
    float
        °C as written; °F in steps of 25 go to the nearest 10 °C and others to the nearest 5,
        as oven tables do (practice), but 475 °F and mark 9, which they call 240. Gas marks go by
        °F = 250 + 25 × mark from mark 1, ½ = 250 °F, ¼ = 225 °F.

    >>> [nominal_c(Setting(value=v, scale=s)) for v, s in
    ...  ((350, Scale.FAHRENHEIT), (4, Scale.MARK), (180, Scale.CELSIUS))]
    [180.0, 180.0, 180]
    """
    match setting.scale:
        case Scale.CELSIUS:
            return setting.value
        case Scale.FAHRENHEIT:
            return _nominal_of_f(setting.value)
        case Scale.MARK:
            return _nominal_of_f(_f_of_mark(setting.value))
        case Scale.FLAME:
            return FLAMES_C[setting.value]
        case _:
            assert_never(setting.scale)


def heat_c(setting: Setting, kind: OvenKind) -> float:
    """Return the °C of a conventional oven that bakes as this setting on that kind does.

    Steam keeps its own heat, whatever is written; so does the hob, but for the level of its flame.

    >>> heat_c(Setting(value=150, scale=Scale.CELSIUS), OvenKind.FAN)
    170.0
    """
    if kind is OvenKind.HOB and setting.scale is Scale.FLAME:
        return nominal_c(setting)
    if kind in OWN_HEAT:
        return OWN_HEAT[kind]
    return nominal_c(setting) + (FAN_C if kind is OvenKind.FAN else 0.0)


def position(air_c: float, scale: Scale) -> float:
    """Return where a heat of the air stands on a scale, in its own degrees or marks."""
    if scale is Scale.CELSIUS:
        return air_c
    fahrenheit = air_c * 1.8 + 32
    customary = round(fahrenheit / 25) * 25
    if math.isclose(_nominal_of_f(customary), air_c):
        fahrenheit = customary
    return fahrenheit if scale is Scale.FAHRENHEIT else _mark_of_f(fahrenheit)


def _nominal_of_f(fahrenheit: float) -> float:
    if fahrenheit in CUSTOMARY_F:
        return CUSTOMARY_F[fahrenheit]
    step = 10 if fahrenheit % 25 == 0 else 5
    return float(math.floor((fahrenheit - 32) / 1.8 / step + 0.5) * step)


def _f_of_mark(mark: float) -> float:
    if mark < 0.5:
        return 225.0
    return 250.0 if mark < 1 else 250.0 + 25 * mark


def _mark_of_f(fahrenheit: float) -> float:
    if fahrenheit < 237.5:
        return 0.25
    return 0.5 if fahrenheit < 262.5 else max(1.0, (fahrenheit - 250) / 25)
