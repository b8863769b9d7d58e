"""Quantities as a kitchen reads them: centimetres, inches, or both; so with heat and volume.

The rules speak metric. What they say is worded anew at the edge for a kitchen of another habit:
every quantity in a sentence of ours is marked, and nothing else is touched.
"""

from __future__ import annotations

import math
import re
from enum import Enum
from typing import Any

from entremet.core.ground.quantities import BY, MARK, plain
from entremet.core.ground.texts import every_text
from entremet.core.measures.fractions import GLYPHS
from entremet.core.measures.scoops import cups, spoons
from entremet.core.measures.units import standard

CM_PER_INCH = 2.54
"""By definition."""

EIGHTHS_FROM_CM = 2.54
"""From an inch on a length is told to an eighth, below it to a sixteenth; a ruler's own marks."""


class Units(Enum):
    """How a kitchen reads lengths, weights and volumes."""

    METRIC = "metric"
    US = "us"
    BOTH = "both"


SPOON_TOLERANCE = 0.1

SMALL_ML, LEAST_CUP_ML = 480.0, 55.0
"""What is measured by hand is told in the cups and spoons that meet it, up to two cups; more, and
what they do not meet, by the nearest quarter.
"""

_US = standard("us")

_QUANTITY = re.compile(
    rf"(-?\d+(?:\.\d+)?(?:(?:[{MARK}{BY}](?:×|to)[{MARK}{BY}]|–)-?\d+(?:\.\d+)?)*)([{MARK}{BY}])"
    r"(cm²|cm|°C|ml)")
_PART = re.compile(r"-?\d+(?:\.\d+)?")
_NAMES = {"cm": "in", "cm²": "sq in", "°C": "°F", "ml": ""}


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


def worded(text: str, units: Units) -> str:
    """Return sentences of ours with their quantities as the kitchen reads them.

    What has no mark is somebody's own words, or no quantity, and stays as it is.

    Parameters
    ----------
    text : str
        With marked quantities (:mod:`entremet.core.ground.quantities`); one sentence, or a whole
        document of them.
    units : Units
        The habit.

    >>> from entremet.core.ground.quantities import celsius, cm, cm_by, degrees
    >>> worded(f"Rises to {cm(4.2)} in your 20 cm tin.", Units.US)
    'Rises to 1⅝ in in your 20 cm tin.'
    >>> worded(f"a sheet {cm_by(33, 23)}, {celsius(170)}", Units.BOTH)
    'a sheet 33 × 23 cm (13 × 9 in), 170 °C (340 °F)'
    >>> worded(f"{degrees(20)} cooler", Units.US)
    '36 °F cooler'
    """
    if MARK not in text and BY not in text:
        return text
    if units is Units.METRIC:
        return plain(text)
    return plain(_QUANTITY.sub(lambda found: _told(found, units), text))


def worded_all(value: Any, units: Units) -> Any:
    """Return a value of the core with every sentence in it worded; what has none is the same.

    >>> worded_all(({"keep": "under 20\ue000°C"}, 3), Units.US)
    ({'keep': 'under 68 °F'}, 3)
    """
    return every_text(value, lambda text: worded(text, units))


def _told(found: re.Match[str], units: Units) -> str:
    numbers, mark, unit = found.groups()
    told = f"{_PART.sub(lambda one: _number(float(one[0]), unit, mark), numbers)} {_NAMES[unit]}"
    if unit == "ml":
        told = _PART.sub(lambda one: _volume(one[0]), numbers)
    return told if units is Units.US or told == found[0] else f"{found[0]} ({told})"


def _number(value: float, unit: str, mark: str) -> str:
    match unit:
        case "cm":
            return inches(value)
        case "cm²":
            return f"{value / CM_PER_INCH ** 2:.0f}"
        case _:
            told = value * 1.8 + (32 if mark == MARK else 0)
            # What an oven is set to is told as its dial has it, what a thermometer reads exactly.
            return f"{5 * round(told / 5) if mark == MARK and told >= 250 else round(told)}"


def _volume(number: str) -> str:
    """Return a volume in the largest measure it fills: cups, tablespoons, teaspoons."""
    volume_ml = float(number)
    if volume_ml < SMALL_ML and (close := (
            cups(volume_ml, sizes=_US) if volume_ml >= LEAST_CUP_ML
            else spoons(volume_ml, sizes=_US, tolerance=SPOON_TOLERANCE))):
        return close
    for least_ml, unit_ml, parts, name in ((59, 236.588, 4, "cup"), (14, 14.787, 2, "tbsp"),
                                           (0.6, 4.929, 4, "tsp")):
        if volume_ml >= least_ml:
            count, over = divmod(math.floor(volume_ml / unit_ml * parts + 0.5), parts)
            told = f"{count or ''}{_fraction(over, parts) if over else ''}"
            plural = "s" if name == "cup" and (count > 1 or (count == 1 and over)) else ""
            return f"{told} {name}{plural}"
    return "a pinch"


def _fraction(over: int, parts: int) -> str:
    shared = math.gcd(over, parts)
    top, bottom = over // shared, parts // shared
    return next((sign for value, sign in GLYPHS.items()
                 if (value.numerator, value.denominator) == (top, bottom)), f"{top}/{bottom}")
