"""The way through: recipe, pans, oven and choices become a plan."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from entremet.core.baking.bakes import BakeWay
from entremet.core.baking.source_bake import SourceBake, source_bake
from entremet.core.baking.temperature import School
from entremet.core.baking.treatment import PLAIN, Treatment, followed
from entremet.core.card.lines import ScalesBy
from entremet.core.card.recipe import Recipe
from entremet.core.finishing.growth import (
    Baked,
    Factors,
    extents,
    growth,
    growth_findings,
    piece_factor,
    usual_joins,
)
from entremet.core.fitting.eggs import EggOption, LeadingEggs, leading_eggs
from entremet.core.fitting.findings import (
    card_findings,
    card_size_findings,
    entry_finding,
    sharing_findings,
    source_findings,
)
from entremet.core.fitting.needs import aimed_depth, aimed_height
from entremet.core.fitting.portions import OWN, Portion, portion_of, servings_of
from entremet.core.fitting.powder import is_powder
from entremet.core.fitting.raising import powder_share, raising_findings, withheld_g
from entremet.core.fitting.rules import Entry, Raising, Rule
from entremet.core.fitting.scaled_lines import ScaledLine, scale_lines, unscaled_lines
from entremet.core.fitting.scaled_steps import ScaledStep, scale_steps, unscaled_steps
from entremet.core.fitting.shares import Share, ShareChoice, shares_of
from entremet.core.fitting.sharing import Place, own_pan, places_for
from entremet.core.fitting.source import Source, left_out_of, standing_recipe
from entremet.core.fitting.standing import Standing, standing_of
from entremet.core.fitting.whole import Laid, Opened, laid_in, opened_for
from entremet.core.ground.findings import Finding, note, ranked, stop
from entremet.core.ground.provenance import Figure, measured, worked_out
from entremet.core.mixing.mixes import Mix, mixes_of
from entremet.core.ovens.oven import Oven
from entremet.core.pans.pan import AnyPan
from entremet.core.plan.batch import Basis, Batch, Tools, settle
from entremet.core.plan.choices import Choices
from entremet.core.plan.pan_plan import PanPlan, pan_plans
from entremet.core.plan.reasons import factor_reasons

__all__ = ["Amounts", "Extras", "PanPlan", "Plan", "make_plan"]

RULE_WORDS = {
    Rule.KEEP_BATCH: "Your batch as it is, at one depth over these pans.",
    Rule.SAME_DEPTH: "Every pan as deep as the recipe's own.",
    Rule.FILL: "Every pan filled to its share.",
    Rule.DEPTH: "Every pan with batter of the depth you chose.",
    Rule.HEIGHT: "Every cake as high as you chose, layers included.",
    Rule.GRAMS: "Every pan gets the grams you chose.",
    Rule.SERVINGS: "As much as the servings want, at one depth over these pans.",
    Rule.EGGS: "As many eggs as you chose, at one depth over these pans.",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Extras:
    """What goes beyond pans and batter.

    Parameters
    ----------
    shares : tuple of ShareChoice
        Shares of the batter that take something of their own.
    laid_cm : mapping of int to float
        By line, how wide the things are that are laid in the pans whole.
    """

    shares: tuple[ShareChoice, ...] = ()
    laid_cm: Mapping[int, float] = field(default_factory=dict)


NO_EXTRAS = Extras()


@dataclass(frozen=True, slots=True, kw_only=True)
class Amounts:
    """The batch: lines = pans + leftover + bowl loss, before rounding.

    Where the bowl was weighed, ``weighed_g`` is what is really there, and takes the lines' place.
    """

    factor: Figure
    batter_g: Figure
    bowl_loss_g: Figure
    leftover_g: Figure
    weighed_g: Figure | None
    why: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """All of a fit.

    Parameters
    ----------
    recipe : Recipe
        What is fitted.
    recipe_batter_g : Figure
        Gross batter of the recipe as chosen.
    source : Source
        The recipe in its own pans.
    amounts : Amounts or None
        None where nothing can be filled.
    eggs : LeadingEggs or None
        The line that decides; None where eggs are weighed or absent.
    egg_options : tuple of EggOption
        Ways to settle them.
    egg_option : EggOption or None
        The one in force.
    lines : tuple of ScaledLine
        Every line of the card.
    pans : tuple of PanPlan
        In the order they were chosen.
    source_bake : SourceBake or None
        The recipe's own bake.
    oven : Oven
        The kitchen's oven.
    steps : tuple of ScaledStep
        The method, with the amounts in its words.
    joins : int or None
        Joins a filling goes into; None while nothing is fitted.
    joins_assumed : bool
        Whether nobody said how many.
    rule, raising : Rule, Raising
        As chosen.
    school, separately, treatment : School, bool, Treatment
        How it bakes, as chosen.
    aim : Figure or None
        The depth or height that the rule aims at, cm.
    mixes : tuple of Mix
        What goes into the bowl, mix by mix; one where all of it fits.
    most_g : float or None
        What the bowl takes in one mix.
    portion : Portion or None
        What the cakes are cut in.
    servings : int or None
        Wanted, where servings decide.
    shares : tuple of Share
        Shares of the batter with something of their own.
    opened, laid : tuple of Opened, tuple of Laid
        Things that come whole.
    findings : tuple of Finding
        Gravest first.
    """

    recipe: Recipe
    recipe_batter_g: Figure
    source: Source
    amounts: Amounts | None
    eggs: LeadingEggs | None
    egg_options: tuple[EggOption, ...]
    egg_option: EggOption | None
    lines: tuple[ScaledLine, ...]
    pans: tuple[PanPlan, ...]
    source_bake: SourceBake | None
    oven: Oven
    steps: tuple[ScaledStep, ...] = ()
    joins: int | None = None
    joins_assumed: bool = True
    rule: Rule = Rule.SAME_DEPTH
    raising: Raising = Raising.PROPORTION
    school: School = School.SAME_CRUST
    separately: bool = False
    treatment: Treatment = PLAIN
    aim: Figure | None = None
    mixes: tuple[Mix, ...] = ()
    most_g: float | None = None
    portion: Portion | None = None
    servings: int | None = None
    shares: tuple[Share, ...] = ()
    opened: tuple[Opened, ...] = ()
    laid: tuple[Laid, ...] = ()
    findings: tuple[Finding, ...] = field(default_factory=tuple)

    @property
    def has_powder(self) -> bool:
        """Whether there is baking powder in the batter."""
        return any(is_powder(line) for line in self.recipe.lines)


USUAL_TOOLS = Tools()


def make_plan(recipe: Recipe, entries: Sequence[Entry], *, choices: Choices, oven: Oven,
              tools: Tools = USUAL_TOOLS, extras: Extras = NO_EXTRAS,
              rack: Sequence[AnyPan] = ()) -> Plan:
    """Fit a recipe to chosen pans and move its bake with it.

    Parameters
    ----------
    recipe : Recipe
        The card.
    entries : sequence of Entry
        Chosen pans; what cannot be filled becomes a finding.
    choices : Choices
        Rule, eggs, schools and optional lines.
    oven : Oven
        The kitchen's oven.
    tools : Tools
        Scale, bowl and what it keeps.
    extras : Extras
        Shares of the batter, things laid whole.
    rack : sequence of AnyPan
        Pans the kitchen owns, to say what leftover batter would fill.

    Returns
    -------
    Plan
        The same for the same arguments; nothing is kept.
    """
    left_out = left_out_of(recipe, choices.with_optional)
    gross, source = standing_recipe(recipe, left_out, tools.loss)
    findings = list(card_findings(recipe, left_out))
    usable = []
    for index, entry in enumerate(entries):
        problem = entry_finding(index, entry)
        if problem is not None:
            findings.append(problem)
        elif entry.pan is not None:
            usable.append((index, entry, own_pan(entry.pan, source)))
    nothing = _nothing_to_fit(source, entries, usable)
    if nothing is not None:
        return Plan(recipe=recipe, recipe_batter_g=gross, source=source, amounts=None, eggs=None,
                    egg_options=(), egg_option=None, oven=oven,
                    lines=unscaled_lines(recipe, left_out=left_out),
                    pans=tuple(PanPlan(entry=entry) for entry in entries), source_bake=None,
                    steps=unscaled_steps(recipe), findings=ranked([*findings, nothing]),
                    rule=choices.rule, raising=choices.raising,
                    aim=_aim(choices, source, recipe))
    style = recipe.style
    places, layer_factor, top_factor = places_for(usable, rule=choices.pan_rule, source=source,
                                                  style=style)
    eggs = leading_eggs(recipe, left_out=left_out)
    powder = powder_share(choices.raising, places, source)
    portion = portion_of(choices.portion or (OWN if choices.rule is Rule.SERVINGS else ""),
                         source=source, style=style, servings=recipe.servings)
    batch = settle(Basis(recipe=recipe, eggs=eggs, places=places, portion=portion,
                         recipe_g=gross.value - withheld_g(recipe, powder, left_out)),
                   choices, tools)
    standings = [standing_of(place.vessel, each_ml, style=style, limit=place.limit)
                 for place, each_ml in zip(places, batch.sharing.each_ml, strict=True)]
    cakes = [Baked(pan=place.vessel.pan, count=place.count, risen_cm=standing.risen_cm)
             for place, standing in zip(places, standings, strict=True)]
    own = source.baked(style)
    others = {**growth(extents(own), extents(cakes, joins=choices.joins)),
              ScalesBy.TOP_AREA: top_factor, **_by_servings(recipe, batch)}
    lines = scale_lines(
        recipe, left_out=left_out, eggs=eggs, egg_option=batch.option,
        factors=Factors(batter=batch.factor, base_area=layer_factor, others=others, powder=powder,
                        pieces=piece_factor(own, cakes) or batch.factor),
        scale_step_g=tools.scale_step_g)
    baked, bake_notes = source_bake(recipe, source)
    way = BakeWay(oven=oven, school=choices.school, separately=choices.separately,
                  treatment=followed(choices.treatment, has_dial=oven.has_dial))
    pans, pan_notes = pan_plans(entries, places, standings, batch=batch, recipe=recipe,
                                source=source, baked=baked, way=way, portion=portion)
    shares, share_notes = shares_of(
        extras.shares, entries, _each_g(len(entries), places, standings), recipe,
        factor=batch.factor, scale_step_g=tools.scale_step_g)
    laid, laid_notes = laid_in(lines, places, extras.laid_cm)
    findings += [*growth_findings(recipe.lines, others, choices.joins),
                 *source_findings(recipe, source, places), *batch.findings,
                 *raising_findings(recipe, choices.raising, powder),
                 *sharing_findings(batch.sharing, places, style, rack),
                 *card_size_findings(recipe, batch.factor), *bake_notes, *pan_notes, *share_notes,
                 *laid_notes]
    return Plan(recipe=recipe, recipe_batter_g=gross, source=source, eggs=eggs,
                amounts=_amounts(gross, batch, choices, tools), egg_options=batch.options,
                egg_option=batch.option, lines=lines, pans=pans, source_bake=baked, oven=oven,
                joins=choices.joins or usual_joins(cakes), joins_assumed=choices.joins is None,
                steps=scale_steps(recipe, lines, scale_step_g=tools.scale_step_g),
                mixes=mixes_of(recipe, lines, batch.shares, gross_g=batch.gross_g, eggs=eggs,
                               option=batch.option, scale_step_g=tools.scale_step_g),
                rule=choices.rule, raising=choices.raising, aim=_aim(choices, source, recipe),
                school=choices.school, separately=choices.separately,
                treatment=way.treatment, most_g=batch.most_g, portion=portion,
                servings=batch.servings, shares=shares,
                opened=opened_for(lines, scale_step_g=tools.scale_step_g), laid=laid,
                findings=ranked(findings))


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


def _aim(choices: Choices, source: Source, recipe: Recipe) -> Figure | None:
    match choices.rule:
        case Rule.DEPTH:
            return aimed_depth(choices.pan_rule, source)
        case Rule.HEIGHT:
            return aimed_height(choices.pan_rule, source, recipe.style)
        case _:
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


def _amounts(gross: Figure, batch: Batch, choices: Choices, tools: Tools) -> Amounts:
    sharing, rule, mixes = batch.sharing, choices.rule, len(batch.shares)
    lost = tools.loss.figure(sharing.gross_g, mixes)
    scaled = worked_out(batch.gross_g, "sum of the batter lines, scaled", gross)
    weighed = None if choices.weighed_g is None else measured(
        choices.weighed_g, "bowl weighed full, its own weight taken off")
    return Amounts(
        factor=worked_out(batch.factor, RULE_WORDS[rule], gross),
        batter_g=scaled, bowl_loss_g=lost, weighed_g=weighed,
        leftover_g=worked_out(sharing.leftover_g, "batter no pan takes", weighed or scaled, lost),
        why=factor_reasons(
            factor=batch.factor, recipe_g=gross.value, gross_g=batch.gross_g, loss_g=lost.value,
            loss_words=tools.loss.words, rule_words=RULE_WORDS[rule],
            eggs_text=batch.option.text if batch.option is not None else ""))
