"""Batter that stays in the bowl, so that pans get what the drawing says."""

from __future__ import annotations

LOSS_G = 10.0
"""Fixed part per mix; practice, range 5 to 25 g."""

LOSS_SHARE = 0.02
"""Part of the gross batter; practice, range 0.01 to 0.04."""


def bowl_loss_g(gross_g: float) -> float:
    """Return what one mix leaves in the bowl and on the whisk.

    >>> bowl_loss_g(1000.0)
    30.0
    """
    return LOSS_G + LOSS_SHARE * gross_g


def net_g(gross_g: float) -> float:
    """Return the batter that reaches the pans; zero where the bowl keeps it all."""
    return max(0.0, gross_g - bowl_loss_g(gross_g))


def gross_for_net(batter_g: float) -> float:
    """Return the gross batter of one mix that puts this much into the pans.

    >>> round(net_g(gross_for_net(800.0)), 6)
    800.0
    """
    return (batter_g + LOSS_G) / (1 - LOSS_SHARE)
