"""A simulated kitchen scale: noise, settling, drift, overload, a weak battery, a dropped link."""

from __future__ import annotations

import math
import random
from dataclasses import dataclass, field
from typing import Any

SETTLE_S, FLOW_G_S, MOST_G = 0.4, 60.0, 5000.0
"""How fast the reading follows the load, how fast batter flows, what the scale bears."""


@dataclass(slots=True)
class SimulatedScale:
    """A scale that reads what lies on it, late and not quite.

    Parameters
    ----------
    seed : int
        The same seed, the same readings.
    step_g : float
        What it reads to.
    noise_g, drift_g_min : float
        Spread of a reading, and how far it wanders in a minute.
    """

    seed: int = 1
    step_g: float = 1.0
    noise_g: float = 0.25
    drift_g_min: float = 0.05
    load_g: float = 0.0
    to_pour_g: float = 0.0
    linked: bool = True
    battery_low: bool = False
    _seen_g: float = 0.0
    _tare_g: float = 0.0
    _to_tare: bool = False
    _t: float = 0.0
    _random: random.Random = field(default_factory=random.Random)

    def __post_init__(self) -> None:
        self._random = random.Random(self.seed)

    def pour(self, g: float) -> None:
        """Pour something onto it, at the rate that batter flows; below zero takes off at once."""
        if g < 0:
            self.load_g = max(0.0, self.load_g + g)
        else:
            self.to_pour_g += g

    def lift(self) -> None:
        """Take everything off."""
        self.load_g = self.to_pour_g = 0.0

    def tare(self) -> None:
        """Call what lies on it nothing, as soon as it is steady."""
        self._to_tare = True

    def run(self, seconds: float) -> dict[str, Any] | None:
        """Let time pass and return a reading of the protocol; None while the link is down."""
        flow = min(self.to_pour_g, FLOW_G_S * seconds)
        self.to_pour_g -= flow
        self.load_g += flow
        self._t += seconds
        before = self._seen_g
        self._seen_g += (self.load_g - self._seen_g) * (1 - math.exp(-seconds / SETTLE_S))
        if not self.linked:
            return None
        if self.load_g > MOST_G:
            return {"device": "scale", "t": round(self._t, 2), "overload": True}
        steady = abs(self._seen_g - before) < self.step_g / 2 and self.to_pour_g == 0
        if steady and self._to_tare:
            self._tare_g, self._to_tare = self._seen_g, False
        read = (self._seen_g - self._tare_g + self._random.gauss(0, self.noise_g)
                + self.drift_g_min * self._t / 60)
        reading: dict[str, Any] = {
            "device": "scale", "t": round(self._t, 2), "stable": steady,
            "g": round(round(read / self.step_g) * self.step_g, 3) + 0.0}
        if self.battery_low:
            reading["battery_low"] = True
        return reading
