"""The way through: recipe, pans, oven and choices become a plan."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.baking.bakes import BakeWay
from entremet.core.baking.constants import HEAT, HeatConstants
from entremet.core.baking.source_bake import SourceBake
from entremet.core.baking.temperature import School
from entremet.core.baking.treatment import Treatment
from entremet.core.card.finish import Finishing
from entremet.core.card.recipe import Recipe
from entremet.core.dressing.own import OwnFinish, as_recipe, as_usual
from entremet.core.fitting.eggs import EggOption, LeadingEggs
from entremet.core.fitting.needs import aimed_depth, aimed_height
from entremet.core.fitting.portions import Portion
from entremet.core.fitting.powder import is_powder
from entremet.core.fitting.rules import Entry, Raising, Rule
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.fitting.scaled_steps import ScaledStep
from entremet.core.fitting.shares import Share, ShareChoice
from entremet.core.fitting.source import Source
from entremet.core.fitting.whole import Laid, OpenedWhole
from entremet.core.ground.findings import Finding, ranked
from entremet.core.ground.provenance import Figure, measured, worked_out
from entremet.core.learning.book import CLOSED_BOOK, Book
from entremet.core.method.notes import MethodNotes, notes_of
from entremet.core.mixing.mixes import Mix
from entremet.core.ovens.oven import Oven
from entremet.core.pans.pan import AnyPan
from entremet.core.plan.batch import Batch, Tools
from entremet.core.plan.pan_plan import PanPlan
from entremet.core.plan.reasons import factor_reasons
from entremet.core.plan.request import Request
from entremet.core.plan.stages import (
    batch_findings,
    choose,
    fill,
    into_own_pans,
    scale,
    time,
    unscaled,
    untimed,
)
from entremet.core.plan.steps import in_this_fit

RULE_WORDS = {
    Rule.KEEP_BATCH: "Your batch as it is, at one depth over these pans.",
    Rule.SAME_DEPTH: "Flat pans about as deep as the recipe's own, others as full.",
    Rule.FILL: "Every pan filled to its share.",
    Rule.DEPTH: "Every pan with batter of the depth you chose.",
    Rule.HEIGHT: "Every cake as high as you chose, layers included.",
    Rule.GRAMS: "Every pan gets the grams you chose.",
    Rule.SERVINGS: "As much as the servings want, at one depth over these pans.",
    Rule.EGGS: "As many eggs as you chose, at one depth over these pans.",
    Rule.FACTOR: "Your batch times the number you chose, at one depth over these pans.",
}


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
    way : BakeWay
        How it bakes, as chosen, with what was learnt: every time is worked out by it.
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
    finishing : Finishing
        What is done after the oven: as chosen, and as the recipe has it where nothing is.
    usual_finishing : Finishing
        The same as thick as is usual, for a comparison.
    own_finish : OwnFinish
        How the recipe's own cakes are finished.
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
    steps: tuple[ScaledStep, ...]
    joins: int | None
    joins_assumed: bool
    rule: Rule
    raising: Raising
    way: BakeWay
    aim: Figure | None
    mixes: tuple[Mix, ...]
    most_g: float | None
    portion: Portion | None
    servings: int | None
    shares: tuple[Share, ...]
    opened: tuple[OpenedWhole, ...]
    laid: tuple[Laid, ...]
    finishing: Finishing
    usual_finishing: Finishing
    own_finish: OwnFinish
    findings: tuple[Finding, ...]

    @property
    def notes(self) -> MethodNotes:
        """What the steps of its recipe ask for."""
        return notes_of(self.recipe)

    @property
    def method(self) -> tuple[str, ...]:
        """The method in the words of this fit, each step with what to mind at it."""
        minded = {one.key: one.guards for one in self.notes.steps}
        return tuple(" ".join(("".join(one.text for one in step.words),
                               *(f"Mind: {one}" for one in minded.get(step.key, ()))))
                     for step in self.steps)

    @property
    def school(self) -> School:
        """How its temperature is chosen."""
        return self.way.school

    @property
    def separately(self) -> bool:
        """Whether every pan has its own setting."""
        return self.way.separately

    @property
    def treatment(self) -> Treatment:
        """Strips, covering, another finish or start, as the oven can follow them."""
        return self.way.treatment

    @property
    def has_powder(self) -> bool:
        """Whether there is baking powder in the batter."""
        return any(is_powder(line) for line in self.recipe.lines)


USUAL_TOOLS = Tools()


def make_plan(recipe: Recipe, entries: Sequence[Entry], *, request: Request, oven: Oven,
              tools: Tools = USUAL_TOOLS, shares: Sequence[ShareChoice] = (),
              rack: Sequence[AnyPan] = (), book: Book = CLOSED_BOOK,
              constants: HeatConstants = HEAT) -> Plan:
    """Fit a recipe to chosen pans and move its bake with it.

    Parameters
    ----------
    recipe : Recipe
        The card.
    entries : sequence of Entry
        Chosen pans; what cannot be filled becomes a finding.
    request : Request
        What is chosen: rule, eggs, schools, optional lines, finish. What it names of a kitchen
        (card, pans, oven, bowl) comes beside it, as this kitchen has it.
    oven : Oven
        The kitchen's oven.
    tools : Tools
        Scale, bowl and what it keeps.
    shares : sequence of ShareChoice
        Shares of the batter, with what is stirred into them read.
    rack : sequence of AnyPan
        Pans the kitchen owns, to say what leftover batter would fill.
    book : Book
        What the logbook taught of this oven and recipe.
    constants : HeatConstants
        Of the heat balance.

    Returns
    -------
    Plan
        The same for the same arguments; nothing is kept.
    """
    chosen = choose(recipe, entries, request=request, tools=tools)
    if chosen.nothing is None:
        filled = fill(chosen, request=request, tools=tools)
        scaled = scale(chosen, filled, request=request, tools=tools, shares=shares)
        timed = time(chosen, filled, request=request, oven=oven, book=book,
                     constants=constants)
        findings = (*chosen.findings, *scaled.growing,
                    *batch_findings(chosen, filled, request=request, rack=rack), *timed.findings,
                    *scaled.findings)
    else:
        filled, scaled = None, unscaled(chosen)
        timed = untimed(chosen, request=request, oven=oven)
        findings = (*chosen.findings, chosen.nothing)
    batch = None if filled is None else filled.batch
    return Plan(
        recipe=recipe, recipe_batter_g=chosen.gross, source=chosen.source,
        amounts=None if batch is None else _amounts(chosen.gross, batch, request, tools),
        eggs=None if filled is None else filled.eggs,
        egg_options=() if batch is None else batch.options,
        egg_option=None if batch is None else batch.option,
        lines=scaled.lines, pans=timed.pans, source_bake=timed.source, oven=oven,
        steps=in_this_fit(scaled.steps, timed.pans, oven, own_pans=filled is not None
                          and into_own_pans(chosen, filled)),
        joins=scaled.joins, joins_assumed=request.joins is None,
        rule=request.rule, raising=request.raising, way=timed.way,
        aim=_aim(request, chosen.source, recipe), mixes=scaled.mixes,
        most_g=None if batch is None else batch.most_g,
        portion=None if filled is None else filled.portion,
        servings=None if batch is None else batch.servings, shares=scaled.shares,
        opened=scaled.opened, laid=scaled.laid,
        finishing=as_recipe(request.finishing, scaled.own),
        usual_finishing=as_usual(request.finishing, scaled.own), own_finish=scaled.own,
        findings=ranked(findings))


def plan_in_own_pans(recipe: Recipe, *, oven: Oven) -> Plan:
    """Return a recipe fitted into its own pans, as it says: what all else is measured from.

    Parameters
    ----------
    recipe : Recipe
        The card.
    oven : Oven
        Any with a dial, where only its cakes and the order of work matter.
    """
    return make_plan(recipe, [Entry(label=one.pan.label, pan=one.pan, count=one.count)
                              for one in recipe.pans], request=Request(recipe=1), oven=oven)


def _aim(request: Request, source: Source, recipe: Recipe) -> Figure | None:
    match request.rule:
        case Rule.DEPTH:
            return aimed_depth(request.pan_rule, source)
        case Rule.HEIGHT:
            return aimed_height(request.pan_rule, source, recipe.style)
        case _:
            return None


def _amounts(gross: Figure, batch: Batch, request: Request, tools: Tools) -> Amounts:
    sharing, rule, mixes = batch.sharing, request.rule, len(batch.shares)
    lost = tools.loss.figure(sharing.gross_g, mixes)
    scaled = worked_out(batch.gross_g, "sum of the batter lines, scaled", gross)
    weighed = None if request.weighed_g is None else measured(
        request.weighed_g, "bowl weighed full, its own weight taken off")
    return Amounts(
        factor=worked_out(batch.factor, RULE_WORDS[rule], gross),
        batter_g=scaled, bowl_loss_g=lost, weighed_g=weighed,
        leftover_g=worked_out(sharing.leftover_g, "batter no pan takes", weighed or scaled, lost),
        why=factor_reasons(
            factor=batch.factor, recipe_g=gross.value, gross_g=batch.gross_g, loss_g=lost.value,
            loss_words=tools.loss.words, rule_words=RULE_WORDS[rule],
            eggs_text=batch.option.text if batch.option is not None else ""))
