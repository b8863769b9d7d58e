"""The run sheet as it is kept: steps with their amounts, bounds and times. It never changes."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from enum import Enum

from entremet.core.baking.constants import HEAT


class StepKind(Enum):
    """What a step is, for its advice and its timer."""

    TAKE_OUT = "take_out"
    WEIGH = "weigh"
    LINE = "line"
    HEAT = "heat"
    MIX = "mix"
    FILL = "fill"
    BAKE = "bake"
    STAND = "stand"
    TURN_OUT = "turn_out"
    COOL = "cool"
    MAKE = "make"
    LEVEL = "level"
    FINISH = "finish"
    WAIT = "wait"
    CHILL = "chill"
    BOX = "box"
    WASH = "wash"
    MEAL = "meal"


PASSIVE = frozenset({StepKind.STAND, StepKind.COOL, StepKind.WAIT, StepKind.CHILL})
"""What goes on by itself from when the step before it is done."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Amount:
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


@dataclass(frozen=True, slots=True, kw_only=True)
class Waits:
    """What a step waits for: a step before it, minutes after its end at least and at most."""

    key: str
    least_min: int = 0
    most_min: int | None = None
    why: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """A step of a day.

    Parameters
    ----------
    key, cake, order : str
        Names it; whose it is.
    kind : StepKind
        What it is.
    words : str
        For the baker.
    minutes : float
        How long it lasts; of a bake the likely time.
    waits : tuple of Waits
        What comes before.
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

    key: str
    cake: str
    order: str
    kind: StepKind
    words: str
    minutes: float
    waits: tuple[Waits, ...] = ()
    planned: datetime | None = None
    amounts: tuple[Amount, ...] = ()
    pours: tuple[Pour, ...] = ()
    bake: BakeTimes | None = None
    sign: str = ""
    caution: str = ""
    notes: tuple[str, ...] = ()
    loud: bool = False
    batter_g: float | None = None

    @property
    def passive(self) -> bool:
        """Whether it goes on by itself."""
        return self.kind in PASSIVE


@dataclass(frozen=True, slots=True, kw_only=True)
class Due:
    """When an order has to be ready, and the step that ends it."""

    order: str
    at: datetime | None
    last: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Sheet:
    """A day: its steps in the order of work, and when its orders are due.

    ``pace`` is what the book's minutes of hands were multiplied by when it was laid out.
    """

    title: str
    steps: tuple[Step, ...]
    dues: tuple[Due, ...] = ()
    pace: float = 1.0

    def step(self, key: str) -> Step | None:
        """Return a step by its key."""
        return next((one for one in self.steps if one.key == key), None)
