"""What a card asks of a day, to find it by: how many it feeds, minutes of hands and in all."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from entremet.core.card.recipe import Recipe
from entremet.core.finished.finish import finish
from entremet.core.fitting.portions import servings_of
from entremet.core.ovens.oven import Oven
from entremet.core.plan.plan import plan_in_own_pans
from entremet.core.work.cake import OrderedCake
from entremet.core.work.ids import CakeId, WorkId, WorkKind
from entremet.core.work.of_cake import works_of
from entremet.core.work.work import Lane, Work

AFTERWARDS = frozenset({WorkKind.WASH, WorkKind.BOX})
"""Work that belongs to an order and not to the cake itself."""


@dataclass(frozen=True, slots=True, kw_only=True)
class CardFacts:
    """What a list of recipes finds a card by.

    Parameters
    ----------
    feeds : int or None
        Servings as written, the fewer of a range; None where it names none.
    hands_min, all_min : int or None
        Busy hands, and from the first to the last of it if nothing waits for anybody; practised
        hands, by practice. None where no bake of it has a time.
    """

    feeds: int | None
    hands_min: int | None
    all_min: int | None


def card_facts(recipe: Recipe, oven: Oven) -> CardFacts:
    """Return what a recipe asks of a day in its own pans, finished as it says.

    Parameters
    ----------
    recipe : Recipe
        Resolved, with its steps.
    oven : Oven
        Any with a dial: only the minutes matter.
    """
    plan = plan_in_own_pans(recipe, oven=oven)
    cake = OrderedCake(id=CakeId(order=1), order="", label="", plan=plan, finish=finish(plan),
                       due=0)
    works = [one for one in works_of(cake) if one.kind not in AFTERWARDS]
    return CardFacts(
        feeds=servings_of(recipe.servings),
        hands_min=sum(one.minutes for one in works if one.lane is Lane.HANDS) or None,
        all_min=_in_all(works) or None)


def _in_all(works: Sequence[Work]) -> int:
    """Return how long work takes from first to last, each begun as soon as what it waits for."""
    ends: dict[WorkId, int] = {}
    for one in works:
        start = max((ends[wait.on] + wait.least_min for wait in one.waits if wait.on in ends),
                    default=0)
        ends[one.id] = max(0, start) + one.minutes
    return max(ends.values(), default=0)
