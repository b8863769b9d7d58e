"""The kitchen and its bowls."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from entremet.core.fitting.rules import MOST_MIXES
from entremet.core.ingredients.eggs import DEFAULT_GRADE
from entremet.core.ingredients.usual import DEFAULT_STANDARD, Usual
from entremet.core.measures.habits import Units
from entremet.core.mixing.bowl import Bowl
from entremet.core.plan.request import Weighed
from entremet.kitchen.actions.ovens import Habits
from entremet.kitchen.api.schemas.base import Out, ProvenanceOut, StrictIn


class KitchenOut(Out):
    """The kitchen."""

    name: str
    scale_step_g: float
    bowl_loss_share: float | None = Field(description="as weighed; null while it is assumed")
    altitude_m: float | None = Field(description="height above the sea; null where nobody said")
    units: Units
    measure_standard: str = Field(description="cups and spoons of a recipe that does not say")
    egg_grade: str = Field(description="eggs of a recipe that does not say")
    paper: Literal["A4", "Letter"]
    clock: Literal["24", "12"] = Field(description="hours of the day as it reads them")
    welcomed: bool = Field(description="whether the first questions are behind it")
    version: int


class KitchenIn(StrictIn):
    """The kitchen's name and habits."""

    name: str = Field(min_length=1, max_length=80)
    scale_step_g: float = Field(1.0, description="0.1, 0.5, 1, 2 or 5")
    altitude_m: float | None = None
    units: Units = Units.METRIC
    measure_standard: str = DEFAULT_STANDARD
    egg_grade: str = DEFAULT_GRADE
    paper: Literal["A4", "Letter"] = "A4"
    clock: Literal["24", "12"] = "24"
    welcomed: bool = True
    base: int = Field(ge=1, le=2**31 - 1, description="the version it was changed from")

    def to_core(self) -> Habits:
        """Return the habits; raises CoreError naming a field."""
        return Habits(
            name=" ".join(self.name.split()) or "My kitchen", scale_step_g=self.scale_step_g,
            altitude_m=self.altitude_m, units=self.units, paper=self.paper,
            clock=self.clock,
            usual=Usual(standard=self.measure_standard, grade=self.egg_grade),
            welcomed=self.welcomed)


class BowlLossIn(StrictIn):
    """Bowls weighed full, and emptied into the pans; bowl and whisk keep what is between."""

    weighed: list[Weighed] = Field(min_length=1, max_length=MOST_MIXES)
    emptied_g: float = Field(gt=0, le=70_000, description="all bowls, scraped out")


class BowlIn(StrictIn):
    """A mixing bowl."""

    name: str = Field(min_length=1, max_length=80)
    capacity_ml: float
    working_ml: float | None = Field(None, description="what can be used of it while mixing")
    tare_g: float | None = Field(None, description="its own weight, empty")
    is_default: bool = False

    def to_core(self) -> Bowl:
        """Return the bowl as the core takes it; raises ImpossibleChoice naming a field."""
        return Bowl(name=" ".join(self.name.split()) or "Bowl", capacity_ml=self.capacity_ml,
                    working_ml=self.working_ml, tare_g=self.tare_g)


class ChangedBowlIn(BowlIn):
    """A mixing bowl as changed."""

    base: int = Field(ge=1, le=2**31 - 1, description="the version it was changed from")


class BowlOut(Out):
    """A mixing bowl of the kitchen."""

    id: int
    name: str
    capacity_ml: float
    working_ml: float | None
    tare_g: float | None
    is_default: bool
    version: int
    damaged: bool = False
    origins: dict[str, ProvenanceOut]
