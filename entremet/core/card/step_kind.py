"""The kinds of work a method is made of."""

from __future__ import annotations

from enum import Enum


class StepKind(Enum):
    """A kind of work in a method."""

    HEAT = "heat"
    LINE = "line"
    WARM = "warm"
    MELT = "melt"
    CREAM = "cream"
    WHIP = "whip"
    BEAT = "beat"
    SIFT = "sift"
    FOLD = "fold"
    RUB = "rub"
    BOIL = "boil"
    STRAIN = "strain"
    MACERATE = "macerate"
    FILL = "fill"
    BAKE = "bake"
    STAND = "stand"
    REST = "rest"
    CHILL = "chill"
    COOL = "cool"
    TURN_OUT = "turn_out"
    CUT = "cut"
    SOAK = "soak"
    COAT = "coat"
