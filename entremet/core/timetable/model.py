"""What a timetable is made of beside its work: a kitchen's means, and work laid out."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding
from entremet.core.work.ids import WorkId
from entremet.core.work.work import Heat, Work

MOST_TASKS = 4000
MOST_DAYS = 15
DAY_MIN = 24 * 60

LATE_MIN = 10
"""What has waited too long since something that was ticked is done within so many minutes."""


@dataclass(frozen=True, slots=True, kw_only=True)
class OvenMeans:
    """An oven that is in use: its name, its shelves, the minutes it takes to change its heat, its
    kind, empty for one that takes any bake; the number that tells it from others, 0 for none.
    """

    name: str
    number: int = 0
    shelves: int = 1
    change_min: int = 10
    kind: str = ""

    def takes(self, heat: Heat) -> bool:
        """Say whether a bake may go in at all."""
        return heat.shelves <= self.shelves and (
            not heat.kind or not self.kind or heat.kind == self.kind)


@dataclass(frozen=True, slots=True, kw_only=True)
class Means:
    """What a kitchen has to work with.

    Parameters
    ----------
    windows : tuple of (int, int)
        When it works: from and to, minutes, in order and apart.
    ovens : tuple of OvenMeans
        In use.
    hands : int
        Pairs of hands.
    bowls : int
        Mixing bowls.
    pans : mapping of str to int
        Pans owned by label; what is not named is not counted.
    boards : int
        Boards of fridge room.
    now : int or None
        Nothing starts before it that is not done or under way.
    """

    windows: tuple[tuple[int, int], ...]
    ovens: tuple[OvenMeans, ...]
    hands: int = 1
    bowls: int = 1
    pans: Mapping[str, int] = field(default_factory=dict)
    boards: int = 6
    now: int | None = None

    def __post_init__(self) -> None:
        if not self.windows or any(start >= end for start, end in self.windows):
            raise ImpossibleChoice("Say when the kitchen works: from one time to a later one.",
                                   field="hours")
        if self.windows[-1][1] - self.windows[0][0] > MOST_DAYS * DAY_MIN:
            raise ImpossibleChoice(f"A timetable goes over {MOST_DAYS} days at most.",
                                   field="days")
        for name, least, most in (("hands", 1, 12), ("bowls", 1, 20), ("boards", 0, 200)):
            if not least <= getattr(self, name) <= most:
                raise ImpossibleChoice(f"{name.capitalize()} go from {least} to {most}.",
                                       field=name)

    @property
    def start(self) -> int:
        """The first minute anything may start."""
        first = self.windows[0][0]
        return first if self.now is None else max(first, self.now)

    @property
    def end(self) -> int:
        """The last minute of the last day."""
        return self.windows[-1][1]


@dataclass(frozen=True, slots=True, kw_only=True)
class Placed:
    """A task laid out: when it starts, in which oven, whether the baker fixed it or did it."""

    task: Work
    start: int
    oven: int | None = None
    fixed: bool = False
    done: bool = False

    @property
    def end(self) -> int:
        """When it is over."""
        return self.start + self.task.minutes


@dataclass(frozen=True, slots=True, kw_only=True)
class Fix:
    """A task the baker put somewhere: its start, its oven, whether it is done already."""

    start: int
    oven: int | None = None
    done: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Timetable:
    """Days laid out.

    Parameters
    ----------
    placed : tuple of Placed
        By start; only what could be placed.
    left_out : tuple of WorkId
        What could not be placed.
    findings : tuple of Finding
        Gravest first.
    cost : float
        By the weights of :mod:`entremet.core.timetable.cost`; lower is better.
    proven : bool
        Whether no better one exists.
    gap : float or None
        How far it may be from the best, as a share; None where nobody looked.
    impossible : bool
        Whether it is proven that nothing finds a place for all.
    """

    placed: tuple[Placed, ...]
    left_out: tuple[WorkId, ...] = ()
    findings: tuple[Finding, ...] = ()
    cost: float = 0.0
    proven: bool = False
    gap: float | None = None
    impossible: bool = False

    def of(self, name: WorkId) -> Placed | None:
        """Return a task as placed."""
        return next((one for one in self.placed if one.task.id == name), None)
