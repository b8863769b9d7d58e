"""The stages of a plan, each a pure function with its own answer, so that others may start there.

choose → fill → scale → time: what is chosen can be put together, each pan gets its batter, every
line and word follows, and the bake is moved. :func:`entremet.core.plan.plan.make_plan` walks them.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache

from entremet.core.baking.bakes import BakeWay, into_oven, leaves_own_heat
from entremet.core.baking.constants import HEAT, HeatConstants
from entremet.core.baking.source_bake import SourceBake, source_bake
from entremet.core.baking.temperature import School
from entremet.core.baking.treatment import PLAIN, followed
from entremet.core.card.lines import Line, ScalesBy
from entremet.core.card.recipe import Recipe
from entremet.core.dressing.cakes import BakedPan
from entremet.core.dressing.growing import grown_by_finish
from entremet.core.dressing.own import BY_PRACTICE, OwnFinish, as_recipe, own_finish
from entremet.core.dressing.pans import baked_places, baked_source
from entremet.core.finishing.growth import (
    Baked,
    Factors,
    extents,
    growth,
    growth_findings,
    piece_factor,
    usual_joins,
)
from entremet.core.fitting.eggs import LeadingEggs, leading_eggs
from entremet.core.fitting.findings import (
    card_findings,
    card_size_findings,
    entry_finding,
    sharing_findings,
    source_findings,
)
from entremet.core.fitting.portions import OWN, Portion, portion_of, servings_of
from entremet.core.fitting.raising import powder_share, raising_findings, withheld_g
from entremet.core.fitting.rules import Entry, Rule
from entremet.core.fitting.scaled_lines import ScaledLine, scale_lines, unscaled_lines
from entremet.core.fitting.scaled_steps import ScaledStep, scale_steps, unscaled_steps
from entremet.core.fitting.shares import Share, ShareChoice, shares_of
from entremet.core.fitting.sharing import Place, own_pan, places_for
from entremet.core.fitting.source import Source, left_out_of, standing_recipe
from entremet.core.fitting.standing import Standing, standing_of
from entremet.core.fitting.whole import Laid, OpenedWhole, laid_in, opened_for
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding, note, stop
from entremet.core.ground.provenance import Figure
from entremet.core.learning.book import CLOSED_BOOK, Book
from entremet.core.mixing.mixes import Mix, mixes_of
from entremet.core.ovens.oven import Oven
from entremet.core.ovens.settings import Setting
from entremet.core.pans.pan import AnyPan, Pan
from entremet.core.plan.batch import Batch, BatchBasis, Tools, settle
from entremet.core.plan.pan_plan import PanPlan, pan_plans
from entremet.core.plan.request import Request


@dataclass(frozen=True, slots=True, kw_only=True)
class Chosen:
    """What was chosen, put together.

    Parameters
    ----------
    recipe : Recipe
        The card.
    left_out : frozenset of int
        Optional lines that stay out.
    gross : Figure
        Its batter, grams.
    source : Source
        The recipe in its own pans.
    entries : tuple of Entry
        Every chosen pan.
    usable : tuple of (int, Entry, AnyPan)
        Those that can be filled, with their places.
    findings : tuple of Finding
        What the card and the pans have to say.
    nothing : Finding or None
        Why nothing can be filled; None where something can.
    """

    recipe: Recipe
    left_out: frozenset[int]
    gross: Figure
    source: Source
    entries: tuple[Entry, ...]
    usable: tuple[tuple[int, Entry, AnyPan], ...]
    findings: tuple[Finding, ...]
    nothing: Finding | None

    @property
    def lines(self) -> list[Line]:
        """The lines that go in."""
        return [line for line in self.recipe.lines if line.key not in self.left_out]


@dataclass(frozen=True, slots=True, kw_only=True)
class Filled:
    """Pans with their batter.

    Parameters
    ----------
    places, standings : tuple of Place, tuple of Standing
        Where batter goes, and how it stands there.
    base_factor, top_factor : float
        What layers under and on the batter grow by.
    eggs : LeadingEggs or None
        The line that decides.
    powder : float
        Share of the baking powder that goes in.
    portion : Portion or None
        What the cakes are cut in.
    batch : Batch
        How much is made, in how many mixes.
    cakes : tuple of Baked
        What comes out of the oven.
    """

    places: tuple[Place, ...]
    standings: tuple[Standing, ...]
    base_factor: float
    top_factor: float
    eggs: LeadingEggs | None
    powder: float
    portion: Portion | None
    batch: Batch
    cakes: tuple[Baked, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Scaled:
    """Every line and word of the card, scaled.

    Parameters
    ----------
    lines, steps : tuple of ScaledLine, tuple of ScaledStep
        Of the card.
    mixes : tuple of Mix
        What goes into the bowl, mix by mix.
    shares, opened, laid
        Shares of the batter with something of their own, and things that come whole.
    joins : int or None
        Joins a filling goes into.
    own : OwnFinish
        How the recipe's own cakes are finished.
    findings : tuple of Finding
        What growth and the extras have to say.
    """

    lines: tuple[ScaledLine, ...]
    steps: tuple[ScaledStep, ...]
    mixes: tuple[Mix, ...] = ()
    shares: tuple[Share, ...] = ()
    opened: tuple[OpenedWhole, ...] = ()
    laid: tuple[Laid, ...] = ()
    joins: int | None = None
    own: OwnFinish = BY_PRACTICE
    growing: tuple[Finding, ...] = ()
    findings: tuple[Finding, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Timed:
    """The bake moved to the chosen pans.

    Parameters
    ----------
    source : SourceBake or None
        The recipe's own bake.
    way : BakeWay
        Oven, school and treatment.
    pans : tuple of PanPlan
        Every chosen pan, judged, timed, cut and prepared.
    findings : tuple of Finding
        What bakes and pans have to say.
    """

    source: SourceBake | None
    way: BakeWay
    pans: tuple[PanPlan, ...]
    findings: tuple[Finding, ...] = ()


def choose(recipe: Recipe, entries: Sequence[Entry], *, request: Request, tools: Tools) -> Chosen:
    """Put together what is chosen, and say whether there is anything to fill."""
    left_out = left_out_of(recipe, request.with_optional)
    gross, source = standing_recipe(recipe, left_out, tools.loss)
    findings = list(card_findings(recipe, left_out))
    usable = []
    for index, entry in enumerate(entries):
        problem = entry_finding(index, entry)
        if problem is not None:
            findings.append(problem)
        elif entry.pan is not None:
            usable.append((index, entry, own_pan(entry.pan, source)))
    return Chosen(recipe=recipe, left_out=left_out, gross=gross, source=source,
                  entries=tuple(entries), usable=tuple(usable), findings=tuple(findings),
                  nothing=_nothing_to_fit(source, entries, usable))


def fill(chosen: Chosen, *, request: Request, tools: Tools) -> Filled:
    """Settle how much is made and how it stands in each pan that can be filled."""
    recipe, source, style = chosen.recipe, chosen.source, chosen.recipe.style
    places, base_factor, top_factor = places_for(chosen.usable, rule=request.pan_rule,
                                                 source=source, style=style)
    eggs = leading_eggs(recipe, left_out=chosen.left_out)
    powder = powder_share(request.raising, places, source)
    portion = portion_of(request.portion or (OWN if request.rule is Rule.SERVINGS else ""),
                         source=source, style=style, servings=recipe.servings)
    recipe_g = chosen.gross.value - withheld_g(recipe, powder, chosen.left_out)
    batch = settle(BatchBasis(recipe=recipe, eggs=eggs, places=places, portion=portion,
                         recipe_g=recipe_g), request, tools)
    standings = tuple(standing_of(place.vessel, each_ml, style=style, limit=place.limit)
                      for place, each_ml in zip(places, batch.sharing.each_ml, strict=True))
    cakes = tuple(Baked(pan=place.vessel.pan, count=place.count, risen_cm=standing.risen_cm)
                  for place, standing in zip(places, standings, strict=True))
    return Filled(places=tuple(places), standings=standings, base_factor=base_factor,
                  top_factor=top_factor, eggs=eggs, powder=powder, portion=portion, batch=batch,
                  cakes=cakes)


def scale(chosen: Chosen, filled: Filled, *, request: Request, tools: Tools,
          shares: Sequence[ShareChoice] = ()) -> Scaled:
    """Scale every line and every amount in the words, each by what it grows with."""
    recipe, batch, step_g = chosen.recipe, filled.batch, tools.scale_step_g
    own, finished = chosen.source.baked(recipe.style), own_finish_of(chosen)
    by_finish = grown_by_finish(
        chosen.lines, recipe.style, own=baked_source(chosen.source, recipe.style),
        now=baked_places(chosen.entries, filled.places, filled.standings, recipe.style),
        chosen=as_recipe(request.finishing, finished), as_recipe=finished.finishing,
        joins=request.joins)
    others = {**growth(extents(own), extents(filled.cakes, joins=request.joins)),
              ScalesBy.TOP_AREA: filled.top_factor, **_by_servings(recipe, batch)}
    lines = scale_lines(
        recipe, left_out=chosen.left_out, eggs=filled.eggs, egg_option=batch.option,
        factors=Factors(batter=batch.factor, base_area=filled.base_factor, others=others,
                        powder=filled.powder, finish=by_finish.factors,
                        pieces=piece_factor(own, filled.cakes) or batch.factor),
        scale_step_g=step_g)
    taken, share_notes = shares_of(
        shares, chosen.entries,
        _each_g(len(chosen.entries), filled.places, filled.standings), recipe,
        factor=batch.factor, scale_step_g=step_g)
    laid, laid_notes = laid_in(lines, filled.places, request.laid)
    return Scaled(
        lines=lines, shares=taken,
        steps=scale_steps(recipe, lines, scale_step_g=step_g),
        laid=laid, opened=opened_for(lines, scale_step_g=step_g),
        joins=request.joins or by_finish.joins or usual_joins(filled.cakes), own=finished,
        mixes=mixes_of(recipe, lines, batch.shares, gross_g=batch.gross_g, eggs=filled.eggs,
                       option=batch.option, scale_step_g=step_g),
        growing=tuple(growth_findings(
            recipe.lines, others, request.joins, by_finish.factors)),
        findings=(*share_notes, *laid_notes))


def own_finish_of(chosen: Chosen) -> OwnFinish:
    """Return how the recipe's own cakes are finished, as thick as its own amounts make it."""
    own = tuple(baked_source(chosen.source, chosen.recipe.style))
    return _own_finish(_OwnCakes(
        recipe=chosen.recipe, own=own, card=id(chosen.recipe), left_out=chosen.left_out,
        sizes=tuple((one.batter_g, one.risen_cm, one.under_g, one.over_g) for one in own)))


@dataclass(frozen=True, slots=True, kw_only=True)
class _OwnCakes:
    """A recipe's own cakes, told apart by the card itself and by how they are baked."""

    recipe: Recipe = field(compare=False)
    own: tuple[BakedPan, ...] = field(compare=False)
    card: int
    left_out: frozenset[int]
    sizes: tuple[tuple[float | None, ...], ...]


@lru_cache(maxsize=128)
def _own_finish(of: _OwnCakes) -> OwnFinish:
    """Work a recipe's own finish out once, and not at every tap."""
    card = of.recipe
    return own_finish(
        [line for line in card.lines if line.key not in of.left_out], card.style, own=of.own,
        said=card.finishing,
        was_g={key: weight.value for key, weight in card.weights.items() if weight is not None})


def into_own_pans(chosen: Chosen, filled: Filled) -> bool:
    """Say whether the batter goes into the recipe's own pans."""
    own = [(_form(one.vessel.pan), one.count) for one in chosen.source.filled]
    now = [(_form(one.vessel.pan), one.count) for one in filled.places]
    return sorted(own, key=str) == sorted(now, key=str)


def _form(pan: AnyPan) -> object:
    """Return what makes two pans the same pan, whatever they are called."""
    if isinstance(pan, Pan):
        return pan.base, pan.rim, round(pan.wall_cm.value, 2), pan.wells
    return pan.kind, round(pan.capacity_ml), pan.wells


def unscaled(chosen: Chosen) -> Scaled:
    """Return the card as it is, while nothing can be filled."""
    return Scaled(lines=unscaled_lines(chosen.recipe, left_out=chosen.left_out),
                  own=OwnFinish(finishing=chosen.recipe.finishing, usual=chosen.recipe.finishing),
                  steps=unscaled_steps(chosen.recipe))


def time(chosen: Chosen, filled: Filled, *, request: Request, oven: Oven,
         book: Book = CLOSED_BOOK, constants: HeatConstants = HEAT) -> Timed:
    """Move the recipe's bake to every filled pan."""
    baked, bake_notes = source_bake(chosen.recipe, chosen.source, constants=constants)
    if baked is not None and leaves_own_heat(baked, oven):
        baked = into_oven(baked)
    way = replace(_way(chosen.recipe, request, oven), book=book)
    pans, pan_notes = pan_plans(
        chosen.entries, filled.places, filled.standings, batch=filled.batch, recipe=chosen.recipe,
        source=chosen.source, baked=baked, way=way, portion=filled.portion)
    return Timed(source=baked, way=way, pans=pans, findings=(*bake_notes, *pan_notes))


def untimed(chosen: Chosen, *, request: Request, oven: Oven) -> Timed:
    """Return the chosen pans empty, while nothing can be filled."""
    return Timed(source=None, way=replace(_way(chosen.recipe, request, oven), treatment=PLAIN),
                 pans=tuple(PanPlan(entry=entry) for entry in chosen.entries))


def batch_findings(chosen: Chosen, filled: Filled, *, request: Request,
                   rack: Sequence[AnyPan]) -> tuple[Finding, ...]:
    """Return what the batch has to say: source, rule, raising, what is left over, its size."""
    recipe, batch = chosen.recipe, filled.batch
    return (*source_findings(recipe, chosen.source, filled.places), *batch.findings,
            *raising_findings(recipe, request.raising, filled.powder),
            *sharing_findings(batch.sharing, filled.places, recipe.style, rack),
            *card_size_findings(recipe, batch.factor))


def _way(recipe: Recipe, request: Request, oven: Oven) -> BakeWay:
    """Return how all pans are baked; strips that are the recipe's own go round every pan."""
    treatment = replace(request.treatment, strips=request.treatment.strips or recipe.strips)
    return BakeWay(oven=oven, school=request.temperature, separately=request.separately,
                   own=_own_setting(request, oven),
                   treatment=followed(treatment, has_dial=oven.has_dial))


def _own_setting(request: Request, oven: Oven) -> Setting | None:
    """Return what the baker sets an oven to; None where she says nothing, or it has no dial."""
    if request.temperature is not School.OWN or request.dial is None or not oven.has_dial:
        return None
    if not oven.lowest <= request.dial <= oven.highest:
        ends = [Setting(value=end, scale=oven.scale).text for end in (oven.lowest, oven.highest)]
        raise ImpossibleChoice(f"The dial of {oven.name} goes from {' to '.join(ends)}.",
                               field="dial")
    return Setting(value=request.dial, scale=oven.scale)


def _nothing_to_fit(source: Source, entries: Sequence[Entry],
                    usable: Sequence[object]) -> Finding | None:
    if source.net_g <= 0:
        return stop("no_batter", "The lines of this card weigh too little to be a batter, so there "
                    "is nothing to fit.", hint="Put amounts with weights on the card.",
                    numbers={"batter_g": source.gross_g})
    if not entries:
        return note("no_pans", "No pans chosen yet.", hint="Choose a pan from your rack.")
    if not usable:
        return stop("no_usable_pans", "None of the chosen pans can be filled.",
                    hint="Mend the pans marked here.")
    return None


def _by_servings(recipe: Recipe, batch: Batch) -> dict[ScalesBy, float]:
    own = servings_of(recipe.servings)
    return {} if own is None or batch.servings is None else {
        ScalesBy.SERVINGS: batch.servings / own}


def _each_g(entries: int, places: Sequence[Place],
            standings: Sequence[Standing]) -> list[float | None]:
    each: list[float | None] = [None] * entries
    for place, standing in zip(places, standings, strict=True):
        each[place.entry] = standing.batter_g
    return each
