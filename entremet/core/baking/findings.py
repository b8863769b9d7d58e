"""Findings about the oven and the times."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from entremet.core.baking.bakes import INTO_OVEN_C, Bake, BakeWay
from entremet.core.baking.pace import PaceBasis
from entremet.core.baking.source_bake import SourceBake
from entremet.core.baking.temperature import School
from entremet.core.card.recipe import Recipe
from entremet.core.ground.findings import Finding, note, stop, warn
from entremet.core.ground.quantities import celsius, cm, cm_by, degrees
from entremet.core.ground.wording import centimetres
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import KIND_WORDS, OvenKind
from entremet.core.pans.outlines import extent
from entremet.core.pans.pan import AnyPan, Pan, PanKind

RIM_CM = 0.5
"""Rim of a pan outside its inner wall; practice, range 0.2 to 1.5."""

FAR_APART_C = 10.0
"""Settings of two pans further apart than this are better baked apart; practice."""


def pace_findings(recipe: Recipe, source: SourceBake) -> Iterator[Finding]:
    """Yield what is odd or missing about the stated time and the oven it is written for."""
    if source.kind_assumed:
        yield note("oven_kind_assumed", "The recipe does not say what kind of oven; a conventional "
                   "one is assumed.", hint=f"A fan oven's dial stands about {degrees(20)} lower.")
    stated = source.stated
    numbers = {} if stated is None else {"stated_min": stated.middle_min,
                                         "pace": source.pace.value}
    match source.pace.basis:
        case PaceBasis.NO_STATED_TIME:
            yield warn("no_stated_time", "The recipe states no time: the usual pace for "
                       f"{recipe.style.name} is assumed and the window is wide.",
                       hint="Go by the signs, and note how long it took.")
        case PaceBasis.NO_SOURCE if source.moved_from is None:
            why, hint = _no_source(recipe, source)
            yield warn("time_without_pan", f"The recipe's time belongs to {why}, "
                       f"so the usual pace for {recipe.style.name} is assumed and the window is "
                       "wide.", hint=hint, numbers=numbers)
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
                       f"{_long_or_short(source, recipe)} for that pan. It holds for the recipe's "
                       "own pan; others go by the usual pace of this style, and their window "
                       "reaches from one to the other.",
                       hint="Check the time, the pan and the oven on the card.", numbers=numbers)
        case _:
            pass


def _no_source(recipe: Recipe, source: SourceBake) -> tuple[str, str]:
    """Say why nothing can be told from the recipe's own pan, and what would mend it."""
    if not recipe.pans:
        return "a pan that is not known", "Give the recipe its pan."
    if source.load is not None:
        return ("an oven that never gets its middle done", "Check the oven setting on the card.")
    if any(isinstance(one.pan, Pan) for one in recipe.pans):
        return ("a pan that does not take its batter, by its measures",
                "Check the pan's measures and how many there are.")
    return "a pan whose measures are not known", "Measure the recipe's pan."


def oven_findings(source: SourceBake, bakes: Sequence[Bake], way: BakeWay,
                  labels: Sequence[str]) -> Iterator[Finding]:
    """Yield what the oven cannot do, and which pan wants another setting."""
    oven = way.oven
    if source.moved_from is not None:
        told = "steamed" if source.moved_from is OvenKind.STEAM else "for a pot on the hob"
        yield warn("own_heat_into_oven", f"This recipe is {told}. Nothing on its card tells how "
                   f"hot an oven should be: {celsius(INTO_OVEN_C)} as a conventional oven and the "
                   "usual pace of this style are assumed, and the window is wide.",
                   hint="Go by the signs, or give the card an oven and its time.")
    if not bakes:
        return
    if any(bake.window is None for bake in bakes):
        last = bakes[0].oven.steps[-1]
        when = "At" if len(bakes[0].oven.steps) == 1 else "In its last phase, at"
        yield stop("oven_too_cool", f"{when} {oven.words(last.setting)}, the centre never "
                   f"reaches {celsius(source.done_c)}, where this batter is done. No time is "
                   "given.",
                   hint="Check the oven setting on the card.", numbers={"done_c": source.done_c})
        return
    yield from _own_heat_findings(source, way)
    unmoved = [bake for bake in bakes if bake.oven.moved_c and _as_recipe(bake, oven)]
    if unmoved and source.setting is not None:
        side = "hotter" if oven.dial_off_c > 0 else "cooler"
        off = (f" It is {degrees(abs(oven.dial_off_c))} {side} than it says." if oven.dial_off_c
               else "")
        missing = (source.setting.text if len(source.parts) == 1
                   else "A setting of the recipe's phases")
        yield note("dial_lacks_setting", f"{missing} is not on this dial; "
                   f"{oven.words(unmoved[0].oven.setting)} is nearest, and the times are for that."
                   f"{off}", hint="")
    for bake in bakes:
        if bake.own.at_limit:
            cooler = bake.own.moved_c > 0
            yield note("crust_limit", f"{labels[bake.entry]}: the same crust would want more than "
                       f"{degrees(20)} {'less' if cooler else 'more'} than the recipe. "
                       f"{'Cover the top if it darkens early.' if cooler else 'It stays paler.'}",
                       subject=labels[bake.entry], entry=bake.entry)
        apart = bake.oven.oven_c - bake.own.oven_c
        if abs(apart) > FAR_APART_C:
            yield warn("own_setting_apart", f"{labels[bake.entry]} alone would be baked at "
                       f"{oven.words(bake.own.setting)}. In one oven it bakes at "
                       f"{oven.words(bake.oven.setting)}.", subject=labels[bake.entry],
                       entry=bake.entry, hint="Bake separately for each its own.",
                       numbers={"apart_c": apart})


def _own_heat_findings(source: SourceBake, way: BakeWay) -> Iterator[Finding]:
    """Yield what steam, a flame or a small oven changes."""
    oven = way.oven
    if not oven.has_dial and source.kind is not oven.kind:
        phases = " Its phases are left out." if len(source.parts) > 1 else ""
        yield warn("own_heat", f"The recipe is for a {KIND_WORDS[source.kind]}. {oven.name} has "
                   f"one heat of its own, so there is hardly a crust and the window is wide."
                   f"{phases}", hint="Go by the signs.")
    if oven.kind is OvenKind.COUNTER and source.kind is not OvenKind.COUNTER:
        yield note("close_elements", "In a small oven the elements are close to the top and base: "
                   "use the lowest shelf and have foil ready. It is counted as conventional.")
    if way.school is School.BOTH_WAYS and source.never_hotter and oven.has_dial:
        yield note("never_hotter", f"This is {source.never_hotter}, so no pan of it is baked "
                   "hotter than the recipe.")


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
                       f"{cm(sides[1])} with its rim, and a shelf of {oven.name} is "
                       f"{cm_by(shelf[0], shelf[1])}.", subject=label,
                       entry=entry, hint="Take a smaller pan, or another oven.",
                       numbers={"long_cm": sides[0], "short_cm": sides[1]})


def _as_recipe(bake: Bake, oven: Oven) -> bool:
    """Whether the setting is off the recipe by less than a step: rounding, not a school."""
    degrees = {"C": 1.0, "F": 1 / 1.8, "mark": 25 / 1.8}[oven.scale.value]
    return abs(bake.oven.moved_c) <= oven.step * degrees / 2 + 1e-9


def _long_or_short(source: SourceBake, recipe: Recipe) -> str:
    pace = source.pace.value if source.pace.own is None else source.pace.own
    return "long" if pace > recipe.style.pace.value else "short"
