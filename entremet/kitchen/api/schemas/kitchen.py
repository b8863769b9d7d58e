"""The kitchen and its ovens, out."""

from __future__ import annotations

from entremet.core.baking.settings import OvenKind, Scale
from entremet.kitchen.api.schemas.base import Out


class KitchenOut(Out):
    """The kitchen."""

    name: str
    scale_step_g: float


class OvenOut(Out):
    """An oven."""

    id: int
    name: str
    kind: OvenKind
    dial: Scale
    dial_step: float
    shelf_width_cm: float
    shelf_depth_cm: float
    is_default: bool
