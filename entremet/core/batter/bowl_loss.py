"""Batter that stays in the bowl, so that pans get what the drawing says."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.provenance import Figure, Origin, assumed, measured

LOSS_G = 10.0
"""Fixed part per mix; practice, range 5 to 25 g."""

LOSS_SHARE = 0.02
"""Part of the gross batter; practice, range 0.01 to 0.04."""

MOST_SHARE = 0.25


@dataclass(frozen=True, slots=True, kw_only=True)
class BowlLoss:
    """What bowl and whisk keep of a batter.

    Parameters
    ----------
    fixed_g : float
        Of each mix, whatever its size.
    share : float
        Of the gross batter, 0 to 0.25.
    origin : Origin
        Assumed until weighed.
    """

    fixed_g: float = LOSS_G
    share: float = LOSS_SHARE
    origin: Origin = Origin.ASSUMED

    def __post_init__(self) -> None:
        if not (math.isfinite(self.share) and 0 <= self.share <= MOST_SHARE):
            raise ImpossibleChoice("A bowl keeps at most a quarter of the batter. Weigh again.",
                                   field="emptied_g")

    def lost_g(self, gross_g: float, mixes: int = 1) -> float:
        """Return what so many mixes leave in the bowl; at most all of it.

        >>> BowlLoss().lost_g(1000.0), BowlLoss().lost_g(1000.0, mixes=2)
        (30.0, 40.0)
        """
        return min(gross_g, self.fixed_g * mixes + self.share * gross_g)

    def net_g(self, gross_g: float, mixes: int = 1) -> float:
        """Return the batter that reaches the pans."""
        return gross_g - self.lost_g(gross_g, mixes)

    def gross_for(self, batter_g: float, mixes: int = 1) -> float:
        """Return the gross batter that puts so much into the pans.

        >>> loss = BowlLoss()
        >>> round(loss.net_g(loss.gross_for(800.0)), 6)
        800.0
        """
        return (batter_g + self.fixed_g * mixes) / (1 - self.share)

    def figure(self, gross_g: float, mixes: int = 1) -> Figure:
        """Return the loss with where it comes from."""
        lost = self.lost_g(gross_g, mixes)
        if self.origin is Origin.MEASURED:
            return measured(lost, f"{self.share * 100:.1f} % of the batter, as your bowl kept when "
                            "you weighed it")
        each = "10 g" if mixes == 1 else f"10 g of each of {mixes} mixes"
        return assumed(lost, f"bowl loss assumed {each} and 2 % of the batter")

    @property
    def words(self) -> str:
        """The rule in words."""
        if self.origin is Origin.MEASURED:
            return f"{self.share * 100:.1f} % of the batter, as you weighed it"
        return "10 g and 2 % of the batter, assumed"


USUAL_LOSS = BowlLoss()


def learnt_loss(*, gross_g: float, left_g: float) -> BowlLoss:
    """Return the loss of a bowl that was weighed full and emptied.

    Parameters
    ----------
    gross_g : float
        Batter that was in it, above zero.
    left_g : float
        What stayed; zero or more, at most a quarter.

    Raises
    ------
    ImpossibleChoice
        When more stayed than bakers leave, or a weight is none.
    """
    if not (math.isfinite(gross_g) and gross_g > 0):
        raise ImpossibleChoice("The batter in the bowl has to weigh something.", field="weighed")
    if not (math.isfinite(left_g) and left_g >= 0):
        raise ImpossibleChoice("What stayed in the bowl cannot weigh less than nothing: is the "
                               "empty bowl's weight right?", field="emptied_g")
    return BowlLoss(fixed_g=0.0, share=left_g / gross_g, origin=Origin.MEASURED)
