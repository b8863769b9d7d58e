"""How much is made: the factor the rule asks for, eggs settled, over as many mixes as needed."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from entremet.core.batter.bowl_loss import USUAL_LOSS, BowlLoss
from entremet.core.card.recipe import Recipe
from entremet.core.fitting.eggs import (
    EggEffect,
    EggOption,
    LeadingEggs,
    default_option,
    egg_options,
    option_for,
    weighed_option,
)
from entremet.core.fitting.portions import (
    USUAL_SERVINGS,
    Portion,
    batter_for_ml,
    servings_of,
    servings_wanted,
)
from entremet.core.fitting.rules import MOST_MIXES, WHOLE_BATCH, EggChoice, Rule
from entremet.core.fitting.sharing import Place, Sharing, factor_wanted, rounds_up, share_out
from entremet.core.ground.findings import Finding, note, warn
from entremet.core.mixing.bowl import Bowl
from entremet.core.mixing.split import equal_split, split_findings, usual_split
from entremet.core.plan.request import Request

MOST_ROUNDS = 12


@dataclass(frozen=True, slots=True, kw_only=True)
class Tools:
    """What a kitchen weighs and mixes with.

    Parameters
    ----------
    scale_step_g : float
        What its scale reads to.
    bowl : Bowl or None
        The mixer bowl; None mixes everything at once.
    loss : BowlLoss
        What bowl and whisk keep.
    """

    scale_step_g: float = 1.0
    bowl: Bowl | None = None
    loss: BowlLoss = USUAL_LOSS


@dataclass(frozen=True, slots=True, kw_only=True)
class Batch:
    """A batch, settled.

    Parameters
    ----------
    factor : float
        Of the whole recipe.
    gross_g : float
        Batter as mixed.
    options : tuple of EggOption
        Ways to settle the eggs.
    option : EggOption or None
        The one in force.
    sharing : Sharing
        Over the pans; of what was weighed in the bowl, where it was.
    shares : tuple of float
        Of every mix; they sum to 1.
    most_g : float or None
        What one mix may weigh.
    servings : int or None
        Wanted, where servings decide.
    findings : tuple of Finding
        What is assumed or does not go.
    """

    factor: float
    gross_g: float
    options: tuple[EggOption, ...]
    option: EggOption | None
    sharing: Sharing
    shares: tuple[float, ...]
    most_g: float | None
    servings: int | None
    findings: tuple[Finding, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class BatchBasis:
    """What a batch is settled from: the recipe, its eggs, the pans, and its batter at factor 1."""

    recipe: Recipe
    recipe_g: float
    eggs: LeadingEggs | None
    places: Sequence[Place]
    portion: Portion | None


def settle(basis: BatchBasis, request: Request, tools: Tools) -> Batch:
    """Settle how much is made, and in how many mixes.

    More mixes leave more in the bowls, so that the amounts are worked out again until the number
    of mixes stands.

    Parameters
    ----------
    basis : BatchBasis
        Recipe, eggs and pans.
    request : Request
        Rule, eggs and split.
    tools : Tools
        Bowl and scale.
    """
    style = basis.recipe.style
    most_g = None if tools.bowl is None else tools.bowl.most_g(style)
    mixes = max(1, len(request.mixes))
    grown = False
    for _ in range(MOST_ROUNDS):
        factor, options, option = _amount(basis, request, tools, mixes)
        gross = basis.recipe_g * factor
        sizes, taken = _split(basis, request, option, gross, most_g)
        if len(sizes) == mixes or (grown and len(sizes) < mixes):
            break
        grown = len(sizes) > mixes
        mixes = len(sizes)
    shares = tuple(size / sum(sizes) for size in sizes)
    in_bowl = gross if request.weighed_g is None else request.weighed_g
    sharing = share_out(basis.places, in_bowl, style, loss=tools.loss, mixes=len(shares))
    eggs = None if option is None else sizes
    findings = [
        *_rule_findings(basis, request),
        *split_findings(tools.bowl, [gross * share for share in shares], most_g,
                        eggs=eggs, asked=request.mixes, taken=taken)]
    return Batch(factor=factor, gross_g=gross, options=tuple(options), option=option,
                 sharing=sharing, shares=shares, most_g=most_g, findings=tuple(findings),
                 servings=_servings(basis, request) if request.rule is Rule.SERVINGS else None)


def _amount(basis: BatchBasis, request: Request, tools: Tools, mixes: int,
            ) -> tuple[float, list[EggOption], EggOption | None]:
    """Return the factor, and how the eggs come out of it."""
    places, eggs = basis.places, basis.eggs
    whole_batch = request.rule in WHOLE_BATCH
    wanted = (_batch_factor(basis, request, tools, mixes) if whole_batch
              else factor_wanted(places, basis.recipe_g, basis.recipe.style, loss=tools.loss,
                                 mixes=mixes))
    if eggs is None:
        return wanted, [], None
    by_servings = whole_batch and request.rule is Rule.SERVINGS
    upwards = by_servings or rounds_up(places)
    options = egg_options(eggs, wanted, upwards=upwards, scale_step_g=tools.scale_step_g,
                          effect=_effect_on(basis, wanted, tools, mixes))
    if request.rule is Rule.EGGS and request.eggs_net_g is not None:
        option = weighed_option(option_for(options, EggChoice.EXACT), request.eggs_net_g, eggs,
                                scale_step_g=tools.scale_step_g)
        options = [option]
    elif request.rule is Rule.FACTOR and request.eggs is not EggChoice.DEFAULT:
        option = option_for(options, request.eggs)
    elif request.rule is Rule.FACTOR:
        # So many times is what was asked for; whole eggs near it are offered.
        option = option_for(options, EggChoice.EXACT)
    elif whole_batch and not by_servings:
        option = option_for(options, EggChoice.EXACT)
        options = [option]
    elif request.eggs is EggChoice.DEFAULT:
        option = default_option(options, upwards=upwards)
    else:
        option = option_for(options, request.eggs)
    return option.factor, options, option


def _batch_factor(basis: BatchBasis, request: Request, tools: Tools, mixes: int) -> float:
    if request.rule is Rule.FACTOR:
        return request.factor or 1.0
    if request.rule is Rule.EGGS and basis.eggs is not None:
        return basis.eggs.times(count=request.egg_count, net_g=request.eggs_net_g) or 1.0
    if request.rule is Rule.SERVINGS and basis.portion is not None:
        layers = sum((place.vessel.layer_ml + place.vessel.top_ml) * place.count
                     for place in basis.places)
        batter_ml = batter_for_ml(_servings(basis, request), basis.portion, basis.recipe.style,
                                  layers)
        gross = tools.loss.gross_for(batter_ml * basis.recipe.style.density.value, mixes)
        factor = gross / basis.recipe_g
        return 1.0 if math.isclose(factor, 1.0, rel_tol=1e-9) else factor
    return 1.0


def _servings(basis: BatchBasis, request: Request) -> int:
    return servings_wanted(request.servings, basis.recipe.servings)


def _rule_findings(basis: BatchBasis, request: Request) -> list[Finding]:
    recipe = basis.recipe
    found = []
    if request.rule is Rule.EGGS and basis.eggs is None:
        found.append(warn("no_counted_eggs", "This card counts no eggs, so eggs cannot decide: the "
                          "batch is kept as it is.", subject="rule",
                          hint="Choose another rule, or give the eggs as a number on the card."))
    if request.rule is Rule.SERVINGS and request.servings is None:
        own = servings_of(recipe.servings)
        found.append(note("servings_as_recipe", f"Servings start from the recipe's own: "
                          f"{recipe.servings}.") if own else note(
            "servings_assumed", f"The recipe names no servings; {USUAL_SERVINGS} is assumed.",
            hint="Type how many you serve."))
    return found


def _split(basis: BatchBasis, request: Request, option: EggOption | None, gross_g: float,
           most_g: float | None) -> tuple[tuple[float, ...], bool]:
    """Return the size of each mix, and whether the baker's own split could be taken."""
    asked = request.mixes
    if option is None or basis.eggs is None:
        if asked:
            return asked, True
        return _few((gross_g,) if most_g is None else equal_split(gross_g, most_g)), False
    count = option.count + option.beaten_g / basis.eggs.each_g
    if asked and math.isclose(sum(asked), count, rel_tol=1e-6):
        return asked, True
    if most_g is None:
        return (count,), False
    sizes = usual_split(count, count * most_g / gross_g)
    if request.eggs is EggChoice.EXACT and max(sizes) * gross_g > count * most_g * (1 + 1e-9):
        mixes = len(equal_split(gross_g, most_g))
        sizes = (count / mixes,) * mixes
    return _few(sizes), False


def _few(sizes: tuple[float, ...]) -> tuple[float, ...]:
    """Return a split that somebody would still mix; of more mixes than that, none at all."""
    return sizes if len(sizes) <= MOST_MIXES else (sum(sizes),)


def _effect_on(basis: BatchBasis, wanted: float, tools: Tools, mixes: int,
               ) -> Callable[[float], EggEffect]:
    places, style = basis.places, basis.recipe.style

    def shared(factor: float) -> Sharing:
        return share_out(places, basis.recipe_g * factor, style, loss=tools.loss, mixes=mixes)

    before = shared(wanted).each_ml
    depths = [place.vessel.depth_cm(old) for place, old in zip(places, before, strict=True)]

    def effect(factor: float) -> EggEffect:
        sharing = shared(factor)
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
