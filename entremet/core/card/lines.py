"""Lines of a card and what each weighs."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from entremet.core.ground.errors import ImpossibleRecipe
from entremet.core.ground.provenance import Figure, assumed, given, measured, worked_out
from entremet.core.ground.reference import Basis
from entremet.core.ingredients.eggs import SHELL_SHARE, EggGrade, egg_grade
from entremet.core.ingredients.table import Ingredient
from entremet.core.measures.amounts import Amount
from entremet.core.measures.units import EGG_UNITS, HOUSEHOLD_UNITS, MASS_G, Standard, Unit, ml_per


class Component(Enum):
    """Part of the cake a line belongs to."""

    # There is one of each, and they are looked up hundreds of times in a fit.
    __hash__ = object.__hash__

    BATTER = "batter"
    INCLUSION = "inclusion"
    BASE_LAYER = "base_layer"
    TOP_LAYER = "top_layer"
    SOAK = "soak"
    FILLING = "filling"
    FROSTING = "frosting"
    GLAZE = "glaze"
    COATING = "coating"
    DECORATION = "decoration"
    PAN = "pan"


class ScalesBy(Enum):
    """What a line grows with."""

    # There is one of each, and they are looked up hundreds of times in a fit.
    __hash__ = object.__hash__

    BATTER = "batter"
    BASE_AREA = "base_area"
    TOP_AREA = "top_area"
    JOINS = "joins"
    TOP_AND_SIDE = "top_and_side"
    PERIMETER = "perimeter"
    PIECES = "pieces"
    SERVINGS = "servings"
    FIXED = "fixed"


USUAL_GROWTH = {
    Component.BATTER: ScalesBy.BATTER, Component.INCLUSION: ScalesBy.BATTER,
    Component.BASE_LAYER: ScalesBy.BASE_AREA, Component.TOP_LAYER: ScalesBy.TOP_AREA,
    Component.SOAK: ScalesBy.BATTER, Component.FILLING: ScalesBy.JOINS,
    Component.FROSTING: ScalesBy.TOP_AND_SIDE, Component.GLAZE: ScalesBy.TOP_AREA,
    Component.COATING: ScalesBy.TOP_AND_SIDE, Component.DECORATION: ScalesBy.PIECES,
    Component.PAN: ScalesBy.FIXED,
}
"""What each component grows with when nobody says; practice."""

MIXED = frozenset({Component.BATTER, Component.INCLUSION})
"""Components that go into the pans as batter."""


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
    """One line of a card, ready to be weighed and scaled.

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
    state : str
        State it is measured in.
    component, scales_by
        What it belongs to and grows with.
    optional : bool
        Whether the recipe leaves the choice.
    parts : tuple of Part
        A split; shares sum to 1.
    unit_assumed : bool
        Whether its ounces could be fluid and nobody has said.
    worked_out : bool
        Whether the amount was put together from two, or from one swapped for it.
    grade_key : str or None
        Grade of its eggs, where the line names a size.
    worked_from : str
        What its amount was worked out from, in the recipe's words; empty where it was not.
    swapped_from : str
        What it stands in place of, in words.
    heading : str
        The card's own heading over it; empty where it has none.
    stated : Amount or None
        A weight that the line states beside a volume or a count, or a volume beside a count; it is
        what the line weighs.
    in_shell : bool
        Whether its weight is that of eggs in their shells.
    prepared : str
        How it is prepared before it goes in, in the recipe's words: "finely grated".
    """

    key: int
    name: str
    amount: Amount | None
    written: str
    ingredient: Ingredient | None = None
    state: str = ""
    component: Component = Component.BATTER
    scales_by: ScalesBy = ScalesBy.BATTER
    optional: bool = False
    parts: tuple[Part, ...] = ()
    unit_assumed: bool = False
    worked_out: bool = False
    grade_key: str | None = None
    worked_from: str = ""
    swapped_from: str = ""
    heading: str = ""
    stated: Amount | None = None
    in_shell: bool = False
    prepared: str = ""

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

    @property
    def g_per_100ml(self) -> float | None:
        """How heavy a measure of it is, as it is measured; None where nobody knows."""
        found = None if self.ingredient is None else self.ingredient.density(self.state)
        return None if found is None else found.value


@dataclass(frozen=True, slots=True, kw_only=True)
class Scales:
    """What the amounts of a card are measured with.

    Parameters
    ----------
    sizes : Standard
        Cups and spoons of the recipe.
    grade : EggGrade
        Size of the eggs, where a line names none.
    sizes_assumed, grade_assumed : bool
        Whether the recipe leaves them open.
    egg_g : float or None
        One whole egg as the baker weighed it.
    """

    sizes: Standard
    grade: EggGrade
    sizes_assumed: bool = False
    grade_assumed: bool = False
    egg_g: float | None = None


def weigh(line: Line, scales: Scales) -> Figure | None:
    """Return what a line weighs as the recipe has it.

    Parameters
    ----------
    line : Line
        A line of the card; of a range the middle is weighed, of a range of eggs the fewer.
    scales : Scales
        What it is measured with.

    Returns
    -------
    Figure or None
        Grams; None where nothing tells the weight.
    """
    amount = line.amount
    if amount is None:
        return None
    if line.stated is not None:
        amount = line.stated
    if amount.unit in MASS_G:
        return _weighed(line, amount)
    if amount.unit in EGG_UNITS:
        return _eggs(line, amount, scales)
    if amount.unit is Unit.PIECE:
        piece = None if line.ingredient is None else line.ingredient.piece_g
        return None if piece is None else worked_out(
            amount.middle * piece.value, f"{line.written} × {piece.value:g} g ({piece.source})")
    return _measured(line, amount, scales)


def _weighed(line: Line, amount: Amount) -> Figure:
    grams = amount.middle * MASS_G[amount.unit]
    if line.in_shell:
        return worked_out(grams * (1 - SHELL_SHARE), f"{grams:g} g in their shells, less "
                          f"{SHELL_SHARE:.0%} of shell", assumed(SHELL_SHARE, "shell of an egg "
                                                                 "(practice, 10 to 14 %)"))
    if line.unit_assumed:
        return assumed(grams, f"{line.written} taken as ounces of weight; they could be fluid"
                       if amount.unit is Unit.OUNCE else f"{line.written} without a unit, taken as "
                       "grams")
    if line.stated is not None:
        return given(grams, f"{grams:g} g, as the recipe states it beside {line.written}")
    if line.worked_out:
        return worked_out(grams, "worked out from "
                          f"{line.swapped_from or line.worked_from or line.written}")
    if amount.high is not None:
        return worked_out(grams, f"the middle of {line.written}")
    return given(grams, f"{line.written}, as the recipe has it")


def _eggs(line: Line, amount: Amount, scales: Scales) -> Figure:
    grade = scales.grade if line.grade_key is None else egg_grade(line.grade_key)
    share = grade.grams(amount.unit) / grade.whole.value
    if scales.egg_g is not None:
        each = measured(scales.egg_g * share, f"your own eggs, {scales.egg_g:g} g each")
        return worked_out(amount.value * each.value, f"{line.written} × {each.value:.3g} g "
                          f"({each.note})", each)
    each = given(grade.grams(amount.unit)) if not scales.grade_assumed else assumed(
        grade.grams(amount.unit), f"eggs taken as {grade.words}")
    return worked_out(amount.value * each.value,
                      f"{line.written} × {each.value:.3g} g ({grade.words})", each)


def _measured(line: Line, amount: Amount, scales: Scales) -> Figure | None:
    volume_ml = ml_per(amount.unit, scales.sizes)
    density = None if line.ingredient is None else line.ingredient.density(line.state)
    if volume_ml is None or density is None:
        return None
    grams = amount.middle * volume_ml * density.value / 100
    if density.basis is Basis.MEASURED:
        return measured(grams, f"{line.written}, by your own weight: {density.source}")
    each_g = volume_ml * density.value / 100
    words = f"{line.written} × {each_g:.4g} g ({density.source})"
    if scales.sizes_assumed and amount.unit in HOUSEHOLD_UNITS:
        return worked_out(grams, words, assumed(
            volume_ml, f"cups and spoons taken as {scales.sizes.name}"))
    return worked_out(grams, words)
