"""Quantities in our sentences, marked so that the edge can word them in the kitchen's units.

A sentence of the core is text with quantities in it. Each is written here, with a sign between
number and unit that nobody can type; whatever has no such sign was written by the baker, or is no
quantity, and is never worded anew. The edge replaces every sign (:mod:`.worded`).
"""

from __future__ import annotations

import re

MARK = "\ue000"
"""Between a number and its unit; of the private signs, which are refused where text comes in."""

_WRITTEN = re.compile(
    r"(?<![\w.])-?\d+(?:\.\d+)?(?: (?:to|×) \d+(?:\.\d+)?)* (?:cm²?|°C|ml)(?![\w²])")

BY = "\ue001"
"""The same for a difference: 20 °C cooler is 36 °F cooler."""


def cm(length_cm: float, places: int = 1) -> str:
    """Write a length: to a millimetre, below half a centimetre to a tenth of one.

    >>> plain(f"{cm(4.23)}, {cm(5.0)}, {cm(0.25)}, {cm(31.6, 0)}")
    '4.2 cm, 5 cm, 0.25 cm, 32 cm'
    """
    return f"{number(length_cm, places)}{MARK}cm"


def cm_by(*lengths_cm: float) -> str:
    """Write the sides of a thing.

    >>> plain(cm_by(33, 22.86))
    '33 × 22.9 cm'
    """
    return f"{f'{MARK}×{MARK}'.join(number(one) for one in lengths_cm)}{MARK}cm"


def cm_to(low_cm: float, high_cm: float) -> str:
    """Write a range of lengths.

    >>> plain(cm_to(0.5, 40))
    '0.5 to 40 cm'
    """
    return f"{number(low_cm)}{MARK}to{MARK}{number(high_cm)}{MARK}cm"


def cm2(area_cm2: float) -> str:
    """Write an area."""
    return f"{area_cm2:.0f}{MARK}cm²"


def celsius(heat_c: float, places: int = 0) -> str:
    """Write a temperature.

    >>> plain(f"{celsius(96)}, {celsius(98.76, 1)}")
    '96 °C, 98.8 °C'
    """
    return f"{number(heat_c, places)}{MARK}°C"


def degrees(delta_c: float, places: int = 0) -> str:
    """Write a difference of temperatures.

    >>> plain(f"{degrees(20)} cooler")
    '20 °C cooler'
    """
    return f"{number(delta_c, places)}{BY}°C"


def degrees_to(low_c: float, high_c: float) -> str:
    """Write a range of differences.

    >>> plain(degrees_to(5, 14))
    '5 to 14 °C'
    """
    return f"{number(low_c, 0)}{BY}to{BY}{number(high_c, 0)}{BY}°C"


def ml(volume_ml: float) -> str:
    """Write a volume.

    >>> plain(ml(1846.4))
    '1846 ml'
    """
    return f"{volume_ml:.0f}{MARK}ml"


def ml_to(low_ml: float, high_ml: float) -> str:
    """Write a range of volumes.

    >>> plain(ml_to(50, 100))
    '50 to 100 ml'
    """
    return f"{low_ml:.0f}{MARK}to{MARK}{ml(high_ml)}"


def number(value: float, places: int = 1) -> str:
    """Write a number to so many places, without naughts behind it; below a half to one more.

    >>> number(4.25), number(12.0), number(0.15), number(0.1)
    ('4.2', '12', '0.15', '0.1')
    """
    if places and abs(value) < 0.5:
        places += 1
    text = f"{value:.{places}f}"
    return text.rstrip("0").rstrip(".") if "." in text else text


def marked(text: str) -> str:
    """Return a text of our own, as a data file has it, with its quantities marked.

    >>> marked("to drip at 28 to 32 °C") == f"to drip at 28{MARK}to{MARK}32{MARK}°C"
    True
    """
    return _WRITTEN.sub(lambda found: found[0].replace(" ", MARK), text)


def plain(text: str) -> str:
    """Return a sentence as a metric kitchen reads it."""
    return text.replace(MARK, " ").replace(BY, " ")
