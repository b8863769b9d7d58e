"""Oven settings: what a recipe writes, and what the kitchen's own dial can be turned to.

350 °F, 180 °C and gas mark 4 are one setting written three ways. A setting keeps its written form;
its nominal °C is what the computation uses.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum
from typing import assert_never

from entremet.core.errors import ImpossibleChoice, UnreadableAmount
from entremet.core.measures.fractions import write_number

FAN_C = 20.0
"""A fan oven bakes as a conventional one this much hotter; practice, range 15 to 25 °C."""

COLDEST_C, HOTTEST_C = 40.0, 320.0


class OvenKind(Enum):
    """How the oven brings its heat."""

    CONVENTIONAL = "conventional"
    FAN = "fan"
    GAS = "gas"


class Scale(Enum):
    """What a dial or a recipe counts in."""

    CELSIUS = "C"
    FAHRENHEIT = "F"
    MARK = "mark"


@dataclass(frozen=True, slots=True, kw_only=True)
class Setting:
    """An oven setting as written.

    Parameters
    ----------
    value : float
        Degrees or gas mark; nominally 40 to 320 °C.
    scale : Scale
        What it counts in.
    """

    value: float
    scale: Scale

    def __post_init__(self) -> None:
        readable = math.isfinite(self.value) and self.value > 0
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
            case _:
                assert_never(self.scale)


@dataclass(frozen=True, slots=True, kw_only=True)
class Oven:
    """An oven of the kitchen.

    Parameters
    ----------
    name : str
        What the baker calls it.
    kind : OvenKind
        Conventional, fan or gas.
    scale : Scale
        What its dial counts in.
    step : float
        Distance of two settings on the dial.
    lowest, highest : float
        Ends of the dial, on its own scale.
    shelf_cm : (float, float) or None
        Width and depth of a shelf; None where nobody measured it.
    """

    name: str
    kind: OvenKind
    scale: Scale
    step: float
    lowest: float
    highest: float
    shelf_cm: tuple[float, float] | None = None

    def __post_init__(self) -> None:
        if not (self.step > 0 and self.lowest < self.highest):
            raise ImpossibleChoice("A dial needs a step above zero and two ends.", field="step")

    def heat_c(self, setting: Setting) -> float:
        """Return the °C of a conventional oven that bakes as this one does at a setting."""
        return heat_c(setting, self.kind)

    def words(self, setting: Setting) -> str:
        """Write a setting of this dial, naming the fan."""
        return setting_words(setting, self.kind)


def setting_words(setting: Setting, kind: OvenKind | None) -> str:
    """Write a setting, naming the fan where there is one.

    >>> setting_words(Setting(value=160, scale=Scale.CELSIUS), OvenKind.FAN)
    '160 °C fan'
    """
    return f"{setting.text} fan" if kind is OvenKind.FAN else setting.text


def nominal_c(setting: Setting) -> float:
    """Return the °C a setting stands for.

    Returns
    -------
    float
        °C as written; °F in steps of 25 go to the nearest 10 °C and others to the nearest 5,
        as oven tables do (practice). Gas marks go by °F = 250 + 25 × mark from mark 1,
        ½ = 250 °F, ¼ = 225 °F.

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
        case _:
            assert_never(setting.scale)


def heat_c(setting: Setting, kind: OvenKind) -> float:
    """Return the °C of a conventional oven that bakes as this setting on that kind does.

    >>> heat_c(Setting(value=150, scale=Scale.CELSIUS), OvenKind.FAN)
    170.0
    """
    return nominal_c(setting) + (FAN_C if kind is OvenKind.FAN else 0.0)


def on_dial(oven: Oven, target_heat_c: float, *, lower_by_c: float = 0.0) -> Setting:
    """Return the setting of an oven's dial for a heat, moved down by so many degrees.

    The heat goes to the nearest setting, a tie to the lower one; the move is rounded to the dial's
    step, so a move under half a step is none. The ends of the dial are kept.

    Parameters
    ----------
    oven : Oven
        Whose dial it is.
    target_heat_c : float
        Heat to start from, as a conventional oven, °C.
    lower_by_c : float
        How far to go down from there; below zero goes up.
    """
    air_c = target_heat_c - (FAN_C if oven.kind is OvenKind.FAN else 0.0)
    degrees = {Scale.CELSIUS: 1.0, Scale.FAHRENHEIT: 1.8, Scale.MARK: 1.8 / 25}[oven.scale]
    start = math.ceil(_position(air_c, oven.scale) / oven.step - 0.5) * oven.step
    move = math.copysign(math.floor(abs(lower_by_c) * degrees / oven.step + 0.5) * oven.step,
                         lower_by_c)
    return Setting(value=min(max(start - move, oven.lowest), oven.highest), scale=oven.scale)


def _position(air_c: float, scale: Scale) -> float:
    if scale is Scale.CELSIUS:
        return air_c
    fahrenheit = air_c * 1.8 + 32
    customary = round(fahrenheit / 25) * 25
    if math.isclose(_nominal_of_f(customary), air_c):
        fahrenheit = customary
    return fahrenheit if scale is Scale.FAHRENHEIT else _mark_of_f(fahrenheit)


def _nominal_of_f(fahrenheit: float) -> float:
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
