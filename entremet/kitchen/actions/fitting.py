"""Fit a recipe of this kitchen to pans; nothing is stored."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass, replace

from entremet.core.at_the_oven.view import AtTheOven, at_the_oven
from entremet.core.card.recipe import Recipe as CoreRecipe
from entremet.core.card.resolve import loose_line
from entremet.core.choosing.offers import BatchFreedom, OfferedSet, Wanted, offered_sets
from entremet.core.dressing.sized import Sized, Thing, enlarged
from entremet.core.finished.finish import Finish, finish
from entremet.core.fitting.rules import EggChoice, Entry, PanRule, Rule
from entremet.core.fitting.shares import ShareChoice
from entremet.core.ground.errors import CoreError, ImpossibleChoice, ImpossiblePan, UnreadableAmount
from entremet.core.ground.findings import Finding, ranked, stop, warn
from entremet.core.ground.wording import listed
from entremet.core.learning.book import Book
from entremet.core.learnt.own import own_oven, own_style, recipe_notes
from entremet.core.ovens.oven import Oven as CoreOven
from entremet.core.ovens.settings import OvenKind, Scale
from entremet.core.pans.counted import count_words
from entremet.core.pans.measures import pan_from
from entremet.core.pans.pan import AnyPan, Pan
from entremet.core.plan.batch import Tools
from entremet.core.plan.plan import Plan, make_plan
from entremet.core.plan.request import Request, WantedPan, WantedShare
from entremet.core.reading.lines import read_line
from entremet.kitchen import pantry
from entremet.kitchen.actions import at_hand, learning
from entremet.kitchen.actions.bowls import damaged_bowl, tools_for
from entremet.kitchen.actions.cards import fit_recipe, recipe_row, revision_of
from entremet.kitchen.actions.last_time import last_time, over_again, ran_over_at
from entremet.kitchen.actions.packets import claims_checked
from entremet.kitchen.current import current
from entremet.kitchen.errors import UNREADABLE, NotHere
from entremet.kitchen.models import Bowl, Kitchen, Oven, RackPan, Recipe, Revision

NO_OVEN = CoreOven(name="Conventional oven", kind=OvenKind.CONVENTIONAL, scale=Scale.CELSIUS,
                   step=5, lowest=50, highest=250)
"""Taken while the kitchen has no oven of its own."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Alternatives:
    """A line that leaves a choice: the names to choose from, as written first."""

    line: int
    chosen: int | None
    names: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Fitted:
    """A plan with the ids behind it."""

    plan: Plan
    recipe_id: int
    revision: int
    head: int
    variants: tuple[tuple[int, str], ...]
    variant: int | None
    instead: tuple[Alternatives, ...]
    oven_id: int | None
    bowl: Bowl | None
    pan_ids: tuple[int | None, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Offer:
    """A set of the rack that takes a recipe, fitted.

    Parameters
    ----------
    offered : OfferedSet
        As found.
    into : tuple of WantedPan
        Its pans.
    rule : Rule
        Under which they take the batch.
    egg_count : float or None
        With the rule of eggs.
    left_into : tuple of (RackPan, int)
        Pans for the leftover, each with how many (wells of a tray).
    also : tuple of str
        Sets of the same pans with other walls, in words.
    fitted : Fitted
        The fit.
    """

    offered: OfferedSet
    into: tuple[WantedPan, ...]
    rule: Rule
    egg_count: float | None
    left_into: tuple[tuple[RackPan, int], ...]
    also: tuple[str, ...]
    fitted: Fitted


@dataclass(frozen=True, slots=True, kw_only=True)
class _Kitchen:
    """What a fit takes from the kitchen, fetched once."""

    row: Recipe
    revision: Revision
    recipe: CoreRecipe
    findings: tuple[Finding, ...]
    rack: Mapping[int, RackPan]
    whole: tuple[tuple[RackPan, AnyPan], ...]
    tools: Tools
    bowl: Bowl | None
    oven: Oven | None
    core_oven: CoreOven
    book: Book
    ran_over_at: float | None
    habits: Kitchen
    variants: tuple[tuple[int, str], ...]
    alternatives: tuple[tuple[int, tuple[str, ...]], ...]


def fit(request: Request) -> Fitted:
    """Work out a fit.

    Raises
    ------
    NotHere
        When the recipe, its revision, a pan, the bowl or the oven is not in this kitchen.
    """
    return _fit(request, _kitchen(request))


def finished(request: Request) -> tuple[Fitted, Finish]:
    """Work out a fit and finish its cakes, with the pans of the rack at hand.

    Raises
    ------
    NotHere
        When the recipe, its revision, a pan, the bowl or the oven is not in this kitchen.
    """
    kitchen = _kitchen(request)
    fitted = _fit(request, kitchen)
    return fitted, finish(fitted.plan, rack=[core for _, core in kitchen.whole])


def enlarge(request: Request, thing: Thing, *, factor: float | None, length_cm: float | None,
            batter_g: float | None) -> Sized:
    """Enlarge a thing to a cake of the request's recipe, in pans of this kitchen.

    Raises
    ------
    NotHere
        When the recipe is not in this kitchen.
    ImpossibleChoice
        When its size is none that can be made.
    """
    kitchen = _kitchen(request)
    return enlarged(thing, style=kitchen.recipe.style, factor=factor, length_cm=length_cm,
                    batter_g=batter_g,
                    rack=[core for _, core in kitchen.whole if isinstance(core, Pan)])


def rack_id(request: Request, pan: Pan | None) -> int | None:
    """Return the id of a pan of the rack; None where it is none."""
    return next((row.pk for row, core in _kitchen(request).whole if core is pan), None)


def offers(request: Request, *, free: Mapping[int, int], wanted: Wanted) -> list[Offer]:
    """Search the rack for sets of pans that take a recipe, and fit the best few.

    Parameters
    ----------
    request : Request
        The fit as it stands; its pans are not looked at.
    free : mapping of int to int
        Ids of the pans that are free, with how many of each.
    wanted : Wanted
        Bounds of the search.

    Raises
    ------
    NotHere
        When the recipe or a pan is not in this kitchen.
    """
    kitchen = _kitchen(request)
    pans = [_on_rack(pan_id, kitchen.rack, f"free.{pan_id}") for pan_id in free]
    entries = [_entry(WantedPan(pan=pan.pk, count=max(0, min(free[pan.pk], pan.owned))), index,
                     kitchen.rack)
               for index, pan in enumerate(pans)]
    found = offered_sets(kitchen.recipe, entries, request=request, tools=kitchen.tools,
                         wanted=wanted)
    return [_offer(one, request, pans, kitchen, wanted.freedom) for one in found]


def at_oven(request: Request, *, altitude: bool) -> tuple[Fitted, AtTheOven]:
    """Work out a fit, and everything about its bake beside its times.

    Raises
    ------
    NotHere
        When the recipe, its revision, a pan, the bowl or the oven is not in this kitchen.
    ImpossibleChoice
        When advice for a high kitchen is wanted and nobody has said how high it lies.
    """
    kitchen = _kitchen(request)
    fitted = _fit(request, kitchen)
    altitude_m = kitchen.habits.altitude_m if altitude else None
    if altitude and altitude_m is None:
        raise ImpossibleChoice("Say in the kitchen room how high the kitchen lies.",
                               field="altitude")
    rack = [Entry(label=pan.label, pan=core, count=pan.owned, owned=pan.owned,
                  key=_pan_key(pan.pk, core)) for pan, core in kitchen.whole]
    by_grams = replace(request, rule=Rule.GRAMS, mixes=(), weighed=(), egg_count=None, eggs_g=None,
                       servings=None, factor=None, eggs=EggChoice.DEFAULT, laid={})

    def refit(entries: Sequence[Entry]) -> Plan:
        return make_plan(kitchen.recipe, entries, request=by_grams, oven=fitted.plan.oven,
                         tools=kitchen.tools, book=kitchen.book)

    return fitted, at_the_oven(fitted.plan, rack, refit=refit, altitude_m=altitude_m)


def in_own_pans(request: Request) -> Plan:
    """Work out the recipe as it is written in its own pans, in this kitchen's oven, as treated.

    Raises
    ------
    NotHere
        When the recipe, its revision, the bowl or the oven is not in this kitchen.
    ImpossibleChoice
        When the recipe names no pan.
    """
    kitchen = _kitchen(request)
    own = _fit(replace(request, into=(), shares=()), kitchen).plan.source.filled
    if not own:
        raise ImpossibleChoice("This recipe names no pan of its own.", field="own_pans")
    return make_plan(
        kitchen.recipe, [Entry(label=one.vessel.pan.label, pan=one.vessel.pan, count=one.count)
                         for one in own],
        request=replace(request, rule=Rule.SAME_DEPTH, depth_cm=None, mixes=(), weighed=(),
                        shares=(), eggs=EggChoice.DEFAULT, laid={}),
        oven=kitchen.core_oven, tools=kitchen.tools, book=kitchen.book)


def halved(request: Request, entry: int) -> Plan:
    """Work out a fit with twice as many of one of its pans, each with half of what it held.

    Raises
    ------
    NotHere
        When the recipe, its revision, a pan, the bowl or the oven is not in this kitchen.
    ImpossibleChoice
        When the fit has no such pan, or nothing is in it.
    """
    kitchen = _kitchen(request)
    pans = _fit(request, kitchen).plan.pans
    standing = pans[entry].standing if entry < len(pans) else None
    if standing is None:
        raise ImpossibleChoice("This fit has no such pan, or nothing in it to be halved.",
                               field="entry")
    wanted = request.into[entry]
    half = replace(wanted, count=2 * wanted.count, rule=PanRule(
        kind=Rule.GRAMS, grams=standing.batter_g / 2))
    return _fit(replace(request, into=tuple(
        half if place == entry else one for place, one in enumerate(request.into))), kitchen).plan


def _offer(offered: OfferedSet, request: Request, pans: Sequence[RackPan],
           kitchen: _Kitchen, freedom: BatchFreedom) -> Offer:
    """Fit an offered set: pans that leave some of the batch over keep the recipe's depth."""
    held = PanRule(kind=Rule.SAME_DEPTH) if offered.left_g > 0 else None
    into = tuple(
        WantedPan(pan=pan.pk, count=count * pan.wells, rule=held)
        for pan, count in zip(pans, offered.counts, strict=True) if count)
    rule, egg_count = _rule(offered, request, freedom)
    return Offer(
        offered=offered, into=into, rule=rule, egg_count=egg_count,
        left_into=tuple((pans[index], count) for index, count in offered.left_into),
        also=tuple(listed([count_words(count * pan.wells, pan.label, pan.wells)
                           for pan, count in zip(pans, counts, strict=True) if count])
                   for counts in offered.also),
        fitted=_fit(replace(request, into=into, rule=rule, egg_count=egg_count,
                            eggs_g=request.eggs_g if egg_count is None else None, mixes=(),
                            weighed=(), eggs=EggChoice.DEFAULT, shares=()), kitchen))


def _rule(offered: OfferedSet, request: Request,
          freedom: BatchFreedom) -> tuple[Rule, float | None]:
    if freedom is BatchFreedom.WHOLE_EGGS:
        if offered.egg_count is None:
            return Rule.SAME_DEPTH, None
        return Rule.EGGS, round(offered.egg_count, 6)
    if request.rule is Rule.EGGS:
        return Rule.EGGS, request.egg_count
    # So many servings, or so many times the recipe, are what was asked for.
    kept = request.rule in (Rule.FACTOR, Rule.SERVINGS)
    return (request.rule if kept else Rule.KEEP_BATCH), None


def _kitchen(request: Request) -> _Kitchen:
    """Return what a fit takes from the kitchen, read anew only when something in it changed."""
    return current(("kitchen", request.recipe, request.revision, request.variant,
                    tuple(sorted(request.instead.items())), request.bowl, request.oven),
                   lambda: _read_kitchen(request))


def _read_kitchen(request: Request) -> _Kitchen:
    row = recipe_row(request.recipe)
    revision = revision_of(row, request.revision)
    document = revision.card
    recipe, swap_findings = fit_recipe(revision, variant=request.variant, instead=request.instead)
    found = learning.lessons()
    recipe = replace(recipe, style=own_style(recipe.style, found.about(row.pk)))
    tools, bowl, habits = tools_for(request.bowl, found)
    rack = at_hand.racked()
    whole = tuple((pan, core) for pan in rack.values() if (core := _whole(pan)) is not None)
    oven, core_oven, told = _oven_in_use(request.oven, found)
    return _Kitchen(row=row, revision=revision, recipe=recipe,
                    findings=(*swap_findings, *last_time(row.pk), *told,
                              *claims_checked(recipe.lines, (
                                  document["title"], *document["tags"], recipe.variant)),
                              *(damaged_bowl(request.bowl) if bowl is None else ()),
                              *recipe_notes(row.title, found.about(row.pk))),
                    rack=rack, whole=whole, tools=tools, bowl=bowl, oven=oven,
                    core_oven=core_oven,
                    book=learning.book_for(found, learning.oven_key(oven, core_oven), row.pk),
                    ran_over_at=ran_over_at(row.pk),
                    habits=habits,
                    variants=tuple((one["key"], one["name"]) for one in document["variants"]),
                    alternatives=tuple(
                        (line["key"], (line["name"], *(one["name"] for one in line["instead"])))
                        for line in document["lines"] if line["instead"]))


def _fit(request: Request, kitchen: _Kitchen) -> Fitted:
    oven = kitchen.oven
    plan = make_plan(
        kitchen.recipe,
        [_entry(one, index, kitchen.rack) for index, one in enumerate(request.into)],
        request=request, oven=kitchen.core_oven, tools=kitchen.tools,
        shares=_shares(request.shares, kitchen.recipe),
        rack=[core for _, core in kitchen.whole], book=kitchen.book)
    plan = replace(plan, findings=ranked((*plan.findings, *kitchen.findings,
                                          *over_again(plan, kitchen.ran_over_at))))
    return Fitted(
        plan=plan, recipe_id=kitchen.row.pk, oven_id=None if oven is None else oven.pk,
        pan_ids=tuple(one.pan if isinstance(one.pan, int) else None for one in request.into),
        revision=kitchen.revision.number,
        head=kitchen.row.head, variant=request.variant, bowl=kitchen.bowl,
        variants=kitchen.variants,
        instead=tuple(Alternatives(line=line, chosen=request.instead.get(line), names=names)
                      for line, names in kitchen.alternatives))


def _shares(asked: Sequence[WantedShare], recipe: CoreRecipe) -> tuple[ShareChoice, ...]:
    """Read what is stirred into each share as it is written."""
    if not asked:
        return ()
    table, memory = pantry.table(), pantry.memory()
    return tuple(ShareChoice(
        name=one.name.strip() or "Share", pans=one.pans,
        lines=tuple(loose_line(read_line(text, key=key, table=table, memory=memory).line,
                               recipe, table)
                    for key, text in enumerate(filter(str.strip, one.adds), start=1)))
        for one in asked)


def _oven_in_use(oven_id: int | None,
                 found: learning.Lessons) -> tuple[Oven | None, CoreOven, list[Finding]]:
    """Return the oven of a fit as a row and as it is learnt; one that is damaged is told of."""
    oven = _oven(oven_id)
    if oven is None:
        return None, NO_OVEN, []
    with suppress(*UNREADABLE):
        return oven, own_oven(oven.to_core(), found.about(oven.pk)), []
    return None, NO_OVEN, [warn(
        "oven_damaged", f"What is stored of the oven {oven.name} is none any more: a conventional "
        "one is taken.", hint="Change it in the Kitchen room.")]


def _oven(oven_id: int | None) -> Oven | None:
    if oven_id is None:
        found = at_hand.ovens()
        return next((one for one in found if _is_whole(one)), found[0] if found else None)
    oven = next((one for one in at_hand.ovens() if one.pk == oven_id), None)
    if oven is None:
        raise NotHere("This oven is not in the kitchen.", field="oven")
    return oven


def _is_whole(oven: Oven) -> bool:
    with suppress(*UNREADABLE):
        oven.to_core()
        return True
    return False


def _on_rack(pan_id: int, rack: Mapping[int, RackPan], field: str) -> RackPan:
    pan = rack.get(pan_id)
    if pan is None:
        raise NotHere("This pan is not on the rack.", field=field)
    return pan


def _whole(pan: RackPan) -> AnyPan | None:
    """Return a pan of the rack; None where what is stored of it is no pan any more."""
    try:
        return pan.to_core()
    except (CoreError, ValueError, TypeError):
        return None


def _entry(wanted: WantedPan, index: int, rack: Mapping[int, RackPan]) -> Entry:
    if isinstance(wanted.pan, int):
        pan = _on_rack(wanted.pan, rack, f"into.{index}.pan")
        core = _whole(pan)
        problem = None if core is not None else stop(
            "pan_damaged", f"What is stored of {pan.label} is no pan any more.",
            subject=pan.label, entry=index, hint="Change it in the Pans room, or take it off.")
        return Entry(label=pan.label, pan=core, count=wanted.count, rule=wanted.rule,
                     owned=pan.owned, problem=problem, key=_pan_key(pan.pk, core))
    label = wanted.pan.label.strip() or "Typed pan"
    try:
        typed = pan_from(wanted.pan.measures(), label=label)
    except (ImpossiblePan, UnreadableAmount) as error:
        return Entry(label=label, pan=None, count=wanted.count, rule=wanted.rule, problem=stop(
            error.code, f"{label}: {error.text}", subject=label, entry=index, field=error.field,
            hint="Mend the measure."))
    return Entry(label=label, pan=typed, count=wanted.count, rule=wanted.rule,
                 cutter_cm=wanted.cutter_cm, key=_pan_key(None, typed))


def _pan_key(pan_id: int | None, pan: AnyPan | None) -> str:
    """Return what a pan is learnt by: a row of the rack or typed measures, and its finish."""
    if pan is None:
        return ""
    which = pan_id if pan_id is not None else f"typed-{pan.kind.value}-{pan.capacity_ml:.0f}"
    return f"pan:{which}:{pan.finish.value}"
