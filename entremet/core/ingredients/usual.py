"""What a kitchen takes a recipe to mean that does not say: its cups and spoons, its eggs."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.ground.errors import UnknownReference
from entremet.core.ingredients.eggs import DEFAULT_GRADE, GRADES, EggGrade, egg_grade
from entremet.core.measures.units import STANDARDS, Standard, standard

DEFAULT_STANDARD = "metric"


@dataclass(frozen=True, slots=True, kw_only=True)
class Usual:
    """The cups and the eggs of a kitchen, for a card that names none; always an assumption.

    Parameters
    ----------
    standard, grade : str
        Keys of a measure standard and of an egg grade.

    Raises
    ------
    UnknownReference
        When no table holds one of them.
    """

    standard: str = DEFAULT_STANDARD
    grade: str = DEFAULT_GRADE

    def __post_init__(self) -> None:
        if self.standard not in STANDARDS:
            raise UnknownReference(f"There is no measure standard “{self.standard}”.",
                                   field="measure_standard")
        if self.grade not in GRADES:
            raise UnknownReference(f"There is no egg grade “{self.grade}”.", field="egg_grade")

    @property
    def sizes(self) -> Standard:
        """The sizes of its cups and spoons."""
        return standard(self.standard)

    @property
    def eggs(self) -> EggGrade:
        """The grade of its eggs."""
        return egg_grade(self.grade)


USUAL = Usual()
"""Taken while the kitchen has not said."""
