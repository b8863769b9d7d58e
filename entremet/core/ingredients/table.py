"""The ingredient table: what a volume of each ingredient weighs, and what it does in a batter."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from entremet.core.errors import UnknownReference
from entremet.core.measures.amounts import Precision
from entremet.core.reference import Basis, ReferenceValue, read_table


class Role(Enum):
    """What an ingredient does in a batter."""

    FLOUR = "flour"
    STARCH = "starch"
    SUGAR = "sugar"
    FAT = "fat"
    LIQUID = "liquid"
    LEAVENER = "leavener"
    SALT = "salt"
    FLAVOUR = "flavour"
    FRUIT = "fruit"
    NUT = "nut"


@dataclass(frozen=True, slots=True, kw_only=True)
class Ingredient:
    """One row of the table.

    Parameters
    ----------
    key, name : str
        Stable key, and the name a baker uses.
    aliases : tuple of str
        Other names of the same thing.
    role : Role
        What it does in a batter.
    measure : str
        The household measure behind the density, for instance ``1 cup``.
    g_per_100ml : ReferenceValue
        Density as bakers fill measures, with its range and source.
    """

    key: str
    name: str
    aliases: tuple[str, ...]
    role: Role
    measure: str
    g_per_100ml: ReferenceValue


def precision_of(role: Role | None) -> Precision:
    """Return how closely spoons have to meet an ingredient of that role."""
    if role is Role.LEAVENER:
        return Precision.RAISING
    if role in (Role.SALT, Role.FLAVOUR):
        return Precision.SEASONING
    return Precision.OTHER


def ingredient(key: str) -> Ingredient:
    """Return the ingredient of that key.

    Raises
    ------
    UnknownReference
        When the table does not hold it; a near neighbour is never taken instead.

    >>> ingredient("runny_honey").role
    <Role.SUGAR: 'sugar'>
    """
    if key not in INGREDIENTS:
        raise UnknownReference(f"The ingredient table has no “{key}”.", field="ingredient")
    return INGREDIENTS[key]


def _load() -> dict[str, Ingredient]:
    table = {}
    for key, row in read_table("entremet.core.ingredients", "ingredients.toml").items():
        density = ReferenceValue(
            value=row["measure_g"] / row["measure_ml"] * 100, low=row["low"], high=row["high"],
            unit="g/100 ml", basis=Basis(row["basis"]), source=row["source"])
        table[key] = Ingredient(key=key, name=row["name"], aliases=tuple(row["aliases"]),
                                role=Role(row["role"]), measure=row["measure"],
                                g_per_100ml=density)
    return table


INGREDIENTS = _load()
