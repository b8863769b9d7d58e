"""The way through: recipe, pans, oven and choices become a plan."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field

from entremet.core.baking.bakes import Bake, bake_all, pan_heat
from entremet.core.baking.findings import no_bake_finding, oven_findings, pace_findings
from entremet.core.baking.settings import Oven
from entremet.core.baking.source_bake import SourceBake, source_bake
from entremet.core.card.lines import MIXED, Component, ScalesBy
from entremet.core.card.recipe import Recipe
from entremet.core.findings import Finding, note, ranked, stop
from entremet.core.fitting.choices import Choices, EggChoice, Entry, Rule
from entremet.core.fitting.eggs import (
    EggEffect,
    EggOption,
    LeadingEggs,
    default_option,
    egg_options,
    leading_eggs,
    option_for,
)
from entremet.core.fitting.findings import (
    card_findings,
    card_size_findings,
    entry_finding,
    pan_findings,
    sharing_findings,
    source_findings,
)
from entremet.core.fitting.growth import (
    Baked,
    Factors,
    extents,
    growth,
    growth_findings,
    usual_joins,
)
from entremet.core.fitting.scaled_lines import ScaledLine, scale_lines, unscaled_lines
from entremet.core.fitting.scaled_steps import ScaledStep, scale_steps, unscaled_steps
from entremet.core.fitting.sharing import (
    Place,
    Sharing,
    factor_wanted,
    own_pan,
    places_for,
    rounds_up,
    share_out,
)
from entremet.core.fitting.source import Source, source_of
from entremet.core.fitting.standing import Standing, Verdict, VerdictCode, standing_of, verdict_on
from entremet.core.pans.pan import AnyPan
from entremet.core.provenance import Figure, assumed, worked_out
from entremet.core.reasons import factor_reasons, time_reasons

TIMED_VERDICTS = frozenset({VerdictCode.DEEPER, VerdictCode.SHALLOWER, VerdictCode.OVER_LIMIT})

RULE_WORDS = {
    Rule.KEEP_BATCH: "Your batch as it is, at one depth over these pans.",
    Rule.SAME_DEPTH: "Every pan as deep as the recipe's own.",
    Rule.FILL: "Every pan filled to its share.",
    Rule.GRAMS: "Every pan gets the grams you chose.",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class PanPlan:
    """One chosen pan, filled, judged and timed as far as it can be.

    Parameters
    ----------
    entry : Entry
        As chosen.
    place : Place or None
        None where it cannot be filled; a finding says why.
    standing, verdict : Standing or None, Verdict or None
        How the batter stands, and what to think of it.
    depth_change : float or None
        What settling the eggs did to its depth, as a share.
    bake : Bake or None
        None where no time can be given.
    minutes_moved : float or None
        Likely time less the recipe's own.
    why : tuple of str
        Facts behind the time.
    """

    entry: Entry
    place: Place | None = None
    standing: Standing | None = None
    verdict: Verdict | None = None
    depth_change: float | None = None
    bake: Bake | None = None
    minutes_moved: float | None = None
    why: tuple[str, ...] = ()

    @property
    def verdict_text(self) -> str:
        """The verdict, and what another depth costs in time."""
        if self.verdict is None:
            return ""
        moved = self.minutes_moved
        if moved is None or self.verdict.code not in TIMED_VERDICTS or abs(moved) < 0.5:
            return self.verdict.text()
        return self.verdict.text(
            time=f"About {abs(moved):.0f} min {'longer' if moved > 0 else 'sooner'}.")


@dataclass(frozen=True, slots=True, kw_only=True)
class Amounts:
    """The batch: lines = pans + leftover + bowl loss, before rounding."""

    factor: Figure
    batter_g: Figure
    bowl_loss_g: Figure
    leftover_g: Figure
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
    findings: tuple[Finding, ...] = field(default_factory=tuple)


def make_plan(recipe: Recipe, entries: Sequence[Entry], *, choices: Choices, oven: Oven,
              scale_step_g: float = 1.0, rack: Sequence[AnyPan] = ()) -> Plan:
    """Fit a recipe to chosen pans and move its bake with it.

    Parameters
    ----------
    recipe : Recipe
        The card.
    entries : sequence of Entry
        Chosen pans; what cannot be filled becomes a finding.
    choices : Choices
        Rule, eggs, school and optional lines.
    oven : Oven
        The kitchen's oven.
    scale_step_g : float
        What the kitchen's scale reads to.
    rack : sequence of AnyPan
        Pans the kitchen owns, to say what leftover batter would fill.

    Returns
    -------
    Plan
        The same for the same arguments; nothing is kept.
    """
    left_out = frozenset(line.key for line in recipe.lines
                         if line.optional and line.key not in choices.with_optional)
    gross = recipe.weight_of(MIXED, left_out=left_out)
    layers = [recipe.weight_of(frozenset({kind}), left_out=left_out).value
              for kind in (Component.BASE_LAYER, Component.TOP_LAYER)]
    source = source_of(recipe, gross_g=gross.value, layer_g=layers[0], top_g=layers[1])
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
                    steps=unscaled_steps(recipe), findings=ranked([*findings, nothing]))
    style = recipe.style
    places, layer_factor, top_factor = places_for(usable, rule=choices.rule, source=source,
                                                  style=style)
    wanted = factor_wanted(places, source, style)
    eggs = leading_eggs(recipe, left_out=left_out)
    options: list[EggOption] = []
    option = None
    if eggs is not None:
        upwards = rounds_up(places)
        options = egg_options(eggs, wanted, upwards=upwards, scale_step_g=scale_step_g,
                              effect=_effect_on(places, wanted, source, recipe))
        if any(place.need is None for place in places):
            options = [option_for(options, EggChoice.EXACT)]
            option = options[0]
        else:
            option = (default_option(options, upwards=upwards)
                      if choices.eggs is EggChoice.DEFAULT
                      else option_for(options, choices.eggs))
    factor = option.factor if option is not None else wanted
    sharing = share_out(places, factor, source, style)
    pieces = sum(place.count for place in places) / source.pieces if source.pieces else factor
    standings = [standing_of(place.vessel, each_ml, style=style, limit=place.limit)
                 for place, each_ml in zip(places, sharing.each_ml, strict=True)]
    cakes = [Baked(pan=place.vessel.pan, count=place.count, risen_cm=standing.risen_cm)
             for place, standing in zip(places, standings, strict=True)]
    others = {**growth(extents(source.baked(style)), extents(cakes, joins=choices.joins)),
              ScalesBy.TOP_AREA: top_factor}
    lines = scale_lines(recipe, left_out=left_out, eggs=eggs, egg_option=option,
                        factors=Factors(batter=factor, base_area=layer_factor, pieces=pieces,
                                        others=others),
                        scale_step_g=scale_step_g)
    baked = source_bake(recipe, source)
    pans, pan_notes = _pans(entries, places, standings, option, recipe, source, baked, choices,
                            oven)
    findings += [*growth_findings(recipe.lines, others, choices.joins),
                 *source_findings(recipe, source, places),
                 *sharing_findings(sharing, places, style, rack),
                 *card_size_findings(recipe, factor), *pan_notes]
    return Plan(recipe=recipe, recipe_batter_g=gross, source=source, eggs=eggs,
                amounts=_amounts(gross, factor, sharing, option, choices.rule),
                egg_options=tuple(options), egg_option=option, lines=lines, pans=pans,
                source_bake=baked, oven=oven, findings=ranked(findings),
                joins=choices.joins or usual_joins(cakes), joins_assumed=choices.joins is None,
                steps=scale_steps(recipe, lines, scale_step_g=scale_step_g))


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


def _effect_on(places: Sequence[Place], wanted: float, source: Source, recipe: Recipe,
               ) -> Callable[[float], EggEffect]:
    before = share_out(places, wanted, source, recipe.style).each_ml
    depths = [place.vessel.depth_cm(old) for place, old in zip(places, before, strict=True)]

    def effect(factor: float) -> EggEffect:
        sharing = share_out(places, factor, source, recipe.style)
        after = sharing.each_ml
        changes = tuple(
            _depth_change(place, old, depth, new)
            for place, old, depth, new in zip(places, before, depths, after, strict=True))
        over = any(new > place.limit * place.vessel.room_ml * (1 + 1e-9) and new > old * (1 + 1e-9)
                   for place, old, new in zip(places, before, after, strict=True))
        return EggEffect(depth_changes=changes, over_limit=over, leftover_g=sharing.leftover_g)

    return effect


def _depth_change(place: Place, before_ml: float, before_cm: float | None,
                  after_ml: float) -> float | None:
    if before_ml <= 0:
        return None
    if math.isclose(before_ml, after_ml, rel_tol=1e-9):
        return 0.0
    after_cm = place.vessel.depth_cm(after_ml)
    return (after_cm / before_cm if before_cm and after_cm is not None
            else after_ml / before_ml) - 1


def _pans(entries: Sequence[Entry], places: Sequence[Place], standings: Sequence[Standing],
          option: EggOption | None, recipe: Recipe, source: Source, baked: SourceBake | None,
          choices: Choices, oven: Oven) -> tuple[tuple[PanPlan, ...], list[Finding]]:
    notes: list[Finding] = []
    verdicts = [verdict_on(place.vessel, standing, source)
                for place, standing in zip(places, standings, strict=True)]
    for place, standing, verdict in zip(places, standings, verdicts, strict=True):
        notes += pan_findings(place, entries[place.entry], standing, verdict)
    no_bake = no_bake_finding(recipe)
    bakes: dict[int, Bake] = {}
    if no_bake is not None:
        notes.append(no_bake)
    elif baked is not None:
        heats = [heat for place, standing in zip(places, standings, strict=True)
                 if (heat := pan_heat(place.entry, place.vessel, standing)) is not None]
        found = bake_all(heats, baked, oven=oven, school=choices.school,
                         separately=choices.separately)
        bakes = {bake.entry: bake for bake in found}
        notes += [*pace_findings(recipe, baked),
                  *oven_findings(baked, found, oven, [entry.label for entry in entries])]
    plans = [PanPlan(entry=entry) for entry in entries]
    for i, (place, standing, verdict) in enumerate(zip(places, standings, verdicts, strict=True)):
        bake = bakes.get(place.entry)
        plans[place.entry] = PanPlan(
            entry=entries[place.entry], place=place, standing=standing, verdict=verdict,
            depth_change=option.effect.depth_changes[i] if option is not None else None, bake=bake,
            minutes_moved=_moved(bake, baked),
            why=() if bake is None or baked is None
            else time_reasons(bake, baked, recipe.stated, oven))
    return tuple(plans), notes


def _moved(bake: Bake | None, baked: SourceBake | None) -> float | None:
    if bake is None or bake.window is None or baked is None or baked.likely_min is None:
        return None
    return bake.window.likely_min - baked.likely_min


def _amounts(gross: Figure, factor: float, sharing: Sharing, option: EggOption | None,
             rule: Rule) -> Amounts:
    loss_share = assumed(sharing.bowl_loss_g, "bowl loss assumed 10 g and 2 % of the batter")
    scaled = worked_out(sharing.gross_g, "sum of the batter lines, scaled", gross)
    return Amounts(
        factor=worked_out(factor, RULE_WORDS[rule], gross),
        batter_g=scaled, bowl_loss_g=loss_share,
        leftover_g=worked_out(sharing.leftover_g, "batter no pan takes", scaled, loss_share),
        why=factor_reasons(
            factor=factor, recipe_g=gross.value, gross_g=sharing.gross_g,
            loss_g=sharing.bowl_loss_g, rule_words=RULE_WORDS[rule],
            eggs_text=option.text if option is not None else ""))
