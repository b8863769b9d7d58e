"""What an egg weighs without its shell, by grade."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.ground.errors import UnknownReference
from entremet.core.ground.reference import ReferenceValue, read_table, reference_value
from entremet.core.measures.units import Unit

SHELL_SHARE = 0.12
"""Share of an egg's weight that is its shell; practice, 0.10 to 0.14."""

YOLK_SHARE = 0.36
WHITE_SHARE = 0.64
DEFAULT_GRADE = "uk_medium"


@dataclass(frozen=True, slots=True, kw_only=True)
class EggGrade:
    """A grade of eggs as sold in a region."""

    key: str
    region: str
    grade: str
    whole: ReferenceValue

    @property
    def words(self) -> str:
        """The grade in words, for a note."""
        return f"{self.region} {self.grade} egg, {self.whole.value:g} g without shell"

    def grams(self, unit: Unit) -> float:
        """Return the grams in one whole egg, yolk or white of this grade.

        Raises
        ------
        UnknownReference
            When the unit is not an egg unit.
        """
        match unit:
            case Unit.EGG:
                return self.whole.value
            case Unit.YOLK:
                return self.whole.value * YOLK_SHARE
            case Unit.WHITE:
                return self.whole.value * WHITE_SHARE
            case _:
                raise UnknownReference(f"“{unit.value}” is not a part of an egg.", field="unit")


GRADES: dict[str, EggGrade] = {
    key: EggGrade(key=key, region=row["region"], grade=row["grade"],
                  whole=reference_value(row["whole"]))
    for key, row in read_table("entremet.core.ingredients", "eggs.toml").items()
}


def grade_of_size(size: str, *, like: str | None) -> str:
    """Return the grade of a size a line names, in the region of the card's grade.

    Parameters
    ----------
    size : str
        "small", "medium", "large" or "extra_large".
    like : str or None
        The card's grade; None takes the default region.

    >>> grade_of_size("large", like="us_medium")
    'us_large'
    """
    region = (like or DEFAULT_GRADE).split("_", 1)[0]
    key = f"{region}_{size}"
    return key if key in GRADES else like or DEFAULT_GRADE


def egg_grade(key: str) -> EggGrade:
    """Return the grade of that key.

    >>> egg_grade("uk_medium").grams(Unit.EGG)
    50.0
    """
    if key not in GRADES:
        raise UnknownReference(f"There is no egg grade “{key}”.", field="egg_grade")
    return GRADES[key]
