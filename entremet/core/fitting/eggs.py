"""Eggs come whole: the choices there are, and the factor each one leads to."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import partial

from entremet.core.card.lines import MIXED, Line
from entremet.core.card.recipe import Recipe
from entremet.core.fitting.rules import EggChoice
from entremet.core.measures.amounts import Amount, written
from entremet.core.measures.masses import show_mass
from entremet.core.measures.units import Unit

DEPTH_MAY_MOVE = 0.05
"""Share by which whole eggs may move the depth without being asked; practice."""

_WHOLE = 1e-6


@dataclass(frozen=True, slots=True, kw_only=True)
class LeadingEggs:
    """The egg line that decides: the heaviest of the batter.

    Parameters
    ----------
    line : Line
        The line.
    count : float
        Eggs, yolks or whites in the recipe.
    each_g : float
        Grams of one.
    """

    line: Line
    count: float
    each_g: float

    @property
    def unit(self) -> Unit:
        """Egg, yolk or white."""
        return self.line.amount.unit if self.line.amount else Unit.EGG


    def times(self, *, count: float | None, net_g: float | None) -> float | None:
        """Return how many times the recipe so many eggs, or eggs of that weight, are.

        Parameters
        ----------
        count : float or None
            Counted.
        net_g : float or None
            Weighed without their shells, grams; it wins over the count.
        """
        if net_g is not None:
            return net_g / (self.count * self.each_g)
        return None if count is None else count / self.count


@dataclass(frozen=True, slots=True, kw_only=True)
class EggEffect:
    """What a factor does to the pans.

    Parameters
    ----------
    depth_changes : tuple of (float or None)
        For each pan, depth against what its rule asks for, minus 1; None without a depth.
    over_limit : bool
        Whether a pan is pushed over its usual fill, or further over.
    leftover_g : float
        Batter that no pan takes.
    """

    depth_changes: tuple[float | None, ...] = ()
    over_limit: bool = False
    leftover_g: float = 0.0

    @property
    def largest_change(self) -> float:
        """Depth change of the pan that changes most, with its sign."""
        return max((change for change in self.depth_changes if change is not None),
                   key=abs, default=0.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class EggOption:
    """One way to settle the eggs.

    Parameters
    ----------
    choice : EggChoice
        Its name; ``same_as`` lists further names that come to the same.
    count : float
        Whole or half eggs to crack.
    beaten_g : float
        Beaten egg on top of those, grams.
    factor : float
        Of the whole recipe.
    text : str
        For instance "5 eggs + 48 g beaten egg".
    effect : EggEffect
        What it does to the pans.
    same_as : tuple of EggChoice
        Further choices that come to the same.
    """

    choice: EggChoice
    count: float
    beaten_g: float
    factor: float
    text: str
    effect: EggEffect
    same_as: tuple[EggChoice, ...] = ()

    @property
    def effect_text(self) -> str:
        """What the choice does to the pans, in words."""
        change = self.effect.largest_change
        words = ("same depth" if abs(change) < 0.005
                 else f"{abs(change) * 100:.0f} % {'deeper' if change > 0 else 'shallower'}")
        if self.effect.leftover_g >= 0.5:
            words = f"{words}, {self.effect.leftover_g:.0f} g left over"
        return f"{words}, over the usual fill" if self.effect.over_limit else words


def leading_eggs(recipe: Recipe, *, left_out: frozenset[int]) -> LeadingEggs | None:
    """Return the heaviest egg line of the batter; None where eggs are weighed or absent."""
    best: LeadingEggs | None = None
    for line in recipe.lines:
        weight = recipe.weights[line.key]
        if (line.amount is None or weight is None or not line.is_eggs
                or line.component not in MIXED or line.key in left_out):
            continue
        if best is None or weight.value > best.count * best.each_g:
            best = LeadingEggs(line=line, count=line.amount.value,
                               each_g=weight.value / line.amount.value)
    return best


EffectOf = Callable[[float], EggEffect]
"""From a factor to what it does to the pans."""


def egg_options(eggs: LeadingEggs, factor: float, *, upwards: bool, effect: EffectOf,
                scale_step_g: float) -> list[EggOption]:
    """Return the ways to settle the eggs, equal ones once, exact first.

    Parameters
    ----------
    eggs : LeadingEggs
        The line that decides.
    factor : float
        That the pans ask for, above zero.
    upwards : bool
        Whether every rounding goes up, because pans were promised their batter.
    effect : callable
        What a factor does to the pans.
    scale_step_g : float
        What the kitchen's scale reads to; less beaten egg than half of it is none.
    """
    wanted = eggs.count * factor
    counts = {
        EggChoice.NEAREST: _up(wanted) if upwards else max(1.0, math.floor(wanted + 0.5)),
        EggChoice.HALF: (_up(wanted * 2) / 2 if upwards
                         else max(0.5, math.floor(wanted * 2 + 0.5) / 2)),
        EggChoice.UP: _up(wanted),
        EggChoice.DOWN: max(1.0, math.floor(wanted + _WHOLE)),
    }
    whole = math.floor(wanted + _WHOLE)
    beaten_g = (wanted - whole) * eggs.each_g
    if beaten_g < scale_step_g / 2 and whole:
        beaten_g = 0.0
    option = partial(_option, eggs=eggs, effect=effect, scale_step_g=scale_step_g)
    options = [option(EggChoice.EXACT, float(whole), beaten_g, factor)]
    for choice, count in counts.items():
        new_factor = factor if abs(count - wanted) < _WHOLE * max(1.0, wanted) else (
            count / eggs.count)
        twin = next((i for i, option in enumerate(options)
                     if math.isclose(option.factor, new_factor, rel_tol=1e-9)), None)
        if twin is None:
            options.append(option(choice, count, 0.0, new_factor))
        else:
            options[twin] = replace(options[twin], same_as=(*options[twin].same_as, choice))
    return options


def default_option(options: list[EggOption], *, upwards: bool) -> EggOption:
    """Return what is done when nobody chose.

    Whole eggs, upwards where pans were promised their batter; else the nearest whole number while
    the depth moves by 5 % or less and no pan is pushed over its limit; else the exact amount.
    """
    if upwards:
        return option_for(options, EggChoice.UP)
    nearest = option_for(options, EggChoice.NEAREST)
    moves = abs(nearest.effect.largest_change)
    if moves <= DEPTH_MAY_MOVE + 1e-9 and not nearest.effect.over_limit:
        return nearest
    return option_for(options, EggChoice.EXACT)


def option_for(options: list[EggOption], choice: EggChoice) -> EggOption:
    """Return the option a choice leads to, by its own name or by one that comes to the same."""
    return next(option for option in options
                if option.choice is choice or choice in option.same_as)


def weighed_option(exact: EggOption, net_g: float, eggs: LeadingEggs, *,
                   scale_step_g: float) -> EggOption:
    """Return eggs that were weighed instead of counted: all of them go in, as beaten egg.

    Parameters
    ----------
    exact : EggOption
        The option whose factor they lead to.
    net_g : float
        What they weigh without their shells, grams.
    eggs : LeadingEggs
        The line that decides.
    scale_step_g : float
        What the kitchen's scale reads to.
    """
    return replace(exact, count=0.0, beaten_g=net_g,
                   text=eggs_text(0.0, net_g, eggs.unit, scale_step_g=scale_step_g))


def eggs_text(count: float, beaten_g: float, unit: Unit, *, scale_step_g: float = 1.0) -> str:
    """Write eggs to crack and beaten egg to weigh.

    >>> eggs_text(5, 48.3, Unit.EGG)
    '5 eggs + 48 g beaten egg'
    """
    beaten = {Unit.EGG: "beaten egg", Unit.YOLK: "yolk", Unit.WHITE: "white"}.get(unit, "egg")
    weighed = f"{show_mass(beaten_g, scale_step_g=scale_step_g)} {beaten}" if beaten_g else ""
    if count < _WHOLE:
        return weighed
    counted = written(Amount(value=count, unit=unit))
    return f"{counted} + {weighed}" if weighed else counted


def follower_text(count: float, each_g: float, unit: Unit, *, scale_step_g: float = 1.0) -> str:
    """Write a further egg line, which follows the leading one: whole ones and grams."""
    whole = math.floor(count + _WHOLE)
    beaten_g = (count - whole) * each_g
    if whole and beaten_g < scale_step_g / 2:
        beaten_g = 0.0
    return eggs_text(whole, beaten_g, unit, scale_step_g=scale_step_g)


def _option(choice: EggChoice, count: float, beaten_g: float, factor: float, *,
            eggs: LeadingEggs, effect: EffectOf, scale_step_g: float) -> EggOption:
    return EggOption(choice=choice, count=count, beaten_g=beaten_g, factor=factor,
                     effect=effect(factor),
                     text=eggs_text(count, beaten_g, eggs.unit, scale_step_g=scale_step_g))


def _up(count: float) -> float:
    return float(max(1, math.ceil(count - _WHOLE)))
