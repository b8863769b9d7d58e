"""Guess first: questions of the kitchen's own cards, pans and ovens, each from a seed."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from random import Random

from entremet.core.ground.errors import CoreError, ImpossibleChoice
from entremet.core.plan.plan import Plan
from entremet.core.plan.request import Request, WantedPan
from entremet.core.trainer.class_of import ClassWork, class_work
from entremet.core.trainer.guess import Asks, Guess
from entremet.core.trainer.of_fits import (
    batter_asked,
    done_first_asked,
    first_look_asked,
    setting_asked,
    strips_asked,
)
from entremet.core.trainer.of_signs import rescue_asked, stage_asked
from entremet.core.trainer.spoil import Spoilt, Turned, spoilt
from entremet.kitchen.actions import at_hand, fitting
from entremet.kitchen.actions.fitting import Fitted
from entremet.kitchen.errors import UNREADABLE
from entremet.kitchen.models import RackPan, Recipe

TRIES = 40
"""Fits that are drawn for one question; some cards, pans and windows leave nothing to ask."""

OF_SIGNS = {Asks.STAGE: stage_asked, Asks.RESCUE: rescue_asked}


@dataclass(frozen=True, slots=True, kw_only=True)
class GuessAsked:
    """A question, and the fit it is of: its picture is there; None for a stage or a mishap."""

    question: Guess
    request: Request | None


@dataclass(frozen=True, slots=True, kw_only=True)
class TaughtGroup:
    """A group of a class: its name and its fit."""

    name: str
    fitted: Fitted


def asked(seed: int, about: Asks | None = None) -> GuessAsked:
    """Return the question of a seed.

    Parameters
    ----------
    seed : int
        The same gives the same question while cards, pans and ovens are the same.
    about : Asks or None
        What it is about; None draws that too.

    Raises
    ------
    ImpossibleChoice
        Where these cards, pans and ovens leave nothing to ask about that.
    """
    dice = Random(seed)
    recipes = list(Recipe.objects.in_use().order_by("id").values_list("id", flat=True)[:500])
    rack = sorted((pan for pan in at_hand.racked().values() if pan.owned > 0),
                  key=lambda one: one.pk)
    ovens: list[int | None] = [one.pk for one in at_hand.ovens()] or [None]
    for _ in range(TRIES):
        kind = about or dice.choice(list(Asks))
        if kind in OF_SIGNS:
            question = OF_SIGNS[kind](dice)
            if question is not None:
                return GuessAsked(question=question, request=None)
            continue
        if not recipes or not rack:
            if about is not None:
                break
            continue
        request = _drawn(kind, recipes, rack, ovens, dice)
        # A card or a pan that cannot be read, or that do not go together, is not asked about.
        try:
            question = _question(kind, request, dice)
        except (CoreError, *UNREADABLE):
            continue
        if question is not None:
            return GuessAsked(question=question, request=request)
    if about is None and (found := stage_asked(dice)) is not None:
        return GuessAsked(question=found, request=None)
    raise ImpossibleChoice("These cards, pans and ovens leave nothing to ask about that.",
                           field="about")


def _drawn(kind: Asks, recipes: Sequence[int], rack: Sequence[RackPan],
           ovens: Sequence[int | None], dice: Random) -> Request:
    pans = dice.sample(list(rack), min(2 if kind is Asks.DONE_FIRST else 1, len(rack)))
    return Request(
        recipe=dice.choice(recipes), oven=dice.choice(ovens), into=tuple(
            WantedPan(pan=one.pk, count=one.wells) for one in pans))


def _question(kind: Asks, request: Request, dice: Random) -> Guess | None:
    plan = _plan(request)
    match kind:
        case Asks.FIRST_LOOK:
            return first_look_asked(plan, dice)
        case Asks.DONE_FIRST:
            return done_first_asked(plan, dice)
        case Asks.BATTER:
            return batter_asked(plan, dice)
        case Asks.SETTING:
            return setting_asked(plan, dice)
        case Asks.STRIPS:
            return strips_asked(plan, _plan(replace(request, strips=True)), dice)
    return None


def spoil(request: Request, turned: Turned) -> Spoilt:
    """Turn one number of a fit and return what comes of it; nothing is stored.

    Raises
    ------
    NotHere
        When the recipe, a pan or the oven is not in this kitchen.
    ImpossibleChoice
        Where the fit has not exactly one kind of pan with a time.
    """
    return spoilt(request, turned, _plan)


def taught(groups: Sequence[tuple[str, Request]]) -> tuple[tuple[TaughtGroup, ...], ClassWork]:
    """Return a class: the fit of each group, what to get in for all, what to compare.

    Raises
    ------
    NotHere
        When a recipe, a pan or the oven is not in this kitchen.
    """
    found = tuple(TaughtGroup(name=name, fitted=fitting.fit(request)) for name, request in groups)
    return found, class_work([(one.name, one.fitted.plan) for one in found])


def _plan(request: Request) -> Plan:
    return fitting.fit(request).plan
