"""Boards and supports under tiers."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from entremet.core.dressing.cakes import CakeKind
from entremet.core.dressing.uses import Dressed

COUNTS = ((15.0, 5), (20.0, 6))
MORE = 8
"""Supports under a tier by the width of the tier above; practice, 4 to 9."""

INSIDE_CM = 2.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Support:
    """What stands in a tier under the one above it.

    Parameters
    ----------
    tier, above : str
        The tier they stand in, and the one they carry.
    count : int
        How many.
    height_cm : float
        All cut to this one height.
    circle_cm : float
        Width of the circle they stand on, inside the board above.
    """

    tier: str
    above: str
    count: int
    height_cm: float
    circle_cm: float


def supports_of(rows: Sequence[Dressed]) -> list[Support]:
    """Return the supports of tiers, the widest tier at the foot.

    Parameters
    ----------
    rows : sequence of Dressed
        Cakes as dressed; only stacks are tiers.
    """
    tiers = sorted((row for row in rows if row.cake.kind is CakeKind.STACK),
                   key=lambda row: -row.body.top_cm2)
    found = []
    for below, above in pairwise(tiers):
        wide = above.cake.outline.widest()
        count = next((count for least, count in COUNTS if wide <= least + 0.5), MORE)
        found.append(Support(
            tier=below.cake.label, above=above.cake.label, count=count,
            height_cm=round(below.body.height_cm, 1),
            circle_cm=round(max(4.0, wide - 2 * INSIDE_CM), 1)))
    return found
