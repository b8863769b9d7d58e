"""“Which of my free pans take this recipe best?”: the rack searched, leftovers given a place."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import Enum

from entremet.core.card.recipe import Recipe
from entremet.core.choosing.search import (
    BEST_KEPT,
    MOST_LEFT_OVER,
    FoundSet,
    FreePan,
    Size,
    sets_that_fit,
)
from entremet.core.fitting.eggs import LeadingEggs, leading_eggs
from entremet.core.fitting.portions import OWN, baked_ml, portion_of, servings_wanted
from entremet.core.fitting.rules import Entry, PanRule, Rule
from entremet.core.fitting.sharing import places_for
from entremet.core.fitting.source import Source, left_out_of, standing_recipe
from entremet.core.pans.pan import Pan, PanKind
from entremet.core.plan.batch import Tools
from entremet.core.plan.request import Request

SMALLEST_BATCH, LARGEST_BATCH = 0.5, 2.0
"""Sizes of batch that are looked at when eggs may change, over the recipe's own."""

QUARTERS = 4
LEFT_FITS = (0.75, 1.10)
"""Leftover over what a small pan takes, within which it is offered; practice."""

MOST_LEFT_OFFERS = 3

FOLDED = 3
"""So many times as many sets are looked at as are named: those that differ in walls alone fold."""


class BatchFreedom(Enum):
    """Whether the batch stays as it is, or may become any number of whole eggs."""

    AS_IT_IS = "as_it_is"
    WHOLE_EGGS = "whole_eggs"


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """What is asked of the rack.

    Parameters
    ----------
    freedom : BatchFreedom
        Whether the batch may change.
    tolerance : float
        How far the depth may move, 0 to 0.5.
    most_pans : int
        Pans in a set, 1 to 5.
    few : int
        Sets to name.
    """

    freedom: BatchFreedom = BatchFreedom.AS_IT_IS
    tolerance: float = 0.10
    most_pans: int = 3
    few: int = 6


@dataclass(frozen=True, slots=True, kw_only=True)
class OfferedSet:
    """A set of free pans for the recipe.

    Parameters
    ----------
    counts : tuple of int
        Of each free pan, trays as whole trays.
    factor : float
        Of the recipe.
    egg_count : float or None
        Eggs of the leading line.
    deviation : float
        Depth over the recipe's, minus 1.
    left_g : float
        Batter left over.
    left_into : tuple of (int, int)
        Free pans that would take the leftover, each with how many (wells of a tray).
    also : tuple of tuple of int
        Sets of the same pans with other walls, by their counts: they take it as well.
    """

    counts: tuple[int, ...]
    factor: float
    egg_count: float | None
    deviation: float
    left_g: float
    left_into: tuple[tuple[int, int], ...]
    also: tuple[tuple[int, ...], ...] = ()


def offered_sets(recipe: Recipe, free: Sequence[Entry], *, request: Request, tools: Tools,
                 wanted: Wanted) -> list[OfferedSet]:
    """Search the free pans for sets that take a recipe.

    Parameters
    ----------
    recipe : Recipe
        The card.
    free : sequence of Entry
        Free kinds of pan; ``count`` is how many of each, trays as whole trays.
    request : Request
        Optional lines; with the rules of eggs, servings and factor, how many. Where servings are
        wanted no set leaves any of them over, and pans of one kind come first.
    tools : Tools
        What the bowl keeps.
    wanted : Wanted
        Bounds of the search.

    Returns
    -------
    list of OfferedSet
        Best first; empty where none fits or the card has no batter.
    """
    left_out = left_out_of(recipe, request.with_optional)
    gross, source = standing_recipe(recipe, left_out, tools.loss)
    if source.net_g <= 0:
        return []
    pans = [_free(entry, source, recipe) for entry in free]
    eggs = leading_eggs(recipe, left_out=left_out)
    by_servings = request.rule is Rule.SERVINGS and wanted.freedom is BatchFreedom.AS_IT_IS
    if by_servings:
        sizes = [_for_servings(request, source, recipe, gross.value, tools)]
    else:
        sizes = _sizes(wanted.freedom, request, eggs, gross.value, recipe, tools)
    found = sets_that_fit(pans, sizes, tolerance=wanted.tolerance, most_pans=wanted.most_pans,
                          few=BEST_KEPT if by_servings else FOLDED * wanted.few,
                          most_left=0.0 if by_servings else MOST_LEFT_OVER)
    folded: dict[tuple[object, ...], list[FoundSet]] = {}
    for one in found:
        folded.setdefault((one.size, *_across(one.counts, free)), []).append(one)
    rows = list(folded.values())
    if by_servings:
        # One cake for so many: pans of one kind before a round beside a heart.
        rows.sort(key=lambda row: sum(count > 0 for count in row[0].counts))
    return [replace(_offered(one, sizes[one.size].factor, eggs, free, pans, recipe),
                    also=tuple(other.counts for other in others))
            for one, *others in rows[:wanted.few]]


def _across(counts: Sequence[int], free: Sequence[Entry]) -> list[object]:
    """Return what a set is but for the height of its walls: pans that differ in it are one row."""
    def of(place: int, entry: Entry) -> object:
        pan = entry.pan
        if isinstance(pan, Pan) and pan.base == pan.rim:
            return pan.kind.value, repr(pan.base), pan.finish.value, pan.wells
        return place

    many: Counter[object] = Counter()
    for place, (count, entry) in enumerate(zip(counts, free, strict=True)):
        if count:
            many[of(place, entry)] += count
    return sorted(many.items(), key=repr)


def _free(entry: Entry, source: Source, recipe: Recipe) -> FreePan:
    if entry.pan is None or entry.count < 1:
        return FreePan(need_ml=0.0, most=0.0, owned=0)
    (place,), _, _ = places_for([(0, entry, entry.pan)], rule=PanRule(kind=Rule.SAME_DEPTH),
                                source=source, style=recipe.style)
    need = 0.0 if place.need is None else place.need.batter_ml.value
    return FreePan(need_ml=need * entry.pan.wells, owned=entry.count,
                   most=place.limit * place.vessel.room_ml / need if need else 0.0)


def _for_servings(request: Request, source: Source, recipe: Recipe, gross_g: float,
                  tools: Tools) -> Size:
    """Return the batch whose cake gives so many portions, layers in it as the recipe has them."""
    portion = portion_of(request.portion or OWN, source=source, style=recipe.style,
                         servings=recipe.servings)
    own_ml = baked_ml(source, recipe.style)
    share = servings_wanted(request.servings, recipe.servings) * (
        own_ml if portion is None else portion.ml.value) / own_ml
    density = recipe.style.density.value
    net_ml = source.net_g / density * share
    return Size(factor=tools.loss.gross_for(net_ml * density, 1) / gross_g, net_ml=net_ml)


def _sizes(freedom: BatchFreedom, request: Request, eggs: LeadingEggs | None, gross_g: float,
           recipe: Recipe, tools: Tools) -> list[Size]:
    def size(factor: float) -> Size:
        return Size(factor=factor, net_ml=tools.loss.net_g(gross_g * factor)
                    / recipe.style.density.value)

    if freedom is BatchFreedom.AS_IT_IS and request.rule is Rule.FACTOR:
        return [size(request.factor or 1.0)]
    if freedom is BatchFreedom.AS_IT_IS:
        by_eggs = request.rule is Rule.EGGS and eggs is not None
        return [size((eggs.times(count=request.egg_count, net_g=request.eggs_net_g) or 1.0)
                     if by_eggs and eggs is not None else 1.0)]
    if eggs is None:
        return [size(quarters / QUARTERS) for quarters in range(
            int(SMALLEST_BATCH * QUARTERS), int(LARGEST_BATCH * QUARTERS) + 1)]
    fewest = max(1, math.ceil(eggs.count * SMALLEST_BATCH))
    return [size(count / eggs.count)
            for count in range(fewest, max(fewest, int(eggs.count * LARGEST_BATCH)) + 1)]


def _offered(found: FoundSet, factor: float, eggs: LeadingEggs | None, free: Sequence[Entry],
             pans: Sequence[FreePan], recipe: Recipe) -> OfferedSet:
    return OfferedSet(
        counts=found.counts, factor=factor, deviation=found.deviation,
        egg_count=None if eggs is None else eggs.count * factor,
        left_g=found.left_ml * recipe.style.density.value,
        left_into=tuple(_left_into(found, free, pans)))


def _left_into(found: FoundSet, free: Sequence[Entry],
               pans: Sequence[FreePan]) -> list[tuple[int, int]]:
    """Return wells and small pans, still free, that the leftover would fill."""
    offers: list[tuple[int, int]] = []
    if found.left_ml <= 0:
        return offers
    for index, (entry, pan) in enumerate(zip(free, pans, strict=True)):
        if entry.pan is None or found.counts[index] >= pan.owned or pan.need_ml <= 0:
            continue
        if entry.pan.kind is PanKind.WELLS:
            wells = int(found.left_ml / (pan.need_ml / entry.pan.wells) + 0.25)
            if 1 <= wells <= entry.pan.wells * (pan.owned - found.counts[index]):
                offers.append((index, wells))
        elif LEFT_FITS[0] <= found.left_ml / pan.need_ml <= LEFT_FITS[1]:
            offers.append((index, 1))
    return offers[:MOST_LEFT_OFFERS]
