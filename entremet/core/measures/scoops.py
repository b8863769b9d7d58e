"""Volumes as spoons and cups: the fewest scoops that come close enough."""

from __future__ import annotations

from bisect import bisect_left
from collections import Counter
from fractions import Fraction
from functools import lru_cache
from itertools import combinations_with_replacement

from entremet.core.measures.fractions import GLYPHS
from entremet.core.measures.units import Standard

MOST_SCOOPS = 3
CUP_TOLERANCE = 0.03

TEASPOON_SCOOPS = (Fraction(1), Fraction(1, 2), Fraction(1, 4), Fraction(1, 8))
CUP_PARTS = (Fraction(3, 4), Fraction(2, 3), Fraction(1, 2), Fraction(1, 3), Fraction(1, 4))

CUP_SETS = tuple((parts, float(sum(parts))) for parts in ((), *((part,) for part in CUP_PARTS)))
"""What a whole number of cups may be filled up with, and how much that is."""

FIRST_CUP_SETS = (*CUP_SETS[1:], *(
    (parts, float(sum(parts))) for parts in combinations_with_replacement(CUP_PARTS, 2)))
"""What stands for less than a cup."""

# A scoop is a size in teaspoons, or "tbsp"; how many teaspoons that is depends on the standard.
Scoop = Fraction | str


def spoons(volume_ml: float, *, sizes: Standard, tolerance: float) -> str | None:
    """Write a volume as at most three level spoons.

    Parameters
    ----------
    volume_ml : float
        Millilitres, above zero.
    sizes : Standard
        The spoons of the recipe.
    tolerance : float
        Largest share by which the spoons may be off, for instance 0.06.

    Returns
    -------
    str or None
        The fewest spoons within the tolerance, the closest of them; None where three do not do.

    Notes
    -----
    Spoon sizes and the limit of three are practice: more scoops cost more error than a scale.

    >>> from entremet.core.measures.units import standard
    >>> spoons(1.875, sizes=standard("metric"), tolerance=0.1)
    '¼ + ⅛ tsp'
    """
    for totals_ml, texts in _spoon_sets(sizes):
        place = bisect_left(totals_ml, volume_ml)
        nearest = min((i for i in (place - 1, place) if 0 <= i < len(totals_ml)),
                      key=lambda i: abs(totals_ml[i] - volume_ml))
        if abs(totals_ml[nearest] - volume_ml) <= (tolerance + 1e-9) * volume_ml:
            return texts[nearest]
    return None


def cups(volume_ml: float, *, sizes: Standard) -> str | None:
    """Write a volume as at most two cup measures and up to three spoons, within 3 %.

    >>> from entremet.core.measures.units import standard
    >>> cups(2.25 * 236.588, sizes=standard("us"))
    '2¼ cups'
    """
    whole = int(volume_ml / sizes.cup_ml + CUP_TOLERANCE)
    measures = CUP_SETS if whole else FIRST_CUP_SETS
    plain: list[tuple[int, float, str]] = []
    spooned: list[tuple[int, float, str]] = []
    for parts, share in measures:
        rest_ml = volume_ml - (whole + share) * sizes.cup_ml
        if rest_ml < -CUP_TOLERANCE * volume_ml - 1e-9:
            continue
        text = _cup_text(whole, parts)
        pieces = len(parts) + bool(whole)
        if abs(rest_ml) <= CUP_TOLERANCE * volume_ml + 1e-9:
            plain.append((pieces, abs(rest_ml), text))
        elif rest_ml > 0:
            allowed = CUP_TOLERANCE * volume_ml / rest_ml
            if spoon := spoons(rest_ml, sizes=sizes, tolerance=allowed):
                spooned.append((pieces + spoon.count("+"), rest_ml, f"{text} + {spoon}"))
    ranked = sorted(plain) or sorted(spooned)
    return ranked[0][2] if ranked else None


LITTLE_TOLERANCE = 0.34
"""A spoon of what no scale here shows may be off by so much; practice: nobody levels it closer."""


def little(grams: float, g_per_100ml: float | None, *, sizes: Standard) -> str:
    """Write a weight below what a scale shows as the spoon that holds about as much.

    Parameters
    ----------
    grams : float
        Above zero, under a step of the scale.
    g_per_100ml : float or None
        How heavy a measure of it is; None where nobody knows.
    sizes : Standard
        The spoons.

    >>> from entremet.core.measures.units import standard
    >>> little(0.3, 50, sizes=standard("us")), little(0.1, None, sizes=standard("us"))
    ('⅛ tsp', 'a pinch')
    """
    if g_per_100ml is None:
        return "a pinch"
    return spoons(grams / g_per_100ml * 100, sizes=sizes,
                  tolerance=LITTLE_TOLERANCE) or "a pinch"


@lru_cache(maxsize=16)
def _spoon_sets(sizes: Standard) -> tuple[tuple[tuple[float, ...], tuple[str, ...]], ...]:
    """For one, two and three scoops: what they hold, in order, and how each is written."""
    scoops: list[Scoop] = ["tbsp", *TEASPOON_SCOOPS]
    sized = {scoop: sizes.tbsp_ml if scoop == "tbsp" else float(scoop) * sizes.tsp_ml
             for scoop in scoops}
    sets = []
    for count in range(1, MOST_SCOOPS + 1):
        ranked = sorted((sum(sized[scoop] for scoop in many), _spoon_text(many))
                        for many in combinations_with_replacement(scoops, count))
        sets.append((tuple(total for total, _ in ranked), tuple(text for _, text in ranked)))
    return tuple(sets)


def _spoon_text(scoops: tuple[Scoop, ...]) -> str:
    counted = Counter(scoops)
    parts = [f"{counted['tbsp']} tbsp"] if counted["tbsp"] else []
    whole = counted[Fraction(1)]
    signs = [GLYPHS[size] for size in TEASPOON_SCOOPS[1:] for _ in range(counted[size])]
    if whole:
        signs = [f"{whole}{signs[0]}" if signs else str(whole), *signs[1:]]
    if signs:
        parts.append(f"{' + '.join(signs)} tsp")
    return " + ".join(parts)


@lru_cache(maxsize=2048)
def _cup_text(whole: int, parts: tuple[Fraction, ...]) -> str:
    signs = [GLYPHS[part] for part in parts]
    if whole:
        signs = [f"{whole}{signs[0]}" if signs else str(whole), *signs[1:]]
    word = "cups" if whole + sum(parts) > 1 else "cup"
    return f"{' + '.join(signs)} {word}"
