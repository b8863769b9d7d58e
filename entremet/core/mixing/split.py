"""A batch over several mixes, each of whole eggs, none larger than the bowl."""

from __future__ import annotations

import math
from collections.abc import Sequence

from entremet.core.fitting.rules import MOST_MIXES
from entremet.core.ground.findings import Finding, note, stop, warn
from entremet.core.ground.wording import listed
from entremet.core.mixing.bowl import Bowl

_NEARLY = 1e-9


def usual_split(count: float, most: float) -> tuple[float, ...]:
    """Split eggs over the fewest mixes, as equal as whole eggs allow.

    Parameters
    ----------
    count : float
        Eggs of the whole batch, above zero; what is over a whole number is beaten egg.
    most : float
        Eggs of the largest mix the bowl takes, above zero.

    Returns
    -------
    tuple of float
        Larger mixes first; they sum to the count. All but the last are whole. Where not even one
        egg goes into the bowl, mixes of one egg.

    >>> usual_split(7, 4), usual_split(5.5, 3), usual_split(3, 0.5)
    ((4.0, 3.0), (3.0, 2.5), (1.0, 1.0, 1.0))
    """
    if count <= most * (1 + _NEARLY) or count <= 1:
        return (float(count),)
    whole = math.floor(count + _NEARLY)
    rest = max(0.0, count - whole)
    if rest < 1e-6:
        rest = 0.0
    for mixes in range(2, whole + 1):
        each, more = divmod(whole, mixes)
        sizes = [each + 1.0] * more + [float(each)] * (mixes - more)
        sizes[-1] += rest
        sizes.sort(reverse=True)
        if sizes[0] <= most * (1 + _NEARLY):
            return _fraction_last(sizes)
    sizes = [1.0] * whole
    return tuple([*sizes, rest] if rest else sizes)


def equal_split(gross_g: float, most_g: float) -> tuple[float, ...]:
    """Split a batter without counted eggs into equal mixes; they sum to its weight."""
    mixes = max(1, math.ceil(gross_g / most_g * (1 - _NEARLY)))
    return (gross_g / mixes,) * mixes


def _fraction_last(sizes: list[float]) -> tuple[float, ...]:
    parted = [size for size in sizes if size != int(size)]
    return (*(size for size in sizes if size == int(size)), *parted)


def split_findings(bowl: Bowl | None, gross_g: Sequence[float], most_g: float | None, *,
                   eggs: Sequence[float] | None, asked: Sequence[float],
                   taken: bool) -> list[Finding]:
    """Return what is wrong with a split.

    Parameters
    ----------
    bowl : Bowl or None
        The bowl, where one is chosen.
    gross_g : sequence of float
        Batter of each mix.
    most_g : float or None
        What one mix may weigh.
    eggs : sequence of float or None
        Eggs of each mix; None where no eggs are counted.
    asked : sequence of float
        The split the baker typed; empty for none.
    taken : bool
        Whether it could be taken.
    """
    found = []
    if asked and not taken:
        found.append(warn(
            "mixes_do_not_sum", f"The mixes you typed ({_sizes(asked)}) do not sum to this batch"
            f"{f' ({_sizes(eggs)} is used)' if eggs else ''}.", subject="mixes", field="mixes",
            hint="Type how many eggs go into each mix, all of them together."))
    if bowl is None or most_g is None:
        return found
    if len(gross_g) > 1 and not (asked and taken):
        parts = _sizes(eggs) + " eggs" if eggs else f"{gross_g[0]:.0f} g each"
        found.append(note(
            "split_in_mixes", f"More than {bowl.name} takes at once: mixed in {len(gross_g)}, "
            f"{parts}.", subject=bowl.name, numbers={"most_g": most_g}))
    over = [grams for grams in gross_g if grams > most_g * (1 + 1e-6)]
    if not over:
        return found
    if len(gross_g) == 1 and not asked and (eggs is None or eggs[0] > 1 + _NEARLY):
        found.append(stop(
            "many_mixes", f"{bowl.name} takes {most_g:.0f} g at once, and this batch weighs "
            f"{over[0]:.0f} g: more than {MOST_MIXES} mixes, so it is not split.",
            subject=bowl.name, hint="Take a larger bowl.",
            numbers={"mix_g": over[0], "most_g": most_g}))
    elif eggs is not None and max(eggs) <= 1 + _NEARLY and not asked:
        found.append(stop(
            "one_egg_over_bowl", f"Even a mix of one egg, {max(over):.0f} g, is more than "
            f"{bowl.name} takes while it is mixed ({most_g:.0f} g).", subject=bowl.name,
            hint="Take a larger bowl, or choose exact amounts.",
            numbers={"mix_g": max(over), "most_g": most_g}))
    else:
        found.append(warn(
            "mix_over_bowl", f"{len(over)} of {len(gross_g)} mixes is more than {bowl.name} takes "
            f"while it is mixed: {max(over):.0f} g, and {most_g:.0f} g go in.", subject=bowl.name,
            hint="Split it further.", numbers={"mix_g": max(over), "most_g": most_g}))
    return found


def _sizes(sizes: Sequence[float]) -> str:
    return listed([f"{round(size, 2):g}" for size in sizes])
