"""What has to be cold: from its first cold part on a cake waits in the fridge, and nowhere else."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace

from entremet.core.keeping.keeping import parts_made
from entremet.core.work.cake import OrderedCake
from entremet.core.work.ids import CakeId, WorkKind
from entremet.core.work.work import Hold, Lane, Wait, Work

WARM_MOST_MIN = 120
"""What must be cold is out of the fridge for no longer in all; practice, and one hour above 32 °C:
local food rules come first."""

INTO_THE_FRIDGE_MIN = 10
"""A wait shorter than this is not worth the fridge: it counts as warm; practice, 5 to 15 min."""

ON_THE_CAKE = frozenset({WorkKind.LEVEL, WorkKind.FINISH, WorkKind.WAIT, WorkKind.CHILL,
                         WorkKind.BOX})
"""Work that the cake itself is in, one piece after the other."""


def cold_parts(cake: OrderedCake) -> frozenset[str]:
    """Return the keys of components that have to stand chilled; the empty one is what is baked."""
    return frozenset(key for key, part in parts_made(cake.plan, cake.finish) if part.cold)


def kept_cold(cake: OrderedCake, works: Sequence[Work]) -> list[Work]:
    """Return the work of a finish with its fridge: from the first cold part a board is held.

    Parameters
    ----------
    cake : OrderedCake
        Whose.
    works : sequence of Work
        Its finish, each piece after those it waits for.

    Returns
    -------
    list of Work
        What stands by itself then stands in the fridge, at once; a board is held from piece to
        piece and on until it is handed over. The same for a cake that nothing needs cold.
    """
    chain = _from_first_cold(cake, works)
    if not chain:
        return list(works)
    found = {}
    for place, work in enumerate(chain):
        after = chain[place + 1].id if place + 1 < len(chain) else None
        until = None if after is not None else cake.due
        room = (Hold(until=after, until_min=until), *(
            Hold(until=after, until_min=until, pan=high, count=count)
            for high, count in cake.high_places.items()))
        stands = work.lane is not Lane.HANDS
        found[work.id] = replace(
            work, cold=True, boards=0, pans={}, holds=(*work.holds, *room),
            lane=Lane.FRIDGE if stands else work.lane,
            waits=tuple(_at_once(one) for one in work.waits) if stands else work.waits)
    return [found.get(one.id, one) for one in works]


def out_of_it_min(cake: CakeId, works: Iterable[Work]) -> int:
    """Return how long hands and the way keep a cold cake out of the fridge, whatever the plan."""
    return sum(one.minutes for one in works if one.id.cake is not None and (
        (one.cold and one.id.cake == cake and one.lane is Lane.HANDS)
        or (one.kind is WorkKind.DRIVE and one.id.cake.order == cake.order)))


def _from_first_cold(cake: OrderedCake, works: Sequence[Work]) -> list[Work]:
    """Return the work on the cake from the first that has a cold part in it to its box."""
    cold = cold_parts(cake)
    own = [one for one in works if one.kind in ON_THE_CAKE]
    for place, work in enumerate(own):
        parts = {wait.on.part for wait in work.waits if wait.on.kind is WorkKind.MAKE}
        parts |= {part.key for part in cake.finish.parts for use in part.uses
                  if work.kind is WorkKind.FINISH and use.key == work.id.part}
        if "" in cold or parts & cold:
            return own[place:]
    # What is cold and put on by no step of its own is on it when it is boxed.
    return own[-1:] if cold else []


def _at_once(wait: Wait) -> Wait:
    most = INTO_THE_FRIDGE_MIN if wait.most_min is None else min(
        wait.most_min, INTO_THE_FRIDGE_MIN)
    return replace(wait, most_min=max(most, wait.least_min))
