"""What the desk shows of a card while it is worked on. Nothing is stored."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.card.card import Card
from entremet.core.card.lines import MIXED
from entremet.core.card.recipe import Recipe, TiedStep
from entremet.core.card.resolve import recipe_of
from entremet.core.card.ties import tied_steps
from entremet.core.desk.contradictions import contradictions
from entremet.core.desk.holes import ALL_AIMS, Aim, Hole, holes
from entremet.core.desk.questions import Question, questions
from entremet.core.desk.ratios import Percentage, Ratio, percentages, ratio_findings, ratios
from entremet.core.finished.finish import Finish, finish
from entremet.core.ground.findings import Finding
from entremet.core.ground.provenance import Figure
from entremet.core.ingredients.table import Ingredient
from entremet.core.measures.masses import show_mass
from entremet.core.plan.plan import Plan, plan_in_own_pans
from entremet.core.reading.lines import Mark, read_line
from entremet.core.swaps.apply import with_variant
from entremet.core.swaps.offers import SwapOffer, offers_for
from entremet.kitchen import pantry
from entremet.kitchen.actions.fitting import NO_OVEN
from entremet.kitchen.actions.packets import claims_checked
from entremet.kitchen.models import Kitchen


@dataclass(frozen=True, slots=True, kw_only=True)
class DeskLine:
    """A line on the desk: the marks in its text, its weight, and what it is."""

    key: int
    text: str
    marks: tuple[Mark, ...]
    grams: Figure | None
    shown: str
    ingredient: Ingredient | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Desk:
    """A card as the desk shows it.

    Parameters
    ----------
    recipe : Recipe
        Resolved, with the chosen variant on it.
    lines, steps, questions, holes, ratios, percentages, findings, offers
        What the core says of it.
    batter : Figure
        What the batter weighs.
    variant_lines : tuple of (str, str, str)
        With a variant chosen: amount, name and what it stands in place of.
    """

    recipe: Recipe
    lines: tuple[DeskLine, ...]
    steps: tuple[TiedStep, ...]
    questions: tuple[Question, ...]
    holes: tuple[Hole, ...]
    ratios: tuple[Ratio, ...]
    percentages: tuple[Percentage, ...]
    findings: tuple[Finding, ...]
    offers: tuple[SwapOffer, ...]
    batter: Figure
    variant_lines: tuple[tuple[str, str, str], ...]


def own_cakes(card: Card) -> tuple[Plan, Finish]:
    """Return a card in its own pans, finished as it says: what the desk draws of it.

    Parameters
    ----------
    card : Card
        As it stands on the desk; one without a measured pan has no cakes.
    """
    plan = plan_in_own_pans(recipe_of(card, table=pantry.table()), oven=NO_OVEN)
    return plan, finish(plan)


def desk(card: Card, *, variant: int | None = None, aims: frozenset[Aim] = ALL_AIMS) -> Desk:
    """Work out everything the desk shows of a card.

    Parameters
    ----------
    card : Card
        As it stands on the desk.
    variant : int or None
        Variant whose swaps the check-up looks at.
    aims : frozenset of Aim
        What the holes are listed for.
    """
    table, memory = pantry.table(), pantry.memory()
    kitchen = Kitchen.objects.first() or Kitchen()
    as_written = recipe_of(card, table=table)
    swapped = with_variant(card, variant, table=table)
    recipe = recipe_of(swapped.card, table=table) if variant is not None else as_written
    lines = tuple(DeskLine(
        key=line.key, text=line.text, marks=read_line(line.text, table=table, memory=memory).marks,
        grams=(weight := as_written.weights[line.key]), ingredient=resolved.ingredient,
        shown="" if weight is None else show_mass(weight.value,
                                                  scale_step_g=kitchen.scale_step_g))
        for line, resolved in zip(card.lines, as_written.lines, strict=True))
    return Desk(
        recipe=recipe, lines=lines, steps=tied_steps(card, table=table),
        questions=tuple(questions(card, as_written, table=table)),
        holes=tuple(holes(card, as_written, aims=aims)), ratios=tuple(ratios(recipe)),
        percentages=tuple(percentages(recipe)),
        findings=(*swapped.findings, *contradictions(card, as_written, table=table),
                  *ratio_findings(recipe),
                  *claims_checked(recipe.lines, (card.title, *card.tags))),
        offers=tuple(offers_for(card, table=table)),
        batter=recipe.weight_of(MIXED, left_out=frozenset(
            line.key for line in recipe.lines if line.optional)),
        variant_lines=() if variant is None else tuple(
            (line.written, line.label, line.swapped_from) for line in swapped.card.lines))
