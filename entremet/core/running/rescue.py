"""What goes wrong at a step, and what helps: a typed table, practice."""

from __future__ import annotations

from dataclasses import dataclass

from entremet.core.ground.reference import read_table
from entremet.core.work.ids import WorkKind


@dataclass(frozen=True, slots=True, kw_only=True)
class Rescue:
    """A mishap: what it looks like, what helps now, what to change next time."""

    what: str
    now: str
    next: str


_TABLE: dict[WorkKind, tuple[Rescue, ...]] = {
    WorkKind(kind): tuple(Rescue(**row) for row in rows)
    for kind, rows in read_table("entremet.core.running", "rescue.toml").items()}


def rescues_of(kind: WorkKind) -> tuple[Rescue, ...]:
    """Return what goes wrong at a kind of step; nothing for one that is simple."""
    return _TABLE.get(kind, ())
