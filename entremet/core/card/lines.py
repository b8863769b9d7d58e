"""Lines of a card and what each weighs."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from entremet.core.errors import ImpossibleRecipe
from entremet.core.ingredients.eggs import EggGrade
from entremet.core.ingredients.table import Ingredient
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import EGG_UNITS, HOUSEHOLD_UNITS, MASS_G, Standard, ml_per
from entremet.core.provenance import Figure, assumed, given, worked_out


class Component(Enum):
    """Part of the cake a line belongs to."""

    BATTER = "batter"
    BASE_LAYER = "base_layer"
    DECORATION = "decoration"


class ScalesBy(Enum):
    """What a line grows with."""

    BATTER = "batter"
    BASE_AREA = "base_area"
    PIECES = "pieces"
    FIXED = "fixed"


@dataclass(frozen=True, slots=True, kw_only=True)
class Part:
    """A part of a split line.

    Parameters
    ----------
    name : str
        What this part is for.
    share : float
        Of the line, above 0 and at most 1.
    """

    name: str
    share: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """One line of a card.

    Parameters
    ----------
    key : int
        Names the line within the card.
    name : str
        The ingredient as the baker calls it.
    amount : Amount or None
        None for "to taste" and the like: the line stays on the card and is not scaled.
    written : str
        The amount as written.
    ingredient : Ingredient or None
        Its row in the table, where there is one.
    component, scales_by
        What it belongs to and grows with.
    optional : bool
        Whether the recipe leaves the choice.
    parts : tuple of Part
        A split; shares sum to 1.
    """

    key: int
    name: str
    amount: Amount | None
    written: str
    ingredient: Ingredient | None = None
    component: Component = Component.BATTER
    scales_by: ScalesBy = ScalesBy.BATTER
    optional: bool = False
    parts: tuple[Part, ...] = ()

    def __post_init__(self) -> None:
        if self.parts and abs(sum(part.share for part in self.parts) - 1) > 1e-6:
            raise ImpossibleRecipe(f"The parts of {self.name} do not sum to the whole.",
                                   field="parts")
        if any(part.share <= 0 for part in self.parts):
            raise ImpossibleRecipe(f"A part of {self.name} is empty.", field="parts")

    @property
    def is_eggs(self) -> bool:
        """Whether the line counts eggs, yolks or whites."""
        return self.amount is not None and self.amount.unit in EGG_UNITS


def weigh(line: Line, *, sizes: Standard, sizes_assumed: bool, grade: EggGrade,
          grade_assumed: bool) -> Figure | None:
    """Return what a line weighs as the recipe has it.

    Parameters
    ----------
    line : Line
        A line of the card.
    sizes : Standard
        Cups and spoons of the recipe.
    sizes_assumed, grade_assumed : bool
        Whether the recipe leaves them open.
    grade : EggGrade
        Size of the eggs.

    Returns
    -------
    Figure or None
        Grams; None where nothing tells the weight.
    """
    amount = line.amount
    if amount is None:
        return None
    if amount.unit in MASS_G:
        return given(amount.value * MASS_G[amount.unit], f"{line.written}, as the recipe has it")
    if line.is_eggs:
        each = given(grade.grams(amount.unit)) if not grade_assumed else assumed(
            grade.grams(amount.unit), f"eggs taken as {grade.words}")
        return worked_out(amount.value * each.value,
                          f"{line.written} × {each.value:g} g ({grade.words})", each)
    volume_ml = ml_per(amount.unit, sizes)
    if volume_ml is None or line.ingredient is None:
        return None
    density = line.ingredient.g_per_100ml
    grams = amount.value * volume_ml * density.value / 100
    words = (f"{line.written} × {volume_ml:g} ml × {density.value:.1f} g per 100 ml "
             f"({density.source})")
    if sizes_assumed and amount.unit in HOUSEHOLD_UNITS:
        return worked_out(grams, words,
                          assumed(volume_ml, f"cups and spoons taken as {sizes.name}"))
    return worked_out(grams, words)
