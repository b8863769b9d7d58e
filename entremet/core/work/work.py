"""A piece of work: how long it takes, what it holds meanwhile, what it waits for."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from enum import Enum

from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.work.ids import WorkId, WorkKind


class Lane(Enum):
    """Where work is drawn: busy hands, an oven, the fridge, or standing by itself."""

    HANDS = "hands"
    OVEN = "oven"
    FRIDGE = "fridge"
    STANDS = "stands"


@dataclass(frozen=True, slots=True, kw_only=True)
class Wait:
    """What a piece of work waits for.

    Parameters
    ----------
    on : WorkId
        What comes before.
    least_min : int
        Minutes between its end and this one's start, at least.
    most_min : int or None
        At most; None for as long as one likes.
    why : str
        For the baker.
    """

    on: WorkId
    least_min: int = 0
    most_min: int | None = None
    why: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Hold:
    """What is held from when a piece of work begins until another does.

    Parameters
    ----------
    pan : str
        Label of the pans; empty for boards of the fridge.
    count : int
        How many.
    until : WorkId or None
        What ends it, as it begins.
    until_min : int or None
        When it ends, where no work does: a cake is collected.
    """

    pan: str = ""
    count: int = 1
    until: WorkId | None = None
    until_min: int | None = None


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
    on : WorkId or None
        The work that turns the knob for it; None where the load before it did.
    """

    c: float
    shelves: int = 1
    preheat_min: int = 15
    kind: str = ""
    on: WorkId | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Work:
    """A piece of work.

    Parameters
    ----------
    id : WorkId
        Names it.
    order : str
        Title of the order it is for, for the baker; empty for what is nobody's.
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
        Pans it holds while it lasts, by label.
    boards : int
        Boards of fridge room it holds while it lasts.
    holds : tuple of Hold
        What it holds beyond itself: pans from lining to turning out, a board for what is cold.
    cold : bool
        Whether the cake has to be cold then: what it is out of the fridge for is counted.
    waits : tuple of Wait
        What comes before.
    due : int or None
        When it has to be over, minutes.
    earliest : int or None
        When it may begin at the earliest: what it makes would not keep until it is due.
    """

    id: WorkId
    order: str
    words: str
    minutes: int
    lane: Lane
    why: str = ""
    heat: Heat | None = None
    bowl: bool = False
    pans: Mapping[str, int] = field(default_factory=dict)
    boards: int = 0
    holds: tuple[Hold, ...] = ()
    cold: bool = False
    waits: tuple[Wait, ...] = ()
    due: int | None = None
    earliest: int | None = None

    def __post_init__(self) -> None:
        if self.minutes < 1:
            raise ImpossibleChoice("A task takes a minute at least.", field=self.id.text)

    @property
    def awake(self) -> bool:
        """Whether the kitchen has to be open: hands are busy in it, or an oven is on."""
        return self.lane in (Lane.HANDS, Lane.OVEN) and self.kind is not WorkKind.BACK

    @property
    def begun_awake(self) -> bool:
        """Whether somebody has to be up as it begins, though it then goes on by itself."""
        return self.awake or self.kind is WorkKind.TAKE_OUT

    @property
    def kind(self) -> WorkKind:
        """What is done."""
        return self.id.kind


def hands_of(works: Iterable[Work]) -> int:
    """Return the minutes that hands are busy."""
    return sum(one.minutes for one in works if one.lane is Lane.HANDS)
