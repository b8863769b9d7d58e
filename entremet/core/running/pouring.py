"""Batter weighed into pans: what each still wants, what too much does, what stays in the bowl."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from entremet.core.running.sheet import Pour

HARMLESS = 0.02
"""So much more or less in a pan moves nothing that can be seen; practice, 0.01 to 0.03."""

MIXED_IN = 0.05
"""Up to so much too much of a line the rest of the bowl may follow it; practice, 0.03 to 0.08."""


@dataclass(frozen=True, slots=True, kw_only=True)
class PanToFill:
    """One pan: its place in the row of all pans, what it wants, what is in it."""

    place: int
    pan: str
    wanted_g: float
    poured_g: float | None

    @property
    def left_g(self) -> float:
        """What is still to pour; below zero is too much."""
        return self.wanted_g - (self.poured_g or 0.0)


def pans_to_fill(pours: Sequence[Pour], poured: Mapping[int, float]) -> list[PanToFill]:
    """Return every pan in the order it is filled."""
    each = [(pour.pan, pour.each_g) for pour in pours for _ in range(pour.count)]
    return [PanToFill(place=place, pan=pan, wanted_g=g, poured_g=poured.get(place))
            for place, (pan, g) in enumerate(each)]


def bowl_loss_g(pours: Sequence[Pour], poured: Mapping[int, float],
                batter_g: float) -> float | None:
    """Return what stayed in the bowl once every pan is filled; None before that.

    Parameters
    ----------
    batter_g : float
        What went into the bowl, above zero. A loss below zero is a weighing that went wrong and
        gives None.
    """
    pans = pans_to_fill(pours, poured)
    if not pans or any(one.poured_g is None for one in pans):
        return None
    loss = batter_g - sum(one.poured_g or 0.0 for one in pans)
    return loss if loss >= 0 else None


def over_words(g: float, wanted_g: float, *, rest: int = 0, poured: bool = False) -> str:
    """Say what too much means and what can be done; empty where it is not too much.

    Parameters
    ----------
    g, wanted_g : float
        What is there, and what was wanted; wanted above zero.
    rest : int
        Lines or pans that still come.
    poured : bool
        Whether it is batter in a pan, not a line in the bowl.

    >>> over_words(514, 500, rest=2)
    'Over by 14 g: take some out, or make the rest 1.03 times as much.'
    """
    over = g - wanted_g
    if over < 0.5:
        return ""
    said = f"Over by {over:.0f} g"
    if over <= HARMLESS * wanted_g:
        return f"{said}: nothing that shows; leave it."
    if poured:
        share = f", or let the other {rest} have {over / rest:.0f} g less each" if rest else ""
        return f"{said}: spoon some back{share}."
    if rest and over <= MIXED_IN * wanted_g:
        return f"{said}: take some out, or make the rest {g / wanted_g:.2f} times as much."
    return f"{said}: take some out."
