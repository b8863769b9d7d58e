"""Roots of functions by a well-kept solver that is loaded when it is first asked."""

from __future__ import annotations

from collections.abc import Callable


def brentq(f: Callable[[float], float], low: float, high: float, *, xtol: float = 2e-12,
           rtol: float = 8.881784197001252e-16) -> float:
    """Return a root between two places where a function has different signs.

    Parameters
    ----------
    f : callable
        Continuous.
    low, high : float
        Where it has different signs, or is zero.
    xtol, rtol : float
        How near the root has to be, by distance and by share.

    Raises
    ------
    ValueError
        When the signs are the same.

    >>> round(brentq(lambda x: x * x - 2, 0, 2), 9)
    1.414213562
    """
    global _solver
    if _solver is None:
        from scipy.optimize import brentq as solver

        _solver = solver
    return float(_solver(f, low, high, xtol=xtol, rtol=rtol))


_solver: Callable[..., float] | None = None
