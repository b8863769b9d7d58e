"""Dough patted out and cut: rounds from the first cut, and from the trimmings pressed together."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.pans.packing import packed
from entremet.core.pans.pan import Pan

TRIMMINGS_USED = 0.8
"""Share of the trimmings that one more cut uses; practice, range 0.6 to 0.9."""


@dataclass(frozen=True, slots=True, kw_only=True)
class CutOut:
    """Rounds cut from one sheet of dough.

    Parameters
    ----------
    first : int
        From the sheet as patted out.
    again : int
        From its trimmings, pressed to the same thickness once.
    """

    first: int
    again: int


def cut_out(pan: Pan, cutter_cm: float) -> CutOut:
    """Count rounds of one width from dough patted to an outline.

    Parameters
    ----------
    pan : Pan
        The dough; its outline is its area.
    cutter_cm : float
        Width of the cutter, 1 to 30 cm.

    >>> from entremet.core.pans.outlines import Round
    >>> from entremet.core.pans.pan import straight
    >>> cut_out(straight("dough", Round(diameter=20), 2), 6)
    CutOut(first=8, again=2)
    """
    first = packed(pan.base, cutter_cm).count
    rest = pan.base.area() - first * math.pi * cutter_cm**2 / 4
    again = int(rest * TRIMMINGS_USED / (math.pi * cutter_cm**2 / 4))
    return CutOut(first=first, again=max(0, again))
