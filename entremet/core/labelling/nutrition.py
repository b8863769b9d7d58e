"""Nutrients per 100 g, worked out from the food table; nothing is said where it has no data."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.ground.provenance import Figure, worked_out
from entremet.core.ground.reference import read_rows
from entremet.core.labelling.goes_in import WATER, GoesIn, food_of

LIGHT = 0.01
"""Share of a cake below which an ingredient without data counts as none of it; practice."""

SALT_OF_SODIUM = 2.5
"""Salt is sodium × 2.5: Regulation (EU) No 1169/2011, Annex I."""

KJ = {"fat": 37.0, "carbohydrate": 17.0, "protein": 17.0, "alcohol": 29.0}
KCAL = {"fat": 9.0, "carbohydrate": 4.0, "protein": 4.0, "alcohol": 7.0}
"""Conversion factors of Regulation (EU) No 1169/2011, Annex XIV."""

NOTE = ("Food composition: USDA Standard Reference 28. Carbohydrate is by difference and holds the "
        "fibre; alcohol counts as none once baked. The table has no saturates, so this is no full "
        "declaration.")


@dataclass(frozen=True, slots=True, kw_only=True)
class Nutrients:
    """What 100 g of a food hold: grams, sodium in mg; None where nobody measured it."""

    protein: float
    fat: float
    carbohydrate: float
    sugars: float | None
    sodium_mg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Nutrient:
    """A row of the table on a label: per 100 g, and per cake or piece."""

    name: str
    unit: str
    per_100g: Figure | None
    each: Figure | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Nutrition:
    """Nutrients of a cake; empty rows with what is missing where not enough is known."""

    rows: tuple[Nutrient, ...]
    missing: tuple[str, ...]
    note: str


def _nutrients(row: dict[str, str]) -> Nutrients:
    return Nutrients(
        protein=float(row["protein_g"]), fat=float(row["fat_g"]), sodium_mg=float(row["sodium_mg"]),
        carbohydrate=float(row["carbohydrate_g"]),
        sugars=float(row["sugars_g"]) if row["sugars_g"] else None)


NUTRIENTS: dict[str, Nutrients] = {
    row["key"]: _nutrients(row) for row in read_rows("entremet.core.labelling", "nutrients.csv")}

_NOTHING = Nutrients(protein=0.0, fat=0.0, carbohydrate=0.0, sugars=0.0, sodium_mg=0.0)


def nutrition_of(rows: Sequence[GoesIn], *, net_g: float, each_g: float) -> Nutrition:
    """Return what a cake holds per 100 g and per cake or piece.

    Parameters
    ----------
    rows : sequence of GoesIn
        What goes into one cake.
    net_g : float
        What it weighs finished, above 0.
    each_g : float
        What one cake or piece weighs.
    """
    whole = sum(one.g for one in rows)
    found = [(one, _NOTHING if one.key == WATER else NUTRIENTS.get(food_of(one.key)))
             for one in rows]
    missing = tuple(one.name for one, data in found
                    if data is None and (one.g >= LIGHT * whole or not one.weighed))
    if missing or net_g <= 0:
        return Nutrition(rows=(), missing=missing, note=NOTE)

    def per_100(of: str) -> float | None:
        total = 0.0
        for one, data in found:
            value = None if data is None else getattr(data, of)
            if value is None and one.g >= LIGHT * whole:
                return None
            total += one.g * (value or 0.0) / 100
        return total / net_g * 100

    protein, fat = per_100("protein") or 0.0, per_100("fat") or 0.0
    carbohydrate = per_100("carbohydrate") or 0.0
    parts = {"fat": fat, "carbohydrate": carbohydrate, "protein": protein}
    sodium = per_100("sodium_mg") or 0.0
    values = [
        ("Energy", "kJ", sum(KJ[name] * grams for name, grams in parts.items())),
        ("Energy", "kcal", sum(KCAL[name] * grams for name, grams in parts.items())),
        ("Fat", "g", fat), ("Saturates", "g", None), ("Carbohydrate", "g", carbohydrate),
        ("Sugars", "g", per_100("sugars")), ("Protein", "g", protein),
        ("Salt", "g", sodium / 1000 * SALT_OF_SODIUM)]
    return Nutrition(missing=(), note=NOTE, rows=tuple(
        Nutrient(name=name, unit=unit,
                 per_100g=None if value is None else worked_out(
                     value, "sum over the ingredients, over the net weight"),
                 each=None if value is None else worked_out(
                     value * each_g / 100, "per 100 g × net weight"))
        for name, unit, value in values))
