"""How a finished cake is cut: lines on its finished top, portions, the order of the cuts."""

from __future__ import annotations

import math
from dataclasses import dataclass

from entremet.core.batter.styles import Style
from entremet.core.dressing.cakes import CakeKind, shrunk
from entremet.core.dressing.uses import Dressed
from entremet.core.finishing.practice import bake_loss
from entremet.core.fitting.portions import Portion
from entremet.core.ground.provenance import Figure, worked_out
from entremet.core.pans.cuts import MOST_WEDGES, Cut, cut_of
from entremet.core.pans.outlines import Outline, Rectangle, Ring, Round

KNIFE = ("A long thin knife, dipped in hot water and wiped before every cut; a serrated one for a "
         "bare cake.")
"""Practice."""

SERVED = frozenset({CakeKind.STACK, CakeKind.RING, CakeKind.LOAF})
"""Kinds that are cut; small cakes and pieces are portions already."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Serving:
    """A cutting plan: the finished outline, the cut, its portions and what one is, the words."""

    outline: Outline
    cut: Cut
    portions: Figure
    portion: str
    words: str


def serving_of(row: Dressed, portion: Portion, style: Style) -> Serving | None:
    """Cut a finished cake in portions; None where it is none to be cut.

    A portion is so much baked cake by weight, so what is cut off takes portions with it, and
    fillings and coats make them larger and not more.

    Parameters
    ----------
    row : Dressed
        The cake.
    portion : Portion
        What it is cut in.
    style : Style
        Of the batter, for what a baked ml weighs.
    """
    if row.cake.kind not in SERVED:
        return None
    outline: Outline | None = shrunk(row.cake.outline, -row.body.grown_cm)
    if row.carved is not None:
        outline = Round(diameter=max(wide for _, wide in row.carved.marks)
                        + 2 * row.body.grown_cm)
    if outline is None:
        return None
    each_g = (portion.ml.value * style.density.value / style.rise.value
              * (1 - bake_loss(style)))
    pieces = max(1, math.floor(row.cake_g / each_g + 1e-6))
    cut = cut_of(outline, pieces)
    return Serving(outline=outline, cut=cut, portion=portion.name, portions=worked_out(
        cut.pieces, "weight of the cake over that of a portion", portion.ml),
                   words=f"{_order(outline, cut.pieces)} {KNIFE}")


def _order(outline: Outline, pieces: int) -> str:
    match outline:
        case Rectangle():
            return "Cut it in strips first, then each strip across."
        case Ring():
            return "Cut straight from the hole to the edge."
        case Round() if pieces > MOST_WEDGES:
            return "Cut the circle first, then the pieces round it; the cake inside comes last."
        case Round():
            return "Cut through the middle, then each half in even wedges."
        case _:
            return "Cut the long lines first, then each strip across."
