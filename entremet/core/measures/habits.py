"""Lengths as a kitchen reads them: centimetres, inches, or both.

The rules speak metric. What they say is worded anew at the edge for a kitchen of another habit;
a bare number is never a length there, so a sentence names the unit with every length or with the
last of a pair ("33 × 23 cm").
"""

from __future__ import annotations

import math
import re
from enum import Enum

from entremet.core.measures.fractions import GLYPHS

CM_PER_INCH = 2.54
"""By definition."""

EIGHTHS_FROM_CM = 2.54
"""From an inch on a length is told to an eighth, below it to a sixteenth; a ruler's own marks."""


class Units(Enum):
    """How a kitchen reads lengths, weights and volumes."""

    METRIC = "metric"
    US = "us"
    BOTH = "both"


_LENGTHS = re.compile(
    r"(?<![\d.])(\d+(?:\.\d+)?)((?:\s*(?:×|to|–|-)\s*\d+(?:\.\d+)?)*)\s?cm(²?)(?![\w²])")
_PART = re.compile(r"\d+(?:\.\d+)?")


def inches(length_cm: float) -> str:
    """Write a length in inches, to the marks of a ruler.

    Parameters
    ----------
    length_cm : float
        Zero or more.

    Raises
    ------
    ValueError
        For a length that is none.

    >>> inches(20.32), inches(20), inches(1.2), inches(33)
    ('8', '7⅞', '½', '13')
    """
    if not math.isfinite(length_cm) or length_cm < 0:
        raise ValueError(f"no length: {length_cm}")
    parts = 8 if length_cm >= EIGHTHS_FROM_CM else 16
    whole, over = divmod(math.floor(length_cm / CM_PER_INCH * parts + 0.5), parts)
    if over == 0:
        return str(whole)
    return f"{whole or ''}{_fraction(over, parts)}"


def reworded(text: str, units: Units) -> str:
    """Return a sentence of ours with its lengths as the kitchen reads them.

    Parameters
    ----------
    text : str
        Metric, each length with its unit.
    units : Units
        The habit; metric changes nothing.

    >>> reworded("Rises to 4.2 cm, rim at 5 cm.", Units.US)
    'Rises to 1⅝ in, rim at 2 in.'
    >>> reworded("a sheet 33 × 23 cm", Units.BOTH)
    'a sheet 33 × 23 cm (13 × 9 in)'
    """
    if units is Units.METRIC or "cm" not in text:
        return text
    return _LENGTHS.sub(lambda found: _length(found, units), text)


def _length(found: re.Match[str], units: Units) -> str:
    first, more, area = found.groups()
    if area:
        told = f"{float(first) / CM_PER_INCH ** 2:.0f} sq in"
    else:
        told = f"{_PART.sub(lambda one: inches(float(one[0])), first + more)} in"
    return told if units is Units.US else f"{found[0]} ({told})"


def _fraction(over: int, parts: int) -> str:
    shared = math.gcd(over, parts)
    top, bottom = over // shared, parts // shared
    return next((sign for value, sign in GLYPHS.items()
                 if (value.numerator, value.denominator) == (top, bottom)), f"{top}/{bottom}")
