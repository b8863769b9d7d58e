"""A pan with its base layer in: the room that is left for batter."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.batter.styles import Style
from entremet.core.pans.pan import AnyPan, CapacityPan, Pan, PanKind

LAYER_DENSITY = 1.0
"""g/ml of a layer of fruit, syrup or caramel; practice, range 0.8 to 1.2."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Vessel:
    """One pan (or one well) with a base layer under the batter.

    Parameters
    ----------
    pan : AnyPan
        The pan.
    layer_g : float
        Base layer in it, zero or more.
    top_g : float
        Layer that will lie on the batter; it takes its height first.
    """

    pan: AnyPan
    layer_g: float = 0.0
    top_g: float = 0.0

    @property
    def layer_ml(self) -> float:
        """Volume of the base layer."""
        return self.layer_g / LAYER_DENSITY

    @property
    def top_ml(self) -> float:
        """Volume of the layer on top."""
        return self.top_g / LAYER_DENSITY

    @property
    def room_ml(self) -> float:
        """Capacity between the layers; never below zero."""
        return max(0.0, self.pan.capacity_ml - self.layer_ml - self.top_ml)

    @property
    def layer_cm(self) -> float | None:
        """Height of the base layer; None where the pan has no measures."""
        if not isinstance(self.pan, Pan):
            return None
        return self.pan.depth_cm(self.layer_ml) if self.layer_g > 0 else 0.0

    def volume_ml(self, depth_cm: float) -> float | None:
        """Batter that stands so deep above the layer; None where the pan has no measures."""
        layer_cm = self.layer_cm
        if layer_cm is None or isinstance(self.pan, CapacityPan):
            return None
        return self.pan.volume_ml(layer_cm + depth_cm) - self.layer_ml

    def depth_cm(self, batter_ml: float) -> float | None:
        """Depth of the batter above the layer; None where the pan has no measures."""
        if isinstance(self.pan, CapacityPan):
            return None
        return self.pan.depth_cm(self.layer_ml + batter_ml) - (self.layer_cm or 0.0)

    def stands_cm(self, batter_ml: float) -> float | None:
        """Height from the bottom of the pan to the top of so much batter."""
        if isinstance(self.pan, CapacityPan):
            return None
        return self.pan.depth_cm(self.layer_ml + batter_ml)

    def risen_cm(self, batter_ml: float, style: Style) -> float | None:
        """Height of so much batter when baked, layers included; None without measures."""
        if isinstance(self.pan, CapacityPan):
            return None
        return self.pan.depth_cm(style.rise.value * batter_ml + self.layer_ml + self.top_ml)

    def fill(self, batter_ml: float) -> float | None:
        """Share of the room that the batter takes; None where the layer leaves no room."""
        return batter_ml / self.room_ml if self.room_ml > 0 else None

    @property
    def is_flat(self) -> bool:
        """Whether a depth can be carried over to it."""
        return self.pan.kind is PanKind.FLAT

    @property
    def is_patted(self) -> bool:
        """Whether it is no pan at all, but dough patted out to a thickness."""
        return isinstance(self.pan, Pan) and self.pan.patted
