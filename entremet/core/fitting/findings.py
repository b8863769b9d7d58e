"""Findings about amounts and pans."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from entremet.core.batter.styles import Style
from entremet.core.card.lines import MIXED, ScalesBy
from entremet.core.card.recipe import Recipe
from entremet.core.fitting.rules import Entry, Rule
from entremet.core.fitting.sharing import Place, Sharing
from entremet.core.fitting.source import Source
from entremet.core.fitting.standing import Standing, Verdict, VerdictCode
from entremet.core.ground.findings import Finding, Severity, note, stop, warn
from entremet.core.ground.provenance import Origin
from entremet.core.ground.quantities import cm, ml
from entremet.core.ground.wording import listed, percent
from entremet.core.ingredients.eggs import egg_grade
from entremet.core.ingredients.table import Role
from entremet.core.measures.units import HOUSEHOLD_UNITS
from entremet.core.pans.pan import AnyPan, Pan, PanKind

MOST_PANS = 99
MOST_WELLS = 480
BIG_BATCH = 2.0
"""Factor from which seasoning is better tasted than scaled; practice."""


def entry_finding(index: int, entry: Entry) -> Finding | None:
    """Return why an entry cannot be filled, or None where it can."""
    if entry.problem is not None:
        return entry.problem
    if entry.count < 0:
        return stop("negative_count", f"{entry.label}: a count cannot be below zero.",
                    subject=entry.label, entry=index, hint="Type how many you fill.")
    if entry.count == 0:
        return warn("no_count", f"{entry.label}: none chosen, so it is left out.",
                    subject=entry.label, entry=index, hint="Raise the count or take it away.")
    most = MOST_WELLS if entry.pan and entry.pan.kind is PanKind.WELLS else MOST_PANS
    if entry.count > most:
        return stop("absurd_count", f"{entry.label}: {entry.count} is more than the {most} that "
                    "one fit can take.", subject=entry.label, entry=index,
                    hint="Split the order into several fits.")
    return None


def card_findings(recipe: Recipe, left_out: frozenset[int]) -> Iterator[Finding]:
    """Yield what the card leaves open."""
    for line in recipe.lines:
        if line.key in left_out:
            yield note("optional_left_out", f"{line.name}: optional, and left out.",
                       subject=line.name, hint="Tick the line to put it in.")
        elif recipe.weights[line.key] is None and line.component in MIXED:
            yield note("unweighed_line", f"{line.name}: nothing tells its weight. It scales with "
                       "the card and is not counted in the batter.", subject=line.name)
    if recipe.style_assumed:
        yield note("style_assumed", f"The card names no style of batter; {recipe.style.name} is "
                   "assumed, by its eggs and fat.", hint="Set the style on the card.")
    units = {line.amount.unit for line in recipe.lines if line.amount is not None}
    if recipe.standard_key is None and units & HOUSEHOLD_UNITS:
        yield note("standard_assumed", "The recipe does not say which cups and spoons it means; "
                   f"{recipe.usual.sizes.name} ones are assumed.",
                   hint="Set the measure standard on the card.")
    if recipe.grade_key is None and recipe.egg_g is None:
        eggs = {egg_grade(line.grade_key or recipe.usual.grade).words
                for line in recipe.lines if line.is_eggs}
        if eggs:
            yield note("eggs_assumed", "The recipe does not say which eggs it means; "
                       f"{listed(sorted(eggs))} is assumed.", hint="Set the egg size on the card.")


def source_findings(recipe: Recipe, source: Source, places: Sequence[Place]) -> Iterator[Finding]:
    """Yield what is missing about the recipe's own pans, and whether it matters."""
    if not source.filled:
        yield warn("no_source_pan", "The recipe names no pan, so there is no depth to keep: pans "
                   f"get the usual fill for {recipe.style.name}, "
                   f"{percent(recipe.style.usual_fill.value)}.",
                   hint="Add the recipe's pan to its card.")
    for one in source.filled:
        pan = one.vessel.pan
        if not one.fits:
            yield warn("source_does_not_fit", f"The recipe's own {pan.label} does not hold its "
                       f"batter: {ml(one.batter_ml)}, room for {ml(one.vessel.room_ml)}. Its "
                       "stated time is not moved from there.", subject=pan.label,
                       hint="Check the recipe's pan and how many it fills.")
        if not isinstance(pan, Pan):
            if pan.capacity.origin is Origin.ASSUMED:
                yield note("capacity_assumed", f"The recipe's own {pan.label}: "
                           f"{pan.capacity.assumptions[0]}.", subject=pan.label,
                           hint="Fill it with water and weigh that.",
                           numbers={"capacity_ml": pan.capacity_ml})
            yield warn("source_pan_unmeasured", f"Of the recipe's own {pan.label} only the "
                       "capacity is known: its depth and its bake cannot be carried over.",
                       subject=pan.label, hint="Give one inside measure of it.")
        elif pan.wall_cm.origin is Origin.ASSUMED:
            straight = pan.base == pan.rim
            matters = not straight or any(place.vessel.pan == pan for place in places)
            yield note("wall_assumed", f"Wall of the recipe's pan is assumed, "
                       f"{cm(pan.wall_cm.value)}. " + (
                           "How high it rises against the rim depends on it." if matters
                           else "Nothing here depends on it."),
                       subject=pan.label, numbers={"wall_cm": pan.wall_cm.value})
    by_area = any(line.scales_by is ScalesBy.BASE_AREA for line in recipe.lines)
    measured = source.area_cm2() is not None and all(
        isinstance(place.vessel.pan, Pan) for place in places)
    if by_area and not measured:
        how = "by capacity instead" if source.filled else "and stays as the recipe has it"
        yield warn("layer_not_by_area", "The base layer should go by base area; not every base is "
                   f"known, so it goes {how}.", hint="Give one inside measure of each pan.")


def pan_findings(place: Place, entry: Entry, standing: Standing, verdict: Verdict, *,
                 own_dough: bool) -> Iterator[Finding]:
    """Yield what is wrong with one pan, and whether the kitchen has so many."""
    pan = place.vessel.pan
    if verdict.severity is not Severity.NOTE:
        hint = {VerdictCode.DOES_NOT_FIT: "Take a larger pan, more of them, or less batter.",
                VerdictCode.OVER_RIM: "Put less in each and bake the rest as cupcakes.",
                VerdictCode.OVER_LIMIT: "Put a tray under it, or less batter in it.",
                VerdictCode.TOO_THIN: "Take fewer or smaller pans."}[verdict.code]
        yield Finding(code=verdict.code.value, severity=verdict.severity, entry=place.entry,
                      subject=entry.label, text=f"{entry.label}: {verdict.text()}", hint=hint,
                      numbers={"batter_ml": standing.batter_ml, "capacity_ml": pan.capacity_ml})
    if place.vessel.is_patted and not own_dough:
        yield note("patted_no_time", f"{entry.label}: no pan holds it, so no time is moved from "
                   "the recipe's. Go by its own time and signs.", subject=entry.label,
                   entry=place.entry)
    elif isinstance(pan, Pan):
        if pan.perimeter_assumed:
            yield note("perimeter_assumed", f"{entry.label} is known by the water it holds: its "
                       "walls are assumed straight and smooth.", subject=entry.label,
                       entry=place.entry)
    else:
        yield warn("capacity_only", f"{entry.label}: only its capacity is known. It can be "
                   "filled, but not timed.", subject=entry.label, entry=place.entry,
                   hint="Measure its height or width inside.")
    if entry.owned is not None and entry.count > entry.owned * pan.wells:
        have = (f"{entry.owned} of {pan.wells} wells" if pan.wells > 1 else f"{entry.owned}")
        yield warn("not_owned", f"{entry.label}: you own {have}, {entry.count} are chosen.",
                   subject=entry.label, entry=place.entry,
                   hint="Bake in turns or borrow; batter raised by soda or beaten egg does not "
                        "wait well.")


def sharing_findings(sharing: Sharing, places: Sequence[Place], style: Style,
                     rack: Sequence[AnyPan]) -> Iterator[Finding]:
    """Yield what is left over and what it would fill, or what is missing."""
    if sharing.short_g > 0:
        yield stop("not_enough_batter", f"The batch is {sharing.short_g:.0f} g short of what these "
                   "pans were promised; each gets less.", numbers={"short_g": sharing.short_g},
                   hint="Lower the grams or choose another rule.")
    if sharing.leftover_g >= 0.5:
        yield note("leftover", f"{sharing.leftover_g:.0f} g of batter is left over"
                   f"{_would_fill(sharing.leftover_g, style, rack)}.",
                   numbers={"leftover_g": sharing.leftover_g})
    if any(place.rule.kind is Rule.GRAMS and place.rule.grams is None for place in places):
        yield note("grams_assumed", "Grams start from the recipe's own depth until you type "
                   "yours.")


def card_size_findings(recipe: Recipe, factor: float) -> Iterator[Finding]:
    """Yield what a large batch does to seasoning."""
    spiced = [line.name for line in recipe.lines
              if line.ingredient is not None and line.ingredient.role is Role.FLAVOUR]
    if factor >= BIG_BATCH and spiced:
        yield note("taste_seasoning", f"A batch {factor:.1f} times the recipe: add most of the "
                   f"{listed([name.lower() for name in spiced])}, taste, then the rest.",
                   numbers={"factor": factor})


def _would_fill(leftover_g: float, style: Style, rack: Sequence[AnyPan]) -> str:
    trays = [pan for pan in rack if pan.kind is PanKind.WELLS]
    if not trays:
        return ""
    each_g = trays[0].capacity_ml * style.usual_fill.value * style.density.value
    wells = int(leftover_g / each_g)
    if wells < 1:
        return ", less than one cupcake"
    return f": about {wells} cupcake{'s' if wells > 1 else ''} in your {trays[0].label}"
