"""Numbers in a baker's words."""

from __future__ import annotations

from collections.abc import Sequence

_SHARES = ((0.10, "a tenth"), (0.125, "an eighth"), (0.167, "a sixth"), (0.20, "a fifth"),
           (0.25, "a quarter"), (0.333, "a third"), (0.40, "two fifths"), (0.50, "half"),
           (0.60, "three fifths"), (0.667, "two thirds"), (0.75, "three quarters"),
           (0.80, "four fifths"), (0.90, "nine tenths"))


def compared(ratio: float, *, more: str, less: str, times: str) -> str:
    """Say how one thing compares with another; the other is to follow.

    Parameters
    ----------
    ratio : float
        Above zero; 1 means equal.
    more, less : str
        Comparatives, for instance "deeper" and "shallower".
    times : str
        The equal form, for instance "as deep".

    Returns
    -------
    str
        Capitalised, ending in "than" or "as".

    >>> compared(1.34, more="deeper", less="shallower", times="as deep")
    'About a third deeper than'
    >>> compared(0.48, more="deeper", less="shallower", times="as deep")
    'About half as deep as'
    """
    difference = abs(ratio - 1)
    if difference < 0.02:
        return f"Just {times} as"
    if ratio >= 1.95:
        return f"{centimetres(ratio)} times {times} as"
    if ratio <= 0.55:
        return f"About {_share(ratio)} {times} as"
    word = more if ratio > 1 else less
    if difference < 0.085:
        return f"{difference * 100:.0f} % {word} than"
    return f"About {_share(difference)} {word} than"


def centimetres(length_cm: float) -> str:
    """Write a length to a millimetre, a whole number without a point.

    >>> centimetres(4.23), centimetres(5.0)
    ('4.2', '5')
    """
    return f"{length_cm:.1f}".removesuffix(".0")


def percent(share: float) -> str:
    """Write a share as whole per cent.

    >>> percent(0.553)
    '55 %'
    """
    return f"{share * 100:.0f} %"


def listed(items: Sequence[str]) -> str:
    """Join items as in a sentence.

    >>> listed(["flour", "salt", "milk"])
    'flour, salt and milk'
    """
    if len(items) < 2:
        return "".join(items)
    return f"{', '.join(items[:-1])} and {items[-1]}"


def _share(share: float) -> str:
    return min(_SHARES, key=lambda row: abs(row[0] - share))[1]
