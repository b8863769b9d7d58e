"""The numbers of finishing: thicknesses, densities, shares, each with its range and source."""

from __future__ import annotations

from entremet.core.batter.styles import Style
from entremet.core.ground.errors import UnknownReference
from entremet.core.ground.provenance import Figure, assumed
from entremet.core.ground.reference import ReferenceValue, reference_values

PRACTICE: dict[str, ReferenceValue] = reference_values("entremet.core.finishing", "practice.toml")


def practice(key: str) -> ReferenceValue:
    """Return a number of the table.

    Raises
    ------
    UnknownReference
        When it holds none of that key.

    >>> practice("density_buttercream").value
    0.95
    """
    if key not in PRACTICE:
        raise UnknownReference(f"No finishing practice is called “{key}”.", field="finish")
    return PRACTICE[key]


def bake_loss(style: Style) -> float:
    """Return the share of a batter's weight that leaves in the oven: as measured, else practice."""
    return (style.bake_loss or practice("bake_loss")).value


def usual(key: str, words: str) -> Figure:
    """Return a number of the table as a figure that says it is assumed, with its range."""
    row = practice(key)
    return assumed(row.value, f"{words}; practice, {row.low:g} to {row.high:g} {row.unit}")
