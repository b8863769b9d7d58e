"""What the logbook taught, one line each, in a baker's words."""

from __future__ import annotations

import math

from entremet.core.ground.quantities import degrees
from entremet.core.learning.quantities import Taught

CLEAR_SD = 1.0
"""A shift of fewer spreads than this is no more than chance."""

DIAL_CLEAR_C = 5.0
"""A dial that is off by more is worth setting otherwise; practice."""

DIAL_STEP_C = 5.0
"""What a learnt dial is rounded to, so that one more reading does not move every setting."""

DIAL_READINGS = 3
"""Readings before a dial is taken to be off."""


SHIFTS = {
    "oven": (" is {} slower than its dial says", " is {} faster than its dial says",
             " is as its dial says"),
    "recipe": (": {} longer than its card says", ": {} less time than its card says",
               ": as long as its card says"),
    "pan": (" bakes {} slower than other pans of its finish",
            " bakes {} faster than other pans of its finish",
            " bakes as other pans of its finish do"),
}
"""What a shift means of each, longer, shorter and none."""


def bakes_words(count: int) -> str:
    """Write a number of bakes."""
    return "1 bake" if count == 1 else f"{count} bakes"


def shift_words(kind: str, name: str, mean: float, sd: float, count: int) -> str:
    """Say what bakes taught of an oven, a recipe or a pan.

    Parameters
    ----------
    kind, name : str
        "oven", "recipe" or "pan", and what it is called.
    mean, sd : float
        Of the log of its factor.
    count : int
        Bakes behind it.

    >>> shift_words("oven", "Main oven", 0.0677, 0.05, 6)
    'Main oven is 7 % slower than its dial says, ± 5, from 6 bakes.'
    """
    longer, shorter, even = SHIFTS[kind]
    band = f"± {sd * 100:.0f}, from {bakes_words(count)}"
    shift = abs(math.expm1(mean))
    if abs(mean) < CLEAR_SD * sd or shift < 0.005:
        return f"{name}{even}, as far as can be told: {band}."
    return f"{name}{(longer if mean > 0 else shorter).format(f'{shift * 100:.0f} %')}, {band}."


def learnt_dial_c(dial: Taught) -> float:
    """Return by how much an oven is taken to be hotter than its dial; 0 while that is not clear."""
    if dial.count < DIAL_READINGS or abs(dial.value) <= DIAL_CLEAR_C or (
            abs(dial.value) < 2 * dial.sd):
        return 0.0
    return math.copysign(math.floor(abs(dial.value) / DIAL_STEP_C + 0.5) * DIAL_STEP_C,
                         dial.value)


def dial_words(name: str, dial: Taught) -> str:
    """Say what thermometer readings taught of a dial, and what to do about it."""
    off = learnt_dial_c(dial)
    band = f"± {dial.sd:.0f}, from {dial.count} reading{'' if dial.count == 1 else 's'}"
    if not off:
        return f"{name} is within {degrees(max(5.0, abs(dial.value)))} of its dial: {band}."
    way = "hotter" if off > 0 else "cooler"
    return (f"{name} is {degrees(abs(dial.value))} {way} than its dial, {band}: "
            f"set {170 - off:.0f} to get 170.")


def quantity_words(kind: str, name: str, said: Taught) -> str:
    """Say what readings taught of a number beside times.

    Parameters
    ----------
    kind, name : str
        A row of the table of quantities but ``dial``; what it is of.
    said : Taught
        As learnt.

    >>> quantity_words("bowl_loss", "Your bowls", Taught(value=0.024, sd=0.006, count=4))
    'Your bowls keep 2.4 % of the batter, ± 0.6, from 4 readings.'
    """
    factor = abs(said.value - 1) * 100
    more = said.value >= 1
    band = f"± {said.sd * 100:.0f}, from {said.count} reading{'' if said.count == 1 else 's'}"
    match kind:
        case "rise":
            told = f"rises {factor:.0f} % {'more' if more else 'less'} than its style"
        case "density":
            told = f"is a batter {factor:.0f} % {'heavier' if more else 'lighter'} than its style"
        case "bake_loss":
            told = f"loses {said.value * 100:.0f} % of its batter's weight in the oven"
        case "bowl_loss":
            told = f"keep {said.value * 100:.1f} % of the batter"
            band = band.replace(f"± {said.sd * 100:.0f}", f"± {said.sd * 100:.1f}")
        case "preheat":
            told = f"is hot {factor:.0f} % {'later' if more else 'sooner'} than usual for its kind"
        case _:
            told = f"take {factor:.0f} % {'longer' if more else 'less time'} than the book says"
    return f"{name} {told}, {band}."
