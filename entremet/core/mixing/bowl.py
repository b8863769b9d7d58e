"""A mixer bowl: what it holds, and how much batter can really be made in it."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.batter.styles import Style
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.provenance import Figure, assumed, given

WORKING_SHARE = 0.6
"""Share of a bowl that can be used before it is thrown out by the whisk; practice, 0.5 to 0.75."""

SMALLEST_ML, LARGEST_ML = 200.0, 100_000.0
HEAVIEST_G = 20_000.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Bowl:
    """A mixing bowl.

    Parameters
    ----------
    name : str
        What the baker calls it.
    capacity_ml : float
        To the brim, 200 ml to 100 l.
    working_ml : float or None
        What can be used while it is mixed; None takes a share of the capacity.
    tare_g : float or None
        Its own weight, empty.
    """

    name: str
    capacity_ml: float
    working_ml: float | None = None
    tare_g: float | None = None

    def __post_init__(self) -> None:
        if not (math.isfinite(self.capacity_ml)
                and SMALLEST_ML <= self.capacity_ml <= LARGEST_ML):
            raise ImpossibleChoice("A bowl holds 0.2 to 100 litres to its brim.",
                                   field="capacity_ml")
        working = self.working_ml
        if working is not None and not (
                math.isfinite(working) and 100 <= working <= self.capacity_ml):
            raise ImpossibleChoice("What a bowl takes while mixing is at least 0.1 litre and at "
                                   "most what it holds.", field="working_ml")
        if self.tare_g is not None and not (
                math.isfinite(self.tare_g) and 0 < self.tare_g <= HEAVIEST_G):
            raise ImpossibleChoice("An empty bowl weighs from above 0 to 20 000 g.",
                                   field="tare_g")

    @property
    def working(self) -> Figure:
        """Room while mixing, ml."""
        if self.working_ml is not None:
            return given(self.working_ml, "working room of the bowl, as you gave it")
        return assumed(WORKING_SHARE * self.capacity_ml,
                       f"{WORKING_SHARE:.0%} of the bowl taken as its working room")

    def most_g(self, style: Style) -> float:
        """Return the heaviest batter that one mix may have.

        Parameters
        ----------
        style : Style
            Of the batter: a foam stands higher in the bowl than it will be.
        """
        return self.working.value / style.in_bowl.value * style.density.value
