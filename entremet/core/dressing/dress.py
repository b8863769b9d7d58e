"""Which way a cake is dressed, by what it is and what is done to it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from entremet.core.card.finish import Finishing
from entremet.core.card.lines import Component
from entremet.core.dressing.cakes import BakedPan, Cake, CakeKind, cakes_of
from entremet.core.dressing.carved import dress_carved
from entremet.core.dressing.small import dress_pieces, dress_small
from entremet.core.dressing.uses import Dressed, Has
from entremet.core.dressing.whole import dress_whole
from entremet.core.ground.findings import Finding


def dress(cake: Cake, chosen: Finishing, has: Has) -> Dressed:
    """Work out everything a cake takes.

    Parameters
    ----------
    cake : Cake
        One row of a fit.
    chosen : Finishing
        The baker's choices.
    has : Has
        What the card has.
    """
    match cake.kind:
        case CakeKind.SMALL:
            return dress_small(cake, chosen, has)
        case CakeKind.PIECES:
            return dress_pieces(cake, chosen, has)
        case CakeKind.STACK if chosen.carve is not None:
            return dress_carved(cake, chosen, has, chosen.carve)
        case _:
            return dress_whole(cake, chosen, has)


def dress_all(pans: Sequence[BakedPan], chosen: Finishing, has: Has, *,
              joins: int | None = None) -> tuple[list[Dressed], list[Finding]]:
    """Dress all cakes of a fit, or of a recipe in its own pans.

    Parameters
    ----------
    pans : sequence of BakedPan
        As baked.
    chosen : Finishing
        The baker's choices.
    has : Has
        What the card has.
    joins : int or None
        Joins to be filled, all cakes together, where the baker says.
    """
    cakes, findings = cakes_of(pans, chosen, filled=Component.FILLING in has.kinds)
    rows = [dress(cake, chosen, has) for cake in cakes]
    return (rows if joins is None else _with_joins(rows, joins)), findings


def _with_joins(rows: Sequence[Dressed], joins: int) -> list[Dressed]:
    """Fill so many joins, of the size the rows have, where they have any."""
    usual = sum(row.cake.joins * row.cake.count for row in rows if row.filling_cm > 0)
    if not usual or joins == usual:
        return list(rows)
    more = joins / usual
    return [replace(row, uses=tuple(
        replace(use, ml=use.ml * more, words=f"{use.words}, for {joins} joins in all")
        if use.key.startswith(("filling", "dam")) else use for use in row.uses)) for row in rows]
