"""The lining list of a pan: paper to cut, fat, flour or sugar, a warning for a loose base, strips.

Everything here is practice of the bench. Where bakers disagree (a foam clings to a bare wall, a
butter batter wants it greased) the style decides.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum

from entremet.core.batter.styles import Style
from entremet.core.card.lines import MIXED
from entremet.core.card.recipe import Recipe
from entremet.core.fitting.standing import Standing
from entremet.core.fitting.vessel import Vessel
from entremet.core.ground.quantities import cm, cm_by
from entremet.core.ground.wording import centimetres
from entremet.core.ingredients.table import Role
from entremet.core.pans.outlines import Outline, Rectangle, Ring, Round, extent
from entremet.core.pans.pan import Pan, PanFinish, PanKind

OVERLAP_CM = 2.0
"""Overlap of a wall strip; practice."""

ABOVE_RIM_CM = 2.0
"""A collar stands so far above what rises highest, wall or cake; practice."""

COLLAR_RISE = 0.95
"""Share of the wall that the cake may rise to before a strip stands above the rim; practice."""

HANDLE_CM = 3.0
"""Paper left over a rim to lift a cake by; practice."""

DEEP_CM = 5.0
WIDE_CM = 23.0
"""Raw batter so deep, or a pan so wide, is slow in the middle: strips round the outside help."""


class Prepare(Enum):
    """Kinds of things to do to a pan."""

    PAPER = "paper"
    STRIP = "strip"
    FAT = "fat"
    DUST = "dust"
    CASES = "cases"
    BARE = "bare"
    LEAK = "leak"
    WRAP = "wrap"


@dataclass(frozen=True, slots=True, kw_only=True)
class Preparation:
    """One thing to do to each of a row of pans.

    Parameters
    ----------
    kind : Prepare
        What it is.
    text : str
        For the baker, sizes to cut included.
    count : int
        How many, for all pans of the row; 0 where it is not counted.
    length_cm, width_cm : float or None
        Size to cut.
    """

    kind: Prepare
    text: str
    count: int = 0
    length_cm: float | None = None
    width_cm: float | None = None


SWEET = 1.1
"""Sugar over flour in a batter from which sugar in the flutes of a ring melts and glues; practice,
1 to 1.3."""

SMALL_CM, SMALL_DEEP_CM = 15.0, 5.0
"""A tin this small and batter this deep bakes long for its width; practice."""


def lining_of(vessel: Vessel, standing: Standing, style: Style, count: int, *,
              sweetness: float = 0.0) -> tuple[Preparation, ...]:
    """Return what to do to a pan before the batter goes in.

    Parameters
    ----------
    vessel : Vessel
        The pan with its layers.
    standing : Standing
        How the batter stands in it.
    style : Style
        Of the batter.
    count : int
        Pans, or wells.
    sweetness : float
        Sugar over flour in the batter; 0 where nobody knows.
    """
    pan = vessel.pan
    if not isinstance(pan, Pan):
        return (_fat(style),)
    if pan.patted:
        return (Preparation(kind=Prepare.PAPER, count=count, **_sheet(pan.base, 2.0),
                            text=f"{_cut(count, 'sheet')} of paper to bake on: "
                                 f"{_size(pan.base, 2.0)}."),)
    match pan.kind:
        case PanKind.WELLS:
            return _wells(pan, count)
        case PanKind.RING:
            return _ring(style, pan, sweetness)
        case PanKind.BALL:
            return (Preparation(kind=Prepare.FAT, text="Brush all of it with soft fat."),
                    Preparation(kind=Prepare.DUST, text="Dust with flour and knock out the rest. "
                                "Stand it in a ring so that it cannot tip."))
        case PanKind.LOAF:
            return (*_sling(pan, count), _fat(style, what="the short ends"),
                    *_strips(pan, standing))
        case _:
            return (*_flat(pan, vessel, standing, style, count), *_leak(pan, style),
                    *_strips(pan, standing))


def sweetness_of(recipe: Recipe) -> float:
    """Return the sugar of a batter over its flour; 0 where either has no weight."""
    grams = dict.fromkeys(Role, 0.0)
    for line in recipe.lines:
        weight = recipe.weights[line.key]
        if line.component in MIXED and line.ingredient is not None and weight is not None:
            grams[line.ingredient.role] += weight.value
    flour = grams[Role.FLOUR] + grams[Role.STARCH]
    return grams[Role.SUGAR] / flour if flour > 0 else 0.0


def _wells(pan: Pan, count: int) -> tuple[Preparation, ...]:
    foot, wall = pan.base.widest(), pan.wall_cm.value
    return (Preparation(kind=Prepare.CASES, count=count, length_cm=pan.base.widest(),
                        width_cm=pan.wall_cm.value,
                        text=f"{count} paper cases, {cm(foot)} across the foot and {cm(wall)} "
                             "high; or brush the wells with fat and dust them with flour."),)


def _ring(style: Style, pan: Pan, sweetness: float) -> tuple[Preparation, ...]:
    if style.traits.clings:
        return (Preparation(kind=Prepare.BARE, text="Leave it bare and dry: the batter climbs by "
                            "clinging to the wall."),)
    coated = (" A non-stick coat wants it too: flutes hold what they can."
              if pan.finish in (PanFinish.DARK, PanFinish.SILICONE) else "")
    dust = ("Dust with flour or fine crumbs, not with sugar: a batter this sweet would glue itself "
            "to it," if sweetness >= SWEET else
            "Dust with fine sugar for a thin crust, or with flour or crumbs,")
    return (Preparation(kind=Prepare.FAT, text="Brush soft fat into every crevice, the tube "
                        f"included, upwards from the bottom.{coated}"),
            Preparation(kind=Prepare.DUST, text=f"{dust} right up to the rim, just before the "
                        "batter goes in; knock out the rest."))


def _sling(pan: Pan, count: int) -> tuple[Preparation, ...]:
    base, rim = pan.base, pan.rim
    if not (isinstance(base, Rectangle) and isinstance(rim, Rectangle)):
        return ()
    slant = math.hypot(pan.wall_cm.value, (rim.width - base.width) / 2)
    wide = base.width + 2 * slant + 2 * HANDLE_CM
    return (Preparation(
        kind=Prepare.PAPER, count=count, length_cm=base.length, width_cm=wide,
        text=f"{_cut(count, 'sling')} of paper, {centimetres(base.length)} × "
             f"{cm(wide)}: over the bottom and up the long sides, {cm(HANDLE_CM)} to "
             "lift by."),)


def _flat(pan: Pan, vessel: Vessel, standing: Standing, style: Style,
          count: int) -> tuple[Preparation, ...]:
    base = Preparation(kind=Prepare.PAPER, count=count, **_sheet(pan.base, 0.0),
                       text=f"{_cut(count, 'paper base')}: {_size(pan.base, 0.0)}.")
    if style.traits.clings:
        return (base, Preparation(kind=Prepare.BARE, text="Leave the walls bare and dry: the "
                                  "batter climbs by clinging to them."))
    if isinstance(pan.base, Rectangle) and isinstance(pan.rim, Rectangle):
        long = pan.base.length + 2 * pan.wall_cm.value
        wide = pan.base.width + 2 * pan.wall_cm.value
        return (Preparation(
            kind=Prepare.PAPER, count=count, length_cm=long, width_cm=wide,
            text=f"{_cut(count, 'sheet')} of paper, {cm_by(long, wide)}; "
                 f"snip the corners by {cm(pan.wall_cm.value)} so that it stands up "
                 "the walls."), _fat(style, what="the walls", why=", so that the paper holds"))
    risen = standing.risen_cm or 0.0
    needs_strip = (risen > COLLAR_RISE * pan.wall_cm.value or vessel.layer_g > 0
                   or (standing.batter_cm or 0.0) > DEEP_CM)
    if not needs_strip:
        return (base, _fat(style, what="the walls"), _dust(style))
    small = pan.rim.widest() <= SMALL_CM and (standing.batter_cm or 0.0) > SMALL_DEEP_CM
    why = (" Twice folded, it keeps the edge of a small deep cake from drying before the middle "
           "is done." if small else "")
    high = max(pan.wall_cm.value, risen) + ABOVE_RIM_CM
    long = pan.perimeter_cm(pan.wall_cm.value) + OVERLAP_CM
    return (base, Preparation(
        kind=Prepare.STRIP, count=count, length_cm=long, width_cm=high,
        text=f"{_cut(count, 'strip')} of paper for the wall, "
             f"{cm_by(long, high)}; {cm(OVERLAP_CM)} of it overlaps.{why}"),
            _fat(style, what="the walls", why=", so that the paper holds"))


def _cut(count: int, thing: str) -> str:
    return f"Cut {count} {thing}{'s' if count > 1 else ''}"


def _fat(style: Style, *, what: str = "it", why: str = "") -> Preparation:
    return Preparation(kind=Prepare.FAT,
                       text=f"Brush {what} with {style.traits.fat}{why}.")


def _dust(style: Style) -> Preparation:
    return Preparation(kind=Prepare.DUST,
                       text=f"Dust with {style.traits.dust} and knock out the rest.")


def _leak(pan: Pan, style: Style) -> tuple[Preparation, ...]:
    if not (pan.loose_base and style.traits.runny):
        return ()
    return (Preparation(kind=Prepare.LEAK, text="A batter this runny leaks from a loose base: fold "
                        "paper over the base's edge, or stand the pan on foil turned up round "
                        "it."),)


def _strips(pan: Pan, standing: Standing) -> tuple[Preparation, ...]:
    deep = (standing.batter_cm or 0.0) > DEEP_CM
    wide = pan.rim.widest() >= WIDE_CM and not isinstance(pan.rim, Rectangle)
    if not (deep or wide) or pan.finish in (PanFinish.SILICONE, PanFinish.PAPER):
        return ()
    long = pan.perimeter_cm(pan.wall_cm.value)
    return (Preparation(
        kind=Prepare.WRAP, length_cm=long, width_cm=pan.wall_cm.value,
        text=f"{'Deep' if deep else 'Wide'}: a wet cloth strip round the outside "
             f"({cm_by(long, pan.wall_cm.value)}) keeps the edge from "
             "setting first. It bakes longer then; the time here is without."),)


def _size(outline: Outline, margin_cm: float) -> str:
    sizes = _sheet(outline, margin_cm)
    long, wide = sizes["length_cm"], sizes["width_cm"]
    if isinstance(outline, Round | Ring):
        return f"a round of {cm(long)}"
    words = cm_by(long, wide)
    return words if isinstance(outline, Rectangle) else f"cut to the pan, from a sheet {words}"


def _sheet(outline: Outline, margin_cm: float) -> dict[str, float]:
    """Size of the sheet an outline is cut from."""
    long, wide = extent(outline)
    return {"length_cm": long + 2 * margin_cm, "width_cm": wide + 2 * margin_cm}
