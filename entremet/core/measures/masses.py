"""Masses as a kitchen scale shows them."""

from __future__ import annotations

import math
from collections.abc import Sequence


def steps_of(mass_g: float, *, scale_step_g: float) -> int:
    """Return the mass as a whole number of scale steps, halves upwards."""
    return math.floor(mass_g / scale_step_g + 0.5)


def show_mass(mass_g: float, *, scale_step_g: float = 1.0) -> str:
    """Write a mass to the step of the scale.

    Parameters
    ----------
    mass_g : float
        Grams, zero or more.
    scale_step_g : float
        What the scale reads to, grams, above zero.

    >>> show_mass(337.6), show_mass(0.2), show_mass(1.94, scale_step_g=0.1)
    ('338 g', 'under 1 g', '1.9 g')
    """
    steps = steps_of(mass_g, scale_step_g=scale_step_g)
    if steps == 0 and mass_g > 0:
        return f"under {scale_step_g:g} g"
    return f"{_steps_text(steps, scale_step_g)} g"


def share_steps(parts_g: Sequence[float], *, scale_step_g: float = 1.0) -> list[float]:
    """Round the parts of a split to scale steps so that they sum to the whole as shown.

    The largest remainders get the steps that plain rounding would lose or invent.

    >>> share_steps([10.4, 10.4, 10.4])
    [11.0, 10.0, 10.0]
    """
    whole = steps_of(sum(parts_g), scale_step_g=scale_step_g)
    raw = [part / scale_step_g for part in parts_g]
    floors = [math.floor(share) for share in raw]
    order = sorted(range(len(raw)), key=lambda i: (floors[i] - raw[i], i))
    for i in order[: whole - sum(floors)]:
        floors[i] += 1
    return [round(share * scale_step_g, 6) for share in floors]


def _steps_text(steps: int, scale_step_g: float) -> str:
    places = max(0, -math.floor(math.log10(scale_step_g)))
    return f"{steps * scale_step_g:.{places}f}"
