"""Units of amounts and the standards that size them."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum
from functools import lru_cache

from entremet.core.ground.errors import UnknownReference
from entremet.core.ground.reference import read_table


class Unit(Enum):
    """A unit as a recipe line may use it; the value is how it is written."""

    # There is one of each, and they are looked up hundreds of times in a fit.
    __hash__ = object.__hash__

    GRAM = "g"
    KILOGRAM = "kg"
    OUNCE = "oz"
    POUND = "lb"
    STICK = "stick"
    MILLILITRE = "ml"
    LITRE = "l"
    FLUID_OUNCE = "fl oz"
    PINT = "pint"
    QUART = "quart"
    CUP = "cup"
    TABLESPOON = "tbsp"
    DESSERTSPOON = "dsp"
    TEASPOON = "tsp"
    PINCH = "pinch"
    DASH = "dash"
    DROP = "drop"
    HANDFUL = "handful"
    EGG = "egg"
    YOLK = "yolk"
    WHITE = "white"
    TIN = "tin"
    SACHET = "sachet"
    PACK = "pack"
    PIECE = "piece"


MASS_G = {Unit.GRAM: 1.0, Unit.KILOGRAM: 1000.0, Unit.OUNCE: 28.3495, Unit.POUND: 453.592,
          Unit.STICK: 113.4}
EGG_UNITS = frozenset({Unit.EGG, Unit.YOLK, Unit.WHITE})
HOUSEHOLD_UNITS = frozenset({Unit.CUP, Unit.TABLESPOON, Unit.DESSERTSPOON, Unit.TEASPOON,
                             Unit.PINCH, Unit.DASH, Unit.FLUID_OUNCE, Unit.PINT, Unit.QUART})


@dataclass(frozen=True, slots=True, kw_only=True)
class Standard:
    """Sizes of cup, spoons, fluid ounce and pint in one tradition, in ml."""

    key: str
    name: str
    cup_ml: float
    tbsp_ml: float
    tsp_ml: float
    fl_oz_ml: float
    pint_ml: float


STANDARDS: dict[str, Standard] = {
    key: Standard(key=key, **row)
    for key, row in read_table("entremet.core.measures", "standards.toml").items()
}


def standard(key: str) -> Standard:
    """Return the standard of that key.

    Raises
    ------
    UnknownReference
        When no table holds it.
    """
    if key not in STANDARDS:
        raise UnknownReference(f"There is no measure standard “{key}”.", field="standard")
    return STANDARDS[key]


@lru_cache(maxsize=256)
def ml_per(unit: Unit, sizes: Standard) -> float | None:
    """Return the millilitres in one of the unit, or None for a unit of mass or count.

    >>> ml_per(Unit.TABLESPOON, standard("australian"))
    20.0
    """
    table = {
        Unit.MILLILITRE: 1.0, Unit.LITRE: 1000.0, Unit.FLUID_OUNCE: sizes.fl_oz_ml,
        Unit.CUP: sizes.cup_ml, Unit.TABLESPOON: sizes.tbsp_ml, Unit.TEASPOON: sizes.tsp_ml,
        Unit.DESSERTSPOON: 2 * sizes.tsp_ml, Unit.PINT: sizes.pint_ml,
        Unit.QUART: 2 * sizes.pint_ml,
        Unit.PINCH: sizes.tsp_ml / 16, Unit.DASH: sizes.tsp_ml / 8,
    }
    return table.get(unit)
