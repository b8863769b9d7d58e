"""Batter weighed into pans: what each still wants, what too much does, what stays in the bowl."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from entremet.core.running.sheet import Pour

NEAR_SHARE = 0.9
"""From this share of an amount on it is poured slowly; practice, 0.85 to 0.95."""

HARMLESS = 0.02
"""So much more or less in a pan moves nothing that can be seen; practice, 0.01 to 0.03."""

MIXED_IN = 0.05
"""Up to so much too much of a line the rest of the bowl may follow it; practice, 0.03 to 0.08."""


@dataclass(frozen=True, slots=True, kw_only=True)
class PanToFill:
    """One pan: its place in the row of all pans, what it wants, what was weighed into it.

    ``poured_g`` is None where nothing was weighed: not filled yet, or ``filled`` by hand.
    """

    place: int
    pan: str
    wanted_g: float
    filled: bool
    poured_g: float | None

    @property
    def left_g(self) -> float:
        """What is still to pour; below zero is too much."""
        return self.wanted_g - (self.poured_g or 0.0)


def pans_to_fill(pours: Sequence[Pour], poured: Mapping[int, float]) -> list[PanToFill]:
    """Return every pan in the order it is filled.

    Parameters
    ----------
    pours : sequence of Pour
        Rows of pans.
    poured : mapping of int to float
        By pan what was weighed into it, g; 0 for one that was filled by hand.
    """
    each = [(pour.pan, pour.each_g) for pour in pours for _ in range(pour.count)]
    return [PanToFill(place=place, pan=pan, wanted_g=g, filled=place in poured,
                      poured_g=poured.get(place) or None)
            for place, (pan, g) in enumerate(each)]


@dataclass(frozen=True, slots=True, kw_only=True)
class Band:
    """Grams from which it is poured slowly, and between which it is right."""

    near_g: float
    least_g: float
    most_g: float


def band(wanted_g: float, *, step_g: float) -> Band:
    """Return the marks of an amount on a scale.

    Parameters
    ----------
    wanted_g : float
        The amount, above zero.
    step_g : float
        What the scale reads to, above zero: nothing is righter than half of it.
    """
    return Band(near_g=NEAR_SHARE * wanted_g, least_g=wanted_g - step_g / 2,
                most_g=wanted_g * (1 + HARMLESS) + step_g / 2)


def bowl_loss_share(pours: Sequence[Pour], poured: Mapping[int, float],
                    batter_g: float) -> float | None:
    """Return what stayed in the bowl as a share of its batter.

    None where it cannot be told, and where more came out than was in it: then a weight was wrong.

    Parameters
    ----------
    pours, poured, batter_g
        As for :func:`bowl_loss_g`.
    """
    lost = bowl_loss_g(pours, poured, batter_g)
    return None if lost is None or lost < 0 else lost / batter_g


def bowl_loss_g(pours: Sequence[Pour], poured: Mapping[int, float],
                batter_g: float) -> float | None:
    """Return what stayed in the bowl once every pan is weighed; None before that, or by hand.

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
