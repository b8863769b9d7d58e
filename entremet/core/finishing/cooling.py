"""How long a cake takes to cool: its centre falls as one body."""

from __future__ import annotations

import math

from entremet.core.finishing.practice import practice

FROM_C = 96.0
FRIDGE_C = 4.0
ROOM_C = 21.0
SERVED_C = 18.0
"""In the middle, for buttercream and ganache to be soft; practice, 16 to 19."""


def cooling_min(*, mass_g: float, surface_cm2: float, half_cm: float, air_c: float = ROOM_C,
                to_c: float = 26.0) -> float | None:
    """Return the minutes until the middle of a cake is down to a temperature.

    t = τ·ln((T₀ − T_air) / (T_end − T_air)), τ = E·σ·(1 + β·ℓ).

    Parameters
    ----------
    mass_g : float
        Baked mass.
    surface_cm2 : float
        All of its surface, the wall of a tube included.
    half_cm : float
        Half the smaller of height and width; from wall to tube for a ring.
    air_c, to_c : float
        Round it, and wanted in the middle, °C.

    Returns
    -------
    float or None
        None where the air is no cooler than what is wanted.

    >>> round(cooling_min(mass_g=468, surface_cm2=722.7, half_cm=1.89))
    90
    """
    if to_c <= air_c or surface_cm2 <= 0:
        return None
    tau = _tau_min(mass_g, surface_cm2, half_cm)
    return tau * math.log((FROM_C - air_c) / (to_c - air_c))


def warming_min(*, mass_g: float, surface_cm2: float, half_cm: float, air_c: float = ROOM_C,
                to_c: float = SERVED_C) -> float | None:
    """Return the minutes out of the fridge until the middle of a cake is fit to eat.

    The cooling law turned round: t = τ·ln((T_air − T₀) / (T_air − T_end)).

    Parameters
    ----------
    mass_g : float
        Of the finished cake.
    surface_cm2 : float
        All of its surface.
    half_cm : float
        Half the smaller of height and width.
    air_c, to_c : float
        Round it, and wanted in the middle, °C.

    Returns
    -------
    float or None
        None where the air is no warmer than what is wanted.

    >>> round(warming_min(mass_g=1500, surface_cm2=1300, half_cm=5))
    140
    """
    if air_c <= to_c or surface_cm2 <= 0:
        return None
    return _tau_min(mass_g, surface_cm2, half_cm) * math.log(
        (air_c - FRIDGE_C) / (air_c - to_c))


def _tau_min(mass_g: float, surface_cm2: float, half_cm: float) -> float:
    return (practice("cooling").value * mass_g / surface_cm2
            * (1 + practice("cooling_depth").value * half_cm))
