"""The window of time: when to look, when it is likely done, when it should be out."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.baking.constants import HEAT, HeatConstants

FIRST_LOOK = 0.8
"""Share of the likely time before which the door stays shut; practice."""

NINETY_PERCENT = 1.6448536269514722
"""Standard deviations to the 5 % and 95 % points of a normal distribution."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Spread:
    """How sure a time is, as a share, with what each cause adds.

    Parameters
    ----------
    base : float
        Spread of the recipe's own bake.
    pan : float
        Added by a pan unlike the recipe's.
    oven_kind : float
        Added by another kind of oven.
    """

    base: float
    pan: float = 0.0
    oven_kind: float = 0.0

    @property
    def causes(self) -> tuple[tuple[str, float], ...]:
        """What widens the window, in words, with the spread each brings."""
        named = (("the recipe's own bake", self.base),
                 ("a pan unlike the recipe's", self.pan),
                 ("another kind of oven", self.oven_kind))
        return tuple((words, share) for words, share in named if share > 0)

    @property
    def total(self) -> float:
        """Standard deviation of the log of the minutes."""
        return math.sqrt(self.base**2 + self.pan**2 + self.oven_kind**2)


@dataclass(frozen=True, slots=True, kw_only=True)
class Window:
    """Minutes after the pan goes in; first look ≤ likely ≤ latest.

    The ``shown`` minutes are whole: likely to the nearest, looks down, latest up.
    """

    first_look_min: float
    early_min: float
    likely_min: float
    latest_min: float

    @property
    def shown(self) -> tuple[int, int, int, int]:
        """First look, early, likely and latest in whole minutes."""
        return (math.floor(self.first_look_min + 1e-9), math.floor(self.early_min + 1e-9),
                math.floor(self.likely_min + 0.5), math.ceil(self.latest_min - 1e-9))


def spread(*, base: float, load: float, source_load: float | None,
           oven_kind_changes: bool, on_hob: bool = False,
           constants: HeatConstants = HEAT) -> Spread:
    """Return the spread of a bake.

    Parameters
    ----------
    base : float
        s₀, from the pace.
    load, source_load : float
        Bare heat loads of this pan and of the recipe's; None where the recipe has no pan.
    oven_kind_changes : bool
        Whether the kitchen's oven is of another kind.
    on_hob : bool
        Whether it is a pot over a flame, which no dial sets.
    """
    return Spread(
        base=max(base, constants.sd_hob) if on_hob else base,
        pan=constants.sd_per_log_load * abs(math.log(load / source_load)) if source_load else 0.0,
        oven_kind=constants.sd_oven_kind if oven_kind_changes else 0.0)


def window(likely_min: float, how: Spread, *, range_low: float = 1.0) -> Window:
    """Return the window about a likely time.

    Parameters
    ----------
    likely_min : float
        Minutes, above zero.
    how : Spread
        Its spread; early and latest are the 5 % and 95 % points of a log-normal.
    range_low : float
        Low end of the recipe's stated range over its middle; 1 where it states one number.
    """
    wide = math.exp(NINETY_PERCENT * how.total)
    return Window(first_look_min=FIRST_LOOK * likely_min * range_low,
                  early_min=likely_min / wide, likely_min=likely_min,
                  latest_min=likely_min * wide)
