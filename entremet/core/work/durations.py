"""How long hands are busy with each step: a table, by the size of the cake."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.batter.styles import Style
from entremet.core.ground.provenance import Figure, assumed
from entremet.core.ground.reference import ReferenceValue, read_table, reference_value
from entremet.core.pans.pan import AnyPan, Pan, PanKind

USUAL_ACROSS_CM = 20.0
LINES_OF_THE_TABLE = 14
FURTHER_MIX = 0.5
"""A further mix takes half of the first: bowl and tools are out; practice, range 0.4 to 0.7."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Duration:
    """A row of the table: minutes at 20 cm, and how they grow with the diameter."""

    minutes: ReferenceValue
    power: float


DURATIONS = {key: Duration(minutes=reference_value(row["minutes"]), power=float(row["power"]))
             for key, row in read_table("entremet.core.work", "minutes.toml").items()}


def hands_min(key: str, *, across_cm: float, times: float = 1.0) -> Figure:
    """Return how long hands are likely busy with a step, minutes.

    Parameters
    ----------
    key : str
        Row of the table.
    across_cm : float
        Diameter of the cake, or of a disc of its area; above zero.
    times : float
        How many pans, or what share of the lines.

    >>> round(hands_min("mix_creamed", across_cm=20).value)
    20
    """
    row = DURATIONS[key]
    size = (across_cm / USUAL_ACROSS_CM) ** row.power * times
    return assumed(row.minutes.value * size, f"usual for this step (practice, "
                   f"{row.minutes.low * size:.0f} to {row.minutes.high * size:.0f} min)")


def across_cm(pan: AnyPan) -> float:
    """Return the diameter of a disc of a pan's area; 20 cm where its size is not known.

    A tray of wells counts as all of its wells.
    """
    if not isinstance(pan, Pan):
        return USUAL_ACROSS_CM
    wells = pan.wells if pan.kind is PanKind.WELLS else 1
    return math.sqrt(4 * pan.rim.area() * wells / math.pi)


def mixing_row(style: Style) -> str:
    """Return the row of the table that a style is mixed by."""
    if style.traits.clings:
        return "mix_foam"
    return "mix_creamed" if style.traits.chills else "mix_one_bowl"
