"""A cake to be made: its fit, its finish, whose it is and when it has to be ready."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from entremet.core.finished.finish import Finish
from entremet.core.plan.plan import Plan
from entremet.core.work.ids import CakeId, WorkId, WorkKind
from entremet.core.work.work import Hold, Lane, Wait, Work

HIGH_PLACES = "higher places of the fridge"
"""What a cake holds that stands under no usual shelf, like a pan: one of so many."""


@dataclass(frozen=True, slots=True, kw_only=True)
class OrderedCake:
    """A cake of an order: its fit, its finish, when it has to stand in its box.

    Parameters
    ----------
    id : CakeId
        Names it within all days.
    order, label : str
        Title of its order; what it is called; both for the baker.
    plan : Plan
        Its fit.
    finish : Finish
        Its finish.
    due : int
        When it is collected or taken away, minutes.
    drive_min : int
        Between its box and there.
    inscription : str
        To be piped on it; empty for none.
    pace : float
        Hands against a practised person's; 1.7 for a beginner.
    shelf_cm : float or None
        Clear height over a usual place of the fridge; None where nobody measured it.
    """

    id: CakeId
    order: str
    label: str
    plan: Plan
    finish: Finish
    due: int
    drive_min: int = 0
    inscription: str = ""
    pace: float = 1.0
    shelf_cm: float | None = None

    @property
    def box_cm(self) -> float:
        """Height of its box, the tallest of several; of all tiers where they are stacked."""
        if self.finish.stacked is not None:
            return self.finish.stacked.box_cm
        return max((one.box_cm for one in self.finish.cakes), default=0.0)

    @property
    def high_places(self) -> dict[str, int]:
        """What it holds of the fridge beside a board: a higher place, where no other takes it."""
        too_high = self.shelf_cm is not None and self.box_cm > self.shelf_cm
        return {HIGH_PLACES: 1} if too_high else {}

    @property
    def preheat_min(self) -> int:
        """Minutes until its oven is hot."""
        return max(1, math.ceil(self.plan.oven.preheat.value))

    def work_id(self, kind: WorkKind, place: int = 0, part: str = "", turn: int = 0) -> WorkId:
        """Return the id of a piece of its work."""
        return WorkId(cake=self.id, kind=kind, place=place, part=part, turn=turn)

    def hands(self, name: WorkId, words: str, minutes: float, *, why: str = "practice",
              waits: Sequence[Wait] = (), bowl: bool = False,
              pans: Mapping[str, int] | None = None, holds: Sequence[Hold] = (),
              due: int | None = None) -> Work:
        """Return work of hands at this cake's pace."""
        return Work(id=name, order=self.order, words=words, lane=Lane.HANDS, why=why,
                    minutes=max(1, math.ceil(minutes * self.pace - 1e-9)), waits=tuple(waits),
                    bowl=bowl, pans=pans or {}, holds=tuple(holds), due=due)

    def stands(self, name: WorkId, words: str, minutes: float, *, why: str,
               waits: Sequence[Wait]) -> Work:
        """Return what goes on by itself, in the fridge where it chills."""
        chilled = name.kind is WorkKind.CHILL
        return Work(id=name, order=self.order, words=words, why=why,
                    lane=Lane.FRIDGE if chilled else Lane.STANDS, boards=1 if chilled else 0,
                    pans=self.high_places if chilled else {},
                    minutes=max(1, math.ceil(minutes - 1e-9)), waits=tuple(waits))
