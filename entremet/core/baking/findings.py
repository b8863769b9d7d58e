"""Findings about the oven and the times."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from entremet.core.baking.bakes import Bake
from entremet.core.baking.pace import PaceBasis
from entremet.core.baking.settings import Oven
from entremet.core.baking.source_bake import SourceBake
from entremet.core.card.recipe import Recipe
from entremet.core.findings import Finding, note, stop, warn
from entremet.core.pans.outlines import extent
from entremet.core.pans.pan import AnyPan, Pan, PanKind
from entremet.core.wording import centimetres

RIM_CM = 0.5
"""Rim of a pan outside its inner wall; practice, range 0.2 to 1.5."""

FAR_APART_C = 10.0
"""Settings of two pans further apart than this are better baked apart; practice."""


def no_bake_finding(recipe: Recipe) -> Finding | None:
    """Return why no bake can be given at all, or None."""
    if recipe.has_phases:
        return stop("phases_not_moved", "This recipe changes heat or covering on the way. Moving "
                    "such a bake to other pans is not built yet, so no time is given.",
                    hint="Follow the recipe's own phases and go by the signs.")
    if recipe.setting is None:
        return stop("no_oven_setting", "The recipe names no oven setting, so no time is given.",
                    hint="Add the setting to its card.")
    return None


def pace_findings(recipe: Recipe, source: SourceBake) -> Iterator[Finding]:
    """Yield what is odd or missing about the stated time and the oven it is written for."""
    if source.kind_assumed:
        yield note("oven_kind_assumed", "The recipe does not say what kind of oven; a conventional "
                   "one is assumed.", hint="A fan oven's dial stands about 20 °C lower.")
    stated = recipe.stated
    numbers = {} if stated is None else {"stated_min": stated.middle_min,
                                         "pace": source.pace.value}
    match source.pace.basis:
        case PaceBasis.NO_STATED_TIME:
            yield warn("no_stated_time", "The recipe states no time: the usual pace for "
                       f"{recipe.style.name} is assumed and the window is wide.",
                       hint="Go by the signs, and note how long it took.")
        case PaceBasis.NO_SOURCE:
            yield warn("time_without_pan", "The recipe's time belongs to a pan that is not known, "
                       f"so the usual pace for {recipe.style.name} is assumed and the window is "
                       "wide.", hint="Measure the recipe's pan.", numbers=numbers)
        case PaceBasis.TOO_SHORT:
            yield warn("stated_time_too_short", "The stated time is too short to go by: a batter "
                       "needs longer than that to start warming. The window is wide.",
                       hint="Check the time on the card.", numbers=numbers)
        case PaceBasis.UNUSUAL:
            yield warn("unusual_stated_time", "The stated time is unusually "
                       f"{_long_or_short(source, recipe)} for that pan. It is used as it is.",
                       hint="Check the recipe's pan, or whether it means a fan oven.",
                       numbers=numbers)
        case PaceBasis.NOT_REPRODUCED:
            yield warn("stated_time_not_reproduced", "The stated time is far too "
                       f"{_long_or_short(source, recipe)} for that pan and is not followed. The "
                       "window is wide.", hint="Check the time, the pan and the oven on the card.",
                       numbers=numbers)
        case PaceBasis.STATED:
            pass


def oven_findings(source: SourceBake, bakes: Sequence[Bake], oven: Oven,
                  labels: Sequence[str]) -> Iterator[Finding]:
    """Yield what the oven cannot do, and which pan wants another setting."""
    if not bakes:
        return
    if any(bake.window is None for bake in bakes):
        yield stop("oven_too_cool", f"At {oven.words(bakes[0].oven.setting)} the centre never "
                   f"reaches {source.done_c:g} °C, where this batter is done. No time is given.",
                   hint="Check the oven setting on the card.", numbers={"done_c": source.done_c})
        return
    unmoved = [bake for bake in bakes if bake.oven.moved_c and _as_recipe(bake, oven)]
    if unmoved:
        yield note("dial_lacks_setting", f"{source.setting.text} is not on this dial; "
                   f"{oven.words(unmoved[0].oven.setting)} is nearest, and the times are for that.",
                   hint="")
    for bake in bakes:
        if bake.own.at_limit:
            yield note("crust_limit", f"{labels[bake.entry]}: the same crust would want more than "
                       "20 °C less than the recipe. Cover the top if it darkens early.",
                       subject=labels[bake.entry], entry=bake.entry)
        apart = bake.oven.oven_c - bake.own.oven_c
        if abs(apart) > FAR_APART_C:
            yield warn("own_setting_apart", f"{labels[bake.entry]} alone would be baked at "
                       f"{oven.words(bake.own.setting)}. In one oven it bakes at "
                       f"{oven.words(bake.oven.setting)}.", subject=labels[bake.entry],
                       entry=bake.entry, hint="Bake separately for each its own.",
                       numbers={"apart_c": apart})


def shelf_findings(pans: Sequence[tuple[int, str, AnyPan]], oven: Oven) -> Iterator[Finding]:
    """Yield the pans that are larger than a shelf of the oven, turned either way.

    Parameters
    ----------
    pans : sequence of (int, str, AnyPan)
        Place among the chosen ones, label, pan. Trays of wells and dough are not judged: nothing
        tells how large the whole tray is.
    oven : Oven
        With or without its shelf.
    """
    if oven.shelf_cm is None:
        return
    shelf = (max(oven.shelf_cm), min(oven.shelf_cm))
    for entry, label, pan in pans:
        if not isinstance(pan, Pan) or pan.kind is PanKind.WELLS or pan.patted:
            continue
        sides = [side + 2 * RIM_CM for side in extent(pan.rim)]
        if any(side > room for side, room in zip(sides, shelf, strict=True)):
            yield stop("larger_than_oven", f"{label}: {centimetres(sides[0])} × "
                       f"{centimetres(sides[1])} cm with its rim, and a shelf of {oven.name} is "
                       f"{centimetres(shelf[0])} × {centimetres(shelf[1])} cm.", subject=label,
                       entry=entry, hint="Take a smaller pan, or another oven.",
                       numbers={"long_cm": sides[0], "short_cm": sides[1]})


def _as_recipe(bake: Bake, oven: Oven) -> bool:
    """Whether the setting is off the recipe by less than a step: rounding, not a school."""
    degrees = {"C": 1.0, "F": 1 / 1.8, "mark": 25 / 1.8}[oven.scale.value]
    return abs(bake.oven.moved_c) <= oven.step * degrees / 2 + 1e-9


def _long_or_short(source: SourceBake, recipe: Recipe) -> str:
    return "long" if source.pace.value > recipe.style.pace.value else "short"
