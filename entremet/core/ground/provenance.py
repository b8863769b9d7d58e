"""Where a number comes from: given, measured, worked out or assumed."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum

from entremet.core.ground.errors import CoreError


class Origin(Enum):
    """The four ways a number can come about."""

    GIVEN = "given"
    MEASURED = "measured"
    WORKED_OUT = "worked_out"
    ASSUMED = "assumed"


@dataclass(frozen=True, slots=True, kw_only=True)
class Figure:
    """A number with its origin.

    Parameters
    ----------
    value : float
        The number, finite, in the unit its holder names.
    origin : Origin
        How it came about.
    note : str
        The same in a baker's words, short.
    assumptions : tuple of str
        What was assumed further back, in words; empty when nothing was.
    """

    value: float
    origin: Origin
    note: str
    assumptions: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        if not math.isfinite(self.value):
            raise CoreError("A figure has to be a finite number.", field="value")


def given(value: float, note: str = "as the recipe has it") -> Figure:
    """Return a figure the recipe or the baker gave."""
    return Figure(value=value, origin=Origin.GIVEN, note=note)


def measured(value: float, note: str) -> Figure:
    """Return a figure somebody weighed or measured."""
    return Figure(value=value, origin=Origin.MEASURED, note=note)


def assumed(value: float, note: str) -> Figure:
    """Return a figure taken for want of a better one; it carries its own assumption."""
    return Figure(value=value, origin=Origin.ASSUMED, note=note, assumptions=(note,))


def worked_out(value: float, note: str, *sources: Figure) -> Figure:
    """Return a figure computed from others; their assumptions go with it.

    >>> wall = assumed(5.0, "wall 5 cm assumed")
    >>> worked_out(2.5, "half the wall", wall).assumptions
    ('wall 5 cm assumed',)
    """
    seen: dict[str, None] = {}
    for source in sources:
        seen.update(dict.fromkeys(source.assumptions))
    return Figure(value=value, origin=Origin.WORKED_OUT, note=note, assumptions=tuple(seen))
