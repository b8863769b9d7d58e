"""The logbook as a fit looks into it: what is to be expected of its bakes."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from entremet.core.learning.entries import Facts
from entremet.core.learning.model import Learnt, Predicted, learn

NOTHING_LEARNT = learn(())


@dataclass(frozen=True, slots=True, kw_only=True)
class Book:
    """What was learnt, opened at an oven and a recipe.

    Parameters
    ----------
    learnt : Learnt
        From all entries.
    oven, recipe : str
        Keys; a recipe's goes on with what its time rests on, since another stated time begins anew.
    epochs : mapping of (str, str) to int
        By kind and key, how often something was set back; what was learnt before is not looked at.
    """

    learnt: Learnt = NOTHING_LEARNT
    oven: str = ""
    recipe: str = ""
    epochs: Mapping[tuple[str, str], int] = field(default_factory=dict)

    def recipe_key(self, timing: str) -> str:
        """Return the key under which a recipe with that timing is learnt."""
        return f"{self.recipe}|{timing}" if self.recipe else ""

    def expects(self, bake: Facts) -> Predicted:
        """Return what is expected of a bake."""
        if not self.epochs:
            return self.learnt.predict(bake)
        return self.learnt.predict(replace(
            bake, oven=self.now("oven", bake.oven), recipe=self.now("recipe", bake.recipe),
            pan=self.now("pan", bake.pan)))

    def now(self, kind: str, key: str) -> str:
        """Return the key something is learnt by since it was last set back."""
        return with_epoch(key, self.epochs.get((kind, key), 0))


def with_epoch(key: str, epoch: int) -> str:
    """Return the key that something is learnt by after it was set back so often."""
    return f"{key}#{epoch}" if epoch and key else key


CLOSED_BOOK = Book()
"""With nothing logged."""
