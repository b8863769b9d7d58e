"""The heat load of a filled pan: grams to warm per heated surface, and how far heat travels."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.baking.constants import HEAT, HeatConstants
from entremet.core.ground.errors import CoreError
from entremet.core.pans.pan import Pan


@dataclass(frozen=True, slots=True, kw_only=True)
class Faces:
    """How well each face of the batter takes up heat, against a bare one."""

    base: float = 1.0
    top: float = 1.0
    wall: float = 1.0

    def __post_init__(self) -> None:
        if min(self.base, self.top, self.wall) <= 0:
            raise CoreError("Every face takes up some heat.", field="faces")


BARE = Faces()


@dataclass(frozen=True, slots=True, kw_only=True)
class HeatLoad:
    """Result of :func:`heat_load`; resistances in g/cm² with the inward term.

    Parameters
    ----------
    total : float
        R of docs/science.md, both paths in parallel.
    upright, sideways : float
        R_v and R_s, the paths through base and top, and through the walls.
    stands_cm : float
        Height of the batter halfway through the bake.
    """

    total: float
    upright: float
    sideways: float
    stands_cm: float


def heat_load(pan: Pan, *, batter_g: float, batter_ml: float, layer_g: float = 0.0,
              layer_ml: float = 0.0, faces: Faces = BARE,
              constants: HeatConstants = HEAT) -> HeatLoad:
    """Return the heat load of one pan, or of one well of a tray.

    Parameters
    ----------
    pan : Pan
        With its measures.
    batter_g, batter_ml : float
        Raw batter in it, above zero.
    layer_g, layer_ml : float
        A layer under the batter; it takes part, it does not rise.
    faces : Faces
        Covering or strips.
    constants : HeatConstants
        As shipped, or corrected by what was learnt.

    Returns
    -------
    HeatLoad
        More batter in the same pan never gives less.

    Raises
    ------
    CoreError
        Without batter.

    Notes
    -----
    σ_v = m / (A_base w_base + A_top w_top), ℓ_v = H/2; σ_s = m / (A_wall w_wall), ℓ_s = V/A_wall;
    R = σ (1 + β ℓ) for each path, 1/R = 1/R_v + 1/R_s. V is the volume halfway through the rise.
    Form and constants are practice, see docs/science.md.
    """
    if not (batter_g > 0 and batter_ml > 0):
        raise CoreError("There is no batter in this pan.", field="batter_g")
    mass = batter_g + layer_g
    volume = constants.mid_rise * batter_ml + layer_ml
    height = pan.depth_cm(volume)
    wall = pan.wall_area_cm2(height)
    upright = (mass / (pan.base_area_cm2 * faces.base + pan.area_cm2(height) * faces.top)
               * (1 + constants.inward * height / 2))
    sideways = (mass / (wall * constants.wall_weight * faces.wall)
                * (1 + constants.inward * volume / wall))
    return HeatLoad(total=1 / (1 / upright + 1 / sideways), upright=upright, sideways=sideways,
                    stands_cm=height)
