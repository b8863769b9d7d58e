"""Days under way, and devices beside them."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field

from entremet.core.ground.findings import Finding
from entremet.core.plan.request import Request
from entremet.core.running.events import EventKind
from entremet.core.running.lead import Act
from entremet.core.running.state import Stand
from entremet.core.running.timers import TimerKind
from entremet.core.work.ids import WorkKind
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas.base import Out, StrictIn

MOST_EVENTS = 500
MOST_READINGS = 2000
DeviceKey = Annotated[str, Field(min_length=8, max_length=40, pattern=r"^[0-9A-Za-z_-]+$")]
TickKey = Annotated[str, Field(min_length=8, max_length=40, pattern=r"^[0-9A-Za-z-]+$")]


class StartIn(StrictIn):
    """What a day is started from: orders and their timetable, or a fit at once."""

    orders: list[Id] = Field(default_factory=list, max_length=60)
    fit: Request | None = None


class EventIn(StrictIn):
    """A tick: its own key, so that one sent twice is one, and how long ago it was made."""

    id: TickKey
    kind: EventKind
    step: str = Field("", max_length=160, description="the step; of one that takes back the id of "
                      "the tick that is taken back")
    ago_s: float = Field(0.0, ge=0, le=1e7)
    place: int = Field(0, ge=0, le=999, description="line or pan that was weighed or poured")
    amount: float = Field(0.0, ge=0, le=100_000, description="its measured grams, 0 for what was "
                          "done by hand; of being late minutes")


class EventsIn(StrictIn):
    """Ticks in the order they were made."""

    events: list[EventIn] = Field(max_length=MOST_EVENTS)


StepKey = Annotated[str, Field(min_length=1, max_length=160)]


class BakeHowIn(StrictIn):
    """How a bake was, in three taps."""

    step: str = Field(max_length=160)
    how: Literal["right", "little_over", "raw", ""] = ""
    top: Literal["flat", "domed", "cracked", "sunk", "ran_over", ""] = ""
    change: str = Field("", max_length=500)


class LeftoverIn(StrictIn):
    """What is left of something."""

    name: str = Field(min_length=1, max_length=100)
    g: float = Field(gt=0, le=100_000)


class FinishDayIn(StrictIn):
    """The end of a day."""

    bakes: list[BakeHowIn] = Field(default_factory=list, max_length=60)
    leftovers: list[LeftoverIn] = Field(default_factory=list, max_length=60)
    orders_done: bool = True


class MarksOut(Out):
    """Grams from which it is poured slowly, and between which it is right."""

    near_g: float
    least_g: float
    most_g: float


class AmountOut(Out):
    """A line to weigh, and what was weighed of it."""

    name: str
    g: float | None
    words: str
    bowl: str
    weighed: bool
    weighed_g: float | None = Field(description="measured; nothing where it was weighed by hand")
    over: str
    marks: MarksOut | None


class PanToFillOut(Out):
    """A pan to fill, and what is in it."""

    pan: str
    wanted_g: float
    filled: bool
    poured_g: float | None = Field(description="measured; nothing where it was filled by hand")
    left_g: float
    over: str
    marks: MarksOut


class RescueOut(Out):
    """What goes wrong here, what helps now, what to change next time."""

    what: str
    now: str
    next: str


class CurvePointOut(Out):
    """A reading of the middle."""

    minutes: float
    c: float


class RowInOvenOut(Out):
    """A row of pans in a load of unlike ones: it comes out at its own time."""

    row: int
    label: str
    first_look_min: float
    likely_min: float
    latest_min: float
    out: bool


class BakeUnderWayOut(Out):
    """Minutes of a bake, as planned and as a probe has it."""

    dial: str
    first_look_min: float
    early_min: float
    likely_min: float
    latest_min: float
    planned_early_min: float
    planned_latest_min: float
    rows: list[RowInOvenOut] = Field(description="of unlike pans; empty where all come out "
                                     "together")
    readings: int = Field(description="of a probe, behind the window; 0 where none watches")
    opens: bool = Field(description="whether it can be looked into")
    give_min: float
    signs: list[str]
    not_done: str
    too_dark: str
    looks: int
    covered: bool
    turned: bool
    turn_min: float | None
    cover_min: float | None
    curve: list[CurvePointOut] = Field(description="the middle as it warmed")
    air_off_c: float | None


class WaitOut(Out):
    """A step that another waits for, and how long after its end."""

    key: str
    least_min: int


class StepOut(Out):
    """A step of the day as it stands."""

    key: str
    order: str
    cake: str
    kind: WorkKind
    words: str
    minutes: float
    stand: Stand
    asked: bool = Field(description="false for what was passed by, or has to wait for its oven")
    waits: list[WaitOut] = Field(description="so that a screen without its kitchen can go on")
    passive: bool
    planned: datetime | None
    ready_at: datetime | None
    started: datetime | None
    ended: datetime | None
    held: bool
    amounts: list[AmountOut]
    pans: list[PanToFillOut]
    bowl_loss_g: float | None
    bake: BakeUnderWayOut | None
    sign: str
    caution: str
    notes: list[str]
    rescues: list[RescueOut]
    tick: str


class TimerOut(Out):
    """What runs, and when it calls."""

    key: str
    kind: TimerKind
    step: str
    what: str
    words: str
    since: datetime
    at: datetime
    calls: bool
    loud: bool


class ExpectedOut(Out):
    """When an order will be ready."""

    order: str
    ready: datetime
    due: datetime | None
    late_min: int


class MovedOut(Out):
    """A step that moves."""

    words: str
    minutes: int


class DayOut(Out):
    """A day as it stands now, by the server's clock."""

    id: int
    title: str
    now: datetime
    started_at: datetime
    ended_at: datetime | None
    act: Act
    lead: str | None = Field(description="key of the step that leads")
    finish_first: str | None
    next: list[str]
    steps: list[StepOut]
    timers: list[TimerOut]
    expected: list[ExpectedOut]
    behind_min: int
    moved: list[MovedOut]
    late_until: datetime | None
    last_tick: str
    zone: str
    findings: list[Finding]


class DayRowOut(Out):
    """A day in the list."""

    id: int
    title: str
    started_at: datetime
    ended_at: datetime | None


class DeviceIn(StrictIn):
    """A device to let in."""

    kind: Literal["scale", "probe"]
    name: str = Field(min_length=1, max_length=80)
    simulated: bool = False


class DeviceOut(Out):
    """A device, and the key it sends its readings with."""

    id: int
    kind: Literal["scale", "probe"]
    name: str
    key: str
    simulated: bool
    watches: str


class WatchIn(StrictIn):
    """The bake that a probe is in; empty for none."""

    day: Id | None = None
    step: str = Field("", max_length=160)


class ReadingIn(StrictIn):
    """One reading of the protocol; ``t`` is the device's own seconds."""

    device: Literal["scale", "probe"]
    t: float = Field(ge=0, le=1e9)
    g: float | None = Field(None, ge=-100_000, le=100_000)
    stable: bool = False
    overload: bool = False
    battery_low: bool = False
    centre_c: float | None = Field(None, ge=-60, le=400)
    air_c: float | None = Field(None, ge=-60, le=500)


class ReadingsIn(StrictIn):
    """Readings, oldest first; the last was read just now."""

    readings: list[ReadingIn] = Field(max_length=MOST_READINGS)


class LatestOut(Out):
    """What a device says now; nothing where it has been silent."""

    device: int
    kind: Literal["scale", "probe"]
    name: str
    ago_s: float | None
    g: float | None
    stable: bool
    overload: bool
    battery_low: bool
    centre_c: float | None
    air_c: float | None


class PlayIn(StrictIn):
    """What somebody does to a simulated device."""

    do: Literal["pour", "lift", "tare", "link", "battery", "door", "probe_out"]
    g: float = Field(0.0, ge=-10_000, le=10_000)
