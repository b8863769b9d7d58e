"""What is asked of a fit beside its own choices."""

from __future__ import annotations

from pydantic import Field

from entremet.core.choosing.offers import BatchFreedom, Wanted
from entremet.core.choosing.search import MOST_KINDS
from entremet.core.dressing.sized import Thing
from entremet.core.measures.lengths import Length
from entremet.core.plan.request import MOST_ENTRIES, Request
from entremet.kitchen.api.schemas.base import StrictIn


class SetsIn(StrictIn):
    """“Which of my free pans take this recipe best?”"""

    fit: Request
    free: dict[int, int] = Field(max_length=MOST_KINDS, description="by id, how many are free")
    batch: BatchFreedom = BatchFreedom.AS_IT_IS
    tolerance: float = Field(0.10, ge=0, le=0.5, description="how far the depth may move")
    most_pans: int = Field(3, ge=1, le=5)
    few: int = Field(6, ge=1, le=12)

    def wanted(self) -> Wanted:
        """Return the bounds as the core takes them."""
        return Wanted(freedom=self.batch, tolerance=self.tolerance, most_pans=self.most_pans,
                      few=self.few)


class OvenViewIn(StrictIn):
    """A fit, and whether the advice for high kitchens is wanted."""

    fit: Request
    altitude: bool = False


class EnlargeIn(StrictIn):
    """A thing to be made of cake, and how large: by a factor, a length, or grams of batter."""

    fit: Request
    length_cm: Length = Field(description="of the thing; its diameter if it is round")
    width_cm: Length | None = Field(None, description="null for a round one")
    height_cm: Length
    factor: float | None = None
    wanted_cm: Length | None = Field(None, description="length of the cake")
    batter_g: float | None = None

    def thing(self) -> Thing:
        """Return the thing as the core takes it; raises CoreError naming a field."""
        return Thing(
            length_cm=self.length_cm, height_cm=self.height_cm, is_round=self.width_cm is None,
            width_cm=self.length_cm if self.width_cm is None else self.width_cm)


class CurveIn(StrictIn):
    """A fit, and the place of the pan whose bake is drawn."""

    fit: Request
    entry: int = Field(ge=0, lt=MOST_ENTRIES)


class CompareIn(StrictIn):
    """Two fits to set side by side."""

    one: Request
    other: Request
