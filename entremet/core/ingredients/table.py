"""The ingredient table: what a volume of each ingredient weighs, and what it does in a batter."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from enum import Enum
from functools import cached_property

from entremet.core.ground.errors import UnknownReference
from entremet.core.ground.reference import Basis, ReferenceValue, read_rows
from entremet.core.ingredients.names import plain, without_cut
from entremet.core.ingredients.usual import USUAL, Usual
from entremet.core.measures.amounts import Precision

_HERE = "entremet.core.ingredients"


class Role(Enum):
    """What an ingredient does in a batter."""

    FLOUR = "flour"
    STARCH = "starch"
    SUGAR = "sugar"
    FAT = "fat"
    EGG = "egg"
    LIQUID = "liquid"
    DAIRY = "dairy"
    ACID_DAIRY = "acid_dairy"
    ACID = "acid"
    LEAVENER = "leavener"
    SALT = "salt"
    COCOA = "cocoa"
    CHOCOLATE = "chocolate"
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
    g_per_100ml : ReferenceValue or None
        Density as bakers fill measures, with its range and source; None where nobody weighed one.
    states : mapping of str to ReferenceValue
        Densities when it is sifted, packed, chopped and so on.
    piece_g : ReferenceValue or None
        One piece, where it is counted.
    water, fat : float or None
        Share of its weight; None where it is not known.
    composition : str
        Where these two come from.
    own : bool
        Whether the baker added it.
    """

    key: str
    name: str
    aliases: tuple[str, ...]
    role: Role
    measure: str
    g_per_100ml: ReferenceValue | None
    states: Mapping[str, ReferenceValue]
    piece_g: ReferenceValue | None = None
    water: float | None = None
    fat: float | None = None
    composition: str = ""
    own: bool = False

    def density(self, state: str = "") -> ReferenceValue | None:
        """Return grams per 100 ml in a state; the baker's own weight stands for every state."""
        if self.g_per_100ml is not None and self.g_per_100ml.basis is Basis.MEASURED:
            return self.g_per_100ml
        return self.states.get(state, self.g_per_100ml)

    def weighed(self, g_per_100ml: float, note: str) -> Ingredient:
        """Return the same ingredient with the baker's own weight of a measure.

        Parameters
        ----------
        g_per_100ml : float
            Between 1 and 2000.
        note : str
            What was weighed, in words.
        """
        return replace(self, g_per_100ml=ReferenceValue(
            value=g_per_100ml, low=1, high=2000, unit="g/100 ml", basis=Basis.MEASURED,
            source=note))


def precision_of(role: Role | None) -> Precision:
    """Return how closely spoons have to meet an ingredient of that role."""
    if role is Role.LEAVENER:
        return Precision.RAISING
    if role in (Role.SALT, Role.FLAVOUR):
        return Precision.SEASONING
    return Precision.OTHER


class IngredientTable:
    """Ingredients by key and by name.

    Parameters
    ----------
    rows : iterable of Ingredient
        The baker's own come last; their names win.
    usual : Usual
        The cups and the eggs of a card that names none.
    """

    def __init__(self, rows: Iterable[Ingredient], usual: Usual = USUAL) -> None:
        self.rows: dict[str, Ingredient] = {row.key: row for row in rows}
        self.usual = usual

    @cached_property
    def phrases(self) -> dict[str, str]:
        """Keys by every name, in plain form."""
        return {plain(phrase): row.key for row in self.rows.values()
                for phrase in (row.name, *row.aliases)}

    def get(self, key: str) -> Ingredient:
        """Return the ingredient of that key.

        Raises
        ------
        UnknownReference
            When the table does not hold it; a near neighbour is never taken instead.
        """
        if key not in self.rows:
            raise UnknownReference(f"The ingredient table has no “{key}”.", field="ingredient")
        return self.rows[key]

    def named(self, phrase: str) -> Ingredient | None:
        """Return the ingredient that goes by exactly this name, or None."""
        key = self.phrases.get(plain(phrase))
        return None if key is None else self.rows[key]

    def called(self, phrase: str) -> Ingredient | None:
        """Return the ingredient a card calls so, whatever it says of its cut or its state.

        >>> TABLE.called("thin plum slices").key, TABLE.called("plum jam sponge")
        ('plum', None)
        """
        return self.named(phrase) or self.named(
            " ".join(without_cut(plain(phrase).split())))

    def with_own(self, rows: Iterable[Ingredient], usual: Usual = USUAL) -> IngredientTable:
        """Return a table with the baker's own rows, in place of those of the same key."""
        own = list(rows)
        if not own and usual == self.usual:
            return self
        return IngredientTable((self.rows | {row.key: row for row in own}).values(), usual)


def ingredient(key: str) -> Ingredient:
    """Return the ingredient of that key from the table as shipped.

    >>> ingredient("runny_honey").role
    <Role.SUGAR: 'sugar'>
    """
    return TABLE.get(key)


def _density(row: Mapping[str, str]) -> ReferenceValue:
    return ReferenceValue(
        value=float(row["measure_g"]) / float(row["measure_ml"]) * 100, low=float(row["low"]),
        high=float(row["high"]), unit="g/100 ml", basis=Basis(row["basis"]), source=row["source"])


def _piece(row: Mapping[str, str]) -> ReferenceValue | None:
    if not row["piece_g"]:
        return None
    source = row["piece_source"]
    return ReferenceValue(
        value=float(row["piece_g"]), low=float(row["piece_low"]), high=float(row["piece_high"]),
        unit="g", source=source,
        basis=Basis.PRACTICE if source == "kitchen practice" else Basis.DATABASE)


def _load() -> IngredientTable:
    states: dict[str, dict[str, ReferenceValue]] = {}
    for row in read_rows(_HERE, "states.csv"):
        states.setdefault(row["key"], {})[row["state"]] = _density(row)
    return IngredientTable(
        Ingredient(
            key=row["key"], name=row["name"],
            aliases=tuple(filter(None, row["aliases"].split(";"))), role=Role(row["role"]),
            measure=row["measure"], g_per_100ml=_density(row), states=states.get(row["key"], {}),
            piece_g=_piece(row), water=_share(row["water"]), fat=_share(row["fat"]),
            composition=row["composition"])
        for row in read_rows(_HERE, "ingredients.csv"))


def _share(percent: str) -> float | None:
    return float(percent) / 100 if percent else None


TABLE = _load()
