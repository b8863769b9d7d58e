"""Signs that a cake is done: a typed table by style, the recipe's own first."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from entremet.core.batter.styles import STYLES, Style
from entremet.core.card.recipe import Recipe
from entremet.core.ground.errors import CoreError
from entremet.core.ground.quantities import celsius
from entremet.core.ground.reference import Basis, read_table


class SignKind(Enum):
    """How a sign is taken."""

    LOOK = "look"
    TOUCH = "touch"
    SKEWER = "skewer"
    EDGE = "edge"
    PROBE = "probe"
    RECIPE = "recipe"


@dataclass(frozen=True, slots=True, kw_only=True)
class Sign:
    """One sign.

    Parameters
    ----------
    kind : SignKind
        How it is taken.
    text : str
        In a baker's words.
    basis : Basis
        Practice, or given by the recipe's card.
    source : str
        Where it comes from.
    """

    kind: SignKind
    text: str
    basis: Basis
    source: str


def _table() -> dict[str, tuple[Sign, ...]]:
    rows = read_table("entremet.core.at_the_oven", "signs.toml")
    if set(rows) != {one.like for one in STYLES.values()}:
        raise CoreError("Every style has its signs, or those of another.", field="signs")
    return {key: tuple(Sign(kind=SignKind(row["kind"]), text=row["text"], basis=Basis.PRACTICE,
                            source=row["source"]) for row in listed)
            for key, listed in rows.items()}


SIGNS = _table()


def signs_of(recipe: Recipe) -> tuple[Sign, ...]:
    """Return what shows that a recipe is done: its own signs, or its style's.

    >>> [one.kind.value for one in SIGNS["creamed"]]
    ['touch', 'skewer', 'edge']
    """
    if recipe.signs:
        return tuple(Sign(kind=SignKind.RECIPE, text=text, basis=Basis.DEFINITION,
                          source="as the card says") for text in recipe.signs)
    return SIGNS[recipe.style.like]


def probe_sign(style: Style, done_c: float) -> Sign:
    """Return what a probe thermometer in the centre shows, for those who have one."""
    return Sign(kind=SignKind.PROBE, text=f"a probe in the centre reads {celsius(done_c)}",
                basis=style.done_c.basis, source=style.done_c.source)
