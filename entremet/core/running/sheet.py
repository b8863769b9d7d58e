"""The run sheet as it is kept: steps with their amounts, bounds and times. It never changes."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from entremet.core.baking.constants import HEAT
from entremet.core.inside.of_fit import PanToOpen
from entremet.core.work.ids import ALONE, WorkId, WorkKind
from entremet.core.work.work import Wait, Work


@dataclass(frozen=True, slots=True, kw_only=True)
class ToWeigh:
    """A line to weigh: its name, its grams, the same in words; ``bowl`` groups mixes."""

    name: str
    g: float | None
    words: str
    bowl: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Pour:
    """Batter for one row of pans: how many, and grams of each."""

    pan: str
    count: int
    each_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class RowTimes:
    """Minutes of one row of pans in a load of unlike ones: it comes out at its own time.

    Parameters
    ----------
    row : int
        Its place among the pans that were chosen.
    label : str
        So many of which pan.
    first_look_min, likely_min, latest_min : float
        Its own.
    """

    row: int
    label: str
    first_look_min: float
    likely_min: float
    latest_min: float


@dataclass(frozen=True, slots=True, kw_only=True)
class BakeTimes:
    """Minutes of a bake after it went in, and what to look for.

    Parameters
    ----------
    first_look_min, early_min, likely_min, latest_min : float
        The window, as the plan has it.
    turn_min, cover_min : float or None
        When pans are turned, when the top is covered; None where neither is wanted.
    give_min : float
        More minutes for one that is not done.
    dial : str
        Setting it goes in at.
    signs : tuple of str
        What shows that it is done, in the order to look.
    not_done, too_dark : str
        What to do then.
    start_c, done_c, oven_c : float or None
        Heat of the batter, of a middle that is done, of the oven; for a probe.
    lag_min : float
        Minutes before a middle warms; for a probe.
    spread : float
        Standard deviation of the log of the minutes.
    lead : int or None
        Place of the slowest pan among those chosen: the one the load is taken out for.
    rows : tuple of RowTimes
        Of unlike pans each row's own, the soonest first; empty where all come out together.
    inside : PanToOpen or None
        The slowest pan, to be looked into; None where it cannot be.
    """

    first_look_min: float
    early_min: float
    likely_min: float
    latest_min: float
    turn_min: float | None = None
    cover_min: float | None = None
    give_min: float = 3.0
    dial: str = ""
    signs: tuple[str, ...] = ()
    not_done: str = ""
    too_dark: str = ""
    start_c: float | None = None
    done_c: float | None = None
    oven_c: float | None = None
    lag_min: float = HEAT.lag_min
    spread: float = 0.1
    lead: int | None = None
    rows: tuple[RowTimes, ...] = ()
    inside: PanToOpen | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class DayStep:
    """A step of a day: a piece of work with what is wanted to do it.

    Parameters
    ----------
    work : Work
        What is done. What is taken out of the fridge, and what stands soft then, are two.
    planned : datetime or None
        Where the timetable has it; None for a fit made at once.
    amounts, pours : tuple
        What is weighed, and poured into which pans.
    bake : BakeTimes or None
        For a bake.
    sign, caution : str
        What shows that it is ready, what to take care of.
    notes : tuple of str
        Kept on the card about this step.
    loud : bool
        Whether its timer may not be missed: a ring, a foam that hangs.
    batter_g : float or None
        Batter in the bowl that these pans are filled from; None where other pans share it.
    """

    work: Work
    planned: datetime | None = None
    amounts: tuple[ToWeigh, ...] = ()
    pours: tuple[Pour, ...] = ()
    bake: BakeTimes | None = None
    sign: str = ""
    caution: str = ""
    notes: tuple[str, ...] = ()
    loud: bool = False
    batter_g: float | None = None

    @property
    def id(self) -> WorkId:
        """Names it."""
        return self.work.id

    @property
    def kind(self) -> WorkKind:
        """What is done."""
        return self.work.id.kind

    @property
    def words(self) -> str:
        """For the baker."""
        return self.work.words

    @property
    def minutes(self) -> int:
        """How long it lasts."""
        return self.work.minutes

    @property
    def waits(self) -> tuple[Wait, ...]:
        """What comes before."""
        return self.work.waits

    @property
    def passive(self) -> bool:
        """Whether it goes on by itself."""
        return self.kind in ALONE


@dataclass(frozen=True, slots=True, kw_only=True)
class Due:
    """When an order has to be ready, and the step that ends it; ``order`` is its title."""

    order: str
    at: datetime | None
    last: WorkId


@dataclass(frozen=True, slots=True, kw_only=True)
class RunSheet:
    """A day: its steps in the order of work, and when its orders are due.

    ``pace`` is what the book's minutes of hands were multiplied by when it was laid out.
    """

    title: str
    steps: tuple[DayStep, ...]
    dues: tuple[Due, ...] = ()
    pace: float = 1.0

    def step(self, name: WorkId) -> DayStep | None:
        """Return a step by its id."""
        return next((one for one in self.steps if one.id == name), None)
