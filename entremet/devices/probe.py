"""A simulated oven probe: a bake with a pace of its own, noise, doors, a cold spot, a lost link."""

from __future__ import annotations

import math
import random
from dataclasses import dataclass, field
from typing import Any

LAG_MIN = 7.0


@dataclass(slots=True)
class SimulatedProbe:
    """A probe in a bake whose true minutes nobody knows.

    Parameters
    ----------
    seed : int
        The same seed, the same bake.
    start_c, done_c, oven_c : float
        Batter going in, done, the oven as it really is.
    done_min : float
        Minutes at which the middle is done.
    noise_c : float
        Spread of one reading.
    """

    seed: int = 1
    start_c: float = 20.0
    done_c: float = 96.0
    oven_c: float = 170.0
    done_min: float = 36.0
    lag_min: float = LAG_MIN
    noise_c: float = 0.3
    linked: bool = True
    in_cake: bool = True
    minutes: float = 0.0
    _door_min: float = field(default=0.0)
    _random: random.Random = field(default_factory=random.Random)

    def __post_init__(self) -> None:
        self._random = random.Random(self.seed)

    def open_door(self, minutes: float = 1.0) -> None:
        """Open the door for a while."""
        self._door_min = minutes

    def run(self, minutes: float) -> dict[str, Any] | None:
        """Let the bake go on and return a reading of the protocol; None while the link is down."""
        self.minutes += minutes
        air = self.oven_c - (45.0 if self._door_min > 0 else 0.0)
        self._door_min = max(0.0, self._door_min - minutes)
        if not self.linked:
            return None
        centre = self.centre_c if self.in_cake else air
        return {"device": "probe", "t": round(self.minutes * 60, 2),
                "centre_c": round(centre + self._random.gauss(0, self.noise_c), 2),
                "air_c": round(air + self._random.gauss(0, 1.0), 2)}

    @property
    def centre_c(self) -> float:
        """The middle as it really is; it does not pass 100 °C."""
        rise = math.log((self.oven_c - self.start_c) / (self.oven_c - self.done_c))
        tau = max(0.5, self.done_min - self.lag_min) / rise
        since = max(0.0, self.minutes - self.lag_min)
        return min(100.0, self.oven_c - (self.oven_c - self.start_c) * math.exp(-since / tau))
