"""What cakes take, ingredient by ingredient: every weigh-out once, nothing twice."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from entremet.core.card.lines import Line
from entremet.core.finished.amounts import made_g
from entremet.core.finished.finish import Finish
from entremet.core.fitting.scaled_lines import ScaledLine
from entremet.core.ingredients.table import TABLE
from entremet.core.measures.units import Unit
from entremet.core.plan.plan import Plan
from entremet.core.shopping.raw import Raw, raw_of


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
    raw : Raw or None
        What is left of it as the card weighs it, where it is bought by more; ``g`` is what is
        bought.
    house : bool
        Whether it comes from a house formula and stands on no card.
    """

    key: str
    name: str
    g: float | None
    cake: str
    pieces: float | None = None
    raw: Raw | None = None
    house: bool = False


def wants_of(plan: Plan, finish: Finish, *, cake: str, count: int = 1) -> Iterator[Want]:
    """Yield what a fit and its finish take.

    The batter stands as the fit scales it, components as Finish makes them, spare and all; what
    comes from a house formula too.

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
    made = made_g(plan, finish)
    for line in plan.lines:
        if line.included and (line.g is None or line.g.value > 0):
            yield _of_line(line, cake, count, made.get(line.line.key))
    for share in plan.shares:
        for stirred in share.stirred:
            key, name = bought_as(stirred.line)
            yield Want(key=key, cake=cake, name=name,
                       g=None if stirred.g is None else stirred.g * count)
    for part in finish.parts:
        if part.house:
            for one in part.made_from:
                known = TABLE.called(one.name.split(",")[0].lower())
                yield Want(key=key_of(one.name) if known is None else known.key, name=one.name,
                           g=one.g * count, cake=cake, house=True)


def bought_as(line: Line) -> tuple[str, str]:
    """Return the key of a line's ingredient and what it is called in a shop, whatever its cut."""
    known = line.ingredient or TABLE.called(line.name.split(",")[0].split("(")[0])
    return (key_of(line.name), line.name) if known is None else (known.key, line.name)


def key_of(name: str) -> str:
    """Return the key of an ingredient that the table does not hold.

    >>> key_of("Thin plum slices")
    'thin plum slices'
    """
    return " ".join(name.lower().split())


def _of_line(line: ScaledLine, cake: str, count: int, made_g: float | None) -> Want:
    one, amount = line.line, line.line.amount
    grams = None if line.g is None else line.g.value if made_g is None else made_g
    pieces = None
    raw = raw_of(one.name)
    if amount is not None and (one.is_eggs or amount.unit is Unit.PIECE):
        more = 1.0 if line.g is None or grams is None else grams / line.g.value
        pieces = amount.value * line.factor * more * count
    key, name = bought_as(one)
    return Want(key=key, name=name, cake=cake, pieces=pieces, raw=raw, g=None if grams is None
                else grams * count / (1.0 if raw is None else raw.left))
