"""Roots of functions of one number, by Brent's method."""

from __future__ import annotations

from collections.abc import Callable

MOST_STEPS = 200
"""Halving alone needs 50 from any two numbers; so many are never used."""


def brentq(f: Callable[[float], float], low: float, high: float, *, xtol: float = 2e-12,
           rtol: float = 8.881784197001252e-16) -> float:
    """Return a root between two places where a function has different signs.

    Each step is a parabola through the last three places, read the other way round, or a straight
    line through the last two; where neither gets on, the span is halved.

    Parameters
    ----------
    f : callable
        Continuous.
    low, high : float
        Where it has different signs, or is zero.
    xtol, rtol : float
        How near the root has to be, by distance and by share; above zero.

    Raises
    ------
    ValueError
        When the signs are the same.

    >>> round(brentq(lambda x: x * x - 2, 0, 2), 9)
    1.414213562
    """
    before, here, f_before, f_here = low, high, f(low), f(high)
    if f_before == 0:
        return float(before)
    if f_here == 0:
        return float(here)
    if (f_before > 0) == (f_here > 0):
        raise ValueError("the function has the same sign at both ends")
    across, f_across, last, step = before, f_before, 0.0, 0.0
    for _ in range(MOST_STEPS):
        if (f_before > 0) != (f_here > 0):
            # The root lies between this place and the one before it.
            across, f_across = before, f_before
            step = last = here - before
        if abs(f_across) < abs(f_here):
            before, here, across = here, across, here
            f_before, f_here, f_across = f_here, f_across, f_here
        near = (xtol + rtol * abs(here)) / 2
        half = (across - here) / 2
        if f_here == 0 or abs(half) < near:
            return float(here)
        last, step = step, _step(before, here, across, f_before, f_here, f_across)
        if not 2 * abs(step) < min(abs(last), 3 * abs(half) - near):
            step = last = half
        before, f_before = here, f_here
        here += step if abs(step) > near else near if half > 0 else -near
        f_here = f(here)
    return float(here)


def _step(before: float, here: float, across: float, f_before: float, f_here: float,
          f_across: float) -> float:
    """Return where the curve through the known places crosses zero, as a way from here."""
    if abs(f_before) <= abs(f_here):
        return float("inf")
    if before == across:
        return -f_here * (here - before) / (f_here - f_before)
    slope_before = (f_before - f_here) / (before - here)
    slope_across = (f_across - f_here) / (across - here)
    return -f_here * (f_across * slope_across - f_before * slope_before) / (
        slope_across * slope_before * (f_across - f_before))
