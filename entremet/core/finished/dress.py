"""Which way a cake is dressed, by what it is and what is done to it."""

from __future__ import annotations

from entremet.core.finished.cakes import Cake, CakeKind
from entremet.core.finished.carved import dress_carved
from entremet.core.finished.choices import Finishing
from entremet.core.finished.small import dress_pieces, dress_small
from entremet.core.finished.uses import Dressed, Has
from entremet.core.finished.whole import dress_whole


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
