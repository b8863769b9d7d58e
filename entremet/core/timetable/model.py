"""What a timetable is made of: tasks with their bounds, a kitchen's means, tasks laid out."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import Enum

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding

MOST_TASKS = 4000
MOST_DAYS = 15
DAY_MIN = 24 * 60


class Lane(Enum):
    """Where a task is drawn: busy hands, an oven, the fridge, or standing by itself."""

    HANDS = "hands"
    OVEN = "oven"
    FRIDGE = "fridge"
    STANDS = "stands"


@dataclass(frozen=True, slots=True, kw_only=True)
class After:
    """What a task waits for.

    Parameters
    ----------
    key : str
        The task before.
    least_min : int
        Minutes between its end and this one's start, at least.
    most_min : int or None
        At most; None for as long as one likes.
    why : str
        For the baker.
    """

    key: str
    least_min: int = 0
    most_min: int | None = None
    why: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Heat:
    """What a bake needs of an oven.

    Parameters
    ----------
    c : float
        Its heat, °C; bakes of one heat may share an oven.
    shelves : int
        Shelves it takes.
    preheat_min : int
        Before the first bake of that heat.
    kind : str
        Of the oven it is timed for; another kind bakes otherwise. Empty for any.
    """

    c: float
    shelves: int = 1
    preheat_min: int = 15
    kind: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class DayTask:
    """A task of a day.

    Parameters
    ----------
    key : str
        Names it within the days.
    order, cake : str
        Whose it is; both empty for what is nobody's.
    words : str
        For the baker.
    minutes : int
        How long it lasts, above zero; of a bake no later than, so that the window is planned.
    lane : Lane
        Where it is drawn. Only ``HANDS`` keeps hands busy.
    why : str
        Why it lasts so long, or where the number comes from.
    heat : Heat or None
        For a bake.
    bowl : bool
        Whether it needs a mixing bowl.
    pans : mapping of str to int
        Pans it holds, by label.
    boards : int
        Boards of fridge room.
    after : tuple of After
        What it waits for.
    due : int or None
        When it has to be over, minutes.
    keeps_min : int or None
        How long what it makes keeps until it is used; None where it does not matter.
    """

    key: str
    order: str
    cake: str
    words: str
    minutes: int
    lane: Lane
    why: str = ""
    heat: Heat | None = None
    bowl: bool = False
    pans: Mapping[str, int] = field(default_factory=dict)
    boards: int = 0
    after: tuple[After, ...] = ()
    due: int | None = None

    def __post_init__(self) -> None:
        if self.minutes < 1:
            raise ImpossibleChoice("A task takes a minute at least.", field=self.key)

    @property
    def awake(self) -> bool:
        """Whether somebody has to be up: hands are busy, or an oven is on."""
        return self.lane in (Lane.HANDS, Lane.OVEN)


@dataclass(frozen=True, slots=True, kw_only=True)
class OvenMeans:
    """An oven that is in use: its name, its shelves, the minutes it takes to change its heat, its
    kind; empty for one that takes any bake.
    """

    name: str
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

    task: DayTask
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
    left_out : tuple of str
        Keys of what could not be placed.
    findings : tuple of Finding
        Gravest first.
    cost : float
        By the weights of :mod:`entremet.core.timetable.cost`; lower is better.
    proven : bool
        Whether no better one exists.
    gap : float or None
        How far it may be from the best, as a share; None where nobody looked.
    """

    placed: tuple[Placed, ...]
    left_out: tuple[str, ...] = ()
    findings: tuple[Finding, ...] = ()
    cost: float = 0.0
    proven: bool = False
    gap: float | None = None

    def of(self, key: str) -> Placed | None:
        """Return a task as placed."""
        return next((one for one in self.placed if one.task.key == key), None)
