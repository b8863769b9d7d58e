"""How long a batter may wait for its turn in the oven."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.card.lines import MIXED
from entremet.core.card.recipe import BatterStart, Recipe
from entremet.core.ground.reference import ReferenceValue, read_table, reference_value


@dataclass(frozen=True, slots=True, kw_only=True)
class Waiting:
    """What a batter's raising allows.

    Parameters
    ----------
    key : str
        Row of the table.
    minutes : ReferenceValue
        How long it may stand.
    words : str
        Why, for the baker.
    waits : bool
        Whether it may wait at all.
    """

    key: str
    minutes: ReferenceValue
    words: str
    waits: bool


WAITING = {key: Waiting(key=key, minutes=reference_value(row["minutes"]), words=row["words"],
                        waits=row["waits"])
           for key, row in read_table("entremet.core.loading", "waiting.toml").items()}


def waiting_of(recipe: Recipe, *, start: BatterStart | None = None) -> Waiting:
    """Return how long a recipe's batter may wait.

    Parameters
    ----------
    recipe : Recipe
        Its style and what raises it decide.
    start : BatterStart or None
        How warm the batter goes in, where the fit says otherwise than the recipe.
    """
    keys = {line.ingredient.key for line in recipe.lines
            if line.component in MIXED and line.ingredient is not None}
    traits = recipe.style.traits
    if traits.waits:
        return WAITING[traits.waits]
    if "bicarbonate_of_soda" in keys:
        return WAITING["soda"]
    if (start or recipe.start) is BatterStart.CHILLED and traits.chills:
        return WAITING["chilled"]
    if keys & {"baking_powder", "self_raising_flour"}:
        return WAITING["powder"]
    return WAITING["unraised"]
