"""Baker's percentages and the ratios that make a batter, beside what is usual for its style."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from enum import Enum

from entremet.core.card.lines import MIXED, Line
from entremet.core.card.recipe import Recipe
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.ground.provenance import Figure, worked_out
from entremet.core.ground.reference import read_table
from entremet.core.ingredients.table import Role

SODA_AS_POWDER = 3.0
"""Grams of baking powder that a gram of soda raises like; practice, 2.5 to 4."""

SELF_RAISING_POWDER = 0.05
"""Baking powder inside self-raising flour, as a share of it; practice, 0.04 to 0.065."""

SODA_TASTED = 0.8
"""Grams of unanswered soda per 100 g of what is dry from which it may taste; practice, 0.3 to 1.
Dark, spiced and cocoa cakes hide half a gram, so that less is not spoken of."""

CHOCOLATE_HOLDS = 0.5
"""Chocolate in the batter, over what is dry, from which it holds the cake up by itself and the
usual ranges of sugar, fat and egg have no upper end; practice."""

DRINK_WATER = 0.9
"""Water in a drink or dairy whose own share is not known; practice, 0.85 to 0.95."""

SODA_WANTING = 0.6
"""Soda under this share of what the acids could answer leaves the batter sour; practice."""

_RANGES: dict[str, dict[str, list[float]]] = read_table("entremet.core.desk", "ranges.toml")
_ACIDS: dict[str, dict[str, float]] = read_table("entremet.core.desk", "acids.toml")
_PER_FLOUR = {
    "sugar": (Role.SUGAR,), "fat": (Role.FAT,), "egg": (Role.EGG,),
    "liquid": (Role.LIQUID, Role.DAIRY, Role.ACID_DAIRY, Role.ACID), "salt": (Role.SALT,),
}
_NAMES = {"sugar": "sugar", "fat": "fat", "egg": "egg", "liquid": "liquid", "salt": "salt",
          "powder": "raising, as baking powder", "soda": "soda in the batch"}


class RatioStanding(Enum):
    """Where a ratio stands beside its usual range."""

    LOW = "low"
    USUAL = "usual"
    HIGH = "high"
    UNKNOWN = "unknown"


@dataclass(frozen=True, slots=True, kw_only=True)
class Ratio:
    """A ratio per 100 g of what is dry beside its usual range, or soda beside what acids answer.

    ``beside`` names the range.
    """

    key: str
    name: str
    beside: str
    figure: Figure
    low: float | None
    high: float | None
    standing: RatioStanding


@dataclass(frozen=True, slots=True, kw_only=True)
class Percentage:
    """A line in baker's percentages: its weight per 100 g of flour and starch."""

    line: int
    name: str
    percent: float


def flour_g(recipe: Recipe) -> float:
    """Return the flour and starch of the batter, grams."""
    return sum(grams for _, grams in _mixed(recipe, Role.FLOUR, Role.STARCH))


def dry_g(recipe: Recipe) -> float:
    """Return what drinks and holds in a batter: flour, starch, cocoa and ground nuts, grams.

    Cocoa and ground nuts stand in for flour, weight for weight; practice.
    """
    return sum(grams for line, grams in _mixed(recipe, Role.FLOUR, Role.STARCH, Role.COCOA,
                                               Role.NUT)
               if line.ingredient is not None and (line.ingredient.role is not Role.NUT
                                                   or _is_ground(line.ingredient.key)))


def _is_ground(key: str) -> bool:
    return key.startswith("ground_") or key in ("desiccated_coconut", "poppy_seeds")


def percentages(recipe: Recipe) -> list[Percentage]:
    """Return baker's percentages of the batter; empty where it has no flour."""
    flour = flour_g(recipe)
    if flour <= 0:
        return []
    return [Percentage(line=line.key, name=line.name, percent=weight.value / flour * 100)
            for line in recipe.lines if line.component in MIXED
            and (weight := recipe.weights[line.key]) is not None]


def ratios(recipe: Recipe) -> list[Ratio]:
    """Return the ratios of a batter, each beside the usual range of its style.

    Parameters
    ----------
    recipe : Recipe
        Resolved; lines without a weight are not counted, which each note says.

    Returns
    -------
    list of Ratio
        Empty where the batter has no flour.
    """
    dry = dry_g(recipe)
    if dry <= 0:
        return []
    what = "flour and starch" if math.isclose(dry, flour_g(recipe)) else (
        "flour, starch, cocoa and ground nuts")
    open_top = sum(grams for _, grams in _mixed(recipe, Role.CHOCOLATE)) > CHOCOLATE_HOLDS * dry
    uncounted = [line for line in recipe.lines if line.component in MIXED
                 and recipe.weights[line.key] is None]
    missing = f"; not counted: {', '.join(line.name for line in uncounted)}" if uncounted else ""
    found = []
    for key, roles in _PER_FLOUR.items():
        grams = sum(grams * (_water(line) if key == "liquid" else 1.0)
                    for line, grams in _mixed(recipe, *roles))
        found.append(_ratio(
            key, grams / dry * 100, recipe,
            open_end=_could_add(uncounted, roles) or _needs_none(key, grams, recipe),
            open_top=open_top and key in ("sugar", "fat", "egg"),
            words=f"{grams:.3g} g to {dry:.0f} g of {what}{missing}"))
    powder = powder_g(recipe)
    found.append(_ratio("powder", powder / dry * 100, recipe,
                        open_end=_could_add(uncounted, (Role.LEAVENER,)),
                        words=f"{powder:.3g} g to {dry:.0f} g of {what}, soda counted "
                              f"{SODA_AS_POWDER:g} times{missing}"))
    soda = soda_answered(recipe)
    if soda is not None:
        found.append(soda)
    return found


def powder_g(recipe: Recipe) -> float:
    """Return the raising agents as grams of baking powder."""
    soda = _grams(recipe, "bicarbonate_of_soda")
    return (_grams(recipe, "baking_powder") + SODA_AS_POWDER * soda
            + SELF_RAISING_POWDER * _grams(recipe, "self_raising_flour"))


def soda_answered(recipe: Recipe) -> Ratio | None:
    """Return soda over what the acids of the batter answer; None without soda."""
    soda = _grams(recipe, "bicarbonate_of_soda")
    if soda <= 0:
        return None
    low = sum(_grams(recipe, key) * row["low"] / 100 for key, row in _ACIDS.items())
    high = sum(_grams(recipe, key) * row["high"] / 100 for key, row in _ACIDS.items())
    figure = worked_out(soda, f"{soda:.2g} g of soda; the acids here answer about {low:.2g} to "
                        f"{high:.2g} g")
    standing = (RatioStanding.HIGH if soda - high > SODA_TASTED * dry_g(recipe) / 100 else
                RatioStanding.LOW if soda < SODA_WANTING * low else RatioStanding.USUAL)
    return Ratio(key="soda", name=_NAMES["soda"], beside="acids answer", figure=figure,
                 low=low, high=high, standing=standing)


def ratio_findings(recipe: Recipe) -> Iterator[Finding]:
    """Yield what stands out; each is a question, nothing is changed."""
    if dry_g(recipe) <= 0 and recipe.lines:
        yield note("no_flour", "No flour with a weight in the batter, so there are no "
                   "percentages.")
    for ratio in ratios(recipe):
        if ratio.standing not in (RatioStanding.LOW, RatioStanding.HIGH):
            continue
        if ratio.key == "soda":
            if ratio.standing is RatioStanding.HIGH:
                yield warn("soda_unanswered", f"More soda than the acids answer: "
                           f"{ratio.figure.note}. It may taste of soap.",
                           numbers={"soda_g": ratio.figure.value},
                           hint="Check the soda, or whether some acid is missing.")
            continue
        side = "Little" if ratio.standing is RatioStanding.LOW else "Much"
        yield warn(f"{ratio.key}_{ratio.standing.value}", f"{side} {ratio.name}: "
                   f"{ratio.figure.value:.3g} g per 100 g of what is dry; {ratio.low:g} to "
                   f"{ratio.high:g} g is usual for {recipe.style.name}.",
                   numbers={"per_100_g": ratio.figure.value}, hint="Is the amount right?")


def _could_add(uncounted: Sequence[Line], roles: Sequence[Role]) -> bool:
    """Return whether a line without a weight could be one of these roles ("salt, to taste")."""
    return any(line.ingredient is None or line.ingredient.role in roles for line in uncounted)


def _water(line: Line) -> float:
    """Return the share of a drink or dairy that is water; coffee is all of it, cream less."""
    water = None if line.ingredient is None else line.ingredient.water
    return DRINK_WATER if water is None else water


def _needs_none(key: str, grams: float, recipe: Recipe) -> bool:
    """Return whether a batter can do with little of something: no salt, or no egg in it at all.

    Fruit and grated roots bring their own water, so that little liquid beside them is no question.
    """
    if key == "liquid":
        return any(True for _ in _mixed(recipe, Role.FRUIT))
    return key == "salt" or (key == "egg" and grams == 0)


def _ratio(key: str, value: float, recipe: Recipe, *, words: str, open_end: bool,
           open_top: bool = False) -> Ratio:
    low, high = _RANGES[recipe.style.like][key]
    standing = (RatioStanding.UNKNOWN if value < low - 1e-9 and open_end else
                RatioStanding.LOW if value < low - 1e-9 else
                RatioStanding.UNKNOWN if value > high + 1e-9 and open_top else
                RatioStanding.HIGH if value > high + 1e-9 else RatioStanding.USUAL)
    return Ratio(key=key, name=_NAMES[key], beside="usual", figure=worked_out(value, words),
                 low=low, high=high, standing=standing)


def _mixed(recipe: Recipe, *roles: Role) -> Iterator[tuple[Line, float]]:
    for line in recipe.lines:
        weight = recipe.weights[line.key]
        if (line.component in MIXED and line.ingredient is not None and weight is not None
                and line.ingredient.role in roles):
            yield line, weight.value


def _grams(recipe: Recipe, key: str) -> float:
    return sum(weight.value for line in recipe.lines
               if line.component in MIXED and line.ingredient is not None
               and line.ingredient.key == key
               and (weight := recipe.weights[line.key]) is not None)
