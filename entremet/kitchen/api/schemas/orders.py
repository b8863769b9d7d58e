"""Orders, the days they are planned for, what they are bought and priced at."""

from __future__ import annotations

import re
from datetime import datetime, time
from typing import Annotated, Any

from pydantic import AwareDatetime, BeforeValidator, Field, model_validator

from entremet.core.costing.cost_of import MOST_ASKED
from entremet.core.ground.errors import ImpossibleChoice
from entremet.core.ground.findings import Finding
from entremet.core.plan.request import Request
from entremet.core.shopping.listing import Pack
from entremet.core.timetable.ways_out import Help
from entremet.core.work.ids import WorkKind
from entremet.core.work.work import Lane
from entremet.kitchen.actions.workdays import Due
from entremet.kitchen.api.ids import Id
from entremet.kitchen.api.schemas.base import Out, StrictIn
from entremet.kitchen.models import Workday

MOST_ORDERS = 60
Clock = Annotated[str, Field(pattern=r"^([01][0-9]|2[0-3]):[0-5][0-9]$", description="HH:MM on "
                             "the kitchen's clock")]
SearchKey = Annotated[str, Field(max_length=64, pattern=r"^[0-9A-Za-z-]*$")]
TaskKey = Annotated[str, Field(min_length=3, max_length=120)]


def _written(value: Any) -> Any:
    """Refuse what is no date and time as RFC 3339 writes them; a bare number is none."""
    if not isinstance(value, str) or not _MOMENT.match(value):
        raise ValueError("is a date and time with its zone, as 2027-03-20T10:00:00Z")
    if not 2000 <= int(value[:4]) <= 2200:
        raise ValueError("is between the years 2000 and 2200")
    return value


_MOMENT = re.compile(r"^\d{4}-\d{2}-\d{2}[Tt ]\d{2}:\d{2}")

Moment = Annotated[AwareDatetime, BeforeValidator(_written)]


def clock_time(text: str) -> time:
    """Return a time written as HH:MM."""
    return time.fromisoformat(text)


Price = Annotated[float, Field(ge=0, le=MOST_ASKED)]


class OrderCakeIn(StrictIn):
    """A cake of an order: a kept fit, or the choices of one."""

    kept: Id | None = Field(None, description="id of a kept fit; else give the fit")
    fit: Request | None = None
    label: str = Field("", max_length=120, description="empty takes the recipe's title")
    count: int = Field(1, ge=1, le=50)
    inscription: str = Field("", max_length=120)
    spelling_confirmed: bool = False


class OrderIn(StrictIn):
    """An order."""

    title: str = Field(min_length=1, max_length=80)
    due: Moment
    occasion: str = Field("", max_length=80)
    note: str = Field("", max_length=1000)
    carried_in: str = Field("", max_length=80)
    sold: bool = False
    drive_min: int = Field(0, ge=0, le=600)
    done: bool = False
    price: Price | None = Field(None, description="what was agreed for all of it")
    cakes: list[OrderCakeIn] = Field(default_factory=list, max_length=40)


class TypedOrderIn(StrictIn):
    """As much of an order as its worth goes by, while it is typed."""

    due: Moment
    drive_min: int = Field(0, ge=0, le=600)
    price: Price | None = None
    cakes: list[OrderCakeIn] = Field(min_length=1, max_length=40)
    order: Id | None = Field(None, description="the order that is changed; null for a new one")


class ChangedOrderIn(OrderIn):
    """An order changed from the version that was read."""

    base: int


class OrderCakeOut(Out):
    """A cake of an order; ``moved_on`` says that its card has a newer revision."""

    label: str
    count: int
    inscription: str
    spelling_confirmed: bool
    recipe: int
    recipe_title: str
    request: Request | None = Field(description="null where it cannot be read any more")
    moved_on: bool


class OrderOut(Out):
    """An order with its cakes."""

    id: int
    version: int
    title: str
    due: datetime
    occasion: str
    note: str
    carried_in: str
    sold: bool
    drive_min: int
    done: bool
    price: float | None
    cakes: list[OrderCakeOut]
    cautions: list[str] = Field(description="what local rules often bar, where it is sold")


class WeekdayHours(StrictIn):
    """Hours of a day of the week of its own; without them nobody works then."""

    day: int = Field(ge=0, le=6, description="of the week, Monday 0")
    opens: Clock | None = None
    closes: Clock | None = None

    @model_validator(mode="after")
    def _both_or_none(self) -> WeekdayHours:
        if (self.opens is None) != (self.closes is None):
            raise ValueError("Hours have an opening and a closing time, or neither.")
        return self


class WorkdayIn(StrictIn):
    """Hours, means and rates of the kitchen."""

    zone: str = Field(max_length=60)
    opens: Clock
    closes: Clock
    week: list[WeekdayHours] = Field([], max_length=7, description="days with hours of their own")
    hands: int
    boards: int = Field(ge=0, le=200)
    shelf_cm: float | None = Field(None, description="clear height over a place of the fridge")
    high_places: int = Field(1, description="places of the fridge that take a higher cake")
    pace: float
    currency: str = Field(max_length=8)
    wage: float
    kwh: float
    kw: float | None = None
    packaging: float
    fixed: float
    margin: float
    portion: float | None = None
    rounding: float
    due: Due = Field("moment", description="of open orders, where the clock becomes another: what "
                     "stays")
    base: int

    def to_model(self) -> Workday:
        """Return the row, not saved."""
        if len({one.day for one in self.week}) < len(self.week):
            raise ImpossibleChoice("A day of the week has one row of hours.", field="week")
        week = {str(one.day): None if one.opens is None else {
            "opens": one.opens, "closes": one.closes} for one in self.week}
        return Workday(id=1, **{**self.model_dump(exclude={"base", "due"}), "week": week,
                                "opens": clock_time(self.opens),
                                "closes": clock_time(self.closes)})


class WeekdayHoursOut(Out):
    """Hours of a day of the week of its own; without them nobody works then."""

    day: int
    opens: Clock | None
    closes: Clock | None


class WorkdayOut(Out):
    """Hours, means and rates of the kitchen."""

    zone: str
    opens: Clock
    closes: Clock
    week: list[WeekdayHoursOut]
    hands: int
    boards: int
    shelf_cm: float | None
    high_places: int
    pace: float
    currency: str
    wage: float
    kwh: float
    kw: float | None
    packaging: float
    fixed: float
    margin: float
    portion: float | None
    rounding: float
    version: int


class PlanIn(StrictIn):
    """Which orders are planned, and how; what is left open is the kitchen's own."""

    orders: list[Id] = Field(max_length=MOST_ORDERS)
    days_before: int = Field(1, ge=0, le=6)
    opens: Clock | None = None
    closes: Clock | None = None
    hands: int | None = Field(None, ge=1, le=12)
    ovens: list[Id] | None = Field(None, max_length=20)
    now: Moment | None = Field(None, description="nothing starts before it; null takes the clock")
    effort: float = Field(0.0, ge=0, le=2, description="how long a better plan is looked for; 1 is "
                          "about 5 to 8 s")
    search: SearchKey = Field("", description="names the search, so that it can be looked at and "
                              "stopped")


class SearchOut(Out):
    """How a search for a better plan stands."""

    share: float = Field(description="what its best costs, over the quick plan")
    gap: float | None = Field(description="how far that may be from the best of all")


class TaskOut(Out):
    """A task of a plan, placed."""

    key: str
    order: str = Field(description="title of its order; empty for what is nobody's")
    order_id: int | None
    cake: str
    kind: WorkKind
    words: str
    lane: Lane
    oven: str | None
    oven_id: int | None
    start: datetime
    end: datetime
    minutes: int
    why: str
    waits: list[str] = Field(description="the bounds that hold it, in words")
    slack_min: int | None = Field(description="later without moving another; null for free")
    heat_c: float | None = Field(description="of a bake: what its oven is set to")
    fixed: bool
    done: bool


class LeftOutOut(Out):
    """A task that found no place."""

    key: str
    order: str
    words: str


class WayOutOut(Out):
    """What would let everything be done; it was tried."""

    help: Help
    words: str
    minutes: int
    order: int | None = Field(description="whose time moves")
    oven: int | None = Field(description="which is taken into use")
    task: str | None = Field(description="which is let go, where it was put somewhere")


class ClashOut(Out):
    """An order that cannot be done together with others."""

    order: int
    title: str


class OvenInUseOut(Out):
    """An oven that a plan works with; no id for one that the kitchen does not have yet."""

    id: int | None
    name: str


class TaskStartOut(Out):
    """A task and where it would be."""

    key: str
    start: datetime


class AheadTogetherOut(Out):
    """All that could be made earlier, made so, and what the last day is then."""

    starts: list[TaskStartOut]
    day_min: int
    then_min: int


class MakeAheadOut(Out):
    """What could be made on an earlier day, and what the last day is then."""

    key: str
    words: str
    start: datetime
    day_min: int
    then_min: int


class SpanOut(Out):
    """From one moment to another."""

    start: datetime
    end: datetime


class CakeKeepsOut(Out):
    """A cake of a plan: when it is done, until when it keeps, and what decides that."""

    order: str
    cake: str
    done: datetime
    until: datetime
    due: datetime
    too_early: bool
    words: str


class InTheFridgeOut(Out):
    """A cake that has to be cold: when it is in the fridge, how long it is out of it in all."""

    order_id: int
    order: str
    cake: str
    stays: list[SpanOut]
    warm_min: int
    too_warm: bool
    words: str = Field(description="how long it may be")


class PlannedCakeOut(Out):
    """A cake of a plan, and when it has to be ready."""

    key: str = Field(description="as its tasks name it")
    order_id: int
    order: str
    cake: str
    due: datetime
    leaves: datetime | None = Field(description="as it is planned; null where it is collected")


class FilledOut(Out):
    """How many places of the fridge are taken from one moment to another."""

    start: datetime
    end: datetime
    boards: int


class PlanOut(Out):
    """Days planned."""

    tasks: list[TaskOut]
    cakes: list[PlannedCakeOut] = Field(description="by order, as it has them")
    filled: list[FilledOut] = Field(description="how full the fridge is, change by change")
    boards: int = Field(description="places that the fridge has")
    left_out: list[LeftOutOut]
    findings: list[Finding]
    clash: list[ClashOut] = Field(description="orders that cannot be done together")
    ways_out: list[WayOutOut]
    make_ahead: list[MakeAheadOut]
    together: AheadTogetherOut | None = Field(description="taking all that could be made earlier")
    keeps: list[CakeKeepsOut] = Field(description="how long each cake keeps once it is done")
    fridge: list[InTheFridgeOut] = Field(description="what has to be cold, once a cold part is on")
    windows: list[SpanOut] = Field(description="when the kitchen works")
    ovens: list[OvenInUseOut]
    zone: str
    hands_min: int
    hours_min: int
    cost: float
    proven: bool
    gap: float | None
    impossible: bool = Field(description="of what is left out: whether it is proven that nothing "
                             "finds a place for all; else none was found")


class FixIn(StrictIn):
    """A task put somewhere, done, or (without a start) to be planned again."""

    key: TaskKey
    start: Moment | None = None
    oven: Id | None = Field(None, description="of a bake; null takes the first that is right")
    done: bool = False


class OrdersIn(StrictIn):
    """Some orders."""

    orders: list[Id] = Field(max_length=MOST_ORDERS)


class PackIn(StrictIn):
    """A pack as bought."""

    g: float
    price: float | None = None

    def to_core(self) -> Pack:
        """Return the pack; raises ImpossibleChoice for one that is none."""
        return Pack(g=self.g, price=self.price)


class StockIn(StrictIn):
    """What the larder says of an ingredient."""

    key: str = Field(min_length=1, max_length=120)
    name: str = Field(min_length=1, max_length=120)
    have_g: float = 0.0
    packs: list[PackIn] = Field(default_factory=list, max_length=6)
    where: str = Field("", max_length=80)


class BoughtIn(StrictIn):
    """What was bought, put into the larder; below zero takes it back."""

    key: str = Field(min_length=1, max_length=120)
    name: str = Field(min_length=1, max_length=120)
    g: float = Field(ge=-1_000_000, le=1_000_000)


class PackOut(Out):
    """A pack, and how many of it."""

    g: float
    price: float | None
    count: int


class StockOut(Out):
    """A row of the larder."""

    key: str
    name: str
    have_g: float
    packs: list[PackOut]
    where: str


class TakesOut(Out):
    """Who takes how much."""

    cake: str
    g: float


class ToBuyOut(Out):
    """A row of the shopping list."""

    key: str
    name: str
    needed_g: float | None
    have_g: float
    buy_g: float | None
    pieces: int | None
    packs: list[PackOut]
    packs_g: float = Field(description="of the packs together; without packs what is to buy")
    left_g: float
    price: float | None
    where: str
    cakes: list[TakesOut]
    raw: str = Field(description="weighed peeled or stoned: bought by more, estimated; else empty")
    house: bool
    known_packs: list[PackOut]
    left_for: list[str] = Field(description="recipes that would use what is left over")


class ThingOut(Out):
    """A board, a box, a support: what it is, how many."""

    name: str
    count: int


class ShoppingOut(Out):
    """The shopping list of some orders."""

    rows: list[ToBuyOut]
    things: list[ThingOut]
    price: float
    without_price: int
    currency: str
