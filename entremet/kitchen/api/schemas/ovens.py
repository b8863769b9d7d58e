"""Ovens in and out."""

from __future__ import annotations

from pydantic import Field

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.measures.lengths import Length
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.kitchen.api.schemas.base import Out, ProvenanceOut, StrictIn


class OvenIn(StrictIn):
    """An oven. Steam and hob have no dial; theirs is passed over."""

    name: str = Field(min_length=1, max_length=80)
    kind: OvenKind = OvenKind.CONVENTIONAL
    dial: Scale = Scale.CELSIUS
    dial_step: float = 5
    dial_lowest: float = 50
    dial_highest: float = 250
    shelf_width_cm: Length | None = None
    shelf_depth_cm: Length | None = None
    shelves: int = 1
    dial_off_c: float = Field(0.0, description="how much hotter the oven is than its dial, °C")
    preheat_min: float | None = None
    is_default: bool = False

    def to_core(self) -> Oven:
        """Return the oven as the core takes it; raises CoreError naming a field."""
        width, depth = self.shelf_width_cm, self.shelf_depth_cm
        if (width is None) != (depth is None):
            raise ImpossibleChoice("A shelf has a width and a depth. Give both, or neither.",
                                   field="shelf_depth_cm" if depth is None else "shelf_width_cm")
        return Oven(
            name=" ".join(self.name.split()) or "Oven", kind=self.kind, scale=self.dial,
            step=self.dial_step, lowest=self.dial_lowest, highest=self.dial_highest,
            shelf_cm=None if width is None or depth is None else (width, depth),
            shelves=self.shelves, dial_off_c=self.dial_off_c, preheat_min=self.preheat_min)


class ChangedOvenIn(OvenIn):
    """An oven as changed."""

    base: int = Field(ge=1, le=2**31 - 1, description="the version it was changed from")


class OvenOut(Out):
    """An oven."""

    id: int
    name: str
    kind: OvenKind
    kind_words: str
    has_dial: bool
    dial: Scale
    dial_step: float
    dial_lowest: float
    dial_highest: float
    shelf_width_cm: float | None
    shelf_depth_cm: float | None
    shelves: int
    dial_off_c: float
    preheat_min: float = Field(description="as timed, or assumed by its kind")
    is_default: bool
    version: int
    damaged: bool = False
    origins: dict[str, ProvenanceOut]
