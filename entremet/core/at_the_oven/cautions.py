"""Cautions at the oven, each at its step and only where it belongs.

They are the usual ones, and defer to the oven's manual, the makers of pans and strips, and local
rules for food that is sold.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from enum import Enum

from entremet.core.at_the_oven.every_day import HOT
from entremet.core.card.lines import Component
from entremet.core.ingredients.table import Role
from entremet.core.ovens.settings import OvenKind
from entremet.core.pans.pan import Pan, PanFinish
from entremet.core.plan.plan import Plan


class CardStep(Enum):
    """Where on the card a caution stands."""

    HEAT = "heat"
    IN = "in"
    OUT = "out"


@dataclass(frozen=True, slots=True, kw_only=True)
class CardCaution:
    """A caution and its step."""

    step: CardStep
    text: str


def cautions_of(plan: Plan) -> tuple[CardCaution, ...]:
    """Return the cautions of a plan's bake, in the order of the work."""
    return tuple(CardCaution(step=step, text=text) for step, belongs, text in _TABLE
                 if belongs(plan))


def _in_oven(plan: Plan) -> bool:
    return plan.oven.has_dial


def _kind(kind: OvenKind) -> Callable[[Plan], bool]:
    return lambda plan: plan.oven.kind is kind


def _finish(finish: PanFinish) -> Callable[[Plan], bool]:
    def found(plan: Plan) -> bool:
        chosen = [one.bake.heat.finish if one.bake is not None else one.entry.pan.finish
                  for one in plan.pans if isinstance(one.entry.pan, Pan)]
        return finish in chosen
    return found


def _strips(plan: Plan) -> bool:
    return plan.treatment.strips


def _covered(plan: Plan) -> bool:
    return any(step.part.covered for one in plan.pans if one.bake is not None
               for step in one.bake.oven.steps)


def _sugar_below(plan: Plan) -> bool:
    return any(line.component is Component.BASE_LAYER and line.ingredient is not None
               and line.ingredient.role is Role.SUGAR for line in plan.recipe.lines)


_TABLE: tuple[tuple[CardStep, Callable[[Plan], bool], str], ...] = (
    (CardStep.HEAT, _kind(OvenKind.GAS),
     "Gas: light it as its manual says. Smell gas: tap off, windows open, no switches."),
    (CardStep.HEAT, _kind(OvenKind.COUNTER),
     "A small oven wants room round it, nothing on top, and never a pan that touches an element."),
    (CardStep.HEAT, _finish(PanFinish.GLASS),
     "Glass and ceramic crack when cold meets hot: follow the maker, never from fridge to oven."),
    (CardStep.HEAT, _finish(PanFinish.SILICONE),
     "Silicone: not above the heat its maker allows, and carried on a cold metal tray."),
    (CardStep.HEAT, _finish(PanFinish.PAPER),
     "Paper moulds stand on a tray, clear of flame and element, only up to the heat their maker "
     "allows."),
    (CardStep.HEAT, _strips,
     "Strips as their maker says, damp where they ask for it; never against a flame or element."),
    (CardStep.IN, _in_oven, HOT),
    (CardStep.IN, _covered,
     "Foil tucked in, clear of elements and fan; lift it away from you, steam comes out."),
    (CardStep.IN, _kind(OvenKind.STEAM),
     "Steam scalds before it is seen: lid off away from you, sleeves down. Top up with boiling "
     "water; a pot boiled dry burns and cracks."),
    (CardStep.IN, _kind(OvenKind.HOB),
     "Stay in the kitchen. A pot heated dry can warp, crack or smoke: only one its maker allows, "
     "lowest flame, handles turned in."),
    (CardStep.OUT, _sugar_below,
     "Hot sugar sticks and burns deep: turn out at arm's length, dry gloves, nobody close by. A "
     "burn goes under cool running water."),
)
