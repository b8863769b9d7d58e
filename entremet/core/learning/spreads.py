"""How far things may be off before anything is logged; rows with ranges in ``spreads.toml``."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.ground.reference import ReferenceValue, reference_values

REFERENCES: dict[str, ReferenceValue] = reference_values("entremet.core.learning", "spreads.toml")


@dataclass(frozen=True, slots=True, kw_only=True)
class Spreads:
    """Standard deviations of priors and of a single bake, logs of minutes.

    Parameters
    ----------
    oven, recipe, untimed, pan : float
        Of an oven, of a recipe with a stated time and without, of a pan.
    noise, bound : float
        Of one bake that was right, and of one that only says "over" or "raw".
    off : float
        How far the right time is from one that was a little over, or raw in the middle.
    apart : float
        Of a recipe in a pan, per log of its heat load over that of the recipe's own pan.
    kind : float
        Of a recipe in another kind of oven than it was written for.
    """

    oven: float
    recipe: float
    untimed: float
    pan: float
    noise: float
    bound: float
    off: float
    apart: float
    kind: float


SPREADS = Spreads(**{name: row.value for name, row in REFERENCES.items()})
