"""What was done, and when. A day's state is worked out from these and from nothing else."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from enum import Enum
from operator import attrgetter


class EventKind(Enum):
    """What a tick says."""

    DONE = "done"
    PUT_IN = "put_in"
    OUT = "out"
    NOT_YET = "not_yet"
    TOO_DARK = "too_dark"
    TURNED = "turned"
    COVERED = "covered"
    HELD = "held"
    LATE = "late"
    HOT = "hot"
    WEIGHED = "weighed"
    POURED = "poured"
    UNDO = "undo"


@dataclass(frozen=True, slots=True, kw_only=True)
class Event:
    """One tick.

    Parameters
    ----------
    id : str
        The client's own, so that one sent twice is one.
    kind : EventKind
        What it says.
    step : str
        Which step; for ``UNDO`` the id of the tick it takes back; empty for ``LATE``.
    at : datetime
        By the server's clock; of one made while the server was away, when it was made.
    place : int
        Line or pan that was weighed or poured; of ``OUT`` the row of pans that is out.
    amount : float
        Its measured grams, 0 for what was done by hand; of ``LATE`` minutes.
    """

    id: str
    kind: EventKind
    step: str
    at: datetime
    place: int = 0
    amount: float = 0.0


def in_force(events: Iterable[Event]) -> list[Event]:
    """Return the ticks that count, oldest first: each once, and none that was taken back.

    The same for the same set, in whatever order it arrived: they are put in order by when they were
    made, of two at one moment by their id. A tick that takes back one that takes back puts it back.
    """
    known = {one.id: one for one in events}
    ordered = sorted(known.values(), key=_ORDER)
    back = [one for one in ordered if one.kind is EventKind.UNDO]
    if not back:
        return ordered
    void: set[str] = set()
    for one in reversed(back):
        if one.id not in void:
            void.add(one.step)
    return [one for one in ordered
            if one.id not in void and one.kind is not EventKind.UNDO]


_ORDER = attrgetter("at", "id")
