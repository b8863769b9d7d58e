"""What cakes take, ingredient by ingredient: every weigh-out once, nothing twice."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from entremet.core.finished.finish import Finish
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ingredients.table import TABLE
from entremet.core.plan.plan import Plan


@dataclass(frozen=True, slots=True, kw_only=True)
class Want:
    """An ingredient that a cake takes.

    Parameters
    ----------
    key, name : str
        The ingredient: its key in the table where it has one, else its name.
    g : float or None
        Grams; None where the card weighs nothing.
    cake : str
        What takes it.
    pieces : float or None
        How many, where it is counted: eggs, lemons.
    house : bool
        Whether it comes from a house formula and stands on no card.
    """

    key: str
    name: str
    g: float | None
    cake: str
    pieces: float | None = None
    house: bool = False


def wants_of(plan: Plan, finish: Finish, *, cake: str, count: int = 1) -> Iterator[Want]:
    """Yield what a fit and its finish take.

    Every line of the card stands as the fit scales it; what comes from a house formula stands as
    it is made, spare and all.

    Parameters
    ----------
    plan : Plan
        The fit.
    finish : Finish
        Its finish.
    cake : str
        What it is called.
    count : int
        How many such fits are made.
    """
    for line in plan.lines:
        if line.included and (line.g is None or line.g.value > 0):
            yield _of_line(line, cake, count)
    for share in plan.shares:
        for stirred in share.stirred:
            own = stirred.line.ingredient
            yield Want(key=key_of(stirred.line.name) if own is None else own.key, cake=cake,
                       name=stirred.line.name,
                       g=None if stirred.g is None else stirred.g * count)
    for part in finish.parts:
        if part.house:
            for one in part.made_from:
                known = TABLE.named(one.name.split(",")[0].lower())
                yield Want(key=key_of(one.name) if known is None else known.key, name=one.name,
                           g=one.g * count, cake=cake, house=True)


def key_of(name: str) -> str:
    """Return the key of an ingredient that the table does not hold.

    >>> key_of("Thin plum slices")
    'thin plum slices'
    """
    return " ".join(name.lower().split())


def _of_line(line: ScaledLine, cake: str, count: int) -> Want:
    one, amount = line.line, line.line.amount
    pieces = None
    if one.is_eggs and amount is not None:
        pieces = amount.value * line.factor * count
    key = one.ingredient.key if one.ingredient is not None else key_of(one.name)
    return Want(key=key, name=one.name, cake=cake, pieces=pieces,
                g=None if line.g is None else line.g.value * count)
