"""What is left over: how long it keeps where it stands, and what would take it up."""

from __future__ import annotations

import re
from dataclasses import dataclass
from datetime import date, timedelta
from enum import Enum

from entremet.core.ground.provenance import Figure, assumed
from entremet.core.ground.reference import read_table

MONTH_DAYS = 30


class Stands(Enum):
    """Where a leftover stands."""

    COOL = "cool"
    CHILLED = "chilled"
    FROZEN = "frozen"


@dataclass(frozen=True, slots=True, kw_only=True)
class LeftoverKind:
    """A kind of leftover.

    Parameters
    ----------
    key, name : str
        As stored, and in words.
    words : tuple of str
        What in a name tells it.
    days : dict of Stands to float
        How long it keeps, the low end; a place that is missing is none for it.
    search : str
        What recipes that take it up are found by.
    note : str
        What else to know.
    """

    key: str
    name: str
    words: tuple[str, ...]
    days: dict[Stands, float]
    search: str
    note: str


def _days(row: dict[str, float]) -> dict[Stands, float]:
    found = {place: float(row[place.value]) for place in Stands if place.value in row}
    if Stands.FROZEN in found:
        found[Stands.FROZEN] *= MONTH_DAYS
    return found


KINDS: dict[str, LeftoverKind] = {
    key: LeftoverKind(key=key, name=row["name"], words=tuple(row["words"]), days=_days(row),
                      search=row.get("search", ""), note=row.get("note", ""))
    for key, row in read_table("entremet.core.keeping", "leftovers.toml").items()}


def leftover_kind(name: str) -> LeftoverKind:
    """Return the kind a leftover is by its name.

    >>> leftover_kind("4 egg yolks").key, leftover_kind("Bergamot buttercream").key
    ('yolks', 'buttercream')
    >>> leftover_kind("half a tin of coconut milk").key, leftover_kind("Moss").key
    ('coconut_milk', 'other')
    """
    return next((kind for kind in KINDS.values()
                 if any(re.search(rf"\b{re.escape(word)}\b", name, re.IGNORECASE)
                        for word in kind.words)), KINDS["other"])


def usual_place(kind: LeftoverKind) -> Stands:
    """Return where a kind usually stands: chilled where it may."""
    return next((place for place in (Stands.CHILLED, Stands.COOL) if place in kind.days),
                Stands.CHILLED)


def keeps_until(kind: LeftoverKind, stands: Stands, since: date) -> tuple[date, Figure] | None:
    """Return the last day a leftover keeps, and the days that says it; None where it does not.

    Parameters
    ----------
    kind : LeftoverKind
        What it is.
    stands : Stands
        Where.
    since : date
        When it was put there.

    >>> keeps_until(KINDS["yolks"], Stands.CHILLED, date(2026, 11, 28))[0]
    datetime.date(2026, 11, 30)
    """
    days = kind.days.get(stands)
    if days is None:
        return None
    return since + timedelta(days=int(days)), assumed(
        days, f"{kind.name} {stands.value}: {days:g} days, practice")
