"""Numbers as bakers write them: 1 1/2, 1½, 1.5, 3/4."""

from __future__ import annotations

import re
import unicodedata
from fractions import Fraction

from entremet.core.ground.errors import UnreadableAmount

GLYPHS = {
    Fraction(1, 8): "⅛", Fraction(1, 4): "¼", Fraction(1, 3): "⅓", Fraction(3, 8): "⅜",
    Fraction(1, 2): "½", Fraction(5, 8): "⅝", Fraction(2, 3): "⅔", Fraction(3, 4): "¾",
    Fraction(7, 8): "⅞",
}

_SIGNS = tuple((float(fraction), sign) for fraction, sign in GLYPHS.items())

_WHOLE = re.compile(r"\d+(?:\.\d+)?|\.\d+")
_OVER = re.compile(r"(?:(\d+)\s+)?(\d+)\s*/\s*(\d+)")
_GLYPH = re.compile(r"(\d+)?\s*([⅛¼⅓⅜½⅝⅔¾⅞⅕⅖⅗⅘⅙⅚])")


def read_number(text: str) -> float:
    """Read a number written with a decimal point or comma, a fraction, or both.

    Parameters
    ----------
    text : str
        For instance ``"1 1/2"``, ``"1½"``, ``"1.5"``, ``"1,5"`` or ``"2/3"``.

    Returns
    -------
    float
        The number, zero or more.

    Raises
    ------
    UnreadableAmount
        When the text is anything else; it is never taken for 0.

    >>> read_number("1 1/2"), read_number("2½"), read_number("0,75")
    (1.5, 2.5, 0.75)
    """
    bare = text.strip().replace("⁄", "/").replace(",", ".")
    if _WHOLE.fullmatch(bare):
        return float(bare)
    if over := _OVER.fullmatch(bare):
        whole, top, bottom = over.groups()
        if int(bottom) == 0:
            raise UnreadableAmount(f"“{text}” divides by zero.", field="amount")
        return int(whole or 0) + int(top) / int(bottom)
    if glyph := _GLYPH.fullmatch(bare):
        whole, sign = glyph.groups()
        return int(whole or 0) + unicodedata.numeric(sign)
    raise UnreadableAmount(f"“{text}” is not a number I can read.", field="amount")


def write_number(value: float, *, places: int = 2) -> str:
    """Write a number with a fraction sign where one fits exactly, else with decimals.

    >>> write_number(1.5), write_number(2.0), write_number(0.4)
    ('1½', '2', '0.4')
    """
    whole = int(value)
    rest = value - whole
    for fraction, sign in _SIGNS:
        if abs(rest - fraction) < 0.004:
            return f"{whole or ''}{sign}"
    text = f"{value:.{places}f}"
    return text.rstrip("0").rstrip(".") if "." in text else text
